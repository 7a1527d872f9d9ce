package sentence

import (
	"patient-kitchen/core/quantity"
)

// joint is the word that ties a place, a companion or a path to what is done: "into the
// jar", "onto the plate", "with a spoon", "over the sink", "through the cloth".
type joint struct{ into, onto, with, over, through, against bool }

func (r *reader) joint(i int) joint {
	return joint{r.is("into", i), r.is("onto", i), r.is("with", i), r.is("over", i), r.listed("throughs", i) > 0,
		r.is("against", i)}
}

func (j joint) none() bool { return j == joint{} }

// ties reports whether such a word belongs to what is done here: not "next to the strip",
// not in what is not to be done, nor where something is only read or waited for.
func (r *reader) ties(j joint, i int) bool {
	if j.into && r.is("ends", i-1) || j.through && r.is("ends", i+1) {
		return false
	}
	return !j.none() && !r.not && !r.reads && r.acted != nil
}

// aims reports whether such a word says only where an act is done: nothing comes into
// things over which one hangs or holds something.
func (a *act) aims(j joint) bool {
	return j.over && a.Safety != "pour" || a.Apart && (j.over || j.onto)
}

// place reads where something goes, with what, and over what.
func (r *reader) place(i int) int {
	j := r.joint(i)
	if !r.ties(j, i) {
		return 0
	}
	k := max(i+1, r.listed("throughs", i))
	for r.is("into", k) || r.is("of", k) {
		k++
	}
	if r.acted.aims(j) || r.verbAt(k) != nil || r.who(k) > 0 {
		return 0
	}
	if q, next := r.quantity(k); r.isAmount(k, next) {
		return r.within(q, k, next)
	}
	if _, next := r.number(k); next > k {
		k = next
	}
	n := r.noun(k, true)
	if !n.ok {
		return max(n.next, i+1)
	}
	r.putPlace(n, j)
	return n.next
}

// isAmount reports whether a quantity where something goes is an amount of it: "in 100 mL
// of water", while "into one cup" is a cup.
func (r *reader) isAmount(k, next int) bool {
	return next > k && !r.is("dets", k) && (r.is("of", next) || !r.is("vessels", next-1))
}

// putPlace puts the place that a name is: a vessel where it holds something. What is named
// only to say where, "against the wall", is none.
func (r *reader) putPlace(n named, j joint) {
	switch {
	case j.against && n.id == "" && n.need == "":
	case (j.into || j.onto) && r.holds(n, j.into):
		r.put(n, Vessel)
	default:
		r.put(n, Thing)
	}
}

// within reads an amount that something goes into, and of what it is.
func (r *reader) within(q quantity.Typed, from, next int) int {
	at := r.add(Piece{Kind: Amount, Value: shown(q), Of: -1}, from, next)
	k := next
	for r.is("of", k) {
		k++
	}
	if n := r.noun(k, true); n.ok && (r.is("of", k-1) || n.id != "" || n.need != "") {
		r.out[at].Of = r.put(n, Thing)
		return n.next
	}
	return k
}
