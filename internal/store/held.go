package store

import (
	"context"

	"github.com/google/uuid"
)

// Held is by which version of a draft a home was planned, and for what answers.
type Held struct {
	ClassID      uuid.UUID
	ExperimentID uuid.UUID
	HomeID       uuid.UUID
	Answers      []byte // sum of all that made the plan
	Variant      string
}

var heldColumns = columns[Held]("held")

// HeldOf lists what the homes of a class hold in an experiment.
func (q *Queries) HeldOf(ctx context.Context, class, experiment uuid.UUID) ([]Held, error) {
	return many[Held](ctx, q, `SELECT `+heldColumns+` FROM held WHERE class_id = $1 AND experiment_id = $2`, class,
		experiment)
}

// HoldingIn lists the drafts in which homes of a class hold something, or for which they
// were asked.
func (q *Queries) HoldingIn(ctx context.Context, class uuid.UUID) ([]Asked, error) {
	return many[Asked](ctx, q, `SELECT e.id AS experiment_id, now() AS asked_at, e.draft FROM experiment e
		WHERE e.deleted_at IS NULL AND (e.id IN (SELECT experiment_id FROM held WHERE class_id = $1)
			OR e.id IN (SELECT experiment_id FROM asked WHERE class_id = $1))`, class)
}

// Hold notes what homes hold, in the place of what they held.
func (q *Queries) Hold(ctx context.Context, class, experiment uuid.UUID, homes []uuid.UUID, answers [][]byte,
	variants []string) error {
	return q.exec(ctx, int64(len(homes)), `INSERT INTO held (class_id, experiment_id, home_id, answers, variant)
		SELECT $1, $2, * FROM unnest($3::uuid[], $4::bytea[], $5::text[])
		ON CONFLICT (class_id, experiment_id, home_id) DO UPDATE
			SET answers = EXCLUDED.answers, variant = EXCLUDED.variant`,
		class, experiment, homes, answers, variants)
}
