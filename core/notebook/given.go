package notebook

import (
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
	Count     *int       `json:"count,omitempty" minimum:"0" doc:"Of a count"`
	Of        int        `json:"of,omitempty" minimum:"0" doc:"Of a count: how many there were in all"`
	Escaped   int        `json:"escaped,omitempty" minimum:"0" doc:"Of a count: rolled away or climbed out; in no total"`
	Undecided int        `json:"undecided,omitempty" minimum:"0" doc:"Of a count: cannot be said of them; in no total"`
	Level     string     `json:"level,omitempty" doc:"Of a scale: the id of its level"`
	Answer    string     `json:"answer,omitempty" enum:"yes,partly,no"`
	Chosen    []string   `json:"chosen,omitempty" maxItems:"1" doc:"Of a choice: the id of the option, or none or not-sure"`
	Order     [][]string `json:"order,omitempty" maxItems:"7" doc:"Of an order: ids of things from its beginning on; several in one place are a tie"`
	LeftOut   []string   `json:"left_out,omitempty" maxItems:"7" doc:"Of an order: ids of things that have no place in it"`
}

// maxCount bounds a count, so that a key held down stays a number.
const maxCount = 1_000_000

// ids are what a given value names, in its order.
func (g *Given) ids() []string {
	switch {
	case g.Level != "":
		return []string{g.Level}
	case g.Answer != "":
		return []string{g.Answer}
	case len(g.Chosen) > 0:
		return g.Chosen
	}
	return slices.Concat(g.Order...)
}

// suits checks that what was given is of the reading's kind and names what the
// design has; a quantity is typed and gives nothing beside it, a count may be typed.
func suits(d *design.Document, r *design.Reading, e *Entry) *Problem {
	g := e.Given
	if r.Numeric() && g == nil {
		return nil // what was typed is read, and said if it cannot be
	}
	if r.Sort() == design.QuantityKind {
		return &Problem{"value", rule("typed-only"), "82 mm"}
	}
	choices := d.Choices(r)
	example := firstID(len(choices), func(i int) string { return choices[i].ID })
	if r.Sort() == design.CountKind {
		if g.Count == nil || min(*g.Count, g.Of, g.Escaped, g.Undecided) < 0 ||
			max(*g.Count, g.Of, g.Escaped, g.Undecided) > maxCount {
			return &Problem{"value.count", rule("whole-number"), "13"}
		}
		return nil
	}
	if g == nil || !ofKind(r.Sort(), g) {
		return &Problem{"value", rule("of-kind." + string(r.Sort())), example}
	}
	seen := map[string]bool{}
	for _, id := range append(g.ids(), g.LeftOut...) {
		if seen[id] || !slices.ContainsFunc(choices, func(c design.Choice) bool { return c.ID == id }) {
			return &Problem{"value", rule("options"), example}
		}
		seen[id] = true
	}
	return nil
}

// ofKind reports whether the field of a kind is set, and none beside it.
func ofKind(kind design.ReadingKind, g *Given) bool {
	set := map[design.ReadingKind]bool{
		design.CountKind:       g.Count != nil,
		design.OrdinalKind:     g.Level != "",
		design.YesPartlyNoKind: g.Answer != "",
		design.ChoiceKind:      len(g.Chosen) > 0,
		design.OrderKind:       len(g.Order)+len(g.LeftOut) > 0,
	}
	if len(g.Chosen) > 1 || slices.ContainsFunc(g.Order, func(place []string) bool { return len(place) == 0 }) {
		return false
	}
	for k, is := range set {
		if is != (k == kind) {
			return false
		}
	}
	return true
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

// Said is what was given in words: a level, an answer, an option, an order from
// its beginning on. Its rendering needs no id.
func (g *Given) Said(d *design.Document, r *design.Reading) text.Message {
	choices := d.Choices(r)
	word := func(id string) text.Localized {
		for _, c := range choices {
			if c.ID == id {
				return c.Word
			}
		}
		return text.Localized{text.Languages[0]: id}
	}
	switch {
	case g.Count != nil:
		args := text.Args{"n": *g.Count, "escaped": g.Escaped, "undecided": g.Undecided}
		id := "notebook.given.count"
		if of, known := g.Total(r); known {
			id, args["of"] = "notebook.given.count-of", of
		}
		switch {
		case g.Escaped > 0 && g.Undecided > 0:
			id += "-both"
		case g.Escaped > 0:
			id += "-escaped"
		case g.Undecided > 0:
			id += "-undecided"
		}
		return text.Message{ID: id, Args: args}
	case len(g.Order)+len(g.LeftOut) > 0:
		return text.Message{ID: "notebook.given.order", Args: text.Args{"order": inOrder{g.Order, word}}}
	}
	for _, id := range g.ids() {
		return text.Message{ID: "notebook.given.word", Args: text.Args{"word": word(id)}}
	}
	return text.Message{}
}

// inOrder are things from the beginning of an order on, ties joined by =.
type inOrder struct {
	places [][]string
	word   func(id string) text.Localized
}

func (o inOrder) Show(language string) string {
	return joined(o.places, " > ", " = ", func(id string) string {
		s, _ := o.word(id).In(language)
		return s
	})
}

func joined(places [][]string, next, tie string, word func(string) string) string {
	out := make([]string, len(places))
	for i, place := range places {
		words := make([]string, len(place))
		for k, id := range place {
			words[k] = word(id)
		}
		out[i] = strings.Join(words, tie)
	}
	return strings.Join(out, next)
}

// Code is what was given as files keep it: a number, an id, an order as a>b=c.
func (g *Given) Code() string {
	switch ids := g.ids(); {
	case g.Count != nil:
		return strconv.Itoa(*g.Count)
	case len(g.Order) > 0:
		return joined(g.Order, ">", "=", func(id string) string { return id })
	case len(ids) > 0:
		return ids[0]
	}
	return ""
}

// Reply is what a family or teacher sees of an entry for a reading: the number
// that was understood, or what was given in words.
func (e *Entry) Reply(d *design.Document, r *design.Reading, w Writer) reading.Reply {
	if e.Given == nil {
		return Understand(r, e.Instrument, e.Typed, w).Reply(w.Language)
	}
	out := reading.Reply{State: string(quantity.Value)}
	if e.Given.Count != nil {
		out = counted(r, e.Given, w).Reply(w.Language)
	}
	out.Echo, out.Assumed = text.Render(e.Given.Said(d, r), w.Language), false
	return out
}
