package results

import (
	"time"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/sheets"
)

// NotebookLine is one entry of a home's notebook, corrections included.
type NotebookLine struct {
	entries.EntryView
	Fate       string    `json:"fate,omitempty" enum:"counts,corrected,superseded,spoiled,set-aside,adult-not-said,fact-not-said,not-here,not-agreed" doc:"Of a reading"`
	FateReason string    `json:"fate_reason,omitempty"`
	MeasuredAt time.Time `json:"measured_at" doc:"By the phone, in the server's time"`
	StepTitle  string    `json:"step_title,omitempty" doc:"Of an entry at a step"`
	Asked      string    `json:"asked,omitempty" doc:"Of an answer: the question"`
	Said       string    `json:"said,omitempty" doc:"Of an answer: what was chosen, in words"`
	AfterStart bool      `json:"after_start,omitempty" doc:"Of a prediction: it came after the first reading and counts in no verdict"`
}

// NotebookView is a home's whole notebook.
type NotebookView struct {
	Result HomeResult     `json:"result"`
	Lines  []NotebookLine `json:"lines"`

	Held []HeldStep `json:"held" doc:"Steps worked at before what they wait for was said; what was entered there does not count until the teacher says why"`
}

// HeldStep is a step that was worked at before what it waits for was said.
type HeldStep struct {
	sheets.StepRef
	Why string `json:"why" enum:"adult-not-said,fact-not-said,not-here,not-agreed" doc:"An adult has to be there and none had said so; the home was not asked about itself; what it said closes the step; its activity was not agreed to"`
}

// Held are the steps worked at before what they wait for was said.
func Held(book *notebook.Book, language string) []HeldStep {
	steps := []HeldStep{}
	for _, id := range book.Held {
		steps = append(steps, HeldStep{sheets.StepOf(book.Design, id, language), string(book.Guards[id])})
	}
	return steps
}

// OwnResult is a home's own result, worked out with its own numbers, or with
// the teacher's shared ones for a home that watches.
type OwnResult struct {
	Shared   bool         `json:"shared" doc:"The numbers are the teacher's"`
	Derived  []DerivedRow `json:"derived"`
	Results  []ResultView `json:"results"`
	Sentence []string     `json:"sentences" doc:"What this home alone can tell"`
	SentAt   *time.Time   `json:"sent_at,omitempty"`
}

// Answered words an answer and the step without any id.
func (l *NotebookLine) Answered(d *design.Document, book *notebook.Book, e *notebook.Entry, language string) {
	if i, ok := d.Step(e.Step); ok {
		l.StepTitle, _ = d.Steps[i].Title.In(language)
	}
	if n, ok := d.Need(e.Refers); ok && e.Kind == notebook.Swapped {
		l.Asked, _ = n.Name.In(language)
		l.Said, _ = compare.ThingName(d, e.Choice[0]).In(language)
	}
	if n, ok := d.Need(e.Refers); ok && e.Kind == notebook.Used {
		l.Asked, _ = n.Name.In(language)
		if c, ok := d.Condition(e.Slot.Condition); ok {
			name, _ := c.Name.In(language)
			l.Asked += ", " + name
		}
	}
	q, ok := d.QuestionOf(e.Question)
	if e.Kind != notebook.Answer || !ok {
		return
	}
	l.Asked, _ = q.Text.In(language)
	var names []text.Localized
	for _, id := range e.Choice {
		for _, o := range d.OptionsOf(q) {
			if o.ID == id {
				names = append(names, o.Word)
			}
		}
	}
	l.Said = text.Render(text.Message{ID: "compare.said-options", Args: text.Args{"options": names}}, language)
	if said, ok := book.Said(q.ID); ok && said.Entry.ID == e.ID {
		l.AfterStart = said.AfterStart
	}
}
