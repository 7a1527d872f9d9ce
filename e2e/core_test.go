package e2e

import (
	"encoding/json"
	"fmt"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"reflect"
	"strings"
	"testing"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
)

// typedTexts are all texts of the parser's corpora with the unit of their field.
func typedTexts(t *testing.T) (texts [][2]string) {
	t.Helper()
	files, err := filepath.Glob("../core/quantity/testdata/typed.*.txt")
	if err != nil || len(files) == 0 {
		t.Fatal("no corpora", err)
	}
	for _, file := range files {
		raw, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		unit := ""
		for _, line := range strings.Split(string(raw), "\n") {
			if words := strings.Fields(line); strings.HasPrefix(line, "field: ") {
				unit = words[1]
			} else if len(words) > 1 && words[0] != "#" {
				for _, answer := range []string{" = ", " ~ ", " ? ", " < ", " > ", " - ", " ! "} {
					if at := strings.LastIndex(line+" ", answer); at > 0 {
						texts = append(texts, [2]string{line[:at], unit})
						break
					}
				}
			}
		}
	}
	return texts
}

// The phone's core is the server's: two thousand typed readings and more give
// the same answers, to the letter, in the browser and here.
func TestCoreOnThePhone(t *testing.T) {
	type question struct {
		Typed    string        `json:"typed"`
		Language string        `json:"language"`
		Measures string        `json:"measures"`
		Asked    reading.Asked `json:"asked"`
	}
	var questions []question
	for _, x := range typedTexts(t) {
		for _, w := range [][2]string{{"en", "us"}, {"en", "uk"}, {"es", "metric"}} {
			questions = append(
				questions,
				question{
					x[0],
					w[0],
					w[1],
					reading.Asked{
						Unit: x[1],
						Low:  "0 " + x[1],
						Step: "1 " + x[1],
						Tool: map[string]string{"en": "ruler", "es": "regla"},
					},
				},
			)
		}
	}
	ready(t, "web/src/family/core/core.wasm")
	if len(questions) < 2000 {
		t.Fatalf("only %d texts", len(questions))
	}
	mux := http.NewServeMux()
	mux.HandleFunc("GET /{$}", func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Type", "text/html")
		fmt.Fprint(w, `<!doctype html><meta charset="utf-8"><title>the core</title><script src="/wasm_exec.js"></script>
			<script>const go = new Go();
				WebAssembly.instantiateStreaming(fetch('/core.wasm'), go.importObject).then((core) =>
				go.run(core.instance));</script>`)
	})
	mux.Handle("GET /", http.FileServer(http.Dir("../web/src/family/core")))
	mux.HandleFunc(
		"GET /questions",
		func(w http.ResponseWriter, _ *http.Request) { _ = json.NewEncoder(w).Encode(questions) },
	)
	server := httptest.NewServer(mux)
	t.Cleanup(server.Close)
	p := tab(t, 390, 844)
	p.open(server.URL)
	p.until("the core", `typeof kitchenUnderstand === 'function'`)
	var answers []string
	if err := json.Unmarshal([]byte(evaluate[string](p, `fetch('/questions').then((r) => r.json()).then((all) =>
		JSON.stringify(all.map((q) => kitchenUnderstand(JSON.stringify(q)))))`)), &answers); err != nil ||
		len(answers) != len(questions) {
		t.Fatal(len(answers), err)
	}
	different := 0
	for i, q := range questions {
		want := reading.Understand(q.Asked, q.Typed,
			reading.Writer{Language: q.Language, System: quantity.System(q.Measures)}).
			Reply(q.Language)
		var got reading.Reply
		if err := json.Unmarshal([]byte(answers[i]), &got); err != nil || !reflect.DeepEqual(got, want) {
			if different++; different < 10 {
				t.Errorf("%q: %+v on the phone, %+v here", q.Typed, got, want)
			}
		}
	}
	t.Logf("%d readings, %d different", len(questions), different)
	if got := evaluate[string](p, `kitchenUnderstand('no document')`); got != "{}" {
		t.Errorf("what is no document gives %s", got)
	}
}
