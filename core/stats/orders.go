package stats

import (
	"math"

	"gonum.org/v1/gonum/stat/distuv"
)

// Friedman asks whether k things differ over n homes that ranked them all
// (rows), and gives Kendall's agreement W from 0 to 1 as the estimate. For three
// things up to 40 homes it is exact over all orders of each home's own ranks;
// otherwise F by Kendall and Babington Smith. It fails with ErrFew below two
// homes or things, ErrLengths, and ErrAllSame when every home has only ties.
func Friedman(homes [][]float64) (Result, error) {
	n := len(homes)
	if n < 2 || len(homes[0]) < 2 {
		return Result{}, ErrFew
	}
	k := len(homes[0])
	ranked := make([][]float64, n)
	sums, a := make([]float64, k), 0.0
	for h, row := range homes {
		if len(row) != k {
			return Result{}, ErrLengths
		}
		ranked[h] = Ranks(row)
		for j, r := range ranked[h] {
			sums[j] += r
			a += r * r
		}
	}
	nf, kf := float64(n), float64(k)
	c, s := nf*kf*(kf+1)*(kf+1)/4, 0.0
	for _, r := range sums {
		s += (r - nf*(kf+1)/2) * (r - nf*(kf+1)/2)
	}
	if a == c {
		return Result{Test: FriedmanTest, N: n, P: 1}, ErrAllSame
	}
	w := math.Min(1, s/(nf*(a-c)))
	f := Result{Test: FriedmanTest, N: n, Estimate: w, Low: math.NaN(), High: math.NaN(), Statistic: s}
	switch {
	case k == 3 && n <= 40:
		f.P = exactThree(ranked, s)
	case w > 1-1e-12:
		f.P = math.Exp(-(nf - 1) * logFactorial(k))
	default:
		nu := kf - 1 - 2/nf
		f.Statistic, f.DF = (nf-1)*w/(1-w), nu
		f.P = distuv.F{D1: nu, D2: (nf - 1) * nu}.Survival(f.Statistic)
	}
	return f, nil
}

// exactThree is P(S* ≥ S) over all orders of each home's own three ranks. Ranks
// are doubled, so that ties are whole numbers.
func exactThree(ranked [][]float64, s float64) float64 {
	type pair struct{ a, b int }
	chances := map[pair]float64{{0, 0}: 1}
	orders := [][3]int{{0, 1, 2}, {0, 2, 1}, {1, 0, 2}, {1, 2, 0}, {2, 0, 1}, {2, 1, 0}}
	for _, row := range ranked {
		next := map[pair]float64{}
		for at, p := range chances {
			for _, o := range orders {
				next[pair{at.a + int(2*row[o[0]]) - 4, at.b + int(2*row[o[1]]) - 4}] += p / 6
			}
		}
		chances = next
	}
	far := 0.0
	for at, p := range chances {
		a, b := float64(at.a)/2, float64(at.b)/2
		if a*a+b*b+(a+b)*(a+b) >= s-1e-9 {
			far += p
		}
	}
	return math.Min(1, far)
}
