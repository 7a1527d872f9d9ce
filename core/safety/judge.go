package safety

import (
	"cmp"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/text"
)

// Hazard is one thing that could hurt, and what follows from it.
type Hazard struct {
	Rule      string
	Case      string // of the rule; "" for its main one
	Verdict   Verdict
	Absolute  bool     // not at home, and nothing changes that
	Steps     []string // ids
	Needs     []string // ids of the needs it comes from
	Materials []string // their ids in the larder
	Action    string
	Why       text.Message // one sentence a guardian understands
	Do        text.Message // control measures
	Gear      []string
	Aid       []string     // first-aid cards
	Clear     string       // how to clear up
	Asks      bool         // something is not said: until it is, this is the worst it could be
	FromHome  bool         // a fact of the home raised it
	Was       Verdict      // before it was lowered; "" if it was not
	Reason    text.Message // of the lowering
	Said      *Said        // the sentence that asks; nil for what is ticked or listed
	Allergens []string     // that it speaks of
	Less      *Less        // what would fit; nil where less of nothing does
}

// Less is a smaller amount of a need, as it is typed.
type Less struct{ Need, Amount string }

// Report is all that the rules say about a design, or about a design in a
// home.
type Report struct {
	Findings []Hazard // in the order of their first step, then of the book
	Lines    []Remark // the order of steps: errors, and what is added
	Clearing Clearing
	Facts    []Fact // of a home that would raise it; none where one is given
	Bands    [4]Verdict
}

// Judge applies the book to a design with a larder, and to a home when one is
// given. It is deterministic, and linear in the steps times the needs.
func Judge(d *design.Document, l *larder.Larder, home *kitchen.People) Report {
	var r Report
	base := newJudge(d, l, home)
	asked := base.questions()
	base.asked = &asked
	for i := range design.AgeBands {
		j := *base // what things are and where they go is the same at every age
		j.band = i
		findings := j.findings()
		r.Bands[i] = Worst(findings)
		if i == bandOf(d.AgeBand) {
			r.Findings, r.Lines, r.Clearing = findings, j.lines(findings), j.clearing(findings)
			if r.Clearing.stricter("sink") { // not all of it may go down the sink
				r.Lines = slices.DeleteFunc(r.Lines, func(l Remark) bool { return l.Rule == "leftover-none" })
			}
			if home == nil {
				r.Facts = j.facts(findings)
			}
		}
	}
	return r
}

// Check is the findings of a design alone, with the larder it brings.
func Check(d *design.Document) []Hazard {
	return newJudge(d, d.Larder(), nil).findings()
}

// judge is one application of the book.
type judge struct {
	d       *design.Document
	l       *larder.Larder
	home    *kitchen.People
	band    int
	uses    map[string][]string               // need id → ids of the steps that use it
	means   map[*design.Need]*larder.Material // nil for a need that means nothing known
	kinds   map[*larder.Material]mask
	names   map[string]likeness
	asked   *[]open // what the texts say that nothing settles; the same at every age
	vessels []vessel
	missing []missing // amounts that something depends on
	out     []Hazard
	at      []int            // place in the book of each finding
	unshut  map[string]bool  // keys of what mixtures say as the design stands, once asked
	trial   *design.Document // the design with one step closed, while that is tried
}

type missing struct {
	step, need string
	heat       bool
}

func newJudge(d *design.Document, l *larder.Larder, home *kitchen.People) *judge {
	j := &judge{
		d:     d,
		l:     l,
		home:  home,
		band:  bandOf(d.AgeBand),
		uses:  map[string][]string{},
		means: map[*design.Need]*larder.Material{},
		kinds: map[*larder.Material]mask{},
		names: map[string]likeness{},
	}
	for _, s := range d.Steps {
		for _, u := range s.Uses {
			if !slices.Contains(j.uses[u], s.ID) {
				j.uses[u] = append(j.uses[u], s.ID)
			}
		}
		if s.In != "" && !slices.Contains(j.uses[s.In], s.ID) {
			j.uses[s.In] = append(j.uses[s.In], s.ID)
		}
	}
	j.vessels = j.fill()
	return j
}

// asIf judges the same needs used by the same steps, one of which does something
// else: what is known of the needs stands.
func (j *judge) asIf(d *design.Document) *judge {
	other := &judge{
		d: d, l: j.l, band: j.band, uses: j.uses, means: j.means, kinds: j.kinds, names: j.names, asked: &[]open{},
	}
	other.vessels = other.fill()
	return other
}

// instead judges a design in which one need is met otherwise: what is known of names, of
// materials and of the other needs stands.
func (j *judge) instead(d *design.Document, need string) *judge {
	other := newJudge(d, j.l, nil)
	other.names, other.kinds = j.names, j.kinds
	for i := range min(len(d.Needs), len(j.d.Needs)) {
		was, is := &j.d.Needs[i], &d.Needs[i]
		if m, known := j.means[was]; known && is.ID == was.ID && is.ID != need {
			other.means[is] = m
		}
	}
	return other
}

func (j *judge) findings() []Hazard {
	for i := range j.d.Needs {
		j.need(&j.d.Needs[i])
	}
	for i := range j.d.Steps {
		j.step(&j.d.Steps[i])
	}
	j.mixtures()
	j.evening()
	j.said()
	j.added()
	if j.home != nil {
		j.atHome()
	}
	j.lower()
	index := map[string]int{}
	for i, s := range j.d.Steps {
		index[s.ID] = i
	}
	order := make([]int, len(j.out))
	for i := range order {
		order[i] = i
	}
	first := func(f Hazard) int {
		if len(f.Steps) == 0 {
			return -1
		}
		return index[f.Steps[0]]
	}
	slices.SortStableFunc(order, func(a, b int) int {
		return cmp.Or(cmp.Compare(first(j.out[a]), first(j.out[b])), cmp.Compare(j.at[a], j.at[b]))
	})
	sorted := make([]Hazard, len(order))
	for i, o := range order {
		sorted[i] = j.out[o]
	}
	return sorted
}

// added are the teacher's own cautions. They stand beside the rules and can
// only raise what those say. A verdict that is none is judged as the gravest.
func (j *judge) added() {
	for _, c := range j.d.Cautions {
		if _, ok := j.d.Step(c.Step); !ok {
			continue // the validation says so
		}
		v := Verdict(c.Verdict)
		if !slices.Contains(Verdicts, v) {
			v = NotAtHome
		}
		j.out = append(j.out, Hazard{Rule: "teacher", Case: c.ID, Verdict: v, Steps: []string{c.Step},
			Why: text.Message{
				ID:   "safety.thing",
				Args: text.Args{"thing": c.Why},
			}, Do: text.Message{ID: "safety.thing", Args: text.Args{"thing": c.Do}}})
		j.at = append(j.at, len(rules))
	}
}

// say adds a finding of a clause. Findings of one rule and case about the same
// thing are one finding with all their steps.
func (j *judge) say(h hit, steps []string, needs []*design.Need, action string, args text.Args) *Hazard {
	if h.Quiet {
		return nil
	}
	if len(steps) == 0 && len(j.d.Steps) > 0 {
		steps = []string{j.d.Steps[0].ID} // used in no step that says so: from the start
	}
	f := Hazard{
		Rule:     h.ID,
		Case:     h.Name,
		Verdict:  h.Verdict.at[j.band],
		Absolute: h.Verdict.absolute,
		Steps:    slices.Clone(steps),
		Action:   action,
		Gear:     h.Gear,
		Aid:      h.Aid,
		Clear:    h.Clear,
	}
	if h.Keeps {
		f.Clear = ""
	}
	for _, n := range needs {
		f.Needs = append(f.Needs, n.ID)
		if n.Material != "" {
			f.Materials = append(f.Materials, n.Material)
		}
	}
	if args == nil {
		args = text.Args{"action": action}
	}
	f.Why, f.Do = words(h.ID, h.Name, "why", args), words(h.ID, h.Name, "do", args)
	for i := range j.out {
		if o := &j.out[i]; o.same(&f, h.Part) {
			o.alsoIn(f.Steps)
			return o
		}
	}
	j.out, j.at = append(j.out, f), append(j.at, h.at)
	return &j.out[len(j.out)-1]
}

// same reports whether two findings of a part of the rules say one thing.
func (f *Hazard) same(o *Hazard, part string) bool {
	return f.Rule == o.Rule && f.Case == o.Case && f.Asks == o.Asks && slices.Equal(f.Needs, o.Needs) &&
		(len(o.Needs) > 0 || f.Action == o.Action || part == "action")
}

// alsoIn adds the steps that a finding does not name yet.
func (f *Hazard) alsoIn(steps []string) {
	for _, s := range steps {
		if !slices.Contains(f.Steps, s) {
			f.Steps = append(f.Steps, s)
		}
	}
}

// words are a rule's text for a case, or its main one.
func words(id, name, what string, args text.Args) text.Message {
	if name != "" && text.Has("safety."+id+"."+name+"."+what) {
		return text.Message{ID: "safety." + id + "." + name + "." + what, Args: args}
	}
	return text.Message{ID: "safety." + id + "." + what, Args: args}
}

// named is a rule's clause by name, with its place in the book.
func named(id, name string) hit {
	return hit{byID[id], clauseOf(id, name), slices.IndexFunc(rules, func(r rule) bool { return r.ID == id })}
}

// Worst is the gravest verdict among findings; Care when there are none.
func Worst(findings []Hazard) Verdict {
	worst := Care
	for _, f := range findings {
		if f.Verdict.Worse(worst) {
			worst = f.Verdict
		}
	}
	return worst
}

// Barred is what keeps a design with this report from homes that work in a way:
// findings of what is not done at home, and steps out of their order. Homes that only
// watch are kept from nothing.
func (r Report) Barred(way design.Way) (findings []Hazard, disorder []Remark) {
	if way == design.WatchShared {
		return nil, nil
	}
	for _, f := range r.Findings {
		if f.Verdict == NotAtHome {
			findings = append(findings, f)
		}
	}
	for _, l := range r.Lines {
		if l.Kind == OrderError {
			disorder = append(disorder, l)
		}
	}
	return findings, disorder
}

// AdultJob is a step at which an adult has to be there or act.
type AdultJob struct {
	Step    string
	Verdict Verdict
	Why     text.Message
	Do      text.Message
}

// AdultJobs lists the steps that need an adult, each once with its gravest
// verdict, in the order of the design.
func AdultJobs(d *design.Document, findings []Hazard) []AdultJob {
	var jobs []AdultJob
	for _, s := range d.Steps {
		job := AdultJob{Step: s.ID, Verdict: Care}
		for _, f := range findings {
			if slices.Contains(f.Steps, s.ID) && f.Verdict.Worse(job.Verdict) && f.Verdict != NotAtHome {
				job.Verdict, job.Why, job.Do = f.Verdict, f.Why, f.Do
			}
		}
		if job.Verdict != Care {
			jobs = append(jobs, job)
		}
	}
	return jobs
}
