package safety

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/lexicon"
	"patient-kitchen/core/text"
)

// settled reports whether a concept is ticked in its step (or anywhere, for a
// text of the whole design) or its thing is listed.
func (j *judge) settled(c *lexicon.Concept, step int, words, lang string) bool {
	for i := range j.d.Steps {
		if (step < 0 || i == step) && does(&j.d.Steps[i], c.Settled...) {
			return true
		}
	}
	if step >= 0 && slices.Contains(c.Settled, "heat") && j.d.Steps[step].Heat != "" {
		return true
	}
	listed := slices.Contains(c.Settled, "listed")
	meant := j.l.Meant(words, lang)
	for i := range j.d.Needs {
		m, ok := j.material(&j.d.Needs[i])
		if !ok {
			continue
		}
		if slices.Contains(c.Settled, m.ID) || (listed || c.Thing) && slices.Contains(meant, m) || j.leadsTo(c, m) {
			return true
		}
	}
	return false
}

// leadsTo reports whether a concept leads to things of the class of this one.
func (j *judge) leadsTo(c *lexicon.Concept, m *larder.Material) bool {
	return slices.ContainsFunc(c.Leads, func(lead string) bool {
		id, thing := strings.CutPrefix(lead, "+")
		known, ok := j.l.Material(id)
		return thing && ok && sameClass(m, known)
	})
}

// classes are the properties by which two things are of one class: what one of
// them leads to, the other has led to by being listed.
var classes = []string{
	"oxidiser",
	"fuel",
	"lights",
	"magnet",
	"cell",
	"cleaner",
	"swells",
	"warms",
	"cold",
	"organism",
	"poison",
}

func sameClass(a, b *larder.Material) bool {
	return a == b || slices.ContainsFunc(classes, func(p string) bool {
		v := a.Props[p]
		return v != "" && v != "no" && v != "none" && v == b.Props[p]
	})
}

// leastSaid is how many letters a reason needs for "it means something else":
// none for what asks for care or an adult near, ten where an adult does it,
// twenty where it is kept from homes; what is almost sure and never for homes
// takes none at all.
func leastSaid(f Hazard, sure bool) int {
	switch {
	case f.Absolute && sure:
		return -1
	case f.Verdict == NotAtHome:
		return 20
	case f.Verdict == AdultDoes:
		return 10
	}
	return 0
}

// answered reports whether the teacher's answer to a question holds.
func (j *judge) answered(s *Said, least int) bool {
	return slices.ContainsFunc(j.d.Heard, func(h design.Heard) bool {
		if h.Key != s.Key || least < 0 && h.Answer != "teacher" {
			return false
		}
		if h.Answer == "teacher" {
			return j.d.Way == design.WatchShared
		}
		return h.Answer == "other" && len([]rune(strings.TrimSpace(h.Reason))) >= least
	})
}

// ticked is the clause that a step falls under if an action is ticked there.
func (j *judge) ticked(step, action string) hit {
	h := byAction[action]
	i, ok := j.d.Step(step)
	if !ok || h.rule == nil || action == "taste" { // what is tasted need not be on the list
		return h
	}
	s := j.d.Steps[i]
	s.Actions = []string{action}
	k := *j
	k.out, k.at, k.missing = nil, nil, nil
	k.step(&s)
	for _, f := range k.out {
		if c := clauseOf(f.Rule, f.Case); f.Action == action && (graver(c, h.clause, j.band) || f.Rule == h.ID) {
			h = named(f.Rule, f.Case)
		}
	}
	return h
}

// asFinding is a clause as a question about a step.
func (j *judge) asFinding(h hit, step string) Hazard {
	if step == "" && len(j.d.Steps) > 0 {
		step = j.d.Steps[0].ID
	}
	f := Hazard{
		Rule:     h.ID,
		Case:     h.Name,
		Verdict:  h.Verdict.at[j.band],
		Absolute: h.Verdict.absolute,
		Gear:     h.Gear,
		Aid:      h.Aid,
		Asks:     true,
	}
	if step != "" {
		f.Steps = []string{step}
	}
	args := text.Args{"thing": text.Message{ID: "safety.it"}, "action": ""}
	f.Why, f.Do = words(h.ID, h.Name, "why", args), words(h.ID, h.Name, "do", args)
	return f
}

// closing judges a step as if its vessel were closed: a lid on dry beans
// changes nothing, one on a fizz does.
func (j *judge) closing(step, action string) (Hazard, int, bool) {
	i, ok := j.d.Step(step)
	if !ok || does(&j.d.Steps[i], closing...) || j.d.Steps[i].Closed {
		return Hazard{}, 0, false
	}
	if j.trial == nil { // one copy for all steps that are asked about: each is put back
		trial := *j.d
		trial.Heard, trial.Steps = nil, slices.Clone(j.d.Steps)
		j.trial = &trial
	}
	was := j.trial.Steps[i].Actions
	j.trial.Steps[i].Actions = append(slices.Clone(was), action)
	defer func() { j.trial.Steps[i].Actions = was }()
	shut := j.asIf(j.trial)
	shut.mixtures()
	if j.unshut == nil { // the same for every step that is asked about
		before := j.asIf(j.d)
		before.mixtures()
		j.unshut = map[string]bool{}
		for _, f := range before.out {
			j.unshut[f.key()] = true
		}
	}
	for k, f := range shut.out {
		if f.Verdict.Worse(Care) && !j.unshut[f.key()] {
			f.Asks = true
			return f, shut.at[k], true
		}
	}
	return Hazard{}, 0, false
}

// byItself is the gravest clause about a thing of the larder by itself.
func (j *judge) byItself(id string) (hit, bool) {
	m, ok := j.l.Material(id)
	if !ok {
		return hit{}, false
	}
	n := design.Need{ID: "thing", Kind: design.MaterialNeed, Material: id, Amount: "5 mL"}
	var best hit
	for i := range rules {
		for k := range rules[i].Clauses {
			c := &rules[i].Clauses[k]
			if ok, _ := j.speaksOf(c, &n, m); ok && (best.rule == nil || graver(c, best.clause, j.band)) {
				best = hit{&rules[i], c, i}
			}
		}
	}
	return best, best.rule != nil
}
