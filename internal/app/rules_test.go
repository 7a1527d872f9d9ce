package app

import (
	"encoding/hex"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/sheets"
)

func example(t *testing.T, name string) design.Document {
	t.Helper()
	raw, err := drafts.Example(name)
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	return d
}

// Who may write what: ticks always, words once a home declined, measurements
// and pictures only with permission, nothing once the teacher took it back.
func TestMayWrite(t *testing.T) {
	for _, c := range []struct {
		kind   notebook.Kind
		state  string
		photos bool
		code   string
	}{
		{notebook.Reading, "granted", false, ""},
		{notebook.Reading, "asked", false, "no-permission"},
		{notebook.Reading, "declined", false, "no-permission"},
		{notebook.Reading, "withdrawn", false, "no-permission"},
		{notebook.Reading, "lapsed", false, "no-permission"},
		{notebook.Tick, "asked", false, ""},
		{notebook.Answer, "declined", false, ""},
		{notebook.Observation, "declined", false, ""},
		{notebook.Sent, "declined", false, ""},
		{notebook.Answer, "asked", false, "no-permission"},
		{notebook.Answer, "withdrawn", false, "no-permission"},
		{notebook.StepDone, "declined", false, "no-permission"},
		{notebook.Photo, "granted", true, ""},
		{notebook.Photo, "granted", false, "no-photos"},
		{notebook.Photo, "declined", true, "no-permission"},
	} {
		err := mayWrite(sheets.PermissionView{State: c.state, Photos: c.photos},
			entries.EntryFields{Kind: string(c.kind)})
		code := ""
		if r, ok := err.(*refusal.Refused); ok {
			code = r.Code
		}
		if code != c.code {
			t.Errorf("%s, permission %s, photos %v: %q, want %q", c.kind, c.state, c.photos, code, c.code)
		}
	}
}

// A permission holds for exactly the hazards and adult jobs it was given for.
func TestPermissionLapsesWhenAHazardRises(t *testing.T) {
	d := example(t, "paper-strips")
	given := store.Permission{Kind: "granted", Guardian: "A", TextSha: sheets.PermissionSha(&d), At: time.Now()}
	if v := viewPermission(given, unplanned(newIssued(&d, nil))); v.State != "granted" {
		t.Fatal(v.State)
	}
	d.Title["en"] = "Another name"
	if v := viewPermission(given, unplanned(newIssued(&d, nil))); v.State != "granted" {
		t.Errorf("a new title: %s", v.State)
	}
	d.AgeBand = "5-7" // an adult has to be near at the scissors
	if v := viewPermission(given, unplanned(newIssued(&d, nil))); v.State != "lapsed" ||
		v.TextSha != hex.EncodeToString(sheets.PermissionSha(&d)) {
		t.Errorf("an adult job more: %s", v.State)
	}
	given.Kind = "declined"
	if v := viewPermission(given, unplanned(newIssued(&d, nil))); v.State != "declined" {
		t.Errorf("a no does not lapse: %s", v.State)
	}
}

func TestSheets(t *testing.T) {
	now := time.Date(2027, 2, 3, 18, 0, 0, 0, time.UTC)
	as := store.Assignment{OpensAt: now.Add(-time.Hour), DueAt: now.Add(time.Hour), Number: 6}
	beans := example(t, "thirsty-beans")
	s := assigned(sheets.Write(&beans, nil, "es"), as, now)
	if s.Title != "Frijoles con sed" || s.State != "open" || s.Version != 6 || s.Untranslated != 0 {
		t.Errorf("%s, %s, version %d, %d untranslated", s.Title, s.State, s.Version, s.Untranslated)
	}
	soak := s.Steps[3]
	if soak.Wait == nil || soak.Wait.From != "mix" || soak.Wait.Seconds != 14*3600 || soak.Wait.Latest != 16*3600 ||
		len(soak.Takes) != 3 ||
		soak.Start != (3+6+6)*60+14*3600 {
		t.Errorf("the soak: %+v, wait %+v", soak, soak.Wait)
	}
	if len(s.Questions[0].Options) != 3 ||
		s.Questions[0].Options[2] != (sheets.OptionRow{ID: "very-salty", Text: "Muy salada"}) {
		t.Errorf("an order question without options takes the conditions: %v", s.Questions[0].Options)
	}
	delete(beans.Steps[0].Text, "es")
	if s := assigned(sheets.Write(&beans, nil, "es"), as, now); s.Untranslated != 1 ||
		!strings.HasPrefix(s.Steps[0].Text, "Label the jars") {
		t.Errorf("a missing text shows the original and is counted: %d, %q", s.Untranslated, s.Steps[0].Text)
	}
	spinners := example(t, "falling-spinners")
	spinners.AgeBand = "5-7"
	s = assigned(sheets.Write(&spinners, nil, "en"), as, now)
	if len(s.Steps[1].Takes) != 15 || s.Trials != 5 {
		t.Errorf("3 wings × 5 trials are %d fields", len(s.Steps[1].Takes))
	}
	if len(s.AdultJobs) != 1 || s.AdultJobs[0].Number != 1 || s.Steps[0].Adult != "adult-near" ||
		s.Steps[0].AdultWhy == "" {
		t.Errorf("the adult's job is named by step: %+v", s.AdultJobs)
	}
	for _, c := range []struct {
		at   time.Duration
		want string
	}{{-2 * time.Hour, "waiting"}, {0, "open"}, {2 * time.Hour, "over"}} {
		if got := stateOf(as.OpensAt, as.DueAt, nil, now.Add(c.at)); got != c.want {
			t.Errorf("at %v it is %s, want %s", c.at, got, c.want)
		}
	}
	if stateOf(as.OpensAt, as.DueAt, &now, now) != "recalled" {
		t.Error("taken back stands above all")
	}
}

func TestLetters(t *testing.T) {
	taken := map[string]bool{}
	for _, c := range []struct{ name, want string }{{"Fern", "Fe"}, {"Fell", "Fl"}, {"Fen", "Fn"}, {"Fe", "Fa"},
		{"42", "42"}, {"…", "Ho"}, {"É", "Éa"}} {
		got := freeLetters(c.name, taken)
		if got != c.want {
			t.Errorf("%s gets %s, want %s", c.name, got, c.want)
		}
		taken[got] = true
	}
	for range 60 {
		l := freeLetters("F", taken)
		if taken[l] || len([]rune(l)) != 2 {
			t.Fatalf("%q is taken or too long", l)
		}
		taken[l] = true
	}
}

func TestClassFieldsAreChecked(t *testing.T) {
	now := time.Date(2027, 2, 2, 0, 0, 0, 0, time.UTC)
	good := ClassFields{
		Name:            " 7M ",
		Zone:            "Europe/London",
		Language:        "en",
		UnitSystem:      "uk",
		EmergencyNumber: "+44 (0)112",
		PhotoDays:       30,
		KeepUntil:       "2027-07-31",
	}
	if c, err := good.check(store.Class{}, now); err != nil || c.Name != "7M" || c.KeepUntil.Day() != 31 {
		t.Fatalf("%+v %v", c, err)
	}
	for field, spoil := range map[string]func(*ClassFields){
		"name":             func(f *ClassFields) { f.Name = strings.Repeat("x", 61) },
		"school":           func(f *ClassFields) { f.School = strings.Repeat("x", 91) },
		"zone":             func(f *ClassFields) { f.Zone = "Local" },
		"language":         func(f *ClassFields) { f.Language = "" },
		"unit_system":      func(f *ClassFields) { f.UnitSystem = "UK" },
		"emergency_number": func(f *ClassFields) { f.EmergencyNumber = "<b>112" },
		"photo_days":       func(f *ClassFields) { f.PhotoDays = 401 },
		"keep_until":       func(f *ClassFields) { f.KeepUntil = "2031-01-01" },
		"keep_until ":      func(f *ClassFields) { f.KeepUntil = "2027-02-01" },
	} {
		f := good
		spoil(&f)
		_, err := f.check(store.Class{}, now)
		bad, ok := err.(*refusal.Invalid)
		if !ok || bad.Field != strings.TrimSpace(field) || bad.Rule.ID == "" || bad.Example == "" {
			t.Errorf("%s: %v", field, err)
		}
	}
	over := store.Class{KeepUntil: time.Date(2027, 1, 31, 0, 0, 0, 0, time.UTC)}
	f := good
	f.KeepUntil = "2027-01-31"
	if _, err := f.check(over, now); err != nil {
		t.Errorf("a class whose day has passed cannot be renamed: %v", err)
	}
	f.KeepUntil, f.Zone = "2027-02-01", "America/Denver" // still the first there
	if _, err := f.check(store.Class{}, now); err != nil {
		t.Error(err)
	}
}

func TestReviewOfAnything(t *testing.T) {
	if v := drafts.Review([]byte(`{"schema": 99}`), "en"); v.Readable || v.Issuable ||
		!strings.Contains(v.Problem, "schema 99") {
		t.Errorf("%+v", v)
	}
	raw, _ := drafts.Example("paper-strips")
	v := drafts.Review(raw, "es")
	if !v.Readable || !v.Issuable || v.Verdict != "care" || len(v.Margin) != 6 || v.Minutes != 29 || v.Hands != 24 ||
		len(v.Strip.Blocks) != 9 ||
		v.Strip.Blocks[0].Title != "Cortar las tiras" {
		t.Errorf("%+v", v)
	}
	if _, err := drafts.Example("../secrets"); err == nil {
		t.Error("an example by a path")
	}
	if f := drafts.TryFormula(raw, "last(height) + ", "mm", "en"); f.OK || f.Problem == "" || f.Position != 15 {
		t.Errorf("%+v", f)
	}
	if f := drafts.TryFormula(raw, "last(height) / 2", "cm", "en"); !f.OK || f.Unit != "cm" {
		t.Errorf("%+v", f)
	}
}

func TestQRIsASquareWithAQuietBorder(t *testing.T) {
	q, err := drawQR("https://kitchen.example.org/h/" + strings.Repeat("x", 43))
	if err != nil || q.Size < 29+2*quietZone || strings.Contains(q.Path, "M0 ") ||
		!strings.HasPrefix(q.Path, "M4 4h7v1h-7z") {
		t.Errorf("%d, %.40s, %v", q.Size, q.Path, err)
	}
}
