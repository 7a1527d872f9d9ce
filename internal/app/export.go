package app

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/export"
	"patient-kitchen/internal/view/results"
)

// Export gathers every reading, answer and observation of an assignment, home by
// home, with what was worked out of them, and a name for the file. Homes that took
// their permission back are left out.
func (a *App) Export(
	ctx context.Context,
	who TeacherActor,
	class, assignment uuid.UUID,
	language string,
) (export.Class, string, error) {
	b, err := a.classBooks(ctx, who, class, assignment)
	if err != nil {
		return export.Class{}, "", err
	}
	document, err := a.Store.VersionDocument(ctx, b.assignment.VersionID)
	if err != nil {
		return export.Class{}, "", err
	}
	sum := sha256.Sum256(document)
	out := compare.Readings{
		Made:          a.Now().UTC().Format(time.RFC3339),
		DesignVersion: hex.EncodeToString(sum[:]),
		Measures:      b.class.UnitSystem,
		Homes:         []compare.ReadingsHome{},
		Readings:      []compare.Row{},
		Answers:       []compare.AnswerRow{},
		Observations:  []compare.ObservationRow{},
	}
	var homes []compare.Home
	for _, h := range b.homes {
		book := b.books[h.ID]
		of := b.compared(h.ID, h.Nickname, book)
		home := compare.ReadingsHome{Home: h.Nickname, Language: book.Writer.Language, Uses: of.Uses, Class: of.Class}
		home.Worked(b.design.version().Document, book)
		out.Homes = append(out.Homes, home)
		homes = append(homes, of)
		out.Readings = append(out.Readings, results.ExportBook(h.Nickname, book)...)
		for _, e := range book.Notes {
			at := e.Measured().UTC().Format(time.RFC3339)
			switch e.Kind {
			case notebook.Answer:
				out.Answers = append(
					out.Answers,
					compare.AnswerRow{Home: h.Nickname, Question: e.Question, Choice: e.Choice, Text: e.Text, At: at},
				)
			case notebook.Observation:
				row := compare.ObservationRow{
					Home: h.Nickname, Step: e.Step, Evidence: e.Evidence, Text: e.Text, At: at, Given: e.Given,
				}
				if e.Given != nil && len(e.Given.Chart) > 0 {
					row.Text = text.Render(e.Given.Charted(), language)
				}
				out.Observations = append(out.Observations, row)
			}
		}
	}
	out.Readings = append(out.Readings, results.ExportBook("", b.shared)...)
	title, _ := b.design.Title.In(language)
	return export.Class{
			Name:       b.class.Name,
			Experiment: title,
			Version:    b.assignment.Number,
			Language:   language,
			Design:     b.design.Document,
			Readings:   out,
			Report:     compare.Work(b.design.Document, homes, true),
		}, results.PlainName(
			title + " " + b.class.Name,
		), nil
}
