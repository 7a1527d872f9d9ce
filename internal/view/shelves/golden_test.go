package shelves_test

import (
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/internal/view/golden"
	"patient-kitchen/internal/view/shelves"
)

// Cards of a thing that anybody has, of one that is refused, and of food.
func TestCard(t *testing.T) {
	l := larder.Standard()
	for _, c := range []struct{ id, language string }{
		{"baking-soda", "en"}, {"baking-soda", "es"}, {"bleach", "en"}, {"milk-whole", "en"},
	} {
		m, ok := l.Material(c.id)
		if !ok {
			t.Fatalf("%s is not in the larder", c.id)
		}
		golden.Same(t, c.id+"."+c.language, shelves.Card(l, m, c.language))
	}
}

// What a search finds, asks and comes near to.
func TestFound(t *testing.T) {
	l := larder.Standard()
	got := map[string]shelves.LarderFound{}
	for _, typed := range []string{"vinegar", "chalk", "sodium hydrogencarbonate powdr", "lejía"} {
		got[typed] = shelves.Found(l.Find(typed, "en"), "en")
	}
	golden.Same(t, "found.en", got)
}
