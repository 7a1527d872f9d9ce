package stats

import (
	"math"
	"testing"
)

// Directions on both sides of straight down have their mean there. The mean of 43, 45, 52,
// 61, 75, 88, 88, 279 and 357 degrees is the worked example of Mardia and Jupp, 2.2: 51.
func TestMeanDirection(t *testing.T) {
	for _, c := range []struct {
		degrees []float64
		want    float64
	}{
		{[]float64{43, 45, 52, 61, 75, 88, 88, 279, 357}, 51},
		{[]float64{179, -179}, 180},
		{[]float64{-10, 30}, 10},
		{[]float64{0, 180}, 0},
		{nil, 0},
	} {
		if got := MeanDirection(c.degrees); math.Abs(math.Abs(got)-c.want) > 0.6 {
			t.Errorf("the mean of %v is %v, want %v", c.degrees, got, c.want)
		}
	}
	for _, c := range [][3]float64{{-179, 179, 360}, {179, -179, -360}, {10, 20, 0}, {-170, 100, 360}} {
		if got := Turns(c[0], c[1]); got != c[2] {
			t.Errorf("%v is turned by %v to come near %v, want %v", c[0], got, c[1], c[2])
		}
	}
}
