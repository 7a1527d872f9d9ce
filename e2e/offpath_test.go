package e2e

import (
	"fmt"
	"testing"
)

// denies answers every open question about an own thing with its first answer,
// as a teacher does of something harmless.
func (p *page) denies() {
	p.t.Helper()
	const next = `(() => { if (document.body.innerText.includes('All is answered')) return 'done';
		const f = [...document.querySelectorAll('select')].find((s) => s.id.startsWith('is-') && !s.value); if (!f) return 'wait';
		Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(f, [...f.options].find((o) => !o.disabled).value);
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
	p.writes("Title", "Salty ice")
	p.writes("Question", "Does salt make ice melt sooner?")
	p.chooses("For ages", "11–13")
	p.writes("We change", "the salt")
	p.press("Add a condition")
	p.writes("Condition 1", "plain")
	p.press("Add a condition")
	p.writes("Condition 2", "salted")
	p.ticks("untreated")
	p.ticks("Español")
	p.press("2 Materials")
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
	p.sheet("Step 1")
	p.writes("What families read first", "Put the ice out")
	p.writes("What to do", "Put 4 ice cubes in each bowl.")
	p.chooses("Kind", "prepare")
	p.ticks("8 ice cubes")
	p.chooses("Add what is done", "put")
	p.chooses("In which vessel", "2 bowls")
	p.press("Add a step")
	p.sheet("Step 2")
	p.writes("What families read first", "Sprinkle the salt")
	p.writes("What to do", "Sprinkle the salt over one of them.")
	p.ticks("moor mineral salt")
	p.chooses("Add what is done", "put")
	p.chooses("In which vessel", "2 bowls")
	p.press("Add a measuring step")
	p.sheet("Step 3")
	p.writes("What families read first", "Weigh the water")
	p.writes("Wait before it", "10 min")
	p.press("Close")
	p.press("1 Plan")
	p.writes("We measure", "melted water")
	p.chooses("by the reading", "melted water")
	p.press("3 Safety")
	p.sees("No adult has to be there.")
	t.Log(p.words())
	p.press("5 Issue")
	p.sees("In the way")
	p.until("what is in the way", `document.querySelectorAll('ol li.notice').length > 0`)
	t.Log(p.words())
}
