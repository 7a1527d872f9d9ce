package compare

import (
	"embed"
	"math"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Point is one home's value in one condition.
type Point struct {
	Key     string
	Value   quantity.Quantity // U is the home's give or take
	Bound   *stats.Interval   // where it is only a bound
	Outlier bool
}

// Group is one condition's values over the class; bounds stand among the points
// and not in the summary.
type Group struct {
	Condition string
	Points    []Point
	Summary   stats.Summary
	Mean      quantity.Quantity // the mean with its standard error as U; U is 0 below two homes
	Alike     bool              // all the same: there is no scatter to be seen
	Enough    bool              // MinHomes or more

	// Of a reading that is no number:
	N       int
	Counted []Counted // levels and options
	Places  [][]Heap  // of things put in order: homes by thing and place
	Looks   [][]Heap  // of zones: animals by look and zone, then escaped and undecided
	Seen    text.Message
}

// Comparison is one value over the class.
type Comparison struct {
	Derived  string
	Unit     quantity.Unit
	Reading  *design.Reading // of a kind that is no number
	Counts   bool            // whole things: a mean of them has no give or take of a tool
	Groups   []Group         // in the order of the design's conditions
	Against  string          // the control; "" where all pairs are compared
	Crosses  []Crosses       // where homes marked what it speaks of
	Findings []Finding
}

// Class compares every outcome over the homes whose swaps join the others: what the
// design claims, and for the other outcomes what is looked for afterwards.
func Class(d *design.Document, homes []Home) []Comparison { return alone(d, Together(homes)) }

// Class compares a group of its own by itself.
func (s *Side) Class(d *design.Document) []Comparison { return alone(d, s.Homes) }

func alone(d *design.Document, homes []Home) []Comparison {
	a := analyse(d, homes)
	all, first := a.outcomes, a.first()
	before := a.findings("before", claims(d, all, first))
	out := []Comparison{}
	for i, o := range all {
		c := Comparison{Derived: o.ID, Unit: o.unit, Counts: o.counts, Reading: o.Reading, Against: o.control}
		c.Crosses = a.crosses(&all[i])
		for _, condition := range o.conditions {
			c.Groups = append(c.Groups, a.summary(o, condition))
		}
		for _, f := range before {
			if f.Value == o.ID {
				c.Findings = append(c.Findings, f)
			}
		}
		if len(c.Findings) == 0 && (i != first || d.Claims != nil) {
			c.Findings = a.findings("afterwards", usual(o, "afterwards"))
		}
		for _, f := range c.Findings {
			for _, odd := range f.Apart {
				c.mark(odd.Home, f.Condition)
			}
		}
		out = append(out, c)
	}
	return out
}

func analyse(d *design.Document, homes []Home) *analysis {
	a := &analysis{d: d, homes: homes, results: make([][]notebook.Result, len(homes))}
	a.outcomes, _ = outcomes(d)
	for i, h := range homes {
		a.results[i] = slices.Clone(notebook.Derive(h.Book)) // a count may become a share here
	}
	a.shares()
	a.turn()
	return a
}

// turn puts the directions of all homes where they lie nearest to each other, each home's
// by the same turns, so that their mean points to where they do.
func (a *analysis) turn() {
	for _, o := range a.outcomes {
		if !a.d.Turns(o.Derived) {
			continue
		}
		own := make([][]*notebook.Result, len(a.homes))
		middles := make([]float64, len(a.homes))
		var all []float64
		for h := range a.homes {
			var values []float64
			for i := range a.results[h] {
				if r := &a.results[h][i]; r.Derived == o.ID && r.OK {
					own[h], values = append(own[h], r), append(values, r.Value.Value)
				}
			}
			middles[h] = stats.MeanDirection(values)
			all = append(all, values...)
		}
		middle := stats.MeanDirection(all)
		for h, results := range own {
			for _, r := range results {
				by := stats.Turns(r.Value.Value, middles[h]) + stats.Turns(middles[h], middle)
				r.Value.Value += by
				r.Doubt.Trials = slices.Clone(r.Doubt.Trials)
				for i := range r.Doubt.Trials {
					r.Doubt.Trials[i] += by
				}
			}
		}
	}
}

func (a *analysis) first() int {
	_, first := outcomes(a.d)
	return first
}

func (a *analysis) summary(o outcome, condition string) Group {
	g := Group{Condition: condition}
	var plain, us []float64
	for h := range a.homes {
		r := a.at(h, o.ID, condition)
		if r == nil {
			continue
		}
		g.N++
		g.Points = append(g.Points, Point{Key: a.homes[h].Key, Value: r.Value, Bound: r.Bound})
		if r.Bound == nil && o.Reading == nil {
			plain, us = append(plain, r.Value.Value), append(us, r.Doubt.U)
		}
	}
	if o.Reading != nil {
		g.Enough = g.N >= MinHomes
		g.Counted, g.Places, g.Seen = a.counted(&o, condition), a.places(&o, condition), a.agreement(&o, condition)
		g.Looks = a.looks(&o, condition)
		return g
	}
	s, ok := stats.Summarise(plain)
	if !ok {
		return g
	}
	g.Summary, g.Enough = s, s.N >= MinHomes
	se := s.SD / math.Sqrt(float64(s.N))
	g.Alike = s.N > 1 && s.SD < 1e-9*math.Max(math.Abs(s.Low), math.Abs(s.High))
	if g.Alike || s.SD == 0 && s.N > 1 {
		g.Alike, se = true, 0
		g.Summary.SD, g.Summary.Mean = 0, s.Median
	}
	g.Mean = quantity.Quantity{Value: g.Summary.Mean, Unit: o.unit, U: se}
	if len(a.d.Conditions) < 2 || len(o.conditions) < 2 {
		_, odd := stats.Apart(plain, us)
		g.mark(odd)
	}
	return g
}

// mark marks the homes that stand apart, by their place among those that have a value and
// no bound.
func (g *Group) mark(odd []int) {
	at := 0
	for i := range g.Points {
		if g.Points[i].Bound == nil {
			g.Points[i].Outlier = slices.Contains(odd, at)
			at++
		}
	}
}

// mark notes that a home lies apart in a condition.
func (c *Comparison) mark(key, condition string) {
	for i := range c.Groups {
		if c.Groups[i].Condition != condition {
			continue
		}
		for j := range c.Groups[i].Points {
			if p := &c.Groups[i].Points[j]; p.Key == key {
				p.Outlier = true
			}
		}
	}
}

// Differences are what one home can tell by itself of the first value: each
// condition against the one compared with, in its own words.
func Differences(b *notebook.Book) []text.Message {
	a := analyse(b.Design, []Home{{Key: "own", Book: b}})
	all, first := a.outcomes, a.first()
	if len(all) == 0 {
		return nil
	}
	var out []text.Message
	for _, c := range usual(all[first], "before") {
		if c.Against == "" {
			continue
		}
		o := all[first]
		ratio := o.ratio && a.positive(c)
		for _, d := range a.pairs(c.Value, c.Condition, c.Against, ratio) {
			out = append(out, a.alone(d, o, ratio))
		}
	}
	return out
}

func (a *analysis) alone(d Difference, o outcome, ratio bool) text.Message {
	id := "compare.home-" + d.Word
	switch {
	case o.levelled():
		id = "compare.level-" + d.Word
	case d.bound:
		id = "compare.bound-" + d.Word
	case !d.Clearly && (d.Word == "more" || d.Word == "less"):
		id = "compare.try-" + d.Word
	}
	args := text.Args{
		"what": o.name,
		"d":    shownSize(math.Abs(d.D), d.U, o.unit, ratio),
		"u":    shownGive(d, o.unit, ratio),
	}
	a.sides(&o, d.Condition, d.Against, args)
	return text.Message{ID: id, Args: args}
}

func shownGive(d Difference, unit quantity.Unit, ratio bool) any {
	if ratio {
		return sized{math.Exp(d.U), quantity.One, 2}
	}
	return sized{d.U, unit, text.Decimals(d.U, d.U)}
}
