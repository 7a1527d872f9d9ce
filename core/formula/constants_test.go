package formula_test

import (
	"math"
	"strings"
	"testing"

	"patient-kitchen/core/formula"
	"patient-kitchen/core/quantity"
)

func series(unit string, values ...float64) formula.Binding {
	b := formula.Binding{Series: true}
	for _, v := range values {
		b.Values = append(b.Values, quantity.New(v, unit))
	}
	return b
}

// Values by hand: g·t²/8 for 1.2 s is 1.7658 m; atan(1) is 45°.
func TestConstantsAndChoices(t *testing.T) {
	env := formula.Env{
		"t": formula.One(
			quantity.New(1.2, "s"),
		), "a": formula.One(quantity.New(3, "cm")), "b": formula.One(quantity.New(40, "mm")),
		"x": formula.One(
			quantity.New(1, "1"),
		), "warm": formula.One(quantity.New(42, "°C")), "C": series("cm", 31.4, 62.8, 94.2), "d": series("cm", 10, 20,
			30),
	}
	for _, c := range []struct {
		src, unit string
		value     float64
		shown     string
	}{
		{"9.81 m/s^2 * t^2 / 8", "m", 1.7658, "9.81 m/s^2 × 1.2 s^2 / 8"},
		{"a + 2 cm", "mm", 50, "3 cm + 2 cm"},
		{"a - 20mm", "cm", 1, ""},
		{"2 min + t", "s", 121.2, ""},
		{"a * 2", "cm", 6, ""},
		{"warm - 20 °C", "K", 22, ""},
		{"atan(x)", "deg", 45, ""},
		{"atan(x)", "1", math.Pi / 4, ""},
		{"if(a > b, a, b)", "mm", 40, "if(3 cm > 40 mm, 3 cm, 40 mm)"},
		{"if(a <= 3 cm, 1, 0)", "1", 1, ""},
		{"if(a ≥ b, a / (a - a), b)", "mm", 40, ""}, // what is not taken need not be finite
		{"last(rank(C))", "1", 3, ""},
		{"slope(C, d)", "1", 3.14, ""},
		{"slope(rank(C), rank(d))", "1", 1, ""},
	} {
		e, err := formula.Parse(c.src)
		if err != nil {
			t.Errorf("%s: %v", c.src, err)
			continue
		}
		q, err := e.Eval(env, c.unit)
		if err != nil || math.Abs(q.Value-c.value) > 1e-9 {
			t.Errorf("%s = %v %s (%v), want %v", c.src, q.Value, q.Unit.Symbol, err, c.value)
		}
		if got := strings.ReplaceAll(e.Explain(env, "en"), "\u00a0", " "); c.shown != "" && got != c.shown {
			t.Errorf("%s is shown as %q", c.src, got)
		}
	}
	for src, part := range map[string]string{
		"a > b": "not expected", "if(a, a, b)": "begins with a comparison", "if(a > t, a, b)": "cannot be compared",
		"if(a > b, a, t)": "in the other", "if(C > d, 1, 2)": "single values",
		"a + 2": "cannot be added", "a + 2 blobs": "not expected", "rank(a)": "needs a series",
		"2 cm(a)": "not expected", "if(a > b, a)": "takes",
	} {
		e, err := formula.Parse(src)
		if err == nil {
			_, err = e.Eval(env, "")
		}
		if err == nil || !strings.Contains(err.Error(), part) {
			t.Errorf("%s: %v, want %q in it", src, err, part)
		}
	}
	if _, err := formula.ParseCore("9.81 m/s^2 * t"); err == nil {
		t.Error("the published language has no units inside")
	}
}

// By hand: from 40 g to 85 g is 112.5 % more, with a factor of 100 or without.
func TestAsShare(t *testing.T) {
	env := formula.Env{"before": formula.One(quantity.New(40, "g")), "after": formula.One(quantity.New(85, "g"))}
	for src, text := range map[string]string{
		"(after - before) / before * 100":   "(after - before) / before",
		"100 * (after - before) / before":   "(after - before) / before",
		"(after - before) * 100 / before":   "(after - before) / before",
		"((after - before) * 100) / before": "((after - before)) / before",
		"(after - before) / before × 100 %": "(after - before) / before",
		"(after - before) / before":         "",
	} {
		e, err := formula.Parse(src)
		if err != nil {
			t.Fatal(err)
		}
		share, without, ok := e.AsShare("%")
		if ok != (text != "") || ok && without != text {
			t.Errorf("%s: %q %v, want %q", src, without, ok, text)
		}
		if q, err := share.Eval(env, "%"); err != nil || math.Abs(q.Value-112.5) > 1e-9 {
			t.Errorf("%s is %v %% (%v)", src, q.Value, err)
		}
		if _, _, ok := e.AsShare("1"); ok {
			t.Errorf("%s is a share without the unit %%", src)
		}
	}
	for _, src := range []string{"after * 100 - before", "after / 100 - before / 100"} {
		e, _ := formula.Parse(src)
		if _, _, ok := e.AsShare("%"); ok {
			t.Errorf("%s has no last factor of 100", src)
		}
	}
}
