package entries

import (
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/reading"
	"patient-kitchen/internal/refusal"
)

// EntryFields are an entry as the phone sends it; which are set depends on
// the kind.
type EntryFields struct {
	Kind       string          `json:"kind" enum:"reading,observation,answer,tick,step-done,spoiled,not-read,photo,recording,sent,adult,fact,swap,used,named,vouched,set-aside,asked,heap"`
	Step       string          `json:"step,omitempty"`
	Reading    string          `json:"reading,omitempty"`
	Condition  string          `json:"condition,omitempty"`
	Object     string          `json:"object,omitempty"`
	Stage      string          `json:"stage,omitempty"`
	Time       string          `json:"time,omitempty" doc:"One of the reading's planned times"`
	Trial      int             `json:"trial,omitempty" doc:"From 1"`
	Typed      string          `json:"typed,omitempty" doc:"The value exactly as typed" example:"82 mm"`
	Value      *notebook.Given `json:"value,omitempty" doc:"What was given for a reading that is no quantity; which field is set depends on its kind"`
	Instrument string          `json:"instrument,omitempty"`
	Question   string          `json:"question,omitempty"`
	Evidence   string          `json:"evidence,omitempty"`
	Text       string          `json:"text,omitempty"`
	Choice     []string        `json:"choice,omitempty"`
	Refers     string          `json:"refers,omitempty" doc:"Entry that is corrected or spoiled, need that is ticked or done with another thing, picture, fact of the home, object that is named"`
	Reason     string          `json:"reason,omitempty"`
	Plan       int             `json:"plan,omitempty" doc:"Number of the home's plan by which it was made"`
	PhoneTime  time.Time       `json:"phone_time" doc:"By the phone's clock"`
	OffsetMs   int64           `json:"offset_ms" doc:"Server's clock minus the phone's, as last measured, in milliseconds"`
}

// EntryView is an entry as the server has it, with what it understood.
type EntryView struct {
	ID         uuid.UUID   `json:"id"`
	Entry      EntryFields `json:"entry"`
	Provenance string      `json:"provenance" enum:"own,shared,practice,desk"`
	ReceivedAt time.Time   `json:"received_at"`
	Late       bool        `json:"late,omitempty"`
	ClockJump  bool        `json:"clock_jump,omitempty" doc:"The phone's clock was ahead; the time it was received is taken"`
	reading.Reply
}

// At sets the slot that the fields speak of.
func (f *EntryFields) At(s design.Slot) {
	f.Reading, f.Condition, f.Object, f.Time, f.Trial, f.Stage = s.Reading, s.Condition, s.Object, s.Time, s.Trial,
		s.Stage
}

// Slot is the slot that they speak of.
func (f EntryFields) Slot() design.Slot {
	return design.Slot{
		Reading: f.Reading, Condition: f.Condition, Object: f.Object, Time: f.Time, Trial: max(1, f.Trial),
		Stage: f.Stage,
	}
}

func (f EntryFields) Entry() notebook.Entry {
	e := notebook.Entry{
		Kind:       notebook.Kind(f.Kind),
		Step:       f.Step,
		Typed:      f.Typed,
		Given:      f.Value,
		Instrument: f.Instrument,
		Question:   f.Question,
		Evidence:   f.Evidence,
		Text:       f.Text,
		Choice:     f.Choice,
		Refers:     f.Refers,
		Reason:     f.Reason,
		PhoneTime:  f.PhoneTime,
		Offset:     time.Duration(f.OffsetMs) * time.Millisecond,
	}
	if e.Kind == notebook.Reading || e.Kind == notebook.NotRead {
		e.Slot = f.Slot()
	}
	if e.Kind == notebook.Used {
		e.Slot.Condition = f.Condition
	}
	return e
}

// maxText bounds what a family writes in one field.
const maxText = 4000

func (f EntryFields) Check(now time.Time) error {
	switch {
	case len(f.Typed) > 400:
		return refusal.Field("typed", refusal.Rule("most-bytes", "n", 400), "82 mm")
	case len([]rune(f.Text)) > maxText:
		return refusal.Field("text", refusal.Rule("most-signs", "n", 4000), "the wet edge got slower")
	case len(f.Choice) > 20:
		return refusal.Field("choice", refusal.Rule("most-parts", "n", 20), "towel")
	case len(f.Reason) > 400 || len(f.Refers) > 80:
		return refusal.Field("reason", refusal.Rule("most-bytes", "n", 400), "spilled")
	case f.PhoneTime.Year() < 2000 || f.PhoneTime.Year() > 2200:
		return refusal.Field("phone_time", refusal.Rule("time"), now.UTC().Format(time.RFC3339))
	}
	return nil
}
