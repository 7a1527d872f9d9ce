package api_test

import (
	"slices"
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/kitchens"
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

	if s := beck.sheetOf(id); s.Verdict != "as-designed" || stepLines(s) != "" || needOf(t, s, "soda").For != "" ||
		s.Plan != 1 {
		t.Errorf("a home that said nothing: %s %q %+v", s.Verdict, stepLines(s), needOf(t, s, "soda"))
	}
	s := fern.sheetOf(id)
	soda := needOf(t, s, "soda")
	if s.Verdict != "with-substitutes" || soda.Name != "baking powder" || soda.For != "baking soda" ||
		!strings.HasPrefix(soda.Amount, "75") {
		t.Errorf("a home without soda: %s %+v", s.Verdict, soda)
	}
	if lines := stepLines(s); !strings.Contains(lines, "baking powder") ||
		!strings.Contains(lines, "(in the place of baking soda)") {
		t.Errorf("its steps say %q", lines)
	}
	if !slices.ContainsFunc(soda.Swaps, func(p sheets.PrintedSwap) bool { return p.Use == "baking-soda" }) {
		t.Errorf("the design's own thing is no way any more: %+v", soda.Swaps)
	}
	if s := wren.sheetOf(id); s.Verdict != "needs-a-kit" || needOf(t, s, "tray").Kit == "" {
		t.Errorf("a home that is sent a tray: %s %+v", s.Verdict, needOf(t, s, "tray"))
	}
	if s := tarn.sheetOf(id); s.Notice == "" || len(s.Steps) != 0 || s.Permission.State != "watching" ||
		strings.Contains(s.Notice, "not for at home") {
		t.Errorf("a home that looks on: %+v", s)
	}
	tarn.refused("PUT", sc.homePath(tarn, "/entries/"+newID()), map[string]any{
		"kind": "step-done", "step": s.Steps[0].ID, "phone_time": lesson, "offset_ms": 0,
	}, 403, "watch-only")
	if a := wren.do("PUT", wren.home+"/language", map[string]string{"language": "es"}); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if n := needOf(t, wren.sheetOf(id), "tray"); !strings.Contains(n.Kit, "Lo presta tu docente: devuélvelo") {
		t.Errorf("in Spanish: %+v", n)
	}
	paper := fern.do("GET", sc.homePath(fern, "/print/materials"), nil)
	if paper.status != 200 || !strings.Contains(string(paper.body), "In the place of baking soda") {
		t.Errorf("paper: %d %s", paper.status, paper.body)
	}

	grant := func(c *client) {
		want[sheets.PermissionView](c, "POST", sc.homePath(c, "/permission"), map[string]any{
			"decision": "granted", "guardian": "A. Fernsby", "adult": true,
			"text_sha": c.sheetOf(id).Permission.TextSha,
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
	if s := fern.sheetOf(id); s.Verdict != "as-designed" || s.Plan != 2 || needOf(t, s, "soda").For+needOf(t, s,
		"soda").Kit != "" || s.Permission.State != "granted" {
		t.Errorf("it found soda: %s, plan %d, %s, %+v", s.Verdict, s.Plan, s.Permission.State, needOf(t, s, "soda"))
	}
	book := want[results.NotebookView](sc.teacher, "GET",
		sc.asPath("/notebooks/"+strings.TrimPrefix(fern.home, "/home/")), nil)
	if l := book.Lines[len(book.Lines)-1]; l.Said != "baking soda" ||
		l.Asked != "baking powder" && l.Asked != "baking soda" {
		t.Errorf("the notebook says of the swap: %+v", l)
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

	// The teacher hears of all four in the morning: what each does now, and who is asked again.
	late := want[api.List[kitchens.LateChange]](sc.teacher, "GET", "/late-changes", nil)
	said := map[string]kitchens.LateChange{}
	for _, c := range late.Items {
		said[c.Nickname] = c
	}
	// two changes are one: from what it had
	if f := said["Fern"]; len(late.Items) != 4 || !f.Asked || !strings.Contains(f.Was, "baking powder") ||
		!strings.Contains(f.Now, "washing soda") {
		t.Errorf("late changes: %+v", late.Items)
	}
	if b := said["Beck"]; b.Asked != (beck.sheetOf(id).Permission.State == "lapsed") || b.Was != "as designed" ||
		b.Now == b.Was || b.Title == "" {
		t.Errorf("a kitchen that changed: %+v", b)
	}
	if w := said["Wren"]; w.Asked || !strings.Contains(w.Now, "needs a kit") {
		t.Errorf("a home that lacks a tray: %+v", w)
	}
}

// A class is asked before anything is issued; what a teacher fixes holds, what is tried
// changes nothing; what a home says of itself is judged with what it uses.
func TestAskedTriedPinned(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Beck", "Fern")
	sc.experiment = want[app.DraftView](sc.teacher, "POST", "/experiments", map[string]string{"example": "sour-lemon"})
	of := "/experiments/" + sc.experiment.ID.String() + "/kitchens"
	in := "?class=" + sc.class.ID.String()
	fern := sc.phone("Fern")
	card := func() app.KitchenCard { return want[app.Bundle](fern, "GET", fern.home, nil).Kitchen }
	if card().Asked {
		t.Error("nobody has asked")
	}
	for range 2 {
		want[api.Done](sc.teacher, "POST", sc.path("/experiments/"+sc.experiment.ID.String()+"/ask"), nil)
	}
	page := want[kitchens.Page](fern, "GET", fern.home+"/kitchen", nil)
	if !card().Asked || page.Questions[0].ID != "lemon-whole" ||
		!slices.ContainsFunc(page.Facts, func(f kitchens.Fact) bool {
			return f.ID == "allergen-egg"
		}) {
		t.Errorf("the survey does not begin with what was asked for: %+v", page)
	}
	want[api.Done](fern, "PUT", fern.home+"/kitchen", map[string]any{
		"things": map[string]string{"baking-soda": "none", "eggshell": "have", "baking-powder": "have"},
		"facts":  map[string]string{"allergen-egg": "yes"},
	})
	if card().Asked {
		t.Error("it is asked although it has said")
	}
	if a := fern.do("PUT", fern.home+"/kitchen", map[string]any{"things": map[string]string{},
		"facts": map[string]string{"allergen-egg": "perhaps"}}); a.status != 422 {
		t.Errorf("a fact that is neither yes nor no: %d", a.status)
	}
	var id string
	soda := func(query string) (kitchens.Cell, kitchens.Matrix) {
		m := want[kitchens.Matrix](sc.teacher, "GET", of+in+query, nil)
		at := slices.IndexFunc(m.Needs, func(h kitchens.Head) bool { return h.Need == "soda" })
		for _, h := range m.Homes {
			if h.Nickname == "Fern" {
				id = h.Home.String()
				return h.Cells[at], m
			}
		}
		return kitchens.Cell{}, m
	}
	c, m := soda("")
	if c.Use != "baking-powder" || m.Said != 1 || m.AskedAt == nil {
		t.Errorf("a home that avoids egg uses %s; %d said, asked %v", c.Use, m.Said, m.AskedAt)
	}
	supplies := want[kitchens.CellSupplies](sc.teacher, "GET", of+"/supplies"+in+"&need=soda&home="+id, nil)
	if len(supplies.Supplies) < 4 || !supplies.Supplies[0].Own || !supplies.Supplies[0].Sends || !strings.Contains(supplies.Supplies[0].Says,
		"1 needs a kit") || len(supplies.Alike) != 1 {
		t.Errorf("%+v", supplies)
	}
	if c, _ := soda("&try_home=" + id + "&try_need=soda&try_use=chalk-stick"); c.Use != "chalk-stick" {
		t.Errorf("tried: %+v", c)
	}
	if c, _ := soda(""); c.Use != "baking-powder" {
		t.Errorf("a try has changed something: %+v", c)
	}
	pin := func(use string) answer {
		return sc.teacher.do("PUT", sc.path("/experiments/"+sc.experiment.ID.String()+"/pins"),
			map[string]any{"homes": []string{id}, "need": "soda", "use": use})
	}
	if a := pin("drain-cleaner"); a.status != 422 {
		t.Errorf("fixing what is no way: %d %s", a.status, a.body)
	}
	if a := pin("baking-soda"); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if c, _ := soda(""); c.Use != "baking-soda" || !c.Kit || !c.Pinned {
		t.Errorf("pinned: %+v", c)
	}
	sc.as = want[results.AssignmentView](sc.teacher, "POST", sc.path("/assignments"), map[string]any{
		"experiment": sc.experiment.ID, "opens_at": lesson.Add(-time.Hour), "due_at": lesson.Add(24 * time.Hour),
	})
	if s := fern.sheetOf(sc.as.ID.String()); needOf(t, s, "soda").Kit == "" || s.Verdict != "needs-a-kit" {
		t.Errorf("what was fixed is not what was issued: %+v", needOf(t, s, "soda"))
	}
	if a := pin(""); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if c, _ := soda(""); c.Use != "baking-powder" || c.Pinned {
		t.Errorf("open again: %+v", c)
	}
	tried := want[app.Bundle](sc.teacher, "GET", "/experiments/"+sc.experiment.ID.String()+"/practice"+in+
		"&language=en&home="+id, nil)
	if n := needOf(t, tried.Sheets[0], "soda"); tried.Home.Nickname != "Fern" || n.Use != "baking-powder" {
		t.Errorf("the draft as Fern has it: %s, %+v", tried.Home.Nickname, n)
	}
	other := sc.site.teacher("other@school.example")
	mine := want[app.DraftView](other, "POST", "/experiments", map[string]string{"example": "sour-lemon"}).ID.String()
	for _, path := range []string{
		"/experiments/" + mine + "/practice" + in + "&home=" + id, "/experiments/" + mine + "/practice?home=" + id,
		"/experiments/" + mine + "/practice" + in, "/print" + sc.path("/experiments/"+mine+"/materials") + "?home=" +
			id,
	} {
		if a := other.do("GET", path, nil); a.status != 404 {
			t.Errorf("%s with another teacher's home: %d", path, a.status)
		}
	}
	for _, path := range []string{of + in, of + "/supplies" + in + "&need=soda&home=" + id} {
		if a := other.do("GET", path, nil); a.status != 404 {
			t.Errorf("%s to a stranger: %d", path, a.status)
		}
	}
	for _, path := range []string{
		sc.asPath("/export.json"), sc.asPath("/export.csv"),
		sc.path("/experiments/" + sc.experiment.ID.String() + "/kitchens.csv"),
	} {
		if a := sc.teacher.do("GET", path, nil); a.status != 200 || strings.Contains(string(a.body), "allergen") ||
			strings.Contains(string(a.body), "egg\":\"yes") {
			t.Errorf("%s: %d, and a fact of a home must not be in it", path, a.status)
		}
	}
}

// A home and its teacher take the times along: the sittings at hours at which all are
// awake, in a file that says nothing of the home.
func TestCalendars(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	sc.experiment = want[app.DraftView](sc.teacher, "POST", "/experiments",
		map[string]string{"example": "thirsty-beans"})
	sc.as = want[results.AssignmentView](sc.teacher, "POST", sc.path("/assignments"), map[string]any{
		"experiment": sc.experiment.ID, "opens_at": lesson.Add(-time.Hour), "due_at": lesson.Add(48 * time.Hour),
	})
	fern := sc.phone("Fern")
	if s := fern.sheetOf(sc.as.ID.String()); len(s.Begin) == 0 || !s.Begin[0].To.After(s.Begin[0].From) {
		t.Errorf("when it can begin: %+v", s.Begin)
	}
	for who, a := range map[string]answer{
		"home":    fern.do("GET", sc.homePath(fern, "/calendar.ics"), nil),
		"teacher": sc.teacher.do("GET", sc.asPath("/calendar.ics"), nil),
	} {
		body := string(a.body)
		if a.status != 200 || strings.Count(body, "BEGIN:VEVENT") != 3 ||
			!strings.Contains(body, "Thirsty beans: go on") || strings.Contains(body, "Fern") {
			t.Errorf("%s: %d %s", who, a.status, body)
		}
	}
	if a := sc.teacher.do("GET", sc.asPath("/calendar.ics?language=es"), nil); !strings.Contains(string(a.body),
		": seguir") {
		t.Errorf("in Spanish: %s", a.body)
	}
	survey := "/experiments/" + sc.experiment.ID.String()
	for language, words := range map[string]string{"es": "Nuestra casa:", "en": "Our home:", "tlh": "Our home:"} {
		if a := sc.teacher.do("GET", "/print"+sc.path(survey+"/survey?language="+language), nil); a.status != 200 ||
			!strings.Contains(string(a.body), words) {
			t.Errorf("the survey in %s: %d", language, a.status)
		} else if !strings.Contains(string(a.body), map[string]string{"es": "Cuándo podemos"}[language]) ||
			strings.Count(string(a.body), "blank few") < 6 {
			t.Errorf("the hours in %s are not asked on paper", language)
		}
	}
	later := lesson.Add(72 * time.Hour)
	want[api.Done](sc.teacher, "PUT", sc.asPath("/due"), map[string]any{"due_at": later})
	if s := fern.sheetOf(sc.as.ID.String()); !s.DueAt.Equal(later) {
		t.Errorf("a new end: %v", s.DueAt)
	}
	if a := sc.teacher.do("PUT", sc.asPath("/due"), map[string]any{"due_at": lesson.Add(-2 * time.Hour)}); a.status != 422 {
		t.Errorf("an end before the opening: %d %s", a.status, a.body)
	}
	want[api.Done](sc.teacher, "POST", sc.asPath("/recall"), map[string]any{"reason": "The dishes tip over."})
	sc.teacher.refused("PUT", sc.asPath("/due"), map[string]any{"due_at": later}, 410, "recalled")
}
