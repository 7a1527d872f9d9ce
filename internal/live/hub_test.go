package live

import (
	"log/slog"
	"testing"

	"github.com/google/uuid"

	"patient-kitchen/internal/store"
)

// Events go to those who may see their class; one who is behind is told to
// fetch everything instead; one who left hears nothing.
func TestSend(t *testing.T) {
	h := NewHub(nil, slog.New(slog.DiscardHandler))
	mine, other := uuid.New(), uuid.New()
	s := h.Subscribe([]uuid.UUID{mine})
	h.send(store.Event{Class: other, Kind: "entry"})
	h.send(store.Event{Class: mine, Kind: "entry"})
	h.send(store.Event{Kind: Refetch})
	if e := <-s.C; e.Class != mine || e.Kind != "entry" {
		t.Errorf("%+v", e)
	}
	if e := <-s.C; e.Kind != Refetch {
		t.Errorf("a lost connection concerns everybody: %+v", e)
	}
	for range cap(s.C) + 10 {
		h.send(store.Event{Class: mine, Kind: "entry"})
	}
	last := store.Event{}
	for range cap(s.C) {
		last = <-s.C
	}
	if last.Kind != Refetch {
		t.Errorf("one who is behind is told so, not %+v", last)
	}
	ended := h.Subscribe([]uuid.UUID{mine})
	h.endAll()
	if _, open := <-ended.C; open {
		t.Error("a lost connection ends what it fed")
	}
	h.Leave(s)
	h.send(store.Event{Class: mine, Kind: "entry"})
	for e := range s.C {
		t.Errorf("heard %+v after it ended", e)
	}
}
