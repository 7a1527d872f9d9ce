package api

import (
	"context"
	"log/slog"
	"net/http"
	"reflect"
	"runtime/debug"
	"strings"
	"sync"
	"time"

	"github.com/alexedwards/scs/pgxstore"
	"github.com/alexedwards/scs/v2"
	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humachi"
	"github.com/go-chi/chi/v5"
	"github.com/go-chi/chi/v5/middleware"
	"github.com/go-chi/httprate"
	"github.com/google/uuid"
	"github.com/klauspost/compress/gzhttp"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/config"
	"patient-kitchen/internal/live"
	"patient-kitchen/internal/store"
)

// Server answers HTTP for the application. It keeps no state of its own, so
// that several may serve one database.
type Server struct {
	App      *app.App
	Hub      *live.Hub
	Log      *slog.Logger
	Secure   bool           // cookies by HTTPS only
	Proxy    config.Proxies // trusted to say where a request came from
	Limit    int            // requests a minute from one address; 0 takes the usual
	sessions *scs.SessionManager
	router   chi.Router
	api      huma.API
	uploads  uploads
	openAPI  func() ([]byte, error) // the description, written when first asked for
	examples map[string]string      // of the described fields by name, for problems
}

// csp lets pages load only what ships with the application; styles may stand
// in attributes, which the plots use for sizes.
const csp = "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; img-src " +
	"'self' data: blob:; font-src 'self'; media-src 'self' blob:; connect-src 'self'; frame-src 'self'; " +
	"manifest-src 'self'; worker-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'"

// Routes builds the router. It is called once.
func (s *Server) Routes() http.Handler {
	s.sessions = scs.New()
	s.sessions.Store = pgxstore.NewWithCleanupInterval(s.App.Store.Pool(), 0)
	s.sessions.HashTokenInStore = true
	s.sessions.ErrorFunc = func(w http.ResponseWriter, r *http.Request,
		err error) {
		writeProblem(w, s.logged(r.Context(), err))
	}
	s.sessions.Lifetime = 14 * 24 * time.Hour
	s.sessions.Cookie = scs.SessionCookie{
		Name:     s.cookieName("pk_session", "/"),
		HttpOnly: true,
		Path:     "/",
		Persist:  true,
		SameSite: http.SameSiteLaxMode,
		Secure:   s.Secure,
	}

	r := chi.NewRouter()
	s.router = r
	limit := s.Limit
	if limit == 0 {
		limit = usualLimit
	}
	r.Use(
		s.requestLog,
		s.recoverer,
		headers,
		spoken,
		s.strict,
		httprate.Limit(limit, time.Minute, httprate.WithKeyFuncs(s.network), tooMany),
		sameOrigin(),
		compressed(),
	)
	r.Get("/healthz", func(w http.ResponseWriter, _ *http.Request) { w.Write([]byte("ok\n")) })
	r.With(httprate.Limit(readyLimit, time.Minute, httprate.WithKeyFuncs(s.network), tooMany)).
		Get("/readyz", s.ready)
		// it writes
	s.pages(r)
	s.plain(r)

	cfg := huma.DefaultConfig("Patient Kitchen", "1")
	cfg.OpenAPIPath, cfg.DocsPath, cfg.SchemasPath = "", "", ""
	cfg.CreateHooks = nil // no $schema links
	cfg.Transformers = append(cfg.Transformers, s.wordProblems)
	cfg.Components.Schemas.RegisterTypeAlias(reflect.TypeFor[huma.ErrorModel](), reflect.TypeFor[Problem]())
	huma.DefaultArrayNullable = false
	r.Group(func(r chi.Router) {
		r.Use(whole, inTime, s.sessions.LoadAndSave, s.awake, s.withCookie, s.signedIn, wellFormed)
		s.api = humachi.New(r, cfg)
		s.signIn()
		s.account()
		s.classes()
		s.experiments()
		s.workbench()
		s.larder()
		s.assignments()
		s.family()
		s.raw(r)
		s.print(r)
	})
	s.describe()
	s.openAPI = sync.OnceValues(s.OpenAPI)
	s.examples = examplesOf(s.api)
	return r
}

// Router is the router, for the test that walks every route.
func (s *Server) Router() chi.Router { return s.router }

// OpenAPI is the description of the API, as JSON.
func (s *Server) OpenAPI() ([]byte, error) { return s.api.OpenAPI().MarshalJSON() }

func (s *Server) ready(w http.ResponseWriter, r *http.Request) {
	ctx, cancel := context.WithTimeout(r.Context(), 2*time.Second)
	defer cancel()
	switch err := s.App.Store.TryWrite(ctx); {
	case store.Full(err):
		writeProblem(w, full)
		return
	case err != nil:
		writeProblem(w, problem(503, "database", "not-ready", "database.ready"))
		return
	}
	w.Write([]byte("ready\n"))
}

func headers(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		h := w.Header()
		h.Set("Content-Security-Policy", csp)
		h.Set("Referrer-Policy", "no-referrer")
		h.Set("X-Content-Type-Options", "nosniff")
		h.Set("Permissions-Policy", "geolocation=(), microphone=(), camera=(self)")
		h.Set("Cross-Origin-Opener-Policy", "same-origin")
		if strings.HasPrefix(r.URL.Path, "/api/") {
			h.Set("Cache-Control", "no-store")
		}
		next.ServeHTTP(w, r)
	})
}

// compressed makes answers smaller, where that is worth its time.
func compressed() func(http.Handler) http.Handler {
	wrap, err := gzhttp.NewWrapper(gzhttp.MinSize(1000), gzhttp.CompressionLevel(5), gzhttp.ContentTypes([]string{
		"text/html", "text/css", "text/javascript", "application/javascript", "application/json",
		"application/problem+json", "application/manifest+json", "text/csv", "image/svg+xml"}))
	if err != nil {
		panic(err) // its settings stand here
	}
	return func(next http.Handler) http.Handler { return wrap(next) }
}

func sameOrigin() func(http.Handler) http.Handler {
	p := http.NewCrossOriginProtection()
	p.SetDenyHandler(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		writeProblem(w, problem(403, "cross-site", "cross-site", "cross-site"))
	}))
	return p.Handler
}

// requestLog logs each request with an id, without addresses of homes, tokens
// or names.
func (s *Server) requestLog(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		id := uuid.NewString()
		w.Header().Set("X-Request-Id", id)
		ww := middleware.NewWrapResponseWriter(w, r.ProtoMajor)
		start := time.Now()
		next.ServeHTTP(ww, r)
		pattern := chi.RouteContext(r.Context())
		route := ""
		if pattern != nil {
			route = pattern.RoutePattern()
		}
		level := slog.LevelDebug
		if ww.Status() >= 500 && r.Context().Err() == nil {
			level = slog.LevelError
		}
		s.Log.Log(
			r.Context(),
			level,
			"request",
			"id",
			id,
			"method",
			r.Method,
			"route",
			route,
			"status",
			ww.Status(),
			"bytes",
			ww.BytesWritten(),
			"ms",
			time.Since(start).Milliseconds(),
		)
	})
}

// recoverer answers a fault of ours. What was begun and not sent yet is dropped;
// an answer that is half on its way is cut off, so that it is not taken for a
// whole one.
func (s *Server) recoverer(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		defer func() {
			v := recover()
			if v == http.ErrAbortHandler {
				panic(v)
			}
			if v != nil {
				s.Log.Error("panic", "value", v, "stack", string(debug.Stack()))
				if ww, ok := w.(middleware.WrapResponseWriter); ok && ww.Status() != 0 {
					panic(http.ErrAbortHandler)
				}
				writeProblem(w, problem(500, "fault", "fault", "fault"))
			}
		}()
		next.ServeHTTP(w, r)
	})
}
