package docs_test

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
	"unicode/utf8"
)

// sources calls f with every Go file that is no test.
func sources(t *testing.T, under []string, f func(path string)) {
	t.Helper()
	files := 0
	for _, root := range under {
		err := filepath.WalkDir(root, func(path string, _ fs.DirEntry, err error) error {
			if err == nil && strings.HasSuffix(path, ".go") && !strings.HasSuffix(path, "_test.go") {
				files++
				f(path)
			}
			return err
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	if files < 100 {
		t.Fatalf("%d files", files)
	}
}

// tagged is a field with a tag, and pattern a regular expression: neither can be broken.
var tagged, pattern = regexp.MustCompile("`\\w+:\"[^`]*`"), regexp.MustCompile("^\\s*`[^`]*`,?\\)?$")

// A window shows 120 columns.
func TestLines(t *testing.T) {
	sources(t, []string{"../core", "../internal", "../cmd"}, func(path string) {
		for i, line := range strings.Split(read(t, path), "\n") {
			if n := utf8.RuneCountInString(line); n > 120 && !tagged.MatchString(line) && !pattern.MatchString(line) {
				t.Errorf("%s:%d is %d columns wide", path, i+1, n)
			}
		}
	})
}

// mostBranches bounds the ways through a function of the core.
const mostBranches = 15

// A function of the core is about one thing: few ways lead through it.
func TestBranches(t *testing.T) {
	sources(t, []string{"../core"}, func(path string) {
		set := token.NewFileSet()
		file, err := parser.ParseFile(set, path, nil, 0)
		if err != nil {
			t.Fatal(err)
		}
		for _, d := range file.Decls {
			fn, ok := d.(*ast.FuncDecl)
			if !ok {
				continue
			}
			if n := branches(fn); n > mostBranches {
				t.Errorf("%s: %s has %d ways through it", set.Position(fn.Pos()), fn.Name.Name, n)
			}
		}
	})
}

// branches counts a function's conditions, loops, cases and the words and, or, and one.
func branches(fn *ast.FuncDecl) int {
	n := 1
	ast.Inspect(fn, func(node ast.Node) bool {
		switch x := node.(type) {
		case *ast.IfStmt, *ast.ForStmt, *ast.RangeStmt:
			n++
		case *ast.CaseClause:
			if x.List != nil {
				n++
			}
		case *ast.CommClause:
			if x.Comm != nil {
				n++
			}
		case *ast.BinaryExpr:
			if x.Op == token.LAND || x.Op == token.LOR {
				n++
			}
		}
		return true
	})
	return n
}
