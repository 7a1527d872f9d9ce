package sentence

import (
	"fmt"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
)

// Stands reports whether the design still has what a piece says: what was taken from
// the words and not put otherwise by hand.
func Stands(d *design.Document, step, language string, all []Piece, k int) bool {
	i, ok := d.Step(step)
	if !ok {
		return false
	}
	t := &taker{d: d, at: i, lang: language}
	s, p := t.step(), all[k]
	switch p.Kind {
	case Act:
		safety := acts[p.ID].Safety
		return safety == "" || slices.Contains(s.Actions, safety)
	case Thing, Vessel:
		id, ok := t.find(p)
		return ok && slices.Contains(s.Needs(), id)
	case Amount:
		return t.amountStands(all, p)
	case Hands:
		return s.Duration == p.Value
	case Wait:
		return t.waitStands(all, p)
	case Reading:
		return t.readingStands(all, p)
	case Evidence:
		return len(s.Evidence) > 0
	case Lane:
		return s.Each || slices.Contains(s.Conditions, p.ID)
	}
	return true
}

// Place is where the design has what a piece says, as a JSON Pointer; "" where it has
// not, or nowhere of its own.
func Place(d *design.Document, step, language string, all []Piece, k int) string {
	i, ok := d.Step(step)
	if !ok {
		return ""
	}
	t, p := &taker{d: d, at: i, lang: language}, all[k]
	switch p.Kind {
	case Thing, Vessel:
		id, _ := t.find(p)
		return placed("needs", slices.IndexFunc(d.Needs, func(n design.Need) bool { return n.ID == id }))
	case Amount:
		if p.Of >= 0 {
			return Place(d, step, language, all, p.Of)
		}
	case Reading:
		r, ok := t.readingOf(p)
		return placed("readings", slices.IndexFunc(d.Readings, func(x design.Reading) bool {
			if ok {
				return x.ID == r.ID
			}
			taken := func(k design.Take) bool { return k.Reading == x.ID }
			return x.Sort() == p.Sort && slices.ContainsFunc(t.step().Takes, taken) // of another name
		}))
	case Lane:
		return placed("conditions", slices.IndexFunc(d.Conditions, func(c design.Condition) bool { return c.ID == p.ID }))
	case Evidence:
		return placed("evidence", slices.IndexFunc(d.Evidence, func(e design.Evidence) bool {
			return string(e.Kind) == p.ID && slices.Contains(t.step().Evidence, e.ID)
		}))
	case Act, Hands, Wait:
		return t.placeInStep(p)
	}
	return ""
}

// placed is a place in a list; "" for none.
func placed(list string, n int) string {
	if n < 0 {
		return ""
	}
	return fmt.Sprintf("/%s/%d", list, n)
}

// placeInStep is where the step has what is done in it, how long that takes, or what is
// waited for before it or the one behind it.
func (t *taker) placeInStep(p Piece) string {
	switch {
	case p.Kind == Hands:
		return placed("steps", t.at) + "/duration"
	case p.Kind == Act && acts[p.ID].Safety != "":
		return placed("steps", t.at) + "/actions"
	case p.Kind == Wait:
		for n := t.at; n <= t.at+1 && n < len(t.d.Steps); n++ {
			if w := t.d.Steps[n].Wait; w != nil && w.For == p.Value {
				return placed("steps", n) + "/wait"
			}
		}
	}
	return ""
}

// amountStands reports whether the need of an amount has one, or the step a temperature.
func (t *taker) amountStands(all []Piece, p Piece) bool {
	q, ok := quantity.ParseOK(p.Value)
	if !ok || p.Of < 0 || q.Unit.Symbol == quantity.One.Symbol || q.Unit.Dim == quantity.Length {
		return q.Unit.Dim != quantity.Temperature || t.step().Heat != ""
	}
	id, _ := t.find(all[p.Of])
	n, ok := t.d.Need(id)
	return ok && n.Amount != ""
}

// waitStands reports whether the step, or the one after it, waits so long, or looks at
// planned times instead.
func (t *taker) waitStands(all []Piece, p Piece) bool {
	waits := func(i int) bool {
		return i < len(t.d.Steps) && t.d.Steps[i].Wait != nil && t.d.Steps[i].Wait.For == p.Value
	}
	looked := func(q Piece) bool { return q.Kind == Times && len(q.Values) > 0 }
	return waits(t.at) || waits(t.at+1) || slices.ContainsFunc(all, looked)
}

// readingStands reports whether the step takes a reading, or one like it already.
func (t *taker) readingStands(all []Piece, p Piece) bool {
	r, ok := t.readingOf(p)
	taken := func(k design.Take) bool { return k.Reading == r.ID }
	return ok && slices.ContainsFunc(t.step().Takes, taken) || t.asksAlready(all, p.Sort)
}
