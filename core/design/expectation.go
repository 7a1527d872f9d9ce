package design

import (
	"fmt"
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
			v.say(Error, "expectation", path+"/condition", text.Args{"problem": fmt.Sprintf("there is no condition %q", x.Condition)})
		}
		expected, err := v.d.Expect(x)
		if err != nil {
			v.say(Error, "expectation", path, text.Args{"problem": err.Error()})
			continue
		}
		r, ok := v.d.Reading(x.For)
		if !ok || expected.Value.Unit.Dim == quantity.Temperature { // a point has no size
			continue
		}
		for _, in := range r.Instruments {
			step, err := quantity.Parse(in.Resolution)
			if err != nil || step.Unit.Dim != expected.Value.Unit.Dim {
				continue // said of the reading
			}
			if size := expected.Value; size.Value*size.Unit.Factor < 5*step.SI() && size.Value > 0 {
				v.say(Warning, "too-coarse", path, text.Args{"expected": size.Bare(), "tool": in.Name, "step": in.Resolution})
			}
		}
	}
}
