package store

import (
	"context"
	"encoding/json"
	"sync"
	"time"

	"github.com/google/uuid"
)

// Event tells clients that something of a class changed; they fetch it anew.
type Event struct {
	Class   uuid.UUID `json:"class"`
	Kind    string    `json:"kind"`
	ID      uuid.UUID `json:"id"`
	Version int       `json:"version,omitempty"`
}

// Channel is the PostgreSQL notification channel of events.
const Channel = "kitchen_live"

// gathered is how long events are gathered, so that many of one kind are one.
const gathered = 20 * time.Millisecond

// hints are events that are still to be told. They are told outside the
// transactions that they tell of: a notification inside one makes all commits of
// the database wait for each other. One that is lost on the way is healed by
// the class's number of changes.
type hints struct {
	mu      sync.Mutex
	waiting map[Event]bool
}

// Hint tells events soon, each once.
func (s *Store) Hint(events ...Event) {
	s.hints.mu.Lock()
	defer s.hints.mu.Unlock()
	for _, e := range events {
		if len(s.hints.waiting) == 0 {
			s.hints.waiting = map[Event]bool{}
			time.AfterFunc(gathered, s.tell)
		}
		s.hints.waiting[e] = true
	}
}

func (s *Store) tell() {
	s.hints.mu.Lock()
	events := s.hints.waiting
	s.hints.waiting = nil
	s.hints.mu.Unlock()
	if len(events) == 0 {
		return
	}
	var payloads []string
	for e := range events {
		raw, err := json.Marshal(e)
		if err != nil {
			continue
		}
		payloads = append(payloads, string(raw))
	}
	ctx, cancel := context.WithTimeout(context.Background(), 5*time.Second)
	defer cancel()
	// One that fails is not tried again: the database is away, and whoever
	// listens begins anew when it is back.
	_, _ = s.pool.Exec(ctx, `SELECT pg_notify($1, payload) FROM unnest($2::text[]) AS payload`, Channel, payloads)
}

// Changed counts a change of a class, and tells it once the transaction is
// committed. Entries of homes are not counted: they are seen themselves.
func (q *Queries) Changed(ctx context.Context, e Event) error {
	q.events = append(q.events, e)
	return q.exec(ctx, 0, `UPDATE class SET changes = changes + 1 WHERE id = $1`, e.Class)
}

// Tell tells an event once the transaction is committed.
func (q *Queries) Tell(e Event) { q.events = append(q.events, e) }
