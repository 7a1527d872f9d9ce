package notebook

import (
	"fmt"
	"math"
	"strconv"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/text"
)

// Said is what was given in words: a level, an answer, an option, an order from
// its beginning on. Its rendering needs no id.
func (g *Given) Said(d *design.Document, r *design.Reading) text.Message {
	switch {
	case g.Count != nil:
		return g.saidCount(r)
	case g.At != nil || len(g.Between) > 0 || g.NotBy != nil:
		return g.saidWhen(r)
	case len(g.Counts) > 0:
		return g.saidWhere(d, r)
	case g.X != nil && g.Y != nil:
		return text.Message{ID: "notebook.given.word", Args: text.Args{"word": g.Spot().Square()}}
	case g.Text != "":
		return text.Message{ID: "notebook.given.text", Args: text.Args{"text": g.Text}}
	}
	choices := d.Choices(r)
	return g.saidChosen(func(id string) text.Localized {
		for _, c := range choices {
			if c.ID == id {
				return c.Word
			}
		}
		return text.Localized{text.Languages[0]: id}
	})
}

// saidChosen is Said of what the design offers by these words.
func (g *Given) saidChosen(word func(string) text.Localized) text.Message {
	order := func(a any) text.Message {
		return text.Message{ID: "notebook.given.order", Args: text.Args{"order": a}}
	}
	switch {
	case len(g.Words)+len(g.Own) > 0:
		var own []string
		for _, sense := range design.Senses {
			own = append(own, g.Own[string(sense)]...)
		}
		return order(listed{g.ids(), word, own})
	case len(g.Chosen) > 1:
		return order(listed{g.Chosen, word, nil})
	case len(g.Never) > 0:
		never := listed{g.Never, word, nil}
		if len(g.Order) == 0 {
			return text.Message{ID: "notebook.given.none-happened", Args: text.Args{"never": never}}
		}
		return text.Message{
			ID:   "notebook.given.order-never",
			Args: text.Args{"order": inOrder{g.Order, word}, "never": never},
		}
	case len(g.Order)+len(g.LeftOut) > 0:
		return order(inOrder{g.Order, word})
	}
	for _, id := range g.ids() {
		return text.Message{ID: "notebook.given.word", Args: text.Args{"word": word(id)}}
	}
	return text.Message{}
}

// saidCount says how many, of how many where that is known, and what escaped or could not
// be decided.
func (g *Given) saidCount(r *design.Reading) text.Message {
	args := text.Args{"n": *g.Count, "escaped": g.Escaped, "undecided": g.Undecided}
	id := "notebook.given.count"
	if of, known := g.Total(r); known {
		id, args["of"] = "notebook.given.count-of", of
	}
	return text.Message{ID: id + g.beside(), Args: args}
}

// beside is the end of the id of a sentence that also says what escaped or could not be
// decided.
func (g *Given) beside() string {
	switch {
	case g.Escaped > 0 && g.Undecided > 0:
		return "-both"
	case g.Escaped > 0:
		return "-escaped"
	case g.Undecided > 0:
		return "-undecided"
	}
	return ""
}

// saidWhen says when something happened, between which looks, or until when it did not.
func (g *Given) saidWhen(r *design.Reading) text.Message {
	low, high := g.ends()
	args := text.Args{"a": shownTime(low, r.Unit), "b": shownTime(high, r.Unit)}
	switch {
	case low == high:
		return text.Message{ID: "notebook.given.at", Args: args}
	case math.IsInf(high, 1):
		return text.Message{ID: "notebook.given.not-by", Args: args}
	}
	return text.Message{ID: "notebook.given.seen-between", Args: args}
}

// saidWhere says how many are in each zone, in the order of the zones.
func (g *Given) saidWhere(d *design.Document, r *design.Reading) text.Message {
	counts := make([]string, 0, len(g.Counts))
	for _, c := range d.Choices(r) {
		counts = append(counts, strconv.Itoa(g.Counts[c.ID]))
	}
	return text.Message{
		ID:   "notebook.given.zones" + g.beside(),
		Args: text.Args{"counts": strings.Join(counts, " · "), "escaped": g.Escaped, "undecided": g.Undecided},
	}
}

// shownTime is a length of time in a unit, with at most one decimal.
func shownTime(seconds float64, symbol string) quantity.Quantity {
	unit, _ := quantity.LookupUnit(symbol)
	return quantity.Quantity{Value: math.Round(10*seconds/unit.Factor) / 10, Unit: unit}
}

// listed are words by their ids, then words of somebody's own in quotes.
type listed struct {
	ids  []string
	word func(id string) text.Localized
	own  []string
}

func (l listed) Show(language string) string {
	var words []string
	for _, id := range l.ids {
		s, _ := l.word(id).In(language)
		words = append(words, s)
	}
	for _, s := range l.own {
		words = append(words, "“"+s+"”")
	}
	return strings.Join(words, ", ")
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
	ids := g.ids()
	switch {
	case g.Count != nil:
		return strconv.Itoa(*g.Count)
	case len(g.Order) > 0:
		return joined(g.Order, ">", "=", func(id string) string { return id })
	case len(g.Counts) > 0:
		parts := make([]string, len(ids))
		for i, id := range ids {
			parts[i] = fmt.Sprintf("%s:%d", id, g.Counts[id])
		}
		return strings.Join(parts, " ")
	case g.X != nil && g.Y != nil:
		return share(*g.X) + ";" + share(*g.Y)
	case g.At != nil || len(g.Between) > 0 || g.NotBy != nil:
		low, high := g.ends()
		a, b := strconv.FormatFloat(low, 'f', -1, 64), strconv.FormatFloat(high, 'f', -1, 64)
		switch {
		case low == high:
			return a
		case math.IsInf(high, 1):
			return ">" + a
		}
		return a + ".." + b
	case g.Text != "":
		return g.Text
	}
	return strings.Join(ids, " ")
}

// share is a share to a thousandth.
func share(s float64) string { return strconv.FormatFloat(math.Round(1000*s)/1000, 'f', -1, 64) }

// Reply is what a family or teacher sees of an entry for a reading: the number
// that was understood, or what was given in words.
func (e *Entry) Reply(d *design.Document, r *design.Reading, w Writer) reading.Reply {
	if e.Given == nil {
		return Understand(r, e.Instrument, e.Typed, w).Reply(w.Language)
	}
	out := reading.Reply{State: string(quantity.Value)}
	switch r.Sort() {
	case design.CountKind:
		out = counted(r, e.Given, w).Reply(w.Language)
	case design.PositionKind:
		out = placed(r, e.Given).Reply(w.Language)
	}
	out.Echo, out.Assumed = text.Render(e.Given.Said(d, r), w.Language), false
	return out
}
