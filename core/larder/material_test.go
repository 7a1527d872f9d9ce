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
		"paper-cup": false, "zip-bag-small": false, "table-salt": false, "vinegar-white": false, "drinking-straw": false,
	} {
		if m, ok := l.Material(id); !ok || m.Lent() != want {
			t.Errorf("%s is lent: %t, want %t (known %t)", id, !want, want, ok)
		}
	}
}
