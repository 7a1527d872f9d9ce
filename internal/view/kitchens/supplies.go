package kitchens

import (
	"slices"

	"github.com/google/uuid"

	"patient-kitchen/core/fit"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// CellSupplies are what a home can do a need with, each with what that would do to the
// home and to the class.
type CellSupplies struct {
	Supplies []SupplyRow `json:"supplies" doc:"The design's own first, then by how far they depart"`
	Alike    []uuid.UUID `json:"alike" doc:"Homes that use the same for it"`
}

// SupplyRow is one of them.
type SupplyRow struct {
	Use      string   `json:"use"`
	Name     string   `json:"name"`
	Amount   string   `json:"amount,omitempty"`
	Class    string   `json:"class" enum:"pools,scales,separate,unsuitable"`
	Why      string   `json:"why"`
	Own      bool     `json:"own,omitempty"`
	Chosen   bool     `json:"chosen,omitempty"`
	Says     string   `json:"says" doc:"The class in a sentence if this home did it so"`
	Sends    bool     `json:"sends,omitempty" doc:"It would have to be sent or lent"`
	Cautions []string `json:"cautions" doc:"That the design has not"`
	Closed   []string `json:"closed" doc:"Titles of steps that would not be for this home"`
}

// SuppliesOf tries each supply of a need in a home. It reports false for a home or a need that
// there is not.
func SuppliesOf(w *fit.Supplies, class kitchen.Class, home, need, language string) (CellSupplies, bool) {
	out := CellSupplies{Supplies: []SupplyRow{}, Alike: []uuid.UUID{}}
	now := w.Fit(class)
	at := slices.IndexFunc(now.Homes, func(h fit.HomePlan) bool { return h.Home == home })
	if at < 0 {
		return out, false
	}
	chosen, ok := choiceOf(&now.Homes[at], need)
	if !ok {
		return out, false
	}
	for i := range now.Homes {
		if c, has := choiceOf(&now.Homes[i], need); has && c.Use() == chosen.Use() {
			if id, err := uuid.Parse(now.Homes[i].Home); err == nil {
				out.Alike = append(out.Alike, id)
			}
		}
	}
	for _, list := range w.ByNeed() {
		if list[0].Need != need {
			continue
		}
		for _, supply := range list {
			out.Supplies = append(out.Supplies, supplyRow(w, class, at, supply, chosen.Use() == supply.Use(), language))
		}
	}
	return out, true
}

func choiceOf(h *fit.HomePlan, need string) (fit.Choice, bool) {
	i := slices.IndexFunc(h.Choices, func(c fit.Choice) bool { return c.Need == need })
	if i < 0 {
		return fit.Choice{}, false
	}
	return h.Choices[i], true
}

func supplyRow(
	w *fit.Supplies, class kitchen.Class, at int, supply fit.Supply, chosen bool, language string,
) SupplyRow {
	d := w.Design()
	after := w.Fit(class.With(kitchen.Pin{Home: class.Homes[at].Home, Need: supply.Need, Material: supply.Use()}))
	h := &after.Homes[at]
	row := SupplyRow{
		Use: supply.Use(), Class: string(supply.Class), Why: text.Render(supply.Because, language),
		Own: supply.Own, Chosen: chosen,
		Says: text.Render(after.Short(), language), Cautions: []string{}, Closed: []string{},
	}
	row.Name, _ = supply.Called().In(language)
	n, _ := d.Need(supply.Need)
	if supply.Amount.Value > 0 {
		row.Amount = text.Render(supply.Said(n), language)
	}
	if c, ok := choiceOf(h, supply.Need); ok {
		row.Sends = c.Kit
	}
	for _, m := range safety.NewCautions(w.Findings(), h.Findings, supply.Need) {
		row.Cautions = append(row.Cautions, text.Render(m, language))
	}
	for _, id := range h.Closed {
		if i, ok := d.Step(id); ok {
			title, _ := d.Steps[i].Title.In(language)
			row.Closed = append(row.Closed, title)
		}
	}
	return row
}
