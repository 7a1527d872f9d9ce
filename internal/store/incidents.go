package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// Incident is what a home told through Something went wrong.
type Incident struct {
	ClassID      uuid.UUID
	ID           uuid.UUID
	AssignmentID *uuid.UUID
	HomeID       uuid.UUID
	Door         string
	Card         string
	Outcome      string
	Note         string
	PhoneTime    time.Time
	ReceivedAt   time.Time
	SeenAt       *time.Time
	SaidAt       time.Time // when the phone told what stands here
}

var incidentColumns = columns[Incident]("incident")

// PutIncident stores what a home told, as an event of its own: the same said
// again is one. The incident is what was told last by the phone's clock; where
// that is worse than what the teacher has seen, it is unseen again. It reports
// ErrNotFound for an id of another home.
func (q *Queries) PutIncident(ctx context.Context, i Incident, sha []byte, worse bool) error {
	if err := q.exec(ctx, 0, `INSERT INTO incident (class_id, id, assignment_id, home_id, door, card, outcome, note,
		phone_time, received_at, said_at)
		VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $9) ON CONFLICT (class_id, id) DO NOTHING`,
		i.ClassID, i.ID, i.AssignmentID, i.HomeID, i.Door, i.Card, i.Outcome, i.Note, i.PhoneTime,
		i.ReceivedAt); err != nil {
		return err
	}
	if err := q.exec(ctx, 0, `INSERT INTO incident_event (class_id, incident_id, sha256, door, card, outcome, note,
		phone_time, received_at)
		VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9) ON CONFLICT DO NOTHING`,
		i.ClassID, i.ID, sha, i.Door, i.Card, i.Outcome, i.Note, i.PhoneTime, i.ReceivedAt); err != nil {
		return err
	}
	return q.exec(
		ctx,
		0,
		`UPDATE incident SET door = $4, card = $5, outcome = $6, note = $7, said_at = $8,
			seen_at = CASE WHEN $9 THEN NULL ELSE seen_at END
		WHERE class_id = $1 AND id = $2 AND home_id = $3 AND said_at <= $8`,
		i.ClassID,
		i.ID,
		i.HomeID,
		i.Door,
		i.Card,
		i.Outcome,
		i.Note,
		i.PhoneTime,
		worse,
	)
}

// LockIncident finds an incident and keeps it as it is until the transaction
// ends.
func (q *Queries) LockIncident(ctx context.Context, class, id uuid.UUID) (Incident, error) {
	return one[Incident](
		ctx,
		q,
		`SELECT `+incidentColumns+` FROM incident WHERE class_id = $1 AND id = $2 FOR UPDATE`,
		class,
		id,
	)
}

// IncidentRow is an incident with its home's nickname and telephone.
type IncidentRow struct {
	Incident
	Nickname  string
	Phone     string
	ClassName string
}

// IncidentsOf lists what was told through Something went wrong while an assignment
// was worked at, oldest first.
func (q *Queries) IncidentsOf(ctx context.Context, class, assignment uuid.UUID) ([]Incident, error) {
	return many[Incident](
		ctx,
		q,
		`SELECT `+incidentColumns+` FROM incident WHERE class_id = $1 AND assignment_id = $2 ORDER BY received_at, id`,
		class,
		assignment,
	)
}

// Incidents lists the unseen and the last week's incidents of a teacher's
// classes, unseen and newest first.
func (q *Queries) Incidents(ctx context.Context, teacher uuid.UUID, since time.Time) ([]IncidentRow, error) {
	return many[IncidentRow](
		ctx,
		q,
		`SELECT `+incidentColumns+`, h.nickname, h.phone, c.name AS class_name FROM incident
		JOIN class c ON c.id = incident.class_id JOIN home h ON h.class_id = incident.class_id AND h.id = incident.home_id
		WHERE c.teacher_id = $1 AND c.deleted_at IS NULL AND h.deleted_at IS NULL
			AND (incident.seen_at IS NULL OR incident.received_at > $2)
		ORDER BY incident.seen_at IS NOT NULL, incident.received_at DESC`,
		teacher,
		since,
	)
}

// MarkIncidentSeen notes that the teacher has seen an incident.
func (q *Queries) MarkIncidentSeen(ctx context.Context, class, id uuid.UUID, now time.Time) error {
	return q.exec(
		ctx,
		1,
		`UPDATE incident SET seen_at = COALESCE(seen_at, $3) WHERE class_id = $1 AND id = $2`,
		class,
		id,
		now,
	)
}
