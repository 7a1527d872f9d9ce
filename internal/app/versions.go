package app

import (
	"context"
	"encoding/json"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/sheets"
)

// VersionView is a frozen version in the list of an experiment's versions.
type VersionView struct {
	Number   int       `json:"number"`
	FrozenAt time.Time `json:"frozen_at"`
	Classes  []string  `json:"classes" doc:"Names of the classes that it went to"`
}

// VersionFile is a frozen version with its document, in the present schema.
type VersionFile struct {
	Number   int             `json:"number"`
	Document json.RawMessage `json:"document"`
	Told     []string        `json:"told" doc:"What families are told that did the version before"`
}

// Versions lists the frozen versions of one of the teacher's experiments, the latest first.
func (a *App) Versions(ctx context.Context, who TeacherActor, experiment uuid.UUID) ([]VersionView, error) {
	if _, err := a.Store.Experiment(ctx, who.ID, experiment); err != nil {
		return nil, notFound(err)
	}
	rows, err := a.Store.Versions(ctx, experiment)
	out := make([]VersionView, 0, len(rows))
	for _, r := range rows {
		out = append(out, VersionView{r.Number, r.FrozenAt, r.Classes})
	}
	return out, err
}

// Version is a frozen version of one of the teacher's experiments.
func (a *App) Version(ctx context.Context, who TeacherActor, experiment uuid.UUID, number int,
	language string) (VersionFile, error) {
	if _, err := a.Store.Experiment(ctx, who.ID, experiment); err != nil {
		return VersionFile{}, notFound(err)
	}
	v, err := a.Store.VersionNumber(ctx, experiment, number)
	if err != nil {
		return VersionFile{}, notFound(err)
	}
	d, err := design.Read(v.Document)
	if err != nil {
		return VersionFile{}, err
	}
	raw, err := json.Marshal(d)
	out := VersionFile{number, raw, []string{}}
	if err != nil || number == 1 {
		return out, err
	}
	before, err := a.Store.VersionNumber(ctx, experiment, number-1)
	if err != nil {
		return out, notFound(err)
	}
	old, err := design.Read(before.Document)
	if err != nil {
		return out, err
	}
	out.Told = sheets.SayAll(design.ChangedSince(&old, &d), language)
	return out, nil
}

// newSince is what a home is told of a version whose class had an earlier one of the same
// experiment.
func (a *App) newSince(ctx context.Context, as store.Assignment, d *design.Document, all []store.Assignment,
	language string) (sheets.News, error) {
	var before *store.Assignment
	for i := range all {
		if x := &all[i]; x.ExperimentID == as.ExperimentID && x.Number < as.Number && (before == nil ||
			x.Number > before.Number) {
			before = x
		}
	}
	if before == nil {
		return sheets.News{}, nil
	}
	old, err := a.issued(ctx, *before)
	if err != nil {
		return sheets.News{}, err
	}
	return sheets.News{Since: before.Number, Lines: sheets.SayAll(design.ChangedSince(old.version().Document, d),
		text.Base(language))}, nil
}
