package store

import (
	"context"
	"slices"
	"sync"
	"time"

	"github.com/jackc/pgx/v5"
)

// together lets entries that come while others are being stored go into the next
// transaction as one: thirty homes that press at once pay for a few commits, a home
// alone waits for nobody.
type together struct {
	mu      sync.Mutex
	waiting []*written
	at      int // how many transactions are under way
}

// Two transactions at once: one is filled while the other is put on disk. More in
// one would let a home whose row is held keep too many others waiting.
const (
	togetherAtOnce = 2
	togetherMost   = 32
	togetherWithin = 10 * time.Second
)

// written is an entry on its way, and what became of it.
type written struct {
	args []any
	late bool
	err  error
	done chan struct{}
}

// WriteEntry is that of [Queries], together with what others write at the same
// moment; it returns once the entry is on disk. One whose caller leaves may be
// stored all the same: its id tells when it is sent again.
func (s *Store) WriteEntry(ctx context.Context, e Entry, g Gate) (late bool, err error) {
	w := &written{args: entering(e, g), done: make(chan struct{})}
	s.entries.mu.Lock()
	s.entries.waiting = append(s.entries.waiting, w)
	begin := s.entries.at < togetherAtOnce
	if begin {
		s.entries.at++
	}
	s.entries.mu.Unlock()
	if begin {
		go s.writeTogether()
	}
	select {
	case <-w.done:
		return w.late, w.err
	case <-ctx.Done():
		return false, ctx.Err()
	}
}

// writeTogether stores what waits until nothing does.
func (s *Store) writeTogether() {
	for {
		s.entries.mu.Lock()
		n := min(len(s.entries.waiting), togetherMost)
		if n == 0 {
			s.entries.at--
			s.entries.mu.Unlock()
			return
		}
		some := s.entries.waiting[:n]
		s.entries.waiting = slices.Clone(s.entries.waiting[n:]) // what is stored is not held on to
		s.entries.mu.Unlock()
		s.writeAll(some)
	}
}

// writeAll stores entries in one transaction. Where one of them fails none is
// stored, and each is tried by itself, so that it fails, or waits, alone.
func (s *Store) writeAll(some []*written) {
	ctx, cancel := context.WithTimeout(context.Background(), togetherWithin)
	defer cancel()
	if len(some) > 1 && s.writeBatch(ctx, some) == nil {
		for _, w := range some {
			close(w.done)
		}
		return
	}
	var alone sync.WaitGroup
	for _, w := range some {
		alone.Go(func() {
			row, err := one[lateness](ctx, &s.Queries, writeEntry, w.args...)
			w.late, w.err = row.Late, err
			close(w.done)
		})
	}
	alone.Wait()
}

// writeBatch is one transaction of several entries; its error is that of any of them.
func (s *Store) writeBatch(ctx context.Context, some []*written) error {
	batch := &pgx.Batch{}
	for _, w := range some {
		batch.Queue(writeEntry, w.args...).Query(func(rows pgx.Rows) error {
			late, err := pgx.CollectRows(rows, pgx.RowTo[bool])
			if len(late) == 0 {
				w.err = ErrNotFound
				return err
			}
			w.late = late[0]
			return err
		})
	}
	return s.pool.SendBatch(ctx, batch).Close()
}
