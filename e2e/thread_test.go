package e2e

import (
	"net/http"
	"net/http/httptest"
	"testing"
)

// The one rule by which every thread is drawn: lengths to time, a fold at one width, no
// step below the least, and the whole width used. The widths were worked out by hand.
func TestThread(t *testing.T) {
	script := bundled(t, `import { layOut } from './ui/thread'; import { closedUp } from './teacher/strip/parts';
		Object.assign(window, { layOut, closedUp });`)
	mux := http.NewServeMux()
	mux.HandleFunc("GET /{$}", func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Type", "text/html")
		_, _ = w.Write([]byte(`<!doctype html><title>thread</title><script src="/thread.js"></script>`))
	})
	mux.HandleFunc("GET /thread.js", func(w http.ResponseWriter, _ *http.Request) { _, _ = w.Write(script) })
	server := httptest.NewServer(mux)
	t.Cleanup(server.Close)
	p := tab(t, 390, 844)
	p.open(server.URL)
	for _, c := range []struct{ name, spans, width, want string }{
		{"two steps and a wait", `[[0, 60, 0], [120, 180, 60]]`, "110", "step 0 40|gap 40 30|step 70 40"},
		{"a night between", `[[0, 60, 0], [36060, 36120, 36000, true]]`, "140", "step 0 50|fold 50 40|step 90 50"},
		{"nothing takes time", `[[0, 0, 0]]`, "100", "step 0 10"},
		{"no step", `[]`, "100", ""},
	} {
		got := evaluate[string](p, `layOut(`+c.spans+`.map(([start, end, wait, fold]) =>
			({ start, end, wait, fold: !!fold })),
			`+c.width+`, { least: 10, fold: 40 }).map((x) =>
				[x.kind, Math.round(x.x), Math.round(x.w)].join(' ')).join('|')`)
		if got != c.want {
			t.Errorf("%s: %s, want %s", c.name, got, c.want)
		}
	}
	// A part that is closed is one block, as long as hands are busy in it; its waits go with it.
	got := evaluate[string](p, `closedUp({parts: [{id: 'p', name: 'Soak', steps: ['b', 'c']}],
		blocks: [['a', 0, 60], ['b', 60, 120], ['c', 50000, 50060], ['d', 50060, 50100]].map(([step, start, end]) =>
			({step, start, end, wait: 0, lanes: [], pegs: []}))}, ['p']).map((b) =>
			[b.number, b.part?.name ?? b.step, b.end - b.start].join(' ')).join('|')`)
	if want := "1 a 60|2 Soak 120|4 d 40"; got != want {
		t.Errorf("closed: %s, want %s", got, want)
	}
}
