package e2e

import (
	"fmt"
	"strings"
	"testing"
)

// What stands around an experiment is written in Plan: its words, what counts, why it comes
// out so and when that is read, what is often thought, its series; a step has simpler words
// and a tip. Families read the words before, the simpler ones when they like, and why only
// when they have sent; what is the teacher's stays there.
func TestTeachingGoesTheWholeWay(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := made(p, soaked)
	p.open(demo.base + "/experiments/" + id + "/plan")
	p.chooses("Kind of question", "a controlled comparison")
	p.press("Vocabulary")
	p.press("Add a word")
	p.writes("Word", "starch")
	p.writes("What it means here", "what swells in rice")
	p.press("Explanation")
	p.writes("Why it comes out so", "Cut grains have more open starch.")
	p.writes("What could be tried next", "Try brown rice.")
	p.chooses("Families read it", "as soon as they have sent")
	p.press("Often thought")
	p.press("Add one")
	p.writes("One thinks", "Rice melts.")
	p.writes("It is so", "It swells.")
	p.press("Series")
	p.writes("Name of the series", "Grains")
	p.writes("Number", "1")
	p.sees("Saved")
	p.fits("around the experiment")
	p.violations("around the experiment")
	p.changes(id, `d.steps[0].simple = {en: 'Cut some rice.', es: 'Corta arroz.'}; d.steps[0].tip = {en: 'Blunt knives slip.', es: 'Los cuchillos sin filo resbalan.'};
		d.teaching.vocabulary[0].word.es = 'almidón'; d.teaching.vocabulary[0].means.es = 'lo que se hincha'; d.teaching.explanation.es = 'El grano cortado tiene más almidón a la vista.'; d.teaching.extension.es = 'Prueben arroz integral.'`)
	// For those who go deeper: more words, more to judge, more of why.
	p.open(demo.base + "/experiments/" + id + "/steps?at=weigh&more=1")
	p.writes("More, for those who go deeper", "Weigh to a tenth of a gram.")
	p.until("it kept", fmt.Sprintf(`fetch('/api/v1/experiments/%s').then((r) => r.json()).then((d) =>
		d.document.steps[1].deeper?.en === 'Weigh to a tenth of a gram.')`, id))
	p.changes(id, `d.steps[1].deeper.es = 'Pesa con décimas.'; d.teaching.deeper = {en: 'Starch takes up its own mass of water.', es: 'El almidón absorbe su masa en agua.'};
		d.readings.push({id: 'soft', kind: 'yes-partly-no', symbol: 'soft', name: {en: 'it is soft', es: 'está blando'}, deeper: true});
		d.steps[1].takes.push({reading: 'soft'})`)
	second := made(p, soaked)
	p.changes(second, `d.title.en = 'Soaked oats'; d.teaching = {series: {en: 'Grains', es: 'Granos'}, number: 2}`)
	p.open(demo.base + "/experiments")
	p.sees("Grains, 1")
	p.sees("next: Soaked oats")
	reading := evaluate[string](p, fmt.Sprintf(`fetch('/api/v1/experiments/%s/text?language=en').then((r) => r.text())`,
		id))
	for _, want := range []string{"starch: what swells in rice", "Rice melts. → It swells.",
		"Cut grains have more open starch."} {
		if !strings.Contains(reading, want) {
			t.Errorf("the text for reading lacks %q", want)
		}
	}
	if status := issued(p, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}

	gorse := tab(t, 390, 844)
	gorse.open(p.invited("Gorse"))
	gorse.press("Go on")
	gorse.until("the experiment", `(() =>
		{ const b = [...document.querySelectorAll('button.choice')].find((b) => b.textContent.includes('Soaked rice'));
		if (!b) return false; b.click(); return true; })()`)
	gorse.until("a name", `Boolean(document.querySelector('input'))`)
	for _, no := range evaluate[[]string](gorse,
		`[...document.querySelectorAll('input[type=radio][id$="-no"]')].map((x) => x.id)`) {
		evaluate[bool](gorse, fmt.Sprintf(`(() => { document.getElementById(%q).click(); return true; })()`, no))
	}
	gorse.ticks("An adult will be there")
	gorse.writes("Your name (an adult)", "A. Gorse")
	gorse.press("We agree, begin")
	gorse.sees("what swells in rice")
	gorse.violations("words before the work")
	evaluate[bool](gorse, `(() => { [...document.querySelectorAll('[id^="need-"]')].filter((b) =>
		!b.checked).forEach((b) => b.click()); return true; })()`)
	gorse.press("All is ready: go on")
	gorse.seesNot("Blunt knives")
	gorse.press("In simpler words")
	gorse.sees("Cut some rice.")
	gorse.seesNot("Cut half of the rice with a knife.\n")
	gorse.press("I am an adult and I am here")
	gorse.press("Done, next")
	gorse.enters("Whole", "40 g")
	gorse.seesNot("it is soft")
	gorse.press("Go deeper")
	gorse.sees("Weigh to a tenth of a gram.")
	gorse.sees("it is soft")
	gorse.violations("going deeper")
	gorse.fits("going deeper")
	gorse.press("As it was written")
	gorse.seesNot("it is soft")
	gorse.enters("Cut", "44 g")
	gorse.press("Done: see my result")
	gorse.seesNot("more open starch")
	gorse.press("Next: what does it mean?")
	gorse.press("Send")
	gorse.sees("Cut grains have more open starch.")
	gorse.press("Go deeper")
	gorse.sees("Starch takes up its own mass of water.")
	gorse.sees("Try brown rice.")
	gorse.seesNot("Rice melts")
	gorse.fits("why it comes out so")
	gorse.violations("why it comes out so")
}
