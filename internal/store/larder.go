package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// OwnMaterial is a thing that a teacher added to the larder, as JSON.
type OwnMaterial struct {
	TeacherID uuid.UUID
	ID        string
	Material  []byte
	UpdatedAt time.Time
}

// OwnMaterials lists a teacher's own things by id.
func (q *Queries) OwnMaterials(ctx context.Context, teacher uuid.UUID) ([]OwnMaterial, error) {
	return many[OwnMaterial](ctx, q, `SELECT * FROM own_material WHERE teacher_id = $1 ORDER BY id`, teacher)
}

// PutOwnMaterial adds a thing or replaces the one with its id.
func (q *Queries) PutOwnMaterial(ctx context.Context, m OwnMaterial) error {
	return q.exec(ctx, 1, `INSERT INTO own_material (teacher_id, id, material, updated_at) VALUES ($1, $2, $3, $4)
		ON CONFLICT (teacher_id, id) DO UPDATE SET material = EXCLUDED.material, updated_at = EXCLUDED.updated_at`, m.TeacherID, m.ID, m.Material, m.UpdatedAt)
}

// DeleteOwnMaterial takes a thing out; designs that use it keep their copy.
func (q *Queries) DeleteOwnMaterial(ctx context.Context, teacher uuid.UUID, id string) error {
	return q.exec(ctx, 1, `DELETE FROM own_material WHERE teacher_id = $1 AND id = $2`, teacher, id)
}
