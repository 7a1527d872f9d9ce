package e2e

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// cell opens the cell of a home and a need at the Kitchens station.
func (p *page) cell(home, need string) {
	p.t.Helper()
	p.until("the cell of "+home+" and "+need, fmt.Sprintf(`(() => {
		const b = [...document.querySelectorAll('button.cell')].find((x) =>
			x.getAttribute('aria-label').startsWith(%q));
		if (!b) return false; b.click(); return true; })()`, home+", "+need))
}

// invited is the link of a home of class 7M.
func (p *page) invited(home string) string {
	p.t.Helper()
	return evaluate[string](p, fmt.Sprintf(`fetch('/api/v1/classes').then((r) => r.json()).then((c) =>
		fetch('/api/v1/classes/' + c.items.find((x) => x.name === '7M').id + '/invitations')).then((r) =>
		r.json()).then((i) => i.items.find((x) => x.nickname === %q).link)`, home))
}

// taps counts the taps on a page from now on.
func (p *page) taps() func() int {
	p.t.Helper()
	evaluate[bool](p, `(() => { window.taps = 0; addEventListener('change', () => window.taps++, true);
		addEventListener('click', (e) => { if (e.target.closest('button')) window.taps++; }, true); return true; })()`)
	return func() int { return evaluate[int](p, `window.taps`) }
}

// A teacher asks before issuing; homes answer on the phone, one with a substitute, one
// that somebody in has to avoid something; the teacher looks at the other ways, tries one,
// fixes it, issues; the phones show their own amounts, and a last-minute swap is answered
// without a connection.
func TestAskedPlannedIssuedFollowed(t *testing.T) {
	demo := theDemo(t)
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	id := made(teacher, example(t, "sour-lemon"))
	teacher.open(demo.base + "/experiments/" + id + "/kitchens")
	teacher.chooses("Class", "7M")
	teacher.sees("have not said what their kitchens have")
	teacher.press("Ask the homes")
	teacher.sees("Asked on")

	gorse := tab(t, 390, 844)
	gorse.open(demo.link("Gorse"))
	gorse.press("Go on")
	gorse.press("What is in your kitchen?")
	gorse.sees("Only your teacher sees it")
	taps := gorse.taps()
	gorse.press("We have all")
	gorse.press("Enough for now")
	gorse.sees("Your experiments")
	if n := taps(); n > 8 {
		t.Errorf("a usual home needs %d taps to say that it has what is asked", n)
	}
	gorse.seesNot("What is in your kitchen?")

	link := teacher.invited("Snipe")
	snipe := tab(t, 390, 844)
	line := newProxy(t, strings.TrimPrefix(demo.base, "http://"))
	snipe.open(strings.Replace(link, demo.base, line.base(), 1))
	snipe.press("Go on")
	snipe.press("What is in your kitchen?")
	snipe.said("baking soda", "We have none")
	snipe.press("We have all")
	snipe.said("baking powder", "We have it")
	snipe.fits("a survey before anything is issued")
	snipe.violations("a survey before anything is issued")
	snipe.press("Enough for now")

	teacher.marked("Snipe", "baking powder, separate") // the station is live
	teacher.cell("Snipe", "baking soda")
	teacher.sees("Snipe · baking soda")
	teacher.sees("Other ways")
	teacher.fits("the ways of a cell")
	teacher.violations("the ways of a cell")
	teacher.press("Try it: baking soda")
	teacher.sees("Would be: ")
	teacher.marked("Snipe", "baking soda, to send · fixed")
	teacher.press("Put back")
	teacher.press("Try it: baking soda")
	teacher.press("Keep")
	teacher.sees("Fixed for Snipe")
	teacher.marked("Snipe", "baking soda, to send · fixed")
	teacher.press("Leave it open again")
	teacher.marked("Snipe", "baking powder, separate")
	if status := issued(teacher, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}

	snipe.open(strings.Replace(link, demo.base, line.base(), 1))
	snipe.until("the experiment in the list", fmt.Sprintf(`[...document.querySelectorAll('button.choice')].filter((b) =>
		b.textContent.includes(%q)).length > 0`, "Sour lemon"))
	evaluate[bool](snipe, fmt.Sprintf(`(() =>
		{ [...document.querySelectorAll('button.choice')].find((b) => b.textContent.includes(%q)).click(); return true;
		})()`, "Sour lemon"))
	snipe.until("the facts or the name", `Boolean(document.querySelector('input'))`)
	for _, no := range evaluate[[]string](snipe,
		`[...document.querySelectorAll('input[type=radio][id$="-no"]')].map((x) => x.id)`) {
		evaluate[bool](snipe, fmt.Sprintf(`(() => { document.getElementById(%q).click(); return true; })()`, no))
	}
	snipe.ticks("An adult will be there")
	snipe.writes("Your name (an adult)", "A. Snipe")
	snipe.press("We agree, begin")
	snipe.sees("baking powder 75 g")
	snipe.sees("in the place of baking soda")
	line.cut()
	snipe.press("We have none: baking powder")
	snipe.sees("Use this instead:")
	snipe.fits("what else may be used")
	snipe.violations("what else may be used")
	snipe.press("We use this: baking soda")
	snipe.sees("baking soda 20 g")
	snipe.seesNot("baking powder")
	line.heal()
	evaluate[bool](snipe, `(() => { dispatchEvent(new Event('online')); return true; })()`)
	snipe.until("the swap is sent", `!document.body.innerText.includes('waits to be sent')`)
	snipe.sees("baking soda 20 g")

	// On paper each home has two pages with its own things and its own code.
	as := evaluate[string](teacher, fmt.Sprintf(`fetch('/api/v1/assignments').then((r) => r.json()).then((l) => {
		const a = l.items.find((a) => a.experiment === %q); return a.class + '/assignments/' + a.id; })`, id))
	teacher.open(demo.base + "/experiments/" + id + "/issue")
	teacher.sees("Print all packs")
	teacher.open(demo.base + "/print/classes/" + as + "/packs")
	codes := evaluate[[]string](teacher, `[...document.querySelectorAll('.sheet-of-pack')].map((s) =>
		s.querySelector('.label').textContent + ' ' + s.querySelector('.head strong').textContent)`)
	if len(codes) != 48 || codes[0] != codes[1] || codes[0] == codes[2] {
		t.Errorf("%d sheets: %v", len(codes), codes)
	}
	said := func(what, size string) (pages []int) {
		teacher.until(what, `document.querySelector('.papers strong').textContent === '`+size+
			`' && document.body.dataset.counted === 'yes'`)
		return evaluate[[]int](teacher, `[...document.querySelectorAll('style')].flatMap((s) =>
			[...s.textContent.matchAll(/counter\(np\d+\) " (?:of|de) (\d+)"/g)].map((m) => Number(m[1]))).slice(-24)`)
	}
	for size, paper := range map[string]chromedp.PaperSize{"A4": chromedp.PaperA4, "Letter": chromedp.PaperLetter} {
		teacher.open(demo.base + "/print/classes/" + as + "/packs?paper=" + size)
		of := said("the pages are counted on "+size, size)
		if c := slices.Compact(slices.Clone(of)); len(of) != 24 || len(c) != 1 || c[0] != 2 {
			t.Errorf("on %s the homes' pages are %v", size, of)
		}
		printed := func() int {
			pdf, err := chromedp.Run(teacher.ctx, chromedp.PrintToPDF(chromedp.PDFPaper(paper)))
			if err != nil {
				t.Fatal(err)
			}
			return len(pdfPages.FindAll(pdf, -1))
		}
		if pages := printed(); pages != 48 {
			t.Errorf("the packs of 24 homes on %s: %d pages", size, pages)
		}
		// What is longer flows, and is counted as it flows.
		evaluate[bool](teacher, `(() => { const s = document.createElement('style'); document.head.append(s);
			s.textContent = '.procedure,.front{font-size:19pt!important;line-height:25pt!important}';
			delete document.body.dataset.counted;
			const again = document.createElement('script'); again.type = 'module'; again.src = '/pages.js?again';
				document.head.append(again);
			return true; })()`)
		sum := 0
		for _, n := range said("the longer pages are counted", size) {
			sum += n
		}
		if pages := printed(); pages != sum || pages <= 48 {
			t.Errorf("longer packs on %s: %d pages, %d said", size, pages, sum)
		}
	}
	teacher.violations("packs")
}
