package sheets

import (
	"patient-kitchen/core/quantity"
)

// Measures writes a class's own measures beside the metric amounts of what its
// homes read. What it is given may be shared with other classes: it changes
// copies.
type Measures struct {
	system   quantity.System
	language string
}

// MeasuresOf are the measures of a unit system, in a language.
func MeasuresOf(system string, language string) Measures {
	return Measures{quantity.System(system), language}
}

// plain reports whether the class measures as sheets are written.
func (m Measures) plain() bool { return m.system != quantity.US }

func (m Measures) in(texts ...*string) {
	for _, t := range texts {
		*t = m.system.Beside(*t, m.language)
	}
}

// copied gives a copy of rows, each changed.
func copied[T any](rows []T, change func(*T)) []T {
	out := append(make([]T, 0, len(rows)), rows...)
	for i := range out {
		change(&out[i])
	}
	return out
}

func (m Measures) lines(texts []string) []string {
	return copied(texts, func(t *string) { m.in(t) })
}

func (m Measures) Sheet(s Sheet) Sheet {
	if m.plain() {
		return s
	}
	m.in(&s.Question, &s.Place, &s.Everyday, &s.Watching)
	s.KeepTo = m.lines(s.KeepTo)
	s.Conditions = copied(s.Conditions, func(r *ConditionRow) { m.in(&r.Name, &r.Description) })
	s.Objects = copied(s.Objects, func(r *ObjectRow) { r.Must = m.lines(r.Must); m.in(&r.Never) })
	s.Needs = copied(s.Needs, func(r *NeedRow) {
		m.in(&r.Name, &r.Amount, &r.Must, &r.Note)
		r.Instead, r.Copies, r.Hints, r.Swaps = m.lines(r.Instead), m.lines(r.Copies), m.lines(r.Hints),
			m.swaps(r.Swaps)
	})
	s.Steps = copied(s.Steps, func(r *StepRow) {
		m.in(&r.Title, &r.Text, &r.Simple, &r.Deeper, &r.See, &r.Meanwhile, &r.AdultWhy)
		if r.Rest != nil {
			rest := *r.Rest
			m.in(&rest.Keep, &rest.ThrowAway, &rest.NeededAgain)
			r.Rest = &rest
		}
		r.Cautions, r.Before, r.After = m.lines(r.Cautions), m.lines(r.Before), m.lines(r.After)
	})
	s.Readings = copied(s.Readings, func(r *ReadingRow) { m.in(&r.Guidance) })
	s.Evidence = copied(s.Evidence, func(r *EvidenceRow) { m.in(&r.MustShow) })
	s.Printables = copied(s.Printables, func(r *PrintableRow) { m.in(&r.ByHand) })
	s.Mistakes = copied(s.Mistakes, func(r *MistakeRow) { m.in(&r.See, &r.Cause, &r.Mend) })
	s.Facts = copied(s.Facts, func(r *FactRow) { m.in(&r.Ask, &r.Do) })
	s.SafetyPart = m.safety(s.SafetyPart)
	return s
}

func (m Measures) swaps(rows []PrintedSwap) []PrintedSwap {
	return copied(rows, func(r *PrintedSwap) {
		m.in(&r.Name, &r.Amount, &r.Acid)
		r.Cautions = m.lines(r.Cautions)
	})
}

func (m Measures) safety(p SafetyPart) SafetyPart {
	p.Sections = copied(p.Sections, func(s *SheetSection) {
		s.Lines = copied(s.Lines, func(l *SheetLine) { m.in(&l.Strong, &l.Why, &l.Text) })
	})
	p.AdultJobs = copied(p.AdultJobs, func(j *AdultJobRow) { m.in(&j.Title, &j.Why, &j.Do) })
	p.Cautions = copied(p.Cautions, func(c *CautionRow) { m.in(&c.Why, &c.Do) })
	for _, texts := range []*[]string{&p.Gear, &p.Where, &p.Before, &p.Stop, &p.Clearing, &p.Lowered, &p.General} {
		*texts = m.lines(*texts)
	}
	return p
}

func (m Measures) Printed(p Printed) Printed {
	if m.plain() {
		return p
	}
	m.in(&p.Question, &p.Place)
	p.Items = copied(p.Items, func(i *PrintedItem) { m.in(&i.Name, &i.Amount, &i.Must, &i.Note) })
	p.Swaps = copied(p.Swaps, func(s *PrintedSwaps) {
		m.in(&s.Name, &s.Amount)
		s.Instead, s.Swaps = m.lines(s.Instead), m.swaps(s.Swaps)
	})
	p.Safety, p.Watch, p.Work = m.safety(p.Safety), m.Sheet(p.Watch), m.Sheet(p.Work)
	return p
}
