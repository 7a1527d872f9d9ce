package sentence

import (
	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
)

// waits puts the waits of a text where the design has them: before the step that says
// them first, or before the step behind the one that ends with them. One in the middle
// is asked about (see [Book.Ask]).
func (t *taker) waits(before, after []Piece) {
	i := t.at
	own, trail := leading(after), trailing(after)
	if i > 0 && own == "" {
		own = trailing(t.beside(i - 1))
	}
	was := leading(before)
	if own != "" || !t.elsewhere(func(_ *taker, p Piece) bool { return p.Kind == Wait && p.Value == was }) {
		set(&t.d.Steps[i], was, own)
	}
	if i+1 < len(t.d.Steps) && leading(t.beside(i+1)) == "" {
		set(&t.d.Steps[i+1], trailing(before), trail)
	}
}

// set gives a step its wait, where it has none or still the one that was said before.
func set(s *design.Step, was, now string) {
	switch _, timed := quantity.ParseOK(now); {
	case was == now:
	case s.Wait == nil && timed:
		s.Wait = &design.Wait{For: now}
	case s.Wait != nil && s.Wait.For == was && was != "":
		if now == "" {
			s.Wait = nil
			return
		}
		w := *s.Wait
		w.For = now
		s.Wait = &w
	}
}

// Of a text, what is said by the wait in it.
func leading(pieces []Piece) string  { v, _ := waitIn(pieces, true); return v }
func trailing(pieces []Piece) string { v, _ := waitIn(pieces, false); return v }

// waitIn is the wait that comes first in a text, or last; "" for none. A wait after
// which something is done, and before it too, is neither.
func waitIn(pieces []Piece, first bool) (string, int) {
	for k, p := range pieces {
		if p.Kind != Wait {
			continue
		}
		before, behind := around(pieces, k)
		if first && (p.Leads || !before) || !first && before && !behind && !p.Leads {
			return p.Value, k
		}
	}
	return "", -1
}

// around reports whether something is done or read before a piece, and behind it.
func around(pieces []Piece, k int) (before, behind bool) {
	for n, p := range pieces {
		if p.Kind == Act || p.Kind == Reading || p.Kind == Evidence {
			before = before || n < k && p.Kind != Reading
			behind = behind || n > k
		}
	}
	return before, behind
}

// beside are the pieces of the step at a place, in the same language.
func (t *taker) beside(i int) []Piece {
	s := &t.d.Steps[i]
	return Meant(Of(t.d), s.Text[t.lang], t.lang, s.Plain)
}
