package formula

import (
	"errors"
	"math"
	"strings"
	"testing"

	"patient-kitchen/core/quantity"
)

func q(value float64, unit string, u float64) Binding {
	x := quantity.New(value, unit)
	x.U = u
	return One(x)
}

func series(unit string, u float64, minutes []float64, values ...float64) Binding {
	b := Binding{Series: true}
	for i, v := range values {
		x := quantity.New(v, unit)
		x.U = u
		b.Values = append(b.Values, x)
		if minutes != nil {
			b.Times = append(b.Times, minutes[i]*60)
		}
	}
	return b
}

// The first three rows are the worked examples of the design's models,
// chapter 32; the others were worked by hand.
func TestEval(t *testing.T) {
	minutes := []float64{1, 2, 4, 8}
	for _, c := range []struct {
		expr, unit string
		env        Env
		value, u   float64
	}{
		{"(after - before) / before * 100", "", Env{"before": q(50.2, "g", .1), "after": q(57.3, "g", .1)}, 14.1434,
			0.302295},
		{"m / (pi * (d/2)^2 * h)", "g/mL", Env{"m": q(250, "g", 1), "d": q(2.5, "in", 1/25.4), "h": q(8, "cm", .1)},
			0.986763, 0.0336695},
		{"x / x", "", Env{"x": q(3, "g", .5)}, 1, 0},
		{"-2^2", "", nil, -4, 0}, {"2^3^2", "", nil, 512, 0}, {"2 × 3 ÷ 4 − 1", "", nil, .5, 0},
		{"1e2 + .5", "", nil, 100.5, 0},
		{"a / b", "", Env{"a": q(1, "in", 0), "b": q(1, "cm", 0)}, 2.54, 0},
		{"a + b", "cm", Env{"a": q(1, "in", 0), "b": q(1, "cm", 0)}, 3.54, 0},
		{"sin(a)", "", Env{"a": q(30, "deg", 0)}, .5, 0},
		{"hot - cold", "K", Env{"hot": q(50, "°C", .1), "cold": q(68, "°F", 0)}, 30, .1},
		{"mean(x)", "mm", Env{"x": series("mm", .3, nil, 10, 20, 30)}, 20, .3 / math.Sqrt(3)},
		{"sd(x)", "mm", Env{"x": series("mm", 0, nil, 10, 20, 30)}, 10, 0},
		{"median(a, b, 7)", "", Env{"a": q(1, "1", 0), "b": q(9, "1", .5)}, 7, 0},
		{"max(x) - min(x)", "mm", Env{"x": series("mm", 1, nil, 10, 40, 30)}, 30, math.Sqrt2},
		{"last(x) - first(x)", "mm", Env{"x": series("mm", 1, nil, 10, 40, 30)}, 20, math.Sqrt2},
		{"at(x, 8)", "mm", Env{"x": series("mm", .5, minutes, 10, 14, 20, 28)}, 28, .5},
		// Exact √t law: height = 10 mm/√min · √t.
		{"slope(x, sqrt(time))", "mm/√min", Env{"x": series("mm", 0, minutes, 10, 14.142135624, 20, 28.284271247),
			"time": series("min", 0, nil, minutes...)}, 10, 0},
		// u of a slope with equal u: u/√Σ(x−x̄)² = 2/√5 for x = 1..4.
		{"slope(y, x)", "", Env{"y": series("1", 2, nil, 3, 5, 7, 9), "x": series("1", 0, nil, 1, 2, 3, 4)}, 2,
			2 / math.Sqrt(5)},
		{"intercept(y, x)", "", Env{"y": series("1", 0, nil, 3, 5, 7, 9), "x": series("1", 0, nil, 1, 2, 3, 4)}, 1, 0},
		{"count(x) + sum(x)", "", Env{"x": series("1", 0, nil, 1, 2)}, 5, 0},
		{"sqrt(a)", "m", Env{"a": q(4, "cm²", 0)}, 0.02, 0},
	} {
		e, err := Parse(c.expr)
		if err != nil {
			t.Errorf("%s: %v", c.expr, err)
			continue
		}
		got, err := e.Eval(c.env, c.unit)
		if err != nil || math.Abs(got.Value-c.value) > 2e-6*math.Abs(c.value)+1e-12 ||
			math.Abs(got.U-c.u) > 2e-6*c.u+1e-12 {
			t.Errorf("%s = %v ± %v %s (%v), want %v ± %v", c.expr, got.Value, got.U, got.Unit.Symbol, err, c.value, c.u)
		}
	}
}

func TestErrorsHaveAPlace(t *testing.T) {
	env := Env{
		"m": q(3, "g", 0),
		"v": q(3, "mL", 0),
		"x": series("mm", 0, nil, 1, 2),
		"y": series("mm", 0, nil, 1, 2, 3),
	}
	for _, c := range []struct{ expr, says, place string }{
		{"m + v", "mass", "m + v"}, {"2 * (m - v)", "volume", "(m - v)"}, {"2 +", "too early", ""},
		{"2 $ 3", "no meaning", "$"},
		{"foo(3)", "not a function", "foo"}, {"m / 0", "zero", "m / 0"}, {"ln(0)", "above zero", "ln(0)"},
		{"sqrt(-1)", "zero or above", "sqrt(-1)"},
		{"2 ** 3", "not expected", "*"}, {"2 blobs", "not expected", "blobs"}, {"length", "not a reading", "length"},
		{"(2 + 3", "too early", ""},
		{"exp(m)", "plain number", "exp(m)"}, {"m ^ 0.3", "half powers", "0.3"}, {"x + y", "2 values", "x + y"},
		{"x", "several values", "x"},
		{"slope(x)", "two series", "slope(x)"}, {"at(x, 3)", "several times", "x"},
		{"0 ^ -1", "divides by zero", "0 ^ -1"}, {"", "too early", ""},
		{"1, 2", "not expected", ","}, {"m ^ m", "plain number", "m"}, {strings.Repeat("(", 80) + "1", "brackets", ""},
		{"max()", "values", "max()"},
	} {
		e, err := Parse(c.expr)
		if err == nil {
			_, err = e.Eval(env, "")
		}
		var fe *Error
		if !errors.As(err, &fe) || !strings.Contains(fe.Error(), c.says) {
			t.Errorf("%q: error %v, want one that says %q", c.expr, err, c.says)
			continue
		}
		if c.place != "" && c.expr[fe.Pos:fe.End] != c.place {
			t.Errorf("%q: the mark is at %q, want %q", c.expr, c.expr[fe.Pos:fe.End], c.place)
		}
	}
	e, _ := Parse("m")
	if _, err := e.Eval(env, "mL"); err == nil || !strings.Contains(err.Error(), "mass") {
		t.Errorf("a result of another dimension: %v", err)
	}
}

func TestExplain(t *testing.T) {
	env := Env{"before": q(40, "g", .3), "after": q(85, "g", .3), "x": series("mm", 1, nil, 12, 18)}
	for expr, want := range map[string]string{
		"(after - before) / before * 100": "(85\u00a0g − 40\u00a0g) / 40\u00a0g × 100",
		"mean(x) * 2":                     "(the mean of 12; 18\u00a0mm) × 2",
		"sqrt(before) + exp(1)":           "√(40\u00a0g) + exp(1)",
		"max(before, after)":              "the largest of 40\u00a0g; 85\u00a0g",
		"1 - (2 - 3)":                     "1 − (2 − 3)",
	} {
		e, err := Parse(expr)
		if err != nil {
			t.Fatal(err)
		}
		if got := e.Explain(env, "en"); got != want {
			t.Errorf("%s: %q, want %q", expr, got, want)
		}
	}
	e, err := Parse("slope(x, sqrt(x))")
	if err != nil {
		t.Fatal(err)
	}
	if got, want := e.Explain(env, "es-MX"), "la pendiente de 12; 18\u00a0mm según √(12; 18\u00a0mm)"; got != want {
		t.Errorf("%q, want %q", got, want)
	}
}

func FuzzParse(f *testing.F) {
	for _, s := range []string{"(after - before) / before * 100", "slope(h, sqrt(t))", "2^-3^x", "min(1,2,x)"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		e, err := Parse(s)
		if err != nil {
			var fe *Error
			if !errors.As(err, &fe) || fe.Pos < 0 || fe.End > len(s) || fe.Pos > fe.End {
				t.Errorf("%q: error without a place in it: %v", s, err)
			}
			return
		}
		v, err := e.Eval(Env{"x": q(2, "g", .1), "h": series("mm", 1, []float64{1, 2}, 3, 4)}, "")
		if err == nil && (bad(v.Value) || bad(v.U)) {
			t.Errorf("%q gives %v ± %v", s, v.Value, v.U)
		}
	})
}

func BenchmarkEval(b *testing.B) {
	e, _ := Parse("(after - before) / before * 100")
	env := Env{"before": q(50.2, "g", .1), "after": q(57.3, "g", .1)}
	for b.Loop() {
		if _, err := e.Eval(env, "%"); err != nil {
			b.Fatal(err)
		}
	}
}
