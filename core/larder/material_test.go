package larder_test

import (
	"testing"

	"patient-kitchen/core/larder"
)

// What a teacher gives out comes back where it is a tool or a vessel that is not used up.
func TestLent(t *testing.T) {
	l := larder.Standard()
	for id, want := range map[string]bool{
		"scale-kitchen": true, "goggles": true, "jam-jar": true, "colander": true, "jar-clip": true, "multimeter": true,
		"paper-cup": false, "zip-bag-small": false, "table-salt": false, "vinegar-white": false,
		"drinking-straw": false,
	} {
		if m, ok := l.Material(id); !ok || m.Lent() != want {
			t.Errorf("%s is lent: %t, want %t (known %t)", id, !want, want, ok)
		}
	}
	for _, own := range []struct { // a school's own things stand on no shelf that tells
		m    larder.Material
		want bool
	}{
		{larder.Material{Own: true, Roles: []string{"mass-instrument"}}, true},
		{larder.Material{Own: true, Capacity: &larder.Range{}, Props: map[string]string{"form": "rigid"}}, true},
		{larder.Material{Own: true, Capacity: &larder.Range{}, Props: map[string]string{"form": "soft"}}, false},
		{larder.Material{Own: true, Cost: "moderate", Contains: []larder.Content{{}}}, false},
		{larder.Material{Own: true}, false},
	} {
		if own.m.Lent() != own.want {
			t.Errorf("%+v is lent: %t", own.m, !own.want)
		}
	}
}

// How long to allow for a thing that is not at home: by its usual place, the quickest of
// several; what costs nothing is found. Every place of the larder is known.
func TestGetting(t *testing.T) {
	l := larder.Standard()
	for id, want := range map[string]larder.Getting{
		"vinegar-white": {Where: "supermarket", Days: 2}, "goggles": {Where: "hardware", Days: 4},
		"paper-a4": {Where: "found", Days: 1}, "citric-acid-powder": {Where: "supermarket", Days: 2},
	} {
		if m, ok := l.Material(id); !ok || m.Getting() != want {
			t.Errorf("%s: %+v, want %+v (known %t)", id, m.Getting(), want, ok)
		}
	}
	for _, m := range l.Materials {
		if g := m.Getting(); m.UsualPlace != "" && (g.Where == "" || g.Says("es") == "" ||
			g.Says("en") == g.Says("es")) {
			t.Errorf("%s: how one gets what is in %q is not said", m.ID, m.UsualPlace)
		}
	}
	if own := (&larder.Material{Own: true, UsualPlace: "Mr Fell's room"}).Getting(); own.Where != "" {
		t.Errorf("a school's own thing: %+v", own)
	}
}
