package larder

import (
	"slices"
)

// SwapWith is one line of what a material can stand in for, or what can stand
// in for it, by result: the card of a material.
type SwapWith struct {
	Rule  *SwapRule
	Other []*Material // the materials on the other side
}

// SwapsFrom lists the rules that lead from a material to others, and SwapsTo
// those that lead to it, in the order of the rules.
func (l *Larder) SwapsFrom(material string) []SwapWith {
	return l.swapsOf(material, func(r *SwapRule) (mine, other Side) { return r.From, r.To })
}

// SwapsTo is described at SwapsFrom.
func (l *Larder) SwapsTo(material string) []SwapWith {
	return l.swapsOf(material, func(r *SwapRule) (mine, other Side) { return r.To, r.From })
}

func (l *Larder) swapsOf(material string, sides func(*SwapRule) (Side, Side)) []SwapWith {
	var out []SwapWith
	for i := range l.Rules {
		mine, other := sides(&l.Rules[i])
		if !slices.Contains(mine.Materials, material) {
			continue
		}
		s := SwapWith{Rule: &l.Rules[i]}
		for _, id := range other.Materials {
			s.Other = append(s.Other, l.materials[id])
		}
		out = append(out, s)
	}
	return out
}
