package app

import (
	"context"
	"crypto/sha256"
	"encoding/json"
	"strings"

	"github.com/google/uuid"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/results"
)

// Notebook opens one home's notebook of an assignment.
func (a *App) Notebook(
	ctx context.Context,
	who TeacherActor,
	class, assignment, home uuid.UUID,
	language string,
) (results.NotebookView, error) {
	b, err := a.classBooks(ctx, who, class, assignment, home)
	if err != nil {
		return results.NotebookView{}, err
	}
	for _, h := range b.homes {
		book := b.books[home]
		out := results.NotebookView{
			Result: results.ViewHome(homeOf(h), b.permissions[home].State, book, language),
			Lines:  []results.NotebookLine{},
		}
		out.Held = results.Held(book, language)
		fates := map[string]notebook.Past{}
		for i := range book.Cells {
			for _, l := range book.Cells[i].History {
				fates[l.Entry.ID] = l
			}
		}
		for _, row := range b.entries[home] {
			e, _ := readEntry(row)
			if e.Kind == notebook.Fact || e.Kind == notebook.Heaped {
				continue // the home's own, and what is the teacher's of the whole class
			}
			line := results.NotebookLine{
				EntryView:  viewEntry(book.Design, row, book.Writer),
				MeasuredAt: e.Measured(),
			}
			line.Answered(book.Design, book, &e, language)
			if f, ok := fates[e.ID]; ok {
				line.Fate, line.FateReason = f.Fate, f.Reason
			}
			out.Lines = append(out.Lines, line)
		}
		return out, nil
	}
	return results.NotebookView{}, refusal.ErrNotFound
}

// DeskFields are what a teacher writes into a home's notebook, with the reason:
// nothing there is changed silently.
type DeskFields struct {
	Kind   string          `json:"kind" enum:"vouched,set-aside,asked,reading,heap" doc:"A guarded step counts; a reading does not; a question about it; a value in its place; what was shown is sorted onto a heap"`
	Step   string          `json:"step,omitempty" doc:"Of what counts all the same"`
	Refers string          `json:"refers,omitempty" doc:"Id of the reading"`
	Reason string          `json:"reason,omitempty" example:"Grandma told me on the phone that she was there"`
	Text   string          `json:"text,omitempty" doc:"What is asked"`
	Typed  string          `json:"typed,omitempty" doc:"The value in its place, as typed"`
	Value  *notebook.Given `json:"value,omitempty" doc:"The same, of a reading that is no quantity"`

	Evidence string `json:"evidence,omitempty" doc:"Of a heap: id of what was shown"`
	Heap     string `json:"heap,omitempty" enum:"yes,partly,no,cannot-tell,none" doc:"Onto which it is sorted; none takes it off again"`
}

// WriteAtDesk writes into a home's notebook what the teacher says of it.
func (a *App) WriteAtDesk(
	ctx context.Context,
	who TeacherActor,
	class, assignment, home uuid.UUID,
	in DeskFields,
) error {
	if _, err := a.class(ctx, who, class); err != nil {
		return err
	}
	as, err := a.Store.Assignment(ctx, class, assignment)
	if err != nil {
		return notFound(err)
	}
	if _, err := a.Store.Home(ctx, class, home); err != nil {
		return notFound(err)
	}
	d, err := a.doneBy(ctx, as, home)
	if err != nil {
		return err
	}
	said, err := a.Store.HomeEntries(ctx, class, home)
	if err != nil {
		return err
	}
	now := a.Now()
	f := entries.EntryFields{
		Kind:      in.Kind,
		Step:      in.Step,
		Refers:    in.Refers,
		Reason:    strings.TrimSpace(in.Reason),
		Text:      strings.TrimSpace(in.Text),
		PhoneTime: now,
	}
	kind := notebook.Kind(in.Kind)
	if kind == notebook.Heaped {
		f.Evidence, f.Choice = in.Evidence, []string{in.Heap}
	}
	if kind != notebook.Asked && kind != notebook.Heaped && len([]rune(f.Reason)) < safety.LeastReason {
		return refusal.Field(
			"reason",
			refusal.Rule("reason-letters", "n", safety.LeastReason),
			"Grandma told me on the phone that she was there",
		)
	}
	switch kind {
	case notebook.Heaped:
	case notebook.Vouched:
		known, err := a.knownOf(ctx, HomeActor{class, home})
		if err != nil {
			return err
		}
		if d.guards(known(said))[f.Step] == "" {
			return refusal.Field("step", refusal.Rule("waiting-step"), "")
		}
	default:
		of, ok := readingOf(said, assignment, in.Refers)
		if !ok {
			return refusal.Field("refers", refusal.Rule("home-reading"), "")
		}
		if kind == notebook.Reading {
			f.At(of.Slot)
			f.Step, f.Instrument, f.Typed, f.Value = of.Step, of.Instrument, in.Typed, in.Value
			if strings.TrimSpace(in.Typed) == "" && in.Value == nil {
				return refusal.Field("typed", refusal.Rule("value-instead"), "42 mm")
			}
		}
	}
	if err := f.Check(now); err != nil {
		return err
	}
	e := f.Entry()
	if p := notebook.Fits(d.Document, &e); p != nil {
		return refusal.Field(p.Field, p.Rule, p.Example)
	}
	raw, err := json.Marshal(f)
	if err != nil {
		return err
	}
	sum := sha256.Sum256(raw)
	row := store.Entry{
		ClassID:      class,
		ID:           store.NewID(),
		AssignmentID: assignment,
		HomeID:       &home,
		Provenance:   string(notebook.Desk),
		Kind:         f.Kind,
		Body:         raw,
		BodySha:      sum[:],
		PhoneTime:    now,
		ReceivedAt:   now,
		Late:         now.After(as.DueAt),
	}
	return a.audited(ctx, who, class, &home, "entry", in.Kind, func(q *store.Queries) error {
		added, err := q.AddEntry(ctx, row, a.limits().Entries)
		if err == nil && !added {
			err = errFull("entries")
		}
		return err
	})
}

// readingOf finds a reading of a home in an assignment.
func readingOf(rows []store.Entry, assignment uuid.UUID, id string) (notebook.Entry, bool) {
	for _, r := range rows {
		if e, _ := readEntry(r); r.AssignmentID == assignment && e.Kind == notebook.Reading && e.ID == id {
			return e, true
		}
	}
	return notebook.Entry{}, false
}

// OwnResult works out a home's own result.
func (a *App) OwnResult(ctx context.Context, who HomeActor, assignment uuid.UUID) (results.OwnResult, error) {
	hc, err := a.homeContext(ctx, who)
	if err != nil {
		return results.OwnResult{}, err
	}
	as, err := a.Store.Assignment(ctx, who.Class, assignment)
	if err != nil {
		return results.OwnResult{}, notFound(err)
	}
	d, err := a.doneBy(ctx, as, who.Home)
	if err != nil {
		return results.OwnResult{}, err
	}
	known, err := a.knownOf(ctx, who)
	if err != nil {
		return results.OwnResult{}, err
	}
	permissions, err := a.Store.HomePermissions(ctx, who.Class, who.Home)
	if err != nil {
		return results.OwnResult{}, err
	}
	watching := d.Way == design.WatchShared
	var without []string
	for _, p := range permissions {
		if p.AssignmentID == assignment {
			watching = watching || p.Kind == "declined"
			without = p.Without
		}
	}
	own, err := a.Store.HomeEntries(ctx, who.Class, who.Home)
	if err != nil {
		return results.OwnResult{}, err
	}
	book := openBook(d.Document, ofAssignment(own, assignment), hc.writer, d.guarded(known(own), without))
	if watching {
		shared, err := a.Store.SharedEntries(ctx, who.Class)
		if err != nil {
			return results.OwnResult{}, err
		}
		book = sharedBook(d.Document, shared, assignment, hc.class, hc.reader)
	}
	out := results.OwnResult{
		Shared:   watching,
		Derived:  []results.DerivedRow{},
		Results:  []results.ResultView{},
		Sentence: []string{},
		SentAt:   openBook(d.Document, ofAssignment(own, assignment), hc.writer, nil).SentAt,
	}
	for _, x := range d.Outcomes() {
		name, _ := x.Name.In(hc.reader)
		out.Derived = append(out.Derived, results.DerivedRow{ID: x.ID, Name: name, Unit: x.Unit, Formula: x.Formula})
	}
	for _, r := range notebook.Derive(book) {
		out.Results = append(out.Results, results.ViewResult(r, hc.reader))
	}
	for _, m := range compare.Differences(book) {
		out.Sentence = append(out.Sentence, text.Render(m, hc.reader))
	}
	return out, nil
}

func ofAssignment(rows []store.Entry, assignment uuid.UUID) []store.Entry {
	var out []store.Entry
	for _, r := range rows {
		if r.AssignmentID == assignment {
			out = append(out, r)
		}
	}
	return out
}
