package app

import (
	"context"
	"crypto/sha256"
	"sync"
	"time"

	"github.com/google/uuid"
	lru "github.com/hashicorp/golang-lru/v2"
	"github.com/hashicorp/golang-lru/v2/expirable"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/sheets"
)

// issued is a frozen version, read and judged once. It never changes, nor do
// the rules while the program runs: all requests share it, and none writes to it.
type issued struct {
	*design.Document
	sha      []byte // of all that a guardian agrees to
	guards   func(known map[string]string) notebook.Guards
	sheets   map[string]func() sheets.Sheet // by language, of no assignment yet; written when first asked for
	supplies func() *fit.Supplies           // in which homes can do it; worked out when first asked for
	work     func() schedule.Work           // with the steps at which an adult has to be there
	sum      [sha256.Size]byte              // of the document
	plan     *sheets.Plan                   // of the homes that do it in their own way; nil of the version itself
	of       *issued                        // the version, where homes do it in their own way
}

// version is the version itself, as it was frozen.
func (i *issued) version() *issued {
	if i.of != nil {
		return i.of
	}
	return i
}

func readIssued(raw []byte) (*issued, error) {
	d, err := design.Read(raw)
	if err != nil {
		return nil, err
	}
	i := newIssued(&d, nil)
	i.sum = sha256.Sum256(raw)
	return i, nil
}

func newIssued(d *design.Document, plan *sheets.Plan) *issued {
	i := &issued{Document: d, plan: plan, sha: sheets.PermissionSha(d), sheets: map[string]func() sheets.Sheet{}}
	i.guards = guards(d, plan.Closed()...)
	i.work = sync.OnceValue(func() schedule.Work { return workOf(d) })
	i.supplies = sync.OnceValue(func() *fit.Supplies { return fit.SuppliesOf(d) })
	for _, language := range text.Tags() {
		i.sheets[language] = sync.OnceValue(func() sheets.Sheet { return sheets.Write(d, plan, language) })
	}
	return i
}

// workOf puts a design to the clock, with the steps at which an adult has to be there.
func workOf(d *design.Document) schedule.Work {
	var adult []string
	for _, j := range safety.AdultJobs(d, safety.Check(d)) {
		adult = append(adult, j.Step)
	}
	return schedule.WorkOf(d, adult...)
}

// sheet is an assignment of the version, for a home that does it.
func (i *issued) sheet(as store.Assignment, language string, now time.Time) sheets.Sheet {
	return assigned(i.sheets[language](), as, now)
}

// homeSheet is an assignment as a home gets it.
func (i *issued) homeSheet(as store.Assignment, language string, now time.Time) sheets.Sheet {
	if i.Way == design.WatchShared {
		return assigned(sheets.Watched(i.Document, i.plan, language), as, now)
	}
	return i.sheet(as, language, now)
}

// assigned is a sheet as that of an assignment.
func assigned(s sheets.Sheet, as store.Assignment, now time.Time) sheets.Sheet {
	s.Assignment, s.Version, s.OpensAt, s.DueAt, s.RecallReason = as.ID, as.Number, as.OpensAt, as.DueAt,
		as.RecallReason
	s.State = stateOf(as.OpensAt, as.DueAt, as.RecalledAt, now)
	return s
}

// shelf keeps the issued versions that were asked for last. Its zero value is
// ready.
type shelf struct {
	once   sync.Once
	kept   *lru.Cache[uuid.UUID, *issued]
	plans  *lru.Cache[[sha256.Size]byte, *issued] // versions as homes do them, by version and plan
	doings *lru.Cache[[2]uuid.UUID, doing]        // by assignment and home
	books  *expirable.LRU[[2]uuid.UUID, keptBook] // of an assignment and home
	room   *lru.Cache[[2]uuid.UUID, int]          // how many entries more an assignment takes from a home, at least
}

func (s *shelf) open() {
	s.once.Do(func() {
		s.kept, _ = lru.New[uuid.UUID, *issued](onShelf)
		s.books = newBooks()
		s.room, _ = lru.New[[2]uuid.UUID, int](100 * onShelf)
		s.plans, _ = lru.New[[sha256.Size]byte, *issued](2 * onShelf)
		s.doings, _ = lru.New[[2]uuid.UUID, doing](100 * onShelf)
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

// draftSupplies are the supplies of drafts by their bytes; they are worked out of nothing else, so
// that whoever asks first works them out for all.
var draftSupplies, _ = lru.New[[sha256.Size]byte, *fit.Supplies](onShelf)

// suppliesOf are the supplies of a draft, worked out once for its bytes.
func suppliesOf(raw []byte) (*fit.Supplies, error) {
	key := sha256.Sum256(raw)
	if w, ok := draftSupplies.Get(key); ok {
		return w, nil
	}
	d, err := design.Read(raw)
	if err != nil {
		return nil, err
	}
	w := fit.SuppliesOf(&d)
	draftSupplies.Add(key, w)
	return w, nil
}
