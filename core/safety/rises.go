package safety

import (
	"maps"
	"slices"
	"strings"

	"patient-kitchen/core/kitchen"
)

// Rises reports whether a guardian who agreed to what was found before has to be asked
// again: something can hurt that could not, or is graver than it was. Another thing that
// hurts in the same way at the same steps is no rise.
func Rises(before, after []Hazard) bool {
	return slices.ContainsFunc(after, func(f Hazard) bool {
		return !slices.ContainsFunc(before, func(g Hazard) bool {
			return g.Rule == f.Rule && g.Case == f.Case && !f.Verdict.Worse(g.Verdict) &&
				within(f.Steps, g.Steps) && within(f.Allergens, g.Allergens) && within(f.Gear, g.Gear)
		})
	})
}

func within(some, all []string) bool {
	return !slices.ContainsFunc(some, func(s string) bool { return !slices.Contains(all, s) })
}

// PeopleSaying is who lives in a home, by what it said of itself: "yes" or "no" by the
// id of a [Fact]. What it did not say stays open.
func PeopleSaying(known map[string]string) kitchen.People {
	var p kitchen.People
	for _, f := range homeFacts {
		if said := known[f.id]; said == "yes" || said == "no" {
			raised := said == f.raises
			f.set(&p, &raised)
		}
	}
	p.Covered = known["within-reach"] == "no"
	for _, id := range slices.Sorted(maps.Keys(known)) {
		if allergen, ok := strings.CutPrefix(id, allergenFact); ok {
			p.Answered = true
			if known[id] == "yes" {
				p.Allergens = append(p.Allergens, allergen)
			}
		}
	}
	return p
}
