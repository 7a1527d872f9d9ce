package rehearsal

import (
	"math"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/detect"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/stats"
)

// Ordered is a claim that a measured value grows from condition to condition. It shows
// where each neighbour is surely above the one before it.
type Ordered struct {
	compare.Planned
	Homes  int
	Source Source  // of how far neighbours lie apart
	Step   float64 // the least between neighbours, in the value's unit; a factor where it is compared by factors
	Seen   float64 // share of classes that see the whole order
}

// measuredOrder reports whether a claim orders conditions by what is measured in them.
func measuredOrder(p compare.Planned) bool {
	return p.Says == "order" && p.Test == stats.PairedTest && len(p.Order) > 1
}

// ordered plays classes in which the conditions lie in the order that is claimed.
func ordered(d *design.Document, p compare.Planned, plans []fit.HomePlan, claims, classes int, r Random) Ordered {
	homes := homesOf(d, p, plans, 1)
	out := Ordered{Planned: p, Homes: len(homes)}
	steps := make([]float64, len(p.Order)-1)
	for i := range steps {
		pair := p
		pair.Order = p.Order[i : i+2]
		steps[i], _ = detect.Effect(d, pair)
	}
	out.Step, out.Source = detect.Effect(d, p)
	if out.Source == detect.Nothing {
		high := 0.0
		for _, h := range homes {
			high = math.Max(high, 12*h.sd)
		}
		least := leastOf(func(share float64) float64 {
			for i := range steps {
				steps[i] = share * high
			}
			return seenInOrder(homes, steps, claims, tries, r)
		}, 0)
		out.Step, out.Seen = least*high, enough
	} else {
		out.Seen = seenInOrder(homes, steps, claims, classes, r)
	}
	if p.Ratio {
		out.Step = math.Exp(out.Step)
	}
	return out
}

// seenInOrder is the share of classes in which every condition is surely above the one
// before it: the largest of the p-values counts.
func seenInOrder(homes []home, steps []float64, claims, classes int, r Random) float64 {
	seen := 0
	d := make([][]float64, len(steps))
	w := make([]float64, 0, len(homes))
	for range classes {
		for i := range d {
			d[i] = d[i][:0]
		}
		w = w[:0]
		for i, in := range present(len(homes), usualDrops, r) {
			if in {
				playOrder(homes[i], steps, d, r)
				w = append(w, 2*homes[i].rounding)
			}
		}
		if inOrder(d, w, claims) {
			seen++
		}
	}
	return float64(seen) / float64(classes)
}

// playOrder adds the differences of neighbours in one home, whose values have each its own
// scatter and whose effects are its own; mixed up, two neighbours stand the other way round.
func playOrder(h home, steps []float64, d [][]float64, r Random) {
	own := 1 + detect.Differs*r.NormFloat64()
	at, before := 0.0, h.sd*r.NormFloat64()
	swapped := -1
	if r.Float64() < Swaps {
		swapped = int(r.Float64() * float64(len(steps)))
	}
	for i, s := range steps {
		at += own * s
		value := at + h.sd*r.NormFloat64()
		difference := value - before
		if before = value; i == swapped {
			difference = -difference
		}
		d[i] = append(d[i], difference)
	}
}

func inOrder(d [][]float64, w []float64, claims int) bool {
	for i := range d {
		f, err := stats.MeanOf(d[i], w, 0)
		if err != nil || f.N < compare.MinHomes || f.Estimate <= 0 || f.P*float64(max(1, claims)) >= 0.05 {
			return false
		}
	}
	return true
}
