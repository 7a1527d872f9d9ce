package safety

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
)

// vessel is one vessel and what happens to it, step by step. What is used in
// steps that name no vessel is judged as put together in one.
type vessel struct {
	need     *design.Need // nil where the steps name none
	material *larder.Material
	holds    []content // all that was ever in it
	steps    []string  // ids of the steps in it
	states   []state
}

type content struct {
	need     *design.Need
	material *larder.Material
	step     int // where it went in
}

// state is a vessel at the end of one step.
type state struct {
	step   int
	holds  []content
	closed bool
	heated bool // in this step, from outside
	kinds  mask // of all it holds
}

// makesGas reports whether what is in the vessel can make gas.
func (s *state) makesGas() bool {
	for _, pair := range gasPairs {
		if s.kinds&pair == pair {
			return true
		}
	}
	return false
}

var gasPairs = []mask{
	maskOf([]string{"acid", "carbonate"}),
	maskOf([]string{"peroxide"}),
	maskOf([]string{"yeast", "yeast-food"}),
	maskOf([]string{"acid", "reactive-metal"}),
	maskOf([]string{"fizzy"}),
}

var (
	mixing = []string{
		"pour",
		"stir",
		"mix",
		"dissolve",
		"dilute",
		"fizz",
		"seal",
		"soak",
		"put",
		"launch",
		"electrolyse",
		"decant",
		"inflate",
		"store-closed",
	}
	heating = []string{"heat", "melt-wax", "hot-oil", "hot-syrup", "deep-fry", "microwave", "microwave-sealed"}
	closing = []string{"seal", "store-closed", "microwave-sealed", "close-dry-ice"}
	empties = []string{"empty", "drain", "clear-leftover"}
)

func closes(s *design.Step) bool { return s.Closed || does(s, closing...) }

// walk follows the contents of vessels through the steps.
type walk struct {
	*judge
	vessels []vessel
	at      map[string]int // vessel by the id of its need; "" for the one without a name
	now     map[string][]content
	shut    map[string]bool
	hand    string // the vessel last worked with
}

// fill follows the steps: a closing step without a vessel closes the one at
// hand, pouring moves contents, tipping one cup into another joins them, and
// what was put in stays until it is emptied.
func (j *judge) fill() []vessel {
	w := &walk{judge: j, at: map[string]int{}, now: map[string][]content{}, shut: map[string]bool{}}
	for i := range j.d.Steps {
		w.step(i)
	}
	return w.vessels
}

func (w *walk) step(i int) {
	s := &w.d.Steps[i]
	heats := does(s, heating...)
	if s.In == "" && !s.Closed && !heats && !does(s, mixing...) && !does(s, empties...) {
		return
	}
	stuff, others := w.used(s, i)
	into := []string{s.In}
	if s.In == "" {
		into = w.unnamed(s, stuff, others, heats)
	}
	moved := stuff
	for _, other := range others {
		moved = join(moved, w.now[other])
	}
	if len(into) > 1 || slices.Equal(into, others) { // tipped together: each holds all
		for _, key := range into {
			moved = join(moved, w.now[key])
		}
	} else {
		for _, other := range others {
			if other != into[0] {
				w.now[other] = nil // poured out
			}
		}
	}
	for _, key := range into {
		w.put(key, i, moved, heats)
	}
}

// put puts what is moved in a step into a vessel, and notes how it then is.
func (w *walk) put(key string, i int, moved []content, heats bool) {
	s := &w.d.Steps[i]
	v := w.vessel(key, s)
	added := false
	for _, c := range moved {
		if !holdsNeed(w.now[key], c.need) {
			w.now[key], added = append(slices.Clone(w.now[key]), c), true
		}
		if !holdsNeed(v.holds, c.need) {
			v.holds = append(v.holds, content{c.need, c.material, i})
		}
	}
	switch {
	case closes(s):
		w.shut[key] = true
	case added || does(s, "open") || does(s, empties...):
		w.shut[key] = false
	}
	if does(s, empties...) {
		w.now[key] = nil
	}
	if !slices.Contains(v.steps, s.ID) {
		v.steps = append(v.steps, s.ID)
	}
	st := state{step: i, holds: w.now[key], closed: w.shut[key], heated: heats}
	for _, c := range st.holds {
		st.kinds |= w.kindsOf(c.material)
	}
	v.states = append(v.states, st)
	w.hand = key
}

// used is what a step puts in, and which vessels it uses beside its own.
func (w *walk) used(s *design.Step, i int) (stuff []content, others []string) {
	for _, u := range s.Uses {
		n, ok := w.d.Need(u)
		if !ok || u == s.In {
			continue
		}
		if _, vessel := w.at[u]; vessel {
			others = append(others, u)
			continue
		}
		if m, known := w.material(n); known && isStuff(m) && !holdsNeed(stuff, n) {
			stuff = append(stuff, content{n, m, i})
		}
	}
	return stuff, others
}

// unnamed is where things go in a step that names no vessel: into vessels that
// it uses; a bag or a popping pot among the things used; the vessel at hand
// when it is only closed or heated; else into one without a name.
func (w *walk) unnamed(s *design.Step, stuff []content, others []string, heats bool) []string {
	if len(others) > 0 {
		return others
	}
	for _, u := range s.Uses {
		if n, ok := w.d.Need(u); ok {
			if m, known := w.material(n); known && (isBag(m) || pops(m)) {
				return []string{u}
			}
		}
	}
	_, open := w.at[w.hand]
	if open && (closes(s) || heats && len(stuff) == 0 || does(s, empties...)) {
		return []string{w.hand}
	}
	return []string{""}
}

func (w *walk) vessel(key string, s *design.Step) *vessel {
	k, ok := w.at[key]
	if !ok {
		k = len(w.vessels)
		w.at[key] = k
		v := vessel{}
		if n, named := w.d.Need(key); named && key != "" {
			v.need = n
			v.material, _ = w.material(n)
		}
		w.vessels = append(w.vessels, v)
	}
	return &w.vessels[k]
}

func holdsNeed(contents []content, n *design.Need) bool {
	return slices.ContainsFunc(contents, func(c content) bool { return c.need == n })
}

func join(a, b []content) []content {
	out := slices.Clone(a)
	for _, c := range b {
		if !holdsNeed(out, c.need) {
			out = append(out, c)
		}
	}
	return out
}

// closed are the ids of the steps at which the vessel is closed.
func (j *judge) closed(v *vessel) []string {
	var out []string
	for _, s := range v.states {
		if id := j.d.Steps[s.step].ID; s.closed && !slices.Contains(out, id) {
			out = append(out, id)
		}
	}
	return out
}

// stepOf is a step of the design by its id; the design has it.
func (j *judge) stepOf(id string) *design.Step {
	i, _ := j.d.Step(id)
	return &j.d.Steps[i]
}

// handled is the stuff in hand in a step: what it uses, and what its vessel
// holds then.
func (j *judge) handled(s *design.Step) []content {
	var out []content
	for _, u := range s.Uses {
		if n, ok := j.d.Need(u); ok {
			if m, known := j.material(n); known {
				out = append(out, content{need: n, material: m})
			}
		}
	}
	for i := range j.vessels {
		for _, st := range j.vessels[i].states {
			if j.d.Steps[st.step].ID == s.ID {
				out = join(out, st.holds)
			}
		}
	}
	return out
}

func with(contents []content, test func(*larder.Material) bool) []content {
	var out []content
	for _, c := range contents {
		if test(c.material) {
			out = append(out, c)
		}
	}
	return out
}

func (v *vessel) with(test func(*larder.Material) bool) []content { return with(v.holds, test) }

func (v *vessel) has(test func(*larder.Material) bool) bool { return len(v.with(test)) > 0 }

// decanted reports whether stuff was moved into a named vessel from which it
// could be taken for something else: not a bag or a popping pot.
func (v *vessel) decanted() bool {
	return v.need != nil && v.has(func(m *larder.Material) bool { return m.Is("matter", "stuff") }) &&
		!isBag(v.material) &&
		!pops(v.material)
}

func needsOf(groups ...[]content) []*design.Need {
	var out []*design.Need
	for _, g := range groups {
		for _, c := range g {
			if !slices.Contains(out, c.need) {
				out = append(out, c.need)
			}
		}
	}
	return out
}

// gasFrom is what makes gas among contents; empty for none.
func gasFrom(contents []content) []content {
	acid, carbonate, peroxide := with(contents, isAcid), with(contents, isCarbonate), with(contents, isPeroxide)
	var out []content
	add := func(groups ...[]content) {
		for _, g := range groups {
			out = join(out, g)
		}
	}
	if len(acid) > 0 && len(carbonate) > 0 {
		add(acid, carbonate)
	}
	if len(peroxide) > 0 {
		add(peroxide, with(contents, isCatalyst)) // it gives off gas by itself, with a catalyst fast
	}
	if yeast, food := with(contents, isYeast), with(contents, isYeastFood); len(yeast) > 0 && len(food) > 0 {
		add(yeast, food)
	}
	if metal := with(contents, isReactive); len(metal) > 0 && len(acid) > 0 {
		add(acid, metal)
	}
	add(with(contents, isFizzy))
	return out
}

func (v *vessel) gasFrom() []content { return gasFrom(v.holds) }
