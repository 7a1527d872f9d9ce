package api_test

import (
	"bytes"
	"net/http"
	"net/url"
	"strings"
	"testing"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/media"
)

// Every refusal of a field names it, says the rule and gives an example.
func TestProblemsNameFieldRuleAndExample(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	fern := sc.phone("Fern")
	sc.agree(fern)
	with := func(k string, v any) map[string]any {
		b := map[string]any{}
		for key, value := range classBody {
			b[key] = value
		}
		b[k] = v
		return b
	}
	entries := sc.homePath(fern, "/entries/")
	for _, c := range []struct {
		who          *client
		method, path string
		body         any
		field        string
	}{
		{sc.teacher, "POST", "/classes", with("name", ""), "name"},
		{sc.teacher, "POST", "/classes", with("zone", "Moor"), "zone"},
		{sc.teacher, "POST", "/classes", with("language", "xx"), "language"},
		{sc.teacher, "POST", "/classes", with("unit_system", "furlongs"), "unit_system"},
		{sc.teacher, "POST", "/classes", with("poison_number", "call me"), "poison_number"},
		{sc.teacher, "POST", "/classes", with("photo_days", 0), "photo_days"},
		{sc.teacher, "POST", "/classes", with("keep_until", "some day"), "keep_until"},
		{sc.teacher, "POST", "/classes", map[string]any{"name": "8A"}, "keep_until"},
		{sc.teacher, "POST", "/classes", with("holidays", []any{map[string]string{"first": "2026-12-21",
			"last": "2026-12-20"}}), "holidays"},
		{sc.teacher, "POST", "/classes", with("holidays", []any{map[string]string{"first": "21 December",
			"last": "2027-01-03"}}), "holidays"},
		{sc.teacher, "POST", "/classes", `{"name": 5}`, ""},
		{sc.teacher, "POST", sc.path("/homes"), map[string]any{"nickname": ""}, "nickname"},
		{sc.teacher, "POST", sc.path("/homes"), map[string]any{"nickname": "Fern"}, "nickname"},
		{sc.teacher, "POST", sc.path("/homes"), map[string]any{"nickname": strings.Repeat("x", 61)}, "nickname"},
		{sc.teacher, "POST", sc.path("/homes"), map[string]any{"nickname": "Moss", "phone": "none"}, "phone"},
		{sc.teacher, "POST", "/experiments", map[string]any{"document": "paper"}, "document"},
		{sc.teacher, "POST", "/experiments", map[string]any{"example": "volcano"}, "example"},
		{sc.teacher, "POST", sc.path("/assignments"), map[string]any{"experiment": sc.experiment.ID, "opens_at": lesson,
			"due_at": lesson}, "due_at"},
		{fern, "PUT", entries + newID(), map[string]any{"kind": "poem", "phone_time": lesson, "offset_ms": 0}, "kind"},
		{fern, "PUT", entries + newID(), reading("towel", "3 min", "5 mm"), "slot"},
		{fern, "PUT", entries + newID(), map[string]any{"kind": "answer", "question": "what", "phone_time": lesson,
			"offset_ms": 0}, "question"},
		{fern, "PUT", entries + newID(), map[string]any{"kind": "photo", "evidence": "photo-end", "refers": newID(),
			"phone_time": lesson, "offset_ms": 0}, "refers"},
		{fern, "PUT", entries + newID(), map[string]any{"kind": "observation", "text": strings.Repeat("a", 4001),
			"phone_time": lesson, "offset_ms": 0}, "text"},
		{fern, "PUT", entries + newID(), map[string]any{"kind": "observation", "text": "a",
			"phone_time": "1066-10-14T09:00:00Z", "offset_ms": 0}, "phone_time"},
		{fern, "PUT", fern.home + "/language", map[string]any{"language": "tlh"}, "language"},
		{sc.client(), "POST", "/session", map[string]any{"email": 5, "password": "x"}, "email"},
	} {
		a := c.who.do(c.method, c.path, c.body)
		p := a.problem()
		if a.status != 422 && a.status != 400 || a.header.Get("Content-Type") != "application/problem+json" ||
			p.Detail == "" {
			t.Errorf("%s %s %v: %d %s", c.method, c.path, c.body, a.status, a.body)
			continue
		}
		if c.field != "" && (!strings.HasSuffix(p.Field, c.field) || p.Rule == "" || p.Example == "") {
			t.Errorf(
				"%s %s: field %q, rule %q, example %q; want field %s",
				c.method,
				c.path,
				p.Field,
				p.Rule,
				p.Example,
				c.field,
			)
		}
	}
	if n := len(fern.sheet().Entries); n != 0 {
		t.Errorf("%d of the refused entries were stored", n)
	}
}

// What comes in with parts that nothing here reads is refused, and named.
func TestStrangeExperimentsAreRefused(t *testing.T) {
	teacher := newSite(t).teacher("t@school.example")
	for document, says := range map[string]string{
		`{"schema": 2, "title": {"en": "X"}, "glitter": 3}`:                                 "/glitter",
		`{"schema": 2, "title": {"en": "X"}, "evidence": [{"id": "hum", "kind": "audio"}]}`: "audio",
		`{"schema": 2, "title": {"en": "X"}, "questions": [{"id": "q", "kind": "essay"}]}`:  "essay",
	} {
		a := teacher.do("POST", "/experiments", `{"document": `+document+`}`)
		if a.status != 422 || !strings.Contains(a.problem().Detail, says) {
			t.Errorf("%s: %d %s", document, a.status, a.body)
		}
	}
	want[app.DraftView](teacher, "POST", "/experiments", `{"document": {"schema": 2, "title": {"en": "X"}}}`)
}

func TestRosterIsAllOrNothing(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	text := "nickname;language;phone\nBeck;es;0555 010 101\nFern;en;\nCairn;klingon;\nBeck;;"
	lines := want[app.RosterView](
		sc.teacher,
		"POST",
		sc.path("/roster"),
		map[string]any{"text": text, "try": true},
	).Items
	if len(lines) != 4 || lines[0].Problem != "" || lines[0].Home.Language != "es" || lines[0].Home.Letters != "Be" ||
		lines[0].Line != 2 {
		t.Fatalf("%+v", lines)
	}
	for i, says := range []string{1: "in the class already", 3: "line 2"} {
		if !strings.Contains(lines[i].Problem, says) {
			t.Errorf("line %d: %q, want %q in it", i+1, lines[i].Problem, says)
		}
	}
	sc.teacher.refused("POST", sc.path("/roster"), map[string]any{"text": text}, 422, "roster-problems")
	sc.teacher.refused("POST", sc.path("/roster"), map[string]any{"text": "\n \n"}, 422, "invalid")
	if n := len(want[api.List[app.HomeView]](sc.teacher, "GET", sc.path("/homes"), nil).Items); n != 1 {
		t.Errorf("%d homes after refused lists, want 1", n)
	}
}

// A file that is not a photo gets a clear sentence, and nothing is stored.
func TestBadPhotos(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	fern := sc.phone("Fern")
	sc.agree(fern)
	good := jpegOf(400, 300)
	for name, c := range map[string]struct {
		upload []byte
		status int
		code   string
	}{
		"text":      {[]byte("the dog ate it"), 422, "not-a-picture"},
		"heic":      {[]byte("\x00\x00\x00\x18ftypheic\x00\x00\x00\x00"), 422, "heic"},
		"truncated": {good[:len(good)/2], 422, "broken"},
		"too large": {bytes.Repeat([]byte{1}, media.MaxBytes+1), 413, "too-large"},
	} {
		id := newID()
		p := fern.refused("PUT", sc.homePath(fern, "/photos/"+id), c.upload, c.status, c.code)
		if len(p.Detail) < 30 {
			t.Errorf("%s: %q says too little", name, p.Detail)
		}
		fern.refused("GET", fern.home+"/photos/"+id+"/display", nil, 404, "not-found")
	}
	var rows int
	if err := sc.app.Store.Pool().QueryRow(t.Context(), `SELECT (SELECT count(*) FROM media) + (SELECT count(*)
		FROM media_bytes)`).Scan(&rows); err != nil ||
		rows != 0 {
		t.Errorf("%d rows half-stored, %v", rows, err)
	}
	id := newID()
	want[api.Done](fern, "PUT", sc.homePath(fern, "/photos/"+id), good)
	want[api.Done](fern, "PUT", sc.homePath(fern, "/photos/"+id), good)
	fern.refused("PUT", sc.homePath(fern, "/photos/"+id), jpegOf(10, 10), 409, "other-body")
	a := fern.do("GET", fern.home+"/photos/"+id+"/display", nil)
	if a.status != 200 || a.header.Get("Content-Type") != "image/jpeg" || !bytes.HasPrefix(a.body, []byte{0xFF, 0xD8}) {
		t.Errorf("%d %v", a.status, a.header)
	}
}

// The pages that work without script: they change nothing when read, and
// take a guardian's answer by form.
func TestPlainPages(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	link := sc.links["Fern"].Link
	token := link[strings.LastIndexByte(link, '/')+1:]
	get := func(path string) (int, string) {
		res, err := http.Get(sc.URL + path)
		if err != nil {
			t.Fatal(err)
		}
		defer res.Body.Close()
		var b bytes.Buffer
		b.ReadFrom(res.Body)
		return res.StatusCode, b.String()
	}
	status, page := get("/h/" + token + "?plain")
	for _, says := range []string{"tel:112", "0555 010 010", "Paper strips", "Scissors and pins cut",
		"First clear the table.", "Burn or scald", "not answered"} {
		if !strings.Contains(page, says) {
			t.Errorf("%d: the page does not say %q", status, says)
		}
	}
	if h := want[api.List[app.HomeView]](sc.teacher, "GET", sc.path("/homes"), nil).Items[0]; h.OpenedAt != nil {
		t.Error("reading a page counts as opening the link")
	}
	if status, _ := get("/h/nonsense?plain"); status != 404 {
		t.Errorf("a wrong link: %d", status)
	}
	sha := page[strings.Index(page, `name="text_sha" value="`)+len(`name="text_sha" value="`):]
	form := url.Values{
		"token":      {token},
		"assignment": {sc.as.ID.String()},
		"decision":   {"granted"},
		"guardian":   {"A. Fernsby"},
		"text_sha":   {sha[:strings.IndexByte(sha, '"')]},
	}
	res, err := http.PostForm(sc.URL+"/plain/permission", form)
	if err != nil || res.StatusCode != 200 {
		t.Fatalf("%v %v", res, err)
	}
	if s := sc.phone("Fern").sheet(); s.Permission.State != "granted" || s.Permission.Guardian != "A. Fernsby" ||
		s.Permission.Photos {
		t.Errorf("%+v", s.Permission)
	}
}
