package app

import (
	"cmp"
	"context"
	"io"
	"math/rand/v2"
	"slices"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/rehearsal"
	"patient-kitchen/core/review"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/kitchens"
)

// station is an experiment with a class, for the Kitchens station.
type station struct {
	supplies *fit.Supplies
	class    store.ClassRow
	classes  []store.ClassRow
	homes    []kitchens.Home
	of       kitchen.Class
}

// station opens an experiment with one of the teacher's classes; without one it takes the
// first. It reports false where the teacher has none.
func (a *App) station(ctx context.Context, who TeacherActor, experiment, class uuid.UUID) (station, bool, error) {
	e, err := a.Store.Experiment(ctx, who.ID, experiment)
	if err != nil {
		return station{}, false, notFound(err)
	}
	var s station
	if s.classes, err = a.Store.Classes(ctx, who.ID); err != nil {
		return station{}, false, err
	}
	at := slices.IndexFunc(s.classes, func(c store.ClassRow) bool { return c.ID == class })
	if at < 0 && class != uuid.Nil {
		return station{}, false, refusal.ErrNotFound
	}
	if len(s.classes) == 0 {
		return station{}, false, nil
	}
	s.class = s.classes[max(0, at)]
	if s.homes, s.of, err = kitchensOf(ctx, &a.Store.Queries, s.class.ID, experiment); err != nil {
		return station{}, false, err
	}
	s.of.Measures = s.class.UnitSystem
	s.supplies, err = suppliesOf(e.Draft)
	if err != nil {
		return station{}, false, &refusal.Refused{
			Code:  "unreadable",
			Words: refusal.Why("unreadable", "problem", err.Error()),
		}
	}
	return s, true, nil
}

// Kitchens is the Kitchens station: an experiment as each home of a class would do it, or
// would if something were fixed that is tried.
func (a *App) Kitchens(
	ctx context.Context,
	who TeacherActor,
	experiment, class uuid.UUID,
	try *kitchen.Pin,
	language string,
) (kitchens.Matrix, error) {
	s, ok, err := a.station(ctx, who, experiment, class)
	if err != nil {
		return kitchens.Matrix{}, err
	}
	if !ok {
		return kitchens.NoClass(), nil
	}
	of := s.of
	if try != nil {
		of = of.With(*try)
	}
	out := kitchens.MatrixOf(s.supplies, s.homes, of, s.supplies.Fit(of), language)
	out.Class, out.ClassName = s.class.ID, s.class.Name
	for _, c := range s.classes {
		out.Classes = append(out.Classes, kitchens.ClassName{ID: c.ID, Name: c.Name})
	}
	asked, err := a.Store.AskedOf(ctx, s.class.ID)
	for _, k := range asked {
		if k.ExperimentID == experiment {
			out.AskedAt = &k.AskedAt
		}
	}
	return out, err
}

// CellSupplies are what a home can do a need with of an experiment.
func (a *App) CellSupplies(
	ctx context.Context,
	who TeacherActor,
	experiment, class, home uuid.UUID,
	need, language string,
) (kitchens.CellSupplies, error) {
	s, ok, err := a.station(ctx, who, experiment, class)
	if err != nil {
		return kitchens.CellSupplies{}, err
	}
	supplies, found := kitchens.CellSupplies{}, false
	if ok {
		supplies, found = kitchens.SuppliesOf(s.supplies, s.of, home.String(), need, language)
	}
	if !found {
		return kitchens.CellSupplies{}, refusal.ErrNotFound
	}
	return supplies, nil
}

// rehearsedClasses are how many classes are played for an answer.
const rehearsedClasses = 10_000

// Rehearse plays an experiment with a class as it is now: the same answer for the same
// design and kitchens.
func (a *App) Rehearse(
	ctx context.Context,
	who TeacherActor,
	experiment, class uuid.UUID,
	language string,
) (kitchens.Rehearsal, error) {
	s, ok, err := a.station(ctx, who, experiment, class)
	if err != nil {
		return kitchens.Rehearsal{}, err
	}
	if !ok {
		return kitchens.RehearsalOf(rehearsal.Answer{}, language), nil
	}
	chance := rand.New(rand.NewPCG(1, 2)) //nolint:gosec // made-up homes, not secrets
	answer := rehearsal.Rehearse(s.supplies.Design(), s.supplies.Fit(s.of).Homes, rehearsedClasses, chance)
	return kitchens.RehearsalOf(answer, language), nil
}

// JudgeFor judges a document that is not stored with one of the teacher's classes: with
// its homes, and the kitchens of those that have said something.
func (a *App) JudgeFor(ctx context.Context, who TeacherActor, raw []byte, class uuid.UUID,
	language string) (drafts.ReviewView, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return drafts.ReviewView{}, err
	}
	homes, of, err := kitchensOf(ctx, &a.Store.Queries, class, uuid.Nil)
	if err != nil {
		return drafts.ReviewView{}, err
	}
	with := review.Class{Homes: len(homes)}
	said := kitchen.Class{Measures: c.UnitSystem}
	for i, h := range homes {
		if h.Answers.Said() {
			said.Homes = append(said.Homes, of.Homes[i])
		}
	}
	if d, err := design.Read(raw); err == nil && len(said.Homes) > 0 {
		err = drafts.Judged(func() error { with.Plans = fit.SuppliesOf(&d).Fit(said).Homes; return nil })
		if err != nil {
			return drafts.ReviewView{}, err
		}
	}
	return drafts.ReviewFor(raw, &with, language), nil
}

// UnfoldFor puts one wait of a draft to the clock, with the homes of a class where one is
// named, each with the hours it has said.
func (a *App) UnfoldFor(ctx context.Context, who TeacherActor, raw []byte, step, begin string, class *uuid.UUID,
	language string) (drafts.UnfoldedView, error) {
	var hours []schedule.Hours
	if class != nil {
		c, err := a.class(ctx, who, *class)
		if err != nil {
			return drafts.UnfoldedView{}, err
		}
		homes, _, err := kitchensOf(ctx, &a.Store.Queries, *class, uuid.Nil)
		if err != nil {
			return drafts.UnfoldedView{}, err
		}
		for _, h := range homes {
			own := hoursOf(c, h.Answers.Hours)
			own.Off = nil // on an ordinary day
			hours = append(hours, own)
		}
	}
	return drafts.Unfold(raw, step, begin, hours, language)
}

// ReadyFor are the ready experiments against the kitchens of a class, those first that the
// most homes can do at once.
func (a *App) ReadyFor(
	ctx context.Context, who TeacherActor, class uuid.UUID, language string,
) ([]kitchens.Ready, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return nil, err
	}
	_, of, err := kitchensOf(ctx, &a.Store.Queries, class, uuid.Nil)
	if err != nil {
		return nil, err
	}
	of.Measures = c.UnitSystem
	var out []kitchens.Ready
	for _, name := range docs.Ready {
		raw, err := docs.Example(name)
		if err != nil {
			return nil, err
		}
		supplies, err := suppliesOf(raw)
		if err != nil {
			return nil, err
		}
		out = append(out, kitchens.ReadyOf(name, supplies, of, language))
	}
	return kitchens.Ranked(out), nil
}

// KitchenTable writes what the homes of a class said for an experiment as a table.
func (a *App) KitchenTable(
	ctx context.Context,
	who TeacherActor,
	class, experiment uuid.UUID,
	language string,
	out io.Writer,
) error {
	s, ok, err := a.station(ctx, who, experiment, class)
	if err != nil || !ok {
		return cmp.Or(err, refusal.ErrNotFound)
	}
	return kitchens.Table(out, s.homes, kitchens.Asked([]*fit.Supplies{s.supplies}, language), language)
}

// ReadKitchens is what became of a table of kitchens.
type ReadKitchens struct {
	Saved    int      `json:"saved" doc:"Homes whose answers were kept"`
	Problems []string `json:"problems" doc:"What could not be read; the rest was kept"`
}

// ReadKitchenTable keeps what a table says of the homes of a class.
func (a *App) ReadKitchenTable(
	ctx context.Context,
	who TeacherActor,
	class, experiment uuid.UUID,
	typed, language string,
) (ReadKitchens, error) {
	out := ReadKitchens{Problems: []string{}}
	s, ok, err := a.station(ctx, who, experiment, class)
	if err != nil || !ok {
		return out, cmp.Or(err, refusal.ErrNotFound)
	}
	read := kitchens.ReadTable(typed, s.homes, kitchens.Asked([]*fit.Supplies{s.supplies}, language))
	for _, p := range read.Problems {
		out.Problems = append(out.Problems, text.Render(p, language))
	}
	for _, h := range s.homes {
		if f, said := read.Answers[h.Nickname]; said {
			if err := a.SaveKitchen(ctx, who, class, h.ID, f); err != nil {
				return out, err
			}
			out.Saved++
		}
	}
	return out, nil
}

// PrintedSurvey is what homes are asked, for paper.
type PrintedSurvey struct {
	Language, School, Class, Title string
	Questions                      []kitchens.Question
	Facts                          []kitchens.Fact
	Own                            []kitchens.OwnRow
}

// PrintSurvey is the survey of an experiment for a class on paper.
func (a *App) PrintSurvey(ctx context.Context, who TeacherActor, class, experiment uuid.UUID,
	language string) (PrintedSurvey, error) {
	s, ok, err := a.station(ctx, who, experiment, class)
	if err != nil || !ok {
		return PrintedSurvey{}, cmp.Or(err, refusal.ErrNotFound)
	}
	supplies := []*fit.Supplies{s.supplies}
	title, _ := s.supplies.Design().Title.In(language)
	return PrintedSurvey{
		Language: language, School: s.class.School, Class: s.class.Name, Title: title,
		Questions: kitchens.Asked(supplies, language), Facts: kitchens.Facts(supplies, language),
		Own: kitchens.OwnAsked(supplies, kitchens.Fields{}, language),
	}, nil
}

// PinFields fix what some homes use for a need.
type PinFields struct {
	Homes []uuid.UUID `json:"homes" minItems:"1" maxItems:"400"`
	Need  string      `json:"need" maxLength:"40"`
	Use   string      `json:"use" maxLength:"90" doc:"As the supplies name it; empty: nothing is fixed any more"`
}

// Pin fixes what some homes of a class use for a need of an experiment.
func (a *App) Pin(ctx context.Context, who TeacherActor, class, experiment uuid.UUID, f PinFields) error {
	if _, err := a.class(ctx, who, class); err != nil {
		return err
	}
	s, _, err := a.station(ctx, who, experiment, class)
	if err != nil {
		return err
	}
	if f.Use != "" && !s.supplies.Can(f.Need, f.Use) {
		return refusal.Field("use", refusal.Rule("swap"), "lemon-juice")
	}
	return a.audited(ctx, who, class, nil, "kitchen", "pinned", func(q *store.Queries) error {
		for _, home := range f.Homes {
			if err := q.HoldHome(ctx, class, home); err != nil {
				return notFound(err)
			}
			if err := q.SavePin(ctx, store.Pin{
				ClassID: class, ExperimentID: experiment, HomeID: home, Need: f.Need, Use: f.Use,
			}); err != nil {
				return err
			}
		}
		if err := q.Changed(ctx, store.Event{Class: class, Kind: "kitchen", ID: experiment}); err != nil {
			return err
		}
		return a.hold(ctx, q, class)
	})
}

// AskKitchens asks the homes of a class what they have for an experiment: their survey
// begins with it, and who has a mail address is written to.
func (a *App) AskKitchens(ctx context.Context, who TeacherActor, class, experiment uuid.UUID) error {
	if _, err := a.class(ctx, who, class); err != nil {
		return err
	}
	if _, err := a.Store.Experiment(ctx, who.ID, experiment); err != nil {
		return notFound(err)
	}
	err := a.audited(ctx, who, class, nil, "kitchen", "asked", func(q *store.Queries) error {
		if err := q.Ask(ctx, class, experiment, a.Now()); err != nil {
			return err
		}
		if err := q.Changed(ctx, store.Event{Class: class, Kind: "kitchen", ID: experiment}); err != nil {
			return err
		}
		return a.hold(ctx, q, class)
	})
	if err != nil {
		return err
	}
	_, err = a.Write(ctx, who, class, MessageFields{Kind: "survey", About: experiment})
	return err
}
