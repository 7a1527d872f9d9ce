package api_test

import (
	"encoding/json"
	"net/http"
	"slices"
	"strconv"
	"strings"
	"sync"
	"testing"
	"time"

	"patient-kitchen/core/schedule"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// Five presses make one assignment; the same version does not go to a class
// twice, and what was changed since it was looked at is not issued unseen.
func TestIssuedOnce(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	made := want[app.DraftView](sc.teacher, "POST", "/experiments", map[string]any{"document": sc.experiment.Document})
	body := map[string]any{"experiment": made.ID, "opens_at": lesson, "due_at": lesson.Add(time.Hour), "draft": 1}
	ids := make([]string, 5)
	var all sync.WaitGroup
	for i := range ids {
		all.Go(func() {
			ids[i] = want[results.AssignmentView](sc.teacher, "POST", sc.path("/assignments"), body).ID.String()
		})
	}
	all.Wait()
	for _, id := range ids {
		if id != ids[0] {
			t.Errorf("two assignments: %v", ids)
		}
	}
	later := map[string]any{"experiment": made.ID, "opens_at": lesson, "due_at": lesson.Add(2 * time.Hour)}
	sc.teacher.refused("POST", sc.path("/assignments"), later, 409, "already-issued")
	want[app.DraftView](
		sc.teacher,
		"PUT",
		"/experiments/"+made.ID.String(),
		map[string]any{
			"document": json.RawMessage(
				strings.Replace(string(made.Document), `"trials":`, `"lesson": "50 min", "trials":`, 1),
			),
		},
		"If-Match",
		"1",
	)
	sc.teacher.refused("POST", sc.path("/assignments"), body, 412, "changed-elsewhere")
	body["draft"] = 2
	if as := want[results.AssignmentView](sc.teacher, "POST", sc.path("/assignments"), body); as.Number != 2 {
		t.Errorf("version %d", as.Number)
	}
	// Taken back, it may go out again.
	want[struct{}](
		sc.teacher,
		"POST",
		sc.path("/assignments/"+ids[0]+"/recall"),
		map[string]string{"reason": "wrong day"},
	)
}

// What is judged is what is frozen: while one window saves a design that may
// never go home and one that may, in turns, nothing but the latter is issued.
func TestIssuedBytesAreTheJudgedOnes(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	good := string(sc.experiment.Document)
	bad := strings.Replace(good, `"uses":`, `"actions": ["deep-fry"], "uses":`, 1)
	made := want[app.DraftView](sc.teacher, "POST", "/experiments", map[string]any{"document": json.RawMessage(good)})
	path := "/experiments/" + made.ID.String()
	rounds := 60
	if testing.Short() {
		rounds = 20
	}
	var saves sync.WaitGroup
	saves.Go(func() {
		for version := 1; version < rounds; version++ {
			// A comment of its own makes each save a version of its own.
			doc := strings.Replace(
				[]string{bad, good}[version%2],
				`"trials":`,
				`"lesson": "`+strconv.Itoa(60+version)+` min", "trials":`,
				1,
			)
			if a := sc.teacher.do("PUT", path, map[string]any{"document": json.RawMessage(doc)}, "If-Match",
				strconv.Itoa(version)); a.status != http.StatusOK {
				t.Errorf("%d %s", a.status, a.body)
				return
			}
		}
	})
	issued := 0
	for i := range rounds {
		a := sc.teacher.do(
			"POST",
			sc.path("/assignments"),
			map[string]any{
				"experiment": made.ID,
				"opens_at":   lesson,
				"due_at":     lesson.Add(time.Duration(i+1) * time.Minute),
			},
		)
		if a.status == http.StatusOK {
			issued++
		} else if a.status != http.StatusConflict {
			t.Fatalf("%d %s", a.status, a.body)
		}
	}
	saves.Wait()
	if issued == 0 {
		t.Error("nothing was issued, so nothing was tried")
	}
	p := sc.phone("Fern")
	for _, s := range want[app.Bundle](p, "GET", p.home, nil).Sheets {
		if raw, _ := json.Marshal(s); strings.Contains(string(raw), "very hot oil") ||
			strings.Contains(string(raw), "not-at-home") {
			t.Errorf("version %d went home: %s", s.Version, raw)
		}
	}
}

// An experiment made from nothing, two conditions and one reading, has a
// result: each home's own, and the class's.
func TestEveryExperimentHasAResult(t *testing.T) {
	const ice = `{"schema": 2, "title": {"en": "Salty ice"}, "question": {"en": "Does salt make ice melt sooner?"},
		"age_band": "11-13", "way": "follow-along", "languages": ["en"], "trials": 2,
 "changed": {"name": {"en": "the salt"}}, "conditions": [{"id": "plain", "name": {"en": "plain"}, "control": true},
 	{"id": "salted", "name": {"en": "salted"}}],
 "needs": [{"id": "ice", "name": {"en": "ice cubes"}, "kind": "object"}],
 "steps": [{"id": "look", "kind": "measure", "title": {"en": "Pour off and weigh"}, "duration": "5 min",
 	"uses": ["ice"], "takes": [{"reading": "water"}]}],
 "readings": [{"id": "water", "symbol": "m", "name": {"en": "melted water"}, "unit": "g", "per_condition": true,
 	"instruments": [{"id": "scale", "name": {"en": "scale"}, "resolution": "1 g"}]}]}`
	sc := newSite(t).school("t@school.example", "Fern", "Beck", "Sorrel", "Adder", "Heath")
	sc.experiment = want[app.DraftView](
		sc.teacher,
		"POST",
		"/experiments",
		map[string]any{"document": json.RawMessage(ice)},
	)
	sc.as = want[results.AssignmentView](
		sc.teacher,
		"POST",
		sc.path("/assignments"),
		map[string]any{
			"experiment": sc.experiment.ID,
			"opens_at":   lesson.Add(-time.Hour),
			"due_at":     lesson.Add(24 * time.Hour),
		},
	)
	for i, h := range sc.homes {
		p := sc.phone(h.Nickname)
		for _, s := range want[app.Bundle](p, "GET", p.home, nil).Sheets {
			if s.Assignment == sc.as.ID {
				want[sheets.PermissionView](
					p,
					"POST",
					sc.homePath(p, "/permission"),
					map[string]any{
						"decision": "granted",
						"guardian": "A. Fernsby",
						"adult":    true,
						"text_sha": s.Permission.TextSha,
					},
				)
			}
		}
		for condition, grams := range map[string]int{"plain": 20 + i, "salted": 40 + i} {
			for trial := 1; trial <= 2; trial++ {
				sc.put(
					p,
					newID(),
					map[string]any{
						"kind":       "reading",
						"step":       "look",
						"reading":    "water",
						"condition":  condition,
						"trial":      trial,
						"typed":      strconv.Itoa(grams+2*trial) + " g",
						"phone_time": lesson,
						"offset_ms":  0,
					},
				)
			}
		}
		own := want[results.OwnResult](p, "GET", sc.homePath(p, "/result"), nil)
		if len(own.Derived) != 1 || own.Derived[0].Name != "melted water" || len(own.Results) != 2 ||
			!own.Results[0].OK ||
			!strings.HasPrefix(own.Results[0].Text, strconv.Itoa(23+i)+".0\u00a0g") {
			t.Fatalf("%+v", own)
		}
	}
	r := sc.results()
	if len(r.Comparisons) != 1 || len(r.Comparisons[0].Groups) != 2 || r.Comparisons[0].Groups[0].Text[:2] != "25" ||
		r.Comparisons[0].Groups[1].Text[:2] != "45" ||
		r.Comparisons[0].Findings[0].Verdict != "supported" {
		t.Errorf("%+v", r.Comparisons)
	}
}

// A class has holidays: what is due in them is said before it is issued, and which homes
// cannot do it in the days that are left; a home's page plans around them.
func TestHolidays(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Moss")
	f := sc.class.ClassFields
	f.Holidays = []schedule.Days{{First: lesson.Format(time.DateOnly),
		Last: lesson.AddDate(0, 0, 1).Format(time.DateOnly)}}
	saved := want[app.ClassView](sc.teacher, "PUT", sc.path(""), f, "If-Match", strconv.Itoa(sc.class.Version))
	if len(saved.Holidays) != 1 || saved.Holidays[0] != f.Holidays[0] {
		t.Fatalf("kept: %+v", saved.Holidays)
	}
	check := func(days int) app.IssueCheck {
		query := "?opens=" + lesson.Format(time.RFC3339) + "&due=" + lesson.AddDate(0, 0, days).Format(time.RFC3339)
		return want[app.IssueCheck](sc.teacher, "GET", sc.path("/issue-check/"+sc.experiment.ID.String()+query), nil)
	}
	within := check(1)
	if !slices.ContainsFunc(within.Warnings, func(w string) bool { return strings.Contains(w, "holidays") }) {
		t.Errorf("due in them: %v", within.Warnings)
	}
	if len(within.Conflicts) != 1 || len(within.Conflicts[0].Homes) != 2 ||
		!strings.Contains(within.Conflicts[0].Says, "holidays") {
		t.Errorf("who cannot: %+v", within.Conflicts)
	}
	if after := check(4); len(after.Warnings) != 0 || len(after.Conflicts) != 0 {
		t.Errorf("due after them: %v %+v", after.Warnings, after.Conflicts)
	}
}
