package notebook

import (
	"math"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
)

// uncertainties are what the tool's step brings to a reading (with what was
// typed as a range or as about) and what repeating it brings, one step where the
// design does not say. A count has neither.
func uncertainties(r *design.Reading, u *Understood, instrument string) (rounding, repeat float64) {
	unit := u.InUnit.Unit
	typed := u.Typical.U
	if unit == quantity.One || unit.Dim == quantity.Count {
		return typed, 0
	}
	if r.Sort() == design.PositionKind {
		repeat = typed
		if p, ok := quantity.ParseOK(r.Repeatability); ok && p.Unit.Dim == unit.Dim {
			repeat = p.Value * p.Unit.Factor / unit.Factor
		}
		return typed, repeat
	}
	if r.Sort() == design.EventKind { // a clock that shows seconds
		return 1 / unit.Factor / math.Sqrt(12), 1 / unit.Factor
	}
	step := 0.0 // of a tool that is not named: the last digit typed
	if u.Typical.Decimals >= 0 {
		step = math.Pow10(-u.Typical.Decimals)
	}
	if in, ok := r.Instrument(instrument); ok {
		if p, ok := quantity.ParseOK(in.Resolution); ok && p.Unit.Dim == unit.Dim {
			step = p.Value * p.Unit.Factor / unit.Factor
			if in.Analogue {
				step /= 2
			}
		}
	}
	repeat = step
	if p, ok := quantity.ParseOK(r.Repeatability); ok && p.Unit.Dim == unit.Dim {
		repeat = p.Value * p.Unit.Factor / unit.Factor
	}
	return math.Hypot(step/math.Sqrt(12), typed), repeat
}

// ends are the ends of a bound: below it the physical least (0 where nothing
// can be less), above it nothing.
func ends(r *design.Reading, c *Cell) (low, high quantity.Quantity) {
	u := &c.Understood
	low, high = u.InUnit, u.InUnit
	if g := c.Entry.Given; g != nil {
		a, b := g.ends()
		low.Value, high.Value = a/low.Unit.Factor, b/low.Unit.Factor
		if math.IsInf(b, 1) {
			high.Value = low.Value + farAway
		}
		return low, high
	}
	if !u.Typed.Below {
		high.Value += farAway
		return low, high
	}
	low.Value = 0
	if least, ok := quantity.ParseOK(r.Low); ok {
		if in, err := least.In(low.Unit); err == nil {
			low.Value = in.Value
		}
	} else if low.Unit.Dim == quantity.Temperature {
		low.Value = u.InUnit.Value - farAway
	}
	return low, high
}
