package design_test

import (
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// activities are two, of which the first has these steps.
func activities(steps ...string) []design.Activity {
	return []design.Activity{
		{ID: "one", Title: text.Localized{"en": "One", "es": "Una"}, Steps: steps},
		{ID: "two", Title: text.Localized{"en": "Two", "es": "Dos"}},
	}
}

// What is wrong with the parts of an experiment, its evidence and its levels is named,
// with its place, in every language; the sound design says none of it.
func TestPartsAreExplained(t *testing.T) {
	words := func(s string) text.Localized { return text.Localized{"en": s, "es": s} }
	for _, c := range []struct {
		code, path, example string
		change              func(d *design.Document)
	}{
		{"one-stage", "/stages", "clearer-water", func(d *design.Document) { d.Stages = d.Stages[:1] }},
		{"same-id", "/stages/1/id", "clearer-water", func(d *design.Document) { d.Stages[1].ID = "muddy" }},
		{"no-name", "/stages/0/word", "clearer-water", func(d *design.Document) { d.Stages[0].Word = nil }},
		{"no-stages", "/readings/0/per", "clearer-water", func(d *design.Document) { d.Stages = nil }},
		{"stages-and-times", "/readings/0/times", "clearer-water",
			func(d *design.Document) { d.Readings[0].Times = []string{"1 min"} }},
		{"part-not-taken", "/readings/0", "clearer-water", func(d *design.Document) { d.Steps[6].Takes = nil }},
		{"unknown-take", "/steps/6/takes/0", "clearer-water",
			func(d *design.Document) { d.Steps[6].Takes[0].Stage = "steel" }},
		{"section-empty", "/sections/0/steps", "clearer-water", func(d *design.Document) { d.Sections[0].Steps = nil }},
		{"section-steps", "/sections/0/steps/1", "clearer-water",
			func(d *design.Document) { d.Sections[0].Steps = []string{"wash", "mix"} }},
		{"activities", "/activities", "clearer-water",
			func(d *design.Document) { d.Activities = activities("wash")[:1] }},
		{"activity-empty", "/activities/1/steps", "clearer-water",
			func(d *design.Document) { d.Activities = activities("wash") }},
		{"activity-steps", "/activities/0/steps/1", "clearer-water",
			func(d *design.Document) { d.Activities = activities("wash", "mix") }},
		{"step-without-activity", "/steps/7", "clearer-water",
			func(d *design.Document) { d.Activities = activities("wash", "layers") }},
		{"wait-across-activities", "/steps/1/wait", "clearer-water", func(d *design.Document) {
			d.Activities = activities("wash")
			d.Activities[1].Steps = []string{"layers"}
			d.Steps[1].Wait = &design.Wait{For: "1 min"}
		}},
		{"calculate-nothing", "/task/calculate/0/need", "clearer-water", func(d *design.Document) {
			d.Task.Calculate = []design.Calculation{{Need: "cups"}}
		}},
		{"unknown-need", "/task/calculate/0/need", "clearer-water", func(d *design.Document) {
			d.Task.Calculate = []design.Calculation{{Need: "nectar"}}
		}},
		{"no-name", "/task/calculate/0/hints/0", "clearer-water", func(d *design.Document) {
			d.Task.Calculate = []design.Calculation{{Need: "water", Hints: []text.Localized{{}}}}
		}},
		{"no-name", "/task/keep_to/0", "clearer-water",
			func(d *design.Document) { d.Task.KeepTo = []text.Localized{{}} }},
		{"nothing-to-calculate", "/task/calculate", "clearer-water",
			func(d *design.Document) { d.Way = design.CalculateFirst }},
		{"no-limits-of-challenge", "/task/keep_to", "clearer-water",
			func(d *design.Document) { d.Way = design.OpenChallenge }},
		{"bare-time", "/sections/0/latest", "clearer-water", func(d *design.Document) { d.Sections[0].Latest = "24" }},
		{"unknown-condition", "/steps/3/conditions/0", "clearer-water",
			func(d *design.Document) { d.Steps[3].Conditions = []string{"blue"} }},
		{"unknown-crew", "/steps/3/crew/0", "clearer-water",
			func(d *design.Document) { d.Steps[3].Crew = []string{"cook"} }},
		{"no-name", "/crew/0/does", "clearer-water", func(d *design.Document) { d.Crew[0].Does = nil }},
		{"no-name", "/reduced/0/costs", "clearer-water", func(d *design.Document) { d.Reduced[0].Costs = nil }},
		{"no-name", "/stands_for/1/means", "clearer-water", func(d *design.Document) { d.StandsFor[1].Means = nil }},
		{"no-limits", "/limits", "clearer-water", func(d *design.Document) { d.Limits = nil }},
		{"claim", "/claims/0", "clearer-water", func(d *design.Document) {
			d.Claims[0].Condition,
				d.Claims[0].Against = "muddy", ""
		}},
		{"pair-steps", "/evidence/0", "clearer-water", func(d *design.Document) { d.Steps[3].Evidence = nil }},
		{"instead-of-itself", "/evidence/1/instead", "clearer-water",
			func(d *design.Document) { d.Evidence[1].Instead = []design.EvidenceKind{"flow-chart"} }},
		{"evidence-without-step", "/evidence/1", "clearer-water",
			func(d *design.Document) { d.Steps[6].Evidence = []string{"before-after"} }},
		{"unknown-evidence", "/steps/0/evidence/0", "clearer-water",
			func(d *design.Document) { d.Steps[0].Evidence = []string{"film"} }},
		{"bare-time", "/evidence/1/length", "clearer-water", func(d *design.Document) { d.Evidence[1].Length = "2" }},
		{"stages-in-order", "/readings/0/stages", "three-shadows", func(d *design.Document) {
			d.Readings[0] = design.Reading{ID: "height", Kind: design.StageOrderKind, Name: words("order")}
		}},
		{"object-count", "/objects/0/count", "three-shadows", func(d *design.Document) { d.Objects[0].Count = 0 }},
		{"no-name", "/objects/0/what", "three-shadows", func(d *design.Document) { d.Objects[0].What = nil }},
		{"no-objects", "/readings/0/per", "three-shadows", func(d *design.Document) { d.Objects = nil }},
		{"limit-reading", "/objects/0/limits/0/reading", "three-shadows",
			func(d *design.Document) { d.Objects[0].Limits[0].Reading = "colour" }},
		{"limit", "/objects/0/limits/0/apart", "three-shadows",
			func(d *design.Document) { d.Objects[0].Limits[0].Apart = "5 g" }},
		{"bare-number", "/objects/0/limits/0/low", "three-shadows",
			func(d *design.Document) { d.Objects[0].Limits[0].Low = "8" }},
		{"level-value", "/conditions/0/value", "vanishing-sugar",
			func(d *design.Document) { d.Conditions[0].Value = "cool" }},
		{"unit", "/conditions/0/unit", "vanishing-sugar", func(d *design.Document) {
			d.Conditions[0].Value,
				d.Conditions[0].Unit = "15", "wug"
		}},
		{"level-from", "/conditions/0/level_from", "vanishing-sugar",
			func(d *design.Document) { d.Conditions[0].LevelFrom = "left" }},
		{"try-not-taken", "/readings/0", "vanishing-sugar",
			func(d *design.Document) { d.Readings[0].Per = nil; d.Steps[5].Takes = nil }},
	} {
		has := func(d *design.Document) bool {
			for _, f := range design.Validate(d) {
				if f.Code != c.code || f.Path != c.path {
					continue
				}
				for _, language := range text.Languages {
					for _, m := range []text.Message{f.Message, f.Mend} {
						if s := text.Render(m, language); s == "" || strings.ContainsAny(s, "{}[]") {
							t.Errorf("%s, %s: %q", c.code, language, s)
						}
					}
				}
				return true
			}
			return false
		}
		d := example(t, c.example)
		if has(&d) {
			t.Errorf("%s at %s is said of a sound design", c.code, c.path)
		}
		c.change(&d)
		if !has(&d) {
			t.Errorf("%s at %s is not said", c.code, c.path)
		}
	}
}

// A step that is put in is where its neighbour is, in parts and activities; what was is as
// it was.
func TestInsertStep(t *testing.T) {
	for _, c := range []struct {
		at    int
		steps string
		parts string
	}{
		{0, "new a b c d", "new a b|c d"},
		{1, "a new b c d", "a new b|c d"},
		{2, "a b new c d", "a b new|c d"},
		{4, "a b c d new", "a b|c d new"},
	} {
		d := design.Document{
			Sections:   []design.Section{{Steps: []string{"a", "b"}}, {Steps: []string{"c", "d"}}},
			Activities: []design.Activity{{Steps: []string{"a", "b"}}, {Steps: []string{"c", "d"}}},
		}
		for _, id := range []string{"a", "b", "c", "d"} {
			d.Steps = append(d.Steps, design.Step{ID: id})
		}
		was := d
		d.InsertStep(c.at, design.Step{ID: "new"})
		var ids []string
		for _, s := range d.Steps {
			ids = append(ids, s.ID)
		}
		of := func(d *design.Document) (parts, activities string) {
			var p, a []string
			for i := range d.Sections {
				p = append(p, strings.Join(d.Sections[i].Steps, " "))
				a = append(a, strings.Join(d.Activities[i].Steps, " "))
			}
			return strings.Join(p, "|"), strings.Join(a, "|")
		}
		parts, activities := of(&d)
		if strings.Join(ids, " ") != c.steps || parts != c.parts || activities != c.parts {
			t.Errorf("at %d: %v in %s and %s", c.at, ids, parts, activities)
		}
		if parts, activities := of(&was); parts != "a b|c d" || activities != parts {
			t.Errorf("at %d: what was is %s and %s now", c.at, parts, activities)
		}
	}
	var empty design.Document
	empty.InsertStep(0, design.Step{ID: "new"})
	if len(empty.Steps) != 1 {
		t.Error("into nothing")
	}
}
