package safety

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
)

// mixtures judges what comes together in a vessel: the rules name what, and
// whether it is closed.
func (j *judge) mixtures() {
	for i := range j.vessels {
		v := &j.vessels[i]
		if v.decanted() && v.has(isUndrinkable) {
			j.say(named("decanted", ""), v.steps, nil, "decant", nil)
		}
		j.together(v)
		j.gas(v)
		j.foam(v)
	}
	for i := range j.d.Steps {
		s := &j.d.Steps[i]
		if s.Voltage != "" || slices.Contains(s.Actions, "electrolyse") {
			j.electrolysis(s)
		}
	}
	j.fire()
}

// together applies the clauses about contents to a vessel, with every step in
// which they are together in it. What met while it was open and is closed later
// meets the closed case there.
func (j *judge) together(v *vessel) {
	for i := range combinations {
		m := &combinations[i]
		var met []content
		var steps []string
		for k := range v.states {
			st := &v.states[k]
			if st.kinds&m.mask != m.mask || m.Vessel == "open" && st.closed || m.Vessel == "closed" && !st.closed {
				continue
			}
			steps = append(steps, j.d.Steps[st.step].ID)
			met = st.holds
			if k+1 == len(v.states) || len(v.states[k+1].holds) < len(met) { // before it is emptied
				j.meet(m, met, steps)
				met, steps = nil, nil
			}
		}
		j.meet(m, met, steps)
	}
	for k := range v.states {
		st := &v.states[k]
		if !st.closed || !st.heated || len(st.holds) == 0 {
			continue
		}
		s := &j.d.Steps[st.step]
		if does(s, "microwave", "microwave-sealed") {
			j.say(named("microwave", "sealed"), []string{s.ID}, needsOf(st.holds), "", nil)
		} else {
			j.say(named("gas-rigid-closed", "heated"), []string{s.ID}, needsOf(st.holds), "", nil)
		}
	}
}

// meet says what a combination says of contents, if more than one thing is
// meant.
func (j *judge) meet(m *combination, met []content, steps []string) {
	var groups [][]content
	for _, kind := range m.Together {
		groups = append(groups, with(met, kinds[kind]))
	}
	if needs := needsOf(groups...); len(steps) > 0 && len(needs) > 1 {
		j.say(m.hit, steps, needs, "", nil)
	}
}

// fire judges what is lit, and what burns among what: metal and fuel are not
// lit, and a burning thing that is put into a vessel smokes there.
func (j *judge) fire() {
	lit := false
	for i := range j.d.Steps {
		s := &j.d.Steps[i]
		hand := j.handled(s)
		lights := does(s, "light", "flame")
		if lights || does(s, "heat") {
			j.fireMakers(s, "metal", with(hand, burningMetal(lights)))
		}
		if lights {
			j.fireMakers(s, "fuel", with(hand, isLooseFuel))
		}
		if lit && s.In != "" && does(s, "put", "drop") && len(with(hand, hasFlame)) > 0 {
			j.say(named("smoke", ""), []string{s.ID}, nil, "smoke", nil)
		}
		lit = (lit || lights) && !does(s, "put-out")
	}
}

// fireMakers says of what is at hand in a step that it is not lit or heated.
func (j *judge) fireMakers(s *design.Step, name string, at []content) {
	if len(at) > 0 {
		j.say(named("fire-makers", name), []string{s.ID}, needsOf(at), "", nil)
	}
}

func hasFlame(m *larder.Material) bool { return m.Is("lights", "flame") }

// isLooseFuel reports whether a thing burns that is no light itself and closed by nothing.
func isLooseFuel(m *larder.Material) bool {
	return m.Is("fuel", "slow", "other") && !hasFlame(m) && !m.Is("closes", "open")
}

// burningMetal reports of a thing whether its metal gives off fumes in heat or, where it
// is lit, burns.
func burningMetal(lit bool) func(*larder.Material) bool {
	return func(m *larder.Material) bool {
		return lit && m.Is("metal", "magnesium") ||
			m.Is("metal", "zinc", "zinc-coated", "copper-on-zinc") && !hasFlame(m)
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
	for _, c := range j.handled(s) {
		with = append(with, c.need)
		mild = mild || c.material.Is("ions", "carbonate", "sulphate")
		bad = bad || c.material.Is("ions", "chloride", "other") || c.material.Is("metal", "stainless") ||
			c.material.Is("cell", "block-9v", "button", "lithium", "outlet") ||
			c.material.Is("source", "block-9v", "button", "lithium", "plug")
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
	there := map[string]presence{}
	j.thingsThere(there)
	j.gasesThere(there)
	for i := range j.d.Steps {
		s := &j.d.Steps[i]
		for _, a := range s.Actions {
			for _, kind := range brings[a] {
				there[kind] = there[kind].at(s.ID)
			}
		}
	}
	for _, e := range evenings {
		if all, here := together(there, e.Evening); here {
			j.say(e, all.steps, all.needs, "", nil)
		}
	}
	if p := there["cleaner"]; len(p.needs) > 1 {
		j.say(named("mix-cleaners", "two"), nil, p.needs, "", nil)
	}
}

// thingsThere adds what the needs bring into an evening by what they are.
func (j *judge) thingsThere(there map[string]presence) {
	for i := range j.d.Needs {
		n := &j.d.Needs[i]
		m, ok := j.material(n)
		if !ok {
			continue
		}
		for _, kind := range []string{"fuel", "dust", "cleaner", "no-cleaner"} {
			if kinds[kind](m) {
				there[kind] = there[kind].with(n)
			}
		}
		if m.Is("lights", "flame") {
			there["flame"], there["ignition"] = there["flame"].with(n), there["ignition"].with(n)
		}
		if m.Is("lights", "glows") {
			there["ignition"] = there["ignition"].with(n)
		}
	}
}

// gasesThere adds what comes off in vessels: hydrogen burns as well, and all burns faster
// in oxygen.
func (j *judge) gasesThere(there map[string]presence) {
	add := func(kind string, st *state, one, other func(*larder.Material) bool) {
		if a, b := with(st.holds, one), with(st.holds, other); len(a) > 0 && len(b) > 0 {
			there[kind] = there[kind].with(needsOf(a, b)...)
		}
	}
	for i := range j.vessels {
		for k := range j.vessels[i].states {
			st := &j.vessels[i].states[k]
			add("fuel", st, isAcid, isReactive)
			add("oxygen", st, isPeroxide, isCatalyst)
		}
	}
}

// together is all that is there of some kinds; it reports false where one is missing.
func together(there map[string]presence, of []string) (all presence, here bool) {
	for _, kind := range of {
		p, ok := there[kind]
		if !ok {
			return presence{}, false
		}
		all = all.with(p.needs...)
		for _, s := range p.steps {
			all = all.at(s)
		}
	}
	return all, true
}

// brings are what actions bring into an evening.
var brings = map[string][]string{
	"light":        {"flame", "ignition"},
	"flame":        {"flame", "ignition"},
	"heat":         {"ignition"},
	"melt-wax":     {"ignition"},
	"hot-oil":      {"ignition"},
	"hot-syrup":    {"ignition"},
	"deep-fry":     {"ignition"},
	"throw-powder": {"dust"},
	"spray-can":    {"fuel"},
	"electrolyse":  {"fuel"},
}

// presence is who and where something is in an evening.
type presence struct {
	needs []*design.Need
	steps []string
}

func (p presence) with(needs ...*design.Need) presence {
	for _, n := range needs {
		if !slices.Contains(p.needs, n) {
			p.needs = append(p.needs, n)
		}
	}
	return p
}

func (p presence) at(step string) presence {
	if !slices.Contains(p.steps, step) {
		p.steps = append(p.steps, step)
	}
	return p
}

// food reports whether everything in the design is food and clean, so that
// tasting is part of the work.
func (j *judge) food() bool {
	for i := range j.d.Needs {
		n := &j.d.Needs[i]
		m, ok := j.material(n)
		if !ok && (n.Kind == design.MaterialNeed || n.Kind == "" || n.Kind == design.ObjectNeed) ||
			ok && isStuff(m) && !isFood(m) {
			return false
		}
	}
	return true
}
