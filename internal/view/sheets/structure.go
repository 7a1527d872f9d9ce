package sheets

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// structure writes what an experiment is divided into: its stages, what homes choose,
// who does what, what a model stands for.
func (w *writer) structure(s *Sheet, d *design.Document) {
	for _, st := range d.Stages {
		s.Stages = append(s.Stages, ChoiceRow{ID: st.ID, Word: w.say(st.Word), Picture: st.Picture})
	}
	for i := range d.Objects {
		s.Objects = append(s.Objects, w.objects(d, &d.Objects[i])...)
	}
	for _, r := range d.Crew {
		s.Crew = append(s.Crew, RoleRow{w.say(r.Word), w.say(r.Does)})
	}
	for _, x := range d.StandsFor {
		s.StandsFor = append(s.StandsFor, StandingRow{w.say(x.Thing), w.say(x.Means)})
	}
	for _, l := range d.Limits {
		s.Limits = append(s.Limits, w.say(l))
	}
}

// activities writes the short pieces of work, once the steps and the adult jobs are there.
func (w *writer) activities(s *Sheet, d *design.Document) {
	for i := range d.Activities {
		a := &d.Activities[i]
		row := ActivityRow{ID: a.ID, Title: w.say(a.Title), Steps: a.Steps, Needs: append([]string{}, d.NeedsOf(a)...)}
		var first, last *StepRow
		for k := range s.Steps {
			if step := &s.Steps[k]; slices.Contains(a.Steps, step.ID) {
				if last = step; first == nil {
					first, step.Begins = step, row.Title
				}
				row.Adult = row.Adult || step.Adult != ""
			}
		}
		if first != nil {
			row.Minutes = (last.Start + last.Seconds - first.Start + 30) / 60
		}
		s.Activities = append(s.Activities, row)
	}
}

func (w *writer) objects(d *design.Document, o *design.Object) []ObjectRow {
	must, apart := []string{}, map[string]string{}
	for _, l := range o.Limits {
		must = append(must, SayAll(l.Sentences(d), w.language)...)
		if l.Apart != "" {
			apart[l.Reading] = l.Apart
		}
	}
	var out []ObjectRow
	for n := 1; n <= o.Count; n++ {
		called, _ := o.Called(n).In(w.language)
		out = append(out, ObjectRow{
			ID: o.IDOf(
				n,
			), Sort: o.ID, What: w.say(o.What), Name: called, Must: must, Never: w.say(o.Never), Apart: apart,
		})
	}
	return out
}

// crew are the words of those who do a step.
func (w *writer) crew(d *design.Document, step *design.Step) []string {
	out := []string{}
	for _, id := range step.Crew {
		for _, r := range d.Crew {
			if r.ID == id {
				out = append(out, w.say(r.Word))
			}
		}
	}
	return out
}

// lanes says for which conditions a step is done, where it is not for all at once.
func (w *writer) lanes(d *design.Document, step *design.Step) string {
	if len(step.Conditions) == 0 && !step.Each {
		return ""
	}
	var names text.List
	for _, c := range d.Conditions {
		if len(step.Conditions) == 0 || slices.Contains(step.Conditions, c.ID) {
			names = append(names, text.Raw(w.say(c.Name)))
		}
	}
	id := "sheet.only"
	if step.Each && len(names) > 1 {
		id = "sheet.one-by-one"
	}
	return text.Render(text.M(id, "list", names), w.language)
}

// rest is the place to stop after a step, where a part of the work ends with it or homes
// wait for each other.
func (w *writer) rest(d *design.Document, step string) *RestRow {
	i, _ := d.Step(step)
	s, gate := d.SectionEnding(step), d.Steps[i].Gate && i < len(d.Steps)-1
	if s == nil {
		if gate {
			return &RestRow{Gate: true}
		}
		return nil
	}
	earliest, _ := design.Seconds(s.Earliest)
	latest, _ := design.Seconds(s.Latest)
	return &RestRow{
		w.say(s.Title), w.say(s.Keep), w.say(s.ThrowAway), w.say(s.NeededAgain), int(earliest), int(latest), gate,
	}
}

// slotWords are what the parts of a slot are called, in the order in which they are
// said, with "" for those it has not.
func slotWords(s *Sheet, slot design.Slot) (condition, object, stage string) {
	for _, c := range s.Conditions {
		if c.ID == slot.Condition {
			condition = c.Name
		}
	}
	for _, o := range s.Objects {
		if o.ID == slot.Object {
			object = o.Name
		}
	}
	for _, st := range s.Stages {
		if st.ID == slot.Stage {
			stage = st.Word
		}
	}
	return condition, object, stage
}
