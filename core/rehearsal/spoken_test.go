package rehearsal

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/detect"
	"patient-kitchen/core/stats"
)

// Numbers of the sign test at 5 %, two-sided, as tables have them (W. J. Dixon and
// A. M. Mood, 1946): below six homes none is enough.
func TestHowManyHaveToAgree(t *testing.T) {
	least := agreeing(30, 0.5, 0.05)
	for n, want := range map[int]int{5: 6, 6: 6, 8: 8, 9: 8, 10: 9, 12: 10, 15: 12, 20: 15, 25: 18, 30: 21} {
		if least[n] != want {
			t.Errorf("of %d homes %d have to agree, want %d", n, least[n], want)
		}
	}
	for n, k := range agreeing(40, 0.25, 0.05/3) { // against asking each number
		if k > n {
			continue
		}
		before := float64(k-1) > 0.25*float64(n) && stats.ExactBinomial(k-1, n, 0.25) <= 0.05/3
		if stats.ExactBinomial(k, n, 0.25) > 0.05/3 || before {
			t.Errorf("%d of %d is not the least", k, n)
		}
	}
}

// The chance that a class sees what homes say is that of playing classes.
func TestClassesThatSayTheSame(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 5))
	for _, c := range []struct {
		homes int
		share float64
	}{{12, 0.95}, {24, 0.8}, {60, 0.7}} {
		least := agreeing(c.homes, 0.5, 0.05)
		const classes = 20000
		seen := 0
		for range classes {
			in, say := 0, 0
			for range c.homes {
				if r.Float64() < detect.DropsOut {
					continue
				}
				in++
				if so := r.Float64() < c.share; so != (r.Float64() < Swaps) {
					say++
				}
			}
			if in > 0 && say >= least[in] {
				seen++
			}
		}
		if got, played := counted(c.homes, c.share, least), float64(seen)/classes; math.Abs(got-played) > 0.015 {
			t.Errorf("%d homes, %.2f: %.3f, played %.3f", c.homes, c.share, got, played)
		}
	}
}

// At the agreement that is said, nine of ten classes pass Page's own test.
func TestClassesThatOrderAlike(t *testing.T) {
	for _, things := range []int{3, 4, 6} {
		t.Run(fmt.Sprint(things), func(t *testing.T) {
			r := rand.New(rand.NewPCG(7, 9))
			const homes = 24
			rho := orders(things, homes, 0.05, r)
			clear := leastOf(func(clear float64) float64 { // how clearly that is seen
				if mean, _ := agreement(things, clear, r); mean < rho {
					return 0
				}
				return 1
			}, 0)
			off := float64(things) * (1 - clear) / clear
			seen, n := 0, homes*9/10
			const classes = 300
			for range classes {
				var rows [][]float64
				for range n {
					row := make([]float64, things)
					for i := range row {
						row[i] = float64(i) + off*r.NormFloat64()
					}
					rows = append(rows, row)
				}
				if f, err := stats.Page(rows); err == nil && f.P < 0.05 && f.Estimate > 0 {
					seen++
				}
			}
			if share := float64(seen) / classes; rho <= 0 || rho >= 1 || math.Abs(share-enough) > 0.07 {
				t.Errorf("agreement %.2f: seen in %.2f of classes", rho, share)
			}
		})
	}
}

// At the share of animals that is said, nine of ten classes pass the t test of the homes'
// shares.
func TestClassesWhoseAnimalsGather(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 11))
	where := &design.Reading{Of: "8", Zones: []design.Zone{{ID: "a"}, {ID: "b"}, {ID: "c"}}}
	for says, homes := range map[string]int{"more": 24, "less": 40} {
		share, ok := zone(where, compare.Planned{Claim: compare.Claim{Zone: "a", Says: says}}, homes, 1)
		if !ok || share <= 0 || share >= 1 || says == "more" != (share > 1.0/3) {
			t.Fatalf("%s: %.2f, %t", says, share, ok)
		}
		const classes = 2000
		seen := 0
		for range classes {
			var d, w []float64
			for range homes * 9 / 10 {
				own := share + detect.Differs*(share-1.0/3)*r.NormFloat64()
				if r.Float64() < Swaps {
					own = 2.0/3 - own
				}
				there := 0
				for range 8 {
					if r.Float64() < own {
						there++
					}
				}
				d, w = append(d, float64(there)/8-1.0/3), append(w, 0)
			}
			if f, err := stats.MeanOf(d, w, 0); err == nil && f.P < 0.05 && (f.Estimate > 0) == (says == "more") {
				seen++
			}
		}
		if got := float64(seen) / classes; math.Abs(got-enough) > 0.06 {
			t.Errorf("%s: at %.2f seen in %.3f of classes", says, share, got)
		}
	}
	if _, ok := zone(where, compare.Planned{Claim: compare.Claim{Zone: "d"}}, 24, 1); ok {
		t.Error("a zone that is not there")
	}
}
