package e2e

import "testing"

// shade is an experiment of a teacher's own: one value a home beside those of the
// conditions, a percentage with its factor of 100, a number to predict, a choice
// of its own in a step.
const shade = `{schema: 2, title: {en: 'Damp cloths', es: 'Paños húmedos'},
	question: {en: 'Which cloth dries faster?', es: '¿Qué paño se seca antes?'}, age_band: '11-13',
	way: 'predict-then-try', languages: ['en', 'es'], trials: 1,
 changed: {name: {en: 'where it hangs', es: 'dónde cuelga'}},
 	conditions: [{id: 'still', name: {en: 'indoors', es: 'dentro'}, control: true},
 	{id: 'draught', name: {en: 'at the door', es: 'en la puerta'}}],
 needs: [{id: 'cloth', name: {en: 'a cotton cloth', es: 'un paño de algodón'}, kind: 'object'}],
 steps: [{id: 'hang', kind: 'measure', title: {en: 'Weigh and hang', es: 'Pesar y colgar'},
 	text: {en: 'Weigh both damp cloths and hang them up.', es: 'Pesa los dos paños húmedos y cuélgalos.'},
 	duration: '5 min', uses: ['cloth'], takes: [{reading: 'wet'}, {reading: 'room'}]},
  {id: 'look', kind: 'measure', title: {en: 'Weigh again', es: 'Pesar otra vez'},
  	text: {en: 'Weigh both cloths again.', es: 'Pesa otra vez los dos paños.'}, duration: '5 min', uses: ['cloth'],
  	takes: [{reading: 'dry'}], questions: ['feel']}],
 readings: [{id: 'wet', symbol: 'wet', name: {en: 'mass at first', es: 'masa al principio'}, unit: 'g',
 	per_condition: true, instruments: [{id: 'scale', name: {en: 'scale', es: 'balanza'}, resolution: '1 g'}]},
  {id: 'dry', symbol: 'dry', name: {en: 'mass later', es: 'masa después'}, unit: 'g', per_condition: true,
  	instruments: [{id: 'scale', name: {en: 'scale', es: 'balanza'}, resolution: '1 g'}]},
  {id: 'room', symbol: 'room', name: {en: 'warmth of the room', es: 'calor del cuarto'}, unit: '°C',
  	per_condition: false, instruments: [{id: 'thermometer', name: {en: 'thermometer', es: 'termómetro'},
  	resolution: '1 °C', analogue: true}]}],
 constants: [{symbol: 'ice', name: {en: 'melting ice', es: 'hielo fundente'}, value: '0 °C'}],
 measured: [{name: {en: 'loss', es: 'pérdida'}, reading: 'loss'}],
 derived: [{id: 'loss', name: {en: 'share lost', es: 'parte perdida'}, formula: '(wet - dry) / wet * 100', unit: '%'},
 	{id: 'warmth', name: {en: 'room', es: 'cuarto'}, formula: 'room - ice', unit: 'K'}],
 questions: [{id: 'much', when: 'before', kind: 'number', unit: '%',
 	text: {en: 'How much will it lose?', es: '¿Cuánto perderá?'}}, {id: 'which', when: 'before', kind: 'choice',
 	text: {en: 'Which loses more?', es: '¿Cuál pierde más?'}},
  {id: 'feel', when: 'while', kind: 'choice', text: {en: 'How does it feel?', es: '¿Cómo se siente?'},
  	options: [{en: 'damp', es: 'húmedo'}, {en: 'dry', es: 'seco'}]}]}`

// Off the demo's path, in Spanish: what is typed is read or asked, questions have
// their kind in a step too, and the result has honest digits.
func TestOwnKindsInSpanish(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, shade)
	teacher.open(demo.base + "/experiments/" + id + "/steps")
	teacher.sees("a share, in %, of: mass at first")
	teacher.press("Add a constant")
	teacher.writes("Value with unit", "cold")
	teacher.sees("is not a value with a unit")
	teacher.open(demo.base + "/experiments/" + id + "/plan")
	teacher.press("Add an option")
	teacher.sees("Take out")
	own := made(teacher, shade)
	if status := issued(teacher, own); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}

	p := tab(t, 390, 844)
	p.open(demo.link("Gorse"))
	p.ticks("Español")
	p.press("Seguir")
	p.press("Paños húmedos")
	p.writes("Su nombre (persona adulta)", "A. Gorsby")
	p.press("Damos permiso, empezar")
	p.press("Empezar de todos modos")
	p.writes("¿Cuánto perderá?", "147 g")
	p.sees("lleva otra clase de unidad")
	p.writes("¿Cuánto perderá?", "20 por ciento")
	p.press("Guardar. No se puede cambiar")
	p.sees("Responde primero cada pregunta")
	p.ticks("en la puerta")
	p.press("Guardar. No se puede cambiar")
	p.press("Empezar")
	p.ticks("No")
	p.enters("dentro", "1,250")
	p.sees("lleva decimales o son miles")
	p.press("1250")
	p.sees("Guardado: 1250 g")
	p.fits("a question with its answers")
	p.violations("a question with its answers")
	p.enters("en la puerta", "1 kilo 200 gramos")
	p.sees("1200 g")
	p.press("Sí, eso es")
	p.press("Hecho, siguiente")
	p.sees("Pesa otra vez")
	p.enters("dentro", "1200 g")
	p.enters("en la puerta", "menos de 1 kilo")
	p.sees("menos de 1000 g")
	p.ticks("húmedo")
	p.press("Hecho: ver mi resultado")
	p.sees("4,00 % ± 0,12")
	p.sees("de 16,67 % a 100 %")
	p.sees("En esta vez en la puerta fue más que dentro. Cuánto más, tu instrumento no alcanza a decirlo.")
	p.fits("a result with a bound")
	p.violations("a result with a bound")

	// The teacher is told how the frozen formula is read, sees the answers in
	// words, and what a home has once in a plot of its own.
	teacher.open(demo.base + "/experiments/" + own + "/compare")
	teacher.sees("the factor of 100 is the unit and counts once")
	teacher.sees("A row of dots: only a bound is known.")
	teacher.sees("How does it feel?")
	teacher.sees("20 por ciento (asked in %)")
	teacher.chooses("plot", "room")
	teacher.sees("One home")
	teacher.violations("what a home has once")
}
