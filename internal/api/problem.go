package api

import (
	"encoding/json"
	"errors"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/media"
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
}

func (p *Problem) Error() string  { return p.Detail }
func (p *Problem) GetStatus() int { return p.Status }

// ContentType makes it a problem document.
func (p *Problem) ContentType(string) string { return "application/problem+json" }

// statuses of refusals by their code; others are 409.
var statuses = map[string]int{
	"wrong-password": 401, "too-many-tries": 429, "changed-elsewhere": 412, "unknown-link": 404, "unknown-code": 404, "replaced-link": 410,
	"roster-problems": 422, "no-permission": 403, "no-photos": 403, "watch-only": 403, "recalled": 410,
	"not-a-picture": 422, "heic": 422, "film": 422, "animated": 422, "too-large": 413, "broken": 422,
}

// fail turns an error of a use case into a problem document.
func fail(err error) error {
	var invalid *app.Invalid
	var refused *app.Refused
	var own *Problem
	switch {
	case err == nil:
		return nil
	case errors.As(err, &own):
		return own
	case errors.As(err, &invalid):
		return &Problem{Status: 422, Title: "Not as it should be", Code: "invalid", Field: invalid.Field, Rule: invalid.Rule, Example: invalid.Example,
			Detail: sentence(invalid.Field, invalid.Rule, invalid.Example)}
	case errors.As(err, &refused):
		if refused.Code == "busy" {
			return huma.ErrorWithHeaders(&Problem{Status: 503, Title: "Busy", Code: "busy", Detail: refused.Detail}, http.Header{"Retry-After": {"1"}})
		}
		status := statuses[refused.Code]
		if status == 0 {
			status = 409
		}
		return &Problem{Status: status, Title: "Cannot be done now", Code: refused.Code, Detail: refused.Detail, Current: refused.Current}
	case errors.Is(err, app.ErrStranger):
		return openLink
	case errors.Is(err, app.ErrNotFound):
		return &Problem{Status: 404, Title: "Not here", Code: "not-found", Detail: "There is no such thing by this address, or it is not yours."}
	case store.Full(err):
		return huma.ErrorWithHeaders(full, http.Header{"Retry-After": {"60"}})
	case store.Unavailable(err):
		return huma.ErrorWithHeaders(&Problem{Status: 503, Title: "Not now", Code: "database", Detail: "The database does not answer in time. What you typed is kept; it is tried again."}, http.Header{"Retry-After": {"2"}})
	case errors.Is(err, media.ErrBusy):
		return huma.ErrorWithHeaders(&Problem{Status: 503, Title: "Busy", Code: "busy", Detail: "Many photos are coming in. It is tried again by itself."}, http.Header{"Retry-After": {"5"}})
	}
	return err
}

var full = &Problem{Status: 503, Title: "Full", Code: "disk-full", Detail: "The disk of the database is full, and nothing can be saved. What you typed is kept; it is tried again. Tell whoever looks after the server."}

func sentence(field, rule, example string) string {
	s := strings.ReplaceAll(field, "_", " ") + " " + rule
	s = strings.ToUpper(s[:1]) + s[1:]
	if example != "" {
		s += "; for example " + example
	}
	return s + "."
}

var openLink = &Problem{Status: 401, Title: "Open the link", Code: "open-link", Detail: "This phone has not opened this home's link, or forgot it. Open the link or type the code."}

var signInFirst = &Problem{Status: 401, Title: "Sign in first", Code: "sign-in", Detail: "You are not signed in, or the sign-in has run out. What you typed is kept."}

// useProblems makes huma answer its own errors as problem documents that name
// the field, the rule and an example.
func useProblems(examples map[string]string) {
	huma.NewError = func(status int, message string, errs ...error) huma.StatusError {
		p := &Problem{Status: status, Title: http.StatusText(status), Code: "invalid", Detail: message}
		if status >= 500 {
			p.Code, p.Detail = "fault", "Our side has a fault. Nothing you typed is lost; try again."
		}
		for _, err := range errs {
			var own *Problem
			if errors.As(err, &own) {
				return own
			}
			var d *huma.ErrorDetail
			if errors.As(err, &d) && p.Field == "" {
				p.Field, p.Rule = strings.TrimPrefix(d.Location, "body."), d.Message
				if name, ok := strings.CutPrefix(d.Message, "expected required property "); ok {
					name, _, _ = strings.Cut(name, " ")
					p.Field, p.Rule = strings.TrimPrefix(strings.TrimPrefix(p.Field+"."+name, "body"), "."), "has to be there"
				}
				if kind, ok := strings.CutPrefix(p.Rule, "expected "); ok {
					p.Rule = "has to be " + map[string]string{"string": "a text", "integer": "a whole number", "number": "a number", "boolean": "true or false", "object": "an object", "array": "a list"}[kind]
					if strings.HasSuffix(p.Rule, "be ") {
						p.Rule += kind
					}
				}
				last := p.Field[strings.LastIndexByte(p.Field, '.')+1:]
				p.Example = examples[last]
				if p.Example == "" {
					p.Example = "see the API description"
				}
				p.Detail = sentence(last, p.Rule, p.Example)
			}
		}
		if status == http.StatusRequestEntityTooLarge {
			p.Code, p.Detail = "too-large", "This is larger than the server takes."
		}
		return p
	}
}

// examplesOf gathers the examples of all described fields by name, so that a
// problem can give one.
func examplesOf(api huma.API) map[string]string {
	out := map[string]string{}
	for _, s := range api.OpenAPI().Components.Schemas.Map() {
		for name, p := range s.Properties {
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
		p = &Problem{Status: 500, Title: "Fault", Code: "fault", Detail: "Our side has a fault. Nothing you typed is lost; try again."}
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
