package design

import (
	"fmt"
	"slices"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Object is a sort of thing that each home chooses itself, several of it: three
// upright things of clearly different height.
type Object struct {
	ID     string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,29}$"`
	What   text.Localized `json:"what" doc:"What to look for, such as upright thing"`
	Count  int            `json:"count" minimum:"1" maximum:"6" doc:"How many a home chooses"`
	Limits []Limit        `json:"limits,omitempty" doc:"What they have to be like, by their readings"`
	Never  text.Localized `json:"never,omitempty" doc:"What must not be chosen, such as glass"`
}

// Limit is what a home's objects have to keep to in one of their readings.
type Limit struct {
	Reading string `json:"reading" doc:"Id of a quantity that is taken of each object"`
	Apart   string `json:"apart,omitempty" doc:"Any two of them differ at least by this, such as 50 mm"`
	Low     string `json:"low,omitempty"`
	High    string `json:"high,omitempty"`
}

// Section is a part of the work after which one can stop and go on later.
type Section struct {
	ID          string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Title       text.Localized `json:"title"`
	Steps       []string       `json:"steps" doc:"Ids of its steps, which follow one another"`
	Keep        text.Localized `json:"keep,omitempty" doc:"What to keep until it goes on, and where"`
	ThrowAway   text.Localized `json:"throw_away,omitempty"`
	NeededAgain text.Localized `json:"needed_again,omitempty"`
	Earliest    string         `json:"earliest,omitempty" doc:"How long after its end the next may begin, such as 40 min"`
	Latest      string         `json:"latest,omitempty" doc:"Until when after its end the next should begin"`
}

// Role is somebody who takes part, and what that one does.
type Role struct {
	ID   string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Word text.Localized `json:"word" doc:"Such as timekeeper"`
	Does text.Localized `json:"does"`
}

// Reduction is a shorter version of the work.
type Reduction struct {
	ID        string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	LeavesOut text.Localized `json:"leaves_out"`
	Costs     text.Localized `json:"costs" doc:"What can no longer be said"`
}

// Standing is what a thing of a model stands for.
type Standing struct {
	Thing text.Localized `json:"thing"`
	Means text.Localized `json:"means"`
}

// InsertStep puts a step at a place, and into the part and the activity of the step before
// it, or else of the one behind it: a step of no part belongs nowhere. What the lists were
// is left as it was.
func (d *Document) InsertStep(at int, s Step) {
	beside, behind := "", at > 0
	switch {
	case behind:
		beside = d.Steps[at-1].ID
	case len(d.Steps) > 0:
		beside = d.Steps[0].ID
	}
	joins := func(ids []string) []string {
		k := slices.Index(ids, beside)
		if k < 0 || beside == "" {
			return ids
		}
		if behind {
			k++
		}
		return slices.Insert(slices.Clone(ids), k, s.ID)
	}
	d.Steps = slices.Insert(slices.Clone(d.Steps), at, s)
	d.Sections, d.Activities = slices.Clone(d.Sections), slices.Clone(d.Activities)
	for i := range d.Sections {
		d.Sections[i].Steps = joins(d.Sections[i].Steps)
	}
	for i := range d.Activities {
		d.Activities[i].Steps = joins(d.Activities[i].Steps)
	}
}

// How many of them a design has at most.
const (
	MaxStages  = 8
	MaxObjects = 6 // of one sort
	maxSorts   = 6
)

// InParts reports whether some reading is taken of parts of a sort.
func (d *Document) InParts(per func(*Reading) bool) bool {
	return slices.ContainsFunc(d.Readings, func(r Reading) bool { return per(&r) })
}

// IDOf is the id of one of the objects, counted from 1.
func (o *Object) IDOf(n int) string { return fmt.Sprintf("%s-%d", o.ID, n) }

// ObjectIDs are the ids of all objects that a home chooses, in their order.
func (d *Document) ObjectIDs() []string {
	var out []string
	for i := range d.Objects {
		for n := 1; n <= min(d.Objects[i].Count, MaxObjects); n++ {
			out = append(out, d.Objects[i].IDOf(n))
		}
	}
	return out
}

// ObjectOf finds the sort of an object, and which of them it is, from 1.
func (d *Document) ObjectOf(id string) (*Object, int) {
	for i := range d.Objects {
		for n := 1; n <= min(d.Objects[i].Count, MaxObjects); n++ {
			if d.Objects[i].IDOf(n) == id {
				return &d.Objects[i], n
			}
		}
	}
	return nil, 0
}

// Sentences say to a family what a limit asks for.
func (l Limit) Sentences(d *Document) []text.Message {
	r, ok := d.Reading(l.Reading)
	if !ok {
		return nil
	}
	var out []text.Message
	for _, x := range [][2]string{{"apart", l.Apart}, {"low", l.Low}, {"high", l.High}} {
		if p, ok := quantity.ParseOK(x[1]); ok {
			args := text.Args{"reading": r.Name, "size": p.Quantity}
			out = append(out, text.Message{ID: "design.limit." + x[0], Args: args})
		}
	}
	return out
}

// ApartIn is how far the objects of a sort have to differ in a reading; "" where that
// is free.
func (o *Object) ApartIn(reading string) string {
	for _, l := range o.Limits {
		if l.Reading == reading {
			return l.Apart
		}
	}
	return ""
}

// stageIDs are the ids of the stages, in their order.
func (d *Document) stageIDs() []string {
	out := make([]string, len(d.Stages))
	for i, s := range d.Stages {
		out[i] = s.ID
	}
	return out
}

// Stage finds a stage by its id.
func (d *Document) Stage(id string) (*Choice, bool) {
	i := slices.IndexFunc(d.Stages, func(s Choice) bool { return s.ID == id })
	if i < 0 {
		return nil, false
	}
	return &d.Stages[i], true
}

// LaneName is what a condition or a stage is called.
func (d *Document) LaneName(id string) text.Localized {
	if c, ok := d.Condition(id); ok {
		return c.Name
	}
	if s, ok := d.Stage(id); ok {
		return s.Word
	}
	return text.Localized{}
}

// PartNames are what the parts of a slot are called: its condition, object and stage.
func (d *Document) PartNames(s Slot) []text.Localized {
	var out []text.Localized
	for _, lane := range []string{s.Condition, s.Stage} {
		if lane != "" {
			out = append(out, d.LaneName(lane))
		}
	}
	if o, n := d.ObjectOf(s.Object); o != nil {
		out = append(out, o.Called(n))
	}
	return out
}

// Called is what one of the objects is called before a home has named it, such as
// upright thing 2.
func (o *Object) Called(n int) text.Localized {
	if o.Count == 1 {
		return o.What
	}
	out := text.Localized{}
	for language, what := range o.What {
		out[language] = fmt.Sprintf("%s %d", what, n)
	}
	return out
}

// SectionEnding is the section that ends with a step; nil where none does, or where
// it is the last step of all.
func (d *Document) SectionEnding(step string) *Section {
	if n := len(d.Steps); n == 0 || d.Steps[n-1].ID == step {
		return nil
	}
	for i := range d.Sections {
		if s := &d.Sections[i]; len(s.Steps) > 0 && s.Steps[len(s.Steps)-1] == step {
			return s
		}
	}
	return nil
}
