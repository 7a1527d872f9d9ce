package safety

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
)

// atHome adds what the facts of one home raise. What a home has not answered
// is taken as the most careful case: the steps concerned stay closed.
func (j *judge) atHome() {
	before := len(j.out)
	for i := range j.out[:before] {
		f := j.out[i] // a copy: say may move the list
		id, name, raised := j.raises(&f)
		if !raised {
			continue
		}
		var needs []*design.Need
		for _, n := range f.Needs {
			if need, ok := j.d.Need(n); ok {
				needs = append(needs, need)
			}
		}
		j.say(named(id, name), f.Steps, needs, f.Action, nil)
	}
	j.allergies()
	for i := before; i < len(j.out); i++ {
		j.out[i].FromHome = true
	}
	j.alone()
}

// raises is the finding that a fact of the home raises another one to.
func (j *judge) raises(f *Hazard) (rule, name string, ok bool) {
	h := j.home
	under4 := kitchen.Maybe(h.Under4, true)
	under6 := under4 || kitchen.Maybe(h.Under6, true)
	reaches := (under4 || kitchen.Maybe(h.Pet, true)) && !h.Covered
	switch f.Rule {
	case "small-part":
		return "small-part", "little", under4
	case "cells-magnets":
		return "cells-magnets", "little", under6 && f.Case == ""
	case "deep-water":
		return "deep-water", "little", under4
	case "standing":
		return "standing", "within-reach", reaches && f.Case == ""
	case "smoke", "microbe":
		return "microbe", "weak", kitchen.Maybe(h.Asthma, true) && (f.Rule == "smoke" || f.Case == "mould")
	}
	return "", "", false
}

// allergies bars every material that holds or may hold what the home avoids.
func (j *judge) allergies() {
	for i := range j.d.Needs {
		n := &j.d.Needs[i]
		m, ok := j.material(n)
		if !ok {
			continue
		}
		var hits []string
		for _, a := range m.Allergens() {
			if !j.home.Answered || slices.Contains(j.home.Allergens, a) {
				hits = append(hits, a)
			}
		}
		if len(hits) > 0 {
			j.allergens("home", n, hits)
		}
	}
}

// alone closes what an adult or eye protection is needed for and is not there.
func (j *judge) alone() {
	withAdult, withGoggles := j.stepsThat(needsAdult), j.stepsThat(wears)
	if !kitchen.Maybe(j.home.Adult, false) {
		j.closeAtHome("no-adult", withAdult)
	}
	if !kitchen.Maybe(j.home.Goggles, false) {
		j.closeAtHome("no-goggles", withGoggles)
	}
}

// stepsThat are the steps of the findings that need something.
func (j *judge) stepsThat(need func(Hazard) bool) []string {
	var in Hazard
	for _, f := range j.out {
		if need(f) {
			in.alsoIn(f.Steps)
		}
	}
	return in.Steps
}

// closeAtHome says of steps that this home has not what they need.
func (j *judge) closeAtHome(name string, steps []string) {
	if len(steps) > 0 {
		j.say(named("people-home", name), steps, nil, "", nil).FromHome = true
	}
}

// needsAdult reports whether an adult has to be there for what a finding is about.
func needsAdult(f Hazard) bool {
	switch f.Rule {
	case "flame", "launcher", "gas-flexible":
		return true
	case "heat":
		if f.Case == "above" || f.Case == "fat" {
			return true
		}
	}
	return f.Verdict == AdultNear || f.Verdict == AdultDoes
}

// wears reports whether a finding's eye protection has to be worn, not only
// advised.
func wears(f Hazard) bool {
	return (slices.Contains(f.Gear, "goggles") || slices.Contains(f.Gear, "safety-goggles")) &&
		!(f.Verdict == Care && f.Rule == "mild-acid")
}

// Swapped is the design with one need's material replaced, as a home would do
// it: with the acid that goes with it, the water it is made up with, and a bag's
// own capacity.
func Swapped(d *design.Document, l *larder.Larder, need string, c larder.Candidate) *design.Document {
	out := *d
	out.Needs = slices.Clone(d.Needs)
	for i := range out.Needs {
		n := &out.Needs[i]
		m, known := l.Material(n.Material)
		switch {
		case n.ID == need:
			replace(n, m, c)
		case known && c.Partner > 1 && isAcid(m):
			n.Amount = times(n.Amount, c.Partner)
		}
	}
	if water := l.Offers["make-up-water"]; c.MakeUp.Value > 0 && len(water) > 0 {
		madeUp(&out, need, water[0], c.MakeUp)
	}
	return &out
}

// replace puts a candidate in the place of what a need was (nil: nothing known).
func replace(n *design.Need, was *larder.Material, c larder.Candidate) {
	n.Material, n.Form, n.Strength = c.Material.ID, c.Form, nil
	n.Kind = design.MaterialNeed
	if c.Percent > 0 {
		n.Strength = &design.Strength{Value: c.Percent, Basis: "w/w"}
		for _, x := range c.Material.Contains {
			if x.Basis != "g/piece" {
				n.Strength.Basis = x.Basis
				break
			}
		}
	}
	switch {
	case isBag(was) || isBag(c.Material):
		n.Amount = "" // its own capacity, at the least of its kind
	case c.Amount.Value > 0:
		n.Amount = amountWords(c)
	}
}

// madeUp adds the water that a need is made up with, wherever the need is used.
func madeUp(d *design.Document, need, water string, amount quantity.Quantity) {
	w := design.Need{
		ID:       freshNeed(d, need+"-water"),
		Kind:     design.MaterialNeed,
		Material: water,
		Amount:   amount.Bare().Show("en"),
	}
	d.Needs = append(d.Needs, w)
	d.Steps = slices.Clone(d.Steps)
	for i := range d.Steps {
		if s := &d.Steps[i]; slices.Contains(s.Uses, need) {
			s.Uses = append(slices.Clone(s.Uses), w.ID)
		}
	}
}

// times is a typed amount so many times over; as it was where it cannot be
// read.
func times(typed string, factor float64) string {
	p, err := quantity.Parse(typed)
	if err != nil {
		return typed
	}
	q := p.Quantity
	q.Value, q.U = q.Value*factor, q.U*factor
	return q.Show("en")
}

func amountWords(c larder.Candidate) string { return c.Amount.Bare().Show("en") }
