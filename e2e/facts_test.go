package e2e

import "testing"

// A home with a small child says so at a step: the step needs an adult then,
// here and in the other experiments of this home; its answer can be taken back.
func TestFactsOfAHome(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 390, 844)
	p.open(demo.link("Gorse"))
	p.press("Go on")
	p.sees("Where a child under 4 lives (steps: 3).")
	p.sees("In our home")
	p.sees("Your teacher is not shown the answers.")
	p.violations("permission with questions about the home")
	p.fits("permission with questions about the home")
	p.writes("Your name (an adult)", "A. Gorsby")
	p.press("We agree, begin")
	p.press("9 still to fetch")
	p.predicts()
	p.press("Begin")
	p.press("Done, next")
	p.sees("Draw a pencil line")
	p.press("Done, next")
	p.sees("Does a child under 4 live in your home?")
	p.until(
		"the step waits for the answer",
		`document.querySelector('.main-action').getAttribute('aria-disabled') === 'true'`,
	)
	p.violations("a step that asks")
	p.fits("a step that asks")
	p.ticks("Yes")
	p.sees("An adult stays near.")
	p.until(
		"the step waits for the adult",
		`document.querySelector('.main-action').getAttribute('aria-disabled') === 'true'`,
	)
	p.press("I am an adult and I am here")
	p.press("Done, next")
	p.sees("Pour, and start the clock")
	p.press("Back")
	p.sees("An adult stays near.")

	// The same home, on another phone: it is not asked again.
	other := tab(t, 390, 844)
	other.open(demo.link("Gorse"))
	other.press("Go on")
	other.sees("Pour, and start the clock")
	other.press("Back")
	other.sees("An adult stays near.")
}
