package larder_test

import (
	"testing"

	"patient-kitchen/core/larder"
)

// What a vessel is made of does not touch how much beans gain; how high a liquid stands in
// it does (by the area of its bottom).
func TestWhateverHoldsIt(t *testing.T) {
	l := larder.Standard()
	of := func(result string) larder.Class {
		list, err := l.Candidates(larder.Wanted{Role: "rigid-clear-vessel", Stuff: larder.Stuff{Material: "jam-jar"},
			Result: result})
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range list {
			if c.Material.ID == "drinking-glass" {
				return c.Class
			}
		}
		return ""
	}
	for result, want := range map[string]larder.Class{
		"percent-mass-change": larder.Pools, "amount-to-neutral": larder.Pools, "liquid-height": larder.Scales,
		"": larder.Separate,
	} {
		if got := of(result); got != want {
			t.Errorf("%q: %s, want %s", result, got, want)
		}
	}
}
