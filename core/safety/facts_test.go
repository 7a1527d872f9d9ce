package safety_test

import (
	"fmt"
	"os"
	"path/filepath"
	"slices"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
)

// A home is asked only what would raise a step, each case with its twin: the
// same step with a thing or a way that nothing in a home raises.
func TestFactsAskedOfAHome(t *testing.T) {
	need := func(material string) design.Need {
		return design.Need{ID: "thing", Kind: design.MaterialNeed, Material: material, Amount: "20 g"}
	}
	use := design.Step{ID: "a", Uses: []string{"thing"}}
	stand := use
	stand.Actions = []string{"stand"}
	for _, c := range []struct {
		name, material string
		step           design.Step
		want           []string
	}{
		{"beans are small", "bean-white", use, []string{"under-4 a adult-near"}},
		{"water is not", "water-tap", use, nil},
		{"milk is avoided", "milk-whole", use, []string{"allergen-milk a not-at-home"}},
		{"what stands is reached", "water-tap", stand, []string{"within-reach a not-at-home"}},
	} {
		t.Run(c.name, func(t *testing.T) {
			d := &design.Document{
				AgeBand: "14-18",
				Needs:   []design.Need{need(c.material)},
				Steps:   []design.Step{c.step},
			}
			if _, ok := larder.Standard().Material(c.material); !ok {
				t.Fatalf("no material %q", c.material)
			}
			var got []string
			for _, f := range safety.Facts(d, larder.Standard()) {
				for _, s := range f.Steps {
					got = append(got, fmt.Sprint(f.ID, " ", s.Step, " ", s.Verdict))
				}
			}
			if !slices.Equal(got, c.want) {
				t.Errorf("asked %v, want %v", got, c.want)
			}
		})
	}
}

// A home that says nothing is judged as one that answered every question in
// the way that raises; no answer ever ends lower than what holds for everybody.
func TestFactsOnlyRaise(t *testing.T) {
	examples, _ := filepath.Glob("../../docs/examples/*.json")
	corpus, _ := filepath.Glob("../../e2e/designs/*.json")
	if len(examples) < 5 || len(corpus) < 100 {
		t.Fatal("the designs have moved")
	}
	for _, file := range append(examples, corpus...) {
		d := readDesign(t, file)
		base := safety.Judge(d, d.Larder(), nil)
		said := map[string]string{}
		raised := map[string]safety.Verdict{}
		for _, f := range base.Facts {
			said[f.ID] = f.Raises
			for _, s := range f.Steps {
				if s.Verdict.Worse(raised[s.Step]) || raised[s.Step] == "" {
					raised[s.Step] = s.Verdict
				}
			}
		}
		if len(safety.RaisedBy(base.Facts, nil)) != 0 {
			t.Errorf("%s: an unanswered question counts as an answer", d.Title["en"])
		}
		silent := safety.Judge(d, d.Larder(), &kitchen.People{})
		for _, s := range d.Steps {
			all, worst := at(base.Findings, s.ID), at(silent.Findings, s.ID)
			if all.Worse(worst) {
				t.Errorf("%s, %s: a home lowers %s to %s", d.Title["en"], s.ID, all, worst)
			}
			if v := raised[s.ID]; v != "" && !v.Worse(all) {
				t.Errorf("%s, %s: asked, and it raises nothing", d.Title["en"], s.ID)
			}
			if v := raised[s.ID]; v != "" && v.Worse(worst) {
				t.Errorf("%s, %s: the facts raise it to %s, silence only to %s", d.Title["en"], s.ID, v, worst)
			}
		}
	}
}

func readDesign(t *testing.T, file string) *design.Document {
	t.Helper()
	raw, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(file, err)
	}
	return &d
}

func at(findings []safety.Hazard, step string) safety.Verdict {
	var here []safety.Hazard
	for _, f := range findings {
		if slices.Contains(f.Steps, step) {
			here = append(here, f)
		}
	}
	return safety.Worst(here)
}
