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
	if !ok || s.N != 8 || s.Mean != 5 || s.Median != 4.5 || !near(s.SD, math.Sqrt(32.0/7), 1e-12) ||
		!near(s.Spread, 1.4826*0.5, 1e-12) ||
		s.Low != 2 ||
		s.High != 9 {
		t.Errorf("%+v", s)
	}
	if _, ok := Summarise(nil); ok {
		t.Error("an empty list has no summary")
	}
	if s, _ := Summarise([]float64{3}); s.SD != 0 || s.Median != 3 {
		t.Errorf("one value: %+v", s)
	}
}

func TestPooled(t *testing.T) {
	// By hand: weights 1 and 1/4, (10 + 14/4)/(5/4) = 10.8, u = √(4/5);
	// Σw(x−m)² = 0.64 + 2.56 = 3.2, so the ratio is √3.2.
	p, err := Pooled([]float64{10, 14}, []float64{1, 2})
	if err != nil || !near(p.Mean, 10.8, 1e-12) || !near(p.U, math.Sqrt(0.8), 1e-12) ||
		!near(p.ScatterRatio, math.Sqrt(3.2), 1e-12) ||
		!near(p.UScaled, math.Sqrt(0.8*3.2), 1e-12) {
		t.Errorf("%+v %v", p, err)
	}
	if p, _ := Pooled([]float64{5}, []float64{2}); p.UScaled != 2 {
		t.Errorf("one value: %+v", p)
	}
	for _, bad := range [][2][]float64{{nil, nil}, {{1}, {0}}, {{1}, {1, 2}}, {{1}, {math.NaN()}}} {
		if _, err := Pooled(bad[0], bad[1]); err == nil {
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
	if got := Outliers([]float64{1, 1, 1, 1, 1, 1, 1, 9}); len(got) != 1 || got[0] != 7 {
		t.Errorf("one away from equal ones: %v", got)
	}
	for _, none := range [][]float64{nil, {4}, {1, 1, 1}, {1, 2, 3, 4}} {
		if got := Outliers(none); got != nil {
			t.Errorf("%v: %v", none, got)
		}
	}
}
