package sentence

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
)

// Carry carries an answer out on the design; typed is what the teacher wrote into the
// question's field, if that was the answer. It reports false where the text has changed
// since it was asked.
func Carry(d *design.Document, step, language string, c Revision, typed string) bool {
	i, ok := d.Step(step)
	if !ok {
		return false
	}
	s := &d.Steps[i]
	value := strings.ReplaceAll(c.Value, hole, strings.TrimSpace(typed))
	switch c.Kind {
	case Warm:
		s.Heat = value
	case Plain:
		onlyWords(d, i, language, value)
	case Everyday, Choose:
		return meant(d, c, value)
	case Parts:
		return parts(d, value, language, strings.ReplaceAll(c.Thing, hole, typed))
	case Rewrite:
		return rewrite(d, i, language, c, value)
	case Split:
		runes, at := []rune(s.Text[language]), c.From
		if at == 0 {
			at = firstSentence(runes)
		}
		if at <= 0 || at >= len(runes) {
			return false
		}
		split(d, i, language, runes, at)
	case Join:
		return join(d, i)
	default:
		return false
	}
	return true
}

// onlyWords takes nothing more from these words of a step.
func onlyWords(d *design.Document, i int, language, words string) {
	s := &d.Steps[i]
	if slices.Contains(s.Plain, words) {
		return
	}
	t := &taker{d: d, at: i, lang: language}
	before := t.meant(s.Text[language])
	s.Plain = append(slices.Clone(s.Plain), words)
	t.carry(before, t.meant(s.Text[language]))
}

// meant says what a need is: an object of every day, or a thing of the larder.
func meant(d *design.Document, c Revision, need string) bool {
	d.Needs = slices.Clone(d.Needs)
	n, ok := d.Need(need)
	if !ok {
		return false
	}
	if c.Kind == Everyday {
		n.Kind = design.ObjectNeed
		return true
	}
	m, ok := d.Larder().Material(c.Thing)
	if ok {
		n.Be(m)
	}
	return ok
}

// rewrite puts other words in the place of some and takes what they say.
func rewrite(d *design.Document, i int, language string, c Revision, words string) bool {
	s := &d.Steps[i]
	was := s.Text[language]
	runes := []rune(was)
	if c.From < 0 || c.To < c.From || c.To > len(runes) {
		return false
	}
	s.Text = with(s.Text, language, string(runes[:c.From])+words+string(runes[c.To:]))
	Take(d, s.ID, was, language)
	return true
}
