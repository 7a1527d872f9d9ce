package fit

import (
	"cmp"
	"encoding/json"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
)

// Verdict is how a home takes part.
type Verdict string

// The verdicts, from the best on.
const (
	AsDesigned      Verdict = "as-designed"
	WithSubstitutes Verdict = "with-substitutes"
	NeedsKit        Verdict = "needs-a-kit"     // exactly what to send is in the plan
	Part            Verdict = "part"            // what it can do; the rest from shared readings
	SharedReadings  Verdict = "shared-readings" // it watches, and gets the teacher's readings
)

// Verdicts are all of them.
var Verdicts = []Verdict{AsDesigned, WithSubstitutes, NeedsKit, Part, SharedReadings}

// Choice is what a home uses for one need.
type Choice struct {
	Supply
	Get     bool // it is not in the house yet
	Kit     bool // it has to be sent or lent
	Assumed bool // the home was not asked
	Pinned  bool // the teacher has fixed it
	Without bool // the need is left out: it may be, or nothing can be used for it
}

// TakenWith is how a home takes a reading.
type TakenWith struct {
	Reading    string
	Instrument string // of the design, the nearest to the home's tool
	Step       string // what the home's tool shows; "" where it was not asked
	Shared     bool   // the teacher's readings are taken
}

// HomePlan is the experiment as one home does it.
type HomePlan struct {
	Home       string
	Verdict    Verdict
	Variant    string // homes of one variant are compared as one; "" is the design's own
	Class      larder.Class
	Choices    []Choice
	Readings   []TakenWith
	Findings   []safety.Hazard  // of what this home uses, with its facts
	Closed     []string         // ids of steps that are not for this home
	Assumed    bool             // the home has answered nothing: it is taken as usual
	LacksTools bool             // readings come from its teacher because it has no tool
	Design     *design.Document // with this home's things and amounts
	key        string
}

// Plan is a class as it will do an experiment.
type Plan struct {
	Homes    []HomePlan // in the order of the kitchens
	Variants []string   // that are in use
}

// picked is one choice on its way into a plan.
type picked struct {
	supply                Supply
	get, kit, assumed     bool
	pinned, without, lost bool // lost: nothing can be used for a need that cannot be left out
}

func (p *picked) key() string {
	if p.without {
		return ""
	}
	return p.supply.key()
}

func (p *picked) price() price {
	out := price{}
	if p.without {
		return out
	}
	if p.get || p.kit {
		out.get, out.cost = 1, 1+max(0, slices.Index(larder.Costs, p.supply.Material.Cost))
	}
	return out
}

// Fit plans an experiment for every home of a class; homes that hold a plan keep it as
// long as they can, and the others get the best beside theirs. Nobody is left out who can do it,
// nothing unsafe or barred is ever chosen, then there are as few variants as can be,
// then as little to get and to send, then it is cheap. A home does as designed what it
// can do as designed, and departs no further than it must; the teacher's pins hold. It
// is deterministic: the same kitchens give the same plan, in any order.
func (w *Supplies) Fit(c kitchen.Class) Plan { return w.fit(c, nil) }

// Join plans for one home of a class alone, beside the variants that others of it have.
func (w *Supplies) Join(c kitchen.Class, home int, inUse []string) HomePlan {
	c.Homes, c.Held = c.Homes[home:home+1], nil
	fixed := slices.Sorted(slices.Values(inUse))
	return w.fit(c, slices.Compact(fixed)).Homes[0]
}

func (w *Supplies) fit(c kitchen.Class, fixed []string) Plan {
	fixed = slices.Clone(fixed)
	byAnswers := map[string]*group{}
	var groups []*group
	of := make([]*group, len(c.Homes))
	held := make([]*string, len(c.Homes)) // the variant that a home keeps
	for i := range c.Homes {
		k := &c.Homes[i]
		pins := pinsOf(c.Pins, k.Home)
		answers := answersOf(k, pins)
		g, ok := byAnswers[answers]
		if !ok {
			g = &group{offers: w.offers(k, pins)}
			byAnswers[answers] = g
			if !k.Otherwise { // who takes part in another way asks for no version
				groups = append(groups, g)
			}
		}
		g.size++
		of[i] = g
		if key, ok := c.Held[k.Home]; ok && !k.Otherwise {
			if _, can := g.of(key); can {
				held[i], fixed = &key, append(fixed, key)
			}
		}
	}
	slices.Sort(fixed)
	fixed = slices.Compact(fixed)
	slices.SortFunc(groups, func(a, b *group) int { return strings.Compare(keysOf(a), keysOf(b)) })
	variants := fewest(groups, fixed)
	out := Plan{Homes: make([]HomePlan, len(c.Homes))}
	plans := map[alike]HomePlan{}
	judged := map[string][]safety.Hazard{}
	for i := range c.Homes {
		k := &c.Homes[i]
		o, served := of[i].cheapest(variants)
		if held[i] != nil {
			o, served = of[i].of(*held[i])
		}
		if !served {
			o = of[i].offers[0]
		}
		plan, ok := plans[alike{of[i], o.key}]
		if !ok || len(k.Own) > 0 { // what it measured itself is its own
			plan = w.planned(&c, k, o, judged)
			if len(k.Own) == 0 {
				plans[alike{of[i], o.key}] = plan
			}
		}
		plan.Home = k.Home
		out.Homes[i] = plan
		if p := &out.Homes[i]; p.Verdict != SharedReadings && !slices.Contains(out.Variants, p.Variant) {
			out.Variants = append(out.Variants, p.Variant)
		}
	}
	slices.Sort(out.Variants)
	return out
}

// alike are homes that answered alike and do the same.
type alike struct {
	of  *group
	key string
}

// Held is what holds a plan for homes that change nothing: the variant of each, by home.
// Who takes part in another way holds none.
func (p Plan) Held() map[string]string {
	out := map[string]string{}
	for i := range p.Homes {
		if h := &p.Homes[i]; h.Verdict != SharedReadings {
			out[h.Home] = h.key
		}
	}
	return out
}

// Answers is all that makes a home's plan: what it said, and what is fixed for it. Homes
// of the same answers are planned alike.
func Answers(k *kitchen.Kitchen, pins []kitchen.Pin) string {
	return answersOf(k, pinsOf(pins, k.Home))
}

func keysOf(g *group) string {
	keys := make([]string, len(g.offers))
	for i, o := range g.offers {
		keys[i] = o.key
	}
	return strings.Join(keys, "\n")
}

func pinsOf(pins []kitchen.Pin, home string) map[string]string {
	out := map[string]string{}
	for _, p := range pins {
		if p.Home == home {
			out[p.Need] = p.Material
		}
	}
	return out
}

// answersOf is all that a home said, so that homes that said the same are fitted once.
func answersOf(k *kitchen.Kitchen, pins map[string]string) string {
	plain := *k
	plain.Home, plain.Own = "", nil // what it measured itself changes no choice
	raw, err := json.Marshal(struct {
		K kitchen.Kitchen
		P map[string]string
	}{plain, pins})
	if err != nil {
		return k.Home
	}
	return string(raw)
}

// offers are the best plans of a home, one a variant.
func (w *Supplies) offers(k *kitchen.Kitchen, pins map[string]string) []offer {
	plans := []offer{{}}
	for i := range w.needs {
		var next []offer
		for _, o := range plans {
			for _, p := range w.needs[i].at(w, k, pins[w.needs[i].need.ID]) {
				key := o.key
				if add := p.key(); add != "" {
					key += add + ";"
				}
				next = append(next, offer{key, o.price.plus(p.price()), append(slices.Clone(o.plan), p)})
			}
		}
		plans = cheapestOfEach(next)
		if len(plans) > mostOffers { // no home is asked to choose among more
			slices.SortStableFunc(plans, func(a, b offer) int { return a.price.compare(b.price) })
			plans = plans[:mostOffers]
			slices.SortFunc(plans, func(a, b offer) int { return strings.Compare(a.key, b.key) })
		}
	}
	return plans
}

// mostOffers bounds the variants that one home can do: the cheapest are kept.
const mostOffers = 200

// cheapestOfEach keeps of the plans of one variant the cheapest, the first by name where
// they cost the same.
func cheapestOfEach(all []offer) []offer {
	slices.SortFunc(all, func(a, b offer) int {
		return cmp.Or(strings.Compare(a.key, b.key), a.price.compare(b.price), strings.Compare(named(a), named(b)))
	})
	return slices.CompactFunc(all, func(a, b offer) bool { return a.key == b.key })
}

// named puts plans of one price in an order of their own: the design's own things first.
func named(o offer) string {
	var out strings.Builder
	for _, p := range o.plan {
		if !p.supply.Own {
			out.WriteString("~" + p.supply.Material.ID)
		}
		out.WriteString(";")
	}
	return out.String()
}

// at are the supplies with which a home can do a need: of those that are there the ones that
// depart least; without any it is left out where it may be, or the design's own thing is
// sent.
func (n *supplied) at(w *Supplies, k *kitchen.Kitchen, pin string) []picked {
	var there []picked
	for _, supply := range n.list {
		answer, asked := says(k, &supply)
		if avoided(&k.People, supply.Material) {
			continue
		}
		if percent, ok := k.Strengths[supply.Material.ID]; ok && supply.Own {
			supply = supply.atStrength(w, n.need, percent)
		}
		p := picked{supply: supply, get: answer == kitchen.Get, assumed: !asked}
		switch {
		case pin != "" && (pin == supply.Use() || pin == supply.Material.ID):
			p.pinned, p.kit = true, answer == kitchen.None
			return []picked{p}
		case answer == kitchen.None, !asked && !supply.Own, supply.poorTool():
			continue
		}
		there = append(there, p)
	}
	if len(there) == 0 {
		return n.missing(k)
	}
	least := slices.MinFunc(there, func(a, b picked) int { return cmp.Compare(a.supply.rank(), b.supply.rank()) })
	return slices.DeleteFunc(there, func(p picked) bool { return p.supply.rank() > least.supply.rank() })
}

// missing is what becomes of a need for which a home has nothing.
func (n *supplied) missing(k *kitchen.Kitchen) []picked {
	if n.need.Optional {
		return []picked{{supply: n.list[0], without: true}}
	}
	for _, supply := range n.list {
		if !avoided(&k.People, supply.Material) {
			return []picked{{supply: supply, kit: true}}
		}
	}
	return []picked{{supply: n.list[0], without: true, lost: true}}
}

// planned is a home's plan of one variant: its design with its things, judged with its
// facts, and its readings by its tools.
func (w *Supplies) planned(c *kitchen.Class, k *kitchen.Kitchen, o offer, judged map[string][]safety.Hazard) HomePlan {
	p := HomePlan{Class: larder.Pools, Variant: o.key, key: o.key, Assumed: !k.Asked(), Design: w.d}
	departs, kits, lost := false, false, map[string]bool{}
	for _, x := range o.plan {
		p.Choices = append(p.Choices, Choice{x.supply, x.get, x.kit, x.assumed, x.pinned, x.without})
		kits = kits || x.kit
		lost[x.supply.Need] = x.lost
		if x.without {
			continue
		}
		p.Class = larder.Worst(p.Class, x.supply.Class)
		departs = departs || !x.supply.Own
		p.Design = w.uses(p.Design, x.supply)
	}
	w.measured(c, k, &p)
	p.Findings = w.judged(k, &p, judged)
	p.Closed = closed(w.d, p.Findings, lost)
	p.Readings = w.readings(k, &p)
	p.Verdict = p.verdict(k, departs, kits)
	if p.Verdict == SharedReadings {
		p.Variant = ""
	}
	return p
}

func (p *HomePlan) verdict(k *kitchen.Kitchen, departs, kits bool) Verdict {
	shared := 0
	for _, t := range p.Readings {
		if t.Shared {
			shared++
		}
	}
	switch {
	case k.Otherwise,
		len(p.Readings) > 0 && shared == len(p.Readings),
		len(p.Closed) == len(p.Design.Steps) && len(p.Closed) > 0:
		return SharedReadings
	case shared > 0 || len(p.Closed) > 0:
		return Part
	case kits:
		return NeedsKit
	case departs:
		return WithSubstitutes
	}
	return AsDesigned
}
