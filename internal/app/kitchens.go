package app

import (
	"context"
	"encoding/json"

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

// OwnKitchen is a home's survey: what the experiments of its class ask, the next one
// first, and what it has said.
func (a *App) OwnKitchen(ctx context.Context, who HomeActor) (kitchens.Page, error) {
	hc, err := a.homeContext(ctx, who)
	if err != nil {
		return kitchens.Page{}, err
	}
	designs, err := a.surveyed(ctx, who.Class)
	if err != nil {
		return kitchens.Page{}, err
	}
	page := kitchens.Page{
		Questions: append([]kitchens.Question{}, kitchens.Asked(designs, hc.reader)...),
		Facts:     kitchens.Facts(designs, hc.reader),
	}
	page.Answers, err = a.kitchenOf(ctx, who)
	page.Answered = page.Answers.Things != nil
	if !page.Answered {
		page.Answers.Things = map[string]kitchen.Answer{}
	}
	page.Own = kitchens.OwnAsked(designs, page.Answers, hc.reader)
	return page, err
}

// surveyed are the designs that a class is asked about: those it was asked for, then
// those that it has and that are not over.
func (a *App) surveyed(ctx context.Context, class uuid.UUID) ([]*fit.Supplies, error) {
	asked, err := a.Store.AskedOf(ctx, class)
	if err != nil {
		return nil, err
	}
	assignments, err := a.Store.Assignments(ctx, class)
	if err != nil {
		return nil, err
	}
	var designs []*fit.Supplies
	for _, k := range asked {
		if w, err := suppliesOf(k.Draft); err == nil { // one that cannot be read asks nothing
			designs = append(designs, w)
		}
	}
	for _, as := range assignments {
		d, err := a.issued(ctx, as)
		if err != nil {
			return nil, err
		}
		if d.Way != design.WatchShared && as.RecalledAt == nil && a.Now().Before(as.DueAt) {
			designs = append(designs, d.supplies())
		}
	}
	return designs, nil
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
		if err := q.Changed(ctx, store.Event{Class: row.ClassID, Kind: "kitchen", ID: row.HomeID}); err != nil {
			return err
		}
		if err := a.replan(ctx, q, who.Class, who.Home); err != nil {
			return err
		}
		return a.hold(ctx, q, who.Class)
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
		if err := q.Changed(ctx, store.Event{Class: row.ClassID, Kind: "kitchen", ID: row.HomeID}); err != nil {
			return err
		}
		if err := a.replan(ctx, q, class, home); err != nil {
			return err
		}
		return a.hold(ctx, q, class)
	})
}

func (a *App) kitchenRow(class, home uuid.UUID, f kitchens.Fields, byTeacher bool) (store.Kitchen, error) {
	if n := len(f.Things) + len(f.Strengths) + len(f.Tools) + len(f.Facts) + len(f.Own); n > mostAnswers {
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
	for id, typed := range f.Own {
		if _, known := design.Own(id); !known || len(typed) > 80 {
			return store.Kitchen{}, refusal.Field("own", refusal.Rule("own-value"), `{"teaspoon": "58 g"}`)
		}
	}
	if !f.Hours.Sound() {
		return store.Kitchen{}, refusal.Field("hours", refusal.Rule("hours"), `{"weekdays": {"from": 16, "to": 20}}`)
	}
	for id, said := range f.Facts {
		if len(id) > 80 || said != "yes" && said != "no" {
			return store.Kitchen{}, refusal.Field("facts", refusal.Rule("fact"), `{"under-4": "no"}`)
		}
	}
	raw, err := json.Marshal(f)
	return store.Kitchen{
		ClassID: class, HomeID: home, Answers: raw, ByTeacher: byTeacher, UpdatedAt: a.Now(),
	}, err
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
	pins, err := q.Pins(ctx, class, experiment)
	if err != nil {
		return nil, kitchen.Class{}, err
	}
	c, err := q.Class(ctx, class)
	if err != nil {
		return nil, kitchen.Class{}, notFound(err)
	}
	var homes []kitchens.Home
	of := kitchen.Class{Usual: c.Usual}
	for _, h := range rows {
		if h.DeletedAt != nil {
			continue
		}
		f := answers[h.ID]
		homes = append(homes, kitchens.Home{ID: h.ID, Nickname: h.Nickname, Answers: f})
		k := f.Kitchen(h.ID.String())
		k.People = safety.PeopleSaying(f.Facts) // what it said at a step stays between the step and the home
		of.Homes = append(of.Homes, k)
	}
	for _, p := range pins {
		of.Pins = append(of.Pins, kitchen.Pin{Home: p.HomeID.String(), Need: p.Need, Material: p.Use})
	}
	held, err := q.HeldOf(ctx, class, experiment)
	of.Held = heldBy(of, held)
	return homes, of, err
}
