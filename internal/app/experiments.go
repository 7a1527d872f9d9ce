package app

import (
	"context"
	"encoding/json"
	"errors"
	"slices"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/review"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/sheets"
)

// ExperimentRow is an experiment in the list.
type ExperimentRow struct {
	ID        uuid.UUID         `json:"id"`
	Title     string            `json:"title"`
	Question  text.Localized    `json:"question,omitempty"`
	AgeBand   string            `json:"age_band,omitempty"`
	Series    text.Localized    `json:"series,omitempty" doc:"The series that it belongs to"`
	Number    int               `json:"number,omitempty" doc:"Its place in the series"`
	Minutes   int               `json:"minutes" doc:"From first step to last"`
	Hands     int               `json:"hands" doc:"Minutes in which hands are busy"`
	Spans     []sheets.SpanView `json:"spans"`
	UpdatedAt time.Time         `json:"updated_at"`
	Version   int               `json:"version"`
	Adult     bool              `json:"adult" doc:"An adult has to be there at one of its steps"`
	Problem   string            `json:"problem,omitempty" doc:"Why it cannot be judged"`
}

// DraftView is an experiment's draft with all that it means now.
type DraftView struct {
	ID       uuid.UUID         `json:"id"`
	Version  int               `json:"version"`
	Document json.RawMessage   `json:"document"`
	Review   drafts.ReviewView `json:"review"`
}

// AddExperiment makes an experiment from a document; an invalid one is kept
// and explained, one with parts that are not known is refused.
func (a *App) AddExperiment(ctx context.Context, who TeacherActor, raw []byte, language string) (DraftView, error) {
	if err := errors.Join(drafts.CheckDraft(raw), drafts.Strange(raw)); err != nil {
		return DraftView{}, err
	}
	e := store.Experiment{
		ID:        store.NewID(),
		TeacherID: who.ID,
		Title:     drafts.TitleOf(raw),
		Draft:     raw,
		Version:   1,
		CreatedAt: a.Now(),
	}
	return DraftView{e.ID, 1, raw, drafts.Review(raw, language)}, a.Store.AddExperiment(ctx, e)
}

// SaveDraft replaces the draft that still has the version given.
func (a *App) SaveDraft(
	ctx context.Context,
	who TeacherActor,
	id uuid.UUID,
	version int,
	raw []byte,
	language string,
) (DraftView, error) {
	if err := drafts.CheckDraft(raw); err != nil {
		return DraftView{}, err
	}
	e, err := a.Store.Experiment(ctx, who.ID, id)
	if err != nil {
		return DraftView{}, notFound(err)
	}
	e.Draft, e.Title = raw, drafts.TitleOf(raw)
	now := e.Version
	e.Version = version
	saved, err := a.Store.SaveDraft(ctx, e, a.Now())
	if errors.Is(err, store.ErrNotFound) {
		current, _ := a.Draft(ctx, who, id, language)
		return DraftView{}, &refusal.Refused{Code: "changed-elsewhere",
			Words: refusal.Why("changed-elsewhere.experiment", "n", now), Current: current}
	}
	return DraftView{id, saved, raw, drafts.Review(raw, language)}, err
}

// Draft finds an experiment's draft, lifted to the present schema for editing.
func (a *App) Draft(ctx context.Context, who TeacherActor, id uuid.UUID, language string) (DraftView, error) {
	e, err := a.Store.Experiment(ctx, who.ID, id)
	if err != nil {
		return DraftView{}, notFound(err)
	}
	return DraftView{e.ID, e.Version, design.Lift(e.Draft), drafts.Review(e.Draft, language)}, nil
}

// DraftFile is an experiment's draft as an open file, byte for byte as it was
// saved.
func (a *App) DraftFile(ctx context.Context, who TeacherActor, id uuid.UUID) ([]byte, error) {
	e, err := a.Store.Experiment(ctx, who.ID, id)
	return e.Draft, notFound(err)
}

// Experiments lists the teacher's experiments.
func (a *App) Experiments(ctx context.Context, who TeacherActor, language string) ([]ExperimentRow, error) {
	rows, err := a.Store.Experiments(ctx, who.ID)
	out := make([]ExperimentRow, 0, len(rows))
	for _, e := range rows {
		row := ExperimentRow{
			ID:        e.ID,
			Title:     drafts.Titled(e.Title, language),
			UpdatedAt: e.UpdatedAt,
			Version:   e.Version,
			Spans:     []sheets.SpanView{},
		}
		if err := drafts.Judged(func() error { return row.judge(e.Draft, language) }); err != nil {
			row.Problem = text.Render(text.M("experiments.unjudged", "problem", text.Why(err)), language)
		}
		out = append(out, row)
	}
	return out, err
}

func (row *ExperimentRow) judge(draft []byte, language string) error {
	d, err := design.Read(draft)
	if err != nil {
		return err
	}
	r := review.Of(&d)
	row.Question, row.AgeBand, row.Spans = d.Question, string(d.AgeBand), sheets.Spans(&d, r, language)
	row.Series, row.Number = d.Teaching.Series, d.Teaching.Number
	row.Adult = slices.ContainsFunc(row.Spans, func(s sheets.SpanView) bool { return s.Adult })
	row.Minutes, row.Hands = int(r.Timeline.Total.Minutes()+0.5), int(r.Timeline.Hands.Minutes()+0.5)
	return nil
}

// CopyExperiment makes an experiment of another's draft, called a copy in each of its
// languages. Whatever else stands in the draft stays as it is.
func (a *App) CopyExperiment(ctx context.Context, who TeacherActor, id uuid.UUID, language string) (DraftView, error) {
	e, err := a.Store.Experiment(ctx, who.ID, id)
	if err != nil {
		return DraftView{}, notFound(err)
	}
	var parts map[string]json.RawMessage
	if err := json.Unmarshal(e.Draft, &parts); err != nil {
		return DraftView{},
			&refusal.Refused{Code: "unreadable", Words: refusal.Why("unreadable", "problem", err.Error())}
	}
	title := text.Localized{}
	for code, words := range drafts.TitleOf(e.Draft) {
		title[code] = text.Render(text.M("experiments.copy-of", "title", text.Raw(words)), code)
	}
	if parts["title"], err = json.Marshal(title); err != nil {
		return DraftView{}, err
	}
	raw, err := json.Marshal(parts)
	if err != nil {
		return DraftView{}, err
	}
	return a.AddExperiment(ctx, who, raw, language)
}

// ReadingText is a draft as a text for reading, in one language.
func (a *App) ReadingText(ctx context.Context, who TeacherActor, id uuid.UUID, language string) (string, error) {
	e, err := a.Store.Experiment(ctx, who.ID, id)
	if err != nil {
		return "", notFound(err)
	}
	var out string
	err = drafts.Judged(func() error {
		d, err := design.Read(e.Draft)
		if err == nil {
			out = drafts.Markdown(&d, language)
		}
		return err
	})
	if err != nil {
		return "", &refusal.Refused{Code: "unreadable", Words: refusal.Why("unreadable", "problem", err.Error())}
	}
	return out, nil
}

// DeleteExperiment takes an experiment off the list; RestoreExperiment brings
// it back. What was issued of it stays.
func (a *App) DeleteExperiment(ctx context.Context, who TeacherActor, id uuid.UUID) error {
	now := a.Now()
	return notFound(a.Store.SetExperimentDeleted(ctx, who.ID, id, &now))
}

// RestoreExperiment brings a deleted experiment back.
func (a *App) RestoreExperiment(ctx context.Context, who TeacherActor, id uuid.UUID) error {
	return notFound(a.Store.SetExperimentDeleted(ctx, who.ID, id, nil))
}
