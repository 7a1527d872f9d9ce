package e2e

import (
	"fmt"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// TestThePlanInSentences: an empty design asks one thing; what is written unfolds the rest;
// a result is worked out in its sentence, lanes are moved by keys, a prediction is made of
// the plan, and what the design can show is said and changes with it.
func TestThePlanInSentences(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	p.open(demo.base + "/experiments")
	p.press("Begin from nothing")
	p.sees("What do you want to know?")
	p.until("one field only", `document.querySelectorAll('.work input, .work select, .work textarea').length === 1`)
	p.until("nobody has done anything wrong", `!document.querySelector('.margin').innerText.includes('Stop')`)
	p.violations("an empty plan")
	// A start puts the hand on its first gap.
	p.press("Does … change …?")
	p.until("the gap", `document.activeElement.id === 'f-question' &&
		document.activeElement.selectionStart === 5 && document.activeElement.selectionEnd === 6`)
	p.do(chromedp.KeyEvent("soap"))
	p.sees("The question, as families read it")
	p.writes("Question", "Does soap change how many drops a coin carries?")
	p.writes("It is called", "Drops on a coin")
	p.writes("We change", "soap in the water")
	p.writes("What is measured", "drops on the coin")
	p.sees("Nothing is measured or shown yet, so nothing can be said.")
	p.press("Add what is kept")
	p.until("the hand in it", `document.activeElement.id === 'f-kept-0-name'`)
	p.do(chromedp.KeyEvent("the same coin"))
	p.writes("In one line", "plain, soapy, very soapy")
	p.press("Put them in")
	// A reading, and of it a value that is worked out where it is spoken of.
	id := evaluate[string](p, `location.pathname.split('/')[2]`)
	p.until("all of it kept", fmt.Sprintf(`fetch('/api/v1/experiments/%s').then((r) => r.json()).then((d) =>
		d.document.conditions?.length === 3 && d.document.kept?.[0]?.name?.en === 'the same coin')`, id))
	p.sees("Saved")
	p.changes(id, `d.readings = [{id: 'drops', symbol: 'n', name: {en: 'drops'}, kind: 'count', unit: '', per: ['condition']}]`)
	p.open(demo.base + "/experiments/" + id + "/plan")
	p.sees("Whether soap in the water makes a difference to drops on the coin. Not why.")
	p.chooses("by the reading", "worked out of readings …")
	p.sees("Began a value that is worked out")
	p.writes("worked out as", "n / 2")
	p.sees("gives a value in plain numbers")
	p.writes("worked out as", "n /")
	p.until("where the formula breaks off", `Boolean(document.querySelector('.said .w-mend'))`)
	p.writes("worked out as", "n * 2")
	p.sees("gives a value in plain numbers")
	// What is done is the kind: it ends the sentence otherwise.
	p.chooses("by the reading", "drops")
	p.sees("We")
	p.chooses("We", "time when")
	p.sees("at the latest by")
	p.chooses("We", "count")
	p.writes("of", "40")
	// A lane goes down by a key, with the hand in it.
	p.do(chromedp.Focus(chromedp.CSS("#f-conditions-0-name")))
	p.do(chromedp.KeyEvent(kb.ArrowDown, chromedp.KeyModifiers(chromedp.ModifierAlt)))
	p.until("the lane moved", `document.activeElement.id === 'f-conditions-1-name' &&
		document.activeElement.value === 'plain'`)
	// Levels make a relation of it.
	p.press("What is changed is a number")
	for n, level := range []string{"1", "0", "2"} {
		p.writes("How much in condition "+string(rune('1'+n)), level)
	}
	p.writes("Unit in condition 1", "g")
	p.sees("How drops on the coin goes with soap in the water, from 0 to 2 g. Not outside")
	// A prediction is made of the plan, and its sentence can be changed.
	p.press("a ranking")
	p.until("the sentence of the ranking", `[...document.querySelectorAll('.work input')].some((i) =>
		i.value === 'Put in order of drops on the coin, the most first: soapy, plain and very soapy. Say why.')`)
	p.sees("Asked for a prediction")
	p.seesNot("Before they start they say")
	p.violations("a plan in sentences")
	p.fits("a plan in sentences")

	// The margin leads into the sentence that it speaks of.
	p.open(demo.base + "/experiments/" + id + "/plan?at=" + "%2Fmeasured%2F0%2Fmatters")
	p.until("the hand in the blank", `document.activeElement.id === 'f-measured-0-matters'`)
	p.open(demo.base + "/experiments/" + id + "/plan?at=" + "%2Fconditions")
	p.until("the hand among the conditions", `document.activeElement.id.startsWith('f-conditions')`)
	p.do(chromedp.EmulateViewport(768, 800))
	p.fits("a plan in sentences, narrow")
}
