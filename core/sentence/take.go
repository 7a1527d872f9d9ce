package sentence

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// Take carries what a step's text says in a language over into the design: what it says
// now and did not say before goes in, what it said before and does not say now goes out
// again, where it still stands as it was taken. What was set by hand stays. The design
// is changed in place; a step that is not there changes nothing.
func Take(d *design.Document, step, was, language string) {
	i, ok := d.Step(step)
	if !ok {
		return
	}
	t := &taker{d: d, at: i, lang: language}
	s := t.step()
	now := s.Text[language]
	before, after := t.meant(was), t.meant(now)
	t.carry(before, after)
	if kind := kindOf(before); s.Kind == "" || s.Kind == kind || was == "" && s.Kind == "do" {
		if kind := kindOf(after); kind != "" {
			t.step().Kind = kind
		}
	}
	if title := t.step().Title[language]; title == "" || title == titleOf(was, language) {
		t.step().Title = with(t.step().Title, language, titleOf(now, language))
	}
}

// carry takes out what is not said any more, and in what is said now.
func (t *taker) carry(before, after []Piece) {
	gone, come := differ(before, after)
	for k := len(gone) - 1; k >= 0; k-- {
		t.out(before, before[gone[k]], after)
	}
	for _, amounts := range []bool{false, true} { // an amount is of a thing that may come in with it
		for _, k := range come {
			if (after[k].Kind == Amount) == amounts {
				t.in(after, k)
			}
		}
	}
	t.waits(before, after)
	t.lid(before, after)
}

// meant is what a text says, without what the teacher said to be only words.
func (t *taker) meant(words string) []Piece {
	return Meant(Of(t.d), words, t.lang, t.step().Plain)
}

// Meant is [Read] without the pieces whose words are among those that mean nothing more.
func Meant(w World, words, language string, plain []string) []Piece {
	all := Read(w, words, language)
	place := make([]int, len(all))
	var out []Piece
	for k, p := range all {
		place[k] = -1
		if !slices.Contains(plain, strings.ToLower(p.Words)) {
			place[k] = len(out)
			out = append(out, p)
		}
	}
	for k := range out {
		if out[k].Of >= 0 {
			out[k].Of = place[out[k].Of]
		}
	}
	return out
}

// key is what makes two pieces the same thing said.
func key(p Piece) string {
	name := p.ID
	if name == "" && (p.Kind == Thing || p.Kind == Vessel) {
		name = fold(p.Words)
	}
	return strings.Join([]string{string(p.Kind), name, p.Value, strings.Join(p.Values, " "), string(p.Sort),
		fold(p.Name)}, "|")
}

// differ lists the places of what is said before and not after, and the other way.
func differ(before, after []Piece) (gone, come []int) {
	left := map[string]int{}
	for _, p := range after {
		left[key(p)]++
	}
	for i, p := range before {
		if left[key(p)]--; left[key(p)] < 0 {
			gone = append(gone, i)
		}
	}
	left = map[string]int{}
	for _, p := range before {
		left[key(p)]++
	}
	for i, p := range after {
		if left[key(p)]--; left[key(p)] < 0 {
			come = append(come, i)
		}
	}
	return gone, come
}

type taker struct {
	d    *design.Document
	at   int
	lang string
}

func (t *taker) step() *design.Step { return &t.d.Steps[t.at] }

// in carries one piece over.
func (t *taker) in(all []Piece, k int) {
	p, s := all[k], t.step()
	switch p.Kind {
	case Act:
		if a := acts[p.ID]; a.Safety != "" && !slices.Contains(s.Actions, a.Safety) {
			s.Actions = append(slices.Clone(s.Actions), a.Safety)
		}
	case Thing, Vessel:
		id := t.need(all, k)
		if !slices.Contains(s.Uses, id) {
			s.Uses = append(slices.Clone(s.Uses), id)
		}
		if p.Kind == Vessel && s.In == "" {
			s.In = id
		}
	case Amount:
		t.amount(all, p)
	case Hands:
		if s.Duration == "" {
			s.Duration = p.Value
		}
	case Reading:
		t.reading(all, p)
	case Evidence:
		t.evidence(p)
	case Keep:
		t.keep(p)
	case Lane:
		t.lanes(all)
	}
}

// out takes one piece back, as far as the design still has it as it was taken.
func (t *taker) out(before []Piece, p Piece, after []Piece) {
	switch p.Kind {
	case Act:
		t.undo(p, after)
	case Thing, Vessel:
		t.unuse(before, p, after)
	case Amount:
		t.unmeasure(before, p)
	case Hands:
		s := t.step()
		if s.Duration == p.Value && !t.elsewhere(func(_ *taker, q Piece) bool {
			return q.Kind == Hands && q.Value == p.Value
		}) {
			s.Duration = ""
		}
	case Reading:
		t.unread(p)
	case Evidence:
		t.unshow(p)
	case Keep:
		t.unkeep(p)
	case Lane:
		t.lanes(after)
	}
}

// undo takes out what is done, unless other words still say it.
func (t *taker) undo(p Piece, after []Piece) {
	safety := acts[p.ID].Safety
	same := func(q Piece) bool { return q.Kind == Act && acts[q.ID].Safety == safety }
	if !slices.ContainsFunc(after, same) && !t.elsewhere(func(_ *taker, q Piece) bool { return same(q) }) {
		t.step().Actions = without(t.step().Actions, safety)
	}
}

// unuse takes out a thing that no words name any more.
func (t *taker) unuse(before []Piece, p Piece, after []Piece) {
	id, ok := t.find(p)
	named := func(in *taker, q Piece) bool { other, ok := in.find(q); return ok && other == id }
	if !ok || slices.ContainsFunc(after, func(q Piece) bool { return named(t, q) }) || t.elsewhere(named) {
		return
	}
	s := t.step()
	s.Uses = without(s.Uses, id)
	if s.In == id {
		s.In = ""
	}
	t.drop(before, p, id)
}

// unmeasure takes out an amount, where it still stands as it was said.
func (t *taker) unmeasure(before []Piece, p Piece) {
	if t.elsewhere(func(_ *taker, q Piece) bool { return q.Kind == Amount && alike(p, q) }) {
		return
	}
	if s := t.step(); s.Heat == p.Value {
		s.Heat = ""
	}
	if p.Of < 0 {
		return
	}
	if id, ok := t.find(before[p.Of]); ok {
		if n, ok := t.d.Need(id); ok && n.Amount == p.Value {
			n.Amount, n.PerCondition = "", false
		}
	}
}

// lid closes the vessel where the words begin to say so, and opens it where they say it no
// longer, in no language.
func (t *taker) lid(before, after []Piece) {
	closes := func(p Piece) bool { return p.Closed || p.Kind == Act && acts[p.ID].Closes }
	was, is := slices.ContainsFunc(before, closes), slices.ContainsFunc(after, closes)
	switch {
	case is && !was:
		t.step().Closed = true
	case was && !is && !t.elsewhere(func(_ *taker, p Piece) bool { return closes(p) }):
		t.step().Closed = false
	}
}

func without(list []string, item string) []string {
	out := slices.DeleteFunc(slices.Clone(list), func(x string) bool { return x == item })
	if len(out) == 0 {
		return nil
	}
	return out
}

func with(l text.Localized, language, words string) text.Localized {
	out := text.Localized{}
	for k, v := range l {
		out[k] = v
	}
	out[language] = words
	return out
}

// lanes says for which conditions a step is done: those that its text names. Where it
// names all, each is done by itself.
func (t *taker) lanes(all []Piece) {
	s := t.step()
	s.Conditions, s.Each = nil, false
	named := map[string]bool{}
	for _, p := range all {
		if p.Kind == Lane {
			named[p.ID] = true
		}
	}
	t.elsewhere(func(_ *taker, p Piece) bool {
		if p.Kind == Lane {
			named[p.ID] = true
		}
		return false // all of them are looked at
	})
	switch {
	case len(named) == 0:
	case len(named) == len(t.d.Conditions):
		s.Each = len(named) > 1
	default:
		for _, c := range t.d.Conditions {
			if named[c.ID] {
				s.Conditions = append(s.Conditions, c.ID)
			}
		}
	}
}

// kindOf is the kind of a step that says only this; "" where it does not tell.
func kindOf(pieces []Piece) design.StepKind {
	said := map[Kind]int{}
	acted := map[string]int{}
	for _, p := range pieces {
		said[p.Kind]++
		if p.Kind == Act {
			acted[acts[p.ID].Kind]++
		}
	}
	does := said[Act]
	switch {
	case said[Reading] > 0:
		return "measure"
	case does == 0 && said[Evidence] > 0:
		return "photo"
	case does == 0 && said[Wait] > 0:
		return "wait"
	case does == 0:
		return ""
	case acted["clear-up"] == does:
		return "clear-up"
	case acted["prepare"] == does:
		return "prepare"
	}
	return "do"
}
