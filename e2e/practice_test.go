package e2e

import (
	"bytes"
	"fmt"
	"image"
	"image/jpeg"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// TestSeeAsAFamily: a draft is tried on the phone beside it, in both languages, at the step
// that is written; what is entered goes nowhere, and what is changed is shown.
func TestSeeAsAFamily(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := evaluate[string](p, `fetch('/api/v1/experiments').then((r) => r.json()).then((l) =>
		l.items.find((e) => e.title === 'Thirsty beans').id)`)
	inside := func(words string) {
		t.Helper()
		p.until("on the phone: "+words,
			fmt.Sprintf(`(document.querySelector('iframe')?.contentDocument?.body?.innerText ?? '').includes(%q)`,
				words))
	}
	press := func(words string) {
		t.Helper()
		p.until("on the phone a button "+words, fmt.Sprintf(`(() =>
			{ const b = [...(document.querySelector('iframe')?.contentDocument?.querySelectorAll('button, a') ??
			[])].find((x) => x.textContent.includes(%q)); b?.click(); return Boolean(b); })()`, words))
	}
	p.open(demo.base + "/experiments/" + id + "/steps?at=weigh")
	p.press("See as a family")
	inside("Practice: nothing is kept or sent.")
	inside("Weigh the dry beans")
	p.until("it is answered whether a child is there", `(() => {
		const l = [...(document.querySelector('iframe').contentDocument.querySelectorAll('label'))].
			find((l) => l.textContent.trim() === 'No'); l?.click(); return Boolean(l); })()`)
	const fields = `document.querySelector('iframe').contentDocument.querySelectorAll('input[inputmode], input[type=text]')`
	p.until("a field of each condition", fields+`.length === 3`)
	press("Done, next") // what is weighed after the soak is compared with it
	inside("Measure now:")
	evaluate[bool](p, `(() => { const f = `+fields+`[0]; f.focus();
		Object.getOwnPropertyDescriptor(f.ownerDocument.defaultView.HTMLInputElement.prototype, 'value').set.call(f,
			'41 g'); f.dispatchEvent(new f.ownerDocument.defaultView.Event('input', {bubbles: true})); f.form.requestSubmit();
			return true; })()`)
	inside("41")
	press("Done, next") // it was said: who goes on without the others may
	inside("Step 3 of 5")
	press("Back")
	inside("Weigh the dry beans")
	p.chooses("On the phone in", "Español")
	inside("Ensayo: nada se guarda ni se envía.")
	inside("Pesar los frijoles secos")

	// A change is shown as soon as it is saved.
	p.writes("What families read first", "Weigh every bean")
	p.chooses("On the phone in", "English")
	inside("Weigh every bean")
	p.violations("the draft as a family has it")

	// A home has it with its own kitchen, on the phone and on paper; what it lacks is said there.
	p.open(demo.base + "/experiments/" + id + "/steps")
	p.chooses("Looked at with", "7M")
	p.press("See as a family")
	inside("Getting ready")
	p.chooses("Home in 7M", "Dunlin")
	inside("drinking glass")
	paper := evaluate[string](p, `fetch([...document.querySelectorAll('a')].find((a) =>
		a.textContent === 'what is needed').href).then((r) => r.text())`)
	if !strings.Contains(paper, "Dunlin") || !strings.Contains(paper, "drinking glass") {
		t.Errorf("on paper for Dunlin: %.2000s", paper)
	}
	p.chooses("Home in 7M", "Kestrel") // who speaks Spanish
	inside("Ensayo: nada se guarda ni se envía.")
	inside("vaso")

	// Nothing of it is anywhere: the experiment is not issued, and no home has an entry.
	if n := evaluate[int](p, fmt.Sprintf(`fetch('/api/v1/assignments').then((r) => r.json()).then((l) =>
		l.items.filter((a) => a.experiment === %q).length)`, id)); n != 0 {
		t.Errorf("trying it made %d assignments", n)
	}
	// The page is shown within the teacher's own alone, and to nobody else.
	if status := evaluate[int](p, fmt.Sprintf(`fetch('/api/v1/session', {method: 'DELETE'}).then(() =>
		fetch('/api/v1/experiments/%s/practice')).then((r) => r.status)`, id)); status != 401 {
		t.Errorf("a stranger tries it: %d", status)
	}
	if csp := evaluate[string](p, fmt.Sprintf(`fetch('/practice/%s').then((r) =>
		r.headers.get('Content-Security-Policy'))`, id)); !strings.Contains(csp, "frame-ancestors 'self'") {
		t.Errorf("its policy is %q", csp)
	}
}

// A teacher tries a draft with real times and a photo: both can become the design's, and the
// homes see the picture, without a connection too.
func TestDryRun(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := made(p, three)
	p.open(demo.base + "/experiments/" + id + "/steps?at=tie&more=1")
	p.press("See as a family")
	p.sees("Do it here as a family would")
	inside := func(what, script string) {
		t.Helper()
		p.until("on the phone: "+what, `((d) => { if (!d?.body) return false; `+script+`})(
			document.querySelector('iframe')?.contentDocument)`)
	}
	press := func(words string) {
		t.Helper()
		inside("a button "+words, fmt.Sprintf(`const b = [...d.querySelectorAll('button, label')].find((x) =>
			x.textContent.trim() === %q); b?.click(); return Boolean(b);`, words))
	}
	inside("the step", `return d.body.innerText.includes('Turn it over');`)
	press("yes")
	press("Done: back to the list")
	p.sees("Dry run")
	p.sees("4 Turn it over")
	p.violations("a dry run")
	p.press("Take all times over")
	p.until("the time is the design's", `fetch('/api/v1/experiments/`+id+`').then((r) => r.json()).then((d) =>
		d.document.steps[3].duration === '1 min')`)

	// A picture of the step, brought by hand; what it shows is asked.
	file := filepath.Join(t.TempDir(), "tie.jpg")
	if err := os.WriteFile(file, picture(t), 0o600); err != nil {
		t.Fatal(err)
	}
	p.until("a place for a picture", `Boolean(document.querySelector('section[aria-label="Picture of this step"] input'))`)
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`section[aria-label="Picture of this step"] input`), []string{file}))
	p.writes("What the picture shows", "A bag upside down")
	p.until("the picture is the design's", `fetch('/api/v1/experiments/`+id+`').then((r) => r.json()).then((d) =>
		d.document.steps[3].picture?.alt?.en === 'A bag upside down')`)
	if status := issued(p, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	phone, line := gorse(t, demo, "Three short ones")
	phone.sees("Today, 3 short ones, in any order")
	phone.until("the picture is kept", `fetch('/assets/none').then(() => caches.keys()).then((names) => Promise.all(names.map((n) =>
		caches.open(n).then((c) => c.keys())))).then((all) => all.flat().some((r) => r.url.includes('/pictures/')))`)
	line.cut()
	phone.labelled("Begin: Bag ties")
	phone.press("1 still to fetch")
	phone.until("the picture is seen offline", `document.querySelector('img[alt="A bag upside down"]')?.naturalWidth > 0`)
	phone.fits("a step with its picture")
	phone.violations("a step with its picture")
}

// picture is a small photo.
func picture(t *testing.T) []byte {
	t.Helper()
	img := image.NewRGBA(image.Rect(0, 0, 64, 48))
	for i := range img.Pix {
		img.Pix[i] = byte(i)
	}
	var b bytes.Buffer
	if err := jpeg.Encode(&b, img, nil); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}
