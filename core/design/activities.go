package design

import (
	"fmt"
	"slices"

	"patient-kitchen/core/text"
)

// Activity is a short piece of work among several in one session. They are done in any
// order, each with its own permission, its own needs and its own end.
type Activity struct {
	ID    string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Title text.Localized `json:"title"`
	Steps []string       `json:"steps" doc:"Ids of its steps, which follow one another"`
}

// How many activities a session has at least and at most.
const (
	MinActivities = 2
	MaxActivities = 6
)

// ActivityOf is the activity that a step belongs to.
func (d *Document) ActivityOf(step string) (*Activity, bool) {
	i := slices.IndexFunc(d.Activities, func(a Activity) bool { return slices.Contains(a.Steps, step) })
	if i < 0 {
		return nil, false
	}
	return &d.Activities[i], true
}

// NeedsOf are the ids of the needs that an activity uses, in the order of all needs.
func (d *Document) NeedsOf(a *Activity) []string {
	var out []string
	for _, n := range d.Needs {
		if slices.ContainsFunc(d.Steps, func(s Step) bool {
			return slices.Contains(a.Steps, s.ID) && slices.Contains(s.Needs(), n.ID)
		}) {
			out = append(out, n.ID)
		}
	}
	return out
}

// TakenIn is the activity in which a slot is read; of one that is read in several, none.
func (d *Document) TakenIn(s Slot) (*Activity, bool) {
	var in *Activity
	for i := range d.Steps {
		step := &d.Steps[i]
		if !slices.ContainsFunc(step.Takes, func(t Take) bool { return t.Has(s) }) {
			continue
		}
		a, ok := d.ActivityOf(step.ID)
		if !ok || in != nil && in != a {
			return nil, false
		}
		in = a
	}
	return in, in != nil
}

// activities checks that every step is in one activity, those of each follow one another,
// and nothing of one waits for another: they are done in any order.
func (v *validator) activities() {
	if len(v.d.Activities) == 0 {
		return
	}
	if n := len(v.d.Activities); n < MinActivities || n > MaxActivities {
		v.say(Error, "activities", "/activities", text.Args{"n": n, "least": MinActivities, "most": MaxActivities})
	}
	v.eachFollows("activity", func(i int) (string, text.Localized, []string, string) {
		a := v.d.Activities[i]
		return a.ID, a.Title, a.Steps, fmt.Sprintf("/activities/%d", i)
	}, len(v.d.Activities))
	for i := range v.d.Steps {
		s := &v.d.Steps[i]
		path := fmt.Sprintf("/steps/%d", i)
		own, ok := v.d.ActivityOf(s.ID)
		if !ok {
			v.say(Error, "step-without-activity", path, text.Args{"name": s.Title})
			continue
		}
		if s.Wait == nil {
			continue
		}
		from := s.Wait.From
		if from == "" && i > 0 {
			from = v.d.Steps[i-1].ID
		}
		if other, ok := v.d.ActivityOf(from); ok && other != own {
			v.say(Error, "wait-across-activities", path+"/wait", text.Args{"name": s.Title, "other": other.Title})
		}
	}
}
