package api

import (
	"errors"
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strconv"
	"strings"

	"github.com/go-chi/chi/v5"

	"patient-kitchen/internal/webfiles"
)

// pages serves the built interface: two pages, their files, and words for
// addresses that lead nowhere.
func (s *Server) pages(r chi.Router) {
	files := webfiles.Files()
	o := readOpening(files)
	page := func(name string) http.HandlerFunc {
		return func(w http.ResponseWriter, r *http.Request) { servePage(w, files, name, http.StatusOK) }
	}
	r.Get("/", func(w http.ResponseWriter, r *http.Request) { http.Redirect(w, r, "/today", http.StatusFound) })
	for _, p := range []string{"/sign-in", "/today", "/experiments", "/experiments/*", "/workbench", "/larder",
		"/classes", "/classes/*", "/account", "/help", "/parts"} {
		r.Get(p, page("teacher.html"))
	}
	r.Get("/h/{token}", func(w http.ResponseWriter, r *http.Request) {
		if r.URL.Query().Has("plain") {
			s.plainPage(w, r)
			return
		}
		o.serve(s, w, r, files)
	})
	for _, p := range []string{"/home/{home}", "/code"} {
		r.Get(p, page("family.html"))
	}
	// The family's page for the teacher to try, within the teacher's own page.
	r.Get("/practice/{experiment}", func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Security-Policy", strings.Replace(csp, "frame-ancestors 'none'",
			"frame-ancestors 'self'", 1))
		servePage(w, files, "family.html", http.StatusOK)
	})
	r.Get("/assets/*", func(w http.ResponseWriter, r *http.Request) {
		w.Header().Set("Cache-Control", "public, max-age=31536000, immutable")
		serveFile(w, r, files, path.Join("assets", chi.URLParam(r, "*")))
	})
	for _, name := range []string{"sw.js", "pages.js", "manifest.webmanifest", "icon.svg", "notices.txt"} {
		r.Get("/"+name, func(w http.ResponseWriter, r *http.Request) {
			w.Header().Set("Cache-Control", "no-cache")
			serveFile(w, r, files, name)
		})
	}
	r.MethodNotAllowed(func(w http.ResponseWriter, _ *http.Request) {
		writeProblem(w, problem(405, "method", "method", "method"))
	})
	r.NotFound(func(w http.ResponseWriter, r *http.Request) {
		if strings.HasPrefix(r.URL.Path, "/api/") {
			writeProblem(w, problem(404, "not-found", "not-here", "not-found.address"))
			return
		}
		w.Header().Set("Content-Type", "text/html; charset=utf-8")
		w.WriteHeader(http.StatusNotFound)
		w.Write(
			[]byte(
				`<!doctype html><html lang="en"><meta charset="utf-8">
<meta name="viewport" content="width=device-width"><title>Not here · Patient Kitchen</title>
<h1>There is nothing by this address.</h1>
<p><a href="/today">Today</a> (teachers) · <a href="/code">Type a code</a> (families)</p></html>`,
			),
		)
	})
}

func servePage(w http.ResponseWriter, files fs.FS, name string, status int) {
	raw, err := fs.ReadFile(files, name)
	if err != nil {
		http.Error(w, "The interface is not built: run npm run build in web/.", http.StatusServiceUnavailable)
		return
	}
	w.Header().Set("Content-Type", "text/html; charset=utf-8")
	w.Header().Set("Cache-Control", "no-cache")
	w.WriteHeader(status)
	w.Write(raw)
}

func serveFile(w http.ResponseWriter, r *http.Request, files fs.FS, name string) {
	info, err := fs.Stat(files, name)
	if errors.Is(err, fs.ErrNotExist) || err == nil && info.IsDir() || err != nil {
		w.Header().Set("Cache-Control", "no-store")
		writeProblem(w, problem(404, "not-found", "not-here", "not-found.file"))
		return
	}
	if strings.HasSuffix(name, ".webmanifest") {
		w.Header().Set("Content-Type", "application/manifest+json")
	}
	if _, err := fs.Stat(files, name+".br"); err == nil {
		w.Header().Add("Vary", "Accept-Encoding")
		if strings.Contains(r.Header.Get("Accept-Encoding"), "br") {
			servePacked(w, files, name)
			return
		}
	}
	http.ServeFileFS(w, r, files, name)
}

// servePacked hands out a file as the build packed it.
func servePacked(w http.ResponseWriter, files fs.FS, name string) {
	raw, err := fs.ReadFile(files, name+".br")
	if err != nil {
		writeProblem(w, err)
		return
	}
	w.Header().Set("Content-Type", mime.TypeByExtension(path.Ext(name)))
	w.Header().Set("Content-Encoding", "br")
	w.Header().Set("Content-Length", strconv.Itoa(len(raw)))
	w.Write(raw)
}
