package app

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/shelves"
)

// larderOf is the larder as a teacher has it, and its own entries by
// themselves. Entries that no longer hold together, as after a new version
// with other jobs or things, are left out; the larder view says so.
func (a *App) larderOf(ctx context.Context, who TeacherActor) (*larder.Larder, larder.Own, error) {
	var own larder.Own
	rows, err := a.Store.OwnEntries(ctx, who.ID)
	if err != nil {
		return nil, own, err
	}
	for _, r := range rows {
		var err error
		if r.Kind == "swap" {
			var rule larder.SwapRule
			err = json.Unmarshal(r.Body, &rule)
			own.Rules = append(own.Rules, rule)
		} else {
			var m larder.Material
			err = json.Unmarshal(r.Body, &m)
			own.Materials = append(own.Materials, m)
		}
		if err != nil {
			return nil, own, fmt.Errorf("own %s %s: %w", r.Kind, r.ID, err)
		}
	}
	l, _ := larder.Standard().With(own)
	return l, own, nil
}

// Larder lists the larder with the teacher's own things.
func (a *App) Larder(ctx context.Context, who TeacherActor, language string) (shelves.LarderView, error) {
	l, own, err := a.larderOf(ctx, who)
	if err != nil {
		return shelves.LarderView{}, err
	}
	return shelves.View(l, own, language), nil
}

// Thing is one material's card.
func (a *App) Thing(ctx context.Context, who TeacherActor, id, language string) (shelves.ThingCard, error) {
	l, _, err := a.larderOf(ctx, who)
	if err != nil {
		return shelves.ThingCard{}, err
	}
	m, ok := l.Material(id)
	if !ok {
		return shelves.ThingCard{}, refusal.ErrNotFound
	}
	v := shelves.Card(l, m, language)
	rows, err := a.Store.Experiments(ctx, who.ID)
	if err != nil {
		return shelves.ThingCard{}, err
	}
	for _, e := range rows {
		if d, err := design.Read(e.Draft); err == nil &&
			slices.ContainsFunc(d.Needs, func(n design.Need) bool { return n.Material == id }) {
			v.Designs = append(v.Designs, drafts.Titled(e.Title, language))
		}
	}
	return v, nil
}

// FindThings searches the larder by everyday names.
func (a *App) FindThings(ctx context.Context, who TeacherActor, typed, language string) (shelves.LarderFound, error) {
	l, _, err := a.larderOf(ctx, who)
	if err != nil {
		return shelves.LarderFound{}, err
	}
	return shelves.Found(l.Find(typed, language), language), nil
}
