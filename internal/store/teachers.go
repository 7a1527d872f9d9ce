package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// Teacher is someone who signs in.
type Teacher struct {
	ID           uuid.UUID
	Email        string
	Name         string
	PasswordHash string
	CreatedAt    time.Time
}

var teacherColumns = columns[Teacher]("teacher")

// AddTeacher stores a teacher; ErrConflict when the address is taken.
func (q *Queries) AddTeacher(ctx context.Context, t Teacher) error {
	return q.exec(
		ctx,
		1,
		`INSERT INTO teacher (id, email, name, password_hash, created_at) VALUES ($1, $2, $3, $4, $5)`,
		t.ID,
		t.Email,
		t.Name,
		t.PasswordHash,
		t.CreatedAt,
	)
}

// TeacherByEmail finds a teacher by address in small letters.
func (q *Queries) TeacherByEmail(ctx context.Context, email string) (Teacher, error) {
	return one[Teacher](ctx, q, `SELECT `+teacherColumns+` FROM teacher WHERE email = $1`, email)
}

// Teacher finds a teacher.
func (q *Queries) Teacher(ctx context.Context, id uuid.UUID) (Teacher, error) {
	return one[Teacher](ctx, q, `SELECT `+teacherColumns+` FROM teacher WHERE id = $1`, id)
}

// SetPassword stores the hash of another password.
func (q *Queries) SetPassword(ctx context.Context, id uuid.UUID, hash string) error {
	return q.exec(ctx, 1, `UPDATE teacher SET password_hash = $2 WHERE id = $1`, id, hash)
}

// RemoveTeacher leaves of a teacher only an id, for the classes they had.
func (q *Queries) RemoveTeacher(ctx context.Context, id uuid.UUID, now time.Time) error {
	for _, sql := range []string{
		`UPDATE teacher SET email = 'removed ' || id, name = '', password_hash = '' WHERE id = $1`,
		`DELETE FROM own_entry WHERE teacher_id = $1`,
	} {
		if err := q.exec(ctx, 0, sql, id); err != nil {
			return err
		}
	}
	return q.exec(ctx, 0, `UPDATE experiment SET deleted_at = COALESCE(deleted_at, $2) WHERE teacher_id = $1`, id, now)
}

// Session is a signed-in browser, as the session layer writes it.
type Session struct {
	Token string // hashed
	Data  []byte
}

// Sessions lists all sessions that have not run out.
func (q *Queries) Sessions(ctx context.Context) ([]Session, error) {
	return many[Session](ctx, q, `SELECT token, data FROM sessions WHERE expiry > now()`)
}

// EndSession ends a session by its hashed token.
func (q *Queries) EndSession(ctx context.Context, token string) error {
	return q.exec(ctx, 0, `DELETE FROM sessions WHERE token = $1`, token)
}

// CountAttempt counts a try of a kind by a key within windows of a length and
// returns how many there were in the present one, this one included.
func (q *Queries) CountAttempt(
	ctx context.Context,
	kind, key string,
	window time.Duration,
	now time.Time,
) (int, error) {
	r, err := one[struct{ Count int }](ctx, q, `
		INSERT INTO attempt (kind, key, window_start, count) VALUES ($1, $2, $3, 1)
		ON CONFLICT (kind, key) DO UPDATE SET
			count = CASE WHEN attempt.window_start < $4 THEN 1 ELSE attempt.count + 1 END,
			window_start = CASE WHEN attempt.window_start < $4 THEN $3 ELSE attempt.window_start END
		RETURNING count`, kind, key, now, now.Add(-window))
	return r.Count, err
}

// Attempts is how many tries there were in the present window.
func (q *Queries) Attempts(ctx context.Context, kind, key string, window time.Duration, now time.Time) (int, error) {
	r, err := one[struct{ Count int }](
		ctx,
		q,
		`SELECT COALESCE((SELECT count FROM attempt WHERE kind = $1 AND key = $2 AND window_start >= $3), 0) AS count`,
		kind,
		key,
		now.Add(-window),
	)
	return r.Count, err
}

// UncountAttempt takes one try back.
func (q *Queries) UncountAttempt(ctx context.Context, kind, key string) error {
	return q.exec(ctx, 0, `UPDATE attempt SET count = GREATEST(count - 1, 0) WHERE kind = $1 AND key = $2`, kind, key)
}

// SetMarker notes something about the database as a whole.
func (q *Queries) SetMarker(ctx context.Context, name, value string) error {
	return q.exec(
		ctx,
		1,
		`INSERT INTO marker (name, value) VALUES ($1, $2) ON CONFLICT (name) DO UPDATE SET value = $2`,
		name,
		value,
	)
}

// Marker reads such a note; ErrNotFound when there is none.
func (q *Queries) Marker(ctx context.Context, name string) (string, error) {
	r, err := one[struct{ Value string }](ctx, q, `SELECT value FROM marker WHERE name = $1`, name)
	return r.Value, err
}
