package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// OwnEntry is a thing or a swap that a teacher added to the larder, as JSON.
type OwnEntry struct {
	TeacherID uuid.UUID
	Kind      string // thing or swap
	ID        string
	Body      []byte
	UpdatedAt time.Time
}

var ownEntryColumns = columns[OwnEntry]("own_entry")

// OwnEntries lists a teacher's own entries, things and swaps by id.
func (q *Queries) OwnEntries(ctx context.Context, teacher uuid.UUID) ([]OwnEntry, error) {
	return many[OwnEntry](
		ctx,
		q,
		`SELECT `+ownEntryColumns+` FROM own_entry WHERE teacher_id = $1 ORDER BY kind, id`,
		teacher,
	)
}

// PutOwnEntry adds an entry or replaces the one with its id.
func (q *Queries) PutOwnEntry(ctx context.Context, e OwnEntry) error {
	return q.exec(ctx, 1, `INSERT INTO own_entry (teacher_id, kind, id, body, updated_at) VALUES ($1, $2, $3, $4, $5)
		ON CONFLICT (teacher_id, kind, id) DO UPDATE SET body = EXCLUDED.body, updated_at = EXCLUDED.updated_at`,
		e.TeacherID, e.Kind, e.ID, e.Body, e.UpdatedAt)
}

// DeleteOwnEntry takes an entry out; designs that use it keep their copy.
func (q *Queries) DeleteOwnEntry(ctx context.Context, teacher uuid.UUID, kind, id string) error {
	return q.exec(ctx, 1, `DELETE FROM own_entry WHERE teacher_id = $1 AND kind = $2 AND id = $3`, teacher, kind, id)
}
