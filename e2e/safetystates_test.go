package e2e

import (
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// made stores a document as an experiment and gives its id.
func (p *page) made(document string) string {
	p.t.Helper()
	return evaluate[string](
		p,
		`fetch('/api/v1/experiments', {method: 'POST', headers: {'Content-Type': 'application/json'}, body: JSON.stringify({document: `+document+`})}).then((r) => r.json()).then((d) => d.id)`,
	)
}

// The states of the Safety station: an experiment with nothing in it, one with
// sixty findings and very long names, one that homes only watch, and no
// connection.
func TestSafetyStates(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	look := func(name, id, sees string) {
		t.Helper()
		p.open(demo.base + "/experiments/" + id + "/safety")
		p.sees(sees)
		p.fits(name)
		p.do(chromedp.EmulateViewport(1280, 4000))
		p.violations(name)
		p.do(chromedp.EmulateViewport(768, 1024))
		p.fits(name + ", narrow")
		p.do(chromedp.EmulateViewport(1280, 800))
	}
	empty := p.made(
		`{schema: 2, title: {en: 'Nothing yet'}, question: {en: ''}, age_band: '11-13', way: 'follow-along',
			languages: ['en'], trials: 1}`,
	)
	look("an empty experiment", empty, "Nothing but the usual cautions applies.")

	long := strings.Repeat("a very long name of a thing ", 6)
	var needs, steps []string
	for i, m := range []string{"vinegar-white", "baking-soda", "table-salt", "kidney-bean-dry", "jam-jar", "coin-uk-1p",
		"thread-sewing", "milk-whole", "egg-white", "peroxide-6", "cell-button", "candle", "raisins", "balloon-latex",
		"povidone-iodine"} {
		needs = append(
			needs,
			fmt.Sprintf(`{id: 'n%d', name: {en: %q}, kind: 'material', material: %q, amount: '10 mL'}`, i, long+m, m),
		)
		steps = append(
			steps,
			fmt.Sprintf(
				`{id: 's%d', kind: 'do', title: {en: %q}, actions: ['pour', 'knife', 'hot-water'], heat: '70 °C',
					uses: ['n%d']}`,
				i,
				long,
				i,
			),
		)
	}
	many := p.made(
		`{schema: 2, title: {en: '` + long +
			`'}, question: {en: 'Why?'}, age_band: '5-7', way: 'follow-along', languages: ['en'], trials: 1, needs: [` +
			strings.Join(
				needs,
				",",
			) + `], steps: [` + strings.Join(
			steps,
			",",
		) + `]}`,
	)
	look("many findings", many, "are kept from homes as it stands.")

	watched := p.made(
		`{schema: 2, title: {en: 'Watched'}, question: {en: 'Why?'}, age_band: '11-13', way: 'watch-shared',
			languages: ['en'], trials: 1, steps: [{id: 'a', kind: 'do', title: {en: 'Culture'}, actions: ['culture']}]}`,
	)
	look("watched only", watched, "Germs grow, and some make you ill.")

	// By the keyboard alone: from finding to finding, and the first way out.
	closed := p.made(
		`{schema: 2, title: {en: 'Closed'}, question: {en: 'Why?'}, age_band: '11-13', way: 'follow-along',
			languages: ['en'], trials: 1,
		needs: [{id: 'v', name: {en: 'vinegar'}, kind: 'material', material: 'vinegar-white', amount: '20 mL'},
			{id: 's', name: {en: 'soda'}, kind: 'material', material: 'baking-soda', amount: '2 g'},
			{id: 'j', name: {en: 'jar'}, kind: 'material', material: 'jam-jar'}],
		steps: [{id: 'l', kind: 'prepare', title: {en: 'Label'}, actions: ['label']},
			{id: 'a', kind: 'do', title: {en: 'Mix'}, actions: ['pour'], uses: ['v', 's'], in: 'j', closed: true}]}`,
	)
	p.open(demo.base + "/experiments/" + closed + "/safety")
	p.sees("One thing is kept from homes")
	p.do(chromedp.KeyEvent("j"))
	p.until("a finding has the focus", `document.activeElement.tagName === 'ARTICLE'`)
	p.do(chromedp.KeyEvent("1"))
	p.until("the vessel is open", `!document.body.innerText.includes('kept from homes')`)

	p.open(demo.base + "/experiments/" + many + "/safety")
	p.sees("are kept from homes")
	p.press("Adult near")
	p.seesNot("Peroxide this strong burns skin")
	p.press("Not at home")
	p.sees("Peroxide this strong burns skin")
}

// The Larder by the keyboard, with nothing found, and with a file of things
// that is taken in or refused with its line.
func TestLarderStates(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	p.open(demo.base + "/larder")
	p.sees("white vinegar")
	p.do(chromedp.KeyEvent("/"))
	p.until("the search has the focus", `document.activeElement.id === 'larder-search'`)
	p.writes("Find by any everyday name", "zzzzz")
	p.sees("Nothing is called “zzzzz” here.")
	p.violations("nothing found")
	p.writes("Find by any everyday name", "jar")
	p.sees("jam jar")
	p.do(chromedp.KeyEvent(kb.Tab))
	evaluate[bool](p, `(() => { document.activeElement.blur(); return true; })()`)
	p.do(chromedp.KeyEvent("j"))
	p.until("a thing has the focus", `document.activeElement.dataset.thing !== undefined`)
	p.do(chromedp.KeyEvent(kb.Enter))
	p.sees("At home")
	p.do(chromedp.KeyEvent("2"))
	p.sees("usual failure")
	p.do(chromedp.EmulateViewport(768, 1024))
	p.fits("jobs, narrow")
	p.do(chromedp.EmulateViewport(1280, 800))

	// Two changes of the address before either is drawn: neither takes the other back.
	p.open(demo.base + "/larder")
	p.sees("youngest ages")
	evaluate[bool](p, `(() => { document.querySelector('[data-thing]').click();
		document.body.dispatchEvent(new KeyboardEvent('keydown', {key: '2', bubbles: true})); return true; })()`)
	p.sees("usual failure")
	p.until("the thing is open too", `document.querySelector('.sheet') !== null && location.search.includes('thing=')`)

	// Single keys can be switched off, for those whose tools send keys of their own.
	p.do(chromedp.KeyEvent("?"))
	p.ticks("Single keys act on the page")
	p.do(chromedp.KeyEvent("g"), chromedp.KeyEvent("l"))
	p.open(demo.base + "/larder")
	p.sees("youngest ages")
	p.do(chromedp.KeyEvent("3"))
	p.seesNot("what changes")
	p.open(demo.base + "/help")
	p.ticks("Single keys act on the page")
	p.do(chromedp.KeyEvent("g"), chromedp.KeyEvent("l"))
	p.sees("youngest ages")

	good, bad := filepath.Join(t.TempDir(), "good.csv"), filepath.Join(t.TempDir(), "bad.csv")
	for path, text := range map[string]string{good: "id,name_en,name_es,roles,hazards\nschool-soap,school " +
		"soap,jabón de la escuela,surfactant,slip\n", bad: "id,name_en,hazards\nschool-soup,school soup,delicious\n"} {
		if err := os.WriteFile(path, []byte(text), 0o600); err != nil {
			t.Fatal(err)
		}
	}
	p.do(chromedp.SetUploadFiles(chromedp.CSS("#own-file"), []string{bad}))
	p.sees("has the unknown tag")
	p.do(chromedp.SetUploadFiles(chromedp.CSS("#own-file"), []string{good}))
	p.sees("One entry was taken in.")
	p.sees("things (CSV)")
	p.open(demo.base + "/larder?q=jabón+de+la+escuela")
	p.sees("your school’s")
	p.open(demo.base + "/larder?thing=no-such-thing")
	p.sees("could not be read")
}
