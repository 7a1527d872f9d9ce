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

// signedIn refuses strangers on the teacher's routes before anything of their
// request is read.
func (s *Server) signedIn(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		path := strings.TrimPrefix(r.URL.Path, "/api/v1")
		open := path == "/session" || path == "/openapi.json" || strings.HasPrefix(path, "/family/") ||
			strings.HasPrefix(path, "/home/")
		if _, err := s.teacher(r.Context()); err != nil && !open {
			writeProblem(w, signInFirst)
			return
		}
		next.ServeHTTP(w, r)
	})
}

const (
	idle  = 3 * 24 * time.Hour
	touch = 5 * time.Minute
)

// awake ends a session that was not used for three days. Its use is noted at
// most once in five minutes, so that a look writes nothing.
func (s *Server) awake(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		ctx, now := r.Context(), s.App.Now()
		if _, err := s.teacher(ctx); err == nil {
			if s.sessions.GetString(ctx, "id") == "" { // begun before sessions were listed
				s.sessions.Put(ctx, "id", uuid.NewString())
			}
			seen := s.sessions.GetInt64(ctx, "seen") // Unix seconds; 0 in a session from before they were noted
			switch since := now.Sub(time.Unix(seen, 0)); {
			case seen != 0 && since > idle:
				if err := s.sessions.Destroy(ctx); err != nil {
					writeProblem(w, s.logged(ctx, err))
					return
				}
			case since > touch:
				s.sessions.Put(ctx, "seen", now.Unix())
			}
		}
		next.ServeHTTP(w, r)
	})
}

// teacher is who is signed in.
func (s *Server) teacher(ctx context.Context) (app.TeacherActor, error) {
	id, err := uuid.Parse(s.sessions.GetString(ctx, "teacher"))
	if err != nil {
		return app.TeacherActor{}, signInFirst
	}
	return app.TeacherActor{ID: id}, nil
}
