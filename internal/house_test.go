// Package internal_test holds the house outside core to its layers: a package, or
// a folder of the interface, may import only those above it.
package internal_test

import (
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"
)

// packages are those of internal, each below what it may import.
var packages = []string{
	"config", "browser", "cputime", "look", "mail", "media", "media/mediatest", "postgres", "webfiles", "words",
	"refusal", "view/golden",
	"view/entries", "view/sheets", "view/drafts", "view/results", "view/shelves", "view/answers", "view/kitchens",
	"keys", "roster", "store", "store/storetest", "export", "calendar", "live",
	"app", "api", "demo",
}

func TestImportsFollowTheHouse(t *testing.T) {
	seen := map[string]bool{}
	err := filepath.WalkDir(".", func(file string, _ fs.DirEntry, err error) error {
		if err != nil || !strings.HasSuffix(file, ".go") || strings.HasSuffix(file, "_test.go") {
			return err
		}
		f, err := parser.ParseFile(token.NewFileSet(), file, nil, parser.ImportsOnly)
		if err != nil {
			return err
		}
		own := slices.Index(packages, filepath.ToSlash(filepath.Dir(file)))
		if own < 0 {
			t.Errorf("%s is in a package that the house does not list", file)
			return nil
		}
		seen[packages[own]] = true
		for _, spec := range f.Imports {
			name, _ := strconv.Unquote(spec.Path.Value)
			if strings.HasPrefix(name, "patient-kitchen/cmd/") {
				t.Errorf("%s imports %s", file, name)
			}
			if name, ok := strings.CutPrefix(name, "patient-kitchen/internal/"); ok &&
				slices.Index(packages, name) >= own {
				t.Errorf("%s imports %s, which stands below it", file, name)
			}
		}
		return nil
	})
	if err != nil || len(seen) != len(packages) {
		t.Errorf("%v: found %v", err, seen)
	}
}

// folders are those of web/src; a file beside them is listed by its name. Family and
// teacher share what stands before them and nothing else.
var (
	shared  = []string{"api", "ui"}
	family  = []string{"core", "words", "opening", "phone", "parts", "views", "App", "main", "sw"}
	teacher = []string{"words", "languages", "parts", "frame", "draft", "larder", "results", "strip", "plan",
		"experiment", "workbench", "classes", "views", "App", "main"}
)

var imported = regexp.MustCompile(`(?:from|import\() ?'(\.[^']*)'`)

func TestTheInterfaceFollowsTheHouse(t *testing.T) {
	root, files := "../web/src", 0
	err := filepath.WalkDir(root, func(file string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !regexp.MustCompile(`\.tsx?$`).MatchString(file) {
			return err
		}
		rel, _ := filepath.Rel(root, file)
		rel = filepath.ToSlash(rel)
		src, err := os.ReadFile(file)
		files++
		for _, m := range imported.FindAllStringSubmatch(string(src), -1) {
			if to := path.Join(path.Dir(rel), m[1]); !mayImport(rel, to) {
				t.Errorf("%s imports %s, which stands below it", rel, to)
			}
		}
		return err
	})
	if err != nil || files < 100 {
		t.Errorf("%v: %d files", err, files)
	}
}

// mayImport holds two paths below web/src against each other.
func mayImport(from, to string) bool {
	if strings.HasPrefix(to, "..") {
		return true // words and other data of the house
	}
	app, room, _ := strings.Cut(from, "/")
	appTo, roomTo, _ := strings.Cut(to, "/")
	if at := slices.Index(shared, appTo); at >= 0 {
		own := slices.Index(shared, app)
		return own < 0 || at <= own
	}
	order := map[string][]string{"family": family, "teacher": teacher}[app]
	own, at := slices.Index(order, first(room)), slices.Index(order, first(roomTo))
	return app == appTo && own >= 0 && at >= 0 && at <= own
}

// first is the folder of a path, or the name of a file that lies in none.
func first(p string) string {
	folder, _, _ := strings.Cut(p, "/")
	name, _, _ := strings.Cut(folder, ".")
	return name
}
