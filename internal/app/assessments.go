package app

import (
	"bytes"
	"context"
	"crypto/sha256"
	"errors"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/sheets"
)

// AssessmentFields are the school's own risk assessment of an experiment as it
// stands: who made it, when, and what it is about.
type AssessmentFields struct {
	By    string `json:"by" example:"R. Tarrant, head of science"`
	On    string `json:"on" doc:"Day it was made" example:"2026-11-27"`
	About string `json:"about" example:"Hot water in homes without a helper: 45 °C at most"`
}

// AssessmentView is the last assessment of an experiment.
type AssessmentView struct {
	Signed *AssessmentFields `json:"signed,omitempty" doc:"Left out where there is none"`
	Holds  bool              `json:"holds" doc:"It is of the design as it stands now; a change wants a new one"`
}

// Assessment reads the last assessment of an experiment.
func (a *App) Assessment(ctx context.Context, who TeacherActor, experiment uuid.UUID) (AssessmentView, error) {
	e, err := a.Store.Experiment(ctx, who.ID, experiment)
	if err != nil {
		return AssessmentView{}, notFound(err)
	}
	last, err := a.Store.LatestAssessment(ctx, experiment)
	if errors.Is(err, store.ErrNotFound) {
		return AssessmentView{}, nil
	}
	sum := sha256.Sum256(e.Draft)
	return AssessmentView{
		&AssessmentFields{last.ByWhom, last.AssessedOn.Format(time.DateOnly), last.About},
		bytes.Equal(sum[:], last.Sha256),
	}, err
}

// Assess signs the school's assessment for the experiment as it stands.
func (a *App) Assess(
	ctx context.Context,
	who TeacherActor,
	experiment uuid.UUID,
	f AssessmentFields,
) (AssessmentView, error) {
	e, err := a.Store.Experiment(ctx, who.ID, experiment)
	if err != nil {
		return AssessmentView{}, notFound(err)
	}
	f.By, f.About = strings.Join(strings.Fields(f.By), " "), strings.TrimSpace(f.About)
	if f.By == "" || len([]rune(f.By)) > 80 {
		return AssessmentView{}, refusal.Field("by", refusal.Rule("assessor"), "R. Tarrant, head of science")
	}
	if f.About == "" || len([]rune(f.About)) > 200 {
		return AssessmentView{}, refusal.Field("about", refusal.Rule("assessed"), "Hot water: 45 °C at most")
	}
	day, err := time.Parse(time.DateOnly, f.On)
	if err != nil || day.After(a.Now().AddDate(0, 0, 1)) || day.Before(a.Now().AddDate(-5, 0, 0)) {
		return AssessmentView{}, refusal.Field("on", refusal.Rule("assessed-on"), a.Now().Format(time.DateOnly))
	}
	sum := sha256.Sum256(e.Draft)
	s := store.Assessment{
		ID:           store.NewID(),
		ExperimentID: experiment,
		Sha256:       sum[:],
		ByWhom:       f.By,
		About:        f.About,
		AssessedOn:   day,
		SignedAt:     a.Now(),
	}
	return AssessmentView{&f, true}, a.Store.AddAssessment(ctx, s)
}

// assessedLine is how an assessment stands on the sheet.
func assessedLine(s store.Assessment, language string) sheets.SheetLine {
	return sheets.SheetLine{Text: text.Render(text.Message{ID: "safety.sheet.assessed", Args: text.Args{
		"by": s.ByWhom, "date": s.AssessedOn.Format(time.DateOnly), "about": sheets.Ended(s.About)}}, language)}
}
