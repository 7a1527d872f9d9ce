package stats

import (
	"math"
	"sort"

	"patient-kitchen/core/text"
)

// Faults of data that no test can be made of.
var (
	ErrFew       = text.Faulty("stats.error.few")
	ErrNoScatter = text.Faulty("stats.error.no-scatter")
	ErrAllSame   = text.Faulty("stats.error.all-same")
	ErrLengths   = text.Faulty("stats.error.lengths")
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
	sorted := sortedCopy(values)
	s := Summary{N: n, Median: middle(sorted), Low: sorted[0], High: sorted[n-1]}
	s.Mean, s.SD = meanSD(values)
	s.Spread = 1.4826 * mad(sorted, s.Median)
	return s, true
}

// meanSD is the mean and the sample standard deviation (n − 1; 0 below two).
func meanSD(x []float64) (mean, sd float64) {
	n := float64(len(x))
	for _, v := range x {
		mean += v
	}
	if mean /= n; n < 2 {
		return mean, 0
	}
	ss := 0.0
	for _, v := range x {
		ss += (v - mean) * (v - mean)
	}
	return mean, math.Sqrt(ss / (n - 1))
}

func sortedCopy(x []float64) []float64 {
	s := append([]float64(nil), x...)
	sort.Float64s(s)
	return s
}

func middle(sorted []float64) float64 {
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
	return middle(d)
}

// Outliers gives the positions of values whose modified z-score
// |0.6745·(x − median)/MAD| exceeds 3.5 (Iglewicz and Hoaglin, How to Detect
// and Handle Outliers, 1993). Where more than half are equal and MAD is 0 it
// is |x − median|/(1.253314·mean|x − median|), after the same source; when all
// are equal there are none. A few values always look odd: callers decide from
// how many on they ask.
func Outliers(values []float64) []int {
	if len(values) == 0 {
		return nil
	}
	m := middle(sortedCopy(values))
	scale := mad(values, m) / 0.6745
	if scale == 0 {
		for _, v := range values {
			scale += 1.253314 * math.Abs(v-m) / float64(len(values))
		}
	}
	var out []int
	for i, v := range values {
		if scale > 0 && math.Abs(v-m)/scale > 3.5 {
			out = append(out, i)
		}
	}
	return out
}

// Pool is what several values with their uncertainties say together.
type Pool struct {
	Mean     float64 // Σwx/Σw with w = 1/u²
	U        float64 // 1/√Σw: right when the values differ only by their u
	Median   float64
	Spread   float64 // robust, as in Summary
	Outliers []int
	// √(Σw(x − mean)²/(n − 1)); clearly above 1 they differ by more than their u. 0 for one value
	ScatterRatio float64
	UScaled      float64 // U·max(1, ScatterRatio), the one to show
}

// Pooled weighs values by their standard uncertainties. It fails with ErrFew
// or ErrLengths; every u must be above zero. Outliers stay in the mean.
func Pooled(values, us []float64) (Pool, error) {
	if len(values) == 0 {
		return Pool{}, ErrFew
	}
	if len(values) != len(us) {
		return Pool{}, ErrLengths
	}
	sw, swx := 0.0, 0.0
	for i, v := range values {
		if !(us[i] > 0) {
			return Pool{}, text.Faulty("stats.error.uncertainty")
		}
		w := 1 / us[i] / us[i]
		sw += w
		swx += w * v
	}
	s, _ := Summarise(values)
	p := Pool{Mean: swx / sw, U: 1 / math.Sqrt(sw), Median: s.Median, Spread: s.Spread, Outliers: Outliers(values)}
	p.UScaled = p.U
	if n := len(values); n > 1 {
		ss := 0.0
		for i, v := range values {
			ss += (v - p.Mean) * (v - p.Mean) / us[i] / us[i]
		}
		p.ScatterRatio = math.Sqrt(ss / float64(n-1))
		p.UScaled = p.U * math.Max(1, p.ScatterRatio)
	}
	return p, nil
}
