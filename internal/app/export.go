package app

import (
	"context"
	"crypto/sha256"
	"encoding/csv"
	"encoding/hex"
	"io"
	"regexp"
	"strconv"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
)

var fileName = regexp.MustCompile(`[^a-z0-9]+`)

// Export lists every reading and answer of an assignment, home by home, and a
// name for the file. Homes that took their permission back are left out.
func (a *App) Export(ctx context.Context, who TeacherActor, class, assignment uuid.UUID) (compare.Readings, string, error) {
	b, err := a.classBooks(ctx, who, class, assignment)
	if err != nil {
		return compare.Readings{}, "", err
	}
	document, err := a.Store.VersionDocument(ctx, b.assignment.VersionID)
	if err != nil {
		return compare.Readings{}, "", err
	}
	sum := sha256.Sum256(document)
	out := compare.Readings{Made: a.Now().UTC().Format(time.RFC3339), DesignVersion: hex.EncodeToString(sum[:]), Measures: b.class.UnitSystem,
		Homes: []compare.ReadingsHome{}, Readings: []compare.Row{}, Answers: []compare.AnswerRow{}}
	for _, h := range b.homes {
		book := b.books[h.ID]
		out.Homes = append(out.Homes, compare.ReadingsHome{Home: h.Nickname, Language: h.Language})
		out.Readings = append(out.Readings, exportBook(h.Nickname, book)...)
		for _, e := range book.Notes {
			if e.Kind == notebook.Answer {
				out.Answers = append(out.Answers, compare.AnswerRow{Home: h.Nickname, Question: e.Question, Choice: e.Choice, Text: e.Text, At: e.Measured().UTC().Format(time.RFC3339)})
			}
		}
	}
	out.Readings = append(out.Readings, exportBook("", b.shared)...)
	title, _ := b.design.Title.In(b.class.Language)
	return out, plainName(title + " " + b.class.Name), nil
}

// plainName is a name that every system takes for a file.
func plainName(s string) string {
	name := strings.Trim(fileName.ReplaceAllString(strings.ToLower(s), "-"), "-")
	if name == "" {
		return "file"
	}
	return name
}

func exportBook(name string, book *notebook.Book) []compare.Row {
	var rows []compare.Row
	for i := range book.Cells {
		c := &book.Cells[i]
		r, _ := book.Design.Reading(c.Slot.Reading)
		base := compare.Row{Home: name, Provenance: "own", Reading: c.Slot.Reading, Condition: c.Slot.Condition, Time: c.Slot.Time, Trial: c.Slot.Trial, Unit: r.Unit}
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
func WriteCSV(w io.Writer, rows []compare.Row) error {
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
