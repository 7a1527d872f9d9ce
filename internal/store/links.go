package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// Link leads from a look-up value of a link or code to its home.
type Link struct {
	Lookup     []byte
	Kind       string
	ClassID    uuid.UUID
	HomeID     uuid.UUID
	Generation int
}

var linkColumns = columns[Link]("link")

// AddLink stores a look-up value.
func (q *Queries) AddLink(ctx context.Context, l Link) error {
	return q.exec(ctx, 1, `INSERT INTO link (lookup, kind, class_id, home_id, generation) VALUES ($1, $2, $3, $4, $5)`,
		l.Lookup, l.Kind, l.ClassID, l.HomeID, l.Generation)
}

// HomeByLink finds the home of a link or code. This is the one query that
// starts without a class: a family comes in with nothing else.
func (q *Queries) HomeByLink(ctx context.Context, lookup []byte) (Link, error) {
	return one[Link](ctx, q, `SELECT `+linkColumns+` FROM link WHERE lookup = $1`, lookup)
}

// RaiseGeneration gives a home a new generation of link and code; devices and
// links of older generations no longer open it.
func (q *Queries) RaiseGeneration(ctx context.Context, class, home uuid.UUID, keyID string) (int, error) {
	r, err := one[struct{ Generation int }](
		ctx,
		q,
		`UPDATE home SET generation = generation + 1, key_id = $3, version = version + 1
		WHERE class_id = $1 AND id = $2 AND deleted_at IS NULL RETURNING generation`,
		class,
		home,
		keyID,
	)
	return r.Generation, err
}

// Device is a phone that opened a home's link.
type Device struct {
	ClassID    uuid.UUID
	HomeID     uuid.UUID
	TokenHash  []byte
	Generation int
	CreatedAt  time.Time
}

// AddDevice stores a phone's hashed token and marks the home as opened.
func (q *Queries) AddDevice(ctx context.Context, d Device) error {
	if err := q.exec(ctx, 1, `INSERT INTO home_device (class_id, id, home_id, token_hash, generation, created_at)
		VALUES ($1, $2, $3, $4, $5, $6)`,
		d.ClassID, NewID(), d.HomeID, d.TokenHash, d.Generation, d.CreatedAt); err != nil {
		return err
	}
	return q.exec(
		ctx,
		1,
		`UPDATE home SET opened_at = COALESCE(opened_at, $3) WHERE class_id = $1 AND id = $2`,
		d.ClassID,
		d.HomeID,
		d.CreatedAt,
	)
}

// DeviceGeneration is the generation with which a token was given out, and
// the home's present one.
type DeviceGeneration struct {
	Device  int
	Present int
}

// DeviceGeneration finds a phone by its hashed token.
func (q *Queries) DeviceGeneration(
	ctx context.Context,
	class, home uuid.UUID,
	tokenHash []byte,
) (DeviceGeneration, error) {
	return one[DeviceGeneration](ctx, q, `SELECT d.generation AS device, h.generation AS present
		FROM home_device d JOIN home h ON h.class_id = d.class_id AND h.id = d.home_id
		JOIN class c ON c.id = h.class_id AND c.deleted_at IS NULL
		WHERE d.class_id = $1 AND d.home_id = $2 AND d.token_hash = $3 AND h.deleted_at IS NULL`, class, home,
		tokenHash)
}

// Pulse is what a home's page depends on.
type Pulse struct {
	DeviceGeneration
	Changes  int64      // of the class
	Version  int        // of the home
	Language string     // of the home
	Entries  int        // of the home
	Opened   *time.Time // the last time an assignment opened, and was over
	Over     *time.Time
}

// Pulse finds a phone by its hashed token, with what its page depends on.
func (q *Queries) Pulse(ctx context.Context, class, home uuid.UUID, tokenHash []byte, now time.Time) (Pulse, error) {
	return one[Pulse](ctx, q, `SELECT d.generation AS device, h.generation AS present, c.changes, h.version, h.language,
		(SELECT count(*) FROM assignment a JOIN entry e ON e.class_id = a.class_id AND e.assignment_id = a.id
			AND e.home_id = h.id WHERE a.class_id = c.id) AS entries,
		(SELECT max(opens_at) FROM assignment WHERE class_id = c.id AND opens_at <= $4) AS opened,
		(SELECT max(due_at) FROM assignment WHERE class_id = c.id AND due_at <= $4) AS over
		FROM home_device d JOIN home h ON h.class_id = d.class_id AND h.id = d.home_id
		JOIN class c ON c.id = h.class_id AND c.deleted_at IS NULL
		WHERE d.class_id = $1 AND d.home_id = $2 AND d.token_hash = $3 AND h.deleted_at IS NULL`, class, home,
		tokenHash, now)
}
