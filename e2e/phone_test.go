package e2e

import (
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"sync"
	"testing"
)

// post is a server that takes what a phone sends and answers as it is told.
type post struct {
	*httptest.Server
	mu      sync.Mutex
	came    []string       // "PUT entries/1 application/json {…}"
	answers map[string]int // by the end of the address: another status than 200
	codes   map[string]string
}

func newPost(t *testing.T) *post {
	t.Helper()
	script := bundled(t, `import { openHome, storePage, rememberLink, homeOfLink, queueKitchen } from './family/phone/db';
		import { send } from './family/phone/sender'; import { Book } from './family/phone/book';
		import { clock, left, dayWords } from './family/parts/time'; import { newID } from './ui/ids';
		Object.assign(window, { openHome, queueKitchen, storePage, rememberLink, homeOfLink, send, Book, clock, left, dayWords, newID });`)
	s := &post{answers: map[string]int{}, codes: map[string]string{}}
	mux := http.NewServeMux()
	mux.HandleFunc("GET /{$}", func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Type", "text/html")
		fmt.Fprint(w, `<!doctype html><title>a phone</title><script src="/phone.js"></script>`)
	})
	mux.HandleFunc("GET /phone.js", func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Type", "text/javascript")
		_, _ = w.Write(script)
	})
	mux.HandleFunc("/api/v1/home/h/", s.take)
	s.Server = httptest.NewServer(mux)
	t.Cleanup(s.Close)
	return s
}

func (s *post) take(w http.ResponseWriter, r *http.Request) {
	body, _ := io.ReadAll(r.Body)
	s.mu.Lock()
	defer s.mu.Unlock()
	of := strings.TrimPrefix(strings.TrimPrefix(r.URL.Path, "/api/v1/home/h/"), "assignments/a/")
	s.came = append(s.came, fmt.Sprintf("%s %s %s %s", r.Method, of, r.Header.Get("Content-Type"), body))
	w.Header().Set("Content-Type", "application/json")
	if status := s.answers[of]; status != 0 {
		w.WriteHeader(status)
		_ = json.NewEncoder(w).Encode(map[string]any{"status": status, "code": s.codes[of], "title": "No",
			"detail": "not so"})
		return
	}
	_ = json.NewEncoder(w).Encode(map[string]any{"id": of, "echo": "82 mm"})
}

// told sets what the server answers, and forgets what came.
func (s *post) told(of string, status int, code string) {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.came, s.answers, s.codes = nil, map[string]int{of: status}, map[string]string{of: code}
}

func (s *post) has(t *testing.T, what string, want ...string) {
	t.Helper()
	s.mu.Lock()
	defer s.mu.Unlock()
	if !slices.Equal(s.came, want) {
		t.Errorf("%s: the server has %q, want %q", what, s.came, want)
	}
}

// queue fills the phone's queue anew.
const queue = `window.fill = async (...list) => {
	window.d ??= await openHome('h');
	for (const store of ['queue', 'entries', 'photos']) await d.clear(store);
	for (const w of list) {
		if (w.type === 'photo') await d.put('photos', new Blob(['picture'], { type: 'image/png' }), w.id);
		if (w.type === 'entry') await d.put('entries', { id: w.id, assignment: 'a', entry: {} });
		await d.add('queue', { assignment: 'a', body: '', ...w });
	}
	return true;
}; window.changes = 0; window.sent = (d) => send('h', d, () => changes++); true`

// What waits goes in order as the bytes it was kept as; what the server refuses
// is set aside with the reason, and no connection or a changed link stops all.
func TestPhoneSendsInOrder(t *testing.T) {
	s := newPost(t)
	p := tab(t, 390, 844)
	p.open(s.URL)
	evaluate[bool](p, queue)
	three := `fill({type: 'photo', id: 'p1'}, {type: 'entry', id: 'e1', body: '{"typed": "8,2 cm" }'}, {type: 'incident', id: 'i1', body: '{"door":"spilled"}'})`
	photo, entry, incident := "PUT photos/p1 image/png picture", `PUT entries/e1 application/json {"typed": "8,2 cm" }`,
		`PUT incidents/i1 application/json {"door":"spilled"}`
	for _, c := range []struct {
		name, of string
		status   int
		code     string
		result   string // again, stopped, answered, what still waits, how often pages were told
		came     []string
	}{
		{"all goes well", "", 0, "", `[false,null,3,[],3]`, []string{photo, entry, incident}},
		{"one is refused", "entries/e1", 422, "invalid", `[false,null,3,["e1 invalid"],3]`,
			[]string{photo, entry, incident}},
		{"the server is away", "entries/e1", 503, "", `[true,null,1,["e1","i1"],1]`, []string{photo, entry}},
		{"too many at once", "photos/p1", 429, "slow-down", `[true,null,0,["p1","e1","i1"],0]`, []string{photo}},
		{"another link counts now", "photos/p1", 401, "replaced-link", `[false,"replaced-link",0,["p1","e1","i1"],0]`,
			[]string{photo}},
	} {
		s.told(c.of, c.status, c.code)
		evaluate[bool](p, three)
		got := evaluate[string](p, `(async () => { changes = 0; const r = await sent(d);
			const left = await d.getAll('queue');
			return JSON.stringify([r.again, r.stopped ?? null, r.answered,
				left.map((w) => w.id + (w.problem ? ' ' + w.problem.code : '')), changes]); })()`)
		if got != c.result {
			t.Errorf("%s: %s, want %s", c.name, got, c.result)
		}
		s.has(t, c.name, c.came...)
	}
	s.told("", 0, "")
	evaluate[bool](p, three)
	if got := evaluate[string](p, `sent(d).then(() => d.get('entries', 'e1')).then((e) => e.answer.echo)`); got != "82 mm" {
		t.Errorf("the answer to an entry is kept as %q", got)
	}
	// What was refused once waits for help; it is not sent again by itself.
	s.told("entries/e1", 422, "invalid")
	evaluate[bool](p, three)
	evaluate[bool](p, `sent(d).then(() => true)`)
	s.told("", 0, "")
	evaluate[bool](p, `sent(d).then(() => true)`)
	s.has(t, "again after a refusal")
	// Two windows of a phone are one sender.
	evaluate[bool](p, three)
	if got := evaluate[string](p, `Promise.all([sent(d), sent(d)]).then((all) =>
		JSON.stringify(all.map((r) => [r.answered, Boolean(r.busy)])))`); got != `[[3,false],[0,true]]` {
		t.Errorf("two senders at once: %s", got)
	}
	s.has(t, "two senders at once", photo, entry, incident)
	// Of a kitchen the last that was said goes, also where an older answer is on its way.
	s.told("", 0, "")
	evaluate[bool](p, three)
	if got := evaluate[string](p, `(async () => { await queueKitchen(d, '{"a":1}'); await queueKitchen(d, '{"a":2}');
		const going = sent(d); await queueKitchen(d, '{"a":3}'); await going; await sent(d);
		return JSON.stringify(await d.getAll('queue')); })()`); got != "[]" {
		t.Errorf("after a kitchen was said there waits %s", got)
	}
	s.has(t, "a kitchen said three times", photo, entry, incident, `PUT kitchen application/json {"a":3}`)
	s.told("kitchen", 422, "invalid")
	if got := evaluate[string](p, `(async () => { await fill(); await queueKitchen(d, '{"a":4}'); await sent(d);
		const left = (await d.getAll('queue')).map((w) => w.problem?.code); await queueKitchen(d, '{"a":5}');
		return JSON.stringify([left, (await d.getAll('queue')).map((w) => w.body)]); })()`); got !=
		`[["invalid"],["{\"a\":5}"]]` {
		t.Errorf("a refused kitchen and what is said after it: %s", got)
	}
	// An older answer that is refused on its way does not come back beside the newer one.
	if got := evaluate[string](p, `(async () => { await fill(); await queueKitchen(d, '{"a":6}');
		const going = sent(d);
		await new Promise((r) => setTimeout(r, 5)); await queueKitchen(d, '{"a":7}'); await going; await sent(d);
		return JSON.stringify((await d.getAll('queue')).map((w) => w.body)); })()`); got != `["{\"a\":7}"]` {
		t.Errorf("a refused answer that was replaced on its way: %s", got)
	}
	s.Close()
	evaluate[bool](p, three)
	if got := evaluate[string](p, `sent(d).then((r) => JSON.stringify([r.again, r.answered]))`); got != `[true,0]` {
		t.Errorf("without a connection: %s", got)
	}
}

// What a phone keeps, the order in which its own entries are read, and its clocks.
func TestPhoneKeepsAndReads(t *testing.T) {
	p := tab(t, 390, 844)
	p.open(newPost(t).URL)
	at := func(s string) string { return "2027-02-02T10:" + s + ".000Z" }
	evaluate[bool](p, `(() => {
		window.entry = (id, kind, more = {}) =>
			({ id, assignment: more.assignment ?? 'a', entry: { kind, phone_time: more.at ?? '`+at("00:00")+
		`', offset_ms: more.offset ?? 0, ...more } });
		window.slot = (time = '', trial = 1) => ({ reading: 'height', condition: 'towel', time, trial });
		window.reading = (id, at, more = {}) =>
			entry(id, 'reading', { at, reading: 'height', condition: 'towel', ...more });
		window.book = (...all) => new Book(all, 'a');
		return true; })()`)
	for _, c := range []struct{ name, script, want string }{
		{"the last reading counts", `book(reading('b', '` + at("02:00") + `'), reading('a', '` + at("01:00") +
			`')).present(slot()).id`, `"b"`},
		{"one that was spoiled does not", `book(reading('a', '` + at("01:00") + `'), reading('b', '` + at("02:00") +
			`'), entry('s', 'spoiled', { refers: 'b' })).present(slot()).id`, `"a"`},
		{"another trial is another slot", `book(reading('a', '` + at("01:00") + `', { trial: 2 })).settled(slot())`,
			`false`},
		{"what was read before, by the steps' order", `((b) =>
			[b.before([{takes: [slot('1 min')]}, {takes: [slot('2 min'), slot('4 min')]}], slot('4 min'))?.entry.id,
			b.before([{takes: [slot('1 min')]}, {takes: [slot('4 min')]}], slot('1 min')) ??
			'none'].join())(book(reading('a', '` + at("01:00") + `', { time: '1 min' }), reading('x', '` + at("01:30") +
			`', { time: '2 min', condition: 'news' })))`, `"a,none"`},
		{"not read settles it too",
			`book(entry('n', 'not-read', { reading: 'height', condition: 'towel' })).settled(slot())`, `true`},
		{"another experiment's entries stay out",
			`book(entry('d', 'step-done', { step: 'dip', assignment: 'other' })).done('dip') ?? null`, `null`},
		{"but what is said of the home counts everywhere",
			`book(entry('f', 'fact', { refers: 'latex', choice: ['yes'], assignment: 'other' })).fact('latex')`,
			`"yes"`},
		{"a tick taken off",
			`book(entry('t', 'tick', { refers: 'cup' }), entry('u', 'tick', { refers: 'cup', reason: 'no', at: '` +
				at("03:00") + `' })).ticked('cup')`, `false`},
		{"a prediction after the first reading", `((p) => book(p, reading('a', '` + at("01:00") +
			`')).afterStart(p))(entry('p', 'answer', { at: '` + at("02:00") + `' }))`, `true`},
		{"a step opens by the server's clock",
			`new Date(book(entry('d', 'step-done', { step: 'dip', offset: -60000 })).readyAt({ wait: { from: 'dip', seconds: 480 } })).toISOString()`, `"` + at("07:00") + `"`},
		{"not before its clock has started", `book().readyAt({ wait: { from: 'dip', seconds: 480 } }) ?? null`, `null`},
		{"time left in hours", `left(2 * 3600e3 + 5 * 60e3 + 400)`, `"2 h 5 min"`},
		{"in minutes", `left(61_000)`, `"1 min 01 s"`},
		{"never below nothing", `left(-5)`, `"0 s"`},
		{"another day is named, by the class's clock", `clock('2027-02-02T20:30:00Z', 'America/Mexico_City', 'es')`,
			`"mar, 2 feb, 14:30"`},
		{"a day in words", `dayWords('2027-07-31', 'en-GB')`, `"31 July 2027"`},
		{"ids follow the clock",
			`newID(1000) < newID(2000) && /^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/.test(newID())`, `true`},
		{"a page brings its entries", `(async () => { const d = await openHome('h');
			await storePage(d, { sheets: [{ assignment: 'a', entries: [{ id: 'e', entry: { kind: 'sent' } }] }] },
			'tag-1'); return [(await d.getAll('entries')).map((e) => e.assignment), await d.get('kv', 'tag')]; })()`,
			`[["a"],"tag-1"]`},
		{"a link is known again", `rememberLink('hash', 'h').then(() => homeOfLink('hash'))`, `"h"`},
		{"another is not", `homeOfLink('other').then((h) => h ?? null)`, `null`},
	} {
		if got := evaluate[string](p, `Promise.resolve(`+c.script+`).then(JSON.stringify)`); got != c.want {
			t.Errorf("%s: %s, want %s", c.name, got, c.want)
		}
	}
}
