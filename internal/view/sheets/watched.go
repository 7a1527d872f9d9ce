package sheets

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
)

// ShownReading is one reading of the teacher's as a home sees it.
type ShownReading struct {
	Name  string     `json:"name"`
	Unit  string     `json:"unit"`
	Times []string   `json:"times" doc:"Planned times; one empty one where there are none"`
	Rows  []ShownRow `json:"rows" doc:"One a condition"`
}

// ShownRow is one condition's or stage's values at each time, as the teacher typed them;
// trials are joined.
type ShownRow struct {
	Name   string   `json:"name,omitempty"`
	Values []string `json:"values"`
}

// Watched is an experiment as a home gets it that only watches: everybody does, or this
// home by its plan.
func Watched(d *design.Document, plan *Plan, language string) Sheet {
	w := &writer{language: language}
	s := w.frame(d)
	notice := "safety.watch.not-at-home"
	if plan != nil {
		notice, s.Verdict = "fit.watch", string(plan.Report.Verdict)
	}
	s.Notice = text.Render(text.Message{ID: notice}, language)
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
	w.structure(&s, d)
	w.questions(&s, d)
	s.Untranslated = w.missing
	s.Permission = PermissionView{State: "watching"}
	return s
}

// Shown lays out the teacher's readings, one table a reading: some of them, or all where
// none is named.
func Shown(d *design.Document, shared *notebook.Book, language string, some ...string) []ShownReading {
	w := &writer{language: language}
	out := []ShownReading{}
	for i := range d.Readings {
		r := &d.Readings[i]
		if len(some) > 0 && !slices.Contains(some, r.ID) {
			continue
		}
		table := ShownReading{Name: w.say(r.Name), Unit: r.Unit, Times: slices.Clone(r.Times), Rows: []ShownRow{}}
		if len(table.Times) == 0 {
			table.Times = []string{""}
		}
		for _, lane := range d.LanesOf(design.Outcome{Reading: r}) {
			row := ShownRow{Name: w.say(d.LaneName(lane))}
			for _, t := range table.Times {
				var values []string
				for k := range shared.Cells {
					if cell := &shared.Cells[k]; cell.Slot.Reading == r.ID && cell.Slot.In(lane) &&
						cell.Slot.Time == t &&
						cell.State == notebook.HasValue {
						values = append(values, cell.Words(d, language))
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
