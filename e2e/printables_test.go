package e2e

import (
	"bytes"
	"fmt"
	"image/png"
	"math"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/makiuchi-d/gozxing"
	"github.com/makiuchi-d/gozxing/qrcode"

	"patient-kitchen/core/design"
)

// millimetres of a length on a page, by the 96 dots an inch of a style sheet.
func millimetres(px float64) float64 { return px * 25.4 / 96 }

// A teacher names sheets to print at true size by their ticks; each is a page of its own on
// A4 and Letter in both languages, a millimetre is a millimetre, and the check line is
// 100 mm long. A home without a printer reads how each is made by hand.
func TestPrintablesAreTrueToSize(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := made(p, example(t, "falling-spinners"))
	p.open(demo.base + "/experiments/" + id + "/steps")
	p.ticks("Paper ruler")
	p.sees("Saved")
	p.violations("sheets to print")
	all := strings.Join(design.Printables, "','")
	every := made(p, strings.Replace(example(t, "falling-spinners"), `"spinner"`,
		strings.ReplaceAll("'"+all+"'", "'", `"`), 1))
	class := evaluate[string](p, `fetch('/api/v1/classes').then((r) => r.json()).then((c) =>
		c.items.find((x) => x.name === '7M').id)`)
	for _, language := range []string{"en", "es"} {
		p.open(demo.base + "/print/classes/" + class + "/experiments/" + every + "/printables?language=" + language)
		for size, paper := range map[string]chromedp.PaperSize{"A4": chromedp.PaperA4, "Letter": chromedp.PaperLetter} {
			pdf, err := chromedp.Run(p.ctx, chromedp.PrintToPDF(chromedp.PDFPaper(paper)))
			if err != nil {
				t.Fatal(err)
			}
			if pages := len(pdfPages.FindAll(pdf, -1)); pages != len(design.Printables) {
				t.Errorf("%d sheets in %s are %d pages of %s", len(design.Printables), language, pages, size)
			}
		}
	}
	p.violations("printables")
	lengths := evaluate[map[string]float64](p, `({
		hundred: document.querySelector('.hundred').getBoundingClientRect().width,
			card: document.querySelector('.card').getBoundingClientRect().width,
		unit: document.querySelector('.truesize svg').getScreenCTM().a })`)
	for what, want := range map[string]float64{"hundred": 100, "card": 85.6, "unit": 1} {
		if got := millimetres(lengths[what]); math.Abs(got-want) > 0.01*max(1, want/100) {
			t.Errorf("%s measures %.3f mm", what, got)
		}
	}

	if status := issued(p, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	gorse := tab(t, 390, 844)
	gorse.open(p.invited("Gorse"))
	gorse.press("Go on")
	gorse.until("the experiment", `(() =>
		{ const b = [...document.querySelectorAll('button.choice')].find((b) =>
		b.textContent.includes('Falling spinners')); if (!b) return false; b.click(); return true; })()`)
	gorse.until("a name", `Boolean(document.querySelector('input'))`)
	for _, no := range evaluate[[]string](gorse,
		`[...document.querySelectorAll('input[type=radio][id$="-no"]')].map((x) => x.id)`) {
		evaluate[bool](gorse, fmt.Sprintf(`(() => { document.getElementById(%q).click(); return true; })()`, no))
	}
	evaluate[bool](gorse, `(() => { document.querySelectorAll('input[type=checkbox]').forEach((b) =>
		b.labels[0]?.textContent.includes('An adult') && b.click()); return true; })()`)
	gorse.writes("Your name (an adult)", "A. Gorse")
	gorse.press("We agree, begin")
	gorse.until("the ready list", `(() =>
		{ const b = [...document.querySelectorAll('button')].find((b) => b.textContent.includes('Getting ready'));
		b?.click(); return document.body.innerText.includes('Print, or make by hand') ||
		document.body.innerText.includes('Predict') || document.body.innerText.includes('think'); })()`)
	as := evaluate[string](p, fmt.Sprintf(`fetch('/api/v1/assignments').then((r) => r.json()).then((l) =>
		{ const a = l.items.find((a) => a.experiment === %q); return a.class + '/assignments/' + a.id; })`, id))
	gorse.open(evaluate[string](gorse, `location.origin + location.pathname`) + "#/" +
		as[strings.LastIndex(as, "/")+1:] + "/ready")
	gorse.sees("Print, or make by hand")
	gorse.sees("No printer?")
	gorse.fits("what to print")

	// The pack: each home's pages are counted from one, and its square is read at 200 dpi.
	packs := tab(t, 1280, 800)
	packs.signIn(demo.base)
	packs.do(chromedp.EmulateViewport(1280, 800, chromedp.EmulateScale(200.0/96)))
	packs.open(demo.base + "/print/classes/" + as + "/packs")
	squares := evaluate[int](packs, `document.querySelectorAll('svg.square').length`)
	if squares != 24 {
		t.Fatalf("%d squares for 24 homes", squares)
	}
	links := evaluate[map[string]string](p, `fetch('/api/v1/classes/`+class+
		`/invitations').then((r) => r.json()).then((l) => Object.fromEntries(l.items.map((i) => [i.nickname, i.link])))`)
	for k := range squares {
		if k%8 != 0 { // three of them
			continue
		}
		home := evaluate[string](packs, fmt.Sprintf(`(() =>
			{ document.querySelectorAll('[data-read]').forEach((x) => x.removeAttribute('data-read'));
			const s = document.querySelectorAll('svg.square')[%d]; s.setAttribute('data-read', '');
			s.style.outline = '4mm solid white'; return s.closest('section').querySelector('.label').textContent.trim();
			})()`, k))
		shot, err := chromedp.Run(packs.ctx, chromedp.Screenshot(chromedp.CSS("[data-read]")))
		if err != nil {
			t.Fatal(err)
		}
		picture, err := png.Decode(bytes.NewReader(shot))
		if err != nil {
			t.Fatal(err)
		}
		if wide := picture.Bounds().Dx(); wide < 130 || wide > 160 { // 18 mm at 200 dpi are 142 dots
			t.Errorf("a square of %d dots", wide)
		}
		bitmap, err := gozxing.NewBinaryBitmapFromImage(picture)
		if err != nil {
			t.Fatal(err)
		}
		read, err := qrcode.NewQRCodeReader().Decode(bitmap,
			map[gozxing.DecodeHintType]any{gozxing.DecodeHintType_PURE_BARCODE: true})
		if err != nil || read.GetText() != links[home] {
			t.Errorf("the square of %s says %v (%v)", home, read, err)
		}
	}
}
