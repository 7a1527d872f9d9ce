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
	if i > 0 && own.For == "" {
		own = trailing(t.beside(i - 1))
	}
	was := leading(before)
	if own.For != "" || !t.elsewhere(func(_ *taker, p Piece) bool { return p.Kind == Wait && p.Value == was.For }) {
		set(&t.d.Steps[i], was, own)
	}
	if i+1 < len(t.d.Steps) && leading(t.beside(i+1)).For == "" {
		set(&t.d.Steps[i+1], trailing(before), trail)
	}
}

// set gives a step its wait, where it has none or still the one that was said before.
// Its window goes with it, unless it was set by hand.
func set(s *design.Step, was, now design.Wait) {
	switch _, timed := quantity.ParseOK(now.For); {
	case was == now:
	case s.Wait == nil && timed:
		s.Wait = &now
	case s.Wait != nil && s.Wait.For == was.For && was.For != "":
		if now.For == "" {
			s.Wait = nil
			return
		}
		w := *s.Wait
		w.For = now.For
		if w.Earliest == was.Earliest && w.Latest == was.Latest {
			w.Earliest, w.Latest = now.Earliest, now.Latest
		}
		s.Wait = &w
	}
}

// Of a text, what is said by the wait in it.
func leading(pieces []Piece) design.Wait  { return waitIn(pieces, true) }
func trailing(pieces []Piece) design.Wait { return waitIn(pieces, false) }

// waitIn is the wait that comes first in a text, or last; an empty one for none. A wait
// after which something is done, and before it too, is neither.
func waitIn(pieces []Piece, first bool) design.Wait {
	for k, p := range pieces {
		if p.Kind != Wait {
			continue
		}
		before, behind := around(pieces, k)
		if first && (p.Leads || !before) || !first && before && !behind && !p.Leads {
			w := design.Wait{For: p.Value}
			if len(p.Values) == 2 {
				w.Earliest, w.Latest = p.Values[0], p.Values[1]
			}
			return w
		}
	}
	return design.Wait{}
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

// window are the two ends of a time that was said as a range; none for a single time.
func window(q quantity.Typed) []string {
	if q.Approximate || q.Low >= q.High {
		return nil
	}
	low, high := q, q
	low.Value, high.Value = q.Low, q.High
	return []string{shown(low), shown(high)}
}
