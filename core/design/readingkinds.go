package design

import (
	"fmt"
	"slices"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// ReadingKind is what a reading's value is; left out, it is a quantity.
type ReadingKind string

// The kinds of reading. Quantities and counts are numbers and go into formulas;
// of the others each is compared by itself: levels have an order and no
// distances, options have neither.
const (
	QuantityKind    ReadingKind = "quantity"
	CountKind       ReadingKind = "count"         // whole things
	OrdinalKind     ReadingKind = "ordinal"       // a level of a scale
	YesPartlyNoKind ReadingKind = "yes-partly-no" // a scale of three
	ChoiceKind      ReadingKind = "choice"        // one of several options
	OrderKind       ReadingKind = "order"         // things put in order, ties allowed
)

// ReadingKinds are all of them.
var ReadingKinds = []ReadingKind{QuantityKind, CountKind, OrdinalKind, YesPartlyNoKind, ChoiceKind, OrderKind}

// How many levels a scale has, and how many things are put in order, at least
// and at most.
const (
	MinLevels = 2
	MaxLevels = 7
	MaxThings = 7
)

// Ids that every design has without naming them: what an option can be beside
// the listed ones, and the three answers.
const (
	None    = "none"
	NotSure = "not-sure"
	Yes     = "yes"
	Partly  = "partly"
	No      = "no"
)

// Choice is one level, option or thing: what is kept is its id, what is read its
// word, in any language.
type Choice struct {
	ID      string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Word    text.Localized `json:"word"`
	Picture string         `json:"picture,omitempty" enum:"jar-full,jar-much,jar-half,jar-little,jar-empty" doc:"A drawing beside the word"`
}

// PartOf is a part of an experiment of which a reading is taken each by itself.
type PartOf string

// Conditions is the part that designs have today.
const Conditions PartOf = "condition"

// Sort is the reading's kind.
func (r *Reading) Sort() ReadingKind {
	if r.Kind == "" {
		return QuantityKind
	}
	return r.Kind
}

// Numeric reports whether the reading is a number that formulas can use.
func (r *Reading) Numeric() bool { return r.Sort() == QuantityKind || r.Sort() == CountKind }

// Levelled reports whether the reading has levels, of which one is more than
// another.
func (r *Reading) Levelled() bool { return r.Sort() == OrdinalKind || r.Sort() == YesPartlyNoKind }

// PerCondition reports whether the reading is taken in each condition by itself.
func (r *Reading) PerCondition() bool { return slices.Contains(r.Per, Conditions) }

// shared words of the kinds, in every language.
func shared(id string) text.Localized {
	out := text.Localized{}
	for _, code := range text.Languages {
		out[code] = text.Render(text.Message{ID: "design.kind." + id}, code)
	}
	return out
}

// Choices are what can be given for a reading, in the order in which they are
// shown: the levels of a scale, three answers, options with none and not sure,
// or the things to put in order, which are the conditions where it names none.
// Numbers have none.
func (d *Document) Choices(r *Reading) []Choice {
	switch r.Sort() {
	case OrdinalKind:
		return r.Levels
	case YesPartlyNoKind:
		return []Choice{{ID: Yes, Word: shared(Yes)}, {ID: Partly, Word: shared(Partly)}, {ID: No, Word: shared(No)}}
	case ChoiceKind:
		out := slices.Clone(r.Options)
		if r.None {
			out = append(out, Choice{ID: None, Word: shared(None)})
		}
		if r.NotSure {
			out = append(out, Choice{ID: NotSure, Word: shared(NotSure)})
		}
		return out
	case OrderKind:
		if len(r.Things) > 0 {
			return r.Things
		}
		var out []Choice
		for _, c := range d.Conditions {
			out = append(out, Choice{ID: c.ID, Word: c.Name})
		}
		return out
	}
	return nil
}

// Rising are the choices of a reading with levels, the least first.
func (d *Document) Rising(r *Reading) []Choice {
	out := slices.Clone(d.Choices(r))
	if r.Sort() == YesPartlyNoKind || r.Most == "first" {
		slices.Reverse(out)
	}
	return out
}

// Total is how many there are in all for a count; false where that is open.
func (r *Reading) Total() (int, bool) {
	p, ok := quantity.ParseOK(r.Of)
	if !ok || p.Unit != quantity.One || p.Value < 1 || p.Value != float64(int(p.Value)) {
		return 0, false
	}
	return int(p.Value), true
}

// Words are the texts that a reading's kind brings: of its levels, options or
// things, and of the ends of an order; paths begin at the reading.
func (r *Reading) Words() []PlacedText {
	var out []PlacedText
	for _, list := range []struct {
		name    string
		choices []Choice
	}{{"levels", r.Levels}, {"options", r.Options}, {"things", r.Things}} {
		for k, c := range list.choices {
			out = append(out, PlacedText{fmt.Sprintf("/%s/%d/word", list.name, k), c.Word})
		}
	}
	return append(out, PlacedText{"/partly", r.Partly}, PlacedText{"/from", r.From}, PlacedText{"/to", r.To})
}
