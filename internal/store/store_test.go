package store_test

import (
	"bytes"
	"context"
	"crypto/sha256"
	"errors"
	"io"
	"slices"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/store/storetest"
)

var ctx = context.Background()

// fixture is a class with one home, an issued version and an entry.
type fixture struct {
	*store.Store
	teacher store.Teacher
	class   store.Class
	home    store.Home
	as      store.Assignment
	entry   store.Entry
}

var now = time.Date(2027, 2, 2, 10, 40, 0, 0, time.UTC)

func sumOf(s string) []byte {
	sum := sha256.Sum256([]byte(s))
	return sum[:]
}

func must(t testing.TB, err error) {
	t.Helper()
	if err != nil {
		t.Fatal(err)
	}
}

func fill(t testing.TB) *fixture {
	f := &fixture{Store: storetest.New(t)}
	f.teacher = store.Teacher{
		ID:           store.NewID(),
		Email:        "t@school.example",
		Name:         "Ms T",
		PasswordHash: "x",
		CreatedAt:    now,
	}
	must(t, f.AddTeacher(ctx, f.teacher))
	f.class = store.Class{
		ID:         store.NewID(),
		TeacherID:  f.teacher.ID,
		Name:       "7M",
		Zone:       "Europe/London",
		Language:   "en",
		UnitSystem: "metric",
		PhotoDays:  30,
		KeepUntil:  now.AddDate(1, 0, 0),
		CreatedAt:  now,
	}
	must(t, f.AddClass(ctx, f.class))
	f.home = store.Home{
		ClassID:    f.class.ID,
		ID:         store.NewID(),
		Nickname:   "Fern",
		Letters:    "Fe",
		Language:   "en",
		KeyID:      "a",
		Generation: 1,
		CreatedAt:  now,
	}
	must(t, f.AddHome(ctx, f.home))
	must(t, f.SetStudents(ctx, f.class.ID, f.home.ID, []string{"F"}))
	must(
		t,
		f.AddLink(
			ctx,
			store.Link{Lookup: []byte("l"), Kind: "link", ClassID: f.class.ID, HomeID: f.home.ID, Generation: 1},
		),
	)
	e := store.Experiment{
		ID:        store.NewID(),
		TeacherID: f.teacher.ID,
		Title:     text.Localized{"en": "Strips"},
		Draft:     []byte("{}"),
		CreatedAt: now,
	}
	must(t, f.AddExperiment(ctx, e))
	v := store.Version{
		ID:           store.NewID(),
		ExperimentID: e.ID,
		Number:       1,
		Document:     []byte("{}"),
		Sha256:       []byte("s"),
		Schema:       1,
		FrozenAt:     now,
	}
	must(t, f.AddVersion(ctx, v))
	f.as = store.Assignment{
		ClassID:      f.class.ID,
		ID:           store.NewID(),
		ExperimentID: e.ID,
		VersionID:    v.ID,
		OpensAt:      now,
		DueAt:        now.Add(time.Hour),
		IssuedAt:     now,
	}
	must(t, f.AddAssignment(ctx, f.as))
	f.entry = store.Entry{
		ClassID:      f.class.ID,
		ID:           store.NewID(),
		AssignmentID: f.as.ID,
		HomeID:       &f.home.ID,
		Provenance:   "own",
		Kind:         "reading",
		Body:         []byte(`{"typed":"82 mm"}`),
		BodySha:      sumOf(`{"typed":"82 mm"}`),
		PhoneTime:    now,
		ReceivedAt:   now,
	}
	added, err := f.AddEntry(ctx, f.entry, 10)
	must(t, err)
	if !added {
		t.Fatal("a new entry was not added")
	}
	m := store.Media{
		ClassID:      f.class.ID,
		ID:           store.NewID(),
		AssignmentID: f.as.ID,
		HomeID:       &f.home.ID,
		Width:        3,
		Height:       2,
		Form:         "picture",
		UploadSha:    []byte("u"),
		CreatedAt:    now,
	}
	_, err = f.AddMedia(ctx, m, map[string][]byte{"display": []byte("display"), "thumbnail": []byte("thumb")})
	must(t, err)
	return f
}

func TestEntriesAreAppendOnly(t *testing.T) {
	f := fill(t)
	for _, sql := range []string{`UPDATE entry SET kind = 'x'`, `DELETE FROM entry`, `UPDATE experiment_version
		SET document = ''`, `DELETE FROM experiment_version`} {
		if _, err := f.Pool().Exec(ctx, sql); err == nil || !strings.Contains(err.Error(), "append-only") {
			t.Errorf("%s: %v", sql, err)
		}
	}
	again := f.entry
	again.Body = []byte("other")
	if added, err := f.AddEntry(ctx, again, 10); added || err != nil {
		t.Errorf("the same id again: added %v, %v", added, err)
	}
	kept, err := f.Entry(ctx, f.class.ID, f.entry.ID)
	if err != nil || string(kept.Body) != `{"typed":"82 mm"}` {
		t.Errorf("the first entry stands: %s, %v", kept.Body, err)
	}
}

func TestEraseHomeLeavesATombstone(t *testing.T) {
	f := fill(t)
	must(t, f.EraseHome(ctx, f.class.ID, f.home.ID, now))
	var left int
	must(
		t,
		f.Pool().
			QueryRow(ctx, `SELECT (SELECT count(*) FROM entry) + (SELECT count(*) FROM media_bytes) + (SELECT count(*)
				FROM student) + (SELECT count(*) FROM link)`).
			Scan(&left),
	)
	n, err := f.CountErased(ctx, f.class.ID)
	if left != 0 || n != 1 || err != nil {
		t.Errorf("%d things left, %d tombstones, %v", left, n, err)
	}
	var name string
	must(t, f.Pool().QueryRow(ctx, `SELECT nickname || contact || phone FROM home`).Scan(&name))
	if name != "" {
		t.Errorf("the tombstone still says %q", name)
	}
	if _, err := f.Pool().Exec(ctx, `INSERT INTO audit (class_id, id, teacher_id, action, at)
		VALUES ($1, $2, $3, 'x', now())`, f.class.ID, store.NewID(), f.teacher.ID); err != nil {
		t.Error(err)
	}
	if _, err := f.Home(ctx, f.class.ID, f.home.ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("an erased home is found: %v", err)
	}
}

func TestConflictsAndStaleVersions(t *testing.T) {
	f := fill(t)
	twin := f.home
	twin.ID, twin.Letters = store.NewID(), "Fx"
	if err := f.AddHome(ctx, twin); !errors.Is(err, store.ErrConflict) {
		t.Errorf("the same nickname: %v", err)
	}
	stale := f.home
	stale.Version = 7
	if err := f.SaveHome(ctx, stale); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("a stale version: %v", err)
	}
	other := store.NewID()
	if _, err := f.Home(ctx, other, f.home.ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("through another class: %v", err)
	}
	if _, err := f.Entry(ctx, other, f.entry.ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("an entry through another class: %v", err)
	}
}

func TestForgetting(t *testing.T) {
	f := fill(t)
	if n, err := f.ForgetOldMedia(ctx, now.AddDate(0, 0, 30)); n != 0 || err != nil {
		t.Errorf("too early: %d, %v", n, err)
	}
	if n, err := f.ForgetOldMedia(ctx, now.AddDate(0, 0, 31)); n != 1 || err != nil {
		t.Errorf("31 days after: %d, %v", n, err)
	}
	due := func(at time.Time) int {
		homes, err := f.HomesToErase(ctx, at)
		must(t, err)
		return len(homes)
	}
	if due(now.AddDate(1, 0, 0)) != 0 || due(now.AddDate(1, 0, 1)) != 1 {
		t.Error("homes are kept until the class's last day, and no longer")
	}
	gone := now
	must(t, f.SetHomeDeleted(ctx, f.class.ID, f.home.ID, &gone))
	if due(now.AddDate(0, 0, 29)) != 0 || due(now.AddDate(0, 0, 31)) != 1 {
		t.Error("a deleted home can be brought back for thirty days")
	}
}

func TestBackupRoundTrip(t *testing.T) {
	f := fill(t)
	var file bytes.Buffer
	must(t, f.Backup(ctx, &file))
	whole := bytes.Clone(file.Bytes())
	if _, err := f.Restore(ctx, &file); !errors.Is(err, store.ErrNotEmpty) {
		t.Errorf("into a full database: %v", err)
	}
	into := storetest.New(t)
	for what, damaged := range map[string][]byte{
		"half of it":       whole[:len(whole)/2],
		"without its end":  whole[:len(whole)-2048],
		"without a schema": whole[1024:],
		"another schema": bytes.Replace(whole, []byte("18"+strings.Repeat("\x00", 510)),
			[]byte("11"+strings.Repeat("\x00", 510)), 1),
		"a letter of a nickname": bytes.Replace(whole, []byte("Fern"), []byte("Pern"), 1),
		"a figure of a reading":  bytes.Replace(whole, []byte("82 mm"), []byte("28 mm"), 1),
		"a byte of a photo":      bytes.Replace(whole, []byte("display"), []byte("displax"), 1),
	} {
		if bytes.Equal(damaged, whole) {
			t.Fatalf("%s: nothing was damaged", what)
		}
		if _, err := into.Restore(ctx, bytes.NewReader(damaged)); err == nil {
			t.Errorf("%s was restored", what)
		}
	}
	restored, err := into.Restore(ctx, bytes.NewReader(whole))
	must(t, err)
	if !slices.Contains(restored, store.Restored{Table: "entry", Rows: 1}) ||
		!slices.Contains(restored, store.Restored{Table: "incident", Rows: 0}) {
		t.Errorf("%v", restored)
	}
	var again bytes.Buffer
	must(t, into.Backup(ctx, &again))
	if !bytes.Equal(whole, again.Bytes()) {
		t.Error("a backup of the restored database differs")
	}
	kept, err := into.Entry(ctx, f.class.ID, f.entry.ID)
	if err != nil || !bytes.Equal(kept.Body, f.entry.Body) {
		t.Errorf("%+v, %v", kept, err)
	}
}

// Every table with a class is keyed by it first, and every foreign key
// between such tables goes through it, so that tables can be partitioned.
func TestTablesAreKeyedByClass(t *testing.T) {
	s := storetest.New(t)
	rows, err := s.Pool().
		Query(ctx, `SELECT t.table_name, t.table_name IN (SELECT table_name FROM information_schema.columns
			WHERE column_name = 'class_id' AND table_schema = 'public') AS of_class,
		COALESCE((SELECT string_agg(k.column_name, ',' ORDER BY k.ordinal_position)
			FROM information_schema.table_constraints c
			JOIN information_schema.key_column_usage k USING (constraint_name, table_schema)
			WHERE c.table_name = t.table_name AND c.constraint_type = 'PRIMARY KEY'), '') AS key
		FROM information_schema.tables t WHERE t.table_schema = 'public' AND t.table_type = 'BASE TABLE'
			AND t.table_name <> 'goose_db_version' ORDER BY 1`)
	must(t, err)
	var found []string
	for rows.Next() {
		var name, key string
		var ofClass bool
		must(t, rows.Scan(&name, &ofClass, &key))
		found = append(found, name)
		if ofClass && name != "link" && !strings.HasPrefix(key, "class_id,") {
			t.Errorf("%s has the key (%s); it has to begin with class_id", name, key)
		}
	}
	var archive bytes.Buffer
	must(t, s.Backup(ctx, &archive))
	for _, name := range found {
		if !bytes.Contains(archive.Bytes(), []byte(name)) {
			t.Errorf("the backup leaves %s out", name)
		}
	}
	if !slices.Contains(found, "entry") || len(found) < 15 {
		t.Errorf("too few tables were looked at: %v", found)
	}
}

func TestSchemaIsChecked(t *testing.T) {
	s := storetest.New(t)
	must(t, s.CheckSchema(ctx))
	must(t, s.Migrate(ctx)) // again changes nothing
	_, err := s.Pool().Exec(ctx, `INSERT INTO goose_db_version (version_id, is_applied) VALUES (9999, true)`)
	must(t, err)
	if err := s.CheckSchema(ctx); err == nil || !strings.Contains(err.Error(), "newer") {
		t.Errorf("a newer database: %v", err)
	}
	if err := s.Backup(ctx, io.Discard); err == nil || !strings.Contains(err.Error(), "schema 9999") {
		t.Errorf("a backup of a newer database: %v", err)
	}
	_, err = s.Pool().Exec(ctx, `DELETE FROM goose_db_version WHERE version_id > 0`)
	must(t, err)
	if err := s.CheckSchema(ctx); err == nil || !strings.Contains(err.Error(), "patient-kitchen migrate") {
		t.Errorf("an older database: %v", err)
	}
}

func TestAttemptsAreCountedInWindows(t *testing.T) {
	s := storetest.New(t)
	for want := 1; want <= 3; want++ {
		if n, err := s.CountAttempt(ctx, "code", "k", time.Hour, now); n != want || err != nil {
			t.Fatal(n, err)
		}
	}
	if n, _ := s.CountAttempt(ctx, "code", "k", time.Hour, now.Add(61*time.Minute)); n != 1 {
		t.Errorf("a new window begins with %d", n)
	}
}

// A database of the first release is brought to this schema with all it holds.
func TestAnOlderDatabaseIsMigrated(t *testing.T) {
	f := fill(t)
	for _, sql := range []string{`DROP TRIGGER home_erased ON home`, `DROP FUNCTION erase_pins`,
		`DROP INDEX home_plan_home`, `ALTER TABLE home_plan DROP COLUMN plan, DROP COLUMN document, DROP COLUMN agreed`,
		`DROP TABLE held, message, asked, pin, own_entry, kitchen, version_sheet, assessment, incident_event`,
		`ALTER TABLE incident DROP COLUMN said_at`, `ALTER TABLE class DROP COLUMN needs_assessment,
			DROP COLUMN changes, DROP COLUMN usual, DROP COLUMN holidays`, `ALTER TABLE home DROP COLUMN note`,
		`ALTER TABLE experiment ALTER COLUMN title TYPE text USING title ->> 'en'`,
		`ALTER TABLE media DROP COLUMN form, DROP COLUMN seconds`, `ALTER TABLE permission_event DROP COLUMN without`,
		`DROP TABLE picture`,
		`DROP INDEX permission_home, entry_fact, entry_shared, entry_sent`, `CREATE INDEX permission_assignment
			ON permission_event (class_id, assignment_id, at)`, `DELETE FROM goose_db_version WHERE version_id > 1`} {
		_, err := f.Pool().Exec(ctx, sql)
		must(t, err)
	}
	if err := f.CheckSchema(ctx); err == nil || !strings.Contains(err.Error(), "patient-kitchen migrate") {
		t.Fatalf("an older schema: %v", err)
	}
	must(t, f.Migrate(ctx))
	must(t, f.CheckSchema(ctx))
	if h, err := f.Home(ctx, f.class.ID, f.home.ID); err != nil || h.Nickname != "Fern" {
		t.Errorf("%v %+v", err, h)
	}
	must(t, f.Migrate(ctx)) // again changes nothing
}

// A school's own entries are kept per teacher, things and swaps apart.
func TestOwnEntries(t *testing.T) {
	f := fill(t)
	other := store.Teacher{
		ID:           store.NewID(),
		Email:        "u@school.example",
		Name:         "Mr U",
		PasswordHash: "x",
		CreatedAt:    now,
	}
	must(t, f.AddTeacher(ctx, other))
	e := store.OwnEntry{
		TeacherID: f.teacher.ID,
		Kind:      "thing",
		ID:        "school-soap",
		Body:      []byte(`{"id":"school-soap"}`),
		UpdatedAt: now,
	}
	must(t, f.PutOwnEntry(ctx, e))
	e.Body = []byte(`{"id":"school-soap","cost":"cheap"}`)
	must(t, f.PutOwnEntry(ctx, e))
	e.Kind = "swap"
	must(t, f.PutOwnEntry(ctx, e))
	if list, err := f.OwnEntries(ctx, f.teacher.ID); err != nil || len(list) != 2 || list[1].Kind != "thing" ||
		!strings.Contains(string(list[1].Body), "cheap") {
		t.Errorf("%v %+v", err, list)
	}
	if list, err := f.OwnEntries(ctx, other.ID); err != nil || len(list) != 0 {
		t.Errorf("another teacher sees %+v, %v", list, err)
	}
	if err := f.DeleteOwnEntry(ctx, other.ID, "thing", e.ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another teacher's delete: %v", err)
	}
	for _, bad := range []store.OwnEntry{{TeacherID: f.teacher.ID, Kind: "thing", ID: "School Soap", Body: e.Body,
		UpdatedAt: now}, {TeacherID: f.teacher.ID, Kind: "poem", ID: "soap", Body: e.Body, UpdatedAt: now}} {
		if err := f.PutOwnEntry(ctx, bad); err == nil {
			t.Errorf("%+v is taken", bad)
		}
	}
	must(t, f.DeleteOwnEntry(ctx, f.teacher.ID, "thing", "school-soap"))
}
