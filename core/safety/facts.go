package safety

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/text"
)

// Fact is something about a home that would raise what a design needs there:
// who lives in it, what is avoided, what is missing. A home is asked only about
// those that change something, and a step that one could raise stays closed
// until it is answered.
type Fact struct {
	ID     string
	Raises string // the answer that raises, "yes" or "no"
	Name   text.Message
	Ask    text.Message
	Do     text.Message
	Steps  []FactStep
}

// FactStep is a step that a fact raises, and what it is raised to.
type FactStep struct {
	Step    string
	Verdict Verdict
}

// Facts are the facts that would raise a design, in a fixed order.
func Facts(d *design.Document, l *larder.Larder) []Fact {
	j := newJudge(d, l, nil)
	return j.facts(j.findings())
}

// RaisedBy are the steps that the known facts of a home raise. Known holds
// "yes" or "no" by fact.
func RaisedBy(facts []Fact, known map[string]string) []FactStep {
	var out []FactStep
	for _, f := range facts {
		if known[f.ID] == f.Raises {
			out = append(out, f.Steps...)
		}
	}
	return out
}

// calm is a home in which nothing raises anything.
func calm() kitchen.People {
	yes, no := true, false
	return kitchen.People{
		Adult:    &yes,
		Under4:   &no,
		Under6:   &no,
		Pet:      &no,
		Asthma:   &no,
		Goggles:  &yes,
		Answered: true,
		Covered:  true,
	}
}

// homeFact is a fact beside what is avoided, with the home that has it.
type homeFact struct {
	id, raises string
	set        func(*kitchen.People, *bool)
}

var homeFacts = []homeFact{
	{"under-6", "yes", func(p *kitchen.People, yes *bool) { p.Under6 = yes }},
	{"under-4", "yes", func(p *kitchen.People, yes *bool) { p.Under4 = yes }},
	{"within-reach", "yes", func(p *kitchen.People, yes *bool) { p.Pet, p.Covered = yes, false }},
	{"weak-lungs", "yes", func(p *kitchen.People, yes *bool) { p.Asthma = yes }},
	{"goggles", "no", func(p *kitchen.People, yes *bool) { no := !*yes; p.Goggles = &no }},
}

// allergenFact stands before the allergen in the id of the fact that it is avoided.
const allergenFact = "allergen-"

// facts tries each fact on what was found without any.
func (j *judge) facts(found []Hazard) []Fact {
	base := map[string]Verdict{}
	for _, s := range j.d.Steps {
		base[s.ID] = Care
	}
	for _, f := range found {
		for _, s := range f.Steps {
			if f.Verdict.Worse(base[s]) {
				base[s] = f.Verdict
			}
		}
	}
	var out []Fact
	add := func(f Fact, p kitchen.People, but []FactStep) []FactStep {
		for _, s := range j.raised(found, base, p) {
			if !slices.Contains(but, s) {
				f.Steps = append(f.Steps, s)
			}
		}
		if len(f.Steps) > 0 {
			out = append(out, f)
		}
		return f.Steps
	}
	yes := true
	var under6 []FactStep
	for _, h := range homeFacts {
		p := calm()
		h.set(&p, &yes)
		f := factOf(h.id, h.id, h.raises, nil)
		switch h.id {
		case "under-6":
			under6 = add(f, p, nil)
		case "under-4": // a child under 4 is under 6, and was asked for
			add(f, p, under6)
		default:
			add(f, p, nil)
		}
	}
	for _, a := range j.avoidable() {
		p := calm()
		p.Allergens = []string{a}
		add(Avoided(a), p, nil)
	}
	return out
}

// Avoided is the fact that somebody in a home avoids an allergen, without the steps that
// it raises.
func Avoided(allergen string) Fact {
	return factOf(allergenFact+allergen, "allergen", "yes", text.Args{"allergens": allergenNames([]string{allergen})})
}

func factOf(id, words, raises string, args text.Args) Fact {
	say := func(what string) text.Message {
		return text.Message{ID: "safety.fact." + words + "." + what, Args: args}
	}
	return Fact{ID: id, Raises: raises, Name: say("name"), Ask: say("ask"), Do: say("do")}
}

// raised are the steps whose verdict a home raises above what it is for
// everybody.
func (j *judge) raised(found []Hazard, base map[string]Verdict, p kitchen.People) []FactStep {
	k := *j
	k.home, k.out, k.at = &p, slices.Clone(found), make([]int, len(found))
	k.atHome()
	var out []FactStep
	for _, s := range j.d.Steps {
		worst := base[s.ID]
		for _, h := range k.out[len(found):] {
			if slices.Contains(h.Steps, s.ID) && h.Verdict.Worse(worst) {
				worst = h.Verdict
			}
		}
		if worst != base[s.ID] {
			out = append(out, FactStep{s.ID, worst})
		}
	}
	return out
}

// avoidable are the allergens that the needs hold or may hold.
func (j *judge) avoidable() []string {
	var out []string
	for i := range j.d.Needs {
		if m, ok := j.material(&j.d.Needs[i]); ok {
			out = append(out, m.Allergens()...)
		}
	}
	slices.Sort(out)
	return slices.Compact(out)
}
