package rehearsal

import (
	"math"
	"slices"

	"gonum.org/v1/gonum/stat/distuv"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/detect"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/stats"
)

// Spoken is a claim of what homes say without a number: levels, yes or no, words, a
// choice, an order. It has no size; what is worked out is how far the homes have to
// agree so that enough classes see it.
type Spoken struct {
	compare.Planned
	Homes int // that take part in it
	// share of the homes that find it so; of an order their mean rank correlation with it, of a
	// zone the animals' share in it. 0 where none is enough
	Agree float64
}

// spoken is a claim that the homes' words decide, or false for another.
func spoken(d *design.Document, p compare.Planned, plans []fit.HomePlan, claims int, r Random) (Spoken, bool) {
	if !slices.Contains([]stats.Test{stats.SignTest, stats.BinomialTest, stats.PageTest, stats.ZonesTest}, p.Test) {
		return Spoken{}, false
	}
	out := Spoken{Planned: p}
	for i := range plans {
		if says(&plans[i], p.Value) {
			out.Homes++
		}
	}
	level := 0.05 / float64(max(1, claims))
	if p.Test == stats.PageTest {
		out.Agree = orders(len(p.Order), out.Homes, level, r)
		return out, len(p.Order) > 1
	}
	if p.Test == stats.ZonesTest {
		r, ok := d.Reading(p.Value)
		if ok {
			out.Agree, ok = zone(r, p, out.Homes, claims)
		}
		return out, ok
	}
	guess := detect.Guess(d, p)
	least := agreeing(out.Homes, guess, level)
	out.Agree = leastOf(func(share float64) float64 { return counted(out.Homes, share, least) }, guess)
	return out, true
}

// leastOf is the least agreement, from low to 1, at which enough classes see something; 0
// where not even 1 is enough.
func leastOf(seen func(agree float64) float64, low float64) float64 {
	high := 1.0
	if seen(high) < enough {
		return 0
	}
	for range 20 {
		if mid := (low + high) / 2; seen(mid) >= enough {
			high = mid
		} else {
			low = mid
		}
	}
	return high
}

// says reports whether a home takes a reading itself and counts with the others.
func says(plan *fit.HomePlan, reading string) bool {
	return plan.Verdict != fit.SharedReadings && plan.Class != larder.Separate && plan.Class != larder.Unsuitable &&
		!slices.ContainsFunc(plan.Readings, func(t fit.TakenWith) bool { return t.Reading == reading && t.Shared })
}

// agreeing is, for each number of homes up to n, how many of them have to say the same
// for the exact binomial test at a level; one more than there are where no number is.
func agreeing(n int, guess, level float64) []int {
	out := make([]int, n+1)
	k := 0
	for m := range out {
		for k <= m && (float64(k) <= guess*float64(m) || stats.ExactBinomial(k, m, guess) > level) {
			k++
		}
		out[m] = k
		k = max(0, k-1) // with one home more at most one more is needed
	}
	return out
}

// counted is the chance that enough homes say the same: some hand nothing in, some have
// the set-ups mixed up. Both numbers are binomial.
func counted(homes int, share float64, least []int) float64 {
	share = share*(1-Swaps) + (1-share)*Swaps
	in := distuv.Binomial{N: float64(homes), P: 1 - detect.DropsOut}
	seen := 0.0
	for m := 1; m <= homes; m++ {
		if least[m] <= m {
			says := distuv.Binomial{N: float64(m), P: share}
			seen += in.Prob(float64(m)) * (1 - says.CDF(float64(least[m]-1)))
		}
	}
	return seen
}

// usualAnimals is how many there are where the design does not say.
const usualAnimals = 10

// zone is the share of the animals that has to stand in a zone so that enough classes see
// it: of each home the share over its looks, which are of the same animals, by a t test.
// It reports false for a zone that the reading does not have.
func zone(r *design.Reading, p compare.Planned, homes, claims int) (float64, bool) {
	at := slices.IndexFunc(r.Zones, func(z design.Zone) bool { return z.ID == p.Zone })
	if at < 0 {
		return 0, false
	}
	even := r.Even()[at]
	animals := float64(usualAnimals)
	if all, ok := r.Total(); ok && all >= 1 {
		animals = float64(all)
	}
	room, side := 1-even, 1.0
	if p.Says == "less" {
		room, side = even, -1
	}
	n := math.Floor(float64(homes) * (1 - detect.DropsOut))
	if n < 2 {
		return 0, true
	}
	far := leastOf(func(part float64) float64 {
		effect := side * part * room
		share := even + effect
		// Where all stand alike one of them may still stand elsewhere.
		chance := math.Max(share*(1-share), 1/animals*(1-1/animals)/animals)
		sd := math.Sqrt(chance/animals + math.Pow(detect.Differs*effect, 2))
		return detect.Power(math.Abs(effect)*(1-2*Swaps)/(sd/math.Sqrt(n)), n, claims)
	}, 0)
	if far == 0 {
		return 0, true
	}
	return even + side*far*room, true
}

// drawn is how many homes' orders are drawn to know how their agreement scatters.
const drawn = 2000

// orders is the mean agreement of homes with an order of so many things that Page's test
// sees in enough classes: without any, a home's rank correlation has the variance
// 1/(k − 1) (E. B. Page, 1963).
func orders(things, homes int, level float64, r Random) float64 {
	n := math.Floor(float64(homes) * (1 - detect.DropsOut))
	if things < 2 || n < 2 {
		return 0
	}
	asked := distuv.UnitNormal.Quantile(1-level/2) / math.Sqrt(n*float64(things-1))
	least := leastOf(func(clear float64) float64 {
		mean, sd := agreement(things, clear, r)
		if sd == 0 {
			return 1
		}
		return distuv.UnitNormal.CDF((mean - asked) / (sd / math.Sqrt(n)))
	}, 0)
	if least == 0 {
		return 0
	}
	mean, _ := agreement(things, least, r)
	return mean
}

// agreement is the mean and the spread of the rank correlation of homes with an order of
// which they see so much: 1 all of it, 0 nothing. Each thing is seen at its place with a
// normal error.
func agreement(things int, clear float64, r Random) (mean, sd float64) {
	off := float64(things) * (1 - clear) / math.Max(clear, 1e-3)
	seen := make([]float64, things)
	all := make([]float64, drawn)
	apartAt := float64(things*(things*things-1)) / 6 // squared distances of ranks that agree in nothing
	for h := range all {
		for i := range seen {
			seen[i] = float64(i) + off*r.NormFloat64()
		}
		if r.Float64() < Swaps {
			seen[0], seen[things-1] = seen[things-1], seen[0]
		}
		apart := 0.0
		for i, rank := range stats.Ranks(seen) {
			apart += math.Pow(rank-float64(i+1), 2)
		}
		all[h] = 1 - apart/apartAt
		mean += all[h] / drawn
	}
	for _, v := range all {
		sd += (v - mean) * (v - mean) / (drawn - 1)
	}
	return mean, math.Sqrt(sd)
}
