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
	p.sees("2.006 s") // 1 m: 2π√(L/g)
	p.writes("length", "25 cm")
	p.sees("1.003 s") // half of it
	p.seesNot("Worked example.")
	p.press("Keep beside")
	p.sees("What if 1")
	p.writes("length", "4 m")
	p.sees("4.013 s")
	p.sees("1.003 s")
	p.sees("length 25 cm")
	p.violations("two beside each other")
	p.fits("two beside each other")

	p.writes("length", "4")
	p.sees("needs a unit")
	p.sees("Before the mistake")
	p.sees("4.013 s")
	p.violations("a mistake")
	p.writes("length", "4 m")
	p.until("the mistake is mended", `!document.body.innerText.includes("needs a unit")`)

	p.until("the address", `location.search.includes('length=4+m')`)
	p.do(chromedp.Reload())
	p.sees("4.013 s")
	p.seesNot("What if 1")
	p.open(demo.base + "/workbench?ask=volcano")
	p.sees("There is no question by this address")
	p.writes("Find a question", strings.Repeat("x", 80))
	p.sees("No question has these words")
	p.fits("nothing found")
}
