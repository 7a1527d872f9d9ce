package sentence

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// reading puts what is asked into the design: a reading of this name, made where there
// is none, and taken in this step.
func (t *taker) reading(all []Piece, p Piece) {
	r, known := t.readingOf(p)
	if !known && t.asksAlready(all, p.Sort) {
		return
	}
	if !known || t.taken(r.ID) {
		if t.tiedReading(p) {
			return // the words of another language asked it
		}
		made := t.madeReading(p)
		if known { // the same words in a later step ask again
			made.Name[t.lang] = text.Render(text.M("sentence.again", "name", text.Raw(made.Name[t.lang])), t.lang)
		}
		t.d.Readings = append(slices.Clone(t.d.Readings), made)
		r = made
	}
	s := t.step()
	if !slices.ContainsFunc(s.Takes, func(k design.Take) bool { return k.Reading == r.ID }) {
		s.Takes = append(slices.Clone(s.Takes), design.Take{Reading: r.ID})
	}
	t.d.Readings = slices.Clone(t.d.Readings)
	own, _ := t.d.Reading(r.ID)
	for _, q := range all {
		timed(own, q)
	}
}

// timed gives a reading the times, or the limit of an event, that its sentence says. Times
// of the day are the calendar's.
func timed(r *design.Reading, p Piece) {
	switch p.Kind {
	case Times:
		if len(r.Times) == 0 && len(p.Values) > 0 && !strings.Contains(p.Values[0], ":") {
			r.Times = slices.Clone(p.Values)
		}
	case Limit:
		if r.Sort() == design.EventKind && r.NotBy == "" {
			r.NotBy = p.Value
		}
	}
}

// asksAlready reports whether the step takes as many readings of a kind as its text has:
// what the words ask was put in by hand, under another name.
func (t *taker) asksAlready(all []Piece, sort design.ReadingKind) bool {
	asked, taken := 0, 0
	for _, p := range all {
		if p.Kind == Reading && p.Sort == sort {
			asked++
		}
	}
	for _, k := range t.step().Takes {
		if r, ok := t.d.Reading(k.Reading); ok && r.Sort() == sort && r.Name[t.lang] != "" {
			taken++
		}
	}
	return taken >= asked
}

// taken reports whether another step takes all of a reading, so that this one cannot.
func (t *taker) taken(reading string) bool {
	for i, s := range t.d.Steps {
		if i != t.at && slices.Contains(s.Takes, design.Take{Reading: reading}) {
			return true
		}
	}
	return false
}

// readingOf is the reading of the design that a piece asks for.
func (t *taker) readingOf(p Piece) (design.Reading, bool) {
	again := fold(text.Render(text.M("sentence.again", "name", text.Raw(bare(p.Name, t.lang))), t.lang))
	for _, r := range t.d.Readings {
		own := slices.ContainsFunc(t.step().Takes, func(k design.Take) bool { return k.Reading == r.ID })
		if r.Sort() == p.Sort && own && fold(r.Name[t.lang]) == again {
			return r, true
		}
	}
	for _, r := range t.d.Readings {
		if r.Sort() != p.Sort {
			continue
		}
		name := fold(bare(p.Name, t.lang))
		if fold(r.Name[t.lang]) == name || name != "" && !strings.Contains(name, " ") && r.Symbol == symbolOf(p.Name,
			t.lang) {
			return r, true
		}
	}
	return design.Reading{}, false
}

// madeReading is the reading that a piece makes.
func (t *taker) madeReading(p Piece) design.Reading {
	name := nameOf(p, t.lang)
	taken := func(id string) bool { _, ok := t.d.Reading(id); return ok }
	r := design.Reading{ID: fresh(name, "reading", taken), Name: text.Localized{t.lang: name}}
	if p.Sort != design.QuantityKind {
		r.Kind = p.Sort
	}
	lanes := len(t.d.Conditions) > 1
	if lanes && p.Sort != design.OrderKind && p.Sort != design.ChoiceKind {
		r.Per = []design.PartOf{design.Conditions}
	}
	switch p.Sort {
	case design.QuantityKind:
		r.Unit = p.Unit
		for _, tool := range tools {
			if tool.Unit == p.Unit {
				r.Instruments = []design.Instrument{{ID: tool.ID, Name: tool.Name, Resolution: tool.Resolution,
					Analogue: tool.Analogue}}
			}
		}
	case design.OrdinalKind:
		r.Levels, r.Most = scales["degree"], ""
		if v := vocabularies[text.Of(t.lang).Code]; v != nil && slices.ContainsFunc(v.lists["amounts-left"],
			func(w []string) bool {
				return strings.HasPrefix(fold(p.Name), strings.Join(w, " "))
			}) {
			r.Levels, r.Most = scales["left"], "first"
		}
	case design.ChoiceKind:
		for _, c := range t.d.Conditions {
			r.Options = append(r.Options, design.Choice{ID: c.ID, Word: c.Name})
		}
		r.NotSure = true
	}
	return t.numbered(r, name)
}

// numbered is a reading with its name for formulas, where it is a number.
func (t *taker) numbered(r design.Reading, name string) design.Reading {
	if r.Sort() == design.PositionKind {
		r.Place = r.Placed()
		r.Unit = r.Place.Unit()
	}
	if r.Numeric() {
		r.Symbol = symbolOf(name, t.lang)
		for slices.ContainsFunc(t.d.Readings, func(x design.Reading) bool { return x.Symbol == r.Symbol }) {
			r.Symbol += "_2"
		}
	}
	return r
}

// symbolOf is a name for formulas: the first word of a name that is no article.
func symbolOf(name, language string) string {
	id := fresh(bare(name, language), "value", func(string) bool { return false })
	word, _, _ := strings.Cut(id, "-")
	return word
}

// unread takes a reading out of the step, and away where nothing else asks for it and it
// still is as it was made.
func (t *taker) unread(p Piece) {
	r, ok := t.readingOf(p)
	if !ok {
		return
	}
	if t.elsewhere(func(o *taker, q Piece) bool {
		other, ok := o.readingOf(q)
		return q.Kind == Reading && ok && other.ID == r.ID
	}) {
		return
	}
	s := t.step()
	s.Takes = slices.DeleteFunc(slices.Clone(s.Takes), func(k design.Take) bool { return k.Reading == r.ID })
	if len(s.Takes) == 0 {
		s.Takes = nil
	}
	if t.refersTo(&r) {
		return
	}
	t.d.Readings = slices.DeleteFunc(slices.Clone(t.d.Readings), func(x design.Reading) bool { return x.ID == r.ID })
}

// refersTo reports whether something else of the design speaks of a reading.
func (t *taker) refersTo(r *design.Reading) bool {
	d := t.d
	return slices.ContainsFunc(d.Steps, func(s design.Step) bool {
		return slices.ContainsFunc(s.Takes, func(k design.Take) bool { return k.Reading == r.ID })
	}) || slices.ContainsFunc(d.Measured, func(m design.Variable) bool { return m.Reading == r.ID }) ||
		r.Symbol != "" && slices.ContainsFunc(d.Derived, func(x design.Derived) bool {
			return strings.Contains(x.Formula, r.Symbol)
		}) ||
		slices.ContainsFunc(d.Claims, func(c design.Claim) bool { return c.Value == r.ID })
}

// evidence puts what is shown into the design and the step.
func (t *taker) evidence(p Piece) {
	kind := design.EvidenceKind(p.ID)
	if !slices.Contains(design.EvidenceKinds, kind) {
		return
	}
	if t.tiedEvidence(p) {
		return
	}
	name := p.Words
	taken := func(id string) bool {
		return slices.ContainsFunc(t.d.Evidence, func(e design.Evidence) bool { return e.ID == id })
	}
	e := design.Evidence{ID: fresh(p.ID, p.ID, taken), Kind: kind, Name: text.Localized{t.lang: name}}
	t.d.Evidence = append(slices.Clone(t.d.Evidence), e)
	s := t.step()
	s.Evidence = append(slices.Clone(s.Evidence), e.ID)
}

// unshow takes what was shown out again.
func (t *taker) unshow(p Piece) {
	s := t.step()
	for _, e := range t.d.Evidence {
		if string(e.Kind) == p.ID && e.Name[t.lang] == p.Words && slices.Contains(s.Evidence, e.ID) &&
			!t.elsewhere(func(o *taker, q Piece) bool {
				return q.Kind == Evidence && q.ID == p.ID && e.Name[o.lang] == q.Words
			}) {
			s.Evidence = without(s.Evidence, e.ID)
			t.d.Evidence = slices.DeleteFunc(slices.Clone(t.d.Evidence), func(x design.Evidence) bool {
				return x.ID == e.ID
			})
			return
		}
	}
}
