package safety

import (
	"slices"
	"testing"
)

// Every action that a rule knows stands once among the words to choose from, in
// both languages, and what never goes home stands apart.
func TestActionGroups(t *testing.T) {
	allowed, barred := Actions()
	for _, language := range []string{"en", "es"} {
		var ids, names []string
		for _, g := range ActionGroups(language) {
			if g.Name == "" || len(g.Actions) == 0 {
				t.Errorf("%s: an empty group %+v", language, g)
			}
			for _, a := range g.Actions {
				if a.Name == "" || slices.Contains(ids, a.ID) || slices.Contains(names, a.Name) {
					t.Errorf("%s: %s (%q) stands twice or has no words", language, a.ID, a.Name)
				}
				ids, names = append(ids, a.ID), append(names, a.Name)
				if g.Never != slices.Contains(barred, a.ID) || !g.Never && !slices.Contains(allowed, a.ID) {
					t.Errorf("%s stands in %s", a.ID, g.Name)
				}
			}
		}
		if len(ids) != len(allowed)+len(barred) {
			t.Errorf("%s: %d actions of %d have words", language, len(ids), len(allowed)+len(barred))
		}
	}
}
