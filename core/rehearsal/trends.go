package rehearsal

import (
	"math"
	"slices"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/detect"
	"patient-kitchen/core/stats"
)

// trend reports whether a claim is of a value that rises or falls with what is changed.
func trend(p compare.Planned) bool { return p.Test == stats.SlopeTest }

// levels are how much of what is changed each condition has. Where only the homes know it
// they are taken as evenly spread from 0 to 1: an effect that is said from the least to the
// most is seen as surely over any range.
func levels(d *design.Document) (x []float64, even bool) {
	for i := range d.Conditions {
		if v, ok := d.LevelOf(&d.Conditions[i]); ok && d.Conditions[i].LevelFrom == "" {
			x = append(x, v)
		}
		even = even || d.Conditions[i].LevelFrom != ""
	}
	if n := len(d.Conditions); even {
		x = x[:0]
		for i := range n {
			x = append(x, float64(i)/float64(max(1, n-1)))
		}
	}
	return x, even
}

// narrowing is by what the variance of one value is multiplied in a home's difference: two
// of them in a pair, in a slope one through the spread of its levels, Σ(x − x̄)². It
// reports false for claims of another kind and where there are fewer than three levels.
func narrowing(d *design.Document, p compare.Planned) (float64, bool) {
	switch {
	case p.Test == stats.PairedTest && p.Against != "":
		return 2, true
	case !trend(p):
		return 0, false
	}
	x, _ := levels(d)
	mean, sxx := 0.0, 0.0
	for _, v := range x {
		mean += v / float64(len(x))
	}
	for _, v := range x {
		sxx += (v - mean) * (v - mean)
	}
	return 1 / sxx, len(x) > 2 && sxx > 0
}

// effect is how large a claim's effect is, and what says so; of a trend what matters is
// meant from the least level to the most.
func effect(d *design.Document, p compare.Planned) (float64, Source) {
	if !trend(p) {
		return detect.Effect(d, p)
	}
	v, from := detect.Effect(d, p)
	if from != detect.Matters {
		return 0, detect.Nothing
	}
	x, _ := levels(d)
	if v /= slices.Max(x) - slices.Min(x); p.Says == "falls" {
		v = -math.Abs(v)
	}
	return v, from
}
