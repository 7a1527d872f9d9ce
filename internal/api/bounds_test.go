package api_test

import (
	"encoding/json"
	"net/http"
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/results"
)

// A number with a digit too many does not take the server down: it is refused
// where it is sent, and one that lies in the database from before is a row that
// says so, with the other experiments beside it.
func TestDesignsThatAreTooLarge(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	times := strings.Repeat(`"1 min",`, 20_000)
	many := strings.Repeat(`{"id":"s","kind":"do","title":{"en":"x"}},`, 201)
	for _, doc := range []string{
		`{"schema":2,"title":{"en":"Too often"},"trials":1000000000,
			"readings":[{"id":"r","symbol":"r","name":{"en":"r"},"unit":"mm","per_condition":true}]}`,
		`{"schema":2,"title":{"en":"Too many times"},"trials":1,
			"readings":[{"id":"r","symbol":"r","name":{"en":"r"},"unit":"mm","per_condition":true,"times":[` +
			strings.TrimSuffix(times, ",") + `]}]}`,
		`{"schema":2,"title":{"en":"Too many steps"},"trials":1,"steps":[` + strings.TrimSuffix(many, ",") + `]}`,
	} {
		began := time.Now()
		sc.teacher.refused("POST", "/experiments", `{"document": `+doc+`}`, 422, "invalid")
		sc.teacher.refused(
			"PUT",
			"/experiments/"+sc.experiment.ID.String(),
			`{"document": `+doc+`}`,
			422,
			"invalid",
			"If-Match",
			"1",
		)
		if r := want[drafts.ReviewView](sc.teacher, "POST", "/preview/review", `{"document": `+doc+`}`); r.Readable ||
			r.Problem == "" {
			t.Errorf("it is judged: %+v", r)
		}
		if took := time.Since(began); took > 3*time.Second {
			t.Errorf("it took %v", took)
		}
		if _, err := sc.app.Store.Pool().Exec(t.Context(), `UPDATE experiment SET draft = $1`,
			[]byte(doc)); err != nil {
			t.Fatal(err)
		}
		list := want[api.List[app.ExperimentRow]](sc.teacher, "GET", "/experiments", nil).Items
		if len(list) != 1 || !strings.Contains(list[0].Problem, "at most") {
			t.Errorf("%+v", list)
		}
	}
}

// A reading beyond all measure is a cell to look at, never a dead page; one
// stored before the gate was there is read the same way.
func TestAReadingBeyondMeasure(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	p := sc.phone("Fern")
	sc.agree(p)
	for i, typed := range []string{"1e308 km", "99999999999999999999999999999999999999 mm", "1e309", "-1e300 km"} {
		sc.put(p, newID(), reading("towel", []string{"1 min", "2 min", "4 min", "8 min"}[i], typed))
	}
	r := sc.results()
	looked := 0
	for _, c := range r.Homes[0].Cells {
		if c.State == "needs-reading" {
			looked++
		}
	}
	if looked != 4 {
		t.Errorf("%d cells want a look", looked)
	}
	for _, path := range []string{"/results", "/export.csv", "/export.json", "/notebooks/" + sc.homes[0].ID.String()} {
		a := sc.teacher.do("GET", sc.asPath(path), nil)
		if a.status != http.StatusOK || strings.HasSuffix(path, "json") && !json.Valid(a.body) {
			t.Errorf("%s: %d %.200s", path, a.status, a.body)
		}
	}
	want[results.OwnResult](p, "GET", sc.homePath(p, "/result"), nil)
}

// What no text can hold is refused on every way in, so that a phone does not
// send it again for ever.
func TestBrokenText(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	p := sc.phone("Fern")
	sc.agree(p)
	for name, typed := range map[string]string{"NUL": `\u0000`, "a lone high half": `\ud83d`,
		"a lone low half": `a\udc00`, "halves the wrong way round": `\udc00\ud83d`, "raw NUL": "\x00",
		"no UTF-8": "\xff"} {
		body := `{"kind":"observation","step":"cut","text":"` + typed + `","phone_time":"` + lesson.Format(
			time.RFC3339,
		) + `","offset_ms":0}`
		p.refused("PUT", sc.homePath(p, "/entries/"+newID()), body, 422, "invalid")
		// A call for help is taken all the same, without what cannot be kept.
		want[api.Done](
			p,
			"PUT",
			p.home+"/incidents/"+newID(),
			`{"door":"hurt","note":"warm `+typed+`water","phone_time":"`+lesson.Format(time.RFC3339)+`"}`,
		)
		sc.teacher.refused("POST", "/classes", `{"name":"`+typed+`"}`, 422, "invalid")
		if t.Failed() {
			t.Fatal(name)
		}
	}
	for _, i := range want[api.List[app.IncidentView]](sc.teacher, "GET", "/incidents", nil).Items {
		if i.Note != "warm water" && i.Note != "warm awater" {
			t.Errorf("%q", i.Note)
		}
	}
	for _, whole := range []string{`\ud83d\ude00`, `\\u0000`, `é`} {
		sc.put(
			p,
			newID(),
			json.RawMessage(
				`{"kind":"observation","step":"cut","text":"`+whole+`","phone_time":"`+lesson.Format(
					time.RFC3339,
				)+`","offset_ms":0}`,
			),
		)
	}
	sc.teacher.refused("GET", "/larder/find?q=%00", nil, 422, "invalid")
}
