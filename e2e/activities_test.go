package e2e

import (
	"strings"
	"testing"
)

// three are short pieces of work of one session: pipes put in order by ear, a sound that is
// told from another, a tie that holds or not.
const three = `{schema: 3, title: {en: 'Three short ones', es: 'Tres cortas'},
	question: {en: 'What can you find out at the table?', es: '¿Qué descubres en la mesa?'}, age_band: '11-13',
	way: 'follow-along', languages: ['en', 'es'], trials: 1,
 needs: [{id: 'pipes', name: {en: 'paper pipes', es: 'tubos de papel'}, kind: 'object'},
  {id: 'spoon', name: {en: 'a wooden spoon', es: 'una cuchara de madera'}, kind: 'object'},
  {id: 'bag', name: {en: 'a paper bag', es: 'una bolsa de papel'}, kind: 'object'}],
 activities: [{id: 'pipes-one', title: {en: 'Paper pipes', es: 'Tubos de papel'}, steps: ['blow']},
  {id: 'sounds', title: {en: 'Kitchen sounds', es: 'Sonidos de cocina'}, steps: ['listen', 'say']},
  {id: 'ties', title: {en: 'Bag ties', es: 'Cierres de bolsa'}, steps: ['tie']}],
 steps: [{id: 'blow', kind: 'observe', title: {en: 'Tap the pipes', es: 'Toca los tubos'},
 	text: {en: 'Tap each pipe on your hand and listen.', es: 'Toca cada tubo en la mano y escucha.'}, duration: '3 min',
 	uses: ['pipes'], takes: [{reading: 'ear'}]},
  {id: 'listen', kind: 'do', title: {en: 'Close your eyes', es: 'Cierra los ojos'},
  	text: {en: 'Close your eyes while somebody taps.', es: 'Cierra los ojos mientras alguien toca.'},
  	duration: '2 min', uses: ['spoon']},
  {id: 'say', kind: 'observe', title: {en: 'Say what it was', es: 'Di qué era'},
  	text: {en: 'Say what you heard.', es: 'Di lo que oíste.'}, duration: '2 min', uses: ['spoon'],
  	takes: [{reading: 'heard'}]},
  {id: 'tie', kind: 'observe', title: {en: 'Turn it over', es: 'Dale la vuelta'},
  	text: {en: 'Turn the bag over and look.', es: 'Dale la vuelta a la bolsa y mira.'}, duration: '2 min', uses: ['bag'],
  	takes: [{reading: 'held'}]}],
 readings: [{id: 'ear', kind: 'order', name: {en: 'how high', es: 'qué agudo'}, from: {en: 'highest', es: 'más agudo'},
 	to: {en: 'lowest', es: 'más grave'}, things: [{id: 'short', word: {en: 'short', es: 'corto'}},
 	{id: 'long', word: {en: 'long', es: 'largo'}}]},
  {id: 'heard', kind: 'choice', name: {en: 'what it was', es: 'qué era'}, right: 'wood',
  	options: [{id: 'wood', word: {en: 'wood', es: 'madera'}}, {id: 'tin', word: {en: 'tin', es: 'lata'}}]},
  {id: 'held', kind: 'yes-partly-no', name: {en: 'it held', es: 'aguantó'}}]}`

// Several short activities in one session: each agreed to or not, begun in any order, with its
// own needs and its own end, on a phone without a connection; the one that was not agreed to
// holds nothing up, and may be agreed to later.
func TestActivitiesGoTheWholeWay(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, three)
	teacher.open(demo.base + "/experiments/" + id + "/steps")
	teacher.sees("Done in any order, each agreed to and ended by itself.")
	teacher.violations("activities in a design")
	teacher.fits("activities in a design")
	teacher.press("Add a step") // it is in the activity of the step before it
	teacher.until("the step is saved in the last activity", `fetch('/api/v1/experiments/`+id+`').then((r) => r.json()).then((d) =>
		d.document.steps.length === 5 && d.document.activities[2].steps.length === 2)`)
	id = made(teacher, three)
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	p := tab(t, 390, 844)
	line := newProxy(t, strings.TrimPrefix(demo.base, "http://"))
	p.open(strings.Replace(demo.link("Gorse"), demo.base, line.base(), 1))
	p.press("Go on")
	p.press("Three short ones")
	p.sees("What we agree to")
	p.violations("activities to agree to")
	p.ticks("Kitchen sounds") // off
	p.writes("Your name (an adult)", "A. Gorsby")
	p.press("We agree, begin")
	p.sees("Today, 3 short ones, in any order")
	p.sees("0 of 3 done")
	p.sees("Your adult did not agree to this one.")
	p.fits("short activities")
	p.violations("short activities")
	p.narrow("short activities")
	p.labelled("Begin: Bag ties") // the last one first
	p.sees("a paper bag")
	p.seesNot("paper pipes")
	p.press("1 still to fetch")
	p.sees("Turn it over")
	p.sees("Step 1 of 1")
	p.hasCore()
	line.cut()
	p.tile("held", "partly")
	p.press("Done: back to the list")
	p.sees("1 of 3 done")
	p.labelled("Begin: Paper pipes")
	p.press("1 still to fetch")
	p.tile("ear", "short")
	p.tile("ear", "long")
	p.press("Done: back to the list")
	p.sees("2 of 3 done")
	p.sees("See my result")
	line.heal()
	evaluate[bool](p, `(() => { dispatchEvent(new Event('online')); return true; })()`)

	teacher.open(demo.base + "/experiments/" + id + "/run")
	teacher.sees("without Kitchen sounds")
	teacher.sees("2 of 2")
	teacher.open(demo.base + "/experiments/" + id + "/collect")
	teacher.sees("short > long")
	teacher.violations("activities in the table")

	p.press("Ask your adult")
	p.sees("Not agreed to: Kitchen sounds")
	p.press("We agree to these too")
	p.labelled("Begin: Kitchen sounds")
	p.press("1 still to fetch")
	p.press("Done, next")
	p.sees("Step 2 of 2")
	p.tile("heard", "wood")
	p.press("Done: back to the list")
	p.sees("3 of 3 done")
	p.press("See my result")
	p.sees("short > long")
	p.fits("a result of activities")
	p.violations("a result of activities")
	p.press("Next: what does it mean?")
	p.press("Send")
	p.sees("Sent and safe")
}
