package e2e

import (
	"net/http"
	"net/http/httptest"
	"testing"
)

// The one rule by which every thread is drawn: lengths to time, a fold at one width, no
// step below the least, and the whole width used. The widths were worked out by hand.
func TestThread(t *testing.T) {
	script := bundled(t, `import { layOut } from './ui/thread'; Object.assign(window, { layOut });`)
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
}
