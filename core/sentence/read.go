package sentence

import (
	"slices"
	"strings"
	"unicode/utf8"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/lexicon"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Kind is what a piece of a sentence says.
type Kind string

// The kinds of piece.
const (
	Act      Kind = "act"      // something done
	Amount   Kind = "amount"   // how much, how many or how warm
	Thing    Kind = "thing"    // what is used
	Vessel   Kind = "vessel"   // where it goes in
	Wait     Kind = "wait"     // time to let pass
	Hands    Kind = "hands"    // time in which hands are busy
	Times    Kind = "times"    // when it is read
	Limit    Kind = "limit"    // at most so long
	Reading  Kind = "reading"  // what is measured, counted or judged
	Seen     Kind = "seen"     // until what is seen
	Lane     Kind = "lane"     // for which condition
	Who      Kind = "who"      // an adult or a helper
	Evidence Kind = "evidence" // what is shown
	Keep     Kind = "keep"     // what is kept for later
)

// Piece is something that a sentence says, with its place in the text.
type Piece struct {
	Kind  Kind
	From  int // code points of the text
	To    int
	At    int    // of an amount or time: where its value begins
	Words string // as they stand in the text
	// ID is that of an act, of a thing of the larder, of a condition, of who does it
	// ("adult", "helper"), or the kind of evidence.
	ID     string
	Need   string             // the design's need that it is
	Value  string             // of an amount, wait, hands, limit: with its unit
	Values []string           // of times
	Of     int                // of an amount: the place of its thing among the pieces; -1 for none
	Name   string             // of a reading: what is read
	Sort   design.ReadingKind // of a reading
	Unit   string             // of a reading
	Closed bool               // of a vessel: it is closed
	Leads  bool               // of a wait: it comes before all of the step, wherever it is said
}

// World is what sentences speak of.
type World struct {
	Larder *larder.Larder
	Needs  []design.Need
	Lanes  []design.Condition
	System quantity.System
}

// Of is the world of a design.
func Of(d *design.Document) World {
	return World{Larder: d.Larder(), Needs: d.Needs, Lanes: d.Conditions, System: quantity.Metric}
}

// MostSigns is the longest text that is read, in bytes; a step's text is shorter.
const MostSigns = 5000

// Read says what is in a text, in the order of its words. It never fails: what it
// does not understand is in no piece, and a language that it has no words for, or a
// text longer than [MostSigns], has none.
func Read(w World, sentence, language string) []Piece {
	spoken := text.Of(language).Code
	v := vocabularies[spoken]
	if v == nil || len(sentence) > MostSigns || !utf8.ValidString(sentence) {
		return nil
	}
	r := &reader{World: w, v: v, lang: spoken, text: sentence, t: tokens(sentence), known: known(w, language, spoken),
		sizes: map[int]sized{}, named: map[string]bool{}}
	for _, c := range w.Lanes {
		name, _ := c.Name.In(language)
		var words []string
		for _, t := range tokens(name) {
			words = append(words, t.word)
		}
		r.named[strings.Join(words, " ")] = true
	}
	for i := 0; i < len(r.t); {
		i = r.step(i)
	}
	r.lanes(language)
	return r.settle()
}

// reader goes through a text once, from left to right.
type reader struct {
	World
	v     *vocabulary
	lang  string
	text  string
	t     []token
	known map[string]string // needs by their folded names
	named map[string]bool   // conditions, by their folded names
	sizes map[int]sized     // quantities that were looked for, by their place
	out   []Piece

	// Of the present sentence:
	acted   *act // the last act, whose objects may follow
	reads   bool // the last verb asks for a reading
	waits   int  // the verb of waiting, one after its place; 0 for none
	letting bool // that verb lets something happen
	not     bool // of the present clause: it is said not to be done
	busy    bool // it goes on without being a wait, as a tap that runs
}

// step reads what begins at a token and gives the place behind it.
func (r *reader) step(i int) int {
	if t := r.t[i]; t.ends() {
		r.not, r.busy = false, false
		if t.stops() {
			r.acted, r.reads, r.waits, r.letting = nil, false, 0, false
			return max(i+1, r.question(i+1))
		}
		return i + 1
	}
	if i == 0 {
		if next := r.question(0); next > 0 {
			return next
		}
	}
	if r.v.sets["nots"][r.t[i].word] {
		r.not = true
		return i + 1
	}
	for _, try := range []func(int) int{
		r.until, r.who, r.times, r.limit, r.after, r.verb, r.during, r.night, r.measure, r.place, r.count,
	} {
		if next := try(i); next > i {
			return next
		}
	}
	return i + 1
}

// add puts a piece down that reaches over tokens.
func (r *reader) add(p Piece, from, to int) int {
	start, end := r.t[from].from, r.t[to-1].to
	p.Words = r.text[start:end]
	p.From = utf8.RuneCountInString(r.text[:start])
	p.To = p.From + utf8.RuneCountInString(p.Words)
	p.At = max(p.At, p.From)
	if p.Kind != Amount {
		p.Of = -1
	}
	r.out = append(r.out, p)
	return len(r.out) - 1
}

// code is the place of a token in code points.
func (r *reader) code(i int) int { return utf8.RuneCountInString(r.text[:r.t[i].from]) }

// settle puts the pieces in the order of their words.
func (r *reader) settle() []Piece {
	order := make([]int, len(r.out))
	for i := range order {
		order[i] = i
	}
	slices.SortStableFunc(order, func(a, b int) int { return r.out[a].From - r.out[b].From })
	place := make([]int, len(order))
	for to, from := range order {
		place[from] = to
	}
	out := make([]Piece, len(order))
	for from, p := range r.out {
		if p.Of >= 0 {
			p.Of = place[p.Of]
		}
		out[place[from]] = p
	}
	return out
}

// is reports whether the word at a place is in one of the language's sets.
func (r *reader) is(set string, i int) bool {
	return i >= 0 && i < len(r.t) && !r.t[i].ends() && r.v.sets[set][r.t[i].word]
}

// here gives the place behind the words of a phrase that stands at a place; 0 where it
// does not. ".." in it stands for up to four words of the same clause.
func (r *reader) here(i int, words []string) int {
	for n, w := range words {
		if w == ".." {
			for gap := 0; gap <= 4 && i+gap < len(r.t) && (gap == 0 || !r.t[i+gap-1].ends()); gap++ {
				if end := r.here(i+gap, words[n+1:]); end > 0 {
					return end
				}
			}
			return 0
		}
		if i >= len(r.t) || r.t[i].word != w {
			return 0
		}
		i++
	}
	return i
}

// listed gives the place behind the first phrase of a list that stands at a place.
func (r *reader) listed(list string, i int) int {
	for _, words := range r.v.lists[list] {
		if end := r.here(i, words); end > 0 {
			return end
		}
	}
	return 0
}

// clause is the place where the clause ends that holds a place.
func (r *reader) clause(i int) int {
	for i < len(r.t) && !r.t[i].ends() {
		i++
	}
	return i
}

// adverb reports whether a word only says how.
func (r *reader) adverb(i int) bool {
	if i < 0 || i >= len(r.t) || r.t[i].ends() {
		return false
	}
	w := r.t[i].word
	return len(w) > 4 && strings.HasSuffix(w, r.v.AdverbEnd)
}

// until reads up to when something is done: what is seen then, and sizes within.
func (r *reader) until(i int) int {
	start := r.listed("untils", i)
	if start == 0 {
		return 0
	}
	end := start
	for end < len(r.t) && !r.t[end].ends() && !(r.is("and", end) && r.verbAt(end+1) != nil) {
		end++
	}
	if end == start {
		return 0
	}
	r.add(Piece{Kind: Seen}, i, end)
	for k := start; k < end; k++ {
		if q, next := r.quantity(k); next > k && q.Unit.Dim != quantity.Time && next <= end {
			r.add(Piece{Kind: Amount, Value: shown(q), Of: -1}, k, next)
			k = next - 1
		}
	}
	return end
}

// who reads whose hands are asked for.
func (r *reader) who(i int) int {
	for _, id := range []string{"adult", "helper"} {
		if end := r.listed(id, i); end > 0 {
			r.add(Piece{Kind: Who, ID: id}, i, end)
			return end
		}
	}
	return 0
}

// lanes reads the names of conditions, also within other names ("the cold glass"), the
// longest first.
func (r *reader) lanes(language string) {
	type lane struct {
		id    string
		words []string
	}
	var all []lane
	for _, c := range r.Lanes {
		name, _ := c.Name.In(language)
		l := lane{id: c.ID}
		for _, t := range tokens(name) {
			if !t.ends() {
				l.words = append(l.words, t.word)
			}
		}
		if len(l.words) > 0 {
			all = append(all, l)
		}
	}
	slices.SortStableFunc(all, func(a, b lane) int { return len(b.words) - len(a.words) })
	for i := 0; i < len(r.t); i++ {
		for _, l := range all {
			end := r.here(i, l.words)
			if len(l.words) == 1 && end == 0 && slices.Contains(lexicon.Forms(r.lang, "a", l.words[0]), r.t[i].word) {
				end = i + 1 // "frío" where the lane is called "fría"
			}
			if end > 0 {
				r.add(Piece{Kind: Lane, ID: l.id}, i, end)
				i = end - 1
				break
			}
		}
	}
}

// question reads a whole question as a reading: yes or no, or which.
func (r *reader) question(i int) int {
	for i < len(r.t) && r.t[i].ends() {
		i++
	}
	end := i
	for end < len(r.t) && !r.t[end].stops() {
		end++
	}
	if i >= len(r.t) || end >= len(r.t) || r.t[end].sign != '?' {
		return 0
	}
	first := r.t[i].word
	asked := r.v.sets["asks"][first] || len(r.v.sets["no-ask"]) > 0 && !r.v.sets["no-ask"][first]
	switch {
	case r.v.sets["which"][first]:
		r.asked(design.ChoiceKind, i, end)
	case r.listed("number-of", i) > 0:
		r.asked(design.CountKind, i, end)
	case r.v.Sizes[r.size(i)] != "":
		r.asked(design.QuantityKind, i, end)
		r.out[len(r.out)-1].Unit = r.v.Sizes[r.size(i)]
	case r.listed("amounts-left", i) > 0:
		r.asked(design.OrdinalKind, i, end)
	case asked:
		r.asked(design.YesPartlyNoKind, i, end)
	default:
		return 0
	}
	return end
}

// asked puts a reading down that is a whole question.
func (r *reader) asked(kind design.ReadingKind, i, end int) {
	name := r.text[r.t[i].from:r.t[end-1].to]
	if n := len(r.out); n > 0 && r.out[n-1].Kind == Reading && r.out[n-1].Sort == kind {
		return // "compare the two: which is darker?" asks once
	}
	r.add(Piece{Kind: Reading, Sort: kind, Name: name}, i, end)
}
