package compare

import (
	"math"

	"patient-kitchen/core/stats"
)

// saying are the sentences of a finding, by their ids: for the teacher and for families.
func (f *Finding) saying(o *outcome, verdict stats.Verdict, side string) (teacher, family string) {
	switch {
	case len(f.Homes) == 0:
		return "none", "too-few"
	case f.Reason == TooFew || len(f.Homes) < MinHomes:
		return "too-few", "too-few"
	case f.Reason == AllZero, f.Says == "same" && verdict == stats.Supported && f.Sides.Same == len(f.Homes):
		return "all-zero", "all-zero"
	case f.Reason == OneHome:
		return "one-home", "cannot-plain"
	case f.Says == "equals" && !o.naming() && !o.zoned():
		return f.sayingEqual(o, verdict)
	}
	if id := f.sayingAlike(o, verdict, side); id != "" {
		return id, id
	}
	return f.sayingSide(verdict, side)
}

// sayingAlike is the sentence that teacher and families read alike; "" where they differ.
func (f *Finding) sayingAlike(o *outcome, verdict stats.Verdict, side string) string {
	switch {
	case f.Says == "share":
		return f.sayingShare(verdict)
	case o.naming():
		return f.sayingNaming(verdict, side)
	case o.zoned():
		return f.sayingZone(verdict, side)
	case f.Says == "order" && o.ordered():
		return f.sayingPage(verdict)
	case f.Says == "order":
		return map[stats.Verdict]string{stats.Supported: "order", stats.NotSupported: "not-order",
			stats.CannotTell: "cannot-order"}[verdict]
	case trending(f.Says):
		return f.sayingTrend(verdict, side)
	case f.Says == "same":
		return map[stats.Verdict]string{stats.Supported: "same", stats.NotSupported: "not-same"}[verdict]
	}
	return ""
}

// sayingEqual are the sentences about a stated value.
func (f *Finding) sayingEqual(o *outcome, verdict stats.Verdict) (teacher, family string) {
	switch {
	case verdict == stats.Supported:
		return "equals", "equals"
	case verdict == stats.NotSupported:
		return "not-equals", "not-equals"
	case o.margin(f.Claim) == 0:
		return "how-near", "cannot-equals"
	}
	return "cannot-equals", "cannot-equals"
}

// sayingTrend is the sentence about rising or falling.
func (f *Finding) sayingTrend(verdict stats.Verdict, side string) string {
	way := map[string]string{"more": "rises", "less": "falls"}[side]
	switch {
	case verdict == stats.Supported:
		return "supported-" + way
	case f.Reason == OtherWay:
		return "other-way-" + way
	case f.Reason == Smaller:
		return "trend-smaller"
	}
	return "cannot-trend"
}

// sayingSide are the sentences about which is more; plain ones where there is no size.
func (f *Finding) sayingSide(verdict stats.Verdict, side string) (teacher, family string) {
	plain := f.Signs || math.IsNaN(f.Test.Low)
	switch {
	case verdict == stats.Supported && plain:
		return "supported-plain-" + side, "supported-plain-" + side
	case verdict == stats.Supported:
		return "supported-" + side, "supported-" + side
	case f.Reason == OtherWay:
		return "other-way-" + side, "other-way"
	case f.Reason == Smaller:
		return "smaller", "smaller"
	case plain:
		return "cannot-plain", "cannot-plain"
	case f.Needs > 0 && f.Needs <= 500:
		return "cannot", "cannot"
	}
	return "cannot-many", "cannot"
}
