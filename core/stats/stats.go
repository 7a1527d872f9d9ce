package stats

import (
	"fmt"
	"math"
	"sort"

	"gonum.org/v1/gonum/stat/distuv"
)

// Summary describes a list of values.
type Summary struct {
	N      int
	Mean   float64
	SD     float64 // sample standard deviation, n−1; 0 below two values
	Median float64
	Spread float64 // robust: 1.4826 times the median distance from the median, which estimates SD for normal values
	Low    float64 // smallest value
	High   float64 // largest value
}

// Summarise describes values. It reports false for an empty list. Values must
// be finite.
func Summarise(values []float64) (Summary, bool) {
	n := len(values)
	if n == 0 {
		return Summary{}, false
	}
	sorted := append([]float64(nil), values...)
	sort.Float64s(sorted)
	s := Summary{N: n, Median: median(sorted), Low: sorted[0], High: sorted[n-1]}
	for _, v := range values {
		s.Mean += v / float64(n)
	}
	if n > 1 {
		ss := 0.0
		for _, v := range values {
			ss += (v - s.Mean) * (v - s.Mean)
		}
		s.SD = math.Sqrt(ss / float64(n-1))
	}
	s.Spread = 1.4826 * mad(sorted, s.Median)
	return s, true
}

func median(sorted []float64) float64 {
	n := len(sorted)
	if n%2 == 1 {
		return sorted[n/2]
	}
	return (sorted[n/2-1] + sorted[n/2]) / 2
}

// mad is the median absolute deviation from centre.
func mad(values []float64, centre float64) float64 {
	d := make([]float64, len(values))
	for i, v := range values {
		d[i] = math.Abs(v - centre)
	}
	sort.Float64s(d)
	return median(d)
}

// Outliers gives the positions of values whose modified z-score
// |0.6745·(x − median)/MAD| exceeds 3.5 (Iglewicz and Hoaglin, How to Detect
// and Handle Outliers, 1993). Below five values, or when more than half are
// equal, nothing is called an outlier.
func Outliers(values []float64) []int {
	if len(values) < 5 {
		return nil
	}
	sorted := append([]float64(nil), values...)
	sort.Float64s(sorted)
	m := median(sorted)
	scale := mad(sorted, m)
	if scale == 0 {
		return nil
	}
	var out []int
	for i, v := range values {
		if 0.6745*math.Abs(v-m)/scale > 3.5 {
			out = append(out, i)
		}
	}
	return out
}

// WeightedMean is Σwx/Σw with w = 1/u², and its standard uncertainty
// 1/√Σw. Every u must be above zero; the values must be independent and
// differ only by their uncertainties.
func WeightedMean(values, us []float64) (mean, u float64, err error) {
	if len(values) == 0 || len(values) != len(us) {
		return 0, 0, fmt.Errorf("%d values and %d uncertainties; one of each is needed, and at least one pair", len(values), len(us))
	}
	sw, sx := 0.0, 0.0
	for i, v := range values {
		if !(us[i] > 0) {
			return 0, 0, fmt.Errorf("the uncertainty of value %d is %v; it has to be above zero", i+1, us[i])
		}
		w := 1 / us[i] / us[i]
		sw += w
		sx += w * v
	}
	return sx / sw, 1 / math.Sqrt(sw), nil
}

// Verdict is what a comparison lets one say.
type Verdict string

// The three verdicts.
const (
	Supported    Verdict = "supported"
	NotSupported Verdict = "not-supported"
	CannotTell   Verdict = "cannot-tell"
)

// Difference is a mean difference with its standard error, its 95 % interval
// and the two-sided p-value of the paired t test against no difference.
type Difference struct {
	N         int
	Mean      float64
	SE        float64
	Low, High float64
	P         float64
	Verdict   Verdict // supported: the interval leaves zero out
}

// Paired compares differences within homes with zero by Student's t test:
// t = mean/(sd/√n) with n−1 degrees of freedom. Conditions: one difference a
// home, homes independent, and differences roughly normal or n of about 15 or
// more. It reports false below five differences or when all are equal.
func Paired(differences []float64) (Difference, bool) {
	s, ok := Summarise(differences)
	if !ok || s.N < 5 || s.SD == 0 {
		return Difference{}, false
	}
	d := Difference{N: s.N, Mean: s.Mean, SE: s.SD / math.Sqrt(float64(s.N)), Verdict: CannotTell}
	t := distuv.StudentsT{Mu: 0, Sigma: 1, Nu: float64(s.N - 1)}
	half := t.Quantile(0.975) * d.SE
	d.Low, d.High = d.Mean-half, d.Mean+half
	d.P = 2 * t.CDF(-math.Abs(d.Mean)/d.SE)
	if d.Low > 0 || d.High < 0 {
		d.Verdict = Supported
	}
	return d, true
}
