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
