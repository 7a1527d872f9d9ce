package fit_test

import (
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
)

func example(t *testing.T, name string) *design.Document {
	t.Helper()
	raw, err := docs.Example(name)
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	return &d
}

// The list follows the steps: every need once, in the order it is first used,
// with its whole amount; then the people.
func TestMaterials(t *testing.T) {
	d := example(t, "thirsty-beans")
	d.Steps[0].Actions = append(d.Steps[0].Actions, "knife")
	d.AgeBand = "8-10"
	items := fit.Materials(d, safety.Judge(d, d.Larder(), nil))
	var names []string
	for _, i := range items {
		names = append(names, strings.TrimSpace(text.Render(i.Name, "en")))
	}
	if len(names) < 7 || names[0] != "3 clear jars or cups" || names[1] != "dried white beans" ||
		!slices.Contains(names, "an adult") ||
		names[len(names)-1] != "A kitchen table" {
		t.Errorf("%v", names)
	}
	if got := strings.ReplaceAll(text.Render(items[1].Amount, "en"), "\u00a0", " "); got != "120 g (3 × 40 g)" {
		t.Errorf("beans: %s", got)
	}
	if got := items[1].Steps; !slices.Equal(got, []int{2, 3}) {
		t.Errorf("beans are used in %v", got)
	}
	d.Needs = append(d.Needs, design.Need{ID: "spare", Name: text.Localized{"en": "a spoon"}, Kind: design.ObjectNeed})
	items = fit.Materials(d, safety.Judge(d, d.Larder(), nil))
	first, _ := d.Need(items[0].Need)
	first.Qualities = []design.Quality{{Is: "see-through"}, {Is: "heat-proof", Figure: "140 °F"}}
	for lang, want := range map[string]string{"en": "Look for one that can be seen through; stands 60\u00a0°C.",
		"es": "Tiene que cumplir: se puede ver a través; aguanta 60\u00a0°C."} {
		if got := text.Render(fit.Materials(d, safety.Judge(d, d.Larder(), nil))[0].Must, lang); got != want {
			t.Errorf("%q", got)
		}
	}
	if i := slices.IndexFunc(items, func(i fit.Item) bool { return i.Need == "spare" }); i < 0 || !items[i].Unused {
		t.Error("a need in no step is lost")
	}
}

// No substitute ever offered makes a verdict worse than the design's without
// saying so, and none is kept from homes.
func TestSubstitutions(t *testing.T) {
	d := example(t, "thirsty-beans")
	l := d.Larder()
	d.Needs = append(
		d.Needs,
		design.Need{
			ID:       "acid",
			Name:     text.Localized{"en": "vinegar"},
			Kind:     design.MaterialNeed,
			Role:     "mild-acid",
			Material: "vinegar-white",
			Strength: &design.Strength{Value: 5, Basis: "w/w"},
			Amount:   "100 mL",
		},
		design.Need{
			ID:       "soda",
			Name:     text.Localized{"en": "soda"},
			Kind:     design.MaterialNeed,
			Role:     "carbonate",
			Material: "baking-soda",
			Amount:   "4 g",
		},
	)
	d.Measured[0].Result = "total-gas"
	lists, err := fit.Swaps(d)
	if err != nil {
		t.Fatal(err)
	}
	worst := func(d *design.Document) map[string]safety.Verdict {
		out := map[string]safety.Verdict{}
		for _, f := range safety.Judge(d, l, nil).Findings {
			for _, s := range f.Steps {
				if f.Verdict.Worse(out[s]) || out[s] == "" {
					out[s] = f.Verdict
				}
			}
		}
		return out
	}
	own := worst(d)
	acid := slices.IndexFunc(lists, func(s fit.SwapList) bool { return s.Need.ID == "acid" })
	if acid < 0 {
		t.Fatalf("nothing stands in for vinegar: %+v", lists)
	}
	for _, list := range lists {
		for _, s := range list.Swaps {
			if s.Verdict == safety.NotAtHome || s.Class == larder.Unsuitable || s.Rule == "" {
				t.Errorf("%s: %+v", list.Need.ID, s)
			}
			for _, lang := range text.Languages {
				if words := text.Render(s.Counts, lang) + text.Render(s.How, lang); s.Amount.ID != "" &&
					strings.ContainsAny(words+text.Render(s.Amount, lang), "[{") {
					t.Errorf("%s", words)
				}
			}
		}
	}
	// The same over everything the larder would offer for every need.
	for i := range d.Needs {
		subs, err := safety.Swaps(d, l, &d.Needs[i])
		if err != nil {
			t.Fatal(err)
		}
		for _, s := range subs {
			graver := false
			for step, v := range worst(safety.Swapped(d, l, d.Needs[i].ID, s.Candidate)) {
				graver = graver || v.Worse(own[step])
			}
			if graver != s.Graver {
				t.Errorf("%s for %s: graver %v, said %v", s.Material.ID, d.Needs[i].ID, graver, s.Graver)
			}
		}
	}
	first := lists[acid].Swaps[0]
	if first.Class != larder.Pools || text.Render(first.Amount, "en") == "" {
		t.Errorf("%+v", first)
	}
}

// Beside things: a second person where a step takes two, gear unless the
// design lists it, persons and places of the design at the end, optional
// things marked, and amounts that cannot be read as they were written.
func TestMaterialsBesideThings(t *testing.T) {
	d := &design.Document{
		AgeBand:    "11-13",
		Languages:  []string{"en", "es"},
		Trials:     2,
		Conditions: []design.Condition{{ID: "a"}, {ID: "b"}},
		Needs: []design.Need{
			{ID: "helper", Name: text.Localized{"en": "a grown-up cousin"}, Kind: design.PersonNeed},
			{
				ID:           "acid",
				Name:         text.Localized{"en": "vinegar"},
				Kind:         design.MaterialNeed,
				Material:     "vinegar-white",
				Amount:       "20 mL",
				PerCondition: true,
			},
			{
				ID:       "sand",
				Name:     text.Localized{"en": "sand"},
				Kind:     design.ObjectNeed,
				AmountBy: design.ByEye,
				Look:     "jar-half",
			},
			{
				ID:           "pinch",
				Name:         text.Localized{"en": "pepper"},
				Kind:         design.ObjectNeed,
				Amount:       "some",
				PerCondition: true,
				Optional:     true,
			},
		},
		Steps: []design.Step{
			{ID: "pour", Actions: []string{"pour", "two-people"}, Uses: []string{"acid", "sand", "pinch"}},
			{ID: "hold", Actions: []string{"two-people"}, Uses: []string{"helper"}},
		},
	}
	items := fit.Materials(d, safety.Judge(d, d.Larder(), nil))
	say := func(m text.Message) string { return strings.ReplaceAll(text.Render(m, "en"), "\u00a0", " ") }
	var got []string
	for _, i := range items {
		got = append(got, strings.TrimSpace(say(i.Name)+" "+say(i.Amount)))
	}
	want := []string{
		"vinegar 80 mL (4 × 20 mL)",
		"sand by eye: about half a glass",
		"pepper some",
		"goggles (swim goggles will do)",
		"a grown-up cousin",
		"a second person",
	}
	if !slices.Equal(got, want) {
		t.Errorf("%q\nwant %q", got, want)
	}
	if !items[2].Optional || !slices.Equal(items[5].Steps, []int{1, 2}) || !slices.Equal(items[4].Steps, []int{2}) {
		t.Errorf("%+v", items)
	}
	d.Needs = append(
		d.Needs,
		design.Need{
			ID:       "goggles",
			Name:     text.Localized{"en": "my goggles"},
			Kind:     design.MaterialNeed,
			Role:     "eye-protection",
			Material: "goggles",
		},
	)
	for _, i := range fit.Materials(d, safety.Judge(d, d.Larder(), nil)) {
		if say(i.Name) == "goggles (swim goggles will do)" {
			t.Error("goggles stand on the list twice")
		}
	}
}

// Nothing is offered for a need without a job, and an unknown job or thing is
// an error that names it.
func TestSubstitutionsOfOddNeeds(t *testing.T) {
	d := &design.Document{
		AgeBand: "11-13",
		Needs: []design.Need{
			{ID: "x", Kind: design.ObjectNeed},
			{ID: "y", Kind: design.MaterialNeed, Material: "vinegar-white"},
		},
		Steps: []design.Step{{ID: "a", Uses: []string{"x", "y"}}},
	}
	if lists, err := fit.Swaps(d); err != nil || len(lists) != 0 {
		t.Errorf("%v %+v", err, lists)
	}
	d.Needs[1].Role = "sour-stuff"
	if _, err := fit.Swaps(d); err == nil || !strings.Contains(err.Error(), "sour-stuff") {
		t.Errorf("%v", err)
	}
	d.Needs[1].Role, d.Needs[1].Material = "mild-acid", "nectar"
	if _, err := fit.Swaps(d); err == nil || !strings.Contains(err.Error(), "nectar") {
		t.Errorf("%v", err)
	}
}
