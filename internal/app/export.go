package app

import (
	"context"
	"encoding/csv"
	"io"
	"regexp"
	"strconv"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
)

// ExportRow is one reading of an assignment, spoiled and corrected ones
// included. Values are in the reading's unit.
type ExportRow struct {
	Home       string   `json:"home" doc:"Nickname; blank for shared readings"`
	Provenance string   `json:"provenance"`
	Reading    string   `json:"reading"`
	Condition  string   `json:"condition"`
	Time       string   `json:"time"`
	Trial      int      `json:"trial"`
	Value      *float64 `json:"value"`
	U          *float64 `json:"u"`
	Unit       string   `json:"unit"`
	Low        *float64 `json:"low" doc:"The lower end of a range or bound; open where it has none"`
	High       *float64 `json:"high"`
	Typed      string   `json:"typed"`
	Instrument string   `json:"instrument"`
	Fate       string   `json:"fate"`
	Reason     string   `json:"reason"`
	MeasuredAt string   `json:"measured_at"`
	ReceivedAt string   `json:"received_at"`
	Late       bool     `json:"late"`
}

var fileName = regexp.MustCompile(`[^a-z0-9]+`)

// ExportRows lists every reading of an assignment, home by home, and a name
// for the file. Homes that took their permission back are left out.
func (a *App) ExportRows(ctx context.Context, who TeacherActor, class, assignment uuid.UUID) ([]ExportRow, string, error) {
	b, err := a.classBooks(ctx, who, class, assignment)
	if err != nil {
		return nil, "", err
	}
	rows := []ExportRow{}
	for _, h := range b.homes {
		rows = append(rows, exportBook(h.Nickname, b.books[h.ID])...)
	}
	rows = append(rows, exportBook("", b.shared)...)
	title, _ := b.design.Title.In(b.class.Language)
	return rows, plainName(title + " " + b.class.Name), nil
}

// plainName is a name that every system takes for a file.
func plainName(s string) string {
	name := strings.Trim(fileName.ReplaceAllString(strings.ToLower(s), "-"), "-")
	if name == "" {
		return "file"
	}
	return name
}

func exportBook(name string, book *notebook.Book) []ExportRow {
	var rows []ExportRow
	for i := range book.Cells {
		c := &book.Cells[i]
		r, _ := book.Design.Reading(c.Slot.Reading)
		base := ExportRow{Home: name, Provenance: "own", Reading: c.Slot.Reading, Condition: c.Slot.Condition, Time: c.Slot.Time, Trial: c.Slot.Trial, Unit: r.Unit}
		if name == "" {
			base.Provenance = "shared"
		}
		for _, l := range c.History {
			row := base
			if l.Entry.Provenance == notebook.Desk {
				row.Provenance = string(notebook.Desk)
			}
			row.Typed, row.Fate, row.Reason, row.Late = l.Entry.Typed, exportFate(l.Fate), l.Reason, l.Entry.Late
			if in, ok := r.Instrument(l.Entry.Instrument); ok {
				row.Instrument = in.ID
			}
			row.MeasuredAt, row.ReceivedAt = l.Entry.Measured().UTC().Format(time.RFC3339), l.Entry.Received.UTC().Format(time.RFC3339)
			if l.Understood.Readable {
				v, u := l.Understood.InUnit.Value, l.Understood.InUnit.U
				row.Value, row.U = &v, &u
			}
			row.Low, row.High = ends(l.Understood)
			rows = append(rows, row)
		}
		if c.State == notebook.HasReason && c.Entry != nil && c.Entry.Kind == notebook.NotRead {
			row := base
			row.Fate, row.Reason, row.Late = "not-read", c.Reason, c.Entry.Late
			row.MeasuredAt, row.ReceivedAt = c.Entry.Measured().UTC().Format(time.RFC3339), c.Entry.Received.UTC().Format(time.RFC3339)
			rows = append(rows, row)
		}
	}
	return rows
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

// exportFate leaves out what would say something about the home.
func exportFate(fate string) string {
	if s := notebook.State(fate); s == notebook.FactNotSaid || s == notebook.NotHere {
		return "not-counted"
	}
	return fate
}

// cell guards a text against being taken for a formula by a spreadsheet.
func cell(s string) string {
	if s != "" && strings.ContainsRune("=+-@\t\r\n", rune(s[0])) {
		return "'" + s
	}
	return s
}

// WriteCSV writes rows with a head. Texts that begin like a formula get a
// quotation mark in front; numbers do not.
func WriteCSV(w io.Writer, rows []ExportRow) error {
	out := csv.NewWriter(w)
	number := func(v *float64) string {
		if v == nil {
			return ""
		}
		return strconv.FormatFloat(*v, 'g', 10, 64)
	}
	if err := out.Write([]string{"home", "provenance", "reading", "condition", "time", "trial", "value", "u", "unit", "low", "high", "typed", "instrument", "fate", "reason", "measured_at", "received_at", "late"}); err != nil {
		return err
	}
	for _, r := range rows {
		if err := out.Write([]string{cell(r.Home), r.Provenance, r.Reading, r.Condition, r.Time, strconv.Itoa(r.Trial), number(r.Value), number(r.U), cell(r.Unit), number(r.Low), number(r.High),
			cell(r.Typed), r.Instrument, r.Fate, cell(r.Reason), r.MeasuredAt, r.ReceivedAt, strconv.FormatBool(r.Late)}); err != nil {
			return err
		}
	}
	out.Flush()
	return out.Error()
}
