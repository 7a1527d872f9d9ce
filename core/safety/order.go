package safety

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// RemarkKind says what a line about the order of steps wants.
type RemarkKind string

// An error stops issuing and has a step to insert or an answer to give; a
// line is added to the family's page by itself, before or after its step; a
// suggestion is for the teacher.
const (
	OrderError RemarkKind = "error"
	Added      RemarkKind = "added"
	Suggestion RemarkKind = "suggestion"
)

// Remark is one thing about the order of steps.
type Remark struct {
	Rule    string
	Kind    RemarkKind
	Step    string // id
	After   bool   // an added line that stands after the step
	Need    string // of an amount that is missing
	Insert  bool   // a step can be put in before Step
	Message text.Message
}

// lines checks the order of steps and lists what is added by itself, in the
// order of the steps.
func (j *judge) lines(findings []Hazard) []Remark {
	if len(j.d.Steps) == 0 {
		return j.refusedLowerings(findings)
	}
	o := &order{judge: j, findings: findings, of: map[string][]Hazard{}}
	for _, f := range findings {
		for _, s := range f.Steps {
			o.of[s] = append(o.of[s], f)
		}
	}
	o.frame()
	o.gear()
	o.labels()
	o.apart()
	o.flame()
	o.dilution()
	o.cooling()
	o.before()
	o.waiting()
	o.blades()
	o.adults()
	o.amounts()
	o.place()
	o.leftover()
	o.out = append(o.out, j.refusedLowerings(findings)...)
	index := map[string]int{}
	for i, s := range j.d.Steps {
		index[s.ID] = i
	}
	slices.SortStableFunc(o.out, func(a, b Remark) int {
		if d := index[a.Step] - index[b.Step]; d != 0 {
			return d
		}
		if a.After != b.After {
			if a.After {
				return 1
			}
			return -1
		}
		return 0
	})
	return o.out
}

type order struct {
	*judge
	findings []Hazard
	of       map[string][]Hazard // by step
	out      []Remark
}

func (o *order) add(rule string, kind RemarkKind, step string, args text.Args) *Remark {
	o.out = append(
		o.out,
		Remark{Rule: rule, Kind: kind, Step: step, Message: text.Message{ID: "safety.order." + rule, Args: args}},
	)
	return &o.out[len(o.out)-1]
}

// firstDoing is the first step at or before i with an action; −1 for none.
func (o *order) lastDoing(action string, upto int) int {
	for i := upto; i >= 0; i-- {
		if slices.Contains(o.d.Steps[i].Actions, action) {
			return i
		}
	}
	return -1
}

func (o *order) last() *design.Step { return &o.d.Steps[len(o.d.Steps)-1] }

func (o *order) frame() {
	if o.lastDoing("clear-table", len(o.d.Steps)-1) < 0 {
		o.add("clear-first", Added, o.d.Steps[0].ID, nil)
	}
	if o.lastDoing("wash-hands", len(o.d.Steps)-1) < 0 {
		o.add("finish", Added, o.last().ID, nil).After = true
	}
}
