package api_test

import (
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// What a home says of itself raises the steps of all its experiments, and of no
// other home's; it stands in no teacher's view and no export.
func TestFactsOfAHome(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Beck", "Sorrel")
	first := sc.as
	sc.experiment = want[app.DraftView](
		sc.teacher,
		"POST",
		"/experiments",
		map[string]any{"document": sc.experiment.Document},
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
	say := func(p *client, answer string) map[string]any {
		return map[string]any{
			"kind":       "fact",
			"refers":     "under-4",
			"choice":     []string{answer},
			"phone_time": lesson,
			"offset_ms":  0,
		}
	}
	for name, answer := range map[string]string{"Fern": "yes", "Beck": "no", "Sorrel": ""} {
		p := sc.phone(name)
		all := want[app.Bundle](p, "GET", p.home, nil).Sheets
		for _, s := range all {
			if len(s.Facts) != 1 || s.Facts[0].ID != "under-4" || s.Facts[0].Raises != "yes" ||
				s.Facts[0].Steps[0] != (sheets.FactStepRow{Step: "hang", Verdict: "adult-near"}) {
				t.Fatalf("%+v", s.Facts)
			}
		}
		// Said at the first experiment, before anything is agreed to; worked at in the second.
		if answer != "" {
			want[entries.EntryView](p, "PUT", p.home+"/assignments/"+first.ID.String()+"/entries/"+newID(),
				say(p, answer))
		}
		p.refused(
			"PUT",
			sc.homePath(p, "/entries/"+newID()),
			map[string]any{
				"kind":       "fact",
				"refers":     "under-4",
				"choice":     []string{"perhaps"},
				"phone_time": lesson,
				"offset_ms":  0,
			},
			422,
			"invalid",
		)
		for _, s := range all {
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
		sc.put(
			p,
			newID(),
			map[string]any{"kind": "step-done", "step": "hang", "phone_time": lesson.Add(time.Minute), "offset_ms": 0},
		)
	}
	for _, h := range sc.results().Homes {
		book := string(sc.teacher.do("GET", sc.asPath("/notebooks/"+h.Home.String()), nil).body)
		why := map[string]string{"Fern": "adult-not-said", "Sorrel": "fact-not-said"}[h.Nickname]
		if got := append(h.Held, results.HeldStep{})[0].Why; got != why ||
			strings.Contains(book, `"held":[{`) != (why != "") {
			t.Errorf("%s: %v, %s", h.Nickname, h.Held, book)
		}
		if strings.Contains(book, "under-4") {
			t.Errorf("%s: the teacher reads what the home said of itself: %s", h.Nickname, book)
		}
	}
	for _, path := range []string{"/export.csv", "/export.json", "/results"} {
		if body := string(sc.teacher.do("GET", sc.asPath(path), nil).body); strings.Contains(body, "under-4") {
			t.Errorf("%s holds what a home said of itself", path)
		}
	}
}
