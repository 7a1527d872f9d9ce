package design_test

import (
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// What a kind cannot be asked without is named, with its place, in every language; a
// sound design of that kind is not spoken of.
func TestKindsAreExplained(t *testing.T) {
	word := func(ids ...string) (out []design.Choice) {
		for _, id := range ids {
			out = append(out, design.Choice{ID: id, Word: text.Localized{"en": id, "es": id}})
		}
		return out
	}
	zone := func(area float64, id string) design.Zone {
		return design.Zone{ID: id, Word: text.Localized{"en": id, "es": id}, Area: area}
	}
	sound := map[design.ReadingKind]design.Reading{
		design.CountKind:   {Symbol: "n", Unit: "1", Of: "20"},
		design.OrdinalKind: {Levels: word("low", "high")},
		design.ChoiceKind:  {Options: word("a", "b"), Right: "a"},
		design.SeveralKind: {Options: word("a", "b")},
		design.OrderKind:   {Things: word("a", "b", "c")},
		design.ZonesKind:   {Zones: []design.Zone{zone(0, "a"), zone(0, "b")}},
		design.WordsKind:   {Senses: map[design.Sense][]design.Choice{"looks": word("a")}},
		design.EventKind:   {Symbol: "t", Unit: "min", NotBy: "30 min"},
		design.PositionKind: {Symbol: "x", Unit: "mm", Place: &design.Place{
			Picture: design.Sheet, From: design.Spot{X: .5, Y: .5}, Ruler: "297 mm",
		}},
		design.TextKind: {},
	}
	for _, c := range []struct {
		code, path string
		kind       design.ReadingKind
		change     func(d *design.Document, r *design.Reading)
	}{
		{"count-of", "/of", design.CountKind, func(_ *design.Document, r *design.Reading) { r.Of = "some" }},
		{"symbol", "/symbol", design.CountKind, func(_ *design.Document, r *design.Reading) { r.Symbol = "" }},
		{"levels", "/levels", design.OrdinalKind,
			func(_ *design.Document, r *design.Reading) { r.Levels = word("low") }},
		{"levels", "/levels", design.OrdinalKind,
			func(_ *design.Document, r *design.Reading) { r.Levels = word("a", "b", "c", "d", "e", "f", "g", "h") }},
		{"same-id", "/levels/1/id", design.OrdinalKind,
			func(_ *design.Document, r *design.Reading) { r.Levels = word("low", "low") }},
		{"bad-id", "/levels/0/id", design.OrdinalKind,
			func(_ *design.Document, r *design.Reading) { r.Levels[0].ID = "Low!" }},
		{"no-name", "/levels/0/word", design.OrdinalKind,
			func(_ *design.Document, r *design.Reading) { r.Levels[0].Word = nil }},
		{"no-options", "/options", design.ChoiceKind, func(_ *design.Document, r *design.Reading) {
			r.Options,
				r.Right = word("a"), ""
		}},
		{"right-option", "/right", design.ChoiceKind, func(_ *design.Document, r *design.Reading) { r.Right = "c" }},
		{"no-options", "/options", design.SeveralKind, func(_ *design.Document, r *design.Reading) { r.Options = nil }},
		{"things", "/things", design.OrderKind, func(_ *design.Document, r *design.Reading) { r.Things = word("a") }},
		{"too-many-pairs", "/pairs", design.OrderKind, func(_ *design.Document, r *design.Reading) {
			r.Things, r.Pairs = word("a", "b", "c", "d", "e", "f"), true
		}},
		{"order-per-condition", "/per", design.OrderKind, func(_ *design.Document, r *design.Reading) {
			r.Things, r.Per = nil, []design.PartOf{design.Conditions}
		}},
		{"zones", "/zones", design.ZonesKind, func(_ *design.Document, r *design.Reading) { r.Zones = r.Zones[:1] }},
		{"zone-areas", "/zones", design.ZonesKind, func(_ *design.Document, r *design.Reading) { r.Zones[0].Area = 2 }},
		{"settling", "/settling/0", design.ZonesKind,
			func(_ *design.Document, r *design.Reading) { r.Settling = []string{"5 min"} }},
		{"count-of", "/of", design.ZonesKind, func(_ *design.Document, r *design.Reading) { r.Of = "1.5" }},
		{"no-words-to-say", "/senses", design.WordsKind,
			func(_ *design.Document, r *design.Reading) { r.Senses = nil }},
		{"kind", "/senses", design.WordsKind, func(_ *design.Document, r *design.Reading) {
			r.Senses = map[design.Sense][]design.Choice{"tastes": word("sweet"), "looks": word("a")}
		}},
		{"not-by", "/not_by", design.EventKind, func(_ *design.Document, r *design.Reading) { r.NotBy = "" }},
		{"bare-time", "/not_by", design.EventKind, func(_ *design.Document, r *design.Reading) { r.NotBy = "30" }},
		{"event-unit", "/unit", design.EventKind, func(_ *design.Document, r *design.Reading) { r.Unit = "mm" }},
		{"kind", "/place/picture", design.PositionKind,
			func(_ *design.Document, r *design.Reading) { r.Place = &design.Place{Picture: "map"} }},
		{"kind", "/place/as", design.PositionKind,
			func(_ *design.Document, r *design.Reading) { r.Place = &design.Place{Picture: design.Dish, As: "area"} }},
		{"spot", "/place/from", design.PositionKind, func(_ *design.Document, r *design.Reading) {
			r.Place = &design.Place{Picture: design.Dish, From: design.Spot{X: 1.5}}
		}},
		{"picture-width", "/place/ruler", design.PositionKind, func(_ *design.Document, r *design.Reading) {
			r.Place = &design.Place{Picture: design.Dish, Ruler: "297 g"}
		}},
		{"part-not-taken", "", design.TextKind, func(d *design.Document, r *design.Reading) {
			r.Per = []design.PartOf{design.Conditions}
			last := &d.Steps[len(d.Steps)-1]
			last.Takes = []design.Take{{Reading: r.ID, Condition: d.Conditions[0].ID}}
		}},
	} {
		d := example(t, "paper-strips")
		r := sound[c.kind]
		r.ID, r.Kind, r.Name = "new", c.kind, text.Localized{"en": "new", "es": "nueva"}
		r.Levels, r.Zones = append([]design.Choice{}, r.Levels...), append([]design.Zone{}, r.Zones...)
		d.Readings = append(d.Readings, r)
		last := &d.Steps[len(d.Steps)-1]
		last.Takes = append(last.Takes, design.Take{Reading: "new"})
		path := "/readings/1" + c.path
		said := func() bool {
			for _, f := range design.Validate(&d) {
				if f.Code != c.code || f.Path != path {
					continue
				}
				for _, language := range text.Languages {
					if s := text.Render(f.Message, language) + text.Render(f.Mend, language); s == "" ||
						strings.ContainsAny(s, "{}[]") {
						t.Errorf("%s: %q", c.code, s)
					}
				}
				return true
			}
			return false
		}
		if said() {
			t.Errorf("%s of %s is found in a sound design", c.code, c.kind)
		}
		c.change(&d, &d.Readings[1])
		if !said() {
			t.Errorf("%s of %s is not found at %s: %+v", c.code, c.kind, path, design.Validate(&d))
		}
	}
}
