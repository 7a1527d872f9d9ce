package fit

import (
	"encoding/json"
	"maps"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// judged are the findings of a plan with the facts of its home; plans that use the same
// in homes of the same facts are judged once.
func (w *Supplies) judged(k *kitchen.Kitchen, p *HomePlan, before map[string][]safety.Hazard) []safety.Hazard {
	if p.Design == w.d && none(&k.People) {
		return w.base.Findings
	}
	raw, err := json.Marshal(struct {
		Needs  []design.Need
		People kitchen.People
	}{p.Design.Needs, k.People})
	if found, ok := before[string(raw)]; ok && err == nil {
		return found
	}
	people := k.People.Said()
	before[string(raw)] = safety.Judge(p.Design, w.l, &people).Findings
	return before[string(raw)]
}

// none reports whether a home has said nothing of its people.
func none(p *kitchen.People) bool {
	return p.Adult == nil && p.Under4 == nil && p.Under6 == nil && p.Pet == nil && p.Asthma == nil &&
		p.Goggles == nil &&
		!p.Answered && len(p.Allergens) == 0 &&
		!p.Covered
}

// uses is a design with a supply in the place of the need's own thing, under its name.
func (w *Supplies) uses(d *design.Document, supply Supply) *design.Document {
	if !supply.Own {
		out := safety.Swapped(d, w.l, supply.Need, supply.candidate)
		for i := range out.Needs {
			n := &out.Needs[i]
			if m, ok := w.l.Material(n.Material); ok && (n.ID == supply.Need || len(n.Name) == 0) {
				n.Name = called(m, n.Form, n.Strength != nil)
			}
			if was, ok := d.Need(n.ID); !ok || was.Amount != n.Amount {
				n.Amount = measuredOut(n)
			}
		}
		return out
	}
	n, ok := w.d.Need(supply.Need)
	if !ok || n.Strength == nil || supply.Percent == n.Strength.Value || supply.Percent == 0 {
		return d
	}
	out := *d
	out.Needs = slices.Clone(d.Needs)
	for i := range out.Needs {
		if own := &out.Needs[i]; own.ID == supply.Need {
			strength := *own.Strength
			strength.Value = supply.Percent
			own.Strength = &strength
			each := supply.Amount
			each.Value /= float64(timesOf(d, own))
			own.Amount = each.Bare().Show("en")
			own.Amount = measuredOut(own)
		}
	}
	return &out
}

// measuredOut is a need's amount as it is measured out in a kitchen.
func measuredOut(n *design.Need) string {
	p, err := quantity.Parse(n.Amount)
	if err != nil {
		return n.Amount
	}
	return sensible(p.Quantity, n.Tolerance).Rounded().Show("en")
}

// called is what a thing of the larder is called in a list of things; its strength is
// said with the amount.
func called(m *larder.Material, form string, strong bool) text.Localized {
	out := maps.Clone(m.Name)
	if form == "" || strong {
		return out
	}
	for language, name := range out {
		out[language] = name + ", " + text.Render(formOf(form), language)
	}
	return out
}

// formOf is a form in words.
func formOf(form string) text.Message {
	return text.Message{ID: "larder.form." + strings.ReplaceAll(form, " ", "-")}
}

// closed are the steps that are not for a home: kept from it by the safety rules, or
// with something that it cannot have.
func closed(d *design.Document, findings []safety.Hazard, lost map[string]bool) []string {
	var out []string
	for _, s := range d.Steps {
		barred := slices.ContainsFunc(findings, func(f safety.Hazard) bool {
			return f.Verdict == safety.NotAtHome && slices.Contains(f.Steps, s.ID)
		})
		lacks := lost[s.In] || slices.ContainsFunc(s.Uses, func(id string) bool { return lost[id] })
		if barred || lacks {
			out = append(out, s.ID)
		}
	}
	return out
}

// readings are a home's readings: with which tool, or from the teacher where it has none
// or cannot do the step.
func (w *Supplies) readings(k *kitchen.Kitchen, p *HomePlan) []TakenWith {
	var out []TakenWith
	for i := range w.d.Readings {
		r := &w.d.Readings[i]
		t := TakenWith{Reading: r.ID}
		taken := false
		for _, s := range w.d.Steps {
			if slices.ContainsFunc(s.Takes, func(x design.Take) bool { return x.Reading == r.ID }) {
				taken = taken || !slices.Contains(p.Closed, s.ID)
			}
		}
		t.Shared = !taken
		if in, ok := r.Instrument(""); ok {
			t.Instrument = in.ID
		}
		if what, step, asked := toolFor(k, r); asked {
			if step == kitchen.NoTool && !p.lent(what) && !t.Shared {
				t.Shared, p.LacksTools = true, true
			}
			if step != kitchen.NoTool {
				t.Step, t.Instrument = step, nearest(r, step)
			}
		}
		out = append(out, t)
	}
	return out
}

// lent reports whether a tool that measures something is sent or lent to a home, or
// something else stands in for it.
func (p *HomePlan) lent(what string) bool {
	return slices.ContainsFunc(p.Choices, func(c Choice) bool {
		return (c.Kit || !c.Own) && !c.Without && c.Measures() == what
	})
}

// toolFor is what a home says of its tool for a reading, and what that measures.
func toolFor(k *kitchen.Kitchen, r *design.Reading) (what, step string, asked bool) {
	unit, ok := quantity.LookupUnit(r.Unit)
	if !ok || r.Sort() != design.QuantityKind {
		return "", "", false
	}
	for what, dim := range kitchen.Measures {
		if dim == unit.Dim {
			step, asked = k.Tools[what]
			return what, step, asked
		}
	}
	return "", "", false
}

// nearest is the instrument of a reading whose step is nearest to a home's, by ratio.
func nearest(r *design.Reading, step string) string {
	own, ok := quantity.ParseOK(step)
	best, apart := "", 0.0
	for _, in := range r.Instruments {
		p, readable := quantity.ParseOK(in.Resolution)
		if !ok || !readable || p.Unit.Dim != own.Unit.Dim || p.SI() <= 0 || own.SI() <= 0 {
			continue
		}
		ratio := max(p.SI()/own.SI(), own.SI()/p.SI())
		if best == "" || ratio < apart {
			best, apart = in.ID, ratio
		}
	}
	return best
}
