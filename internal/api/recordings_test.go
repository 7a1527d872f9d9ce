package api_test

import (
	"archive/zip"
	"bytes"
	"strings"
	"testing"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/media"
	"patient-kitchen/internal/media/mediatest"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

func TestRecordingsOfAHome(t *testing.T) {
	clip, sound := mediatest.Clip(t, "clip.mp4", "1"), mediatest.Sound(t, "sound.mp3", "1")
	sc := newSite(t).school("t@school.example", "Fern", "Beck")
	fern, beck := sc.phone("Fern"), sc.phone("Beck")
	id := newID()
	fern.refused("PUT", sc.homePath(fern, "/recordings/"+id), clip, 403, "no-photos")
	sc.agree(fern)
	sc.agree(beck)
	for name, c := range map[string]struct {
		upload []byte
		status int
		code   string
	}{
		"a picture": {jpegOf(20, 20), 422, "not-a-recording"},
		"cut off":   {clip[:200], 422, "not-a-recording"},
		"too large": {bytes.Repeat([]byte("RIFF"), media.MaxRecording/4+1), 413, "too-large"},
	} {
		p := fern.refused("PUT", sc.homePath(fern, "/recordings/"+newID()), c.upload, c.status, c.code)
		if len(p.Detail) < 30 {
			t.Errorf("%s: %q says too little", name, p.Detail)
		}
	}
	want[api.Done](fern, "PUT", sc.homePath(fern, "/recordings/"+id), clip)
	want[api.Done](fern, "PUT", sc.homePath(fern, "/recordings/"+id), clip)
	fern.refused("PUT", sc.homePath(fern, "/recordings/"+id), sound, 409, "other-body")
	beck.refused("GET", beck.home+"/recordings/"+id, nil, 404, "not-found")

	// An entry speaks of it as what it is.
	shows := func(kind, refers string) map[string]any {
		return map[string]any{"kind": kind, "evidence": "photo-end", "refers": refers, "phone_time": lesson, "offset_ms": 0}
	}
	refused := fern.do("PUT", sc.homePath(fern, "/entries/"+newID()), shows("photo", id))
	if refused.status != 422 || !strings.Contains(string(refused.body), `"field":"refers"`) {
		t.Errorf("a clip as a photo: %d %s", refused.status, refused.body)
	}
	whichever := fern.do("PUT", sc.homePath(fern, "/entries/"+newID()), shows("recording", id))
	if whichever.status != 422 || !strings.Contains(string(whichever.body), `"field":"choice"`) {
		t.Errorf("a recording that does not say which it is: %d %s", whichever.status, whichever.body)
	}
	entry := shows("recording", id)
	entry["choice"] = []string{"clip"}
	if a := fern.do("PUT", sc.homePath(fern, "/entries/"+newID()), entry); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	var shown *results.PieceView
	for _, h := range sc.results().Homes {
		for _, s := range h.Shown {
			for _, p := range s.Pieces {
				shown = &p
			}
		}
	}
	if shown == nil || shown.Recording == nil || shown.Recording.String() != id || shown.Photo != nil || shown.Sound {
		t.Errorf("the teacher is shown %+v", shown)
	}
	part := sc.teacher.do("GET", sc.path("/recordings/"+id), nil, "Range", "bytes=4-7")
	if part.status != 206 || string(part.body) != "ftyp" || part.header.Get("Content-Type") != "video/mp4" {
		t.Errorf("%d %q %v", part.status, part.body, part.header)
	}
	sc.teacher.refused("GET", sc.path("/photos/"+id+"/recording"), nil, 404, "not-found")
	poster := sc.teacher.do("GET", sc.path("/photos/"+id+"/thumbnail"), nil)
	if !bytes.HasPrefix(poster.body, []byte{0xFF, 0xD8}) {
		t.Errorf("the clip has no picture: %d", poster.status)
	}
	archive := sc.teacher.do("GET", sc.path("/archive.zip"), nil)
	files, err := zip.NewReader(bytes.NewReader(archive.body), int64(len(archive.body)))
	if err != nil {
		t.Fatal(err)
	}
	found := false
	for _, f := range files.File {
		found = found || strings.Contains(f.Name, "/recordings/fern-") && strings.HasSuffix(f.Name, ".mp4")
	}
	if !found {
		t.Error("the archive lacks the clip")
	}
	want[sheets.PermissionView](fern, "POST", sc.homePath(fern, "/permission"),
		map[string]any{"decision": "withdrawn", "text_sha": ""})
	sc.teacher.refused("GET", sc.path("/recordings/"+id), nil, 404, "not-found")
}

// A server without ffmpeg says so, to homes and teachers, and takes nothing.
func TestWithoutARecorder(t *testing.T) {
	s := newSite(t)
	s.app.Recorder = nil
	sc := s.school("t@school.example", "Fern")
	fern := sc.phone("Fern")
	sc.agree(fern)
	p := fern.refused("PUT", sc.homePath(fern, "/recordings/"+newID()), []byte("RIFF\x00\x00\x00\x00WAVE"), 422,
		"no-recordings")
	if !strings.Contains(p.Detail, "in words") {
		t.Errorf("%q does not say what to do", p.Detail)
	}
	if want[app.Bundle](fern, "GET", fern.home, nil).Recordings ||
		want[api.Me](sc.teacher, "GET", "/session", nil).Recordings {
		t.Error("clips are offered all the same")
	}
}
