package api

import (
	"cmp"
	"encoding/json"
	"errors"
	"maps"
	"net/http"
	"slices"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/media"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

// Problem is an error document (RFC 9457) that says what is wrong, where, and
// gives an example that would do.
type Problem struct {
	Status  int    `json:"status"`
	Title   string `json:"title"`
	Code    string `json:"code" doc:"Stable name of the problem"`
	Detail  string `json:"detail" doc:"What is wrong and how to mend it"`
	Field   string `json:"field,omitempty"`
	Rule    string `json:"rule,omitempty"`
	Example string `json:"example,omitempty"`
	Current any    `json:"current,omitempty" doc:"The present state, where something was changed meanwhile"`

	title, detail, rule text.Message // of Title, Detail and Rule in any language
}

// problem is an error document with the title and the sentence of these codes.
func problem(status int, code, title, sentence string) *Problem {
	p := &Problem{
		Status: status,
		Code:   code,
		title:  text.Message{ID: "title." + title},
		detail: text.Message{ID: "refused." + sentence},
	}
	return p.in(text.Languages[0])
}

// about names the field of a problem, the rule it breaks and an example.
func (p *Problem) about(field string, rule text.Message, example string) *Problem {
	p.Field, p.rule, p.Example = field, rule, example
	return p.in(text.Languages[0])
}

func (p *Problem) Error() string  { return p.Detail }
func (p *Problem) GetStatus() int { return p.Status }

// ContentType makes it a problem document.
func (p *Problem) ContentType(string) string { return "application/problem+json" }

// statuses of refusals by their code; others are 409.
var statuses = map[string]int{
	"wrong-password": 401, "too-many-tries": 429, "changed-elsewhere": 412, "unknown-link": 404, "unknown-code": 404,
	"replaced-link":   410,
	"roster-problems": 422, "no-permission": 403, "no-photos": 403, "watch-only": 403, "recalled": 410,
	"not-a-picture": 422, "heic": 422, "film": 422, "animated": 422, "too-large": 413, "broken": 422,
	"not-a-recording": 422, "too-long": 422, "no-recordings": 422,
}

// fail turns an error of a use case into a problem document.
func fail(err error) error {
	var invalid *refusal.Invalid
	var refused *refusal.Refused
	var own *Problem
	switch {
	case err == nil:
		return nil
	case errors.As(err, &own):
		return own
	case errors.As(err, &invalid):
		return (&Problem{Status: 422, Code: "invalid", title: text.Message{ID: "title.invalid"}}).about(
			invalid.Field,
			invalid.Rule,
			invalid.Example,
		)
	case errors.As(err, &refused):
		if refused.Code == "busy" {
			return huma.ErrorWithHeaders(
				(&Problem{Status: 503, Code: "busy", title: text.Message{ID: "title.busy"}, detail: refused.Said()}).in(
					text.Languages[0],
				),
				http.Header{"Retry-After": {"1"}},
			)
		}
		status := statuses[refused.Code]
		if status == 0 {
			status = 409
		}
		return (&Problem{Status: status, Code: refused.Code, Current: refused.Current,
			title: text.Message{ID: "title.cannot-now"}, detail: refused.Said()}).in(
			text.Languages[0],
		)
	case errors.Is(err, app.ErrStranger):
		return openLink
	case errors.Is(err, refusal.ErrNotFound):
		return problem(404, "not-found", "not-here", "not-found")
	case store.Full(err):
		return huma.ErrorWithHeaders(full, http.Header{"Retry-After": {"60"}})
	case store.Unavailable(err):
		return huma.ErrorWithHeaders(problem(503, "database", "not-now", "database"), http.Header{"Retry-After": {"2"}})
	case errors.Is(err, media.ErrBusy):
		return huma.ErrorWithHeaders(problem(503, "busy", "busy", "busy"), http.Header{"Retry-After": {"5"}})
	}
	return err
}

var full = problem(503, "disk-full", "full", "disk-full")

var openLink = problem(401, "open-link", "open-link", "open-link")

var signInFirst = problem(401, "sign-in", "sign-in", "sign-in")

// checked is the problem document of what huma's checks of a request found: it
// names the first field that is wrong, its rule and an example that would do.
func checked(found *huma.ErrorModel, examples map[string]string) *Problem {
	switch {
	case found.Status == http.StatusRequestEntityTooLarge:
		return problem(found.Status, "too-large", "too-large", "too-large.here")
	case found.Status >= 500:
		return problem(found.Status, "fault", "fault", "fault") // what went wrong is for the log alone
	}
	p := &Problem{Status: found.Status, Code: "invalid", title: text.Message{ID: "title.invalid"},
		detail: said(found.Detail)}
	for _, d := range found.Errors {
		if d == nil || d.Location == "" {
			continue
		}
		field := strings.TrimPrefix(d.Location, "body.")
		if name, ok := strings.CutPrefix(d.Message, "expected required property "); ok {
			name, _, _ = strings.Cut(name, " ")
			field = strings.TrimPrefix(strings.TrimPrefix(field+"."+name, "body"), ".")
		}
		example := examples[field[strings.LastIndexByte(field, '.')+1:]]
		return p.about(field, ruleOf(d.Message), cmp.Or(example, "see the API description"))
	}
	return p.in(text.Languages[0])
}

func said(rule string) text.Message {
	return text.Message{ID: "rule.said", Args: text.Args{"rule": rule}}
}

// ruleOf is the rule in what the checks of requests say in English; one that is
// not known here stays as it is.
func ruleOf(message string) text.Message {
	if strings.HasPrefix(message, "expected required property ") {
		return text.Message{ID: "rule.there"}
	}
	if list, ok := strings.CutPrefix(message, "expected value to be one of "); ok {
		return text.Message{ID: "rule.one-of", Args: text.Args{"list": strings.Trim(list, `"`)}}
	}
	for prefix, code := range map[string]string{"expected length <= ": "most-signs",
		"expected length >= ": "least-signs", "expected number >= ": "at-least", "expected number <= ": "at-most"} {
		if n, ok := strings.CutPrefix(message, prefix); ok {
			return text.Message{ID: "rule." + code, Args: text.Args{"n": n}}
		}
	}
	if kind, ok := strings.CutPrefix(message, "expected "); ok && text.Has("rule.type."+kind) {
		return text.Message{ID: "rule.type." + kind}
	}
	return said(message)
}

// examplesOf gathers the examples of all described fields by name, so that a
// problem can give one.
func examplesOf(api huma.API) map[string]string {
	out := map[string]string{}
	schemas := api.OpenAPI().Components.Schemas.Map()
	// the same example each time, where two fields share a name
	for _, schema := range slices.Sorted(maps.Keys(schemas)) {
		for name, p := range schemas[schema].Properties {
			switch {
			case len(p.Examples) > 0:
				raw, _ := json.Marshal(p.Examples[0])
				out[name] = strings.Trim(string(raw), `"`)
			case len(p.Enum) > 0:
				raw, _ := json.Marshal(p.Enum[0])
				out[name] = strings.Trim(string(raw), `"`)
			case p.Format == "date-time":
				out[name] = "2027-02-02T10:40:00Z"
			case p.Type == "boolean":
				out[name] = "true"
			case p.Type == "integer" && out[name] == "":
				out[name] = "1"
			case p.Type == "string" && out[name] == "":
				out[name] = "a text"
			}
		}
	}
	return out
}

// writeProblem answers a plain handler's problem.
func writeProblem(w http.ResponseWriter, err error) {
	var p *Problem
	failed := fail(err)
	if !errors.As(failed, &p) {
		p = problem(500, "fault", "fault", "fault")
	}
	var with huma.HeadersError
	if errors.As(failed, &with) {
		for name, values := range with.GetHeaders() {
			w.Header()[name] = values
		}
	}
	w.Header().Set("Content-Type", "application/problem+json")
	w.WriteHeader(p.Status)
	_ = json.NewEncoder(w).Encode(p.in(w.Header().Get("Content-Language")))
}
