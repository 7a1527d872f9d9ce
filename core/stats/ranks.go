package stats

import (
	"math"
	"sort"
)

// mostPermuted is the number of pairs up to which all orders are tried.
const mostPermuted = 8

// RankAssociation asks whether y goes up or down with x, by whatever curve:
// Spearman's rank correlation, ties with mean ranks. Up to eight pairs the
// p-value is exact (all orders), above that by Student's t with n − 2 degrees
// of freedom; the interval is Fisher's z with the standard error
// √((1 + ρ²/2)/(n − 3)) of Bonett and Wright (2000). It fails with ErrLengths,
// ErrFew (below four pairs) or ErrAllSame.
func RankAssociation(x, y []float64, c Claim) (Result, error) {
	if len(x) != len(y) {
		return Result{}, ErrLengths
	}
	if len(x) < 4 {
		return Result{}, ErrFew
	}
	rx, ry := Ranks(x), Ranks(y)
	n := float64(len(x))
	rho, ok := correlation(rx, ry)
	if !ok {
		return Result{}, ErrAllSame
	}
	f := Result{Test: RankTest, N: len(x), Estimate: rho}
	z, se := math.Atanh(clampOne(rho)), math.Sqrt((1+rho*rho/2)/(n-3))
	f.Low, f.High = math.Tanh(z-1.959964*se), math.Tanh(z+1.959964*se)
	if len(x) <= mostPermuted {
		f.P = permuted(rx, ry, rho)
	} else {
		f.DF = n - 2
		f.Statistic = rho * math.Sqrt(f.DF/math.Max(1e-300, 1-rho*rho))
		f.P = 2 * student(f.DF).CDF(-math.Abs(f.Statistic))
	}
	side := 1
	if rho < 0 {
		side = -1
	}
	f.Verdict = judgeP(f.P, side, c)
	return f, nil
}

func clampOne(v float64) float64 { return math.Max(-1+1e-12, math.Min(1-1e-12, v)) }

// Ranks gives each value its rank from 1; equal ones share their mean rank.
func Ranks(x []float64) []float64 {
	order := make([]int, len(x))
	for i := range order {
		order[i] = i
	}
	sort.Slice(order, func(i, j int) bool { return x[order[i]] < x[order[j]] })
	out := make([]float64, len(x))
	for i := 0; i < len(order); {
		j := i
		for j < len(order) && x[order[j]] == x[order[i]] {
			j++
		}
		for k := i; k < j; k++ {
			out[order[k]] = float64(i+j+1) / 2
		}
		i = j
	}
	return out
}

// correlation is Pearson's; ok is false when one list does not vary.
func correlation(x, y []float64) (r float64, ok bool) {
	l, err := FitLine(x, y)
	if err != nil || l.SYY == 0 {
		return 0, false
	}
	return l.Slope * math.Sqrt(l.SXX/l.SYY), true
}

// permuted is the share of all orders of y whose correlation with x is at
// least as far from zero.
func permuted(x, y []float64, rho float64) float64 {
	order := append([]float64(nil), y...)
	far, all := 0, 0
	var walk func(k int)
	walk = func(k int) {
		if k == len(order) {
			all++
			if r, _ := correlation(x, order); math.Abs(r) >= math.Abs(rho)-1e-9 {
				far++
			}
			return
		}
		for i := k; i < len(order); i++ {
			order[k], order[i] = order[i], order[k]
			walk(k + 1)
			order[k], order[i] = order[i], order[k]
		}
	}
	walk(0)
	return float64(far) / float64(all)
}
