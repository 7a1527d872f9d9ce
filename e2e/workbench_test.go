package e2e

import (
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// A teacher asks how long a pendulum has to be: finds the question, types over
// the example, keeps an answer beside another, makes a mistake, and comes back
// to it through the address.
func TestWorkbench(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	p.open(demo.base + "/workbench")
	p.writes("Find a question", "swing")
	p.seesNot("Does the gas fit into this bag?")
	p.press("How long must a pendulum be")
	p.sees("Worked example.")
	p.sees("Period: 2.006 s, give or take 0.003 s.") // 1 m: 2π√(L/g), read to the centimetre
	p.writes("length", "25 cm")
	p.sees("Period: 1.003 s")
	p.sees("Most of the doubt")
	p.seesNot("Worked example.")
	p.press("Keep beside")
	p.sees("What if 1")
	p.writes("length", "4 m")
	p.sees("Period: 4.0128 s")
	p.sees("Period: 1.003 s")
	p.sees("length 25 cm")
	p.violations("two beside each other")
	p.fits("two beside each other")

	p.writes("length", "4")
	p.sees("needs a unit")
	p.sees("Before the mistake")
	p.sees("Period: 4.0128 s")
	p.violations("a mistake")
	p.writes("length", "4 m")
	p.until("the mistake is mended", `!document.body.innerText.includes("needs a unit")`)

	p.until("the address", `location.search.includes('length=4+m') && location.search.includes('length%3D25%2Bcm')`)
	p.do(chromedp.Reload())
	p.sees("Period: 4.0128 s")
	p.sees("What if 1")
	p.press("Remove")
	p.until("the other is gone", `!document.body.innerText.includes("What if 1")`)

	// The other way round: which length swings in 2 s?
	p.writes("Wanted period", "2 s")
	p.sees("length 0.9936 m")
	p.press("Take it")
	p.sees("Period: 1.99998 s")
	p.press("Working, step by step")
	p.sees("period = 2 × pi × √(length / g) × correction")
	p.ticks("Hide answers")
	p.sees("The answers are hidden")
	p.until("nothing is left", `!document.querySelector('main').innerText.includes("1.99998")`)
	p.ticks("Hide answers")

	p.open(demo.base + "/workbench?ask=volcano")
	p.sees("There is no question by this address")
	p.writes("Find a question", strings.Repeat("x", 80))
	p.sees("No question has these words")
	p.fits("nothing found")
}

// An answer is kept with an experiment, as what is expected of a value there;
// and a student's own lines are held against a formula.
func TestWorkbenchIntoADesign(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	p.open(demo.base + "/workbench?ask=formula&unit=mm&expression=17+mm+*+2")
	p.sees("has no unit here")
	p.writes("expression", "early * 2")
	p.writes("symbols", "early = 8.4 mm ± 0.3 mm")
	p.sees("Value: 16.8 mm, give or take 0.6 mm.")
	p.writes("A student", "8.4 mm × 2 = 16.8 mm")
	p.sees("Line 1 is right.")
	p.writes("A student", "8.4 mm × 2 = 17.8 mm")
	p.sees("does not equal what stands before")
	p.press("Put into a design")
	p.chooses("Experiment", "Paper strips")
	p.chooses("Expected of", "climb in 8 min (mm)")
	p.chooses("In which condition", "Newspaper")
	p.violations("keeping")
	p.press("Keep")
	p.sees("now expects 16.8 mm ± 0.6")
	p.press("Open it")
	p.sees("Newspaper: 16.8 mm ± 0.6")
	p.violations("expected")
}
