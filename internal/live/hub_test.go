package live

import (
	"log/slog"
	"testing"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/internal/store"
	"patient-kitchen/internal/store/storetest"
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

// A change whose hint never came is told of at the next look.
func TestLostHintIsHealed(t *testing.T) {
	st := storetest.New(t)
	h := NewHub(st, slog.New(slog.DiscardHandler))
	teacher := store.Teacher{
		ID:           store.NewID(),
		Email:        "t@school.example",
		Name:         "Ms T",
		PasswordHash: "x",
		CreatedAt:    time.Now(),
	}
	class := store.Class{
		ID:         store.NewID(),
		TeacherID:  teacher.ID,
		Name:       "7M",
		Zone:       "Europe/London",
		Language:   "en",
		UnitSystem: "metric",
		PhotoDays:  30,
		KeepUntil:  time.Now(),
		CreatedAt:  time.Now(),
	}
	for _, err := range []error{st.AddTeacher(t.Context(), teacher), st.AddClass(t.Context(), class)} {
		if err != nil {
			t.Fatal(err)
		}
	}
	sub := h.Subscribe([]uuid.UUID{class.ID, teacher.ID})
	before := h.compare(t.Context(), nil)
	before = h.compare(t.Context(), before)
	if len(sub.C) > 0 {
		t.Errorf("nothing changed, and %+v was told", <-sub.C)
	}
	if err := st.InTx(t.Context(), func(q *store.Queries) error {
		return q.Changed(t.Context(), store.Event{Class: class.ID})
	}); err != nil {
		t.Fatal(err)
	}
	h.compare(t.Context(), before)
	if len(sub.C) != 1 {
		t.Fatalf("%d events", len(sub.C))
	}
	if e := <-sub.C; e.Class != class.ID || e.Kind != "class" {
		t.Errorf("%+v", e)
	}
}
