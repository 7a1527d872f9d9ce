package design

import (
	"fmt"

	"patient-kitchen/core/text"
)

// PlacedText is a text of the document with its JSON Pointer.
type PlacedText struct {
	Path string
	Text text.Localized
}

// placed gathers texts with their places.
type placed []PlacedText

func (p *placed) add(t text.Localized, format string, args ...any) {
	*p = append(*p, PlacedText{fmt.Sprintf(format, args...), t})
}

// FamilyTexts lists every text that families read, in the order of the
// document; empty ones are among them.
func (d *Document) FamilyTexts() []PlacedText {
	var out placed
	out.add(d.Title, "/title")
	out.add(d.Question, "/question")
	out.add(d.Place, "/place")
	out = append(out, d.Teaching.familyTexts()...)
	out.task(&d.Task)
	out.structure(d)
	out.work(d)
	out.measured(d)
	out.asked(d)
	return out
}

// structure adds what is compared, and how the work is divided.
func (p *placed) structure(d *Document) {
	p.add(d.Changed.Name, "/changed/name")
	for i, c := range d.Conditions {
		p.add(c.Name, "/conditions/%d/name", i)
		p.add(c.Description, "/conditions/%d/description", i)
	}
	for i, s := range d.Stages {
		p.add(s.Word, "/stages/%d/word", i)
	}
	for i, o := range d.Objects {
		p.add(o.What, "/objects/%d/what", i)
		p.add(o.Never, "/objects/%d/never", i)
	}
	for i, s := range d.Sections {
		p.add(s.Title, "/sections/%d/title", i)
		p.add(s.Keep, "/sections/%d/keep", i)
		p.add(s.ThrowAway, "/sections/%d/throw_away", i)
		p.add(s.NeededAgain, "/sections/%d/needed_again", i)
	}
	for i, a := range d.Activities {
		p.add(a.Title, "/activities/%d/title", i)
	}
	for i, r := range d.Crew {
		p.add(r.Word, "/crew/%d/word", i)
		p.add(r.Does, "/crew/%d/does", i)
	}
	for i, s := range d.StandsFor {
		p.add(s.Thing, "/stands_for/%d/thing", i)
		p.add(s.Means, "/stands_for/%d/means", i)
	}
	for i, l := range d.Limits {
		p.add(l, "/limits/%d", i)
	}
}

// work adds what is needed and what is done.
func (p *placed) work(d *Document) {
	for i, n := range d.Needs {
		p.add(n.Name, "/needs/%d/name", i)
		p.add(n.Note, "/needs/%d/note", i)
		for k, c := range n.Copies {
			p.add(c.Prepared, "/needs/%d/copies/%d/prepared", i, k)
		}
		for k, s := range n.Instead {
			p.add(s, "/needs/%d/instead/%d", i, k)
		}
	}
	for i, s := range d.Steps {
		p.add(s.Title, "/steps/%d/title", i)
		p.add(s.Text, "/steps/%d/text", i)
		p.add(s.See, "/steps/%d/see", i)
		if s.Picture != nil {
			p.add(s.Picture.Alt, "/steps/%d/picture/alt", i)
		}
		p.add(s.Meanwhile, "/steps/%d/meanwhile", i)
		p.add(s.AdultNote, "/steps/%d/adult_note", i)
		p.add(s.Simple, "/steps/%d/simple", i)
		p.add(s.Deeper, "/steps/%d/deeper", i)
		for _, t := range s.HelpWords() {
			p.add(t.Text, "/steps/%d%s", i, t.Path)
		}
	}
}

// measured adds what is read, worked out and shown.
func (p *placed) measured(d *Document) {
	for i, r := range d.Readings {
		p.add(r.Name, "/readings/%d/name", i)
		p.add(r.Guidance, "/readings/%d/guidance", i)
		for k, in := range r.Instruments {
			p.add(in.Name, "/readings/%d/instruments/%d/name", i, k)
		}
		for _, t := range r.Words() {
			p.add(t.Text, "/readings/%d%s", i, t.Path)
		}
	}
	for i, x := range d.Derived {
		p.add(x.Name, "/derived/%d/name", i)
	}
	for i, e := range d.Evidence {
		p.add(e.Name, "/evidence/%d/name", i)
		p.add(e.MustShow, "/evidence/%d/must_show", i)
		p.add(e.Audience, "/evidence/%d/audience", i)
		for k, x := range e.Places {
			p.add(x.Word, "/evidence/%d/places/%d/word", i, k)
		}
	}
}

// asked adds the questions, cautions and mistakes.
func (p *placed) asked(d *Document) {
	for i, q := range d.Questions {
		p.add(q.Text, "/questions/%d/text", i)
		for k, o := range q.Options {
			p.add(o.Word, "/questions/%d/options/%d/word", i, k)
		}
	}
	for i, c := range d.Cautions {
		p.add(c.Why, "/cautions/%d/why", i)
		p.add(c.Do, "/cautions/%d/do", i)
	}
	for i, m := range d.Mistakes {
		p.add(m.See, "/mistakes/%d/see", i)
		p.add(m.Mend, "/mistakes/%d/mend", i)
	}
}
