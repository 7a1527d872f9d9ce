package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// said taps an answer about a thing of the kitchen.
func (p *page) said(thing, answer string) {
	p.t.Helper()
	p.until("the answer "+answer+" about "+thing, fmt.Sprintf(`(() => {
		const f = [...document.querySelectorAll('fieldset')].find((x) => x.querySelector('legend')?.textContent === %q);
		const l = f && [...f.querySelectorAll('label.choice')].find((x) => x.textContent.trim() === %q);
		if (!l) return false; l.click(); return true; })()`, thing, answer))
}

// marked waits for a cell of a home that says something, as a reader is told.
func (p *page) marked(home, words string) {
	p.t.Helper()
	p.until(home+": "+words, fmt.Sprintf(`[...document.querySelectorAll('button.cell')].some((b) => {
		const l = b.getAttribute('aria-label'); return l.startsWith(%q) && l.endsWith(%q); })`, home+", ", words))
}

// Two homes say what their kitchens have, one of them without a connection; a third
// tells its teacher. The teacher sees what each will use, what to send and what helps.
func TestKitchensGoTheWholeWay(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, example(t, "thirsty-beans"))
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	teacher.open(demo.base + "/experiments/" + id + "/kitchens")
	teacher.sees("as designed")
	teacher.sees("taken as usual")
	teacher.fits("kitchens, no answers")
	teacher.violations("kitchens, no answers")

	p, line := gorse(t, demo, "Thirsty beans", "No")
	p.press("Say what your kitchen has")
	p.sees("Nothing here is wrong.")
	p.said("table salt", "We can get it")
	p.fits("a kitchen survey")
	p.violations("a kitchen survey")
	p.narrow("a kitchen survey")
	line.cut()
	p.said("A kitchen scale", "We have none")
	p.sees("Kept on this phone")
	line.heal()
	evaluate[bool](p, `(() => { dispatchEvent(new Event('online')); return true; })()`)
	p.until("it is sent", `!document.body.textContent.includes('Kept on this phone')`)
	p.press("Enough for now")
	p.sees("Getting ready")

	teacher.open(demo.base + "/experiments/" + id + "/kitchens")
	teacher.marked("Gorse", "kitchen scale, to send")
	teacher.sees("To lend, back by ")
	teacher.sees("more homes take part better")
	teacher.press("Beck")
	teacher.sees("Beck’s kitchen")
	teacher.chooses("table salt", "can get it")
	teacher.marked("Beck", "to get")
	teacher.ticks("rather takes part in another way")
	teacher.sees("with shared readings")
	teacher.violations("kitchens")
	teacher.fits("kitchens")

	// What homes told on paper is typed in by single keys.
	teacher.press("Close")
	teacher.press("Type them in")
	evaluate[bool](teacher, `(() => { [...document.querySelectorAll('button.cell')].find((b) =>
		b.getAttribute('aria-label').startsWith('Snipe, table salt: not said')).focus(); return true; })()`)
	teacher.do(chromedp.KeyEvent("n"))
	teacher.until("the answer that was typed", `[...document.querySelectorAll('button.cell')].some((b) =>
		b.getAttribute('aria-label') === 'Snipe, table salt: has none')`)
	if on := evaluate[string](teacher, `document.activeElement.getAttribute('aria-label')`); !strings.HasPrefix(on,
		"Tarn, table salt") {
		t.Errorf("after an answer the next home is at hand, not %q", on)
	}
	teacher.marked("Snipe", "table salt, to send")
	teacher.violations("kitchens typed in")
	teacher.open(demo.base + evaluate[string](teacher, `[...document.querySelectorAll('a')].find((a) =>
		a.textContent === 'The survey on paper').getAttribute('href')`))
	teacher.sees("What does it show?")
	teacher.violations("the survey on paper")
}

// A class of one home has no matrix: the home's plan and what it has fill the page.
func TestKitchensOfOneHome(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := made(p, example(t, "thirsty-beans"))
	class := evaluate[string](p, `(async () => {
		const post = (path, body) => fetch('/api/v1' + path,
			{method: 'POST', headers: {'Content-Type': 'application/json'}, body: JSON.stringify(body)}).then((r) =>
			r.json());
		const c = await post('/classes', {name: '1A', zone: 'Europe/London', language: 'en', unit_system: 'metric',
			emergency_number: '112', poison_number: '0555 010 010', photo_days: 30, keep_until: '2027-08-28'});
		await post('/classes/' + c.id + '/homes', {nickname: 'Ptarmigan of the high and windy cairns'});
		return c.id; })()`)
	p.open(demo.base + "/experiments/" + id + "/kitchens?class=" + class)
	p.sees("Ptarmigan of the high and windy cairns’s kitchen")
	p.chooses("A kitchen scale", "has none")
	p.sees("1 needs a kit")
	p.sees("1 × kitchen scale: Ptarmigan")
	p.violations("kitchens of one home")
	p.fits("kitchens of one home")
}
