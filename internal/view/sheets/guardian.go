package sheets

import (
	"patient-kitchen/core/design"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// StepRef names a step.
type StepRef struct {
	ID     string `json:"id"`
	Number int    `json:"number"`
	Title  string `json:"title"`
}

// SafetyPart is what a guardian reads: the sections of the sheet in their fixed
// order, and what the pages act on.
type SafetyPart struct {
	Sections  []SheetSection `json:"sections" doc:"The guardian's sheet, the same on the phone, on paper and in the preview"`
	AdultJobs []AdultJobRow  `json:"adult_jobs"`
	Near      string         `json:"near" doc:"What an adult near means at this age"`
	Gear      []string       `json:"gear"`
	Where     []string       `json:"where"`
	Before    []string       `json:"before"`
	Cautions  []CautionRow   `json:"cautions"`
	Stop      []string       `json:"stop" doc:"Stop if …"`
	Clearing  []string       `json:"clearing"`
	Holds     string         `json:"holds,omitempty" doc:"Allergens"`
	Lowered   []string       `json:"lowered" doc:"What the teacher lowered, with the reason"`
	General   []string       `json:"general"`
	Cards     []string       `json:"cards" doc:"First-aid cards, those of this experiment first"`
}

// StepOf is a step of a design by its number and title.
func StepOf(d *design.Document, id, language string) StepRef {
	i, ok := d.Step(id)
	if !ok {
		return StepRef{ID: id}
	}
	title, _ := d.Steps[i].Title.In(language)
	return StepRef{id, i + 1, title}
}

// SayAll writes messages in a language.
func SayAll(messages []text.Message, language string) []string {
	out := []string{}
	for _, m := range messages {
		out = append(out, text.Render(m, language))
	}
	return out
}

// safetyPart words a design's safety sheet.
func safetyPart(d *design.Document, r safety.Report, starts map[string]int, w *writer) SafetyPart {
	s := safety.BriefingOf(d, r)
	p := SafetyPart{
		AdultJobs: []AdultJobRow{},
		Near:      text.Render(s.Near, w.language),
		Gear:      SayAll(s.Gear, w.language),
		Where:     SayAll(s.Where, w.language),
		Before:    SayAll(s.Before, w.language),
		Cautions:  []CautionRow{},
		Stop:      SayAll(s.Stop, w.language),
		Clearing:  SayAll(s.Clearing, w.language),
		Lowered:   SayAll(s.Lowered, w.language),
		General:   SayAll(s.General, w.language),
		Cards:     s.Cards,
	}
	for _, j := range s.Jobs {
		p.AdultJobs = append(
			p.AdultJobs,
			AdultJobRow{
				Step:    j.Step,
				Number:  j.Number,
				Title:   w.say(j.Title),
				Verdict: string(j.Verdict),
				Why:     text.Render(j.Why, w.language),
				Do:      text.Render(j.Do, w.language),
				Start:   starts[j.Step],
				Minutes: j.Minutes,
			},
		)
	}
	for _, c := range s.During {
		p.Cautions = append(
			p.Cautions,
			CautionRow{
				Why:   text.Render(c.Why, w.language),
				Do:    text.Render(c.Do, w.language),
				Steps: append([]int{}, c.Numbers...),
			},
		)
	}
	if s.Holds != nil {
		p.Holds = text.Render(*s.Holds, w.language)
	}
	return p
}
