package e2e

import (
	"strings"
	"testing"
)

// A family does an experiment with an adult job: permission names it with its
// minutes, gear and what the rules add stand where they are needed, the step
// stays closed until the adult is there, first aid is that of these materials,
// and the teacher sees the trouble on the experiment as well.
func TestGuardedExperiment(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	ids := evaluate[map[string]string](
		teacher,
		`Promise.all(['classes', 'experiments'].map((x) => fetch('/api/v1/' + x).then((r) => r.json()))).then(([c,
			e]) => ({c: c.items.find((x) => x.name === '7M').id, e: e.items.find((x) => x.title === 'Warm wraps').id}))`,
	)
	issued := evaluate[float64](
		teacher,
		`fetch('/api/v1/classes/`+ids["c"]+
			`/assignments', {method: 'POST', headers: {'Content-Type': 'application/json'}, body: JSON.stringify({experiment: '`+ids["e"]+`', opens_at: new Date(Date.now() - 36e5).toISOString(), due_at: new Date(Date.now() + 864e5).toISOString()})}).then((r) => r.status)`,
	)
	if issued != 200 {
		t.Fatalf("not issued: %v", issued)
	}
	p := tab(t, 390, 844)
	p.open(demo.link("Gorse"))
	p.press("Go on")
	p.press("Warm wraps")
	p.sees("Step 2, about 4 min, Pour the hot water: an adult is near.")
	p.sees("An adult is in the room and watches.")
	p.sees("oven gloves")
	p.violations("permission with an adult job")
	p.fits("permission with an adult job")
	p.writes("Your name (an adult)", "A. Gorsby")
	p.ticks("An adult will be there")
	p.press("We agree, begin")
	p.sees("Getting ready")
	p.sees("600 mL")
	p.press("We have none: a kitchen thermometer")
	p.sees("Your result is compared with that of homes that use the same")
	p.violations("a ready list with substitutes")
	p.press("still to fetch")
	p.predicts()
	p.press("Begin")
	p.sees("First clear the table.")
	p.sees("Wrap two mugs")
	p.press("Done, next")
	p.sees("Pour the hot water")
	p.sees("If your helper has to go")
	p.until(
		"the step waits for the adult",
		`document.querySelector('.main-action').getAttribute('aria-disabled') === 'true'`,
	)
	p.violations("a step with an adult")
	p.press("Something went wrong")
	p.press("Someone is hurt")
	p.sees("Burn or scald")
	p.seesNot("Sting or bite")
	p.press("Something else")
	p.sees("Sting or bite")
	p.press("Burn or scald")
	p.sees("cool running water")

	// First on Today, and on the experiment itself.
	teacher.open(demo.base + "/experiments/" + ids["e"] + "/run")
	teacher.sees("pressed Something went wrong")
	teacher.sees("The page showed: Burn or scald.")
	teacher.press("I have seen it")
	teacher.until("it is seen", `!document.body.innerText.includes('pressed Something went wrong')`)

	// The sheets of a home, on its own phone, in its own language.
	home := evaluate[string](p, `location.pathname.split('/').pop()`)
	for _, sheet := range []string{"safety", "materials", "swaps"} {
		text := evaluate[string](
			p,
			`fetch('/api/v1/home/`+home+`').then((r) => r.json()).then((b) => fetch('/api/v1/home/`+home+
				`/assignments/' + b.sheets.find((s) => s.title === 'Warm wraps').assignment + '/print/`+sheet+
				`')).then((r) => r.text())`,
		)
		if !strings.Contains(text, "Gorse") || !strings.Contains(text, "0555 010 010") {
			t.Errorf("%s: %.300s", sheet, text)
		}
	}
}
