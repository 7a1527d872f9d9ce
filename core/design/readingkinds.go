package design

import (
	"fmt"
	"slices"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// ReadingKind is what a reading's value is; left out, it is a quantity.
type ReadingKind string

// The kinds of reading. Quantities, counts, times of an event and places are numbers and
// go into formulas; of the others each is compared by itself: levels have an order
// and no distances, options have neither. Text is not compared.
const (
	QuantityKind    ReadingKind = "quantity"
	CountKind       ReadingKind = "count"         // whole things
	OrdinalKind     ReadingKind = "ordinal"       // a level of a scale
	YesPartlyNoKind ReadingKind = "yes-partly-no" // a scale of three
	ChoiceKind      ReadingKind = "choice"        // one of several options
	SeveralKind     ReadingKind = "several"       // any of several options
	OrderKind       ReadingKind = "order"         // things put in order, ties allowed
	StageOrderKind  ReadingKind = "stage-order"   // what came one after the other
	ZonesKind       ReadingKind = "zones"         // how many are where, at each look
	WordsKind       ReadingKind = "words"         // words by sense, the same list for every sample
	EventKind       ReadingKind = "event"         // when something happens
	PositionKind    ReadingKind = "position"      // a place on a picture
	TextKind        ReadingKind = "text"          // words of their own
)

// ReadingKinds are all of them.
var ReadingKinds = []ReadingKind{
	QuantityKind, CountKind, OrdinalKind, YesPartlyNoKind, ChoiceKind, SeveralKind, OrderKind, StageOrderKind,
	ZonesKind, WordsKind, EventKind, PositionKind, TextKind,
}

// Sense is one of the senses that words are said by. Nothing is tasted.
type Sense string

// Senses are all of them, in the order in which they are asked.
var Senses = []Sense{"looks", "feels", "smells", "sounds"}

// MaxZones is how many zones a dish has at most.
const MaxZones = 6

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

// Zone is a part of a dish or ground in which animals or things are counted.
type Zone struct {
	ID   string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Word text.Localized `json:"word"`
	Area float64        `json:"area,omitempty" minimum:"0" doc:"Its share of the whole, in any unit; left out: all zones are alike"`
}

// PartOf is a part of an experiment of which a reading is taken each by itself.
type PartOf string

// The parts of an experiment. A reading of each stage and not of each condition is
// compared from stage to stage; objects are a home's own, and come to one value as
// several trials do.
const (
	Conditions PartOf = "condition"
	Objects    PartOf = "object"
	Stages     PartOf = "stage"
)

// Sort is the reading's kind.
func (r *Reading) Sort() ReadingKind {
	if r.Kind == "" {
		return QuantityKind
	}
	return r.Kind
}

// Ordering reports whether things or stages are put in order.
func (r *Reading) Ordering() bool { return r.Sort() == OrderKind || r.Sort() == StageOrderKind }

// Numeric reports whether the reading is a number that formulas can use.
func (r *Reading) Numeric() bool {
	switch r.Sort() {
	case QuantityKind, CountKind, EventKind, PositionKind:
		return true
	}
	return false
}

// Levelled reports whether the reading has levels, of which one is more than
// another.
func (r *Reading) Levelled() bool { return r.Sort() == OrdinalKind || r.Sort() == YesPartlyNoKind }

// PerCondition reports whether the reading is taken in each condition by itself.
func (r *Reading) PerCondition() bool { return slices.Contains(r.Per, Conditions) }

// PerObject reports whether it is taken of each object by itself.
func (r *Reading) PerObject() bool { return slices.Contains(r.Per, Objects) }

// PerStage reports whether it is taken at each stage by itself.
func (r *Reading) PerStage() bool { return slices.Contains(r.Per, Stages) }

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
// or the things or stages to put in order, which are the conditions or the design's
// stages where it names none.
// Numbers have none.
func (d *Document) Choices(r *Reading) []Choice {
	switch r.Sort() {
	case OrdinalKind:
		return r.Levels
	case YesPartlyNoKind:
		return []Choice{{ID: Yes, Word: shared(Yes)}, {ID: Partly, Word: shared(Partly)}, {ID: No, Word: shared(No)}}
	case ChoiceKind, SeveralKind:
		out := slices.Clone(r.Options)
		if r.None {
			out = append(out, Choice{ID: None, Word: shared(None)})
		}
		if r.NotSure {
			out = append(out, Choice{ID: NotSure, Word: shared(NotSure)})
		}
		return out
	case ZonesKind:
		var out []Choice
		for _, z := range r.Zones {
			out = append(out, Choice{ID: z.ID, Word: z.Word})
		}
		return out
	case WordsKind:
		var out []Choice
		for _, s := range Senses {
			out = append(out, r.Senses[s]...)
		}
		return out
	case StageOrderKind:
		if len(r.Stages) > 0 {
			return r.Stages
		}
		return d.Stages
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

// Even is the share of each zone if nothing were preferred: by area, or equal.
func (r *Reading) Even() []float64 {
	out, all := make([]float64, len(r.Zones)), 0.0
	for i, z := range r.Zones {
		out[i] = z.Area
		all += z.Area
	}
	for i := range out {
		if all > 0 {
			out[i] /= all
		} else {
			out[i] = 1 / float64(len(out))
		}
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
	}{{"levels", r.Levels}, {"options", r.Options}, {"things", r.Things}, {"stages", r.Stages}} {
		for k, c := range list.choices {
			out = append(out, PlacedText{fmt.Sprintf("/%s/%d/word", list.name, k), c.Word})
		}
	}
	for k, z := range r.Zones {
		out = append(out, PlacedText{fmt.Sprintf("/zones/%d/word", k), z.Word})
	}
	for _, s := range Senses {
		for k, c := range r.Senses[s] {
			out = append(out, PlacedText{fmt.Sprintf("/senses/%s/%d/word", s, k), c.Word})
		}
	}
	return append(out, PlacedText{"/partly", r.Partly}, PlacedText{"/from", r.From}, PlacedText{"/to", r.To})
}
