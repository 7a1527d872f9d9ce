package formula

import (
	"math"

	"patient-kitchen/core/quantity"
)

// Program is an expression made ready to be worked out many times, with the
// symbols' units fixed and all dimensions checked once.
type Program struct {
	code   []instruction
	scales []quantity.Unit // of the symbols, in order
	unit   quantity.Unit   // of the result
}

type instruction struct {
	op    byte // '0' number, 'x' symbol, 'n' negate, + - * / ^ or 'f' a function
	value float64
	index int
	apply func(x float64) (y, slope float64)
}

// compiled are the functions of single values with their derivatives. A value
// outside their range gives NaN.
var compiled = map[string]func(x float64) (y, slope float64){
	"sqrt":  func(x float64) (float64, float64) { r := math.Sqrt(x); return r, 0.5 / r },
	"abs":   func(x float64) (float64, float64) { return math.Abs(x), math.Copysign(1, x) },
	"ln":    func(x float64) (float64, float64) { return math.Log(x), 1 / x },
	"log10": func(x float64) (float64, float64) { return math.Log10(x), 1 / x / math.Ln10 },
	"exp":   func(x float64) (float64, float64) { y := math.Exp(x); return y, y },
	"sin":   func(x float64) (float64, float64) { return math.Sin(x), math.Cos(x) },
	"cos":   func(x float64) (float64, float64) { return math.Cos(x), -math.Sin(x) },
	"tan":   func(x float64) (float64, float64) { c := math.Cos(x); return math.Tan(x), 1 / c / c },
	"atan":  func(x float64) (float64, float64) { return math.Atan(x), 1 / (1 + x*x) },
}

// Compile fixes the units of an expression's symbols, in the order in which
// Program.Eval will be given their values, and the unit of the result ("" for
// the canonical one). Series functions are refused: they need Eval. Errors are
// of type *Error.
func (e *Expr) Compile(symbols []string, units []quantity.Unit, unit string) (*Program, error) {
	if len(symbols) != len(units) {
		panic("formula: as many units as symbols are needed")
	}
	p := &Program{scales: units}
	index := map[string]int{}
	for i, s := range symbols {
		index[s] = i
	}
	dim, _, _, err := p.emit(e.root, index)
	if err != nil {
		return nil, err
	}
	if p.unit, err = resultUnit(e, dim, unit); err != nil {
		return nil, err
	}
	return p, nil
}

// emit appends the code of a node and gives its dimension; number and exact
// belong to a written number.
func (p *Program) emit(n *node, index map[string]int) (dim quantity.Dim, number float64, exact bool, err error) {
	switch n.kind {
	case nNumber:
		p.code = append(p.code, instruction{op: '0', value: n.si()})
		return n.dim(), n.si(), true, nil
	case nSymbol:
		return p.emitSymbol(n, index)
	case nUnary:
		dim, number, exact, err = p.emit(n.args[0], index)
		p.code = append(p.code, instruction{op: 'n'})
		return dim, -number, exact, err
	case nBinary:
		return p.emitBinary(n, index)
	}
	return p.emitCall(n, index)
}

func (p *Program) emitSymbol(n *node, index map[string]int) (quantity.Dim, float64, bool, error) {
	i, ok := index[n.name]
	switch {
	case !ok && n.name == "pi":
		p.code = append(p.code, instruction{op: '0', value: math.Pi})
		return quantity.Pure, math.Pi, true, nil
	case !ok:
		return quantity.Dim{}, 0, false, n.wrong("unknown", "name", n.name)
	}
	p.code = append(p.code, instruction{op: 'x', index: i})
	dim := p.scales[i].Dim
	if dim == quantity.Angle {
		dim = quantity.Pure
	}
	return dim, 0, false, nil
}

func (p *Program) emitBinary(n *node, index map[string]int) (quantity.Dim, float64, bool, error) {
	a, x, exactA, err := p.emit(n.args[0], index)
	if err != nil {
		return a, 0, false, err
	}
	b, y, exactB, err := p.emit(n.args[1], index)
	if err != nil {
		return b, 0, false, err
	}
	dim, fault := resultDim(n, a, b, y, exactB)
	if fault != nil {
		return dim, 0, false, fault
	}
	p.code = append(p.code, instruction{op: n.name[0]})
	out, _ := apply(n.name, dual{x: x}, dual{x: y})
	return dim, out.x, exactA && exactB, nil
}

func (p *Program) emitCall(n *node, index map[string]int) (dim quantity.Dim, number float64, exact bool, err error) {
	f, ok := compiled[n.name]
	if !ok {
		return dim, 0, false, n.wrong("series-function", "name", n.name)
	}
	dim, number, exact, err = p.emit(n.args[0], index)
	if err != nil {
		return dim, 0, false, err
	}
	p.code = append(p.code, instruction{op: 'f', apply: f})
	switch n.name {
	case "abs":
	case "sqrt":
		root, ok := dim.Pow(1)
		if !ok {
			return dim, 0, false, n.wrong("root-of", "a", dim.Words())
		}
		dim = root
	default:
		if dim != quantity.Pure {
			return dim, 0, false, n.wrong("plain", "name", n.name, "a", dim.Words())
		}
	}
	number, _ = f(number)
	return dim, number, exact, nil
}

// Unit is the unit of the results.
func (p *Program) Unit() quantity.Unit { return p.unit }

// Eval works the program out with one value a symbol, in the units it was
// compiled for. The result is NaN where the expression has none (a division by
// zero, a logarithm of nothing).
func (p *Program) Eval(values []float64) float64 {
	var stack [16]cell
	return p.settle(p.run(stack[:0], values, -1).x)
}

// EvalU is Eval with standard uncertainties, of first order and independent.
func (p *Program) EvalU(values, us []float64) (value, u float64) {
	var stack [16]cell
	value = p.Eval(values)
	sum := 0.0
	for i, ui := range us {
		if ui == 0 {
			continue
		}
		d := p.run(stack[:0], values, i).slope * ui * p.scales[i].Factor
		sum += d * d
	}
	return value, math.Sqrt(sum) / p.unit.Factor
}

func (p *Program) settle(si float64) float64 {
	if bad(si) {
		return math.NaN()
	}
	return (si - p.unit.Offset) / p.unit.Factor
}

// cell is a number with its derivative by one symbol.
type cell struct{ x, slope float64 }

// run works out value and derivative by symbol seed (−1 for none), in SI.
func (p *Program) run(stack []cell, values []float64, seed int) cell {
	for _, in := range p.code {
		top := len(stack) - 1
		switch in.op {
		case '0':
			stack = append(stack, cell{x: in.value})
		case 'x':
			unit := &p.scales[in.index]
			c := cell{x: values[in.index]*unit.Factor + unit.Offset}
			if in.index == seed {
				c.slope = 1
			}
			stack = append(stack, c)
		case 'n':
			stack[top] = cell{-stack[top].x, -stack[top].slope}
		case 'f':
			y, slope := in.apply(stack[top].x)
			if stack[top].slope == 0 {
				slope = 0 // no infinite steepness times nothing
			}
			stack[top] = cell{y, slope * stack[top].slope}
		default:
			stack[top-1] = join(in.op, stack[top-1], stack[top])
			stack = stack[:top]
		}
	}
	return stack[0]
}

func join(op byte, a, b cell) cell {
	switch op {
	case '+':
		return cell{a.x + b.x, a.slope + b.slope}
	case '-':
		return cell{a.x - b.x, a.slope - b.slope}
	case '*':
		return cell{a.x * b.x, a.slope*b.x + b.slope*a.x}
	case '/':
		if b.x == 0 {
			return cell{math.NaN(), math.NaN()}
		}
		return cell{a.x / b.x, (a.slope - a.x/b.x*b.slope) / b.x}
	}
	if a.x == 0 && b.x <= 0 {
		return cell{math.NaN(), math.NaN()}
	}
	y := math.Pow(a.x, b.x)
	slope := 0.0
	if a.slope != 0 {
		slope += b.x * math.Pow(a.x, b.x-1) * a.slope
	}
	if b.slope != 0 && a.x > 0 {
		slope += y * math.Log(a.x) * b.slope
	}
	return cell{y, slope}
}
