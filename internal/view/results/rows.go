package results

import (
	"math"
	"regexp"
	"slices"
	"strings"
	"time"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/internal/view/sheets"
)

var fileName = regexp.MustCompile(`[^a-z0-9]+`)

// PlainName is a name that every system takes for a file.
func PlainName(s string) string {
	name := strings.Trim(fileName.ReplaceAllString(strings.ToLower(s), "-"), "-")
	if name == "" {
		return "file"
	}
	return name
}

// ExportBook are the rows of one home in an export.
func ExportBook(name string, book *notebook.Book) []compare.Row {
	var rows []compare.Row
	for i := range book.Cells {
		c := &book.Cells[i]
		r, _ := book.Design.Reading(c.Slot.Reading)
		base := compare.Row{
			Home:       name,
			Provenance: "own",
			Reading:    c.Slot.Reading,
			Condition:  c.Slot.Condition,
			Object:     c.Slot.Object,
			Thing:      book.Names[c.Slot.Object],
			Stage:      c.Slot.Stage,
			Time:       c.Slot.Time,
			Trial:      c.Slot.Trial,
			Unit:       r.Unit,
			Kind:       string(r.Sort()),
		}
		if name == "" {
			base.Provenance = "shared"
		}
		for _, l := range c.History {
			row := base
			if l.Entry.Provenance == notebook.Desk {
				row.Provenance = string(notebook.Desk)
			}
			row.Given = l.Entry.Given
			row.Typed, row.Fate, row.Reason, row.Late = l.Entry.Typed, exportFate(l.Fate), l.Reason, l.Entry.Late
			if in, ok := r.Instrument(l.Entry.Instrument); ok {
				row.Instrument, row.Step = in.ID, in.Resolution
			}
			row.MeasuredAt, row.ReceivedAt = l.Entry.Measured().
				UTC().
				Format(time.RFC3339),
				l.Entry.Received.UTC().
					Format(time.RFC3339)
			numbers(&row, &l)
			if l.Fate == "counts" {
				row.Fate = fateOf(&l, row.Provenance)
			}
			row.Counts = row.Fate == "counts"
			rows = append(rows, row)
		}
		if c.State == notebook.HasReason && c.Entry != nil && c.Entry.Kind == notebook.NotRead {
			row := base
			row.Fate, row.Reason, row.Late = "not-read", c.Reason, c.Entry.Late
			row.MeasuredAt, row.ReceivedAt = c.Entry.Measured().
				UTC().
				Format(time.RFC3339),
				c.Entry.Received.UTC().
					Format(time.RFC3339)
			rows = append(rows, row)
		}
	}
	return rows
}

// Lanes are what is compared in a design: its conditions, then its stages.
func Lanes(s sheets.Sheet) []sheets.ConditionRow {
	out := slices.Clone(s.Conditions)
	for _, st := range s.Stages {
		out = append(out, sheets.ConditionRow{ID: st.ID, Name: st.Word})
	}
	return out
}

// numbers are what a line comes to as a number, in the row's unit: a value with its
// uncertainty, or the ends of a range or bound. The time of an event is in seconds.
func numbers(row *compare.Row, l *notebook.Past) {
	if low, high, ok := l.Entry.Given.Seconds(); ok {
		row.Unit = "s"
		switch {
		case low == high:
			row.Value = &low
		case math.IsInf(high, 1):
			row.Low, row.Bound = &low, "above"
		default:
			row.Low, row.High = &low, &high
		}
		return
	}
	if l.Entry.Given != nil && l.Entry.Given.Count == nil {
		row.Unit = ""
		return
	}
	if l.Understood.Readable {
		v, u := l.Understood.InUnit.Value, l.Understood.InUnit.U
		row.Value, row.U = &v, &u
	}
	row.Low, row.High = ends(l.Understood)
	if l.Understood.Kind == quantity.Bound {
		row.Bound = "above"
		if l.Understood.Typed.Below {
			row.Bound = "below"
		}
	}
}

// ends are the ends of what was typed as a range, about or bound, in the
// reading's unit.
func ends(u notebook.Understood) (low, high *float64) {
	t := u.Typical
	switch {
	case u.Kind == quantity.Bound && t.Below:
		return nil, &t.Value
	case u.Kind == quantity.Bound:
		return &t.Value, nil
	case u.Readable && t.Low < t.High:
		return &t.Low, &t.High
	}
	return nil, nil
}

// fateOf is what became of a reading that nothing speaks against: a text that
// nobody could read counts for nothing, and shared readings in no class result.
func fateOf(l *notebook.Past, provenance string) string {
	switch {
	case l.Entry.Given != nil && provenance != string(notebook.Shared):
		return "counts"
	case l.Understood.Kind == quantity.Missing && l.Entry.Given == nil:
		return "missing"
	case l.Entry.Given == nil && !l.Understood.Readable && (l.Understood.Kind != quantity.Bound ||
		l.Understood.Message.ID != ""):
		return "unread"
	case provenance == string(notebook.Shared):
		return provenance
	}
	return "counts"
}

// exportFate leaves out what would say something about the home.
func exportFate(fate string) string {
	if s := notebook.State(fate); s == notebook.FactNotSaid || s == notebook.NotHere || s == notebook.NotAgreed {
		return "not-counted"
	}
	return fate
}
