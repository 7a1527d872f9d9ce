package quantity

import (
	"fmt"
	"math"
)

// Quantity is a value in a unit with its standard uncertainty U, in the same
// unit. For temperatures Value is a point on the scale and U a difference.
type Quantity struct {
	Value float64
	Unit  Unit
	U     float64
}

// New is a quantity in a unit given by its symbol; it panics on an unknown
// symbol and is meant for values written in code.
func New(value float64, symbol string) Quantity {
	return Quantity{Value: value, Unit: MustUnit(symbol)}
}

// SI is the value in SI base units; a temperature in kelvin.
func (q Quantity) SI() float64 { return q.Value*q.Unit.Factor + q.Unit.Offset }

// USI is the standard uncertainty in SI base units.
func (q Quantity) USI() float64 { return q.U * q.Unit.Factor }

// FromSI is the quantity in unit whose value and uncertainty in SI base units
// are given.
func FromSI(value, u float64, unit Unit) Quantity {
	return Quantity{Value: (value - unit.Offset) / unit.Factor, Unit: unit, U: u / unit.Factor}
}

// In converts to another unit of the same dimension. It fails when the
// dimensions differ, naming both.
func (q Quantity) In(unit Unit) (Quantity, error) {
	if q.Unit.Dim != unit.Dim {
		return Quantity{}, fmt.Errorf("%s is a %s, not a %s", q.Unit.Symbol, q.Unit.Dim, unit.Dim)
	}
	if q.Unit == unit {
		return q, nil
	}
	out := FromSI(q.SI(), q.USI(), unit)
	if !out.Sound() {
		return Quantity{}, fmt.Errorf("%g %s is too large a number to work with", q.Value, q.Unit.Symbol)
	}
	return out, nil
}

// enormous is beyond anything that is measured in any unit: the distance to the
// edge of the visible universe is 4.4e26 m. What is larger was not meant, and
// sums and squares of what is smaller stay finite.
const enormous = 1e30

// Sound reports whether a quantity can be worked with: finite, and not
// enormous, in its own unit and in SI.
func (q Quantity) Sound() bool {
	for _, x := range []float64{q.Value, q.U, q.SI(), q.USI()} {
		if !(math.Abs(x) <= enormous) { // NaN too
			return false
		}
	}
	return true
}

// Resolution says how finely an instrument shows a value.
type Resolution struct {
	Step     float64 // smallest step of a digital display, or smallest division of a scale, in the reading's unit
	Analogue bool    // a ruler, jug or dial, read by eye to half a division
}

// U is the standard uncertainty that reading the instrument brings, in the
// step's unit: step/√12 for a digital display (a rectangular distribution one
// step wide), and half of that for a scale read to half its division.
func (r Resolution) U() float64 {
	if r.Analogue {
		return r.Step / 2 / math.Sqrt(12)
	}
	return r.Step / math.Sqrt(12)
}
