package store

import (
	"context"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
)

// Class is a teacher's class.
type Class struct {
	ID              uuid.UUID
	TeacherID       uuid.UUID
	Name            string
	School          string
	Zone            string
	Language        string
	UnitSystem      string
	EmergencyNumber string
	PoisonNumber    string
	PhotoDays       int
	KeepUntil       time.Time
	Version         int
	CreatedAt       time.Time
	DeletedAt       *time.Time
	NeedsAssessment bool
	Usual           map[string]string // what its teacher says of the place for all homes, as typed
	Holidays        []schedule.Days   // nothing is asked of homes on them
}

var classColumns = columns[Class]("class")

// AddClass stores a new class.
func (q *Queries) AddClass(ctx context.Context, c Class) error {
	return q.exec(
		ctx,
		1,
		`INSERT INTO class (id, teacher_id, name, school, zone, language, unit_system, emergency_number, poison_number,
			photo_days, keep_until, created_at, needs_assessment, usual, holidays)
		VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, coalesce($14, '{}'::jsonb),
			coalesce($15, '[]'::jsonb))`,
		c.ID,
		c.TeacherID,
		c.Name,
		c.School,
		c.Zone,
		c.Language,
		c.UnitSystem,
		c.EmergencyNumber,
		c.PoisonNumber,
		c.PhotoDays,
		c.KeepUntil,
		c.CreatedAt,
		c.NeedsAssessment,
		c.Usual,
		c.Holidays,
	)
}

// SaveClass changes a class that still has the version given; ErrNotFound
// when it was changed meanwhile.
func (q *Queries) SaveClass(ctx context.Context, c Class) error {
	return q.exec(
		ctx,
		1,
		`UPDATE class SET name = $3, school = $4, zone = $5, language = $6, unit_system = $7, emergency_number = $8,
		poison_number = $9, photo_days = $10, keep_until = $11, needs_assessment = $12,
		usual = coalesce($13, '{}'::jsonb), holidays = coalesce($14, '[]'::jsonb), version = version + 1
		WHERE id = $1 AND version = $2`,
		c.ID,
		c.Version,
		c.Name,
		c.School,
		c.Zone,
		c.Language,
		c.UnitSystem,
		c.EmergencyNumber,
		c.PoisonNumber,
		c.PhotoDays,
		c.KeepUntil,
		c.NeedsAssessment,
		c.Usual,
		c.Holidays,
	)
}

// Class finds a class that was not deleted.
func (q *Queries) Class(ctx context.Context, id uuid.UUID) (Class, error) {
	return one[Class](ctx, q, `SELECT `+classColumns+` FROM class WHERE id = $1 AND deleted_at IS NULL`, id)
}

// ClassRow is a class in a list.
type ClassRow struct {
	Class
	Homes int
}

// Classes lists a teacher's classes with their number of homes.
func (q *Queries) Classes(ctx context.Context, teacher uuid.UUID) ([]ClassRow, error) {
	return many[ClassRow](
		ctx,
		q,
		`SELECT `+classColumns+
			`, (SELECT count(*) FROM home WHERE class_id = class.id AND home.deleted_at IS NULL) AS homes
		FROM class WHERE teacher_id = $1 AND deleted_at IS NULL ORDER BY name`,
		teacher,
	)
}

// Home is a household in a class.
type Home struct {
	ClassID    uuid.UUID
	ID         uuid.UUID
	Nickname   string
	Letters    string
	Language   string
	Contact    string
	Phone      string
	Note       string
	KeyID      string
	Generation int
	Version    int
	CreatedAt  time.Time
	OpenedAt   *time.Time
	DeletedAt  *time.Time
	ErasedAt   *time.Time
}

var homeColumns = columns[Home]("home")

// AddHome stores a home; ErrConflict when its nickname or letters are taken.
func (q *Queries) AddHome(ctx context.Context, h Home) error {
	return q.exec(
		ctx,
		1,
		`INSERT INTO home (class_id, id, nickname, letters, language, contact, phone, key_id, generation, created_at,
			note)
		VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
		h.ClassID,
		h.ID,
		h.Nickname,
		h.Letters,
		h.Language,
		h.Contact,
		h.Phone,
		h.KeyID,
		h.Generation,
		h.CreatedAt,
		h.Note,
	)
}

// SaveHome changes a home that still has the version given.
func (q *Queries) SaveHome(ctx context.Context, h Home) error {
	return q.exec(
		ctx,
		1,
		`UPDATE home SET nickname = $4, letters = $5, language = $6, contact = $7, phone = $8, note = $9,
			version = version + 1
		WHERE class_id = $1 AND id = $2 AND version = $3 AND deleted_at IS NULL`,
		h.ClassID,
		h.ID,
		h.Version,
		h.Nickname,
		h.Letters,
		h.Language,
		h.Contact,
		h.Phone,
		h.Note,
	)
}

// Home finds a home that was not deleted.
func (q *Queries) Home(ctx context.Context, class, id uuid.UUID) (Home, error) {
	return one[Home](
		ctx,
		q,
		`SELECT `+homeColumns+` FROM home WHERE class_id = $1 AND id = $2 AND deleted_at IS NULL`,
		class,
		id,
	)
}

// Homes lists a class's homes by nickname.
func (q *Queries) Homes(ctx context.Context, class uuid.UUID) ([]Home, error) {
	return many[Home](
		ctx,
		q,
		`SELECT `+homeColumns+` FROM home WHERE class_id = $1 AND deleted_at IS NULL ORDER BY lower(nickname), id`,
		class,
	)
}

// CountErased is how many homes of a class were erased.
func (q *Queries) CountErased(ctx context.Context, class uuid.UUID) (int, error) {
	r, err := one[struct{ N int }](
		ctx,
		q,
		`SELECT count(*) AS n FROM home WHERE class_id = $1 AND erased_at IS NOT NULL`,
		class,
	)
	return r.N, err
}

// SetHomeDeleted deletes a home, or with a nil moment brings it back.
func (q *Queries) SetHomeDeleted(ctx context.Context, class, id uuid.UUID, at *time.Time) error {
	return q.exec(
		ctx,
		1,
		`UPDATE home SET deleted_at = $3 WHERE class_id = $1 AND id = $2 AND erased_at IS NULL`,
		class,
		id,
		at,
	)
}

// EraseHome removes a home's names, words and pictures for good.
func (q *Queries) EraseHome(ctx context.Context, class, id uuid.UUID, now time.Time) error {
	return q.exec(ctx, 0, `SELECT erase_home($1, $2, $3)`, class, id, now)
}

// SetHomeLanguage keeps the language a family chose.
func (q *Queries) SetHomeLanguage(ctx context.Context, class, id uuid.UUID, language string) error {
	return q.exec(
		ctx,
		1,
		`UPDATE home SET language = $3, version = version + 1 WHERE class_id = $1 AND id = $2`,
		class,
		id,
		language,
	)
}

// Student is a child of a home.
type Student struct {
	ClassID uuid.UUID
	ID      uuid.UUID
	HomeID  uuid.UUID
	Name    string
}

var studentColumns = columns[Student]("student")

// Students lists the students of a class's homes.
func (q *Queries) Students(ctx context.Context, class uuid.UUID) ([]Student, error) {
	return many[Student](
		ctx,
		q,
		`SELECT `+studentColumns+` FROM student JOIN home ON home.class_id = student.class_id AND home.id = home_id
		WHERE student.class_id = $1 AND deleted_at IS NULL ORDER BY student.id`,
		class,
	)
}

// SetStudents replaces the students of a home.
func (q *Queries) SetStudents(ctx context.Context, class, home uuid.UUID, names []string) error {
	if err := q.exec(ctx, 0, `DELETE FROM student WHERE class_id = $1 AND home_id = $2`, class, home); err != nil {
		return err
	}
	for _, n := range names {
		if err := q.exec(ctx, 1, `INSERT INTO student (class_id, id, home_id, name) VALUES ($1, $2, $3, $4)`, class,
			NewID(), home, n); err != nil {
			return err
		}
	}
	return nil
}

// Audit is one line of what a teacher did to a home or class.
type Audit struct {
	ClassID   uuid.UUID
	TeacherID uuid.UUID
	HomeID    *uuid.UUID
	Action    string
	Detail    string
	At        time.Time
}

// AddAudit stores such a line.
func (q *Queries) AddAudit(ctx context.Context, a Audit) error {
	return q.exec(
		ctx,
		1,
		`INSERT INTO audit (class_id, id, teacher_id, home_id, action, detail, at) VALUES ($1, $2, $3, $4, $5, $6, $7)`,
		a.ClassID,
		NewID(),
		a.TeacherID,
		a.HomeID,
		a.Action,
		a.Detail,
		a.At,
	)
}

// ClassState is what of a class is another when something of it changed.
type ClassState struct {
	ID      uuid.UUID
	Changes int64
	Last    uuid.UUID // its newest entry
}

// ClassStates finds the states of some classes.
func (q *Queries) ClassStates(ctx context.Context, classes []uuid.UUID) ([]ClassState, error) {
	return many[ClassState](
		ctx,
		q,
		`SELECT c.id, c.changes, COALESCE((SELECT e.id FROM entry e WHERE e.class_id = c.id ORDER BY e.id DESC
			LIMIT 1), c.id) AS last FROM class c WHERE c.id = ANY ($1)`,
		classes,
	)
}

var auditColumns = columns[Audit]("audit")

// Audits lists what was done to a class, or to one home of it, newest first.
func (q *Queries) Audits(ctx context.Context, class uuid.UUID, home *uuid.UUID, most int) ([]Audit, error) {
	return many[Audit](
		ctx,
		q,
		`SELECT `+auditColumns+` FROM audit WHERE class_id = $1 AND ($2::uuid IS NULL OR home_id = $2)
			ORDER BY at DESC, id DESC LIMIT $3`,
		class,
		home,
		most,
	)
}

// SetClassDeleted deletes a class, or with a nil moment brings it back.
func (q *Queries) SetClassDeleted(ctx context.Context, id uuid.UUID, at *time.Time) error {
	return q.exec(ctx, 1, `UPDATE class SET deleted_at = $2 WHERE id = $1`, id, at)
}

// DeletedClasses lists the classes that a teacher deleted and that can be
// brought back: something of them is there still.
func (q *Queries) DeletedClasses(ctx context.Context, teacher uuid.UUID) ([]ClassRow, error) {
	return many[ClassRow](
		ctx,
		q,
		`SELECT `+classColumns+
			`, (SELECT count(*) FROM home WHERE class_id = class.id AND home.deleted_at IS NULL) AS homes
		FROM class WHERE teacher_id = $1 AND deleted_at > now() - interval '30 days' ORDER BY deleted_at DESC`,
		teacher,
	)
}

// Leaving is what the daily clean-up will remove of a class on a day.
type Leaving struct {
	ClassID   uuid.UUID
	ClassName string
	What      string         // class, homes or photos
	Title     text.Localized // of the experiment, for photos
	N         int
	Day       time.Time
}

// Leavings lists what will be removed of a teacher's classes within a time.
func (q *Queries) Leavings(
	ctx context.Context,
	teacher uuid.UUID,
	now time.Time,
	within time.Duration,
) ([]Leaving, error) {
	return many[Leaving](ctx, q, `SELECT * FROM (
		SELECT c.id AS class_id, c.name AS class_name, 'class' AS what, '{}'::jsonb AS title, count(*)::int AS n,
			LEAST(c.keep_until + 1, (c.deleted_at + interval '30 days')::date) AS day
		FROM class c JOIN home h ON h.class_id = c.id AND h.erased_at IS NULL WHERE c.teacher_id = $1 GROUP BY c.id
		UNION ALL
		SELECT c.id, c.name, 'homes', '{}', count(*)::int, min(h.deleted_at + interval '30 days')::date
		FROM class c JOIN home h ON h.class_id = c.id AND h.erased_at IS NULL AND h.deleted_at IS NOT NULL
			AND h.deleted_at + interval '30 days' <= $2::timestamptz + $3::interval
		WHERE c.teacher_id = $1 AND c.deleted_at IS NULL GROUP BY c.id
		UNION ALL
		SELECT c.id, c.name, 'photos', e.title, count(*)::int, (a.due_at + make_interval(days => c.photo_days))::date
		FROM class c JOIN assignment a ON a.class_id = c.id JOIN experiment e ON e.id = a.experiment_id JOIN media m
			ON m.class_id = c.id AND m.assignment_id = a.id
		WHERE c.teacher_id = $1 AND c.deleted_at IS NULL GROUP BY c.id, a.class_id, a.id, e.id
		) x WHERE day <= ($2::timestamptz + $3::interval)::date ORDER BY day, class_name, what`, teacher, now, within)
}
