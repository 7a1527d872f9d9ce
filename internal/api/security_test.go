package api_test

import (
	"net/http"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/go-chi/chi/v5"
	"github.com/google/uuid"

	"patient-kitchen/internal/api"
)

// open are the routes that answer a stranger: pages, their files, and the
// ways in. Everything else has to refuse.
var open = []string{
	"GET /healthz", "GET /readyz", "GET /", "GET /sign-in", "GET /today", "GET /experiments", "GET /experiments/*",
	"GET /workbench", "GET /larder", "GET /classes", "GET /classes/*", "GET /account", "GET /help", "GET /parts",
	"GET /h/{token}", "GET /home/{home}", "GET /code",
	"GET /practice/{experiment}", "GET /assets/*", "GET /sw.js", "GET /pages.js", "GET /manifest.webmanifest", "GET /icon.svg",
	"GET /notices.txt", "GET /api/v1/openapi.json",
	"POST /plain/permission", "POST /api/v1/session", "DELETE /api/v1/session", "POST /api/v1/family/open",
}

// listsOwn are routes without an id in them: a stranger who is signed in gets
// his own things there, which hold nothing of this school.
var listsOwn = []string{
	"GET /api/v1/session",
	"GET /api/v1/classes",
	"POST /api/v1/classes",
	"GET /api/v1/experiments",
	"POST /api/v1/experiments",
	"POST /api/v1/experiment-files",
	"GET /api/v1/assignments",
	"GET /api/v1/incidents",
	"GET /api/v1/late-changes",
	"GET /api/v1/actions",
	"POST /api/v1/preview/formula",
	"GET /api/v1/models",
	"POST /api/v1/models/{model}",
	"GET /api/v1/live",
	"GET /api/v1/sessions",
	"DELETE /api/v1/sessions",
	"PUT /api/v1/session/password",
	"GET /api/v1/leaving",
	"GET /api/v1/deleted-classes",
	"POST /api/v1/preview/mend",
	"POST /api/v1/preview/run-sheet",
	"POST /api/v1/preview/thing",
	"POST /api/v1/preview/review",
	"POST /api/v1/preview/choose",
	"POST /api/v1/preview/sentence",
	"POST /api/v1/preview/take",
	"POST /api/v1/preview/lanes",
	"POST /api/v1/preview/note",
	"POST /api/v1/preview/unfold",
	"PUT /api/v1/larder/own-swaps/{swap}",
	"DELETE /api/v1/larder/own-swaps/{swap}",
	"POST /api/v1/preview/swaps",
	"GET /api/v1/larder",
	"GET /api/v1/larder/find",
	"GET /api/v1/larder/things/{thing}",
	"POST /api/v1/larder/own",
	"PUT /api/v1/larder/own/{thing}",
	"DELETE /api/v1/larder/own/{thing}",
	"GET /api/v1/larder/own.json",
	"GET /api/v1/larder/own.csv",
	"GET /api/v1/larder/own-swaps.csv",
}

// bodies that pass the description, so that a refusal is about who asks.
func bodyFor(sc *school, method, pattern string) any {
	switch {
	case method == "GET" || method == "DELETE":
		return nil
	case strings.HasSuffix(pattern, "/recordings/{recording}"):
		return []byte("RIFF")
	case strings.HasSuffix(pattern, "/experiment-files"):
		return []byte(`{"schema": 1}`)
	case strings.HasSuffix(pattern, "/photos/{photo}"), strings.HasSuffix(pattern, "/pictures"):
		return jpegOf(8, 8)
	case strings.HasSuffix(pattern, "/entries/{entry}"), strings.HasSuffix(pattern, "/shared/{entry}"):
		return reading("towel", "8 min", "50 mm")
	case strings.HasSuffix(pattern, "/permission"):
		return map[string]any{"decision": "withdrawn", "text_sha": ""}
	case strings.HasSuffix(pattern, "/incidents/{incident}"):
		return map[string]any{"door": "hurt", "phone_time": lesson}
	case strings.HasSuffix(pattern, "/language"):
		return map[string]any{"language": "es"}
	case strings.HasSuffix(pattern, "/roster"):
		return map[string]any{"text": "Intruder"}
	case strings.HasSuffix(pattern, "/classes/{class}/copy"):
		return map[string]any{"name": "8M"}
	case strings.HasSuffix(pattern, "/move"):
		return map[string]any{"to": sc.class.ID}
	case strings.HasSuffix(pattern, "/homes/change"):
		return map[string]any{"homes": []string{sc.homes[0].ID.String()}, "change": "take-out"}
	case strings.HasSuffix(pattern, "/homes"), strings.HasSuffix(pattern, "/homes/{home}"):
		return map[string]any{"nickname": "Intruder"}
	case strings.HasSuffix(pattern, "/assessment"):
		return map[string]string{"by": "Intruder", "on": lesson.Format(time.DateOnly), "about": "nothing"}
	case strings.HasSuffix(pattern, "/desk"):
		return map[string]string{"kind": "vouched", "step": "cut", "reason": "Grandma told me that she was there"}
	case strings.HasSuffix(pattern, "/kitchen"):
		return map[string]any{"things": map[string]string{}}
	case strings.HasSuffix(pattern, "/experiments/{experiment}/kitchens"):
		return map[string]any{"text": "home,water"}
	case strings.HasSuffix(pattern, "/due"):
		return map[string]any{"due_at": lesson.AddDate(0, 0, 2)}
	case strings.HasSuffix(pattern, "/messages"):
		return map[string]any{"kind": "invitation", "about": sc.as.ID}
	case strings.HasSuffix(pattern, "/pins"):
		return map[string]any{"homes": []string{newID()}, "need": "water", "use": "water-rain"}
	case strings.HasSuffix(pattern, "/recall"):
		return map[string]any{"reason": "because"}
	case strings.HasSuffix(pattern, "/assignments"):
		return map[string]any{"experiment": sc.experiment.ID, "opens_at": lesson, "due_at": lesson.AddDate(0, 0, 1)}
	case strings.HasSuffix(pattern, "/classes/{class}"):
		return classBody
	case strings.HasSuffix(pattern, "/experiments/{experiment}"):
		return map[string]any{"document": map[string]any{"schema": 1}}
	}
	return map[string]any{}
}

// Every route of the router × every stranger: nobody, a teacher of another
// class, a phone of another home in the class, a phone of another class. A
// route that is added later is in the matrix by itself.
func TestStrangersAreRefused(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern", "Beck")
	fern, beck := sc.phone("Fern"), sc.phone("Beck")
	sc.agree(fern)
	sc.agree(beck)
	entry, photo, incident := newID(), newID(), newID()
	sc.put(fern, entry, reading("towel", "8 min", "50 mm"))
	fern.do("PUT", sc.homePath(fern, "/photos/"+photo), jpegOf(8, 8))
	fern.do("PUT", fern.home+"/incidents/"+incident, map[string]any{"door": "spilled", "phone_time": lesson})
	other := s.school("u@school.example", "Moss")
	strangers := map[string]*client{
		"nobody":                     s.client(),
		"a teacher of another class": other.teacher,
		"a phone of another home":    beck,
		"a phone of another class":   other.phone("Moss"),
	}

	fill := strings.NewReplacer(
		"{class}",
		sc.class.ID.String(),
		"{home}",
		strings.TrimPrefix(fern.home, "/home/"),
		"{assignment}",
		sc.as.ID.String(),
		"{experiment}",
		sc.experiment.ID.String(),
		"{number}",
		"1",
		"{entry}",
		entry,
		"{photo}",
		photo,
		"{recording}",
		photo,
		"{picture}",
		strings.Repeat("ab", 32),
		"{incident}",
		incident,
		"{size}",
		"display",
		"{model}",
		"pendulum",
		"{thing}",
		"vinegar-white",
		"{swap}",
		"our-swap",
		"{sheet}",
		"safety",
		"{session}",
		want[api.List[api.SessionView]](sc.teacher, "GET", "/sessions", nil).Items[0].ID,
	)
	before := snapshot(t, sc)
	routes := 0
	err := chi.Walk(
		s.server.Router(),
		func(method, pattern string, _ http.Handler, _ ...func(http.Handler) http.Handler) error {
			route := method + " " + pattern
			if slices.Contains(open, route) {
				return nil
			}
			if !strings.HasPrefix(pattern, "/api/v1/") && !strings.HasPrefix(pattern, "/print/") {
				t.Errorf("%s is neither open, nor below /api/v1, nor for paper", route)
				return nil
			}
			routes++
			path := fill.Replace(strings.TrimPrefix(pattern, "/api/v1"))
			if strings.ContainsAny(path, "{}") {
				t.Errorf("%s: the test does not know what to put into %s", route, path)
			}
			for name, who := range strangers {
				if slices.Contains(listsOwn, route) {
					if name == "a teacher of another class" {
						continue
					}
				}
				a := who.do(method, path, bodyFor(sc, method, pattern), "If-Match", "1")
				if a.status != 401 && a.status != 403 && a.status != 404 {
					t.Errorf("%s by %s: %d %.200s", route, name, a.status, a.body)
				}
			}
			return nil
		},
	)
	if err != nil {
		t.Fatal(err)
	}
	if routes < 40 {
		t.Errorf("only %d routes were walked", routes)
	}
	if after := snapshot(t, sc); after != before {
		t.Errorf("a stranger changed something:\n%s\n%s", before, after)
	}
	for _, path := range []string{"/classes", "/experiments", "/assignments", "/incidents", "/late-changes"} {
		if a := other.teacher.do("GET", path, nil); strings.Contains(string(a.body), sc.class.ID.String()) ||
			strings.Contains(string(a.body), sc.experiment.ID.String()) ||
			strings.Contains(string(a.body), "Fern") {
			t.Errorf("%s of another teacher holds something of this school: %s", path, a.body)
		}
	}
}

// snapshot is what a stranger might have changed.
func snapshot(t *testing.T, sc *school) string {
	t.Helper()
	var s string
	if err := sc.app.Store.Pool().QueryRow(t.Context(), `SELECT concat_ws('|',
		(SELECT string_agg(nickname || language || generation || version, ',' ORDER BY id) FROM home
			WHERE class_id = $1),
		(SELECT count(*) FROM entry WHERE class_id = $1), (SELECT count(*) FROM media
			WHERE class_id = $1), (SELECT count(*) FROM permission_event WHERE class_id = $1),
		(SELECT count(*) FROM assignment WHERE class_id = $1
			AND recalled_at IS NULL), (SELECT string_agg(door || outcome, ',') FROM incident WHERE class_id = $1),
		(SELECT name || version FROM class WHERE id = $1), (SELECT title::text || version FROM experiment
			WHERE id = $2))`, sc.class.ID, sc.experiment.ID).Scan(&s); err != nil {
		t.Fatal(err)
	}
	return s
}

// Every route that changes something refuses a request another site started.
func TestCrossSiteRequestsAreRefused(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	n := 0
	_ = chi.Walk(
		sc.server.Router(),
		func(method, pattern string, _ http.Handler, _ ...func(http.Handler) http.Handler) error {
			if method == "GET" || method == "HEAD" || method == "OPTIONS" {
				return nil
			}
			n++
			path := strings.NewReplacer("{class}", sc.class.ID.String(), "{experiment}", sc.experiment.ID.String()).
				Replace(pattern)
			for strings.Contains(path, "{") {
				a, b := strings.IndexByte(path, '{'), strings.IndexByte(path, '}')
				path = path[:a] + uuid.NewString() + path[b+1:]
			}
			req, _ := http.NewRequest(method, sc.URL+path, strings.NewReader("{}"))
			req.Header.Set("Content-Type", "application/json")
			req.Header.Set("Origin", "https://elsewhere.example")
			req.Header.Set("Sec-Fetch-Site", "cross-site")
			res, err := sc.teacher.Do(req)
			if err != nil {
				t.Fatal(err)
			}
			res.Body.Close()
			if res.StatusCode != 403 {
				t.Errorf("%s %s from another site: %d", method, pattern, res.StatusCode)
			}
			return nil
		},
	)
	if n < 20 {
		t.Errorf("only %d changing routes", n)
	}
}

func TestHeadersAndCookies(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	res, err := http.Get(sc.URL + "/code")
	if err != nil {
		t.Fatal(err)
	}
	res.Body.Close()
	policy := res.Header.Get("Content-Security-Policy")
	if !strings.Contains(policy, "script-src 'self' 'wasm-unsafe-eval';") ||
		!strings.Contains(policy, "default-src 'none'") ||
		res.Header.Get("Referrer-Policy") != "no-referrer" {
		t.Errorf("%v", res.Header)
	}
	a := sc.client().
		do("POST", "/family/open",
			map[string]string{"link": sc.links["Fern"].Link[strings.LastIndexByte(sc.links["Fern"].Link, '/')+1:]})
	cookie := a.header.Get("Set-Cookie")
	if !strings.Contains(cookie, "HttpOnly") ||
		!strings.Contains(cookie, "Path=/api/v1/home/"+sc.homes[0].ID.String()) ||
		!strings.Contains(cookie, "SameSite=Lax") {
		t.Errorf("the phone's cookie: %s", cookie)
	}
	// What is stored of a token, link or session is not the thing itself.
	var stored string
	if err := sc.app.Store.Pool().QueryRow(t.Context(), `SELECT concat((SELECT string_agg(encode(token_hash, 'escape'),
		' ') FROM home_device), (SELECT string_agg(encode(lookup, 'escape'), ' ')
		FROM link), (SELECT string_agg(token, ' ') FROM sessions), (SELECT string_agg(password_hash, ' ')
		FROM teacher))`).Scan(&stored); err != nil {
		t.Fatal(err)
	}
	_, token, _ := strings.Cut(strings.SplitN(strings.TrimPrefix(cookie, "pk_home="), ";", 2)[0], ".")
	for name, secret := range map[string]string{"token": token,
		"link": sc.links["Fern"].Link[len("http://kitchen.test/h/"):], "code": strings.ReplaceAll(sc.links["Fern"].Code,
			"-", ""), "password": password} {
		if strings.Contains(stored, secret) {
			t.Errorf("the %s is stored as it is", name)
		}
	}
}
