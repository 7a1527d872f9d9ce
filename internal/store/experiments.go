package store

import (
	"context"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/text"
)

// Experiment is a lineage with its present draft, kept as the exact bytes.
type Experiment struct {
	ID        uuid.UUID
	TeacherID uuid.UUID
	Title     text.Localized
	Draft     []byte
	Version   int
	CreatedAt time.Time
	UpdatedAt time.Time
	DeletedAt *time.Time
}

var experimentColumns = columns[Experiment]("experiment")

// AddExperiment stores a new experiment.
func (q *Queries) AddExperiment(ctx context.Context, e Experiment) error {
	return q.exec(
		ctx,
		1,
		`INSERT INTO experiment (id, teacher_id, title, draft, created_at, updated_at) VALUES ($1, $2, $3, $4, $5, $5)`,
		e.ID,
		e.TeacherID,
		e.Title,
		e.Draft,
		e.CreatedAt,
	)
}

// SaveDraft replaces the draft of an experiment that still has the version
// given, and returns the new version.
func (q *Queries) SaveDraft(ctx context.Context, e Experiment, now time.Time) (int, error) {
	r, err := one[struct{ Version int }](
		ctx,
		q,
		`UPDATE experiment SET draft = $4, title = $5, updated_at = $6, version = version + 1
		WHERE id = $1 AND teacher_id = $2 AND version = $3 AND deleted_at IS NULL RETURNING version`,
		e.ID,
		e.TeacherID,
		e.Version,
		e.Draft,
		e.Title,
		now,
	)
	return r.Version, err
}

// Experiment finds a teacher's experiment.
func (q *Queries) Experiment(ctx context.Context, teacher, id uuid.UUID) (Experiment, error) {
	return one[Experiment](
		ctx,
		q,
		`SELECT `+experimentColumns+` FROM experiment WHERE id = $1 AND teacher_id = $2 AND deleted_at IS NULL`,
		id,
		teacher,
	)
}

// LockExperiment finds a teacher's experiment and keeps its draft as it is until
// the transaction ends.
func (q *Queries) LockExperiment(ctx context.Context, teacher, id uuid.UUID) (Experiment, error) {
	return one[Experiment](
		ctx,
		q,
		`SELECT `+experimentColumns+` FROM experiment WHERE id = $1 AND teacher_id = $2 AND deleted_at IS NULL
			FOR UPDATE`,
		id,
		teacher,
	)
}

// Experiments lists a teacher's experiments, last changed first.
func (q *Queries) Experiments(ctx context.Context, teacher uuid.UUID) ([]Experiment, error) {
	return many[Experiment](
		ctx,
		q,
		`SELECT `+experimentColumns+` FROM experiment WHERE teacher_id = $1 AND deleted_at IS NULL
			ORDER BY updated_at DESC, id`,
		teacher,
	)
}

// SetExperimentDeleted deletes an experiment, or with nil brings it back.
func (q *Queries) SetExperimentDeleted(ctx context.Context, teacher, id uuid.UUID, at *time.Time) error {
	return q.exec(ctx, 1, `UPDATE experiment SET deleted_at = $3 WHERE id = $1 AND teacher_id = $2`, id, teacher, at)
}

// Version is a frozen document.
type Version struct {
	ID           uuid.UUID
	ExperimentID uuid.UUID
	Number       int
	Document     []byte
	Sha256       []byte
	Schema       int
	FrozenAt     time.Time
}

var versionColumns = columns[Version]("experiment_version")

// LatestVersion is the last frozen version of an experiment.
func (q *Queries) LatestVersion(ctx context.Context, experiment uuid.UUID) (Version, error) {
	return one[Version](
		ctx,
		q,
		`SELECT `+versionColumns+` FROM experiment_version WHERE experiment_id = $1 ORDER BY number DESC LIMIT 1`,
		experiment,
	)
}

// Versions lists the frozen versions of an experiment, the latest first, without their
// documents.
func (q *Queries) Versions(ctx context.Context, experiment uuid.UUID) ([]VersionRow, error) {
	return many[VersionRow](ctx, q, `SELECT v.number, v.frozen_at,
		coalesce(array_agg(DISTINCT c.name) FILTER (WHERE c.name IS NOT NULL), '{}') AS classes
		FROM experiment_version v LEFT JOIN assignment a ON a.version_id = v.id LEFT JOIN class c ON c.id = a.class_id
		WHERE v.experiment_id = $1 GROUP BY v.number, v.frozen_at ORDER BY v.number DESC`, experiment)
}

// VersionRow is a version in a list, with the names of the classes that it went to.
type VersionRow struct {
	Number   int
	FrozenAt time.Time
	Classes  []string
}

// VersionNumber finds a version of an experiment by its number.
func (q *Queries) VersionNumber(ctx context.Context, experiment uuid.UUID, number int) (Version, error) {
	return one[Version](ctx, q, `SELECT `+versionColumns+` FROM experiment_version WHERE experiment_id = $1
		AND number = $2`, experiment, number)
}

// AddVersion freezes a document.
func (q *Queries) AddVersion(ctx context.Context, v Version) error {
	return q.exec(
		ctx,
		1,
		`INSERT INTO experiment_version (id, experiment_id, number, document, sha256, schema, frozen_at)
			VALUES ($1, $2, $3, $4, $5, $6, $7)`,
		v.ID,
		v.ExperimentID,
		v.Number,
		v.Document,
		v.Sha256,
		v.Schema,
		v.FrozenAt,
	)
}

// Assignment is a version issued to a class.
type Assignment struct {
	ClassID      uuid.UUID
	ID           uuid.UUID
	ExperimentID uuid.UUID
	VersionID    uuid.UUID
	OpensAt      time.Time
	DueAt        time.Time
	IssuedAt     time.Time
	RecalledAt   *time.Time
	RecallReason string
	Number       int
}

const assignmentColumns = `a.class_id, a.id, a.experiment_id, a.version_id, a.opens_at, a.due_at, a.issued_at,
	a.recalled_at, a.recall_reason, v.number
	FROM assignment a JOIN experiment_version v ON v.id = a.version_id`

// VersionDocument is the document that a version froze.
func (q *Queries) VersionDocument(ctx context.Context, id uuid.UUID) ([]byte, error) {
	v, err := one[struct{ Document []byte }](ctx, q, `SELECT document FROM experiment_version WHERE id = $1`, id)
	return v.Document, err
}

// AddAssignment issues a version to a class.
func (q *Queries) AddAssignment(ctx context.Context, a Assignment) error {
	return q.exec(
		ctx,
		1,
		`INSERT INTO assignment (class_id, id, experiment_id, version_id, opens_at, due_at, issued_at)
			VALUES ($1, $2, $3, $4, $5, $6, $7)`,
		a.ClassID,
		a.ID,
		a.ExperimentID,
		a.VersionID,
		a.OpensAt,
		a.DueAt,
		a.IssuedAt,
	)
}

// Assignment finds an assignment of a class.
func (q *Queries) Assignment(ctx context.Context, class, id uuid.UUID) (Assignment, error) {
	return one[Assignment](ctx, q, `SELECT `+assignmentColumns+` WHERE a.class_id = $1 AND a.id = $2`, class, id)
}

// Standing finds the assignment by which a class has a version, unless it was
// taken back.
func (q *Queries) Standing(ctx context.Context, class, version uuid.UUID) (Assignment, error) {
	return one[Assignment](
		ctx,
		q,
		`SELECT `+assignmentColumns+` WHERE a.class_id = $1 AND a.version_id = $2 AND a.recalled_at IS NULL
			ORDER BY a.issued_at LIMIT 1`,
		class,
		version,
	)
}

// Assignments lists a class's assignments, newest first.
func (q *Queries) Assignments(ctx context.Context, class uuid.UUID) ([]Assignment, error) {
	return many[Assignment](
		ctx,
		q,
		`SELECT `+assignmentColumns+` WHERE a.class_id = $1 ORDER BY a.issued_at DESC, a.id DESC`,
		class,
	)
}

// AssignmentRow is an assignment in a list over classes.
type AssignmentRow struct {
	ClassID      uuid.UUID
	ID           uuid.UUID
	ExperimentID uuid.UUID
	ClassName    string
	Title        text.Localized
	Number       int
	OpensAt      time.Time
	DueAt        time.Time
	IssuedAt     time.Time
	RecalledAt   *time.Time
	Homes        int
	Sent         int
}

// AssignmentRows lists the assignments of all of a teacher's classes, newest
// first, with how many homes have sent their work.
func (q *Queries) AssignmentRows(ctx context.Context, teacher uuid.UUID) ([]AssignmentRow, error) {
	return many[AssignmentRow](
		ctx,
		q,
		`SELECT a.class_id, a.id, a.experiment_id, c.name AS class_name, e.title, v.number, a.opens_at, a.due_at,
			a.issued_at, a.recalled_at,
		(SELECT count(*) FROM home h WHERE h.class_id = a.class_id AND h.deleted_at IS NULL) AS homes,
		(SELECT count(DISTINCT n.home_id) FROM entry n JOIN home h ON h.class_id = n.class_id AND h.id = n.home_id
			AND h.deleted_at IS NULL
			WHERE n.class_id = a.class_id AND n.assignment_id = a.id AND n.kind = 'sent') AS sent
		FROM assignment a JOIN class c ON c.id = a.class_id JOIN experiment e ON e.id = a.experiment_id
			JOIN experiment_version v ON v.id = a.version_id
		WHERE c.teacher_id = $1 AND c.deleted_at IS NULL ORDER BY a.issued_at DESC, a.id DESC`,
		teacher,
	)
}

// Reschedule gives an assignment that was not taken back another end.
func (q *Queries) Reschedule(ctx context.Context, class, id uuid.UUID, due time.Time) error {
	return q.exec(
		ctx,
		1,
		`UPDATE assignment SET due_at = $3 WHERE class_id = $1 AND id = $2 AND recalled_at IS NULL AND opens_at < $3`,
		class,
		id,
		due,
	)
}

// Recall stops an assignment.
func (q *Queries) Recall(ctx context.Context, class, id uuid.UUID, reason string, now time.Time) error {
	return q.exec(
		ctx,
		1,
		`UPDATE assignment SET recalled_at = $3, recall_reason = $4 WHERE class_id = $1 AND id = $2
			AND recalled_at IS NULL`,
		class,
		id,
		now,
		reason,
	)
}
