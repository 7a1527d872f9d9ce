package fit

import (
	"cmp"
	"maps"
	"slices"
	"strings"
)

// What homes do differently makes variants of an experiment, and the fewer there are
// the more homes can be compared. Which variants a class has is a choice of the fewest
// that leave every home one that it can do; among those of one number, the one with the
// fewest things to get and to send, then the cheapest, then the first by name.

// price is what a plan costs a home and its teacher, less first.
type price struct{ get, cost int }

func (p price) plus(q price) price { return price{p.get + q.get, p.cost + q.cost} }

func (p price) compare(q price) int {
	return cmp.Or(cmp.Compare(p.get, q.get), cmp.Compare(p.cost, q.cost))
}

// offer is the best plan of one group of homes for one variant.
type offer struct {
	key   string
	price price // of one home
	plan  []picked
}

// group are homes that answered alike: they are fitted once.
type group struct {
	size   int
	offers []offer // by variant, in the order of their keys
}

func (g *group) of(key string) (offer, bool) {
	i, ok := slices.BinarySearchFunc(g.offers, key, func(o offer, k string) int { return strings.Compare(o.key, k) })
	if !ok {
		return offer{}, false
	}
	return g.offers[i], true
}

// mostWork bounds how long the fewest variants are looked for, in groups looked at;
// above it the choice may be one more than the fewest.
const mostWork = 2_000_000

// search looks for the fewest variants that serve all groups.
type search struct {
	groups []*group
	narrow []*group // those that have the least to choose from: who serves them serves all
	best   []string
	price  price
	work   int
}

// narrowest leaves out the groups that can do all that some other one can.
func narrowest(groups []*group) []*group {
	byKeys := map[string]*group{}
	for _, g := range groups {
		if len(g.offers) > 0 {
			byKeys[keysOf(g)] = g
		}
	}
	var out []*group
	for _, keys := range slices.SortedFunc(maps.Keys(byKeys), func(a, b string) int {
		return cmp.Or(cmp.Compare(len(byKeys[a].offers), len(byKeys[b].offers)), strings.Compare(a, b))
	}) {
		g := byKeys[keys]
		if !slices.ContainsFunc(out, func(n *group) bool { return n.within(g) }) {
			out = append(out, g)
		}
	}
	return out
}

// within reports whether another group can do all that this one can.
func (g *group) within(other *group) bool {
	return !slices.ContainsFunc(g.offers, func(o offer) bool { _, ok := other.of(o.key); return !ok })
}

// fewest are the variants of a class, by their keys; fixed ones are there already.
// Looking for them begins with what a simple rule finds: the variant that serves the
// most homes that have none, again and again.
func fewest(groups []*group, fixed []string) []string {
	s := &search{groups: groups, narrow: narrowest(groups)}
	found := s.served(fixed)
	for n := range len(found) - len(fixed) + 1 {
		s.look(slices.Clone(fixed), n)
		if s.best != nil {
			return s.best
		}
		if s.work > mostWork {
			break
		}
	}
	s.take(found)
	return s.best
}

// served is a choice of variants that serves every group that has an offer.
func (s *search) served(fixed []string) []string {
	chosen := slices.Clone(fixed)
	for s.unserved(chosen) != nil {
		homes := map[string]int{}
		for _, g := range s.narrow {
			if slices.ContainsFunc(chosen, func(k string) bool { _, ok := g.of(k); return ok }) {
				continue
			}
			for _, o := range g.offers {
				homes[o.key] += g.size
			}
		}
		best := ""
		for _, key := range slices.Sorted(maps.Keys(homes)) {
			if best == "" && homes[best] == 0 || homes[key] > homes[best] {
				best = key
			}
		}
		chosen = append(chosen, best)
	}
	return chosen
}

// look tries every way of adding n variants to those chosen.
func (s *search) look(chosen []string, n int) {
	s.work += len(s.narrow)
	if s.work > mostWork {
		return
	}
	open := s.unserved(chosen)
	if open == nil {
		s.take(chosen)
		return
	}
	if n == 0 {
		return
	}
	for _, o := range open.offers {
		s.look(append(slices.Clone(chosen), o.key), n-1)
	}
}

// unserved is the group without a variant of its own among those chosen that has the
// fewest to choose from; nil when all are served.
func (s *search) unserved(chosen []string) *group {
	var out *group
	for _, g := range s.narrow {
		if slices.ContainsFunc(chosen, func(k string) bool { _, ok := g.of(k); return ok }) {
			continue
		}
		if out == nil || len(g.offers) < len(out.offers) {
			out = g
		}
	}
	return out
}

// take keeps a choice that costs less than the best, or as much and stands first by
// name.
func (s *search) take(chosen []string) {
	slices.Sort(chosen)
	chosen = slices.Compact(chosen)
	p := price{}
	s.work += len(s.groups)
	for _, g := range s.groups {
		if o, ok := g.cheapest(chosen); ok {
			p = p.plus(price{o.price.get * g.size, o.price.cost * g.size})
		}
	}
	if s.best == nil || cmp.Or(p.compare(s.price), slices.Compare(chosen, s.best)) < 0 {
		s.best, s.price = chosen, p
		if s.best == nil {
			s.best = []string{}
		}
	}
}

// cheapest is what a group does, of the variants that there are.
func (g *group) cheapest(variants []string) (offer, bool) {
	var out offer
	found := false
	for _, k := range variants {
		if o, ok := g.of(k); ok && (!found || cmp.Or(o.price.compare(out.price), strings.Compare(o.key, out.key)) < 0) {
			out, found = o, true
		}
	}
	return out, found
}
