package app

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"

	"patient-kitchen/core/larder"
	"patient-kitchen/internal/store"
)

// PutOwnThing adds or corrects a thing of the school's own.
func (a *App) PutOwnThing(ctx context.Context, who TeacherActor, id string, raw []byte) error {
	own, err := larder.ReadJSON(append(append([]byte("["), raw...), ']'))
	if err == nil && len(own) != 1 {
		err = errors.New("give one thing")
	}
	if err != nil {
		return &Invalid{"material", "cannot be read: " + err.Error(), `{"name": {"en": "school soap"}, "roles": ["surfactant"], "hazards": ["slip"]}`}
	}
	own[0].ID = id
	return a.putOwn(ctx, who, own)
}

// ImportThings takes a school's own things from a file, JSON or CSV, all or
// none, and says how many.
func (a *App) ImportThings(ctx context.Context, who TeacherActor, data []byte) (int, error) {
	var own []larder.Material
	var err error
	if trimmed := bytes.TrimSpace(data); len(trimmed) > 0 && (trimmed[0] == '[' || trimmed[0] == '{') {
		own, err = larder.ReadJSON(data)
	} else {
		own, err = larder.ReadCSV(data)
	}
	if err != nil {
		return 0, &Invalid{"file", "cannot be read: " + err.Error(), "id,name_en,roles\nschool-soap,school soap,surfactant"}
	}
	if len(own) == 0 {
		return 0, &Invalid{"file", "holds no things", "id,name_en,roles\nschool-soap,school soap,surfactant"}
	}
	return len(own), a.putOwn(ctx, who, own)
}

func (a *App) putOwn(ctx context.Context, who TeacherActor, own []larder.Material) error {
	if _, problems := larder.Standard().With(own); len(problems) > 0 {
		return &Invalid{"material." + problems[0].Field, problems[0].Entry + " " + problems[0].Message, `{"name": {"en": "school soap"}, "roles": ["surfactant"], "hazards": ["slip"]}`}
	}
	_, present, err := a.larderOf(ctx, who)
	if err != nil {
		return err
	}
	ids := map[string]bool{}
	for _, m := range append(present, own...) {
		ids[m.ID] = true
	}
	if len(ids) > larder.MaxOwn {
		return &Invalid{"material", fmt.Sprintf("would be one of more than %d", larder.MaxOwn), "take some out first"}
	}
	return a.Store.InTx(ctx, func(q *store.Queries) error {
		for _, m := range own {
			m.Own, m.Shelf = true, ""
			raw, err := json.Marshal(m)
			if err != nil {
				return err
			}
			if err := q.PutOwnMaterial(ctx, store.OwnMaterial{TeacherID: who.ID, ID: m.ID, Material: raw, UpdatedAt: a.Now()}); err != nil {
				return err
			}
		}
		return nil
	})
}

// DeleteOwnThing takes a thing of the school's own out of the larder.
func (a *App) DeleteOwnThing(ctx context.Context, who TeacherActor, id string) error {
	return notFound(a.Store.DeleteOwnMaterial(ctx, who.ID, id))
}

// OwnThings are the school's own things, for export.
func (a *App) OwnThings(ctx context.Context, who TeacherActor) ([]larder.Material, error) {
	_, own, err := a.larderOf(ctx, who)
	return own, err
}
