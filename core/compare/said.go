package compare

import (
	"math"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// Said is what the class answered to one question.
type Said struct {
	Question *design.Question
	Options  []SaidOption // of a choice or order; counted from MinHomes answers on
	Words    text.Message // what the class said, where it can be said in a sentence
	Homes    []SaidHome   // in the order of the homes
	Held     int          // predictions that held by their home's own numbers
	NotHeld  int
	Cannot   int
}

// SaidOption is one option with how many chose it, or its mean place in their
// orders.
type SaidOption struct {
	design.Choice
	N        int
	MeanRank float64
}

// SaidHome is one home's answer.
type SaidHome struct {
	Key        string
	Words      text.Message
	AfterStart bool   // a prediction that came after a first reading; it counts in no verdict
	Verdict    string // of a prediction: held, not-held, cannot-tell or ""
}

// WhatTheySaid gathers the answers to every question. A prediction that came
// after the first reading is listed and not counted.
func WhatTheySaid(d *design.Document, homes []Home) []Said {
	out := []Said{}
	for i := range d.Questions {
		s := Said{Question: &d.Questions[i]}
		for _, o := range d.OptionsOf(s.Question) {
			s.Options = append(s.Options, SaidOption{Choice: o})
		}
		s.gather(homes)
		if len(s.Homes) > 0 {
			out = append(out, s)
		}
	}
	return out
}

func (s *Said) gather(homes []Home) {
	q := s.Question
	var orders [][]float64
	var numbers []float64
	counted := 0
	for _, h := range homes {
		said, ok := h.Book.Said(q.ID)
		if !ok {
			continue
		}
		home := SaidHome{Key: h.Key, Words: s.words(said.Entry), AfterStart: said.AfterStart}
		for _, p := range Predictions(h.Book) {
			if p.Question == q.ID {
				home.Verdict = p.Verdict
			}
		}
		s.Homes = append(s.Homes, home)
		if said.AfterStart {
			continue
		}
		counted++
		s.judged(home.Verdict)
		orders = append(orders, s.places(said.Entry.Choice))
		if q.Kind == "quantity" {
			if v, ok := number(q, said.Entry.Text, h.Book.Writer); ok {
				numbers = append(numbers, v)
			}
		}
	}
	if counted < MinHomes {
		for k := range s.Options {
			s.Options[k].N = 0
		}
		return
	}
	s.summarise(counted, orders, numbers)
}

// judged counts what came of one home's prediction.
func (s *Said) judged(verdict string) {
	switch verdict {
	case "held":
		s.Held++
	case "not-held":
		s.NotHeld++
	case "cannot-tell":
		s.Cannot++
	}
}

// places counts what a home chose and gives the place of each option in it, from 1; 0
// where it was not chosen.
func (s *Said) places(chosen []string) []float64 {
	places := make([]float64, len(s.Options))
	for place, id := range chosen {
		for k := range s.Options {
			if s.Options[k].ID == id {
				s.Options[k].N++
				places[k] = float64(place + 1)
			}
		}
	}
	return places
}

func (s *Said) summarise(counted int, orders [][]float64, numbers []float64) {
	switch s.Question.Kind {
	case "order":
		for k := range s.Options {
			total := 0.0
			for _, o := range orders {
				total += o[k]
			}
			s.Options[k].MeanRank = total / float64(counted)
		}
		f, err := stats.Friedman(orders)
		if err == nil {
			s.Words = text.Message{
				ID:   "compare.agree",
				Args: text.Args{"w": sized{f.Estimate, quantity.One, 2}, "n": counted, "p": stats.ShowP(f.P)},
			}
		}
	case "choice":
		most := 0
		for k := range s.Options {
			if s.Options[k].N > s.Options[most].N {
				most = k
			}
		}
		s.Words = text.Message{
			ID:   "compare.most-said",
			Args: text.Args{"option": s.Options[most].Word, "k": s.Options[most].N, "n": counted},
		}
	case "quantity":
		if sum, ok := stats.Summarise(numbers); ok && sum.N >= MinHomes {
			unit, _ := quantity.LookupUnit(s.Question.Unit)
			show := func(v float64) sized {
				return sized{v, unit, text.Decimals(v, math.Max(sum.Spread, math.Abs(v)/50))}
			}
			s.Words = text.Message{
				ID:   "compare.numbers-said",
				Args: text.Args{"n": sum.N, "median": show(sum.Median), "low": show(sum.Low), "high": show(sum.High)},
			}
		}
	}
}

func number(q *design.Question, typed string, w notebook.Writer) (float64, bool) {
	unit := q.Unit
	if unit == "" {
		unit = "1"
	}
	u := reading.Understand(reading.Asked{Unit: unit}, typed, w)
	return u.InUnit.Value, u.Readable
}

// words says an answer without any id.
func (s *Said) words(e *notebook.Entry) text.Message {
	if s.Question.Kind != "choice" && s.Question.Kind != "order" {
		typed := e.Text
		if s.Question.Kind == "quantity" && s.Question.Unit != "" {
			return text.Message{ID: "compare.said-number", Args: text.Args{"text": typed, "unit": s.Question.Unit}}
		}
		return text.Message{ID: "compare.said-words", Args: text.Args{"text": typed}}
	}
	var names []text.Localized
	for _, id := range e.Choice {
		for _, o := range s.Options {
			if o.ID == id {
				names = append(names, o.Word)
			}
		}
	}
	return text.Message{ID: "compare.said-options", Args: text.Args{"options": names}}
}
