package compare

import (
	"embed"
	"math"
	"sort"

	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"

	"patient-kitchen/core/design"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// MinHomes is the number of homes from which the class's statistics are
// given, and shown to families.
const MinHomes = 5

// Home is one home's notebook with the key it is known by.
type Home struct {
	Key  string
	Book *notebook.Book
}

// Point is one home's value of a derived value in one condition.
type Point struct {
	Key     string
	Value   quantity.Quantity
	Outlier bool
}

// Group is one condition's values over the class.
type Group struct {
	Condition string
	Points    []Point
	Summary   stats.Summary
	Mean      quantity.Quantity // the mean with its standard error as U; U is 0 below two homes
	Enough    bool              // MinHomes or more
}

// Comparison is one derived value over the class.
type Comparison struct {
	Derived  string
	Unit     quantity.Unit
	Groups   []Group // in the order of the design's conditions
	Against  string  // the condition the others are compared with
	Findings []Finding
}

// Finding compares one condition with another over the homes that did both.
type Finding struct {
	Condition, Against     string
	More, Less, CannotTell int // homes by their own give or take: a difference above twice its u counts
	Difference             stats.Finding
	Tested                 bool
	Typical                quantity.Quantity
	Verdict                stats.Verdict
	Words                  text.Message
}

// Class compares every outcome over the homes. Differences are paired
// within homes; the class's test is the paired t test (package stats gives its
// conditions). Against is the control, or where a design has none the
// condition with the smallest mean.
func Class(d *design.Document, homes []Home) []Comparison {
	var out []Comparison
	results := make([][]notebook.Result, len(homes))
	for i, h := range homes {
		results[i] = notebook.Derive(h.Book)
	}
	for _, x := range d.Outcomes() {
		unit, ok := quantity.LookupUnit(x.Unit)
		if !ok {
			continue
		}
		c := Comparison{Derived: x.ID, Unit: unit}
		values := map[string]map[string]quantity.Quantity{} // condition → home → value
		for _, condition := range conditionIDs(d) {
			g := Group{Condition: condition}
			values[condition] = map[string]quantity.Quantity{}
			for i, h := range homes {
				for _, r := range results[i] {
					if r.Derived == x.ID && r.Condition == condition && r.OK {
						g.Points = append(g.Points, Point{Key: h.Key, Value: r.Value})
						values[condition][h.Key] = r.Value
					}
				}
			}
			g.summarise(unit)
			c.Groups = append(c.Groups, g)
		}
		c.compare(d, values)
		out = append(out, c)
	}
	return out
}

func conditionIDs(d *design.Document) []string {
	if len(d.Conditions) == 0 {
		return []string{""}
	}
	ids := make([]string, len(d.Conditions))
	for i, c := range d.Conditions {
		ids[i] = c.ID
	}
	return ids
}

func (g *Group) summarise(unit quantity.Unit) {
	plain := make([]float64, len(g.Points))
	for i, p := range g.Points {
		plain[i] = p.Value.Value
	}
	s, ok := stats.Summarise(plain)
	if !ok {
		return
	}
	if s.N >= MinHomes {
		for _, i := range stats.Outliers(plain) {
			g.Points[i].Outlier = true
		}
	}
	g.Summary, g.Enough = s, s.N >= MinHomes
	g.Mean = quantity.Quantity{Value: s.Mean, Unit: unit, U: s.SD / math.Sqrt(float64(s.N))}
}

func (c *Comparison) compare(d *design.Document, values map[string]map[string]quantity.Quantity) {
	if len(d.Conditions) < 2 {
		return
	}
	for _, k := range d.Conditions {
		if k.Control {
			c.Against = k.ID
		}
	}
	if c.Against == "" {
		smallest := math.Inf(1)
		for _, g := range c.Groups {
			if g.Summary.N > 0 && g.Summary.Mean < smallest {
				smallest, c.Against = g.Summary.Mean, g.Condition
			}
		}
	}
	for _, k := range d.Conditions {
		if k.ID == c.Against {
			continue
		}
		f := Finding{Condition: k.ID, Against: c.Against, Verdict: stats.CannotTell}
		var with, without []float64 // the homes that did both
		keys := make([]string, 0, len(values[k.ID]))
		for key := range values[k.ID] {
			keys = append(keys, key)
		}
		sort.Strings(keys)
		for _, key := range keys {
			other, ok := values[c.Against][key]
			if !ok {
				continue
			}
			v := values[k.ID][key]
			diff := v.Value - other.Value
			with, without = append(with, v.Value), append(without, other.Value)
			switch u := math.Hypot(v.U, other.U); {
			case diff > 2*u:
				f.More++
			case diff < -2*u:
				f.Less++
			default:
				f.CannotTell++
			}
		}
		f.finish(d, c, without, with)
		c.Findings = append(c.Findings, f)
	}
}

func (f *Finding) finish(d *design.Document, c *Comparison, without, with []float64) {
	n := len(with)
	condition, _ := d.Condition(f.Condition)
	against, _ := d.Condition(f.Against)
	args := text.Args{"condition": condition.Name, "n": n}
	id := "compare.few"
	if against != nil {
		args["against"] = against.Name
	}
	if n == 0 {
		id = "compare.none"
	}
	if n >= MinHomes {
		var err error
		f.Difference, err = stats.Paired(without, with, stats.Claim{})
		f.Tested = err == nil
	}
	if f.Tested {
		f.Verdict = f.Difference.Verdict
		f.Typical = quantity.Quantity{Value: f.Difference.Estimate, Unit: c.Unit, U: f.Difference.SE}
		args["typical"] = f.Typical
		args["low"] = quantity.Quantity{Value: f.Difference.Low, Unit: c.Unit, U: f.Difference.SE}.Bare()
		args["high"] = quantity.Quantity{Value: f.Difference.High, Unit: c.Unit, U: f.Difference.SE}.Bare()
		args["more"], args["less"], args["cannot"] = f.More, f.Less, f.CannotTell
		switch {
		case f.Verdict == stats.CannotTell:
			id = "compare.cannot-tell"
		case f.Difference.Estimate > 0:
			id = "compare.more"
		default:
			id = "compare.less"
		}
	}
	f.Words = text.Message{ID: id, Args: args}
}
