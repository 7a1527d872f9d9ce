package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// vanishing asks for one of each kind that is no measured quantity: a count, a
// level with drawings, yes, partly or no, an option, and an order by ear. No
// number is needed for the experiment to be whole.
const vanishing = `{schema: 3, title: {en: 'Vanishing sugar', es: 'Azúcar que desaparece'},
	question: {en: 'Does warm water make sugar vanish sooner?', es: '¿Desaparece antes el azúcar en agua tibia?'},
	age_band: '11-13', way: 'follow-along', languages: ['en', 'es'], trials: 1,
 changed: {name: {en: 'warmth', es: 'calor'}},
 	conditions: [{id: 'cold', name: {en: 'Cold', es: 'Fría'}, control: true},
 	{id: 'warm', name: {en: 'Warm', es: 'Tibia'}}],
 needs: [{id: 'glass', name: {en: 'two glasses', es: 'dos vasos'}, kind: 'object'}],
 steps: [{id: 'look', kind: 'measure', title: {en: 'Look at both glasses', es: 'Mira los dos vasos'},
 	text: {en: 'Look at the sugar in both glasses after one minute.',
 	es: 'Mira el azúcar de los dos vasos después de un minuto.'}, duration: '5 min', uses: ['glass'],
 	takes: [{reading: 'left'}, {reading: 'grains', condition: 'warm'}]},
  {id: 'tell', kind: 'observe', title: {en: 'Listen and tell', es: 'Escucha y di'},
  	text: {en: 'Tap the glasses with a spoon and listen.', es: 'Toca los vasos con una cuchara y escucha.'},
  	duration: '5 min', uses: ['glass'], takes: [{reading: 'grains', condition: 'cold'}, {reading: 'clear'},
  	{reading: 'sound'}, {reading: 'ear'}]}],
 readings: [{id: 'left', kind: 'ordinal', name: {en: 'sugar left', es: 'azúcar que queda'}, per: ['condition'],
 	most: 'first', levels: [{id: 'all', word: {en: 'all', es: 'toda'}, picture: 'jar-full'},
 	{id: 'some', word: {en: 'some', es: 'algo'}, picture: 'jar-half'},
 	{id: 'nothing', word: {en: 'nothing', es: 'nada'}, picture: 'jar-empty'}]},
  {id: 'grains', kind: 'count', symbol: 'grains', of: '20', name: {en: 'grains', es: 'granos'}, per: ['condition']},
  {id: 'clear', kind: 'yes-partly-no', name: {en: 'it is clear', es: 'está clara'},
  	partly: {en: 'partly: some haze', es: 'en parte: algo turbia'}},
  {id: 'sound', kind: 'choice', name: {en: 'which rang', es: 'cuál sonó'}, right: 'spoon', not_sure: true,
  	options: [{id: 'spoon', word: {en: 'the spoon', es: 'la cuchara'}},
  	{id: 'fork', word: {en: 'the fork', es: 'el tenedor'}}]},
  {id: 'ear', kind: 'order', name: {en: 'how high', es: 'qué agudo'}, from: {en: 'highest', es: 'más agudo'},
  	to: {en: 'lowest', es: 'más grave'}, things: [{id: 'full', word: {en: 'full glass', es: 'vaso lleno'}},
  	{id: 'half', word: {en: 'half a glass', es: 'medio vaso'}},
  	{id: 'empty', word: {en: 'empty glass', es: 'vaso vacío'}}]}],
 claims: [{id: 'warmer', says: 'less', value: 'left', condition: 'warm', against: 'cold'},
 	{id: 'rang', says: 'share', value: 'sound', option: 'right'}, {id: 'higher', says: 'order', value: 'ear',
 	order: ['empty', 'half', 'full']}]}`

// tile taps the answer with these words in the slot of a reading.
func (p *page) tile(slot, words string) {
	p.t.Helper()
	p.until("the answer "+words, `(() => { const s = document.querySelector('[data-testid^="reading-`+slot+`"]');
		const l = s && [...s.querySelectorAll('label.choice, button.choice, button')].find((x) =>
			x.textContent.trim() === '`+words+`'); if (!l) return false; l.click(); return true; })()`)
}

// labelled presses the button that readers call so.
func (p *page) labelled(name string) {
	p.t.Helper()
	p.until(
		"a button called "+name,
		`(() => { const b = document.querySelector('button[aria-label="`+name+
			`"]'); if (!b || b.disabled) return false; b.click(); return true; })()`,
	)
}

// looksAt sets a field for a time of day; typing it depends on the browser's country.
func (p *page) looksAt(label, time string) {
	p.t.Helper()
	p.until("a time "+label, fmt.Sprintf(`((f) => { if (!f) return false;
		Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(f, %q);
			f.dispatchEvent(new Event('input', {bubbles: true})); return true; })((%s)(%q))`, time, field, label))
}

// narrow looks at a phone of 320 pixels, and at text of twice the size on it.
func (p *page) narrow(what string) {
	p.t.Helper()
	p.do(chromedp.EmulateViewport(320, 844, chromedp.EmulateMobile))
	p.fits(what + ", 320 pixels")
	evaluate[bool](p, `(() => { document.documentElement.style.fontSize = '200%'; return true; })()`)
	p.fits(what + ", text of twice the size")
	evaluate[bool](p, `(() => { document.documentElement.style.fontSize = ''; return true; })()`)
	p.do(chromedp.EmulateViewport(390, 844, chromedp.EmulateMobile))
}

// Things are put in order two at a time, without a connection; the core makes the order, which may
// still be changed; a circle in the answers is said. The teacher sees and compares it as any order.
func TestPairsByEar(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, evaluate[string](teacher, `JSON.stringify((() => { const d = `+vanishing+`;
		d.readings.find((r) => r.id === 'ear').pairs = true; return d; })())`))
	teacher.open(demo.base + "/experiments/" + id + "/steps")
	teacher.until("it is asked in pairs", `[...document.querySelectorAll('label')].some((l) =>
		l.textContent.startsWith('asked two at a time') && l.control?.checked)`)
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	p, line := gorse(t, demo, "Vanishing sugar")
	p.press("Begin anyway")
	p.sees("Look at the sugar in both glasses")
	p.hasCore()
	line.cut()
	p.tile("left/cold", "some")
	p.tile("left/warm", "some")
	p.press("One more")
	p.press("Done, next")
	p.sees("Pair 1 of 3")
	p.fits("two at a time")
	p.violations("two at a time")
	p.narrow("two at a time")
	answer := func(n int, how int) {
		p.sees(fmt.Sprintf("Pair %d of 3", n))
		p.until("an answer", fmt.Sprintf(`(() => { const b = document.querySelectorAll('.pair-answer')[%d];
			if (!b) return false; b.click(); return true; })()`, how))
	}
	answer(1, 0)
	p.press("One pair back")
	answer(1, 2)
	answer(2, 2)
	answer(3, 2)
	p.sees("This is your order. You may still change it.")
	p.sees("empty glass = ")
	p.press("Ask me again, two at a time")
	answer(1, 0)
	answer(2, 0)
	answer(3, 0)
	p.sees("This is your order.")
	p.fits("an order made of pairs")
	p.violations("an order made of pairs")
	p.press("Done: see my result") // what was answered is kept when the step is left
	line.heal()
	evaluate[bool](p, `(() => { dispatchEvent(new Event('online')); return true; })()`)
	teacher.open(demo.base + "/experiments/" + id + "/collect")
	teacher.until("the order at the desk", `/ glass [>=] /.test(document.body.innerText)`)
}

// Every kind goes the whole way: issued, taken on a phone without a connection,
// shown to the teacher, compared and handed on.
func TestKindsGoTheWholeWay(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, vanishing)
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	p, line := gorse(t, demo, "Vanishing sugar")
	p.sees("Getting ready")
	p.press("Begin anyway")
	p.sees("Look at the sugar in both glasses")
	p.fits("levels")
	p.violations("levels")
	line.cut()
	p.tile("left/cold", "some")
	p.tile("left/warm", "some")
	p.tile("left/warm", "nothing") // a second tap corrects the first
	p.press("One more")
	p.press("One more")
	p.labelled("rolled away or lost: one more")
	p.press("Done, next") // what is counted is kept when the step is left
	p.sees("Tap the glasses with a spoon")
	p.fits("kinds")
	p.violations("kinds")
	p.writes("or type it", "18")
	p.tile("clear", "partly")
	p.tile("sound", "the spoon")
	p.tile("ear", "half a glass")
	p.tile("ear", "empty glass")
	p.labelled("empty glass: up")
	p.tile("ear", "full glass")
	p.labelled("full glass: like the one above")
	p.fits("an order")
	p.violations("an order")
	p.narrow("an order")
	p.sees("No connection.")
	line.heal()
	evaluate[bool](p, `(() => { dispatchEvent(new Event('online')); return true; })()`)
	p.press("Done: see my result")
	p.sees("In your home sugar left was less with Warm than with Cold.")
	p.sees("empty glass > full glass = half a glass") // tied things stand as they are listed
	p.fits("a result of kinds")
	p.violations("a result of kinds")

	teacher.open(demo.base + "/experiments/" + id + "/collect")
	teacher.sees("2 of 20; 1 rolled away")
	teacher.sees("empty glass > half a glass = full glass")
	teacher.violations("kinds in the table")
	teacher.open(demo.base + "/experiments/" + id + "/compare")
	teacher.sees("One home")
	teacher.press("Warm, nothing")
	teacher.press("Gorse")
	teacher.sees("Gorse’s notebook")
	teacher.violations("a ledge and a notebook")
	csv := evaluate[string](
		teacher,
		`fetch([...document.querySelectorAll('a[download]')].find((a) => a.href.includes('.csv')).href).then((r) =>
			r.text())`,
	)
	for _, want := range []string{"ordinal,nothing", "yes-partly-no,partly", "choice,spoon", "order,empty>half=full",
		"count,2,"} {
		if !strings.Contains(strings.ReplaceAll(csv, ";", ","), want) {
			t.Errorf("the table lacks %q:\n%s", want, csv)
		}
	}
}

// A teacher makes a reading judge on levels, names them, and takes one condition
// alone in a step; by the keyboard a level is given.
func TestKindsAreDesigned(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := made(p, shade)
	p.open(demo.base + "/experiments/" + id + "/steps")
	p.sees("Readings")
	p.chooses("Homes", "judge on levels")
	p.sees("Levels have an order but no distances")
	for i, word := range []string{"wet", "damp", "dry"} {
		p.writes([]string{"Level 1", "Level 2", "Level 3"}[i], word)
	}
	p.press("Add a level")
	p.writes("Level 4", "crisp")
	p.violations("levels in the editor")
	p.fits("levels in the editor")
	p.until(
		"it is saved",
		`fetch('/api/v1/experiments/`+id+
			`').then((r) => r.json()).then((d) => d.document.readings[0].levels?.length === 4 && d.document.readings[0].levels[3].word.en === 'crisp')`,
	)
	// What is expected is said before, and by which test it will be held.
	p.open(demo.base + "/experiments/" + id + "/plan")
	p.sees("You say nothing yet, so this is what will be tested:")
	p.press("Say what you expect")
	p.chooses("For", "mass at first")
	p.sees("mass at first: more with at the door than with indoors. Held by: Sign test (exact).")
	p.sees("Levels have an order but no distances")
	p.chooses("it is", "less")
	p.sees("mass at first: less with at the door than with indoors.")
	p.violations("claims")
	p.fits("claims")
	p.open(demo.base + "/experiments/" + id + "/steps")
	p.chooses("Homes", "put in order")
	p.sees("The conditions are put in order, unless you name other things.")
	p.do(chromedp.KeyEvent(kb.Escape))
}

// damp asks for the other kinds: words by sense, several things, where woodlice
// stand at two looks, when something happens, and words of their own.
const damp = `{schema: 3, title: {en: 'Damp corner', es: 'Rincón húmedo'},
	question: {en: 'Where do they like it best?', es: '¿Dónde están mejor?'}, age_band: '11-13', way: 'follow-along',
	languages: ['en', 'es'], trials: 1,
 changed: {name: {en: 'the paper', es: 'el papel'}},
 	conditions: [{id: 'dry', name: {en: 'Dry', es: 'Seco'}, control: true},
 	{id: 'wet', name: {en: 'Wet', es: 'Mojado'}}],
 needs: [{id: 'paper', name: {en: 'two papers', es: 'dos papeles'}, kind: 'object'}],
 steps: [{id: 'lay', kind: 'do', title: {en: 'Lay the papers out', es: 'Pon los papeles'},
 	text: {en: 'Lay a dry and a wet paper side by side.', es: 'Pon un papel seco y uno mojado juntos.'},
 	duration: '2 min', uses: ['paper'],
 	helps: [{help: 'hands-first'}, {help: 'put-aside', thing: {en: 'the wet paper', es: 'el papel mojado'},
 	place: {en: 'on a plate', es: 'en un plato'}}]},
  {id: 'look', kind: 'measure', title: {en: 'Look and say', es: 'Mira y di'},
  	text: {en: 'Look at both papers.', es: 'Mira los dos papeles.'}, duration: '5 min', uses: ['paper'],
  	takes: [{reading: 'is', condition: 'wet'}, {reading: 'seen'}, {reading: 'where', time: '5 min'},
  	{reading: 'curls'}]},
  {id: 'again', kind: 'observe', title: {en: 'Look again', es: 'Mira otra vez'},
  	text: {en: 'Look once more.', es: 'Mira una vez más.'}, duration: '5 min', uses: ['paper'],
  	takes: [{reading: 'is', condition: 'dry'}, {reading: 'where', time: '15 min'}, {reading: 'damp-to'}, {reading: 'tell'}]}],
 readings: [{id: 'is', kind: 'words', name: {en: 'the paper is', es: 'el papel está'}, per: ['condition'],
 	senses: {looks: [{id: 'dark', word: {en: 'dark', es: 'oscuro'}}, {id: 'wavy', word: {en: 'wavy', es: 'ondulado'}}],
 	feels: [{id: 'cool', word: {en: 'cool', es: 'frío'}}]}},
  {id: 'seen', kind: 'several', name: {en: 'what you saw', es: 'lo que viste'},
  	options: [{id: 'drops', word: {en: 'drops', es: 'gotas'}}, {id: 'folds', word: {en: 'folds', es: 'pliegues'}}]},
  {id: 'where', kind: 'zones', name: {en: 'where the counters lie', es: 'dónde están las fichas'}, of: '8',
  	times: ['5 min', '15 min'], settling: ['5 min'], zones: [{id: 'wet', word: {en: 'wet', es: 'mojado'}},
  	{id: 'dry', word: {en: 'dry', es: 'seco'}}]},
  {id: 'curls', kind: 'event', symbol: 'curls', name: {en: 'the edge curls', es: 'el borde se dobla'}, not_by: '10 s',
  	unit: 's'},
  {id: 'damp-to', kind: 'position', symbol: 'reach', name: {en: 'how far it is damp', es: 'hasta dónde está húmedo'},
  	place: {picture: 'sheet', from: {x: 0, y: 0.375}, ruler: '300 mm'}},
  {id: 'tell', kind: 'text', name: {en: 'what you would ask next', es: 'qué preguntarías ahora'}}]}`

// The other kinds go the whole way too, in a home that reads Spanish.
func TestOtherKindsGoTheWholeWay(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, damp)
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	p := tab(t, 390, 844)
	line := newProxy(t, strings.TrimPrefix(demo.base, "http://"))
	p.open(strings.Replace(demo.link("Gorse"), demo.base, line.base(), 1))
	p.ticks("Español")
	p.press("Seguir")
	p.press("Rincón húmedo")
	p.writes("Su nombre (persona adulta)", "A. Gorsby")
	p.press("Damos permiso, empezar")
	p.press("Empezar de todos modos")
	p.sees("Pon los papeles")
	p.sees("Límpiate las manos antes de tocar el teléfono.")
	p.sees("Aparta el papel mojado en un plato.")
	p.press("Hecho, siguiente")
	p.sees("Mira los dos papeles")
	line.cut()
	p.tile("is/wet", "oscuro")
	p.tile("is/wet", "frío")
	p.writes("una palabra tuya", "como trapo")
	p.press("Añadir")
	p.tile("seen", "gotas")
	p.fits("words and zones")
	p.violations("words and zones")
	p.narrow("words and zones")
	p.tile("where", "mojado0")
	p.tile("where", "mojado1")
	p.tile("where", "seco0")
	p.sees("3 de 8 en su sitio")
	p.until(
		"not by is an answer now",
		`[...document.querySelectorAll('button')].some((b) => b.textContent === 'No ha pasado' && !b.disabled)`,
	)
	p.press("No ha pasado")
	p.sees("todavía no")
	// Two looks have to follow each other, and neither is to come.
	p.press("Cambiar")
	p.press("Lo vi después")
	p.looksAt("todavía no a las", "23:59")
	p.looksAt("ya estaba a las", "23:58")
	p.sees("La segunda mirada va después de la primera")
	p.press("AHORA")
	p.press("Hecho, siguiente") // the rest is kept when the step is left
	p.sees("Mira una vez más")
	p.tile("is/dry", "ondulado")
	p.tile("where", "mojado0")
	p.until("the picture", `Boolean(document.querySelector('.mark-on .ground'))`)
	evaluate[bool](p, `(() => { const g = document.querySelector('.mark-on'), b = g.querySelector('.squares').getBoundingClientRect();
		g.dispatchEvent(new PointerEvent('pointerdown', {bubbles: true, clientX: b.left + b.width * .3,
			clientY: b.top + b.height * .6})); return true; })()`)
	p.sees("Marcado en B3")
	p.writes("o escribe su cuadro", "d2")
	p.sees("Marcado en D2")
	p.tile("damp-to", "más o menos ahí")
	p.fits("a place")
	p.violations("a place")
	p.narrow("a place")
	p.writes("Tus palabras", "¿Y con sal?")
	p.fits("a text")
	p.violations("a text")
	line.heal()
	evaluate[bool](p, `(() => { dispatchEvent(new Event('online')); return true; })()`)
	p.press("Hecho: ver mi resultado")
	p.sees("oscuro y frío")
	p.sees("«¿Y con sal?»")
	p.fits("a result of words")
	p.violations("a result of words")

	teacher.open(demo.base + "/experiments/" + id + "/collect")
	teacher.sees("dark, cool, “como trapo”")
	teacher.sees("2 · 1")
	teacher.violations("words in the table")
	teacher.open(demo.base + "/experiments/" + id + "/compare")
	teacher.sees("the paper is")
	teacher.chooses("plot", "where the counters lie")
	teacher.sees("5 min (settling)")
	teacher.violations("looks on ledges")
	teacher.chooses("plot", "the edge curls")
	teacher.chooses("plot", "how far it is damp")
	teacher.sees("Gorse: D2")
	teacher.violations("crosses on a picture")
	csv := evaluate[string](
		teacher,
		`fetch([...document.querySelectorAll('a[download]')].find((a) => a.href.includes('.csv')).href).then((r) =>
			r.text())`,
	)
	for _, want := range []string{"words,dark cool", "several,drops", "zones,dry:1 wet:2", "text,¿Y con sal?",
		"event,", "position,0.583;0.375"} {
		if !strings.Contains(csv, want) {
			t.Errorf("the table lacks %q:\n%s", want, csv)
		}
	}
}
