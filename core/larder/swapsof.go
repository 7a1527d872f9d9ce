package larder

import (
	"slices"
)

// StandsIn is one line of what a material can stand in for, or what can stand
// in for it, by result: the card of a material.
type StandsIn struct {
	Rule  *Rule
	Other []*Material // the materials on the other side
}

// Instead lists the rules that lead from a material to others, and Serves
// those that lead to it, in the order of the rules.
func (l *Larder) Instead(material string) []StandsIn {
	return l.standing(material, func(r *Rule) (mine, other Side) { return r.From, r.To })
}

// Serves is described at Instead.
func (l *Larder) Serves(material string) []StandsIn {
	return l.standing(material, func(r *Rule) (mine, other Side) { return r.To, r.From })
}

func (l *Larder) standing(material string, sides func(*Rule) (Side, Side)) []StandsIn {
	var out []StandsIn
	for i := range l.Rules {
		mine, other := sides(&l.Rules[i])
		if !slices.Contains(mine.Materials, material) {
			continue
		}
		s := StandsIn{Rule: &l.Rules[i]}
		for _, id := range other.Materials {
			s.Other = append(s.Other, l.materials[id])
		}
		out = append(out, s)
	}
	return out
}
