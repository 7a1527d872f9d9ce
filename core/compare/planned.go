package compare

import (
	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// Planned is a claim as it will be tested, said before anything is measured.
type Planned struct {
	Claim
	Words text.Message // what is claimed
	Test  stats.Test   // which a class without bounds is tested by
	Why   text.Message // why that one
	Unit  quantity.Unit
	Ratio bool // compared as factors
}

// Plan says what a class will be told of: the design's claims, or those that the
// first value makes of itself, each with its test. A claim that names what the design
// does not have is left out; Validate says so.
func Plan(d *design.Document) []Planned {
	a := &analysis{d: d}
	all, first := outcomes(d)
	a.outcomes = all
	out := []Planned{}
	for _, c := range claims(d, all, first) {
		o := a.outcome(c.Value)
		p := Planned{Claim: c, Test: o.test(c), Unit: o.unit, Ratio: o.ratio}
		p.Why = text.Message{ID: "compare.why." + o.why(c, p.Test)}
		f := Finding{Claim: c}
		args := text.Args{"what": o.name, "list": a.list(c.Order)}
		a.sides(o, c.Condition, c.Against, args)
		f.kindFigures(o, a, args)
		if trending(c.Says) {
			a.steps(o, args)
		}
		if c.Stated != nil {
			args["stated"] = sized{*c.Stated, o.unit, text.Decimals(*c.Stated, 0)}
		}
		p.Words = text.Message{ID: "compare.claim." + o.claimed(c), Args: args}
		out = append(out, p)
	}
	return out
}

// test is the test of a claim, where no home has only a bound.
func (o *outcome) test(c Claim) stats.Test {
	switch {
	case c.Says == "share":
		return stats.BinomialTest
	case o.zoned():
		return stats.ZonesTest
	case o.ordered():
		return stats.PageTest
	case o.naming(), o.levelled():
		return stats.SignTest
	case c.Says == "equals":
		return stats.OneSampleTest
	case trending(c.Says):
		return stats.SlopeTest
	}
	return stats.PairedTest
}

// why is the id of the sentence that says why a test is taken.
func (o *outcome) why(c Claim, t stats.Test) string {
	switch {
	case c.Says == "share":
		return "share"
	case o.zoned():
		return "zones"
	case o.ordered():
		return "page"
	case o.naming():
		return "naming"
	case c.Says == "order":
		return "order"
	case trending(c.Says):
		return "trend"
	case o.levelled():
		return "levels"
	}
	return string(t)
}

// claimed is the id of the sentence that says what is claimed.
func (o *outcome) claimed(c Claim) string {
	switch {
	case o.zoned():
		return "zone-" + c.Says
	case o.naming():
		return "naming-" + c.Says
	}
	return c.Says
}
