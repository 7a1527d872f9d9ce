package sentence

import (
	"slices"
	"strings"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
)

// objects reads what an act is done to: one thing after the other, with amounts, up to
// where no further one is joined on.
func (r *reader) objects(i int, a *act) int {
	for next := i; next >= i; next = r.listed("hows", i) {
		for i = next; r.is("particles", i) || r.adverb(i) || r.is("pronouns", i); i++ {
		}
	}
	for first := true; ; first = false {
		next := r.object(i, a, first)
		if next == i {
			return i
		}
		if i = r.joined(next); i == next {
			return i
		}
	}
}

// joined is where a further thing begins that an act is done to, behind "and" or a comma;
// i itself where none is joined on.
func (r *reader) joined(i int) int {
	if i >= len(r.t) || !(r.is("and", i) || r.t[i].sign == ',') {
		return i
	}
	k := i + 1
	if r.is("and", k) && !r.is("and", i) {
		k++
	}
	if r.verbAt(k) != nil || r.is("before", k) && r.verbAt(k+1) != nil || r.reads {
		return i // another act
	}
	if _, next := r.quantity(k); next > k || r.is("and", i) && r.noun(k, false).ok {
		return k
	}
	return i
}

// object reads one thing with its amount; it gives the same place where there is none.
func (r *reader) object(i int, a *act, first bool) int {
	amount, next, alone := r.soMuch(i)
	if alone {
		return next
	}
	found := r.noun(next, true)
	switch {
	case !found.ok && amount >= 0:
		return max(next, found.next)
	case !found.ok:
		return max(i, found.next)
	}
	kind := Thing
	if a != nil && a.About && first && r.holds(found, true) {
		kind = Vessel
	}
	at := r.put(found, kind)
	if amount >= 0 {
		r.out[amount].Of = at
	}
	return found.next
}

// soMuch reads how much there is of what is named next: its piece, −1 for none, and the
// place behind it. It is alone where no name of a thing can follow.
func (r *reader) soMuch(i int) (amount, next int, alone bool) {
	if _, end := r.quantity(i + 1); end > i+1 && r.is("dets", i) && !r.is("the", i) && r.is("holders", end) {
		i++ // "a 40 cm piece"
	}
	if q, end := r.quantity(i); end > i {
		return r.soMuchSaid(q, i, end)
	}
	if end := r.listed("halves", i); end > 0 && r.noun(end, false).ok { // "half an apple"
		return r.add(Piece{Kind: Amount, Value: "1/2", Of: -1}, i, end), end, false
	}
	if n, end := r.number(i); end > i && r.countsThings(end) {
		return r.add(Piece{Kind: Amount, Value: n, Of: -1}, i, end), end, false
	}
	return -1, i, false
}

// soMuchSaid is soMuch of a quantity.
func (r *reader) soMuchSaid(q quantity.Typed, i, end int) (amount, next int, alone bool) {
	if q.Unit.Dim == quantity.Time {
		return -1, i, true
	}
	amount = r.add(Piece{Kind: Amount, Value: shown(q), Of: -1}, i, end)
	if r.is("holders", end) && r.is("of", end+1) {
		end++ // "a 40 cm piece of thread"
	}
	if !r.ofSomething(q, end) {
		return amount, end, true
	}
	for r.is("of", end) {
		end++
	}
	return amount, end, r.is("ends", end) || r.is("and", end) || r.adverb(end)
}

// countsThings reports whether what stands behind a number is things that it counts: "3
// beans", not "3 times" nor "2 of them".
func (r *reader) countsThings(i int) bool {
	if r.is("counted-not", i) {
		return false
	}
	k := i
	for r.is("adjectives", k) {
		k++
	}
	if k >= len(r.t) || r.t[k].ends() || r.is("ends", k) || r.is("counted-not", k) || r.joins(k) || r.is("holders", k) {
		return false
	}
	return r.noun(i, false).ok
}

// ofSomething reports whether the name of what there is so much of can follow an
// amount: "2 cm wide" and "2 cm de ancho" say how long, not of what.
func (r *reader) ofSomething(q quantity.Typed, i int) bool {
	return q.Unit.Dim != quantity.Length || r.is("of", i) && i+1 < len(r.t) && !r.v.measured(r.t[i+1].word, r.lang)
}

// put a named thing down as a piece.
func (r *reader) put(n named, kind Kind) int {
	p := Piece{Kind: kind, ID: n.id, Need: n.need}
	p.Closed = (kind == Vessel || r.holds(n, true)) && r.saidClosed(n)
	return r.add(p, n.from, n.next)
}

// saidClosed reports whether a name has "closed" in it or right behind it.
func (r *reader) saidClosed(n named) bool {
	for i := n.from; i <= n.next; i++ {
		if r.listed("closed", i) > 0 {
			return true
		}
	}
	return false
}

// named is what words name.
type named struct {
	ok         bool
	from, next int
	head       string // the word that says what it is
	id, need   string
}

// noun reads what is named at a place: a need, a thing of the larder, or the words up to
// where a name ends. With part, it follows "a strip of foil" to the foil.
func (r *reader) noun(i int, part bool) named {
	start := i
	i = r.pastDets(i)
	end := r.nounEnd(i)
	if longer, need, id := r.longest(i, end); longer > 0 {
		end = max(end, longer)
		return r.headed(named{ok: true, from: i, next: end, need: need, id: id})
	}
	if end == i || r.named[strings.Join(r.run(i, end), " ")] {
		return named{next: max(start, end)} // nothing, or a condition
	}
	n := r.headed(named{ok: true, from: i, next: end})
	if r.heads("holders", n) {
		for k := i; k+1 < end; k++ {
			if !r.is("of", k) {
				continue
			}
			if inner := r.noun(k+1, part); r.v.HeadLast || inner.ok {
				return inner
			}
		}
	}
	if r.heads("no-things", n) || i == start && r.is("pronouns", i) ||
		len(n.head) < 2 || n.head[0] >= '0' && n.head[0] <= '9' {
		n.ok = false
		return n
	}
	n.need, n.id = r.lookUp(n)
	return n
}

// heads reports whether the chief word of a name is in a set, in one or in many.
func (r *reader) heads(set string, n named) bool {
	return r.v.sets[set][n.head] || r.v.sets[set][single(n.head, r.lang)]
}

// pastDets is the place behind articles and the like, and behind qualities in a row
// ("the cold, hand-warm or warm water").
func (r *reader) pastDets(i int) int {
	for r.is("dets", i) {
		i++
	}
	for k := i; r.is("adjectives", k) && k+1 < len(r.t); k++ {
		if !(r.t[k+1].sign == ',' || r.is("and", k+1)) {
			continue
		}
		next := k + 2
		if r.is("and", next) {
			next++
		}
		if !r.is("adjectives", next) {
			break
		}
		i = next
		k = next - 1
	}
	return i
}

// nounEnd is where a name ends that begins at a place.
func (r *reader) nounEnd(i int) int {
	k := i
	for ; k < len(r.t); k++ {
		inside := k > i && r.is("of", k-1)
		switch {
		case inside && r.is("dets", k): // "the back of a spoon"
		case r.endsName(k):
			return k
		case r.is("of", k):
			if k == i || !r.namesOn(k+1) {
				return k
			}
		case k > i && (r.opensNumber(k) || !inside && r.nights(k)):
			return k
		}
	}
	return k
}

// endsName reports whether a word belongs to no name, wherever it stands.
func (r *reader) endsName(k int) bool {
	if r.t[k].ends() || r.adverb(k) {
		return true
	}
	return slices.ContainsFunc([]string{"ends", "and", "into", "onto", "with", "over"},
		func(set string) bool { return r.is(set, k) })
}

// namesOn reports whether a name goes on behind its "of": not in "strips of 2 cm".
func (r *reader) namesOn(k int) bool {
	if k >= len(r.t) || r.t[k].ends() {
		return false
	}
	_, next := r.quantity(k)
	return next <= k || r.is("dets", k)
}

// nights reports whether words at a place are a time by themselves.
func (r *reader) nights(i int) bool { _, end := r.nightAt(i); return end > 0 }

// headed finds the word that says what is named: the last before "of", or the first.
func (r *reader) headed(n named) named {
	n.head = r.t[n.from].word
	if !r.v.HeadLast {
		return n
	}
	for k := n.from; k < n.next && !r.is("of", k); k++ {
		n.head = r.t[k].word
	}
	return n
}

// longest finds the longest name known by the design or the larder that begins at a
// place and goes on beyond where a name would end ("agua con gas").
func (r *reader) longest(i, end int) (next int, need, id string) {
	for size := min(larder.MostWords, len(r.t)-i); i+size > end && size > 0; size-- {
		run := r.run(i, i+size)
		if run == nil || r.joins(i+size-1) || slices.ContainsFunc(run, func(w string) bool {
			return r.v.sets["and"][w]
		}) {
			continue
		}
		if need, ok := r.known[strings.Join(run, " ")]; ok {
			return i + size, need, r.material(need)
		}
		if size > 1 {
			if id := r.called(run); id != "" {
				return i + size, "", id
			}
		}
	}
	return 0, "", ""
}

// joins reports whether a word only joins others, so that no name ends with it.
func (r *reader) joins(i int) bool {
	for _, set := range []string{"and", "with", "of", "into", "onto", "over", "dets", "ends"} {
		if r.is(set, i) {
			return true
		}
	}
	return false
}

// run are the words from one place to another; nil where a clause ends between them.
func (r *reader) run(from, to int) []string {
	var out []string
	for _, t := range r.t[from:to] {
		if t.ends() {
			return nil
		}
		out = append(out, t.word)
	}
	return out
}
