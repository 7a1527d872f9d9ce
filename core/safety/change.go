package safety

import (
	"fmt"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
)

// ChangeKind is what a change does to a design.
type ChangeKind string

// The changes, with the fields of [Change] that each needs.
const (
	Watch    ChangeKind = "watch"    // homes only watch
	Outdoors ChangeKind = "outdoors" // the work is done outdoors
	Open     ChangeKind = "open"     // the vessel of Step stays open
	Tick     ChangeKind = "tick"     // Step is ticked to do Action
	List     ChangeKind = "list"     // Step needs Material
	Reduce   ChangeKind = "less"     // of Need only Amount is taken
	Swap     ChangeKind = "swap"     // Material, in Form and at Percent, stands in for Need
	Insert   ChangeKind = "insert"   // the step that Rule asks for is put in at Step
)

// Change is a change of a design that mends something. Which fields are set depends on
// its kind; it is a value, equal to another that does the same.
type Change struct {
	Kind     ChangeKind `json:"kind"               enum:"watch,outdoors,open,tick,list,less,swap,insert"`
	Step     string     `json:"step,omitempty"`
	Need     string     `json:"need,omitempty"`
	Action   string     `json:"action,omitempty"`
	Material string     `json:"material,omitempty"`
	Form     string     `json:"form,omitempty"     doc:"The material's form, as the larder names it"`
	Percent  float64    `json:"percent,omitempty"  doc:"The material's strength"`
	Amount   string     `json:"amount,omitempty"   doc:"As in the document, with its unit"`
	Rule     string     `json:"rule,omitempty"     doc:"The rule that asks for the step"`
}

// SwapFor is the change that takes a candidate for a need.
func SwapFor(need string, c larder.Candidate) Change {
	return Change{Kind: Swap, Need: need, Material: c.Material.ID, Form: c.Form, Percent: c.Percent}
}

// ChangeError says that a change does not fit a design, as when the design was changed
// since it was offered.
type ChangeError struct{ Change Change }

func (e *ChangeError) Error() string {
	return fmt.Sprintf("the change %q does not fit this design any more; look again", e.Change.Kind)
}

// Apply carries a change out on a copy of the design, with the steps that it asks
// for: what may go home now may need goggles there. It fails with a [ChangeError]
// when the change does not fit the design.
func Apply(d *design.Document, l *larder.Larder, c Change) (*design.Document, error) {
	out, err := apply(d, l, c)
	switch {
	case err != nil:
		return nil, err
	case c.Kind == Open || c.Kind == Reduce || c.Kind == Swap:
		return withSteps(out, l, linesOf(d, l)), nil
	}
	return out, nil
}

// apply carries a change out alone.
func apply(d *design.Document, l *larder.Larder, c Change) (*design.Document, error) {
	copied := *d
	copied.Needs, copied.Steps = slices.Clone(d.Needs), slices.Clone(d.Steps)
	out, ok := &copied, false
	switch c.Kind {
	case Watch:
		out.Way, ok = design.WatchShared, true
	case Outdoors:
		out.Outdoors, ok = true, true
	case Open:
		ok = unclose(out, c)
	case Tick:
		ok = tick(out, c)
	case List:
		ok = list(out, l, c)
	case Reduce:
		ok = reduce(out, c)
	case Swap:
		out, ok = swap(out, l, c)
	case Insert:
		out, ok = insert(out, l, c.Rule, c.Step)
	}
	if !ok {
		return nil, &ChangeError{c}
	}
	return out, nil
}

// unclose opens the vessel of a step.
func unclose(d *design.Document, c Change) bool {
	i, ok := d.Step(c.Step)
	if !ok || !d.Steps[i].Closed {
		return false
	}
	d.Steps[i].Closed = false
	d.Steps[i].Actions = slices.DeleteFunc(slices.Clone(d.Steps[i].Actions), func(a string) bool { return a == "seal" })
	return true
}

// tick adds an action to a step that says it.
func tick(d *design.Document, c Change) bool {
	i, ok := d.Step(c.Step)
	if _, known := byAction[c.Action]; !ok || !known {
		return false
	}
	d.Steps[i].Actions = append(slices.Clone(d.Steps[i].Actions), c.Action)
	return true
}

// list adds a thing that a step speaks of.
func list(d *design.Document, l *larder.Larder, c Change) bool {
	i, ok := d.Step(c.Step)
	m, known := l.Material(c.Material)
	if !ok || !known {
		return false
	}
	n := design.Need{ID: freshNeed(d, m.ID), Name: m.Name, Kind: design.MaterialNeed, Material: m.ID}
	if len(m.Roles) > 0 {
		n.Role = m.Roles[0]
	}
	d.Needs = append(d.Needs, n)
	d.Steps[i].Uses = append(slices.Clone(d.Steps[i].Uses), n.ID)
	return true
}

// reduce sets the amount of a need.
func reduce(d *design.Document, c Change) bool {
	n, ok := d.Need(c.Need)
	if _, err := quantity.Parse(c.Amount); !ok || err != nil {
		return false
	}
	n.Amount = c.Amount
	return true
}

// swap puts something else in a need's place.
func swap(d *design.Document, l *larder.Larder, c Change) (*design.Document, bool) {
	n, ok := d.Need(c.Need)
	if !ok || n.Role == "" {
		return nil, false
	}
	all, err := l.Candidates(larderNeed(d, l, n))
	if err != nil {
		return nil, false
	}
	i := slices.IndexFunc(all, func(x larder.Candidate) bool { return SwapFor(n.ID, x) == c })
	if i < 0 || all[i].Class == larder.Unsuitable {
		return nil, false
	}
	swapped := Swapped(d, l, n.ID, all[i])
	renamed, _ := swapped.Need(n.ID)
	renamed.Name = all[i].Material.Name
	return swapped, true
}

func freshNeed(d *design.Document, id string) string {
	fresh := id
	for n := 2; ; n++ {
		if _, taken := d.Need(fresh); !taken {
			return fresh
		}
		fresh = fmt.Sprintf("%s-%d", id, n)
	}
}

func freshID(d *design.Document, id string) string {
	if _, taken := d.Step(id); !taken {
		return id
	}
	for n := 2; ; n++ {
		if _, taken := d.Step(fmt.Sprintf("%s-%d", id, n)); !taken {
			return fmt.Sprintf("%s-%d", id, n)
		}
	}
}
