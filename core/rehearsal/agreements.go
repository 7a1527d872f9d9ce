package rehearsal

import (
	"math"
	"slices"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/stats"
)

// Agreement is a claim that a value is what is stated, or is the same in two conditions. It
// is played as if it were so; what is worked out is how surely a class can say it.
type Agreement struct {
	compare.Planned
	Homes  int
	Near   float64 // how near counts, on the scale of the test; 0 where the design does not say
	Seen   float64 // share of classes whose interval lies within what counts
	Within float64 // how near the class's mean comes in 9 of 10 classes, in the value's unit or as a factor
}

// agrees reports whether a claim is of a value being so rather than of a difference, and by
// what the variance of one value is multiplied in what each home finds.
func agrees(p compare.Planned) (narrow float64, ok bool) {
	switch {
	case p.Says == "equals" && p.Test == stats.OneSampleTest:
		return 1, true
	case p.Says == "same" && p.Test == stats.PairedTest && p.Against != "":
		return 2, true
	}
	return 0, false
}

// agreed plays classes in which a claim is so.
func agreed(d *design.Document, p compare.Planned, plans []fit.HomePlan, claims, classes int, r Random) Agreement {
	narrow, _ := agrees(p)
	x := claim{Planned: p, homes: homesOf(d, p, plans, narrow)}
	out := Agreement{Planned: p, Homes: len(x.homes)}
	if p.Matters != nil && *p.Matters > 0 {
		if out.Near = *p.Matters; p.Ratio {
			out.Near = math.Abs(math.Log(*p.Matters))
		}
	}
	c := class{claims: []claim{x}, drops: usualDrops}
	var off []float64
	v, w, u := []float64{}, []float64{}, []float64{}
	for range classes {
		v, w, u = x.sample(present(len(x.homes), c.drops, r), r, v[:0], w[:0], u[:0])
		f, err := stats.MeanOf(v, w, 0)
		if err != nil || f.N < compare.MinHomes {
			continue
		}
		off = append(off, math.Abs(f.Estimate))
		if low, high := f.Joint(claims); low > -out.Near && high < out.Near {
			out.Seen++
		}
	}
	out.Seen /= float64(classes)
	slices.Sort(off)
	if out.Within = part(off, 0.9); p.Ratio {
		out.Within = math.Exp(out.Within)
	}
	return out
}

// homesOf are the homes that take part in a claim with their own readings.
func homesOf(d *design.Document, p compare.Planned, plans []fit.HomePlan, narrow float64) []home {
	var out []home
	for i := range plans {
		if h, ok := homeOf(d, p, &plans[i], narrow, ""); ok {
			out = append(out, h)
		}
	}
	return out
}
