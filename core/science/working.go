package science

import (
	"strings"

	"patient-kitchen/core/formula"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// working collects a model's steps for an answer key, and what a test found. A
// nil one collects nothing, so that a plain run costs nothing more.
//
// Each step is a formula of package formula, worked out on its own from the
// inputs as they were typed: it is a second computation beside the model's.
type working struct {
	env     formula.Env
	steps   []Step
	finding *Tested
	drawn   *drawn
}

// drawn is a fitted law with its readings. at is the input that asks for its
// value somewhere, "" for none.
type drawn struct {
	x, y                       []float64
	xName, yName, xUnit, yUnit string
	at                         string
	law                        func(x float64) float64
}

// draw notes a fitted law.
func (w *working) draw(d drawn) {
	if w != nil {
		w.drawn = &d
	}
}

// Step is one line of a working.
type Step struct {
	Name    string
	formula *formula.Expr
	env     formula.Env
	Result  quantity.Quantity
}

// Show writes the step as a student would: with names, with the numbers put
// in, and the result.
func (s Step) Show(language string) string {
	words := func(t string) string { return strings.ReplaceAll(t, "_", " ") }
	line := words(s.Name) + " = " + words(s.formula.Explain(nil, language))
	if put := s.formula.Explain(s.env, language); put != words(s.formula.Explain(nil, language)) {
		line += " = " + put
	}
	return line + " = " + s.Result.Show(language)
}

// Check holds a student's own lines against the step; see formula.Expr.Check.
func (s Step) Check(unit, working string) (formula.Checked, error) {
	return s.formula.Check(s.env, unit, working)
}

// Tested is what a model's statistical test says.
type Tested struct {
	Verdict    stats.Verdict
	Words      text.Message
	Conditions text.Message
	Doubts     []text.Message
}

// bind notes an input as it was typed; a temperature counts in kelvin.
func (w *working) bind(name string, values []quantity.Quantity, series bool) {
	if w == nil {
		return
	}
	b := formula.Binding{Series: series}
	for _, q := range values {
		if q.Unit.Dim == quantity.Temperature {
			q, _ = q.In(quantity.MustUnit("K"))
		}
		b.Values = append(b.Values, q)
	}
	w.env[name] = b
}

// know notes a constant, or a number that the model has chosen.
func (w *working) know(name string, value float64, unit string) {
	if w != nil {
		w.bind(name, []quantity.Quantity{quantity.New(value, unit)}, false)
	}
}

// knowAll notes plain numbers as a series.
func (w *working) knowAll(name string, values []float64) {
	if w == nil {
		return
	}
	all := make([]quantity.Quantity, len(values))
	for i, v := range values {
		all[i] = quantity.Quantity{Value: v, Unit: quantity.One}
	}
	w.bind(name, all, true)
}

// step works one line out and notes its result under its name. A line that
// cannot be worked out is left away: the model has its own answer or error.
func (w *working) step(name, expression, unit string) {
	if w == nil {
		return
	}
	e, err := formula.Parse(expression)
	if err != nil {
		panic("science: the working of " + name + ": " + err.Error())
	}
	q, err := e.Eval(w.env, unit)
	if err != nil {
		return
	}
	env := formula.Env{}
	for _, s := range e.Symbols() {
		env[s] = w.env[s]
	}
	w.steps = append(w.steps, Step{name, e, env, q})
	w.env[name] = formula.One(quantity.Quantity{Value: q.Value, Unit: q.Unit})
}

// found notes what a test says about what, in a unit.
func (w *working) found(f stats.Result, what string, unit quantity.Unit) {
	if w != nil {
		w.finding = &Tested{
			f.Verdict,
			f.Words(text.Message{ID: "science.claim." + what}, unit),
			f.Test.Conditions(),
			f.Doubts,
		}
	}
}
