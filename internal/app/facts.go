package app

import (
	"context"
	"encoding/json"
	"errors"
	"maps"
	"slices"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/safety"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/kitchens"
)

// knownFacts are what each home last said of itself, in whichever experiment.
func knownFacts(rows []store.Entry) map[uuid.UUID]map[string]string {
	out := map[uuid.UUID]map[string]string{}
	said := map[uuid.UUID][]notebook.Entry{}
	for _, r := range rows {
		if e, _ := readEntry(r); e.Kind == notebook.Fact && r.HomeID != nil {
			said[*r.HomeID] = append(said[*r.HomeID], e)
		}
	}
	for home, entries := range said {
		slices.SortStableFunc(entries, func(a, b notebook.Entry) int { return a.Measured().Compare(b.Measured()) })
		out[home] = map[string]string{}
		for _, e := range entries {
			out[home][e.Refers] = e.Choice[0]
		}
	}
	return out
}

// knownOf is what a home said of itself: with its kitchen, and at steps in its entries,
// which go before.
func (a *App) knownOf(ctx context.Context, who HomeActor) (func(rows []store.Entry) map[string]string, error) {
	f, err := a.kitchenOf(ctx, who)
	if err != nil {
		return nil, err
	}
	return knownWith(f, who.Home), nil
}

// knownWith is the same with what a home said of its kitchen.
func knownWith(f kitchens.Fields, home uuid.UUID) func(rows []store.Entry) map[string]string {
	return func(rows []store.Entry) map[string]string { return f.Known(knownFacts(rows)[home]) }
}

// kitchenOf is what a home said of its kitchen and of itself; nothing where it has said
// nothing.
func (a *App) kitchenOf(ctx context.Context, who HomeActor) (kitchens.Fields, error) {
	var f kitchens.Fields
	k, err := a.Store.Kitchen(ctx, who.Class, who.Home)
	if errors.Is(err, store.ErrNotFound) {
		return f, nil
	}
	if err != nil {
		return f, err
	}
	return f, json.Unmarshal(k.Answers, &f)
}

// factsOf is the same of all homes of a class.
func factsOf(ctx context.Context, q *store.Queries, class uuid.UUID) (func(home uuid.UUID) map[string]string, error) {
	rows, err := q.Facts(ctx, class)
	if err != nil {
		return nil, err
	}
	answers, err := answersOf(ctx, q, class)
	if err != nil {
		return nil, err
	}
	known := knownFacts(rows)
	return func(home uuid.UUID) map[string]string { return answers[home].Known(known[home]) }, nil
}

// answersOf is what the homes of a class said of their kitchens.
func answersOf(ctx context.Context, q *store.Queries, class uuid.UUID) (map[uuid.UUID]kitchens.Fields, error) {
	said, err := q.Kitchens(ctx, class)
	if err != nil {
		return nil, err
	}
	out := make(map[uuid.UUID]kitchens.Fields, len(said))
	for _, k := range said {
		var f kitchens.Fields
		if err := json.Unmarshal(k.Answers, &f); err != nil {
			return nil, err
		}
		out[k.HomeID] = f
	}
	return out, nil
}

// guards are the steps of a design at which something has to be said first: an
// adult has to be there, for everybody or by what a home said of itself; a
// question about the home waits; or its answer closes the step. Some steps are closed
// whatever is said.
func guards(d *design.Document, closed ...string) func(known map[string]string) notebook.Guards {
	everybody := notebook.Guards{}
	for _, j := range safety.AdultJobs(d, safety.Check(d)) {
		everybody[j.Step] = notebook.AdultNotSaid
	}
	facts := safety.Facts(d, d.Larder())
	return func(known map[string]string) notebook.Guards {
		out := maps.Clone(everybody)
		for _, f := range facts {
			if known[f.ID] != "" {
				continue
			}
			for _, s := range f.Steps {
				out[s.Step] = notebook.FactNotSaid
			}
		}
		for _, s := range safety.RaisedBy(facts, known) {
			if s.Verdict == safety.NotAtHome {
				out[s.Step] = notebook.NotHere
			} else if out[s.Step] == "" {
				out[s.Step] = notebook.AdultNotSaid
			}
		}
		for _, step := range closed {
			out[step] = notebook.NotHere
		}
		return out
	}
}
