package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/cdproto/input"
	"github.com/chromedp/chromedp"

	"patient-kitchen/docs"
)

// example is the document of a ready experiment.
func example(t *testing.T, name string) string {
	t.Helper()
	raw, err := docs.Example(name)
	if err != nil {
		t.Fatal(err)
	}
	return string(raw)
}

// draws draws a stroke across the paper of a drawing, as a finger or mouse does.
func (p *page) draws(id string) {
	p.t.Helper()
	p.until("a paper to draw on", fmt.Sprintf(`(() => { const b = document.querySelector('[data-testid="%s"]');
		if (!b) return false; b.scrollIntoView({block: 'center', behavior: 'instant'});
		const r = b.getBoundingClientRect(); return r.top > 0 && r.bottom < innerHeight; })()`, id))
	box := evaluate[[]float64](p, fmt.Sprintf(`(() =>
		{ const r = document.querySelector('[data-testid="%s"]').getBoundingClientRect();
		return [r.x, r.y, r.width, r.height]; })()`, id))
	at := func(kind input.DispatchMouseEventType, x, y float64) chromedp.Action[chromedp.Void] {
		return chromedp.MouseEvent(kind, box[0]+x*box[2], box[1]+y*box[3], chromedp.ButtonLeft)
	}
	p.do(at(input.DispatchMouseEventTypeMousePressed, 0.2, 0.3))
	for _, x := range []float64{0.3, 0.5, 0.7} {
		p.do(at(input.DispatchMouseEventTypeMouseMoved, x, 0.3+x/3))
	}
	p.do(at(input.DispatchMouseEventTypeMouseReleased, 0.7, 0.6))
}

// Stages, a pair of drawings, a flow chart, a place to stop and a crew go the whole
// way: on a phone without a connection, to the teacher, compared and handed on.
func TestPartsGoTheWholeWay(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, example(t, "clearer-water"))
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	p, line := gorse(t, demo, "Clearer and clearer", "No", "An adult will be there at the steps named above")
	p.sees("Who does what")
	p.sees("looks through the water from above")
	p.violations("who does what")
	p.press("Begin anyway")
	p.ticks("sand")
	p.press("Save. It cannot be changed")
	p.press("Begin")
	p.sees("Rinse the gravel")
	line.cut()
	p.press("I am an adult and I am here")
	for _, next := range []string{"Fill one cup with gravel", "Stir two spoons of soil", "Looker"} {
		p.press("Done, next")
		p.sees(next)
	}
	p.tile("clear", "no cross to be seen")
	p.draws("drawing-before-after-look-muddy")
	p.fits("a stage and a drawing")
	p.violations("a stage and a drawing")
	p.narrow("a stage and a drawing")
	p.press("Done, next")
	// A part is done: what to keep, and that one can stop.
	p.sees("Building the layers is done")
	p.sees("out of reach of pets")
	p.fits("a place to stop")
	p.violations("a place to stop")
	p.press("Go on now")
	for _, through := range [][2]string{{"Hold the cup of gravel", "a dark shade"},
		{"Pour that water through", "a blurred cross"}} {
		p.sees("Pourer · Looker")
		p.sees(through[0])
		p.tile("clear", through[1])
		p.press("Done, next")
	}
	p.sees("Look at the cross one last time")
	p.tile("clear", "a sharp cross")
	p.sees("Your first drawing is under the lid")
	p.draws("drawing-before-after-through-cloth")
	p.writes("1. Where", "gravel")
	p.writes("What changes at 1", "crumbs stay")
	p.writes("2. Where", "sand")
	p.writes("What changes at 2", "grains stay")
	p.labelled("Stage 2: up")
	p.fits("a flow chart")
	p.violations("a flow chart")
	p.narrow("a flow chart")
	p.press("Done, next")
	p.press("Done: see my result")
	line.heal()
	evaluate[bool](p, `(() => { dispatchEvent(new Event('online')); return true; })()`)
	p.sees("In your home clearness of the water was more after sand than after gravel.")
	p.fits("a result of stages")
	p.press("Next: what does it mean?")
	p.sees("What this model gets wrong")
	p.violations("a model")

	teacher.open(demo.base + "/experiments/" + id + "/collect")
	teacher.sees("a blurred cross")
	teacher.sees("The way of the water")
	teacher.sees("grains stay")
	teacher.until("both drawings of the pair", `document.querySelectorAll('.evidence-pair .drawing').length === 2`)
	teacher.violations("stages and evidence in the table")
	teacher.until("it can be sorted", `(() => { const b = [...document.querySelector('figure.pair').closest('section')
		.querySelectorAll('button')].find((x) => x.textContent === 'Sort onto heaps'); if (!b) return false; b.click(); return true; })()`)
	teacher.until("the pair is sorted onto a heap", `(() => { const s = [...document.querySelectorAll('select')].find((x) =>
		x.closest('figure.pair') && x.getAttribute('aria-label') === 'Heap for Gorse'); if (!s) return false;
		Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(s, 'yes');
		s.dispatchEvent(new Event('change', {bubbles: true})); return true; })()`)
	teacher.sees("Of one home that it could be told of: yes 1, partly 0, no 0")
	teacher.sees("Sorted by Ms Tarrant.")
	teacher.fits("stages and evidence in the table")
	teacher.open(demo.base + "/experiments/" + id + "/compare")
	teacher.sees("after cloth")
	teacher.violations("stages compared")
	csv := evaluate[string](
		teacher,
		`fetch([...document.querySelectorAll('a[download]')].find((a) => a.href.includes('.csv')).href).then((r) =>
			r.text())`,
	)
	for _, want := range []string{"sand,after sand,ordinal,blurred"} {
		if !strings.Contains(strings.ReplaceAll(csv, ";", ","), want) {
			t.Errorf("the table lacks %q:\n%s", want, csv)
		}
	}
}

// Things that a home chooses itself are named, told apart, and asked about where two are
// too alike, without a connection and in Spanish; the teacher sees them by their names.
func TestChosenThingsGoTheWholeWay(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, example(t, "three-shadows"))
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	p := tab(t, 390, 844)
	line := newProxy(t, strings.TrimPrefix(demo.base, "http://"))
	p.open(strings.Replace(demo.link("Gorse"), demo.base, line.base(), 1))
	p.ticks("Español")
	p.press("Seguir")
	p.press("Tres sombras")
	p.writes("Su nombre (persona adulta)", "A. Gorsby")
	p.press("Damos permiso, empezar")
	p.sees("Elige 3: cosa vertical")
	p.sees("al menos 5 cm de uno a otro")
	p.sees("vidrio, ni nada que obligue a subirse")
	p.writes("cosa vertical 1", "lata de té")
	p.writes("cosa vertical 2", "lata de té")
	p.writes("cosa vertical 3", "escoba")
	p.sees("ya es el nombre de otro") // two of one name cannot be told apart
	p.writes("cosa vertical 2", "cubo")
	p.violations("things to choose")
	p.narrow("things to choose")
	p.press("Decir qué hay en su cocina")
	p.sees("Nada de esto está mal.")
	p.said("Una regla o cinta", "1 mm")
	p.violations("a survey in Spanish")
	p.press("Basta por ahora")
	p.press("Empezar de todos modos")
	p.ticks("todas igual")
	p.press("Guardar. No se puede cambiar")
	p.press("Empezar")
	line.cut()
	p.press("Hecho, siguiente")
	p.sees("Mide cada una desde el suelo")
	for i, typed := range []string{"20 cm", "23 cm", "110 cm"} {
		p.measures(fmt.Sprintf("height///1/upright-%d/", i+1), typed)
	}
	p.sees("Se diferencia de lata de té en 3")
	p.fits("things measured")
	p.violations("things measured")
	p.press("Hecho, siguiente")
	for i, typed := range []string{"30 cm", "34,5 cm", "165 cm"} {
		p.measures(fmt.Sprintf("shadow///1/upright-%d/", i+1), typed)
	}
	p.press("Hecho, siguiente")
	p.press("Decirlo con palabras")
	p.writes("Las tres sombras", "apuntan a la casa")
	line.heal()
	evaluate[bool](p, `(() => { dispatchEvent(new Event('online')); return true; })()`)
	p.press("Hecho: ver mi resultado")
	p.sees("1,5") // as many times the height

	teacher.open(demo.base + "/experiments/" + id + "/collect?home=" + "")
	teacher.sees("apuntan a la casa")
	teacher.press("Gorse")
	teacher.sees("chose “lata de té”")
	teacher.sees("escoba")
	teacher.violations("chosen things in a notebook")
	csv := evaluate[string](
		teacher,
		`fetch([...document.querySelectorAll('a[download]')].find((a) => a.href.includes('.csv')).href).then((r) =>
			r.text())`,
	)
	if !strings.Contains(csv, "upright-3,escoba") {
		t.Errorf("the table lacks the home's own names:\n%s", csv)
	}
}

// measures types a value into the field of a slot and leaves it.
func (p *page) measures(slot, typed string) {
	p.t.Helper()
	p.until("a field for "+slot, fmt.Sprintf(`(() => { const f = document.getElementById('reading-%s');
		if (!f || f.tagName !== 'INPUT') return false;
		Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(f, %q);
		f.dispatchEvent(new Event('input', {bubbles: true})); f.focus(); f.blur(); return true; })()`, slot, typed))
}

// A teacher divides an experiment into stages, lets homes choose things, says where one
// can stop and who does what; a reading is taken at each stage, a step for somebody.
func TestPartsAreDesigned(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := made(p, shade)
	saved := func(what, holds string) {
		t.Helper()
		p.until(what, fmt.Sprintf(`fetch('/api/v1/experiments/%s').then((r) => r.json()).then((r) =>
			{ const d = r.document; return Boolean(%s); })`, id, holds))
	}
	p.open(demo.base + "/experiments/" + id + "/steps")
	p.sees("All in one piece")
	p.press("Stages")
	p.press("Add a stage")
	p.writes("Stage 1", "fresh")
	p.press("Add a stage")
	p.writes("Stage 2", "wilted")
	p.ticks("at each stage")
	saved("stages", `d.stages?.length === 2 && d.stages[1].word.en === 'wilted' &&
		d.readings.some((r) => r.per?.includes('stage'))`)
	p.press("Things homes choose")
	p.press("Add things to choose")
	p.writes("What to look for", "leaf")
	p.ticks("of each thing chosen")
	p.press("Add a limit")
	p.writes("apart by at least", "5 g")
	saved("things to choose", `d.objects?.[0].what.en === 'leaf' && d.objects[0].limits[0].apart === '5 g'`)
	p.press("Places to stop")
	p.press("Add a part")
	p.writes("Part 1", "first part")
	p.writes("go on after", "40 min")
	saved("a place to stop", `d.sections?.[0].earliest === '40 min'`)
	p.press("Who does what")
	p.press("Add a person")
	p.writes("Person 1", "Weigher")
	p.writes("does", "reads the scale")
	saved("a crew", `d.crew?.[0].does.en === 'reads the scale'`)
	p.press("Add evidence")
	p.chooses("Kind", "flow chart")
	p.press("Add a place")
	p.writes("Place 1", "windowsill")
	saved("a flow chart", `d.evidence?.some((e) => e.kind === 'flow-chart' && e.places[0].word.en === 'windowsill')`)
	p.violations("parts in the editor")
	p.fits("parts in the editor")
	p.open(demo.base + "/experiments/" + id + "/plan")
	p.press("What is changed is a number")
	p.writes("How much in condition 1", "5")
	p.press("A model of something")
	p.press("Add what stands for what")
	p.writes("This thing", "the bag")
	p.writes("stands for", "the air")
	p.press("Add what it gets wrong")
	p.writes("The model gets wrong", "there is no wind")
	p.press("Shorter versions")
	p.press("Add a shorter version")
	p.writes("It leaves out", "the second weighing")
	saved("a model", `d.limits?.[0].en === 'there is no wind' && d.conditions[0].value === '5' && d.reduced[0].leaves_out.en === 'the second weighing'`)
	p.violations("a model in the editor")
	p.fits("a model in the editor")
}
