package app

import (
	"slices"
	"strings"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
)

// Some experiments are only shown: the teacher does them and homes watch. Such
// a home gets what is asked and what was measured, and nothing by which it
// could do the experiment: no list, no step, no amount, no adult job, no field
// to write a reading in.

// ShownReading is one reading of the teacher's as a home sees it.
type ShownReading struct {
	Name  string     `json:"name"`
	Unit  string     `json:"unit"`
	Times []string   `json:"times" doc:"Planned times; one empty one where there are none"`
	Rows  []ShownRow `json:"rows" doc:"One a condition"`
}

// ShownRow is one condition's values at each time, as the teacher typed them;
// trials are joined.
type ShownRow struct {
	Name   string   `json:"name,omitempty"`
	Values []string `json:"values"`
}

// errWatchOnly answers a home that would do what it can only watch.
var errWatchOnly = &Refused{Code: "watch-only"}

// watchedSheet is an experiment as a home gets it that only watches.
func watchedSheet(d *design.Document, language string) Sheet {
	w := &sheetWriter{language: language}
	s := w.frame(d)
	s.Notice = text.Render(text.Message{ID: "safety.watch.not-at-home"}, language)
	s.SafetyPart = SafetyPart{
		Sections:  []SheetSection{},
		AdultJobs: []AdultJobRow{},
		Gear:      []string{},
		Where:     []string{},
		Before:    []string{},
		Cautions:  []CautionRow{},
		Stop:      []string{},
		Clearing:  []string{},
		Lowered:   []string{},
		General:   []string{},
		Cards:     []string{},
	}
	for _, c := range d.Conditions {
		s.Conditions = append(s.Conditions, ConditionRow{ID: c.ID, Name: w.say(c.Name), Control: c.Control})
	}
	w.questions(&s, d)
	s.Untranslated = w.missing
	s.Permission = PermissionView{State: "watching"}
	return s
}

// shownReadings lays out the teacher's readings, one table a reading.
func shownReadings(d *design.Document, shared *notebook.Book, language string) []ShownReading {
	w := &sheetWriter{language: language}
	out := []ShownReading{}
	for i := range d.Readings {
		r := &d.Readings[i]
		table := ShownReading{Name: w.say(r.Name), Unit: r.Unit, Times: slices.Clone(r.Times), Rows: []ShownRow{}}
		if len(table.Times) == 0 {
			table.Times = []string{""}
		}
		conditions := []design.Condition{{}}
		if r.PerCondition && len(d.Conditions) > 0 {
			conditions = d.Conditions
		}
		for _, c := range conditions {
			row := ShownRow{Name: w.say(c.Name)}
			for _, t := range table.Times {
				var values []string
				for k := range shared.Cells {
					if cell := &shared.Cells[k]; cell.Slot.Reading == r.ID && cell.Slot.Condition == c.ID &&
						cell.Slot.Time == t &&
						cell.State == notebook.HasValue {
						q := cell.Understood.Value
						q.U = 0
						values = append(values, q.Show(language))
					}
				}
				row.Values = append(row.Values, strings.Join(values, "; "))
			}
			table.Rows = append(table.Rows, row)
		}
		out = append(out, table)
	}
	return out
}

// sharedBook opens the teacher's readings for a home: read as the teacher
// writes, shown in the home's language.
func sharedBook(
	d *design.Document,
	shared []store.Entry,
	assignment uuid.UUID,
	c store.Class,
	language string,
) *notebook.Book {
	book := openBook(
		d,
		ofAssignment(shared, assignment),
		notebook.Writer{Language: text.In(c.Language, c.Zone), System: quantity.System(c.UnitSystem)},
		nil,
	)
	book.Writer.Language = language
	return book
}
