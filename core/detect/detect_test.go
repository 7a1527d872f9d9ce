package detect

import (
	"math"
	"os"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// TestPower holds against the exact powers of the paired t test, two-sided 5 %, as
// tables of sample sizes give them (an effect of half a spread needs 34 pairs for 80 %,
// of 0.8 needs 15, of one needs 10).
func TestPower(t *testing.T) {
	for _, c := range []struct{ effect, n, want float64 }{{0.5, 34, 0.808}, {0.8, 15, 0.821}, {1, 10, 0.803},
		{0.5, 20, 0.565}, {0, 30, 0.025}} {
		if got := Power(c.effect*math.Sqrt(c.n), c.n, 1); math.Abs(got-c.want) > 0.021 {
			t.Errorf("an effect of %.1f in %v pairs: %.3f, wanted %.3f", c.effect, c.n, got, c.want)
		}
	}
}

// By hand: 18 of 20 homes that scatter by 0.85 give a mean to 0.200; 0.6 is 2.995 of it,
// less the quantile of t with 17 degrees of freedom, 2.110, leaves 0.885: 2Φ − 1 = 0.624.
func TestNearEnough(t *testing.T) {
	if got := near(0.6, 0.85, 20, 1); math.Abs(got-0.624) > 0.003 {
		t.Errorf("%.4f", got)
	}
	if got := near(0.2, 0.85, 20, 1); got != 0 {
		t.Errorf("no interval is so narrow: %.4f", got)
	}
}

// A trend is sized over all its levels, an order from each to the next.
func TestSizesOfTrendsAndOrders(t *testing.T) {
	for says, want := range map[string]string{"rises": "from the least to the most", "order": "from each to the next"} {
		a := Of(example(t, "paper-strips", func(d *design.Document) {
			c := design.Claim{ID: "one", Says: says, Value: compare.Plan(d)[0].Value, Matters: "3 mm"}
			for i := range d.Conditions {
				d.Conditions[i].Value = string(rune('1' + i))
				if says == "order" {
					c.Order = append(c.Order, d.Conditions[i].ID)
				}
			}
			d.Claims, d.Expectations = []design.Claim{c}, nil
		}), 24)
		_, words := a.Say()
		if got := text.Render(words, "en"); !strings.Contains(got, "3.0\u00a0mm "+want) &&
			!strings.Contains(got, "3\u00a0mm "+want) {
			t.Errorf("%s: %s", says, got)
		}
	}
}

// An order that the design's own model contradicts is not said to be seen.
func TestAnOrderAgainstTheModel(t *testing.T) {
	d := example(t, "paper-strips", func(d *design.Document) { d.Expectations, d.Claims = nil, nil })
	value := compare.Plan(d)[0].Value
	for i, v := range []string{"30 mm", "10 mm"} {
		d.Expectations = append(d.Expectations, design.Expectation{For: value, Condition: d.Conditions[i].ID,
			Model: "formula", Typed: map[string]string{"expression": "a * 1", "symbols": "a = " + v}})
	}
	p := compare.Planned{Claim: compare.Claim{Value: value, Says: "order"}}
	p.Order = []string{d.Conditions[0].ID, d.Conditions[1].ID}
	if got, source := Effect(d, p); got != 0 || source != Expected {
		t.Errorf("downwards: %v from %s", got, source)
	}
	slices.Reverse(p.Order)
	if got, source := Effect(d, p); math.Abs(got-20) > 1e-9 || source != Expected {
		t.Errorf("upwards: %v from %s", got, source)
	}
}

func example(t *testing.T, name string, change func(*design.Document)) *design.Document {
	t.Helper()
	raw, err := os.ReadFile("../../docs/examples/" + name + ".json")
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	if change != nil {
		change(&d)
	}
	return &d
}

// TestOf: what is said changes as what is planned does, and each mend gives what it says.
func TestOf(t *testing.T) {
	matters := func(size string) func(*design.Document) {
		return func(d *design.Document) { d.Measured[0].Matters = size }
	}
	small, large := Of(example(t, "thirsty-beans", matters("0.5 %")), 24),
		Of(example(t, "thirsty-beans", matters("20 %")), 24)
	if seen, _ := small.Say(); seen != Unsure || small.Class > 0.8 {
		t.Errorf("half a percent is said to be seen: %+v", small)
	}
	if seen, _ := large.Say(); seen != Fine || large.Class < Sure || large.Home < 0.5 {
		t.Errorf("twenty percent is said not to be seen: %+v", large)
	}
	if len(small.Mends) == 0 {
		t.Fatal("nothing is offered that would help")
	}
	for _, m := range small.Mends {
		if m.Class <= small.Class {
			t.Errorf("%s is offered and helps nothing: %v after %v", m.Kind, m.Class, small.Class)
		}
		if m.Kind == MoreTries {
			again := Of(example(t, "thirsty-beans", func(d *design.Document) { matters("0.5 %")(d); d.Trials = m.N }),
				24)
			if math.Abs(again.Class-m.Class) > 0.001 {
				t.Errorf("%d tries are said to give %v and give %v", m.N, m.Class, again.Class)
			}
		}
		if m.Kind == MoreHomes && Of(example(t, "thirsty-beans", matters("0.5 %")), m.N).Class < Likely {
			t.Errorf("%d homes are not enough", m.N)
		}
	}
	if few := Of(example(t, "thirsty-beans", matters("20 %")), 3); few.Class >= large.Class {
		t.Errorf("three homes see as much as a class: %v", few.Class)
	}
	none := Of(example(t, "thirsty-beans", nil), 24)
	if seen, words := none.Say(); seen != Open || none.Least <= 0 || !strings.Contains(text.Render(words, "en"),
		"sure to see") {
		t.Errorf("without a size: %s %q", seen, text.Render(words, "en"))
	}
}

// TestByKind: every ready experiment has its sentence, in words of its kind.
func TestByKind(t *testing.T) {
	for name, want := range map[string]string{
		"ringing-glasses": "say the same", "bag-ties": "homes", "vanishing-sugar": "say the same",
		"snail-supper": "homes",
		"paper-strips": "class of 24", "warm-wraps": "24", "three-shadows": "say whether it is so within",
	} {
		a := Of(example(t, name, nil), 24)
		_, words := a.Say()
		for _, language := range []string{"en", "es"} {
			got := text.Render(words, language)
			t.Logf("%s: %s", name, got)
			if got == "" || strings.Contains(got, "{") || language == "en" && !strings.Contains(got, want) {
				t.Errorf("%s: %q, wanted %q in it", name, got, want)
			}
		}
		for _, m := range a.Mends {
			t.Logf("   %s", text.Render(m.Words(), "en"))
		}
	}
	empty := Of(&design.Document{}, 24)
	if _, words := empty.Say(); !slices.Contains([]string{"detect.nothing"}, words.ID) {
		t.Errorf("of nothing it says %q", words.ID)
	}
}

// By chance a choice is made as often as the claim says, else as one option of all.
func TestGuess(t *testing.T) {
	d := &design.Document{Readings: []design.Reading{{ID: "pick", Options: make([]design.Choice, 4)}}}
	quarter, third := 0.25, 1.0/3
	for _, c := range []struct {
		claim compare.Claim
		want  float64
	}{
		{compare.Claim{Says: "more", Value: "pick"}, 0.5},
		{compare.Claim{Says: "share", Value: "pick"}, quarter},
		{compare.Claim{Says: "share", Value: "pick", Stated: &third}, third},
	} {
		if got := Guess(d, compare.Planned{Claim: c.claim}); got != c.want {
			t.Errorf("%+v: %v, want %v", c.claim, got, c.want)
		}
	}
}
