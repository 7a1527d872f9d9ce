package texttest

import (
	"math"
	"testing"
)

// Words whose syllables any dictionary gives.
func TestSyllables(t *testing.T) {
	for w, n := range map[string]int{"water": 2, "rinse": 1, "battery": 3, "table": 2, "washed": 1, "heated": 2,
		"vinegar": 3} {
		if got := syllablesEN(w); got != n {
			t.Errorf("%s: %d, not %d", w, got, n)
		}
	}
	for w, n := range map[string]int{"agua": 2, "vacío": 3, "toallas": 3, "leche": 2, "país": 2, "cuidado": 3,
		"aéreo": 4} {
		if got := syllablesES(w); got != n {
			t.Errorf("%s: %d, not %d", w, got, n)
		}
	}
}

func TestReadingFormulas(t *testing.T) {
	// Two sentences of four words, eleven syllables: worked by hand.
	r := Measure("Pour water into it. Wait for the timer.", "en")
	if r != (Reading{2, 8, 11}) || math.Abs(r.FleschKincaid()-(0.39*4+11.8*1.375-15.59)) > 1e-9 {
		t.Errorf("%+v %v", r, r.FleschKincaid())
	}
	if s := Measure("Vierte el agua.", "es"); s != (Reading{1, 3, 5}) ||
		math.Abs(s.FernandezHuerta()-(206.84-100-3.06)) > 1e-9 {
		t.Errorf("%+v %v", s, s.FernandezHuerta())
	}
}
