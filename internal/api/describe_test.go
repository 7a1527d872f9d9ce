package api_test

import (
	"encoding/json"
	"net/http"
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/go-chi/chi/v5"
	"github.com/pb33f/libopenapi"
	validator "github.com/pb33f/libopenapi-validator"

	"patient-kitchen/internal/api"
)

// The program answers its own description; an independent validator finds nothing in
// it, every operation says what it is, who may ask and where it belongs, and every
// route of the interface is in it.
func TestOpenAPIIsWhole(t *testing.T) {
	s := newSite(t)
	res, err := http.Get(s.URL + "/api/v1/openapi.json")
	if err != nil {
		t.Fatal(err)
	}
	defer res.Body.Close()
	var d struct {
		OpenAPI string
		Servers []any
		Tags    []struct{ Name, Description string }
		Paths   map[string]map[string]struct {
			OperationID, Summary, Description string
			Tags                              []string
			Security                          []map[string][]string
			Parameters                        []struct{ Name, Description string }
			Responses                         map[string]any
		}
		Components struct{ SecuritySchemes map[string]any }
	}
	if err := json.NewDecoder(res.Body).Decode(&d); err != nil || res.StatusCode != 200 {
		t.Fatal(res.StatusCode, err)
	}
	if !strings.HasPrefix(d.OpenAPI, "3.1") || len(d.Servers) == 0 || len(d.Components.SecuritySchemes) != 2 {
		t.Errorf("%s, %d servers, %v", d.OpenAPI, len(d.Servers), d.Components.SecuritySchemes)
	}
	seen := map[string]bool{}
	for path, item := range d.Paths {
		for method, o := range item {
			what := method + " " + path
			if o.OperationID == "" || seen[o.OperationID] || o.Summary == "" || o.Description == "" ||
				len(o.Tags) != 1 ||
				len(o.Security) != 1 ||
				o.Responses["200"] == nil ||
				o.Responses["default"] == nil {
				t.Errorf("%s: %+v", what, o)
			}
			seen[o.OperationID] = true
			if !slices.ContainsFunc(d.Tags, func(k struct{ Name, Description string }) bool {
				return k.Name == o.Tags[0] && k.Description != ""
			}) {
				t.Errorf("%s: the tag %v is not explained", what, o.Tags)
			}
			for _, name := range regexp.MustCompile(`\{(\w+)\}`).FindAllStringSubmatch(path, -1) {
				if !slices.ContainsFunc(
					o.Parameters,
					func(p struct{ Name, Description string }) bool { return p.Name == name[1] },
				) {
					t.Errorf("%s: %s is not described", what, name[1])
				}
			}
			for _, p := range o.Parameters {
				if p.Description == "" {
					t.Errorf("%s: %s has no words", what, p.Name)
				}
			}
		}
	}
	routes := 0
	_ = chi.Walk(
		s.server.Router(),
		func(method, route string, _ http.Handler, _ ...func(http.Handler) http.Handler) error {
			if strings.HasPrefix(route, "/api/v1/") && method != "HEAD" {
				routes++
				if _, ok := d.Paths[route][strings.ToLower(method)]; !ok {
					t.Errorf("%s %s is not described", method, route)
				}
			}
			return nil
		},
	)
	if routes < 60 {
		t.Errorf("only %d routes were found", routes)
	}
}

func TestOpenAPIIsValid(t *testing.T) {
	raw, err := describedBy(t)
	if err != nil {
		t.Fatal(err)
	}
	doc, err := libopenapi.NewDocument(raw)
	if err != nil {
		t.Fatal(err)
	}
	v, errs := validator.NewValidator(doc)
	if errs != nil {
		t.Fatal(errs)
	}
	if ok, problems := v.ValidateDocument(); !ok {
		for _, p := range problems {
			t.Errorf("%s: %s", p.Message, p.Reason)
		}
	}
}

func describedBy(t *testing.T) ([]byte, error) {
	t.Helper()
	var server *api.Server = newSite(t).server
	return server.OpenAPI()
}
