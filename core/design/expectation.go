package design

import (
	"fmt"
	"maps"
	"math"
	"slices"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/science"
	"patient-kitchen/core/text"
)

// Expectation is what a model of the science core says a reading or derived
// value should come to. Only the question is kept; the answer is worked out
// when it is wanted.
type Expectation struct {
	ID        string            `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	For       string            `json:"for" doc:"Id of a reading or derived value"`
	Condition string            `json:"condition,omitempty" doc:"Id of the condition it holds for; blank for all"`
	Model     string            `json:"model" doc:"Id of a model of the Workbench"`
	Typed     map[string]string `json:"typed" doc:"What was typed into the model's blanks"`
}

// Expected is an expectation worked out.
type Expected struct {
	Value quantity.Quantity // in the unit of what it is for, with its give or take
	Title text.Message      // the question of the model
}

// Expect works an expectation out. Its errors are *science.InputError or say
// what does not fit.
func (d *Document) Expect(x Expectation) (Expected, error) {
	model, ok := science.Find(x.Model)
	if !ok {
		return Expected{}, fmt.Errorf("there is no model %q", x.Model)
	}
	symbol, ok := d.unitOf(x.For)
	if !ok {
		return Expected{}, fmt.Errorf("%q is no reading and no derived value", x.For)
	}
	reply, err := model.Ask(science.Question{Typed: x.Typed})
	if err != nil {
		return Expected{}, err
	}
	main, ok := reply.Outputs[reply.Main].Value.(float64)
	if !ok {
		return Expected{}, fmt.Errorf("the model gives no number")
	}
	from, ok1 := quantity.LookupUnit(reply.Outputs[reply.Main].Unit)
	to, ok2 := quantity.LookupUnit(symbol)
	if !ok1 || !ok2 {
		return Expected{}, fmt.Errorf("the units %q and %q cannot be compared", reply.Outputs[reply.Main].Unit, symbol)
	}
	q := quantity.Quantity{Value: main, Unit: from}
	if u := reply.Outputs[reply.Main].Uncertainty; u != nil {
		q.U = *u
	}
	q, err = q.In(to)
	return Expected{q, model.Title()}, err
}

// unitOf is the unit of a reading or derived value.
func (d *Document) unitOf(id string) (string, bool) {
	if r, ok := d.Reading(id); ok {
		return r.Unit, true
	}
	if i := slices.IndexFunc(d.Derived, func(x Derived) bool { return x.ID == id }); i >= 0 {
		return d.Derived[i].Unit, true
	}
	return "", false
}

// expectations checks that each can be worked out, and that the tools of the
// reading can see it: less than five steps of a display cannot be told from
// rounding.
func (v *validator) expectations() {
	for i, x := range v.d.Expectations {
		path := fmt.Sprintf("/expectations/%d", i)
		v.id("expectation", x.ID, path)
		if x.Condition != "" && !v.known("condition", x.Condition) {
			v.say(
				Error,
				"expectation",
				path+"/condition",
				text.Args{"problem": fmt.Sprintf("there is no condition %q", x.Condition)},
			)
		}
		expected, err := v.d.Expect(x)
		if err != nil {
			v.say(Error, "expectation", path, text.Args{"problem": text.Why(err)})
			continue
		}
		v.coarse(path, x.For, expected.Value, "too-coarse", nil)
		for k, other := range v.d.Expectations[:i] {
			if other.For != x.For || other.Condition == x.Condition {
				continue
			}
			if from, err := v.d.Expect(other); err == nil {
				apart := expected.Value
				apart.Value = math.Abs(apart.Value - from.Value.Value)
				v.coarse(
					path,
					x.For,
					apart,
					"too-coarse-apart",
					text.Args{"against": v.nameOf(v.d.Expectations[k].Condition), "condition": v.nameOf(x.Condition)},
				)
			}
		}
	}
}

// coarse says where a tool shows less than five steps of what is expected of a
// reading, or of a value worked out of readings: the tool's steps then weigh as
// much as they do in the value.
func (v *validator) coarse(path, id string, size quantity.Quantity, code string, args text.Args) {
	if code == "too-coarse" && size.Unit.Dim == quantity.Temperature || size.Value <= 0 {
		return // a point on a scale has no size
	}
	for _, s := range v.d.stepsOf(id) {
		if s.size.Unit.Dim != size.Unit.Dim || size.Value*size.Unit.Factor >= 5*s.size.Value*s.size.Unit.Factor {
			continue
		}
		all := text.Args{"expected": size.Bare(), "tool": s.tool, "step": s.size.Bare()}
		maps.Copy(all, args)
		v.say(Warning, code, path, all)
	}
}

// toolStep is how finely a value is read with a tool.
type toolStep struct {
	tool text.Localized
	size quantity.Quantity
}

// stepsOf are the steps of the tools of a reading, or what the steps of the
// usual tools come to in a value that is worked out.
func (d *Document) stepsOf(id string) []toolStep {
	if r, ok := d.Reading(id); ok {
		var out []toolStep
		for _, in := range r.Instruments {
			if p, ok := quantity.ParseOK(in.Resolution); ok { // else it is said of the reading
				out = append(out, toolStep{in.Name, p.Quantity})
			}
		}
		return out
	}
	var tool text.Localized
	q, ok := d.Spread(id, func(r *Reading, symbols []string) float64 {
		in, ok := r.Instrument("")
		if !ok {
			return 0
		}
		if slices.Contains(symbols, r.Symbol) && len(tool) == 0 {
			tool = in.Name
		}
		return r.InOwn(in.Resolution)
	})
	if !ok || q.U == 0 {
		return nil
	}
	return []toolStep{{tool, quantity.Quantity{Value: q.U, Unit: q.Unit}}}
}

// InOwn is a typed amount in the unit of a reading; 0 where it is of another kind.
func (r *Reading) InOwn(typed string) float64 {
	unit, ok := quantity.LookupUnit(r.Unit)
	p, readable := quantity.ParseOK(typed)
	if !ok || !readable || p.Unit.Dim != unit.Dim {
		return 0
	}
	return p.Value * p.Unit.Factor / unit.Factor
}

// asMuch brings made-up values of a mass or volume to the size of what is used: where
// one amount alone of the design is of this kind, between it and twice as much. A gain of
// 40 g of beans is known less well than one of a kilogram.
func (d *Document) asMuch(r *Reading, values []quantity.Quantity) {
	unit, ok := quantity.LookupUnit(r.Unit)
	if !ok || unit.Dim != quantity.Mass && unit.Dim != quantity.Volume {
		return
	}
	amount, low, high := 0.0, math.Inf(1), math.Inf(-1)
	for _, n := range d.Needs {
		if a := r.InOwn(n.Amount); a > 0 && amount > 0 && a != amount {
			return
		} else if a > 0 {
			amount = a
		}
	}
	for _, v := range values {
		low, high = min(low, v.Value), max(high, v.Value)
	}
	if amount == 0 || len(values) == 0 {
		return
	}
	for i := range values {
		part := 0.5
		if high > low {
			part = (values[i].Value - low) / (high - low)
		} else if l, h := r.InOwn(r.Low), r.InOwn(r.High); h > l {
			part = (values[i].Value - l) / (h - l)
		}
		values[i].Value = amount * (1 + part)
	}
}

// Spread is what a spread of each reading, in its own unit, comes to in a value: a
// reading, or one that is worked out, of made-up readings within their limits. The
// function is told which symbols the value speaks of.
func (d *Document) Spread(id string, of func(r *Reading, symbols []string) float64) (quantity.Quantity, bool) {
	if r, ok := d.Reading(id); ok {
		unit, known := quantity.LookupUnit(r.Unit)
		env := madeUp(d, []int{slices.IndexFunc(d.Readings, func(x Reading) bool {
			return x.ID == id
		})}, false, false, 0)
		if b := env[r.Symbol]; known && len(b.Values) > 0 {
			return quantity.Quantity{Value: b.Values[0].Value, U: of(r, []string{r.Symbol}), Unit: unit}, true
		}
		return quantity.Quantity{}, false
	}
	i := slices.IndexFunc(d.Derived, func(x Derived) bool { return x.ID == id })
	if i < 0 {
		return quantity.Quantity{}, false
	}
	w, err := d.Working(d.Derived[i])
	if err != nil {
		return quantity.Quantity{}, false
	}
	env := madeUp(d, d.used(w.Symbols()), d.over(d.Derived[i]), w.NeedsSeries(), 0)
	for k := range d.Readings {
		r := &d.Readings[k]
		b := env[r.Symbol]
		d.asMuch(r, b.Values)
		u := of(r, w.Symbols())
		for j := range b.Values {
			b.Values[j].U = u
		}
	}
	q, err := w.Eval(env, d.Derived[i].Unit)
	return q, err == nil
}

func (v *validator) nameOf(condition string) text.Localized {
	if k, ok := v.d.Condition(condition); ok {
		return k.Name
	}
	return text.Localized{}
}
