package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// Media is a picture, clip or sound without its bytes.
type Media struct {
	ClassID      uuid.UUID
	ID           uuid.UUID
	AssignmentID uuid.UUID
	HomeID       *uuid.UUID
	Width        int
	Height       int
	Form         string  // picture, clip or sound
	Seconds      float64 // of a clip or sound
	UploadSha    []byte
	CreatedAt    time.Time
}

var mediaColumns = columns[Media]("media")

// AddMedia stores a picture in its two sizes, or a recording and its picture, and
// reports whether it is new.
func (q *Queries) AddMedia(ctx context.Context, m Media, sizes map[string][]byte) (bool, error) {
	tag, err := q.db.Exec(
		ctx,
		`INSERT INTO media (class_id, id, assignment_id, home_id, width, height, form, seconds, upload_sha, created_at)
		VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) ON CONFLICT (class_id, id) DO NOTHING`,
		m.ClassID,
		m.ID,
		m.AssignmentID,
		m.HomeID,
		m.Width,
		m.Height,
		m.Form,
		m.Seconds,
		m.UploadSha,
		m.CreatedAt,
	)
	if err != nil || tag.RowsAffected() == 0 {
		return false, translate(err)
	}
	for size, data := range sizes {
		if err := q.exec(ctx, 1, `INSERT INTO media_bytes (class_id, media_id, size, bytes) VALUES ($1, $2, $3, $4)`,
			m.ClassID, m.ID, size, data); err != nil {
			return false, err
		}
	}
	return true, nil
}

// Media finds a picture, clip or sound of a class.
func (q *Queries) Media(ctx context.Context, class, id uuid.UUID) (Media, error) {
	return one[Media](ctx, q, `SELECT `+mediaColumns+` FROM media WHERE class_id = $1 AND id = $2`, class, id)
}

// MediaBytes reads one size of a picture: display or thumbnail; of a clip or sound,
// recording.
func (q *Queries) MediaBytes(ctx context.Context, class, id uuid.UUID, size string) ([]byte, error) {
	r, err := one[struct{ Bytes []byte }](
		ctx,
		q,
		`SELECT bytes FROM media_bytes WHERE class_id = $1 AND media_id = $2 AND size = $3`,
		class,
		id,
		size,
	)
	return r.Bytes, err
}

// ForgetOldMedia deletes the pictures of a class whose assignment has been
// over for longer than the class keeps them, and returns how many.
func (q *Queries) ForgetOldMedia(ctx context.Context, now time.Time) (int64, error) {
	tag, err := q.db.Exec(ctx, `DELETE FROM media m USING assignment a, class c
		WHERE a.class_id = m.class_id AND a.id = m.assignment_id AND c.id = m.class_id
			AND a.due_at + make_interval(days => c.photo_days) < $1`, now)
	return tag.RowsAffected(), translate(err)
}

// MediaOf is how many pictures a home has in an assignment, and their bytes.
func (q *Queries) MediaOf(ctx context.Context, class, assignment, home uuid.UUID) (n int, size int64, err error) {
	r, err := one[struct {
		N    int
		Size int64
	}](ctx, q, `SELECT count(DISTINCT m.id) AS n, COALESCE(sum(octet_length(b.bytes)), 0)::bigint AS size FROM media m
		JOIN media_bytes b ON b.class_id = m.class_id AND b.media_id = m.id
		WHERE m.class_id = $1 AND m.assignment_id = $2 AND m.home_id = $3`, class, assignment, home)
	return r.N, r.Size, err
}

// Tombstones lists the homes that were erased and of which something is there
// all the same.
func (q *Queries) Tombstones(ctx context.Context) ([]Home, error) {
	return many[Home](ctx, q, `SELECT `+homeColumns+` FROM home WHERE home.erased_at IS NOT NULL AND (
		EXISTS (SELECT 1 FROM entry x WHERE x.class_id = home.class_id AND x.home_id = home.id) OR EXISTS (SELECT 1
			FROM media x WHERE x.class_id = home.class_id AND x.home_id = home.id)
		OR EXISTS (SELECT 1 FROM incident x WHERE x.class_id = home.class_id AND x.home_id = home.id)
			OR EXISTS (SELECT 1 FROM permission_event x WHERE x.class_id = home.class_id AND x.home_id = home.id)
		OR EXISTS (SELECT 1 FROM link x WHERE x.class_id = home.class_id AND x.home_id = home.id) OR EXISTS (SELECT 1
			FROM home_device x WHERE x.class_id = home.class_id AND x.home_id = home.id))`)
}

// HomesToErase lists homes that were deleted thirty days ago, or whose class was
// or is past the day until which it is kept.
func (q *Queries) HomesToErase(ctx context.Context, now time.Time) ([]Home, error) {
	return many[Home](ctx, q, `SELECT `+homeColumns+` FROM home JOIN class c ON c.id = home.class_id
		WHERE home.erased_at IS NULL AND (home.deleted_at < $1::timestamptz - interval '30 days'
			OR c.deleted_at < $1::timestamptz - interval '30 days'
			OR c.keep_until < ($1::timestamptz AT TIME ZONE c.zone)::date)`, now)
}

// LockDaily takes the lock of the daily clean-up for this transaction; false
// when another process has it.
func (q *Queries) LockDaily(ctx context.Context) (bool, error) {
	if err := q.exec(ctx, 0, `SET LOCAL statement_timeout = 0`); err != nil { // it may take as long as it takes
		return false, err
	}
	r, err := one[struct{ Got bool }](ctx, q, `SELECT pg_try_advisory_xact_lock(hashtext('kitchen daily')) AS got`)
	return r.Got, err
}
