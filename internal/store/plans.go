package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// Plan is a home's frozen plan of an assignment; the one with the highest number holds.
type Plan struct {
	ClassID      uuid.UUID
	AssignmentID uuid.UUID
	HomeID       uuid.UUID
	Number       int
	RulesVersion int
	TextSha      []byte   // of what a guardian agrees to
	Plan         []byte   // what it uses and reads, as JSON; nil as the version has it
	Document     []byte   // its own design; nil where that is the version's
	Agreed       [][]byte // of what was agreed to before and covers this plan too
	CreatedAt    time.Time
}

var planColumns = columns[Plan]("home_plan")

// AddPlan stores a plan.
func (q *Queries) AddPlan(ctx context.Context, p Plan) error {
	if p.Agreed == nil {
		p.Agreed = [][]byte{}
	}
	return q.exec(ctx, 1, `INSERT INTO home_plan (class_id, assignment_id, home_id, number, rules_version, text_sha, plan, document, agreed, created_at)
		VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
		p.ClassID, p.AssignmentID, p.HomeID, p.Number, p.RulesVersion, p.TextSha, p.Plan, p.Document, p.Agreed, p.CreatedAt)
}

// Plans lists the plans that hold in an assignment, one a home.
func (q *Queries) Plans(ctx context.Context, class, assignment uuid.UUID) ([]Plan, error) {
	return many[Plan](ctx, q, `SELECT DISTINCT ON (home_id) `+planColumns+`
		FROM home_plan WHERE class_id = $1 AND assignment_id = $2 ORDER BY home_id, number DESC`, class, assignment)
}

// HomePlans lists the plans that hold for a home, one an assignment.
func (q *Queries) HomePlans(ctx context.Context, class, home uuid.UUID) ([]Plan, error) {
	return many[Plan](ctx, q, `SELECT DISTINCT ON (assignment_id) `+planColumns+`
		FROM home_plan WHERE class_id = $1 AND home_id = $2 ORDER BY assignment_id, number DESC`, class, home)
}

// HomePlan is the plan that holds for a home in an assignment; ErrNotFound where it has
// none.
func (q *Queries) HomePlan(ctx context.Context, class, assignment, home uuid.UUID) (Plan, error) {
	return one[Plan](ctx, q, `SELECT `+planColumns+` FROM home_plan
		WHERE class_id = $1 AND assignment_id = $2 AND home_id = $3 ORDER BY number DESC LIMIT 1`, class, assignment, home)
}

// Pin is what a teacher has fixed for a home in an experiment.
type Pin struct {
	ClassID      uuid.UUID
	ExperimentID uuid.UUID
	HomeID       uuid.UUID
	Need         string
	Use          string
}

var pinColumns = columns[Pin]("pin")

// Pins lists what is fixed in an experiment for the homes of a class.
func (q *Queries) Pins(ctx context.Context, class, experiment uuid.UUID) ([]Pin, error) {
	return many[Pin](ctx, q, `SELECT `+pinColumns+` FROM pin WHERE class_id = $1 AND experiment_id = $2
		ORDER BY home_id, need`, class, experiment)
}

// SavePin fixes what a home uses, in the place of what was fixed before; with an empty
// use nothing is fixed any more.
func (q *Queries) SavePin(ctx context.Context, p Pin) error {
	if p.Use == "" {
		return q.exec(ctx, 0, `DELETE FROM pin WHERE class_id = $1 AND experiment_id = $2 AND home_id = $3 AND need = $4`,
			p.ClassID, p.ExperimentID, p.HomeID, p.Need)
	}
	return q.exec(ctx, 1, `INSERT INTO pin (class_id, experiment_id, home_id, need, use) VALUES ($1, $2, $3, $4, $5)
		ON CONFLICT (class_id, experiment_id, home_id, need) DO UPDATE SET use = EXCLUDED.use`,
		p.ClassID, p.ExperimentID, p.HomeID, p.Need, p.Use)
}
