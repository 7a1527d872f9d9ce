package api_test

import (
	"context"
	"encoding/base64"
	"encoding/json"
	"net/http"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/answers"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/results"
)

// Documents carry a version: a change made from an older one is refused with
// the present one, and nothing is overwritten.
func TestChangesMadeFromAnOldVersion(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	body := map[string]any{}
	for k, v := range classBody {
		body[k] = v
	}
	body["name"] = "7M and friends"
	c := want[app.ClassView](sc.teacher, "PUT", sc.path(""), body, "If-Match", "1")
	if c.Version != 2 || c.Name != "7M and friends" || c.Homes != 1 {
		t.Errorf("%+v", c)
	}
	p := sc.teacher.refused("PUT", sc.path(""), classBody, 412, "changed-elsewhere", "If-Match", "1")
	if now, _ := p.Current.(map[string]any); now["name"] != "7M and friends" {
		t.Errorf("the refusal carries %v", p.Current)
	}
	sc.teacher.refused("PUT", sc.path(""), classBody, 422, "", "If-Match", "soon")
	sc.teacher.refused("PUT", sc.path(""), classBody, 422, "")
	home := sc.path("/homes/" + sc.homes[0].ID.String())
	h := want[app.HomeView](
		sc.teacher,
		"PUT",
		home,
		map[string]any{"nickname": "Fern B", "letters": "Fb", "language": "es", "students": []string{"F", " ", "G"}},
		"If-Match",
		"1",
	)
	if h.Version != 2 || h.Letters != "Fb" || len(h.Students) != 2 {
		t.Errorf("%+v", h)
	}
	sc.teacher.refused("PUT", home, map[string]any{"nickname": "Fern C"}, 412, "changed-elsewhere", "If-Match", "1")
	list := want[api.List[app.HomeView]](sc.teacher, "GET", sc.path("/homes"), nil).Items
	if list[0].Nickname != "Fern B" || strings.Join(list[0].Students, "+") != "F+G" {
		t.Errorf("%+v", list[0])
	}
}

func TestExperimentsComeAndGo(t *testing.T) {
	s := newSite(t)
	teacher := s.teacher("t@school.example")
	exact := `{"schema":1,  "title":{"en":"Odd   blanks"},"trials":1}`
	made := want[app.DraftView](teacher, "POST", "/experiments", `{"document": `+exact+`}`)
	if made.Review.Issuable || !made.Review.Readable || len(made.Review.Validation) == 0 {
		t.Errorf("an invalid draft is kept and explained: %+v", made.Review)
	}
	path := "/experiments/" + made.ID.String()
	if a := teacher.do("GET", path+"/file", nil); string(a.body) != exact ||
		!strings.Contains(a.header.Get("Content-Disposition"), "experiment.json") {
		t.Errorf("the file is not byte for byte what was sent: %s", a.body)
	}
	teacher.refused("POST", "/experiments", `{"document": {"schema": 1`, 400, "")
	teacher.refused(
		"POST",
		"/experiments",
		`{"document": {"background": "`+strings.Repeat("a", 600<<10)+`"}}`,
		422,
		"invalid",
	)
	if list := want[api.List[app.ExperimentRow]](teacher, "GET", "/experiments", nil).Items; len(list) != 1 ||
		list[0].Title != "Odd   blanks" {
		t.Errorf("%+v", list)
	}
	want[api.Done](teacher, "DELETE", path, nil)
	teacher.refused("GET", path, nil, 404, "not-found")
	want[api.Done](teacher, "POST", path+"/restore", nil)
	want[app.DraftView](teacher, "GET", path, nil)
	v := want[drafts.FormulaView](
		teacher,
		"POST",
		"/preview/formula",
		`{"document": `+exact+`, "formula": "height / 2", "unit": "mm"}`,
	)
	if v.OK || !strings.Contains(v.Problem, `“height”`) || v.End != 6 {
		t.Errorf("%+v", v)
	}
	groups := want[api.List[api.ActionGroup]](teacher, "GET", "/actions", nil, "Accept-Language", "es").Items
	if last := groups[len(groups)-1]; len(groups) < 5 ||
		groups[0].Actions[0] != (api.ActionWord{ID: "pour", Name: "verter"}) ||
		groups[0].Never ||
		!last.Never ||
		last.Name != "nunca en casa" {
		t.Errorf("%+v", groups)
	}
	spanish := want[app.DraftView](teacher, "GET", path, nil, "Accept-Language", "es-ES,es;q=0.9")
	if !strings.HasPrefix(spanish.Review.Validation[0].Message, "Todavía no hay") {
		t.Errorf("in Spanish: %s", spanish.Review.Validation[0].Message)
	}
}

func TestSessions(t *testing.T) {
	s := newSite(t)
	teacher := s.teacher("t@school.example")
	if me := want[api.Me](teacher, "GET", "/session", nil); me.Name != "Ms Tarrant" || me.Email != "t@school.example" {
		t.Errorf("%+v", me)
	}
	a := teacher.do("POST", "/session", map[string]string{"email": " T@School.example ", "password": password})
	cookie := a.header.Get("Set-Cookie")
	if a.status != 200 || !strings.Contains(cookie, "HttpOnly") || !strings.Contains(cookie, "SameSite=Lax") {
		t.Errorf("%d %s", a.status, cookie)
	}
	want[api.Done](teacher, "DELETE", "/session", nil)
	teacher.refused("GET", "/session", nil, 401, "sign-in")
	teacher.refused("GET", "/classes", nil, 401, "sign-in")
	s.client().
		refused("POST", "/session", map[string]string{"email": "nobody@school.example", "password": password}, 401,
			"wrong-password")
}

// Several phones and a teacher at once, the same entry from two tabs among
// them: everything is there once.
func TestManyAtOnce(t *testing.T) {
	names := []string{"Adder", "Beck", "Cairn", "Dunlin", "Fern", "Gorse"}
	sc := newSite(t).school("t@school.example", names...)
	var group sync.WaitGroup
	for _, name := range names {
		c := sc.phone(name)
		sc.agree(c)
		id := newID()
		for range 3 {
			group.Add(1)
			go func() {
				defer group.Done()
				for i, at := range []string{"1 min", "2 min", "4 min", "8 min"} {
					key := uuid.NewSHA1(uuid.MustParse(id), []byte{byte(i)}).String()
					if a := c.do("PUT", sc.homePath(c, "/entries/"+key),
						reading("towel", at, "20 mm")); a.status != 200 {
						t.Errorf("%s at %s: %d %s", name, at, a.status, a.body)
					}
				}
			}()
		}
	}
	for range 4 {
		group.Add(1)
		go func() {
			defer group.Done()
			if a := sc.teacher.do("GET", sc.asPath("/results"), nil); a.status != 200 {
				t.Errorf("results: %d", a.status)
			}
		}()
	}
	group.Wait()
	r := sc.results()
	if r.Counted != len(names) || !strings.Contains(r.Comparisons[0].Groups[3].Text, "20") {
		t.Errorf("%d counted, %+v", r.Counted, r.Comparisons[0].Groups[3])
	}
	for _, h := range r.Homes {
		for i, slot := range r.Slots {
			if slot.Condition == "towel" && h.Cells[i].History != 1 {
				t.Errorf("%s at %s was stored %d times", h.Nickname, slot.Time, h.Cells[i].History)
			}
		}
	}
}

// The daily clean-up, at two processes at once, and again: idempotent.
func TestForgetting(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Beck")
	fern := sc.phone("Fern")
	sc.agree(fern)
	want[api.Done](fern, "PUT", sc.homePath(fern, "/photos/"+newID()), jpegOf(20, 20))
	if gone, err := sc.app.Forget(t.Context()); err != nil || gone.Photos != 0 || gone.Homes != 0 {
		t.Fatal(gone, err)
	}
	sc.now = lesson.AddDate(0, 0, 40)
	var group sync.WaitGroup
	var mu sync.Mutex
	photos := int64(0)
	for range 3 {
		group.Add(1)
		go func() {
			defer group.Done()
			gone, err := sc.app.Forget(context.Background())
			if err != nil {
				t.Error(err)
			}
			mu.Lock()
			photos += gone.Photos
			mu.Unlock()
		}()
	}
	group.Wait()
	if photos != 1 {
		t.Errorf("%d photos forgotten, want the one", photos)
	}
	want[api.Me](
		sc.teacher,
		"POST",
		"/session",
		map[string]string{"email": "t@school.example", "password": password},
	) // the old sign-in is over
	if n := sc.results().Homes; len(n) != 2 {
		t.Error("homes are kept until the class's last day")
	}
	sc.now = time.Date(2027, 8, 2, 0, 0, 0, 0, time.UTC)
	if gone, err := sc.app.Forget(t.Context()); err != nil || gone.Homes != 2 {
		t.Errorf("after the last day: %+v %v", gone, err)
	}
	if gone, err := sc.app.Forget(t.Context()); err != nil || gone.Homes != 0 {
		t.Errorf("and again: %+v %v", gone, err)
	}
	fern.refused("GET", fern.home, nil, 401, "open-link")
}

func TestPagesAndFiles(t *testing.T) {
	s := newSite(t)
	noRedirect := &http.Client{
		CheckRedirect: func(*http.Request, []*http.Request) error { return http.ErrUseLastResponse },
	}
	for path, status := range map[string]int{"/": 302, "/today": 200, "/experiments/x/plan": 200,
		"/classes/7m/codes": 200, "/h/some-link": 200, "/home/some-home": 200, "/code": 200,
		"/no/such": 404, "/api/v1/no-such": 404, "/api/v2/x": 404, "/assets/none.js": 404, "/assets/": 404,
		"/assets/../server.go": 404, "/sw.js": 200, "/healthz": 200, "/readyz": 200} {
		res, err := noRedirect.Get(s.URL + path)
		if err != nil {
			t.Fatal(err)
		}
		res.Body.Close()
		if res.StatusCode != status {
			t.Errorf("%s: %d, want %d", path, res.StatusCode, status)
		}
	}
	s.app.Store.Close()
	if res, err := http.Get(s.URL + "/readyz"); err != nil || res.StatusCode != 503 {
		t.Errorf("not ready without its database: %v %v", res, err)
	}
}

// Notebook lines carry both times, and whose measurement it is.
func TestNotebookTimes(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	fern := sc.phone("Fern")
	sc.agree(fern)
	hour := reading("towel", "8 min", "50 mm") // measured an hour ago on a phone two hours slow, received now
	hour["phone_time"], hour["offset_ms"] = lesson.Add(-3*time.Hour), 2*3600*1000
	sc.put(fern, newID(), hour)
	jump := reading("filter", "8 min", "30 mm")
	jump["phone_time"] = lesson.Add(10 * time.Minute)
	if e := sc.put(fern, newID(), jump); !e.ClockJump {
		t.Error("a time in the future is a clock jump")
	}
	nb := want[results.NotebookView](sc.teacher, "GET", sc.asPath("/notebooks/"+sc.homes[0].ID.String()), nil)
	if len(nb.Lines) != 2 ||
		!nb.Lines[0].MeasuredAt.Equal(lesson.Add(-time.Hour)) && !nb.Lines[1].MeasuredAt.Equal(lesson.Add(-time.Hour)) {
		t.Errorf("%+v", nb.Lines)
	}
	for _, l := range nb.Lines {
		if !l.ReceivedAt.Equal(lesson) || l.Provenance != "own" || l.MeasuredAt.After(lesson) {
			t.Errorf("%+v", l)
		}
	}
	sc.teacher.refused("GET", sc.asPath("/notebooks/"+newID()), nil, 404, "not-found")
	sc.teacher.refused("GET", sc.path("/assignments/"+newID()+"/results"), nil, 404, "not-found")
}

// Unknown fields of a family's entry are let by: an older server must not
// refuse a newer phone. A teacher's request with one is a slip and is told.
func TestUnknownFields(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	fern := sc.phone("Fern")
	sc.agree(fern)
	newer := reading("towel", "8 min", "50 mm")
	newer["mood"] = "cheerful"
	sc.put(fern, newID(), newer)
	body := map[string]any{"colour": "green"}
	for k, v := range classBody {
		body[k] = v
	}
	p := sc.teacher.refused("POST", "/classes", body, 422, "invalid")
	if !strings.Contains(p.Field, "colour") {
		t.Errorf("%+v", p)
	}
	var description struct{ Paths map[string]json.RawMessage }
	raw, err := sc.server.OpenAPI()
	if err != nil || json.Unmarshal(raw, &description) != nil || len(description.Paths) < 25 {
		t.Errorf("%d paths described, %v", len(description.Paths), err)
	}
}

// A model answers while it is typed: the same answer as on the command line,
// in words too, and the question's number comes back with it.
func TestModelsAnswerWhileTyped(t *testing.T) {
	s := newSite(t)
	teacher := s.school("t@school.example", "Fern").teacher
	models := want[api.List[answers.ModelView]](teacher, "GET", "/models", nil).Items
	if len(models) < 30 {
		t.Fatalf("%d models", len(models))
	}
	for _, m := range models {
		if len(m.Example) == 0 { // takes a file
			continue
		}
		a := want[answers.Answer](teacher, "POST", "/models/"+m.ID, map[string]any{"sequence": 7, "typed": m.Example})
		if a.Problem != nil || a.Sequence != 7 || len(a.Outputs) != len(m.Outputs) || len(a.Shown) != len(m.Outputs) ||
			len(a.Notes) != 2 ||
			m.Main != "" && (a.Main == "" || a.Shown[a.Main] == "") {
			t.Errorf("%s with its own example: %+v", m.ID, a)
		}
	}
	// 1 m swings once in 2.00641 s (2π√(L/g), g = 9.80665 m/s²).
	for body, language := range map[string]string{`{"typed": {"length": " 100 cm ", "amplitude": ""}}`: "en",
		`{"inputs": {"length": "1 m"}}`: "es"} {
		a := want[answers.Answer](teacher, "POST", "/models/pendulum", body, "Accept-Language", language)
		if words := map[string]string{"en": "2.006 ± 0.003 s", "es": "2,006 s"}[language]; a.Shown["period"] != words {
			t.Errorf("%s: %q", body, a.Shown["period"])
		}
	}
	for body, problem := range map[string][2]string{
		`{"typed": {}}`:                                 {"length", "exactly one"},
		`{"typed": {"length": "1"}}`:                    {"length", "needs a unit"},
		`{"typed": {"length": "1 m", "colour": "red"}}`: {"colour", "not an input"},
		`{"inputs": {"length": [1]}}`:                   {"length", "number or a text"},
		`{}`:                                            {"length", "exactly one"},
	} {
		a := want[answers.Answer](teacher, "POST", "/models/pendulum", body)
		if a.Problem == nil || a.Problem.Input != problem[0] || !strings.Contains(a.Problem.Message, problem[1]) ||
			a.Outputs != nil {
			t.Errorf("%s: %+v", body, a.Problem)
		}
	}
	a := want[answers.Answer](teacher, "POST", "/models/choice", `{"typed": {"counts": "14; six"}}`)
	if a.Problem == nil || a.Problem.Input != "counts[1]" {
		t.Errorf("the place in a list: %+v", a.Problem)
	}
	// Everything that is said about one answer.
	a = want[answers.Answer](
		teacher,
		"POST",
		"/models/pendulum",
		`{"typed": {"length": "25.0 cm"}, "vary": "length", "solve": "length", "wanted": "2 s"}`,
	)
	if a.Main != "period" || a.Give != "0.0006 s" || a.Finer != "0.00006 s" || len(a.Doubts) != 1 || a.Curve == nil ||
		len(a.Curve.X) != len(a.Curve.Y) ||
		a.Solved == nil ||
		a.Solved.Typed != "99.36 cm" ||
		len(a.Steps) < 3 ||
		!strings.HasPrefix(a.Steps[1], "period = 2 × pi × √(length / g) × correction = ") {
		t.Errorf("%+v", a)
	}
	a = want[answers.Answer](teacher, "POST", "/models/choice", `{"typed": {"counts": "9; 1"}}`)
	if a.Finding == nil || a.Finding.Verdict != "supported" || a.Finding.Conditions == "" {
		t.Errorf("%+v", a.Finding)
	}
	// A recording is larger than other questions: silence of 24 s is no tone.
	wav := append(
		[]byte(
			"RIFF\x24\x00\x24\x00WAVEfmt \x10\x00\x00\x00\x01\x00\x01\x00\x80\xbb\x00\x00\x00\x77\x01\x00\x02\x00\x10\x00data\x00\x00\x24\x00",
		),
		make([]byte, 0x240000)...)
	a = want[answers.Answer](
		teacher,
		"POST",
		"/models/signal-pitch",
		map[string]any{"typed": map[string]string{"wav": base64.StdEncoding.EncodeToString(wav)}},
	)
	if a.Problem != nil || a.Outputs["frequency"].Value != nil {
		t.Errorf("silence: %+v", a)
	}
	// A student's own lines: right, and with the fraction on its head.
	beans := `"typed": {"expression": "(after - before) / before", "symbols": "before = 16.0 g; after = 17.2 g", "unit": "%"}`
	for working, right := range map[string]bool{"(17.2 g − 16.0 g) / 16.0 g × 100 = 7.5 %": true,
		"16.0 / (17.2 - 16.0) = 13.3": false} {
		a := want[answers.Answer](teacher, "POST", "/models/formula", `{`+beans+`, "working": "`+working+`"}`)
		if a.Student == nil || a.Student.Right != right || a.Student.Words == "" {
			t.Errorf("%s: %+v", working, a.Student)
		}
	}
	teacher.refused("POST", "/models/volcano", `{"typed": {}}`, 404, "not-found")
	teacher.refused("POST", "/models/pendulum", `{"typed": 5}`, 422, "invalid")
	teacher.refused("POST", "/models/pendulum", `{`, 400, "")
}

// A teacher asks back, sets aside and puts a value in place of a reading: with
// the reason, never silently, and the comparison is there with and without it.
func TestAtTheDesk(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Beck", "Sorrel", "Adder", "Heath")
	ids := map[string]string{}
	for i, h := range sc.homes {
		p := sc.phone(h.Nickname)
		sc.agree(p)
		sc.put(
			p,
			newID(),
			map[string]any{
				"kind":       "fact",
				"refers":     "under-4",
				"choice":     []string{"no"},
				"phone_time": lesson,
				"offset_ms":  0,
			},
		)
		ids[h.Nickname] = newID()
		sc.put(p, newID(), reading("printer", "8 min", "12 mm"))
		sc.put(p, ids[h.Nickname], reading("towel", "8 min", []string{"50 mm", "51 mm", "49 mm", "50 mm", "5 mm"}[i]))
	}
	last := sc.homes[4]
	desk := sc.asPath("/notebooks/" + last.ID.String() + "/desk")
	mean := func(list []results.ComparisonView) string {
		for _, g := range list[0].Groups {
			if g.Condition == "towel" {
				return g.Text
			}
		}
		return ""
	}
	before := sc.results()
	if before.AtDesk != 0 || len(before.AsSent) != 0 {
		t.Fatalf("%+v", before.AsSent)
	}
	was := mean(before.Comparisons)
	of := ids[last.Nickname]
	for _, bad := range []map[string]string{
		{"kind": "set-aside", "refers": of, "reason": "wrong"},
		{"kind": "set-aside", "refers": newID(), "reason": "The ruler was upside down on the photo"},
		{"kind": "set-aside", "refers": ids[sc.homes[0].Nickname], "reason": "The ruler was upside down on the photo"},
		{"kind": "reading", "refers": of, "reason": "The photo shows 50 mm, the zero is smudged"},
		{"kind": "asked", "refers": of},
	} {
		sc.teacher.refused("POST", desk, bad, 422, "invalid")
	}
	p := sc.phone(last.Nickname)
	for _, hers := range []string{"set-aside", "asked", "vouched"} {
		p.refused(
			"PUT",
			sc.homePath(p, "/entries/"+newID()),
			map[string]any{
				"kind":       hers,
				"step":       "cut",
				"refers":     of,
				"reason":     "It was fine, we promise you",
				"text":       "why?",
				"phone_time": lesson,
				"offset_ms":  0,
			},
			403,
			"no-permission",
		)
	}
	want[api.Done](
		sc.teacher,
		"POST",
		desk,
		map[string]string{"kind": "asked", "refers": of, "text": "Millimetres or centimetres?"},
	)
	want[api.Done](
		sc.teacher,
		"POST",
		desk,
		map[string]string{
			"kind":   "set-aside",
			"refers": of,
			"reason": "The photo shows five centimetres, not millimetres",
		},
	)
	aside := sc.results()
	if aside.AtDesk != 1 || mean(aside.AsSent) != was || mean(aside.Comparisons) == was {
		t.Errorf("aside: %d, %q, as sent %q, before %q", aside.AtDesk, mean(aside.Comparisons), mean(aside.AsSent), was)
	}
	for _, h := range aside.Homes {
		for _, c := range h.Cells {
			if c.State == "set-aside" && (h.Nickname != last.Nickname || c.Reason == "") {
				t.Errorf("%s: %+v", h.Nickname, c)
			}
		}
	}
	want[api.Done](
		sc.teacher,
		"POST",
		desk,
		map[string]string{
			"kind":   "reading",
			"refers": of,
			"typed":  "50 mm",
			"reason": "The photo shows 50 mm, the zero is smudged",
		},
	)
	put := sc.results()
	if put.AtDesk != 2 || !strings.HasPrefix(mean(put.Comparisons), "50") {
		t.Errorf("put: %d, %q", put.AtDesk, mean(put.Comparisons))
	}
	nb := want[results.NotebookView](sc.teacher, "GET", sc.asPath("/notebooks/"+last.ID.String()), nil)
	fates := map[string]string{}
	for _, l := range nb.Lines {
		fates[l.Entry.Typed+" "+l.Provenance] = l.Fate + " " + l.FateReason
	}
	if fates["5 mm own"] != "set-aside The photo shows five centimetres, not millimetres" ||
		!strings.HasPrefix(fates["50 mm desk"], "counts") {
		t.Errorf("%v", fates)
	}
	csv := string(sc.teacher.do("GET", sc.asPath("/export.csv"), nil).body)
	if !strings.Contains(csv, "set-aside") || !strings.Contains(csv, "desk") {
		t.Errorf("%s", csv)
	}
	found := 0
	for _, s := range want[app.Bundle](p, "GET", p.home, nil).Sheets {
		for _, e := range s.Entries {
			if e.Entry.Kind == "asked" && e.Entry.Text == "Millimetres or centimetres?" || e.Entry.Kind == "set-aside" {
				found++
			}
		}
	}
	if found != 2 {
		t.Errorf("the home reads %d of what was written at the desk", found)
	}
}
