package stats

import (
	"math"
	"testing"
)

func close6(a, b float64) bool { return math.Abs(a-b) <= 1e-6*math.Max(1, math.Abs(b)) }

// The hours of sleep won by two drugs (Student, 1908, after Cushny and Peebles):
// t = 4.0621 with 9 degrees of freedom, p = 0.002833, 0.7001142 to 2.4598858.
func TestMeanOf(t *testing.T) {
	d := []float64{1.2, 2.4, 1.3, 1.3, 0, 1.0, 1.8, 0.8, 4.6, 1.4}
	f, err := MeanOf(d, nil, 0)
	if err != nil || math.Abs(f.Statistic-4.062128) > 1e-6 || math.Abs(f.P-0.00283289) > 1e-8 ||
		!close6(f.Low, 0.7001142) ||
		!close6(f.High, 2.4598858) ||
		f.DF != 9 {
		t.Errorf("%+v %v", f, err)
	}
	if len(f.Doubts) != 1 { // m₃/m₂^1.5 of these is 1.25
		t.Errorf("skewed: %+v", f.Doubts)
	}
	low, high := f.Joint(3) // t(1 − 0.025/3; 9) = 2.933324
	if half := 2.933324 * f.SE; math.Abs(low-(1.58-half)) > 1e-5 || math.Abs(high-(1.58+half)) > 1e-5 {
		t.Errorf("joint %v to %v", low, high)
	}
	// Six homes with +1 and no tool: of 64 choices of signs two reach as far, so
	// mid-p = ½·2/64.
	f, _ = MeanOf([]float64{1, 1, 1, 1, 1, 1}, nil, 0)
	if math.Abs(f.P-1.0/64) > 1e-12 || f.Estimate != 1 || f.SE != 0 || !math.IsNaN(f.Low) {
		t.Errorf("all alike, counted: %+v", f)
	}
	// The same with a tool: se = √(6/12)/6.
	f, _ = MeanOf([]float64{1, 1, 1, 1, 1, 1}, []float64{1. / 12, 1. / 12, 1. / 12, 1. / 12, 1. / 12, 1. / 12}, 0)
	if !close6(f.SE, math.Sqrt(0.5)/6) || f.P < 1.0/64 {
		t.Errorf("all alike, measured: %+v", f)
	}
	if f, _ := MeanOf([]float64{0, 0, 0, 0, 0}, nil, 0); f.P != 1 || f.SE != 0 {
		t.Errorf("all zero: %+v", f)
	}
	// +1 five times, −1 once: |T*| > 4 for 2 of 64, = 4 for 12 of 64.
	if f, _ := MeanOf([]float64{1, 1, 1, 1, 1, -1}, nil, 0); math.Abs(f.P-8.0/64) > 1e-12 && f.P < 8.0/64 {
		t.Errorf("five up, one down: %+v", f)
	}
}

// Sides and medians with bounds; the p of the sign test is binomial: 7 of 7 is
// 2/128, 6 of 7 is 16/128.
func TestSignOf(t *testing.T) {
	inf := math.Inf(1)
	d := []Interval{{1, 1}, {2, inf}, {3, 3}, {1, 1}, {4, 4}, {2, 2}, {5, 5}, {0, 0}, {-1, 3}}
	f, s, m := SignOf(d, 0)
	if s != (Sides{7, 0, 1, 1}) || math.Abs(f.P-2.0/128) > 1e-12 || f.Estimate != 1 {
		t.Errorf("%+v %+v", f, s)
	}
	// Nine lows −1 0 1 1 2 2 3 4 5, highs 0 1 1 2 3 3 4 5 ∞; k = 2 of the order statistics.
	if m.LowValue != 2 || m.HighValue != 3 || m.Low != 0 || m.High != 5 {
		t.Errorf("%+v", m)
	}
	if f, s, _ := SignOf(d, 4.5); s.More != 1 || s.Less != 7 || math.Abs(f.P-18.0/256) > 1e-12 {
		t.Errorf("against 4.5: %+v %+v", f, s)
	}
	if f, _, m := SignOf([]Interval{{0, 0}, {0, 0}}, 0); f.P != 1 || !math.IsNaN(m.Low) {
		t.Errorf("%+v %+v", f, m)
	}
}

// Wilcoxon's rank sum of 1 2 3 and 4 5 6 is at its end: 2 of 20 divisions. With
// one tie across the groups (1 2 3 against 3 4 5) Gehan's scores give 4 of 20.
func TestRankGroups(t *testing.T) {
	f := RankGroups(plain([]float64{1, 2, 3}), plain([]float64{4, 5, 6}))
	if math.Abs(f.P-0.1) > 1e-12 || f.Estimate != 1 {
		t.Errorf("%+v", f)
	}
	f = RankGroups(plain([]float64{1, 2, 3}), plain([]float64{3, 4, 5}))
	if math.Abs(f.P-0.2) > 1e-12 || math.Abs(f.Estimate-17.0/18) > 1e-12 {
		t.Errorf("with a tie %+v", f)
	}
	if f := RankGroups([]Interval{{0, 5}, {0, 5}}, []Interval{{3, 3}, {4, 4}}); f.P != 1 || f.Estimate != 0.5 {
		t.Errorf("bounds that decide nothing: %+v", f)
	}
}

// Student's own two groups (the same hours as independent): t = 1.8608, df =
// 17.776, p = 0.07939.
func TestTwoGroups(t *testing.T) {
	a := []float64{0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0, 2}
	b := []float64{1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4}
	f, err := TwoGroups(a, b, nil, nil)
	if err != nil || math.Abs(f.Statistic-1.8608) > 1e-4 || math.Abs(f.DF-17.776) > 1e-3 ||
		math.Abs(f.P-0.07939) > 1e-5 {
		t.Errorf("%+v %v", f, err)
	}
	if f, _ := TwoGroups([]float64{1, 1, 1}, []float64{2, 2, 2}, nil, nil); f.P != RankGroups(
		plain([]float64{1, 1, 1}),
		plain([]float64{2, 2, 2}),
	).P ||
		f.SE != 0 {
		t.Errorf("no scatter: %+v", f)
	}
	if _, err := TwoGroups([]float64{1}, b, nil, nil); err != ErrFew {
		t.Error(err)
	}
}

func TestHolm(t *testing.T) {
	got := Holm([]float64{0.01, 0.04, 0.03, math.NaN()}, 3)
	for i, want := range []float64{0.03, 0.06, 0.06} {
		if math.Abs(got[i]-want) > 1e-12 {
			t.Errorf("%v", got)
		}
	}
	if got := Holm([]float64{0.02, 0.5, 0.9}, 6); math.Abs(got[0]-0.12) > 1e-12 || got[1] != 1 || got[2] != 1 {
		t.Errorf("a family with members that have no p: %v", got)
	}
}

// Exact chances of Friedman's statistic for three things from his table
// (Friedman, 1937): 3 homes, χ² = 6: 0.028; 4 homes, 6.5: 0.042; 5 homes, 6.4: 0.039.
func TestFriedman(t *testing.T) {
	rows := func(orders ...[]float64) [][]float64 { return orders }
	a, b, c := []float64{1, 2, 3}, []float64{1, 3, 2}, []float64{2, 1, 3}
	for _, x := range []struct {
		homes [][]float64
		p, w  float64
	}{
		{rows(a, a, a), 0.0278, 1}, {rows(a, a, a, b), 0.0417, 0.8125}, {rows(a, a, a, a, []float64{2, 3, 1}), 0, 0.52},
		{rows(a, a, a, b, c), 0.0394, 0.64},
	} {
		f, err := Friedman(x.homes)
		if err != nil || math.Abs(f.Estimate-x.w) > 1e-9 || x.p > 0 && math.Abs(f.P-x.p) > 5e-4 {
			t.Errorf("%v: %+v %v", x.homes, f, err)
		}
	}
	four := []float64{1, 2, 3, 4}
	if f, _ := Friedman(rows(four, four, four)); math.Abs(f.P-1.0/576) > 1e-12 {
		t.Errorf("all agree on four things: %v", f.P)
	}
	if _, err := Friedman(rows([]float64{1, 1, 1}, []float64{2, 2, 2})); err != ErrAllSame {
		t.Error(err)
	}
}

// The table of the design's planning chapter: homes for a power of 80 %, exact
// by the non-central t; the formula gives the same or one less.
func TestHomesNeeded(t *testing.T) {
	for m, row := range map[int][]int{1: {34, 19, 10, 6, 5}, 2: {41, 22, 13, 7, 6}, 3: {45, 25, 14, 8, 6},
		6: {52, 29, 16, 9, 7}, 15: {62, 34, 19, 11, 8}} {
		for i, e := range []float64{0.5, 0.7, 1, 1.5, 2} {
			if got := HomesNeeded(e, 1, m); got != row[i] && got != row[i]-1 {
				t.Errorf("m = %d, effect %v: %d, want %d", m, e, got, row[i])
			}
		}
	}
	for m, want := range map[int]int{1: 6, 2: 7, 3: 7, 5: 8, 6: 8, 10: 9, 15: 10} {
		if got := DecidedNeeded(m); got != want {
			t.Errorf("decided homes for %d: %d, want %d", m, got, want)
		}
	}
}

// 1427 and 1451 Hz with steps of 1 Hz: u = 12.00 with one degree of freedom, so
// give or take 22 (t for 68.27 % with one degree of freedom is 1.8367).
func TestGiveOrTake(t *testing.T) {
	if got := GiveOrTake(12.0035, 1); math.Abs(got-22.05) > 0.01 {
		t.Error(got)
	}
	if got := GiveOrTake(3, math.Inf(1)); got != 3 {
		t.Error(got)
	}
}

// One home far out is named, one with a large uncertainty of its own is not.
func TestApart(t *testing.T) {
	d := []float64{10, 10.5, 9.5, 10.2, 9.8, 10.1, 25}
	if _, odd := Apart(d, nil); len(odd) != 1 || odd[0] != 6 {
		t.Errorf("%v", odd)
	}
	if _, odd := Apart(d, []float64{0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 5}); len(odd) != 0 {
		t.Errorf("an honest one is named: %v", odd)
	}
	if z, odd := Apart([]float64{3, 3, 3, 3, 3}, nil); len(odd) != 0 || z[0] != 0 {
		t.Errorf("all alike: %v %v", z, odd)
	}
}

// Homes that scatter by twice their u have a ratio of about 2.
func TestRatio(t *testing.T) {
	ratio, p := Ratio([]float64{-2, 2, -2, 2, -2, 2, -2, 2}, []float64{1, 1, 1, 1, 1, 1, 1, 1})
	if want := math.Sqrt(32.0 / 7); math.Abs(ratio-want) > 1e-12 || p > 0.001 {
		t.Errorf("%v %v", ratio, p)
	}
	if ratio, p := Ratio([]float64{1, 2}, []float64{0, 1}); ratio != 0 || p != 1 {
		t.Errorf("a home without u: %v %v", ratio, p)
	}
}
