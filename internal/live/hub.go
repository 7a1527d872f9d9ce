package live

import (
	"context"
	"encoding/json"
	"log/slog"
	"maps"
	"slices"
	"sync"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/internal/store"
)

// Refetch is the kind of an event that says: some may have been missed.
const Refetch = "refetch"

// Hub hands events to subscribers.
type Hub struct {
	store *store.Store
	log   *slog.Logger
	mu    sync.Mutex
	subs  map[*Subscription]bool
	done  chan struct{}
}

// Subscription is one listener's share of the events. C is closed when some may
// have been missed.
type Subscription struct {
	C       chan store.Event
	classes map[uuid.UUID]bool
}

// NewHub makes a hub; Run feeds it.
func NewHub(st *store.Store, log *slog.Logger) *Hub {
	return &Hub{store: st, log: log, subs: map[*Subscription]bool{}, done: make(chan struct{})}
}

// Run listens until the context ends. A lost connection is made anew. What was
// said meanwhile is lost, also that somebody may hear less: subscriptions end,
// and whoever comes again is looked at again.
func (h *Hub) Run(ctx context.Context) {
	defer close(h.done)
	go h.heal(ctx)
	pause := 50 * time.Millisecond
	for first := true; ctx.Err() == nil; first = false {
		start := time.Now()
		err := h.listen(ctx, !first)
		if ctx.Err() != nil {
			return
		}
		h.log.Warn("live connection lost", "error", err)
		if time.Since(start) > 10*time.Second {
			pause = 50 * time.Millisecond
		}
		select {
		case <-time.After(pause):
		case <-ctx.Done():
		}
		pause = min(2*pause, 5*time.Second)
	}
}

func (h *Hub) listen(ctx context.Context, again bool) error {
	conn, err := h.store.Pool().Acquire(ctx)
	if err != nil {
		return err
	}
	raw := conn.Hijack() // a connection of its own: a broken one must not go back to the pool
	defer raw.Close(context.WithoutCancel(ctx))
	if _, err := raw.Exec(ctx, "LISTEN "+store.Channel); err != nil {
		return err
	}
	if again {
		h.endAll()
	} else {
		h.send(store.Event{Kind: Refetch}) // to those who came before anybody listened
	}
	for {
		n, err := raw.WaitForNotification(ctx)
		if err != nil {
			return err
		}
		var e store.Event
		if json.Unmarshal([]byte(n.Payload), &e) == nil {
			h.send(e)
		}
	}
}

// healEvery is how often it is looked for hints that were lost on the way.
const healEvery = 20 * time.Second

// heal tells of changes whose hint was lost: a process can end between a commit
// and its hint.
func (h *Hub) heal(ctx context.Context) {
	tick := time.NewTicker(healEvery)
	defer tick.Stop()
	var before map[uuid.UUID]store.ClassState
	for {
		select {
		case <-ctx.Done():
			return
		case <-tick.C:
			before = h.compare(ctx, before)
		}
	}
}

// compare tells of each class that is not as it was, and gives how all are.
func (h *Hub) compare(ctx context.Context, before map[uuid.UUID]store.ClassState) map[uuid.UUID]store.ClassState {
	classes := map[uuid.UUID]bool{}
	h.mu.Lock()
	for s := range h.subs {
		maps.Copy(classes, s.classes)
	}
	h.mu.Unlock()
	states, err := h.store.ClassStates(ctx, slices.Collect(maps.Keys(classes)))
	if err != nil {
		return before
	}
	now := map[uuid.UUID]store.ClassState{}
	for _, s := range states {
		now[s.ID] = s
		switch was, known := before[s.ID]; {
		case !known:
		case was.Changes != s.Changes:
			h.send(store.Event{Class: s.ID, Kind: "class", ID: s.ID})
		case was.Last != s.Last:
			h.send(store.Event{Class: s.ID, Kind: "entry"})
		}
	}
	return now
}

// send hands an event to everyone who may see its class. A subscriber who is
// behind loses it and is told to fetch everything instead.
func (h *Hub) send(e store.Event) {
	h.mu.Lock()
	defer h.mu.Unlock()
	for s := range h.subs {
		if e.Kind != Refetch && !s.classes[e.Class] {
			continue
		}
		select {
		case s.C <- e:
		default:
			select {
			case <-s.C:
			default:
			}
			select {
			case s.C <- store.Event{Kind: Refetch}:
			default:
			}
		}
	}
}

// endAll ends every subscription.
func (h *Hub) endAll() {
	h.mu.Lock()
	defer h.mu.Unlock()
	for s := range h.subs {
		close(s.C)
		delete(h.subs, s)
	}
}

// Subscribe listens to some classes until Leave.
func (h *Hub) Subscribe(classes []uuid.UUID) *Subscription {
	s := &Subscription{C: make(chan store.Event, 64), classes: map[uuid.UUID]bool{}}
	for _, c := range classes {
		s.classes[c] = true
	}
	h.mu.Lock()
	h.subs[s] = true
	h.mu.Unlock()
	return s
}

// Leave ends a subscription.
func (h *Hub) Leave(s *Subscription) {
	h.mu.Lock()
	delete(h.subs, s)
	h.mu.Unlock()
}

// Done is closed when the hub has stopped; streams end then.
func (h *Hub) Done() <-chan struct{} { return h.done }
