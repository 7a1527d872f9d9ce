package api_test

import (
	"slices"
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// lemons issues the sour lemon to a school's class.
func (sc *school) lemons() {
	sc.t.Helper()
	sc.experiment = want[app.DraftView](sc.teacher, "POST", "/experiments", map[string]string{"example": "sour-lemon"})
	sc.as = want[results.AssignmentView](sc.teacher, "POST", sc.path("/assignments"), map[string]any{
		"experiment": sc.experiment.ID, "opens_at": lesson.Add(-time.Hour), "due_at": lesson.Add(24 * time.Hour),
	})
}

func (c *client) sheetOf(id string) sheets.Sheet {
	c.s.t.Helper()
	for _, s := range want[app.Bundle](c, "GET", c.home, nil).Sheets {
		if s.Assignment.String() == id {
			return s
		}
	}
	c.s.t.Fatal("the home has no such sheet")
	return sheets.Sheet{}
}

func needOf(t *testing.T, s sheets.Sheet, id string) sheets.NeedRow {
	t.Helper()
	i := slices.IndexFunc(s.Needs, func(n sheets.NeedRow) bool { return n.ID == id })
	if i < 0 {
		t.Fatalf("no need %s", id)
	}
	return s.Needs[i]
}

func stepLines(s sheets.Sheet) string {
	var out []string
	for _, step := range s.Steps {
		for _, u := range step.Uses {
			out = append(out, u.Text)
		}
	}
	return strings.Join(out, "\n")
}

// What a home gets is its own plan, frozen when the experiment is issued: its things and
// amounts, what its teacher sends, what it only looks at. It says in the last minute what
// it uses instead; its guardian is asked again only where something more can hurt.
func TestHomesFollowTheirPlans(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Beck", "Fern", "Tarn", "Wren")
	beck, fern, tarn, wren := sc.phone("Beck"), sc.phone("Fern"), sc.phone("Tarn"), sc.phone("Wren")
	says := func(c *client, body map[string]any) { want[api.Done](c, "PUT", c.home+"/kitchen", body) }
	says(fern, map[string]any{"things": map[string]string{"baking-soda": "none", "baking-powder": "have"}})
	says(tarn, map[string]any{"things": map[string]string{}, "otherwise": true})
	says(wren, map[string]any{"things": map[string]string{"baking-tray": "none"}})
	sc.lemons()
	id := sc.as.ID.String()

	if s := beck.sheetOf(id); s.Verdict != "as-designed" || stepLines(s) != "" || needOf(t, s, "soda").For != "" || s.Plan != 1 {
		t.Errorf("a home that said nothing: %s %q %+v", s.Verdict, stepLines(s), needOf(t, s, "soda"))
	}
	s := fern.sheetOf(id)
	soda := needOf(t, s, "soda")
	if s.Verdict != "with-substitutes" || soda.Name != "baking powder" || soda.For != "baking soda" || !strings.HasPrefix(soda.Amount, "75") {
		t.Errorf("a home without soda: %s %+v", s.Verdict, soda)
	}
	if lines := stepLines(s); !strings.Contains(lines, "baking powder") || !strings.Contains(lines, "(in the place of baking soda)") {
		t.Errorf("its steps say %q", lines)
	}
	if !slices.ContainsFunc(soda.Swaps, func(p sheets.PrintedSwap) bool { return p.Use == "baking-soda" }) {
		t.Errorf("the design's own thing is no way any more: %+v", soda.Swaps)
	}
	if s := wren.sheetOf(id); s.Verdict != "needs-a-kit" || needOf(t, s, "tray").Kit == "" {
		t.Errorf("a home that is sent a tray: %s %+v", s.Verdict, needOf(t, s, "tray"))
	}
	if s := tarn.sheetOf(id); s.Notice == "" || len(s.Steps) != 0 || s.Permission.State != "watching" || strings.Contains(s.Notice, "not for at home") {
		t.Errorf("a home that looks on: %+v", s)
	}
	tarn.refused("PUT", sc.homePath(tarn, "/entries/"+newID()), map[string]any{
		"kind": "step-done", "step": s.Steps[0].ID, "phone_time": lesson, "offset_ms": 0,
	}, 403, "watch-only")
	paper := fern.do("GET", sc.homePath(fern, "/print/materials"), nil)
	if paper.status != 200 || !strings.Contains(string(paper.body), "In the place of baking soda") {
		t.Errorf("paper: %d %s", paper.status, paper.body)
	}

	grant := func(c *client) {
		want[sheets.PermissionView](c, "POST", sc.homePath(c, "/permission"), map[string]any{
			"decision": "granted", "guardian": "A. Fernsby", "adult": true, "text_sha": c.sheetOf(id).Permission.TextSha,
		})
	}
	grant(fern)
	grant(beck)
	swap := func(c *client, entry, use string) answer {
		return c.do("PUT", sc.homePath(c, "/entries/"+entry), map[string]any{
			"kind": "swap", "refers": "soda", "choice": []string{use}, "phone_time": lesson, "offset_ms": 0,
		})
	}
	first := newID()
	for range 2 { // sent again, it is the same
		if a := swap(fern, first, "baking-soda"); a.status != 200 {
			t.Fatalf("a last-minute swap: %d %s", a.status, a.body)
		}
	}
	if s := fern.sheetOf(id); s.Verdict != "as-designed" || s.Plan != 2 || needOf(t, s, "soda").For != "" || s.Permission.State != "granted" {
		t.Errorf("it found soda: %s, plan %d, %s, %+v", s.Verdict, s.Plan, s.Permission.State, needOf(t, s, "soda"))
	}
	if a := swap(fern, newID(), "washing-soda-crystals"); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if s := fern.sheetOf(id); s.Permission.State != "lapsed" || s.Plan != 3 {
		t.Errorf("washing soda can hurt more than soda: %s, plan %d", s.Permission.State, s.Plan)
	}
	if a := swap(fern, newID(), "drain-cleaner"); a.status != 422 {
		t.Errorf("what the rules keep from homes: %d %s", a.status, a.body)
	}
	if s := beck.sheetOf(id); s.Plan != 1 || s.Permission.State != "granted" {
		t.Errorf("another home's swap: plan %d, %s", s.Plan, s.Permission.State)
	}

	// Beck says on the evening itself that it has no soda: its plan is another at once, and a reading
	// that was under way is taken.
	says(beck, map[string]any{"things": map[string]string{"baking-soda": "none", "eggshell": "have"}})
	if s := beck.sheetOf(id); s.Plan != 2 || needOf(t, s, "soda").For == "" {
		t.Errorf("a kitchen that changed: plan %d %+v", s.Plan, needOf(t, s, "soda"))
	}
	if a := beck.do("PUT", sc.homePath(beck, "/entries/"+newID()), map[string]any{
		"kind": "tick", "refers": "soda", "phone_time": lesson, "offset_ms": 0,
	}); a.status != 200 {
		t.Errorf("an entry after the plan changed: %d %s", a.status, a.body)
	}
	says(beck, map[string]any{"things": map[string]string{"baking-soda": "none", "eggshell": "have"}})
	if s := beck.sheetOf(id); s.Plan != 2 {
		t.Errorf("the same said again makes a new plan: %d", s.Plan)
	}
}
