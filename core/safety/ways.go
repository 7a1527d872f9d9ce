package safety

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Way is one way to mend a finding or a line; [Apply] carries it out.
type Way struct {
	ID    string
	Label text.Message
	After Verdict // the gravest verdict of the finding's steps then
}

// maxSwaps is how many other materials are offered for one finding.
const maxSwaps = 3

// Ways lists what can be done about a finding, the nearest to the design
// first: leave the vessel open, use less, use something else; and for what
// cannot go home, show it and let homes watch. A way is offered only when the
// finding is gone or milder with it and nothing as grave comes in its place.
func Ways(d *design.Document, l *larder.Larder, f Finding) []Way {
	if f.Said != nil {
		return saidWays(d, l, f)
	}
	var ways []Way
	known := map[string]bool{}
	base := newJudge(d, l, nil)
	before := base.findings()
	lines := base.lines(before)
	for _, g := range before {
		known[g.key()] = true
	}
	try := func(id string, label text.Message) {
		after, err := apply(d, l, id)
		if err != nil {
			return
		}
		after = withSteps(after, l, lines)
		v := Care
		j := newJudge(after, l, nil)
		found := j.findings()
		if fresh(j.lines(found), lines) {
			return // it mends one thing and breaks the order of another
		}
		for _, g := range found {
			if g.Verdict == NotAtHome && !known[g.key()] {
				return
			}
			if !slices.ContainsFunc(g.Steps, func(s string) bool { return slices.Contains(f.Steps, s) }) {
				continue
			}
			if !f.Verdict.Worse(g.Verdict) && (g.key() == f.key() || !known[g.key()]) {
				return // as grave as before, or grave in another way
			}
			if g.Verdict.Worse(v) {
				v = g.Verdict
			}
		}
		ways = append(ways, Way{id, label, v})
	}
	switch {
	case f.Rule == "gas-rigid-closed", f.Case == "closed":
		for _, s := range f.Steps {
			if i, ok := d.Step(s); ok && d.Steps[i].Closed && !keepsGas(d, l) {
				try("open:"+s, text.Message{ID: "safety.way.open"})
				break
			}
		}
	case f.Rule == "gas-flexible" && f.Case == "over":
		if l := f.Less; l != nil {
			try("less:"+l.Need+":"+l.Amount, text.Message{ID: "safety.way.less", Args: text.Args{"amount": l.Amount}})
		}
	}
	if f.Case == "much" && len(f.Needs) > 0 {
		most := fmt.Sprintf("%g mL", clauseOf(f.Rule, "much").OverML)
		try("less:"+f.Needs[0]+":"+most, text.Message{ID: "safety.way.less", Args: text.Args{"amount": most}})
	}
	swaps := len(ways)
	for _, id := range f.Needs {
		n, ok := d.Need(id)
		if !ok || n.Role == "" || n.Material == "" {
			continue
		}
		all, err := l.Candidates(larderNeed(d, l, n))
		if err != nil {
			continue
		}
		var named []string
		named = l.Offers[f.Rule]
		slices.SortStableFunc(all, func(a, b larder.Candidate) int { return preferred(named, a) - preferred(named, b) })
		for _, c := range base.serving(n, all) {
			if len(ways)-swaps >= maxSwaps {
				break
			}
			label := text.Message{ID: "safety.way.swap", Args: text.Args{"material": c.Material.Name}}
			if c.Amount.Value > 0 {
				label = text.Message{
					ID:   "safety.way.swap-amount",
					Args: text.Args{"material": c.Material.Name, "amount": c.Amount.Bare()},
				}
			}
			try(SwapWay(n.ID, c), label)
		}
	}
	if f.Verdict == NotAtHome {
		ways = append(ways, Way{"watch", text.Message{ID: "safety.way.watch"}, NotAtHome})
	}
	return ways
}

// fresh reports whether an error in the order of steps stands in lines that
// stood in none before.
func fresh(lines, before []Line) bool {
	return slices.ContainsFunc(lines, func(l Line) bool {
		return l.Kind == OrderError &&
			!slices.ContainsFunc(
				before,
				func(b Line) bool { return b.Kind == OrderError && b.Rule == l.Rule && b.Need == l.Need },
			)
	})
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

// saidWays are the answers that change the design: it is done, and ticked or
// put on the list; or only the teacher shows it. That a sentence means
// something else is an answer of its own.
func saidWays(d *design.Document, l *larder.Larder, f Finding) []Way {
	var ways []Way
	for _, lead := range f.Said.leads {
		if len(ways) == maxSwaps || len(f.Steps) == 0 || !strings.HasPrefix(f.Said.Path, "/steps/") {
			break
		}
		if id, ok := strings.CutPrefix(lead, "+"); ok {
			if m, known := l.Material(id); known {
				ways = append(
					ways,
					Way{
						"list:" + f.Steps[0] + ":" + id,
						text.Message{ID: "safety.way.list", Args: text.Args{"material": m.Name}},
						f.Verdict,
					},
				)
			}
			continue
		}
		if h, ok := byAction[lead]; ok {
			ways = append(
				ways,
				Way{
					"say:" + f.Steps[0] + ":" + lead,
					text.Message{ID: "safety.way.say", Args: text.Args{"action": ActionName(lead)}},
					h.Verdict.at[bandOf(d.AgeBand)],
				},
			)
		}
	}
	if f.Verdict == NotAtHome {
		ways = append(ways, Way{"watch", text.Message{ID: "safety.way.watch"}, NotAtHome})
	}
	return ways
}

// preferred is 0 for a material that the rule itself names, 1 for others.
func preferred(named []string, c larder.Candidate) int {
	if slices.Contains(named, c.Material.ID) {
		return 0
	}
	return 1
}

// LineWays lists what can be done about a line: put a step in where it mends
// the order and breaks no other, or do the work outdoors.
func LineWays(d *design.Document, l *larder.Larder, line Line) []Way {
	switch {
	case line.Insert:
		id := "insert:" + line.Rule + ":" + line.Step
		if _, err := Apply(d, l, id); err != nil {
			return nil
		}
		return []Way{
			{
				ID: id,
				Label: text.Message{
					ID:   "safety.way.insert",
					Args: text.Args{"title": text.Message{ID: "safety.step." + line.Rule + ".title"}},
				},
			},
		}
	case line.Rule == "place":
		return []Way{{ID: "outdoors", Label: text.Message{ID: "safety.way.outdoors"}}}
	}
	return nil
}

// key tells one finding of a design from another.
func (f Finding) key() string {
	key := f.Rule + "|" + f.Case + "|" + strings.Join(f.Needs, ",") + "|" + f.Action
	if f.Said != nil {
		key += "|" + f.Said.Key
	}
	return key
}

// larderNeed is a design's need as the larder asks for it.
func larderNeed(d *design.Document, l *larder.Larder, n *design.Need) larder.Need {
	need := larder.Need{
		Role:      n.Role,
		Stuff:     larder.Stuff{Material: n.Material, Form: n.Form},
		Tolerance: string(n.Tolerance),
		Barred:    n.Barred,
		Qualities: n.Asked(l),
	}
	if n.Strength != nil {
		need.Percent = n.Strength.Value
		if n.Strength.Basis == "volumes" {
			need.Percent = n.Strength.Value / 3.3
		}
	}
	if p, err := quantity.Parse(n.Amount); err == nil {
		need.Amount = p.Quantity
	}
	for _, m := range d.Measured {
		if m.Result == "" {
			need.Results = nil // one that is not named compares by what holds for any
			break
		}
		need.Results = append(need.Results, m.Result)
	}
	return need
}

// isChanged reports whether a need is what the experiment changes: that is
// never swapped, or the question would be another.
func isChanged(d *design.Document, l *larder.Larder, n *design.Need) bool {
	for _, lang := range text.Languages {
		for _, words := range append([]text.Localized{d.Changed.Name}, conditionNames(d)...) {
			if words[lang] != "" &&
				slices.ContainsFunc(
					l.Meant(words[lang], lang),
					func(m *larder.Material) bool { return m.ID == n.Material },
				) {
				return true
			}
		}
	}
	return false
}

func conditionNames(d *design.Document) []text.Localized {
	var out []text.Localized
	for _, c := range d.Conditions {
		out = append(out, c.Name)
	}
	return out
}

// Substitutes lists what may stand in for a need of a design, with the
// verdict its steps would have with each. What the rules keep from homes is
// left out; that some step would be graver than in the design is said.
func Substitutes(d *design.Document, l *larder.Larder, n *design.Need) ([]Substitute, error) {
	if n.Role == "" || n.Material == "" || isChanged(d, l, n) {
		return nil, nil
	}
	all, err := l.Candidates(larderNeed(d, l, n))
	if err != nil {
		return nil, err
	}
	base := newJudge(d, l, nil)
	found := base.findings()
	own := byStep(found)
	var out []Substitute
	for _, c := range base.serving(n, all) {
		after := newJudge(Swapped(d, l, n.ID, c), l, nil).findings()
		with := byStep(after)
		sub := Substitute{Candidate: c, Verdict: Care, Cautions: NewCautions(found, after, n.ID)}
		barred := false
		for step, v := range with {
			if v.Worse(own[step]) {
				sub.Graver = true
				barred = barred || v == NotAtHome
			}
			if i, ok := d.Step(step); ok && (slices.Contains(d.Steps[i].Uses, n.ID) || d.Steps[i].In == n.ID) &&
				v.Worse(sub.Verdict) {
				sub.Verdict = v
			}
		}
		if !barred {
			out = append(out, sub)
		}
	}
	return out, nil
}

// byStep is the gravest verdict of each step.
func byStep(findings []Finding) map[string]Verdict {
	out := map[string]Verdict{}
	for _, f := range findings {
		for _, s := range f.Steps {
			if v, ok := out[s]; !ok || f.Verdict.Worse(v) {
				out[s] = f.Verdict
			}
		}
	}
	return out
}

// Substitute is a candidate with the verdict of the design with it.
type Substitute struct {
	larder.Candidate
	Verdict Verdict // the gravest of the steps that use it
	Graver  bool    // some step is graver than in the design: it has to be said

	Cautions []text.Message // of its own, that the design's choice has not
}

// NewCautions are what a swap asks for that the design did not: what it holds
// that somebody may avoid, and what to do about what it can hurt.
func NewCautions(before, after []Finding, need string) []text.Message {
	var out []text.Message
	for _, f := range after {
		known := func(g Finding) bool {
			return g.Rule == f.Rule && g.Case == f.Case &&
				(f.Rule != "allergen" || slices.Contains(g.Needs, need) && text.Render(g.Why, "en") == text.Render(f.Why, "en"))
		}
		if f.Said != nil || !slices.Contains(f.Needs, need) || slices.ContainsFunc(before, known) {
			continue
		}
		m := f.Do
		if f.Rule == "allergen" {
			m = f.Why
		}
		if !slices.ContainsFunc(
			out,
			func(o text.Message) bool { return text.Render(o, "en") == text.Render(m, "en") },
		) {
			out = append(out, m)
		}
	}
	return out
}

// SwapWay is the id of the way out that takes a candidate for a need.
func SwapWay(need string, c larder.Candidate) string {
	return fmt.Sprintf("swap:%s:%s:%s:%g", need, c.Material.ID, c.Form, c.Percent)
}

// Apply carries a way out on a copy of the design, with the steps that it asks
// for: what may go home now may need goggles there. It fails, naming the way,
// when it does not fit the design.
func Apply(d *design.Document, l *larder.Larder, way string) (*design.Document, error) {
	out, err := apply(d, l, way)
	switch kind, _, _ := strings.Cut(way, ":"); {
	case err != nil:
		return nil, err
	case kind == "open" || kind == "less" || kind == "swap":
		return withSteps(out, l, linesOf(d, l)), nil
	}
	return out, nil
}

// withSteps puts in the steps that the order asks for and did not before.
func withSteps(d *design.Document, l *larder.Larder, before []Line) *design.Document {
	for range inserted { // each at most once
		lines := linesOf(d, l)
		i := slices.IndexFunc(lines, func(line Line) bool { return line.Insert && fresh([]Line{line}, before) })
		if i < 0 {
			break
		}
		more, ok := insert(d, l, lines[i].Rule, lines[i].Step)
		if !ok {
			break
		}
		d = more
	}
	return d
}

// change carries a way out in a copy of a design; false where it does not fit any
// more.
type change struct {
	parts int // of the way's id behind its kind
	do    func(d *design.Document, l *larder.Larder, parts []string) (*design.Document, bool)
}

// changes are the kinds of ways out, by how their ids begin.
var changes = map[string]change{
	"watch": {0, func(d *design.Document, _ *larder.Larder, _ []string) (*design.Document, bool) {
		d.Way = design.WatchShared
		return d, true
	}},
	"outdoors": {0, func(d *design.Document, _ *larder.Larder, _ []string) (*design.Document, bool) {
		d.Outdoors = true
		return d, true
	}},
	"open": {1, unclose},
	"say":  {2, tick},
	"list": {2, list},
	"less": {2, reduce},
	"swap": {4, swap},
	"insert": {2, func(d *design.Document, l *larder.Larder, parts []string) (*design.Document, bool) {
		return insert(d, l, parts[0], parts[1])
	}},
}

func apply(d *design.Document, l *larder.Larder, way string) (*design.Document, error) {
	out := *d
	out.Needs, out.Steps = slices.Clone(d.Needs), slices.Clone(d.Steps)
	parts := strings.Split(way, ":")
	if c, ok := changes[parts[0]]; ok && len(parts) == 1+c.parts {
		if changed, ok := c.do(&out, l, parts[1:]); ok {
			return changed, nil
		}
	}
	return nil, fmt.Errorf("the way %q does not fit this design any more; look again", way)
}

// unclose opens the vessel of a step: step.
func unclose(d *design.Document, _ *larder.Larder, parts []string) (*design.Document, bool) {
	i, ok := d.Step(parts[0])
	if !ok || !d.Steps[i].Closed {
		return nil, false
	}
	d.Steps[i].Closed = false
	d.Steps[i].Actions = slices.DeleteFunc(slices.Clone(d.Steps[i].Actions), func(a string) bool { return a == "seal" })
	return d, true
}

// tick adds an action to a step that says it: step, action.
func tick(d *design.Document, _ *larder.Larder, parts []string) (*design.Document, bool) {
	i, ok := d.Step(parts[0])
	if _, known := byAction[parts[1]]; !ok || !known {
		return nil, false
	}
	d.Steps[i].Actions = append(slices.Clone(d.Steps[i].Actions), parts[1])
	return d, true
}

// list adds a thing that a step speaks of: step, material.
func list(d *design.Document, l *larder.Larder, parts []string) (*design.Document, bool) {
	i, ok := d.Step(parts[0])
	m, known := l.Material(parts[1])
	if !ok || !known {
		return nil, false
	}
	n := design.Need{ID: freshNeed(d, m.ID), Name: m.Name, Kind: design.MaterialNeed, Material: m.ID}
	if len(m.Roles) > 0 {
		n.Role = m.Roles[0]
	}
	d.Needs = append(d.Needs, n)
	d.Steps[i].Uses = append(slices.Clone(d.Steps[i].Uses), n.ID)
	return d, true
}

// reduce sets the amount of a need: need, amount.
func reduce(d *design.Document, _ *larder.Larder, parts []string) (*design.Document, bool) {
	n, ok := d.Need(parts[0])
	if _, err := quantity.Parse(parts[1]); !ok || err != nil {
		return nil, false
	}
	n.Amount = parts[1]
	return d, true
}

// swap puts something else in a need's place: need, material, form, percent.
func swap(d *design.Document, l *larder.Larder, parts []string) (*design.Document, bool) {
	n, ok := d.Need(parts[0])
	if !ok || n.Role == "" {
		return nil, false
	}
	percent, err := strconv.ParseFloat(parts[3], 64)
	all, err2 := l.Candidates(larderNeed(d, l, n))
	if err != nil || err2 != nil {
		return nil, false
	}
	i := slices.IndexFunc(all, func(c larder.Candidate) bool {
		return c.Material.ID == parts[1] && c.Form == parts[2] && c.Percent == percent
	})
	if i < 0 || all[i].Class == larder.Unsuitable {
		return nil, false
	}
	swapped := Swapped(d, l, n.ID, all[i])
	renamed, _ := swapped.Need(n.ID)
	renamed.Name = all[i].Material.Name
	return swapped, true
}

// inserted is what a step that a rule asks for does.
var inserted = map[string]struct {
	kind   design.StepKind
	action string
}{
	"gear-first":         {"prepare", "gear-on"},
	"label-first":        {"prepare", "label"},
	"apart-until-closed": {"prepare", "keep-apart"},
	"acid-to-water":      {"do", "water-first"},
	"cool-first":         {"do", "cool"},
	"leftover":           {"clear-up", "clear-leftover"},
	"flame-last":         {"do", "put-out"},
	"flame-out":          {"do", "put-out"},
}

// insert puts in the step that a rule asks for at a step; false where there is no
// place for it.
func insert(d *design.Document, l *larder.Larder, rule, step string) (*design.Document, bool) {
	what, ok := inserted[rule]
	at, found := d.Step(step)
	if !ok || !found {
		return nil, false
	}
	lines := linesOf(d, l)
	i := slices.IndexFunc(lines, func(line Line) bool { return line.Rule == rule && line.Step == step && line.Insert })
	if i < 0 {
		return nil, false
	}
	s := design.Step{
		ID:       freshID(d, rule),
		Kind:     what.kind,
		Title:    text.Localized{},
		Text:     text.Localized{},
		Duration: "2 min",
		Actions:  []string{what.action},
	}
	message := lines[i].Message
	if text.Has("safety.step." + rule + ".text") {
		message = text.Message{ID: "safety.step." + rule + ".text"}
	}
	for _, lang := range d.Languages {
		s.Title[lang] = text.Render(text.Message{ID: "safety.step." + rule + ".title"}, lang)
		s.Text[lang] = text.Render(message, lang)
	}
	if lines[i].After {
		at++
	}
	// Where it would come behind a lit flame or into a wait it stands earlier.
	for ; at >= 0; at-- {
		out := *d
		out.Steps = slices.Insert(slices.Clone(d.Steps), at, s)
		after := linesOf(&out, l)
		mended := !slices.ContainsFunc(
			after,
			func(line Line) bool { return line.Rule == rule && line.Step == step && line.Kind == OrderError },
		)
		if mended && !fresh(after, lines) {
			return &out, true
		}
	}
	return nil, false
}

func linesOf(d *design.Document, l *larder.Larder) []Line {
	j := newJudge(d, l, nil)
	return j.lines(j.findings())
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
