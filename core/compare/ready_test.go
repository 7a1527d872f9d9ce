package compare_test

import (
	"fmt"
	"math"
	"math/rand"
	"strings"
	"testing"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/docs"
)

// The ready experiments without a number, each done by a class of 24 made-up kitchens
// that differ among themselves: the class finds what the background says.
func TestReadyExperimentsWithoutANumber(t *testing.T) {
	place := func(rng *rand.Rand, at, own float64, most int) int {
		return max(0, min(most, int(math.Round(at+own+0.4*rng.NormFloat64()))))
	}
	for _, c := range []struct {
		name, finding, words string
		home                 func(rng *rand.Rand, own float64, slot design.Slot) *notebook.Given
	}{
		{"vanishing-sugar", "warm-less", "Supported: sugar left is less with Warm than with Cold.",
			func(rng *rand.Rand, own float64, slot design.Slot) *notebook.Given {
				at := map[string]float64{"cold": 0.8, "hand": 1.7, "warm": 2.6}[slot.Condition]
				return &notebook.Given{Level: []string{"all", "much", "little", "nothing"}[place(rng, at, own, 3)]}
			}},
		{"ringing-glasses", "less-is-higher", "Supported: the order Empty, A third full, Two thirds full and Full.",
			func(rng *rand.Rand, own float64, slot design.Slot) *notebook.Given {
				if slot.Reading == "sure" {
					return &notebook.Given{Answer: []string{"no", "partly", "yes"}[place(rng, 1.5, own, 2)]}
				}
				order := [][]string{{"empty"}, {"third"}, {"two-thirds"}, {"full"}}
				if at := rng.Intn(6); at < 3 { // some hear two neighbours the other way round, some alike
					order[at], order[at+1] = order[at+1], order[at]
				} else if at == 3 {
					order = [][]string{{"empty"}, {"third", "two-thirds"}, {"full"}}
				}
				return &notebook.Given{Order: order}
			}},
		{"bag-ties", "knot-more", "Supported: it holds is more with Knot than with Twist.",
			func(rng *rand.Rand, own float64, slot design.Slot) *notebook.Given {
				at := map[string]float64{"twist": 0.4, "knot": 2.1, "clip": 1.2}[slot.Condition]
				return &notebook.Given{Answer: []string{"no", "partly", "yes"}[place(rng, at, own, 2)]}
			}},
		{"clearer-water", "sand-clearer", "Supported: clearness of the water is more after sand than after gravel.",
			func(rng *rand.Rand, own float64, slot design.Slot) *notebook.Given {
				at := map[string]float64{"muddy": 0.1, "gravel": 0.4, "sand": 1.8, "cloth": 2.4}[slot.Stage]
				return &notebook.Given{Level: []string{"nothing", "shade", "blurred", "sharp"}[place(rng, at, own, 3)]}
			}},
		{"snail-supper", "lettuce-more", "lettuce was preferred:",
			func(rng *rand.Rand, own float64, _ design.Slot) *notebook.Given {
				g := &notebook.Given{Counts: map[string]int{"lettuce": 0, "neither": 0, "oats": 0}}
				for range 8 {
					switch u := rng.Float64() + 0.1*own; {
					case u < 0.55:
						g.Counts["lettuce"]++
					case u < 0.85:
						g.Counts["neither"]++
					default:
						g.Counts["oats"]++
					}
				}
				return g
			}},
	} {
		raw, err := docs.Example(c.name)
		if err != nil {
			t.Fatal(err)
		}
		d := document(t, string(raw))
		rng := rand.New(rand.NewSource(24))
		homes := gathered(t, d, 24, func(int) (entries []notebook.Entry) {
			own := 0.3 * rng.NormFloat64()
			for _, slot := range d.Slots() {
				entries = append(entries, give("", slot, c.home(rng, own, slot)))
			}
			return entries
		})
		f := reported(t, d, homes, c.finding)
		if s := f.Words.Teacher["en"]; f.Verdict != "supported" || !strings.HasPrefix(s, c.words) || f.N != 24 {
			t.Errorf("%s: %s %s", c.name, f.Verdict, s)
		}
		for _, words := range []string{f.Words.Teacher["es"], f.Words.Family["en"], f.Words.Family["es"]} {
			if words == "" || strings.ContainsAny(words, "{}[]") {
				t.Errorf("%s: %q", c.name, words)
			}
		}
		planned := false
		for _, p := range compare.Plan(d) {
			planned = planned || p.ID == c.finding && p.Test == f.Test
		}
		if !planned {
			t.Errorf("%s: before it was issued another test was named than %s", c.name, f.Test)
		}
	}
}

// Three things that each home chose itself, measured with their shadows under a sun of
// its own: whatever the hour, a thing of no height has no shadow, and the ratio is one.
func TestReadyThreeShadows(t *testing.T) {
	raw, err := docs.Example("three-shadows")
	if err != nil {
		t.Fatal(err)
	}
	d := document(t, string(raw))
	rng := rand.New(rand.NewSource(24))
	var ratios []float64
	homes := gathered(t, d, 24, func(home int) (entries []notebook.Entry) {
		times := 0.6 + 1.6*rng.Float64()
		ratios = append(ratios, times)
		tall := map[string]float64{}
		for i, object := range d.ObjectIDs() {
			tall[object] = float64(12+28*i) + 6*rng.NormFloat64()/2
		}
		for _, slot := range d.Slots() {
			value := tall[slot.Object] + 0.2*rng.NormFloat64()
			if slot.Reading == "shadow" {
				value = times*tall[slot.Object] + rng.NormFloat64()
			}
			e := give("", slot, nil)
			e.Instrument, e.Typed = "tape", fmt.Sprintf("%.1f cm", value)
			if home == 0 { // measures in inches
				e.Instrument, e.Typed = "inch-tape", fmt.Sprintf("%.1f in", value/2.54)
			}
			entries = append(entries, e)
		}
		return entries
	})
	f := reported(t, d, homes, "one-rule")
	if f.Test != "one-sample-t" || f.Verdict != "supported" || f.N != 24 {
		t.Errorf("%s %s %d: %s", f.Test, f.Verdict, f.N, f.Words.Teacher["en"])
	}
	for h, home := range homes {
		for _, r := range notebook.Derive(home.Book) {
			if r.Derived != "times" {
				continue
			}
			if n := len(r.Doubt.Trials); !r.OK || n != 3 || math.Abs(r.Value.Value-ratios[h]) > 3*r.Value.U+0.05 {
				t.Errorf("home %d: %v of %d things, not %.2f", h, r.Value, n, ratios[h])
			}
		}
	}
}
