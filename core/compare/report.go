package compare

import (
	"math"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// Report is a class worked out, as `patient-kitchen compare` prints it. What
// does not apply is null; numbers are not rounded, words are.
type Report struct {
	Made          string          `json:"made"`
	DesignVersion string          `json:"design_version"`
	Findings      []FindingReport `json:"findings"`
	Homes         []HomeReport    `json:"homes"`
	LeftOut       []LeftOut       `json:"left_out"`
	Apart         []SideReport    `json:"apart" doc:"Homes that used something else and are no part of the main result, in groups that used the same"`
	Doubtful      []any           `json:"doubtful"`
}

// SideReport is a group of its own as a document.
type SideReport struct {
	Uses     map[string]string `json:"uses" doc:"By need: what stood in for it"`
	Homes    []string          `json:"homes"`
	Findings []FindingReport   `json:"findings" doc:"None below 5 homes"`
}

// FindingReport is one finding as a document.
type FindingReport struct {
	ID           string            `json:"id"`
	Question     text.Localized    `json:"question"`
	Kind         string            `json:"kind"`
	Claim        Claim             `json:"claim"`
	Words        Words             `json:"words"`
	Verdict      stats.Verdict     `json:"verdict"`
	Reason       *string           `json:"reason"`
	Seen         bool              `json:"seen"`
	Test         stats.Test        `json:"test"`
	WhyThisTest  string            `json:"why_this_test"`
	Scale        string            `json:"scale"`
	N            int               `json:"n"`
	UnitOfN      string            `json:"unit_of_n"`
	Decided      *int              `json:"decided"`
	More         *int              `json:"more"`
	Less         *int              `json:"less"`
	Same         *int              `json:"same"`
	Undecided    *int              `json:"undecided"`
	Estimate     EstimateReport    `json:"estimate"`
	Median       *MiddleReport     `json:"median"`
	Statistic    *float64          `json:"statistic"`
	P            *float64          `json:"p"`
	PCorrected   *float64          `json:"p_corrected"`
	CorrectedFor Family            `json:"corrected_for"`
	ByCondition  []ConditionReport `json:"by_condition"`
	Tally        Tally             `json:"tally"`
	Outliers     []OutlierReport   `json:"outliers"`
	Without      *WithoutReport    `json:"without"`
	Scatter      *ScatterReport    `json:"scatter"`
	Groups       []GroupReport     `json:"groups"`
	Doubts       []string          `json:"doubts"`
	NeedsHomes   *int              `json:"needs_homes"`
}

// Words are a finding's sentences by language.
type Words struct {
	Teacher text.Localized `json:"teacher"`
	Family  text.Localized `json:"family"`
}

// EstimateReport is the size of what was found; on a ratio scale a factor.
type EstimateReport struct {
	Value     *float64 `json:"value"`
	Unit      string   `json:"unit"`
	Low       *float64 `json:"low"`
	High      *float64 `json:"high"`
	JointLow  *float64 `json:"joint_low"`
	JointHigh *float64 `json:"joint_high"`
	SE        *float64 `json:"se"`
	DF        *float64 `json:"df"`
}

// MiddleReport is the median difference of a sign test.
type MiddleReport struct {
	LowValue  *float64 `json:"low_value"`
	HighValue *float64 `json:"high_value"`
	Low       *float64 `json:"low"`
	High      *float64 `json:"high"`
}

// Family is what a p-value was corrected for.
type Family struct {
	Method string `json:"method"`
	M      int    `json:"m"`
	Family string `json:"family"`
}

// ConditionReport describes one condition.
type ConditionReport struct {
	Condition   string         `json:"condition"`
	N           int            `json:"n"`
	Mean        *float64       `json:"mean"`
	SD          *float64       `json:"sd"`
	Median      *float64       `json:"median"`
	RobustScale *float64       `json:"robust_scale"`
	Given       map[string]int `json:"given,omitempty"` // of levels and options: homes by id
}

// OutlierReport is a home that lies apart.
type OutlierReport struct {
	Home  string  `json:"home"`
	Value float64 `json:"value"`
	Z     float64 `json:"z"`
}

// WithoutReport is a finding without the homes that lie apart.
type WithoutReport struct {
	N          int           `json:"n"`
	Estimate   *float64      `json:"estimate"`
	Low        *float64      `json:"low"`
	High       *float64      `json:"high"`
	P          *float64      `json:"p"`
	PCorrected *float64      `json:"p_corrected"`
	Verdict    stats.Verdict `json:"verdict"`
}

// ScatterReport says how much more homes differ than their tools explain.
type ScatterReport struct {
	Ratio float64 `json:"ratio"`
	P     float64 `json:"p"`
}

// GroupReport holds a group of homes against the others.
type GroupReport struct {
	By         string   `json:"by"`
	Name       string   `json:"name"`
	N          int      `json:"n"`
	Estimate   *float64 `json:"estimate"`
	PCorrected *float64 `json:"p_corrected"`
}

func given(v float64) *float64 {
	if math.IsNaN(v) || math.IsInf(v, 0) {
		return nil
	}
	return &v
}

// Work makes the report of a class: what the design claims, and with all also
// what is looked for afterwards. The same input gives the same report.
func Work(d *design.Document, homes []Home, all bool) Report {
	r := Report{
		Findings: findingsOf(d, Together(homes), all), Homes: []HomeReport{}, LeftOut: []LeftOut{},
		Apart:    []SideReport{},
		Doubtful: []any{},
	}
	for _, s := range Aside(homes) {
		one := SideReport{Uses: s.Uses, Homes: []string{}, Findings: []FindingReport{}}
		for _, h := range s.Homes {
			one.Homes = append(one.Homes, h.Key)
		}
		if s.Enough() {
			one.Findings = findingsOf(d, s.Homes, all)
		}
		r.Apart = append(r.Apart, one)
	}
	a := analyse(d, homes)
	for h := range homes {
		r.Homes = append(r.Homes, a.home(h))
		r.LeftOut = append(r.LeftOut, a.leftOut(h)...)
	}
	return r
}

// findingsOf are the findings of some homes as documents: those claimed before, or all.
func findingsOf(d *design.Document, homes []Home, all bool) []FindingReport {
	a := analyse(d, homes)
	out := []FindingReport{}
	for _, c := range alone(d, homes) {
		for _, f := range c.Findings {
			if all || f.Made == "before" {
				out = append(out, a.report(f))
			}
		}
	}
	return out
}

func (a *analysis) report(f Finding) FindingReport {
	o := a.outcome(f.Value)
	t := f.Test
	unit, back := o.unit.Symbol, func(v float64) *float64 { return given(v) }
	if f.Ratio {
		unit, back = "1", func(v float64) *float64 { return given(math.Exp(v)) }
	}
	r := FindingReport{
		ID:          f.ID,
		Question:    f.Question,
		Kind:        "quantity",
		Claim:       f.Claim,
		Verdict:     f.Verdict,
		Seen:        f.Seen,
		Test:        t.Test,
		WhyThisTest: text.Render(f.Why, "en"),
		Scale:       "difference",
		N:           len(f.Homes),
		UnitOfN:     "home",
		Words:       Words{text.Localized{}, text.Localized{}},
		Estimate: EstimateReport{
			Value:     back(t.Estimate),
			Unit:      unit,
			Low:       back(t.Low),
			High:      back(t.High),
			JointLow:  back(f.JointLow),
			JointHigh: back(f.JointHigh),
			SE:        given(t.SE),
			DF:        given(t.DF),
		},
		P:            given(t.P),
		PCorrected:   given(f.Corrected),
		Statistic:    given(t.Statistic),
		CorrectedFor: Family{"holm", f.M, f.Family},
		Tally:        f.Tally,
		Outliers:     []OutlierReport{},
		Groups:       []GroupReport{},
		Doubts:       slices.Clone(f.Doubts),
		ByCondition:  []ConditionReport{},
	}
	if f.Ratio {
		r.Scale = "ratio"
	}
	if f.Says == "order" {
		r.N = f.Test.N
		if r.N == math.MaxInt {
			r.N = 0
		}
	}
	name := func(key string) string { return key }
	for _, language := range text.Languages {
		r.Words.Teacher[language] = Named(f.Teacher(language), name)
		r.Words.Family[language] = Named(f.ForFamily(language), name)
	}
	if f.Reason != "" {
		r.Reason = &f.Reason
	}
	r.Kind = a.kindOf(o, f.Value)
	r.Estimate.Unit = a.estimated(o, &f, unit)
	if f.Signs {
		r.signs(&f, back)
	}
	for _, k := range o.reported(&f) {
		r.ByCondition = append(r.ByCondition, a.described(o, k))
	}
	for _, x := range f.Apart {
		r.Outliers = append(r.Outliers, OutlierReport{x.Home, x.Value, x.Z})
	}
	if w := f.Without; w != nil {
		r.Without = &WithoutReport{
			w.Test.N,
			back(w.Test.Estimate),
			back(w.Test.Low),
			back(w.Test.High),
			given(w.Test.P),
			given(w.Corrected),
			w.Verdict,
		}
	}
	if !math.IsNaN(f.Ratio1) {
		r.Scatter = &ScatterReport{f.Ratio1, f.RatioP}
	}
	for _, g := range f.Groups {
		r.Groups = append(r.Groups, GroupReport{g.By, g.Name, g.N, back(g.Test.Estimate), given(g.Corrected)})
	}
	if r.Doubts == nil {
		r.Doubts = []string{}
	}
	if f.Needs > 0 {
		r.NeedsHomes = &f.Needs
	}
	return r
}

// kindOf is the kind of what a value is, as readings have it.
func (a *analysis) kindOf(o *outcome, value string) string {
	own, ok := a.d.Reading(value)
	switch {
	case o.Reading != nil:
		return string(o.Reading.Sort())
	case ok && (own.Sort() == design.EventKind || own.Sort() == design.PositionKind):
		return string(own.Sort())
	case o.counts:
		return "count"
	}
	return "quantity"
}

// estimated is the unit of an estimate: of a slope for each unit of what is changed, of a
// share or a correlation none.
func (a *analysis) estimated(o *outcome, f *Finding, unit string) string {
	switch {
	case f.Says == "share" || o.ordered():
		return "1"
	case trending(f.Says):
		args := text.Args{}
		a.steps(o, args)
		if each := args["each"].(sized).unit; each != quantity.One {
			unit += "/" + each.Symbol
		}
	}
	return unit
}

// signs puts what a test of signs counts in the place of an estimate.
func (r *FindingReport) signs(f *Finding, back func(float64) *float64) {
	decided := f.Sides.Decided()
	r.Decided, r.More, r.Less, r.Same, r.Undecided = &decided, &f.Sides.More, &f.Sides.Less, &f.Sides.Same,
		&f.Sides.Undecided
	m, t := f.Middle, f.Test
	r.Median = &MiddleReport{back(m.LowValue), back(m.HighValue), back(m.Low), back(m.High)}
	r.Estimate = EstimateReport{Value: given(t.Estimate), Unit: "1", Low: given(t.Low), High: given(t.High)}
}

// reported are the conditions that a finding is about, the control first.
func (o *outcome) reported(f *Finding) []string {
	var out []string
	if len(o.conditions) == 1 {
		out = append(out, f.Against)
	} else {
		for _, k := range []string{f.Against, f.Condition} {
			if k != "" {
				out = append(out, k)
			}
		}
	}
	return append(out, f.Order...)
}

func (a *analysis) described(o *outcome, condition string) ConditionReport {
	g := a.summary(*o, condition)
	s := g.Summary
	c := ConditionReport{Condition: condition, N: s.N}
	if o.Reading != nil {
		c.N, c.Given = g.N, map[string]int{}
		for _, k := range g.Counted {
			c.Given[k.ID] = k.N
		}
	}
	if s.N > 0 {
		c.Mean, c.Median, c.RobustScale = given(s.Mean), given(s.Median), given(s.Spread)
	}
	if s.N > 1 {
		c.SD = given(s.SD)
	}
	return c
}
