package fit

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// Supply is one thing with which a need can be done: the design's own, or what may stand
// in for it in a home.
type Supply struct {
	Need      string
	Role      string // the job it does
	Material  *larder.Material
	Form      string
	Percent   float64
	Own       bool // the design's
	Class     larder.Class
	Basis     larder.Basis
	Amount    quantity.Quantity // in all; zero where nothing is measured out
	Because   text.Message
	candidate larder.Candidate
}

// rank is how far a supply departs: 0 what counts with the design's own, then what
// scales, then what is a group of its own.
func (w *Supply) rank() int { return slices.Index(larder.Classes, w.Class) }

// Called is what a supply is called in a list.
func (w *Supply) Called() text.Localized { return called(w.Material, w.Form, w.Percent > 0) }

// Use names the thing of a supply and its form, such as salt/coarse.
func (w *Supply) Use() string { return use(w.Material.ID, w.Form) }

func use(material, form string) string {
	if form == "" {
		return material
	}
	return material + "/" + form
}

// key tells what departs from the others; what counts with the design's own has none.
func (w *Supply) key() string {
	if w.rank() == 0 {
		return ""
	}
	return w.Need + "=" + w.Material.ID + "/" + w.Form
}

// Supplies are what each need of a design can be done with, in the order of its needs: its
// own thing first, then by comparability. They are the same for every class, and worked
// out once for a version.
type Supplies struct {
	d     *design.Document
	l     *larder.Larder
	needs []supplied
	base  safety.Report
}

type supplied struct {
	need *design.Need
	list []Supply
}

// SuppliesOf works out the supplies of a design. A need that names nothing of the larder has
// none: it is taken as there.
func SuppliesOf(d *design.Document) *Supplies {
	out := &Supplies{d: d, l: d.Larder()}
	out.base = safety.Judge(d, out.l, nil)
	for i := range d.Needs {
		n := &d.Needs[i]
		m, ok := out.l.Material(n.Material)
		if !ok || n.Kind == design.PersonNeed || n.Kind == design.PlaceNeed {
			continue
		}
		own := Supply{
			Need: n.ID, Role: n.Role, Material: m, Form: n.Form, Own: true, Class: larder.Pools,
			Basis:  larder.NoConversion,
			Amount: wholeAmount(d, n), Because: text.M("fit.why.own"),
		}
		if n.Strength != nil {
			own.Percent = n.Strength.Value
		}
		list := []Supply{own}
		subs, err := safety.Swaps(d, out.l, n)
		if err != nil {
			subs = nil // an unknown job is said by Validate
		}
		for _, s := range subs {
			if s.Rule == "" && s.Class != larder.Pools || s.Class == larder.Unsuitable {
				continue // nobody has compared it: the teacher's to decide
			}
			amount := s.Amount
			times := float64(timesOf(d, n))
			amount.Value, amount.U = amount.Value*times, amount.U*times
			list = append(list, Supply{
				Need: n.ID, Role: n.Role, Material: s.Material, Form: s.Form, Percent: s.Percent, Class: s.Class,
				Basis:  s.Basis,
				Amount: amount, Because: s.Because, candidate: s.Candidate,
			})
		}
		out.needs = append(out.needs, supplied{n, list})
	}
	return out
}

// Design is the design whose supplies they are.
func (w *Supplies) Design() *design.Document { return w.d }

// Findings are those of the design as it is.
func (w *Supplies) Findings() []safety.Hazard { return w.base.Findings }

// Facts are what homes are asked of themselves: what could raise a step of the design,
// and what somebody could avoid of all that may be used.
func (w *Supplies) Facts() []safety.Fact {
	out := slices.Clone(w.base.Facts)
	for _, n := range w.needs {
		for _, supply := range n.list {
			for _, a := range supply.Material.Allergens() {
				f := safety.Avoided(a)
				if !slices.ContainsFunc(out, func(x safety.Fact) bool { return x.ID == f.ID }) {
					out = append(out, f)
				}
			}
		}
	}
	return out
}

// ByNeed are the supplies need by need, the design's own first.
func (w *Supplies) ByNeed() [][]Supply {
	out := make([][]Supply, len(w.needs))
	for i, n := range w.needs {
		out[i] = n.list
	}
	return out
}

// Can reports whether a need can be done with a thing, as of [Supply.Use].
func (w *Supplies) Can(need, use string) bool {
	return slices.ContainsFunc(w.needs, func(n supplied) bool {
		return n.need.ID == need && slices.ContainsFunc(n.list, func(x Supply) bool { return x.Use() == use })
	})
}

// wholeAmount is a need's amount for all conditions and trials; zero where none can be
// read.
func wholeAmount(d *design.Document, n *design.Need) quantity.Quantity {
	p, err := quantity.Parse(n.Amount)
	if err != nil || n.Amount == "" {
		return quantity.Quantity{}
	}
	q := p.Quantity
	q.Value, q.U = q.Value*float64(timesOf(d, n)), 0
	return q
}

// atStrength is a supply with the strength that this home's label says: as much of what
// acts, in another amount.
func (w Supply) atStrength(all *Supplies, n *design.Need, percent float64) Supply {
	basis, ok := larder.Keeps(n.Role)
	if !ok || percent == w.Percent || w.Amount.Value == 0 {
		return w
	}
	from := larder.Stuff{Material: w.Material.ID, Form: w.Form, Percent: w.Percent}
	to := from
	to.Percent = percent
	conv, err := all.l.Convert(from, to, w.Amount, basis)
	if err != nil || conv.Amount.Value <= 0 {
		return w
	}
	w.Percent, w.Amount, w.Basis = percent, conv.Amount, basis
	w.Because = text.M("fit.why.strength", "percent", quantity.Quantity{Value: percent, Unit: quantity.One})
	return w
}

// Measures is what a supply measures, where its job is that of a tool; "" where it is not.
func (w *Supply) Measures() string {
	if what := strings.TrimSuffix(w.Role, "-instrument"); what != w.Role && kitchen.Measures[what] != (quantity.Dim{}) {
		return what
	}
	return ""
}

// poorTool reports whether a supply would measure so differently that lending the design's
// own tool is better: it is taken only where it is fixed.
func (w *Supply) poorTool() bool { return !w.Own && w.Measures() != "" && w.Class == larder.Separate }

// says is what a home says of a thing; of a tool also what it says that it can measure.
func says(k *kitchen.Kitchen, w *Supply) (kitchen.Answer, bool) {
	step, asked := k.Tools[w.Measures()]
	// a tool whose step is known is there, whatever was said before
	measures := asked && step != kitchen.NoTool && w.Own
	if a, said := k.Says(w.Material.ID); said && !(measures && a == kitchen.None) {
		return a, true
	}
	switch {
	case !asked:
		return "", false
	case step == kitchen.NoTool:
		return kitchen.None, true
	}
	return kitchen.Have, true
}

// avoided reports whether a home must not meet a material.
func avoided(p *kitchen.People, m *larder.Material) bool {
	return slices.ContainsFunc(m.Allergens(), func(a string) bool { return slices.Contains(p.Allergens, a) })
}
