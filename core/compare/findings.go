package compare

import (
	"math"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// MinHomes is the number of homes from which the class's statistics are
// given, and shown to families.
const MinHomes = 5

// Reasons of a verdict.
const (
	Smaller       = "smaller"
	OtherWay      = "other-way"
	TooFew        = "too-few"
	TooFewDecided = "too-few-decided"
	OneHome       = "one-home"
	Undecided     = "undecided"
	AllZero       = "all-zero"
)

// Afterwards is the verdict of what was looked for only when the data were
// there: worth a new try, not yet a finding.
const Afterwards stats.Verdict = "afterwards"

// Finding is a claim held against the class. Numbers that do not apply are NaN.
type Finding struct {
	Claim
	Question  text.Localized
	Unit      quantity.Unit
	Ratio     bool
	Test      stats.Result
	Why       text.Message // why this test
	Signs     bool         // the sign test: sides and a median, no mean
	Sides     stats.Sides
	Middle    stats.Middle
	JointLow  float64
	JointHigh float64
	Corrected float64 // p corrected for the family
	Family    string
	M         int // size of the family
	Verdict   stats.Verdict
	Reason    string
	Seen      bool // afterwards: p corrected below 0.05
	Homes     []Difference
	Tally     Tally
	Apart     []Outlier
	Without   *Without
	Ratio1    float64 // scatter of homes over what their tools explain
	RatioP    float64
	Groups    []GroupFinding
	Doubts    []string
	Needs     int // homes that would be needed; 0 where the question does not arise
	teacher   []text.Message
	family    []text.Message
}

// Tally counts homes by their own word; it is the number in the sentence, in
// the plot and in the table.
type Tally struct {
	More       int `json:"more"`
	Less       int `json:"less"`
	CannotTell int `json:"cannot_tell"`
	Tries      int `json:"tries"`
	same       int
}

// Outlier is a home that lies apart.
type Outlier struct {
	Home  string // its key
	Value float64
	Z     float64
	home  int
}

// Without is a finding worked out again without the homes that lie apart.
type Without struct {
	Test      stats.Result
	Corrected float64
	Verdict   stats.Verdict
}

// GroupFinding holds the homes with one tool or language against the others.
type GroupFinding struct {
	By, Name  string
	N         int
	Test      stats.Result
	Corrected float64
}

// findings holds a family of claims against the class.
func (a *analysis) findings(family string, claims []Claim) []Finding {
	out := make([]Finding, len(claims))
	ps := make([]float64, len(claims))
	for i, c := range claims {
		out[i] = a.test(c)
		out[i].Family, out[i].M = family, len(claims)
		ps[i] = out[i].Test.P
	}
	corrected := stats.Holm(ps, len(claims))
	for i := range out {
		f := &out[i]
		f.Corrected = corrected[i]
		f.JointLow, f.JointHigh = f.Test.Joint(f.M)
		f.judge(a)
		a.lost(f)
		a.without(f, ps, i)
		if f.Made == "afterwards" {
			f.Seen = f.Corrected < 0.05
			f.Verdict, f.Reason = Afterwards, ""
		}
		if f.Verdict == stats.CannotTell && f.Reason == "" {
			f.Needs = a.needs(f)
		}
	}
	a.groups(out)
	for i := range out {
		out[i].say(a)
	}
	return out
}

// test chooses the test of a claim from its kind and makes it.
func (a *analysis) test(c Claim) Finding {
	o := a.outcome(c.Value)
	nan := math.NaN()
	f := Finding{
		Claim:     c,
		Question:  a.d.Question,
		Unit:      o.unit,
		Ratio:     o.ratio,
		Test:      stats.Result{P: nan, Estimate: nan, Low: nan, High: nan},
		JointLow:  nan,
		JointHigh: nan,
		Corrected: nan,
		Ratio1:    nan,
		RatioP:    nan,
	}
	if f.Ratio && !a.positive(c) {
		f.Ratio = false
		f.Doubts = append(f.Doubts, "not-positive")
	}
	switch {
	case c.Says == "share":
		return a.share(f, o)
	case o.zoned():
		return a.zone(f, o)
	case o.naming():
		return a.naming(f)
	case c.Says == "order" && o.ordered():
		return a.page(f, o)
	case c.Says == "order":
		return a.order(f)
	case trending(c.Says):
		return a.trend(f, o)
	}
	if c.Says == "equals" {
		f.Homes = a.singles(c.Value, c.Condition, f.Ratio)
	} else {
		f.Homes = a.pairs(c.Value, c.Condition, c.Against, f.Ratio)
	}
	f.tally()
	f.Test, f.Sides, f.Middle, f.Signs = testOf(f.Homes, f.null(), c.Says == "equals")
	f.scatter(a, o)
	f.Why = text.Message{ID: "compare.why." + string(f.Test.Test)}
	if o.levelled() {
		f.Why.ID = "compare.why.levels"
		nan := math.NaN()
		f.Middle = stats.Middle{LowValue: nan, HighValue: nan, Low: nan, High: nan} // levels have no distances
	}
	for _, d := range f.Test.Doubts {
		f.Doubts = append(f.Doubts, d.ID[len("stats.doubt."):])
	}
	if n := a.missing(c); n > 0.2 {
		f.Doubts = append(f.Doubts, "uneven-missing")
	}
	return f
}

// null is the value that nothing would show, on the scale of the test.
func (f *Finding) null() float64 {
	if f.Stated == nil {
		return 0
	}
	if f.Ratio {
		return math.Log(*f.Stated)
	}
	return *f.Stated
}

// testOf tests home values: by their mean, or where a bound is among them by
// their sides.
func testOf(homes []Difference, null float64, single bool) (stats.Result, stats.Sides, stats.Middle, bool) {
	intervals, values, rounding := make(
		[]stats.Interval,
		len(homes),
	), make(
		[]float64,
		len(homes),
	), make(
		[]float64,
		len(homes),
	)
	bounds := false
	for i, h := range homes {
		intervals[i], values[i], rounding[i] = h.interval, h.D, h.rounding
		bounds = bounds || h.bound || h.interval.Low != h.interval.High
	}
	if bounds {
		f, sides, mid := stats.SignOf(intervals, null)
		if len(homes) < MinHomes {
			f.P = math.NaN()
		}
		return f, sides, mid, true
	}
	f, err := stats.MeanOf(values, rounding, null)
	if single {
		f.Test = stats.OneSampleTest
	} else {
		f.Test = stats.PairedTest
	}
	f.N = len(homes)
	if err != nil || len(homes) < MinHomes {
		nan := math.NaN()
		f.P, f.Low, f.High, f.SE, f.DF, f.Statistic = nan, nan, nan, nan, nan, nan
		if err != nil {
			f.Estimate = nan
		}
	}
	moved := make([]stats.Interval, len(values))
	for i, v := range values {
		moved[i] = stats.Plain(v - null)
	}
	return f, stats.Count(
			moved,
		), stats.Middle{
			LowValue:  math.NaN(),
			HighValue: math.NaN(),
			Low:       math.NaN(),
			High:      math.NaN(),
		}, false
}

func (f *Finding) tally() {
	f.Tally.Tries = 0
	for i, h := range f.Homes {
		switch h.Word {
		case "more":
			f.Tally.More++
		case "less":
			f.Tally.Less++
		default:
			f.Tally.CannotTell++
		}
		if h.Word == "same" {
			f.Tally.same++
		}
		if i == 0 || h.Tries < f.Tally.Tries {
			f.Tally.Tries = h.Tries
		}
	}
}

// scatter finds homes that lie apart and whether homes differ more than their
// tools explain.
func (f *Finding) scatter(a *analysis, o *outcome) {
	if f.Signs || len(f.Homes) < MinHomes {
		return
	}
	values, us := make([]float64, len(f.Homes)), make([]float64, len(f.Homes))
	for i, h := range f.Homes {
		values[i], us[i] = h.D, h.U
	}
	z, odd := stats.Apart(values, us)
	for _, i := range odd {
		f.Apart = append(
			f.Apart,
			Outlier{Home: a.homes[f.Homes[i].home].Key, Value: values[i], Z: z[i], home: f.Homes[i].home},
		)
	}
	if !o.counts {
		if ratio, p := stats.Ratio(values, us); ratio > 0 {
			f.Ratio1, f.RatioP = ratio, p
		}
	}
}

// missing is how much larger a share of homes lacks one condition than another.
func (a *analysis) missing(c Claim) float64 {
	if c.Against == "" || len(a.homes) == 0 {
		return 0
	}
	var b, base, any float64
	for h := range a.homes {
		x, y := a.at(h, c.Value, c.Condition) != nil, a.at(h, c.Value, c.Against) != nil
		if x {
			b++
		}
		if y {
			base++
		}
		if x || y {
			any++
		}
	}
	return math.Abs(b-base) / math.Max(1, any)
}

// order tests that conditions follow each other: all neighbours have to hold, so
// the largest of their p counts.
func (a *analysis) order(f Finding) Finding {
	f.Test.Test, f.Test.P = stats.PairedTest, 0
	f.Test.N = math.MaxInt
	for i := 1; i < len(f.Order); i++ {
		pairs := a.pairs(f.Value, f.Order[i], f.Order[i-1], f.Ratio)
		t, _, _, _ := testOf(pairs, 0, false)
		if math.IsNaN(t.P) {
			f.Test.P = math.NaN()
		}
		f.Test.P = math.Max(f.Test.P, t.P)
		f.Test.N = min(f.Test.N, len(pairs))
		if f.Homes == nil || len(pairs) < len(f.Homes) {
			f.Homes = pairs
		}
	}
	f.Why = text.Message{ID: "compare.why.order"}
	return f
}

// sides are the words of the two that are compared: by themselves, and as that in
// which a value is. A stage says it by itself, such as after sand.
func (a *analysis) sides(o *outcome, condition, against string, args text.Args) {
	id := "compare.in.condition"
	if o.staged {
		id = "compare.in.stage"
	}
	for side, lane := range map[string]string{"b": condition, "a": against} {
		args[side] = a.name(lane)
		args["in_"+side] = text.M(id, "x", a.name(lane))
	}
}

// name is what a condition or stage is called.
func (a *analysis) name(lane string) text.Localized { return a.d.LaneName(lane) }
