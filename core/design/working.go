package design

import (
	"fmt"
	"maps"
	"math"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/formula"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/science"
	"patient-kitchen/core/text"
)

// Working is how a value is worked out of readings: a formula, or a model of the
// Workbench whose inputs are bound to readings.
type Working interface {
	// Symbols are the readings' symbols that go in.
	Symbols() []string
	// Subtracted are the pairs of them of which the difference is taken.
	Subtracted() [][2]string
	// NeedsSeries reports whether some part asks for a series of its own.
	NeedsSeries() bool
	Eval(env formula.Env, unit string) (quantity.Quantity, error)
	// Explain writes the working with the values put in.
	Explain(env formula.Env, language string) string
}

// Working is how one of the design's values is worked out. Under the unit % a
// last factor of 100 in a formula is the unit itself. Its errors say what is
// wrong with the formula or the model.
func (d *Document) Working(x Derived) (Working, error) {
	if x.Model == nil {
		e, err := formula.Parse(x.Formula)
		if err != nil {
			return nil, err
		}
		share, _, _ := e.AsShare(x.Unit)
		return written{share, e}, nil
	}
	m, ok := science.Find(x.Model.ID)
	if !ok {
		return nil, fmt.Errorf("there is no model %q", x.Model.ID)
	}
	w := modelled{model: m, output: x.Model.Output, typed: map[string]string{}, bound: map[string]string{}}
	if w.output == "" {
		w.output = m.Main
	}
	if !slices.ContainsFunc(m.Outputs, func(o science.Output) bool { return o.Name == w.output }) {
		return nil, fmt.Errorf("%s gives no %q", m.ID, w.output)
	}
	for _, input := range slices.Sorted(maps.Keys(x.Model.Inputs)) {
		value := x.Model.Inputs[input]
		if d.symbol(value) {
			w.bound[input] = value
			w.order = append(w.order, input)
		} else if strings.TrimSpace(value) != "" {
			w.typed[input] = value
		}
	}
	return w, nil
}

// symbol reports whether a reading, a constant or an amount is called so in formulas.
func (d *Document) symbol(s string) bool {
	return slices.ContainsFunc(d.Readings, func(r Reading) bool { return r.Symbol == s }) ||
		slices.ContainsFunc(d.Constants, func(c Constant) bool { return c.Symbol == s }) ||
		slices.ContainsFunc(d.Needs, func(n Need) bool { return n.Symbol == s })
}

// Fixed binds the symbols of constants to their values, and those of needs to the
// amounts that are wanted; one that cannot be read is left out.
func (d *Document) Fixed() formula.Env {
	env := formula.Env{}
	for i := range d.Needs {
		n := &d.Needs[i]
		if q, err := n.Wanted(); n.Symbol != "" && err == nil {
			env[n.Symbol] = formula.Binding{Values: []quantity.Quantity{q}}
		}
	}
	for _, c := range d.Constants {
		if q, ok := c.Quantity(); ok {
			env[c.Symbol] = formula.Binding{Values: []quantity.Quantity{q}}
		}
	}
	return env
}

// Quantity is the constant's value with its give or take, written as in a
// formula; it reports false where it cannot be read.
func (c Constant) Quantity() (quantity.Quantity, bool) {
	value, give, has := strings.Cut(c.Value, "±")
	q, ok := worth(value, "")
	if ok && has {
		if bare, readable := quantity.ParseOK(give); readable && bare.Unit == quantity.One {
			q.U = math.Abs(bare.Value) // in the unit of the value
			return q, true
		}
		u, fits := worth(give, q.Unit.Symbol)
		q.U, ok = math.Abs(u.Value), fits
	}
	return q, ok
}

// Wanted is the amount of a need for one time, with the give or take of what such an
// amount is measured out with. It fails on what is no amount.
func (n *Need) Wanted() (quantity.Quantity, error) {
	p, err := quantity.Parse(n.Amount)
	if err == nil && p.U == 0 {
		p.U = science.AmountU(n.Amount, p.Quantity)
	}
	return p.Quantity, err
}

// AskedUsed is how the amount that was really used is asked: in the unit that is wanted.
// It reports false where nothing can be asked.
func (n *Need) AskedUsed() (reading.Asked, bool) {
	wanted, ok := quantity.ParseOK(n.Amount)
	return reading.Asked{Unit: wanted.Unit.Symbol, Low: "0 " + wanted.Unit.Symbol}, ok && n.Symbol != ""
}

// Used reads an amount of a need as it was really used, for one time. It reports false for
// what is still to be asked about.
func (n *Need) Used(typed string, w reading.Writer) (quantity.Quantity, bool) {
	asked, ok := n.AskedUsed()
	if !ok {
		return quantity.Quantity{}, false
	}
	u := reading.Understand(asked, typed, w)
	if !u.Readable {
		return quantity.Quantity{}, false
	}
	q := u.InUnit
	if q.U == 0 {
		q.U = science.AmountU(typed, q)
	}
	return q, true
}

// worth works out a formula without symbols.
func worth(expression, unit string) (quantity.Quantity, bool) {
	e, err := formula.Parse(expression)
	if err != nil || len(e.Symbols()) > 0 {
		return quantity.Quantity{}, false
	}
	q, err := e.Eval(nil, unit)
	return q, err == nil && q.Sound()
}

// written is a formula as it is worked out, and as it was written.
type written struct {
	*formula.Expr
	as *formula.Expr
}

// Explain writes the working of an expression, step by step.
func (w written) Explain(env formula.Env, language string) string { return w.as.Explain(env, language) }

// modelled is a model with some of its inputs bound to readings.
type modelled struct {
	model  *science.Model
	output string
	typed  map[string]string
	bound  map[string]string // input → symbol
	order  []string          // of the bound inputs
}

// Subtracted is none: what a model does with its inputs is its own.
func (w modelled) Subtracted() [][2]string { return nil }

// Symbols are the symbols of an expression, each once.
func (w modelled) Symbols() []string {
	var out []string
	for _, input := range w.order {
		if s := w.bound[input]; !slices.Contains(out, s) {
			out = append(out, s)
		}
	}
	return out
}

// NeedsSeries reports whether a symbol has to be a series of values.
func (w modelled) NeedsSeries() bool {
	return slices.ContainsFunc(w.model.Inputs, func(in science.Input) bool {
		return strings.HasPrefix(in.Unit, "list of ") && w.bound[in.Name] != ""
	})
}

// Eval runs the model with the readings' values; the uncertainty is first order
// over them, by running it again with each one moved by its own.
func (w modelled) Eval(env formula.Env, unit string) (quantity.Quantity, error) {
	value, err := w.run(env, unit)
	if err != nil {
		return quantity.Quantity{}, err
	}
	sum := 0.0
	for _, symbol := range w.Symbols() {
		for i, q := range env[symbol].Values {
			if q.U == 0 {
				continue
			}
			moved := maps.Clone(env)
			b := moved[symbol]
			b.Values = slices.Clone(b.Values)
			b.Values[i].Value += q.U
			moved[symbol] = b
			if again, err := w.run(moved, unit); err == nil {
				sum += (again.Value - value.Value) * (again.Value - value.Value)
			}
		}
	}
	return quantity.FromSI(value.SI(), math.Sqrt(sum)*value.Unit.Factor, value.Unit), nil
}

func (w modelled) run(env formula.Env, unit string) (quantity.Quantity, error) {
	typed := maps.Clone(w.typed)
	for input, symbol := range w.bound {
		values := env[symbol].Values
		if len(values) == 0 {
			return quantity.Quantity{}, fmt.Errorf("%q has no values yet", symbol)
		}
		list := strings.HasPrefix(w.unitOf(input), "list of ")
		if !list && len(values) > 1 {
			return quantity.Quantity{}, fmt.Errorf("%s takes one value, and %q has several", input, symbol)
		}
		parts := make([]string, len(values))
		for i, q := range values {
			parts[i] = strings.TrimSpace(strconv.FormatFloat(q.Value, 'g', -1, 64) + " " + q.Unit.Symbol)
			if q.Unit == quantity.One {
				parts[i] = strings.TrimSuffix(parts[i], " 1")
			}
		}
		typed[input] = strings.Join(parts, "; ")
	}
	out, err := w.model.RunTyped(typed)
	if err != nil {
		return quantity.Quantity{}, err
	}
	v, ok := out[w.output].Value.(float64)
	from, known := quantity.LookupUnit(out[w.output].Unit)
	if !ok || !known {
		return quantity.Quantity{}, fmt.Errorf("%s gives no number here", w.model.ID)
	}
	to := from
	if unit != "" {
		if to, known = quantity.LookupUnit(unit); !known {
			return quantity.Quantity{}, fmt.Errorf("%q is not a unit known here", unit)
		}
	}
	return quantity.Quantity{Value: v, Unit: from}.In(to)
}

func (w modelled) unitOf(input string) string {
	for _, in := range w.model.Inputs {
		if in.Name == input {
			return in.Unit
		}
	}
	return ""
}

// Explain names the model and what goes in.
func (w modelled) Explain(env formula.Env, language string) string {
	words := []string{}
	for _, input := range w.order {
		values := make([]string, len(env[w.bound[input]].Values))
		for i, q := range env[w.bound[input]].Values {
			q.U = 0
			values[i] = q.Show(language)
		}
		words = append(words, strings.ReplaceAll(input, "_", " ")+" = "+strings.Join(values, "; "))
	}
	return text.Render(w.model.Title(), language) + " " + strings.Join(words, ", ")
}

// Named puts the readings' names in the place of their symbols.
func Named(d *Document, expression, language string) string {
	return symbolInText.ReplaceAllStringFunc(expression, func(symbol string) string {
		name := text.Localized{}
		for _, r := range d.Readings {
			if r.Symbol == symbol {
				name = r.Name
			}
		}
		for _, c := range d.Constants {
			if c.Symbol == symbol {
				name = c.Name
			}
		}
		for _, n := range d.Needs {
			if n.Symbol == symbol {
				name = n.Name
			}
		}
		if s, _ := name.In(language); s != "" {
			return s
		}
		return symbol
	})
}

var symbolInText = regexp.MustCompile(`[A-Za-z_][A-Za-z0-9_]*`)
