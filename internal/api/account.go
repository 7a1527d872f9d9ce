package api

import (
	"context"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/refusal"
)

// account registers what a teacher does to their own account.
func (s *Server) account() {
	type change struct {
		Body struct {
			Old      string `json:"old" maxLength:"200" doc:"The present password" example:"three plain words"`
			Password string `json:"password" maxLength:"200" example:"four other plain words"`
		}
	}
	forTeacher(
		s,
		op("PUT", "/session/password", "change-password", "Change the password; other browsers are signed out"),
		func(ctx context.Context, who app.TeacherActor, i *change) (Done, error) {
			if err := s.App.ChangePassword(ctx, who, i.Body.Old, i.Body.Password); err != nil {
				return Done{}, err
			}
			return Done{true}, s.endSessions(ctx, who, func(v SessionView) bool { return !v.Here })
		},
	)
	forTeacher(
		s,
		op("GET", "/sessions", "list-sessions", "The browsers in which the teacher is signed in"),
		func(ctx context.Context, who app.TeacherActor, _ *nothing) (List[SessionView], error) {
			list, err := s.sessionsOf(ctx, who)
			out := List[SessionView]{Items: []SessionView{}}
			for _, l := range list {
				out.Items = append(out.Items, l.SessionView)
			}
			return out, err
		},
	)
	type one struct {
		ID string `path:"session"`
	}
	forTeacher(
		s,
		op("DELETE", "/sessions/{session}", "end-session", "Sign another browser out"),
		func(ctx context.Context, who app.TeacherActor, i *one) (Done, error) {
			ended := false
			err := s.endSessions(ctx, who, func(v SessionView) bool {
				found := v.ID == i.ID && !v.Here
				ended = ended || found
				return found
			})
			if err == nil && !ended {
				err = refusal.ErrNotFound
			}
			return Done{true}, err
		},
	)
	forTeacher(
		s,
		op("DELETE", "/sessions", "end-other-sessions", "Sign all other browsers out"),
		func(ctx context.Context, who app.TeacherActor, _ *nothing) (Done, error) {
			return Done{true}, s.endSessions(ctx, who, func(v SessionView) bool { return !v.Here })
		},
	)
}
