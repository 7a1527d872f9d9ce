package app

import (
	"context"
	"sync"
	"time"

	"github.com/google/uuid"
	lru "github.com/hashicorp/golang-lru/v2"
	"github.com/hashicorp/golang-lru/v2/expirable"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/sheets"
)

// issued is a frozen version, read and judged once. It never changes, nor do
// the rules while the program runs: all requests share it, and none writes to it.
type issued struct {
	*design.Document
	sha    []byte // of all that a guardian agrees to
	guards func(known map[string]string) notebook.Guards
	sheets map[string]func() sheets.Sheet // by language, of no assignment yet; written when first asked for
	ways   func() *fit.Ways               // in which homes can do it; worked out when first asked for
}

func readIssued(raw []byte) (*issued, error) {
	d, err := design.Read(raw)
	if err != nil {
		return nil, err
	}
	return newIssued(&d), nil
}

func newIssued(d *design.Document) *issued {
	i := &issued{Document: d, sha: sheets.PermissionSha(d), guards: guards(d), sheets: map[string]func() sheets.Sheet{}}
	i.ways = sync.OnceValue(func() *fit.Ways { return fit.WaysOf(d) })
	for _, language := range text.Tags() {
		i.sheets[language] = sync.OnceValue(func() sheets.Sheet { return sheets.Write(d, language) })
	}
	return i
}

// sheet is an assignment of the version, for a home that does it.
func (i *issued) sheet(as store.Assignment, language string, now time.Time) sheets.Sheet {
	return assigned(i.sheets[language](), as, now)
}

// homeSheet is an assignment as a home gets it.
func (i *issued) homeSheet(as store.Assignment, language string, now time.Time) sheets.Sheet {
	if i.Way == design.WatchShared {
		return assigned(sheets.Watched(i.Document, language), as, now)
	}
	return i.sheet(as, language, now)
}

// assigned is a sheet as that of an assignment.
func assigned(s sheets.Sheet, as store.Assignment, now time.Time) sheets.Sheet {
	s.Assignment, s.Version, s.OpensAt, s.DueAt, s.RecallReason = as.ID, as.Number, as.OpensAt, as.DueAt, as.RecallReason
	s.State = stateOf(as.OpensAt, as.DueAt, as.RecalledAt, now)
	return s
}

// shelf keeps the issued versions that were asked for last. Its zero value is
// ready.
type shelf struct {
	once     sync.Once
	kept     *lru.Cache[uuid.UUID, *issued]
	assigned *lru.Cache[[2]uuid.UUID, uuid.UUID]    // the version of a class's assignment
	books    *expirable.LRU[[2]uuid.UUID, keptBook] // of an assignment and home
	room     *lru.Cache[[2]uuid.UUID, int]          // how many entries more an assignment takes from a home, at least
}

func (s *shelf) open() {
	s.once.Do(func() {
		s.kept, _ = lru.New[uuid.UUID, *issued](onShelf)
		s.books = newBooks()
		s.room, _ = lru.New[[2]uuid.UUID, int](100 * onShelf)
		s.assigned, _ = lru.New[[2]uuid.UUID, uuid.UUID](20 * onShelf)
	})
}

// onShelf bounds the shelf: a version takes about half a megabyte.
const onShelf = 200

// issued finds the version of an assignment, on the shelf or in the database.
func (a *App) issued(ctx context.Context, as store.Assignment) (*issued, error) {
	a.shelf.open()
	if i, ok := a.shelf.kept.Get(as.VersionID); ok {
		return i, nil
	}
	raw, err := a.Store.VersionDocument(ctx, as.VersionID)
	if err != nil {
		return nil, err
	}
	i, err := readIssued(raw)
	if err == nil {
		a.shelf.kept.Add(as.VersionID, i)
	}
	return i, err
}

// issuedTo finds the version of an assignment of a class, which stays the same;
// the assignment itself is not looked at.
func (a *App) issuedTo(ctx context.Context, class, assignment uuid.UUID) (*issued, error) {
	a.shelf.open()
	key := [2]uuid.UUID{class, assignment}
	if version, ok := a.shelf.assigned.Get(key); ok {
		return a.issued(ctx, store.Assignment{VersionID: version})
	}
	as, err := a.Store.Assignment(ctx, class, assignment)
	if err != nil {
		return nil, err
	}
	a.shelf.assigned.Add(key, as.VersionID)
	return a.issued(ctx, as)
}
