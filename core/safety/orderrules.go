package safety

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// gear: on before the first hazardous thing is opened, off after clearing up.
func (o *order) gear() {
	seen, gear, first, must := o.worn()
	if first < 0 {
		return
	}
	args := text.Args{"gear": gear}
	switch {
	case o.lastDoing("gear-on", first) >= 0:
	case must:
		o.add("gear-first", OrderError, o.d.Steps[first].ID, args).Insert = true
	default:
		o.add("gear-first", Added, o.d.Steps[first].ID, args)
	}
	var off text.List // what is taken off in an order: gloves, then what covers the eyes
	if seen["gloves"] {
		off = append(off, text.Message{ID: "safety.off.gloves"})
	}
	if seen["goggles"] || seen["safety-goggles"] {
		off = append(off, text.Message{ID: "safety.off.goggles"})
	}
	if len(off) > 0 && o.lastDoing("gear-off", len(o.d.Steps)-1) < 0 {
		o.add("gear-off", Added, o.last().ID, text.Args{"gear": off}).After = true
	}
}

// worn is the gear that findings ask for, from which step on, and whether it has to be a
// step of its own.
func (o *order) worn() (seen map[string]bool, gear text.List, first int, must bool) {
	seen, first = map[string]bool{}, -1
	for i, s := range o.d.Steps {
		for _, f := range o.of[s.ID] {
			if f.Verdict == NotAtHome {
				continue
			}
			for _, g := range f.Gear {
				if !seen[g] {
					seen[g] = true
					gear = append(gear, text.Message{ID: "safety.gear." + g})
				}
			}
			if len(f.Gear) > 0 && first < 0 {
				first = i
			}
			must = must || wears(f) || f.Verdict != Care && len(f.Gear) > 0
		}
	}
	return seen, gear, first, must
}

// labels: names on the jars before they are filled, where two could be mixed
// up, one could be drunk, or they stand past the lesson.
func (o *order) labels() {
	first := slices.IndexFunc(o.d.Steps, func(s design.Step) bool { return does(&s, "decant", "stand") })
	jars, undrinkable := 0, false
	for _, v := range o.vessels {
		if !v.decanted() {
			continue
		}
		jars++
		undrinkable = undrinkable || v.has(isUndrinkable)
		for _, id := range v.steps {
			if i, ok := o.d.Step(id); ok && (first < 0 || i < first) {
				first = i
			}
		}
	}
	if first < 0 || jars < 2 && !undrinkable && !o.standsLong() {
		return
	}
	if o.lastDoing("label", first) < 0 {
		o.add("label-first", OrderError, o.d.Steps[first].ID, nil).Insert = true
	}
}

func (o *order) standsLong() bool {
	return slices.ContainsFunc(o.d.Steps, func(s design.Step) bool {
		if s.Wait == nil {
			return false
		}
		t, ok := design.Seconds(s.Wait.For)
		return ok && t > 3600
	})
}

// apart: reactants in a bag stay apart until it is closed.
func (o *order) apart() {
	for _, v := range o.vessels {
		if !isBag(v.material) || len(o.closed(&v)) == 0 {
			continue
		}
		makers := v.gasFrom()
		if len(makers) == 0 {
			continue
		}
		last := 0
		var things text.List
		for _, c := range makers {
			last = max(last, c.step)
			things = append(things, text.Message{ID: "safety.thing", Args: text.Args{"thing": c.need.Name}})
		}
		if o.lastDoing("keep-apart", last) < 0 {
			o.add("apart-until-closed", OrderError, o.d.Steps[last].ID, text.Args{"things": things}).Insert = true
		}
	}
}

// flame: all is ready before it is lit; while it burns nobody waits, works
// elsewhere or makes gas; it is put out before the next thing, and at the end.
func (o *order) flame() {
	lit := -1
	var at []string // what was in hand when it was lit
	for i := range o.d.Steps {
		s := &o.d.Steps[i]
		out := does(s, "put-out")
		switch {
		case lit < 0:
		case o.leaves(s, at, out) || o.makesGas(i):
			l := o.add("flame-last", OrderError, s.ID, nil)
			l.Insert = !out
			lit = -1 // said once a flame
		case out:
			lit = -1
		}
		if does(s, "light", "flame") {
			if lit >= 0 {
				at = append(at, s.Uses...)
			} else {
				at = append(slices.Clone(s.Uses), s.In)
			}
			if lit = i; out {
				lit = -1
			}
		}
	}
	if lit >= 0 {
		l := o.add("flame-out", OrderError, o.last().ID, nil)
		l.After, l.Insert = true, true
	}
}

// leaves reports whether a step turns away from a flame that burns: it begins
// with a wait, or works with what was not in hand when the flame was lit.
func (o *order) leaves(s *design.Step, at []string, out bool) bool {
	switch {
	case s.Wait != nil || s.Kind == "wait" || (s.Kind == "prepare" || s.Kind == "clear-up") && !out:
		return true
	case out || slices.ContainsFunc(at, func(id string) bool {
		return id != "" && (s.In == id || slices.Contains(s.Uses, id))
	}):
		return false
	}
	return len(s.Uses) > 0 || s.In != ""
}

// makesGas reports whether the last of what makes gas in a vessel comes
// together in a step.
func (o *order) makesGas(step int) bool {
	return slices.ContainsFunc(o.vessels, func(v vessel) bool {
		for i, st := range v.states {
			if st.step == step && st.makesGas() &&
				(i == 0 || len(gasFrom(v.states[i-1].holds)) < len(gasFrom(st.holds))) {
				return true
			}
		}
		return false
	})
}

// does reports whether a step has one of some actions.
func does(s *design.Step, actions ...string) bool {
	return slices.ContainsFunc(s.Actions, func(a string) bool { return slices.Contains(actions, a) })
}

// dilution: water first, then the acid.
func (o *order) dilution() {
	for i, s := range o.d.Steps {
		if !slices.Contains(s.Actions, "dilute") {
			continue
		}
		acid := slices.ContainsFunc(s.Uses, func(u string) bool {
			n, ok := o.d.Need(u)
			if !ok {
				return false
			}
			m, known := o.material(n)
			return !known && n.Kind != design.ObjectNeed || known && isAcid(m)
		})
		if acid && o.lastDoing("water-first", i) < 0 {
			o.add("acid-to-water", OrderError, s.ID, nil).Insert = true
		}
	}
}

// cooling: hot things cool before they are weighed, carried or handed over.
func (o *order) cooling() {
	hot := false
	for _, s := range o.d.Steps {
		if slices.Contains(s.Actions, "cool") || s.Wait != nil || s.Kind == "wait" {
			hot = false
		}
		moves := slices.ContainsFunc(
			s.Actions,
			func(a string) bool { return a == "weigh" || a == "carry" || a == "hand-over" },
		)
		if hot && moves {
			o.add("cool-first", OrderError, s.ID, nil).Insert = true
			return
		}
		if t, ok := celsius(s.Heat); ok && t > 45 ||
			!ok &&
				slices.ContainsFunc(
					s.Actions,
					func(a string) bool { return a == "heat" || a == "hot-water" || a == "microwave" },
				) {
			hot = true
		}
	}
}

// before: a reading called before is taken before one called after.
func (o *order) before() {
	first := -1
	for i, s := range o.d.Steps {
		for _, t := range s.Takes {
			switch name := strings.ToLower(t.Reading); {
			case strings.Contains(name, "before") && first < 0:
				first = i
			case strings.Contains(name, "after") && first < 0 && slices.ContainsFunc(o.d.Readings,
				func(r design.Reading) bool {
					return strings.Contains(r.ID, "before")
				}):
				o.add("measure-before", OrderError, s.ID, nil)
				return
			}
		}
	}
}

func (o *order) waiting() {
	for _, f := range o.findings {
		switch f.Rule {
		case "gas-flexible", "peroxide-catalyst":
			o.add("no-second-dose", Added, f.Steps[0], nil).After = true
		case "launcher":
			o.add("no-second-dose", Added, f.Steps[0], nil).After = true
			o.add("misfire", Added, f.Steps[0], nil).After = true
		}
	}
	for _, s := range o.d.Steps {
		if slices.Contains(s.Actions, "two-people") {
			o.add("spare-hands", Added, s.ID, nil)
		}
	}
}

func (o *order) blades() {
	last := -1
	for i, s := range o.d.Steps {
		if slices.ContainsFunc(
			o.of[s.ID],
			func(f Hazard) bool { return f.Rule == "blade" || f.Rule == "scissors-pin" },
		) {
			last = i
		}
	}
	if last >= 0 &&
		!slices.ContainsFunc(
			o.d.Steps[last:],
			func(s design.Step) bool { return slices.Contains(s.Actions, "put-away") },
		) {
		o.add("blades-away", Added, o.d.Steps[last].ID, nil).After = true
	}
}

func (o *order) adults() {
	jobs := AdultJobs(o.d, o.findings)
	var at []int
	for _, job := range jobs {
		i, _ := o.d.Step(job.Step)
		at = append(at, i)
		o.add("interrupt", Added, job.Step, nil)
	}
	if len(at) > 1 && at[len(at)-1]-at[0] > len(at)-1 {
		o.add("adult-block", Suggestion, jobs[0].Step, nil)
	}
}

func (o *order) amounts() {
	for _, m := range o.missing {
		if m.heat {
			o.add("heat-missing", OrderError, m.step, nil)
			continue
		}
		n, _ := o.d.Need(m.need)
		l := o.add("amount-missing", OrderError, m.step, text.Args{"thing": n.Name})
		l.Need = n.ID
	}
}

func (o *order) place() {
	for _, f := range o.findings {
		if f.Rule == "launcher" && !o.d.Outdoors {
			o.add("place", OrderError, f.Steps[0], nil)
			return
		}
	}
	if !o.d.Outdoors {
		o.add("place-table", Added, o.d.Steps[0].ID, nil)
	}
}

// leftover is what remains at the end: what can still hurt needs a clearing
// step of its own.
func (o *order) leftover() {
	var things text.List
	for _, v := range o.vessels {
		for _, c := range v.holds {
			if remains(c.material) {
				things = append(things, text.Message{ID: "safety.thing", Args: text.Args{"thing": c.need.Name}})
			}
		}
	}
	for i := range o.vessels {
		o.leftOf(&o.vessels[i])
	}
	clears := slices.ContainsFunc(o.d.Steps, func(s design.Step) bool {
		return slices.Contains(s.Actions, "clear-leftover") || s.Kind == "clear-up"
	})
	switch {
	case len(things) > 0 && !clears:
		l := o.add("leftover", OrderError, o.last().ID, text.Args{"things": things})
		l.After, l.Insert = true, true
	case len(things) == 0 && len(o.vessels) > 0:
		o.add("leftover-none", Added, o.last().ID, nil).After = true
	}
}

// leftOf works out what a fizz leaves in its vessel, of one acid and one
// carbonate with their amounts known: whichever there is too much of.
func (o *order) leftOf(v *vessel) {
	acids, carbonates := v.with(isAcid), v.with(isCarbonate)
	if len(acids) != 1 || len(carbonates) != 1 {
		return
	}
	if _, ok := o.perRun(acids[0].need); !ok {
		return
	}
	if _, ok := o.perRun(carbonates[0].need); !ok {
		return
	}
	out, ok := o.fizz(acids[0], carbonates[0], 1, false)
	if !ok {
		return
	}
	soda, _ := out["leftover_carbonate"].Value.(float64)
	acid, _ := out["leftover_acid"].Value.(float64)
	last := v.steps[len(v.steps)-1]
	switch {
	case soda > 0.05:
		o.add("left-soda", Added, last, text.Args{"amount": quantity.Quantity{Value: soda, Unit: quantity.MustUnit("g"),
			U: soda / 10}.Bare(), "thing": carbonates[0].need.Name}).After = true
	case acid > 0.0005:
		o.add("left-acid", Added, last, text.Args{"thing": acids[0].need.Name}).After = true
	default:
		o.add("left-none", Added, last, nil).After = true
	}
}
