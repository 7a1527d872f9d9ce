package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// hand counts what a teacher does: clicks and fields gone to, and signs typed.
type hand struct {
	*page
	acts, signs int
}

func (h *hand) presses(words string) { h.t.Helper(); h.acts++; h.press(words) }

func (h *hand) fills(label, text string) {
	h.t.Helper()
	h.acts++
	h.signs += len([]rune(text))
	h.writes(label, text)
}

// says types a sentence where the focus is and finishes it.
func (h *hand) says(sentence string) {
	h.t.Helper()
	h.signs += len([]rune(sentence)) + 1
	h.until("an empty sentence under the hand", `document.activeElement?.matches('.sentence textarea') && document.activeElement.value === ''`)
	h.do(chromedp.SendKeys(chromedp.CSS(".sentence textarea"), sentence))
	h.reads()
	h.do(chromedp.KeyEvent(kb.Enter))
}

// reads waits until what stands in the fields has been read: not some of it, on the way there.
func (h *hand) reads() {
	h.t.Helper()
	h.until("what was taken from the words", `(() =>
		{ const words = document.querySelector('.sentence textarea')?.value;
		const lines = document.querySelector('.sentence-lines');
		return !document.querySelector('.sentence-field[aria-busy="true"]') &&
			Boolean(words === '' || lines?.querySelector('u') && lines.textContent.trim() === words.trim()); })()`)
}

// taken are the words that the sentence's pieces stand for, with their glosses, once they have been read.
func (h *hand) taken() string {
	h.t.Helper()
	h.reads()
	return evaluate[string](h.page, `[...document.querySelectorAll('.taken li')].map((x) =>
		x.textContent.replace(/\s+/g, ' ').trim()).join(' | ')`)
}

// TestFromSentencesToCodes: from nothing to printed codes with masses in two conditions,
// in at most 40 clicks and fields and 700 signs.
func TestFromSentencesToCodes(t *testing.T) {
	demo := theDemo(t)
	h := &hand{page: tab(t, 1280, 800)}
	h.signIn(demo.base)
	h.open(demo.base + "/experiments")
	h.presses("Begin from nothing")
	h.fills("Question", "Do beans drink less in salt water?")
	h.fills("It is called", "Salty beans")
	h.fills("We change", "the salt")
	h.fills("In one line", "plain, salty")
	h.presses("Put them in")
	h.sees("2 conditions")
	h.presses("Ask for a prediction")
	h.sees("Ask for a prediction · Undo")
	h.presses("Materials and steps")
	h.presses("Add a step")
	h.says("Label two glasses plain and salty.")
	h.says("Put 40 g of dried beans into each glass.")
	h.says("Weigh the beans.")
	h.says("Pour 200 mL of cold water into each glass.")
	h.says("Put 1 tsp of salt into the salty glass.")
	h.says("Wait 12 hours, drain the beans and dry them with a towel.")
	h.says("Weigh the beans again.")
	h.says("Throw the beans away and wash the glasses.")
	h.until("the next sentence", `document.activeElement?.matches('.sentence textarea') && document.activeElement.value === ''`)
	h.do(chromedp.KeyEvent(kb.Escape))
	h.sees("Saved")
	h.presses("Issue")
	h.sees("Nothing is in the way.")
	h.acts++
	h.chooses("Class", "7M · 24 homes")
	h.presses("Issue version 1 to 24 homes")
	h.presses("Issue it")
	h.sees("Salty beans issued to 7M")
	h.acts++
	h.open(evaluate[string](h.page, `[...document.querySelectorAll('a')].find((a) =>
		a.textContent.includes('Print all packs')).href`))
	h.sees("Weigh the beans again")
	h.sees("0 g") // a place to write on
	t.Logf("from nothing to printed codes: %d clicks and fields (most 40), %d signs (most 700)", h.acts, h.signs)
	if h.acts > 40 || h.signs > 700 {
		t.Errorf("it takes %d clicks and fields and %d signs", h.acts, h.signs)
	}
}

// TestTheStripByKeys: a step is found, made longer, carried, copied, given to a condition
// and taken out by keys alone; everything can be taken back and done again.
func TestTheStripByKeys(t *testing.T) {
	demo := theDemo(t)
	h := &hand{page: tab(t, 1280, 800)}
	h.signIn(demo.base)
	id := evaluate[string](h.page, `fetch('/api/v1/experiments').then((r) => r.json()).then((l) =>
		l.items.find((e) => e.title === 'Thirsty beans').id)`)
	h.open(demo.base + "/experiments/" + id + "/steps?at=label")
	h.sees("Step 1, Label the jars")
	steps := func() string {
		return evaluate[string](h.page, `[...document.querySelectorAll('.strip-block')].map((b) =>
			b.dataset.step).join()`)
	}
	names := func() string {
		return evaluate[string](h.page, `[...document.querySelectorAll('.strip-block .visually-hidden')].map((b) =>
			b.textContent.replaceAll('\u00a0', ' ')).join('; ')`)
	}
	was := steps()
	key := func(k string) { h.t.Helper(); h.do(chromedp.KeyEvent(k)) }
	evaluate[bool](h.page, `(document.querySelector('[data-step="label"]').focus(), true)`)
	key(kb.ArrowRight)
	h.until("the second step under the hand", `document.activeElement.dataset.step === 'weigh'`)
	key("]")
	h.sees("Step 2, Weigh the dry beans, each by itself, 7 min")
	key("m")
	h.sees("Carrying the step")
	key(kb.ArrowRight)
	h.until("the step carried", `[...document.querySelectorAll('.strip-block')][2].dataset.step === 'weigh'`)
	key("m")
	key("x")
	h.sees("Step 3, Weigh the dry beans, each by itself")
	key("y")
	h.until("a copy", `document.querySelectorAll('.strip-block').length === 6`)
	key(kb.Home)
	h.until("the first step under the hand", `document.activeElement.dataset.step === 'label'`)
	key(kb.Delete)
	h.until("one step less", `document.querySelectorAll('.strip-block').length === 5`)
	// All of it is taken back, and done again.
	ctrl := func(k, code string) {
		evaluate[bool](h.page, fmt.Sprintf(`(document.body.dispatchEvent(new KeyboardEvent('keydown',
			{key: %q, code: %q, ctrlKey: true, bubbles: true, cancelable: true})), true)`, k, code))
	}
	after := steps()
	for range 5 {
		ctrl("z", "KeyZ")
	}
	h.until("everything taken back", fmt.Sprintf(`[...document.querySelectorAll('.strip-block')].map((b) =>
		b.dataset.step).join() === %q`, was))
	if got := names(); !strings.Contains(got, "Step 2, Weigh the dry beans, each by itself, 6 min") {
		t.Errorf("taken back: %s", got)
	}
	for range 5 {
		ctrl("y", "KeyY")
	}
	h.until("everything done again", fmt.Sprintf(`[...document.querySelectorAll('.strip-block')].map((b) =>
		b.dataset.step).join() === %q`, after))

	// The margin by keys: its lines, and the mend of one.
	h.do(chromedp.KeyEvent("f"))
	h.until("the margin under the hand", `document.activeElement.matches('.margin li')`)
	key(kb.ArrowDown)
	key(kb.ArrowDown)
	h.until("the line of fairness", `document.activeElement.textContent.includes('says no speed')`)
	key(".")
	h.sees("Once a second · Undo")
	h.sees("said to differ in")
	h.violations("the strip")
	h.fits("the strip")

	// At Issue the same keys take nothing back: what is handed out is what was looked at.
	h.press("Issue")
	h.until("the station", `Boolean(document.querySelector('[aria-label="To whom and when"]'))`)
	ctrl("z", "KeyZ")
	h.press("Materials and steps")
	h.until("nothing was taken back at Issue", fmt.Sprintf(`[...document.querySelectorAll('.strip-block')].map((b) =>
		b.dataset.step).join() === %q`, after))
	h.seesNot("says no speed")
}

// TestTheStripByHand: a block is drawn to another place, and its end to another length.
func TestTheStripByHand(t *testing.T) {
	demo := theDemo(t)
	h := &hand{page: tab(t, 1280, 800)}
	h.signIn(demo.base)
	id := evaluate[string](h.page, `fetch('/api/v1/experiments').then((r) => r.json()).then((l) =>
		l.items.find((e) => e.title === 'Thirsty beans').id)`)
	h.open(demo.base + "/experiments/" + id + "/steps")
	h.sees("Step 1, Label the jars")
	drag := func(step string, fromEnd bool, by int) {
		t.Helper()
		at := evaluate[[2]float64](h.page, fmt.Sprintf(`(() =>
			{ const b = document.querySelector('[data-step=%q]').getBoundingClientRect();
			return [%v ? b.right - 3 : b.left + 20, b.top + 80]; })()`, step, fromEnd))
		for _, e := range []struct {
			kind string
			x    float64
		}{{"pointerdown", at[0]}, {"pointermove", at[0] + float64(by)/2}, {"pointermove", at[0] + float64(by)},
			{"pointerup", at[0] + float64(by)}} {
			evaluate[bool](h.page, fmt.Sprintf(`(() => { const b = document.querySelector('[data-step=%q]');
				b.setPointerCapture = () => undefined;
				b.dispatchEvent(new PointerEvent(%q, {clientX: %f, clientY: %f, button: 0, pointerId: 1,
					bubbles: true})); return true; })()`, step, e.kind, e.x, at[1]))
		}
	}
	drag("weigh", true, 60)
	h.sees("lasts")
	if got := evaluate[string](h.page, `document.querySelector('[data-step="weigh"]').textContent`); !strings.Contains(
		got, "min") || strings.Contains(got, "each by itself, 6 min") {
		t.Errorf("its end was drawn and it is %q", got)
	}
	drag("label", false, 260)
	h.sees("Moved Label the jars")
	h.until("the step at its new place", `[...document.querySelectorAll('.strip-block')].findIndex((b) =>
		b.dataset.step === 'label') > 0`)
}

// TestASentenceInSpanish: it is read while it is written, asked where it is open, taken
// over when it is finished, and offered in the other language.
func TestASentenceInSpanish(t *testing.T) {
	demo := theDemo(t)
	h := &hand{page: tab(t, 1280, 800)}
	h.signIn(demo.base)
	h.open(demo.base + "/experiments")
	h.press("Begin from nothing")
	h.writes("Question", "Does it cool?")
	h.ticks("Español")
	h.chooses("Words in", "Español")
	h.press("Materials and steps")
	h.press("Add a step")
	h.says("Vierte 200 mL de agua tibia en el frasco.")
	h.sees("How warm is “tibia”?")
	if got := h.taken(); got != "does Vierte | amount 200 mL | thing agua tibia | vessel frasco" {
		t.Errorf("taken: %s", got)
	}
	h.press("about 40")
	h.sees("Answered a question about the words")
	h.until("the question gone", `!document.body.innerText.includes('How warm is')`)
	// The other language is composed, taken by one press, and disagreement is said.
	h.press("Take this")
	h.until("the English sentence", `[...document.querySelectorAll('.sentence textarea')].some((x) =>
		x.value.startsWith('Pour 200'))`)
	// What is said to be only words goes out of the design.
	h.press("vessel frasco")
	h.press("Only words")
	h.until("the vessel let go", `!document.querySelector('.taken')?.textContent.includes('vessel')`)

	// Two languages that disagree are one press from agreeing.
	id := evaluate[string](h.page, `fetch('/api/v1/experiments').then((r) => r.json()).then((l) => l.items.find((e) => e.title === 'Thirsty beans').id)`)
	h.open(demo.base + "/experiments/" + id + "/steps?at=mix")
	h.writes("What to do, in Español", "Vierte 250 mL de agua fría en cada frasco.")
	h.do(chromedp.KeyEvent(kb.Tab))
	h.sees("one language says 200 mL, the other 250 mL") // the design's first language is held to be right
	h.press("Make both say the same")
	h.until("both the same", `[...document.querySelectorAll('.sentence textarea')].every((x) =>
		x.value.includes('200'))`)
}

// TestSixtySteps: with 60 steps and four lanes the margin answers to a key, and the strip
// to a carried block, without a pause. What is stated is 200 ms and 100 ms; it fails above
// five times that.
func TestSixtySteps(t *testing.T) {
	demo := theDemo(t)
	h := &hand{page: tab(t, 1280, 800)}
	h.signIn(demo.base)
	var steps []string
	for i := range 60 {
		words := []string{"Pour 200 mL of cold water into each glass.", "Add 1 tsp of salt.",
			"Take a photo of the jars.", "Label the glasses."}[i%4]
		steps = append(steps, fmt.Sprintf(`{"id":"s-%d","kind":"do","title":{"en":%q},"text":{"en":%q}}`, i, words,
			words))
	}
	id := evaluate[string](h.page, `fetch('/api/v1/experiments',
		{method: 'POST', headers: {'Content-Type': 'application/json'},
		body: JSON.stringify({document: {schema: 3, title: {en: 'Sixty'}, question: {en: 'How many?'},
		age_band: '11-13', way: 'follow-along', languages: ['en'], trials: 1,
		changed: {name: {en: 'it'}}, conditions: ['a', 'b', 'c', 'd'].map((x) =>
			({id: 'lane-' + x, name: {en: 'lane ' + x}})), steps: [`+strings.Join(steps, ",")+
		`]}})}).then((r) => r.json()).then((e) => e.id)`)
	h.open(demo.base + "/experiments/" + id + "/steps?at=s-1")
	h.sees("Step 60, Label the glasses")
	h.fits("sixty steps")
	evaluate[bool](h.page, `(() => { window.long = 0;
		new PerformanceObserver((l) => l.getEntries().forEach((e) =>
		(window.long = Math.max(window.long, e.duration)))).observe({entryTypes: ['longtask']});
		window.since = 0; const field = document.getElementById('f-steps-1-text');
		field.addEventListener('input', () => { window.pressed = performance.now(); });
		new MutationObserver(() => { if (!window.since &&
			document.querySelector('.margin').textContent.includes('says no speed')) window.since = performance.now() - window.pressed; }).observe(document.querySelector('.margin'), {subtree: true, childList: true, characterData: true});
		return true; })()`)
	h.do(chromedp.SendKeys(chromedp.CSS("#f-steps-1-text"), " Stir it."))
	h.until("the margin's answer", `window.since > 0`)
	since := evaluate[float64](h.page, `window.since`)
	t.Logf("from a key to the margin with 60 steps: %.0f ms", since)
	if since > 1000 {
		t.Errorf("the margin answers after %.0f ms", since)
	}
	h.do(chromedp.KeyEvent(kb.Escape))
	evaluate[bool](h.page, `(document.querySelector('[data-step="s-1"]').focus(), window.long = 0, true)`)
	h.do(chromedp.KeyEvent("m"))
	for range 4 {
		h.do(chromedp.KeyEvent(kb.ArrowRight))
	}
	h.until("the block carried", `[...document.querySelectorAll('.strip-block')].findIndex((b) =>
		b.dataset.step === 's-1') === 5`)
	long := evaluate[float64](h.page, `window.long`)
	t.Logf("the longest task while a block is carried: %.0f ms", long)
	if long > 500 {
		t.Errorf("a task of %.0f ms while a block is carried", long)
	}
}

// TestTheMarginWithAClass: it speaks of the kitchens of the class that is chosen.
func TestTheMarginWithAClass(t *testing.T) {
	demo := theDemo(t)
	h := &hand{page: tab(t, 1280, 800)}
	h.signIn(demo.base)
	id := evaluate[string](h.page, `fetch('/api/v1/experiments').then((r) => r.json()).then((l) =>
		l.items.find((e) => e.title === 'Sour lemon').id)`)
	h.open(demo.base + "/experiments/" + id + "/steps")
	h.sees("Homes answer once a class is asked.")
	h.chooses("Looked at with", "7M")
	h.sees("homes can do it with what they have")
	h.open(demo.base + "/experiments/" + id + "/plan") // and it stays chosen
	h.sees("homes can do it with what they have")
}

// TestFindingAnExperiment: a sentence of filters over the list, and a copy of what was found.
func TestFindingAnExperiment(t *testing.T) {
	demo := theDemo(t)
	h := &hand{page: tab(t, 1280, 800)}
	h.signIn(demo.base)
	h.open(demo.base + "/experiments")
	h.sees("Snail supper")
	listed := func() int { return evaluate[int](h.page, `document.querySelector('.plain-list').children.length`) }
	every := listed()
	h.writes("Those about", "beans")
	h.until("one about beans", `document.querySelector('.plain-list').children.length === 1 && document.querySelector('.plain-list').textContent.includes('Thirsty beans')`)
	h.writes("Those about", "nothing of the kind")
	h.sees("None of your experiments is like that.")
	h.writes("Those about", " ")
	h.until("all of them", fmt.Sprintf(`document.querySelector('.plain-list').children.length === %d`, every))
	h.chooses("done within", "30 min")
	h.chooses("with", "no adult needed")
	h.until("fewer", fmt.Sprintf(`document.querySelector('.plain-list').children.length < %d`, every))
	if text := evaluate[string](h.page, `document.querySelector('.plain-list').textContent`); strings.Contains(text,
		"Warm wraps") || strings.Contains(text, "Thirsty beans") {
		t.Errorf("of 30 minutes without an adult are shown: %s", text)
	}
	h.violations("the list with its filters")
	h.fits("the list with its filters")
	evaluate[bool](h.page, `([...document.querySelectorAll('.plain-list button')].find((b) =>
		b.textContent === 'Copy').click(), true)`)
	h.until("the copy", `Boolean(location.pathname.endsWith('/plan') &&
		document.querySelector('h1')?.textContent.endsWith(', copy'))`)
}

// TestWhatWasTakenIsChanged: under a word its amount and its wait are said differently, in
// the words themselves; what the words do not say, how exactly it is meant and from when to
// when a wait may end, stands beside it.
func TestWhatWasTakenIsChanged(t *testing.T) {
	demo := theDemo(t)
	h := &hand{page: tab(t, 1280, 800)}
	h.signIn(demo.base)
	h.open(demo.base + "/experiments")
	h.press("Begin from nothing")
	h.writes("Question", "Does salt help?")
	h.press("Materials and steps")
	h.press("Add a step")
	h.says("Wait 4 minutes, then pour 200 mL of vinegar into the jar.")
	h.until("the next sentence", `document.activeElement?.matches('.sentence textarea') && document.activeElement.value === ''`)
	h.do(chromedp.KeyEvent(kb.Escape))
	h.sees("Saved")
	h.until("the step under the hand", `(document.querySelector('.strip-block')?.click(),
		document.querySelector('.sentence textarea')?.value.startsWith('Wait 4'))`)
	h.reads()
	h.press("amount 200 mL")
	h.sees("It matters")
	h.violations("an amount that was taken")
	h.writes("How much", "250 mL")
	h.press("Change")
	h.until("the words themselves", `document.querySelector('.sentence textarea').value.trim() ===
		'Wait 4 minutes, then pour 250 mL of vinegar into the jar.'`)
	h.reads()
	h.chooses("It matters", "about")
	h.press("wait Wait 4 minutes")
	h.writes("How long", "5 minutes")
	h.press("Change")
	h.until("the wait in the words", `document.querySelector('.sentence textarea').value.startsWith('Wait 5 minutes')`)
	h.reads()
	h.writes("It may end from", "3 min")
	h.writes("and will do until", "8 min")
	h.fits("what was taken")
	id := evaluate[string](h.page, `location.pathname.split('/')[2]`)
	h.until("the design has it so", fmt.Sprintf(`fetch('/api/v1/experiments/%s').then((r) => r.json()).then((d) =>
		d.document.needs.some((n) => n.amount === '250 mL' && n.tolerance === 'about') &&
		JSON.stringify(d.document.steps[0].wait) === '{"for":"5 min","earliest":"3 min","latest":"8 min"}')`, id))
	// The thing itself is worked out further beside the strip.
	h.press("thing vinegar")
	h.press("the thing")
	h.sheet("Thing 1")
	h.violations("a thing in its sentence and beside the strip") // no two fields have one id
}
