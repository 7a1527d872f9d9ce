package formula

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"patient-kitchen/core/quantity"
)

// A compiled formula gives what Eval gives, for made-up values.
func TestCompileAgreesWithEval(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 8))
	for _, c := range []struct{ expr, unit string }{
		{"(after - before) / before * 100", ""}, {"(after - before) / before", "%"},
		{"after / (pi * (d/2)^2 * d)", "g/mL"}, {"sqrt(d * d) + d", "cm"},
		{"-x^2 + 3 * x ^ x", ""}, {"exp(-x) * ln(x + 2) - log10(x) + sin(a) * cos(x) / tan(a)", ""},
		{"abs(before - after)", "oz"}, {"hot - cold", "K"}, {"x / x", ""}, {"d^0.5 * d^1.5", "cm²"},
	} {
		e, err := Parse(c.expr)
		if err != nil {
			t.Fatal(err)
		}
		names := []string{"after", "before", "d", "x", "a", "hot", "cold"}
		symbols := []string{"g", "kg", "in", "1", "deg", "°C", "°F"}
		units := make([]quantity.Unit, len(symbols))
		for i, s := range symbols {
			units[i] = quantity.MustUnit(s)
		}
		p, err := e.Compile(names, units, c.unit)
		if err != nil {
			t.Errorf("%s: %v", c.expr, err)
			continue
		}
		for range 20 {
			values, us, env := make([]float64, len(names)), make([]float64, len(names)), Env{}
			for i := range names {
				values[i], us[i] = 0.5+r.Float64(), r.Float64()/10
				env[names[i]] = One(quantity.Quantity{Value: values[i], Unit: units[i], U: us[i]})
			}
			want, err := e.Eval(env, c.unit)
			got, u := p.EvalU(values, us)
			if err != nil || math.Abs(got-want.Value) > 1e-9*math.Abs(want.Value) ||
				math.Abs(u-want.U) > 1e-9*want.U+1e-12 ||
				p.Unit() != want.Unit {
				t.Errorf("%s: %v ± %v, want %v ± %v (%v)", c.expr, got, u, want.Value, want.U, err)
			}
		}
	}
}

func TestCompileRefuses(t *testing.T) {
	g, ml := quantity.MustUnit("g"), quantity.MustUnit("mL")
	for expr, says := range map[string]string{"m + v": "cannot be added", "mean(m)": "series", "y": "not a reading",
		"sin(m)": "plain number", "m ^ v": "plain number", "m ^ x": "whole or half"} {
		e, err := Parse(expr)
		if err != nil {
			t.Fatal(err)
		}
		if _, err := e.Compile([]string{"m", "v", "x"}, []quantity.Unit{g, ml, quantity.One}, ""); err == nil ||
			!strings.Contains(err.Error(), says) {
			t.Errorf("%s: %v", expr, err)
		}
	}
	e, _ := Parse("m")
	if _, err := e.Compile([]string{"m"}, []quantity.Unit{g}, "mL"); err == nil {
		t.Error("a mass in mL")
	}
	for expr, values := range map[string][]float64{"x / (x - x)": {1}, "ln(x)": {-1}, "sqrt(x)": {-1},
		"x ^ (0 - 1)": {0}, "exp(x)": {1e4}} {
		e, _ := Parse(expr)
		p, err := e.Compile([]string{"x"}, []quantity.Unit{quantity.One}, "")
		if err != nil || !math.IsNaN(p.Eval(values)) {
			t.Errorf("%s of %v: %v", expr, values, err)
		}
	}
}

// Growth over homes is linear: one program, one set of values a home.
func BenchmarkHomes(b *testing.B) {
	e, _ := Parse("(after - before) / before * 100")
	g := quantity.MustUnit("g")
	p, err := e.Compile([]string{"before", "after"}, []quantity.Unit{g, g}, "")
	if err != nil {
		b.Fatal(err)
	}
	for _, homes := range []int{100, 1_000, 10_000} {
		values := make([][2]float64, homes)
		for i := range values {
			values[i] = [2]float64{50 + float64(i%7), 57 + float64(i%5)}
		}
		b.Run(map[int]string{100: "1e2", 1_000: "1e3", 10_000: "1e4"}[homes], func(b *testing.B) {
			b.ReportAllocs()
			for b.Loop() {
				for i := range values {
					p.Eval(values[i][:])
				}
			}
		})
		b.Run("eval-"+map[int]string{100: "1e2", 1_000: "1e3", 10_000: "1e4"}[homes], func(b *testing.B) {
			for b.Loop() {
				for i := range values {
					if _, err := e.Eval(Env{"before": q(values[i][0], "g", .1), "after": q(values[i][1], "g", .1)},
						""); err != nil {
						b.Fatal(err)
					}
				}
			}
		})
	}
}
