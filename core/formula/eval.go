package formula

import (
	"math"

	"patient-kitchen/core/quantity"
)

// Binding is what a symbol stands for: one quantity, or a series of them.
// Times, in seconds, belong to the elements of a series and serve at().
type Binding struct {
	Values []quantity.Quantity
	Series bool
	Times  []float64
}

// One binds a symbol to a single quantity.
func One(q quantity.Quantity) Binding { return Binding{Values: []quantity.Quantity{q}} }

// Env binds the symbols of an expression.
type Env map[string]Binding

// value is a number or series on its way through an expression, in SI base
// units, each number with its derivatives by the independent inputs.
type value struct {
	dim    quantity.Dim
	series bool
	xs     []dual
	times  []float64
	exact  bool // made of written numbers only
}

// dual is a number with its gradient; a nil gradient is all zero.
type dual struct {
	x    float64
	grad []float64
}

type evaluator struct {
	env    Env
	inputs map[string]value
	us     []float64 // standard uncertainties of the inputs, SI
}

// Eval works an expression out. Every quantity of env is an independent
// input; one used twice is still one input, so x/x has no uncertainty. Angles
// count as pure numbers in radians, temperatures as kelvin. The result is in
// unit, or in the canonical unit of its dimension when unit is "". Errors are
// of type *Error and name both units or dimensions where those differ.
func (e *Expr) Eval(env Env, unit string) (quantity.Quantity, error) {
	ev := &evaluator{env: env, inputs: map[string]value{}}
	v, err := ev.eval(e.root)
	if err != nil {
		return quantity.Quantity{}, err
	}
	if v.series {
		return quantity.Quantity{}, e.root.wrong("several")
	}
	out, err := resultUnit(e, v.dim, unit)
	if err != nil {
		return quantity.Quantity{}, err
	}
	q := quantity.FromSI(v.xs[0].x, ev.spread(v.xs[0]), out)
	if bad(q.Value) || bad(q.U) {
		return quantity.Quantity{}, e.root.wrong("infinite")
	}
	return q, nil
}

// resultUnit is the unit of a result: the asked one, which has to be of its
// dimension, or the canonical one.
func resultUnit(e *Expr, dim quantity.Dim, unit string) (quantity.Unit, error) {
	if unit == "" {
		if dim == quantity.Temperature {
			return quantity.MustUnit("K"), nil // it may be a difference, which °C would shift
		}
		return quantity.Canonical(dim), nil
	}
	u, ok := quantity.LookupUnit(unit)
	if !ok {
		return u, &Error{0, len(e.src), why("unit", "unit", unit)}
	}
	asked := u.Dim
	if asked == quantity.Angle {
		asked = quantity.Pure
	}
	if asked != dim {
		return u, &Error{0, len(e.src), why("other-kind", "a", dim.Words(), "b", asked.Words(), "unit", unit)}
	}
	return u, nil
}

func bad(x float64) bool { return math.IsNaN(x) || math.IsInf(x, 0) }

// spread is the first-order standard uncertainty: u² = Σ(∂f/∂input·u_input)².
func (ev *evaluator) spread(d dual) float64 {
	sum := 0.0
	for i, g := range d.grad {
		sum += g * g * ev.us[i] * ev.us[i]
	}
	return math.Sqrt(sum)
}

func (ev *evaluator) eval(n *node) (value, error) {
	switch n.kind {
	case nNumber:
		return value{dim: n.dim(), xs: []dual{{x: n.si()}}, exact: true}, nil
	case nSymbol:
		return ev.symbol(n)
	case nCompare:
		return value{}, n.wrong("comparison")
	case nUnary:
		v, err := ev.eval(n.args[0])
		if err != nil {
			return value{}, err
		}
		return v.each(func(d dual) dual { return d.scale(-d.x, -1) }), nil
	case nBinary:
		a, err := ev.eval(n.args[0])
		if err != nil {
			return value{}, err
		}
		b, err := ev.eval(n.args[1])
		if err != nil {
			return value{}, err
		}
		return binary(n, a, b)
	}
	return ev.call(n)
}

// dim is the dimension of a written number; angles count as pure numbers.
func (n *node) dim() quantity.Dim {
	if n.unit.Dim == quantity.Angle {
		return quantity.Pure
	}
	return n.unit.Dim
}

// si is a written number in SI base units.
func (n *node) si() float64 {
	if n.unit.Symbol == "" {
		return n.number
	}
	return quantity.Quantity{Value: n.number, Unit: n.unit}.SI()
}

func (ev *evaluator) symbol(n *node) (value, error) {
	if v, ok := ev.inputs[n.name]; ok {
		return v, nil
	}
	b, ok := ev.env[n.name]
	if !ok {
		if n.name == "pi" {
			return value{xs: []dual{{x: math.Pi}}, exact: true}, nil
		}
		return value{}, n.wrong("unknown", "name", n.name)
	}
	if len(b.Values) == 0 {
		return value{}, n.wrong("no-values", "name", n.name)
	}
	v := value{dim: b.Values[0].Unit.Dim, series: b.Series, times: b.Times}
	for _, q := range b.Values {
		if q.Unit.Dim != v.dim {
			return value{}, n.wrong("mixed-values", "name", n.name, "a", v.dim.Words(), "b", q.Unit.Dim.Words())
		}
		d := dual{x: q.SI()}
		if q.U > 0 {
			i := len(ev.us)
			ev.us = append(ev.us, q.USI())
			d.grad = make([]float64, i+1)
			d.grad[i] = 1
		}
		v.xs = append(v.xs, d)
	}
	if v.dim == quantity.Angle {
		v.dim = quantity.Pure
	}
	ev.inputs[n.name] = v
	return v, nil
}

// each applies a function of one number to a value, element by element.
func (v value) each(f func(dual) dual) value {
	out := v
	out.xs = make([]dual, len(v.xs))
	for i, d := range v.xs {
		out.xs[i] = f(d)
	}
	return out
}

// scale is a number x whose gradient is k times d's.
func (d dual) scale(x, k float64) dual { return combine(x, k, d, 0, dual{}) }

// combine is a number x with gradient ka·a' + kb·b'.
func combine(x, ka float64, a dual, kb float64, b dual) dual {
	n := max(len(a.grad), len(b.grad))
	if n == 0 {
		return dual{x: x}
	}
	g := make([]float64, n)
	for i, v := range a.grad {
		g[i] += ka * v
	}
	for i, v := range b.grad {
		g[i] += kb * v
	}
	return dual{x: x, grad: g}
}

func binary(n *node, a, b value) (value, error) {
	if a.series && b.series && len(a.xs) != len(b.xs) {
		return value{}, n.wrong("lengths", "n", len(a.xs), "m", len(b.xs))
	}
	out := value{series: a.series || b.series, times: a.times, exact: a.exact && b.exact, dim: a.dim}
	if !a.series {
		out.times = b.times
	}
	if n.name == "^" && b.series {
		return value{}, n.args[1].wrong("exponent")
	}
	exponent := 0.0
	if len(b.xs) > 0 {
		exponent = b.xs[0].x
	}
	var err *Error
	if out.dim, err = resultDim(n, a.dim, b.dim, exponent, b.exact); err != nil {
		return value{}, err
	}
	size := max(len(a.xs), len(b.xs))
	out.xs = make([]dual, size)
	for i := range size {
		x, y := a.at(i), b.at(i)
		d, fault := apply(n.name, x, y)
		if fault == "" && bad(d.x) {
			fault = "infinite"
		}
		if fault != "" {
			return value{}, n.wrong(fault)
		}
		out.xs[i] = d
	}
	return out, nil
}

// resultDim is the dimension of two operands joined; exponent and exact belong
// to the right one.
func resultDim(n *node, a, b quantity.Dim, exponent float64, exact bool) (quantity.Dim, *Error) {
	switch n.name {
	case "+", "-":
		if a != b {
			return a, n.wrong(
				map[string]string{"+": "added", "-": "subtracted"}[n.name],
				"a",
				a.Words(),
				"b",
				b.Words(),
			)
		}
	case "*":
		return a.Mul(b), nil
	case "/":
		return a.Div(b), nil
	case "^":
		if b != quantity.Pure {
			return a, n.args[1].wrong("exponent")
		}
		if a != quantity.Pure {
			half := math.Round(2 * exponent)
			d, ok := a.Pow(int(half))
			if !exact || math.Abs(half-2*exponent) > 1e-12 || math.Abs(half) > 24 || !ok {
				return a, n.args[1].wrong("power", "a", a.Words())
			}
			return d, nil
		}
	}
	return a, nil
}

// at is the i-th element of a series, or the one value of a single.
func (v value) at(i int) dual {
	if v.series {
		return v.xs[i]
	}
	return v.xs[0]
}

func apply(op string, a, b dual) (dual, string) {
	switch op {
	case "+":
		return combine(a.x+b.x, 1, a, 1, b), ""
	case "-":
		return combine(a.x-b.x, 1, a, -1, b), ""
	case "*":
		return combine(a.x*b.x, b.x, a, a.x, b), ""
	case "/":
		if b.x == 0 {
			return dual{}, "division"
		}
		return combine(a.x/b.x, 1/b.x, a, -a.x/b.x/b.x, b), ""
	}
	if a.x == 0 && b.x <= 0 {
		return dual{}, "zero-power"
	}
	x := math.Pow(a.x, b.x)
	ka, kb := 0.0, 0.0
	if a.x != 0 {
		ka = b.x * x / a.x
	} else if b.x <= 1 { // b > 0 here: steepness 1 at power one, infinite below
		ka = map[bool]float64{true: 1, false: math.Inf(1)}[b.x == 1]
	}
	if len(b.grad) > 0 && a.x > 0 {
		kb = x * math.Log(a.x)
	}
	return combine(x, ka, a, kb, b), ""
}
