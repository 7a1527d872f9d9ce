package stats

import (
	"math"
	"sort"

	"gonum.org/v1/gonum/mathext"
	"gonum.org/v1/gonum/stat/distuv"
)

// One value a home, as comparisons between homes use them.

// OneSampleTest is the t test of home values against a stated value.
const (
	OneSampleTest  Test = "one-sample-t"
	RankGroupsTest Test = "rank-groups"
	FriedmanTest   Test = "friedman"
	PageTest       Test = "page"
	ZonesTest      Test = "zones-t"
)

// Interval is a value that may be a bound: Low and High are equal for a plain
// one, and infinite where a bound is open.
type Interval struct{ Low, High float64 }

// Plain is an interval of one value.
func Plain(v float64) Interval { return Interval{v, v} }

// Minus is the interval of b − a.
func (b Interval) Minus(a Interval) Interval { return Interval{b.Low - a.High, b.High - a.Low} }

// Sides counts on which side of a stated value the homes lie.
type Sides struct {
	More, Less, Same, Undecided int
}

// Decided is how many homes say more or less.
func (s Sides) Decided() int { return s.More + s.Less }

// Count counts the sides of intervals from which the stated value was taken.
func Count(d []Interval) (s Sides) {
	for _, x := range d {
		switch {
		case x.Low > 0:
			s.More++
		case x.High < 0:
			s.Less++
		case x.Low == 0 && x.High == 0:
			s.Same++
		default:
			s.Undecided++
		}
	}
	return s
}

// MeanOf compares the mean of home values with a stated value by Student's t
// test with n − 1 degrees of freedom. w are the variances that rounding brings
// to each value (nil for counts): the standard error is at least √Σw/n, so that
// values that are all alike have the interval of their tools. Where the
// differences take at most three sizes the p-value is the larger of the t
// test's and of the sign-flip mid-p: stepped displays are not normal. Low and
// High are NaN where there is neither scatter nor a tool. It fails with ErrFew
// below two values.
func MeanOf(d, w []float64, null float64) (Result, error) {
	if len(d) < 2 {
		return Result{}, ErrFew
	}
	n := float64(len(d))
	mean, sd := meanSD(d)
	if largest := absMax(d); sd < 1e-9*largest {
		sd = 0
	}
	floor := 0.0
	for _, v := range w {
		floor += v
	}
	f := Result{
		Test:     PairedTest,
		N:        len(d),
		Estimate: mean,
		SE:       math.Max(sd/math.Sqrt(n), math.Sqrt(floor)/n),
		DF:       n - 1,
	}
	flip, stepped := signFlip(d, null)
	switch {
	case f.SE > 0:
		t := student(f.DF)
		f.Statistic = (mean - null) / f.SE
		f.P = 2 * t.CDF(-math.Abs(f.Statistic))
		half := t.Quantile(0.975) * f.SE
		f.Low, f.High = mean-half, mean+half
		if stepped {
			f.P = math.Max(f.P, flip)
		}
	default:
		f.P, f.Low, f.High = flip, math.NaN(), math.NaN()
	}
	if n >= 8 && math.Abs(skewness(d)) > 1 {
		f.Doubts = append(f.Doubts, doubt("skewed", nil))
	}
	return f, nil
}

// Joint is the interval of an estimate with the level 1 − 0.05/m, for a family
// of m comparisons.
func (f Result) Joint(m int) (low, high float64) {
	if !(f.SE > 0) || math.IsNaN(f.Low) {
		return math.NaN(), math.NaN()
	}
	half := student(f.DF).Quantile(1-0.025/float64(max(1, m))) * f.SE
	return f.Estimate - half, f.Estimate + half
}

func absMax(x []float64) float64 {
	m := 0.0
	for _, v := range x {
		m = math.Max(m, math.Abs(v))
	}
	return m
}

// skewness is m₃/m₂^1.5 with central moments over n.
func skewness(x []float64) float64 {
	mean, _ := meanSD(x)
	m2, m3, n := 0.0, 0.0, float64(len(x))
	for _, v := range x {
		m2 += (v - mean) * (v - mean) / n
		m3 += (v - mean) * (v - mean) * (v - mean) / n
	}
	if m2 == 0 {
		return 0
	}
	return m3 / math.Pow(m2, 1.5)
}

// signFlip is the mid-p of Σ(d − null) over all choices of signs, P(|T*| > |T|)
// + ½P(|T*| = |T|), for differences of at most three sizes; stepped is false
// where there are more.
func signFlip(d []float64, null float64) (p float64, stepped bool) {
	var sizes []float64
	var counts []int
	total := 0.0
	for _, v := range d {
		x := math.Abs(v - null)
		if x <= 1e-9*math.Max(math.Abs(v), math.Abs(null)) {
			continue
		}
		total += v - null
		found := false
		for i, s := range sizes {
			if math.Abs(x-s) <= 1e-9*s {
				counts[i]++
				found = true
				break
			}
		}
		if !found {
			if len(sizes) == 3 {
				return 0, false
			}
			sizes, counts = append(sizes, x), append(counts, 1)
		}
	}
	if len(sizes) == 0 {
		return 1, true
	}
	slack := 1e-9 * sizes[len(sizes)-1] * float64(len(d))
	var walk func(i int, sum, probability float64)
	walk = func(i int, sum, probability float64) {
		if i == len(sizes) {
			switch far := math.Abs(sum) - math.Abs(total); {
			case far > slack:
				p += probability
			case far >= -slack:
				p += probability / 2
			}
			return
		}
		c := counts[i]
		for k := 0; k <= c; k++ {
			choose := math.Exp(logFactorial(c) - logFactorial(k) - logFactorial(c-k) - float64(c)*math.Ln2)
			walk(i+1, sum+sizes[i]*float64(2*k-c), probability*choose)
		}
	}
	walk(0, 0, 1)
	return math.Min(1, p), true
}

// Middle is a median with its interval from order statistics; open ends are
// infinite, and without an interval Low and High are NaN.
type Middle struct {
	LowValue, HighValue float64
	Low, High           float64
}

// SignOf counts on which side of a stated value homes lie, values with bounds
// among them, by the exact sign test: the estimate is the share of decided homes
// that say more, with the interval of Clopper and Pearson. It is McNemar's exact
// test for yes and no.
func SignOf(d []Interval, null float64) (Result, Sides, Middle) {
	moved := make([]Interval, len(d))
	for i, x := range d {
		moved[i] = Interval{x.Low - null, x.High - null}
	}
	s := Count(moved)
	nan := math.NaN()
	f := Result{Test: SignTest, N: len(d), P: 1, Estimate: nan, Low: nan, High: nan, SE: nan, DF: nan, Statistic: nan}
	if n := s.Decided(); n > 0 {
		share, _ := Share(s.More, n, 0.5, Claim{})
		f.P, f.Estimate, f.Low, f.High = share.P, share.Estimate, share.Low, share.High
	}
	return f, s, middleOf(d)
}

func middleOf(d []Interval) Middle {
	n := len(d)
	if n == 0 {
		return Middle{math.NaN(), math.NaN(), math.NaN(), math.NaN()}
	}
	lows, highs := make([]float64, n), make([]float64, n)
	for i, x := range d {
		lows[i], highs[i] = x.Low, x.High
	}
	sort.Float64s(lows)
	sort.Float64s(highs)
	m := Middle{middle(lows), middle(highs), math.NaN(), math.NaN()}
	half := distuv.Binomial{N: float64(n), P: 0.5}
	k := 0
	for half.CDF(float64(k)) <= 0.025 {
		k++
	}
	if k >= 1 {
		m.Low, m.High = lows[k-1], highs[n-k]
	}
	return m
}

// Holm corrects p-values for being a family (Holm, 1979): sorted, times the
// number not yet passed, never falling. NaN stays and does not count, unless m
// says how many there are with those that have no p.
func Holm(p []float64, m int) []float64 {
	order := []int{}
	for i, v := range p {
		if !math.IsNaN(v) {
			order = append(order, i)
		}
	}
	m = max(m, len(order))
	sort.SliceStable(order, func(i, j int) bool { return p[order[i]] < p[order[j]] })
	out := append([]float64(nil), p...)
	highest := 0.0
	for place, i := range order {
		highest = math.Max(highest, math.Min(1, p[i]*float64(m-place)))
		out[i] = highest
	}
	return out
}

// Apart is how far a home lies from the others, on the scale that its own
// uncertainty and the class's scatter give, and whether that is far for so many
// homes: beyond 3.5 + 6/n + 40/n² (plain 3.5 names something in a fifth of clean
// classes of five). us may be nil.
func Apart(d, us []float64) (z []float64, odd []int) {
	n := float64(len(d))
	z = make([]float64, len(d))
	if len(d) == 0 {
		return z, nil
	}
	if us == nil {
		us = make([]float64, len(d))
	}
	m, u := middle(sortedCopy(d)), middle(sortedCopy(us))
	s := math.Max(1.4826*mad(d, m), u)
	if s == 0 {
		for _, v := range d {
			s += 1.253314 * math.Abs(v-m) / n
		}
	}
	if s == 0 {
		return z, nil
	}
	for i, v := range d {
		z[i] = math.Abs(v-m) / math.Sqrt(s*s+math.Max(0, us[i]*us[i]-u*u))
		if len(d) >= 5 && z[i] > 3.5+6/n+40/n/n {
			odd = append(odd, i)
		}
	}
	return z, odd
}

// Ratio is how much more homes scatter than their own uncertainties explain,
// √(Q/(n − 1)), with the p of Q; it is 0 where a home has none.
func Ratio(d, us []float64) (ratio, p float64) {
	sw, swd := 0.0, 0.0
	for i, v := range d {
		if !(us[i] > 0) {
			return 0, 1
		}
		w := 1 / us[i] / us[i]
		sw += w
		swd += w * v
	}
	if len(d) < 2 {
		return 0, 1
	}
	q := 0.0
	for i, v := range d {
		q += (v - swd/sw) * (v - swd/sw) / us[i] / us[i]
	}
	df := float64(len(d) - 1)
	return math.Sqrt(q / df), 1 - mathext.GammaIncReg(df/2, q/2)
}

// HomesNeeded is how many homes a difference of size e would need to be seen
// with a power of 80 %, s being the scatter of the homes' differences and m the
// size of the family.
func HomesNeeded(e, s float64, m int) int {
	z := distuv.UnitNormal.Quantile(1 - 0.025/float64(max(1, m)))
	k := z + distuv.UnitNormal.Quantile(0.8)
	return max(5, int(math.Min(1e6, math.Ceil(k*k*s*s/e/e+z*z/2-1e-9))))
}

// DecidedNeeded is the fewest decided homes with which a sign test in a family
// of m can give p below 0.05.
func DecidedNeeded(m int) int {
	for n := 1; ; n++ {
		if math.Pow(0.5, float64(n-1)) < 0.05/float64(max(1, m)) {
			return n
		}
	}
}

// GiveOrTake is the standard uncertainty u, with df degrees of freedom, widened
// so that it holds about two times in three: t_{Φ(1);df}·u.
func GiveOrTake(u, df float64) float64 {
	if math.IsInf(df, 1) || df == 0 {
		return u
	}
	return student(df).Quantile(distuv.UnitNormal.CDF(1)) * u
}

// Student95 is Student's factor for 95 %; 1.96 for infinite degrees of freedom.
func Student95(df float64) float64 {
	if math.IsInf(df, 1) {
		return distuv.UnitNormal.Quantile(0.975)
	}
	return student(df).Quantile(0.975)
}
