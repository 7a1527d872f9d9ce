package rehearsal_test

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/detect"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/rehearsal"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
	"patient-kitchen/internal/cputime"
)

// strips are the paper strips with a smallest difference that matters, and so many homes.
func strips(t testing.TB, matters string, homes int, change ...func(*design.Document)) (*design.Document,
	[]fit.HomePlan) {
	t.Helper()
	raw, err := docs.Example("paper-strips")
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	d.Expectations, d.Claims = nil, nil
	d.Measured[0].Matters = matters
	for _, f := range change {
		f(&d)
	}
	var c kitchen.Class
	for i := range homes {
		c.Homes = append(c.Homes, kitchen.Kitchen{Home: string(rune('a'+i/26)) + string(rune('a'+i%26))})
	}
	return &d, fit.SuppliesOf(&d).Fit(c).Homes
}

func chance() *rand.Rand { return rand.New(rand.NewPCG(7, 11)) }

// How far one difference scatters: a ruler of 1 mm, halved where it is read by eye, and
// 0.8 mm from try to try, over its tries; then twice, for two strips. The chance that the
// mean of n differences of this scatter is seen is the power of the paired t test with
// Holm's correction, here between that of one comparison and of three (normal
// approximation, by hand).
func TestRehearsedPowerIsThatOfTheTest(t *testing.T) {
	for _, homes := range []int{8, 20} {
		d, plans := strips(t, "2 mm", homes, func(d *design.Document) { d.Trials = 1 })
		a := rehearsal.Rehearse(d, plans, 4000, chance())
		if len(a.Claims) == 0 || a.Homes != homes {
			t.Fatalf("%+v", a)
		}
		n := detect.DropsOut
		kept := float64(homes) * (1 - n)
		step := 1.0
		if d.Readings[0].Instruments[0].Analogue {
			step = 0.5
		}
		one := math.Hypot(step/math.Sqrt(12), 0.8)
		sd := math.Sqrt(2*one*one + math.Pow(detect.Differs*2, 2))
		z := 2 * (1 - 2*rehearsal.Swaps) / (sd / math.Sqrt(kept))
		phi := func(x float64) float64 { return 0.5 * math.Erfc(-x/math.Sqrt2) }
		low, high := phi(z-3.6), phi(z-1.96) // with so few homes t asks for more than the normal does
		if a.Claims[0].Seen < low-0.1 || a.Claims[0].Seen > high+0.05 {
			t.Errorf("%d homes: seen in %.2f, by hand between %.2f and %.2f", homes, a.Claims[0].Seen, low, high)
		}
		if m := a.Claims[0].Middle; math.Abs(m-2*(1-2*rehearsal.Swaps)) > 0.15 {
			t.Errorf("the class's estimate is %g", m)
		}
	}
}

// More homes, more tries and finer tools never make an effect harder to see; without an
// effect a class sees one by chance alone.
func TestRehearsalGrows(t *testing.T) {
	seen := func(matters string, homes int, trials int) float64 {
		d, plans := strips(t, matters, homes, func(d *design.Document) { d.Trials = trials })
		return rehearsal.Rehearse(d, plans, 2000, chance()).Claims[0].Seen
	}
	few, many, often, large := seen("0.7 mm", 8, 1), seen("0.7 mm", 24, 1), seen("0.7 mm", 8, 6), seen("3 mm", 8, 1)
	if !(few < many && few < often && few < large) {
		t.Errorf("%g %g %g %g", few, many, often, large)
	}
	if tiny := seen("0.001 mm", 24, 1); tiny > 0.05 {
		t.Errorf("nothing is seen in %g of classes", tiny)
	}
}

// Where nothing says how large the effect is, the smallest that is surely seen is said;
// where it is hardly seen, what would help most; who has no tool takes no part.
func TestRehearsalSays(t *testing.T) {
	d, plans := strips(t, "", 20)
	a := rehearsal.Rehearse(d, plans, 1000, chance())
	if a.Claims[0].Source != detect.Nothing || math.Abs(a.Claims[0].Seen-0.9) > 0.1 {
		t.Errorf("%+v", a.Claims[0])
	}
	for _, language := range text.Languages {
		said := text.Render(a.Sentences()[0], language)
		if !strings.Contains(said, "mm") || strings.Contains(said, "{") {
			t.Errorf("%s", said)
		}
	}
	d, plans = strips(t, "0.5 mm", 8)
	if a := rehearsal.Rehearse(d, plans, 1000, chance()); a.Help == nil || a.Help.Seen <= a.Claims[0].Seen {
		t.Errorf("no help: %+v", a)
	}
	none := fit.SuppliesOf(d).Fit(kitchen.Class{Homes: []kitchen.Kitchen{{Home: "Fern", Otherwise: true}}}).Homes
	if a := rehearsal.Rehearse(d, none, 100, chance()); a.Homes != 0 || len(a.Sentences()) != 1 {
		t.Errorf("nobody takes part: %+v", a)
	}
	one, again := rehearsal.Rehearse(d, plans, 500, chance()), rehearsal.Rehearse(d, plans, 500, chance())
	if one.Claims[0].Seen != again.Claims[0].Seen {
		t.Error("the same chance gives another answer")
	}
}

// A value that rises with what is changed is rehearsed by the homes' slopes: with levels
// 1 to 4 a slope scatters as one value over √Σ(x − x̄)² = √5, by hand.
func TestTrendsAreRehearsed(t *testing.T) {
	const homes = 20
	rising := func(matters, says string) rehearsal.Answer {
		d, plans := strips(t, "", homes, func(d *design.Document) {
			d.Trials = 1
			for i := range d.Conditions {
				d.Conditions[i].Value = string(rune('1' + i))
			}
			d.Claims = []design.Claim{{ID: "up", Says: says, Value: compare.Plan(d)[0].Value, Matters: matters}}
		})
		return rehearsal.Rehearse(d, plans, 2000, chance())
	}
	a := rising("3 mm", "rises")
	if len(a.Claims) != 1 || a.Unsaid != 0 || a.Homes != homes || math.Abs(a.Claims[0].Effect-1) > 1e-9 {
		t.Fatalf("%+v", a)
	}
	one := math.Hypot(1/math.Sqrt(12), 0.8)
	if strips, _ := strips(t, "", 1); strips.Readings[0].Instruments[0].Analogue {
		one = math.Hypot(0.5/math.Sqrt(12), 0.8)
	}
	sd := math.Hypot(one/math.Sqrt(5), detect.Differs)
	// of the class's mean, 5th to 95th
	wide := (a.Claims[0].High - a.Claims[0].Low) / (2 * 1.645)
	if by := sd / math.Sqrt(homes*(1-detect.DropsOut)); wide < by*0.8 || wide > by*1.6 { // swaps widen it
		t.Errorf("the class's slope scatters by %.3f, by hand %.3f", wide, by)
	}
	for _, language := range text.Languages {
		if said := text.Render(a.Sentences()[1], language); !strings.Contains(said, "mm") ||
			strings.ContainsAny(said, "{}") {
			t.Errorf("%s", said)
		}
	}
	if said := text.Render(a.Sentences()[1], "en"); !strings.Contains(said, "for each 1") {
		t.Errorf("%s", said)
	}
	if a := rising("", "falls"); a.Claims[0].Source != detect.Nothing || a.Claims[0].Effect >= 0 {
		t.Errorf("nothing says how much: %+v", a.Claims[0])
	}
	d, plans := strips(t, "", homes, func(d *design.Document) {
		d.Claims = []design.Claim{{ID: "up", Says: "rises", Value: compare.Plan(d)[0].Value}}
	})
	if a := rehearsal.Rehearse(d, plans, 200, chance()); len(a.Claims) != 0 {
		t.Errorf("without levels: %+v", a)
	}
}

// What homes say without a number is rehearsed by how far they have to agree: levels
// against one another, an order by ear. Of five homes no number is enough.
func TestWhatHomesSayIsRehearsed(t *testing.T) {
	for name, want := range map[string]string{
		"vanishing-sugar": "of 100 homes find it so", "ringing-glasses": "of 1 on average",
		"bag-ties":     "of 100 homes find it so",
		"snail-supper": "of 100 animals stand there",
	} {
		raw, err := docs.Example(name)
		if err != nil {
			t.Fatal(err)
		}
		d, err := design.Read(raw)
		if err != nil {
			t.Fatal(err)
		}
		for homes, want := range map[int]string{24: want, 2: "it would not show"} {
			var c kitchen.Class
			for i := range homes {
				c.Homes = append(c.Homes, kitchen.Kitchen{Home: string(rune('a' + i))})
			}
			a := rehearsal.Rehearse(&d, fit.SuppliesOf(&d).Fit(c).Homes, 500, chance())
			if len(a.Spoken) == 0 || a.Spoken[0].Homes != homes {
				t.Errorf("%s: %+v", name, a)
				continue
			}
			for _, language := range text.Languages {
				if said := text.Render(a.Sentences()[0], language); strings.ContainsAny(said, "{}") {
					t.Errorf("%s: %s", name, said)
				}
			}
			if said := text.Render(a.Sentences()[0], "en"); !strings.Contains(said, want) {
				t.Errorf("%s, %d homes: %s", name, homes, said)
			}
		}
	}
}

// Ten thousand classes of thirty are played while somebody waits.
func TestRehearsalIsQuick(t *testing.T) {
	if testing.Short() {
		t.Skip("a time")
	}
	d, plans := strips(t, "2 mm", 30)
	took := cputime.Of(func() { rehearsal.Rehearse(d, plans, 10_000, chance()) })
	t.Logf("10,000 classes of 30 in %v", took)
	if took > 6*time.Second {
		t.Errorf("10,000 classes of 30 take %v", took)
	}
}
