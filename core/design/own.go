package design

import (
	"math"
	"slices"
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// OwnValue is something that each home can measure of itself once: its value then stands
// in the place of the usual one, in formulas, amounts and sheets.
type OwnValue struct {
	ID   string
	Unit string  // of its value
	In   string  // the unit that is typed
	Low  float64 // below it, in the typed unit, what was typed is asked about
	High float64

	Place bool // it is of the place: a class can say it for all its homes

	// worth is the value of what was typed, in Unit, with its give or take.
	worth func(typed quantity.Quantity) quantity.Quantity
}

// Spoons is how many level spoons are weighed together.
const Spoons = 10

// saltBulk is the mass of loose table salt, g/mL; spoonSpread how far one level spoon of
// it falls from another, as a share (larder, table-salt; model 8).
const (
	saltBulk    = 1.2
	spoonSpread = 0.10
)

// OwnValues are all of them, in the order in which a home is asked.
var OwnValues = []OwnValue{
	{"teaspoon", "mL", "g", 25, 100, false, func(typed quantity.Quantity) quantity.Quantity {
		one := typed.Value / Spoons
		u := math.Hypot(one*spoonSpread/math.Sqrt(Spoons), typed.U/Spoons)
		return quantity.Quantity{Value: one / saltBulk, U: u / saltBulk, Unit: quantity.MustUnit("mL")}
	}},
	{"bag", "mL", "mL", 50, 10000, false, measuredTo(0.02)},
	{"jar", "mL", "mL", 50, 5000, false, measuredTo(0.02)},
	{"reaction", "s", "mm", 30, 600, false, func(typed quantity.Quantity) quantity.Quantity {
		t := math.Sqrt(2 * typed.Value / 1000 / 9.80665) // a ruler falls freely until it is caught
		u := t * 0.1                                     // from one catch to the next
		if typed.U > 0 {
			u = t / 2 * typed.U / typed.Value
		}
		return quantity.Quantity{Value: t, U: u, Unit: quantity.MustUnit("s")}
	}},
	{"printed-ruler", "1", "mm", 75, 95, false, func(typed quantity.Quantity) quantity.Quantity {
		ratio := CardLength / typed.Value
		return quantity.Quantity{Value: ratio, U: ratio * max(typed.U, 0.25) / typed.Value, Unit: quantity.One}
	}},
	{"altitude", "m", "m", -500, 5000, true, atLeast(20)},
	{"kitchen-temperature", "°C", "°C", 5, 40, true, atLeast(1)},
	{"water-temperature", "°C", "°C", 0, 40, true, atLeast(1)},
}

// CardLength is the long side of a bank or library card, mm (ISO/IEC 7810, ID-1).
const CardLength = 85.60

// measuredTo takes a value as it is, known to a share of it unless more is said.
func measuredTo(share float64) func(quantity.Quantity) quantity.Quantity {
	return func(q quantity.Quantity) quantity.Quantity {
		if q.U == 0 {
			q.U = share * math.Abs(q.Value)
		}
		return q
	}
}

// atLeast takes a value as it is, known to so much unless more is said.
func atLeast(u float64) func(quantity.Quantity) quantity.Quantity {
	return func(q quantity.Quantity) quantity.Quantity {
		if q.U == 0 {
			q.U = u
		}
		return q
	}
}

// Own finds one of them.
func Own(id string) (OwnValue, bool) {
	i := slices.IndexFunc(OwnValues, func(v OwnValue) bool { return v.ID == id })
	if i < 0 {
		return OwnValue{}, false
	}
	return OwnValues[i], true
}

// Typed reads what a home measured: a quantity, or a bare number in the unit that is
// asked for; of water that fills a bag or jar its mass will do, a gram being a
// millilitre. It fails on what is none, and on what cannot be.
func (v OwnValue) Typed(typed string) (quantity.Quantity, error) {
	unit := quantity.MustUnit(v.In)
	value, give, said := strings.Cut(typed, "±")
	p, err := quantity.Parse(value)
	if err != nil {
		return quantity.Quantity{}, err
	}
	q := p.Quantity
	if said {
		g, err := quantity.Parse(give)
		if err != nil {
			return q, err
		}
		if g.Unit != quantity.One && g.Unit.Dim != q.Unit.Dim || g.Value < 0 {
			return q, &quantity.ParseError{Code: "unknown-unit", Text: typed, Read: strings.TrimSpace(give)}
		}
		if q.U = g.Value; g.Unit != quantity.One {
			q.U *= g.Unit.Factor / q.Unit.Factor
		}
	}
	switch {
	case q.Unit == quantity.One:
		q = quantity.Quantity{Value: q.Value, U: q.U, Unit: unit}
	case unit.Dim == quantity.Volume && q.Unit.Dim == quantity.Mass: // of water
		g, err := q.In(quantity.MustUnit("g"))
		if err != nil {
			return q, err
		}
		q = quantity.Quantity{Value: g.Value, U: g.U, Unit: quantity.MustUnit("mL")}
	}
	if q, err = q.In(unit); err != nil {
		return q, err
	}
	if !(q.Value >= v.Low && q.Value <= v.High) {
		return q, text.Faulty("design.own-limits", "typed", typed, "low", quantity.New(v.Low, v.In), "high",
			quantity.New(v.High, v.In))
	}
	return q, nil
}

// Value is the value of what a home typed, with its give or take.
func (v OwnValue) Value(typed string) (quantity.Quantity, error) {
	q, err := v.Typed(typed)
	if err != nil {
		return q, err
	}
	return v.worth(q), nil
}

// Name is what it is, How how a home finds it.
func (v OwnValue) Name() text.Message { return text.Message{ID: "design.own." + v.ID} }

// How says how a home finds it.
func (v OwnValue) How() text.Message {
	return text.M("design.own."+v.ID+".how", "n", Spoons, "card", quantity.New(CardLength, "mm"))
}
