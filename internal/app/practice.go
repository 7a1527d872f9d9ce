package app

import (
	"cmp"
	"context"
	"slices"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/kitchens"
	"patient-kitchen/internal/view/sheets"
)

// practiceFor is how long a draft seems to be open to the home that nobody lives in.
const practiceFor = 7 * 24 * time.Hour

// trial is a draft as a home of a class would do it.
type trial struct {
	*issued
	class   store.Class
	teacher store.Teacher
	home    string // nickname; empty for a usual home
}

// trial works a draft out for a home that it is not issued to: with the kitchen and the
// tools that this home told of, or as a usual home of a class. Without a class it is the
// teacher's first.
func (a *App) trial(ctx context.Context, who TeacherActor, experiment, class, home uuid.UUID) (trial, error) {
	t, err := a.Store.Teacher(ctx, who.ID)
	if err != nil {
		return trial{}, err
	}
	if home != uuid.Nil {
		return a.trialOf(ctx, who, t, experiment, class, home)
	}
	out := trial{class: store.Class{Zone: "UTC", UnitSystem: "metric"}, teacher: t}
	if class != uuid.Nil {
		out.class, err = a.class(ctx, who, class)
	} else if classes, all := a.Store.Classes(ctx, who.ID); all != nil {
		err = all
	} else if len(classes) > 0 {
		out.class = classes[0].Class
	}
	if err != nil {
		return trial{}, err
	}
	e, err := a.Store.Experiment(ctx, who.ID, experiment)
	if err != nil {
		return trial{}, notFound(err)
	}
	if out.issued, err = readIssued(e.Draft); err != nil {
		return trial{}, &refusal.Refused{Code: "unreadable", Words: refusal.Why("unreadable", "problem", err.Error())}
	}
	return out, nil
}

// trialOf is the same for a home, by its own plan.
func (a *App) trialOf(
	ctx context.Context, who TeacherActor, t store.Teacher, experiment, class, home uuid.UUID,
) (trial, error) {
	s, _, err := a.station(ctx, who, experiment, class)
	if err != nil {
		return trial{}, err
	}
	at := slices.IndexFunc(s.homes, func(h kitchens.Home) bool { return h.ID == home })
	if at < 0 {
		return trial{}, refusal.ErrNotFound
	}
	d := s.supplies.Design()
	w := planWriter{store.Assignment{ClassID: s.class.ID, ID: experiment}, d, map[*design.Document]planParts{}}
	row, err := w.row(&s.supplies.Fit(s.of).Homes[at])
	if err != nil {
		return trial{}, err
	}
	own, err := newIssued(d, nil).with(row)
	return trial{own, s.class.Class, t, s.homes[at].Nickname}, err
}

// Practice is a draft as the page of a home of a class, or of a usual one, for its teacher
// to try: nothing of it is issued, and what is entered goes nowhere. The experiment's id
// stands for home and assignment.
func (a *App) Practice(ctx context.Context, who TeacherActor, experiment, class, home uuid.UUID,
	language string) (Bundle, error) {
	t, err := a.trial(ctx, who, experiment, class, home)
	if err != nil {
		return Bundle{}, err
	}
	language = text.Of(language).Code
	reader := text.In(language, t.class.Zone)
	now := a.Now()
	as := store.Assignment{ID: experiment, OpensAt: now.Add(-time.Minute), DueAt: now.Add(practiceFor)}
	s := sheets.MeasuresOf(t.class.UnitSystem, reader).Sheet(t.homeSheet(as, reader, now))
	s.Permission = sheets.PermissionView{State: "granted", Photos: true}
	s.Entries = []entries.EntryView{}
	return Bundle{
		Home: HomeCard{
			ID: experiment, Nickname: cmp.Or(t.home, text.Render(text.M("practice.home"), reader)), Language: language,
			Locale:   reader,
			Students: []string{}, Facts: map[string]string{},
		},
		Class:     cardOf(homeContext{class: t.class, teacher: t.teacher}),
		FirstAid:  sheets.FirstAid(reader),
		Sheets:    []sheets.Sheet{s},
		Languages: text.Languages,

		Recordings: a.Recorder != nil,
	}, nil
}
