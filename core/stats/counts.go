package stats

import (
	"math"

	"gonum.org/v1/gonum/mathext"
	"gonum.org/v1/gonum/stat/distuv"
)

// mostOutcomes bounds the enumeration of the exact multinomial test.
const mostOutcomes = 200_000

// logFactorial is ln n!.
func logFactorial(n int) float64 { v, _ := math.Lgamma(float64(n) + 1); return v }

// ExactBinomial is the two-sided exact binomial test: the probability of all
// outcomes not more probable than k of n when the true share is p, 0 < p < 1.
func ExactBinomial(k, n int, p float64) float64 {
	logProb := func(i int) float64 {
		return logFactorial(
			n,
		) - logFactorial(
			i,
		) - logFactorial(
			n-i,
		) + float64(
			i,
		)*math.Log(
			p,
		) + float64(
			n-i,
		)*math.Log1p(
			-p,
		)
	}
	limit := math.Exp(logProb(k)) * (1 + 1e-7)
	sum := 0.0
	for i := 0; i <= n; i++ {
		if q := math.Exp(logProb(i)); q <= limit {
			sum += q
		}
	}
	return math.Min(1, sum)
}

// Share tests k of n against an expected share by the exact binomial test; the
// interval is that of Clopper and Pearson (1934). The claim is about the share
// less the expected one. It fails with ErrFew when n is 0.
func Share(k, n int, expected float64, c Claim) (Result, error) {
	if n <= 0 || k < 0 || k > n {
		return Result{}, ErrFew
	}
	f := Result{
		Test:     BinomialTest,
		N:        n,
		Estimate: float64(k) / float64(n),
		Low:      0,
		High:     1,
		P:        ExactBinomial(k, n, expected),
	}
	if k > 0 {
		f.Low = mathext.InvRegIncBeta(float64(k), float64(n-k+1), 0.025)
	}
	if k < n {
		f.High = mathext.InvRegIncBeta(float64(k+1), float64(n-k), 0.975)
	}
	side := 1
	if f.Estimate < expected {
		side = -1
	}
	f.Verdict = judgeP(f.P, side, c)
	return f, nil
}

// Zones tests counts against expected shares (any positive numbers; nil for
// equal ones): by the exact test when fewer than five are expected somewhere
// and the outcomes can be enumerated, else by χ². The estimate is the largest
// zone's share. It fails with ErrFew below two zones or when nothing was
// counted, and with ErrLengths.
func Zones(counts []int, shares []float64, c Claim) (Result, error) {
	if shares == nil {
		shares = make([]float64, len(counts))
		for i := range shares {
			shares[i] = 1
		}
	}
	if len(shares) != len(counts) {
		return Result{}, ErrLengths
	}
	n, total, most := 0, 0.0, 0
	for i, k := range counts {
		n += k
		total += shares[i]
		if k > counts[most] {
			most = i
		}
	}
	if len(counts) < 2 || n == 0 {
		return Result{}, ErrFew
	}
	if len(counts) == 2 {
		return Share(counts[0], n, shares[0]/total, c)
	}
	share, _ := Share(counts[most], n, shares[most]/total, Claim{})
	f := Result{Test: ChiSquareTest, N: n, Estimate: share.Estimate, Low: share.Low, High: share.High}
	chi, df, few := ChiSquare(counts, shares)
	f.Statistic, f.DF, f.P = chi, df, distuv.ChiSquared{K: df}.Survival(chi)
	if few {
		if p, ok := exactMultinomial(counts, shares); ok {
			f.Test, f.Statistic, f.DF, f.P = MultinomialTest, 0, 0, p
		} else {
			f.Doubts = append(f.Doubts, doubt("few-expected", nil))
		}
	}
	f.Verdict = judgeP(f.P, 1, Claim{})
	return f, nil
}

// ChiSquare is Σ(observed − expected)²/expected with its degrees of freedom;
// few says that fewer than five are expected somewhere, where the χ²
// distribution is no longer a good approximation (Cochran, 1954).
func ChiSquare(counts []int, shares []float64) (chi, df float64, few bool) {
	n, total := 0.0, 0.0
	for i := range counts {
		n += float64(counts[i])
		total += shares[i]
	}
	for i, k := range counts {
		e := n * shares[i] / total
		chi += (float64(k) - e) * (float64(k) - e) / e
		few = few || e < 5
	}
	return chi, float64(len(counts) - 1), few
}

// exactMultinomial is the probability of all outcomes not more probable than
// the one counted; ok is false when there are too many to go through.
func exactMultinomial(counts []int, shares []float64) (p float64, ok bool) {
	n, total := 0, 0.0
	for i := range counts {
		n += counts[i]
		total += shares[i]
	}
	zones := len(counts)
	outcomes := 1.0 // C(n + zones − 1, zones − 1)
	for i := 1; i < zones; i++ {
		outcomes *= float64(n+i) / float64(i)
	}
	if outcomes > mostOutcomes {
		return 0, false
	}
	logShares := make([]float64, zones)
	for i := range shares {
		logShares[i] = math.Log(shares[i] / total)
	}
	logFact := make([]float64, n+1)
	for i := range logFact {
		logFact[i] = logFactorial(i)
	}
	term := func(zone, k int) float64 { return float64(k)*logShares[zone] - logFact[k] }
	observed := logFact[n]
	for i, k := range counts {
		observed += term(i, k)
	}
	limit := observed + 1e-7
	var walk func(zone, left int, log float64)
	walk = func(zone, left int, log float64) {
		if zone == zones-1 {
			if log += term(zone, left); log <= limit {
				p += math.Exp(log)
			}
			return
		}
		for k := 0; k <= left; k++ {
			walk(zone+1, left-k, log+term(zone, k))
		}
	}
	walk(0, n, logFact[n])
	return math.Min(1, p), true
}
