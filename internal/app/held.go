package app

import (
	"bytes"
	"context"
	"crypto/sha256"
	"slices"

	"github.com/google/uuid"

	"patient-kitchen/core/fit"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/kitchens"
)

// Before an experiment is issued its homes are planned too, and what one of them answers
// then changes its plan alone: the others hold theirs, until their teacher plans again.

// answersSum is a sum of all that makes a home's plan.
func answersSum(k *kitchen.Kitchen, pins []kitchen.Pin) []byte {
	sum := sha256.Sum256([]byte(fit.Answers(k, pins)))
	return sum[:]
}

// heldBy are the versions that homes keep: those that were planned for the answers that
// they still give.
func heldBy(of kitchen.Class, rows []store.Held) map[string]string {
	out := map[string]string{}
	for _, r := range rows {
		i := slices.IndexFunc(of.Homes, func(k kitchen.Kitchen) bool { return k.Home == r.HomeID.String() })
		if i >= 0 && bytes.Equal(r.Answers, answersSum(&of.Homes[i], of.Pins)) {
			out[r.HomeID.String()] = r.Variant
		}
	}
	return out
}

// hold notes what the homes of a class hold now in every draft for which they were asked
// or planned before.
func (a *App) hold(ctx context.Context, q *store.Queries, class uuid.UUID) error {
	drafts, err := q.HoldingIn(ctx, class)
	if err != nil {
		return err
	}
	for _, d := range drafts {
		supplies, err := suppliesOf(d.Draft)
		if err != nil {
			continue // what cannot be read plans nobody
		}
		_, of, err := kitchensOf(ctx, q, class, d.ExperimentID)
		if err != nil {
			return err
		}
		if err := holdAs(ctx, q, class, d.ExperimentID, of, supplies.Fit(of)); err != nil {
			return err
		}
	}
	return nil
}

// holdAs notes a plan as what the homes of a class hold; who holds it already is left
// alone.
func holdAs(ctx context.Context, q *store.Queries, class, experiment uuid.UUID, of kitchen.Class, plan fit.Plan) error {
	rows, err := q.HeldOf(ctx, class, experiment)
	if err != nil {
		return err
	}
	had := heldBy(of, rows)
	var homes []uuid.UUID
	var answers [][]byte
	var variants []string
	held := plan.Held()
	for i := range of.Homes {
		k := &of.Homes[i]
		variant, ok := held[k.Home]
		if before, same := had[k.Home]; !ok || same && before == variant {
			continue
		}
		id, err := uuid.Parse(k.Home)
		if err != nil {
			return err
		}
		homes, answers, variants = append(homes, id), append(answers, answersSum(k, of.Pins)), append(variants, variant)
	}
	if len(homes) == 0 {
		return nil
	}
	return q.Hold(ctx, class, experiment, homes, answers, variants)
}

// PlanAgain works the plan of a class out anew and says what would change; where it is
// done, homes hold the new one from now on.
func (a *App) PlanAgain(ctx context.Context, who TeacherActor, experiment, class uuid.UUID, do bool,
	language string) (kitchens.Replanned, error) {
	s, ok, err := a.station(ctx, who, experiment, class)
	if err != nil {
		return kitchens.Replanned{}, err
	}
	if !ok {
		return kitchens.Replanned{}, refusal.ErrNotFound
	}
	anew := s.of
	anew.Held = nil
	was, now := s.supplies.Fit(s.of), s.supplies.Fit(anew)
	if do {
		err = a.audited(ctx, who, s.class.ID, nil, "kitchen", "planned again", func(q *store.Queries) error {
			return holdAs(ctx, q, s.class.ID, experiment, s.of, now)
		})
	}
	return kitchens.ReplannedOf(s.homes, was, now, language), err
}
