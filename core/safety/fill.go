package safety

import "patient-kitchen/core/quantity"

// upperFill is the most that gas and liquid can fill of a bag, as a share of
// what it holds: every amount at its upper end (2u; a powder that is not
// weighed counts as a heaped spoon, half as much again), the bag at its lower
// (a fifth less where it was not measured), at 25 °C. scale multiplies the
// gas-making powder. It reports false when an amount is not said.
func (j *judge) upperFill(v *vessel, holds, makers []content, scale float64) (float64, bool) {
	capacity, ok := j.capacity(v)
	if !ok {
		return 0, false
	}
	known := true
	for _, c := range makers {
		if _, said := j.amount(c.need); !said && !isYeast(c.material) {
			j.lacks(c.need)
			known = false
		}
	}
	if !known {
		return 0, false
	}
	return (j.upperGas(makers, scale) + j.upperLiquid(holds)) / capacity, true
}

// upperGas is the most gas, in L, that comes of what makes it. One acid with one
// carbonate is worked out with both, all else as if every grain reacted.
func (j *judge) upperGas(makers []content, scale float64) float64 {
	var acids, carbonates, others []content
	for _, c := range makers {
		switch {
		case isFizzy(c.material):
			others = append(others, c)
		case isCarbonate(c.material):
			carbonates = append(carbonates, c)
		case isAcid(c.material):
			acids = append(acids, c)
		default:
			others = append(others, c)
		}
	}
	gas := j.allGas(others, scale)
	if len(acids) == 1 && len(carbonates) == 1 {
		if g, ok := j.modelled(acids[0], carbonates[0], scale); ok {
			return gas + g
		}
	}
	return gas + j.allGas(carbonates, scale)
}

// upperLiquid is the most liquid, in L, among what a vessel holds.
func (j *judge) upperLiquid(holds []content) float64 {
	var liquid float64
	for _, c := range holds {
		if !c.material.Liquid() {
			continue
		}
		if q, ok := j.perRun(c.need); ok && q.Unit.Dim == quantity.Volume {
			liquid += (q.SI() + 2*q.USI()) * 1000
		}
	}
	return liquid
}
