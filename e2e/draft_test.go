package e2e

import (
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"reflect"
	"strconv"
	"sync"
	"testing"
	"time"

	"github.com/evanw/esbuild/pkg/api"
)

// desk is a server with one draft that is slow, cut off, or used by somebody
// else besides.
type desk struct {
	*httptest.Server
	mu       sync.Mutex
	version  int
	document json.RawMessage
	delay    time.Duration
	saving   time.Duration // what a save takes beyond that
	down     bool          // answers nothing
	deaf     bool          // saves, and its answer is lost
	now      int           // requests under way
	most     int           // at once
	refused  int           // saves that came too late
}

// bundled makes one script of a module of the web application, put on window.
func bundled(t *testing.T, source string) []byte {
	t.Helper()
	ready(t, "web/node_modules/react")
	r := api.Build(
		api.BuildOptions{
			Stdin:  &api.StdinOptions{Contents: source, ResolveDir: "../web/src", Loader: api.LoaderTS},
			Bundle: true,
			Format: api.FormatIIFE,
			Write:  false,
		},
	)
	if len(r.Errors) > 0 {
		t.Fatalf("%+v", r.Errors)
	}
	return r.OutputFiles[0].Contents
}

func newDesk(t *testing.T) *desk {
	t.Helper()
	script := bundled(
		t,
		`import { DraftStore, isDirty } from './teacher/draft/store'; import { gateTo } from './teacher/draft/gate'; import { merge, differences } from './teacher/draft/merge';
		Object.assign(window, { DraftStore, isDirty, gateTo, merge, differences });`,
	)
	d := &desk{version: 1, document: json.RawMessage(`{"title":{"en":"Beans"},"needs":[]}`)}
	mux := http.NewServeMux()
	mux.HandleFunc("GET /{$}", func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Type", "text/html")
		fmt.Fprint(w, `<!doctype html><title>a draft</title><script src="/draft.js"></script>`)
	})
	mux.HandleFunc("GET /draft.js", func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Type", "text/javascript")
		_, _ = w.Write(script)
	})
	mux.HandleFunc("/api/v1/experiments/x", d.serve)
	d.Server = httptest.NewServer(mux)
	t.Cleanup(d.Close)
	return d
}

func (d *desk) view() map[string]any {
	return map[string]any{"version": d.version, "document": d.document, "review": map[string]any{"at": d.version}}
}

func (d *desk) serve(w http.ResponseWriter, r *http.Request) {
	d.mu.Lock()
	d.now++
	d.most = max(d.most, d.now)
	delay, down := d.delay, d.down
	if r.Method == http.MethodPut {
		delay += d.saving
	}
	d.mu.Unlock()
	defer func() { d.mu.Lock(); d.now--; d.mu.Unlock() }()
	if down {
		panic(http.ErrAbortHandler)
	}
	raw, _ := io.ReadAll(r.Body)
	time.Sleep(delay)
	d.mu.Lock()
	defer d.mu.Unlock()
	w.Header().Set("Content-Type", "application/json")
	if r.Method == http.MethodPut {
		var body struct {
			Document json.RawMessage `json:"document"`
		}
		_ = json.Unmarshal(raw, &body)
		if at, _ := strconv.Atoi(r.Header.Get("If-Match")); at != d.version {
			d.refused++
			w.WriteHeader(http.StatusPreconditionFailed)
			_ = json.NewEncoder(w).
				Encode(map[string]any{"code": "changed-elsewhere", "status": 412, "title": "Refused",
					"detail": "changed", "current": d.view()})
			return
		}
		d.version++
		d.document = body.Document
		if d.deaf {
			panic(http.ErrAbortHandler)
		}
	}
	_ = json.NewEncoder(w).Encode(d.view())
}

func (d *desk) set(change func()) {
	d.mu.Lock()
	defer d.mu.Unlock()
	change()
}

func (d *desk) kept(t *testing.T) (document string, version int) {
	t.Helper()
	d.mu.Lock()
	defer d.mu.Unlock()
	return string(d.document), d.version
}

func (d *desk) holds(t *testing.T, want string) {
	t.Helper()
	for deadline := time.Now().Add(8 * time.Second); ; time.Sleep(20 * time.Millisecond) {
		got, _ := d.kept(t)
		if sameJSON(got, want) {
			return
		}
		if time.Now().After(deadline) {
			t.Fatalf("the server has %s, want %s", got, want)
		}
	}
}

func sameJSON(a, b string) bool {
	var x, y any
	return json.Unmarshal([]byte(a), &x) == nil && json.Unmarshal([]byte(b), &y) == nil && reflect.DeepEqual(x, y)
}

// drafts opens a window with a store on the desk's draft.
func (d *desk) window(t *testing.T) *page {
	t.Helper()
	p := tab(t, 800, 600)
	p.open(d.URL)
	p.begin()
	return p
}

func (p *page) begin() {
	p.t.Helper()
	evaluate[bool](p, `(window.store = new DraftStore('x', gateTo('x')), store.open().then(() => true))`)
}

func (p *page) edits(script string) {
	p.t.Helper()
	evaluate[bool](p, `(store.edit((d => (`+script+`))(store.state.doc)), true)`)
}

// What is typed while a save is under way is saved after it, one at a time;
// leaving and coming back shows what was saved.
func TestDraftOnASlowLine(t *testing.T) {
	d := newDesk(t)
	p := d.window(t)
	d.set(func() { d.delay = 700 * time.Millisecond })
	for _, word := range []string{"Beans,", "Beans, dry", "Beans, dry and thirsty"} {
		p.edits(fmt.Sprintf(`{...d, title: {en: %q}}`, word))
		time.Sleep(650 * time.Millisecond)
	}
	d.holds(t, `{"title":{"en":"Beans, dry and thirsty"},"needs":[]}`)
	d.set(func() { d.delay = 0 })
	if d.refused != 0 || d.most != 1 {
		t.Errorf("%d saves were refused, %d requests at once", d.refused, d.most)
	}
	evaluate[bool](p, `store.open().then(() => true)`)
	if title := evaluate[string](p, `store.state.doc.title.en`); title != "Beans, dry and thirsty" {
		t.Errorf("coming back shows %q", title)
	}
	p.edits(`{...d, title: {en: 'Beans again'}}`)
	d.holds(t, `{"title":{"en":"Beans again"},"needs":[]}`)
	if d.refused != 0 || evaluate[bool](p, `Boolean(store.state.conflict)`) {
		t.Error("one window is in its own way")
	}
	p.until("nothing waits on this computer", `Object.keys(localStorage).length === 0`)
}

// A change that was worked out on an older draft lands beside what was typed
// since, and its undo takes back that change alone.
func TestDraftTakesALateAnswer(t *testing.T) {
	d := newDesk(t)
	p := d.window(t)
	evaluate[bool](
		p,
		`(() => { window.before = {...store.state.doc, needs: [{id: 'a', name: {en: 'ice'}}]}; store.edit(before);
		store.edit({...store.state.doc, title: {en: 'Ice'},
			needs: [...store.state.doc.needs, {id: 'b', name: {en: 'bowl'}}]});
		store.change(before, {...before, needs: [{id: 'a', name: {en: 'ice'}, material: 'plain-ice'}]}); return true;
			})()`,
	)
	d.holds(
		t,
		`{"title":{"en":"Ice"},"needs":[{"id":"a","name":{"en":"ice"},"material":"plain-ice"},
			{"id":"b","name":{"en":"bowl"}}]}`,
	)
	evaluate[bool](p, `(store.undo(), true)`)
	d.holds(t, `{"title":{"en":"Ice"},"needs":[{"id":"a","name":{"en":"ice"}},{"id":"b","name":{"en":"bowl"}}]}`)
	evaluate[bool](p, `(store.redo(), true)`)
	d.holds(t, `{"title":{"en":"Ice"},"needs":[{"id":"a","name":{"en":"ice"},"material":"plain-ice"},
		{"id":"b","name":{"en":"bowl"}}]}`)
}

// A save whose answer is lost is no conflict with oneself.
func TestDraftWhoseAnswerIsLost(t *testing.T) {
	d := newDesk(t)
	p := d.window(t)
	d.set(func() { d.deaf = true })
	p.edits(`{...d, title: {en: 'Lost'}}`)
	d.holds(t, `{"title":{"en":"Lost"},"needs":[]}`)
	time.Sleep(300 * time.Millisecond)
	d.set(func() { d.deaf = false })
	p.edits(`{...d, title: {en: 'Lost and found'}}`)
	d.holds(t, `{"title":{"en":"Lost and found"},"needs":[]}`)
	if d.refused == 0 || evaluate[bool](p, `Boolean(store.state.conflict)`) {
		t.Errorf(
			"%d saves came too late; in conflict with itself: %v",
			d.refused,
			evaluate[bool](p, `Boolean(store.state.conflict)`),
		)
	}
}

// A save that is under way when its page is left, with more typed since, is no change in
// another window when the next page finds it on the server.
func TestDraftThatIsLeftWhileItIsSaved(t *testing.T) {
	d := newDesk(t)
	p := d.window(t)
	d.set(func() { d.saving = 2 * time.Second })
	p.edits(`{...d, title: {en: 'Left'}}`)
	p.until("it is under way", `Boolean(store.state.flight)`)
	p.edits(`{...d, title: {en: 'Left and gone on'}}`)
	p.open(d.URL + "?") // before its answer is there
	d.holds(t, `{"title":{"en":"Left"},"needs":[]}`)
	p.begin()
	d.holds(t, `{"title":{"en":"Left and gone on"},"needs":[]}`)
	if evaluate[bool](p, `Boolean(store.state.conflict)`) {
		t.Error("it is in conflict with itself")
	}
}

// Without a connection everything is kept on this computer, is there after a
// reload, and goes out by itself.
func TestDraftOffline(t *testing.T) {
	d := newDesk(t)
	p := d.window(t)
	d.set(func() { d.down = true })
	p.edits(`{...d, title: {en: 'Typed offline'}}`)
	p.until("it says so", `Boolean(store.state.trouble?.offline && store.state.trouble.waits)`)
	d.set(func() { d.down = false; d.delay = time.Second })
	p.open(d.URL)
	p.begin()
	if title := evaluate[string](p, `store.state.doc.title.en`); title != "Typed offline" {
		t.Errorf("after a reload: %q", title)
	}
	d.set(func() { d.delay = 0 })
	d.holds(t, `{"title":{"en":"Typed offline"},"needs":[]}`)
}

// Where somebody else was faster nothing is overwritten and nothing lost: both
// are shown, place by place, and the teacher says how they go together.
func TestDraftInTwoWindows(t *testing.T) {
	for _, c := range []struct{ mine, take, want string }{
		{`{...d, title: {en: 'Mine'}}`, "mine", `{"title":{"en":"Mine"},"needs":[]}`},
		{`{...d, title: {en: 'Mine'}}`, "theirs", `{"title":{"en":"Theirs"},"place":{"en":"sink"},"needs":[]}`},
		{`{...d, title: {en: 'Mine'}}`, "both", `{"title":{"en":"Mine"},"place":{"en":"sink"},"needs":[]}`},
		{`{...d, lesson: '45 min'}`, "both", `{"title":{"en":"Theirs"},"place":{"en":"sink"},"lesson":"45 min",
			"needs":[]}`},
	} {
		d := newDesk(t)
		p := d.window(t)
		theirs := func() {
			d.set(func() {
				d.version, d.document = 5, json.RawMessage(`{"title":{"en":"Theirs"},"place":{"en":"sink"},"needs":[]}`)
			})
		}
		theirs()
		p.edits(c.mine)
		p.until("the conflict", `Boolean(store.state.conflict)`)
		time.Sleep(700 * time.Millisecond)
		if got, _ := d.kept(t); !sameJSON(got, `{"title":{"en":"Theirs"},"place":{"en":"sink"},"needs":[]}`) {
			t.Fatalf("overwritten: %s", got)
		}
		if n := evaluate[float64](p, `differences(store.state.doc, store.state.conflict.theirs.document).length`); n < 2 {
			t.Errorf("%v differences", n)
		}
		// A reload in the middle of it keeps both sides.
		p.open(d.URL)
		p.begin()
		p.until("the conflict after a reload", `Boolean(store.state.conflict)`)
		evaluate[bool](p, fmt.Sprintf(`(store.settle(%q), true)`, c.take))
		d.holds(t, c.want)
		p.until("nothing waits", `!isDirty(store.state) && Object.keys(localStorage).length === 0`)
	}
}

// The merge, by places: what one side changed is taken, what both changed is
// said, entries of lists are told apart by their ids.
func TestDraftMerge(t *testing.T) {
	p := newDesk(t).window(t)
	for _, c := range []struct{ name, base, mine, theirs, want, clashes string }{
		{"both sides", `{"a":1,"b":1}`, `{"a":2,"b":1}`, `{"a":1,"b":2}`, `{"a":2,"b":2}`, `[]`},
		{"the same place", `{"a":1}`, `{"a":2}`, `{"a":3}`, `{"a":2}`, `[["a"]]`},
		{"the same change", `{"a":1}`, `{"a":2}`, `{"a":2}`, `{"a":2}`, `[]`},
		{"added on both", `{"s":[]}`, `{"s":[{"id":"x","n":1}]}`, `{"s":[{"id":"y","n":2}]}`,
			`{"s":[{"id":"x","n":1},{"id":"y","n":2}]}`, `[]`},
		{"added in the middle", `{"s":[{"id":"a"},{"id":"b"}]}`, `{"s":[{"id":"a"},{"id":"b","n":1}]}`,
			`{"s":[{"id":"a"},{"id":"m"},{"id":"b"}]}`, `{"s":[{"id":"a"},{"id":"m"},{"id":"b","n":1}]}`, `[]`},
		{"taken out and left alone", `{"s":[{"id":"a"},{"id":"b"}]}`, `{"s":[{"id":"b"}]}`,
			`{"s":[{"id":"a"},{"id":"b","n":1}]}`, `{"s":[{"id":"b","n":1}]}`, `[]`},
		{"taken out and changed", `{"s":[{"id":"a","n":1},{"id":"b","n":1}]}`, `{"s":[{"id":"b","n":1}]}`,
			`{"s":[{"id":"a","n":2},{"id":"b","n":1}]}`, `{"s":[{"id":"a","n":2},{"id":"b","n":1}]}`, `[["s","a"]]`},
		{"moved and changed", `{"s":[{"id":"a","n":1},{"id":"b","n":1}]}`, `{"s":[{"id":"b","n":1},{"id":"a","n":1}]}`,
			`{"s":[{"id":"a","n":2},{"id":"b","n":1}]}`, `{"s":[{"id":"b","n":1},{"id":"a","n":2}]}`, `[]`},
		{"nothing is nothing", `{"a":""}`, `{}`, `{"a":false,"b":[]}`, `{}`, `[]`},
	} {
		got := evaluate[string](
			p,
			fmt.Sprintf(
				`(() => { const m = merge(%s, %s, %s); return JSON.stringify([m.value, m.clashes]); })()`,
				c.base,
				c.mine,
				c.theirs,
			),
		)
		if want := "[" + c.want + "," + c.clashes + "]"; !sameJSON(got, want) {
			t.Errorf("%s: %s, want %s", c.name, got, want)
		}
	}
}
