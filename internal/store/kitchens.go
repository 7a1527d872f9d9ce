package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// Kitchen is what a home said of its kitchen, as JSON.
type Kitchen struct {
	ClassID   uuid.UUID
	HomeID    uuid.UUID
	Answers   []byte
	ByTeacher bool
	UpdatedAt time.Time
}

var kitchenColumns = columns[Kitchen]("kitchen")

// Kitchens lists what the homes of a class said of theirs; one that said nothing is
// not among them.
func (q *Queries) Kitchens(ctx context.Context, class uuid.UUID) ([]Kitchen, error) {
	return many[Kitchen](ctx, q, `SELECT `+kitchenColumns+` FROM kitchen WHERE class_id = $1`, class)
}

// Kitchen is what one home said; ErrNotFound where it said nothing.
func (q *Queries) Kitchen(ctx context.Context, class, home uuid.UUID) (Kitchen, error) {
	return one[Kitchen](ctx, q, `SELECT `+kitchenColumns+` FROM kitchen WHERE class_id = $1 AND home_id = $2`, class,
		home)
}

// SaveKitchen keeps what a home said, in the place of what it said before.
func (q *Queries) SaveKitchen(ctx context.Context, k Kitchen) error {
	return q.exec(ctx, 1, `INSERT INTO kitchen (class_id, home_id, answers, by_teacher, updated_at)
		VALUES ($1, $2, $3, $4, $5)
		ON CONFLICT (class_id, home_id) DO UPDATE SET answers = EXCLUDED.answers, by_teacher = EXCLUDED.by_teacher,
		updated_at = EXCLUDED.updated_at`, k.ClassID, k.HomeID, k.Answers, k.ByTeacher, k.UpdatedAt)
}

// Asked is an experiment for which the homes of a class were asked what they have.
type Asked struct {
	ExperimentID uuid.UUID
	AskedAt      time.Time
	Draft        []byte
}

// AskedOf lists the experiments for which the homes of a class were asked, the latest
// first, with their present drafts.
func (q *Queries) AskedOf(ctx context.Context, class uuid.UUID) ([]Asked, error) {
	return many[Asked](ctx, q, `SELECT k.experiment_id, k.asked_at, e.draft FROM asked k
		JOIN experiment e ON e.id = k.experiment_id AND e.deleted_at IS NULL
		WHERE k.class_id = $1 ORDER BY k.asked_at DESC`, class)
}

// Ask notes that the homes of a class are asked for an experiment.
func (q *Queries) Ask(ctx context.Context, class, experiment uuid.UUID, now time.Time) error {
	return q.exec(ctx, 1, `INSERT INTO asked (class_id, experiment_id, asked_at) VALUES ($1, $2, $3)
		ON CONFLICT (class_id, experiment_id) DO UPDATE SET asked_at = EXCLUDED.asked_at`, class, experiment, now)
}

// Survey is when a home was last asked what its kitchen has, and when it last said so;
// nil for never.
type Survey struct {
	AskedAt *time.Time
	SaidAt  *time.Time
}

// SurveyOf tells whether a home was asked and has said.
func (q *Queries) SurveyOf(ctx context.Context, class, home uuid.UUID) (Survey, error) {
	return one[Survey](ctx, q, `SELECT (SELECT max(asked_at) FROM asked WHERE class_id = $1) AS asked_at,
		(SELECT updated_at FROM kitchen WHERE class_id = $1 AND home_id = $2) AS said_at`, class, home)
}
