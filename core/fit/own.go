package fit

import (
	"math"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/safety"
)

// OwnAsked are the values that a home can measure once and that make a difference to a
// design: those that its formulas use, the bag in which gas is made, the spoon with which
// its amounts are measured out.
func (w *Supplies) OwnAsked() []design.OwnValue {
	var out []design.OwnValue
	for _, v := range design.OwnValues {
		asked := slices.ContainsFunc(w.d.Constants, func(c design.Constant) bool { return c.Own == v.ID })
		switch v.ID {
		case "bag":
			asked = asked || len(safety.GasIn(w.d, w.l)) > 0
		case "teaspoon":
			asked = asked || slices.ContainsFunc(w.d.Needs, func(n design.Need) bool {
				_, ok := w.spoonful(&n, quantity.New(5, "mL"))
				return ok
			})
		}
		if asked {
			out = append(out, v)
		}
	}
	return out
}

// measured puts what a home measured itself in the place of what is usual: constants, the
// amounts that go into its bag, spoons where it has no scale.
func (w *Supplies) measured(class *kitchen.Class, k *kitchen.Kitchen, p *HomePlan) {
	own := *p.Design
	own.Constants, own.Needs = slices.Clone(own.Constants), slices.Clone(own.Needs)
	changed := false
	for i := range own.Constants {
		c := &own.Constants[i]
		if q, ok := class.Measured(k, c.Own); ok {
			c.Value, changed = q.Show("en"), true
		}
	}
	if q, ok := k.Measured("bag"); ok {
		changed = w.fillBag(&own, p, q) || changed
	}
	if k.Tools["mass"] == kitchen.NoTool && !p.lentToWeigh() {
		spoon, ok := k.Measured("teaspoon")
		if !ok {
			spoon = quantity.New(5, "mL")
		}
		for i := range own.Needs {
			n := &own.Needs[i]
			if spoons, ok := w.spoonful(n, spoon); ok {
				n.Spooned, changed = spoons, true
			}
		}
	}
	if changed {
		p.Design = &own
	}
}

// lentToWeigh reports whether a home without a scale is sent or lent one.
func (p *HomePlan) lentToWeigh() bool {
	return slices.ContainsFunc(p.Choices, func(c Choice) bool { return c.Kit && !c.Without && c.Measures() == "mass" })
}

// fillBag brings what makes gas in a bag to the size of a home's own bag: as much for each
// millilitre as in the bag of the design. It reports whether anything changed.
func (w *Supplies) fillBag(own *design.Document, p *HomePlan, holds quantity.Quantity) bool {
	changed := false
	for bag, makers := range safety.GasIn(own, w.l) {
		wanted, ok := w.d.Need(bag)
		if !ok {
			continue
		}
		usual, readable := quantity.ParseOK(wanted.Amount)
		if !readable || usual.Unit.Dim != quantity.Volume || usual.Value <= 0 {
			continue
		}
		ratio := holds.SI() / usual.SI()
		for i := range own.Needs {
			n := &own.Needs[i]
			switch {
			case n.ID == bag:
				n.Amount = quantity.Kitchen{Quantity: holds, Exact: true}.Rounded().Show("en")
				changed = true
			case slices.Contains(makers, n.ID):
				if a, ok := quantity.ParseOK(n.Amount); ok {
					a.Value *= ratio
					n.Amount = a.Quantity.Bare().Show("en")
					n.Amount = measuredOut(n)
					p.scale(n.ID, ratio)
				}
			}
		}
	}
	return changed
}

// scale brings the amount of a choice to that of its home.
func (p *HomePlan) scale(need string, ratio float64) {
	for i := range p.Choices {
		if c := &p.Choices[i]; c.Need == need {
			c.Amount.Value, c.Amount.U = c.Amount.Value*ratio, c.Amount.U*ratio
		}
	}
}

// spoonful is how many level spoons of a powder or grain a mass comes to, to an eighth. It
// reports false for what is not spooned: liquids, pieces, what has to be weighed, more
// than ten spoons.
func (w *Supplies) spoonful(n *design.Need, spoon quantity.Quantity) (float64, bool) {
	m, ok := w.l.Material(n.Material)
	if !ok || n.Weighed || m.Liquid() {
		return 0, false
	}
	mass, readable := quantity.ParseOK(n.Amount)
	one, known := m.Spoonful()
	if !readable || !known || mass.Unit.Dim != quantity.Mass {
		return 0, false
	}
	each := one.Typical * spoon.SI() / quantity.New(5, "mL").SI()
	spoons := quantity.Kitchen{Quantity: quantity.New(mass.SI()*1000/each, "metric tsp")}.Rounded()
	if spoons.Unit.Symbol != "metric tsp" || spoons.Value > design.Spoons || math.IsNaN(spoons.Value) {
		return 0, false
	}
	return spoons.Value, true
}
