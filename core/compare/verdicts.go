package compare

import (
	"math"
	"slices"

	"patient-kitchen/core/stats"
)

// judge gives the verdict, by the first rule that fits.
func (f *Finding) judge(a *analysis) {
	m := a.outcome(f.Value).margin(f.Claim)
	f.Verdict = stats.CannotTell
	n := len(f.Homes)
	switch {
	case f.Says == "order" && a.outcome(f.Value).ordered():
		f.judgePage()
		return
	case f.Says == "order":
		f.judgeOrder(a)
		return
	}
	if n < MinHomes {
		f.Reason = TooFew
		return
	}
	noInterval := math.IsNaN(f.Test.Low) && math.IsNaN(f.Middle.Low) || f.Signs
	switch {
	case f.Sides.Same == n && noInterval && f.Says != "equals":
		f.judgeZero(n)
	case f.Signs && f.Sides.Decided() < stats.DecidedNeeded(f.M):
		f.Reason = TooFewDecided
	case f.Says == "same" || f.Says == "equals":
		f.equivalent(m)
	default:
		f.superior(m)
	}
}

// judgeZero judges a claim where every home found no difference at all.
func (f *Finding) judgeZero(n int) {
	if f.Reason = AllZero; n < 8 {
		return
	}
	f.Verdict = stats.NotSupported
	if f.Says == "same" {
		f.Verdict, f.Reason = stats.Supported, ""
	}
}

// equivalent judges same and equals: the interval lies within what counts, or outside.
func (f *Finding) equivalent(m float64) {
	low, high := f.JointLow-f.null(), f.JointHigh-f.null()
	switch {
	case math.IsNaN(low):
		if f.Says == "equals" && f.Test.P < 0.05 {
			f.Verdict = stats.NotSupported
		}
	case low > -m && high < m:
		f.Verdict = stats.Supported
	case low > m || high < -m:
		f.Verdict = stats.NotSupported
	}
}

// superior judges more, less and differs.
func (f *Finding) superior(m float64) {
	sign := 1.0
	if f.Says == "less" || f.Says == "falls" {
		sign = -1
	}
	low, high, estimate := f.JointLow-f.null(), f.JointHigh-f.null(), f.Test.Estimate-f.null()
	if f.Signs {
		estimate -= 0.5
		low, high = math.NaN(), math.NaN()
	}
	if sign < 0 {
		low, high, estimate = -high, -low, -estimate
	}
	switch seen := f.Corrected < 0.05; {
	case m > 0 && high < m && (f.Says != "differs" || low > -m):
		f.Verdict, f.Reason = stats.NotSupported, Smaller
	case seen && (estimate > 0 || f.Says == "differs"):
		f.Verdict = stats.Supported
	case seen && estimate < 0:
		f.Verdict, f.Reason = stats.NotSupported, OtherWay
	}
}

func (f *Finding) judgeOrder(a *analysis) {
	if f.Test.N < MinHomes {
		f.Reason = TooFew
		return
	}
	up := true
	var ps []float64
	var back []bool
	for j := 1; j < len(f.Order); j++ {
		for i := range j {
			t, sides, _, signs := testOf(a.pairs(f.Value, f.Order[j], f.Order[i], f.Ratio), 0, false)
			estimate := t.Estimate
			if signs {
				estimate = float64(sides.More - sides.Less)
			}
			ps, back = append(ps, t.P), append(back, estimate < 0)
			up = up && (j != i+1 || estimate > 0)
		}
	}
	for i, p := range stats.Holm(ps, len(ps)) {
		if back[i] && p < 0.05 {
			f.Verdict, f.Reason = stats.NotSupported, OtherWay
			return
		}
	}
	if f.Corrected < 0.05 && up {
		f.Verdict = stats.Supported
	}
}

// needs is how many homes would see what matters, or what was found.
func (a *analysis) needs(f *Finding) int {
	if f.Signs || !(f.Test.SE > 0) || f.Says == "order" {
		return 0
	}
	e := a.outcome(f.Value).margin(f.Claim)
	if e == 0 {
		e = math.Abs(f.Test.Estimate - f.null())
	}
	if e == 0 {
		return 0
	}
	return stats.HomesNeeded(e, f.Test.SE*math.Sqrt(float64(f.Test.N)), f.M)
}

// without works a finding out again without the homes that lie apart. They stay
// in; but what does not stand without them hangs on one home.
func (a *analysis) without(f *Finding, ps []float64, at int) {
	if len(f.Apart) == 0 || len(f.Apart) >= len(f.Homes)-1 {
		return
	}
	kept := slices.DeleteFunc(slices.Clone(f.Homes), func(h Difference) bool {
		return slices.ContainsFunc(f.Apart, func(o Outlier) bool { return o.home == h.home })
	})
	again := *f
	again.Homes = kept
	again.Test, again.Sides, again.Middle, again.Signs = testOf(kept, f.null(), f.Says == "equals")
	others := slices.Clone(ps)
	others[at] = again.Test.P
	again.Corrected = stats.Holm(others, len(others))[at]
	again.JointLow, again.JointHigh = again.Test.Joint(f.M)
	again.Reason = ""
	again.judge(a)
	f.Without = &Without{again.Test, again.Corrected, again.Verdict}
	if f.Verdict == stats.Supported && again.Verdict != stats.Supported {
		f.Verdict, f.Reason = stats.CannotTell, OneHome
	}
}
