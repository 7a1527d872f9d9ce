package sentence

import (
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
)

// verbAt is the phrase whose verb stands at a place, where a verb can stand.
func (r *reader) verbAt(i int) *phrase {
	p, _ := r.phraseAt(i)
	return p
}

// phraseAt is verbAt, with the place behind the phrase.
func (r *reader) phraseAt(i int) (*phrase, int) {
	if i >= len(r.t) || r.t[i].ends() {
		return nil, 0
	}
	list := r.v.verbs[r.t[i].word]
	if len(list) == 0 || !r.verbPlace(i) {
		return nil, 0
	}
	for k := range list {
		p := &list[k]
		if !p.base && !r.is("subjects", i-1) {
			continue
		}
		if end := r.here(i+1, p.rest); end > 0 && r.fits(p, i, end) {
			return p, end
		}
	}
	return nil, 0
}

// verbPlace reports whether a verb can stand at a place: at the beginning of a clause,
// or after a word that has one follow.
func (r *reader) verbPlace(i int) bool {
	k := i - 1
	for k >= 0 && r.adverb(k) {
		k--
	}
	switch {
	case k < 0 || r.t[k].ends() || r.is("before", k) || r.is("subjects", k):
		return true
	case r.letting && k >= 0: // "let the cup cool"
		for _, p := range r.v.verbs[r.t[i].word] {
			if p.role.what == "act" && acts[p.role.id].Rests || p.role.what == "runs" {
				return true
			}
		}
	}
	return false
}

// fits reports whether a verb of many uses has its own here: "record" reads a quantity
// only where something that has a size follows.
func (r *reader) fits(p *phrase, i, end int) bool {
	if p.role.what == "act" && r.onlyNamed(i, end) {
		return false
	}
	if p.role.what != "reading" || p.role.id != string(design.QuantityKind) || r.v.sets["plain"][p.plain] {
		return true
	}
	for k := end; k < r.clause(end); k++ {
		if r.listed("number-of", k) > 0 || r.size(k) != "" || r.v.measured(r.t[k].word, r.lang) {
			return true
		}
	}
	return false
}

// onlyNamed reports whether what looks like an act ends a list of names or qualities:
// "flour and water", "cold or warm".
func (r *reader) onlyNamed(i, end int) bool {
	if !r.is("and", i-1) {
		return false
	}
	over := end >= len(r.t) || r.t[end].ends()
	return r.is("adjectives", i) && (over || r.is("into", end)) || over && r.is("nouns-too", i) && !r.is("into", end)
}

// size gives the words that ask for a size at a place; "" for none.
func (r *reader) size(i int) string {
	longest := ""
	for words := range r.v.Sizes {
		if r.here(i, strings.Fields(words)) > 0 && len(words) > len(longest) {
			longest = words
		}
	}
	return longest
}

// verb reads a verb and what it is about.
func (r *reader) verb(i int) int {
	p, end := r.phraseAt(i)
	if p == nil {
		return 0
	}
	switch p.role.what {
	case "act":
		return r.act(p, i, end)
	case "uses":
		r.acted, r.reads = nil, false
		if !r.not {
			r.acted = &act{}
			return r.objects(end, r.acted)
		}
	case "waits":
		r.waits, r.letting, r.acted, r.reads = i+1, true, nil, false
		if next := r.given(end); next > 0 { // "wait 5"
			return next
		}
	case "runs":
		r.busy = true
	case "evidence":
		if !r.not {
			r.add(Piece{Kind: Evidence, ID: p.role.id}, i, r.objectEnd(end))
		}
		return r.objectEnd(end)
	case "keep":
		r.acted, r.reads = nil, false
		stop := r.objectEnd(end)
		if r.timed(end, stop) { // "keep it in the fridge for 2 days"
			r.waits, r.letting = i+1, true
			return end
		}
		r.add(Piece{Kind: Keep}, i, stop)
		return stop
	case "reading":
		return r.reading(p, i, end)
	}
	return end
}

// timed reports whether a time stands between two places: for how long.
func (r *reader) timed(from, to int) bool {
	for k := from; k < to; k++ {
		if r.timeAt(k) && !r.is("everys", k-1) {
			return true
		}
	}
	return false
}

// objectEnd is where the object ends that begins at a place: at the end of the clause, or
// where another verb is joined on.
func (r *reader) objectEnd(i int) int {
	for i < len(r.t) && !r.t[i].ends() && !(r.is("and", i) && r.verbAt(i+1) != nil) {
		i++
	}
	return i
}

// act reads something done, with its objects.
func (r *reader) act(p *phrase, i, end int) int {
	a := acts[p.role.id]
	if a.ID == "put" && r.letting && r.waits > 0 { // "leave it to stand"
		return end
	}
	if a.ID == "put" {
		if next := r.inOrder(i, end); next > 0 {
			return next
		}
	}
	if r.not {
		return r.objectEnd(end)
	}
	if r.letting && a.Rests { // what was let cool is said by the verb of letting
		r.add(Piece{Kind: Act, ID: a.ID}, i, end)
		r.acted, r.reads = nil, false
		return end
	}
	r.add(Piece{Kind: Act, ID: a.ID}, i, end)
	r.acted, r.reads, r.waits = a, false, 0
	// "take the bag out": what is between is the object
	if gap := strings.Join(p.rest, " "); strings.HasPrefix(gap, "..") {
		r.objects(i+1, a)
		return end
	}
	return r.objects(end, a)
}

// inOrder reads "put the pipes in order" as one thing asked.
func (r *reader) inOrder(i, end int) int {
	stop := r.clause(end)
	for k := end; k < stop; k++ {
		if next := r.listed("in-order", k); next > 0 {
			if k > end {
				r.add(Piece{Kind: Reading, Sort: design.OrderKind, Name: r.text[r.t[end].from:r.t[k-1].to]}, i, stop)
				return stop
			}
		}
	}
	return 0
}

// reading reads what is measured, counted or judged.
func (r *reader) reading(p *phrase, i, end int) int {
	kind := design.ReadingKind(p.role.id)
	if r.v.sets["weighs"][p.plain] {
		if q, next := r.quantity(end); next > end && q.Unit.Dim != quantity.Time {
			r.add(Piece{Kind: Act, ID: "weigh"}, i, end)
			r.acted, r.reads = acts["weigh"], false
			return r.objects(end, r.acted)
		}
	}
	stop := r.nameEnd(end)
	if kind == design.QuantityKind || kind == design.ChoiceKind {
		for k := end; k < stop; k++ {
			if r.listed("number-of", k) > 0 {
				kind = design.CountKind
			}
		}
	}
	if r.not {
		return stop
	}
	piece := Piece{Kind: Reading, Sort: kind}
	if stop > end {
		piece.Name = r.text[r.t[end].from:r.t[stop-1].to]
	}
	if n := len(r.out); kind == design.YesPartlyNoKind && n > 0 && r.out[n-1].Kind == Reading &&
		r.out[n-1].Sort == kind {
		return stop // "did it hold? Say yes, partly or no" asks once
	}
	if kind == design.QuantityKind {
		piece.Unit = r.unit(p, end, stop)
	}
	r.add(piece, i, max(stop, end))
	r.acted, r.reads, r.waits = nil, true, 0
	return max(stop, end)
}

// unit is that of a quantity by the words of what is read, or by the verb.
func (r *reader) unit(p *phrase, from, to int) string {
	for k := from; k < to; k++ {
		if r.v.measured(r.t[k].word, r.lang) {
			return r.v.Nouns[r.v.noun(r.t[k].word, r.lang)]
		}
	}
	for k := from; k < to; k++ {
		if words := r.size(k); words != "" {
			return r.v.Sizes[words]
		}
	}
	for k := from; k < to; k++ {
		if u, ok := quantity.LookupUnit(r.t[k].word); ok && len(r.t[k].word) > 3 {
			return u.Symbol
		}
	}
	return r.v.OfVerb[p.plain]
}

// nameEnd is where the name of what is read ends: at the clause's end, before another
// verb, a tool, or a time.
func (r *reader) nameEnd(i int) int {
	for k := i; k < len(r.t); k++ {
		switch {
		case r.t[k].ends(),
			r.is("and", k) && r.verbAt(k+1) != nil,
			k > i && r.is("with", k),
			k > i && r.everyAt(k) > 0,
			k > i && (r.phraseWithTime("afters", k) > 0 || r.phraseWithTime("ats", k) > 0),
			k > i && r.is("durings", k) && r.timeAt(k+1):
			return k
		}
	}
	return len(r.t)
}
