package compare

import (
	"math"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// minLevels is from how many different levels of what is changed on a home's values
// have a slope that says something.
const minLevels = 3

// trending reports whether a claim is about rising or falling with what is changed.
func trending(says string) bool { return says == "rises" || says == "falls" }

// level is how much of what is changed a home's condition had: what the home measured,
// where the design lets it choose, or what the design says.
func (a *analysis) level(h int, condition string) (float64, bool) {
	c, ok := a.d.Condition(condition)
	if !ok {
		return 0, false
	}
	if c.LevelFrom == "" {
		return a.d.LevelOf(c)
	}
	book, sum, n := a.homes[h].Book, 0.0, 0.0
	for i := range book.Cells {
		if cell := &book.Cells[i]; cell.Slot.Reading == c.LevelFrom && cell.Slot.In(condition) &&
			cell.State == notebook.HasValue {
			sum, n = sum+cell.Understood.InUnit.Value, n+1
		}
	}
	return sum / n, n > 0
}

// slopes are each home's values as a straight line through its levels: how much more
// there is for each unit of what is changed. A home with fewer than three different
// levels has none. Rounding at the tools is carried through the line (w of the design:
// Σ(x − x̄)²·r²/12 over (Σ(x − x̄)²)²).
func (a *analysis) slopes(c Claim, o *outcome, ratio bool) []Difference {
	var out []Difference
	for h := range a.homes {
		var x []float64
		var values []term
		bound := false
		for _, lane := range o.conditions {
			r := a.at(h, c.Value, lane)
			level, ok := a.level(h, lane)
			if r == nil || !ok {
				continue
			}
			bound = bound || r.Bound != nil
			x, values = append(x, level), append(values, terms(r, ratio))
		}
		if bound || different(x) < minLevels {
			continue
		}
		d := line(x, values)
		d.Value, d.home = c.Value, h
		out = append(out, d)
	}
	return out
}

// different is how many different levels there are.
func different(x []float64) int {
	sorted := slices.Clone(x)
	slices.Sort(sorted)
	return len(slices.Compact(sorted))
}

// line is the slope of values over levels, with its uncertainty from one home alone.
func line(x []float64, values []term) Difference {
	mean, sxx := 0.0, 0.0
	for _, v := range x {
		mean += v / float64(len(x))
	}
	for _, v := range x {
		sxx += (v - mean) * (v - mean)
	}
	d := Difference{K: 2, Tries: 1}
	scatter := 0.0
	for i, v := range values {
		k := (x[i] - mean) / sxx
		d.D += k * v.value
		d.rounding += k * k * v.rounding
		scatter += k * k * v.scatter
	}
	d.U = math.Sqrt(scatter + d.rounding)
	d.interval = stats.Plain(d.D)
	switch {
	case d.D > d.K*d.U:
		d.Word = "more"
	case d.D < -d.K*d.U:
		d.Word = "less"
	default:
		d.Word = "cannot-tell"
	}
	return d
}

// trend tests that a value rises or falls with what is changed: each home's slope is
// one value, and their mean is held against none.
func (a *analysis) trend(f Finding, o *outcome) Finding {
	f.Homes = a.slopes(f.Claim, o, f.Ratio)
	f.tally()
	f.Test, f.Sides, f.Middle, f.Signs = testOf(f.Homes, 0, true)
	f.Test.Test = stats.SlopeTest
	f.Why = text.Message{ID: "compare.why.trend"}
	f.scatter(a, o)
	return f
}

// steps are the words of a trend's sentence: what is changed, and the step of it for
// which the slope is given.
func (a *analysis) steps(o *outcome, args text.Args) {
	args["changed"] = a.d.Changed.Name
	unit := quantity.One
	for _, lane := range o.conditions {
		if c, ok := a.d.Condition(lane); ok {
			if u, known := quantity.LookupUnit(a.d.LevelUnit(c)); known {
				unit = u
				break
			}
		}
	}
	args["each"] = sized{1, unit, 0}
}

// levels reports whether the conditions of a value have levels enough for a trend:
// numbers of the design, or measured by the homes.
func (o *outcome) levels(d *design.Document) bool {
	var x []float64
	for i, lane := range o.conditions {
		c, ok := d.Condition(lane)
		if !ok {
			return false
		}
		level, known := d.LevelOf(c)
		if c.LevelFrom != "" {
			level, known = float64(i), true // the homes' own, which differ
		}
		if known {
			x = append(x, level)
		}
	}
	return different(x) >= minLevels
}
