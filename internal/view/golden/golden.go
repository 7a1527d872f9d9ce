// Package golden holds what a view writes against a file of it, so that a change of what
// people read is seen and meant. Made anew with
//
//	go test ./internal/view/... -update
//
// It must not know what it holds. Start reading at [Same].
package golden

import (
	"bytes"
	"encoding/json"
	"flag"
	"os"
	"path/filepath"
	"testing"
)

var update = flag.Bool("update", false, "write the golden files anew")

// Same fails the test where what it got is not what testdata/NAME.json says.
func Same(t *testing.T, name string, got any) {
	t.Helper()
	var b bytes.Buffer
	enc := json.NewEncoder(&b)
	enc.SetEscapeHTML(false)
	enc.SetIndent("", "  ")
	if err := enc.Encode(got); err != nil {
		t.Fatal(err)
	}
	path := filepath.Join("testdata", name+".json")
	if *update {
		if err := os.MkdirAll("testdata", 0o755); err != nil {
			t.Fatal(err)
		}
		if err := os.WriteFile(path, b.Bytes(), 0o644); err != nil {
			t.Fatal(err)
		}
		return
	}
	want, err := os.ReadFile(path)
	if err != nil {
		t.Fatal(err)
	}
	if bytes.Equal(want, b.Bytes()) {
		return
	}
	was, is := bytes.Split(want, []byte("\n")), bytes.Split(b.Bytes(), []byte("\n"))
	for i := range min(len(was), len(is)) {
		if !bytes.Equal(was[i], is[i]) {
			t.Errorf("%s, line %d: %s, was %s", name, i+1, bytes.TrimSpace(is[i]), bytes.TrimSpace(was[i]))
			return
		}
	}
	t.Errorf("%s has %d lines, had %d", name, len(is), len(was))
}
