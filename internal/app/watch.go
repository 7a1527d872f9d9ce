package app

import (
	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

// Some experiments are only shown: the teacher does them and homes watch. Such
// a home gets what is asked and what was measured, and nothing by which it
// could do the experiment: no list, no step, no amount, no adult job, no field
// to write a reading in.

// errWatchOnly answers a home that would do what it can only watch.
var errWatchOnly = &refusal.Refused{Code: "watch-only"}

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
