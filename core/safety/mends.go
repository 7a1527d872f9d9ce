package safety

import (
	"fmt"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Mend is one way to mend a finding or an order of steps; [Apply] carries its change out.
type Mend struct {
	Change Change
	Label  text.Message
	After  Verdict // the gravest verdict of the finding's steps then
}

// maxSwaps is how many other materials are offered for one finding.
const maxSwaps = 3

// Mends lists what can be done about a finding, the nearest to the design
// first: leave the vessel open, use less, use something else; and for what
// cannot go home, show it and let homes watch. A mend is offered only when the
// finding is gone or milder with it and nothing as grave comes in its place.
func Mends(d *design.Document, l *larder.Larder, f Hazard) []Mend {
	if f.Said != nil {
		return saidMends(d, l, f)
	}
	var mends []Mend
	known := map[string]bool{}
	base := newJudge(d, l, nil)
	before := base.findings()
	lines := base.lines(before)
	for _, g := range before {
		known[g.key()] = true
	}
	try := func(c Change, label text.Message) {
		after, err := apply(d, l, c)
		if err != nil {
			return
		}
		if v, better := milder(withSteps(after, l, lines), l, f, known, lines); better {
			mends = append(mends, Mend{c, label, v})
		}
	}
	if step := openable(d, l, f); step != "" {
		try(Change{Kind: Open, Step: step}, text.Message{ID: "safety.way.open"})
	}
	if need, amount := lessOf(f); need != "" {
		try(Change{Kind: Reduce, Need: need, Amount: amount}, text.M("safety.way.less", "amount", amount))
	}
	trySwaps(base, f, &mends, try)
	if f.Verdict == NotAtHome {
		mends = append(mends, Mend{Change{Kind: Watch}, text.M("safety.way.watch"), NotAtHome})
	}
	return mends
}

// openable is the step of a finding whose vessel could stay open; "" where none could.
func openable(d *design.Document, l *larder.Larder, f Hazard) string {
	if f.Rule != "gas-rigid-closed" && f.Case != "closed" || keepsGas(d, l) {
		return ""
	}
	for _, s := range f.Steps {
		if i, ok := d.Step(s); ok && d.Steps[i].Closed {
			return s
		}
	}
	return ""
}

// lessOf is the need of which there could be less, and how much; "" where less mends nothing.
func lessOf(f Hazard) (need, amount string) {
	switch {
	case f.Case == "much" && len(f.Needs) > 0:
		return f.Needs[0], fmt.Sprintf("%g mL", clauseOf(f.Rule, "much").OverML)
	case f.Rule == "gas-flexible" && f.Case == "over" && f.Less != nil:
		return f.Less.Need, f.Less.Amount
	}
	return "", ""
}

// milder reports whether a finding is gone or milder in a changed design, and nothing as
// grave came in its place; and the gravest verdict of its steps then.
func milder(after *design.Document, l *larder.Larder, f Hazard, known map[string]bool, lines []Remark) (Verdict, bool) {
	v := Care
	j := newJudge(after, l, nil)
	found := j.findings()
	if fresh(j.lines(found), lines) {
		return v, false // it mends one thing and breaks the order of another
	}
	for _, g := range found {
		if g.Verdict == NotAtHome && !known[g.key()] {
			return v, false
		}
		if !slices.ContainsFunc(g.Steps, func(s string) bool { return slices.Contains(f.Steps, s) }) {
			continue
		}
		if !f.Verdict.Worse(g.Verdict) && (g.key() == f.key() || !known[g.key()]) {
			return v, false // as grave as before, or grave in another way
		}
		if g.Verdict.Worse(v) {
			v = g.Verdict
		}
	}
	return v, true
}

// trySwaps tries what may stand in for the things of a finding, those first that the
// rule itself names.
func trySwaps(base *judge, f Hazard, mends *[]Mend, try func(Change, text.Message)) {
	d, l := base.d, base.l
	swaps := len(*mends)
	for _, id := range f.Needs {
		n, ok := d.Need(id)
		if !ok || n.Role == "" || n.Material == "" {
			continue
		}
		all, err := l.Candidates(larderNeed(d, l, n))
		if err != nil {
			continue
		}
		named := l.Offers[f.Rule]
		slices.SortStableFunc(all, func(a, b larder.Candidate) int { return preferred(named, a) - preferred(named, b) })
		for _, c := range base.serving(n, all) {
			if len(*mends)-swaps >= maxSwaps {
				break
			}
			label := text.Message{ID: "safety.way.swap", Args: text.Args{"material": c.Material.Name}}
			if c.Amount.Value > 0 {
				label = text.Message{
					ID:   "safety.way.swap-amount",
					Args: text.Args{"material": c.Material.Name, "amount": c.Amount.Bare()},
				}
			}
			try(SwapFor(n.ID, c), label)
		}
	}
}

// keepsGas reports whether what is measured would be lost if the gas got out.
// A measured mass or volume that does not say what it is of may be such.
func keepsGas(d *design.Document, l *larder.Larder) bool {
	for _, m := range d.Measured {
		if m.Result == "" {
			if u, ok := quantity.LookupUnit(unitOf(d, m.Reading)); ok &&
				(u.Dim == gram.Dim || u.Dim == millilitre.Dim) {
				return true
			}
		} else if k, ok := l.Result(m.Result); ok && k.KeepsGas {
			return true
		}
	}
	return false
}

var (
	gram, _       = quantity.LookupUnit("g")
	millilitre, _ = quantity.LookupUnit("mL")
)

// unitOf is the unit of a reading or a derived value; "" for neither.
func unitOf(d *design.Document, id string) string {
	if r, ok := d.Reading(id); ok {
		return r.Unit
	}
	for _, x := range d.Derived {
		if x.ID == id {
			return x.Unit
		}
	}
	return ""
}

// saidMends are the answers that change the design: it is done, and ticked or
// put on the list; or only the teacher shows it. That a sentence means
// something else is an answer of its own.
func saidMends(d *design.Document, l *larder.Larder, f Hazard) []Mend {
	var mends []Mend
	for _, lead := range f.Said.leads {
		if len(mends) == maxSwaps || len(f.Steps) == 0 || !strings.HasPrefix(f.Said.Path, "/steps/") {
			break
		}
		if id, ok := strings.CutPrefix(lead, "+"); ok {
			if m, known := l.Material(id); known {
				mends = append(
					mends,
					Mend{
						Change{Kind: List, Step: f.Steps[0], Material: id},
						text.Message{ID: "safety.way.list", Args: text.Args{"material": m.Name}},
						f.Verdict,
					},
				)
			}
			continue
		}
		if h, ok := byAction[lead]; ok {
			mends = append(
				mends,
				Mend{
					Change{Kind: Tick, Step: f.Steps[0], Action: lead},
					text.Message{ID: "safety.way.say", Args: text.Args{"action": ActionName(lead)}},
					h.Verdict.at[bandOf(d.AgeBand)],
				},
			)
		}
	}
	if f.Verdict == NotAtHome {
		mends = append(mends, Mend{Change{Kind: Watch}, text.M("safety.way.watch"), NotAtHome})
	}
	return mends
}

// preferred is 0 for a material that the rule itself names, 1 for others.
func preferred(named []string, c larder.Candidate) int {
	if slices.Contains(named, c.Material.ID) {
		return 0
	}
	return 1
}

// LineMends lists what can be done about a line: put a step in where it mends
// the order and breaks no other, or do the work outdoors.
func LineMends(d *design.Document, l *larder.Larder, line Remark) []Mend {
	switch {
	case line.Insert:
		c := Change{Kind: Insert, Rule: line.Rule, Step: line.Step}
		if _, err := Apply(d, l, c); err != nil {
			return nil
		}
		title := text.M("safety.step." + line.Rule + ".title")
		return []Mend{{Change: c, Label: text.M("safety.way.insert", "title", title)}}
	case line.Rule == "place":
		return []Mend{{Change: Change{Kind: Outdoors}, Label: text.M("safety.way.outdoors")}}
	}
	return nil
}

// key tells one finding of a design from another.
func (f Hazard) key() string {
	key := f.Rule + "|" + f.Case + "|" + strings.Join(f.Needs, ",") + "|" + f.Action
	if f.Said != nil {
		key += "|" + f.Said.Key
	}
	return key
}
