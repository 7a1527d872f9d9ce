package fit

import (
	"cmp"
	"maps"
	"math"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/text"
)

// Report is a plan as it is printed and shown: every home, what is sent, what helps.
type Report struct {
	Plans    []PlanReport      `json:"plans"`
	Packing  []Packed          `json:"packing" doc:"What the teacher sends or lends, thing by thing"`
	Variants int               `json:"variants" doc:"How many versions of the experiment the class does"`
	Counts   map[Verdict]int   `json:"counts" doc:"Homes by verdict"`
	Says     map[string]string `json:"says" doc:"The whole class in a sentence, by language"`
	Helps    []HelpReport      `json:"helps" doc:"What one thing more in every home that lacks it would do, the most helpful first"`
}

// PlanReport is one home's plan.
type PlanReport struct {
	Home     string          `json:"home"`
	Verdict  Verdict         `json:"verdict" enum:"as-designed,with-substitutes,needs-a-kit,part,shared-readings"`
	Class    larder.Class    `json:"class" enum:"pools,scales,separate,unsuitable" doc:"How it is compared with the others: by the worst of its swaps"`
	Variant  string          `json:"variant" doc:"The same for homes that do the same; empty for the design's own"`
	Assumed  bool            `json:"assumed,omitempty" doc:"It has answered nothing and is taken as a usual home"`
	Choices  []ChoiceReport  `json:"choices"`
	Readings []ReadingReport `json:"readings"`
	Findings []string        `json:"findings" doc:"Ids of the safety rules that speak of what this home uses"`
	Closed   []string        `json:"closed" doc:"Ids of steps that are not for this home"`
	Kit      []string        `json:"kit" doc:"Ids of materials to send or to lend"`
}

// ChoiceReport is what a home uses for a need.
type ChoiceReport struct {
	Need     string        `json:"need"`
	Material string        `json:"material"`
	Form     string        `json:"form,omitempty"`
	Amount   *AmountReport `json:"amount,omitempty"`
	Percent  float64       `json:"percent,omitempty"`
	Basis    larder.Basis  `json:"basis"`
	Class    larder.Class  `json:"class"`
	Own      bool          `json:"own" doc:"It is the design's own"`
	Get      bool          `json:"get,omitempty"`
	Kit      bool          `json:"kit,omitempty"`
	Assumed  bool          `json:"assumed,omitempty"`
	Pinned   bool          `json:"pinned,omitempty"`
	Without  bool          `json:"without,omitempty" doc:"It is left out"`
	Why      text.Message  `json:"-"`
	Words    string        `json:"why" doc:"In English"`
}

// AmountReport is an amount, and as this home measures it out.
type AmountReport struct {
	Value float64 `json:"value"`
	Unit  string  `json:"unit"`
	Text  string  `json:"text" doc:"In English, in measures of a kitchen"`
}

// ReadingReport is how a home takes a reading.
type ReadingReport struct {
	Reading    string `json:"reading"`
	Instrument string `json:"instrument,omitempty"`
	Step       string `json:"step,omitempty" doc:"What the home's tool shows"`
	Shared     bool   `json:"shared,omitempty" doc:"From the teacher"`
}

// Packed is a thing to send, and to whom.
type Packed struct {
	Material string   `json:"material"`
	Homes    []string `json:"homes"`
}

// HelpReport is what a thing would do for those that lack it.
type HelpReport struct {
	Need     string `json:"need"`
	Material string `json:"material"`
	Homes    int    `json:"homes" doc:"Homes that would take part better"`
	Variants int    `json:"variants" doc:"How many versions there would then be"`
}

// ReportOf puts a plan into its report.
func (w *Supplies) ReportOf(c kitchen.Class, p Plan) Report {
	out := Report{
		Plans: []PlanReport{}, Packing: []Packed{}, Variants: len(p.Variants), Counts: map[Verdict]int{},
		Says: map[string]string{}, Helps: w.helps(c, p),
	}
	packed := map[string][]string{}
	for i := range p.Homes {
		h := &p.Homes[i]
		out.Counts[h.Verdict]++
		r := h.Report(w.d)
		for _, id := range r.Kit {
			packed[id] = append(packed[id], h.Home)
		}
		out.Plans = append(out.Plans, r)
	}
	for id, homes := range packed {
		out.Packing = append(out.Packing, Packed{id, homes})
	}
	slices.SortFunc(out.Packing, func(a, b Packed) int { return strings.Compare(a.Material, b.Material) })
	for _, language := range text.Languages {
		out.Says[language] = text.Render(p.Sentence(), language)
	}
	return out
}

// Report puts a home's plan of a design into its report.
func (h *HomePlan) Report(d *design.Document) PlanReport {
	r := PlanReport{
		Home: h.Home, Verdict: h.Verdict, Class: h.Class, Variant: h.Variant, Assumed: h.Assumed,
		Choices: []ChoiceReport{}, Readings: []ReadingReport{}, Findings: []string{}, Kit: []string{},
		Closed: append([]string{}, h.Closed...),
	}
	for _, x := range h.Choices {
		n, _ := d.Need(x.Need)
		one := ChoiceReport{
			Need: x.Need, Material: x.Material.ID, Form: x.Form, Percent: x.Percent, Basis: x.Basis, Class: x.Class,
			Own: x.Own, Get: x.Get,
			Kit: x.Kit, Assumed: x.Assumed, Pinned: x.Pinned, Without: x.Without, Why: x.Because,
			Words: text.Render(x.Because, text.Languages[0]),
		}
		if a := x.Amount; a.Value > 0 {
			one.Amount = &AmountReport{
				round(a.Value), a.Unit.Symbol, text.Render(x.Said(n), text.Languages[0]),
			}
		}
		if x.Kit && h.Verdict != SharedReadings { // nothing is sent to who only looks on
			r.Kit = append(r.Kit, x.Material.ID)
		}
		r.Choices = append(r.Choices, one)
	}
	for _, t := range h.Readings {
		r.Readings = append(r.Readings, ReadingReport{t.Reading, t.Instrument, t.Step, t.Shared})
	}
	for _, f := range h.Findings {
		if !slices.Contains(r.Findings, f.Rule) {
			r.Findings = append(r.Findings, f.Rule)
		}
	}
	return r
}

// Choice is what the home uses for a need.
func (r *PlanReport) Choice(need string) (ChoiceReport, bool) {
	i := slices.IndexFunc(r.Choices, func(c ChoiceReport) bool { return c.Need == need })
	if i < 0 {
		return ChoiceReport{}, false
	}
	return r.Choices[i], true
}

// Uses are what stands in for the design's own things, by need, as of [Supply.Use]; nil
// where nothing does.
func (r *PlanReport) Uses() map[string]string {
	var out map[string]string
	for _, c := range r.Choices {
		if c.Own || c.Without {
			continue
		}
		if out == nil {
			out = map[string]string{}
		}
		out[c.Need] = c.Use()
	}
	return out
}

// Use is what is used, as of [Supply.Use].
func (c *ChoiceReport) Use() string { return use(c.Material, c.Form) }

// Called is what the thing of a choice is called in a list; false where the larder does
// not know it.
func (c *ChoiceReport) Called(l *larder.Larder) (text.Localized, bool) {
	m, ok := l.Material(c.Material)
	if !ok {
		return nil, false
	}
	return called(m, c.Form, c.Percent > 0), true
}

// FromTeacher are the readings that the home takes from its teacher.
func (r *PlanReport) FromTeacher() []string {
	var out []string
	for _, t := range r.Readings {
		if t.Shared {
			out = append(out, t.Reading)
		}
	}
	return out
}

// round keeps four digits: more is never measured out.
func round(v float64) float64 {
	scale := math.Pow(10, 3-math.Floor(math.Log10(math.Abs(v))))
	return math.Round(v*scale) / scale
}

// Said is an amount as a kitchen measures it out.
func (w Supply) Said(n *design.Need) text.Message {
	tolerance := design.Tolerance("")
	if n != nil {
		tolerance = n.Tolerance
	}
	return text.M("fit.amount", "amount", sensible(w.Amount, tolerance))
}

// Sentence is the class in a sentence: how many homes take part in which way, in how
// many versions of the experiment.
func (p Plan) Sentence() text.Message { return p.sentence(true) }

// Short is the same without how many homes are taken as usual.
func (p Plan) Short() text.Message { return p.sentence(false) }

func (p Plan) sentence(withAssumed bool) text.Message {
	counts := map[Verdict]int{}
	assumed := 0
	for _, h := range p.Homes {
		counts[h.Verdict]++
		if h.Assumed {
			assumed++
		}
	}
	var parts text.List
	for _, v := range Verdicts {
		if counts[v] > 0 {
			parts = append(parts, text.M("fit.count."+string(v), "n", counts[v]))
		}
	}
	id := "fit.class"
	if assumed > 0 && withAssumed {
		id = "fit.class-assumed"
	}
	return text.M(
		id,
		"parts",
		parts,
		"variants",
		text.M("fit.variants", "n", max(1, len(p.Variants))),
		"assumed",
		assumed,
	)
}

// helps are the things that would let the most homes take part better, worked out by
// planning again with the thing in every home that lacks it.
func (w *Supplies) helps(c kitchen.Class, before Plan) []HelpReport {
	out := []HelpReport{}
	for _, n := range w.needs {
		own := n.list[0].Material.ID
		again := c
		again.Homes = slices.Clone(c.Homes)
		lacking := 0
		for i := range again.Homes {
			k := &again.Homes[i]
			if a, _ := says(k, &n.list[0]); a != kitchen.None {
				continue
			}
			lacking++
			things := map[string]kitchen.Answer{}
			maps.Copy(things, k.Things)
			things[own] = kitchen.Have
			k.Things, k.Tools = things, maps.Clone(k.Tools)
			if what := n.list[0].Measures(); k.Tools[what] == kitchen.NoTool {
				delete(k.Tools, what) // with the tool it can be measured
			}
		}
		if lacking == 0 {
			continue
		}
		after := w.Fit(again)
		better := 0
		for i := range after.Homes {
			if slices.Index(Verdicts, after.Homes[i].Verdict) < slices.Index(Verdicts, before.Homes[i].Verdict) {
				better++
			}
		}
		if better > 0 {
			out = append(out, HelpReport{n.need.ID, own, better, len(after.Variants)})
		}
	}
	slices.SortStableFunc(out, func(a, b HelpReport) int {
		return cmp.Or(
			-cmp.Compare(a.Homes, b.Homes),
			cmp.Compare(a.Variants, b.Variants),
			strings.Compare(a.Need, b.Need),
		)
	})
	return out
}
