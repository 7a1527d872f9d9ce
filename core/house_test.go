package core_test

import (
	"go/parser"
	"go/token"
	"os"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"testing"

	_ "patient-kitchen/core/compare"
	_ "patient-kitchen/core/review"
	"patient-kitchen/core/text"
)

// order is the import order: a package may import only those above it.
var order = []string{
	"strict", "text", "quantity", "formula", "stats", "signal", "reading", "science", "larder", "lexicon", "design",
	"kitchen", "safety",
	"sentence", "schedule", "fit", "notebook", "compare", "detect", "rehearsal", "review",
}

var barred = []string{"net/http", "net", "os", "os/exec", "database/sql", "crypto/rand", "math/rand", "log/slog"}

func TestImportsFollowTheHouse(t *testing.T) {
	files, err := filepath.Glob("*/*.go")
	if err != nil || len(files) == 0 {
		t.Fatal("no files found", err)
	}
	for _, file := range files {
		if strings.HasSuffix(file, "_test.go") {
			continue
		}
		f, err := parser.ParseFile(token.NewFileSet(), file, nil, parser.ImportsOnly)
		if err != nil {
			t.Fatal(err)
		}
		own := slices.Index(order, filepath.Dir(file))
		if own < 0 {
			t.Errorf("%s is in a package that the house does not list", file)
		}
		for _, spec := range f.Imports {
			path, _ := strconv.Unquote(spec.Path.Value)
			switch name, inCore := strings.CutPrefix(path, "patient-kitchen/core/"); {
			case inCore && slices.Index(order, name) >= own:
				t.Errorf("%s imports %s, which stands below it", file, path)
			case !inCore && strings.HasPrefix(path, "patient-kitchen"):
				t.Errorf("%s imports %s from outside the core", file, path)
			case !inCore && strings.Contains(path, ".") && !strings.HasPrefix(path, "gonum.org/"):
				t.Errorf("%s imports %s; only the standard library and gonum are let in", file, path)
			case slices.Contains(barred, path):
				t.Errorf("%s imports %s; core knows no files, network or clock", file, path)
			}
		}
		src, _ := os.ReadFile(file)
		for _, call := range []string{"time.Now(", "time.Since(", "time.LoadLocation(", "rand.IntN(", "rand.Float64("} {
			if strings.Contains(string(src), call) && !strings.Contains(string(src), "*rand.Rand") {
				t.Errorf("%s calls %s); core takes times and random numbers as arguments", file, call)
			}
		}
	}
}

func TestEveryTextInEveryLanguage(t *testing.T) {
	all := map[string]bool{}
	for _, lang := range text.Languages {
		for _, id := range text.IDs(lang) {
			all[id] = true
		}
	}
	if len(all) < 100 {
		t.Fatalf("only %d texts were found", len(all))
	}
	first := text.Languages[0]
	for id := range all {
		for _, lang := range text.Languages {
			if !slices.Contains(text.IDs(lang), id) {
				t.Errorf("%s has no text in %s", id, lang)
			} else if !slices.Equal(text.Holes(id, first), text.Holes(id, lang)) {
				t.Errorf("%s takes %v in %s and %v in %s", id, text.Holes(id, first), first, text.Holes(id, lang), lang)
			}
		}
	}
}
