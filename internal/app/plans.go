package app

import (
	"bytes"
	"context"
	"crypto/sha256"
	"encoding/json"
	"errors"
	"slices"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/safety"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/sheets"
)

// doing is an issued version as one home does it: with its own things and tools.
type doing struct {
	*issued
	number int      // of its plan; 0 where it has none
	agreed [][]byte // hashes of what its guardian has to have agreed to, one of them
	writes store.Writes
}

// agrees reports whether a permission given to a text still holds.
func (d *doing) agrees(sha []byte) bool {
	return slices.ContainsFunc(d.agreed, func(a []byte) bool { return bytes.Equal(a, sha) })
}

// unplanned is a version as a home does it that has no plan.
func unplanned(i *issued) doing { return doing{issued: i, agreed: [][]byte{i.sha}} }

// planned is a version as a home does it by its plan. What was agreed to before covers
// the plan as long as the rules still find in it what they found when it was made.
func (a *App) planned(base *issued, p store.Plan) (doing, error) {
	if p.Plan == nil {
		d := unplanned(base)
		d.number = p.Number
		return d, nil
	}
	own, err := a.shelf.ofPlan(base, p)
	if err != nil {
		return doing{}, err
	}
	d := unplanned(own)
	d.number = p.Number
	if bytes.Equal(p.TextSha, own.sha) {
		d.agreed = append(d.agreed, p.Agreed...)
	}
	return d, nil
}

// ofPlan is a version with a plan, shared by all homes that do the same.
func (s *shelf) ofPlan(base *issued, p store.Plan) (*issued, error) {
	s.open()
	h := sha256.New()
	h.Write(base.sum[:])
	h.Write(p.Plan)
	h.Write(p.Document)
	key := [sha256.Size]byte(h.Sum(nil))
	if i, ok := s.plans.Get(key); ok {
		return i, nil
	}
	i, err := base.with(p)
	if err == nil {
		s.plans.Add(key, i)
	}
	return i, err
}

// with is a version as a plan has it.
func (i *issued) with(p store.Plan) (*issued, error) {
	var r fit.PlanReport
	if err := json.Unmarshal(p.Plan, &r); err != nil {
		return nil, err
	}
	d := i.Document
	if p.Document != nil {
		own, err := design.Read(p.Document)
		if err != nil {
			return nil, err
		}
		d = &own
	}
	if r.Verdict == fit.SharedReadings {
		watched := *d
		watched.Way = design.WatchShared
		d = &watched
	}
	own := newIssued(d, &sheets.Plan{Of: i.Document, Report: r})
	own.of = i
	return own, nil
}

// plansOf are the homes of an assignment that have a plan, as each does it.
func (a *App) plansOf(ctx context.Context, base *issued, class, assignment uuid.UUID) (map[uuid.UUID]doing, error) {
	rows, err := a.Store.Plans(ctx, class, assignment)
	out := make(map[uuid.UUID]doing, len(rows))
	for _, p := range rows {
		if out[p.HomeID], err = a.planned(base, p); err != nil {
			return nil, err
		}
	}
	return out, err
}

// doneBy is an assignment as a home does it.
func (a *App) doneBy(ctx context.Context, as store.Assignment, home uuid.UUID) (doing, error) {
	base, err := a.issued(ctx, as)
	if err != nil {
		return doing{}, err
	}
	p, err := a.Store.HomePlan(ctx, as.ClassID, as.ID, home)
	if errors.Is(err, store.ErrNotFound) {
		return unplanned(base), nil
	}
	if err != nil {
		return doing{}, err
	}
	return a.planned(base, p)
}

// doneNow is the same by the plan that was read last, for entries: whether it still
// holds is asked when one is stored.
func (a *App) doneNow(ctx context.Context, class, assignment, home uuid.UUID) (doing, error) {
	a.shelf.open()
	key := [2]uuid.UUID{assignment, home}
	if d, ok := a.shelf.doings.Get(key); ok {
		return d, nil
	}
	as, err := a.Store.Assignment(ctx, class, assignment)
	if err != nil {
		return doing{}, err
	}
	d, err := a.doneBy(ctx, as, home)
	if err != nil {
		return doing{}, err
	}
	if d.writes, err = a.Store.Writes(ctx, class, home); err != nil {
		return doing{}, err
	}
	a.shelf.doings.Add(key, d)
	return d, nil
}

// planHomes freezes what every home of a class does of an assignment.
func (a *App) planHomes(ctx context.Context, q *store.Queries, as store.Assignment, document []byte) error {
	supplies, err := suppliesOf(document)
	if err != nil {
		return err
	}
	d := supplies.Design()
	if d.Way == design.WatchShared {
		return nil // there is nothing to plan
	}
	_, class, err := kitchensOf(ctx, q, as.ClassID, as.ExperimentID)
	if err != nil {
		return err
	}
	plans := supplies.Fit(class)
	w := planWriter{as, d, map[*design.Document]planParts{}}
	for i := range plans.Homes {
		p, err := w.row(&plans.Homes[i])
		if err != nil {
			return err
		}
		p.Number, p.CreatedAt = 1, as.IssuedAt
		if err := q.AddPlan(ctx, p); err != nil {
			return err
		}
	}
	return nil
}

// planWriter makes rows of plans; homes that do the same are worked out once.
type planWriter struct {
	as   store.Assignment
	d    *design.Document
	done map[*design.Document]planParts
}

type planParts struct{ document, sha []byte }

func (w *planWriter) row(h *fit.HomePlan) (store.Plan, error) {
	home, err := uuid.Parse(h.Home)
	if err != nil {
		return store.Plan{}, err
	}
	r := h.Report(w.d)
	r.Home = "" // homes that do the same have the same plan
	raw, err := json.Marshal(r)
	if err != nil {
		return store.Plan{}, err
	}
	parts, ok := w.done[h.Design]
	if !ok {
		parts.sha = sheets.PermissionSha(h.Design)
		if h.Design != w.d {
			if parts.document, err = json.Marshal(h.Design); err != nil {
				return store.Plan{}, err
			}
		}
		w.done[h.Design] = parts
	}
	p := store.Plan{
		ClassID: w.as.ClassID, AssignmentID: w.as.ID, HomeID: home, RulesVersion: safety.RulesVersion,
		TextSha: parts.sha, Plan: raw, Document: parts.document,
	}
	if h.Verdict == fit.SharedReadings {
		p.Document = nil
	}
	return p, nil
}

// replan plans anew for one home whose kitchen, or what it uses, is another now, in every
// assignment that is not over: all others keep what they have. A permission holds on
// where nothing can hurt that could not before. The home's row is locked.
func (a *App) replan(ctx context.Context, q *store.Queries, class, home uuid.UUID) error {
	assignments, err := q.Assignments(ctx, class)
	if err != nil {
		return err
	}
	for _, as := range assignments {
		if as.RecalledAt != nil || a.Now().After(as.DueAt) {
			continue
		}
		if err := a.replanIn(ctx, q, as, home); err != nil {
			return err
		}
	}
	return nil
}

func (a *App) replanIn(ctx context.Context, q *store.Queries, as store.Assignment, home uuid.UUID) error {
	base, err := a.issued(ctx, as)
	if err != nil || base.Way == design.WatchShared {
		return err
	}
	_, class, err := kitchensOf(ctx, q, as.ClassID, as.ExperimentID)
	if err != nil {
		return err
	}
	i := slices.IndexFunc(class.Homes, func(k kitchen.Kitchen) bool { return k.Home == home.String() })
	if i < 0 {
		return nil
	}
	swapped, err := q.Swaps(ctx, as.ClassID, as.ID, home)
	if err != nil {
		return err
	}
	for _, row := range swapped { // what a home has in its hands goes before what was fixed for it
		e, _ := readEntry(row)
		class = class.With(kitchen.Pin{Home: home.String(), Need: e.Refers, Material: e.Choice[0]})
		class.Homes[i].Has(e.Choice[0])
	}
	rows, err := q.Plans(ctx, as.ClassID, as.ID)
	if err != nil {
		return err
	}
	var inUse []string
	var had store.Plan
	for _, p := range rows {
		if p.HomeID == home {
			had = p
			continue
		}
		var r fit.PlanReport
		if p.Plan != nil && json.Unmarshal(p.Plan, &r) == nil && r.Verdict != fit.SharedReadings {
			inUse = append(inUse, r.Variant)
		}
	}
	now := base.supplies().Join(class, i, inUse)
	w := planWriter{as, base.Document, map[*design.Document]planParts{}}
	p, err := w.row(&now)
	if err != nil || samePlan(p, had) {
		return err
	}
	before, err := a.planned(base, had)
	if err != nil {
		return err
	}
	if !safety.Rises(safety.Check(before.Document), safety.Check(now.Design)) {
		p.Agreed = before.agreed
	}
	p.Number, p.CreatedAt = had.Number+1, a.Now()
	if err := q.AddPlan(ctx, p); err != nil {
		return err
	}
	return q.Changed(ctx, store.Event{Class: as.ClassID, Kind: "plan", ID: as.ID})
}

// samePlan reports whether two plans are the same: the database keeps JSON in an order of
// its own.
func samePlan(a, b store.Plan) bool {
	var x, y fit.PlanReport
	if b.Plan == nil || json.Unmarshal(a.Plan, &x) != nil || json.Unmarshal(b.Plan, &y) != nil {
		return false
	}
	one, err := json.Marshal(x)
	other, failed := json.Marshal(y)
	return err == nil && failed == nil && bytes.Equal(one, other) && bytes.Equal(a.Document, b.Document)
}

// writeSwap stores what a home uses instead, and plans anew with it.
func (a *App) writeSwap(ctx context.Context, s store.Entry, gate store.Gate) (late bool, err error) {
	err = a.Store.InTx(ctx, func(q *store.Queries) error {
		if err := q.LockHome(ctx, s.ClassID, *s.HomeID); err != nil {
			return err
		}
		var err error
		if late, err = q.WriteEntry(ctx, s, gate); err != nil {
			return err
		}
		as, err := q.Assignment(ctx, s.ClassID, s.AssignmentID)
		if err != nil {
			return err
		}
		return a.replanIn(ctx, q, as, *s.HomeID)
	})
	return late, err
}
