package rehearsal

import (
	"math"
	"slices"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/detect"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/stats"
)

// What is taken as usual; each is said beside the answer.
const (
	Swaps = 0.03 // of the values have the set-ups mixed up
	Slips = 0.02 // of the values are off by a slip, five times their give or take
	slip  = 5.0
)

// usualDrops is the share of homes that hand nothing in.
const usualDrops = detect.DropsOut

// Random is a source of chance: normal and even numbers.
type Random interface {
	NormFloat64() float64
	Float64() float64
}

// Source is where the size of an effect comes from.
type Source = detect.Source

// Answer is what was seen in the rehearsed classes.
type Answer struct {
	Classes    int         // rehearsed
	Homes      int         // that take part with readings of their own
	Claims     []Claim     // of a difference or a slope, in the order of the design
	Spoken     []Spoken    // those that homes decide by what they say
	Agreements []Agreement // of a value being what is stated, or the same twice
	Ordered    []Ordered   // of conditions in an order of what is measured
	Unsaid     int         // that cannot be rehearsed
	FlagLow    int         // readings to look at: from the 10th to the 90th of 100 classes
	FlagTop    int
	Help       *Help // the change that would help most; nil where none helps
}

// Claim is one claim in the rehearsed classes.
type Claim struct {
	compare.Planned
	Source    Source
	Effect    float64 // in the value's unit; a factor where it is compared by factors
	Seen      float64 // share of classes that see it
	Right     float64 // share of homes whose own difference points the right way
	Even      bool    // of a slope over levels that only the homes know: taken as evenly spread
	Low, High float64 // of the class's estimate, from the 5th to the 95th of 100 classes
	Middle    float64
}

// Help is a change and what it would do to the claim that is seen least.
type Help struct {
	Change Change
	Seen   float64
}

// Change is something that would make an effect easier to see.
type Change string

// The changes that are tried.
const (
	OneTryMore Change = "one-try-more" // every home takes each reading once more
	FinerTools Change = "finer-tools"  // every tool shows a tenth of its step
	Lend       Change = "lend"         // homes that look on for want of a tool are lent one
	AllAnswer  Change = "all-answer"   // nobody drops out
)

var changes = []Change{OneTryMore, FinerTools, Lend, AllAnswer}

// home is one home's part in a claim.
type home struct {
	sd       float64 // of its difference, by tools and tries
	rounding float64 // variance that rounding brings to it
}

// class is what is played.
type class struct {
	claims []claim
	drops  float64
}

type claim struct {
	compare.Planned
	effect float64 // on the scale of the test: a logarithm for factors
	homes  []home
}

// Rehearse plays so many classes of a design with the plans of its homes.
func Rehearse(d *design.Document, plans []fit.HomePlan, classes int, r Random) Answer {
	out := Answer{Classes: classes}
	planned := compare.Plan(d)
	c := classOf(d, planned, plans, "")
	for _, p := range planned {
		out.each(d, p, plans, len(planned), r)
	}
	out.Unsaid = len(planned) - len(c.claims) - out.others()
	for _, x := range c.claims {
		out.Homes = max(out.Homes, len(x.homes))
	}
	if len(c.claims) == 0 || out.Homes == 0 {
		return out
	}
	sources := make([]Source, len(c.claims))
	found := map[string]float64{} // by value: the same homes take it with the same tools
	for i := range c.claims {
		x := &c.claims[i]
		if x.effect, sources[i] = detect.Effect(d, x.Planned); sources[i] != detect.Nothing {
			continue
		}
		if _, known := found[x.Value]; !known {
			found[x.Value] = smallest(c, i, r)
		}
		if x.effect = found[x.Value]; x.Says == "less" || x.Says == "falls" {
			x.effect = -x.effect
		}
	}
	_, even := detect.Levels(d)
	p := play(c, classes, r)
	for i, x := range c.claims {
		one := p.claim(x, sources[i], i)
		one.Even = even && detect.Trend(x.Planned)
		out.Claims = append(out.Claims, one)
	}
	out.FlagLow, out.FlagTop = int(part(p.flags, 0.1)), int(part(p.flags, 0.9))
	if !slices.Contains(sources, detect.Nothing) {
		out.Help = help(d, planned, plans, c, p.least(), r)
	}
	return out
}

// each rehearses a claim that is of no difference by itself.
func (a *Answer) each(d *design.Document, p compare.Planned, plans []fit.HomePlan, claims int, r Random) {
	if s, ok := spoken(d, p, plans, claims, r); ok {
		a.Spoken = append(a.Spoken, s)
		a.Homes = max(a.Homes, s.Homes)
	}
	if _, ok := agrees(p); ok {
		x := agreed(d, p, plans, claims, a.Classes, r)
		a.Agreements = append(a.Agreements, x)
		a.Homes = max(a.Homes, x.Homes)
	}
	if measuredOrder(p) {
		x := ordered(d, p, plans, claims, a.Classes, r)
		a.Ordered = append(a.Ordered, x)
		a.Homes = max(a.Homes, x.Homes)
	}
}

// others is how many claims of no difference were rehearsed.
func (a *Answer) others() int { return len(a.Spoken) + len(a.Agreements) + len(a.Ordered) }

// classOf is who takes part in what, with one thing changed.
func classOf(d *design.Document, planned []compare.Planned, plans []fit.HomePlan, change Change) class {
	c := class{drops: usualDrops}
	if change == AllAnswer {
		c.drops = 0
	}
	for _, p := range planned {
		narrow, ok := detect.Narrowing(d, p)
		if _, same := agrees(p); !ok || same || measuredOrder(p) {
			continue
		}
		x := claim{Planned: p}
		for i := range plans {
			if h, ok := homeOf(d, p, &plans[i], narrow, change); ok {
				x.homes = append(x.homes, h)
			}
		}
		c.claims = append(c.claims, x)
	}
	return c
}

// homeOf is a home's part in a claim; it reports false for one that takes no readings of
// its own of the value, or whose swaps make it a group of its own.
func homeOf(d *design.Document, p compare.Planned, plan *fit.HomePlan, narrow float64, change Change) (home, bool) {
	if plan.Verdict == fit.SharedReadings && !(change == Lend && plan.LacksTools) ||
		plan.Class == larder.Separate || plan.Class == larder.Unsuitable {
		return home{}, false
	}
	steps := map[string]string{}
	missing := map[string]bool{}
	for _, t := range plan.Readings {
		steps[t.Reading], missing[t.Reading] = t.Step, t.Shared && change != Lend
	}
	lacks := false
	sd := func(rounding bool) float64 {
		q, ok := d.Spread(p.Value, func(r *design.Reading, symbols []string) float64 {
			if slices.Contains(symbols, r.Symbol) && missing[r.ID] {
				lacks = true
			}
			return detect.Scatter(r, steps[r.ID], change == FinerTools, rounding)
		})
		switch {
		case !ok:
			return math.NaN()
		case p.Ratio && q.Value != 0:
			return q.U / math.Abs(q.Value)
		}
		return q.U
	}
	tries := float64(max(1, d.Trials))
	if change == OneTryMore {
		tries++
	}
	h := home{sd: math.Sqrt(narrow/tries) * sd(false), rounding: narrow * math.Pow(sd(true), 2) / tries}
	return h, !lacks && !math.IsNaN(h.sd)
}

// played is what was seen.
type played struct {
	seen, right []float64
	estimates   [][]float64
	flags       []float64
}

func (p *played) least() float64 { return slices.Min(p.seen) }

func (p *played) claim(x claim, from Source, i int) Claim {
	slices.Sort(p.estimates[i])
	out := Claim{
		Planned: x.Planned, Source: from, Seen: p.seen[i], Right: p.right[i], Effect: x.effect,
		Low: part(p.estimates[i], 0.05), Middle: part(p.estimates[i], 0.5), High: part(p.estimates[i], 0.95),
	}
	if x.Ratio {
		out.Effect, out.Low, out.Middle, out.High = math.Exp(out.Effect), math.Exp(out.Low), math.Exp(out.Middle),
			math.Exp(out.High)
	}
	return out
}

// part is what so large a part of sorted values lies below; of none it is 0.
func part(sorted []float64, share float64) float64 {
	if len(sorted) == 0 {
		return 0
	}
	return sorted[min(len(sorted)-1, int(share*float64(len(sorted))))]
}

// play plays so many classes.
func play(c class, classes int, r Random) *played {
	n := len(c.claims)
	p := &played{seen: make([]float64, n), right: make([]float64, n), estimates: make([][]float64, n)}
	for i := range p.estimates {
		p.estimates[i] = make([]float64, 0, classes)
	}
	ps, signs := make([]float64, n), make([]float64, n)
	homes := make([]float64, n)
	d, w, u := []float64{}, []float64{}, []float64{}
	for range classes {
		flags := 0
		in := present(len(c.claims[0].homes), c.drops, r)
		for i := range c.claims {
			d, w, u = c.claims[i].sample(in, r, d[:0], w[:0], u[:0])
			ps[i], signs[i] = math.NaN(), 0
			for _, v := range d {
				if v*c.claims[i].effect > 0 {
					p.right[i]++
				}
			}
			homes[i] += float64(len(d))
			if f, err := stats.MeanOf(d, w, 0); err == nil {
				ps[i], signs[i] = f.P, f.Estimate
				p.estimates[i] = append(p.estimates[i], f.Estimate)
			}
			if i == 0 {
				_, odd := stats.Apart(d, u)
				flags += len(odd)
			}
		}
		for i, corrected := range stats.Holm(ps, n) {
			if corrected < 0.05 && signs[i]*c.claims[i].effect > 0 {
				p.seen[i]++
			}
		}
		p.flags = append(p.flags, float64(flags))
	}
	for i := range p.seen {
		p.seen[i] /= float64(classes)
		p.right[i] /= math.Max(1, homes[i])
	}
	slices.Sort(p.flags)
	return p
}

// present are the homes that do not drop out.
func present(n int, drops float64, r Random) []bool {
	in := make([]bool, n)
	for i := range in {
		in[i] = drops == 0 || r.Float64() >= drops
	}
	return in
}

// sample draws the differences of one class.
func (x *claim) sample(in []bool, r Random, d, w, u []float64) (ds, ws, us []float64) {
	for i, h := range x.homes {
		if i < len(in) && !in[i] {
			continue
		}
		v := x.effect + detect.Differs*x.effect*r.NormFloat64() + h.sd*r.NormFloat64()
		switch chance := r.Float64(); {
		case chance < Swaps:
			v = -v
		case chance < Swaps+Slips:
			v += slip * h.sd * r.NormFloat64()
		}
		d, w, u = append(d, v), append(w, h.rounding), append(u, h.sd)
	}
	return d, w, u
}

// For looking around fewer classes are enough.
const (
	tries  = 1000
	enough = 0.9 // of the classes see an effect that is surely seen
)

// smallest is the effect of a claim that is seen in nine of ten classes.
func smallest(c class, i int, r Random) float64 {
	one := c.claims[i]
	low, high := 0.0, 0.0
	for _, h := range one.homes {
		high = math.Max(high, 8*h.sd)
	}
	if high == 0 {
		return 0
	}
	for range 12 {
		one.effect = (low + high) / 2
		if play(class{[]claim{one}, c.drops}, tries, r).seen[0] >= enough {
			high = (low + high) / 2
		} else {
			low = (low + high) / 2
		}
	}
	return high
}

// help finds the change that helps the claim that is seen least; nil where all are surely
// seen or none helps.
func help(d *design.Document, planned []compare.Planned, plans []fit.HomePlan, now class, least float64,
	r Random) *Help {
	if least > 0.98 {
		return nil
	}
	var best *Help
	for _, change := range changes {
		c := classOf(d, planned, plans, change)
		for i := range c.claims {
			c.claims[i].effect = now.claims[i].effect
		}
		if seen := play(c, tries, r).least(); seen > least+0.02 && (best == nil || seen > best.Seen) {
			best = &Help{change, seen}
		}
	}
	return best
}
