package detect

import (
	"math"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
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

// Effect is how large a claim's effect is, on the scale of the test, and what says so.
func Effect(d *design.Document, p compare.Planned) (float64, Source) {
	var of [2]*quantity.Quantity
	for i, condition := range []string{p.Condition, p.Against} {
		for _, x := range d.Expectations {
			if x.For == p.Value && x.Condition == condition {
				if e, err := d.Expect(x); err == nil {
					of[i] = &e.Value
				}
			}
		}
	}
	if b, a := of[0], of[1]; b != nil && a != nil && b.Value != a.Value {
		if !p.Ratio {
			return b.Value - a.Value, Expected
		}
		if b.Value > 0 && a.Value > 0 {
			return math.Log(b.Value / a.Value), Expected
		}
	}
	if p.Matters != nil && *p.Matters > 0 {
		size := *p.Matters
		if p.Ratio {
			size = math.Log(size)
		}
		if p.Says == "less" {
			size = -size
		}
		return size, Matters
	}
	return 0, Nothing
}
