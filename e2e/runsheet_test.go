package e2e

import "testing"

// A design is put to the clock from its beginning, or backwards from when it has to be done.
func TestRunSheetOfADesign(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := made(p, example(t, "thirsty-beans"))
	p.open(demo.base + "/experiments/" + id + "/steps")
	p.press("Run sheet")
	p.sees("Done at 07:35, the next day. Nobody has to get up")
	p.looksAt("Begins at", "10:00")
	p.sees("steps fall at a bad time")
	p.sees("while homes sleep")
	p.chooses("Count", "back from when it is done")
	p.looksAt("Done by", "11:00")
	p.sees("To be done by 11:00, begin between")
	p.sees("on the day before")
	p.fits("a run sheet")
	p.violations("a run sheet")
}
