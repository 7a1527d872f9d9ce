package app

import (
	"context"
	"errors"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

// CopyClass makes a class with the settings of another, under a name of its own and
// without its homes.
func (a *App) CopyClass(ctx context.Context, who TeacherActor, id uuid.UUID, name string) (ClassView, error) {
	c, err := a.class(ctx, who, id)
	if err != nil {
		return ClassView{}, err
	}
	f := viewClass(c, 0).ClassFields
	f.Name = name
	if f.KeepUntil < a.Now().Format(time.DateOnly) { // what is kept no longer would be erased at night
		f.KeepUntil = a.Now().AddDate(1, 0, 0).Format(time.DateOnly)
	}
	return a.AddClass(ctx, who, f)
}

// MoveFields say where a home goes.
type MoveFields struct {
	To   uuid.UUID `json:"to" doc:"Another of the teacher's classes"`
	Stay bool      `json:"stay,omitempty" doc:"It stays in this class too, as where a guardian has children in both"`
}

// MoveHome puts a home into another class: its names, its reach and what it said of its
// kitchen go with it, under a new link. What it did stays with the class it was in, which
// it leaves unless it is to stay; that can be undone like any taking out.
func (a *App) MoveHome(ctx context.Context, who TeacherActor, class, id uuid.UUID, f MoveFields) (HomeView, error) {
	_, h, err := a.home(ctx, who, class, id)
	if err != nil {
		return HomeView{}, err
	}
	to, err := a.class(ctx, who, f.To)
	if errors.Is(err, refusal.ErrNotFound) || f.To == class {
		return HomeView{}, refusal.Field("to", refusal.Rule("other-class"), "")
	}
	if err != nil {
		return HomeView{}, err
	}
	there, err := a.Store.Homes(ctx, to.ID)
	if err != nil {
		return HomeView{}, err
	}
	taken := map[string]bool{}
	for _, other := range there {
		taken[other.Letters] = true
	}
	fields := viewHome(h, nil).HomeFields
	students, err := a.Store.Students(ctx, class)
	if err != nil {
		return HomeView{}, err
	}
	for _, s := range students {
		if s.HomeID == id {
			fields.Students = append(fields.Students, s.Name)
		}
	}
	if taken[fields.Letters] {
		fields.Letters = ""
	}
	var view HomeView
	own := store.NewID()
	err = a.audited(ctx, who, to.ID, &own, "home", "moved", func(q *store.Queries) error {
		if err := q.LockHome(ctx, class, id); err != nil {
			return notFound(err)
		}
		if view, err = a.insertHome(ctx, q, to.ID, own, fields, taken); err != nil {
			return err
		}
		k, err := q.Kitchen(ctx, class, id)
		switch {
		case err == nil:
			k.ClassID, k.HomeID, k.UpdatedAt = to.ID, own, a.Now()
			if err := q.SaveKitchen(ctx, k); err != nil {
				return err
			}
			if err := a.replan(ctx, q, to.ID, own); err != nil {
				return err
			}
		case !errors.Is(err, store.ErrNotFound):
			return err
		}
		if f.Stay {
			return nil
		}
		now := a.Now()
		if err := q.SetHomeDeleted(ctx, class, id, &now); err != nil {
			return err
		}
		if err := q.AddAudit(ctx, store.Audit{ClassID: class, TeacherID: who.ID, HomeID: &id, Action: "home",
			Detail: "left", At: now}); err != nil {
			return err
		}
		return q.Changed(ctx, store.Event{Class: class, Kind: "home", ID: id})
	})
	return view, err
}

// ManyFields change several homes of a class at once.
type ManyFields struct {
	Homes    []uuid.UUID `json:"homes" minItems:"1" maxItems:"400"`
	Change   string      `json:"change" enum:"language,new-links,take-out" doc:"new-links: the old ones open nothing any more; take-out: each can be brought back for thirty days"`
	Language string      `json:"language,omitempty" doc:"In which they are written to from now on"`
}

// Many says how many homes were changed.
type Many struct {
	Homes int `json:"homes"`
}

// ChangeMany changes several homes of a class, all or none.
func (a *App) ChangeMany(ctx context.Context, who TeacherActor, class uuid.UUID, f ManyFields) (Many, error) {
	if _, err := a.class(ctx, who, class); err != nil {
		return Many{}, err
	}
	now := a.Now()
	change := map[string]func(q *store.Queries, h store.Home) error{
		"language": func(q *store.Queries, h store.Home) error {
			h.Language = f.Language
			return q.SaveHome(ctx, h)
		},
		"new-links": func(q *store.Queries, h store.Home) error { return a.renewLinks(ctx, q, &h) },
		"take-out":  func(q *store.Queries, h store.Home) error { return q.SetHomeDeleted(ctx, class, h.ID, &now) },
	}[f.Change]
	switch {
	case change == nil:
		return Many{}, refusal.Field("change", refusal.Rule("many-change"), "language")
	case f.Change == "language" && !text.Ships(f.Language):
		return Many{}, refusal.Field("language", refusal.Rule("language"), text.Languages[0])
	}
	err := a.audited(ctx, who, class, nil, "homes", f.Change, func(q *store.Queries) error {
		for _, id := range f.Homes {
			h, err := q.Home(ctx, class, id)
			if err != nil {
				return notFound(err)
			}
			if err := change(q, h); err != nil {
				return err
			}
		}
		return nil
	})
	return Many{len(f.Homes)}, err
}
