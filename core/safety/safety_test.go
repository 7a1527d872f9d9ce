package safety_test

import (
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

func no() *bool  { b := false; return &b }
func yes() *bool { b := true; return &b }

func sound() design.Document {
	return design.Document{
		AgeBand: "11-13", Way: design.PredictThenTry,
		Steps:   []design.Step{{ID: "cut", Actions: []string{"scissors"}}, {ID: "pour", Actions: []string{"pour", "weigh"}}},
		Hazards: design.Hazards{Heat: no(), Flame: no(), Blade: no(), Gas: no(), Chemicals: no()},
	}
}

// The verdicts are those of the house rules for scissors (pointed taken, as
// the stricter) and of the first version's bars.
func TestVerdicts(t *testing.T) {
	for _, c := range []struct {
		name   string
		change func(*design.Document)
		rule   string
		want   safety.Verdict
		issue  bool
	}{
		{"scissors at 11-13", func(*design.Document) {}, "scissors-pin", safety.Care, true},
		{"scissors at 5-7", func(d *design.Document) { d.AgeBand = "5-7" }, "scissors-pin", safety.AdultNear, true},
		{"an unknown age is the youngest", func(d *design.Document) { d.AgeBand = "" }, "scissors-pin", safety.AdultNear, true},
		{"heat", func(d *design.Document) { d.Steps[0].Actions = []string{"heat"} }, "heat", safety.NotAtHome, false},
		{"heat, watched", func(d *design.Document) { d.Steps[0].Actions = []string{"heat"}; d.Way = design.WatchShared }, "heat", safety.NotAtHome, true},
		{"knife", func(d *design.Document) { d.Steps[0].Actions = []string{"knife"} }, "blade", safety.NotAtHome, false},
		{"taste", func(d *design.Document) { d.Steps[0].Actions = []string{"taste"} }, "chemicals", safety.NotAtHome, false},
		{"not on the list", func(d *design.Document) { d.Steps[0].Actions = []string{"juggle"} }, "unknown-action", safety.NotAtHome, false},
		{"closed vessel", func(d *design.Document) { d.Steps[1].Closed = true }, "gas-rigid-closed", safety.NotAtHome, false},
		{"ticked yes", func(d *design.Document) { d.Hazards.Flame = yes() }, "flame", safety.NotAtHome, false},
		{"not ticked", func(d *design.Document) { d.Hazards.Gas = nil }, "unanswered-gas", safety.Unanswered, false},
		{"not ticked, watched", func(d *design.Document) { d.Hazards.Gas = nil; d.Way = design.WatchShared }, "unanswered-gas", safety.Unanswered, false},
	} {
		d := sound()
		c.change(&d)
		got := safety.Check(&d)
		i := slices.IndexFunc(got, func(f safety.Finding) bool { return f.Rule == c.rule })
		if i < 0 || got[i].Verdict != c.want || safety.Issuable(got, d.Way) != c.issue {
			t.Errorf("%s: %+v, issuable %v", c.name, got, safety.Issuable(got, d.Way))
			continue
		}
		for _, lang := range text.Languages {
			if s := text.Render(got[i].Why, lang) + text.Render(got[i].Do, lang); strings.ContainsAny(s, "[{") {
				t.Errorf("%s lacks words in %s: %s", c.name, lang, s)
			}
		}
	}
}

// Adding an action never makes the worst verdict milder; an answer taken back
// never does either.
func TestNothingLowers(t *testing.T) {
	allowed, barred := safety.Actions()
	for _, band := range design.AgeBands {
		d := sound()
		d.AgeBand = band
		worst := safety.Worst(safety.Check(&d))
		for _, a := range append(append([]string{}, allowed...), append(barred, "anything else")...) {
			d.Steps = append(d.Steps, design.Step{ID: "x", Actions: []string{a}})
			now := safety.Worst(safety.Check(&d))
			if worst.Worse(now) {
				t.Fatalf("%s, %s: %s after %s", band, a, now, worst)
			}
			worst = now
		}
		d.Hazards = design.Hazards{}
		if worst.Worse(safety.Worst(safety.Check(&d))) {
			t.Fatalf("%s: taking answers back lowers the verdict", band)
		}
	}
}

func TestAdultJobs(t *testing.T) {
	d := sound()
	d.AgeBand = "5-7"
	d.Steps[0].Actions = []string{"scissors", "small-things"}
	jobs := safety.AdultJobs(safety.Check(&d))
	if len(jobs) != 1 || jobs[0].Step != "cut" || jobs[0].Verdict != safety.AdultNear {
		t.Errorf("%+v", jobs)
	}
}

func TestCardsHaveWords(t *testing.T) {
	doors := map[safety.Door]int{}
	for _, c := range safety.Cards() {
		doors[c.Door]++
		for _, lang := range text.Languages {
			for _, m := range append(c.Steps, c.Title) {
				if s := text.Render(m, lang); strings.HasPrefix(s, "[") {
					t.Errorf("card %s lacks %s in %s", c.ID, m.ID, lang)
				}
			}
		}
	}
	if doors[safety.Hurt] < 6 || doors[safety.Spilled] < 3 {
		t.Errorf("too few cards: %v", doors)
	}
	for _, m := range append(safety.General(), safety.StopRules()...) {
		if strings.HasPrefix(text.Render(m, "es"), "[") {
			t.Errorf("%s lacks words", m.ID)
		}
	}
}
