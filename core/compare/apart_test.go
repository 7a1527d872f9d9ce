package compare_test

import (
	"math"
	"strings"
	"testing"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/larder"
)

// Homes that used something else that joins stay in and are held against the others;
// those that are a group of their own are no part of the main result, and have one of
// their own from five on. Differences of the first six homes: 20, 21, 20, 19, 20, 20: mean
// 20; of the five with rain water: 30, 31, 30, 29, 30: mean 30 (by hand).
func TestApart(t *testing.T) {
	d, homes := class(t, map[string][]float64{
		"printer": {10, 10, 10, 10, 10, 10, 10, 10, 10, 10, 10, 10},
		"towel":   {30, 31, 30, 29, 30, 30, 40, 41, 40, 39, 40, 30},
	})
	for i := 6; i < 11; i++ {
		homes[i].Uses, homes[i].Class = map[string]string{"water": "water-rain"}, larder.Separate
	}
	homes[11].Uses, homes[11].Class = map[string]string{"water": "water-mineral"}, larder.Separate
	if f := finding(t, compare.Class(d, homes)[0], "towel"); f.Test.N != 6 || math.Abs(f.Test.Estimate-20) > 1e-9 {
		t.Errorf("the main result: %d homes, %g", f.Test.N, f.Test.Estimate)
	}
	sides := compare.Aside(homes)
	if len(sides) != 2 || len(sides[0].Homes) != 5 || !sides[0].Enough() || sides[1].Enough() {
		t.Fatalf("%+v", sides)
	}
	if f := finding(t, sides[0].Class(d)[0], "towel"); f.Test.N != 5 || math.Abs(f.Test.Estimate-30) > 1e-9 {
		t.Errorf("the five with rain water: %d homes, %g", f.Test.N, f.Test.Estimate)
	}
	r := compare.Work(d, homes, true)
	if len(r.Apart) != 2 || r.Apart[0].Homes[0] != "home-6" || len(r.Apart[0].Findings) == 0 ||
		len(r.Apart[1].Findings) != 0 || len(r.Homes) != 12 {
		t.Errorf("as a document: %+v", r.Apart)
	}
	for i := range homes {
		if homes[i].Class == larder.Separate {
			homes[i].Class = larder.Scales // the same homes, if their amount made them comparable
		}
	}
	f := finding(t, compare.Class(d, homes)[0], "towel")
	if f.Test.N != 12 || len(compare.Aside(homes)) != 0 {
		t.Errorf("homes that join: %d", f.Test.N)
	}
	if s := f.Teacher("en"); !strings.Contains(s, "The 5 homes with rainwater differ from the others") {
		t.Errorf("%s", s)
	}
}
