package app

import (
	"context"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/sheets"
)

// practiceFor is how long a draft seems to be open to the home that nobody lives in.
const practiceFor = 7 * 24 * time.Hour

// Practice is a draft as the page of a usual home, for its teacher to try: nothing of it
// is issued, and what is entered goes nowhere. Its class is the teacher's first, whose
// measures and numbers stand on it; the experiment's id stands for home and assignment.
func (a *App) Practice(ctx context.Context, who TeacherActor, experiment uuid.UUID, language string) (Bundle, error) {
	e, err := a.Store.Experiment(ctx, who.ID, experiment)
	if err != nil {
		return Bundle{}, notFound(err)
	}
	i, err := readIssued(e.Draft)
	if err != nil {
		return Bundle{}, &refusal.Refused{Code: "unreadable", Words: refusal.Why("unreadable", "problem", err.Error())}
	}
	classes, err := a.Store.Classes(ctx, who.ID)
	if err != nil {
		return Bundle{}, err
	}
	t, err := a.Store.Teacher(ctx, who.ID)
	if err != nil {
		return Bundle{}, err
	}
	class := store.Class{Zone: "UTC", UnitSystem: "metric"}
	if len(classes) > 0 {
		class = classes[0].Class
	}
	language = text.Of(language).Code
	reader := text.In(language, class.Zone)
	now := a.Now()
	as := store.Assignment{ID: experiment, OpensAt: now.Add(-time.Minute), DueAt: now.Add(practiceFor)}
	s := sheets.MeasuresOf(class.UnitSystem, reader).Sheet(i.homeSheet(as, reader, now))
	s.Permission = sheets.PermissionView{State: "granted", Photos: true}
	s.Entries = []entries.EntryView{}
	return Bundle{
		Home: HomeCard{
			ID: experiment, Nickname: text.Render(text.M("practice.home"), reader), Language: language, Locale: reader,
			Students: []string{}, Facts: map[string]string{},
		},
		Class:     cardOf(homeContext{class: class, teacher: t}),
		FirstAid:  sheets.FirstAid(reader),
		Sheets:    []sheets.Sheet{s},
		Languages: text.Languages,
	}, nil
}
