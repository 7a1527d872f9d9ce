package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// Picture is a picture of a design.
type Picture struct {
	ID        string // SHA-256 of its bytes, in hexadecimal
	TeacherID *uuid.UUID
	Width     int
	Height    int
	Bytes     []byte // JPEG without metadata
	CreatedAt time.Time
}

var pictureColumns = columns[Picture]("picture")

// AddPicture keeps a picture; one that is there already stays as it is.
func (q *Queries) AddPicture(ctx context.Context, p Picture) error {
	_, err := q.db.Exec(ctx, `INSERT INTO picture (id, teacher_id, width, height, bytes, created_at)
		VALUES ($1, $2, $3, $4, $5, $6) ON CONFLICT (id) DO NOTHING`,
		p.ID, p.TeacherID, p.Width, p.Height, p.Bytes, p.CreatedAt)
	return translate(err)
}

// Picture finds a picture by its id.
func (q *Queries) Picture(ctx context.Context, id string) (Picture, error) {
	return one[Picture](ctx, q, `SELECT `+pictureColumns+` FROM picture WHERE id = $1`, id)
}

// CountPictures is how many pictures a teacher has brought.
func (q *Queries) CountPictures(ctx context.Context, teacher uuid.UUID) (int, error) {
	r, err := one[struct{ Count int }](ctx, q, `SELECT count(*) FROM picture WHERE teacher_id = $1`, teacher)
	return r.Count, err
}
