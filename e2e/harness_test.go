package e2e

import (
	"bufio"
	"context"
	"fmt"
	"io"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/chromedp/cdproto/network"
	"github.com/chromedp/cdproto/runtime"
	"github.com/chromedp/chromedp"

	"patient-kitchen/internal/browser"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/store/storetest"
)

const (
	email    = "tarrant@stonechat.example"
	password = "snow on the moor"
)

// program is a running patient-kitchen.
type program struct {
	cmd  *exec.Cmd
	base string
	out  []string // what it printed
}

// ready is the path of what ./test makes before it runs the tests. A test that
// nothing was made ready for is skipped.
func ready(t testing.TB, path string) string {
	t.Helper()
	whole, err := filepath.Abs("../" + path)
	if err == nil {
		_, err = os.Stat(whole)
	}
	switch {
	case err == nil:
	case os.Getenv("PK_TEST_DATABASE") == "":
		t.Skipf("%s is not there: run ./test", path)
	default:
		t.Fatalf("%s is not there: run ./test", path)
	}
	return whole
}

func binary(t testing.TB) string {
	t.Helper()
	return ready(t, "bin/patient-kitchen")
}

// start runs the program until the test ends and reads its address.
func start(t testing.TB, env []string, args ...string) *program {
	t.Helper()
	p := &program{cmd: exec.Command(binary(t), args...)}
	p.cmd.Env = append(os.Environ(), env...)
	stdout, err := p.cmd.StdoutPipe()
	if err != nil {
		t.Fatal(err)
	}
	p.cmd.Stderr = &brief{w: os.Stderr}
	if err := p.cmd.Start(); err != nil {
		t.Fatal(err)
	}
	t.Cleanup(p.kill)
	ready := make(chan struct{})
	go func() {
		lines := bufio.NewScanner(stdout)
		for lines.Scan() {
			p.out = append(p.out, lines.Text())
			if strings.Contains(lines.Text(), "Stop it with") {
				close(ready)
				break
			}
		}
		io.Copy(io.Discard, stdout)
	}()
	if args[0] != "demo" {
		return p
	}
	select {
	case <-ready:
	case <-time.After(90 * time.Second):
		t.Fatal("the demo did not come up")
	}
	for _, l := range p.out {
		if i := strings.Index(l, "http://"); i >= 0 && strings.HasSuffix(l, "/today") {
			p.base = strings.TrimSuffix(l[i:], "/today")
		}
	}
	return p
}

// brief passes on the beginning of what a program says: one that says the same for
// ever must not fill the machine.
type brief struct {
	w    io.Writer
	said int
}

func (b *brief) Write(p []byte) (int, error) {
	const most = 1 << 20
	if b.said < most {
		_, _ = b.w.Write(p)
		if b.said += len(p); b.said >= most {
			fmt.Fprintln(b.w, "… and more, left out")
		}
	}
	return len(p), nil
}

// stop ends the program as Ctrl C does: it lets go of its database.
func (p *program) stop() {
	_ = p.cmd.Process.Signal(os.Interrupt)
	_ = p.cmd.Wait()
}

func (p *program) kill() {
	_ = p.cmd.Process.Kill()
	_ = p.cmd.Wait()
}

// link is a family's link that the demo printed.
func (p *program) link(home string) string {
	for _, l := range p.out {
		if strings.Contains(l, home) {
			return l[strings.Index(l, "http://"):]
		}
	}
	return ""
}

// school is the demo's school, made once: each walk has a copy of it.
var school struct {
	sync.Mutex
	database string // its name; "" until the first walk
	secret   []byte // that signed the links
}

func makeSchool(t *testing.T) {
	name, url := storetest.Template(t)
	dir := t.TempDir()
	p := start(t, []string{"PK_DATABASE_URL=" + url}, "demo", "--dir", dir, "--listen", "127.0.0.1:0")
	p.stop()
	secret, err := os.ReadFile(filepath.Join(dir, "secret"))
	if err != nil {
		t.Fatal(err)
	}
	school.database, school.secret = name, secret
}

// theDemo is the demo on a database of its own; its walk goes beside others.
func theDemo(t *testing.T) *program {
	t.Helper()
	if _, already := beside.LoadOrStore(t, true); !already {
		t.Parallel()
	}
	return theDemoAlone(t)
}

// beside are the walks that go beside others already.
var beside sync.Map

// theDemoAlone is theDemo for a walk that measures times.
func theDemoAlone(t *testing.T) *program {
	t.Helper()
	school.Lock()
	if school.database == "" {
		makeSchool(t)
	}
	school.Unlock()
	dir := t.TempDir()
	if err := os.WriteFile(filepath.Join(dir, "secret"), school.secret, 0o600); err != nil {
		t.Fatal(err)
	}
	url := storetest.Copy(t, school.database)
	return start(t, []string{"PK_DATABASE_URL=" + url}, "demo", "--dir", dir, "--listen", "127.0.0.1:0")
}

// serve starts the server on a migrated database; listen is host:port.
func serve(t testing.TB, database, listen, public string) *program {
	t.Helper()
	p := start(
		t,
		[]string{
			"PK_DATABASE_URL=" + database,
			"PK_LISTEN=" + listen,
			"PK_PUBLIC_URL=" + public,
			"PK_SECRETS=a:" + strings.Repeat("ab", 32),
		},
		"serve",
	)
	p.base = "http://" + listen
	awaitReady(t, p.base)
	return p
}

// patience asks a server that may not answer.
var patience = &http.Client{Timeout: 10 * time.Second}

func awaitReady(t testing.TB, base string) {
	t.Helper()
	for range 200 {
		if res, err := patience.Get(base + "/readyz"); err == nil {
			res.Body.Close()
			if res.StatusCode == 200 {
				return
			}
		}
		time.Sleep(50 * time.Millisecond)
	}
	t.Fatal("the server did not get ready")
}

// addTeacher makes an account by the command line, as an operator does.
func addTeacher(t testing.TB, database string) {
	t.Helper()
	cmd := exec.Command(binary(t), "teacher", "add", email, "Ms Tarrant")
	cmd.Env = append(os.Environ(), "PK_DATABASE_URL="+database)
	cmd.Stdin = strings.NewReader(password + "\n")
	if out, err := cmd.CombinedOutput(); err != nil {
		t.Fatalf("%v: %s", err, out)
	}
}

// page is a tab, driven by the words on it.
type page struct {
	t   *testing.T
	ctx context.Context
	mu  sync.Mutex
	// requests are the addresses this tab asked for.
	requests []string
	// script is the number of bytes of script that came over the wire.
	script float64
	types  map[network.RequestID]bool
}

// chromium is the browser that all walks have their tabs in.
var chromium struct {
	sync.Mutex
	ctx context.Context // nil until the first tab, ended when it broke down
	end func()
}

func TestMain(m *testing.M) {
	code := m.Run()
	if chromium.end != nil {
		chromium.end()
	}
	os.Exit(code)
}

func theBrowser(t *testing.T) context.Context {
	t.Helper()
	chromium.Lock()
	defer chromium.Unlock()
	if chromium.ctx == nil || chromium.ctx.Err() != nil {
		ctx, end, err := browser.Start(context.Background())
		if err != nil {
			t.Fatal(err)
		}
		chromium.ctx, chromium.end = ctx, end
	}
	return chromium.ctx
}

// tab opens a tab of a width and height that shares nothing with the others.
func tab(t *testing.T, width, height int64) *page {
	t.Helper()
	ctx, cancel, err := browser.Apart(theBrowser(t))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(cancel)
	p := &page{t: t, ctx: ctx, types: map[network.RequestID]bool{}}
	if err := chromedp.Listen(ctx, p.hear); err != nil {
		t.Fatal(err)
	}
	size := chromedp.EmulateViewport(width, height)
	if width < 600 {
		size = chromedp.EmulateViewport(width, height, chromedp.EmulateMobile)
	}
	p.do(size)
	return p
}

func (p *page) hear(ev any) {
	p.mu.Lock()
	defer p.mu.Unlock()
	switch e := ev.(type) {
	case *runtime.EventExceptionThrown: // a page never throws what nobody catches
		p.t.Errorf("the page threw: %s", thrown(e.ExceptionDetails))
	case *network.EventRequestWillBeSent:
		p.requests = append(p.requests, e.Request.URL)
	case *network.EventResponseReceived:
		p.types[e.RequestID] = string(e.Type) == "Script"
	case *network.EventLoadingFinished:
		if p.types[e.RequestID] {
			p.script += e.EncodedDataLength
		}
	}
}

func thrown(d *runtime.ExceptionDetails) string {
	if d.Exception != nil && d.Exception.Description != "" {
		return d.Exception.Description
	}
	return d.Text
}

func (p *page) do(actions ...chromedp.Action[chromedp.Void]) {
	p.t.Helper()
	ctx, cancel := context.WithTimeout(p.ctx, 40*time.Second)
	defer cancel()
	if err := chromedp.Do(ctx, actions...); err != nil {
		p.t.Fatalf("%v\nThe page says:\n%s", err, p.words())
	}
}

func look[T any](p *page, script string) (T, error) {
	ctx, cancel := context.WithTimeout(p.ctx, 40*time.Second)
	defer cancel()
	return chromedp.Run(ctx, chromedp.Evaluate[T](script, chromedp.EvalAwaitPromise))
}

func evaluate[T any](p *page, script string) T {
	p.t.Helper()
	v, err := look[T](p, script)
	if err != nil && strings.Contains(err.Error(), "navigated or closed") { // the page went on to another meanwhile
		v, err = look[T](p, script)
	}
	if err != nil {
		p.t.Fatalf("%.120s: %v\nThe page says:\n%s", script, err, p.words())
	}
	return v
}

func (p *page) words() string {
	ctx, cancel := context.WithTimeout(p.ctx, 5*time.Second)
	defer cancel()
	s, _ := chromedp.Run(ctx, chromedp.Evaluate[string](`document.body?.innerText ?? ''`))
	return s
}

// open goes to an address; of a family's link it waits for what the script makes
// of it.
func (p *page) open(address string) {
	p.t.Helper()
	p.do(chromedp.Navigate(address))
	if strings.Contains(address, "/h/") && !strings.Contains(address, "plain") {
		p.until("the script's page", `document.readyState !== 'loading' && !document.getElementById('opening')`)
	}
}

// until waits until a script is true. Between two documents there is no body and
// what a script looks for is not there: that is not yet, neither true nor wrong.
func (p *page) until(what, script string) {
	p.t.Helper()
	for deadline := time.Now().Add(40 * time.Second); ; time.Sleep(60 * time.Millisecond) {
		there, err := look[bool](p, "document.body ? ("+script+") : false")
		if err == nil && there {
			return
		}
		if time.Now().After(deadline) {
			p.t.Fatalf("The page says:\n%s\nwaited in vain for %s (%v)", p.words(), what, err)
		}
	}
}

// hasCore waits until the phone keeps what reads and checks without a connection; it comes
// after the first page.
func (p *page) hasCore() {
	p.t.Helper()
	p.until("the core is on the phone", `caches.match([...performance.getEntriesByType('resource')].
		map((r) => r.name).find((n) => n.endsWith('.wasm')) ?? '/none').then(Boolean)`)
}

// sees waits for words on the page.
func (p *page) sees(words string) {
	p.t.Helper()
	p.until(
		fmt.Sprintf("the words %q", words),
		fmt.Sprintf(`document.body.innerText.replaceAll('\u00a0', ' ').includes(%q)`, words),
	)
}

func (p *page) seesNot(words string) {
	p.t.Helper()
	p.until("a page", "true")
	if strings.Contains(p.words(), words) {
		p.t.Errorf("the page says %q", words)
	}
}

const find = `(w) => { const seen = (x) => x.getClientRects().length > 0;
	const all = [...document.querySelectorAll('button, a, summary, [role=button], label.btn')].filter(seen);
	const text = (x) => (x.textContent || '').trim().replaceAll('\u00a0', ' ');
		return all.find((x) => text(x) === w) ?? all.find((x) => text(x).startsWith(w)) ??
		all.find((x) => text(x).includes(w)); }`

// press presses the button or link with these words; one that waits for
// something does not count as there.
func (p *page) press(words string) {
	p.t.Helper()
	p.until(
		fmt.Sprintf("a button %q", words),
		fmt.Sprintf(
			`(() => { const b = (%s)(%q);
				if (!b || b.getAttribute('aria-disabled') === 'true' || b.disabled) return false;
		b.scrollIntoView({block: 'center'}); b.click(); return true; })()`,
			find,
			words,
		),
	)
}

const field = `(w) => { const text = (x) => x.textContent.trim().replaceAll('\u00a0', ' ');
	const all = [...document.querySelectorAll('label')].filter((x) => text(x).startsWith(w));
	return [...all.filter((x) => text(x) === w), ...all].map((x) => x.control ??
		document.getElementById(x.htmlFor)).find(Boolean); }`

// types writes into the field with this label, in place of what is there.
func (p *page) writes(label, text string) {
	p.t.Helper()
	p.until(fmt.Sprintf("a field %q", label), fmt.Sprintf(`Boolean((%s)(%q))`, field, label))
	id := evaluate[string](
		p,
		fmt.Sprintf(`(() => { const f = (%s)(%q); f.focus(); f.select?.(); return f.id; })()`, field, label),
	)
	sel := chromedp.CSS(fmt.Sprintf(`[id=%q]`, id))
	p.do(chromedp.SendKeys(sel, text))
}

// ticks ticks the box or radio with this label.
func (p *page) ticks(label string) {
	p.t.Helper()
	p.until(fmt.Sprintf("a box %q", label), fmt.Sprintf(`Boolean((%s)(%q))`, field, label))
	evaluate[bool](p, fmt.Sprintf(`(() => { (%s)(%q).click(); return true; })()`, field, label))
}

// chooses takes the option with these words.
func (p *page) chooses(label, option string) {
	p.t.Helper()
	choose := fmt.Sprintf(
		`((f, w) => { const o = f && [...f.options].find((x) => x.textContent.trim() === w); if (!o) return false;
		Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(f, o.value);
			f.dispatchEvent(new Event('change', {bubbles: true})); return true; })((%s)(%q), %q)`,
		field,
		label,
		option,
	)
	p.until(fmt.Sprintf("the choice %q of %q", option, label), choose)
}

// adds adds what is done in a step by its words.
func (p *page) adds(action string) {
	p.t.Helper()
	p.writes("Add what is done", action)
	option := fmt.Sprintf(
		`[...document.querySelectorAll('[role=option]')].find((o) => o.textContent.startsWith(%q))`,
		action,
	)
	p.until("the action "+action, `Boolean(`+option+`)`)
	evaluate[bool](p, option+`.click() || true`)
}

// first takes the first real option of a choice: the one that denies.
func (p *page) first(label string) {
	p.t.Helper()
	p.until(
		fmt.Sprintf("the choice of %q", label),
		fmt.Sprintf(`((f) => { const o = f && [...f.options].find((x) => !x.disabled); if (!o) return false;
		Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(f, o.value);
			f.dispatchEvent(new Event('change', {bubbles: true})); return true;
			})([...document.querySelectorAll('label')].filter((l) => l.textContent.includes(%q)).map((l) =>
			document.getElementById(l.htmlFor))[0])`, label),
	)
}

// enters writes a reading of a condition and keeps it.
func (p *page) enters(condition, typed string) {
	p.t.Helper()
	p.writes(condition, typed)
	evaluate[bool](p, fmt.Sprintf(`(() => { (%s)(%q).form.requestSubmit(); return true; })()`, field, condition))
}

// another opens a second tab of the same browser: the same phone.
func (p *page) another(width, height int64) *page {
	p.t.Helper()
	ctx, cancel := chromedp.NewContext(p.ctx)
	p.t.Cleanup(cancel)
	if err := chromedp.Do(ctx); err != nil { // without a limit: it would end the tab
		p.t.Fatal(err)
	}
	q := &page{t: p.t, ctx: ctx, types: map[network.RequestID]bool{}}
	q.do(chromedp.EmulateViewport(width, height, chromedp.EmulateMobile))
	return q
}

// signIn signs in as the demo's teacher.
func (p *page) signIn(base string) {
	p.t.Helper()
	p.open(base + "/sign-in")
	p.writes("Your address", email)
	p.writes("Password", password)
	p.press("Sign in")
	p.sees("One home needs you.")
}

// agree goes from a link to the ready list.
func (p *page) agree(link string) {
	p.t.Helper()
	p.open(link)
	p.press("Go on")
	p.sees("What could hurt, and what to do")
	p.ticks("No")
	p.ticks("Photos of the work")
	p.writes("Your name (an adult)", "A. Gorsby")
	p.press("We agree, begin")
	p.sees("Getting ready")
}

// gorse is the phone of the home Gorse on a line that can be cut. It has opened its link and one
// of its experiments, and agreed to it with these ticks.
func gorse(t *testing.T, demo *program, experiment string, ticks ...string) (*page, *proxy) {
	t.Helper()
	p := tab(t, 390, 844)
	line := newProxy(t, strings.TrimPrefix(demo.base, "http://"))
	p.open(strings.Replace(demo.link("Gorse"), demo.base, line.base(), 1))
	p.press("Go on")
	p.press(experiment)
	for _, words := range ticks {
		p.ticks(words)
	}
	p.writes("Your name (an adult)", "A. Gorsby")
	p.press("We agree, begin")
	return p, line
}

// predicts answers each question that is still open, however it is asked, and
// fixes it; nothing is fixed before.
func (p *page) predicts() {
	p.t.Helper()
	p.press("Save. It cannot be changed")
	evaluate[bool](p, `(() => {
		for (const b of document.querySelectorAll('button')) if (b.textContent === 'This is my order') b.click();
		for (const f of document.querySelectorAll('fieldset')) f.querySelector('input[type=radio]:not(:checked)') &&
			!f.querySelector('input:checked') && f.querySelector('input[type=radio]').click();
		return true;
	})()`)
	for range 5 {
		label := evaluate[string](
			p,
			`([...document.querySelectorAll('textarea, input.form-control')].find((x) =>
				x.value === '')?.labels[0]?.textContent ?? '').trim()`,
		)
		if label == "" {
			break
		}
		p.writes(label, "because it is the softest")
	}
	p.press("Save. It cannot be changed")
}

// pour goes from the ready list to the first wait.
func (p *page) pour() {
	p.t.Helper()
	p.press("9 still to fetch")
	p.predicts()
	p.press("Begin")
	for _, title := range []string{"Draw the start line", "Hang the strips", "Pour, and start the clock",
		"At 1 minute"} {
		p.press("Done, next")
		p.sees(title)
	}
}

// clock is when the wait on the page is over, once its clock stands there.
func (p *page) clock() string {
	p.t.Helper()
	const timer = `document.querySelector('[data-testid=timer]')`
	p.until("the clock", `Boolean(`+timer+`)`)
	return evaluate[string](p, timer+`.dataset.readyAt`)
}

// looks makes the page look for news, as it does when it comes to the front.
func (p *page) looks() {
	p.t.Helper()
	evaluate[bool](p, `document.dispatchEvent(new Event('visibilitychange'))`)
}

func database(t *testing.T) string { return storetest.URL(t) }

func openStore(t testing.TB, url string) *store.Store {
	t.Helper()
	s, err := store.Open(context.Background(), url)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	return s
}
