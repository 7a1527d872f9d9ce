package app

import (
	"bytes"
	"context"
	"encoding/json"
	"slices"

	"patient-kitchen/core/fit"
	"patient-kitchen/core/larder"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/kitchens"
)

// LateChanges are the homes whose plans were made anew since yesterday: the teacher's
// morning summary.
func (a *App) LateChanges(ctx context.Context, who TeacherActor, language string) ([]kitchens.LateChange, error) {
	now := a.Now()
	rows, err := a.Store.LatePlans(ctx, who.ID, now.AddDate(0, 0, -1), now)
	if err != nil {
		return nil, err
	}
	out := []kitchens.LateChange{}
	for _, r := range rows {
		i, err := a.issued(ctx, store.Assignment{VersionID: r.VersionID})
		if err != nil {
			return nil, err
		}
		was, wasErr := doingOf(r.Was, i.Larder(), language)
		does, doesErr := doingOf(r.Plan, i.Larder(), language)
		if wasErr != nil || doesErr != nil || was == does {
			continue // another amount, or another spoon: it takes part as before
		}
		out = append(out, kitchens.LateChange{
			Class: r.ClassID, ClassName: r.ClassName, Assignment: r.AssignmentID, Experiment: r.ExperimentID,
			Title: drafts.Titled(r.Title, language), Home: r.HomeID, Nickname: r.Nickname, At: r.CreatedAt, Was: was,
			Now: does,
			Asked: !bytes.Equal(r.TextSha, r.WasSha) &&
				!slices.ContainsFunc(r.Agreed, func(sha []byte) bool { return bytes.Equal(sha, r.WasSha) }),
		})
	}
	return out, nil
}

// doingOf is how a home takes part by a plan as it is stored; nothing stored is the
// design itself.
func doingOf(plan []byte, l *larder.Larder, language string) (string, error) {
	r := fit.PlanReport{Verdict: fit.AsDesigned}
	if plan != nil {
		if err := json.Unmarshal(plan, &r); err != nil {
			return "", err
		}
	}
	return kitchens.DoneBy(&r, l, language), nil
}
