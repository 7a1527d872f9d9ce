package compare

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
)

// Held says whether a home's prediction came true, by this home's own data.
type Held struct {
	Question string `json:"question"`
	Verdict  string `json:"verdict"` // held, not-held or cannot-tell
}

// Predictions holds what a home said before against what it found: an order of
// the conditions or the one with the most, of the first value. One that came
// after the first reading is no prediction.
func Predictions(b *notebook.Book) []Held {
	out := []Held{}
	a := analyse(b.Design, []Home{{Key: "own", Book: b}})
	if len(a.outcomes) == 0 {
		return out
	}
	o := a.outcomes[a.first()]
	if o.Reading != nil && !o.levelled() {
		return out // of these no home's own more or less is known
	}
	for _, q := range b.Design.Questions {
		if q.When != "before" || len(q.Options) > 0 || len(o.conditions) < 2 ||
			q.Kind != "order" && q.Kind != "choice" {
			continue
		}
		said, ok := b.Said(q.ID)
		if !ok || said.AfterStart {
			continue
		}
		if verdict := a.held(o, q, said.Entry.Choice); verdict != "" {
			out = append(out, Held{q.ID, verdict})
		}
	}
	return out
}

// held judges each step of what was said: the first named is the most, or where
// the question asks for the least the least. A home
// that did not measure what it spoke of has no verdict, unless what it measured
// is clearly the other way.
func (a *analysis) held(o outcome, q design.Question, said []string) string {
	steps := stepsOf(&o, q, said)
	verdict, missing := "held", false
	for _, s := range steps {
		if !slices.Contains(o.conditions, s.more) || !slices.Contains(o.conditions, s.less) {
			return "cannot-tell"
		}
		x, y := a.at(0, o.ID, s.more), a.at(0, o.ID, s.less)
		if x == nil || y == nil {
			missing = true
			continue
		}
		switch difference(x, y, false).Word {
		case "less":
			return "not-held"
		case "more":
		default:
			verdict = "cannot-tell"
		}
	}
	if missing || len(steps) == 0 {
		return ""
	}
	return verdict
}

// saidStep is one step of a prediction: a condition that is said to have more than another.
type saidStep struct{ more, less string }

// stepsOf are the steps of what was said: each of an order to the next, or the one that was
// chosen to all others.
func stepsOf(o *outcome, q design.Question, said []string) []saidStep {
	var steps []saidStep
	if q.Kind == "order" {
		for i := 1; i < len(said); i++ {
			steps = append(steps, saidStep{said[i-1], said[i]})
		}
	} else if len(said) == 1 {
		for _, k := range o.conditions {
			if k != said[0] {
				steps = append(steps, saidStep{said[0], k})
			}
		}
	}
	if q.Least {
		for i, s := range steps {
			steps[i] = saidStep{s.less, s.more}
		}
	}
	return steps
}
