package api

import (
	"context"
	"net/http"
	"strings"

	"github.com/google/uuid"

	"patient-kitchen/internal/app"
)

type contextKey int

const (
	cookieKey contextKey = iota
	networkKey
	knownKey
)

const (
	homeCookie  = "pk_home"
	knownCookie = "pk_known"
)

// withCookie keeps the cookies and the network address for the handlers.
func (s *Server) withCookie(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		ctx := r.Context()
		if c, err := r.Cookie(s.cookieName(homeCookie, "home")); err == nil {
			ctx = context.WithValue(ctx, cookieKey, c.Value)
		}
		if c, err := r.Cookie(s.cookieName(knownCookie, "session")); err == nil {
			ctx = context.WithValue(ctx, knownKey, c.Value)
		}
		address, _ := s.network(r)
		next.ServeHTTP(w, r.WithContext(context.WithValue(ctx, networkKey, address)))
	})
}

// phoneAsks is the phone that asks for a home, as its cookie says; nobody has
// found out yet whether that is so.
func (s *Server) phoneAsks(ctx context.Context, home uuid.UUID) (app.Phone, error) {
	value, _ := ctx.Value(cookieKey).(string)
	class, token, ok := strings.Cut(value, ".")
	id, err := uuid.Parse(class)
	if !ok || err != nil {
		return app.Phone{}, openLink
	}
	return app.PhoneOf(id, home, token), nil
}

// phone finds out which home a phone may act for: the one in the address, if
// its cookie says so.
func (s *Server) phone(ctx context.Context, home uuid.UUID) (app.HomeActor, error) {
	p, err := s.phoneAsks(ctx, home)
	if err != nil {
		return app.HomeActor{}, err
	}
	return s.App.Recognise(ctx, p)
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
