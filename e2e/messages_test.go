package e2e

import "testing"

// A teacher writes to the homes of what was issued: once, and to those with an address;
// what was written stands to be read, word by word.
func TestWritingToHomes(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := made(p, example(t, "thirsty-beans"))
	if status := issued(p, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	p.open(demo.base + "/experiments/" + id + "/issue")
	p.press("invitation")
	p.sees("23 homes are written to.")
	p.sees("Without a mail address: Snipe. Print their packs.")
	p.press("invitation")
	p.sees("23 were before.")
	p.violations("writing to homes")
	p.fits("writing to homes")
	p.press("What was written")
	p.sees("Nobody is written to twice")
	p.press("invitation: Thirsty beans: your page")
	p.sees("The link is only for your home")
	p.violations("messages")
	p.fits("messages")
}
