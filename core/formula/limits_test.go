package formula

import (
	"math"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/quantity"
)

// Uncertainties against a numerical derivative: u² = Σ(∂f/∂x·u)², each
// derivative taken by a central difference of the expression itself.
func TestUncertaintyAgainstNumericalDerivatives(t *testing.T) {
	base := map[string]float64{"a": 3.2, "b": 1.7, "c": 0.4}
	us := map[string]float64{"a": 0.05, "b": 0.02, "c": 0.01}
	at := func(e *Expr, shift string, by float64) float64 {
		env := Env{}
		for k, v := range base {
			if k == shift {
				v += by
			}
			env[k] = One(quantity.New(v, "1"))
		}
		q, err := e.Eval(env, "")
		if err != nil {
			t.Fatal(err)
		}
		return q.Value
	}
	for _, src := range []string{"a*b/c", "a^b", "a^2 + b^3", "sqrt(a*b) - ln(c)", "exp(c)*sin(a)", "cos(a)/tan(b)",
		"log10(a/c)", "abs(b-a)", "a^-c", "mean(a, b, c)", "sd(a, b, c)", "max(a, b) * min(b, c)", "(a-b)/(a+b)",
		"median(a, b, c)", "sum(a, b) ^ 0.5"} {
		e, err := Parse(src)
		if err != nil {
			t.Fatal(err)
		}
		env := Env{}
		want := 0.0
		for k, v := range base {
			q := quantity.New(v, "1")
			q.U = us[k]
			env[k] = One(q)
			d := (at(e, k, 1e-6) - at(e, k, -1e-6)) / 2e-6
			want += d * d * us[k] * us[k]
		}
		got, err := e.Eval(env, "")
		if err != nil || math.Abs(got.U-math.Sqrt(want)) > 1e-6*math.Sqrt(want)+1e-10 {
			t.Errorf("%s: u = %v, by differences %v (%v)", src, got.U, math.Sqrt(want), err)
		}
	}
}

func TestSymbols(t *testing.T) {
	e, err := Parse("slope(height, sqrt(time)) * height / pi")
	if err != nil || !slices.Equal(e.Symbols(), []string{"height", "time", "pi"}) ||
		e.String() != "slope(height, sqrt(time)) * height / pi" {
		t.Errorf("%v %v", e.Symbols(), err)
	}
}

func TestMixedSeries(t *testing.T) {
	env := Env{
		"x":    {Series: true, Values: []quantity.Quantity{quantity.New(1, "g"), quantity.New(1, "mL")}},
		"none": {Series: true},
	}
	for src, says := range map[string]string{"mean(x)": "mixes", "last(none)": "no values", "max(x, 3)": "mixes",
		"sd(3)": "two values"} {
		e, err := Parse(src)
		if err == nil {
			_, err = e.Eval(env, "")
		}
		if err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%s: %v, want %q", src, err, says)
		}
	}
	e, _ := Parse("3")
	if _, err := e.Eval(nil, "blobs"); err == nil || !strings.Contains(err.Error(), "blobs") {
		t.Errorf("an unknown unit: %v", err)
	}
	if _, err := Parse(strings.Repeat("1+", 300) + "1"); err == nil {
		t.Error("a very long formula was read")
	}
	if _, err := Parse(strings.Repeat("-", 400) + "1"); err == nil {
		t.Error("four hundred signs in a row were read")
	}
}

// Where the curve is flat or kinked the first-order rule still gives a number.
func TestEdges(t *testing.T) {
	zero := quantity.New(0, "1")
	zero.U = 0.1
	for src, want := range map[string]float64{"abs(z)": 0.1, "z^2": 0, "z^1": 0.1, "sd(z, z)": 0} {
		e, err := Parse(src)
		if err != nil {
			t.Fatal(err)
		}
		got, err := e.Eval(Env{"z": One(zero)}, "")
		if err != nil || got.Value != 0 || math.Abs(got.U-want) > 1e-12 {
			t.Errorf("%s at 0: %v ± %v, %v; want ± %v", src, got.Value, got.U, err, want)
		}
	}
	for _, src := range []string{"sqrt(z)", "z^0.5"} {
		e, _ := Parse(src)
		if got, err := e.Eval(Env{"z": One(zero)}, ""); err == nil {
			t.Errorf("%s of an uncertain zero has no finite uncertainty, yet gives ± %v", src, got.U)
		}
		if got, err := e.Eval(Env{"z": One(quantity.New(0, "1"))}, ""); err != nil || got.Value != 0 || got.U != 0 {
			t.Errorf("%s of an exact zero: %v, %v", src, got, err)
		}
	}
}
