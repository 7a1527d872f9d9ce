package safety

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
)

// mixtures judges what comes together in a vessel.
func (j *judge) mixtures() {
	for i := range j.vessels {
		v := &j.vessels[i]
		if v.decanted() && v.has(isUndrinkable) {
			j.say(named("decanted", ""), v.steps, nil, "decant", nil)
		}
		if p, a := v.with(isPeroxide), v.with(isAcid); len(p) > 0 && len(a) > 0 {
			j.say(named("mix-peroxide-acid", "any"), v.steps, needsOf(p, a), "", nil)
		}
		if p, c := v.with(isPeroxide), v.with(isCatalyst); len(p) > 0 && len(c) > 0 {
			name := "open"
			if len(v.closed) > 0 {
				name = "closed"
			}
			j.say(named("peroxide-catalyst", name), v.steps, needsOf(p, c), "", nil)
		}
		j.metals(v)
		j.gas(v)
	}
	for i := range j.d.Steps {
		s := &j.d.Steps[i]
		if s.Voltage != "" || slices.Contains(s.Actions, "electrolyse") {
			j.electrolysis(s)
		}
	}
}

func (j *judge) metals(v *vessel) {
	acid, alkali := v.with(isAcid), v.with(isAlkali)
	if metal := v.with(isReactive); len(acid) > 0 && len(metal) > 0 {
		name := "open"
		if len(v.closed) > 0 {
			name = "closed"
		}
		j.say(named("acid-metal", name), v.steps, needsOf(acid, metal), "", nil)
	}
	if foil := v.with(isAluminium); len(alkali) > 0 && len(foil) > 0 {
		j.say(named("acid-metal", "aluminium"), v.steps, needsOf(alkali, foil), "", nil)
	}
}

// electrolysis of anything but washing soda or Epsom salt, over 4.5 V, or
// with what gives poison is never for homes.
func (j *judge) electrolysis(s *design.Step) {
	var with []*design.Need
	mild, bad := false, s.Closed || s.Voltage == ""
	if p, err := quantity.Parse(s.Voltage); err != nil || p.Unit.Dim != quantity.Voltage || p.SI() > 4.5 {
		bad = true
	}
	for _, u := range s.Uses {
		n, ok := j.d.Need(u)
		if !ok {
			continue
		}
		m, known := j.l.Material(n.Material)
		if !known {
			continue
		}
		with = append(with, n)
		mild = mild || m.Does("carbonate") && m.Shelf == "carbonates-alkalis" && m.ID != "baking-soda" || m.ID == "epsom-salt"
		bad = bad || m.Does("salt") && m.ID != "epsom-salt" || slices.Contains([]string{"spoon-steel", "battery-9v", "battery-lithium", "cell-button", "mains-supply"}, m.ID)
	}
	name := "mild"
	if bad || !mild {
		name = "bad"
	}
	j.say(named("electrolysis", name), []string{s.ID}, with, "", nil)
}

// evening judges what may not be in the house on one evening, whatever the
// vessel: a design's needs and actions as a whole, the clearing up included.
func (j *judge) evening() {
	var flames, fuels, dusts, cleaners, others []*design.Need
	flame, hot := false, false // hot is a hot plate or oil: it lights vapours as a flame does
	var oxygen []*design.Need
	for i := range j.vessels { // hydrogen burns as well, and all burns faster in oxygen
		v := &j.vessels[i]
		if acid, metal := v.with(isAcid), v.with(isReactive); len(acid) > 0 && len(metal) > 0 {
			fuels = append(fuels, needsOf(acid, metal)...)
		}
		if peroxide, catalyst := v.with(isPeroxide), v.with(isCatalyst); len(peroxide) > 0 && len(catalyst) > 0 {
			oxygen = append(oxygen, needsOf(peroxide, catalyst)...)
		}
	}
	for i := range j.d.Needs {
		n := &j.d.Needs[i]
		m, ok := j.l.Material(n.Material)
		if !ok || n.Kind == design.ObjectNeed {
			continue
		}
		cleaner := slices.Contains(byID["cleaners"].Clauses[0].Materials, m.ID)
		switch {
		case m.ID == "candle":
			flame = true
			flames = append(flames, n)
		case m.Has("flammable") && m.Liquid():
			fuels = append(fuels, n)
		case m.Has("dust") && m.Shelf == "salts-sugars-powders":
			dusts = append(dusts, n)
		}
		if cleaner {
			cleaners = append(cleaners, n)
		}
		if isAcid(m) || isPeroxide(m) || m.Has("alcohol") || m.Has("corrosive") || cleaner {
			others = append(others, n)
		}
	}
	var lit, thrown []string
	for _, s := range j.d.Steps {
		for _, a := range s.Actions {
			switch a {
			case "light", "flame":
				flame = true
				lit = append(lit, s.ID)
			case "heat", "melt-wax", "hot-oil", "hot-syrup", "deep-fry":
				hot = true
				lit = append(lit, s.ID)
			case "throw-powder":
				thrown = append(thrown, s.ID)
			case "spray-can", "electrolyse":
				fuels = append(fuels, nil)
			}
		}
	}
	if (flame || hot) && len(fuels) > 0 {
		j.say(named("flame-flammable", "any"), lit, real(append(flames, fuels...)), "", nil)
	}
	if flame && len(oxygen) > 0 {
		j.say(named("flame-flammable", "oxygen"), lit, append(flames, oxygen...), "", nil)
	}
	if flame && (len(dusts) > 0 || len(thrown) > 0) {
		j.say(named("flame-dust", "any"), append(lit, thrown...), real(append(flames, dusts...)), "", nil)
	}
	if len(cleaners) > 0 && len(others) > 1 {
		j.say(named("mix-cleaners", "any"), nil, others, "", nil)
	}
}

func real(needs []*design.Need) []*design.Need {
	return slices.DeleteFunc(slices.Clone(needs), func(n *design.Need) bool { return n == nil })
}

// food reports whether everything in the design is food and clean, so that
// tasting is part of the work.
func (j *judge) food() bool {
	for i := range j.d.Needs {
		n := &j.d.Needs[i]
		m, ok := j.l.Material(n.Material)
		if n.Kind == design.MaterialNeed || n.Kind == "" {
			if !ok {
				return false
			}
		} else {
			continue
		}
		if isStuff(m) && (m.Refused || m.Own || slices.ContainsFunc(notFood, m.Has) || slices.Contains([]string{"acids", "carbonates-alkalis", "peroxide-iodine"}, m.Shelf) && !isJuice(m)) {
			return false
		}
	}
	return true
}

func isJuice(m *larder.Material) bool {
	return slices.Contains([]string{"lemon-juice-fresh", "lemon-juice-bottled", "lime-juice", "orange-juice"}, m.ID)
}

var notFood = []string{"toxic-if-eaten", "medicine", "alcohol", "germs", "corrosive", "oxidiser", "animal-handling", "flammable", "adult-near", "adult-does", "aspiration"}
