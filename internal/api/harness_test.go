package api_test

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"image"
	"image/jpeg"
	"io"
	"log/slog"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/config"
	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/live"
	"patient-kitchen/internal/media"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/store/storetest"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// site is a server on a database of its own, with a clock that can be set.
type site struct {
	*httptest.Server
	t      testing.TB
	app    *app.App
	server *api.Server
	now    time.Time
	hub    *live.Hub
}

var lesson = time.Date(2027, 2, 2, 10, 40, 0, 0, time.UTC)

// newSite starts a server on a database of its own, so that its test runs beside
// others.
func newSite(t testing.TB) *site {
	if test, ok := t.(*testing.T); ok {
		if _, already := beside.LoadOrStore(test, true); !already {
			test.Parallel()
		}
	}
	return newSiteOn(t, storetest.URL(t), nil)
}

// beside are the tests that run in parallel already.
var beside sync.Map

// newSiteBehind starts a server behind proxies that it trusts.
func newSiteBehind(t testing.TB, p config.Proxies) *site {
	return newSiteOn(t, storetest.URL(t), nil, func(s *api.Server) { s.Proxy = p })
}

// newSiteOn starts a server on a database that another one may serve as well.
func newSiteOn(t testing.TB, url string, tracer pgx.QueryTracer, settings ...func(*api.Server)) *site {
	t.Helper()
	st, err := store.Open(context.Background(), url, store.Serving, store.Traced(tracer))
	if err != nil {
		t.Fatal(err)
	}
	s := &site{t: t, now: lesson}
	log := slog.New(slog.DiscardHandler)
	s.app = &app.App{
		Store:     st,
		Keys:      keys.NewRing([]config.Secret{{ID: "a", Key: bytes.Repeat([]byte{7}, 32)}}),
		Desk:      media.NewDesk(2),
		Recorder:  media.FindRecorder(),
		PublicURL: "http://kitchen.test",
		Now:       func() time.Time { return s.now },
		Log:       log,
	}
	s.hub = live.NewHub(st, log)
	ctx, cancel := context.WithCancel(context.Background())
	go s.hub.Run(ctx)
	s.server = &api.Server{App: s.app, Hub: s.hub, Log: log, Limit: 1 << 20}
	for _, set := range settings {
		set(s.server)
	}
	s.Server = httptest.NewServer(s.server.Routes())
	t.Cleanup(func() { cancel(); <-s.hub.Done(); s.Close(); st.Close() })
	return s
}

// client is one browser: a teacher's or a phone's.
type client struct {
	*http.Client
	s    *site
	home string
}

func (s *site) client() *client {
	jar, _ := cookiejar.New(nil)
	return &client{Client: &http.Client{Jar: jar, Timeout: 20 * time.Second}, s: s}
}

// answer is a response read to its end.
type answer struct {
	status int
	body   []byte
	header http.Header
}

func (a answer) problem() api.Problem {
	var p api.Problem
	_ = json.Unmarshal(a.body, &p)
	return p
}

func (c *client) do(method, path string, body any, headers ...string) answer {
	c.s.t.Helper()
	var reader io.Reader
	switch b := body.(type) {
	case nil:
	case []byte:
		reader = bytes.NewReader(b)
	case string:
		reader = strings.NewReader(b)
	default:
		raw, err := json.Marshal(b)
		if err != nil {
			c.s.t.Fatal(err)
		}
		reader = bytes.NewReader(raw)
	}
	if !strings.HasPrefix(path, "/print/") { // sheets for paper stand beside the API
		path = "/api/v1" + path
	}
	req, err := http.NewRequest(method, c.s.URL+path, reader)
	if err != nil {
		c.s.t.Fatal(err)
	}
	if reader != nil {
		req.Header.Set("Content-Type", "application/json")
	}
	for i := 0; i+1 < len(headers); i += 2 {
		req.Header.Set(headers[i], headers[i+1])
	}
	res, err := c.Do(req)
	if err != nil {
		c.s.t.Fatal(err)
	}
	defer res.Body.Close()
	raw, err := io.ReadAll(res.Body)
	if err != nil {
		c.s.t.Fatal(err)
	}
	return answer{res.StatusCode, raw, res.Header}
}

// want does a request that has to succeed and reads its answer.
func want[T any](c *client, method, path string, body any, headers ...string) T {
	c.s.t.Helper()
	a := c.do(method, path, body, headers...)
	var v T
	if a.status != 200 {
		c.s.t.Fatalf("%s %s: %d %s", method, path, a.status, a.body)
	}
	if err := json.Unmarshal(a.body, &v); err != nil {
		c.s.t.Fatalf("%s %s: %v in %s", method, path, err, a.body)
	}
	return v
}

// refused does a request that has to fail with a status and code.
func (c *client) refused(method, path string, body any, status int, code string, headers ...string) api.Problem {
	c.s.t.Helper()
	a := c.do(method, path, body, headers...)
	p := a.problem()
	if a.status != status || code != "" && p.Code != code || p.Detail == "" {
		c.s.t.Errorf("%s %s: %d %s, want %d %s", method, path, a.status, a.body, status, code)
	}
	return p
}

const password = "three plain words"

// hashed is the password of all teachers, at a cost that lets hundreds sign in.
var hashed = keys.Cost{Memory: 64, Passes: 1, Lanes: 1}.Hash(password)

// teacher makes an account and signs in.
func (s *site) teacher(email string) *client {
	s.t.Helper()
	t := store.Teacher{ID: store.NewID(), Email: email, Name: "Ms Tarrant", PasswordHash: hashed, CreatedAt: s.now}
	if err := s.app.Store.AddTeacher(context.Background(), t); err != nil {
		s.t.Fatal(err)
	}
	c := s.client()
	want[api.Me](c, "POST", "/session", map[string]string{"email": email, "password": password})
	return c
}

var classBody = map[string]any{
	"name":             "7M",
	"school":           "Stonechat Moor School",
	"zone":             "Europe/London",
	"language":         "en",
	"unit_system":      "metric",
	"emergency_number": "112",
	"poison_number":    "0555 010 010",
	"photo_days":       30,
	"keep_until":       "2027-07-31",
}

// school is a class with homes, the strips experiment issued to it, and the
// homes' links.
type school struct {
	*site
	teacher    *client
	class      app.ClassView
	homes      []app.HomeView
	links      map[string]app.Invitation
	experiment app.DraftView
	as         results.AssignmentView
}

func (s *site) school(email string, nicknames ...string) *school {
	s.t.Helper()
	sc := &school{site: s, teacher: s.teacher(email), links: map[string]app.Invitation{}}
	sc.class = want[app.ClassView](sc.teacher, "POST", "/classes", classBody)
	want[api.List[app.RosterLine]](
		sc.teacher,
		"POST",
		sc.path("/roster"),
		map[string]string{"text": strings.Join(nicknames, "\n")},
	)
	sc.homes = want[api.List[app.HomeView]](sc.teacher, "GET", sc.path("/homes"), nil).Items
	for _, i := range want[api.List[app.Invitation]](sc.teacher, "GET", sc.path("/invitations"), nil).Items {
		sc.links[i.Nickname] = i
	}
	sc.experiment = want[app.DraftView](
		sc.teacher,
		"POST",
		"/experiments",
		map[string]string{"example": "paper-strips"},
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
	return sc
}

func (sc *school) path(rest string) string { return "/classes/" + sc.class.ID.String() + rest }

func (sc *school) asPath(rest string) string {
	return sc.path("/assignments/" + sc.as.ID.String() + rest)
}

// phone opens a home's link.
func (sc *school) phone(nickname string) *client {
	sc.t.Helper()
	c := sc.client()
	link := sc.links[nickname].Link
	o := want[api.OpenedView](
		c,
		"POST",
		"/family/open",
		map[string]string{"link": link[strings.LastIndexByte(link, '/')+1:]},
	)
	c.home = "/home/" + o.Home.String()
	return c
}

func (c *client) sheet() sheets.Sheet {
	c.s.t.Helper()
	return want[app.Bundle](c, "GET", c.home, nil).Sheets[0]
}

// agree gives permission, with photos.
func (sc *school) agree(c *client) {
	sc.t.Helper()
	want[sheets.PermissionView](
		c,
		"POST",
		sc.homePath(c, "/permission"),
		map[string]any{
			"decision": "granted",
			"guardian": "A. Fernsby",
			"photos":   true,
			"text_sha": c.sheet().Permission.TextSha,
		},
	)
}

func (sc *school) homePath(c *client, rest string) string {
	return c.home + "/assignments/" + sc.as.ID.String() + rest
}

func reading(condition, at, typed string) map[string]any {
	return map[string]any{
		"kind":       "reading",
		"step":       "read-8",
		"reading":    "height",
		"condition":  condition,
		"time":       at,
		"trial":      1,
		"typed":      typed,
		"phone_time": lesson,
		"offset_ms":  0,
	}
}

func (sc *school) put(c *client, id string, body any) entries.EntryView {
	sc.t.Helper()
	return want[entries.EntryView](c, "PUT", sc.homePath(c, "/entries/"+id), body)
}

func (sc *school) results() results.Results {
	sc.t.Helper()
	return want[results.Results](sc.teacher, "GET", sc.asPath("/results"), nil)
}

func newID() string { return store.NewID().String() }

func jpegOf(w, h int) []byte {
	var b bytes.Buffer
	if err := jpeg.Encode(&b, image.NewRGBA(image.Rect(0, 0, w, h)), nil); err != nil {
		panic(fmt.Sprint(err))
	}
	return b.Bytes()
}
