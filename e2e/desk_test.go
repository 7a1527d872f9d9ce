package e2e

import "testing"

// The teacher looks into a reading that cannot be right: sets it aside with the
// reason; Compare shows the class with that and as it was sent; the home reads
// why.
func TestSettingAReadingAside(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 900)
	p.signIn(demo.base)
	at := evaluate[string](
		p,
		`fetch('/api/v1/assignments').then((r) => r.json()).then((l) => '/experiments/' + l.items[0].experiment)`,
	)
	p.open(demo.base + at + "/collect")
	p.press("Snipe")
	p.sees("Every entry")
	p.press("Not right?")
	p.press("Set aside")
	p.writes("Why does it not count?", "Too short")
	p.press("Set it aside")
	p.sees("at least 20 letters")
	p.writes("Why does it not count?", "The photo shows another number.")
	p.violations("why a reading is set aside")
	p.press("Set it aside")
	p.sees("you set a reading aside")
	p.violations("a reading set aside")
	p.open(demo.base + at + "/compare")
	p.sees("One reading was set aside or given another value by you.")
	p.press("Show it as it was sent")
	p.press("Show it with that")
	p.sees("Show it as it was sent")
}
