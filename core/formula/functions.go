package formula

import (
	"math"
	"sort"
	"strings"

	"patient-kitchen/core/quantity"
)

type function struct {
	least, most int    // number of arguments; most 0 means any
	takes       string // code of the words for its arguments
	call        func(ev *evaluator, n *node, args []value) (value, error)
}

var functions map[string]function

func init() {
	one, list, two, series := "one", "list", "two", "series"
	functions = map[string]function{
		"sqrt":  {1, 1, one, rootOf},
		"abs":   {1, 1, one, absOf},
		"ln":    {1, 1, one, pure(math.Log, func(x float64) float64 { return 1 / x }, positive)},
		"log10": {1, 1, one, pure(math.Log10, func(x float64) float64 { return 1 / x / math.Ln10 }, positive)},
		"exp":   {1, 1, one, pure(math.Exp, math.Exp, nil)},
		"sin":   {1, 1, one, pure(math.Sin, math.Cos, nil)},
		"cos":   {1, 1, one, pure(math.Cos, func(x float64) float64 { return -math.Sin(x) }, nil)},
		"tan":   {1, 1, one, pure(math.Tan, func(x float64) float64 { return 1 / math.Cos(x) / math.Cos(x) }, nil)},
		"atan":  {1, 1, one, pure(math.Atan, func(x float64) float64 { return 1 / (1 + x*x) }, nil)},

		"min":    {1, 0, list, pick(func(xs []dual) dual { return extreme(xs, -1) })},
		"max":    {1, 0, list, pick(func(xs []dual) dual { return extreme(xs, 1) })},
		"sum":    {1, 0, list, pick(sum)},
		"mean":   {1, 0, list, pick(mean)},
		"median": {1, 0, list, pick(median)},
		"sd":     {1, 0, list, sdOf},
		"count":  {1, 0, list, countOf},
		"first":  {1, 1, series, pick(func(xs []dual) dual { return xs[0] })},
		"last":   {1, 1, series, pick(func(xs []dual) dual { return xs[len(xs)-1] })},

		"rank": {1, 1, series, rankOf},
		"if":   {3, 3, "if", nil},

		"slope":     {2, 2, two, lineOf(true)},
		"intercept": {2, 2, two, lineOf(false)},
		"at":        {2, 2, "at", atTime},
	}
}

func functionNames() string {
	names := make([]string, 0, len(functions))
	for n := range functions {
		names = append(names, n)
	}
	sort.Strings(names)
	return strings.Join(names, ", ")
}

func (ev *evaluator) call(n *node) (value, error) {
	if n.name == "if" {
		return ev.choose(n)
	}
	args := make([]value, len(n.args))
	for i, a := range n.args {
		v, err := ev.eval(a)
		if err != nil {
			return value{}, err
		}
		args[i] = v
	}
	v, err := functions[n.name].call(ev, n, args)
	if err != nil {
		return value{}, err
	}
	for _, d := range v.xs {
		if bad(d.x) {
			return value{}, n.wrong("infinite")
		}
	}
	return v, nil
}

// choose works out if(a > b, yes, no). Both values have the same dimension,
// whichever is taken; what is not taken need not be finite.
func (ev *evaluator) choose(n *node) (value, error) {
	if n.args[0].kind != nCompare {
		return value{}, n.args[0].wrong("if-comparison")
	}
	a, err := ev.eval(n.args[0].args[0])
	if err != nil {
		return value{}, err
	}
	b, err := ev.eval(n.args[0].args[1])
	if err != nil {
		return value{}, err
	}
	if a.dim != b.dim {
		return value{}, n.args[0].wrong("compared", "a", a.dim.Words(), "b", b.dim.Words())
	}
	if a.series || b.series {
		return value{}, n.args[0].wrong("if-single")
	}
	x, y := a.xs[0].x, b.xs[0].x
	holds := map[string]bool{"<": x < y, ">": x > y, "≤": x <= y, "≥": x >= y, "=": x == y}[n.args[0].name]
	taken, other := n.args[1], n.args[2]
	if !holds {
		taken, other = other, taken
	}
	v, err := ev.eval(taken)
	if err != nil {
		return value{}, err
	}
	if o, err := ev.eval(other); err == nil && o.dim != v.dim {
		return value{}, n.wrong("if-kinds", "a", v.dim.Words(), "b", o.dim.Words())
	}
	return v, nil
}

// rankOf gives each value of a series its place from 1, the smallest first;
// equal ones share their mean place.
func rankOf(_ *evaluator, n *node, args []value) (value, error) {
	if !args[0].series {
		return value{}, n.args[0].wrong("rank")
	}
	out := value{series: true, times: args[0].times, xs: make([]dual, len(args[0].xs))}
	for i, d := range args[0].xs {
		place := 0.5
		for _, other := range args[0].xs {
			switch {
			case other.x < d.x:
				place++
			case other.x == d.x:
				place += 0.5
			}
		}
		out.xs[i] = dual{x: place}
	}
	return out, nil
}

func positive(x float64) string {
	if x <= 0 {
		return "log"
	}
	return ""
}

// pure makes a function of pure numbers from itself and its derivative; check
// gives the code of what is wrong with a number.
func pure(f, slope func(float64) float64, check func(float64) string) func(*evaluator, *node, []value) (value, error) {
	return func(_ *evaluator, n *node, args []value) (value, error) {
		if args[0].dim != quantity.Pure {
			return value{}, n.wrong("plain", "name", n.name, "a", args[0].dim.Words())
		}
		for _, d := range args[0].xs {
			if check != nil && check(d.x) != "" {
				return value{}, n.wrong(check(d.x))
			}
		}
		return args[0].each(func(d dual) dual { return d.scale(f(d.x), slope(d.x)) }), nil
	}
}

func rootOf(_ *evaluator, n *node, args []value) (value, error) {
	dim, ok := args[0].dim.Pow(1)
	if !ok {
		return value{}, n.wrong("root-of", "a", args[0].dim.Words())
	}
	for _, d := range args[0].xs {
		if d.x < 0 {
			return value{}, n.wrong("negative-root")
		}
	}
	out := args[0].each(func(d dual) dual {
		r := math.Sqrt(d.x)
		if r == 0 && len(d.grad) == 0 {
			return dual{}
		}
		// At zero the root is infinitely steep: an uncertain zero has no finite u,
		// and Eval says so.
		return d.scale(r, 0.5/r)
	})
	out.dim = dim
	return out, nil
}

func absOf(_ *evaluator, _ *node, args []value) (value, error) {
	return args[0].each(func(d dual) dual { return d.scale(math.Abs(d.x), math.Copysign(1, d.x)) }), nil
}

// gather makes one list of the arguments, which must share a dimension.
func gather(n *node, args []value) (value, error) {
	out := value{dim: args[0].dim}
	for _, a := range args {
		if a.dim != out.dim {
			return value{}, n.wrong("mixes", "name", n.name, "a", out.dim.Words(), "b", a.dim.Words())
		}
		out.xs = append(out.xs, a.xs...)
	}
	return out, nil
}

// pick makes a function of a list that gives one number of the same dimension.
func pick(f func([]dual) dual) func(*evaluator, *node, []value) (value, error) {
	return func(_ *evaluator, n *node, args []value) (value, error) {
		v, err := gather(n, args)
		if err != nil {
			return value{}, err
		}
		v.xs = []dual{f(v.xs)}
		return v, nil
	}
}

func extreme(xs []dual, sign float64) dual {
	best := xs[0]
	for _, d := range xs[1:] {
		if sign*d.x > sign*best.x {
			best = d
		}
	}
	return best
}

func sum(xs []dual) dual {
	total := dual{}
	for _, d := range xs {
		total = combine(total.x+d.x, 1, total, 1, d)
	}
	return total
}

func mean(xs []dual) dual {
	s, n := sum(xs), float64(len(xs))
	return s.scale(s.x/n, 1/n)
}

func median(xs []dual) dual {
	sorted := append([]dual(nil), xs...)
	sort.SliceStable(sorted, func(i, j int) bool { return sorted[i].x < sorted[j].x })
	mid := len(sorted) / 2
	if len(sorted)%2 == 1 {
		return sorted[mid]
	}
	return mean(sorted[mid-1 : mid+1])
}

// sdOf is the sample standard deviation √(Σ(x−x̄)²/(n−1)).
func sdOf(_ *evaluator, n *node, args []value) (value, error) {
	v, err := gather(n, args)
	if err != nil {
		return value{}, err
	}
	if len(v.xs) < 2 {
		return value{}, n.wrong("sd")
	}
	m, k := mean(v.xs), float64(len(v.xs)-1)
	ss := dual{}
	for _, d := range v.xs {
		r := combine(d.x-m.x, 1, d, -1, m)
		ss = combine(ss.x+r.x*r.x, 1, ss, 2*r.x, r)
	}
	s := math.Sqrt(ss.x / k)
	if s == 0 {
		v.xs = []dual{{}}
		return v, nil
	}
	v.xs = []dual{ss.scale(s, 0.5/s/k)}
	return v, nil
}

func countOf(_ *evaluator, _ *node, args []value) (value, error) {
	n := 0
	for _, a := range args {
		n += len(a.xs)
	}
	return value{xs: []dual{{x: float64(n)}}}, nil
}

// lineOf is the slope or intercept of the least-squares line of the first
// series on the second: slope = Σ(x−x̄)(y−ȳ)/Σ(x−x̄)². The x values count as
// free of uncertainty in the spread of the result only where they have none.
func lineOf(slope bool) func(*evaluator, *node, []value) (value, error) {
	return func(_ *evaluator, n *node, args []value) (value, error) {
		y, x := args[0], args[1]
		if !y.series || !x.series || len(x.xs) != len(y.xs) || len(x.xs) < 2 {
			return value{}, n.wrong("two-series", "name", n.name)
		}
		mx, my := mean(x.xs), mean(y.xs)
		sxy, sxx := dual{}, dual{}
		for i := range x.xs {
			dx := combine(x.xs[i].x-mx.x, 1, x.xs[i], -1, mx)
			dy := combine(y.xs[i].x-my.x, 1, y.xs[i], -1, my)
			sxy = combine(sxy.x+dx.x*dy.x, 1, sxy, 1, combine(0, dy.x, dx, dx.x, dy))
			sxx = combine(sxx.x+dx.x*dx.x, 1, sxx, 2*dx.x, dx)
		}
		if sxx.x == 0 {
			return value{}, n.args[1].wrong("no-line")
		}
		b := combine(sxy.x/sxx.x, 1/sxx.x, sxy, -sxy.x/sxx.x/sxx.x, sxx)
		if slope {
			return value{dim: y.dim.Div(x.dim), xs: []dual{b}}, nil
		}
		bm := combine(b.x*mx.x, mx.x, b, b.x, mx)
		return value{dim: y.dim, xs: []dual{combine(my.x-bm.x, 1, my, -1, bm)}}, nil
	}
}

// atTime is the element of a series that was planned for a time: a duration,
// or a plain number of minutes.
func atTime(_ *evaluator, n *node, args []value) (value, error) {
	s, t := args[0], args[1]
	if !s.series || len(s.times) != len(s.xs) {
		return value{}, n.args[0].wrong("at-series")
	}
	seconds := t.xs[0].x
	switch t.dim {
	case quantity.Pure:
		seconds *= 60
	case quantity.Time:
	default:
		return value{}, n.args[1].wrong("at-time", "a", t.dim.Words())
	}
	var trials []dual
	for i, at := range s.times {
		if math.Abs(at-seconds) < 0.5 {
			trials = append(trials, s.xs[i])
		}
	}
	switch len(trials) {
	case 0:
	case 1:
		return value{dim: s.dim, xs: trials}, nil
	default:
		return value{dim: s.dim, xs: []dual{mean(trials)}}, nil
	}
	return value{}, n.args[1].wrong("no-reading-then")
}
