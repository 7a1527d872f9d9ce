package store

import (
	"context"

	"github.com/google/uuid"
)

// HomeState is how far a home is with an assignment.
type HomeState struct {
	HomeID  uuid.UUID
	Decided bool // its guardian has agreed or declined
	Granted bool
	Began   bool // a step is done
	Sent    bool
}

// HomeStates tells how far each home of a class is with an assignment.
func (q *Queries) HomeStates(ctx context.Context, class, assignment uuid.UUID) ([]HomeState, error) {
	return many[HomeState](ctx, q, `SELECT h.id AS home_id, p.kind IS NOT NULL AS decided,
		coalesce(p.kind = 'granted', false) AS granted,
		EXISTS (SELECT FROM entry e WHERE e.class_id = $1 AND e.assignment_id = $2 AND e.home_id = h.id
			AND e.kind = 'step-done') AS began,
		EXISTS (SELECT FROM entry e WHERE e.class_id = $1 AND e.assignment_id = $2 AND e.home_id = h.id
			AND e.kind = 'sent') AS sent
		FROM home h LEFT JOIN LATERAL (SELECT kind FROM permission_event
			WHERE class_id = $1 AND assignment_id = $2 AND home_id = h.id ORDER BY at DESC, id DESC LIMIT 1) p ON true
		WHERE h.class_id = $1 AND h.deleted_at IS NULL`, class, assignment)
}
