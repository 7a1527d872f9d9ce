package stats

import (
	"embed"
	"math"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Verdict is what a test lets one say.
type Verdict string

// The three verdicts.
const (
	Supported    Verdict = "supported"
	NotSupported Verdict = "not-supported"
	CannotTell   Verdict = "cannot-tell"
)

// Claim is what was expected before the data were seen.
type Claim struct {
	Direction int     // +1 more than zero, −1 less, 0 merely different
	Matters   float64 // the smallest size that would matter, in the data's unit; 0 when none was named
}

// Test names a test; its words and its conditions are texts of this package.
type Test string

// The tests.
const (
	PairedTest      Test = "paired-t"
	WelchTest       Test = "welch-t"
	SignTest        Test = "sign"
	BinomialTest    Test = "binomial"
	MultinomialTest Test = "multinomial"
	ChiSquareTest   Test = "chi-square"
	SlopeTest       Test = "slope-t"
	RankTest        Test = "spearman"
)

// Words names the test.
func (t Test) Words() text.Message { return text.Message{ID: "stats.test." + string(t)} }

// Conditions says what has to hold for the test to mean something.
func (t Test) Conditions() text.Message { return text.Message{ID: "stats.conditions." + string(t)} }

// Result is what a test gives.
type Result struct {
	Test      Test
	N         int     // independent units: homes, pairs or animals
	Estimate  float64 // the difference, slope, share or rank correlation
	SE        float64 // its standard error; 0 where the test has none
	Low, High float64 // 95 % interval of the estimate
	Statistic float64 // t or χ²; 0 for exact tests
	DF        float64 // degrees of freedom; 0 for exact tests
	P         float64 // two-sided, against no difference
	Effect    float64 // Hedges' g of a difference, else 0
	Verdict   Verdict
	// Doubts are conditions of the test that these very numbers do not meet.
	Doubts []text.Message
}

// judge compares a 95 % interval with a claim. An interval that lies wholly
// below what matters, or on the other side, does not support it; one that
// holds both zero and what matters cannot tell. Without a smallest size that
// matters, "no difference" is never shown, only "cannot tell".
func judge(low, high float64, c Claim) Verdict {
	switch {
	case math.IsNaN(low) || math.IsNaN(high):
		return CannotTell
	case c.Direction < 0:
		return judge(-high, -low, Claim{1, c.Matters})
	case c.Direction > 0:
		switch {
		case high < 0, c.Matters > 0 && high < c.Matters:
			return NotSupported
		case low > 0:
			return Supported
		}
	default:
		switch {
		case c.Matters > 0 && low > -c.Matters && high < c.Matters:
			return NotSupported
		case low > 0 || high < 0:
			return Supported
		}
	}
	return CannotTell
}

// judgeP gives the verdict of a test that has a p-value and a side rather than
// an interval in the claim's unit.
func judgeP(p float64, side int, c Claim) Verdict {
	switch {
	case !(p < 0.05):
		return CannotTell
	case c.Direction != 0 && side != c.Direction:
		return NotSupported
	}
	return Supported
}

// Words says the finding: what is compared, the verdict, the estimate with its
// interval in a unit, the test. what is a text such as "b − a".
func (f Result) Words(what any, unit quantity.Unit) text.Message {
	show := func(v float64) quantity.Bare { return quantity.Quantity{Value: v, Unit: unit, U: f.scale()}.Bare() }
	return text.Message{ID: "stats.finding." + string(f.Verdict), Args: text.Args{
		"what": what, "estimate": show(f.Estimate), "low": show(f.Low), "high": show(f.High), "test": f.Test.Words(),
		"p": ShowP(f.P), "n": f.N,
	}}
}

// scale is the uncertainty by which the estimate is rounded: its standard
// error, or a quarter of its interval.
func (f Result) scale() float64 {
	if f.SE > 0 {
		return f.SE
	}
	return (f.High - f.Low) / 4
}

// ShowP writes a p-value to two digits, and never as zero.
func ShowP(p float64) text.Message {
	if p < 0.001 {
		return text.Message{ID: "stats.p.small"}
	}
	d := 2
	if p < 0.1 {
		d = 3
	}
	return text.Message{ID: "stats.p", Args: text.Args{"p": rounded{p, d}}}
}

type rounded struct {
	v float64
	d int
}

func (r rounded) Show(language string) string { return text.Number(r.v, r.d, language) }

func doubt(id string, args text.Args) text.Message {
	return text.Message{ID: "stats.doubt." + id, Args: args}
}
