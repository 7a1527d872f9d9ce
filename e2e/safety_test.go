package e2e

import (
	"fmt"
	"regexp"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// A teacher screws a lid on something that fizzes, sees at once that it cannot
// go home, and takes the way out that is offered; then lowers a knife with a
// reason, reads what the guardian will read in Spanish, and undoes it all.
func TestSafetyStation(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := evaluate[string](
		p,
		`fetch('/api/v1/experiments').then((r) => r.json()).then((l) =>
			l.items.find((e) => e.title === 'Sour lemon').id)`,
	)
	at := demo.base + "/experiments/" + id
	p.open(at + "/steps?at=fizz&more=1")
	p.sees("What is done")
	p.ticks("it is closed")
	p.adds("climb high")
	p.sees("can burst it and throw pieces")
	p.open(at + "/safety")
	p.sees("2 things are kept from homes as it stands.")
	p.sees("cannot be lowered")
	p.violations("two things kept from homes")
	p.fits("two things kept from homes")
	p.press("Leave the vessel open")
	p.sees("One thing is kept from homes as it stands.")
	p.open(at + "/steps?at=fizz&more=1")
	p.press("climb high ✕")
	p.open(at + "/safety")
	p.sees("One adult job; permission names it.")

	// A knife at 8–10 cannot be lowered; at 11–13 it can, with a reason.
	p.seesNot("Lower it by one level?")
	p.open(at + "/plan")
	p.chooses("and is for ages", "11–13")
	p.sees("Saved")
	p.open(at + "/safety")
	p.press("Lower it by one level?")
	p.writes("Say why.", "They cut fruit")
	p.sees("more letters")
	p.writes("Say why.", "They cut fruit with me twice in November.")
	p.press("Lower it")
	p.sees("Adult near, lowered to With care. Ms Tarrant lowered this: They cut fruit")
	p.sees("No adult has to be there.")
	p.chooses("Language", "Español")
	p.sees("Ms Tarrant bajó esto")
	p.violations("a verdict lowered")
	p.press("Put it back")
	p.sees("One adult job; permission names it.")
}

// A caution of the teacher's own raises a step and stands in the guardian's
// preview in the teacher's words.
func TestACautionOfOnesOwn(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := evaluate[string](
		p,
		`fetch('/api/v1/experiments').then((r) => r.json()).then((l) =>
			l.items.find((e) => e.title === 'Falling spinners').id)`,
	)
	p.open(demo.base + "/experiments/" + id + "/safety")
	p.sees("No adult has to be there.")
	p.press("Add a caution of your own")
	p.chooses("it is", "Adult near")
	p.writes("What could hurt", "The stairwell is deep.")
	p.writes("What to do about it", "Drop it in the hall.")
	p.sees("One adult job; permission names it.")
	p.until(
		"the guardian reads it",
		`document.querySelector('.guardian').innerText.includes('The stairwell is deep. Drop it in the hall.')`,
	)
	p.violations("a caution of one's own")
	p.press("Take out")
	p.sees("No adult has to be there.")
	p.press("Undo")
	p.sees("One adult job; permission names it.")
}

// A need is looked up by an everyday name; a word that means several things is
// asked about; what may stand in is shown with its sum.
func TestChoosingAThing(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := evaluate[string](
		p,
		`fetch('/api/v1/experiments').then((r) => r.json()).then((l) =>
			l.items.find((e) => e.title === 'Sour lemon').id)`,
	)
	p.open(demo.base + "/experiments/" + id + "/steps?at=need:soda")
	p.sees("May stand in for it")
	p.sees("eggshell")
	p.violations("a thing with its substitutes")

	// What the need asks falls on whatever stands in for it.
	p.open(demo.base + "/experiments/" + id + "/steps?at=need:cups")
	p.sees("shot glass")
	p.chooses("Add what it has to be", "does not shatter")
	p.until("what shatters falls out", `!document.body.innerText.includes('shot glass')`)
	p.sees("plastic")
	p.violations("a need that asks a quality")
	p.press("take off")
	p.sees("shot glass")

	p.press("Add a thing")
	p.sees("the safety check assumes the worst")
	p.writes("Which thing?", "soda")
	p.sees("Which does the packet say?")
	p.press("clear fizzy drink")
	p.sees("Thing: clear fizzy drink")
	p.sees("what thing 8 is")
	p.writes("Thing: clear fizzy drink", "cleaning vinegar")
	p.press("cleaning vinegar")
	p.writes("Strength, as the label says", "9")
	p.sees("Saved")
	p.open(demo.base + "/experiments/" + id + "/safety")
	p.sees("Strong vinegar or acid burns eyes and skin.")
	p.sees("Use")
}

// The larder: four ways in, a search in Spanish, a card, a word to ask about,
// and a thing of the school's own.
func TestLarder(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	p.open(demo.base + "/larder")
	p.writes("Find by any everyday name", "lejía")
	p.press("household bleach")
	p.sees("It is in the larder so that it can be refused.")
	p.violations("a refused thing")
	p.press("Close")
	p.writes("Find by any everyday name", "chalk")
	p.sees("Does a drop of vinegar make it fizz?")
	p.writes("Find by any everyday name", "bakking soda")
	p.sees("Nearest:")
	p.press("Swaps 357")
	p.sees("83.3 mL + 16.7 mL water")
	p.violations("swaps")
	p.press("Never")
	p.sees("violent oxygen, heat")
	p.press("Add your own")
	p.writes("Name in English", "School soap")
	p.sees("Until then it is judged as the worst it could be")
	p.chooses("Is it stuff that you pour or eat", "stuff")
	p.chooses("Is it in its own packet", "yes")
	p.chooses("Is it a liquid, a powder", "liquid")
	p.chooses("Is it sold to eat or drink?", "no")
	for _, question := range []string{"Which warning pictures", "Is it sour", "active oxygen or iodine", "Does it burn",
		"Does it bubble by itself", "Is it yeast", "Is it sweet", "Which salt", "Has it touched soil", "home freezer"} {
		p.first(question)
	}
	p.first("Does the label say soda")
	p.chooses("Is it for cleaning?", "hand dish soap or shampoo")
	p.sees("All is answered. What you deny is printed with your name.")
	p.chooses("Jobs it can do", "surfactant")
	p.ticks("irritant")
	p.violations("a thing of one's own")
	p.press("Keep it")
	p.sees("It stings skin and eyes.")
	p.sees("Ms Tarrant says: no warning on the label, no acid")
	p.sees("Take your entry out")
	p.sees("One entry was added by your school.")
	p.press("Add a swap of your own")
	p.writes("Which thing?", "shampoo")
	p.press("shampoo")
	p.writes("Effect on the result", "less foam here")
	p.violations("a swap of one's own")
	p.press("Keep the swap")
	p.sees("less foam here")
	p.sees("2 entries were added by your school.")
	p.press("Things 826")
	p.sees("your school’s")
}

var pdfPages = regexp.MustCompile(`/Type\s*/Page[^s]`)

// The sheets for paper: one style serves A4 and Letter; the safety sheet is
// one page in both sizes and languages, the lists at most two.
func TestSheetsOnPaper(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	ids := evaluate[map[string]string](
		p,
		`Promise.all([fetch('/api/v1/classes'), fetch('/api/v1/experiments')].map((f) =>
			f.then((r) => r.json()))).then(([c, e]) =>
			Object.fromEntries([['class', c.items[0].id], ...e.items.map((x) => [x.title, x.id])]))`,
	)
	sizes := map[string]chromedp.PaperSize{"A4": chromedp.PaperA4, "Letter": chromedp.PaperLetter}
	for _, title := range []string{"Sour lemon", "Warm wraps", "Thirsty beans"} {
		for _, sheet := range []string{"safety", "materials", "swaps"} {
			for _, language := range []string{"en", "es"} {
				p.open(
					fmt.Sprintf(
						"%s/print/classes/%s/experiments/%s/%s?language=%s",
						demo.base,
						ids["class"],
						ids[title],
						sheet,
						language,
					),
				)
				p.violations(title + " " + sheet)
				for size, paper := range sizes {
					pdf, err := chromedp.Run(p.ctx, chromedp.PrintToPDF(chromedp.PDFPaper(paper)))
					if err != nil {
						t.Fatal(err)
					}
					pages, most := len(pdfPages.FindAll(pdf, -1)), 1
					if sheet == "swaps" {
						most = 2
					}
					if pages < 1 || pages > most {
						t.Errorf("%s, %s in %s on %s: %d pages", title, sheet, language, size, pages)
					}
				}
				if sheet == "materials" {
					if w := evaluate[float64](p, `document.querySelector('.check i').getBoundingClientRect().width / 96 * 25.4`); w < 99.7 ||
						w > 100.3 {
						t.Errorf("the check line is %.1f mm", w)
					}
				}
			}
		}
	}
	if text := p.words(); !strings.Contains(text, "0555 010 010") {
		t.Error("a sheet without the numbers")
	}
}

// The school's own assessment is signed at the foot of the Safety station, and
// wants to be signed again when the design changes.
func TestAssessmentIsSigned(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := evaluate[string](
		p,
		`fetch('/api/v1/experiments').then((r) => r.json()).then((e) =>
			e.items.find((x) => x.title === 'Warm wraps').id)`,
	)
	p.open(demo.base + "/experiments/" + id + "/safety")
	p.sees("Not signed.")
	p.press("Sign it for this design")
	p.press("Sign")
	p.sees("says what it is about")
	p.writes("What it is about", "Hot water: 45 °C at most")
	p.violations("an assessment")
	p.press("Sign")
	p.sees("Hot water: 45 °C at most")
	p.seesNot("Sign it for this design")
	p.do(chromedp.Reload())
	p.sees("Hot water: 45 °C at most")
	p.fits("an assessment")
}
