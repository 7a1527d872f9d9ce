package words_test

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"
)

// sentence is what a person reads: four words or more, the last with a full stop
// behind it, or with a capital before.
var sentence = regexp.MustCompile(`(\pL+[,;:’]? ){3,}.*\pL[.?!]$|^\p{Lu}\pL+( \pL+){3,}`)

// Sentences of the program itself, for whoever runs or maintains it, and made-up
// data; nobody at a page reads them.
var ownSentences = []string{
	"../../core/compare/texts",
	"../../internal/demo/",
	"../../internal/config/",
	"../../internal/postgres/",
	"../../internal/store/",
	"../../internal/browser/",
	"../../internal/api/pages.go",
	"../../internal/api/describe.go",
	"../../cmd/",
}

// No sentence stands in Go code: it is in a text file, by a code.
func TestNoSentencesInGo(t *testing.T) {
	files := 0
	for _, root := range []string{"../../core", "../../internal", "../../cmd"} {
		err := filepath.WalkDir(root, func(path string, d fs.DirEntry, err error) error {
			if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
				return err
			}
			for _, own := range ownSentences {
				if strings.HasPrefix(filepath.ToSlash(path), own) {
					return nil
				}
			}
			files++
			set := token.NewFileSet()
			f, err := parser.ParseFile(set, path, nil, 0)
			if err != nil {
				return err
			}
			ast.Inspect(f, func(n ast.Node) bool {
				switch n := n.(type) {
				case *ast.Field: // tags describe the API to its users
					return n.Tag == nil
				case *ast.CallExpr: // what describes the API to its users, and examples of what would do
					return !slices.Contains([]string{"op", "simple", "panic", "Field"}, called(n.Fun))
				case *ast.CompositeLit: // examples of what would do, as somebody writes it
					return called(n.Type) != "Problem"
				case *ast.BasicLit:
					if s, err := strconv.Unquote(n.Value); n.Kind == token.STRING && err == nil &&
						sentence.MatchString(s) {
						t.Errorf("%s: %q", set.Position(n.Pos()), s)
					}
				}
				return true
			})
			return nil
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	if files < 200 {
		t.Errorf("only %d files were read", files)
	}
}

// called is the name of a function or type, without its package.
func called(e ast.Expr) string {
	if s, ok := e.(*ast.SelectorExpr); ok {
		return s.Sel.Name
	}
	name, _ := e.(*ast.Ident)
	if name == nil {
		return ""
	}
	return name.Name
}

var (
	comment = regexp.MustCompile(`(?s)/\*.*?\*/|//[^\n]*`)
	jsx     = regexp.MustCompile(`>([^<>{}=;()]*[A-Za-z]{2,}[^<>{}=;()]*)<`)
	quoted  = regexp.MustCompile("'([^'\n]*)'|\"([^\"\n]*)\"|`([^`]*)`")
	inCode  = regexp.MustCompile(`^[\w.]+$|&&|\|\||=>|'|^void |^&`)
	words4  = regexp.MustCompile(`^[A-Z][a-z]+ [a-z]+|[a-z]+ [a-z]+ [a-z]+[ .]`)
	code    = regexp.MustCompile(`^import|className|style=|d=|viewBox|\bbtn\b`)
)

// No sentence stands in the web pages' code either.
func TestNoSentencesInTheWebPages(t *testing.T) {
	files := 0
	err := filepath.WalkDir("../../web/src", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".ts") && !strings.HasSuffix(path, ".tsx") ||
			strings.HasSuffix(path, ".d.ts") {
			return err
		}
		files++
		raw, err := os.ReadFile(path)
		if err != nil {
			return err
		}
		for i, line := range strings.Split(comment.ReplaceAllString(string(raw), ""), "\n") {
			if strings.HasSuffix(path, ".tsx") {
				for _, m := range jsx.FindAllStringSubmatch(line, -1) {
					if s := strings.TrimSpace(m[1]); s != "Patient Kitchen" && !inCode.MatchString(s) {
						t.Errorf("%s:%d: %q", path, i+1, s)
					}
				}
			}
			if strings.ContainsAny(line, "“”«»„") {
				t.Errorf("%s:%d: quotation marks are a language's: %s", path, i+1, strings.TrimSpace(line))
			}
			for _, m := range quoted.FindAllStringSubmatch(line, -1) {
				s := m[1] + m[2] + m[3]
				if words4.MatchString(s) && !code.MatchString(line) && !strings.Contains(s, "${") &&
					s != "the core is not there" {
					t.Errorf("%s:%d: %q", path, i+1, s)
				}
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	if files < 80 {
		t.Errorf("only %d files were read", files)
	}
}
