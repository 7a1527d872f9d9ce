package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// Entry is one line of a notebook: the exact bytes the phone sent, and what
// queries need beside them. HomeID is nil for the teacher's shared readings.
type Entry struct {
	ClassID      uuid.UUID
	ID           uuid.UUID
	AssignmentID uuid.UUID
	HomeID       *uuid.UUID
	Provenance   string
	Kind         string
	Body         []byte
	BodySha      []byte
	PhoneTime    time.Time
	OffsetMs     int64
	ReceivedAt   time.Time
	Late         bool
	ClockJump    bool
}

var entryColumns = columns[Entry]("entry")

// AddEntry stores an entry and reports whether it is new. When the id is
// there already nothing changes; nor does it when the home was erased, which is
// held off meanwhile, or has most entries of the assignment already.
func (q *Queries) AddEntry(ctx context.Context, e Entry, most int) (bool, error) {
	tag, err := q.db.Exec(
		ctx,
		`INSERT INTO entry (class_id, id, assignment_id, home_id, provenance, kind, body, body_sha, phone_time,
			offset_ms, received_at, late, clock_jump)
		SELECT $1::uuid, $2::uuid, $3::uuid, $4::uuid, $5::text, $6::text, $7::bytea, $8::bytea, $9::timestamptz,
			$10::bigint, $11::timestamptz, $12::boolean, $13::boolean
		WHERE ($4::uuid IS NULL OR EXISTS (SELECT 1 FROM home WHERE class_id = $1 AND id = $4
			AND erased_at IS NULL FOR SHARE))
		AND (SELECT count(*) FROM (SELECT 1 FROM entry WHERE class_id = $1 AND assignment_id = $3 AND home_id = $4
			UNION ALL SELECT 1 FROM entry WHERE $4 IS NULL AND class_id = $1 AND home_id IS NULL AND assignment_id = $3
				LIMIT $14) x) < $14
		ON CONFLICT (class_id, id) DO NOTHING`,
		e.ClassID,
		e.ID,
		e.AssignmentID,
		e.HomeID,
		e.Provenance,
		e.Kind,
		e.Body,
		e.BodySha,
		e.PhoneTime,
		e.OffsetMs,
		e.ReceivedAt,
		e.Late,
		e.ClockJump,
		most,
	)
	return err == nil && tag.RowsAffected() == 1, translate(err)
}

// Gate is what has to be so for an entry of a home to be taken.
type Gate struct {
	// hashed, of the phone, which has to have opened the home's present link; nil where that is known
	Token      []byte
	Permission [][]byte // hashes of what a guardian has to have agreed to, one of them
	Plan       int      // number of the home's plan by which it was read; 0 for none
	May        []string // standings of the permission, as of [Standing]
	Writes     Writes   // as whom the home is thought to write
	Activity   string   // in which it is made, if it is made in one: where that was not agreed to, the home has declined
}

// Standing words how a permission stands: asked, granted, declined, withdrawn or
// lapsed (granted to something else), with or without photos.
func Standing(state string, photos bool) string {
	if photos {
		return state + " photos"
	}
	return state
}

// Writes is how a home's entries are read: its language, and its class's zone and measures.
type Writes struct {
	Language   string
	Zone       string
	UnitSystem string
}

// Writes reads as whom a home writes; ErrNotFound where there is no such home.
func (q *Queries) Writes(ctx context.Context, class, home uuid.UUID) (Writes, error) {
	return one[Writes](
		ctx,
		q,
		`SELECT h.language, c.zone, c.unit_system FROM home h JOIN class c ON c.id = h.class_id WHERE h.class_id = $1
			AND h.id = $2`,
		class,
		home,
	)
}

// CountEntries counts what a home has written in an assignment, and not beyond most.
func (q *Queries) CountEntries(ctx context.Context, class, assignment, home uuid.UUID, most int) (int, error) {
	n, err := one[struct{ Count int }](
		ctx,
		q,
		`SELECT count(*) FROM (SELECT 1 FROM entry WHERE class_id = $1 AND assignment_id = $2 AND home_id = $3
			LIMIT $4) x`,
		class,
		assignment,
		home,
		most,
	)
	return n.Count, err
}

// writeEntry stores an entry of a home if the gate lets it through and its id is
// new, in one statement; erasing the home waits for it, or it finds the home erased.
//
// What is deleted is told by an expression, not by a bare IS NULL: of those the
// planner makes a search of all of the class's homes.
const writeEntry = `INSERT INTO entry (class_id, id, assignment_id, home_id, provenance, kind, body, body_sha,
	phone_time, received_at, offset_ms, late, clock_jump)
	SELECT h.class_id, $2::uuid, a.id, h.id, $5::text, $6::text, $7::bytea, $8::bytea, $9::timestamptz,
		$10::timestamptz, $11::bigint, $10 > a.due_at, $12::boolean
	FROM home h, class c, assignment a
	WHERE h.class_id = $1 AND h.id = $4 AND c.id = $1 AND a.class_id = $1 AND a.id = $3
		AND h.language = $17 AND c.zone = $18 AND c.unit_system = $19
		AND (h.deleted_at IS NULL AND h.erased_at IS NULL AND c.deleted_at IS NULL AND a.recalled_at IS NULL) IS TRUE
		AND ($13::bytea IS NULL OR EXISTS (SELECT 1 FROM home_device d
			WHERE d.class_id = $1 AND d.home_id = $4 AND d.token_hash = $13 AND d.generation = h.generation))
		AND COALESCE((SELECT CASE WHEN p.kind = 'granted' AND $20 = ANY (p.without) THEN 'declined'
			WHEN p.kind = 'granted' AND p.text_sha <> ALL ($14::bytea[]) THEN 'lapsed' ELSE p.kind END
				|| CASE WHEN p.photos THEN ' photos' ELSE '' END
			FROM permission_event p WHERE p.class_id = $1 AND p.assignment_id = $3 AND p.home_id = $4
			ORDER BY p.at DESC, p.id DESC LIMIT 1), 'asked') = ANY ($15::text[])
		AND COALESCE((SELECT n.number FROM home_plan n WHERE n.class_id = $1 AND n.assignment_id = $3 AND n.home_id = $4
			ORDER BY n.number DESC LIMIT 1), 0) = $16::int
	FOR KEY SHARE OF h
	ON CONFLICT (class_id, id) DO NOTHING
	RETURNING late`

// entering is what [writeEntry] is given.
func entering(e Entry, g Gate) []any {
	return []any{
		e.ClassID,
		e.ID,
		e.AssignmentID,
		e.HomeID,
		e.Provenance,
		e.Kind,
		e.Body,
		e.BodySha,
		e.PhoneTime,
		e.ReceivedAt,
		e.OffsetMs,
		e.ClockJump,
		g.Token,
		g.Permission,
		g.May,
		g.Plan,
		g.Writes.Language,
		g.Writes.Zone,
		g.Writes.UnitSystem,
		g.Activity,
	}
}

// WriteEntry stores an entry of a home if the gate lets it through and its id
// is new, and says whether it came late. It reports ErrNotFound where nothing was stored.
func (q *Queries) WriteEntry(ctx context.Context, e Entry, g Gate) (late bool, err error) {
	row, err := one[lateness](ctx, q, writeEntry, entering(e, g)...)
	return row.Late, err
}

type lateness struct{ Late bool }

// HoldHome keeps a home from being erased until the transaction ends. It
// reports ErrNotFound for one that is erased.
func (q *Queries) HoldHome(ctx context.Context, class, home uuid.UUID) error {
	_, err := one[struct{ ID uuid.UUID }](
		ctx,
		q,
		`SELECT id FROM home WHERE class_id = $1 AND id = $2 AND erased_at IS NULL FOR SHARE`,
		class,
		home,
	)
	return err
}

// LockHome makes writers of one home wait for each other until the transaction
// ends. It reports ErrNotFound for one that is erased.
func (q *Queries) LockHome(ctx context.Context, class, home uuid.UUID) error {
	_, err := one[struct{ ID uuid.UUID }](
		ctx,
		q,
		`SELECT id FROM home WHERE class_id = $1 AND id = $2 AND erased_at IS NULL FOR NO KEY UPDATE`,
		class,
		home,
	)
	return err
}

// Answers lists a home's own answers of an assignment, in order of arrival.
func (q *Queries) Answers(ctx context.Context, class, assignment, home uuid.UUID) ([]Entry, error) {
	return many[Entry](
		ctx,
		q,
		`SELECT `+entryColumns+` FROM entry WHERE class_id = $1 AND assignment_id = $2 AND home_id = $3
			AND kind = 'answer' ORDER BY received_at, id`,
		class,
		assignment,
		home,
	)
}

// Swaps lists what a home said that it uses instead in an assignment, in order of arrival.
func (q *Queries) Swaps(ctx context.Context, class, assignment, home uuid.UUID) ([]Entry, error) {
	return many[Entry](
		ctx,
		q,
		`SELECT `+entryColumns+` FROM entry WHERE class_id = $1 AND assignment_id = $2 AND home_id = $3
			AND kind = 'swap' ORDER BY received_at, id`,
		class,
		assignment,
		home,
	)
}

// Entry finds an entry of a class.
func (q *Queries) Entry(ctx context.Context, class, id uuid.UUID) (Entry, error) {
	return one[Entry](ctx, q, `SELECT `+entryColumns+` FROM entry WHERE class_id = $1 AND id = $2`, class, id)
}

// EntryCount is how many entries a home made of an assignment; the teacher's
// shared ones have no home.
type EntryCount struct {
	HomeID *uuid.UUID
	N      int
}

// EntryCounts counts the entries of an assignment by home.
func (q *Queries) EntryCounts(ctx context.Context, class, assignment uuid.UUID) ([]EntryCount, error) {
	return many[EntryCount](
		ctx,
		q,
		`SELECT home_id, count(*) AS n FROM entry WHERE class_id = $1 AND assignment_id = $2 GROUP BY home_id`,
		class,
		assignment,
	)
}

// EntriesOf lists the entries of an assignment by some homes, and the teacher's
// shared ones, in order of arrival.
func (q *Queries) EntriesOf(ctx context.Context, class, assignment uuid.UUID, homes []uuid.UUID) ([]Entry, error) {
	return many[Entry](
		ctx,
		q,
		`SELECT `+entryColumns+` FROM entry WHERE class_id = $1 AND assignment_id = $2 AND (home_id = ANY ($3)
			OR home_id IS NULL) ORDER BY received_at, id`,
		class,
		assignment,
		homes,
	)
}

// HomeEntries lists a home's own entries of all its assignments.
func (q *Queries) HomeEntries(ctx context.Context, class, home uuid.UUID) ([]Entry, error) {
	return many[Entry](
		ctx,
		q,
		`SELECT `+entryColumns+` FROM entry JOIN assignment a ON a.class_id = entry.class_id AND a.id = assignment_id
		WHERE entry.class_id = $1 AND home_id = $2 ORDER BY received_at, entry.id`,
		class,
		home,
	)
}

// Facts lists what the homes of a class say of themselves, in all assignments.
func (q *Queries) Facts(ctx context.Context, class uuid.UUID) ([]Entry, error) {
	return many[Entry](
		ctx,
		q,
		`SELECT `+entryColumns+` FROM entry WHERE class_id = $1 AND kind = 'fact' ORDER BY received_at, id`,
		class,
	)
}

// SharedEntries lists the teacher's shared readings of all assignments of a class.
func (q *Queries) SharedEntries(ctx context.Context, class uuid.UUID) ([]Entry, error) {
	return many[Entry](
		ctx,
		q,
		`SELECT `+entryColumns+` FROM entry WHERE class_id = $1 AND home_id IS NULL ORDER BY received_at, id`,
		class,
	)
}
