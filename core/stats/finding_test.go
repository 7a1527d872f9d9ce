package stats

import (
	"errors"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Student's own sleep data (The Probable Error of a Mean, 1908): extra hours
// with each of two drugs. The values of the paired and the unpaired test are
// those printed by standard statistical software for this set.
var sleepA = []float64{0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0, 2}
var sleepB = []float64{1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4}

func TestPublishedTests(t *testing.T) {
	mendel := func() (Result, error) { return Share(682, 925, 0.75, Claim{}) } // peas of 925: 682 dominant
	for _, c := range []struct {
		name                             string
		run                              func() (Result, error)
		estimate, low, high, stat, df, p float64
		verdict                          Verdict
	}{
		{"sleep, paired", func() (Result, error) {
			return Paired(sleepA, sleepB, Claim{})
		}, 1.58, 0.7001142, 2.4598858, 4.0621, 9, 0.002833, Supported},
		{"sleep, two groups", func() (Result, error) {
			return Welch(sleepA, sleepB, Claim{})
		}, 1.58, -0.2054832, 3.3654832, 1.8608, 17.776, 0.07939, CannotTell},
		{"peas, exact binomial", mendel, 0.7372973, 0.7076683, 0.7654066, 0, 0, 0.3825, CannotTell},
		{"blood groups, χ²", func() (Result, error) {
			return Zones([]int{89, 37, 30, 28, 2}, []float64{40, 20, 20, 15, 5}, Claim{})
		}, 0.478495, math.NaN(), math.NaN(), 9.9901, 4, 0.04059, Supported},
		// A textbook's ten pairs: ρ = −29/165, p = 0.627188.
		{"ranks", func() (Result, error) {
			return RankAssociation([]float64{106, 100, 86, 101, 99, 103, 97, 113, 112, 110},
				[]float64{7, 27, 2, 50, 28, 29, 20, 12, 6, 17}, Claim{})
		}, -29.0 / 165, math.NaN(), math.NaN(), -0.50499, 8, 0.627188, CannotTell},
	} {
		f, err := c.run()
		ok := err == nil && near(f.Estimate, c.estimate, 1e-6) && near(f.Statistic, c.stat, 1e-4) &&
			near(f.DF, c.df, 1e-4) &&
			near(f.P, c.p, 5e-4) &&
			f.Verdict == c.verdict
		if !math.IsNaN(c.low) {
			ok = ok && near(f.Low, c.low, 1e-6) && near(f.High, c.high, 1e-6)
		}
		if !ok {
			t.Errorf("%s: %+v %v", c.name, f, err)
		}
	}
}

// Counts small enough to be gone through by hand.
func TestExactCounts(t *testing.T) {
	for _, c := range []struct {
		counts []int
		p      float64
		test   Test
	}{
		{[]int{9, 1}, 22.0 / 1024, BinomialTest}, {[]int{8, 2}, 112.0 / 1024, BinomialTest},
		{[]int{5, 5}, 1, BinomialTest},
		{[]int{3, 0, 0}, 3.0 / 27, MultinomialTest}, {[]int{2, 1, 0}, 21.0 / 27, MultinomialTest},
		{[]int{1, 1, 1}, 1, MultinomialTest},
		{[]int{10, 10, 10}, 1, ChiSquareTest},
	} {
		f, err := Zones(c.counts, nil, Claim{})
		if err != nil || f.Test != c.test || !near(f.P, c.p, 1e-9) {
			t.Errorf("%v: %+v %v", c.counts, f, err)
		}
	}
	// Too many outcomes to go through: rough, and said so.
	f, err := Zones([]int{40, 30, 20, 3, 2, 1, 1, 1, 1}, []float64{9, 9, 9, 1, 1, .1, .1, .1, .1}, Claim{})
	if err != nil || f.Test != ChiSquareTest || len(f.Doubts) != 1 {
		t.Errorf("%+v %v", f, err)
	}
	if f, _ := Sign([]float64{1, 2, 0, 3, 1, 1, 4}, Claim{Direction: 1}); f.N != 6 || !near(f.P, 2.0/64, 1e-9) ||
		f.Verdict != Supported ||
		f.Test != SignTest {
		t.Errorf("%+v", f)
	}
	if p, _ := RankAssociation([]float64{1, 2, 3, 4, 5}, []float64{2, 4, 9, 16, 90}, Claim{Direction: -1}); !near(
		p.P,
		2.0/120,
		1e-9,
	) ||
		p.Estimate != 1 ||
		p.Verdict != NotSupported {
		t.Errorf("rising with a claim that it falls: %+v", p)
	}
}

func TestVerdicts(t *testing.T) {
	for _, c := range []struct {
		low, high float64
		claim     Claim
		want      Verdict
	}{
		{1, 3, Claim{}, Supported}, {-3, -1, Claim{}, Supported}, {-1, 3, Claim{}, CannotTell},
		{-1, 1, Claim{Matters: 2}, NotSupported}, {-1, 1, Claim{Matters: 1}, CannotTell},
		{1, 3, Claim{Direction: 1}, Supported}, {-3, -1, Claim{Direction: 1}, NotSupported},
		{-1, 3, Claim{Direction: 1}, CannotTell}, {-1, 3, Claim{1, 4}, NotSupported}, {1, 3, Claim{1, 4}, NotSupported},
		{1, 5, Claim{1, 4}, Supported},
		{-3, -1, Claim{Direction: -1}, Supported}, {1, 3, Claim{Direction: -1}, NotSupported},
		{-3, 1, Claim{-1, 4}, NotSupported}, {-5, 1, Claim{-1, 4}, CannotTell},
		{math.NaN(), 1, Claim{}, CannotTell},
	} {
		if got := judge(c.low, c.high, c.claim); got != c.want {
			t.Errorf("%v to %v on %+v: %s, want %s", c.low, c.high, c.claim, got, c.want)
		}
	}
}

func TestLine(t *testing.T) {
	// By hand: x 1 2 3 4, y 3 5 7 10: slope 2.3, intercept 0.5, residuals
	// 0.2 −0.1 −0.4 0.3, s² = 0.3/2.
	l, err := FitLine([]float64{1, 2, 3, 4}, []float64{3, 5, 7, 10})
	if err != nil || !near(l.Slope, 2.3, 1e-12) || !near(l.Intercept, 0.5, 1e-12) ||
		!near(l.ResidualSD, math.Sqrt(0.15), 1e-12) ||
		!near(l.SlopeSE, math.Sqrt(0.15/5), 1e-12) {
		t.Errorf("%+v %v", l, err)
	}
	if y, se := l.At(2.5); !near(y, 6.25, 1e-12) || !near(se, math.Sqrt(0.15)/2, 1e-12) {
		t.Error(y, se)
	}
	if f, err := l.Test(Claim{Direction: 1}); err != nil || f.Verdict != Supported || !near(f.DF, 2, 0) {
		t.Errorf("%+v %v", f, err)
	}
	var x, y []float64
	for i := range 12 {
		x, y = append(x, float64(i)), append(y, float64(i*i))
	}
	if l, _ := FitLine(x, y); true {
		if f, _ := l.Test(Claim{}); len(f.Doubts) != 1 {
			t.Errorf("a parabola is no line: %+v", f)
		}
	}
	for _, bad := range []struct {
		x, y []float64
		err  error
	}{{[]float64{1}, []float64{1}, ErrFew}, {[]float64{1, 2}, []float64{1}, ErrLengths},
		{[]float64{2, 2, 2}, []float64{1, 2, 3}, ErrAllSame}} {
		if _, err := FitLine(bad.x, bad.y); !errors.Is(err, bad.err) {
			t.Errorf("%v: %v", bad, err)
		}
	}
}

// The interval of the half-time holds the truth about as often as it says:
// made-up cups with readings that scatter evenly in the logarithm.
func TestCoolingInterval(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 7))
	const k, runs = 0.03, 2000
	times := []float64{0, 5, 10, 15, 20, 25}
	inside := 0
	for range runs {
		temps := make([]float64, len(times))
		for i, at := range times {
			temps[i] = 20 + 40*math.Exp(-k*at+0.02*r.NormFloat64())
		}
		c, err := FitCooling(times, temps, 20)
		if err != nil {
			t.Fatal(err)
		}
		if low, high, ok := c.Interval(); ok && low < math.Ln2/k && math.Ln2/k < high {
			inside++
		}
	}
	if share := float64(inside) / runs; share < 0.93 || share > 0.97 {
		t.Errorf("inside in %.3f of the runs, want 0.95", share)
	}
	c, err := FitCooling([]float64{0, 10}, []float64{60, 40}, 20)
	if err != nil || !near(c.Half, 10, 1e-12) {
		t.Errorf("%+v %v", c, err)
	}
	if at, _ := c.At(20); !near(at, 30, 1e-12) {
		t.Error(at)
	}
	if _, _, ok := c.Interval(); ok {
		t.Error("two readings have no interval")
	}
	var faulty *CoolingError
	if _, err := FitCooling([]float64{0, 10}, []float64{60, 18}, 20); !errors.As(err, &faulty) || faulty.Reading != 1 {
		t.Error(err)
	}
}

func TestTooLittleForATest(t *testing.T) {
	for i, run := range []func() (Result, error){
		func() (Result, error) { return Paired([]float64{1, 2}, []float64{1, 2}, Claim{}) },
		func() (Result, error) { return Paired([]float64{1, 2, 3}, []float64{1, 2}, Claim{}) },
		func() (Result, error) { return Paired([]float64{1, 2, 3}, []float64{2, 3, 4}, Claim{}) },
		func() (Result, error) { return Welch([]float64{1}, []float64{1, 2}, Claim{}) },
		func() (Result, error) { return Welch([]float64{1, 1}, []float64{2, 2}, Claim{}) },
		func() (Result, error) { return Zones([]int{3}, nil, Claim{}) },
		func() (Result, error) { return Zones([]int{0, 0}, nil, Claim{}) },
		func() (Result, error) { return Zones([]int{1, 2}, []float64{1}, Claim{}) },
		func() (Result, error) { return Sign([]float64{0, 0}, Claim{}) },
		func() (Result, error) { return RankAssociation([]float64{1, 2, 3}, []float64{1, 2, 3}, Claim{}) },
		func() (Result, error) { return RankAssociation([]float64{1, 2, 3, 4}, []float64{5, 5, 5, 5}, Claim{}) },
	} {
		if f, err := run(); err == nil {
			t.Errorf("%d: %+v", i, f)
		}
	}
	if _, err := Detect(0, 1, 1, 1, 5); err == nil {
		t.Error("no effect")
	}
}

func TestWords(t *testing.T) {
	f, _ := Paired(sleepA, sleepB, Claim{Direction: 1})
	got := text.Render(f.Words("b more than a", quantity.MustUnit("h")), "en")
	for _, part := range []string{"b more than a: supported. 1.6\u00a0h", "0.7\u00a0h to 2.5\u00a0h", "Paired t test",
		"p = 0.003"} {
		if !strings.Contains(got, part) {
			t.Errorf("%q has no %q", got, part)
		}
	}
	if got := text.Render(f.Test.Conditions(), "es"); !strings.Contains(got, "casa") {
		t.Error(got)
	}
}

// values makes n values that repeat nowhere.
func values(n int) []float64 {
	r := rand.New(rand.NewPCG(1, 2))
	x := make([]float64, n)
	for i := range x {
		x[i] = r.NormFloat64()
	}
	return x
}

// Growth over sizes: sorting makes it a little more than linear.
func BenchmarkPooled(b *testing.B) {
	for _, n := range []int{1_000, 10_000, 100_000} {
		x, us := values(n), make([]float64, n)
		for i := range us {
			us[i] = 1 + math.Abs(x[i])
		}
		b.Run(map[int]string{1_000: "1e3", 10_000: "1e4", 100_000: "1e5"}[n], func(b *testing.B) {
			for b.Loop() {
				if _, err := Pooled(x, us); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}

func BenchmarkWelch(b *testing.B) {
	for _, n := range []int{1_000, 10_000, 100_000} {
		x := values(n)
		b.Run(map[int]string{1_000: "1e3", 10_000: "1e4", 100_000: "1e5"}[n], func(b *testing.B) {
			for b.Loop() {
				if _, err := Welch(x[:n/2], x[n/2:], Claim{}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
