package notebook

import (
	"maps"
	"math"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/text"
)

// Given is what was given for a reading that is no quantity. Which fields are set
// depends on the reading's kind.
type Given struct {
	Count     *int                `json:"count,omitempty" minimum:"0" doc:"Of a count"`
	Of        int                 `json:"of,omitempty" minimum:"0" doc:"Of a count: how many there were in all"`
	Escaped   int                 `json:"escaped,omitempty" minimum:"0" doc:"Of a count or zones: rolled away or climbed out; in no total"`
	Undecided int                 `json:"undecided,omitempty" minimum:"0" doc:"Of a count or zones: cannot be said of them; in no total"`
	Counts    map[string]int      `json:"counts,omitempty" doc:"Of zones: how many are in each, by its id"`
	Level     string              `json:"level,omitempty" doc:"Of a scale: the id of its level"`
	Answer    string              `json:"answer,omitempty" enum:"yes,partly,no"`
	Chosen    []string            `json:"chosen,omitempty" maxItems:"200" doc:"Of a choice: the id of the option, or none or not-sure; of several: their ids"`
	Order     [][]string          `json:"order,omitempty" maxItems:"7" doc:"Of an order: ids of things from its beginning on; several in one place are a tie"`
	Words     map[string][]string `json:"words,omitempty" doc:"Of words: ids by sense"`
	Own       map[string][]string `json:"own,omitempty" doc:"Of words: the home's own, by sense"`
	At        *float64            `json:"at,omitempty" minimum:"0" doc:"Of an event: seconds from the start of its step"`
	Between   []float64           `json:"between,omitempty" maxItems:"2" doc:"Of an event: it was not yet there at the first look and there at the second, in seconds"`
	NotBy     *float64            `json:"not_by,omitempty" minimum:"0" doc:"Of an event: it had not happened by then, in seconds"`
	X         *float64            `json:"x,omitempty" minimum:"0" maximum:"1" doc:"Of a position: its place as a share of the picture's width, from the left"`
	Y         *float64            `json:"y,omitempty" minimum:"0" maximum:"1" doc:"Of a position: its place as a share of the picture's height, from above"`
	Reach     float64             `json:"reach,omitempty" minimum:"0" maximum:"1" doc:"Of a position: how far from there it may lie, as a share of the width; left out: 0.01"`
	Text      string              `json:"text,omitempty" maxLength:"4000"`
	Language  string              `json:"language,omitempty" doc:"Of a text: its language"`
	Never     []string            `json:"did_not_happen,omitempty" maxItems:"7" doc:"Of an order of stages: ids of those that did not happen"`
	Seen      string              `json:"seen,omitempty" enum:"happening,guessed" doc:"Of an order of stages: seen as it happened, or guessed later"`
	Chart     []Stop              `json:"chart,omitempty" maxItems:"8" doc:"Of a flow chart: its stages, in their order"`
	Strokes   []string            `json:"strokes,omitempty" maxItems:"400" doc:"Of a drawing: its strokes, each as points x,y in thousandths of its width"`
	Pairs     []reading.Pair      `json:"pairs,omitempty" maxItems:"10" doc:"Of an order asked two at a time: what was said of each pair; without an order, they make it"`
	LeftOut   []string            `json:"left_out,omitempty" maxItems:"7" doc:"Of an order: ids of things that have no place in it"`
}

// Stop is one stage of a flow chart: where something is, and what changes there.
type Stop struct {
	Where  string `json:"where,omitempty" maxLength:"200"`
	Change string `json:"change,omitempty" maxLength:"200"`
}

// What a value holds at most: a key held down stays a number, a time is within a
// year, and words are words.
const (
	maxCount   = 1_000_000
	maxSeconds = 366 * 24 * 3600
	maxOwn     = 20
	maxWord    = 60
	maxText    = 4000
	maxStrokes = 400
	maxDrawing = 40_000 // signs of all its strokes
)

// ids are what a given value names, in its order.
func (g *Given) ids() []string {
	switch {
	case g.Level != "":
		return []string{g.Level}
	case g.Answer != "":
		return []string{g.Answer}
	case len(g.Chosen) > 0:
		return g.Chosen
	case len(g.Words) > 0:
		var out []string
		for _, sense := range design.Senses {
			out = append(out, g.Words[string(sense)]...)
		}
		return out
	case len(g.Counts) > 0:
		return slices.Sorted(maps.Keys(g.Counts))
	}
	return slices.Concat(g.Order...)
}

// suits checks that what was given is of the reading's kind and names what the
// design has; a quantity is typed and gives nothing beside it, a count may be typed.
func suits(d *design.Document, r *design.Reading, e *Entry) *Problem {
	g := e.Given
	if r.Numeric() && r.Sort() != design.PositionKind && g == nil {
		return nil // what was typed is read, and said if it cannot be
	}
	switch r.Sort() {
	case design.QuantityKind:
		return &Problem{"value", rule("typed-only"), "82 mm"}
	case design.EventKind:
		if !ofKind(design.EventKind, g) || !g.happened() {
			return &Problem{"value", rule("of-kind.event"), "{\"at\": 750}"}
		}
		return nil
	case design.PositionKind:
		if g == nil || !ofKind(design.PositionKind, g) || !g.marked() {
			return &Problem{"value", rule("of-kind.position"), "{\"x\": 0.62, \"y\": 0.4}"}
		}
		return nil
	case design.CountKind:
		if !g.counted() {
			return &Problem{"value.count", rule("whole-number"), "13"}
		}
		return nil
	}
	return choosing(d, r, g)
}

// counted reports whether what was counted is a number of things, with those beside it.
func (g *Given) counted() bool {
	return g.Count != nil && min(*g.Count, g.Of, g.Escaped, g.Undecided) >= 0 &&
		max(*g.Count, g.Of, g.Escaped, g.Undecided) <= maxCount
}

// choosing is suits of a reading whose answers are named by the design.
func choosing(d *design.Document, r *design.Reading, g *Given) *Problem {
	choices := d.Choices(r)
	example := firstID(len(choices), func(i int) string { return choices[i].ID })
	if g == nil || !ofKind(r.Sort(), g) || r.Sort() == design.ChoiceKind && len(g.Chosen) > 1 || !g.bounded() {
		return &Problem{"value", rule("of-kind." + string(r.Sort())), example}
	}
	if p := bySense(r, g, example); p != nil {
		return p
	}
	if !g.paired(choices) {
		return &Problem{"value.pairs", rule("pairs"), example}
	}
	seen := map[string]bool{}
	for _, id := range slices.Concat(g.ids(), g.LeftOut, g.Never) {
		if seen[id] || !offered(choices, id) {
			return &Problem{"value", rule("options"), example}
		}
		seen[id] = true
	}
	return nil
}

// paired reports whether pairs are of two things that are asked about, each two once,
// and something was said of them.
func (g *Given) paired(choices []design.Choice) bool {
	seen := map[[2]string]bool{}
	for _, p := range g.Pairs {
		key := [2]string{min(p.A, p.B), max(p.A, p.B)}
		if p.A == p.B || seen[key] || !offered(choices, p.A) || !offered(choices, p.B) ||
			p.Said != "a" && p.Said != "b" && p.Said != "same" {
			return false
		}
		seen[key] = true
	}
	return true
}

// settled is a value with the order that its pairs make, where none was made of them.
func (g *Given) settled() *Given {
	if g == nil || len(g.Pairs) == 0 || len(g.Order) > 0 {
		return g
	}
	with := *g
	with.Order, _ = reading.Ordered(g.Pairs)
	return &with
}

// round asks about answers to pairs that go round in a circle.
func (g *Given) round(d *design.Document, r *design.Reading) []reading.Check {
	_, circle := reading.Ordered(g.Pairs)
	if len(circle) == 0 {
		return nil
	}
	word := func(id string) text.Localized {
		for _, c := range d.Choices(r) {
			if c.ID == id {
				return c.Word
			}
		}
		return nil
	}
	return []reading.Check{{Code: "circle", Message: text.M("notebook.circle", "things", listed{circle, word, nil})}}
}

// bySense checks that words stand under a sense that is asked, and are among its words.
func bySense(r *design.Reading, g *Given, example string) *Problem {
	for sense := range g.Own {
		if _, asked := r.Senses[design.Sense(sense)]; !asked {
			return &Problem{"value.own", rule("of-kind.words"), "looks"}
		}
	}
	for sense, ids := range g.Words {
		for _, id := range ids {
			if !offered(r.Senses[design.Sense(sense)], id) {
				return &Problem{"value.words", rule("options"), example}
			}
		}
	}
	return nil
}

func offered(choices []design.Choice, id string) bool {
	return slices.ContainsFunc(choices, func(c design.Choice) bool { return c.ID == id })
}

// ofKind reports whether the field of a kind is set, and none beside it.
func ofKind(kind design.ReadingKind, g *Given) bool {
	if kind == design.OrderKind && len(g.Never) > 0 ||
		kind == design.StageOrderKind && len(g.LeftOut)+len(g.Pairs) > 0 ||
		kind != design.StageOrderKind && g.Seen != "" ||
		slices.ContainsFunc(g.Order, func(place []string) bool { return len(place) == 0 }) {
		return false
	}
	for k, is := range g.set() {
		if is != (k == kind || k == twin[kind]) {
			return false
		}
	}
	return true
}

// twin are the kinds that share the field of another.
var twin = map[design.ReadingKind]design.ReadingKind{
	design.SeveralKind: design.ChoiceKind, design.StageOrderKind: design.OrderKind,
}

// set says of which kinds the field is set; two kinds each share theirs and stand under the
// first.
func (g *Given) set() map[design.ReadingKind]bool {
	return map[design.ReadingKind]bool{
		design.CountKind:       g.Count != nil,
		design.OrdinalKind:     g.Level != "",
		design.YesPartlyNoKind: g.Answer != "",
		design.ChoiceKind:      len(g.Chosen) > 0,
		design.OrderKind:       len(g.Order)+len(g.LeftOut)+len(g.Never)+len(g.Pairs) > 0,
		design.ZonesKind:       len(g.Counts) > 0,
		design.WordsKind:       len(g.Words)+len(g.Own) > 0,
		design.EventKind:       g.At != nil || len(g.Between) > 0 || g.NotBy != nil,
		design.PositionKind:    g.X != nil || g.Y != nil || g.Reach != 0,
		design.TextKind:        strings.TrimSpace(g.Text) != "",
	}
}

// bounded reports whether counts, words and texts are of a size that can be.
func (g *Given) bounded() bool {
	for _, n := range g.Counts {
		if n < 0 || n > maxCount {
			return false
		}
	}
	own := 0
	for _, words := range g.Own {
		own += len(words)
		if slices.ContainsFunc(words, func(w string) bool {
			return strings.TrimSpace(w) == "" || len([]rune(w)) > maxWord
		}) {
			return false
		}
	}
	return own <= maxOwn && len([]rune(g.Text)) <= maxText && min(g.Escaped, g.Undecided) >= 0 &&
		max(g.Escaped, g.Undecided) <= maxCount
}

// happened reports whether an event's time is one that can be: one moment, two
// looks of which the second is later, or the last time at which it had not happened.
func (g *Given) happened() bool {
	said := 0
	for _, t := range append([]*float64{g.At, g.NotBy}, pointers(g.Between)...) {
		if t == nil {
			continue
		}
		said++
		if !(*t >= 0 && *t <= maxSeconds) {
			return false
		}
	}
	return said == 1 && len(g.Between) == 0 || said == 2 && len(g.Between) == 2 && g.Between[0] < g.Between[1]
}

// leastReach is how well a place is known that is marked without saying how sure it is.
const leastReach = .01

// marked reports whether a place lies on its picture, known to some reach.
func (g *Given) marked() bool {
	return g.X != nil && g.Y != nil && g.Spot().On() && g.Reach >= 0 && g.Reach <= 1
}

// Spot is the place of a position.
func (g *Given) Spot() design.Spot { return design.Spot{X: *g.X, Y: *g.Y} }

// placed is a place as a value that formulas can use, with a question where it lies beside
// the thing that is drawn.
func placed(r *design.Reading, g *Given) Understood {
	p := r.Placed()
	value, u := p.Comes(g.Spot(), max(g.Reach, leastReach))
	unit, _ := quantity.LookupUnit(p.Unit())
	q := quantity.Quantity{Value: value, Unit: unit, U: u}
	out := Understood{
		Kind: quantity.Value, Value: q, InUnit: q, Readable: true,
		Typical: quantity.Typed{Kind: quantity.Value, Parsed: quantity.Parsed{Quantity: q}, Decimals: -1},
	}
	if !p.Picture.Holds(g.Spot()) {
		out.Checks = append(out.Checks, reading.Check{Code: "beside-the-picture",
			Message: text.Message{ID: "notebook.beside-the-picture"}})
	}
	return out
}

func pointers(values []float64) []*float64 {
	out := make([]*float64, len(values))
	for i := range values {
		out[i] = &values[i]
	}
	return out
}

// ends are the times between which an event happened, in seconds; one that had not
// happened is open. They are the same for one that was seen as it happened.
func (g *Given) ends() (low, high float64) {
	switch {
	case g.At != nil:
		return *g.At, *g.At
	case g.NotBy != nil:
		return *g.NotBy, math.Inf(1)
	}
	return g.Between[0], g.Between[1]
}

// Seconds are the ends of an event in seconds: equal for one that was seen as it
// happened, an open one infinite. It reports false for another kind.
func (g *Given) Seconds() (low, high float64, ok bool) {
	if g == nil || g.At == nil && len(g.Between) == 0 && g.NotBy == nil {
		return 0, 0, false
	}
	low, high = g.ends()
	return low, high, true
}

// timed is an event as a value that formulas can use; a bound where it was not seen
// as it happened.
func timed(r *design.Reading, g *Given) Understood {
	low, high := g.ends()
	unit, _ := quantity.LookupUnit(r.Unit)
	at := (low + high) / 2
	if math.IsInf(high, 1) {
		at = low
	}
	q := quantity.Quantity{Value: at / unit.Factor, Unit: unit}
	u := Understood{Kind: quantity.Value, Value: q, InUnit: q, Readable: low == high}
	if low != high {
		u.Kind = quantity.Bound
	}
	return u
}

// counted is a count as a value that formulas can use, with a question where
// there would be more than there are.
func counted(r *design.Reading, g *Given, w Writer) Understood {
	u := Understand(r, "", strconv.Itoa(*g.Count), w)
	n := *g.Count + g.Escaped + g.Undecided
	if of, known := g.Total(r); known && n > of {
		u.Checks = append(u.Checks, reading.Check{
			Code:    "more-than-all",
			Message: text.Message{ID: "notebook.more-than-all", Args: text.Args{"n": n, "of": of}},
		})
	}
	return u
}

// Total is how many there were in all: what the home says, or else the design.
func (g *Given) Total(r *design.Reading) (int, bool) {
	if g.Of > 0 {
		return g.Of, true
	}
	return r.Total()
}
