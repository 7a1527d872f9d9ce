package e2e

import (
	"context"
	"fmt"
	"math"
	"net/http"
	"net/http/httptest"
	"net/http/httputil"
	"net/url"
	"strings"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/chromedp/cdproto/cdp"
	cdppage "github.com/chromedp/cdproto/page"
	"github.com/chromedp/chromedp"
)

// Two phones in one home see each other's entries and the same clock; two
// tabs on one phone do so without a reload.
func TestTwoPhonesAndTwoTabs(t *testing.T) {
	demo := theDemo(t)
	first := tab(t, 390, 844)
	first.agree(demo.link("Gorse"))
	first.pour()
	clock := first.clock()

	second := tab(t, 390, 844)
	second.open(demo.link("Gorse"))
	second.press("Go on")
	second.sees("At 1 minute")
	if other := second.clock(); other != clock {
		t.Errorf("the first phone's clock ends %s, the second's %s", clock, other)
	}
	first.press("We did not wait")
	first.enters("Kitchen roll", "17 mm")
	first.sees("Kept: 17 mm")
	second.press("We did not wait")
	second.looks()
	second.sees("Kept: 17 mm")
	second.enters("Printer paper", "4 mm")
	second.sees("Kept: 4 mm")
	first.looks()
	first.sees("Kept: 4 mm")

	sibling := first.another(390, 844)
	sibling.open(evaluate[string](first, `location.href`))
	sibling.press("We did not wait")
	sibling.sees("Kept: 17 mm")
	sibling.enters("Coffee filter", "12 mm")
	first.sees("Kept: 12 mm")
}

// On a network that takes requests and never answers, a page that is opened
// again has its clock and its readings at once, from the phone.
func TestReloadWhileTheNetworkHangs(t *testing.T) {
	demo := theDemo(t)
	line := newProxy(t, strings.TrimPrefix(demo.base, "http://"))
	p := tab(t, 390, 844)
	p.agree(strings.Replace(demo.link("Gorse"), demo.base, line.base(), 1))
	p.pour()
	p.until("the page is kept on the phone", `navigator.serviceWorker.controller !== null`)
	p.hasCore()
	readyAt := p.clock()
	line.hang()
	p.do(chromedp.Reload())
	p.sees("At 1 minute")
	// In the same breath as its title: no moment without the clock.
	if again := p.clock(); again != readyAt {
		t.Errorf("the clock was %s and is %s", readyAt, again)
	}
	p.press("We did not wait")
	p.enters("Kitchen roll", "17 mm")
	p.sees("Kept: 17 mm") // what the phone itself makes of it
}

// A reload in any state comes back to the same page with the same words.
func TestReloadInEachState(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 390, 844)
	again := func(words string) {
		t.Helper()
		p.sees(words)
		p.do(chromedp.Reload())
		p.sees(words)
	}
	p.open(demo.link("Gorse"))
	again("For the home called")
	p.press("Go on")
	again("Who must be there")
	p.ticks("No")
	p.writes("Your name (an adult)", "A. Gorsby")
	p.press("We agree, begin")
	again("Getting ready")
	p.ticks("a pencil")
	p.sees("8 still to fetch")
	again("8 still to fetch")
	p.press("8 still to fetch")
	p.writes("Why do you think so?", "half a thought")
	p.until("the draft is kept", `new Promise((done) => setTimeout(() => done(true), 150))`)
	p.do(chromedp.Reload())
	p.until(
		"the half-written answer",
		`[...document.querySelectorAll('textarea')].some((x) => x.value === 'half a thought')`,
	)
	p.predicts()
	again("half a thought")
	p.press("Begin")
	again("Cut one strip of each paper")
	for range 9 {
		heading := evaluate[string](p, `document.querySelector('h1').textContent`)
		if evaluate[bool](p, fmt.Sprintf(`Boolean((%s)('We did not wait'))`, find)) {
			p.press("We did not wait")
		}
		p.press("Done")
		p.until("the next page", fmt.Sprintf(`document.querySelector('h1').textContent !== %q`, heading))
	}
	again("My result")
	p.press("Next: what does it mean?")
	again("What do you say now")
	p.press("Send")
	again("Sent and safe: 0 measurements, 0 photos. Thank you.")
	// Photos were not agreed to: a sentence does.
	p.press("Look back at the steps")
	p.sees("Cut the strips")
}

// A phone whose clock is two hours ahead: its waits are as long as any, and
// its readings carry the right time.
func TestPhoneClockTwoHoursOff(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 390, 844)
	p.do(chromedp.Func(func(ctx context.Context, target *chromedp.Target) error {
		_, err := cdp.Call(
			ctx,
			target,
			cdppage.AddScriptToEvaluateOnNewDocument,
			cdppage.AddScriptToEvaluateOnNewDocumentParams{Source: `
			const Real = Date, ahead = 2 * 3600 * 1000;
			Date = class extends Real { constructor(...a) { if (a.length) super(...a); else super(Real.now() + ahead); } static now() { return Real.now() + ahead; } };`},
		)
		return err
	}))
	p.agree(demo.link("Gorse"))
	poured := time.Now()
	p.pour()
	readyAt, err := time.Parse(time.RFC3339, p.clock())
	if err != nil {
		t.Fatal(err)
	}
	if off := readyAt.Sub(poured.Add(time.Minute)); math.Abs(off.Seconds()) > 45 {
		t.Errorf("the minute ends %v away from where it should, in the server's time", off)
	}
	if left := evaluate[string](p, `document.querySelector('[role=timer]').textContent`); strings.Contains(left, "h") ||
		!strings.Contains(left, "left") {
		t.Errorf("the clock says %q", left)
	}
	p.press("We did not wait")
	p.enters("Kitchen roll", "17 mm")
	p.sees("Kept: 17 mm")
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	measured := evaluate[string](teacher, `(async () => {
		const a = (await (await fetch('/api/v1/assignments')).json()).items[0],
			at = '/api/v1/classes/' + a.class + '/assignments/' + a.id;
		const home = (await (await fetch(at + '/results')).json()).homes.find((h) => h.nickname === 'Gorse').home;
		const lines = (await (await fetch(at + '/notebooks/' + home)).json()).lines;
		return lines.find((l) => l.entry.typed === '17 mm').measured_at; })()`)
	at, err := time.Parse(time.RFC3339, measured)
	if err != nil || math.Abs(time.Since(at).Seconds()) > 60 {
		t.Errorf(
			"measured at %s by the server's clock, %v; it is %s",
			measured,
			err,
			time.Now().UTC().Format(time.RFC3339),
		)
	}
}

// A home that takes its permission back halfway: its steps close, and the
// teacher no longer sees what it sent.
func TestWithdrawingHalfway(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 390, 844)
	p.agree(demo.link("Gorse"))
	p.pour()
	p.press("We did not wait")
	p.enters("Kitchen roll", "17 mm")
	p.sees("Kept: 17 mm")
	teacher := tab(t, 1280, 800)
	teacher.signIn(demo.base)
	teacher.press("Who is where")
	teacher.until(
		"Gorse at work",
		`[...document.querySelectorAll('tr')].some((r) => r.innerText.includes('Gorse') &&
			r.innerText.includes('4 of 9'))`,
	)
	evaluate[bool](p, `(() => { location.hash = location.hash.replace(/step.*/, 'permission'); return true; })()`)
	p.press("Take back permission")
	p.sees("Permission was taken back.")
	teacher.until(
		"Gorse's work hidden",
		`[...document.querySelectorAll('tr')].some((r) => r.innerText.includes('Gorse') &&
			r.innerText.includes('permission taken back'))`,
	)
	evaluate[bool](p, `(() => { location.hash = location.hash.replace('permission', 'step/5'); return true; })()`)
	p.sees("Who must be there")
	p.seesNot("Kept: 17 mm")
}

// Two windows on one draft: the second to save is told, and neither loses
// what was typed.
func TestTwoWindowsOnOneDraft(t *testing.T) {
	demo := theDemo(t)
	first, second := tab(t, 1280, 800), tab(t, 1280, 800)
	first.signIn(demo.base)
	second.signIn(demo.base)
	for _, p := range []*page{first, second} {
		p.press("Experiments")
		p.until(
			"the experiment in the list",
			`([...document.querySelectorAll('li a')].find((a) => a.textContent === 'Thirsty beans')?.click(),
				location.pathname !== '/experiments')`,
		)
		p.sees("One thing changes")
	}
	first.writes("It is called", "Thirsty beans, again")
	first.sees("Saved")
	second.writes("It is called", "Beans that drink")
	second.sees("Changed in another window")
	second.press("Keep mine")
	second.sees("Saved")
	first.writes("in this place:", "The sink")
	first.sees("Changed in another window")
	first.press("Take theirs")
	first.until(
		"the other window's title",
		`[...document.querySelectorAll('input')].some((i) => i.value === 'Beans that drink')`,
	)
	first.press("✕")
	first.sees("Took out what is kept")
	first.press("Undo")
	first.until("what was taken out", `[...document.querySelectorAll('input')].some((i) => i.value === 'kind of bean')`)
}

// While what stands before the server refuses, the page says that it is not
// live; once it lets through again the page is live without being reloaded.
func TestLiveAgainAfterRefusals(t *testing.T) {
	demoApp := theDemo(t)
	behind, _ := url.Parse(demoApp.base)
	through := httputil.NewSingleHostReverseProxy(behind)
	through.FlushInterval = -1
	var away atomic.Bool
	var streams sync.Map
	front := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if away.Load() {
			w.WriteHeader(http.StatusBadGateway)
			return
		}
		ctx, cancel := context.WithCancel(r.Context())
		defer cancel()
		streams.Store(r, cancel)
		defer streams.Delete(r)
		through.ServeHTTP(w, r.WithContext(ctx))
	}))
	t.Cleanup(front.Close)
	through.ErrorHandler = func(http.ResponseWriter, *http.Request, error) { panic(http.ErrAbortHandler) }

	p := tab(t, 1280, 800)
	p.signIn(front.URL)
	p.sees("Paper strips")
	p.until("the page to be live", `!document.body.innerText.includes('Not live')`)
	away.Store(true)
	streams.Range(func(_, cancel any) bool { cancel.(context.CancelFunc)(); return true })
	p.sees("Not live")
	time.Sleep(6 * time.Second) // long enough for an attempt that is refused, and for what was read to be looked at again
	evaluate[bool](p, `document.dispatchEvent(new Event('visibilitychange'))`)
	time.Sleep(2 * time.Second)
	p.sees("Not live")
	p.sees("Paper strips") // what was read stays
	away.Store(false)
	p.until("the page to be live again", `!document.body.innerText.includes('Not live')`)
}

// No home, one home, three hundred: each is a state of its own.
func TestNumbersOfHomes(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	make := func(name string, homes int) string {
		t.Helper()
		return evaluate[string](p, fmt.Sprintf(`(async () => {
			const send = (path, body) =>
				fetch('/api/v1' + path, {method: 'POST', headers: {'Content-Type': 'application/json'},
				body: JSON.stringify(body)}).then((r) => r.json());
			const c = await send('/classes', {name: %q, zone: 'Europe/London', language: 'en', unit_system: 'metric',
				emergency_number: '112', poison_number: '0555 010 010', photo_days: 30,
				keep_until: new Date(Date.now() + 2e10).toISOString().slice(0, 10)});
			const names = Array.from({length: %d}, (_, i) => 'Cottage ' + (i + 1));
			for (let i = 0; i < names.length; i += 200) await send('/classes/' + c.id + '/roster',
				{text: names.slice(i, i + 200).join('\n')});
			if (%d) {
				const e = (await (await fetch('/api/v1/experiments')).json()).items.find((x) =>
					x.title === 'Paper strips');
				const a = await send('/classes/' + c.id + '/assignments',
					{experiment: e.id, opens_at: new Date().toISOString(),
					due_at: new Date(Date.now() + 864e5).toISOString()});
				return '/experiments/' + e.id + '/compare?assignment=' + a.id + '&class=' + c.id;
			}
			return '/classes/' + c.id; })()`, name, homes, homes))
	}
	p.open(demo.base + make("Nobody", 0))
	p.sees("The class has no homes yet.")
	p.fits("a class without homes")
	p.open(demo.base + make("One", 1))
	p.sees("No home has readings yet.")
	p.open(demo.base + strings.Replace(make("Many", 300), "/compare", "/run", 1))
	p.sees("0 of 300 homes have sent their work")
	if rows := evaluate[int](p, `document.querySelectorAll('tbody tr').length`); rows != 300 {
		t.Errorf("%d rows for 300 homes", rows)
	}
	p.fits("300 homes")
}
