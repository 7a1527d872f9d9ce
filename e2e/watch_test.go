package e2e

import "testing"

// made puts an experiment of the teacher's own into the demo and gives its id.
func made(p *page, document string) string {
	return evaluate[string](
		p,
		`fetch('/api/v1/experiments', {method: 'POST', headers: {'Content-Type': 'application/json'}, body: JSON.stringify({document: `+document+`})}).then((r) => r.json()).then((d) => d.id)`,
	)
}

// issued hands an experiment to class 7M and gives the answer's status.
func issued(p *page, experiment string) float64 {
	return evaluate[float64](
		p,
		`fetch('/api/v1/classes').then((r) => r.json()).then((c) =>
			fetch('/api/v1/classes/' + c.items.find((x) => x.name === '7M').id + '/assignments',
			{method: 'POST', headers: {'Content-Type': 'application/json'}, body: JSON.stringify({experiment: '`+
			experiment+`', opens_at: new Date(Date.now() - 36e5).toISOString(), due_at: new Date(Date.now() + 864e5).toISOString()})})).then((r) => r.status)`,
	)
}

const tower = `{schema: 2, title: {en: 'A tower of foam', es: 'Una torre de espuma'},
	question: {en: 'Does it rise faster when it is warm?', es: '¿Sube más rápido en caliente?'}, age_band: '11-13',
	way: 'predict-then-try', languages: ['en', 'es'], trials: 1,
 changed: {name: {en: 'how warm', es: 'el calor'}}, conditions: [{id: 'cold', name: {en: 'cold', es: 'frío'}},
 	{id: 'warm', name: {en: 'warm', es: 'tibio'}}],
 needs: [{id: 'foam', name: {en: 'hydrogen peroxide', es: 'agua oxigenada'}, kind: 'material', role: 'oxygen-releaser',
 	material: 'peroxide-6', strength: {value: 6, basis: 'w/v'}, amount: '400 mL'},
 	{id: 'jug', name: {en: 'jug', es: 'jarra'}, kind: 'material', material: 'jug-measuring-1l'}],
 steps: [{id: 'mix', kind: 'do', title: {en: 'Pour it', es: 'Verter'}, text: {en: 'Pour the peroxide into the jug.',
 	es: 'Vierte el agua oxigenada en la jarra.'}, duration: '2 min', actions: ['pour'], uses: ['foam'], in: 'jug',
 	takes: [{reading: 'height'}]}],
 readings: [{id: 'height', symbol: 'h', name: {en: 'height of the foam', es: 'altura de la espuma'}, unit: 'mm',
 	per_condition: true, instruments: [{id: 'ruler', name: {en: 'ruler', es: 'regla'}, resolution: '1 mm'}]}],
 measured: [{name: {en: 'height', es: 'altura'}, reading: 'top'}],
 	derived: [{id: 'top', name: {en: 'height', es: 'altura'}, formula: 'h', unit: 'mm'}],
 questions: [{id: 'guess', when: 'before', kind: 'choice',
 	text: {en: 'Which rises faster?', es: '¿Cuál sube más rápido?'}},
 	{id: 'why', when: 'after', kind: 'text', text: {en: 'Why?', es: '¿Por qué?'}}]}`

// A design that may never go home is shown by the teacher: homes see what is
// asked and what was measured, in their language, and nothing to do.
func TestShownByTheTeacher(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, tower)
	if status := issued(teacher, id); status == 200 {
		t.Fatal("peroxide of 6 % goes home")
	}
	teacher.open(demo.base + "/experiments/" + id + "/safety")
	teacher.press("I show it, homes watch")
	teacher.sees("You show it; homes watch")
	teacher.seesNot("Print your demonstration") // whose telephone numbers?
	teacher.chooses("Telephone numbers on paper are those of", "7M")
	teacher.sees("Print your demonstration")
	teacher.violations("a design that is watched")
	teacher.until("it is kept", `document.body.innerText.includes('Saved')`)
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}

	p := tab(t, 390, 844)
	p.open(demo.link("Gorse"))
	p.ticks("Español")
	p.press("Seguir")
	p.press("Una torre de espuma")
	p.sees("No lo hagan en casa")
	p.sees("¿Cuál sube más rápido?")
	p.violations("a prediction of what is watched")
	p.press("Guardar")
	p.sees("Responde primero cada pregunta")
	p.ticks("frío")
	p.press("Guardar")
	p.sees("No lo hagan en casa")
	p.sees("Las medidas compartidas aún no están")
	p.seesNot("Agua oxigenada")
	p.seesNot("400 mL")
	p.fits("watching")
	p.violations("watching")
	if n := evaluate[float64](p, `document.querySelectorAll('input[inputmode]').length`); n != 0 {
		t.Errorf("%v fields for readings", n)
	}

	teacher.open(demo.base + "/experiments/" + id + "/run")
	teacher.sees("watches")
	class := evaluate[string](
		teacher,
		`fetch('/api/v1/classes').then((r) => r.json()).then((c) => c.items.find((x) => x.name === '7M').id)`,
	)
	teacher.open(demo.base + "/print/classes/" + class + "/experiments/" + id + "/demonstration")
	teacher.sees("For the teacher alone")
	teacher.sees("6 %, 400 mL")
}

// What a step says and nothing ticks is one question at its sentence, answered
// once, by ticking it or by saying what it means.
func TestWhatIsSaid(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := made(
		p,
		`{schema: 2, title: {en: 'Shadows', es: 'Sombras'},
			question: {en: 'Which shadow is longer?', es: '¿Qué sombra es más larga?'}, age_band: '11-13',
			way: 'follow-along', languages: ['en', 'es'], trials: 1,
	 steps: [{id: 'a', kind: 'do', title: {en: 'Make a shadow', es: 'Una sombra'},
	 	text: {en: 'Light the candle and hold the ruler in front of it.',
	 	es: 'Enciende la vela y pon la regla delante.'}, duration: '5 min', actions: ['measure']},
	  {id: 'b', kind: 'do', title: {en: 'Look', es: 'Mirar'}, text: {en: 'Stand on a chair to see it all.',
	  	es: 'Súbete a una silla para verla entera.'}, duration: '5 min', actions: ['draw']}]}`,
	)
	p.open(demo.base + "/experiments/" + id + "/steps?at=a")
	p.sees("Is something lit here?") // at its step as well
	p.seesNot("Does anybody stand on something")
	p.violations("a step with a question")
	p.fits("a step with a question")
	p.open(demo.base + "/experiments/" + id + "/safety")
	p.sees("Is something lit here?")
	p.sees("Does anybody stand on something")
	p.sees("Until it is answered it counts as")
	p.violations("questions about sentences")
	p.press("Yes: tick “light something”")
	p.until("it is ticked", `!document.body.innerText.includes('Is something lit here?')`)
	p.press("No, it means something else")
	p.until("it is answered", `!document.body.innerText.includes('Does anybody stand on something')`)
}
