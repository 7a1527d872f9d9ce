package app

import (
	"bytes"
	"context"
	"crypto/sha256"
	"encoding/json"
	"errors"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/strict"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/media"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/sheets"
)

// readEntry brings a stored entry to the notebook's form.
func readEntry(s store.Entry) (notebook.Entry, entries.EntryFields) {
	var f entries.EntryFields
	_ = json.Unmarshal(s.Body, &f) // it was read before it was stored
	return asStored(s, f), f
}

// asStored is an entry of some fields with what the server knows of it.
func asStored(s store.Entry, f entries.EntryFields) notebook.Entry {
	e := f.Entry()
	e.ID, e.Provenance, e.Received, e.Late = s.ID.String(), notebook.Provenance(s.Provenance), s.ReceivedAt, s.Late
	return e
}

func viewEntry(d *design.Document, s store.Entry, w notebook.Writer) entries.EntryView {
	_, f := readEntry(s)
	return viewFields(d, s, f, w)
}

func viewFields(d *design.Document, s store.Entry, f entries.EntryFields, w notebook.Writer) entries.EntryView {
	e := asStored(s, f)
	v := entries.EntryView{
		ID:         s.ID,
		Entry:      f,
		Provenance: s.Provenance,
		ReceivedAt: s.ReceivedAt,
		Late:       s.Late,
		ClockJump:  s.ClockJump,
	}
	if q, ok := d.QuestionOf(e.Question); ok && e.Kind == notebook.Answer && q.Kind == "quantity" {
		v.Reply = reading.Understand(reading.Asked{Unit: unitOf(q)}, e.Text, w).Reply(w.Language)
		return v
	}
	if n, ok := d.Need(e.Refers); ok && e.Kind == notebook.Used {
		if asked, ok := n.AskedUsed(); ok {
			v.Reply = reading.Understand(asked, e.Typed, w).Reply(w.Language)
		}
		return v
	}
	r, ok := d.Reading(e.Slot.Reading)
	if e.Kind != notebook.Reading || !ok {
		return v
	}
	v.Reply = e.Reply(d, r, w)
	return v
}

// unitOf is the unit of a question for a number; a plain number without one.
func unitOf(q *design.Question) string {
	if q.Unit == "" {
		return "1"
	}
	return q.Unit
}

// Phone is a phone that says which home it belongs to; whoever takes something
// from it finds out whether that is so.
type Phone struct {
	HomeActor
	token []byte // hashed; nil where it is known already
}

// PhoneOf is a phone by what its cookie says.
func PhoneOf(class, home uuid.UUID, token string) Phone {
	return Phone{HomeActor{class, home}, keys.HashToken(token)}
}

// Known is a phone that was found out about before.
func Known(who HomeActor) Phone { return Phone{HomeActor: who} }

// PutEntry takes an entry from a phone. The same id with the same bytes is
// answered again; with other bytes it is refused. Thirty homes press at once:
// whether this phone, home and experiment may, is asked in the statement that
// stores it, and only where nothing was stored is it found out why.
func (a *App) PutEntry(ctx context.Context, p Phone, assignment, id uuid.UUID, raw []byte) (entries.EntryView, error) {
	d, err := a.doneNow(ctx, p.Class, assignment, p.Home)
	if err != nil {
		return entries.EntryView{}, a.afterLooking(ctx, p, notFound(err))
	}
	return a.putEntry(ctx, p, d, assignment, id, raw)
}

func (a *App) putEntry(
	ctx context.Context,
	p Phone,
	d doing,
	assignment, id uuid.UUID,
	raw []byte,
) (entries.EntryView, error) {
	s := store.Entry{
		ClassID:      p.Class,
		ID:           id,
		AssignmentID: assignment,
		HomeID:       &p.Home,
		Provenance:   string(notebook.Own),
	}
	f, bad := a.read(d.Document, &s, raw)
	if bad == nil && f.Kind == string(notebook.Swapped) && !d.version().supplies().Can(f.Refers, f.Choice[0]) {
		bad = refusal.Field("choice", refusal.Rule("swap"), "baking-powder")
	}
	var picture error
	if bad == nil && refersToMedia(f) {
		picture = a.ownsPicture(ctx, s, f)
	}
	if bad == nil && picture == nil {
		room, err := a.room(ctx, p, assignment)
		if err == nil {
			gate := store.Gate{Token: p.token, Permission: d.agreed, Plan: d.number, May: mayIn(d.issued, f),
				Writes: d.writes, Activity: activity(d.Document, f)}
			s.Late, err = a.write(ctx, d, s, f, gate)
		}
		if err != nil && !errors.Is(err, store.ErrNotFound) {
			return entries.EntryView{}, a.afterLooking(ctx, p, err)
		}
		if err == nil {
			key := [2]uuid.UUID{assignment, p.Home}
			a.shelf.room.Add(key, room-1)
			a.Store.Hint(store.Event{Class: p.Class, Kind: "entry", ID: assignment})
			if f.Kind == string(notebook.Swapped) {
				a.shelf.doings.Remove(key)
			}
			return viewFields(d.Document, s, f, writer(d.writes)), nil
		}
	}
	return a.notAdded(ctx, p, d, s, f, bad, picture)
}

// writer is who writes, as the notebook has it.
func writer(w store.Writes) notebook.Writer {
	return notebook.Writer{Language: text.In(w.Language, w.Zone), System: quantity.System(w.UnitSystem)}
}

// room is how many entries a home may still send before they are counted again: an
// eighth of what is left for each process, so that several do not take more than
// all. It reports ErrNotFound where there is none.
func (a *App) room(ctx context.Context, p Phone, assignment uuid.UUID) (int, error) {
	if room, _ := a.shelf.room.Get([2]uuid.UUID{assignment, p.Home}); room > 0 {
		return room, nil
	}
	most := a.limits().Entries
	had, err := a.Store.CountEntries(ctx, p.Class, assignment, p.Home, most)
	if err == nil && had >= most {
		err = store.ErrNotFound
	}
	return (most - had) / 8, err
}

// write stores an entry. Of an answer that was asked for before, only the first
// stands: another is refused with it, whichever phone it comes from.
func (a *App) write(
	ctx context.Context,
	d doing,
	s store.Entry,
	f entries.EntryFields,
	gate store.Gate,
) (late bool, err error) {
	if f.Kind == string(notebook.Swapped) {
		return a.writeSwap(ctx, s, gate)
	}
	q, ok := d.QuestionOf(f.Question)
	if f.Kind != string(notebook.Answer) || !ok || q.When != "before" {
		return a.Store.WriteEntry(ctx, s, gate)
	}
	err = a.Store.InTx(ctx, func(tx *store.Queries) error {
		if err := tx.LockHome(ctx, s.ClassID, *s.HomeID); err != nil {
			return err
		}
		said, err := tx.Answers(ctx, s.ClassID, s.AssignmentID, *s.HomeID)
		if err != nil {
			return err
		}
		for _, first := range said {
			if _, of := readEntry(first); of.Question == f.Question && first.ID != s.ID {
				return &refusal.Refused{Code: "predicted", Current: of}
			}
		}
		late, err = tx.WriteEntry(ctx, s, gate)
		return err
	})
	return late, err
}

// afterLooking gives an error to a phone that may hear it.
func (a *App) afterLooking(ctx context.Context, p Phone, err error) error {
	if p.token != nil {
		if _, stranger := a.Recognise(ctx, p); stranger != nil {
			return stranger
		}
	}
	return err
}

// notAdded finds out why an entry was not added: it is there, or it may not be.
func (a *App) notAdded(
	ctx context.Context,
	p Phone,
	d doing,
	s store.Entry,
	f entries.EntryFields,
	bad, picture error,
) (entries.EntryView, error) {
	if err := a.afterLooking(ctx, p, nil); err != nil {
		return entries.EntryView{}, err
	}
	a.shelf.doings.Remove([2]uuid.UUID{s.AssignmentID, p.Home})
	if now, err := a.doneNow(ctx, p.Class, s.AssignmentID, p.Home); err == nil && (now.number != d.number ||
		now.writes != d.writes) {
		// the home's plan, or its language, is another by now
		return a.putEntry(ctx, p, now, s.AssignmentID, s.ID, s.Body)
	}
	hc, err := a.homeContext(ctx, p.HomeActor)
	if err != nil {
		return entries.EntryView{}, err
	}
	had, err := a.Store.Entry(ctx, s.ClassID, s.ID)
	if err == nil {
		return again(d.Document, had, s, hc.writer) // before anything else, so that a repeat never fails
	}
	if !errors.Is(err, store.ErrNotFound) {
		return entries.EntryView{}, err
	}
	if bad != nil {
		return entries.EntryView{}, bad
	}
	as, err := a.Store.Assignment(ctx, s.ClassID, s.AssignmentID)
	if err != nil {
		return entries.EntryView{}, notFound(err)
	}
	permissions, err := a.Store.HomePermissions(ctx, p.Class, p.Home)
	if err != nil {
		return entries.EntryView{}, err
	}
	state := sheets.PermissionView{State: "asked"}
	if d.Way == design.WatchShared {
		state.State = "watching"
	}
	for _, given := range permissions {
		if given.AssignmentID == s.AssignmentID {
			state = viewPermission(given, d)
		}
	}
	if as.RecalledAt != nil {
		return entries.EntryView{}, errRecalled
	}
	if err := mayWrite(state.In(activity(d.Document, f)), f); err != nil {
		return entries.EntryView{}, err
	}
	if picture != nil {
		return entries.EntryView{}, picture
	}
	if err := a.Store.HoldHome(ctx, s.ClassID, p.Home); err != nil {
		return entries.EntryView{}, notFound(err)
	}
	return entries.EntryView{}, errFull("entries")
}

// PutSharedEntry takes one of the teacher's own readings, to be shared.
func (a *App) PutSharedEntry(
	ctx context.Context,
	who TeacherActor,
	class, assignment, id uuid.UUID,
	raw []byte,
) (entries.EntryView, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return entries.EntryView{}, err
	}
	as, err := a.Store.Assignment(ctx, class, assignment)
	if err != nil {
		return entries.EntryView{}, notFound(err)
	}
	d, err := a.issued(ctx, as)
	if err != nil {
		return entries.EntryView{}, err
	}
	w := notebook.Writer{Language: text.In(c.Language, c.Zone), System: quantity.System(c.UnitSystem)}
	s := store.Entry{ClassID: class, ID: id, AssignmentID: assignment, Provenance: string(notebook.Shared)}
	f, bad := a.read(d.Document, &s, raw)
	if bad == nil && refersToMedia(f) {
		bad = a.ownsPicture(ctx, s, f)
	}
	if had, err := a.Store.Entry(ctx, class, id); err == nil {
		return again(d.Document, had, s, w)
	} else if !errors.Is(err, store.ErrNotFound) {
		return entries.EntryView{}, err
	}
	if bad != nil {
		return entries.EntryView{}, bad
	}
	s.Late = s.ReceivedAt.After(as.DueAt)
	var added bool
	err = a.Store.InTx(ctx, func(q *store.Queries) error {
		if added, err = q.AddEntry(ctx, s, a.limits().Entries); err != nil || !added {
			return err
		}
		return q.Changed(ctx, store.Event{Class: class, Kind: "entry", ID: assignment})
	})
	if err != nil {
		return entries.EntryView{}, err
	}
	if had, err := a.Store.Entry(ctx, class, id); !added && err == nil { // two at once
		return again(d.Document, had, s, w)
	}
	if !added {
		return entries.EntryView{}, errFull("entries")
	}
	return viewEntry(d.Document, s, w), nil
}

// read reads and checks an entry, and fills in what is stored of it.
func (a *App) read(d *design.Document, s *store.Entry, raw []byte) (entries.EntryFields, error) {
	var f entries.EntryFields
	sum, now := sha256.Sum256(raw), a.Now().Truncate(time.Microsecond) // as it is stored
	s.Body, s.BodySha, s.ReceivedAt = raw, sum[:], now
	if err := json.Unmarshal(raw, &f); err != nil {
		return f, refusal.Field("body", refusal.Rule("entry-object"), `{"kind": "observation", "text": "it climbs"}`)
	}
	for _, stray := range strict.Find(raw, f, 20) {
		if stray.Twice { // a part that is not known may come from a newer phone: it is kept with the bytes
			return f, refusal.Field(
				strings.TrimPrefix(stray.Path, "/"),
				refusal.Rule("twice"),
				`{"kind": "observation", "text": "it climbs"}`,
			)
		}
	}
	if err := f.Check(now); err != nil {
		return f, err
	}
	e := f.Entry()
	if p := notebook.Fits(d, &e); p != nil {
		return f, refusal.Field(p.Field, p.Rule, p.Example)
	}
	e.Received = now
	s.Kind, s.PhoneTime, s.OffsetMs, s.ClockJump = f.Kind, f.PhoneTime, f.OffsetMs, e.ClockJump()
	return f, nil
}

// again answers with what is stored under an id, if it is the same thing.
func again(d *design.Document, had, sent store.Entry, w notebook.Writer) (entries.EntryView, error) {
	sameHome := had.HomeID == nil && sent.HomeID == nil ||
		had.HomeID != nil && sent.HomeID != nil && *had.HomeID == *sent.HomeID
	if !sameHome || had.AssignmentID != sent.AssignmentID || !bytes.Equal(had.BodySha, sent.BodySha) {
		return entries.EntryView{}, &refusal.Refused{Code: "other-body"}
	}
	return viewEntry(d, had, w), nil
}

// refersToMedia reports whether an entry is about a picture, clip or sound that was sent.
func refersToMedia(f entries.EntryFields) bool {
	return f.Kind == string(notebook.Photo) || f.Kind == string(notebook.Recorded)
}

func (a *App) ownsPicture(ctx context.Context, s store.Entry, f entries.EntryFields) error {
	id, err := uuid.Parse(f.Refers)
	if err == nil {
		m, found := a.Store.Media(ctx, s.ClassID, id)
		photo := f.Kind == string(notebook.Photo)
		if found == nil && photo == (m.Form == string(media.PictureForm)) &&
			m.AssignmentID == s.AssignmentID && (m.HomeID == nil) == (s.HomeID == nil) &&
			(m.HomeID == nil || *m.HomeID == *s.HomeID) {
			return nil
		}
		if found != nil && !errors.Is(found, store.ErrNotFound) {
			return found
		}
	}
	return refusal.Field("refers", refusal.Rule("picture"), "the id under which it was put")
}
