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
	return one[Kitchen](ctx, q, `SELECT `+kitchenColumns+` FROM kitchen WHERE class_id = $1 AND home_id = $2`, class, home)
}

// SaveKitchen keeps what a home said, in the place of what it said before.
func (q *Queries) SaveKitchen(ctx context.Context, k Kitchen) error {
	return q.exec(ctx, 1, `INSERT INTO kitchen (class_id, home_id, answers, by_teacher, updated_at) VALUES ($1, $2, $3, $4, $5)
		ON CONFLICT (class_id, home_id) DO UPDATE SET answers = EXCLUDED.answers, by_teacher = EXCLUDED.by_teacher,
		updated_at = EXCLUDED.updated_at`, k.ClassID, k.HomeID, k.Answers, k.ByTeacher, k.UpdatedAt)
}
