package api

import (
	"context"
	"net/http"
	"strconv"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/roster"
	"patient-kitchen/internal/view/entries"
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
		// The usual five seconds stay on the connection and cut off whatever takes longer, the next request too; the server has its own.
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

// Me is who is signed in.
type Me struct {
	ID    uuid.UUID `json:"id"`
	Name  string    `json:"name"`
	Email string    `json:"email"`
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

func (s *Server) signIn() {
	type in struct {
		Agent string `header:"User-Agent"`
		Body  struct {
			Email    string `json:"email" maxLength:"200" example:"tarrant@stonechat.example"`
			Password string `json:"password" maxLength:"200" example:"three plain words"`
		}
	}
	type signedIn struct {
		SetCookie http.Cookie `header:"Set-Cookie"`
		Body      Me
	}
	huma.Register(
		s.api,
		op("POST", "/session", "sign-in", "Sign in"),
		func(ctx context.Context, i *in) (*signedIn, error) {
			address, _ := ctx.Value(networkKey).(string)
			known, _ := ctx.Value(knownKey).(string)
			t, err := s.App.SignIn(ctx, i.Body.Email, i.Body.Password, address, known)
			if err != nil {
				return nil, s.logged(ctx, err)
			}
			if err := s.sessions.RenewToken(ctx); err != nil {
				return nil, err
			}
			s.begin(ctx, t.ID, browserOf(i.Agent))
			// The browser is known from now on: its teacher signs in past a crowd of strangers.
			cookie := http.Cookie{
				Name:     s.cookieName(knownCookie, "session"),
				Value:    s.App.Keys.Known(t.ID),
				Path:     "/api/v1/session",
				MaxAge:   400 * 86400,
				HttpOnly: true,
				Secure:   s.Secure,
				SameSite: http.SameSiteLaxMode,
			}
			return &signedIn{cookie, Me{t.ID, t.Name, t.Email}}, nil
		},
	)
	huma.Register(
		s.api,
		op("DELETE", "/session", "sign-out", "Sign out"),
		func(ctx context.Context, _ *nothing) (*Reply[Done], error) {
			who, err := s.teacher(ctx)
			if destroyed := s.sessions.Destroy(ctx); destroyed != nil || err != nil {
				return &Reply[Done]{Done{true}}, destroyed // nobody was signed in
			}
			s.App.SignedOut(who)
			return &Reply[Done]{Done{true}}, nil
		},
	)
	forTeacher(
		s,
		op("GET", "/session", "who-am-i", "Who is signed in"),
		func(ctx context.Context, who app.TeacherActor, _ *nothing) (Me, error) {
			t, err := s.App.Teacher(ctx, who)
			return Me{t.ID, t.Name, t.Email}, err
		},
	)
}

// ClassPath names a class in an address.
type ClassPath struct {
	Class uuid.UUID `path:"class"`
}

// HomePath names a home of a class in an address.
type HomePath struct {
	ClassPath
	Home uuid.UUID `path:"home"`
}

func (s *Server) classes() {
	forTeacher(
		s,
		op("GET", "/classes", "list-classes", "The teacher's classes"),
		func(ctx context.Context, who app.TeacherActor, _ *nothing) (List[app.ClassView], error) {
			v, err := s.App.Classes(ctx, who)
			return List[app.ClassView]{Items: v}, err
		},
	)
	type body struct{ Body app.ClassFields }
	forTeacher(
		s,
		op("POST", "/classes", "add-class", "Make a class"),
		func(ctx context.Context, who app.TeacherActor, i *body) (app.ClassView, error) {
			return s.App.AddClass(ctx, who, i.Body)
		},
	)
	forTeacher(
		s,
		op("GET", "/classes/{class}", "get-class", "A class"),
		func(ctx context.Context, who app.TeacherActor, i *ClassPath) (app.ClassView, error) {
			return s.App.Class(ctx, who, i.Class)
		},
	)
	type change struct {
		ClassPath
		IfMatch
		Body app.ClassFields
	}
	forTeacher(
		s,
		op("PUT", "/classes/{class}", "save-class", "Change a class"),
		func(ctx context.Context, who app.TeacherActor, i *change) (app.ClassView, error) {
			version, err := i.version()
			if err != nil {
				return app.ClassView{}, err
			}
			return s.App.SaveClass(ctx, who, i.Class, version, i.Body)
		},
	)
	simple := func(method, path, id, summary string, f func(context.Context, app.TeacherActor, uuid.UUID) error) {
		forTeacher(
			s,
			op(method, path, id, summary),
			func(ctx context.Context, who app.TeacherActor, i *ClassPath) (Done, error) {
				return Done{true}, f(ctx, who, i.Class)
			},
		)
	}
	simple(
		"DELETE",
		"/classes/{class}",
		"delete-class",
		"Delete a class; it can be brought back for thirty days",
		s.App.DeleteClass,
	)
	simple("POST", "/classes/{class}/restore", "restore-class", "Bring a class back", s.App.RestoreClass)
	forTeacher(
		s,
		op("GET", "/deleted-classes", "list-deleted-classes", "The classes that can be brought back"),
		func(ctx context.Context, who app.TeacherActor, _ *nothing) (List[app.ClassView], error) {
			v, err := s.App.DeletedClasses(ctx, who)
			return List[app.ClassView]{Items: v}, err
		},
	)
	forTeacher(
		s,
		op("GET", "/leaving", "list-leaving", "What will be removed for good within a week"),
		func(ctx context.Context, who app.TeacherActor, i *Accept) (List[app.LeavingView], error) {
			v, err := s.App.Leavings(ctx, who, i.code())
			return List[app.LeavingView]{Items: v}, err
		},
	)
	forTeacher(
		s,
		op("GET", "/classes/{class}/audit", "list-audit", "What the teacher did to a class"),
		func(ctx context.Context, who app.TeacherActor, i *struct {
			ClassPath
			Accept
		}) (List[app.AuditView], error) {
			v, err := s.App.Audit(ctx, who, i.Class, nil, i.code())
			return List[app.AuditView]{Items: v}, err
		},
	)
	forTeacher(
		s,
		op("GET", "/classes/{class}/homes/{home}/audit", "list-home-audit", "What the teacher did to a home"),
		func(ctx context.Context, who app.TeacherActor, i *struct {
			HomePath
			Accept
		}) (List[app.AuditView], error) {
			v, err := s.App.Audit(ctx, who, i.Class, &i.Home, i.code())
			return List[app.AuditView]{Items: v}, err
		},
	)
	s.homes()
}

func (s *Server) homes() {
	forTeacher(
		s,
		op("GET", "/classes/{class}/homes", "list-homes", "The homes of a class"),
		func(ctx context.Context, who app.TeacherActor, i *ClassPath) (List[app.HomeView], error) {
			v, err := s.App.Homes(ctx, who, i.Class)
			return List[app.HomeView]{Items: v}, err
		},
	)
	type add struct {
		ClassPath
		Body app.HomeFields
	}
	forTeacher(
		s,
		op("POST", "/classes/{class}/homes", "add-home", "Add a home"),
		func(ctx context.Context, who app.TeacherActor, i *add) (app.HomeView, error) {
			return s.App.AddHome(ctx, who, i.Class, i.Body)
		},
	)
	type list struct {
		ClassPath
		Accept
		Body struct {
			Text    string   `json:"text,omitempty" maxLength:"100000" doc:"Nicknames one a line, or a table" example:"Fern"`
			File    []byte   `json:"file,omitempty" maxLength:"150000" doc:"The bytes of a file in its place, in base64: UTF-8, UTF-16 or Latin-1"`
			Mapping []string `json:"mapping,omitempty" maxItems:"60" doc:"What each column is taken for, over what its head says: nickname, students, language, contact, phone, letters, note, or blank to leave it out"`
			Try     bool     `json:"try,omitempty" doc:"Only read it; add nothing"`
		}
	}
	forTeacher(
		s,
		op("POST", "/classes/{class}/roster", "import-roster", "Add homes from a list"),
		func(ctx context.Context, who app.TeacherActor, i *list) (app.RosterView, error) {
			read := s.App.ImportRoster
			if i.Body.Try {
				read = s.App.PreviewRoster
			}
			text := i.Body.Text
			if len(i.Body.File) > 0 {
				text = roster.Decode(i.Body.File)
			}
			v, err := read(ctx, who, i.Class, text, i.Body.Mapping, i.code())
			if len(i.Body.File) > 0 && i.Body.Try {
				v.Text = text
			}
			return v, err
		},
	)
	type change struct {
		HomePath
		IfMatch
		Body app.HomeFields
	}
	forTeacher(
		s,
		op("PUT", "/classes/{class}/homes/{home}", "save-home", "Change a home"),
		func(ctx context.Context, who app.TeacherActor, i *change) (app.HomeView, error) {
			version, err := i.version()
			if err != nil {
				return app.HomeView{}, err
			}
			return s.App.SaveHome(ctx, who, i.Class, i.Home, version, i.Body)
		},
	)
	simple := func(method, path, id, summary string, f func(context.Context, app.TeacherActor, uuid.UUID, uuid.UUID) error) {
		forTeacher(
			s,
			op(method, path, id, summary),
			func(ctx context.Context, who app.TeacherActor, i *HomePath) (Done, error) {
				return Done{true}, f(ctx, who, i.Class, i.Home)
			},
		)
	}
	simple(
		"DELETE",
		"/classes/{class}/homes/{home}",
		"delete-home",
		"Take a home out; it can be brought back for thirty days",
		s.App.DeleteHome,
	)
	simple("POST", "/classes/{class}/homes/{home}/restore", "restore-home", "Bring a home back", s.App.RestoreHome)
	simple(
		"POST",
		"/classes/{class}/homes/{home}/erase",
		"erase-home",
		"Remove a home's names, words and pictures for good",
		s.App.EraseHome,
	)
	forTeacher(
		s,
		op("POST", "/classes/{class}/homes/{home}/link", "renew-link", "Give a home a new link and code"),
		func(ctx context.Context, who app.TeacherActor, i *HomePath) (app.Invitation, error) {
			return s.App.RenewLink(ctx, who, i.Class, i.Home)
		},
	)
	forTeacher(
		s,
		op("GET", "/classes/{class}/invitations", "list-invitations", "Links, codes and QR codes of a class"),
		func(ctx context.Context, who app.TeacherActor, i *ClassPath) (List[app.Invitation], error) {
			v, err := s.App.Invitations(ctx, who, i.Class)
			return List[app.Invitation]{Items: v}, err
		},
	)
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
	}
	forTeacher(
		s,
		op("GET", "/classes/{class}/issue-check/{experiment}", "check-issue", "What is in the way of issuing"),
		func(ctx context.Context, who app.TeacherActor, i *check) (app.IssueCheck, error) {
			return s.App.CheckIssue(ctx, who, i.Class, i.Experiment, i.code())
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
