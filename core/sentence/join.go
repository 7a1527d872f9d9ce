package sentence

import (
	"slices"
	"strconv"
	"strings"
	"unicode"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// join makes one step of a step and the one behind it. It reports false where something
// stands between them: a wait, a gate, the end of a part or an activity; or where they are
// done for other conditions, by others, or in another vessel. What was lowered for the
// second is lowered no more, and what the teacher added to it goes along.
func join(d *design.Document, i int) bool {
	if i+1 >= len(d.Steps) || apart(d, i) {
		return false
	}
	s, next := d.Steps[i], d.Steps[i+1]
	s.Text, s.See, s.Tip = both(s.Text, next.Text), both(s.See, next.See), both(s.Tip, next.Tip)
	s.Simple, s.Deeper = both(s.Simple, next.Simple), both(s.Deeper, next.Deeper)
	s.AdultNote = both(s.AdultNote, next.AdultNote)
	s.Actions, s.Uses, s.Plain = union(s.Actions, next.Actions), union(s.Uses, next.Uses), union(s.Plain, next.Plain)
	s.Evidence, s.Questions = union(s.Evidence, next.Evidence), union(s.Questions, next.Questions)
	s.Takes, s.Helps = slices.Concat(s.Takes, next.Takes), slices.Concat(s.Helps, next.Helps)
	s.Heat, s.Voltage = larger(s.Heat, next.Heat), larger(s.Voltage, next.Voltage)
	s.Closed, s.Gate = s.Closed || next.Closed, next.Gate
	s.Duration = together(s.Duration, next.Duration)
	if next.Kind == "measure" {
		s.Kind = next.Kind
	}
	if s.In == "" {
		s.In, s.Vessel = next.In, next.Vessel
	}
	if s.Picture == nil {
		s.Picture = next.Picture
	}
	d.Steps = slices.Delete(slices.Clone(d.Steps), i+1, i+2)
	d.Steps[i] = s
	forget(d, next.ID, s.ID)
	return true
}

// firstSentence is where the second sentence of a text begins; 0 where there is none.
func firstSentence(words []rune) int {
	for i := 1; i < len(words); i++ {
		if !unicode.IsSpace(words[i]) && unicode.IsSpace(words[i-1]) {
			before := strings.TrimRightFunc(string(words[:i]), unicode.IsSpace)
			if strings.HasSuffix(before, ".") || strings.HasSuffix(before, "!") || strings.HasSuffix(before, "?") {
				return i
			}
		}
	}
	return 0
}

// apart reports whether something stands between a step and the one behind it, or they are
// done otherwise.
func apart(d *design.Document, i int) bool {
	s, next := &d.Steps[i], &d.Steps[i+1]
	one, _ := d.ActivityOf(s.ID)
	other, _ := d.ActivityOf(next.ID)
	return next.Wait != nil || s.Gate || d.SectionEnding(s.ID) != nil || one != other ||
		s.Each != next.Each || !slices.Equal(s.Conditions, next.Conditions) || !slices.Equal(s.Crew, next.Crew) ||
		s.In != "" && next.In != "" && s.In != next.In
}

// forget puts a step in the place of one that is no more, wherever the design names it.
func forget(d *design.Document, gone, now string) {
	without := func(ids []string) []string {
		return slices.DeleteFunc(slices.Clone(ids), func(id string) bool { return id == gone })
	}
	d.Sections, d.Activities = slices.Clone(d.Sections), slices.Clone(d.Activities)
	for k := range d.Sections {
		d.Sections[k].Steps = without(d.Sections[k].Steps)
	}
	for k := range d.Activities {
		d.Activities[k].Steps = without(d.Activities[k].Steps)
	}
	for k := range d.Steps {
		if w := d.Steps[k].Wait; w != nil && w.From == gone {
			from := *w
			from.From = now
			d.Steps[k].Wait = &from
		}
	}
	d.Cautions = slices.Clone(d.Cautions)
	for k := range d.Cautions {
		if d.Cautions[k].Step == gone {
			d.Cautions[k].Step = now
		}
	}
	d.Lowered = slices.DeleteFunc(slices.Clone(d.Lowered), func(l design.Lowering) bool { return l.Step == gone })
}

// both are two texts one after the other, in each language that has one.
func both(a, b text.Localized) text.Localized {
	out := text.Localized{}
	for _, l := range []text.Localized{a, b} {
		for language, words := range l {
			out[language] = strings.TrimSpace(out[language] + " " + words)
		}
	}
	if len(out) == 0 {
		return a
	}
	return out
}

func union(a, b []string) []string {
	out := slices.Clone(a)
	for _, x := range b {
		if !slices.Contains(out, x) {
			out = append(out, x)
		}
	}
	return out
}

// larger is the larger of two quantities, or the one that there is.
func larger(a, b string) string {
	p, okA := quantity.ParseOK(a)
	q, okB := quantity.ParseOK(b)
	if !okA || a == "" || okB && b != "" && q.SI() > p.SI() {
		return b
	}
	return a
}

// together is how long two lengths are one after the other, in minutes; where only one was
// said it stands.
func together(a, b string) string {
	first, okA := design.Seconds(a)
	second, okB := design.Seconds(b)
	switch {
	case a == "" || !okA:
		return b
	case b == "" || !okB:
		return a
	}
	return strconv.FormatFloat((first+second)/60, 'f', -1, 64) + " min"
}
