package science

import (
	"encoding/json"
	"math"
	"slices"
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Solved is the amount of an input at which the main output is what was
// wanted, or why there is none.
type Solved struct {
	Input   string
	Value   quantity.Quantity
	Problem *InputError
}

// solve finds the amount of an input at which the main output is what was
// wanted: it looks for a change of side on a grid that grows from the present
// amount, then halves.
func (m *Model) solve(r Reply, inputs map[string]json.RawMessage, q Question) *Solved {
	s := &Solved{Input: q.Solve}
	fail := func(input, code string, pairs ...any) *Solved {
		s.Problem = wrong(input, code, pairs...)
		return s
	}
	if !slices.Contains(m.Inverse, q.Solve) {
		return fail(q.Solve, "only-these", "list", strings.Join(m.Inverse, ", "))
	}
	main := r.Outputs[r.Main]
	raw, _ := json.Marshal(q.Wanted)
	want, problem := wanted(raw, main.Unit)
	if problem != nil {
		return fail(r.Main, "said", "a", problem.Words())
	}
	in := m.input(q.Solve)
	a := amount{input: q.Solve, item: -1, q: quantity.New(1, unitFor(in)), plain: in.Unit == "1" || in.Unit == "any"}
	if given, ok := inputs[q.Solve]; ok {
		var typed string
		if json.Unmarshal(given, &typed) == nil {
			if p, err := quantity.Parse(typed); err == nil {
				a.q, a.plain = p.Quantity, p.Unit == quantity.One
			}
		}
	}
	f := func(x float64) (float64, bool) {
		if in.Whole {
			x = math.Round(x)
		}
		v, ok := m.number(r.Main, with(inputs, a, x))
		return v - want, ok
	}
	x0 := a.q.Value
	if x0 == 0 {
		x0 = 1
	}
	low, high := math.Inf(1), math.Inf(-1) // answers that were seen
	type place struct {
		x, f float64
		ok   bool
	}
	at := func(x float64) place {
		v, ok := f(x)
		if ok {
			low, high = math.Min(low, v), math.Max(high, v)
		}
		return place{x, v, ok}
	}
	up, down := at(x0), at(x0)
	const grow = 1.25
	for range 62 { // six decades either way
		for _, side := range []struct {
			last *place
			x    float64
		}{{&up, up.x * grow}, {&down, down.x / grow}} {
			next := at(side.x)
			if next.ok && side.last.ok && next.f*side.last.f <= 0 {
				x := halve(f, side.last.x, next.x, side.last.f)
				if in.Whole { // the least whole number that reaches it
					x = math.Ceil(x - 1e-6)
				}
				s.Value = quantity.Quantity{Value: x, Unit: a.q.Unit}
				return s
			}
			*side.last = next
		}
	}
	if math.IsInf(low, 1) {
		return fail(q.Solve, "no-answer")
	}
	d := text.Decimals(math.Max(math.Abs(low+want), math.Abs(high+want)), (high-low)/100)
	return fail(
		q.Solve,
		"not-there",
		"low",
		rounded{low + want, d},
		"high",
		rounded{high + want, d},
		"unit",
		label(main.Unit),
	)
}

func halve(f func(float64) (float64, bool), a, b, fa float64) float64 {
	for range 80 {
		mid := (a + b) / 2
		v, ok := f(mid)
		if !ok {
			break
		}
		if v == 0 || v*fa > 0 {
			a, fa = mid, v
		} else {
			b = mid
		}
		if v == 0 {
			return mid
		}
	}
	return (a + b) / 2
}

// wanted reads a wanted answer in an output's unit; a bare number is in it.
func wanted(raw json.RawMessage, unit string) (v float64, problem *InputError) {
	defer func() {
		if p := recover(); p != nil {
			problem = p.(*InputError)
		}
	}()
	q, plain := readQuantity("", raw)
	if plain {
		return q.Value, nil
	}
	return number("", raw, unit), nil
}

// unitFor is the unit an input's amounts are tried in.
func unitFor(in Input) string {
	if in.Unit == "any" {
		return "1"
	}
	return in.Unit
}

// rounded is a number with so many decimals.
type rounded struct {
	value    float64
	decimals int
}

// Show writes it in a language.
func (r rounded) Show(language string) string { return text.Number(r.value, r.decimals, language) }
