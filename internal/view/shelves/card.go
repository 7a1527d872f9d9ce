package shelves

import (
	"slices"
	"strings"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/sheets"
)

// Card is what is known of one material; who uses it stays to be added.
func Card(l *larder.Larder, m *larder.Material, language string) ThingCard {
	alone := aloneDesign(m)
	r := safety.Judge(&alone, l, nil)
	said := func(note string) string { return larder.Said(note, language) }
	v := ThingCard{
		ThingRow: Row(l, m, language),
		Names:    m.Names(),
		Figures:  figureRows(l, m, language),
		Caveat:   said(m.Caveat),
		Place:    said(m.UsualPlace),
		Cost:     said(m.Cost),
		Bands:    drafts.ViewBands(r),
		Hazards:  []sheets.CautionRow{},
		Clear:    []string{},
		Allergy:  []string{},
		Diet:     []string{},
		Swap:     []string{},
		Pets:     []string{},
		Instead:  []SwapRow{},
		Serves:   []SwapRow{},
		Designs:  []string{},
	}
	for _, f := range r.Findings {
		if f.Rule == "allergen" {
			continue
		}
		v.Hazards = append(
			v.Hazards,
			sheets.CautionRow{Why: text.Render(f.Why, language), Do: text.Render(f.Do, language), Steps: []int{}},
		)
	}
	v.Clear = sheets.SayAll(r.Clearing.Lines, language)
	for _, x := range m.Allergens() {
		v.Allergy = append(v.Allergy, text.Render(text.Message{ID: "larder.allergen." + x}, language))
	}
	for _, d := range l.Diets {
		if slices.Contains(d.Materials, m.ID) {
			if d.Diet != "" {
				v.Diet = append(v.Diet, said(d.Diet))
			}
			for _, id := range d.Swaps {
				if other, ok := l.Material(id); ok {
					name, _ := other.Name.In(language)
					v.Swap = append(v.Swap, name)
				}
			}
		}
	}
	for _, p := range l.Pets {
		if slices.Contains(p.Materials, m.ID) {
			v.Pets = append(v.Pets, strings.TrimSuffix(said(p.Hazard)+": "+said(p.Animals)+"; "+said(p.Note), "; "))
		}
	}
	for _, s := range l.SwapsFrom(m.ID) {
		v.Instead = append(v.Instead, Swap(l, s.Rule, language))
	}
	for _, s := range l.SwapsTo(m.ID) {
		v.Serves = append(v.Serves, Swap(l, s.Rule, language))
	}
	if m.Own {
		v.Material = m
	}
	return v
}

// Found is what a search found.
func Found(f larder.Found, language string) LarderFound {
	out := LarderFound{Things: []string{}, Asks: []AskRow{}, Nearest: []string{}}
	for _, h := range f.Hits {
		out.Things = append(out.Things, h.Material.ID)
	}
	for _, h := range f.Nearest {
		out.Nearest = append(out.Nearest, h.Material.ID)
	}
	for _, w := range f.Asks {
		why, _ := w.Why.In(language)
		out.Asks = append(out.Asks, AskRow{w.Rule, why, append([]string{}, w.Choices...)})
	}
	return out
}
