package docs_test

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"

	"patient-kitchen/core/science"
	"patient-kitchen/core/text"
)

// cited is an author and a year in a comment: (Holm, 1979), Clopper and Pearson (1934).
var cited = regexp.MustCompile(`([A-Z]\w+)(?: and [A-Z]\w+)?,? \(?(1[89]\d\d|20[012]\d)\b`)

// What the core works with names its source: whatever it exports says what it is, who is
// named in a comment stands in sources.md, and each model says its law and stands in
// models.md. This prints what does not.
func TestSources(t *testing.T) {
	sources, models := read(t, "sources.md"), read(t, "models.md")
	files := 0
	err := filepath.WalkDir("../core", func(path string, _ fs.DirEntry, err error) error {
		if err != nil || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		files++
		set := token.NewFileSet()
		f, err := parser.ParseFile(set, path, nil, parser.ParseComments)
		if err != nil {
			return err
		}
		for _, d := range f.Decls {
			if fn, ok := d.(*ast.FuncDecl); ok && fn.Name.IsExported() && fn.Doc == nil && !plain[fn.Name.Name] {
				t.Errorf("%s: %s does not say what it does", set.Position(fn.Pos()), fn.Name.Name)
			}
		}
		for _, c := range f.Comments {
			for _, m := range cited.FindAllStringSubmatch(c.Text(), -1) {
				if !strings.Contains(sources, m[1]) || !strings.Contains(sources, m[2]) {
					t.Errorf("%s: %s %s does not stand in sources.md", set.Position(c.Pos()), m[1], m[2])
				}
			}
		}
		return nil
	})
	if err != nil || files < 100 {
		t.Errorf("%v: %d files", err, files)
	}
	for _, m := range science.Models() {
		if law := text.Render(m.Source(), "en"); law == "" || strings.Contains(law, "[") {
			t.Errorf("model %s does not say its law", m.ID)
		}
		if !strings.Contains(models, m.ID) {
			t.Errorf("model %s does not stand in models.md", m.ID)
		}
	}
}

// plain are methods whose name says what a whole language knows.
var plain = map[string]bool{"Error": true, "String": true, "MarshalJSON": true, "UnmarshalJSON": true, "Len": true,
	"Less": true, "Swap": true, "Show": true, "Unwrap": true, "Is": true}

func read(t *testing.T, file string) string {
	t.Helper()
	raw, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	return string(raw)
}
