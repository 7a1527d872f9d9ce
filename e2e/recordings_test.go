package e2e

import (
	"context"
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/chromedp/chromedp"

	"patient-kitchen/internal/media/mediatest"
)

// records gives a file to a piece of evidence, as a family does with the phone's own recorder.
func (p *page) records(evidence, file string) {
	p.t.Helper()
	selector := `section[aria-label="` + evidence + `"] input[type=file]`
	p.until("a place for "+evidence, `Boolean(document.querySelector('`+selector+`'))`)
	ctx, cancel := context.WithTimeout(p.ctx, 40*time.Second)
	defer cancel()
	if err := chromedp.Do(ctx, chromedp.SetUploadFiles(chromedp.CSS(selector), []string{file})); err != nil {
		p.t.Fatal(err)
	}
}

// A clip and a sound are asked for, agreed to, taken without a connection, sent, and seen
// and heard by the teacher; what is too long is named and left out.
func TestRecordingsGoTheWholeWay(t *testing.T) {
	dir := t.TempDir()
	file := func(name string, content []byte) string {
		path := filepath.Join(dir, name)
		if err := os.WriteFile(path, content, 0o600); err != nil {
			t.Fatal(err)
		}
		return path
	}
	clip := file("pouring.mp4", mediatest.Clip(t, "pouring.mp4", "2"))
	sound := file("rinsing.wav", mediatest.Sound(t, "rinsing.wav", "2"))
	long := file("long.mp3", mediatest.Sound(t, "long.mp3", "25"))

	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	document := evaluate[string](teacher, `(() => { const d = `+example(t, "clearer-water")+`;
		d.evidence.push({id: 'pouring', kind: 'clip', name: {en: 'The pouring', es: 'Cómo se vierte'},
			must_show: {en: 'The water as it runs', es: 'El agua mientras corre'}, instead: ['photo']},
			{id: 'rinsing', kind: 'sound', name: {en: 'The rinsing', es: 'El enjuague'}},
			{id: 'told', kind: 'talk', length: '1 min', name: {en: 'Tell somebody', es: 'Cuéntalo'}, instead: ['sound']});
		d.steps[0].evidence = ['pouring', 'rinsing', 'told']; return JSON.stringify(d); })()`)
	id := made(teacher, document)
	teacher.open(demo.base + "/experiments/" + id + "/steps")
	teacher.sees("At most 20 s and 25 MB.")
	teacher.violations("a clip in a design")
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}

	p, line := gorse(t, demo, "Clearer and clearer", "No", "An adult will be there at the steps named above", "Photos, clips and sounds of the work may be sent")
	p.press("Begin anyway")
	p.ticks("sand")
	p.press("Save. It cannot be changed")
	p.press("Begin")
	p.sees("Rinse the gravel")
	p.sees("The water as it runs")
	line.cut()
	p.records("The pouring", clip)
	p.until("the clip plays", `document.querySelector('video')?.readyState >= 1`)
	p.sees("Kept on this phone")
	p.fits("a clip that is kept")
	p.violations("a clip that is kept")
	p.narrow("a clip that is kept")
	line.heal()
	evaluate[bool](p, `(() => { dispatchEvent(new Event('online')); return true; })()`)
	p.until("the clip was sent", `document.querySelector('section[aria-label="The pouring"] figcaption').textContent === 'Sent'`)
	p.records("The rinsing", long)
	p.sees("This is longer than 20 seconds.")
	p.press("Leave it out")
	p.until("left out", `!document.body.innerText.includes('longer than 20 seconds')`)
	p.records("The rinsing", sound)
	p.until("the sound was sent", `document.querySelector('section[aria-label="The rinsing"] figcaption')?.textContent === 'Sent'`)

	// A talk may be sent as a sound.
	p.until("the talk as a sound", `(() => { const b = [...document.querySelectorAll('section[aria-label="Tell somebody"] button')]
		.find((x) => x.textContent === 'Record it'); if (!b) return false; b.click(); return true; })()`)
	p.records("Tell somebody", sound)
	p.until("the talk was sent", `document.querySelector('section[aria-label="Tell somebody"] figcaption')?.textContent === 'Sent'`)
	p.fits("a talk as a sound")

	teacher.open(demo.base + "/experiments/" + id + "/collect")
	teacher.sees("The pouring")
	teacher.until("the clip plays at the desk", `(() => { const v = document.querySelector('video.recording');
		if (!v) return false; v.preload = 'metadata'; return v.videoWidth === 320 && v.duration < 3; })()`)
	teacher.until("the sound plays at the desk", `(() => { const a = document.querySelector('audio');
		if (!a) return false; a.preload = 'metadata'; return a.duration > 1.5; })()`)
	teacher.until("both sounds stand as sounds", `document.querySelectorAll('audio[aria-label^="Sound from"]').length === 2`)
	teacher.violations("a clip at the desk")
	teacher.fits("a clip at the desk")
	raw := evaluate[string](teacher, `fetch(document.querySelector('video.recording').src, {headers: {Range: 'bytes=4-7'}})
		.then((r) => r.text().then((x) => r.status + ' ' + x))`)
	if raw != "206 ftyp" {
		t.Errorf("a part of the clip is %q", raw)
	}
}
