package safety_test

import (
	"slices"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
)

// A tag of the larder that only says who must be there is never stricter than
// the book's own letter for that thing: where the book speaks with more than
// care at some age, the tag says no more at any.
func TestTagsFollowTheBook(t *testing.T) {
	bare := []string{"adult-near", "adult-does", "not-at-home"}
	for _, m := range larder.Standard().Materials {
		if !slices.ContainsFunc(bare, m.Has) || m.Refused {
			continue
		}
		var book, tags [4]safety.Verdict
		speaks := false
		for i, age := range design.AgeBands {
			d := plan("m: " + m.ID + " 5 mL\n---\na: put with m")
			d.AgeBand = age
			book[i], tags[i] = safety.Care, safety.Care
			for _, f := range safety.Check(d) {
				if slices.Contains(bare, f.Rule) {
					tags[i] = f.Verdict
				} else if len(f.Needs) > 0 && f.Verdict.Worse(book[i]) {
					book[i], speaks = f.Verdict, true
				}
			}
		}
		for i := range tags {
			if speaks && tags[i].Worse(book[i]) {
				t.Errorf("%s: the book says %v, its tag %s at %s", m.ID, book, tags[i], design.AgeBands[i])
				break
			}
		}
	}
}
