package api

import (
	_ "embed"
	"encoding/json"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"golang.org/x/text/language"
)

//go:embed problems.es.json
var spanishFile []byte

// spanish words problem documents: titles, details, fields and rules, by the
// English of the code.
var spanish = func() map[string]string {
	m := map[string]string{}
	if err := json.Unmarshal(spanishFile, &m); err != nil {
		panic(err) // it ships with the program
	}
	return m
}()

var (
	offered = []string{"en", "es"} // in the matcher's order
	matcher = language.NewMatcher([]language.Tag{language.English, language.Spanish})
)

// languageOf is the offered language that suits an Accept-Language header best.
func languageOf(accept string) string {
	wanted, _, err := language.ParseAcceptLanguage(accept)
	if err != nil || len(wanted) == 0 {
		return offered[0]
	}
	_, i, _ := matcher.Match(wanted...)
	return offered[i]
}

// in words a problem in a language; what has no words there stays in English.
func (p *Problem) in(code string) *Problem {
	if code != "es" {
		return p
	}
	say := func(s string) string {
		if in, ok := spanish[s]; ok {
			return in
		}
		return s
	}
	out := *p
	out.Title, out.Detail = say(p.Title), say(p.Detail)
	if rule, known := spanish[p.Rule]; known && p.Field != "" && out.Detail == p.Detail {
		field := strings.ReplaceAll(p.Field[strings.LastIndexByte(p.Field, '.')+1:], "_", " ")
		field = say(field)
		out.Detail = strings.NewReplacer("{Field}", strings.ToUpper(field[:1])+field[1:], "{rule}", rule).Replace(spanish["{Field} {rule}"])
		if p.Example != "" {
			out.Detail += spanish["; for example "] + p.Example
		}
		out.Detail += "."
	}
	return &out
}

// spoken notes the language of answers in their header, where problems find it.
func spoken(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if strings.HasPrefix(r.URL.Path, "/api/") || strings.HasPrefix(r.URL.Path, "/print/") {
			w.Header().Set("Content-Language", languageOf(r.Header.Get("Accept-Language")))
			w.Header().Add("Vary", "Accept-Language")
		}
		next.ServeHTTP(w, r)
	})
}

// wordProblems words the problems of described operations.
func wordProblems(ctx huma.Context, _ string, v any) (any, error) {
	if p, ok := v.(*Problem); ok {
		return p.in(languageOf(ctx.Header("Accept-Language"))), nil
	}
	return v, nil
}
