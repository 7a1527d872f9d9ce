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
	a := startOf(in, inputs[q.Solve])
	search := &search{whole: in.Whole, low: math.Inf(1), high: math.Inf(-1)}
	search.f = func(x float64) (float64, bool) {
		if in.Whole {
			x = math.Round(x)
		}
		v, ok := m.number(r.Main, with(inputs, a, x))
		return v - want, ok
	}
	if x, ok := search.from(a.q.Value); ok {
		s.Value = quantity.Quantity{Value: x, Unit: a.q.Unit}
		return s
	}
	if math.IsInf(search.low, 1) {
		return fail(q.Solve, "no-answer")
	}
	low, high := search.low+want, search.high+want
	d := text.Decimals(math.Max(math.Abs(low), math.Abs(high)), (high-low)/100)
	return fail(q.Solve, "not-there", "low", rounded{low, d}, "high", rounded{high, d}, "unit", label(main.Unit))
}

// startOf is the amount that an input has now, or one of its unit.
func startOf(in Input, given json.RawMessage) amount {
	a := amount{input: in.Name, item: -1, q: quantity.New(1, unitFor(in)), plain: in.Unit == "1" || in.Unit == "any"}
	var typed string
	if given != nil && json.Unmarshal(given, &typed) == nil {
		if p, err := quantity.Parse(typed); err == nil {
			a.q, a.plain = p.Quantity, p.Unit == quantity.One
		}
	}
	return a
}

// search looks for where a function is zero; low and high are the least and the most that
// it was seen to be.
type search struct {
	f         func(x float64) (float64, bool)
	whole     bool // only whole numbers are asked for
	low, high float64
}

// place is what a function is somewhere; ok, if it is anything there.
type place struct {
	x, f float64
	ok   bool
}

func (s *search) at(x float64) place {
	v, ok := s.f(x)
	if ok {
		s.low, s.high = math.Min(s.low, v), math.Max(s.high, v)
	}
	return place{x, v, ok}
}

// from looks from an amount upwards and downwards by turns, six decades either way.
func (s *search) from(x float64) (zero float64, ok bool) {
	if x == 0 {
		x = 1
	}
	up, down := s.at(x), s.at(x)
	const grow = 1.25
	for range 62 {
		if zero, ok = s.step(&up, up.x*grow); ok {
			return zero, true
		}
		if zero, ok = s.step(&down, down.x/grow); ok {
			return zero, true
		}
	}
	return 0, false
}

// step goes on from the last place to the next and reports the zero between them.
func (s *search) step(last *place, x float64) (zero float64, ok bool) {
	next := s.at(x)
	if !next.ok || !last.ok || next.f*last.f > 0 {
		*last = next
		return 0, false
	}
	zero = halve(s.f, last.x, next.x, last.f)
	if s.whole { // the least whole number that reaches it
		zero = math.Ceil(zero - 1e-6)
	}
	return zero, true
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
