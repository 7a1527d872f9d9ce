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

// FamilyTexts lists every text that families read, in the order of the
// document; empty ones are among them.
func (d *Document) FamilyTexts() []PlacedText {
	var out []PlacedText
	add := func(t text.Localized, format string, args ...any) {
		out = append(out, PlacedText{fmt.Sprintf(format, args...), t})
	}
	add(d.Title, "/title")
	add(d.Question, "/question")
	add(d.Place, "/place")
	out = append(out, d.Teaching.familyTexts()...)
	add(d.Changed.Name, "/changed/name")
	for i, c := range d.Conditions {
		add(c.Name, "/conditions/%d/name", i)
		add(c.Description, "/conditions/%d/description", i)
	}
	for i, s := range d.Stages {
		add(s.Word, "/stages/%d/word", i)
	}
	for i, o := range d.Objects {
		add(o.What, "/objects/%d/what", i)
		add(o.Never, "/objects/%d/never", i)
	}
	for i, s := range d.Sections {
		add(s.Title, "/sections/%d/title", i)
		add(s.Keep, "/sections/%d/keep", i)
		add(s.ThrowAway, "/sections/%d/throw_away", i)
		add(s.NeededAgain, "/sections/%d/needed_again", i)
	}
	for i, r := range d.Crew {
		add(r.Word, "/crew/%d/word", i)
		add(r.Does, "/crew/%d/does", i)
	}
	for i, s := range d.StandsFor {
		add(s.Thing, "/stands_for/%d/thing", i)
		add(s.Means, "/stands_for/%d/means", i)
	}
	for i, l := range d.Limits {
		add(l, "/limits/%d", i)
	}
	for i, n := range d.Needs {
		add(n.Name, "/needs/%d/name", i)
		add(n.Note, "/needs/%d/note", i)
		for k, s := range n.Instead {
			add(s, "/needs/%d/instead/%d", i, k)
		}
	}
	for i, s := range d.Steps {
		add(s.Title, "/steps/%d/title", i)
		add(s.Text, "/steps/%d/text", i)
		add(s.See, "/steps/%d/see", i)
		add(s.Meanwhile, "/steps/%d/meanwhile", i)
		add(s.AdultNote, "/steps/%d/adult_note", i)
		add(s.Simple, "/steps/%d/simple", i)
		for _, t := range s.HelpWords() {
			add(t.Text, "/steps/%d%s", i, t.Path)
		}
	}
	for i, r := range d.Readings {
		add(r.Name, "/readings/%d/name", i)
		add(r.Guidance, "/readings/%d/guidance", i)
		for k, in := range r.Instruments {
			add(in.Name, "/readings/%d/instruments/%d/name", i, k)
		}
		for _, t := range r.Words() {
			add(t.Text, "/readings/%d%s", i, t.Path)
		}
	}
	for i, x := range d.Derived {
		add(x.Name, "/derived/%d/name", i)
	}
	for i, e := range d.Evidence {
		add(e.Name, "/evidence/%d/name", i)
		add(e.MustShow, "/evidence/%d/must_show", i)
		add(e.Audience, "/evidence/%d/audience", i)
		for k, p := range e.Places {
			add(p.Word, "/evidence/%d/places/%d/word", i, k)
		}
	}
	for i, q := range d.Questions {
		add(q.Text, "/questions/%d/text", i)
		for k, o := range q.Options {
			add(o.Word, "/questions/%d/options/%d/word", i, k)
		}
	}
	for i, c := range d.Cautions {
		add(c.Why, "/cautions/%d/why", i)
		add(c.Do, "/cautions/%d/do", i)
	}
	for i, m := range d.Mistakes {
		add(m.See, "/mistakes/%d/see", i)
		add(m.Mend, "/mistakes/%d/mend", i)
	}
	return out
}
