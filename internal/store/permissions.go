package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// Permission is one event of a home's permission.
type Permission struct {
	ClassID      uuid.UUID
	ID           uuid.UUID
	AssignmentID uuid.UUID
	HomeID       uuid.UUID
	Kind         string
	Guardian     string
	Photos       bool
	Gallery      bool
	Language     string
	TextSha      []byte
	At           time.Time
	Without      []string // ids of activities that were not agreed to; never nil
}

var permissionColumns = columns[Permission]("permission_event")

// AddPermission stores an event.
func (q *Queries) AddPermission(ctx context.Context, p Permission) error {
	return q.exec(
		ctx,
		1,
		`INSERT INTO permission_event (class_id, id, assignment_id, home_id, kind, guardian, photos, gallery, language,
			text_sha, at, without)
		VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)`,
		p.ClassID,
		p.ID,
		p.AssignmentID,
		p.HomeID,
		p.Kind,
		p.Guardian,
		p.Photos,
		p.Gallery,
		p.Language,
		p.TextSha,
		p.At,
		append([]string{}, p.Without...),
	)
}

// Permissions lists each home's last permission event of an assignment.
func (q *Queries) Permissions(ctx context.Context, class, assignment uuid.UUID) ([]Permission, error) {
	return many[Permission](
		ctx,
		q,
		`SELECT DISTINCT ON (home_id) `+permissionColumns+` FROM permission_event WHERE class_id = $1
			AND assignment_id = $2 ORDER BY home_id, at DESC, id DESC`,
		class,
		assignment,
	)
}

// HomePermissions lists a home's last permission event of each assignment.
func (q *Queries) HomePermissions(ctx context.Context, class, home uuid.UUID) ([]Permission, error) {
	return many[Permission](
		ctx,
		q,
		`SELECT DISTINCT ON (assignment_id) `+permissionColumns+` FROM permission_event WHERE class_id = $1
			AND home_id = $2 ORDER BY assignment_id, at DESC, id DESC`,
		class,
		home,
	)
}
