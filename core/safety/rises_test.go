package safety_test

import (
	"testing"

	"patient-kitchen/core/safety"
)

// A guardian is asked again where something more can hurt, or more gravely, or at another
// step, or somebody avoids it; another thing that hurts in the same way asks nobody.
func TestRises(t *testing.T) {
	acid := safety.Hazard{Rule: "mild-acid", Verdict: safety.Care, Steps: []string{"pour"},
		Materials: []string{"vinegar-white"}}
	with := func(change func(*safety.Hazard)) []safety.Hazard {
		f := acid
		change(&f)
		return []safety.Hazard{f}
	}
	for name, c := range map[string]struct {
		after []safety.Hazard
		want  bool
	}{
		"the same":                {with(func(*safety.Hazard) {}), false},
		"nothing any more":        {nil, false},
		"another mild acid":       {with(func(f *safety.Hazard) { f.Materials = []string{"lemon-juice"} }), false},
		"another rule":            {with(func(f *safety.Hazard) { f.Rule = "hot" }), true},
		"another case of it":      {with(func(f *safety.Hazard) { f.Case = "eyes" }), true},
		"an adult has to be near": {with(func(f *safety.Hazard) { f.Verdict = safety.AdultNear }), true},
		"at a step more":          {with(func(f *safety.Hazard) { f.Steps = []string{"pour", "taste"} }), true},
		"with goggles":            {with(func(f *safety.Hazard) { f.Gear = []string{"goggles"} }), true},
		"with egg":                {with(func(f *safety.Hazard) { f.Allergens = []string{"egg"} }), true},
	} {
		if got := safety.Rises([]safety.Hazard{acid}, c.after); got != c.want {
			t.Errorf("%s: %v", name, got)
		}
	}
}

// What a home says of itself, fact by fact, is what the rules judge it by.
func TestPeopleSaying(t *testing.T) {
	p := safety.PeopleSaying(map[string]string{
		"under-4": "yes", "under-6": "no", "within-reach": "no", "goggles": "no", "allergen-egg": "yes",
		"allergen-milk": "no",
	})
	if !*p.Under4 || *p.Under6 || *p.Pet || *p.Goggles || p.Asthma != nil || !p.Covered || !p.Answered ||
		len(p.Allergens) != 1 || p.Allergens[0] != "egg" {
		t.Errorf("%+v", p)
	}
	if p := safety.PeopleSaying(nil); p.Under4 != nil || p.Goggles != nil || p.Answered || p.Covered {
		t.Errorf("a home that said nothing: %+v", p)
	}
	if p := safety.PeopleSaying(map[string]string{"goggles": "yes", "within-reach": "yes"}); !*p.Goggles || !*p.Pet ||
		p.Covered {
		t.Errorf("%+v", p)
	}
}
