package stats

import (
	"math"

	"gonum.org/v1/gonum/stat/distuv"
)

// student is Student's t distribution with nu degrees of freedom.
func student(nu float64) distuv.StudentsT { return distuv.StudentsT{Sigma: 1, Nu: nu} }

// difference completes a t test from its estimate, standard error and degrees
// of freedom.
func difference(test Test, n int, estimate, se, df float64, c Claim) (Result, error) {
	if !(se > 0) {
		return Result{}, ErrNoScatter
	}
	dist := student(df)
	half := dist.Quantile(0.975) * se
	f := Result{
		Test:      test,
		N:         n,
		Estimate:  estimate,
		SE:        se,
		Low:       estimate - half,
		High:      estimate + half,
		Statistic: estimate / se,
		DF:        df,
	}
	f.P = 2 * dist.CDF(-math.Abs(f.Statistic))
	f.Verdict = judge(f.Low, f.High, c)
	return f, nil
}

// hedges is J = 1 − 3/(4ν − 1), which takes the bias of a small sample out of
// an effect size (Hedges, 1981).
func hedges(nu float64) float64 { return 1 - 3/(4*nu-1) }

// Paired compares b with a within pairs by Student's t test on the
// differences b − a, with n − 1 degrees of freedom. Effect is g with the root
// mean square of both standard deviations, so that pairs and groups can be
// compared. It fails with ErrLengths, ErrFew (below three pairs) or
// ErrNoScatter.
func Paired(a, b []float64, c Claim) (Result, error) {
	if len(a) != len(b) {
		return Result{}, ErrLengths
	}
	if len(a) < 3 {
		return Result{}, ErrFew
	}
	d := make([]float64, len(a))
	for i := range a {
		d[i] = b[i] - a[i]
	}
	n := float64(len(d))
	mean, sd := meanSD(d)
	f, err := difference(PairedTest, len(d), mean, sd/math.Sqrt(n), n-1, c)
	if err != nil {
		return f, err
	}
	_, sa := meanSD(a)
	_, sb := meanSD(b)
	if s := math.Sqrt((sa*sa + sb*sb) / 2); s > 0 {
		f.Effect = hedges(n-1) * mean / s
	}
	if odd := Outliers(d); len(d) < 15 && len(odd) > 0 {
		f.Doubts = append(f.Doubts, doubt("odd", map[string]any{"n": len(odd)}))
	}
	return f, nil
}

// Welch compares two independent groups, b with a, by Welch's t test:
// se² = s_a²/n_a + s_b²/n_b, degrees of freedom by Welch and Satterthwaite,
// not rounded. Effect is Hedges' g with the pooled standard deviation. It
// fails with ErrFew (below two values in a group) or ErrNoScatter.
func Welch(a, b []float64, c Claim) (Result, error) {
	if len(a) < 2 || len(b) < 2 {
		return Result{}, ErrFew
	}
	na, nb := float64(len(a)), float64(len(b))
	ma, sa := meanSD(a)
	mb, sb := meanSD(b)
	va, vb := sa*sa/na, sb*sb/nb
	if va+vb == 0 {
		return Result{}, ErrNoScatter
	}
	df := (va + vb) * (va + vb) / (va*va/(na-1) + vb*vb/(nb-1))
	f, err := difference(WelchTest, len(a)+len(b), mb-ma, math.Sqrt(va+vb), df, c)
	if err != nil {
		return f, err
	}
	nu := na + nb - 2
	f.Effect = hedges(nu) * (mb - ma) / math.Sqrt(((na-1)*sa*sa+(nb-1)*sb*sb)/nu)
	for _, g := range [][]float64{a, b} {
		if odd := Outliers(g); len(g) >= 5 && len(g) < 15 && len(odd) > 0 {
			f.Doubts = append(f.Doubts, doubt("odd", map[string]any{"n": len(odd)}))
		}
	}
	return f, nil
}

// Sign counts on which side of zero the differences lie, and leaves out those
// that are zero: an exact binomial test that asks nothing of their shape. The
// estimate is the share of positive ones. It fails with ErrFew when none is
// left.
func Sign(differences []float64, c Claim) (Result, error) {
	more, n := 0, 0
	for _, d := range differences {
		if d > 0 {
			more++
		}
		if d != 0 {
			n++
		}
	}
	f, err := Share(more, n, 0.5, c)
	f.Test = SignTest
	return f, err
}
