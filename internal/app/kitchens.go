package app

import (
	"context"
	"encoding/json"
	"errors"
	"slices"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/safety"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/kitchens"
)

// mostAnswers bounds how many things a home can speak of.
const mostAnswers = 500

// OwnKitchen is a home's survey: what the experiments of its class ask, and what it has
// said.
func (a *App) OwnKitchen(ctx context.Context, who HomeActor) (kitchens.Page, error) {
	hc, err := a.homeContext(ctx, who)
	if err != nil {
		return kitchens.Page{}, err
	}
	assignments, err := a.Store.Assignments(ctx, who.Class)
	if err != nil {
		return kitchens.Page{}, err
	}
	var designs []*fit.Ways
	for _, as := range assignments {
		d, err := a.issued(ctx, as)
		if err != nil {
			return kitchens.Page{}, err
		}
		if d.Way != design.WatchShared && as.RecalledAt == nil {
			designs = append(designs, d.ways())
		}
	}
	page := kitchens.Page{Questions: append([]kitchens.Question{}, kitchens.Asked(designs, hc.reader)...)}
	k, err := a.Store.Kitchen(ctx, who.Class, who.Home)
	if errors.Is(err, store.ErrNotFound) {
		page.Answers.Things = map[string]kitchen.Answer{}
		return page, nil
	}
	if err != nil {
		return kitchens.Page{}, err
	}
	page.Answered = true
	return page, json.Unmarshal(k.Answers, &page.Answers)
}

// SaveOwnKitchen keeps what a home says of its kitchen.
func (a *App) SaveOwnKitchen(ctx context.Context, who HomeActor, f kitchens.Fields) error {
	row, err := a.kitchenRow(who.Class, who.Home, f, false)
	if err != nil {
		return err
	}
	return a.Store.InTx(ctx, func(q *store.Queries) error {
		if err := q.LockHome(ctx, who.Class, who.Home); err != nil {
			return notFound(err)
		}
		if err := q.SaveKitchen(ctx, row); err != nil {
			return err
		}
		return a.replan(ctx, q, who.Class, who.Home)
	})
}

// SaveKitchen keeps what a home told its teacher, on paper or by word.
func (a *App) SaveKitchen(ctx context.Context, who TeacherActor, class, home uuid.UUID, f kitchens.Fields) error {
	if _, _, err := a.home(ctx, who, class, home); err != nil {
		return err
	}
	row, err := a.kitchenRow(class, home, f, true)
	if err != nil {
		return err
	}
	return a.audited(ctx, who, class, &home, "kitchen", "changed", func(q *store.Queries) error {
		if err := q.LockHome(ctx, class, home); err != nil {
			return notFound(err)
		}
		if err := q.SaveKitchen(ctx, row); err != nil {
			return err
		}
		return a.replan(ctx, q, class, home)
	})
}

func (a *App) kitchenRow(class, home uuid.UUID, f kitchens.Fields, byTeacher bool) (store.Kitchen, error) {
	if n := len(f.Things) + len(f.Strengths) + len(f.Tools); n > mostAnswers {
		return store.Kitchen{}, refusal.Field(
			"things",
			refusal.Rule("most-parts", "n", mostAnswers),
			`{"table-salt": "have"}`,
		)
	}
	k := f.Kitchen("")
	if err := k.Check(); err != nil {
		return store.Kitchen{}, refusal.Field("things", refusal.Rule("kitchen"), `{"table-salt": "have"}`)
	}
	raw, err := json.Marshal(f)
	return store.Kitchen{
		ClassID: class, HomeID: home, Answers: raw, ByTeacher: byTeacher, UpdatedAt: a.Now(),
	}, err
}

// Kitchens is the Kitchens station: an experiment as each home of a class would do it.
// Without a class the teacher's first one is taken.
func (a *App) Kitchens(
	ctx context.Context,
	who TeacherActor,
	experiment, class uuid.UUID,
	language string,
) (kitchens.Matrix, error) {
	e, err := a.Store.Experiment(ctx, who.ID, experiment)
	if err != nil {
		return kitchens.Matrix{}, notFound(err)
	}
	classes, err := a.Store.Classes(ctx, who.ID)
	if err != nil {
		return kitchens.Matrix{}, err
	}
	at := slices.IndexFunc(classes, func(c store.ClassRow) bool { return c.ID == class })
	if at < 0 && class != uuid.Nil {
		return kitchens.Matrix{}, refusal.ErrNotFound
	}
	if len(classes) == 0 {
		return kitchens.NoClass(), nil
	}
	at = max(0, at)
	homes, of, err := kitchensOf(ctx, &a.Store.Queries, classes[at].ID, experiment)
	if err != nil {
		return kitchens.Matrix{}, err
	}
	d, err := design.Read(e.Draft)
	if err != nil {
		return kitchens.Matrix{}, &refusal.Refused{
			Code:  "unreadable",
			Words: refusal.Why("unreadable", "problem", err.Error()),
		}
	}
	ways := fit.WaysOf(&d)
	of.Measures = classes[at].UnitSystem
	out := kitchens.MatrixOf(ways, homes, of, ways.Fit(of), language)
	out.Class, out.ClassName = classes[at].ID, classes[at].Name
	for _, c := range classes {
		out.Classes = append(out.Classes, kitchens.ClassName{ID: c.ID, Name: c.Name})
	}
	return out, nil
}

// kitchensOf are the homes of a class with what they said, and the same as the core reads
// it, known by their ids, with what is fixed for an experiment.
func kitchensOf(
	ctx context.Context,
	q *store.Queries,
	class, experiment uuid.UUID,
) ([]kitchens.Home, kitchen.Class, error) {
	rows, err := q.Homes(ctx, class)
	if err != nil {
		return nil, kitchen.Class{}, err
	}
	answers, err := answersOf(ctx, q, class)
	if err != nil {
		return nil, kitchen.Class{}, err
	}
	facts, err := q.Facts(ctx, class)
	if err != nil {
		return nil, kitchen.Class{}, err
	}
	pins, err := q.Pins(ctx, class, experiment)
	if err != nil {
		return nil, kitchen.Class{}, err
	}
	known := knownFacts(facts)
	var homes []kitchens.Home
	var of kitchen.Class
	for _, h := range rows {
		if h.DeletedAt != nil {
			continue
		}
		f := answers[h.ID]
		homes = append(homes, kitchens.Home{ID: h.ID, Nickname: h.Nickname, Answers: f})
		k := f.Kitchen(h.ID.String())
		k.People = safety.PeopleSaying(f.Known(known[h.ID]))
		of.Homes = append(of.Homes, k)
	}
	for _, p := range pins {
		of.Pins = append(of.Pins, kitchen.Pin{Home: p.HomeID.String(), Need: p.Need, Material: p.Use})
	}
	return homes, of, nil
}
