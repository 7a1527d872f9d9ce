package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/store"
)

// Me is who is signed in.
type Me struct {
	ID    uuid.UUID `json:"id"`
	Name  string    `json:"name"`
	Email string    `json:"email"`

	Recordings bool `json:"recordings" doc:"Clips and sounds can be taken on this server"`
}

func (s *Server) me(t store.Teacher) Me { return Me{t.ID, t.Name, t.Email, s.App.Recorder != nil} }

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
			return &signedIn{cookie, s.me(t)}, nil
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
			return s.me(t), err
		},
	)
}
