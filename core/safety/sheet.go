package safety

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// Briefing is what a guardian reads: the home safety sheet in its fixed order,
// before it has words.
type Briefing struct {
	Jobs     []Job
	Near     text.Message // what "near" means at this age
	Gear     []text.Message
	Where    []text.Message
	Before   []text.Message
	During   []Caution
	Stop     []text.Message
	Cards    []string // first-aid cards, those of this experiment first
	Clearing []text.Message
	Holds    *text.Message // allergens
	Lowered  []text.Message
	General  []text.Message
}

// Job is an adult job with its place in the procedure.
type Job struct {
	AdultJob
	Number  int // of the step, from 1
	Title   text.Localized
	Minutes int
}

// Caution is one thing that could hurt, with the steps it belongs to.
type Caution struct {
	Rule    string
	Why, Do text.Message
	Numbers []int
}

// BriefingOf gathers a design's report into the sheet. Everything on it follows
// from the findings; nothing is left out because it is everyday.
func BriefingOf(d *design.Document, r Report) Briefing {
	s := Briefing{
		Near:    text.Message{ID: "safety.near." + string(design.AgeBands[bandOf(d.AgeBand)])},
		Stop:    StopRules(r.Findings),
		Cards:   CardsFor(r.Findings),
		General: General(),
	}
	for _, job := range AdultJobs(d, r.Findings) {
		i, _ := d.Step(job.Step)
		seconds, ok := design.Seconds(d.Steps[i].Duration)
		if !ok {
			seconds = 120
		}
		s.Jobs = append(s.Jobs, Job{job, i + 1, d.Steps[i].Title, max(1, int(seconds/60+0.5))})
	}
	var allergens []string
	said := once{}
	for _, f := range r.Findings {
		if f.Verdict == NotAtHome && d.Way != design.WatchShared {
			continue
		}
		for _, g := range f.Gear {
			said.add(&s.Gear, "gear "+g, text.Message{ID: "safety.gear." + g})
		}
		if f.Rule == "allergen" {
			for _, a := range f.Allergens {
				if !slices.Contains(allergens, a) {
					allergens = append(allergens, a)
				}
			}
			continue
		}
		if f.Was != "" {
			s.Lowered = append(s.Lowered, f.Reason)
		}
		s.caution(d, f)
	}
	if len(allergens) > 0 {
		s.Holds = &text.Message{ID: "safety.holds", Args: text.Args{"allergens": allergenNames(allergens)}}
	}
	s.Clearing = slices.Clone(r.Clearing.Lines)
	for _, l := range r.Lines {
		if l.Kind == Added {
			s.line(l, said, len(r.Clearing.Lines) == 0)
		}
	}
	if d.Outdoors {
		s.Where = append(s.Where, text.Message{ID: "safety.order.place"})
	}
	return s
}

// once are the keys of what was said already.
type once map[string]bool

func (o once) add(list *[]text.Message, key string, m text.Message) {
	if !o[key] {
		o[key] = true
		*list = append(*list, m)
	}
}

// line puts an added line where it belongs: the place, before, clearing up.
func (s *Briefing) line(l Remark, said once, nothingToClear bool) {
	switch l.Rule {
	case "place-table":
		said.add(&s.Where, l.Rule, l.Message)
	case "clear-first":
		said.add(&s.Before, l.Rule, l.Message)
	case "leftover-none":
		if nothingToClear {
			said.add(&s.Clearing, l.Rule, l.Message)
		}
	case "finish", "gear-off":
		said.add(&s.Clearing, l.Rule, l.Message)
	}
}

// caution adds a finding; one rule and case is one caution with its steps.
func (s *Briefing) caution(d *design.Document, f Hazard) {
	var numbers []int
	for _, step := range f.Steps {
		if i, ok := d.Step(step); ok {
			numbers = append(numbers, i+1)
		}
	}
	for i := range s.During {
		c := &s.During[i]
		if c.Rule == f.Rule && f.Rule != "teacher" && c.Why.ID == f.Why.ID && c.Do.ID == f.Do.ID {
			for _, n := range numbers {
				if !slices.Contains(c.Numbers, n) {
					c.Numbers = append(c.Numbers, n)
				}
			}
			return
		}
	}
	s.During = append(s.During, Caution{f.Rule, f.Why, f.Do, numbers})
}

// StepLines are the lines that are added to one step by themselves, before
// and after it.
func StepLines(r Report, step string) (before, after []text.Message) {
	for _, l := range r.Lines {
		switch {
		case l.Kind != Added || l.Step != step:
		case l.After:
			after = append(after, l.Message)
		default:
			before = append(before, l.Message)
		}
	}
	return before, after
}
