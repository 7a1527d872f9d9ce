package compare

import (
	"fmt"
	"math"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Claim is what is held against the data, worked out for one outcome.
type Claim struct {
	ID        string   `json:"id"`
	Says      string   `json:"says"`
	Value     string   `json:"value"`
	Condition string   `json:"condition,omitempty"`
	Option    string   `json:"option,omitempty"`
	Zone      string   `json:"zone,omitempty"`
	Against   string   `json:"against,omitempty"`
	Order     []string `json:"order,omitempty"`
	Stated    *float64 `json:"stated,omitempty"`
	Matters   *float64 `json:"matters,omitempty"`
	Made      string   `json:"made"` // before, or afterwards
}

// outcome is a value that is compared: its unit and how.
type outcome struct {
	design.Outcome
	unit       quantity.Unit
	ratio      bool // compared as factors
	counts     bool // whole things: no tool stands between
	matters    float64
	stated     float64
	hasStated  bool
	conditions []string // or stages, where those are compared
	control    string   // "" where none of them is
	staged     bool
	name       text.Localized
}

// outcomes are the design's values in their order, the one that is measured
// first in front of the claims.
func outcomes(d *design.Document) (all []outcome, first int) {
	first = -1
	for _, x := range d.Outcomes() {
		unit, ok := quantity.LookupUnit(x.Unit)
		if x.Reading != nil {
			unit, ok = quantity.One, x.Reading.Sort() != design.TextKind // of which nothing is compared
		}
		if !ok {
			continue
		}
		o := outcome{
			Outcome:    x,
			unit:       unit,
			conditions: d.LanesOf(x),
			control:    control(d),
			counts:     (unit == quantity.One || unit.Dim == quantity.Count) && counted(d, x.Derived),
			name:       x.Name,
		}
		if !slices.Contains(o.conditions, o.control) {
			o.control = ""
		}
		_, o.staged = d.Stage(o.conditions[0])
		if r, is := d.Reading(x.ID); is && r.Sort() == design.EventKind {
			o.ratio = true // times to an event are compared as factors, unless it is said otherwise
		}
		for i, m := range d.Measured {
			if !speaksOf(d, m.Reading, x.Derived) {
				continue
			}
			o.ratio = m.Scale == "ratio" || o.ratio && m.Scale == ""
			o.matters, _ = size(m.Matters, unit, o.ratio)
			o.stated, o.hasStated = size(m.Stated, unit, false)
			if first < 0 && i == 0 {
				first = len(all)
			}
			break
		}
		all = append(all, o)
	}
	return all, max(first, 0)
}

// counted reports whether a value is worked out of whole things alone; a share of
// two lengths has no unit either, and is measured.
func counted(d *design.Document, x design.Derived) bool {
	w, err := d.Working(x)
	if err != nil {
		return false
	}
	return !slices.ContainsFunc(d.Readings, func(r design.Reading) bool {
		u, ok := quantity.LookupUnit(r.Unit)
		return slices.Contains(w.Symbols(), r.Symbol) && (!ok || u != quantity.One && u.Dim != quantity.Count)
	})
}

// speaksOf reports whether a measured variable means this outcome: itself, or
// one worked out from its reading.
func speaksOf(d *design.Document, reading string, x design.Derived) bool {
	if reading == x.ID {
		return true
	}
	r, ok := d.Reading(reading)
	if !ok {
		return false
	}
	e, err := d.Working(x)
	return err == nil && slices.Contains(e.Symbols(), r.Symbol)
}

// size reads how large something is in a unit; a factor has none.
func size(typed string, unit quantity.Unit, factor bool) (float64, bool) {
	p, ok := quantity.ParseOK(typed)
	if !ok {
		return 0, false
	}
	if factor || p.Unit == quantity.One && unit.Dim == quantity.Pure && unit != quantity.One {
		return p.Value, true
	}
	if unit.Offset != 0 && p.Unit.Dim == unit.Dim { // a difference of temperatures
		return p.Value * p.Unit.Factor / unit.Factor, true
	}
	in, err := p.In(unit)
	return in.Value, err == nil
}

// claims are what the design says, or where it says nothing: each condition
// differs from the control, without one all pairs; without conditions the value
// equals what is stated. They speak of the first outcome.
func claims(d *design.Document, all []outcome, first int) []Claim {
	out := []Claim{}
	if len(all) == 0 {
		return out
	}
	if d.Claims != nil {
		for _, c := range d.Claims {
			if made, ok := stated(d, c, all, first); ok {
				out = append(out, made)
			}
		}
		return out
	}
	return usual(all[first], "before")
}

func control(d *design.Document) string {
	for _, k := range d.Conditions {
		if k.Control {
			return k.ID
		}
	}
	return ""
}

// against is what a condition is held against where a claim does not say it: the
// control, or of stages the one before; "" where there is none.
func (o *outcome) against(condition string) string {
	if i := slices.Index(o.conditions, condition); o.staged && i > 0 {
		return o.conditions[i-1]
	}
	return o.control
}

// usual are the claims that a value makes of itself: each condition against the
// control or against each other one, each stage against the one before it.
func usual(o outcome, made string) []Claim {
	out := []Claim{}
	add := func(c Claim) {
		c.Value, c.Made = o.ID, made
		if o.matters > 0 {
			m := o.matters
			c.Matters = &m
		}
		out = append(out, c)
	}
	if o.Reading != nil && !o.levelled() {
		return append(out, o.ofKind(made)...)
	}
	if len(o.conditions) < 2 {
		if o.hasStated {
			v := o.stated
			add(Claim{ID: o.ID + "-stated", Says: "equals", Condition: o.conditions[0], Stated: &v})
		}
		return out
	}
	for i, b := range o.conditions {
		if a := o.against(b); a != "" {
			if a != b {
				add(Claim{ID: o.ID + "-" + b, Says: "differs", Condition: b, Against: a})
			}
			continue
		}
		for _, a := range o.conditions[:i] {
			if !o.staged {
				add(Claim{ID: fmt.Sprintf("%s-%s-%s", o.ID, b, a), Says: "differs", Condition: b, Against: a})
			}
		}
	}
	return out
}

func stated(d *design.Document, c design.Claim, all []outcome, first int) (Claim, bool) {
	o := &all[first]
	for i := range all {
		if all[i].ID == c.Value {
			o = &all[i]
		}
	}
	out := Claim{
		ID:        c.ID,
		Says:      c.Says,
		Value:     o.ID,
		Condition: c.Condition,
		Option:    c.Option,
		Zone:      c.Zone,
		Against:   c.Against,
		Order:     c.Order,
		Made:      "before",
	}
	out.Matters, out.Stated = o.mattering(c), o.statedBy(c)
	switch {
	case o.alone() || c.Says == "share":
		out.Against = ""
	case trending(c.Says):
		out.Condition, out.Against = "", ""
	case out.Against == "" && c.Says != "equals" && c.Says != "order":
		out.Against = o.against(out.Condition)
	}
	return out, o.takes(d, &out)
}

// alone reports whether what is said of a value is said of one condition, not against
// another.
func (o *outcome) alone() bool { return o.chosen() || o.zoned() || o.ordered() }

// mattering is the difference that would matter, by the claim or by its value.
func (o *outcome) mattering(c design.Claim) *float64 {
	if m, ok := size(c.Matters, o.unit, o.ratio); ok && m > 0 {
		return &m
	}
	if o.matters > 0 {
		return &o.matters
	}
	return nil
}

// statedBy is the value that a claim holds against; of a share, that of guessing where
// none is said.
func (o *outcome) statedBy(c design.Claim) *float64 {
	if v, ok := size(c.Stated, o.unit, false); ok {
		return &v
	}
	if c.Says == "share" && o.chosen() {
		by := o.guessing()
		return &by
	}
	return nil
}

// takes reports whether a claim can be made of a value: by its kind, with all that it
// names there.
func (o *outcome) takes(d *design.Document, c *Claim) bool {
	switch {
	case o.chosen():
		return c.Says == "share" && o.has(c.Condition) && isShare(*c.Stated)
	case o.zoned():
		return sided(c.Says) && o.has(c.Condition) && o.zoneAt(c.Zone) >= 0
	case o.naming():
		return o.takesSides(c) && offers(d, o, c.Option)
	case o.ordered():
		return c.Says == "order" && o.has(c.Condition) && ranksAll(d, o, c.Order)
	case o.levelled():
		return o.takesSides(c) || o.inOrder(c)
	}
	return o.takesNumbers(d, c)
}

func isShare(v float64) bool { return 0 < v && v < 1 }

// takesSides reports whether a claim says more or less of two conditions that there are.
func (o *outcome) takesSides(c *Claim) bool { return sided(c.Says) && o.hasBoth(c) }

// takesNumbers is the same of a value that is a number.
func (o *outcome) takesNumbers(d *design.Document, c *Claim) bool {
	switch {
	case trending(c.Says):
		return o.levels(d)
	case sided(c.Says), c.Says == "same":
		return o.hasBoth(c)
	case c.Says == "order":
		return o.inOrder(c)
	}
	return c.Says == "equals" && c.Stated != nil && o.has(c.Condition)
}

// has reports whether a value is taken in a condition.
func (o *outcome) has(condition string) bool { return slices.Contains(o.conditions, condition) }

// hasBoth reports whether a value is taken in the two conditions of a claim.
func (o *outcome) hasBoth(c *Claim) bool {
	return o.has(c.Condition) && o.has(c.Against) && c.Condition != c.Against
}

// inOrder reports whether a claim orders conditions in all of which a value is taken.
func (o *outcome) inOrder(c *Claim) bool {
	return c.Says == "order" && len(c.Order) > 1 &&
		!slices.ContainsFunc(c.Order, func(id string) bool { return !o.has(id) })
}

// sided reports whether a claim is about which is more.
func sided(says string) bool { return says == "more" || says == "less" || says == "differs" }

// offers reports whether a reading has an option or word of this id.
func offers(d *design.Document, o *outcome, id string) bool {
	return slices.ContainsFunc(d.Choices(o.Reading), func(c design.Choice) bool { return c.ID == id })
}

// ranksAll reports whether an order names every thing that homes put in order,
// once.
func ranksAll(d *design.Document, o *outcome, order []string) bool {
	things := d.Choices(o.Reading)
	for _, c := range things {
		if !slices.Contains(order, c.ID) {
			return false
		}
	}
	return len(order) == len(things)
}

// margin is M on the scale of the test; 0 where none is named.
func (o outcome) margin(c Claim) float64 {
	if c.Matters == nil {
		return 0
	}
	if o.ratio {
		return math.Log(*c.Matters)
	}
	return *c.Matters
}
