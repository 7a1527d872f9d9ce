package review

import (
	"slices"
	"strconv"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// leastForAShape is the least number of levels from which a relation has a shape: two
// points lie on a straight line whatever the relation is.
const leastForAShape = 3

// Reach says what a design can show, and then what it cannot, each as one sentence.
//
// A comparison shows that a change makes a difference, never why; a relation holds
// between the levels that were tried; one bench shows nothing of others; a model shows
// how the model behaves.
func Reach(d *design.Document) []text.Message {
	outcomes := d.Outcomes()
	if len(outcomes) == 0 {
		if len(d.Evidence) > 0 {
			return []text.Message{text.M("review.reach.seen")}
		}
		return []text.Message{text.M("review.reach.nothing")}
	}
	what := text.Args{"what": measured(d, outcomes), "changed": changed(d)}
	out := []text.Message{{ID: "review.reach." + compared(d, what), Args: what}}
	if d.Way == design.WatchShared {
		out = append(out, text.M("review.reach.one-bench"))
	}
	if len(d.StandsFor) > 0 {
		out = append(out, text.M("review.reach.model"))
	}
	return out
}

// compared says what is held against what, and puts the levels of a relation into the
// arguments of its sentence.
func compared(d *design.Document, args text.Args) string {
	levels := levelsOf(d)
	measuredLevels := slices.ContainsFunc(d.Conditions, func(c design.Condition) bool { return c.LevelFrom != "" })
	switch n := len(d.Conditions); {
	case n >= 2 && len(levels) == n && n >= leastForAShape:
		unit, _ := quantity.LookupUnit(d.LevelUnit(&d.Conditions[0]))
		args["from"], args["to"] = slices.Min(levels), quantity.Quantity{Value: slices.Max(levels), Unit: unit}.Bare()
		return "relation"
	case n >= leastForAShape && measuredLevels:
		return "relation-measured"
	case n >= 2 && len(levels) == n:
		return "two-levels"
	case n >= 2:
		return "difference"
	case len(d.Stages) > 1 && d.InParts((*design.Reading).PerStage):
		return "stages"
	case len(d.ObjectIDs()) > 1 && d.InParts((*design.Reading).PerObject):
		return "objects"
	}
	return "value"
}

// levelsOf are the levels of the conditions that have one, each once.
func levelsOf(d *design.Document) []float64 {
	var levels []float64
	for i := range d.Conditions {
		if level, ok := d.LevelOf(&d.Conditions[i]); ok && !slices.Contains(levels, level) {
			levels = append(levels, level)
		}
	}
	return levels
}

// measured is the name of what is measured, as the plan says it or else of what first
// comes out.
func measured(d *design.Document, outcomes []design.Outcome) text.Localized {
	if len(d.Measured) > 0 {
		if words, _ := d.Measured[0].Name.In(written(d)); words != "" {
			return d.Measured[0].Name
		}
	}
	return outcomes[0].Name
}

// changed is what is changed, or that nothing was said of it.
func changed(d *design.Document) any {
	if words, _ := d.Changed.Name.In(written(d)); words != "" {
		return d.Changed.Name
	}
	return text.M("review.reach.what-is-changed")
}

// Prediction is a question before the start with the frame it is made by.
type Prediction struct {
	Frame string // order, number, if-then or own
	design.Question
}

// Predictions are questions before the start, made from the plan in each of the
// design's languages that has the words for it: an order of the conditions, a number,
// and a sentence that says if, then and because. The first is the usual one.
//
// A question asks; a prediction is a statement that can turn out wrong. Children choose
// or finish it, they need not find its form.
func Predictions(d *design.Document) []Prediction {
	var out []Prediction
	add := func(kind, frame, unit string, args text.Args) {
		q := design.Question{ID: freshQuestion(d), When: "before", Kind: kind, Unit: unit, Text: text.Localized{}}
		for _, language := range d.Languages {
			if words, ok := wordsIn(args, language); ok {
				q.Text[language] = text.Render(text.Message{ID: "review.prediction." + frame, Args: words}, language)
			}
		}
		if len(q.Text) > 0 {
			out = append(out, Prediction{frame, q})
		}
	}
	outcomes := d.Outcomes()
	var what text.Localized
	if len(outcomes) > 0 {
		what = measured(d, outcomes)
	}
	if len(d.Conditions) > 1 {
		names := make([]text.Localized, 0, len(d.Conditions))
		for _, c := range d.Conditions {
			names = append(names, c.Name)
		}
		add("order", "order", "", text.Args{"what": what, "list": names})
	}
	if i := slices.IndexFunc(outcomes, func(x design.Outcome) bool { return x.Reading == nil }); i >= 0 {
		add("quantity", "number", outcomes[i].Unit, text.Args{"what": what})
	}
	if len(d.Conditions) > 1 {
		add("text", "if-then", "", text.Args{"what": what, "changed": d.Changed.Name})
	}
	add("text", "own", "", nil)
	return out
}

// usualPrediction is the first of [Predictions] that has words in all languages.
func usualPrediction(d *design.Document) design.Question {
	all := Predictions(d)
	i := slices.IndexFunc(all, func(p Prediction) bool { return len(p.Text) == len(d.Languages) })
	return all[max(i, 0)].Question
}

// wordsIn are the arguments in one language; false where one of them has no words in it.
func wordsIn(args text.Args, language string) (text.Args, bool) {
	out := text.Args{}
	for name, of := range args {
		all, several := of.([]text.Localized)
		if !several {
			all = []text.Localized{of.(text.Localized)}
		}
		var words []string
		for _, l := range all {
			s, ok := l.In(language)
			if !ok {
				return nil, false
			}
			words = append(words, s)
		}
		out[name] = words
	}
	return out, true
}

// freshQuestion is an id that no question has.
func freshQuestion(d *design.Document) string {
	id := "prediction"
	for n := 2; ; n++ {
		if _, taken := d.QuestionOf(id); !taken {
			return id
		}
		id = "prediction-" + strconv.Itoa(n)
	}
}
