package design

import (
	"slices"
	"testing"

	"patient-kitchen/core/text"
)

// What a family is told that did the version before: numbers are those of the present
// steps, and what stayed is not named.
func TestChangedSince(t *testing.T) {
	l := func(s string) text.Localized { return text.Localized{"en": s} }
	before := &Document{
		Steps: []Step{{ID: "cut", Title: l("Cut")}, {ID: "pour", Title: l("Pour")}, {ID: "wait", Title: l("Wait")}},
		Needs: []Need{{ID: "salt", Name: l("salt"), Amount: "5 g"}, {ID: "cup", Name: l("a cup")},
			{ID: "spoon", Name: l("a spoon")}},
		Readings: []Reading{
			{ID: "height", Name: l("height"), Unit: "mm"},
		},
	}
	if got := ChangedSince(before, before); len(got) != 0 {
		t.Errorf("nothing changed, and it says %v", got)
	}
	now := &Document{
		Steps: []Step{{ID: "cut", Title: l("Cut")}, {ID: "stir", Title: l("Stir")},
			{ID: "pour", Title: l("Pour"), Duration: "3 min"}},
		Needs: []Need{{ID: "salt", Name: l("salt"), Amount: "6 g"}, {ID: "cup", Name: l("a cup")},
			{ID: "tray", Name: l("a tray")}},
		Readings: []Reading{
			{ID: "height", Name: l("height"), Unit: "cm"},
		},
	}
	var got []string
	for _, m := range ChangedSince(before, now) {
		got = append(got, text.Render(m, "en"))
	}
	want := []string{
		"Steps: 2 Stir (new) and 3 Pour.", "No longer done: Wait.", "Things: salt, 6 g and a tray.",
		"No longer needed: a spoon.",
		"Measured otherwise: height.",
	}
	if !slices.Equal(got, want) {
		t.Errorf("it says %q", got)
	}
}
