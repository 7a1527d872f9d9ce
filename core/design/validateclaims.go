package design

import (
	"fmt"
	"maps"
	"math"
	"slices"

	"patient-kitchen/core/formula"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// claims checks what is said before about how results are compared.
func (v *validator) claims() {
	for i, m := range v.d.Measured {
		path := fmt.Sprintf("/measured/%d", i)
		unit, _ := v.d.unitOf(m.Reading)
		if m.Matters != "" && !v.large(m.Matters, unit, m.Scale == "ratio") {
			v.say(Error, "matters", path+"/matters", text.Args{"typed": m.Matters})
		}
		if m.Stated != "" && !v.large(m.Stated, unit, false) {
			v.say(Error, "stated", path+"/stated", text.Args{"typed": m.Stated})
		}
	}
	for i, c := range v.d.Claims {
		path := fmt.Sprintf("/claims/%d", i)
		v.id("claim", c.ID, path)
		if !v.d.claimed(c) {
			v.say(Error, "claim", path, text.Args{"typed": c.Says})
		}
	}
}

// claimed reports whether a claim names what it needs, and only what is there.
func (d *Document) claimed(c Claim) bool {
	if c.Condition != "" && !d.isLane(c.Condition) || c.Against != "" && !d.isLane(c.Against) {
		return false
	}
	if r, ok := d.Reading(c.Value); ok && !r.Numeric() && !r.Levelled() {
		return d.claimedOf(r, c)
	}
	switch c.Says {
	case "order":
		return len(c.Order) > 1 && !slices.ContainsFunc(c.Order, func(id string) bool { return !d.isLane(id) })
	case "equals":
		return c.Stated != ""
	case "rises", "falls":
		return d.levelled(c)
	case "share":
		return false
	}
	return slices.Contains(Says, c.Says) && c.Condition != "" && !d.first(c)
}

// isLane reports whether something is a condition, a stage or an object.
func (d *Document) isLane(id string) bool { return !empty(d.LaneName(id)) }

// first reports whether a claim is about the first stage, before which nothing comes.
func (d *Document) first(c Claim) bool {
	return len(d.Stages) > 0 && c.Condition == d.Stages[0].ID && c.Against == ""
}

// levelled reports whether a number can rise or fall with what is changed: three of
// the conditions at least say how much of it they have, or how homes measure it.
func (d *Document) levelled(c Claim) bool {
	if r, ok := d.Reading(c.Value); ok && !r.Numeric() {
		return false
	}
	n := 0
	for i := range d.Conditions {
		if _, ok := d.LevelOf(&d.Conditions[i]); ok || d.Conditions[i].LevelFrom != "" {
			n++
		}
	}
	return n >= 3
}

// claimedOf is the same for a reading that is compared by what it names.
func (d *Document) claimedOf(r *Reading, c Claim) bool {
	choice := func(id string) bool {
		return slices.ContainsFunc(d.Choices(r), func(k Choice) bool { return k.ID == id })
	}
	sided := c.Says == "more" || c.Says == "less" || c.Says == "differs"
	switch r.Sort() {
	case ChoiceKind:
		return c.Says == "share" && (choice(c.Option) || c.Option == "right" && r.Right != "")
	case ZonesKind:
		return sided && choice(c.Zone)
	case SeveralKind, WordsKind:
		return sided && choice(c.Option) && c.Condition != ""
	case OrderKind, StageOrderKind:
		return c.Says == "order" && len(c.Order) > 1 &&
			!slices.ContainsFunc(c.Order, func(id string) bool { return !choice(id) })
	}
	return false
}

// large reports whether a text says how large something is, in a unit of the
// kind of another, or as a factor above one.
func (v *validator) large(typed, unit string, factor bool) bool {
	p, ok := quantity.ParseOK(typed)
	u, known := quantity.LookupUnit(unit)
	switch {
	case !ok || p.Value <= 0 && factor:
		return false
	case factor:
		return p.Unit == quantity.One && p.Value > 1
	}
	return !known || p.Unit.Dim == u.Dim
}

func (v *validator) derived() {
	for i, x := range v.d.Derived {
		path := fmt.Sprintf("/derived/%d", i)
		v.id("derived", x.ID, path)
		if empty(x.Name) {
			v.say(Error, "no-name", path+"/name", nil)
		}
		if x.Model != nil {
			if _, err := Try(v.d, x); err != nil {
				v.say(Error, "model", path+"/model", text.Args{"problem": text.Why(err)})
			}
		} else if _, err := TryFormula(v.d, x.Formula, x.Unit); err != nil {
			v.say(Error, "formula", path+"/formula", text.Args{"problem": text.Why(err)})
		} else if e, err := formula.Parse(x.Formula); err == nil {
			if _, without, twice := e.AsShare(x.Unit); twice {
				v.say(Hint, "hundred", path+"/formula", text.Args{"offer": without})
				v.out[len(v.out)-1].Offer = without
			}
		}
	}
}

// draws is how many sets of made-up readings a formula is tried with.
const draws = 16

// TryFormula works a formula out with made-up readings of the right units, so
// that unknown symbols and dimensions that do not fit show while it is being
// written. The readings are irregular, within a reading's limits where it has
// any: what divides by zero or takes the root of a loss for some of them may be
// right for a home's, so only a fault in all of them is one. Its errors are of
// type *formula.Error.
func TryFormula(d *Document, expression, unit string) (quantity.Quantity, error) {
	return Try(d, Derived{Formula: expression, Unit: unit})
}

// Try works a value out with made-up readings, by its formula or model.
func Try(d *Document, x Derived) (quantity.Quantity, error) {
	e, err := d.Working(x)
	if err != nil {
		return quantity.Quantity{}, err
	}
	var first error
	used, over := d.used(e.Symbols()), d.over(x)
	for draw := range draws {
		q, err := e.Eval(madeUp(d, used, over, e.NeedsSeries(), draw), x.Unit)
		if err == nil {
			return q, nil
		}
		if first == nil {
			first = err
		}
	}
	return quantity.Quantity{}, first
}

// irregular are times of readings as somebody makes them: not quite a minute apart.
func irregular(n int) formula.Binding {
	b := formula.Binding{Series: true}
	for k := range n {
		b.Values = append(b.Values, quantity.New(float64(k)*(1+0.03*float64(k%3)), "min"))
	}
	return b
}

// used lists the places of the readings that symbols speak of: of two with one
// symbol the later, and where time is asked for without any, a timed one.
func (d *Document) used(symbols []string) []int {
	last, timed := map[string]int{}, -1
	for i := range d.Readings {
		r := &d.Readings[i]
		if slices.Contains(symbols, r.Symbol) {
			last[r.Symbol] = i
		}
		if len(r.Times) > 0 {
			timed = i
		}
	}
	out := slices.Sorted(maps.Values(last))
	if len(out) == 0 && timed >= 0 {
		out = append(out, timed)
	}
	return out
}

// span is from where to where a reading's values may go, in a unit; 1 to 20 where the
// design does not say.
func (r *Reading) span(u quantity.Unit) (low, high float64) {
	low, high = 1, 20
	if p, ok := quantity.ParseOK(r.Low); ok {
		if in, err := p.In(u); err == nil {
			low = in.Value
		}
	}
	if p, ok := quantity.ParseOK(r.High); ok {
		if in, err := p.In(u); err == nil && in.Value > low {
			high = in.Value
		}
	} else if high <= low {
		high = low + 20
	}
	return low, high
}

// valuesOf is how many values of a reading come to a formula: over what is changed one of
// each lane, else all times, every second draw all trials, and in a series all objects.
func (d *Document) valuesOf(r *Reading, over, series bool, draw int) int {
	if over {
		return max(1, len(d.lanesOf(r)))
	}
	n := max(1, len(r.Times))
	if draw%2 == 1 {
		n *= d.TrialsOf(r)
	}
	if series && r.PerObject() {
		n *= max(1, len(d.ObjectIDs()))
	}
	if series && r.PerCondition() && r.PerStage() {
		n *= max(1, len(d.Stages))
	}
	return n
}

// madeUp binds the symbols of the readings at these places to irregular values: all
// trials and times of one condition, or of one trial where the formula works trial by
// trial; of all objects where it asks for a series, and else of one.
func madeUp(d *Document, used []int, over, series bool, draw int) formula.Env {
	env := d.Fixed()
	golden := 0.5 * (math.Sqrt(5) - 1)
	for _, i := range used {
		r := &d.Readings[i]
		u, ok := quantity.LookupUnit(r.Unit)
		if !ok {
			continue
		}
		low, high := r.span(u)
		n := d.valuesOf(r, over, series, draw)
		b := formula.Binding{Series: n > 1}
		clock := formula.Binding{Series: true}
		for k := range n {
			_, part := math.Modf(golden * float64(1+k*7+i*13+draw*29))
			b.Values = append(
				b.Values,
				quantity.Quantity{Value: low + (high-low)*(0.1+0.8*part), Unit: u, U: (high - low) / 100},
			)
			if len(r.Times) > 0 {
				s, _ := Seconds(r.Times[k%len(r.Times)])
				b.Times = append(b.Times, s)
				clock.Values = append(clock.Values, quantity.New(s, "s"))
			}
		}
		env[r.Symbol] = b
		if len(clock.Values) > 0 {
			env["time"] = clock
		}
		if _, has := env["elapsed"]; !has || n > 1 {
			env["elapsed"] = irregular(n)
		}
	}
	return env
}
