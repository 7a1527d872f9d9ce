package stats

import (
	"math"
	"testing"
)

func near(a, b, rel float64) bool { return math.Abs(a-b) <= rel*math.Abs(b)+1e-12 }

func TestSummarise(t *testing.T) {
	// Mean 5 and sample standard deviation √(32/7) are the textbook values of
	// this set; the median distance from 4.5 is 0.5.
	s, ok := Summarise([]float64{2, 4, 4, 4, 5, 5, 7, 9})
	if !ok || s.N != 8 || s.Mean != 5 || s.Median != 4.5 || !near(s.SD, math.Sqrt(32.0/7), 1e-12) || !near(s.Spread, 1.4826*0.5, 1e-12) || s.Low != 2 || s.High != 9 {
		t.Errorf("%+v", s)
	}
	if _, ok := Summarise(nil); ok {
		t.Error("an empty list has no summary")
	}
	if s, _ := Summarise([]float64{3}); s.SD != 0 || s.Median != 3 {
		t.Errorf("one value: %+v", s)
	}
}

// Student's own sleep data (The Probable Error of a Mean, 1908, extra hours
// with the second drug minus the first): mean 1.58, t = 4.0621, 9 degrees of
// freedom, p = 0.002833, interval 0.7001 to 2.4599, as printed by standard
// statistical software.
func TestPaired(t *testing.T) {
	d, ok := Paired([]float64{1.2, 2.4, 1.3, 1.3, 0, 1, 1.8, 0.8, 4.6, 1.4})
	if !ok || !near(d.Mean, 1.58, 1e-9) || !near(d.Mean/d.SE, 4.0621, 1e-4) || !near(d.P, 0.002833, 1e-3) || !near(d.Low, 0.7001142, 1e-5) || !near(d.High, 2.4598858, 1e-5) || d.Verdict != Supported {
		t.Errorf("%+v", d)
	}
	if d, _ := Paired([]float64{-1, 1, -2, 2, 0.5}); d.Verdict != CannotTell {
		t.Errorf("no difference: %+v", d)
	}
	for _, few := range [][]float64{nil, {1, 2, 3, 4}, {1, 1, 1, 1, 1}} {
		if _, ok := Paired(few); ok {
			t.Errorf("%v is too little for a test", few)
		}
	}
}

func TestWeightedMean(t *testing.T) {
	// By hand: weights 1 and 1/4, (10 + 14/4)/(5/4) = 10.8, u = √(4/5).
	m, u, err := WeightedMean([]float64{10, 14}, []float64{1, 2})
	if err != nil || !near(m, 10.8, 1e-12) || !near(u, math.Sqrt(0.8), 1e-12) {
		t.Error(m, u, err)
	}
	for _, bad := range [][2][]float64{{nil, nil}, {{1}, {0}}, {{1}, {1, 2}}, {{1}, {math.NaN()}}} {
		if _, _, err := WeightedMean(bad[0], bad[1]); err == nil {
			t.Errorf("%v is no pair of lists to weigh", bad)
		}
	}
}

func TestOutliers(t *testing.T) {
	if got := Outliers([]float64{10, 11, 9, 10, 10.5, 25}); len(got) != 1 || got[0] != 5 {
		t.Errorf("a high one: %v", got)
	}
	if got := Outliers([]float64{10, 11, 9, -10, 10.5, 10}); len(got) != 1 || got[0] != 3 {
		t.Errorf("a low one: %v", got)
	}
	if got := Outliers([]float64{1, 2, 3, 40}); got != nil {
		t.Errorf("four values are too few: %v", got)
	}
	if got := Outliers([]float64{1, 1, 1, 1, 9}); got != nil {
		t.Errorf("no scale: %v", got)
	}
}
