package api_test

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"io"
	"net/http"
	"net/http/cookiejar"
	"net/url"
	"slices"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/kitchen"
	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/config"
	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/store/storetest"
	"patient-kitchen/internal/view/results"
)

// A password has twelve signs or more and is neither among the commonest nor
// made of the teacher's own name.
func TestPasswordsThatAreRefused(t *testing.T) {
	s, made := newSite(t), 0
	for password, good := range map[string]bool{
		"":                      false,
		"elevensigns":           false,
		"password1234":          false, // a common one with figures
		"Password1234!":         false,
		"qwertyuiop12":          false,
		"passwordpassword":      false,
		"123456789012":          false,
		"aaaaaaaaaaaa":          false,
		"tarrant2027!":          false,
		"three plain words":     true,
		"snow on the moor":      true,
		"peat, heather, lichen": true,
		"contraseña de piedra":  true,
	} {
		made++
		_, err := s.app.AddTeacher(
			t.Context(),
			"tarrant"+strings.Repeat("x", made)+"@stonechat.example",
			"Ms Tarrant",
			password,
		)
		if (err == nil) != good {
			t.Errorf("%q: %v", password, err)
		}
	}
}

// Changing the password asks for the present one, counts wrong ones, and signs
// every other browser out, whose live page ends.
func TestChangingThePassword(t *testing.T) {
	s := newSite(t)
	here := s.teacher("t@school.example")
	there := s.client()
	signIn := func(c *client, password string) answer {
		return c.do(
			"POST",
			"/session",
			map[string]string{"email": "t@school.example", "password": password},
			"User-Agent",
			"Mozilla/5.0 (X11; Linux x86_64) Firefox/150.0",
		)
	}
	signIn(there, password)
	stream := events(t, there)
	await(t, stream, "refetch", 5*time.Second)

	list := want[api.List[api.SessionView]](here, "GET", "/sessions", nil).Items
	if len(list) != 2 ||
		!slices.ContainsFunc(
			list,
			func(v api.SessionView) bool { return !v.Here && v.Browser == "Firefox · Linux" && v.Seen != nil },
		) ||
		!slices.ContainsFunc(list, func(v api.SessionView) bool { return v.Here }) {
		t.Errorf("%+v", list)
	}
	here.refused(
		"PUT",
		"/session/password",
		map[string]string{"old": "not this one", "password": "another plain sentence"},
		422,
		"invalid",
	)
	here.refused("PUT", "/session/password", map[string]string{"old": password, "password": "short"}, 422, "invalid")
	want[api.Done](
		here,
		"PUT",
		"/session/password",
		map[string]string{"old": password, "password": "another plain sentence"},
	)
	ended(t, stream, 2*time.Second)
	there.refused("GET", "/classes", nil, 401, "sign-in")
	want[api.List[app.ClassView]](here, "GET", "/classes", nil)
	if a := signIn(there, password); a.status != 403 && a.status != 401 {
		t.Errorf("the old password: %d %s", a.status, a.body)
	}
	if a := signIn(there, "another plain sentence"); a.status != 200 {
		t.Fatalf("the new password: %d %s", a.status, a.body)
	}
	for _, v := range want[api.List[api.SessionView]](here, "GET", "/sessions", nil).Items {
		if v.Here {
			here.refused("DELETE", "/sessions/"+v.ID, nil, 404, "not-found") // its own stays
			continue
		}
		want[api.Done](here, "DELETE", "/sessions/"+v.ID, nil)
	}
	there.refused("GET", "/session", nil, 401, "sign-in")
	for range 12 {
		here.do(
			"PUT",
			"/session/password",
			map[string]string{"old": "a guess at the word", "password": "yet another sentence"},
		)
	}
	here.refused(
		"PUT",
		"/session/password",
		map[string]string{"old": "another plain sentence", "password": "yet another sentence"},
		429,
		"too-many-tries",
	)
	other := s.teacher("u@school.example")
	if items := want[api.List[api.SessionView]](other, "GET", "/sessions", nil).Items; len(items) != 1 {
		t.Errorf("another teacher sees %d sessions", len(items))
	}
}

// By HTTPS the cookies say so in their names, and browsers are told to stay with it.
func TestCookiesByHTTPS(t *testing.T) {
	s := newSiteOn(t, storetest.URL(t), nil, func(s *api.Server) { s.Secure = true })
	if _, err := s.app.AddTeacher(t.Context(), "t@school.example", "Ms T", password); err != nil {
		t.Fatal(err)
	}
	a := s.client().do("POST", "/session", map[string]string{"email": "t@school.example", "password": password})
	cookies := strings.Join(a.header.Values("Set-Cookie"), "\n")
	for _, says := range []string{"__Host-pk_session=", "__Secure-pk_known=", "Secure", "HttpOnly"} {
		if !strings.Contains(cookies, says) {
			t.Errorf("no %s in %s", says, cookies)
		}
	}
	if !strings.HasPrefix(a.header.Get("Strict-Transport-Security"), "max-age=") {
		t.Error("nothing tells the browser to stay with HTTPS")
	}
	if strings.Contains(cookies, "Domain=") {
		t.Errorf("a cookie with __Host- has no domain: %s", cookies)
	}
	plain := newSite(t)
	jar, _ := cookiejar.New(nil)
	c := &client{Client: &http.Client{Jar: jar}, s: plain}
	if _, err := plain.app.AddTeacher(t.Context(), "t@school.example", "Ms T", password); err != nil {
		t.Fatal(err)
	}
	a = c.do("POST", "/session", map[string]string{"email": "t@school.example", "password": password})
	u, _ := url.Parse(plain.URL)
	if a.header.Get("Strict-Transport-Security") != "" || len(jar.Cookies(u)) == 0 ||
		jar.Cookies(u)[0].Name != "pk_session" {
		t.Errorf("without HTTPS: %v, %v", a.header, jar.Cookies(u))
	}
}

// A class goes with all its ways in, comes back as it was, is announced before
// it is erased, and is erased in the end.
func TestDeletingAClass(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern")
	fern := sc.phone("Fern")
	sc.agree(fern)
	sc.put(fern, newID(), reading("towel", "8 min", "82 mm"))
	if items := want[api.List[app.LeavingView]](sc.teacher, "GET", "/leaving", nil).Items; len(items) != 0 {
		t.Errorf("nothing leaves yet: %+v", items)
	}
	want[api.Done](sc.teacher, "DELETE", sc.path(""), nil)
	sc.teacher.refused("GET", sc.path(""), nil, 404, "not-found")
	fern.refused("GET", fern.home, nil, 401, "open-link")
	fern.refused("PUT", sc.homePath(fern, "/entries/"+newID()), reading("towel", "4 min", "60 mm"), 401, "open-link")
	if items := want[api.List[app.ClassView]](sc.teacher, "GET", "/deleted-classes", nil).Items; len(items) != 1 ||
		items[0].Name != "7M" ||
		items[0].Homes != 1 {
		t.Errorf("%+v", items)
	}
	other := s.teacher("u@school.example")
	other.refused("POST", sc.path("/restore"), nil, 404, "not-found")
	other.refused("DELETE", sc.path(""), nil, 404, "not-found")
	want[api.Done](sc.teacher, "POST", sc.path("/restore"), nil)
	if r := sc.results(); r.Counted != 1 {
		t.Errorf("%d homes count after it came back", r.Counted)
	}
	want[app.Bundle](fern, "GET", fern.home, nil)

	want[api.Done](sc.teacher, "DELETE", sc.path(""), nil)
	s.now = lesson.AddDate(0, 0, 25)
	sc.teacher = s.client()
	want[api.Me](sc.teacher, "POST", "/session", map[string]string{"email": "t@school.example", "password": password})
	if items := want[api.List[app.LeavingView]](sc.teacher, "GET", "/leaving", nil).Items; len(items) != 1 ||
		items[0].What != "class" ||
		items[0].N != 1 ||
		items[0].Day != "2027-03-04" {
		t.Errorf("a week before it says %+v", items)
	}
	s.now = lesson.AddDate(0, 0, 31)
	if gone, err := s.app.Forget(t.Context()); err != nil || gone.Homes != 1 {
		t.Errorf("%+v %v", gone, err)
	}
	var left int
	if err := s.app.Store.Pool().QueryRow(t.Context(), `SELECT (SELECT count(*) FROM entry) + (SELECT count(*)
		FROM student)`).Scan(&left); err != nil ||
		left != 0 {
		t.Errorf("%d left, %v", left, err)
	}
}

// What leaves with the class can be read without us: each file stands in the
// manifest with its sum, nothing of a home's own facts, telephone or way in does.
func TestArchiveOfAClass(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern", "Moss")
	fern, moss := sc.phone("Fern"), sc.phone("Moss")
	sc.agree(fern)
	sc.agree(moss)
	photo := newID()
	fern.do("PUT", sc.homePath(fern, "/photos/"+photo), jpegOf(40, 30), "Content-Type", "image/jpeg")
	sc.put(
		fern,
		newID(),
		map[string]any{"kind": "photo", "evidence": "photo-end", "refers": photo, "phone_time": lesson, "offset_ms": 0},
	)
	sc.put(fern, newID(), reading("towel", "8 min", "82 mm"))
	drawn := newID()
	sc.put(moss, drawn, map[string]any{
		"kind": "observation", "evidence": "photo-end",
		"value":      map[string]any{"strokes": []string{"100,200 140,260", "500,500"}},
		"phone_time": lesson, "offset_ms": 0,
	})
	sc.put(moss, newID(), reading("towel", "8 min", "=HYPERLINK(1)"))
	want[api.Done](fern, "PUT", fern.home+"/kitchen", map[string]any{
		"things": map[string]string{"table-salt": "have"}, "own": map[string]string{"teaspoon": "58 g"},
		"facts": map[string]string{"under-4": "yes"},
		"hours": map[string]any{"weekdays": map[string]int{"from": 16, "to": 20}},
	})
	// The same version goes out a second time, on the same day.
	want[api.Done](sc.teacher, "POST", sc.asPath("/recall"), map[string]string{"reason": "The wrong day."})
	want[results.AssignmentView](
		sc.teacher,
		"POST",
		sc.path("/assignments"),
		map[string]any{"experiment": sc.experiment.ID, "opens_at": lesson, "due_at": lesson.Add(48 * time.Hour)},
	)
	a := sc.teacher.do("GET", sc.path("/archive.zip"), nil)
	z, err := zip.NewReader(bytes.NewReader(a.body), int64(len(a.body)))
	if a.status != 200 || err != nil {
		t.Fatalf("%d %v", a.status, err)
	}
	files := map[string]string{}
	for _, f := range z.File {
		if _, twice := files[f.Name]; twice {
			t.Errorf("%s stands in it twice", f.Name)
		}
		r, err := f.Open()
		if err != nil {
			t.Fatal(err)
		}
		raw, _ := io.ReadAll(r)
		files[f.Name] = string(raw)
	}
	var manifest struct {
		Files []struct {
			Path   string
			Bytes  int
			Sha256 string
		}
	}
	if err := json.Unmarshal([]byte(files["manifest.json"]), &manifest); err != nil ||
		len(manifest.Files) != len(files)-1 {
		t.Fatalf("%v: %d of %d files in the manifest", err, len(manifest.Files), len(files)-1)
	}
	for _, f := range manifest.Files {
		if len(files[f.Path]) != f.Bytes || len(f.Sha256) != 64 {
			t.Errorf("%+v, and %d bytes", f, len(files[f.Path]))
		}
	}
	dir := "2027-02-02-paper-strips-version-1/"
	if files["2027-02-02-paper-strips-version-1-again-2/experiment.json"] == "" {
		t.Errorf("the second time is missing: %+v", manifest.Files)
	}
	for name, says := range map[string]string{"class.json": "Stonechat Moor School", "homes.json": "Fern",
		dir + "experiment.json": `"schema"`, dir + "readings.csv": "82", dir + "entries.json": `"typed": "82 mm"`,
		dir + "answers.csv": "question_text", dir + "observations.csv": "evidence", dir + "results.csv": "give_or_take",
		dir + "tables.xlsx": "PK", dir + "results.json": `"findings"`, dir + "permissions.json": `"granted"`,
		dir + "incidents.json": "[]", dir + "readings.json": `"kind": "quantity"`} {
		if !strings.Contains(files[name], says) {
			t.Errorf("%s lacks %s: %.200s", name, says, files[name])
		}
	}
	if svg := files[dir+"drawings/moss-photo-end-"+drawn[24:]+".svg"]; !strings.Contains(svg,
		"M100,200 L140,260 M500,500") {
		var names []string
		for name := range files {
			names = append(names, name)
		}
		t.Errorf("the drawing: %q of %q", svg, names)
	}
	if k := files["kitchens.json"]; !strings.Contains(k, `"teaspoon": "58 g"`) || strings.Contains(k, "under") ||
		strings.Contains(k, "hours") {
		t.Errorf("kitchens.json: %s", k)
	}
	if _, err := kitchen.Read([]byte(files["kitchens.json"])); err != nil {
		t.Errorf("kitchens.json is not read again: %v", err)
	}
	if !slices.ContainsFunc(manifest.Files, func(f struct {
		Path   string
		Bytes  int
		Sha256 string
	}) bool {
		return strings.HasPrefix(f.Path, dir+"photos/fern-photo-end-")
	}) {
		t.Errorf("no photo in %+v", manifest.Files)
	}
	all := string(a.body) + strings.Join(slices.Collect(func(yield func(string) bool) {
		for _, raw := range files {
			if !yield(raw) {
				return
			}
		}
	}), "")
	for _, secret := range []string{sc.links["Fern"].Code, sc.links["Fern"].Link, "token"} {
		if strings.Contains(all, secret) {
			t.Errorf("%q leaves with the class", secret)
		}
	}
}

// What a teacher did to a class or home can be read by that teacher alone.
func TestAuditCanBeRead(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern", "Moss")
	fern := sc.homes[0].ID.String()
	want[app.Invitation](sc.teacher, "POST", sc.path("/homes/"+fern+"/link"), nil)
	want[api.Done](sc.teacher, "POST", sc.asPath("/recall"), map[string]string{"reason": "The dishes tip over."})
	home := want[api.List[app.AuditView]](sc.teacher, "GET", sc.path("/homes/"+fern+"/audit"), nil).Items
	if len(home) != 1 || home[0].Done != "New link and code given" {
		t.Errorf("%+v", home)
	}
	var done []string
	for _, v := range want[api.List[app.AuditView]](sc.teacher, "GET", sc.path("/audit"), nil).Items {
		done = append(done, v.Done)
	}
	if got := strings.Join(done, "; "); !strings.HasPrefix(
		got,
		"Recalled: The dishes tip over.; New link and code given; Issued ",
	) {
		t.Errorf("%s", got)
	}
	s.teacher("u@school.example").refused("GET", sc.path("/audit"), nil, 404, "not-found")
}

// When a secret is taken away its links open nothing; they are listed as lost,
// not as a fault, and a new one helps.
func TestLinksOfALostSecret(t *testing.T) {
	url := storetest.URL(t)
	s := newSiteOn(t, url, nil)
	sc := s.school("t@school.example", "Fern", "Moss")
	s.app.Keys = keys.NewRing([]config.Secret{{ID: "b", Key: bytes.Repeat([]byte{8}, 32)}})
	list := want[api.List[app.Invitation]](sc.teacher, "GET", sc.path("/invitations"), nil).Items
	if len(list) != 2 || !list[0].Lost || list[0].Link != "" || list[0].Nickname != "Fern" {
		t.Errorf("%+v", list)
	}
	made := want[app.Invitation](sc.teacher, "POST", sc.path("/homes/"+sc.homes[0].ID.String()+"/link"), nil)
	sc.links["Fern"] = made
	sc.phone("Fern")
	if list = want[api.List[app.Invitation]](sc.teacher, "GET", sc.path("/invitations"), nil).Items; list[0].Lost ||
		!list[1].Lost {
		t.Errorf("%+v", list)
	}
}
