package app

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/shelves"
)

const (
	swapExample = `{"role": "surfactant", "results": ["any"], "from": {"materials": ["dish-soap"]},
		"to": {"materials": ["school-soap"]}, "basis": "equal-volume", "class": "separate"}`
)

// PutOwnThing adds or corrects a thing of the school's own.
func (a *App) PutOwnThing(ctx context.Context, who TeacherActor, id string, raw []byte) error {
	own, err := larder.ReadJSON(fmt.Appendf(nil, `{"materials": [%s]}`, raw))
	if err == nil && len(own.Materials) != 1 {
		err = errors.New("give one thing")
	}
	if err != nil {
		return refusal.Field("material", refusal.Rule("unreadable", "problem", err.Error()), shelves.ThingExample)
	}
	own.Materials[0].ID = id
	return a.putOwn(ctx, who, own)
}

// PutOwnSwap adds or changes a swap of the school's own.
func (a *App) PutOwnSwap(ctx context.Context, who TeacherActor, id string, raw []byte) error {
	own, err := larder.ReadJSON(fmt.Appendf(nil, `{"swaps": [%s]}`, raw))
	if err == nil && len(own.Rules) != 1 {
		err = errors.New("give one swap")
	}
	if err != nil {
		return refusal.Field("swap", refusal.Rule("unreadable", "problem", err.Error()), swapExample)
	}
	r := &own.Rules[0]
	r.ID = id
	if len(r.From.Materials) == 0 || len(r.To.Materials) == 0 {
		return refusal.Field("swap", refusal.Rule("leads"), swapExample)
	}
	return a.putOwn(ctx, who, own)
}

// ImportThings takes a school's own entries from a file, JSON or CSV, all or
// none, and says how many.
func (a *App) ImportThings(ctx context.Context, who TeacherActor, data []byte) (int, error) {
	const example = "id,name_en,roles\nschool-soap,school soap,surfactant"
	var own larder.Own
	var err error
	if trimmed := bytes.TrimSpace(data); len(trimmed) > 0 && (trimmed[0] == '[' || trimmed[0] == '{') {
		own, err = larder.ReadJSON(data)
	} else {
		own, err = larder.ReadCSV(data)
	}
	if err != nil {
		return 0, refusal.Field("file", refusal.Rule("unreadable", "problem", err.Error()), example)
	}
	n := len(own.Materials) + len(own.Rules)
	if n == 0 {
		return 0, refusal.Field("file", refusal.Rule("holds-nothing"), example)
	}
	return n, a.putOwn(ctx, who, own)
}

// putOwn stores entries that hold together with those that are there.
func (a *App) putOwn(ctx context.Context, who TeacherActor, own larder.Own) error {
	_, present, err := a.larderOf(ctx, who)
	if err != nil {
		return err
	}
	merged := larder.Own{Materials: slices.Clone(own.Materials)}
	for _, m := range present.Materials {
		if !slices.ContainsFunc(own.Materials, func(o larder.Material) bool { return o.ID == m.ID }) {
			merged.Materials = append(merged.Materials, m)
		}
	}
	merged.Rules = slices.Clone(own.Rules)
	for _, r := range present.Rules {
		if !slices.ContainsFunc(own.Rules, func(o larder.SwapRule) bool { return o.ID == r.ID }) {
			merged.Rules = append(merged.Rules, r)
		}
	}
	merged = larder.Standard().Completed(merged)
	own.Rules = merged.Rules[:len(own.Rules)]
	if _, problems := larder.Standard().With(merged); len(problems) > 0 {
		return refusal.Field(
			"material."+problems[0].Field,
			refusal.Rule("said", "rule", problems[0].Entry+" "+problems[0].Message),
			shelves.ThingExample,
		)
	}
	t, err := a.Store.Teacher(ctx, who.ID)
	if err != nil {
		return err
	}
	return a.Store.InTx(ctx, func(q *store.Queries) error {
		put := func(kind, id string, entry any) error {
			raw, err := json.Marshal(entry)
			if err != nil {
				return err
			}
			return q.PutOwnEntry(
				ctx,
				store.OwnEntry{TeacherID: who.ID, Kind: kind, ID: id, Body: raw, UpdatedAt: a.Now()},
			)
		}
		for _, m := range own.Materials {
			m.Own, m.Shelf = true, ""
			if len(m.Props) > 0 {
				m.SaidBy = t.Name // whoever keeps the answers stands for them
			}
			if err := put("thing", m.ID, m); err != nil {
				return err
			}
		}
		for _, r := range own.Rules {
			r.Own = true
			if err := put("swap", r.ID, r); err != nil {
				return err
			}
		}
		return nil
	})
}

// DeleteOwnThing takes a thing of the school's own out of the larder, unless a
// swap of its own still names it.
func (a *App) DeleteOwnThing(ctx context.Context, who TeacherActor, id string) error {
	_, own, err := a.larderOf(ctx, who)
	if err != nil {
		return err
	}
	for _, r := range own.Rules {
		if _, shipped := larder.Standard().Material(id); !shipped &&
			slices.Contains(append(slices.Clone(r.From.Materials), r.To.Materials...), id) {
			return &refusal.Refused{Code: "in-use", Words: refusal.Why("in-use", "id", r.ID)}
		}
	}
	return notFound(a.Store.DeleteOwnEntry(ctx, who.ID, "thing", id))
}

// DeleteOwnSwap takes a swap of the school's own out.
func (a *App) DeleteOwnSwap(ctx context.Context, who TeacherActor, id string) error {
	return notFound(a.Store.DeleteOwnEntry(ctx, who.ID, "swap", id))
}

// OwnThings are the school's own entries, for export.
func (a *App) OwnThings(ctx context.Context, who TeacherActor) (larder.Own, error) {
	_, own, err := a.larderOf(ctx, who)
	return own, err
}

// Choose makes a need of a document a thing of the teacher's larder: its kind,
// its job if it has that one, its names where none were written. What is the
// school's own in it goes along with the document.
func (a *App) Choose(
	ctx context.Context, who TeacherActor, raw []byte, need, thing, language string,
) (drafts.Mended, error) {
	d, err := design.Read(raw)
	if err != nil {
		return drafts.Mended{}, refusal.Field("document", refusal.Rule("unreadable", "problem", err.Error()),
			`{"schema": 2}`)
	}
	l, own, err := a.larderOf(ctx, who)
	if err != nil {
		return drafts.Mended{}, err
	}
	n, ok := d.Need(need)
	m, known := l.Material(thing)
	if !ok || !known {
		return drafts.Mended{}, refusal.ErrNotFound
	}
	n.Be(m)
	if named, _ := n.Name.In(language); named == "" {
		n.Name = m.Name
	}
	shelves.Carry(&d, own, thing)
	out, err := json.Marshal(d)
	return drafts.Mended{Document: out, Review: drafts.Review(out, language)}, err
}
