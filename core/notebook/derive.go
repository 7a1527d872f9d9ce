package notebook

import (
	"errors"

	"patient-kitchen/core/formula"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Result is one derived value of one condition ("" where readings are not
// taken per condition).
type Result struct {
	Derived   string
	Condition string
	Value     quantity.Quantity
	Working   string // the formula with the home's own numbers, in the writer's language
	Missing   text.Message
	OK        bool
}

// Derive works out every outcome of the design from a notebook, in the
// order of outcomes and conditions. A value that cannot be worked out
// says why; a missing reading among several times or trials only narrows the
// series. The formula's uncertainty is first order over independent readings.
func Derive(b *Book) []Result {
	var out []Result
	conditions := []string{""}
	if len(b.Design.Conditions) > 0 {
		conditions = conditions[:0]
		for _, c := range b.Design.Conditions {
			conditions = append(conditions, c.ID)
		}
	}
	for _, x := range b.Design.Outcomes() {
		e, err := formula.Parse(x.Formula)
		for _, c := range conditions {
			r := Result{Derived: x.ID, Condition: c}
			if err != nil {
				r.Missing = text.Message{ID: "notebook.derive.formula", Args: text.Args{"problem": err.Error()}}
				out = append(out, r)
				continue
			}
			r.work(b, e, x.Unit)
			out = append(out, r)
		}
	}
	return out
}

func (r *Result) work(b *Book, e *formula.Expr, unit string) {
	env := bind(b, r.Condition, e.Symbols())
	for _, symbol := range e.Symbols() {
		if bound, ok := env[symbol]; ok && len(bound.Values) == 0 && symbol != "time" {
			r.Missing = text.Message{ID: "notebook.derive.missing", Args: text.Args{"reading": b.name(symbol)}}
			return
		}
	}
	v, err := e.Eval(env, unit)
	if err == nil && !v.Sound() {
		err = errors.New("what comes out is too large a number to work with")
	}
	if err != nil {
		r.Missing = text.Message{ID: "notebook.derive.formula", Args: text.Args{"problem": err.Error()}}
		var fe *formula.Error
		if errors.As(err, &fe) && fe.Message == "there is no reading at that time" {
			r.Missing = text.Message{ID: "notebook.derive.time"}
		}
		return
	}
	r.Value, r.OK = v, true
	r.Working = e.Explain(env, b.Writer.Language)
}

func (b *Book) name(symbol string) text.Localized {
	for _, r := range b.Design.Readings {
		if r.Symbol == symbol {
			return r.Name
		}
	}
	return text.Localized{"en": symbol}
}

// bind gives every reading's symbol its values for one condition. A reading
// with several times or trials is a series; "time" is the series of planned
// times of the timed reading the expression uses.
func bind(b *Book, condition string, symbols []string) formula.Env {
	env := formula.Env{}
	for _, r := range b.Design.Readings {
		bound := formula.Binding{}
		clock := formula.Binding{Series: true}
		slots := 0
		for i := range b.Cells {
			c := &b.Cells[i]
			if c.Slot.Reading != r.ID || c.Slot.Condition != "" && c.Slot.Condition != condition {
				continue
			}
			slots++
			if c.State != HasValue {
				continue
			}
			bound.Values = append(bound.Values, c.Understood.InUnit)
			if c.Slot.Time != "" {
				at, _ := quantity.Parse(c.Slot.Time)
				bound.Times = append(bound.Times, at.SI())
				clock.Values = append(clock.Values, at.Quantity)
			}
		}
		bound.Series = slots > 1
		env[r.Symbol] = bound
		for _, s := range symbols {
			if s == r.Symbol && len(r.Times) > 0 {
				env["time"] = clock
			}
		}
	}
	return env
}
