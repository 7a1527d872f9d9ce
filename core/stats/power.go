package stats

import (
	"math"

	"gonum.org/v1/gonum/stat/distuv"

	"patient-kitchen/core/text"
)

// Quantiles of the normal distribution for a two-sided 5 % test and a power of
// 80 %.
var (
	z975 = distuv.UnitNormal.Quantile(0.975)
	z80  = distuv.UnitNormal.Quantile(0.8)
)

// Power says what a planned class can see.
type Power struct {
	SE         float64 // of the class's mean difference
	Power      float64 // chance to find the effect, two-sided 5 % test, normal approximation
	Homes      float64 // needed for a power of 80 %
	HomesSmall float64 // the same with a correction for small classes, the one to plan with
}

// ErrNothingToSee is an effect, or a scatter, of zero.
var ErrNothingToSee = text.Faulty("stats.error.nothing-to-see")

// Detect plans a paired comparison: every home tests both conditions, trials
// times each. readingSD is the scatter of one reading, betweenSD that of the
// true difference between homes, all in the effect's unit.
func Detect(effect, readingSD, betweenSD, trials, homes float64) (Power, error) {
	v := betweenSD*betweenSD + 2*readingSD*readingSD/trials
	if effect == 0 || !(v > 0) {
		return Power{}, ErrNothingToSee
	}
	p := Power{SE: math.Sqrt(v / homes)}
	x := math.Abs(effect) / p.SE
	p.Power = distuv.UnitNormal.CDF(x-z975) + distuv.UnitNormal.CDF(-x-z975)
	n := (z975 + z80) * (z975 + z80) * v / effect / effect
	p.Homes = math.Max(2, math.Ceil(n-1e-9))
	p.HomesSmall = math.Max(2, math.Ceil(n+z975*z975/2-1e-9))
	return p, nil
}

// ChoicesNeeded is how many independent choices between two places a power of
// 80 % needs when the true share of the first is share, 0 < share < 1; 0 for
// an even share, which no number can tell from chance.
func ChoicesNeeded(share float64) float64 {
	if share == 0.5 {
		return 0
	}
	r := (z975*0.5 + z80*math.Sqrt(share*(1-share))) / (share - 0.5)
	return math.Ceil(r*r - 1e-9)
}
