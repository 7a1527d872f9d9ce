package rehearsal_test

import (
	"math"
	"strings"
	"testing"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/detect"
	"patient-kitchen/core/rehearsal"
	"patient-kitchen/core/text"
)

// claimed are the strips, one try each, with one claim of their first value.
func claimed(t *testing.T, homes int, of design.Claim) rehearsal.Answer {
	t.Helper()
	d, plans := strips(t, "", homes, func(d *design.Document) {
		d.Trials = 1
		of.ID, of.Value = "one", compare.Plan(d)[0].Value
		d.Claims = []design.Claim{of}
	})
	return rehearsal.Rehearse(d, plans, 3000, chance())
}

// oneTry is how one reading of a strip scatters: by its ruler and by 0.8 mm from try to try.
func oneTry(t *testing.T) float64 {
	t.Helper()
	step := 1.0
	if d, _ := strips(t, "", 1); d.Readings[0].Instruments[0].Analogue {
		step = 0.5
	}
	return math.Hypot(step/math.Sqrt(12), 0.8)
}

func phi(x float64) float64 { return 0.5 * math.Erfc(-x/math.Sqrt2) }

// A value that is what is stated, or the same in two conditions, can be said where the
// interval of the class lies within what counts. By hand, with the normal distribution and
// the quantile of t with 17 degrees of freedom: the chance is 2Φ((m − 2.11 s)/s) − 1 with
// s = sd/√n, and in nine of ten classes the mean comes within 1.645 s. Two values in a
// hundred slip by five times their scatter: the variance is up to 1 + 0.02 × 25 times as large.
func TestAgreementsAreRehearsed(t *testing.T) {
	const homes = 20
	for _, c := range []struct {
		claim design.Claim
		sd    float64 // of what each home finds, as a multiple of one try
	}{
		{design.Claim{Says: "equals", Condition: "printer", Stated: "20 mm", Matters: "0.6 mm"}, 1},
		{design.Claim{Says: "equals", Condition: "printer", Stated: "20 mm", Matters: "3 mm"}, 1},
		{design.Claim{Says: "same", Condition: "printer", Against: "towel", Matters: "0.9 mm"}, math.Sqrt2},
	} {
		a := claimed(t, homes, c.claim)
		if len(a.Agreements) != 1 || len(a.Claims) != 0 || a.Unsaid != 0 || a.Agreements[0].Homes != homes {
			t.Fatalf("%+v", a)
		}
		x := a.Agreements[0]
		s := c.sd * oneTry(t) / math.Sqrt(homes*(1-detect.DropsOut))
		slips := s * math.Sqrt(1.5)
		if by := 1.645 * s; x.Within < 0.95*by || x.Within > 1.05*by*math.Sqrt(1.5) {
			t.Errorf("%s: within %.3f, by hand %.3f", c.claim.Says, x.Within, by)
		}
		low, high := math.Max(0, 2*phi(x.Near/slips-2.11)-1), math.Max(0, 2*phi(x.Near/s-2.11)-1)
		if x.Seen < low-0.03 || x.Seen > high+0.03 {
			t.Errorf("%s within %v: seen in %.2f, by hand %.2f to %.2f", c.claim.Says, x.Near, x.Seen, low, high)
		}
	}
	open := claimed(t, homes, design.Claim{Says: "equals", Condition: "printer", Stated: "20 mm"})
	few := claimed(t, 2, design.Claim{Says: "equals", Condition: "printer", Stated: "20 mm", Matters: "2 mm"})
	for said, want := range map[string]string{
		text.Render(open.Sentences()[0], "en"): "say at Plan what counts",
		text.Render(few.Sentences()[0], "en"):  "With 2 homes it would not show",
	} {
		if !strings.Contains(said, want) {
			t.Errorf("%q does not say %q", said, want)
		}
	}
}

// An order of what is measured shows where each condition is surely above the one before.
// By hand the chance lies between that of both comparisons by themselves, and their least.
func TestMeasuredOrdersAreRehearsed(t *testing.T) {
	const homes, step = 20, 0.8
	order := design.Claim{Says: "order", Order: []string{"printer", "towel", "filter"}, Matters: "0.8 mm"}
	a := claimed(t, homes, order)
	if len(a.Ordered) != 1 || a.Unsaid != 0 || a.Ordered[0].Homes != homes || a.Ordered[0].Source != detect.Matters ||
		math.Abs(a.Ordered[0].Step-step) > 1e-9 {
		t.Fatalf("%+v", a)
	}
	sd := math.Hypot(math.Sqrt2*oneTry(t), detect.Differs*step)
	one := phi(step*math.Sqrt(homes*(1-detect.DropsOut))/sd - 2.1) // the quantile of t with 17 degrees of freedom
	if seen := a.Ordered[0].Seen; seen < one*one-0.12 || seen > one+0.05 {
		t.Errorf("seen in %.2f, by hand between %.2f and %.2f", seen, one*one, one)
	}
	order.Matters = ""
	a = claimed(t, homes, order)
	if x := a.Ordered[0]; x.Source != detect.Nothing || x.Step < 0.8 || x.Step > 2 {
		t.Errorf("the least step that shows: %+v", x)
	}
	for _, language := range text.Languages {
		for _, m := range a.Sentences() {
			if said := text.Render(m, language); strings.ContainsAny(said, "{}[]") {
				t.Errorf("%s", said)
			}
		}
	}
}

// Levels that only the homes know are taken as evenly spread: what matters over all of
// them is seen as surely as over levels that the design spreads evenly.
func TestLevelsOfTheHomesAreRehearsed(t *testing.T) {
	rising := func(level func(c *design.Condition, i int)) rehearsal.Answer {
		d, plans := strips(t, "", 20, func(d *design.Document) {
			for i := range d.Conditions {
				level(&d.Conditions[i], i)
			}
			d.Claims = []design.Claim{{ID: "up", Says: "rises", Value: compare.Plan(d)[0].Value, Matters: "1.5 mm"}}
		})
		return rehearsal.Rehearse(d, plans, 3000, chance())
	}
	own := rising(func(c *design.Condition, _ int) { c.LevelFrom = "climb" })
	said := rising(func(c *design.Condition, i int) { c.Value = string(rune('1' + i)) })
	if len(own.Claims) != 1 || len(said.Claims) != 1 || own.Unsaid != 0 || !own.Claims[0].Even {
		t.Fatalf("%+v", own)
	}
	if math.Abs(own.Claims[0].Seen-said.Claims[0].Seen) > 0.03 || own.Claims[0].Effect != 1.5 {
		t.Errorf("%.2f of the homes' levels, %.2f of the design's", own.Claims[0].Seen, said.Claims[0].Seen)
	}
	if words := text.Render(own.Sentences()[1], "en"); !strings.Contains(words,
		"1.5\u00a0mm from the least to the most") {
		t.Error(words)
	}
}
