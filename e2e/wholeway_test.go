package e2e

import (
	"context"
	"image"
	"image/color"
	"image/jpeg"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
)

// photoFile is a picture as a phone would hand over.
func photoFile(t *testing.T) string {
	t.Helper()
	img := image.NewRGBA(image.Rect(0, 0, 640, 480))
	for i := range 640 * 480 {
		img.Set(i%640, i/640, color.RGBA{uint8(i % 251), uint8(i / 640 % 251), 90, 255})
	}
	name := filepath.Join(t.TempDir(), "strips.jpg")
	f, err := os.Create(name)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	if err := jpeg.Encode(f, img, nil); err != nil {
		t.Fatal(err)
	}
	return name
}

// TestWholeWay goes the whole way as a teacher and as two families on
// phones: one is without a connection for a while, one would rather watch.
func TestWholeWay(t *testing.T) {
	t.Parallel()
	url := database(t)
	s := openStore(t, url)
	if err := s.Migrate(context.Background()); err != nil {
		t.Fatal(err)
	}
	addTeacher(t, url)
	listen := freeAddress(t)
	line := newProxy(t, listen)
	serve(t, url, listen, line.base())

	// The teacher: a class, its homes, an experiment, issued.
	teacher := tab(t, 1280, 800)
	teacher.open(line.base())
	teacher.writes("Your address", email)
	teacher.writes("Password", "not this one")
	teacher.press("Sign in")
	teacher.sees("do not go together")
	teacher.writes("Password", password)
	teacher.press("Sign in")
	teacher.sees("Nothing is under way.")
	teacher.press("Classes")
	teacher.press("New class")
	teacher.writes("Name", "7M")
	teacher.chooses("Time zone", "Europe/London")
	teacher.press("Make the class")
	teacher.sees("A number is missing")
	teacher.writes("Nicknames, one a line", "Fern\nAdder\nFern")
	teacher.press("Read it")
	teacher.sees("is on line 1 as well")
	teacher.writes("Nicknames, one a line", "Fern\nAdder\nBeck")
	teacher.press("Read it")
	teacher.sees("3 of 3 lines can be taken.")
	teacher.press("Add 3 homes")
	teacher.sees("0 of 3 homes have opened their link.")
	teacher.press("Experiments")
	teacher.press("Paper strips")
	teacher.sees("The question, as families read it")
	teacher.press("Safety")
	teacher.sees("No adult has to be there.")
	teacher.press("Issue")
	teacher.sees("The class has no poison-advice number.")
	teacher.press("Go there")
	teacher.writes("Emergency number", "112")
	teacher.writes("Poison advice", "0555 010 010")
	teacher.press("Save")
	teacher.sees("0 of 3 homes have opened")
	teacher.press("Experiments")
	teacher.press("Paper strips")
	teacher.until("a second example is not made", `location.pathname.startsWith('/experiments/')`)
	teacher.press("Issue")
	teacher.sees("Nothing is in the way.")
	teacher.press("Issue version 1 to 3 homes")
	teacher.press("Issue it")
	teacher.sees("Take back from all homes")
	teacher.press("Codes to print")
	teacher.sees("Cut along the dashes")
	links := evaluate[map[string]string](
		teacher,
		`fetch('/api/v1' + location.pathname.replace('/codes', '/invitations')).then((r) => r.json()).then((l) =>
			Object.fromEntries(l.items.map((i) => [i.nickname, i.link])))`,
	)
	teacher.press("Today")
	teacher.press("What they found")
	teacher.sees("No home has readings yet.")

	// Fern's phone: language, permission, ready list, prediction, steps.
	fern := tab(t, 390, 844)
	fern.open(links["Fern"])
	fern.sees("From Ms Tarrant, class 7M")
	fern.until("the link is gone from the address", `!location.href.includes('/h/')`)
	fern.ticks("Español")
	fern.press("Seguir")
	fern.sees("Antes de empezar")
	fern.sees("Las tijeras y los alfileres cortan")
	fern.press("Idioma")
	fern.ticks("English")
	fern.press("Go on")
	fern.sees("No adult has to be there.")
	fern.ticks("Photos of the work")
	fern.writes("Your name (an adult)", "A. Fernsby")
	fern.press("We agree, begin")
	fern.sees("Getting ready")
	fern.ticks("cold tap water")
	fern.press("8 still to fetch")
	fern.press("down")
	fern.writes("Why do you think so?", "it is the softest")
	fern.press("Save. It cannot be changed")
	fern.sees("it is the softest")
	fern.press("Begin")
	for _, title := range []string{"Draw the start line", "Hang the strips", "Pour, and start the clock",
		"At 1 minute"} {
		fern.press("Done, next")
		fern.sees(title)
		if title == "Hang the strips" {
			fern.sees("Does a child under 4 live in your home?")
			fern.seesNot("ends level") // closed until it is answered
			fern.ticks("No")
			fern.sees("ends level")
		}
	}
	readyAt := fern.clock()
	fern.hasCore()

	// No connection: the page comes back after a reload, with the same clock,
	// and says what it makes of a reading.
	line.cut()
	fern.do(chromedp.Reload())
	fern.sees("At 1 minute")
	fern.sees("No connection.")
	if again := fern.clock(); again != readyAt {
		t.Errorf("the clock was %s and is %s after a reload without a connection", readyAt, again)
	}
	fern.press("Something went wrong")
	fern.press("Someone is hurt")
	fern.press("Burn or scald")
	fern.sees("cool running water")
	fern.sees("will be told when there is a connection")
	fern.press("Back")
	fern.press("Close")
	fern.press("We did not wait")
	fern.enters("Kitchen roll", "3 1/4 in")
	fern.sees("We read “3 1/4 in” as 82.6 mm. Is that what you mean?")
	fern.press("Yes, that is it")
	fern.sees("Kept: 82.6 mm (you wrote 3 1/4 in)")
	fern.writes("Coffee filter", "3") // half typed: the system kills the page a moment later
	fern.until("the draft is kept", `new Promise((done) => setTimeout(() => done(true), 150))`)
	fern.do(chromedp.Reload())
	fern.press("We did not wait")
	fern.until("the half-typed value", `[...document.querySelectorAll('input')].some((i) => i.value === '3')`)
	fern.writes("Coffee filter", "31 mm")
	fern.enters("Coffee filter", "31 mm")
	line.heal()
	evaluate[bool](fern, `(() => { dispatchEvent(new Event('online')); return true; })()`)
	fern.sees("Kept: 82.6 mm")
	fern.sees("Kept: 31 mm")
	fern.enters("Printer paper", "5 m")
	fern.sees("Look at your tool once more")
	fern.press("Change")
	fern.enters("Printer paper", "5 mm")
	fern.sees("Kept: 5 mm")
	fern.press("Not read")
	fern.press("forgot")
	fern.sees("Not read: forgot")
	for _, at := range []string{"At 2 minutes", "At 4 minutes", "At 8 minutes"} {
		fern.press("Done, next")
		fern.sees(at)
		fern.press("We did not wait")
		fern.seesNot("Before that") // what was read first does not lead
		fern.enters("Kitchen roll", "50 mm")
		fern.enters("Printer paper", "12 mm")
		fern.sees("Kept: 12 mm")
		fern.sees("Before that, ")
	}
	fern.press("This try is spoiled")
	fern.press("spilled")
	fern.sees("Spoiled try (kept): spilled")
	fern.enters("Printer paper", "13 mm")
	fern.do(chromedp.SetUploadFiles(chromedp.CSS("[data-testid=photo-input]"), []string{photoFile(t)}))
	fern.sees("Photo sent")
	fern.press("Done, next")
	fern.press("Done: see my result")
	fern.sees("In this try Kitchen roll was more than Printer paper")
	fern.press("How was it worked out?")
	fern.sees("of 82.55; 50; 50; 50 mm, the one at 8 min = 50.0 mm ± 0.8")
	fern.sees("You said: Newspaper, Printer paper, Coffee filter, Kitchen roll")
	fern.press("Next: what does it mean?")
	fern.writes("What do you say now", "Soft paper lifts more.")
	fern.press("Send")
	fern.sees("Sent and safe: 9 measurements, 1 photo. Thank you.")

	// The teacher's page has taken it all in without a reload.
	teacher.sees("One home: there is no class result to give.")
	teacher.sees("Fern")

	// Adder would rather watch, with the teacher's own readings.
	adder := tab(t, 390, 844)
	adder.open(links["Adder"])
	adder.press("Go on")
	adder.press("We'd rather watch")
	adder.predicts()
	adder.sees("The shared measurements are not here yet.")
	teacher.press("Collect")
	teacher.writes("1 min", "4 mm")
	evaluate[bool](teacher, `(() => { document.activeElement.blur(); return true; })()`)
	teacher.sees("shared, not counted")
	adder.until(
		"the shared reading",
		`(document.dispatchEvent(new Event('visibilitychange')), document.body.innerText.replaceAll('\u00a0',
			' ').includes('4 mm'))`,
	)
	adder.press("Next: what does it mean?")
	adder.press("Send")
	adder.sees("Sent and safe: 0 measurements")

	// Taken back: open pages stop.
	teacher.press("Issue")
	teacher.press("Take back from all homes")
	teacher.writes("What families should read", "The dishes tip over. Pour the water away.")
	teacher.press("Take it back now")
	teacher.sees("taken back")
	fern.until(
		"Stop on the open page",
		`(document.dispatchEvent(new Event('visibilitychange')),
			document.body.innerText.includes('The dishes tip over.'))`,
	)

	for name, p := range map[string]*page{"teacher": teacher, "Fern": fern, "Adder": adder} {
		p.mu.Lock()
		for _, r := range p.requests {
			if !strings.HasPrefix(r, line.base()) && !strings.HasPrefix(r, "blob:") && !strings.HasPrefix(r, "data:") {
				t.Errorf("%s's page asked for %s", name, r)
			}
		}
		p.mu.Unlock()
	}
	time.Sleep(10 * time.Millisecond)
}
