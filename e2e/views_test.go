package e2e

import (
	"encoding/json"
	"fmt"
	"os"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
)

// violations runs axe-core on the page as it is.
func (p *page) violations(name string) {
	p.t.Helper()
	axe, err := os.ReadFile("../web/node_modules/axe-core/axe.min.js")
	if err != nil {
		p.t.Fatal(err)
	}
	time.Sleep(200 * time.Millisecond) // colours change over a tenth of a second
	evaluate[bool](p, string(axe)+"; true")
	raw := evaluate[string](
		p,
		`axe.run({runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
			rules: {region: {enabled: false}}}).then((r) =>
			JSON.stringify(r.violations.map((v) =>
			({id: v.id, help: v.help, nodes: v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160))}))))`,
	)
	var found []struct {
		ID, Help string
		Nodes    []string
	}
	if err := json.Unmarshal([]byte(raw), &found); err != nil {
		p.t.Fatal(err)
	}
	for _, v := range found {
		p.t.Errorf("%s: %s (%s)\n  %s", name, v.ID, v.Help, strings.Join(v.Nodes, "\n  "))
	}
}

// fits checks that the page does not scroll sideways.
func (p *page) fits(name string) {
	p.t.Helper()
	if over := evaluate[float64](p, `document.documentElement.scrollWidth - innerWidth`); over > 0 {
		p.t.Errorf("%s scrolls sideways by %v pixels", name, over)
	}
}

func TestTeachersViews(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.open(demo.base + "/sign-in")
	p.sees("One experiment, thirty different kitchens.")
	p.violations("sign-in")
	p.signIn(demo.base)
	ids := evaluate[map[string]string](
		p,
		`fetch('/api/v1/assignments').then((r) => r.json()).then((l) =>
			({e: l.items[0].experiment, c: l.items[0].class}))`,
	)
	at := "/experiments/" + ids["e"]
	for _, v := range []struct{ name, path, sees string }{
		{"today", "/today", "One home needs you."},
		{"experiments", "/experiments", "Thirsty beans"},
		{"plan", at + "/plan", "One thing changes"},
		{"steps", at + "/steps?at=read-4", "What families read first"},
		{"safety", at + "/safety", "What the guardian will read"},
		{"kitchens", at + "/kitchens", "taken as usual"},
		{"issue", at + "/issue", "Nothing is in the way."},
		{"run", at + "/run", "have sent their work"},
		{"collect", at + "/collect", "want a look"},
		{"compare", at + "/compare", "than with Printer paper"},
		{"class", "/classes/" + ids["c"], "have opened their link"},
		{"codes", "/classes/" + ids["c"] + "/codes", "Cut along the dashes"},
		{"account", "/account", "Where you are signed in"},
		{"help", "/help", "Keys"},
		{"workbench", "/workbench", "What do you want to find out?"},
		{"a question", "/workbench?ask=cooling", "give or take 0.2 °C"},
		{"a question with a mistake", "/workbench?ask=cooling&times=0+min", "at least 2 values"},
		{"larder", "/larder?thing=vinegar-white", "Instead of it"},
		{"jobs", "/larder?by=jobs", "usual failure"},
		{"parts", "/parts", "ShelfDrawing"},
	} {
		p.open(demo.base + v.path)
		p.until(
			v.name,
			fmt.Sprintf(`document.body.innerText.toLowerCase().includes(%q)`, strings.ToLower(v.sees)),
		)
		p.fits(v.name)
		// A tall window, so that no row lies half under the line at the foot.
		p.do(chromedp.EmulateViewport(1280, 3000))
		p.violations(v.name)
		p.do(chromedp.EmulateViewport(640, 3000)) // as at 200 %
		p.violations(v.name + " at 200 %")
		p.fits(v.name + " at 200 %")
		p.do(chromedp.EmulateViewport(1280, 800))
	}
	p.open(demo.base + at + "/compare")
	p.press("Show to class")
	p.sees("Back to names")
	p.sees("The class can say it")
	for _, hidden := range []string{"Snipe", "Rowan", "Ms Tarrant", "Sign out", "Something went wrong", "0555",
		"Larder"} {
		p.seesNot(hidden)
	}
	p.violations("the class’s page")
	p.fits("the class’s page")
	p.press("Back to names")
	p.sees("Readings as CSV")
	evaluate[bool](p, `(() => { document.querySelector('.plot [role=button]').focus(); return true; })()`)
	p.do(chromedp.KeyEvent(" "))
	p.sees("Lapwing’s notebook")

	// Paper carries the numbers of the class that has it, not of the first in a list.
	p.open(demo.base + at + "/safety")
	p.sees("7M, which has it")
	if href := evaluate[string](p, `[...document.querySelectorAll('a')].find((a) =>
		a.textContent.includes('Print the safety sheet')).href`); !strings.Contains(
		href,
		ids["c"],
	) {
		t.Errorf("it prints %s, issued to %s", href, ids["c"])
	}
}

func TestFamilysViews(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 390, 844)
	p.open(demo.link("Gorse"))
	look := func(name, sees string) {
		p.t.Helper()
		p.sees(sees)
		for _, width := range []int64{320, 390} {
			// A tall window, so that nothing lies half under the foot.
			p.do(chromedp.EmulateViewport(width, 2400, chromedp.EmulateMobile))
			p.violations(fmt.Sprintf("%s at %d px", name, width))
			p.do(chromedp.EmulateViewport(width, 844, chromedp.EmulateMobile))
			p.fits(fmt.Sprintf("%s at %d px", name, width))
		}
	}
	look("welcome", "For the home called")
	p.mu.Lock()
	script := p.script
	p.mu.Unlock()
	if t.Logf("script of the first page: %.0f bytes over the wire", script); script > 150_000 || script < 10_000 {
		t.Errorf("the first page loads %.0f bytes of script, want at most 150,000", script)
	}
	p.press("Go on")
	look("permission", "What could hurt, and what to do")
	p.writes("Your name (an adult)", "A. Gorsby")
	p.ticks("Photos of the work")
	p.press("We agree, begin")
	look("ready list", "Getting ready")
	p.seesNot("a paper napkin")
	p.press("We have none: 4 kinds of paper")
	look("ready list, something missing", "a paper napkin for the kitchen roll")
	p.press("9 still to fetch")
	look("prediction", "Put the four in order.")
	p.predicts()
	look("prediction, saved", "You will see it again")
	p.press("Begin")
	look("step", "Cut one strip of each paper")
	for _, title := range []string{"Draw the start line", "Hang the strips", "Pour, and start the clock",
		"At 1 minute"} {
		p.press("Done, next")
		p.sees(title)
		if title == "Hang the strips" {
			look("a step that asks", "Does a child under 4 live in your home?")
			p.ticks("No")
		}
	}
	look("waiting", "left")
	p.press("We did not wait")
	p.enters("Kitchen roll", "17 m")
	look("reading, doubted", "Look at your tool once more")
	p.press("Something went wrong")
	look("went wrong", "Someone is hurt")
	p.press("Someone is hurt")
	p.press("Something in an eye")
	look("first aid", "Rinse now")
	p.open(demo.base + "/code")
	look("code", "Type the code from your sheet")
	p.writes("Code", "AAAAA AAAAA")
	p.press("Open")
	look("wrong code", "You have 4 tries left this hour.")
}

// A nickname of sixty signs and one written from right to left fit on the
// phone and in the teacher's tables.
func TestLongAndRightToLeftNames(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	long := "Upper Sphagnum Reservoir and the Old Keeper’s Cottage No. 2"
	link := evaluate[string](p, fmt.Sprintf(`(async () => {
		const a = (await (await fetch('/api/v1/assignments')).json()).items[0];
		for (const nickname of [%q, 'سرخس الجبل']) await fetch('/api/v1/classes/' + a.class + '/homes',
			{method: 'POST', headers: {'Content-Type': 'application/json'}, body: JSON.stringify({nickname})});
		const l = (await (await fetch('/api/v1/classes/' + a.class + '/invitations')).json()).items.find((i) =>
			i.nickname === %q).link;
		location.href = '/classes/' + a.class;
		return l; })()`, long, long))
	p.sees("سرخس الجبل")
	p.fits("class with long names")
	p.open(demo.base + "/experiments")
	p.press("Paper strips")
	phone := tab(t, 390, 844)
	phone.open(link)
	phone.sees(long)
	phone.fits("welcome with a long name")
	phone.press("Go on")
	phone.fits("permission with a long name")
}
