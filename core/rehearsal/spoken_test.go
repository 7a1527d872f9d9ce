package rehearsal

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

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
			var clear float64
			enoughOf := func(agree func(float64) float64, low float64) float64 {
				high := 1.0
				for range 20 {
					if mid := (low + high) / 2; agree(mid) >= enough {
						high = mid
					} else {
						low = mid
					}
				}
				clear = high
				return high
			}
			rho := orders(things, homes, 0.05, enoughOf, r)
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
