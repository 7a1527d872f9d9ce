package formula

import (
	"testing"

	"patient-kitchen/core/text"
)

// Beans before and after a night in water, as five students might write it:
// the change is (17.2 − 16.0)/16.0 = 7.5 %.
func TestCheck(t *testing.T) {
	beans := Env{"before": q(16, "g", .03), "after": q(17.2, "g", .03)}
	drop := Env{"height": q(1.2, "m", .01), "time": q(1.6, "s", .1)}
	for _, c := range []struct {
		expr, unit string
		env        Env
		working    string
		slip       Slip
		line       int
	}{
		{"(after - before) / before", "%", beans, "(17.2 g − 16.0 g) / 16.0 g × 100 = 7.5 %", SlipNone, 0},
		{"(after - before) / before", "%", beans, "(17.2 - 16.0) / 16.0 * 100 = 7.5 %", SlipNone, 0},
		{"(after - before) / before", "%", beans, "gain = 17.2 g - 16.0 g = 1.2 g\n1.2 g / 16.0 g = 0.075 = 7.5 %",
			SlipNone, 1},
		{"(after - before) / before", "%", beans, "(17.2 - 16.0) / 16.0 = 0.075 = 7.5 %", SlipNone, 0},
		{"(after - before) / before", "%", beans, "(17,2 g − 16,0 g) / 16,0 g × 100 = 7,5 %", SlipNone, 0},
		{"(after - before) / before", "%", beans, "17.2 g − 16.0 g = 1.3 g\n1.3 / 16 × 100 = 8.1 %", SlipArithmetic, 0},
		{"(after - before) / before", "%", beans, "(17.2 - 16.0) / 17.2 * 100 = 7.0 %", SlipSetUp, 0},
		{"(after - before) / before", "%", beans, "16.0 / (17.2 - 16.0) = 13.3", SlipUpsideDown, 0},
		{"(after - before) / before", "%", beans, "(16.0 g − 17.2 g) / 16.0 g × 100 = −7.5 %", SlipSign, 0},
		{"(after - before) / before", "%", beans, "(17.2 - 16.0) / 16.0 = 0.075 %", SlipPercent, 0},
		{"(after - before) / before", "%", beans, "(17.2 - 16.0) / 16.0 * 100 = 7.6 %", SlipRounded, 0},
		{"(after - before) / before", "%", beans, "(17.9 - 16.0) / 16.0 * 100 = 11.9 %", SlipReading, 0},
		{"(after - before) / before", "%", beans, "(17.2 - 16.0) / 16.0 * 100 = 7.5", SlipNoUnit, 0},
		{"(after - before) / before", "%", beans, "17.2 g − 16.0 cm = 1.2 g", SlipMixed, 0},
		{"(after - before) / before", "%", beans, "seven and a bit", SlipUnreadable, 0},
		{"(after - before) / before", "%", beans, " \n ", SlipEmpty, 0},
		{"height / time", "m/s", drop, "1.2 m / 1.6 s = 0.75 m/s", SlipNone, 0},
		{"height / time", "m/s", drop, "speed = height / time = 0.75 m/s", SlipNone, 0},
		{"height / time", "m/s", drop, "120 cm / 1.6 s = 75 cm/s", SlipNone, 0},
		{"height / time", "m/s", drop, "1.6 s / 1.2 m = 1.33", SlipUpsideDown, 0},
		{"height / time", "m/s", drop, "1.2 / 1.6 = 75 m/s", SlipArithmetic, 0},
		{"height / time", "m/s", drop, "120 / 1.6 = 75 m/s", SlipUnit, 0},
		{"height / time", "m/s", drop, "1.2 m / 1.6 s = 0.75 g", SlipUnit, 0},
	} {
		e, err := Parse(c.expr)
		if err != nil {
			t.Fatal(err)
		}
		got, err := e.Check(c.env, c.unit, c.working)
		if err != nil || got.Slip != c.slip || got.Line != c.line {
			t.Errorf("%q: %q in line %d (%v), want %q in line %d", c.working, got.Slip, got.Line, err, c.slip, c.line)
		}
		for _, language := range text.Languages {
			if words := text.Render(got.Words, language); words == "" || words[0] == '[' {
				t.Errorf("%q in %s: %q", got.Slip, language, words)
			}
		}
	}
	e, _ := Parse("missing * 2")
	if _, err := e.Check(beans, "", "2 × 3 = 6"); err == nil {
		t.Error("a formula that cannot be worked out has no right line")
	}
}

func FuzzCheck(f *testing.F) {
	for _, s := range []string{"(17.2 g − 16.0 g) / 16.0 g × 100 = 7.5 %", "gain = 1 = 2 = 3", "5' 3\" = 2,750",
		"1.2 m / 1.6 s"} {
		f.Add(s)
	}
	e, _ := Parse("(after - before) / before")
	env := Env{"before": q(16, "g", .03), "after": q(17.2, "g", .03)}
	f.Fuzz(func(t *testing.T, s string) {
		if got, err := e.Check(env, "%", s); err != nil || got.Line < 0 || got.Part < 0 {
			t.Errorf("%q: %+v %v", s, got, err)
		}
	})
}
