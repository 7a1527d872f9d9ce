package api

import (
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"golang.org/x/text/language"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/words"
)

var matcher = func() language.Matcher {
	tags := make([]language.Tag, len(text.Languages))
	for i, code := range text.Languages {
		tags[i] = language.Make(code)
	}
	return language.NewMatcher(tags)
}()

// languageOf is the offered language that suits an Accept-Language header best.
func languageOf(accept string) string {
	wanted, _, err := language.ParseAcceptLanguage(accept)
	if err != nil || len(wanted) == 0 {
		return text.Languages[0]
	}
	_, i, _ := matcher.Match(wanted...)
	return text.Languages[i]
}

// in words a problem in a language.
func (p *Problem) in(code string) *Problem {
	out := *p
	if p.title.ID != "" {
		out.Title = text.Render(p.title, code)
	}
	if p.rule.ID != "" {
		out.Rule = text.Render(p.rule, code)
		out.Detail = words.Sentence(p.Field, p.rule, p.Example, code)
	}
	if p.detail.ID != "" && (p.rule.ID == "" || text.Has(p.detail.ID) && p.detail.ID != "rule.said") {
		out.Detail = text.Render(p.detail, code)
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

// wordProblems words the problems of described operations, huma's own among them.
func (s *Server) wordProblems(ctx huma.Context, _ string, answer any) (any, error) {
	if found, ok := answer.(*huma.ErrorModel); ok {
		answer = checked(found, s.examples)
	}
	if p, ok := answer.(*Problem); ok {
		return p.in(languageOf(ctx.Header("Accept-Language"))), nil
	}
	return answer, nil
}
