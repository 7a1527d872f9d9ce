package api_test

import (
	"encoding/json"
	"maps"
	"slices"
	"strconv"
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/results"
)

// A class may ask for the school's own assessment: nothing is issued without
// one of the design as it stands, and it stands on the sheet of that version.
func TestAssessment(t *testing.T) {
	site := newSite(t)
	sc := site.school("t@school.example", "Fern")
	at := "/experiments/" + sc.experiment.ID.String() + "/assessment"
	if v := want[app.AssessmentView](sc.teacher, "GET", at, nil); v.Signed != nil || v.Holds {
		t.Fatalf("%+v", v)
	}
	class := want[app.ClassView](sc.teacher, "GET", sc.path(""), nil)
	yes := true
	class.NeedsAssessment = &yes
	if saved := want[app.ClassView](sc.teacher, "PUT", sc.path(""), class.ClassFields, "If-Match",
		strconv.Itoa(class.Version)); !*saved.NeedsAssessment {
		t.Fatal("not kept")
	}
	class.NeedsAssessment = nil // who does not know of it does not take it away
	if saved := want[app.ClassView](sc.teacher, "PUT", sc.path(""), class.ClassFields, "If-Match",
		strconv.Itoa(class.Version+1)); !*saved.NeedsAssessment {
		t.Fatal("taken away by saying nothing of it")
	}
	blocked := func() bool {
		check := want[app.IssueCheck](sc.teacher, "GET", sc.path("/issue-check/"+sc.experiment.ID.String()), nil)
		return slices.ContainsFunc(check.Blockers, func(b app.Blocker) bool { return b.Code == "not-assessed" })
	}
	issue := map[string]any{
		"experiment": sc.experiment.ID,
		"opens_at":   lesson.Add(-time.Hour),
		"due_at":     lesson.Add(24 * time.Hour),
	}
	if !blocked() {
		t.Error("nothing asks for it")
	}
	sc.teacher.refused("POST", sc.path("/assignments"), issue, 409, "blocked")
	good := map[string]string{
		"by":    "R. Tarrant,  head of science",
		"on":    lesson.Format(time.DateOnly),
		"about": "Pins: counted out and back",
	}
	for field, bad := range map[string]string{"by": " ", "on": lesson.AddDate(0, 0, 9).Format(time.DateOnly),
		"about": strings.Repeat("a", 201)} {
		body := maps.Clone(good)
		body[field] = bad
		sc.teacher.refused("POST", at, body, 422, "invalid")
	}
	if v := want[app.AssessmentView](sc.teacher, "POST", at, good); !v.Holds ||
		v.Signed.By != "R. Tarrant, head of science" {
		t.Errorf("%+v", v)
	}
	if blocked() {
		t.Error("it is asked for again")
	}
	// Another word in the design, and it no longer holds.
	changed := strings.Replace(
		string(sc.experiment.Document),
		`"age_band"`,
		`"place": {"en": "a table"}, "age_band"`,
		1,
	)
	if changed == string(sc.experiment.Document) {
		t.Fatal("nothing was changed")
	}
	want[app.DraftView](
		sc.teacher,
		"PUT",
		"/experiments/"+sc.experiment.ID.String(),
		map[string]any{"document": json.RawMessage(changed)},
		"If-Match",
		strconv.Itoa(sc.experiment.Version),
	)
	if v := want[app.AssessmentView](sc.teacher, "GET", at, nil); v.Holds || v.Signed == nil || !blocked() {
		t.Errorf("%+v", v)
	}
	want[app.AssessmentView](sc.teacher, "POST", at, good)
	as := want[results.AssignmentView](sc.teacher, "POST", sc.path("/assignments"), issue)
	fern := sc.phone("Fern")
	lines := func() string {
		for _, s := range want[app.Bundle](fern, "GET", fern.home, nil).Sheets {
			if s.Assignment == as.ID {
				raw, _ := json.Marshal(s.Sections)
				return string(raw)
			}
		}
		return ""
	}
	then := lines()
	if !strings.Contains(then, "R. Tarrant, head of science") || !strings.Contains(then, "counted out and back") {
		t.Errorf("%s", then)
	}
	// A later assessment of the same design changes no frozen sheet.
	want[app.AssessmentView](
		sc.teacher,
		"POST",
		at,
		map[string]string{"by": "Somebody else", "on": lesson.Format(time.DateOnly), "about": "Everything"},
	)
	if lines() != then {
		t.Error("the frozen sheet changed")
	}
}
