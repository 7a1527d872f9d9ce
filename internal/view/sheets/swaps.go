package sheets

import (
	"errors"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
)

// SheetSwap is one thing that may stand in for a need of a design.
type SheetSwap struct {
	Name      string        `json:"name"`
	Other     string        `json:"other,omitempty" doc:"Form or strength"`
	Amount    string        `json:"amount,omitempty"`
	How       string        `json:"how,omitempty" doc:"The sum"`
	Class     string        `json:"class" enum:"pools,scales,separate"`
	Because   string        `json:"because"`
	Effect    string        `json:"effect,omitempty"`
	Procedure string        `json:"procedure,omitempty"`
	Verdict   string        `json:"verdict"`
	Graver    bool          `json:"graver" doc:"The verdict would be graver than now"`
	Acid      string        `json:"acid,omitempty" doc:"How the acid that goes with it changes"`
	Cautions  []string      `json:"cautions" doc:"Its own, that the design's choice has not"`
	Change    safety.Change `json:"change" doc:"Takes it, through /preview/mend"`
}

// SwapsFor lists what may stand in for a need of a document that is not
// stored.
func SwapsFor(raw []byte, need, language string) ([]SheetSwap, error) {
	d, err := design.Read(raw)
	if err != nil {
		return nil, refusal.Field("document", refusal.Rule("unreadable", "problem", err.Error()), `{"schema": 2}`)
	}
	n, ok := d.Need(need)
	if !ok {
		return nil, refusal.ErrNotFound
	}
	subs, err := safety.Swaps(&d, d.Larder(), n)
	out := []SheetSwap{}
	var unknown *larder.UnknownError
	if errors.As(err, &unknown) {
		return out, nil // the design's own findings say what is unknown
	}
	for _, s := range subs {
		name, _ := s.Material.Name.In(language)
		row := SheetSwap{
			Name:      name,
			Other:     larder.FormSaid(s.Form, language),
			Class:     string(s.Class),
			Because:   text.Render(s.Because, language),
			Effect:    larder.Said(s.Effect, language),
			Procedure: larder.Said(s.Procedure, language),
			Acid:      text.Render(s.AcidWith(), language),
			Verdict:   string(s.Verdict),
			Graver:    s.Graver,
			Cautions:  SayAll(s.Cautions, language),
			Change:    safety.SwapFor(n.ID, s.Candidate),
		}
		if s.Percent > 0 {
			row.Other = text.Number(s.Percent, text.Decimals(s.Percent, 0), language) + " %"
		}
		if s.Amount.Value > 0 {
			row.Amount, row.How = s.Amount.Show(language), text.Render(s.How, language)
		}
		out = append(out, row)
	}
	return out, err
}
