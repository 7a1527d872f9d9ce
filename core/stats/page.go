package stats

import (
	"fmt"
	"math"
	"slices"

	"gonum.org/v1/gonum/stat/distuv"
)

// The most things and homes for which Page's test goes through all orders.
const (
	exactThings = 6
	exactHomes  = 200
)

// Page asks whether n homes that each ranked k things (rows, in the order that was
// stated) agree with that order, by Page's L (1963) on centred ranks:
// L = Σ_h Σ_j (2j − k − 1)·2R_hj, two-sided. It is exact over all orders of each
// home's own ranks, ties staying tied, up to six things and 200 homes; beyond, L
// is taken as normal. The estimate is the mean over homes of the rank correlation
// with the stated order, from −1 to 1, 0 for a home with all alike. It fails with
// ErrFew below two homes or things, ErrLengths, and ErrAllSame when every home has
// only ties.
func Page(homes [][]float64) (Result, error) {
	n := len(homes)
	if n < 2 || len(homes[0]) < 2 {
		return Result{}, ErrFew
	}
	k := len(homes[0])
	ranked := make([][]float64, n)
	agreements := make([]float64, n)
	l, variance := 0.0, 0.0
	for h, row := range homes {
		if len(row) != k {
			return Result{}, ErrLengths
		}
		ranked[h] = Ranks(row)
		stated, own, both := 0.0, 0.0, 0.0
		for j, r := range ranked[h] {
			c, d := float64(2*(j+1)-k-1), 2*r-float64(k+1)
			l, both = l+c*2*r, both+c*d
			stated, own = stated+c*c, own+d*d
		}
		variance += stated * own / float64(k-1)
		if own > 0 {
			agreements[h] = both / math.Sqrt(stated*own)
		}
	}
	if variance == 0 {
		return Result{Test: PageTest, N: n, P: 1}, ErrAllSame
	}
	f := Result{Test: PageTest, N: n, Statistic: l}
	mean, sd := meanSD(agreements)
	half := student(float64(n-1)).Quantile(0.975) * sd / math.Sqrt(float64(n))
	f.Estimate, f.Low, f.High = mean, math.Max(-1, mean-half), math.Min(1, mean+half)
	if k <= exactThings && n <= exactHomes {
		f.P = exactPage(ranked, l)
	} else {
		f.P = 2 * distuv.UnitNormal.CDF(-math.Abs(l)/math.Sqrt(variance))
	}
	return f, nil
}

// exactPage is P(|L*| ≥ |L|) over all orders of each home's own ranks. Homes with
// the same ties have the same distribution.
func exactPage(ranked [][]float64, l float64) float64 {
	known := map[string]spread{}
	all := spread{chance: []float64{1}}
	for _, row := range ranked {
		sorted := slices.Sorted(slices.Values(row))
		key := fmt.Sprint(sorted)
		own, ok := known[key]
		if !ok {
			own = ownOrders(sorted)
			known[key] = own
		}
		all = all.with(own)
	}
	far := 0.0
	for i, p := range all.chance {
		if math.Abs(float64(all.least+i)) >= math.Abs(l)-1e-9 {
			far += p
		}
	}
	return math.Min(1, far)
}

// spread is the distribution of a whole number: the chances from its least value on.
type spread struct {
	least  int
	chance []float64
}

// with is the distribution of the sum of two numbers.
func (a spread) with(b spread) spread {
	out := spread{a.least + b.least, make([]float64, len(a.chance)+len(b.chance)-1)}
	for i, p := range a.chance {
		if p == 0 {
			continue
		}
		for j, q := range b.chance {
			out.chance[i+j] += p * q
		}
	}
	return out
}

// ownOrders is the distribution of one home's part of L over all orders of its
// ranks.
func ownOrders(ranks []float64) spread {
	orders := permutations(len(ranks))
	values := make([]int, len(orders))
	for n, order := range orders {
		for j, i := range order {
			values[n] += (2*(j+1) - len(order) - 1) * int(2*ranks[i])
		}
	}
	out := spread{least: slices.Min(values)}
	out.chance = make([]float64, slices.Max(values)-out.least+1)
	for _, v := range values {
		out.chance[v-out.least] += 1 / float64(len(orders))
	}
	return out
}

// permutations are all orders of 0 to k − 1.
func permutations(k int) [][]int {
	out := [][]int{{}}
	for next := range k {
		var longer [][]int
		for _, p := range out {
			for at := range len(p) + 1 {
				longer = append(longer, slices.Insert(slices.Clone(p), at, next))
			}
		}
		out = longer
	}
	return out
}
