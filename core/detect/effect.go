package detect

import (
	"math"
	"slices"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
)

// What is taken as usual of a class; it is said beside the answer.
const (
	DropsOut = 0.10 // of the homes hand nothing in
	Differs  = 0.25 // how far an effect itself differs from home to home, as a share of it
)

// Source is where the size of an effect comes from.
type Source string

// The sources, the best first.
const (
	Expected Source = "expected" // the design's models say it
	Matters  Source = "matters"  // the smallest that matters, since nothing else is said
	Nothing  Source = "nothing"  // nothing says it: the smallest that is seen is looked for
)

// Scatter is the scatter of one reading, in its own unit: of its tool's step, by itself or
// with what taking it again brings, which is one step where the design does not say it.
func Scatter(r *design.Reading, own string, finer, rounding bool) float64 {
	step := 0.0
	if in, ok := r.Instrument(""); ok {
		step = r.InOwn(in.Resolution)
		if in.Analogue {
			step /= 2
		}
	}
	if s := r.InOwn(own); s > 0 {
		step = s
	}
	if finer {
		step /= 10
	}
	if rounding {
		return step / math.Sqrt(12)
	}
	again := step
	if s := r.InOwn(r.Repeatability); s > 0 {
		again = s
	}
	return math.Hypot(step/math.Sqrt(12), again)
}

// Trend reports whether a claim is of a value that rises or falls with what is changed.
func Trend(p compare.Planned) bool { return p.Test == stats.SlopeTest }

// Levels are how much of what is changed each condition has. Where only the homes know it
// they are taken as evenly spread from 0 to 1: an effect that is said from the least to the
// most is seen as surely over any range.
func Levels(d *design.Document) (x []float64, even bool) {
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

// Narrowing is by what the variance of one value is multiplied in what a home finds: two
// of them in a pair, in a slope one through the spread of its levels, Σ(x − x̄)², in a
// value that is held against a stated one itself. It reports false for claims of another
// kind and where there are fewer than three levels.
func Narrowing(d *design.Document, p compare.Planned) (float64, bool) {
	switch {
	case p.Test == stats.PairedTest:
		return 2, true
	case p.Test == stats.OneSampleTest:
		return 1, true
	case !Trend(p):
		return 0, false
	}
	x, _ := Levels(d)
	mean, sxx := 0.0, 0.0
	for _, v := range x {
		mean += v / float64(len(x))
	}
	for _, v := range x {
		sxx += (v - mean) * (v - mean)
	}
	return 1 / sxx, len(x) > 2 && sxx > 0
}

// Effect is how large a claim's effect is, on the scale of the test, and what says so: of
// a trend for each unit of what is changed, where what matters is meant from the least
// level to the most; of an order the least between neighbours; of a value that is held
// against a stated one what counts as near.
func Effect(d *design.Document, p compare.Planned) (float64, Source) {
	switch {
	case Trend(p):
		return slope(d, p)
	case p.Says == "order" && len(p.Order) > 1:
		least, source := math.Inf(1), Expected
		for i := range p.Order[1:] {
			pair := p
			pair.Condition, pair.Against, pair.Says = p.Order[i+1], p.Order[i], "more"
			v, from := Effect(d, pair)
			least = math.Min(least, v)
			if from != Expected {
				source = from
			}
		}
		return math.Max(0, least), source // against the model's own order nothing is seen
	}
	return difference(d, p)
}

func slope(d *design.Document, p compare.Planned) (float64, Source) {
	v, from := difference(d, p)
	if from != Matters {
		return 0, Nothing
	}
	x, _ := Levels(d)
	if v /= slices.Max(x) - slices.Min(x); p.Says == "falls" {
		v = -math.Abs(v)
	}
	return v, from
}

func difference(d *design.Document, p compare.Planned) (float64, Source) {
	b, a := expected(d, p.Value, p.Condition), expected(d, p.Value, p.Against)
	if b != nil && a != nil && b.Value != a.Value {
		if !p.Ratio {
			return b.Value - a.Value, Expected
		}
		if b.Value > 0 && a.Value > 0 {
			return math.Log(b.Value / a.Value), Expected
		}
	}
	if p.Matters == nil || *p.Matters <= 0 {
		return 0, Nothing
	}
	size := *p.Matters
	if p.Ratio {
		size = math.Log(size)
	}
	if p.Says == "less" {
		size = -size
	}
	return size, Matters
}

// expected is what a value is expected to be in a condition; nil where nothing says it.
func expected(d *design.Document, value, condition string) *quantity.Quantity {
	var of *quantity.Quantity
	for _, x := range d.Expectations {
		if x.For == value && x.Condition == condition {
			if e, err := d.Expect(x); err == nil {
				of = &e.Value
			}
		}
	}
	return of
}
