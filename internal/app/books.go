package app

import (
	"context"
	"maps"
	"time"

	"github.com/google/uuid"
	"github.com/hashicorp/golang-lru/v2/expirable"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/internal/store"
)

// keptBook is a home's notebook of an assignment as it was last read: entries
// are only ever added, so that their number says whether it still stands.
type keptBook struct {
	rows []store.Entry
	book *notebook.Book // nil until somebody opened it
}

// A notebook is not kept longer than this, so that what was erased leaves the
// memory of every process soon.
const keepBook = 10 * time.Minute

// keptBooks bounds the shelf: a notebook of 60 entries takes about 100 kB. A thousand homes
// in one class fit.
const keptBooks = 1_500

func newBooks() *expirable.LRU[[2]uuid.UUID, keptBook] {
	return expirable.NewLRU[[2]uuid.UUID, keptBook](keptBooks, nil, keepBook)
}

// readRows fills in the entries of a class's homes and of the teacher, in order
// of arrival. Only the homes that have made entries since are read anew.
func (a *App) readRows(ctx context.Context, b *classBooks) error {
	a.shelf.open()
	class, assignment := b.class.ID, b.assignment.ID
	counts, err := a.Store.EntryCounts(ctx, class, assignment)
	if err != nil {
		return err
	}
	wanted := map[uuid.UUID]bool{}
	for _, h := range b.homes {
		wanted[h.ID] = true
	}
	var stale []uuid.UUID
	shared := false
	for _, c := range counts {
		if c.HomeID == nil {
			shared = true
			continue
		}
		if !wanted[*c.HomeID] {
			continue
		}
		kept, ok := a.shelf.books.Get([2]uuid.UUID{assignment, *c.HomeID})
		if !ok || len(kept.rows) != c.N {
			stale = append(stale, *c.HomeID)
			continue
		}
		b.entries[*c.HomeID] = kept.rows
	}
	if len(stale) == 0 && !shared {
		return nil
	}
	rows, err := a.Store.EntriesOf(ctx, class, assignment, stale)
	if err != nil {
		return err
	}
	for _, r := range rows {
		if r.HomeID == nil {
			b.sharedRows = append(b.sharedRows, r)
		} else {
			b.entries[*r.HomeID] = append(b.entries[*r.HomeID], r)
		}
	}
	for _, home := range stale {
		a.shelf.books.Add([2]uuid.UUID{assignment, home}, keptBook{rows: b.entries[home]})
	}
	return nil
}

// book opens a home's notebook, or gives it as it was opened before from as many
// entries by the same rules. Nobody may write to it.
func (s *shelf) book(
	d *design.Document,
	key [2]uuid.UUID,
	rows []store.Entry,
	w notebook.Writer,
	guards notebook.Guards,
) *notebook.Book {
	kept, _ := s.books.Peek(key)
	if kept.book != nil && kept.book.Design == d && len(kept.rows) == len(rows) && kept.book.Writer == w &&
		maps.Equal(kept.book.Guards, guards) {
		return kept.book
	}
	book := openBook(d, rows, w, guards)
	if len(rows) > 0 {
		s.books.Add(key, keptBook{rows, book})
	}
	return book
}
