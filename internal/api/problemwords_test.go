package api

import (
	"go/ast"
	"go/parser"
	"go/token"
	"path/filepath"
	"strconv"
	"strings"
	"testing"
)

// The language is the one that suits best of what the browser asks for, also
// where a neighbour of an offered one is asked for.
func TestLanguageOf(t *testing.T) {
	for accept, want := range map[string]string{"": "en", "es": "es", "es-MX,en;q=0.5": "es", "ca,es": "es", "en-GB,es;q=0.9": "en", "fr": "en", "fr,es;q=0.5": "es", "gl": "es", "*": "en", "not a language!!": "en"} {
		if got := languageOf(accept); got != want {
			t.Errorf("%q: %s, want %s", accept, got, want)
		}
	}
}

// Every sentence that a refusal is written with has its Spanish, found in the
// source: what is put together of parts has its own test.
func TestRefusalsHaveSpanish(t *testing.T) {
	n := 0
	for _, dir := range []string{".", "../app"} {
		files, err := filepath.Glob(dir + "/*.go")
		if err != nil || len(files) == 0 {
			t.Fatal(err)
		}
		for _, file := range files {
			if strings.HasSuffix(file, "_test.go") {
				continue
			}
			parsed, err := parser.ParseFile(token.NewFileSet(), file, nil, 0)
			if err != nil {
				t.Fatal(err)
			}
			ast.Inspect(parsed, func(node ast.Node) bool {
				pair, ok := node.(*ast.KeyValueExpr)
				if !ok {
					return true
				}
				key, _ := pair.Key.(*ast.Ident)
				value, _ := pair.Value.(*ast.BasicLit)
				if key == nil || value == nil || key.Name != "Detail" && key.Name != "Title" || value.Kind != token.STRING {
					return true
				}
				text, _ := strconv.Unquote(value.Value)
				if n++; spanish[text] == "" {
					t.Errorf("%s: %q has no Spanish in problems.es.json", file, text)
				}
				return true
			})
		}
	}
	if n < 30 {
		t.Errorf("only %d sentences were found", n)
	}
}

func TestProblemsInSpanish(t *testing.T) {
	for _, c := range []struct{ in, want Problem }{
		{Problem{Title: "Busy", Detail: "Many photos are coming in. It is tried again by itself."}, Problem{Title: "Ocupado", Detail: "Están llegando muchas fotos. Se intenta otra vez por sí solo."}},
		{Problem{Field: "guardian", Rule: "has to be the name of an adult, with at most 80 signs", Example: "A. Fernsby", Detail: "Guardian has to be …"}, Problem{Detail: "Nombre: tiene que ser el nombre de una persona adulta, de 80 signos como máximo; por ejemplo, A. Fernsby."}},
		{Problem{Title: "A title of nobody", Detail: "Something of nobody."}, Problem{Title: "A title of nobody", Detail: "Something of nobody."}},
	} {
		if got := c.in.in("es"); got.Title != c.want.Title || got.Detail != c.want.Detail {
			t.Errorf("%q, %q", got.Title, got.Detail)
		}
		if got := c.in.in("en"); *got != c.in {
			t.Errorf("English was changed: %+v", got)
		}
	}
}
