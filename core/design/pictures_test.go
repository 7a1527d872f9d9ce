package design_test

import (
	"math"
	"testing"

	"patient-kitchen/core/design"
)

// A place comes to a distance or a direction: worked by hand with right triangles
// (3-4-5, and half a square's diagonal).
func TestWhatAPlaceComesTo(t *testing.T) {
	for _, c := range []struct {
		place design.Place
		at    design.Spot
		reach float64
		unit  string
		value float64
		u     float64
	}{
		// a dish is as high as wide: 0.3 across, 0.4 down, 100 mm wide
		{
			design.Place{Picture: design.Dish, From: design.Spot{X: .2, Y: .1}, Ruler: "100 mm"},
			design.Spot{X: .5, Y: .5}, .03, "mm", 50, 3 / math.Sqrt(3),
		},
		// without a ruler a share of the width
		{
			design.Place{Picture: design.Dish, From: design.Spot{X: .2, Y: .1}},
			design.Spot{X: .5, Y: .5}, .01, "%", 50, 1 / math.Sqrt(3),
		},
		// a field is two thirds as high as wide: 0.6 of the height is 0.4 of the width
		{
			design.Place{Picture: design.Field, From: design.Spot{X: .2, Y: .2}, Ruler: "2 m"},
			design.Spot{X: .5, Y: .8}, 0, "m", 1, 0,
		},
		// up and right by as much: 45 degrees; straight down: 180; left: −90
		{
			design.Place{Picture: design.Dish, From: design.Spot{X: .5, Y: .5}, As: design.Direction},
			design.Spot{X: .7, Y: .3}, 0, "deg", 45, 0,
		},
		{
			design.Place{Picture: design.Dish, From: design.Spot{X: .5, Y: .5}, As: design.Direction},
			design.Spot{X: .5, Y: .9}, 0, "deg", 180, 0,
		},
		{
			design.Place{Picture: design.Glass, From: design.Spot{X: .5, Y: .5}, As: design.Direction},
			design.Spot{X: .2, Y: .5}, 0, "deg", -90, 0,
		},
		// at the fixed spot itself a direction is not known at all, and is no number without end
		{
			design.Place{Picture: design.Dish, From: design.Spot{X: .5, Y: .5}, As: design.Direction},
			design.Spot{X: .5, Y: .5}, .1, "deg", 180, 90,
		},
	} {
		value, u := c.place.Comes(c.at, c.reach)
		if c.place.Unit() != c.unit || math.Abs(math.Abs(value)-math.Abs(c.value)) > 1e-9 && c.value != 180 ||
			math.Signbit(value) != math.Signbit(c.value) && c.value != 180 || math.Abs(u-c.u) > 1e-9 {
			t.Errorf("%+v at %v: %v ± %v %s; want %v ± %v %s", c.place, c.at, value, u, c.place.Unit(), c.value, c.u, c.unit)
		}
	}
}

// Squares are named from the upper left; what lies on an edge belongs to the next one, and
// the last edge to the last.
func TestSquares(t *testing.T) {
	for s, want := range map[design.Spot]string{
		{X: 0, Y: 0}: "A1", {X: 1, Y: 1}: "F4", {X: .62, Y: .4}: "D2", {X: .5, Y: .25}: "D2", {X: .4999, Y: .2499}: "C1",
	} {
		if got := s.Square(); got != want {
			t.Errorf("%v is %s, want %s", s, got, want)
		}
	}
	if design.Dish.Holds(design.Spot{X: .05, Y: .05}) || !design.Dish.Holds(design.Spot{X: .5, Y: .01}) ||
		design.Glass.Holds(design.Spot{X: .05, Y: .5}) || !design.Sheet.Holds(design.Spot{X: .01, Y: .01}) {
		t.Error("what lies in the thing that is drawn, and what beside it, are not told apart")
	}
	for _, g := range design.Grounds {
		if d := g.Drawing(); d.Lines == "" || d.Width <= 0 || math.Abs(g.Tall()-float64(d.Height)/float64(d.Width)) > 1e-9 {
			t.Errorf("%s is not drawn: %+v", g, d)
		}
	}
}
