package compare

import (
	"patient-kitchen/core/notebook"
)

// HomeReport is one home's values and what it can tell by itself.
type HomeReport struct {
	Home        string       `json:"home"`
	Values      []HomeValue  `json:"values"`
	Differences []Difference `json:"differences"`
	Predictions []Held       `json:"predictions"`
}

// HomeValue is one value of a home. Low and High are the ends of a bound.
type HomeValue struct {
	Value      string   `json:"value"`
	Condition  string   `json:"condition,omitempty"`
	Mean       *float64 `json:"mean"`
	Unit       string   `json:"unit"`
	Given      string   `json:"given,omitempty"`
	Low        *float64 `json:"low,omitempty"`
	High       *float64 `json:"high,omitempty"`
	Trials     int      `json:"trials"`
	U          *float64 `json:"u"`
	GiveOrTake *float64 `json:"give_or_take"`
	DF         *float64 `json:"df"`
	Group      *string  `json:"group"`
}

// LeftOut is a value that a home does not have, and why.
type LeftOut struct {
	Home      string `json:"home"`
	Value     string `json:"value"`
	Condition string `json:"condition,omitempty"`
	Why       string `json:"why"`
}

func (a *analysis) home(h int) HomeReport {
	r := HomeReport{
		Home:        a.homes[h].Key,
		Values:      []HomeValue{},
		Differences: []Difference{},
		Predictions: Predictions(a.homes[h].Book),
	}
	for _, o := range a.outcomes {
		for _, k := range o.conditions {
			v := a.at(h, o.ID, k)
			if v == nil {
				continue
			}
			value := HomeValue{Value: o.ID, Condition: k, Unit: o.unit.Symbol, Trials: len(v.Doubt.Trials)}
			if o.Reading != nil {
				value.Trials, value.Given, value.Unit = v.Tries, v.Code, ""
			} else if v.Bound != nil {
				value.Low, value.High = given(v.Bound.Low), given(v.Bound.High)
			} else {
				value.Mean, value.U, value.GiveOrTake, value.DF = given(v.Value.Value), given(v.Doubt.U),
					given(v.Value.U), given(v.Doubt.DF)
			}
			r.Values = append(r.Values, value)
		}
		for _, c := range usual(o, "before") {
			if c.Against == "" {
				continue
			}
			b, base := a.at(h, o.ID, c.Condition), a.at(h, o.ID, c.Against)
			if b != nil && base != nil {
				r.Differences = append(r.Differences, difference(b, base, o.ratio && a.positive(c)))
			}
		}
	}
	return r
}

// leftOut lists what a home has no value of although its class is asked for it.
func (a *analysis) leftOut(h int) []LeftOut {
	var out []LeftOut
	for _, o := range a.outcomes {
		for _, k := range o.conditions {
			if a.at(h, o.ID, k) == nil {
				out = append(out, LeftOut{a.homes[h].Key, o.ID, k, a.why(h, o, k)})
			}
		}
	}
	return out
}

func (a *analysis) why(h int, o outcome, condition string) string {
	b := a.homes[h].Book
	why := "missing"
	for i := range b.Cells {
		c := &b.Cells[i]
		r, ok := a.d.Reading(c.Slot.Reading)
		if !ok || !a.speaks(r.ID, &o) ||
			!c.Slot.In(condition) {
			continue
		}
		switch c.State {
		case notebook.OnlySpoiled:
			why = "spoiled"
		case notebook.IsAside:
			return "by-teacher"
		case notebook.AdultNotSaid, notebook.FactNotSaid, notebook.NotHere, notebook.NotAgreed:
			return "adult-not-said"
		}
	}
	return why
}
