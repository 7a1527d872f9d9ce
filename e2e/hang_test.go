package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// TestHangingOnTheStrip: by keys alone something is hung on a step, a line of what happens
// next is written, a length typed, a wait unfolded with the homes of a class, the work
// divided into parts that close to one block, and one step made two.
func TestHangingOnTheStrip(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := made(p, soaked)
	p.open(demo.base + "/experiments/" + id + "/steps")
	p.sees("Step 1, Cut half of the rice")
	key := func(k string) { t.Helper(); p.do(chromedp.KeyEvent(k)) }
	on := func(step string) {
		t.Helper()
		p.until("the step "+step, fmt.Sprintf(`(document.querySelector('[data-step=%q]')?.focus(),
			document.activeElement.dataset.step === %q)`, step, step))
	}
	block := func(step, words string) {
		t.Helper()
		p.until(words+" on "+step, fmt.Sprintf(`document.querySelector('[data-step=%q]')?.textContent
			.replaceAll('\u00a0', ' ').includes(%q)`, step, words))
	}
	// A photo and its place; Escape hangs nothing; what nobody may do alone leads to safety.
	on("cut")
	key("h")
	p.until("the pegs", `document.activeElement.closest('.peg-menu') !== null`)
	p.violations("the pegs")
	key("p")
	p.sees("Hangs a photo on step 1.")
	p.until("the photo's name under the hand", `document.activeElement.id.startsWith('f-evidence-0')`)
	block("cut", "Photo: Cut half of the rice")
	on("cut")
	key("h")
	p.until("the pegs", `document.activeElement.closest('.peg-menu') !== null`)
	key(kb.Escape)
	p.until("back on the step", `document.activeElement.dataset.step === 'cut'`)
	key("h")
	p.until("the pegs", `document.activeElement.closest('.peg-menu') !== null`)
	key("d")
	block("cut", "homes wait behind it")
	// A line of what happens next, seen before it is taken.
	on("cut")
	// As people press it: a key that was taken writes nothing into the field it opens.
	evaluate[bool](p, `document.activeElement.dispatchEvent(new KeyboardEvent('keydown',
		{key: 'i', bubbles: true, cancelable: true})) || true`)
	p.until("the line", `document.activeElement.id === 'note-line'`)
	p.do(chromedp.SendKeys(chromedp.CSS("#note-line"), "wait 12 h to 16 h"))
	p.sees("Adds step 2. Read in it: wait “Wait 12 h to 16 h”.")
	p.violations("the note line")
	key(kb.Enter)
	p.sees("Step 2, Wait 12 h to 16 h")
	p.sees("12 h to 16 h will do")
	// A length in place.
	on("weigh")
	for _, k := range []string{"1", "2"} {
		key(k)
	}
	p.sees("12, and Enter: it lasts so long")
	key(kb.Enter)
	block("weigh", "12 min")
	// Its first sentence becomes a step of its own.
	p.until("all of it kept", fmt.Sprintf(`fetch('/api/v1/experiments/%s').then((r) => r.json()).then((d) =>
		d.document.steps.length === 3 && d.document.steps[2].duration === '12 min')`, id))
	p.sees("Saved")
	p.changes(id, `d.steps[2].text.en = 'Stir the salt in. Weigh both.'`)
	p.open(demo.base + "/experiments/" + id + "/steps")
	p.sees("Step 3, Weigh both")
	on("weigh")
	key("s")
	p.until("four steps", `document.querySelectorAll('.strip-block').length === 4`)
	on("weigh")
	key("j")
	p.until("one of two again", `document.querySelectorAll('.strip-block').length === 3`)
	on("cut")
	key("j")
	p.sees("These two stay apart")
	on("weigh")
	key("s")
	p.until("four steps once more", `document.querySelectorAll('.strip-block').length === 4`)
	p.seesNot("These two stay apart")
	// Its wait, straight to time, with the homes of a class.
	wait := evaluate[string](p, `document.querySelectorAll('.strip-block')[1].dataset.step`)
	on(wait)
	key("u")
	p.sees("The wait before step 2")
	p.sees("nobody has to get up for it")
	p.until("the margin's classes", `[...document.querySelectorAll('.margin-of option')].some((o) => o.text === '7M')`)
	evaluate[bool](p, `(() => { const s = document.querySelector('.margin-of select');
		s.value = [...s.options].find((o) => o.text === '7M').value;
		s.dispatchEvent(new Event('change', {bubbles: true})); return true; })()`)
	p.sees("of 24 homes")
	p.violations("a wait unfolded")
	p.fits("a wait unfolded")
	p.writes("the work begins at", "02:00AM")
	p.sees("It ends at 16:05")
	p.do(chromedp.Focus(chromedp.CSS("#unfold-begin")))
	key(kb.Escape)
	p.until("folded, the hand on its step", fmt.Sprintf(`document.activeElement.dataset.step === %q`, wait))
	// Two parts; the first closes to one block, and opens.
	on(wait)
	key("b")
	p.until("the part's name under the hand", `document.activeElement.id === 'f-sections-1-title'`)
	key("Soaking")
	p.sees("Soaking · 3 steps")
	on(wait)
	key("c")
	p.until("two blocks", `document.querySelectorAll('.strip-block').length === 2`)
	p.violations("a part that is closed")
	key("c")
	p.until("all blocks", `document.querySelectorAll('.strip-block').length === 4`)
	// The teacher's own caution is worked out further where cautions are.
	on("cut")
	key("h")
	p.until("the pegs", `document.activeElement.closest('.peg-menu') !== null`)
	key("a")
	p.until("at Safety", `location.pathname.endsWith('/safety')`)
	p.until("the reason stands there", `[...document.querySelectorAll('input, textarea')].some((f) =>
		f.value === 'Something here is better not done alone.')`)
}

// TestTheGate: in a lesson a home waits behind a step until the teacher says go; the paper
// says it too, and a phone that is opened again waits still.
func TestTheGate(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, soaked)
	teacher.changes(id, `delete d.constants; delete d.derived; d.measured = [{name: d.readings[0].name, reading: 'mass'}];
		d.steps[0].gate = true; delete d.steps[0].actions; d.steps[0].text = {en: 'Count the rice.', es: 'Cuenta el arroz.'};
		d.steps[0].title = {en: 'Count the rice', es: 'Cuenta el arroz'}`)
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	p, _ := gorse(t, demo, "Soaked rice")
	p.press("Begin anyway")
	p.ticks("No") // no child under 4 lives here
	p.press("Done, next")
	p.sees("Wait for the others")
	p.sees("Go on when your teacher says so.")
	p.violations("a gate on the phone")
	p.fits("a gate on the phone")
	evaluate[bool](p, `(location.reload(), true)`)
	p.sees("My teacher said go")
	p.press("My teacher said go")
	p.sees("weigh both after an hour")
	paper := evaluate[string](teacher, fmt.Sprintf(`fetch('/api/v1/assignments').then((r) => r.json()).then((l) =>
		l.items.find((a) => a.experiment === %q)).then((a) =>
		fetch('/print/classes/' + a.class + '/experiments/' + a.experiment + '/notebook')).then((r) => r.text())`, id))
	if want := "Stop here until your teacher says go."; !strings.Contains(paper, want) {
		t.Errorf("the paper does not say %q", want)
	}
}
