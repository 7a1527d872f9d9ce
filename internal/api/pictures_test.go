package api_test

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"io"
	"slices"
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/results"
)

// brought gives a picture to an experiment.
func (c *client) brought(experiment string, upload []byte) app.PictureView {
	c.s.t.Helper()
	a := c.do("POST", "/experiments/"+experiment+"/pictures", upload)
	var v app.PictureView
	if a.status != 200 || json.Unmarshal(a.body, &v) != nil {
		c.s.t.Fatalf("%d %s", a.status, a.body)
	}
	return v
}

// A picture of a step is re-encoded, seen by the homes that do the experiment and by nobody else,
// and goes with the design in one file: it comes in again on another school's account.
func TestPicturesOfADesign(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern")
	other := s.school("u@school.example", "Moss")
	made := want[app.DraftView](sc.teacher, "POST", "/experiments", map[string]string{"example": "paper-strips"})
	id := made.ID.String()
	for what, bad := range map[string][]byte{"no picture": []byte("hello"), "cut off": jpegOf(20, 20)[:60]} {
		if a := sc.teacher.do("POST", "/experiments/"+id+"/pictures", bad); a.status != 422 {
			t.Errorf("%s: %d %s", what, a.status, a.body)
		}
	}
	p := sc.teacher.brought(id, jpegOf(40, 30))
	if p.Width != 40 || p.Height != 30 || len(p.ID) != 64 {
		t.Fatalf("%+v", p)
	}
	if a := sc.teacher.do("GET", "/experiments/"+id+"/pictures/"+p.ID, nil); a.status != 200 ||
		a.header.Get("Content-Type") != "image/jpeg" {
		t.Errorf("its teacher does not see it: %d", a.status)
	}
	other.teacher.refused("GET", "/experiments/"+id+"/pictures/"+p.ID, nil, 404, "not-found")
	other.teacher.refused("GET", "/experiments/"+other.experiment.ID.String()+"/pictures/"+p.ID, nil, 404, "not-found")

	// The document names it; the file has it beside it.
	var doc map[string]any
	if err := json.Unmarshal(made.Document, &doc); err != nil {
		t.Fatal(err)
	}
	doc["steps"].([]any)[0].(map[string]any)["picture"] = map[string]any{"id": p.ID, "alt": map[string]string{
		"en": "Four strips, cut", "es": "Cuatro tiras cortadas"}}
	a := sc.teacher.do("PUT", "/experiments/"+id, map[string]any{"document": doc}, "If-Match", "1")
	if a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	file := sc.teacher.do("GET", "/experiments/"+id+"/file", nil)
	z, err := zip.NewReader(bytes.NewReader(file.body), int64(len(file.body)))
	if err != nil || file.header.Get("Content-Type") != "application/zip" || len(z.File) != 2 ||
		z.File[1].Name != "pictures/"+p.ID+".jpg" {
		t.Fatalf("%v %v", err, file.header)
	}

	// Homes that do it see it; others do not.
	as := want[results.AssignmentView](sc.teacher, "POST", sc.path("/assignments"), map[string]any{
		"experiment": id, "opens_at": lesson.Add(-time.Hour), "due_at": lesson.Add(24 * time.Hour),
	})
	fern := sc.phone("Fern")
	sheet := fern.sheetOf(as.ID.String())
	if sheet.Steps[0].Picture == nil || sheet.Steps[0].Picture.Alt != "Four strips, cut" {
		t.Fatalf("%+v", sheet.Steps[0])
	}
	at := "/assignments/" + as.ID.String() + "/pictures/" + p.ID
	if a := fern.do("GET", fern.home+at, nil); a.status != 200 || !bytes.HasPrefix(a.body, []byte{0xFF, 0xD8}) {
		t.Errorf("a home does not see it: %d", a.status)
	}
	fern.refused("GET", sc.homePath(fern, "/pictures/"+p.ID), nil, 404, "not-found") // the other experiment
	moss := other.phone("Moss")
	moss.refused("GET", moss.home+at, nil, 404, "not-found")

	// It is on paper, each reader's under an address that the reader may read, and in the
	// archive of the class.
	for _, c := range []struct {
		who      *client
		page, at string
	}{
		{sc.teacher, "/print/classes/" + sc.class.ID.String() + "/experiments/" + id + "/sheet", "/api/v1/experiments/" + id},
		{sc.teacher, "/print" + sc.path("/assignments/"+as.ID.String()+"/packs"), "/api/v1/experiments/" + id},
	} {
		page := c.who.do("GET", c.page, nil)
		if img := c.at + "/pictures/" + p.ID + `" alt="Four strips, cut"`; page.status != 200 ||
			!bytes.Contains(page.body, []byte(img)) {
			t.Errorf("%s has no picture: %d", c.page, page.status)
		}
	}
	archive := sc.teacher.do("GET", sc.path("/archive.zip"), nil)
	whole, err := zip.NewReader(bytes.NewReader(archive.body), int64(len(archive.body)))
	if err != nil || !slices.ContainsFunc(whole.File, func(f *zip.File) bool {
		return strings.HasSuffix(f.Name, "/pictures/"+p.ID+".jpg") && f.UncompressedSize64 > 100
	}) {
		t.Errorf("the archive of the class has no picture: %v %d", err, archive.status)
	}

	// The same file on another account: its picture is made anew, or is here already.
	opened := func(content []byte) (app.DraftView, answer) {
		a := other.teacher.do("POST", "/experiment-files", content)
		var v app.DraftView
		_ = json.Unmarshal(a.body, &v)
		return v, a
	}
	v, a2 := opened(file.body)
	if a2.status != 200 || !strings.Contains(string(v.Document), p.ID) {
		t.Fatalf("%d %.300s", a2.status, a2.body)
	}
	if a := other.teacher.do("GET", "/experiments/"+v.ID.String()+"/pictures/"+p.ID, nil); a.status != 200 {
		t.Errorf("whose draft names it does not see it: %d", a.status)
	}
	renamed := strings.Repeat("cd", 32)
	again := repacked(t, z, func(s string) string { return strings.ReplaceAll(s, p.ID, renamed) })
	if v, a := opened(again); a.status != 200 || strings.Contains(string(v.Document), renamed) {
		t.Errorf("a picture of elsewhere is not made anew: %d %.200s", a.status, a.body)
	}
	for what, content := range map[string][]byte{
		"cut off":    file.body[:len(file.body)/2],
		"no picture": repacked(t, z, func(s string) string { return strings.ReplaceAll(s, "pictures/", "images/") }),
		"other picture": repacked(t, z, func(s string) string {
			if strings.HasPrefix(s, "pictures/") {
				return s
			}
			return strings.ReplaceAll(s, p.ID, renamed)
		}),
	} {
		// one that is here already need not be in the file
		if _, a := opened(content); a.status != 422 && what != "no picture" ||
			a.status == 422 && !strings.Contains(string(a.body), `"field":"file"`) {
			t.Errorf("%s: %d %.300s", what, a.status, a.body)
		}
	}
	for what, content := range map[string][]byte{
		"NUL":            []byte(`{"schema": 3, "title": {"en": "a\u0000b"}}`),
		"half of a pair": []byte(`{"schema": 3, "title": {"en": "\ud800"}}`),
		"no UTF-8":       []byte("{\"schema\": 3, \"title\": {\"en\": \"\xff\"}}"),
		"in a zip file": repacked(t, z, func(s string) string {
			return strings.Replace(s, "Four strips, cut", `\u0000`, 1)
		}),
	} {
		if _, a := opened(content); a.status != 422 {
			t.Errorf("%s: %d %.200s", what, a.status, a.body)
		}
	}
	if v, a := opened(made.Document); a.status != 200 || v.Version != 1 {
		t.Errorf("a design without pictures: %d %.200s", a.status, a.body)
	}
}

// repacked is a zip file with other names and other words in its document.
func repacked(t *testing.T, z *zip.Reader, change func(string) string) []byte {
	t.Helper()
	var b bytes.Buffer
	w := zip.NewWriter(&b)
	for _, f := range z.File {
		r, err := f.Open()
		if err != nil {
			t.Fatal(err)
		}
		content, err := io.ReadAll(r)
		if err != nil {
			t.Fatal(err)
		}
		if strings.HasSuffix(f.Name, ".json") {
			content = []byte(change(string(content)))
		}
		to, err := w.Create(change(f.Name))
		if err == nil {
			_, err = to.Write(content)
		}
		if err != nil {
			t.Fatal(err)
		}
	}
	if err := w.Close(); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}
