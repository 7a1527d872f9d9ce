package api_test

import (
	"encoding/csv"
	"encoding/json"
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/compare"
	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// The whole way: three homes measure, one declines, the teacher reads.
func TestFromDesignToResults(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Beck", "Adder")
	fern, beck, adder := sc.phone("Fern"), sc.phone("Beck"), sc.phone("Adder")
	sc.agree(fern)
	sc.agree(beck)
	want[sheets.PermissionView](
		adder,
		"POST",
		sc.homePath(adder, "/permission"),
		map[string]any{"decision": "declined", "text_sha": ""},
	)

	e := sc.put(fern, newID(), reading("towel", "8 min", "3 1/4 in"))
	if e.State != "value" || e.Echo != "82.6\u00a0mm" || !e.Confirm {
		t.Errorf("3 1/4 in: %+v", e)
	}
	sc.put(fern, newID(), reading("printer", "8 min", "12 mm"))
	sc.put(beck, newID(), reading("towel", "8 min", "50"))
	sc.put(beck, newID(), reading("printer", "8 min", "wet all over"))
	adder.refused(
		"PUT",
		sc.homePath(adder, "/entries/"+newID()),
		reading("towel", "8 min", "50 mm"),
		403,
		"no-permission",
	)
	want[entries.EntryView](sc.teacher, "PUT", sc.asPath("/shared/"+newID()), reading("towel", "8 min", "48 mm"))

	r := sc.results()
	if r.Counted != 2 || len(r.Homes) != 3 || r.Shared == nil || len(r.Comparisons) != 2 {
		t.Fatalf("counted %d of %d, shared %v", r.Counted, len(r.Homes), r.Shared)
	}
	cell := func(nickname, condition string) results.CellView {
		for _, h := range r.Homes {
			if h.Nickname != nickname {
				continue
			}
			for i, s := range r.Slots {
				if s.Condition == condition && s.Time == "8 min" {
					return h.Cells[i]
				}
			}
		}
		t.Fatalf("no cell of %s", nickname)
		return results.CellView{}
	}
	if c := cell("Fern", "towel"); c.Value == nil || *c.Value != 82.6 || math.Abs(*c.U-math.Sqrt(1.0/48+0.64)) > 1e-9 {
		t.Errorf("Fern's towel: %+v", c)
	}
	if c := cell("Beck", "printer"); c.State != "needs-reading" || c.Typed != "wet all over" {
		t.Errorf("a text nobody could read is kept: %+v", c)
	}
	if c := cell("Adder", "towel"); c.State != "not-yet" {
		t.Errorf("shared readings leaked into a home: %+v", c)
	}
	s := adder.sheet()
	if len(s.Shown) != 1 ||
		!slices.ContainsFunc(
			s.Shown[0].Rows,
			func(r sheets.ShownRow) bool { return slices.Contains(r.Values, "48\u00a0mm") },
		) {
		t.Errorf("a home that watches sees the shared readings: %+v", s.Shown)
	}
	if n := len(fern.sheet().Shown); n != 0 {
		t.Errorf("a home that measures sees %d shared readings", n)
	}
	own := want[results.OwnResult](fern, "GET", sc.homePath(fern, "/result"), nil)
	if own.Shared || len(own.Sentence) != 1 || !strings.Contains(own.Sentence[0], "was more than") {
		t.Errorf("own result: %+v", own)
	}
}

// The same id with the same bytes is answered again, with others refused;
// a correction and a spoiled try stay in the notebook.
func TestEntriesAreIdempotentAndKept(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Beck")
	fern := sc.phone("Fern")
	sc.agree(fern)
	id := newID()
	first := sc.put(fern, id, reading("towel", "8 min", "8 cm"))
	sc.now = lesson.Add(time.Minute)
	if again := sc.put(fern, id, reading("towel", "8 min", "8 cm")); !again.ReceivedAt.Equal(first.ReceivedAt) ||
		again.Echo != first.Echo {
		t.Errorf("the same again: %+v, then %+v", first, again)
	}
	fern.refused("PUT", sc.homePath(fern, "/entries/"+id), reading("towel", "8 min", "9 cm"), 409, "other-body")
	beck := sc.phone("Beck")
	sc.agree(beck)
	beck.refused("PUT", sc.homePath(beck, "/entries/"+id), reading("towel", "8 min", "8 cm"), 409, "other-body")

	fix := reading("towel", "8 min", "31 mm")
	fix["refers"], fix["reason"], fix["phone_time"] = id, "read cm as mm", lesson.Add(time.Minute)
	sc.put(fern, newID(), fix)
	wet := newID()
	sc.put(fern, wet, reading("filter", "8 min", "20 mm"))
	sc.put(
		fern,
		newID(),
		map[string]any{"kind": "spoiled", "refers": wet, "reason": "spilled", "phone_time": lesson, "offset_ms": 0},
	)
	late := reading("printer", "8 min", "12 mm")
	sc.now = lesson.Add(48 * time.Hour)
	if e := sc.put(fern, newID(), late); !e.Late {
		t.Error("after the due time it is taken and marked late")
	}
	nb := want[results.NotebookView](sc.teacher, "GET", sc.asPath("/notebooks/"+sc.homes[1].ID.String()), nil)
	fates := map[string]string{}
	for _, l := range nb.Lines {
		fates[l.Entry.Typed] = l.Fate
	}
	if nb.Result.Nickname != "Fern" || len(nb.Lines) != 5 || fates["8 cm"] != "corrected" ||
		fates["31 mm"] != "counts" ||
		fates["20 mm"] != "spoiled" {
		t.Errorf("%s: %v", nb.Result.Nickname, fates)
	}
	a := sc.teacher.do("GET", sc.asPath("/export.csv"), nil)
	rows, err := csv.NewReader(strings.NewReader(string(a.body))).ReadAll()
	if err != nil || len(rows) != 5 || rows[0][17] != "value" ||
		a.header.Get("Content-Disposition") != `attachment; filename="paper-strips-7m.csv"` {
		t.Errorf("%v, %v, %s", rows, err, a.header)
	}
	var file compare.Readings
	if err := json.Unmarshal(sc.teacher.do("GET", sc.asPath("/export.json"), nil).body, &file); err != nil ||
		len(file.Readings) != 4 {
		t.Errorf("%d readings, %v", len(file.Readings), err)
	}
}

func TestWithdrawingHidesAtOnce(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Beck")
	fern := sc.phone("Fern")
	sc.agree(fern)
	sc.put(fern, newID(), reading("towel", "8 min", "50 mm"))
	photo := newID()
	want[api.Done](fern, "PUT", sc.homePath(fern, "/photos/"+photo), jpegOf(300, 200))
	sc.put(
		fern,
		newID(),
		map[string]any{
			"kind":       "photo",
			"step":       "read-8",
			"evidence":   "photo-end",
			"refers":     photo,
			"phone_time": lesson,
			"offset_ms":  0,
		},
	)
	if sc.results().Counted != 1 || sc.teacher.do("GET", sc.path("/photos/"+photo+"/thumbnail"), nil).status != 200 {
		t.Fatal("the teacher sees what was sent")
	}
	want[sheets.PermissionView](
		fern,
		"POST",
		sc.homePath(fern, "/permission"),
		map[string]any{"decision": "withdrawn", "text_sha": ""},
	)
	r := sc.results()
	if r.Counted != 0 || r.Homes[1].State != "withdrawn" || len(r.Homes[1].Shown) != 0 {
		t.Errorf("hidden at once: %+v", r.Homes[1])
	}
	sc.teacher.refused("GET", sc.path("/photos/"+photo+"/thumbnail"), nil, 404, "not-found")
	fern.refused(
		"PUT",
		sc.homePath(fern, "/entries/"+newID()),
		reading("towel", "4 min", "40 mm"),
		403,
		"no-permission",
	)
	if a := sc.teacher.do("GET", sc.asPath("/export.csv"), nil); strings.Contains(string(a.body), "Fern") {
		t.Error("the export still has the home")
	}
}

func TestRecallAndLinks(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	fern := sc.phone("Fern")
	sc.agree(fern)
	sc.teacher.refused("POST", sc.asPath("/recall"), map[string]string{"reason": " "}, 422, "invalid")
	want[api.Done](
		sc.teacher,
		"POST",
		sc.asPath("/recall"),
		map[string]string{"reason": "The dishes tip over. Please pour the water away."},
	)
	if s := fern.sheet(); s.State != "recalled" || !strings.Contains(s.RecallReason, "tip over") {
		t.Errorf("%s: %s", s.State, s.RecallReason)
	}
	fern.refused("PUT", sc.homePath(fern, "/entries/"+newID()), reading("towel", "8 min", "50 mm"), 410, "recalled")
	fern.refused("GET", sc.homePath(fern, "/print/materials"), nil, 410, "recalled")
	sc.teacher.refused("POST", sc.asPath("/recall"), map[string]string{"reason": "again"}, 410, "recalled")

	old := sc.links["Fern"]
	fresh := want[app.Invitation](sc.teacher, "POST", sc.path("/homes/"+sc.homes[0].ID.String()+"/link"), nil)
	if fresh.Link == old.Link || fresh.Code == old.Code || fresh.QR.Size < 21 || fresh.QR.Path == "" {
		t.Errorf("%+v", fresh)
	}
	fern.refused("GET", fern.home, nil, 410, "replaced-link")
	sc.client().
		refused("POST", "/family/open", map[string]string{"link": old.Link[strings.LastIndexByte(old.Link, '/')+1:]},
			410, "replaced-link")
	by := want[api.OpenedView](
		sc.client(),
		"POST",
		"/family/open",
		map[string]string{"code": strings.ToLower(fresh.Code)},
	)
	if by.Home != sc.homes[0].ID {
		t.Error("the new code opens another home")
	}
}

func TestCodesAndPasswordsAreTriedOnlySoOften(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern")
	c := s.client()
	for left := 4; left >= 0; left-- {
		p := c.refused("POST", "/family/open", map[string]string{"code": "AAAAA-AAAAA"}, 404, "unknown-code")
		if m, _ := p.Current.(map[string]any); m["tries_left"] != float64(left) {
			t.Errorf("tries left: %v, want %d", p.Current, left)
		}
	}
	c.refused("POST", "/family/open", map[string]string{"code": sc.links["Fern"].Code}, 429, "too-many-tries")
	s.now = s.now.Add(61 * time.Minute)
	want[api.OpenedView](c, "POST", "/family/open", map[string]string{"code": sc.links["Fern"].Code})
	for range 10 {
		c.refused(
			"POST",
			"/session",
			map[string]string{"email": "t@school.example", "password": "wrong guess"},
			401,
			"wrong-password",
		)
	}
	c.refused(
		"POST",
		"/session",
		map[string]string{"email": "t@school.example", "password": password},
		429,
		"too-many-tries",
	)
}

func TestIssueWaitsForWhatIsInTheWay(t *testing.T) {
	s := newSite(t)
	teacher := s.teacher("t@school.example")
	body := map[string]any{}
	for k, v := range classBody {
		body[k] = v
	}
	delete(body, "emergency_number")
	delete(body, "poison_number")
	class := want[app.ClassView](teacher, "POST", "/classes", body)
	raw, _ := drafts.Example("paper-strips")
	var doc map[string]any
	if err := json.Unmarshal(raw, &doc); err != nil {
		t.Fatal(err)
	}
	delete(doc, "expectations") // of a value that is replaced below
	doc["needs"] = append(
		doc["needs"].([]any),
		map[string]any{"id": "thing", "name": map[string]string{"en": "a thing"}},
		map[string]any{
			"id":       "bleach",
			"name":     map[string]string{"en": "bleach"},
			"kind":     "material",
			"material": "bleach",
		},
	)
	steps := doc["steps"].([]any)
	steps[len(steps)-1].(map[string]any)["heat"] = "60 °C"
	steps[len(steps)-1].(map[string]any)["actions"] = []any{"pour", "hot-water", "weigh"}
	doc["steps"] = append(
		steps,
		map[string]any{
			"id":      "carry",
			"kind":    "do",
			"title":   map[string]string{"en": "Carry"},
			"actions": []any{"carry"},
		},
	)
	doc["derived"] = []any{
		map[string]any{"id": "x", "name": map[string]string{"en": "x"}, "formula": "height +", "unit": "mm"},
	}
	exp := want[app.DraftView](teacher, "POST", "/experiments", map[string]any{"document": doc})
	check := want[app.IssueCheck](teacher, "GET", "/classes/"+class.ID.String()+"/issue-check/"+exp.ID.String(), nil)
	var codes []string
	for _, b := range check.Blockers {
		codes = append(codes, b.Code)
	}
	wantCodes := "no-emergency-number no-poison-number no-homes corrosive cleaners unknown gear-first cool-first " +
		"formula no-words"
	if got := strings.Join(codes, " "); got != wantCodes {
		t.Errorf("in the way: %s\nwant: %s", got, wantCodes)
	}
	p := teacher.refused(
		"POST",
		"/classes/"+class.ID.String()+"/assignments",
		map[string]any{"experiment": exp.ID, "opens_at": lesson, "due_at": lesson.Add(time.Hour)},
		409,
		"blocked",
	)
	if p.Current == nil {
		t.Error("the refusal carries what is in the way")
	}
}

// A version is frozen: later changes of the draft reach nobody until the next
// issue, which gets the next number.
func TestVersionsAreFrozen(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	var doc map[string]any
	if err := json.Unmarshal(sc.experiment.Document, &doc); err != nil {
		t.Fatal(err)
	}
	doc["title"] = map[string]string{"en": "Other strips", "es": "Otras tiras"}
	saved := want[app.DraftView](
		sc.teacher,
		"PUT",
		"/experiments/"+sc.experiment.ID.String(),
		map[string]any{"document": doc},
		"If-Match",
		"1",
	)
	if saved.Version != 2 || !saved.Review.Issuable {
		t.Errorf("%+v", saved.Review)
	}
	p := sc.teacher.refused(
		"PUT",
		"/experiments/"+sc.experiment.ID.String(),
		map[string]any{"document": doc},
		412,
		"changed-elsewhere",
		"If-Match",
		"1",
	)
	if p.Current == nil {
		t.Error("412 carries the present draft")
	}
	fern := sc.phone("Fern")
	if s := fern.sheet(); s.Title != "Paper strips" || s.Version != 1 {
		t.Errorf("the home got %s, version %d", s.Title, s.Version)
	}
	next := want[results.AssignmentView](
		sc.teacher,
		"POST",
		sc.path("/assignments"),
		map[string]any{"experiment": sc.experiment.ID, "opens_at": lesson, "due_at": lesson.Add(time.Hour)},
	)
	if next.Number != 2 {
		t.Errorf("the next issue has number %d", next.Number)
	}
	want[api.Done](fern, "PUT", fern.home+"/language", map[string]string{"language": "es"})
	if s := fern.sheet(); s.Title != "Otras tiras" || s.Steps[0].Title != "Cortar las tiras" ||
		!strings.HasPrefix(s.Stop[0], "algo se rompe") {
		t.Errorf("in Spanish: %s, %s, %v", s.Title, s.Steps[0].Title, s.Stop)
	}
}

func TestIncidentsReachTheTeacher(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	fern := sc.phone("Fern")
	id := newID()
	body := map[string]any{"door": "hurt", "card": "burn", "phone_time": lesson}
	want[api.Done](fern, "PUT", fern.home+"/incidents/"+id, body)
	body["outcome"] = "phone-us"
	want[api.Done](fern, "PUT", fern.home+"/incidents/"+id, body)
	list := want[api.List[app.IncidentView]](sc.teacher, "GET", "/incidents", nil).Items
	if len(list) != 1 || list[0].Nickname != "Fern" || list[0].Advice != "Burn or scald" ||
		list[0].Outcome != "phone-us" ||
		list[0].SeenAt != nil {
		t.Fatalf("%+v", list)
	}
	want[api.Done](sc.teacher, "POST", sc.path("/incidents/"+id+"/seen"), nil)
	if list = want[api.List[app.IncidentView]](sc.teacher, "GET", "/incidents", nil).Items; list[0].SeenAt == nil {
		t.Error("seen is kept")
	}
	// What gets worse after it was seen is unseen again, and its door changes;
	// what was said earlier never overwrites what was said later.
	say := func(door, outcome string, minutes int) app.IncidentView {
		want[api.Done](
			fern,
			"PUT",
			fern.home+"/incidents/"+id,
			map[string]any{
				"door":       door,
				"outcome":    outcome,
				"phone_time": lesson.Add(time.Duration(minutes) * time.Minute),
			},
		)
		return want[api.List[app.IncidentView]](sc.teacher, "GET", "/incidents", nil).Items[0]
	}
	if i := say("hurt", "fine", 5); i.SeenAt == nil || i.Outcome != "fine" {
		t.Errorf("better, and %+v", i)
	}
	if i := say("hurt", "phone-us", 9); i.SeenAt != nil || i.Outcome != "phone-us" {
		t.Errorf("worse, and %+v", i)
	}
	if i := say("not-working", "fine", 7); i.Door != "hurt" || i.Outcome != "phone-us" {
		t.Errorf("an older one overwrites a newer: %+v", i)
	}
	var events int
	if err := sc.app.Store.Pool().QueryRow(t.Context(), `SELECT count(*) FROM incident_event`).Scan(
		&events); err != nil ||
		events != 5 {
		t.Errorf("%d events, %v", events, err)
	}

	// It is always taken: taken back, permission gone, late, with any text.
	want[sheets.PermissionView](
		fern,
		"POST",
		sc.homePath(fern, "/permission"),
		map[string]any{"decision": "withdrawn", "text_sha": fern.sheet().Permission.TextSha},
	)
	want[api.Done](sc.teacher, "POST", sc.asPath("/recall"), map[string]string{"reason": "The dishes tip over."})
	sc.now = lesson.AddDate(0, 0, 9)
	for _, odd := range []map[string]any{{"door": "roof", "phone_time": lesson},
		{"door": "hurt", "note": strings.Repeat("ow ", 2000), "phone_time": lesson},
		{"door": "hurt", "card": strings.Repeat("x", 99), "outcome": "who knows",
			"phone_time": lesson.AddDate(900, 0, 0)}, {"door": "hurt", "assignment": newID(), "phone_time": lesson}} {
		want[api.Done](fern, "PUT", fern.home+"/incidents/"+newID(), odd)
	}
	// Readings and pictures are not, and the phone is told why.
	fern.refused("PUT", sc.homePath(fern, "/entries/"+newID()), reading("towel", "8 min", "50 mm"), 410, "recalled")
	fern.refused("PUT", sc.homePath(fern, "/photos/"+newID()), []byte("picture"), 410, "recalled")
}

func TestDeletedHomesComeBackAndErasedOnesDoNot(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Beck")
	fern := sc.phone("Fern")
	sc.agree(fern)
	sc.put(fern, newID(), reading("towel", "8 min", "50 mm"))
	path := sc.path("/homes/" + sc.homes[1].ID.String())
	want[api.Done](sc.teacher, "DELETE", path, nil)
	if r := sc.results(); len(r.Homes) != 1 || r.Counted != 0 {
		t.Errorf("%d homes after deleting one", len(r.Homes))
	}
	fern.refused("GET", fern.home, nil, 401, "open-link")
	want[api.Done](sc.teacher, "POST", path+"/restore", nil)
	if r := sc.results(); len(r.Homes) != 2 || r.Counted != 1 {
		t.Errorf("%d homes after bringing it back, %d counted", len(r.Homes), r.Counted)
	}
	want[api.Done](sc.teacher, "POST", path+"/erase", nil)
	if r := sc.results(); r.Erased != 1 || r.Counted != 0 {
		t.Errorf("erased %d, counted %d", r.Erased, r.Counted)
	}
	sc.teacher.refused("POST", path+"/restore", nil, 404, "not-found")
}

// What a reading is answered with follows the home's language and the class's measures at
// once, although both are remembered between entries.
func TestRepliesFollowTheLanguage(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	fern := sc.phone("Fern")
	sc.agree(fern)
	echo := func(time string) string {
		a := fern.do("PUT", sc.homePath(fern, "/entries/"+newID()), reading("towel", time, "82.5 mm"))
		var v struct {
			Echo string `json:"echo"`
		}
		if err := json.Unmarshal(a.body, &v); err != nil || a.status != 200 {
			t.Fatalf("%d %s", a.status, a.body)
		}
		return v.Echo
	}
	if got := echo("1 min"); got != "82.5\u00a0mm" {
		t.Errorf("in English %q", got)
	}
	want[any](fern, "PUT", fern.home+"/language", map[string]string{"language": "es"})
	if got := echo("2 min"); got != "82,5\u00a0mm" {
		t.Errorf("in Spanish %q", got)
	}
	want[any](fern, "PUT", fern.home+"/language", map[string]string{"language": "en"})
	if got := echo("4 min"); got != "82.5\u00a0mm" {
		t.Errorf("in English again %q", got)
	}
}
