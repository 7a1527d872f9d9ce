package stats

import (
	"math"
	"sort"
)

// TwoGroups compares two groups of homes by Welch's t test, each group's
// variance at least its mean rounding variance. Where all values take at most
// five sizes, or one group is more than two and a half times the other, the
// p-value is the larger of it and of RankGroups: 5 against 25 skewed homes give
// 8 % instead of 5 % by Welch alone. It fails with ErrFew below two in a group.
func TwoGroups(a, b, wa, wb []float64) (Result, error) {
	if len(a) < 2 || len(b) < 2 {
		return Result{}, ErrFew
	}
	na, nb := float64(len(a)), float64(len(b))
	ma, sa := meanSD(a)
	mb, sb := meanSD(b)
	va, vb := math.Max(sa*sa, mean0(wa))/na, math.Max(sb*sb, mean0(wb))/nb
	f := Result{
		Test:     WelchTest,
		N:        len(a) + len(b),
		Estimate: mb - ma,
		SE:       math.Sqrt(va + vb),
		Low:      math.NaN(),
		High:     math.NaN(),
	}
	byRanks := func() float64 {
		return RankGroups(plain(a), plain(b)).P
	}
	if f.SE == 0 {
		f.P = byRanks()
		return f, nil
	}
	f.DF = (va + vb) * (va + vb) / (va*va/(na-1) + vb*vb/(nb-1))
	t := student(f.DF)
	f.Statistic = f.Estimate / f.SE
	f.P = 2 * t.CDF(-math.Abs(f.Statistic))
	half := t.Quantile(0.975) * f.SE
	f.Low, f.High = f.Estimate-half, f.Estimate+half
	if distinct(append(append([]float64(nil), a...), b...)) <= 5 || math.Max(na, nb) > 2.5*math.Min(na, nb) {
		f.P = math.Max(f.P, byRanks())
	}
	return f, nil
}

func plain(x []float64) []Interval {
	out := make([]Interval, len(x))
	for i, v := range x {
		out[i] = Plain(v)
	}
	return out
}

func mean0(x []float64) float64 {
	if len(x) == 0 {
		return 0
	}
	m, _ := meanSD(x)
	return m
}

func distinct(x []float64) int {
	sort.Float64s(x)
	n := 0
	for i := range x {
		if i == 0 || x[i]-x[i-1] > 1e-9*math.Abs(x[i]) {
			n++
		}
	}
	return n
}

// RankGroups compares two groups of homes by ranks, bounds among them: each
// home's score is the number of homes surely below less that surely above it
// (Wilcoxon's rank sum; with bounds Gehan's). p is exact over all divisions up
// to 200 homes, above that normal. The estimate is the chance that a home of b
// lies above one of a, undecided pairs counted half.
func RankGroups(a, b []Interval) Result {
	all := append(append([]Interval(nil), a...), b...)
	n := len(all)
	scores := make([]int, n)
	for i := range all {
		for j := range all {
			if all[j].High < all[i].Low {
				scores[i]++
			} else if all[j].Low > all[i].High {
				scores[i]--
			}
		}
	}
	up, down, t := 0, 0, 0
	for i := len(a); i < n; i++ {
		t += scores[i]
		for _, x := range a {
			if x.High < all[i].Low {
				up++
			} else if x.Low > all[i].High {
				down++
			}
		}
	}
	f := Result{Test: RankGroupsTest, N: n, P: 1, Low: math.NaN(), High: math.NaN(), Statistic: float64(t)}
	if len(a) == 0 || len(b) == 0 {
		f.Estimate = math.NaN()
		return f
	}
	f.Estimate = 0.5 + float64(up-down)/(2*float64(len(a)*len(b)))
	if n > 200 {
		squares := 0.0
		for _, s := range scores {
			squares += float64(s * s)
		}
		v := float64(len(a)*len(b)) / float64(n*(n-1)) * squares
		f.P = math.Erfc(math.Abs(float64(t)) / math.Sqrt(2*v))
		return f
	}
	f.P = divisions(scores, len(b), t)
	return f
}

// divisions is the share of all choices of k scores whose sum is at least as
// far from zero.
func divisions(scores []int, k, t int) float64 {
	reach := 0
	for _, s := range scores {
		reach += max(s, -s)
	}
	ways := make([][]float64, k+1)
	for i := range ways {
		ways[i] = make([]float64, 2*reach+1)
	}
	ways[0][reach] = 1
	for seen, s := range scores {
		for i := min(k, seen+1); i >= 1; i-- {
			from, to := ways[i-1], ways[i]
			// log-free: divided at the end by the number of all choices
			for j := range from {
				if from[j] != 0 {
					to[j+s] += from[j]
				}
			}
		}
	}
	far, all := 0.0, 0.0
	for j, w := range ways[k] {
		all += w
		if sum := j - reach; max(sum, -sum) >= max(t, -t) {
			far += w
		}
	}
	return math.Min(1, far/all)
}
