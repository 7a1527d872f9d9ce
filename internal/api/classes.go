package api

import (
	"context"

	"github.com/google/uuid"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/roster"
	"patient-kitchen/internal/view/kitchens"
)

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
	type copied struct {
		ClassPath
		Body struct {
			Name string `json:"name" example:"8M"`
		}
	}
	forTeacher(
		s,
		op("POST", "/classes/{class}/copy", "copy-class",
			"Make a class with the settings of another, without its homes"),
		func(ctx context.Context, who app.TeacherActor, i *copied) (app.ClassView, error) {
			return s.App.CopyClass(ctx, who, i.Class, i.Body.Name)
		},
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
	type write struct {
		ClassPath
		Body app.MessageFields
	}
	forTeacher(
		s,
		op("POST", "/classes/{class}/messages", "write", "Write to the homes of a class, once on an occasion"),
		func(ctx context.Context, who app.TeacherActor, i *write) (app.Written, error) {
			return s.App.Write(ctx, who, i.Class, i.Body)
		},
	)
	forTeacher(
		s,
		op("GET", "/classes/{class}/messages", "list-messages", "What was written to the homes of a class"),
		func(ctx context.Context, who app.TeacherActor, i *ClassPath) (List[app.MessageView], error) {
			v, err := s.App.Messages(ctx, who, i.Class)
			return List[app.MessageView]{Items: v}, err
		},
	)
	type ofKitchen struct {
		HomePath
		Body kitchens.Fields
	}
	forTeacher(
		s,
		op("PUT", "/classes/{class}/homes/{home}/kitchen", "save-home-kitchen", "Type in what a home's kitchen has"),
		func(ctx context.Context, who app.TeacherActor, i *ofKitchen) (Done, error) {
			return Done{true}, s.App.SaveKitchen(ctx, who, i.Class, i.Home, i.Body)
		},
	)
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
	simple := func(method, path, id, summary string, f func(context.Context, app.TeacherActor, uuid.UUID,
		uuid.UUID) error) {
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
	type move struct {
		HomePath
		Body app.MoveFields
	}
	forTeacher(
		s,
		op("POST", "/classes/{class}/homes/{home}/move", "move-home", "Put a home into another class, or into both"),
		func(ctx context.Context, who app.TeacherActor, i *move) (app.HomeView, error) {
			return s.App.MoveHome(ctx, who, i.Class, i.Home, i.Body)
		},
	)
	type many struct {
		ClassPath
		Body app.ManyFields
	}
	forTeacher(
		s,
		op("POST", "/classes/{class}/homes/change", "change-homes", "Change several homes at once, all or none"),
		func(ctx context.Context, who app.TeacherActor, i *many) (app.Many, error) {
			return s.App.ChangeMany(ctx, who, i.Class, i.Body)
		},
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
