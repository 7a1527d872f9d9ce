package api_test

import (
	"net/http"
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/store/storetest"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/results"
)

// A phone that has its page is told so by one look at the database; whatever
// changes the page, by whoever's hand or by the hour, gives it the page anew.
func TestPageIsSentOnlyWhenItChanged(t *testing.T) {
	count := &counter{}
	s := newSiteOn(t, storetest.URL(t), count)
	sc := s.school("t@school.example", "Fern", "Moss")
	fern, other, moss := sc.phone("Fern"), sc.phone("Fern"), sc.phone("Moss")
	home := sc.homes[0]
	sc.agree(moss)
	tag := ""
	look := func() int {
		t.Helper()
		a := fern.do("GET", fern.home, nil, "If-None-Match", tag)
		now, err := time.Parse(time.RFC3339, a.header.Get("Server-Time"))
		if err != nil || !now.Equal(s.now) {
			t.Errorf("the server's clock is %q: %v", a.header.Get("Server-Time"), err)
		}
		if a.status == http.StatusNotModified && len(a.body) > 0 {
			t.Errorf("%d bytes with nothing new", len(a.body))
		}
		tag = a.header.Get("ETag")
		return a.status
	}
	if look() != 200 {
		t.Fatal("the first look has to give the page")
	}
	before := count.n.Load()
	if look() != 304 || count.n.Load()-before != 1 {
		t.Errorf("nothing changed, and it took %d queries", count.n.Load()-before)
	}
	tag = "W/" + tag
	if look() != 304 {
		t.Error("a proxy's weak tag is not known")
	}
	sc.put(moss, newID(), reading("towel", "1 min", "17 mm"))
	if look() != 304 {
		t.Error("another home's entry is no news for this one")
	}
	changedClass := func(field string, value any) map[string]any {
		body := map[string]any{}
		for k, v := range classBody {
			body[k] = v
		}
		body[field] = value
		return body
	}
	for _, c := range []struct {
		what   string
		change func()
	}{
		{"an answer of the guardian", func() { sc.agree(other) }},
		{"an entry from the other phone", func() { sc.put(other, newID(), reading("towel", "8 min", "82 mm")) }},
		{"a reading of the teacher's", func() {
			want[entries.EntryView](sc.teacher, "PUT", sc.asPath("/shared/"+newID()),
				reading("towel", "1 min", "17 mm"))
		}},
		{"a question at the desk", func() {
			n := want[results.NotebookView](sc.teacher, "GET", sc.asPath("/notebooks/"+home.ID.String()), nil)
			want[api.Done](sc.teacher, "POST", sc.asPath("/notebooks/"+home.ID.String()+"/desk"),
				map[string]any{"kind": "asked", "refers": n.Lines[0].ID, "text": "Is it 82?"})
		}},
		{"another name of the class", func() {
			want[app.ClassView](sc.teacher, "PUT", sc.path(""), changedClass("name", "7N"), "If-Match", "1")
		}},
		{"the students", func() {
			want[app.HomeView](sc.teacher, "PUT", sc.path("/homes/"+home.ID.String()),
				map[string]any{"nickname": "Fern", "language": "en", "students": []string{"Robin"}}, "If-Match", "1")
		}},
		{"the language", func() {
			want[api.Done](other, "PUT", other.home+"/language", map[string]string{"language": "es"})
		}},
		{"the hour at which it is over", func() { s.now = lesson.Add(25 * time.Hour) }},
		{"recall", func() {
			want[api.Done](sc.teacher, "POST", sc.asPath("/recall"),
				map[string]string{"reason": "The dishes tip over."})
		}},
		{"another experiment", func() {
			made := want[app.DraftView](sc.teacher, "POST", "/experiments",
				map[string]string{"example": "thirsty-beans"})
			want[results.AssignmentView](sc.teacher, "POST", sc.path("/assignments"),
				map[string]any{"experiment": made.ID, "opens_at": s.now.Add(time.Hour),
					"due_at": s.now.Add(24 * time.Hour)})
		}},
		{"the hour at which it opens", func() { s.now = s.now.Add(2 * time.Hour) }},
	} {
		if look() != 304 {
			t.Fatalf("before %s something had changed", c.what)
		}
		c.change()
		if look() != 200 {
			t.Errorf("%s does not reach the phone", c.what)
		}
	}
	want[app.Invitation](sc.teacher, "POST", sc.path("/homes/"+home.ID.String()+"/link"), nil)
	fern.refused("GET", fern.home, nil, http.StatusGone, "replaced-link", "If-None-Match", tag)
}

// The class page asks for what changed: rows that it has are named, not sent.
func TestClassPageTakesWhatChanged(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern", "Moss", "Heron")
	fern := sc.phone("Fern")
	sc.agree(fern)
	whole := sc.results()
	var had []string
	for _, h := range whole.Homes {
		had = append(had, h.Tag)
	}
	again := func() results.Results {
		return want[results.Results](sc.teacher, "GET", sc.asPath("/results?had="+strings.Join(had, ",")), nil)
	}
	for i, h := range again().Homes {
		if !h.Had || h.Tag != had[i] || h.Home != nil || len(h.Cells) > 0 {
			t.Errorf("nothing changed, and %+v was sent", h)
		}
	}
	sc.put(fern, newID(), reading("towel", "8 min", "82 mm"))
	for i, h := range again().Homes {
		if changed := whole.Homes[i].Nickname == "Fern"; h.Had == changed ||
			changed && (h.Nickname != "Fern" || len(h.Cells) == 0) {
			t.Errorf("%s: %+v", whole.Homes[i].Nickname, h)
		}
	}
}

// While a newer program has added columns already, an older one goes on.
func TestNewerColumnsDoNoHarm(t *testing.T) {
	s := newSite(t)
	for _, sql := range []string{`DO $$ DECLARE r record; BEGIN
		FOR r IN SELECT table_name FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE' AND table_name NOT IN ('goose_db_version') LOOP
			EXECUTE format('ALTER TABLE %I ADD COLUMN a_later_one text', r.table_name);
		END LOOP; END $$`} {
		if _, err := s.app.Store.Pool().Exec(t.Context(), sql); err != nil {
			t.Fatal(err)
		}
	}
	sc := s.school("t@school.example", "Fern")
	fern := sc.phone("Fern")
	sc.agree(fern)
	sc.put(fern, newID(), reading("towel", "8 min", "82 mm"))
	fern.do("PUT", sc.homePath(fern, "/photos/"+newID()), jpegOf(8, 8))
	fern.do("PUT", fern.home+"/incidents/"+newID(), map[string]any{"door": "spilled", "phone_time": lesson})
	for _, path := range []string{"/session", "/sessions", "/classes", "/assignments", "/incidents", "/experiments",
		"/larder", "/leaving", "/deleted-classes", sc.path(""), sc.path("/homes"), sc.path("/invitations"),
		sc.path("/audit"), sc.path("/archive.zip"),
		sc.asPath("/results"), sc.asPath("/notebooks/" + sc.homes[0].ID.String()), sc.asPath("/export.csv"),
		"/experiments/" + sc.experiment.ID.String(), "/experiments/" + sc.experiment.ID.String() + "/assessment"} {
		if a := sc.teacher.do("GET", path, nil); a.status != 200 {
			t.Errorf("%s: %d %s", path, a.status, a.body)
		}
	}
	if _, err := s.app.Forget(t.Context()); err != nil {
		t.Error(err)
	}
}
