package e2e

import (
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// denies answers every open question about an own thing with its first answer,
// as a teacher does of something harmless.
func (p *page) denies() {
	p.t.Helper()
	const next = `(() => { if (document.body.innerText.includes('All is answered')) return 'done';
		const f = [...document.querySelectorAll('select')].find((s) => s.id.startsWith('is-') && !s.value);
			if (!f) return 'wait';
		Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(f,
			[...f.options].find((o) => !o.disabled).value);
		f.dispatchEvent(new Event('change', {bubbles: true})); return 'wait'; })()`
	p.until("all is answered", `new Promise((done) => setTimeout(done, 120)).then(() => `+next+` === 'done')`)
}

// sheet waits for the side sheet with this heading.
func (p *page) sheet(heading string) {
	p.t.Helper()
	p.until("the sheet "+heading, fmt.Sprintf(`document.querySelector('.sheet h2')?.textContent === %q`, heading))
}

// Off the demo's path: an experiment made from nothing with a thing of the
// school's own, issued to a second class with a home in Spanish, and one that
// came in as a file beside it.
func TestOffTheDemosPath(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 900)
	p.signIn(demo.base)

	p.press("Larder")
	p.press("Add your own")
	p.writes("Name in English", "Moor mineral salt")
	p.writes("Name in Spanish", "sal mineral del páramo")
	p.chooses("Is it stuff that you pour or eat", "stuff")
	p.chooses("Is it in its own packet", "yes")
	p.chooses("Is it a liquid, a powder", "grains")
	p.chooses("Is it sold to eat or drink?", "to eat")
	p.denies()
	p.chooses("Jobs it can do", "melt salt")
	p.press("Keep it")
	p.sees("Ms Tarrant says:")
	p.press("Close")

	// From nothing: what is not there yet is said, one thing after the other.
	p.press("Experiments")
	p.press("Begin from nothing")
	p.sees("The experiment has no title yet.")
	p.writes("Question", "Does salt make ice melt sooner?")
	p.writes("It is called", "Salty ice")
	p.chooses("and is for ages", "11–13")
	p.writes("We change", "the salt")
	p.press("Add a condition")
	p.writes("Condition 1", "plain")
	p.press("Add a condition")
	p.writes("Condition 2", "salted")
	p.ticks("untreated")
	p.ticks("Español")
	p.press("Materials and steps")
	p.press("Add a thing")
	p.sheet("Thing 1")
	p.writes("What families read", "moor mineral salt")
	p.chooses("It is", "a thing of the larder")
	p.writes("Which thing?", "moor mineral")
	p.press("Moor mineral salt")
	p.sees("Thing: Moor mineral salt")
	p.writes("Amount", "5 g")
	p.press("Add a thing")
	p.sheet("Thing 2")
	p.writes("What families read", "8 ice cubes")
	p.chooses("It is", "a thing of the larder")
	p.writes("Which thing?", "ice cube")
	p.press("ice cubes")
	p.press("Add a thing")
	p.sheet("Thing 3")
	p.writes("What families read", "2 bowls")
	p.chooses("It is", "a thing of the larder")
	p.writes("Which thing?", "bowl")
	p.press("mixing bowl")
	p.press("Add a reading")
	p.writes("What is read", "melted water")
	p.writes("Symbol in formulas", "m")
	p.writes("Unit", "g")
	p.sees("Saved")
	p.press("Add a step")
	p.until("an empty sentence under the hand", `document.activeElement?.matches('.sentence textarea') && document.activeElement.value === ''`)
	p.writes("What to do, in English", "Put 4 ice cubes in each bowl.")
	p.writes("What families read first", "Put the ice out")
	p.press("More of this step")
	p.sheet("Step 1")
	p.chooses("Kind", "prepare")
	// What the sentence says is taken over: the thing, the act and the vessel.
	p.sees("put in place ✕")
	if got := evaluate[string](p, `[...document.querySelectorAll('.sheet input:checked')].map((x) =>
		x.labels[0]?.textContent).join()+' '+[...document.querySelectorAll('.sheet select')].map((x) =>
		x.selectedOptions[0]?.textContent).join()`); !strings.Contains(got, "8 ice cubes") || !strings.Contains(got,
		"2 bowls") {
		t.Errorf("of a sentence was taken: %s", got)
	}
	p.press("Add a step")
	p.until("an empty sentence under the hand", `document.activeElement?.matches('.sentence textarea') && document.activeElement.value === ''`)
	p.writes("What to do, in English", "Sprinkle the salt over one of them.")
	p.writes("What families read first", "Sprinkle the salt")
	p.press("More of this step")
	p.sheet("Step 2")
	p.adds("put in place")
	p.chooses("In which vessel", "2 bowls")
	p.press("Add a measuring step")
	p.until("the third step", `document.querySelector('.sentence')?.getAttribute('aria-label') === 'Step 3'`)
	p.writes("What families read first", "Weigh the water")
	p.press("More of this step")
	p.sheet("Step 3")
	p.writes("Wait before it", "10") // asked, not guessed
	p.sees("“10” has no unit.")
	p.press("Take 10 min")
	p.sees("19 min from first to last")
	p.press("Close")
	p.press("Plan")
	p.writes("What is measured", "melted water")
	p.chooses("by the reading", "melted water")
	p.press("Safety")
	p.sees("No adult has to be there.")
	p.press("Issue")
	p.sees("no words in it, among them what is done.")

	// The same in Spanish.
	p.press("Plan")
	p.chooses("Words in", "Español")
	p.writes("Question", "¿La sal derrite antes el hielo?")
	p.writes("It is called", "Hielo con sal")
	p.writes("We change", "la sal")
	p.writes("What is measured", "agua derretida")
	p.writes("Condition 1", "sin sal")
	p.writes("Condition 2", "con sal")
	p.press("Materials and steps")
	for i, name := range []string{"sal mineral del páramo", "8 cubitos de hielo", "2 tazones"} {
		p.writes(fmt.Sprintf("Thing %d", i+1), name)
	}
	p.writes("What is read", "agua derretida")
	for i, words := range [][2]string{{"Poner el hielo", "Pon 4 cubitos en cada tazón."},
		{"Echar la sal", "Echa la sal sobre uno de ellos."}, {"Pesar el agua", ""}} {
		evaluate[bool](
			p,
			fmt.Sprintf(`(document.querySelectorAll('main ol li button, main ol li a')[%d].click(), true)`, i),
		)
		p.until("the step", fmt.Sprintf(`document.querySelector('.sentence')?.getAttribute('aria-label') === 'Step %d'`,
			i+1))
		p.sees("What to do, in Español")
		p.writes("What families read first", words[0])
		if words[1] != "" {
			p.writes("What to do, in Español", words[1])
		}
	}
	p.sees("It is not said what melted water is measured with.")
	p.chooses("Words in", "English")
	at := evaluate[string](p, `location.pathname.split('/')[2]`)

	// A second class; the one just made is the one offered.
	p.press("Classes")
	p.press("New class")
	p.writes("Name", "9K")
	p.writes("Emergency number", "911")
	p.writes("Poison advice", "0555 020 020")
	p.press("Make the class")
	p.writes("Nicknames, one a line", "Whin\nCairn, es")
	p.press("Read it")
	p.press("Add 2 homes")
	p.sees("2 homes added")
	p.seesNot("Undo")
	p.press("Experiments")
	p.press("Salty ice")
	p.press("Issue")
	p.sees("Nothing is in the way.")
	p.press("Issue version 1 to 2 homes")
	p.sees("Issue Salty ice to 2 homes of 9K?")
	p.press("Issue it")
	p.sees("Salty ice issued to 9K")

	// An experiment that came as a file, beside it.
	raw, err := os.ReadFile("../docs/examples/warm-wraps.json")
	if err != nil {
		t.Fatal(err)
	}
	file := filepath.Join(t.TempDir(), "wraps.json")
	if err := os.WriteFile(file,
		[]byte(strings.ReplaceAll(strings.Replace(string(raw), "Warm wraps", "Wraps from a friend", 1),
			"Abrigos para una taza", "Abrigos de una amiga")), 0o600); err != nil {
		t.Fatal(err)
	}
	p.press("Experiments")
	p.until("the list", `Boolean(document.querySelector('input[type=file]'))`)
	p.do(chromedp.SetUploadFiles(chromedp.CSS("input[type=file]"), []string{file}))
	p.sees("Wraps from a friend")
	p.press("Issue")
	p.sees("Nothing is in the way.")
	p.press("Issue version 1 to 2 homes")
	p.sees("of 9K?")
	p.press("Issue it")
	p.sees("Wraps from a friend issued to 9K")

	// The home in Spanish.
	links := evaluate[map[string]string](
		p,
		`fetch('/api/v1/classes').then((r) => r.json()).then((c) =>
			fetch('/api/v1/classes/' + c.items.find((x) => x.name === '9K').id + '/invitations')).then((r) =>
			r.json()).then((l) => Object.fromEntries(l.items.map((i) => [i.nickname, i.link])))`,
	)
	c := tab(t, 390, 844)
	c.open(links["Cairn"])
	c.press("Seguir")
	c.press("Hielo con sal")
	c.sees("Qué puede hacer daño")
	c.sees("sal mineral del páramo")
	c.seesNot("[") // no text without words
	c.writes("Su nombre (persona adulta)", "A. Cairn")
	c.press("Damos permiso, empezar")
	c.sees("8 cubitos de hielo")
	c.violations("the ready list of an own experiment")
	c.fits("the ready list of an own experiment")
	c.press("Faltan 3 cosas")
	c.sees("Pon 4 cubitos en cada tazón.")
	c.press("Hecho, siguiente")
	c.sees("Echa la sal sobre uno de ellos.")
	c.press("Hecho, siguiente")
	c.sees("Pesar el agua")
	c.sees("quedan unos 15 min")
	c.press("No esperamos")
	c.enters("sin sal", "12 g")
	c.sees("12 g")
	c.writes("con sal", "31") // typed, never pressed Keep: Done takes it along
	c.press("Hecho: ver mi resultado")
	c.sees("En esta vez con sal fue más que sin sal, por 19,0 g, más o menos 1,5 g.")
	c.fits("a result at 390 px")
	c.press("Los experimentos")
	c.sees("Abrigos de una amiga")
	c.press("Hielo con sal")
	c.press("Siguiente: ¿qué significa?")
	c.press("Enviar")
	c.sees("2 medidas")
	c.violations("sent, in Spanish")
	p.open(demo.base + "/experiments/" + at + "/compare")
	p.sees("9K, version 1 issued")
	p.sees("melted water")
	p.sees("One home: there is no class result to give.")
}
