package e2e

import (
	"fmt"
	"strings"
	"testing"
)

// soaked is an experiment made from nothing: how many times its own mass rice takes up,
// worked out with what was really used; a grown-up's knife in it; and the height of each
// home, which goes into a second value.
const soaked = `{schema: 3, title: {en: 'Soaked rice', es: 'Arroz en remojo'},
	question: {en: 'Does cut rice take up more?', es: '¿Bebe más el arroz cortado?'}, age_band: '11-13',
	way: 'follow-along', languages: ['en', 'es'], trials: 1,
 changed: {name: {en: 'cutting', es: 'el corte'}},
 	conditions: [{id: 'whole', name: {en: 'Whole', es: 'Entero'}, control: true},
 	{id: 'cut', name: {en: 'Cut', es: 'Cortado'}}],
 needs: [{id: 'rice', name: {en: 'rice', es: 'arroz'}, kind: 'material', material: 'rice-grain', amount: '20 g',
 	per_condition: true, symbol: 'r'}, {id: 'salt', name: {en: 'table salt', es: 'sal de mesa'}, kind: 'material',
 	material: 'table-salt', amount: '18 g'}],
 steps: [{id: 'cut', kind: 'do', title: {en: 'Cut half of the rice with a knife',
 	es: 'Corta la mitad del arroz con un cuchillo'}, text: {en: 'Cut half of the rice with a knife.',
 	es: 'Corta la mitad del arroz con un cuchillo.'}, duration: '5 min', actions: ['knife'], uses: ['rice']},
  {id: 'weigh', kind: 'measure', title: {en: 'Weigh both', es: 'Pesa los dos'},
  	text: {en: 'Stir the salt in and weigh both after an hour.',
  	es: 'Añade la sal y pesa los dos después de una hora.'}, duration: '5 min', uses: ['salt'],
  	takes: [{reading: 'mass'}]}],
 readings: [{id: 'mass', kind: 'quantity', symbol: 'm', unit: 'g', name: {en: 'mass', es: 'masa'}, per: ['condition'],
 	instruments: [{id: 'scale', name: {en: 'kitchen scale', es: 'balanza'}, resolution: '1 g'}]}],
 constants: [{symbol: 'h', name: {en: 'height of the home', es: 'altura de la casa'}, value: '100 m ± 50 m',
 	own: 'altitude'}],
 derived: [{id: 'times', name: {en: 'times its own mass', es: 'veces su propia masa'}, formula: 'm/r', unit: '1'},
 	{id: 'high', name: {en: 'height', es: 'altura'}, formula: 'm/m*h', unit: 'm'}],
 measured: [{name: {en: 'times its own mass', es: 'veces su propia masa'}, reading: 'times'}]}`

// leaves takes the focus out of a field, as a tap beside it does.
func (p *page) leaves() {
	p.t.Helper()
	evaluate[bool](p, `(() => { document.activeElement.blur(); return true; })()`)
}

// A home measures its spoon and its height once, in Spanish, and says when a grown-up is
// in: its sheet is worked out with them, its teacher is told before issuing that nobody
// is in for the knife, and a share is worked out with what was really used, typed without
// a connection.
func TestOwnValuesGoTheWholeWay(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, soaked)
	teacher.open(demo.base + "/experiments/" + id + "/kitchens")
	teacher.chooses("Class", "7M")
	teacher.sees("2 homes have not said") // of the class that was chosen
	teacher.press("Ask the homes")
	teacher.sees("Asked on")

	link := teacher.invited("Cairn")
	line := newProxy(t, strings.TrimPrefix(demo.base, "http://"))
	cairn := tab(t, 390, 844)
	cairn.open(strings.Replace(link, demo.base, line.base(), 1))
	cairn.press("Seguir")
	cairn.press("¿Qué hay en su cocina?")
	cairn.sees("mídanlo una vez")
	cairn.writes("la cucharadita al ras", "5,8 g")
	cairn.leaves()
	cairn.sees("no puede ser")
	cairn.writes("la cucharadita al ras", "58 g")
	cairn.leaves()
	cairn.sees("Una cucharadita: 5,8")
	cairn.writes("la altura sobre el mar", "412 m")
	cairn.leaves()
	cairn.sees("412")
	cairn.chooses("Hay una persona adulta, de lunes a viernes, desde", "3:00")
	cairn.chooses("Hay una persona adulta, de lunes a viernes, hasta", "4:00")
	cairn.chooses("Hay una persona adulta, sábado y domingo, desde", "3:00")
	cairn.chooses("Hay una persona adulta, sábado y domingo, hasta", "4:00")
	cairn.fits("own values")
	cairn.violations("own values")
	cairn.press("Basta por ahora")
	cairn.until("the hours arrived", `fetch(performance.getEntriesByType('resource').map((r) => r.name)
		.find((n) => n.endsWith('/kitchen'))).then((r) => r.json()).then((k) => k.answers.hours?.weekend?.to === 4)`)

	teacher.open(demo.base + "/experiments/" + id + "/issue?class=" + evaluate[string](teacher,
		`fetch('/api/v1/classes').then((r) => r.json()).then((c) => c.items.find((x) => x.name === '7M').id)`))
	teacher.sees("Cairn: no adult is in when one is needed")
	teacher.violations("issue with a conflict")
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}

	cairn.open(strings.Replace(link, demo.base, line.base(), 1))
	cairn.until("the experiment in the list", fmt.Sprintf(`(() =>
		{ const b = [...document.querySelectorAll('button.choice')].find((b) => b.textContent.includes(%q));
		if (!b) return false; b.click(); return true; })()`, "Arroz en remojo"))
	cairn.until("the name", `Boolean(document.querySelector('input'))`)
	for _, no := range evaluate[[]string](cairn,
		`[...document.querySelectorAll('input[type=radio][id$="-no"]')].map((x) => x.id)`) {
		evaluate[bool](cairn, fmt.Sprintf(`(() => { document.getElementById(%q).click(); return true; })()`, no))
	}
	cairn.ticks("Habrá una persona a")
	cairn.writes("Su nombre (persona adulta)", "A. Cairn")
	cairn.press("Damos permiso, empezar")
	cairn.sees("18 g")
	line.cut()
	evaluate[bool](cairn, `(() => { [...document.querySelectorAll('[id^="need-"]')].filter((b) =>
		!b.checked).forEach((b) => b.click()); return true; })()`)
	cairn.press("Todo listo: seguir")
	cairn.press("Soy una persona adulta y estoy aquí")
	cairn.sees("¿cuánto usaron de verdad?")
	cairn.writes("arroz, Cortado: ¿cuánto usaron de verdad? Hacía falta: 20 g", "25")
	cairn.leaves()
	cairn.sees("25")
	cairn.fits("amounts really used")
	cairn.violations("amounts really used")
	cairn.press("Hecho, siguiente")
	cairn.enters("Entero", "40 g")
	cairn.enters("Cortado", "40 g")
	line.heal()
	evaluate[bool](cairn, `(() => { dispatchEvent(new Event('online')); return true; })()`)
	cairn.until("all is sent", `!document.body.innerText.includes('a enviarse')`)

	teacher.open(demo.base + "/experiments/" + id + "/collect")
	teacher.sees("Cairn")
	got := evaluate[string](teacher, fmt.Sprintf(`fetch('/api/v1/assignments').then((r) => r.json()).then((l) =>
		l.items.find((a) => a.experiment === %q)).then((a) =>
		fetch('/api/v1/classes/' + a.class + '/assignments/' + a.id + '/results')).then((r) => r.json()).then((r) =>
		JSON.stringify(r.homes.find((h) => h.nickname === 'Cairn')))`, id))
	for _, want := range []string{"1.6", "412"} {
		if !strings.Contains(got, want) {
			t.Errorf("the results of Cairn have no %s: %s", want, got)
		}
	}
}
