package stats

import "math"

// Turn is a whole turn, in degrees.
const turn = 360

// MeanDirection is the mean of directions in degrees: that of the sum of the unit vectors,
// atan2(Σ sin θ, Σ cos θ), from −180 to 180. Of directions that cancel each other, and of
// none, it is 0 (Mardia and Jupp, Directional Statistics, 2.2.1).
func MeanDirection(degrees []float64) float64 {
	var sine, cosine float64
	for _, d := range degrees {
		s, c := math.Sincos(d * math.Pi / (turn / 2))
		sine, cosine = sine+s, cosine+c
	}
	if math.Hypot(sine, cosine) < 1e-9*float64(len(degrees)) {
		return 0
	}
	return math.Atan2(sine, cosine) * (turn / 2) / math.Pi
}

// Turns is by how many degrees a direction is turned on, by whole turns, to come nearest to
// another: so that 179 and −179 are 2 degrees apart and not 358.
func Turns(direction, to float64) float64 { return turn * math.Round((to-direction)/turn) }
