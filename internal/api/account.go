package api

import (
	"context"
	"net/http"
	"slices"
	"strings"
	"time"

	"github.com/alexedwards/scs/v2"
	"github.com/google/uuid"

	"patient-kitchen/internal/app"
)

// SessionView is a browser in which a teacher is signed in.
type SessionView struct {
	ID      string     `json:"id"`
	Browser string     `json:"browser" doc:"What it says it is; empty where it said nothing"`
	Since   *time.Time `json:"since,omitempty"`
	Seen    *time.Time `json:"seen,omitempty" doc:"Last used, to about five minutes"`
	Here    bool       `json:"here" doc:"The one that asks"`
}

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
				err = app.ErrNotFound
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

// EndSessions ends all sessions of a teacher.
func (s *Server) EndSessions(ctx context.Context, who app.TeacherActor) error {
	s.sessions = scs.New() // of nobody who asks
	ctx, err := s.sessions.Load(ctx, "")
	if err != nil {
		return err
	}
	return s.endSessions(ctx, who, func(SessionView) bool { return true })
}

type openSession struct {
	SessionView
	token string
}

// begin notes in a new session whose it is and where.
func (s *Server) begin(ctx context.Context, teacher uuid.UUID, browser string) {
	now := s.App.Now().Unix()
	s.sessions.Put(ctx, "teacher", teacher.String())
	s.sessions.Put(ctx, "id", uuid.NewString())
	s.sessions.Put(ctx, "browser", browser)
	s.sessions.Put(ctx, "since", now)
	s.sessions.Put(ctx, "seen", now)
}

// sessionsOf finds a teacher's sessions, last used first. Whose a session is
// stands in its data alone: all are read, which nobody asks for often.
func (s *Server) sessionsOf(ctx context.Context, who app.TeacherActor) ([]openSession, error) {
	all, err := s.App.Store.Sessions(ctx)
	if err != nil {
		return nil, err
	}
	var out []openSession
	for _, row := range all {
		_, values, err := scs.GobCodec{}.Decode(row.Data)
		if err != nil || values["teacher"] != who.ID.String() {
			continue
		}
		v := openSession{token: row.Token}
		v.ID, _ = values["id"].(string)
		v.Browser, _ = values["browser"].(string)
		v.Since, v.Seen = moment(values["since"]), moment(values["seen"])
		v.Here = v.ID != "" && v.ID == s.sessions.GetString(ctx, "id")
		out = append(out, v)
	}
	slices.SortFunc(out, func(a, b openSession) int { return seconds(b.Seen) - seconds(a.Seen) })
	return out, nil
}

func moment(v any) *time.Time {
	n, ok := v.(int64)
	if !ok {
		return nil
	}
	t := time.Unix(n, 0).UTC()
	return &t
}

func seconds(t *time.Time) int {
	if t == nil {
		return 0
	}
	return int(t.Unix())
}

// endSessions ends some of a teacher's sessions, and what their pages listen to.
func (s *Server) endSessions(ctx context.Context, who app.TeacherActor, which func(SessionView) bool) error {
	list, err := s.sessionsOf(ctx, who)
	if err != nil {
		return err
	}
	for _, l := range list {
		if which(l.SessionView) {
			if err := s.App.Store.EndSession(ctx, l.token); err != nil {
				return err
			}
		}
	}
	s.App.SignedOut(who)
	return nil
}

// cookieName is a cookie's name where the browser is to keep it from other
// hosts and from connections that can be read (RFC 6265bis, cookie prefixes).
func (s *Server) cookieName(name, path string) string {
	switch {
	case !s.Secure:
		return name
	case path == "/":
		return "__Host-" + name
	}
	return "__Secure-" + name
}

// strict tells browsers to come by HTTPS only, where families do.
func (s *Server) strict(next http.Handler) http.Handler {
	if !s.Secure {
		return next
	}
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		w.Header().Set("Strict-Transport-Security", "max-age=31536000")
		next.ServeHTTP(w, r)
	})
}

// browserOf words a browser's name for itself, roughly: the teacher is to know
// the browser again, not to learn its version.
func browserOf(agent string) string {
	find := func(known [][2]string) string {
		for _, k := range known {
			if strings.Contains(agent, k[0]) {
				return k[1]
			}
		}
		return ""
	}
	browser := find(
		[][2]string{
			{"Edg", "Edge"},
			{"OPR", "Opera"},
			{"Firefox", "Firefox"},
			{"FxiOS", "Firefox"},
			{"Chrome", "Chrome"},
			{"CriOS", "Chrome"},
			{"Safari", "Safari"},
		},
	)
	on := find(
		[][2]string{
			{"Android", "Android"},
			{"iPhone", "iPhone"},
			{"iPad", "iPad"},
			{"Windows", "Windows"},
			{"CrOS", "Chromebook"},
			{"Mac OS", "Mac"},
			{"Linux", "Linux"},
		},
	)
	return strings.Trim(browser+" · "+on, " ·")
}
