package api_test

import (
	"encoding/json"
	"net/http"
	"net/url"
	"strings"
	"testing"
	"time"
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
	if took := time.Since(began); a.status != 503 || a.problem().Code != "database" || a.header.Get("Retry-After") == "" || took > 9*time.Second {
		t.Errorf("%d after %v, %s", a.status, took, a.body)
	}
	if a := sc.teacher.do("GET", "/classes", nil); a.status != 200 {
		t.Errorf("another table: %d %s", a.status, a.body)
	}
	_ = tx.Rollback(t.Context())
	sc.put(p, id, reading("towel", "8 min", "50 mm"))
}

// Whatever is refused is refused as a problem document, and the pages without
// script read their forms as strictly as the API.
func TestEveryRefusalIsAProblem(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	token := sc.links["Fern"].Link[strings.LastIndex(sc.links["Fern"].Link, "/")+1:]
	form := func(decision string) (*http.Response, error) {
		return http.PostForm(sc.URL+"/plain/permission", url.Values{"token": {token}, "assignment": {sc.as.ID.String()}, "decision": {decision}, "guardian": {strings.Repeat("x", 500)}})
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
		"a method that is not taken": {func() (*http.Response, error) { return request("PATCH", "/api/v1/session") }, 405},
		"no such route":              {func() (*http.Response, error) { return request("GET", "/api/v1/nothing") }, 404},
		"no such asset":              {func() (*http.Response, error) { return request("GET", "/assets/old.js") }, 404},
		"a stranger's sheet":         {func() (*http.Response, error) { return request("GET", "/print/classes/x/experiments/y/safety") }, 401},
		"an unknown decision":        {func() (*http.Response, error) { return form("perhaps") }, 422},
		"a guardian without end":     {func() (*http.Response, error) { return form("granted") }, 409},
	} {
		a, err := c.do()
		if err != nil {
			t.Fatal(err)
		}
		var p struct{ Status int }
		if err := json.NewDecoder(a.Body).Decode(&p); err != nil || a.StatusCode != c.status || p.Status != c.status || !strings.HasPrefix(a.Header.Get("Content-Type"), "application/problem+json") {
			t.Errorf("%s: %d, %+v, %s, %v", name, a.StatusCode, p, a.Header.Get("Content-Type"), err)
		}
		_ = a.Body.Close()
	}
}
