package store

import (
	"context"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/text"
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
	return q.exec(ctx, 1, `INSERT INTO home_plan (class_id, assignment_id, home_id, number, rules_version, text_sha,
		plan, document, agreed, created_at)
		VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
		p.ClassID, p.AssignmentID, p.HomeID, p.Number, p.RulesVersion, p.TextSha, p.Plan, p.Document, p.Agreed,
		p.CreatedAt)
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
		WHERE class_id = $1 AND assignment_id = $2 AND home_id = $3 ORDER BY number DESC LIMIT 1`, class, assignment,
		home)
}

// LatePlan is a plan that was made anew, beside the one that held before.
type LatePlan struct {
	ClassID      uuid.UUID
	ClassName    string
	AssignmentID uuid.UUID
	ExperimentID uuid.UUID
	VersionID    uuid.UUID
	Title        text.Localized
	HomeID       uuid.UUID
	Nickname     string
	CreatedAt    time.Time
	Plan         []byte
	TextSha      []byte
	Agreed       [][]byte
	Was          []byte
	WasSha       []byte
}

// LatePlans lists the last plans of a teacher's homes that were made anew since a moment,
// of experiments under way, the newest first: each beside the plan that held at that
// moment, or with which it began.
func (q *Queries) LatePlans(ctx context.Context, teacher uuid.UUID, since, now time.Time) ([]LatePlan, error) {
	return many[LatePlan](ctx, q, `SELECT * FROM (
		SELECT DISTINCT ON (p.class_id, p.assignment_id, p.home_id) p.class_id, c.name AS class_name, p.assignment_id,
			a.experiment_id,
			a.version_id, e.title, p.home_id, h.nickname, p.created_at, p.plan, p.text_sha, p.agreed, b.plan AS was,
				b.text_sha AS was_sha
		FROM class c JOIN home_plan p ON p.class_id = c.id AND p.number > 1 AND p.created_at >= $2
		JOIN LATERAL (SELECT plan, text_sha FROM home_plan b
			WHERE b.class_id = p.class_id AND b.assignment_id = p.assignment_id AND b.home_id = p.home_id
				AND (b.created_at < $2 OR b.number = 1)
			ORDER BY b.number DESC LIMIT 1) b ON true
		JOIN assignment a ON a.class_id = p.class_id AND a.id = p.assignment_id AND a.recalled_at IS NULL
			AND a.due_at > $3
		JOIN experiment e ON e.id = a.experiment_id
		JOIN home h ON h.class_id = p.class_id AND h.id = p.home_id AND h.deleted_at IS NULL AND h.erased_at IS NULL
		WHERE c.teacher_id = $1 AND c.deleted_at IS NULL
		ORDER BY p.class_id, p.assignment_id, p.home_id, p.number DESC) late
		ORDER BY created_at DESC, home_id`, teacher, since, now)
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
		return q.exec(ctx, 0, `DELETE FROM pin WHERE class_id = $1 AND experiment_id = $2 AND home_id = $3
			AND need = $4`,
			p.ClassID, p.ExperimentID, p.HomeID, p.Need)
	}
	return q.exec(ctx, 1, `INSERT INTO pin (class_id, experiment_id, home_id, need, use) VALUES ($1, $2, $3, $4, $5)
		ON CONFLICT (class_id, experiment_id, home_id, need) DO UPDATE SET use = EXCLUDED.use`,
		p.ClassID, p.ExperimentID, p.HomeID, p.Need, p.Use)
}
