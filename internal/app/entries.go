package app

import (
	"bytes"
	"context"
	"crypto/sha256"
	"encoding/json"
	"errors"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/strict"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
)

// EntryFields are an entry as the phone sends it; which are set depends on
// the kind.
type EntryFields struct {
	Kind       string    `json:"kind" enum:"reading,observation,answer,tick,step-done,spoiled,not-read,photo,sent,adult,fact,vouched,set-aside,asked"`
	Step       string    `json:"step,omitempty"`
	Reading    string    `json:"reading,omitempty"`
	Condition  string    `json:"condition,omitempty"`
	Time       string    `json:"time,omitempty" doc:"One of the reading's planned times"`
	Trial      int       `json:"trial,omitempty" doc:"From 1"`
	Typed      string    `json:"typed,omitempty" doc:"The value exactly as typed" example:"82 mm"`
	Instrument string    `json:"instrument,omitempty"`
	Question   string    `json:"question,omitempty"`
	Evidence   string    `json:"evidence,omitempty"`
	Text       string    `json:"text,omitempty"`
	Choice     []string  `json:"choice,omitempty"`
	Refers     string    `json:"refers,omitempty" doc:"Entry that is corrected or spoiled, need that is ticked, picture, fact of the home"`
	Reason     string    `json:"reason,omitempty"`
	PhoneTime  time.Time `json:"phone_time" doc:"By the phone's clock"`
	OffsetMs   int64     `json:"offset_ms" doc:"Server's clock minus the phone's, as last measured, in milliseconds"`
}

// EntryView is an entry as the server has it, with what it understood.
type EntryView struct {
	ID         uuid.UUID   `json:"id"`
	Entry      EntryFields `json:"entry"`
	Provenance string      `json:"provenance" enum:"own,shared,practice,desk"`
	ReceivedAt time.Time   `json:"received_at"`
	Late       bool        `json:"late,omitempty"`
	ClockJump  bool        `json:"clock_jump,omitempty" doc:"The phone's clock was ahead; the time it was received is taken"`
	State      string      `json:"state,omitempty" enum:"value,bound,question,missing,unread" doc:"Of a reading: what the typed text turned out to be"`
	Echo       string      `json:"echo,omitempty" doc:"The value shown back"`
	InUnit     string      `json:"in_unit,omitempty" doc:"The value in the reading's own unit"`
	Assumed    bool        `json:"assumed,omitempty" doc:"No unit was typed; the one beside the field was taken"`
	Messages   []string    `json:"messages,omitempty" doc:"A question, or something to look at once more"`
}

func (f EntryFields) entry() notebook.Entry {
	e := notebook.Entry{Kind: notebook.Kind(f.Kind), Step: f.Step, Typed: f.Typed, Instrument: f.Instrument, Question: f.Question, Evidence: f.Evidence,
		Text: f.Text, Choice: f.Choice, Refers: f.Refers, Reason: f.Reason, PhoneTime: f.PhoneTime, Offset: time.Duration(f.OffsetMs) * time.Millisecond}
	if e.Kind == notebook.Reading || e.Kind == notebook.NotRead {
		e.Slot = design.Slot{Reading: f.Reading, Condition: f.Condition, Time: f.Time, Trial: max(1, f.Trial)}
	}
	return e
}

// readEntry brings a stored entry to the notebook's form.
func readEntry(s store.Entry) (notebook.Entry, EntryFields) {
	var f EntryFields
	_ = json.Unmarshal(s.Body, &f) // it was read before it was stored
	e := f.entry()
	e.ID, e.Provenance, e.Received, e.Late = s.ID.String(), notebook.Provenance(s.Provenance), s.ReceivedAt, s.Late
	return e, f
}

func viewEntry(d *design.Document, s store.Entry, w notebook.Writer) EntryView {
	e, f := readEntry(s)
	v := EntryView{ID: s.ID, Entry: f, Provenance: s.Provenance, ReceivedAt: s.ReceivedAt, Late: s.Late, ClockJump: s.ClockJump}
	r, ok := d.Reading(e.Slot.Reading)
	if e.Kind != notebook.Reading || !ok {
		return v
	}
	u := notebook.Understand(r, e.Instrument, e.Typed, w)
	v.State, v.Assumed = string(u.Kind), u.Typed.UnitAssumed
	if u.Readable {
		plain := u.Value
		plain.U = 0
		v.Echo = plain.Show(w.Language)
		inUnit := u.InUnit
		inUnit.Value = roundTo(inUnit.Value, inUnit.U)
		inUnit.U = 0
		v.InUnit = inUnit.Show(w.Language)
	}
	if u.Message.ID != "" {
		v.Messages = append(v.Messages, text.Render(u.Message, w.Language))
	}
	for _, c := range u.Checks {
		v.Messages = append(v.Messages, text.Render(c.Message, w.Language))
	}
	return v
}

// maxText bounds what a family writes in one field.
const maxText = 4000

func (f EntryFields) check(now time.Time) error {
	switch {
	case len(f.Typed) > 400:
		return &Invalid{"typed", "can have at most 400 bytes", "82 mm"}
	case len([]rune(f.Text)) > maxText:
		return &Invalid{"text", "can have at most 4000 signs", "the wet edge got slower"}
	case len(f.Choice) > 20:
		return &Invalid{"choice", "can have at most 20 parts", "towel"}
	case len(f.Reason) > 400 || len(f.Refers) > 80:
		return &Invalid{"reason", "can have at most 400 bytes", "spilled"}
	case f.PhoneTime.Year() < 2000 || f.PhoneTime.Year() > 2200:
		return &Invalid{"phone_time", "has to be a time", now.UTC().Format(time.RFC3339)}
	}
	return nil
}

// PutEntry takes an entry from a home. The same id with the same bytes is
// answered again; with other bytes it is refused.
func (a *App) PutEntry(ctx context.Context, who HomeActor, assignment, id uuid.UUID, raw []byte) (EntryView, error) {
	hc, err := a.homeContext(ctx, who)
	if err != nil {
		return EntryView{}, err
	}
	s := store.Entry{ClassID: who.Class, ID: id, AssignmentID: assignment, HomeID: &who.Home, Provenance: string(notebook.Own)}
	return a.putEntry(ctx, s, raw, hc.writer, func(as store.Assignment, d *design.Document, f EntryFields) error {
		permissions, err := a.Store.HomePermissions(ctx, who.Class, who.Home)
		if err != nil {
			return err
		}
		state := PermissionView{State: "asked"}
		if d.Way == design.WatchShared {
			state.State = "watching"
		}
		for _, p := range permissions {
			if p.AssignmentID == assignment {
				state = viewPermission(p, d)
			}
		}
		return mayWrite(as, state, f)
	})
}

var errRecalled = &Refused{Code: "recalled", Detail: "The teacher took this experiment back. What you had is kept."}

// mayWrite decides whether a home may make an entry with its present
// permission: ticks and what it says of itself always; words once it declined, and where it can only
// watch; everything once granted, pictures only when they were agreed to.
func mayWrite(as store.Assignment, p PermissionView, f EntryFields) error {
	if as.RecalledAt != nil {
		return errRecalled
	}
	kind := notebook.Kind(f.Kind)
	words := kind == notebook.Answer || kind == notebook.Observation || kind == notebook.Sent || kind == notebook.Tick
	switch {
	case slices.Contains(notebook.Hers, kind):
		return &Refused{Code: "no-permission", Detail: "Only the teacher writes this."}
	case p.State == "watching":
		if kind == notebook.Tick || !words {
			return errWatchOnly
		}
		return nil
	case kind == notebook.Tick || kind == notebook.Fact:
		return nil
	case p.State == "declined" && words:
		return nil
	case p.State != "granted":
		return &Refused{Code: "no-permission", Detail: "An adult of the home has not agreed, or took it back. Open Permission."}
	case kind == notebook.Photo && !p.Photos:
		return &Refused{Code: "no-photos", Detail: "Photos were not agreed to. Open Permission to change that."}
	}
	return nil
}

// PutSharedEntry takes one of the teacher's own readings, to be shared.
func (a *App) PutSharedEntry(ctx context.Context, who TeacherActor, class, assignment, id uuid.UUID, raw []byte) (EntryView, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return EntryView{}, err
	}
	s := store.Entry{ClassID: class, ID: id, AssignmentID: assignment, Provenance: string(notebook.Shared)}
	w := notebook.Writer{Language: c.Language, System: quantity.System(c.UnitSystem)}
	return a.putEntry(ctx, s, raw, w, func(store.Assignment, *design.Document, EntryFields) error { return nil })
}

func (a *App) putEntry(ctx context.Context, s store.Entry, raw []byte, w notebook.Writer, may func(store.Assignment, *design.Document, EntryFields) error) (EntryView, error) {
	as, err := a.Store.Assignment(ctx, s.ClassID, s.AssignmentID)
	if err != nil {
		return EntryView{}, notFound(err)
	}
	d, err := design.Read(as.Document)
	if err != nil {
		return EntryView{}, err
	}
	sum := sha256.Sum256(raw)
	if had, err := a.Store.Entry(ctx, s.ClassID, s.ID); err == nil {
		return again(&d, had, s, sum[:], w) // answered before anything else, so that a repeat never fails
	} else if !errors.Is(err, store.ErrNotFound) {
		return EntryView{}, err
	}
	var f EntryFields
	if err := json.Unmarshal(raw, &f); err != nil {
		return EntryView{}, &Invalid{"body", "has to be a JSON object of an entry", `{"kind": "observation", "text": "it climbs"}`}
	}
	for _, stray := range strict.Find(raw, f, 20) {
		if stray.Twice { // a part that is not known may come from a newer phone: it is kept with the bytes
			return EntryView{}, &Invalid{strings.TrimPrefix(stray.Path, "/"), "stands there twice", `{"kind": "observation", "text": "it climbs"}`}
		}
	}
	if err := f.check(a.Now()); err != nil {
		return EntryView{}, err
	}
	e := f.entry()
	if p := notebook.Fits(&d, &e); p != nil {
		return EntryView{}, &Invalid{p.Field, p.Rule, p.Example}
	}
	if err := may(as, &d, f); err != nil {
		return EntryView{}, err
	}
	e.Received = a.Now()
	s.Kind, s.Body, s.BodySha, s.PhoneTime, s.OffsetMs, s.ReceivedAt = f.Kind, raw, sum[:], f.PhoneTime, f.OffsetMs, e.Received
	s.Late, s.ClockJump = e.Received.After(as.DueAt), e.ClockJump()
	err = a.Store.InTx(ctx, func(q *store.Queries) error {
		if e.Kind == notebook.Photo {
			if err := ownsPicture(ctx, q, s, f.Refers); err != nil {
				return err
			}
		}
		added, err := q.AddEntry(ctx, s, a.limits().Entries)
		if err != nil || !added {
			return err
		}
		return q.Notify(ctx, store.Event{Class: s.ClassID, Kind: "entry", ID: s.AssignmentID})
	})
	if err != nil {
		return EntryView{}, err
	}
	had, err := a.Store.Entry(ctx, s.ClassID, s.ID)
	if errors.Is(err, store.ErrNotFound) { // nothing was added, and not because it is there
		if s.HomeID != nil && a.Store.HoldHome(ctx, s.ClassID, *s.HomeID) != nil {
			return EntryView{}, ErrNotFound
		}
		return EntryView{}, errFull("entries")
	}
	if err != nil {
		return EntryView{}, err
	}
	return again(&d, had, s, sum[:], w)
}

// again answers with what is stored under an id, if it is the same thing.
func again(d *design.Document, had, sent store.Entry, sum []byte, w notebook.Writer) (EntryView, error) {
	sameHome := had.HomeID == nil && sent.HomeID == nil || had.HomeID != nil && sent.HomeID != nil && *had.HomeID == *sent.HomeID
	if !sameHome || had.AssignmentID != sent.AssignmentID || !bytes.Equal(had.BodySha, sum) {
		return EntryView{}, &Refused{Code: "other-body", Detail: "Another entry has this id. Send it again under a new one."}
	}
	return viewEntry(d, had, w), nil
}

func ownsPicture(ctx context.Context, q *store.Queries, s store.Entry, refers string) error {
	id, err := uuid.Parse(refers)
	if err == nil {
		m, found := q.Media(ctx, s.ClassID, id)
		if found == nil && m.AssignmentID == s.AssignmentID && (m.HomeID == nil) == (s.HomeID == nil) && (m.HomeID == nil || *m.HomeID == *s.HomeID) {
			return nil
		}
		if found != nil && !errors.Is(found, store.ErrNotFound) {
			return found
		}
	}
	return &Invalid{"refers", "has to be a picture that was sent before", "the id under which it was put"}
}
