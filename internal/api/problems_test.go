package api_test

import (
	"encoding/json"
	"io"
	"net/http"
	"net/url"
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
)

// A database that does not answer is said so in seconds, and that it may be
// tried again; nothing is lost and nothing else hangs.
func TestADatabaseThatDoesNotAnswer(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	p := sc.phone("Fern")
	sc.agree(p)
	tx, err := sc.app.Store.Pool().Begin(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	if _, err := tx.Exec(t.Context(), `LOCK TABLE entry IN ACCESS EXCLUSIVE MODE`); err != nil {
		t.Fatal(err)
	}
	id := newID()
	began := time.Now()
	a := p.do("PUT", sc.homePath(p, "/entries/"+id), reading("towel", "8 min", "50 mm"))
	if took := time.Since(began); a.status != 503 || a.problem().Code != "database" ||
		a.header.Get("Retry-After") == "" ||
		took > 9*time.Second {
		t.Errorf("%d after %v, %s", a.status, took, a.body)
	}
	if a := sc.teacher.do("GET", "/classes", nil); a.status != 200 {
		t.Errorf("another table: %d %s", a.status, a.body)
	}
	_ = tx.Rollback(t.Context())
	sc.put(p, id, reading("towel", "8 min", "50 mm"))
}

// A full disk is said as such, by what watches the server and to whoever writes;
// the database pretends it for every write to a table.
func TestAFullDiskIsSaid(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern")
	p := sc.phone("Fern")
	sc.agree(p)
	for _, sql := range []string{
		`CREATE FUNCTION no_room() RETURNS event_trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'no room' USING ERRCODE = '53100'; END $$`,
		`CREATE FUNCTION no_room_here() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'no room' USING ERRCODE = '53100'; END $$`,
		`CREATE TRIGGER no_room BEFORE INSERT ON entry EXECUTE FUNCTION no_room_here()`,
		`CREATE EVENT TRIGGER no_room ON ddl_command_start WHEN TAG IN ('CREATE TABLE AS') EXECUTE FUNCTION no_room()`,
	} {
		if _, err := s.app.Store.Pool().Exec(t.Context(), sql); err != nil {
			t.Fatal(err)
		}
	}
	p.refused("PUT", sc.homePath(p, "/entries/"+newID()), reading("towel", "8 min", "50 mm"), 503, "disk-full")
	res, err := http.Get(s.URL + "/readyz")
	if err != nil {
		t.Fatal(err)
	}
	defer res.Body.Close()
	if said, _ := io.ReadAll(res.Body); res.StatusCode != 503 || !strings.Contains(string(said), `"disk-full"`) {
		t.Errorf("%d %s", res.StatusCode, said)
	}
	want[api.List[app.ClassView]](sc.teacher, "GET", "/classes", nil) // looking goes on
}

// A look writes nothing: the session's use is noted at most once in five
// minutes, and a session left alone for three days is over.
func TestALookWritesNothing(t *testing.T) {
	s := newSite(t)
	teacher := s.teacher("t@school.example")
	stored := func() (row string) {
		t.Helper()
		if err := s.app.Store.Pool().QueryRow(t.Context(), `SELECT xmin::text FROM sessions`).Scan(&row); err != nil {
			t.Fatal(err)
		}
		return row
	}
	look := func(status int) {
		t.Helper()
		if a := teacher.do("GET", "/classes", nil); a.status != status {
			t.Fatalf("%d %s", a.status, a.body)
		}
	}
	first := stored()
	for range 3 {
		s.now = s.now.Add(time.Minute)
		look(200)
	}
	if stored() != first {
		t.Error("a look wrote the session")
	}
	s.now = s.now.Add(3 * time.Minute)
	look(200)
	if stored() == first {
		t.Error("the session's use is not noted after six minutes")
	}
	s.now = s.now.Add(71 * time.Hour)
	look(200)
	s.now = s.now.Add(73 * time.Hour)
	look(401)
}

// Whatever is refused is refused as a problem document, and the pages without
// script read their forms as strictly as the API.
func TestEveryRefusalIsAProblem(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	token := sc.links["Fern"].Link[strings.LastIndex(sc.links["Fern"].Link, "/")+1:]
	form := func(decision string) (*http.Response, error) {
		return http.PostForm(
			sc.URL+"/plain/permission",
			url.Values{
				"token":      {token},
				"assignment": {sc.as.ID.String()},
				"decision":   {decision},
				"guardian":   {strings.Repeat("x", 500)},
			},
		)
	}
	request := func(method, path string) (*http.Response, error) {
		r, err := http.NewRequest(method, sc.URL+path, nil)
		if err != nil {
			t.Fatal(err)
		}
		return http.DefaultClient.Do(r)
	}
	for name, c := range map[string]struct {
		do     func() (*http.Response, error)
		status int
	}{
		"a method that is not taken": {func() (*http.Response, error) {
			return request("PATCH", "/api/v1/session")
		}, 405},
		"no such route": {func() (*http.Response, error) { return request("GET", "/api/v1/nothing") }, 404},
		"no such asset": {func() (*http.Response, error) { return request("GET", "/assets/old.js") }, 404},
		"a stranger's sheet": {func() (*http.Response, error) {
			return request("GET", "/print/classes/x/experiments/y/safety")
		}, 401},
		"an unknown decision":    {func() (*http.Response, error) { return form("perhaps") }, 422},
		"a guardian without end": {func() (*http.Response, error) { return form("granted") }, 409},
	} {
		a, err := c.do()
		if err != nil {
			t.Fatal(err)
		}
		var p struct{ Status int }
		if err := json.NewDecoder(a.Body).Decode(&p); err != nil || a.StatusCode != c.status || p.Status != c.status ||
			!strings.HasPrefix(a.Header.Get("Content-Type"), "application/problem+json") {
			t.Errorf("%s: %d, %+v, %s, %v", name, a.StatusCode, p, a.Header.Get("Content-Type"), err)
		}
		_ = a.Body.Close()
	}
}
