package sentence_test

import (
	"slices"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/sentence"
	"patient-kitchen/core/text"
)

// two are steps of which the second takes something and has a caution and a lowered verdict.
func two() *design.Document {
	d := weighed()
	d.Steps[0].Duration, d.Steps[0].Heat, d.Steps[0].Actions = "90 s", "40 °C", []string{"pour"}
	d.Steps = append(d.Steps,
		design.Step{ID: "weigh", Kind: "measure", Title: text.Localized{"en": "Weigh it"},
			Text: text.Localized{"en": "Weigh it.", "es": "Pésalo."}, Duration: "2 min", Heat: "60 °C",
			Actions: []string{"pour", "carry"}, Takes: []design.Take{{Reading: "mass"}}},
		design.Step{ID: "later", Kind: "do", Title: text.Localized{}, Wait: &design.Wait{For: "1 h", From: "weigh"}},
	)
	d.Sections = []design.Section{{ID: "one", Steps: []string{"jar", "weigh"}}, {ID: "two", Steps: []string{"later"}}}
	d.Cautions = []design.Caution{{ID: "own", Step: "weigh"}}
	d.Lowered = []design.Lowering{{Step: "weigh"}, {Step: "jar"}}
	return d
}

// TestJoin: two steps become one with all that both say, do and take; what names the second
// names the first, the stricter holds, and a lowered verdict of the second is gone.
func TestJoin(t *testing.T) {
	d := two()
	if !sentence.Carry(d, "jar", "en", sentence.Revision{Kind: sentence.Join}, "") {
		t.Fatal("they are not joined")
	}
	s := d.Steps[0]
	if len(d.Steps) != 2 || s.ID != "jar" || s.Text["en"] != "Fill the jar. Weigh it." || s.Text["es"] != "Pésalo." ||
		s.Duration != "3.5 min" || s.Heat != "60 °C" || s.Kind != "measure" || len(s.Takes) != 1 ||
		!slices.Equal(s.Actions, []string{"pour", "carry"}) {
		t.Errorf("%+v", s)
	}
	if d.Steps[1].Wait.From != "jar" || d.Cautions[0].Step != "jar" || len(d.Lowered) != 1 || d.Lowered[0].Step != "jar" ||
		!slices.Equal(d.Sections[0].Steps, []string{"jar"}) {
		t.Errorf("%+v %+v %+v %+v", d.Steps[1].Wait, d.Cautions, d.Lowered, d.Sections)
	}
	for what, change := range map[string]func(d *design.Document){
		"a wait": func(d *design.Document) { d.Steps[1].Wait = &design.Wait{For: "4 min"} },
		"a gate": func(d *design.Document) { d.Steps[0].Gate = true },
		"a part": func(d *design.Document) {
			d.Sections[0].Steps, d.Sections[1].Steps = []string{"jar"}, []string{"weigh", "later"}
		},
		"an activity": func(d *design.Document) {
			d.Activities = []design.Activity{{Steps: []string{"jar"}}, {Steps: []string{"weigh"}}}
		},
		"other conditions":  func(d *design.Document) { d.Steps[1].Conditions = []string{"a"} },
		"each by itself":    func(d *design.Document) { d.Steps[1].Each = true },
		"other people":      func(d *design.Document) { d.Steps[1].Crew = []string{"timer"} },
		"another vessel":    func(d *design.Document) { d.Steps[0].In, d.Steps[1].In = "jar", "cup" },
		"nothing behind it": func(d *design.Document) { d.Steps = d.Steps[:1] },
	} {
		d := two()
		change(d)
		if n := len(d.Steps); sentence.Carry(d, "jar", "en", sentence.Revision{Kind: sentence.Join}, "") || len(d.Steps) != n {
			t.Errorf("%s stands between them, and they are joined", what)
		}
	}
}
