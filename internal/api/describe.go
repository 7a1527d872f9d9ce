package api

import (
	"net/http"
	"patient-kitchen/internal/app"
	"reflect"
	"regexp"
	"strings"

	"github.com/danielgtaylor/huma/v2"
)

// tags are the parts of the API, each with what it is about and the beginning of the
// addresses that belong to it, the longest first.
var tags = []struct{ name, about, prefix string }{
	{"Results", "What homes sent, what the class found, and files of it", "/classes/{class}/assignments"},
	{"Issuing", "Handing a version to the homes of a class, and taking it back", "/classes/{class}/issue-check"},
	{"Homes", "The homes of a class, their ways in, and the school's list", "/classes/{class}/homes"},
	{"Homes", "", "/classes/{class}/roster"},
	{"Homes", "", "/classes/{class}/invitations"},
	{"Results", "", "/classes/{class}/photos"},
	{"Results", "", "/classes/{class}/recordings"},
	{"Incidents", "What homes told through Something went wrong", "/classes/{class}/incidents"},
	{"Incidents", "", "/incidents"},
	{"Issuing", "", "/assignments"},
	{"Issuing", "", "/late-changes"},
	{"Classes", "The teacher's classes, what is kept of them and for how long", "/classes"},
	{"Classes", "", "/deleted-classes"},
	{"Classes", "", "/leaving"},
	{"Experiments", "Designs: drafts, what is wrong with them and what could hurt", "/experiments"},
	{"Experiments", "", "/experiment-files"},
	{"Experiments", "", "/preview"},
	{"Experiments", "", "/actions"},
	{"Larder", "Materials, what can stand in for what, and a school's own entries", "/larder"},
	{"Workbench", "The models of the science core", "/models"},
	{"Family", "The page of one home, opened by its link or code", "/home"},
	{"Family", "", "/family"},
	{"Account", "Signing in and out", "/session"},
	{"Account", "", "/live"},
	{"Account", "", "/openapi.json"},
}

const (
	teacherScheme = "teacher"
	homeScheme    = "home"
)

// parameters say what a name in an address is.
var parameters = map[string]string{
	"class": "Id of the class", "home": "Id of the home", "assignment": "Id of the assignment: a version that was " +
		"issued to the class", "experiment": "Id of the experiment",
	"entry": "Id of the entry, made by whoever writes it (UUIDv7)", "photo": "Id of the picture, made by the " +
		"phone (UUIDv7)",
	"recording": "Id of the clip or sound, made by the phone (UUIDv7)",
	"picture":   "SHA-256 of a picture of the design, in hexadecimal",
	"size":      "display or thumbnail", "incident": "Id of the incident, made by the phone",
	"session": "Id of the session", "thing": "Id of a thing of the larder", "swap": "Id of a swap of the school's own",
	"model": "Id of a model", "number": "Number of the version",
	"Accept-Language": "The language that answers are worded in",
	"If-Match":        "The version that the change was made from", "If-None-Match": "The tag of what the caller has",
	"User-Agent": "The browser, to name it among the sessions", "sheet": "safety, materials, swaps, " +
		"notebook or watch", "q": "What is looked for", "separator": "comma, semicolon or tab",
	"decimal": "point or comma", "language": "The language of names and explanations",
}

// file is an operation that answers no JSON document of ours.
type file struct{ method, path, id, summary, kind string }

var files = []file{
	{
		"PUT",
		"/home/{home}/assignments/{assignment}/photos/{photo}",
		"put-photo",
		"Send a picture; it is oriented, stripped of all that is not seen, and scaled",
		"image/*",
	},
	{"GET", "/home/{home}/photos/{photo}/{size}", "get-home-photo", "A picture that this home sent", "image/jpeg"},
	{
		"PUT",
		"/home/{home}/assignments/{assignment}/recordings/{recording}",
		"put-recording",
		"Send a clip or sound of at most 20 s; it is written anew and stripped of all that is not seen or heard",
		"video/*",
	},
	{
		"GET",
		"/home/{home}/recordings/{recording}",
		"get-home-recording",
		"A clip or sound that this home sent",
		"video/mp4",
	},
	{
		"GET",
		"/home/{home}/assignments/{assignment}/print/{sheet}",
		"print-sheet",
		"A sheet of an assignment for paper, in the home's language",
		"text/html",
	},
	{"GET", "/classes/{class}/photos/{photo}/{size}", "get-photo", "A picture that a home sent", "image/jpeg"},
	{"GET", "/classes/{class}/recordings/{recording}", "get-recording", "A clip or sound that a home sent", "video/mp4"},
	{
		"GET",
		"/classes/{class}/assignments/{assignment}/export.csv",
		"export-readings",
		"The readings as a table",
		"text/csv",
	},
	{
		"GET",
		"/classes/{class}/assignments/{assignment}/answers.csv",
		"export-answers",
		"The answers and predictions as a table",
		"text/csv",
	},
	{
		"GET",
		"/classes/{class}/assignments/{assignment}/observations.csv",
		"export-observations",
		"The observations as a table",
		"text/csv",
	},
	{
		"GET",
		"/classes/{class}/assignments/{assignment}/results.csv",
		"export-results",
		"What was worked out for each home, as a table",
		"text/csv",
	},
	{
		"GET",
		"/classes/{class}/assignments/{assignment}/export.xlsx",
		"export-workbook",
		"All tables in one workbook that explains its columns",
		"application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
	},
	{
		"GET",
		"/classes/{class}/assignments/{assignment}/export.json",
		"export-json",
		"The readings with their published schema, as compare reads them",
		"application/json",
	},
	{"GET", "/classes/{class}/experiments/{experiment}/kitchens.csv", "export-kitchens",
		"What homes said of their kitchens as a table, without facts of the homes", "text/csv"},
	{"GET", "/classes/{class}/assignments/{assignment}/calendar.ics", "class-calendar",
		"An assignment's sittings for a calendar", "text/calendar"},
	{"GET", "/home/{home}/assignments/{assignment}/calendar.ics", "home-calendar", "The same for a home's calendar",
		"text/calendar"},
	{"GET", "/classes/{class}/archive.zip", "archive-class", "All of a class as open files", "application/zip"},
	{"GET", "/experiments/{experiment}/file", "export-experiment", "The design as its file", "application/json"},
	{"POST", "/experiment-files", "open-experiment",
		"Make an experiment of an open file: a design, or a zip file of one with its pictures", "application/zip"},
	{"POST", "/experiments/{experiment}/pictures", "add-picture",
		"Bring a picture for a step; it is oriented, stripped of all that is not seen, and scaled", "image/*"},
	{"GET", "/experiments/{experiment}/pictures/{picture}", "get-design-picture", "A picture of a design", "image/jpeg"},
	{"GET", "/home/{home}/assignments/{assignment}/pictures/{picture}", "get-step-picture",
		"A picture of the design that this home does", "image/jpeg"},
	{"GET", "/experiments/{experiment}/text", "reading-text", "The design as Markdown, for reading", "text/markdown"},
	{"GET", "/larder/own.json", "export-things", "The school's own things and swaps", "application/json"},
	{"GET", "/larder/own.csv", "export-things-table", "The school's own things as a table", "text/csv"},
	{"GET", "/larder/own-swaps.csv", "export-swaps-table", "The school's own swaps as a table", "text/csv"},
	{
		"GET",
		"/live",
		"live",
		"What changes, as it changes: events with class, kind, id and version",
		"text/event-stream",
	},
	{"GET", "/openapi.json", "get-openapi", "This description", "application/json"},
}

// answerTo is what is answered to an upload.
func answerTo(id string) reflect.Type {
	switch id {
	case "open-experiment":
		return reflect.TypeFor[app.DraftView]()
	case "add-picture":
		return reflect.TypeFor[app.PictureView]()
	}
	return reflect.TypeFor[Done]()
}

var inPath = regexp.MustCompile(`\{(\w+)\}`)

// describe completes the description of the API: who may ask, what each part is
// about, and the routes that answer files.
func (s *Server) describe() {
	d := s.api.OpenAPI()
	d.Info.Description = "The interface of Patient Kitchen. Times are RFC 3339 in UTC, names in snake_case, lists " +
		"in items; problems are documents of RFC 9457 " +
		"that name the field, the rule and an example. A document that can be changed carries its version and is " +
		"changed with If-Match. Requests that change something are taken from this site alone."
	d.Servers = []*huma.Server{{URL: "/", Description: "This server"}}
	d.Components.SecuritySchemes = map[string]*huma.SecurityScheme{
		teacherScheme: {
			Type:        "apiKey",
			In:          "cookie",
			Name:        s.sessions.Cookie.Name,
			Description: "The session of a teacher who signed in",
		},
		homeScheme: {
			Type:        "apiKey",
			In:          "cookie",
			Name:        s.cookieName(homeCookie, "home"),
			Description: "The phone of a home whose link or code was opened; it counts for that home's addresses alone",
		},
	}
	for _, f := range files {
		o := &huma.Operation{
			Method:      f.method,
			Path:        "/api/v1" + f.path,
			OperationID: f.id,
			Summary:     f.summary,
			Responses: map[string]*huma.Response{
				"200": {
					Description: "OK",
					Content: map[string]*huma.MediaType{
						f.kind: {Schema: &huma.Schema{Type: "string", Format: "binary"}},
					},
				},
				"default": {
					Description: "Error",
					Content: map[string]*huma.MediaType{
						"application/problem+json": {Schema: &huma.Schema{Ref: "#/components/schemas/Problem"}},
					},
				},
			},
		}
		for _, m := range inPath.FindAllStringSubmatch(f.path, -1) {
			o.Parameters = append(
				o.Parameters,
				&huma.Param{Name: m[1], In: "path", Required: true, Schema: &huma.Schema{Type: "string"}},
			)
		}
		if f.kind == "text/markdown" || f.id == "open-experiment" {
			o.Parameters = append(o.Parameters,
				&huma.Param{Name: "language", In: "query", Schema: &huma.Schema{Type: "string"}})
		}
		if f.kind == "text/csv" && strings.Contains(f.path, "assignments") {
			for _, name := range []string{"separator", "decimal", "language"} {
				o.Parameters = append(
					o.Parameters,
					&huma.Param{Name: name, In: "query", Schema: &huma.Schema{Type: "string"}},
				)
			}
		}
		if f.method != http.MethodGet {
			o.RequestBody = &huma.RequestBody{
				Required: true,
				Content:  map[string]*huma.MediaType{f.kind: {Schema: &huma.Schema{Type: "string", Format: "binary"}}},
			}
			o.Responses["200"].Content = map[string]*huma.MediaType{
				"application/json": {Schema: d.Components.Schemas.Schema(answerTo(f.id), true, "")},
			}
		}
		d.AddOperation(o)
	}
	for _, t := range tags {
		if t.about != "" {
			d.Tags = append(d.Tags, &huma.Tag{Name: t.name, Description: t.about})
		}
	}
	for path, item := range d.Paths {
		for _, o := range []*huma.Operation{item.Get, item.Put, item.Post, item.Delete} {
			if o != nil {
				described(strings.TrimPrefix(path, "/api/v1"), o)
			}
		}
	}
}

func described(path string, o *huma.Operation) {
	if fault := o.Responses["default"]; fault != nil {
		fault.Description = "A fault of the server"
		o.Responses["4XX"] = &huma.Response{
			Description: "Refused: what is wrong, where, and how to mend it",
			Content:     fault.Content,
		}
	}
	for _, t := range tags {
		if strings.HasPrefix(path, t.prefix) {
			o.Tags = []string{t.name}
			break
		}
	}
	if o.Description == "" {
		o.Description = o.Summary + "."
	}
	switch open := path == "/openapi.json" || path == "/session" && o.Method == http.MethodPost; {
	case open || strings.HasPrefix(path, "/family/"):
		o.Security = []map[string][]string{{}}
	case strings.HasPrefix(path, "/home/"):
		o.Security = []map[string][]string{{homeScheme: {}}}
	default:
		o.Security = []map[string][]string{{teacherScheme: {}}}
	}
	for _, p := range o.Parameters {
		if p.Description == "" {
			p.Description = parameters[p.Name]
		}
	}
}

// serveOpenAPI answers the description of this very program.
func (s *Server) serveOpenAPI(w http.ResponseWriter, r *http.Request) {
	raw, err := s.openAPI()
	if err != nil {
		writeProblem(w, s.logged(r.Context(), err))
		return
	}
	w.Header().Set("Content-Type", "application/openapi+json")
	w.Header().Set("Cache-Control", "no-cache")
	_, _ = w.Write(raw)
}
