package store_test

import (
	"errors"
	"sync"
	"testing"

	"patient-kitchen/internal/store"
)

// Entries that come at the same moment go to disk together, and fall alone: one
// that the database refuses, one of an erased home and one sent twice take no
// other with them.
func TestEntriesTogether(t *testing.T) {
	f := fill(t)
	gone := store.Home{
		ClassID: f.class.ID, ID: store.NewID(), Nickname: "Moss", Letters: "Mo", Language: "en", KeyID: "a",
		Generation: 1, CreatedAt: now,
	}
	must(t, f.AddHome(ctx, gone))
	must(t, f.EraseHome(ctx, f.class.ID, gone.ID, now))
	writes, err := f.Writes(ctx, f.class.ID, f.home.ID)
	must(t, err)
	gate := store.Gate{May: []string{"asked"}, Writes: writes}
	twice := store.NewID()
	const all = 120
	var wg sync.WaitGroup
	errs := make([]error, all)
	for i := range all {
		e := f.entry
		e.ID = store.NewID()
		switch i % 12 {
		case 3:
			e.Provenance = "nobody's"
		case 5:
			e.HomeID = &gone.ID
		case 7:
			e.ID = twice
		}
		wg.Go(func() { _, errs[i] = f.WriteEntry(ctx, e, gate) })
	}
	wg.Wait()
	firsts := 0
	for i, err := range errs {
		switch i % 12 {
		case 3:
			if err == nil || errors.Is(err, store.ErrNotFound) {
				t.Errorf("%d, refused by the database: %v", i, err)
			}
		case 5:
			if !errors.Is(err, store.ErrNotFound) {
				t.Errorf("%d, of an erased home: %v", i, err)
			}
		case 7:
			if err == nil {
				firsts++
			} else if !errors.Is(err, store.ErrNotFound) {
				t.Errorf("%d, sent twice: %v", i, err)
			}
		default:
			if err != nil {
				t.Errorf("%d: %v", i, err)
			}
		}
	}
	n, err := f.CountEntries(ctx, f.class.ID, f.as.ID, f.home.ID, 1000)
	if want := 1 + all/12*9 + 1; firsts != 1 || n != want || err != nil {
		t.Errorf("%d entries are there, want %d; of one sent twice %d were new (%v)", n, want, firsts, err)
	}
	gate.Writes.Language = "es"
	other := f.entry
	other.ID = store.NewID()
	if _, err := f.WriteEntry(ctx, other, gate); writes.Zone != "Europe/London" || !errors.Is(err, store.ErrNotFound) {
		t.Errorf("a home that writes in another language by now: %v, %+v", err, writes)
	}
	if n, err := f.CountEntries(ctx, f.class.ID, f.as.ID, f.home.ID, 5); n != 5 || err != nil {
		t.Errorf("counted %d, want no more than 5 (%v)", n, err)
	}
}
