package compare

import (
	"fmt"
	"math"
	"math/rand"
	"os"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// simulated is a class of made-up homes with one value in each condition, each
// home with a level of its own; with a step the values are what a display of
// that step shows.
func simulated(
	rng *rand.Rand,
	homes, conditions int,
	control bool,
	noise func(*rand.Rand) float64,
	effect, step float64,
) *analysis {
	d := &design.Document{
		Trials:   1,
		Question: text.Localized{"en": "?"},
		Readings: []design.Reading{{ID: "v", Symbol: "v", Unit: "mm", Per: []design.PartOf{design.Conditions}}},
	}
	for k := range conditions {
		d.Conditions = append(d.Conditions, design.Condition{ID: fmt.Sprintf("c%d", k), Control: control && k == 0})
	}
	a := &analysis{d: d}
	a.outcomes, _ = outcomes(d)
	mm := quantity.MustUnit("mm")
	for range homes {
		level := 50 + 10*rng.NormFloat64()
		var results []notebook.Result
		for k := range conditions {
			v := level + noise(rng)
			if k > 0 {
				v += effect
			}
			r := notebook.Result{Derived: "v", Condition: fmt.Sprintf("c%d", k), OK: true}
			if step > 0 {
				v = math.Round(v/step) * step
				r.Doubt.Rounding = step * step / 12
			}
			r.Value, r.Doubt.Trials = quantity.Quantity{Value: v, Unit: mm}, []float64{v}
			results = append(results, r)
		}
		a.results = append(a.results, results)
		a.homes = append(
			a.homes,
			Home{
				Key:  fmt.Sprint(len(a.homes)),
				Book: &notebook.Book{Design: d, Writer: reading.Writer{Language: "en"}},
			},
		)
	}
	return a
}

var noises = map[string]func(*rand.Rand) float64{
	"normal": func(r *rand.Rand) float64 { return r.NormFloat64() },
	"t3": func(r *rand.Rand) float64 {
		return r.NormFloat64() / math.Sqrt(
			(math.Pow(r.NormFloat64(), 2)+math.Pow(r.NormFloat64(), 2)+math.Pow(r.NormFloat64(), 2))/3,
		)
	},
	"contaminated": func(r *rand.Rand) float64 {
		if r.Float64() < 0.1 {
			return 5 * r.NormFloat64()
		}
		return r.NormFloat64()
	},
}

// claims with no effect at all: the share of classes that hear of any. At most 5 % plus two standard errors
// in each cell (5.7 % of 4,000 classes), with another seed none above 6.5 %, and
// at most 5 % over all cells. The long tier makes 4,000 classes a cell.
func TestSimulatedNoEffect(t *testing.T) {
	classes := 500
	switch {
	case os.Getenv("PK_TEST_LONG") != "":
		classes = 4000
	case testing.Short():
		t.Skip("simulated classes are for the whole tier")
	}
	for _, seed := range []int64{20270202, 7} {
		all, cells := 0.0, 0
		for _, control := range []bool{true, false} {
			for _, conditions := range []int{3, 4, 6} {
				for _, homes := range []int{8, 12, 20, 30} {
					rng := rand.New(rand.NewSource(seed + int64(conditions*100+homes)))
					said := 0
					for range classes {
						a := simulated(rng, homes, conditions, control, noises["normal"], 0, 0)
						for _, f := range a.findings("before", claims(a.d, a.outcomes, 0)) {
							if f.Verdict == stats.Supported {
								said++
								break
							}
						}
					}
					share := float64(said) / float64(classes)
					limit := 0.05 + 2*math.Sqrt(0.05*0.95/float64(classes))
					if seed == 7 {
						limit = math.Max(limit, 0.065)
					}
					all += share
					cells++
					t.Logf(
						"seed %d, %d homes, %d conditions, control %v: %.1f %% hear of an effect that is not there",
						seed,
						homes,
						conditions,
						control,
						100*share,
					)
					if share > limit {
						t.Errorf("%.1f %%, want at most %.1f", 100*share, 100*limit)
					}
				}
			}
		}
		if t.Logf("seed %d: %.1f %% over all cells of %d classes", seed, 100*all/float64(cells), classes); all/float64(
			cells,
		) > 0.05 {
			t.Error("more than 5 % over all cells")
		}
	}
}

// The 95 % interval of a difference holds the true one in 93 to 97 %.
func TestSimulatedIntervals(t *testing.T) {
	if testing.Short() {
		t.Skip("simulated classes are for the whole tier")
	}
	const classes = 2000
	for _, name := range []string{"normal", "t3", "contaminated", "step of one scatter"} {
		for _, homes := range []int{8, 12, 20, 30} {
			noise, step := noises[name], 0.0
			if noise == nil {
				noise, step = noises["normal"], 1
			}
			rng := rand.New(rand.NewSource(int64(homes)))
			held := 0
			for range classes {
				a := simulated(rng, homes, 2, true, noise, 3, step)
				f := a.findings("before", claims(a.d, a.outcomes, 0))[0]
				if f.Test.Low <= 3 && 3 <= f.Test.High {
					held++
				}
			}
			share := float64(held) / classes
			t.Logf("%s, %d homes: %.1f %%", name, homes, 100*share)
			if share < 0.93 || share > 0.97 {
				t.Errorf("%s, %d homes: %.1f %%, want 93 to 97", name, homes, 100*share)
			}
		}
	}
}
