package api

import (
	"context"
	"net/http"
	"strconv"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/kitchens"
	"patient-kitchen/internal/view/results"
)

// Reply wraps a body.
type Reply[T any] struct{ Body T }

// List is a list; next is empty on its last page.
type List[T any] struct {
	Items []T    `json:"items"`
	Next  string `json:"next,omitempty"`
}

type nothing struct{}

// op describes an operation.
func op(method, path, id, summary string) huma.Operation {
	return huma.Operation{
		Method:        method,
		Path:          "/api/v1" + path,
		OperationID:   id,
		Summary:       summary,
		DefaultStatus: http.StatusOK,
		Errors:        []int{},
		// The usual five seconds stay on the connection and cut off whatever takes longer, the next
		// request too; the server has its own.
		BodyReadTimeout: -1,
	}
}

// forTeacher registers an operation that needs a signed-in teacher.
func forTeacher[I, T any](s *Server, o huma.Operation, f func(context.Context, app.TeacherActor, *I) (T, error)) {
	huma.Register(s.api, o, func(ctx context.Context, in *I) (*Reply[T], error) {
		who, err := s.teacher(ctx)
		if err != nil {
			return nil, err
		}
		v, err := f(ctx, who, in)
		if err != nil {
			return nil, s.logged(ctx, err)
		}
		return &Reply[T]{v}, nil
	})
}

// logged turns an error into a problem, and logs one that is our own fault.
func (s *Server) logged(ctx context.Context, err error) error {
	out := fail(err)
	if ctx.Err() != nil {
		return out // the asker has gone; nobody's fault
	}
	if out == err {
		if _, ok := err.(huma.StatusError); !ok {
			s.Log.ErrorContext(ctx, "fault", "error", err)
		}
	}
	return out
}

// Done answers what has nothing else to say.
type Done struct {
	OK bool `json:"ok"`
}

// Accept is the language answers are worded in.
type Accept struct {
	Language string `header:"Accept-Language" default:"en"`
}

func (l Accept) code() string {
	return languageOf(l.Language)
}

// IfMatch is the version that a change is meant for.
type IfMatch struct {
	Version string `header:"If-Match" required:"true" doc:"Version the change was made from" example:"3"`
}

func (m IfMatch) version() (int, error) {
	n, err := strconv.Atoi(strings.Trim(m.Version, `" W/`))
	if err != nil {
		return 0, &refusal.Invalid{Field: "If-Match", Rule: text.Message{ID: "rule.version"}, Example: "3"}
	}
	return n, nil
}

// AssignmentPath names an assignment of a class in an address.
type AssignmentPath struct {
	ClassPath
	Assignment uuid.UUID `path:"assignment"`
}

func (s *Server) assignments() {
	forTeacher(
		s,
		op("GET", "/assignments", "list-assignments", "The assignments of all classes"),
		func(ctx context.Context, who app.TeacherActor, i *Accept) (List[results.AssignmentView], error) {
			v, err := s.App.Assignments(ctx, who, i.code())
			return List[results.AssignmentView]{Items: v}, err
		},
	)
	type check struct {
		ClassPath
		Accept
		Experiment uuid.UUID `path:"experiment"`
		Opens      time.Time `query:"opens" doc:"When it would open"`
		Due        time.Time `query:"due" doc:"When it would be due; with opens, homes that cannot do it between are named"`
	}
	forTeacher(
		s,
		op("GET", "/classes/{class}/issue-check/{experiment}", "check-issue", "What is in the way of issuing"),
		func(ctx context.Context, who app.TeacherActor, i *check) (app.IssueCheck, error) {
			return s.App.CheckIssue(ctx, who, i.Class, i.Experiment, i.Opens, i.Due, i.code())
		},
	)
	type issue struct {
		ClassPath
		Accept
		Body app.IssueFields
	}
	forTeacher(
		s,
		op("POST", "/classes/{class}/assignments", "issue", "Freeze a version and hand it to every home"),
		func(ctx context.Context, who app.TeacherActor, i *issue) (results.AssignmentView, error) {
			return s.App.Issue(ctx, who, i.Class, i.Body, i.code())
		},
	)
	type recall struct {
		AssignmentPath
		Body struct {
			Reason string `json:"reason" maxLength:"1000" example:"The dishes tip over. Please pour the water away."`
		}
	}
	forTeacher(
		s,
		op(
			"POST",
			"/classes/{class}/assignments/{assignment}/recall",
			"recall",
			"Take an experiment back from all homes",
		),
		func(ctx context.Context, who app.TeacherActor, i *recall) (Done, error) {
			return Done{true}, s.App.Recall(ctx, who, i.Class, i.Assignment, i.Body.Reason)
		},
	)
	type reschedule struct {
		AssignmentPath
		Body struct {
			DueAt time.Time `json:"due_at"`
		}
	}
	forTeacher(
		s,
		op("PUT", "/classes/{class}/assignments/{assignment}/due", "reschedule", "Give an experiment another end"),
		func(ctx context.Context, who app.TeacherActor, i *reschedule) (Done, error) {
			return Done{true}, s.App.Reschedule(ctx, who, i.Class, i.Assignment, i.Body.DueAt)
		},
	)
	type Get struct {
		AssignmentPath
		Accept
	}
	type page struct {
		Get
		Had []string `query:"had" maxItems:"200" doc:"Tags of the rows that the page has"`
	}
	forTeacher(
		s,
		op("GET", "/classes/{class}/assignments/{assignment}/results", "get-results", "The class page"),
		func(ctx context.Context, who app.TeacherActor, i *page) (results.Results, error) {
			out, err := s.App.Results(ctx, who, i.Class, i.Assignment, i.code())
			if err != nil {
				return out, err
			}
			return out, out.Without(i.Had)
		},
	)
	type notebook struct {
		Get
		Home uuid.UUID `path:"home"`
	}
	forTeacher(
		s,
		op(
			"GET",
			"/classes/{class}/assignments/{assignment}/notebooks/{home}",
			"get-notebook",
			"A home's notebook, corrections included",
		),
		func(ctx context.Context, who app.TeacherActor, i *notebook) (results.NotebookView, error) {
			return s.App.Notebook(ctx, who, i.Class, i.Assignment, i.Home, i.code())
		},
	)
	type shared struct {
		AssignmentPath
		ID      uuid.UUID `path:"entry"`
		Body    entries.EntryFields
		RawBody []byte
	}
	forTeacher(
		s,
		op(
			"PUT",
			"/classes/{class}/assignments/{assignment}/shared/{entry}",
			"put-shared-entry",
			"One of the teacher's own readings, to be shared",
		),
		func(ctx context.Context, who app.TeacherActor, i *shared) (entries.EntryView, error) {
			return s.App.PutSharedEntry(ctx, who, i.Class, i.Assignment, i.ID, i.RawBody)
		},
	)
	type onlyLanguage struct{ Accept }
	type desk struct {
		AssignmentPath
		Home uuid.UUID `path:"home"`
		Body app.DeskFields
	}
	forTeacher(
		s,
		op(
			"POST",
			"/classes/{class}/assignments/{assignment}/notebooks/{home}/desk",
			"write-at-desk",
			"Set a reading aside, put a value in its place, ask about it, or let a step count: with the reason",
		),
		func(ctx context.Context, who app.TeacherActor, i *desk) (Done, error) {
			return Done{true}, s.App.WriteAtDesk(ctx, who, i.Class, i.Assignment, i.Home, i.Body)
		},
	)
	forTeacher(
		s,
		op("GET", "/incidents", "list-incidents", "What homes told through Something went wrong"),
		func(ctx context.Context, who app.TeacherActor, i *onlyLanguage) (List[app.IncidentView], error) {
			v, err := s.App.Incidents(ctx, who, i.code())
			return List[app.IncidentView]{Items: v}, err
		},
	)
	forTeacher(
		s,
		op("GET", "/late-changes", "list-late-changes", "Homes whose plans were made anew since yesterday"),
		func(ctx context.Context, who app.TeacherActor, i *onlyLanguage) (List[kitchens.LateChange], error) {
			v, err := s.App.LateChanges(ctx, who, i.code())
			return List[kitchens.LateChange]{Items: v}, err
		},
	)
	type seen struct {
		ClassPath
		Incident uuid.UUID `path:"incident"`
	}
	forTeacher(
		s,
		op("POST", "/classes/{class}/incidents/{incident}/seen", "see-incident", "The teacher has seen an incident"),
		func(ctx context.Context, who app.TeacherActor, i *seen) (Done, error) {
			return Done{true}, s.App.SeeIncident(ctx, who, i.Class, i.Incident)
		},
	)
}
