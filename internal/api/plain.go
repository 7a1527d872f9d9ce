package api

import (
	"embed"
	"html/template"
	"net/http"
	"slices"

	"github.com/go-chi/chi/v5"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/look"
	"patient-kitchen/internal/words"
)

//go:embed plain.html opening.html
var plainFile embed.FS

var plainTemplate = template.Must(template.New("plain.html").Funcs(look.Functions).ParseFS(plainFile, "plain.html"))

// plain registers the pages that work without any script: the safety sheet,
// the emergency numbers, first aid, and a guardian's answer.
func (s *Server) plain(r chi.Router) {
	r.Post("/plain/permission", s.plainPermission)
}

type plainData struct {
	Token  string
	Bundle app.Bundle
	Thanks string
	Words  map[string]string
}

// plainPage shows the pages without script. It changes nothing.
func (s *Server) plainPage(w http.ResponseWriter, r *http.Request) {
	s.showPlain(w, r, chi.URLParam(r, "token"), "")
}

func (s *Server) showPlain(w http.ResponseWriter, r *http.Request, token, thanks string) {
	who, err := s.App.LookUp(r.Context(), token)
	var b app.Bundle
	if err == nil {
		b, err = s.App.Bundle(r.Context(), who)
	}
	w.Header().Set("Content-Type", "text/html; charset=utf-8")
	w.Header().Set("Cache-Control", "no-store")
	if err != nil {
		w.WriteHeader(http.StatusNotFound)
		w.Write(
			[]byte(
				"<!doctype html><html lang=\"en\"><title>Patient Kitchen</title><p>This link opens no home. Ask " +
					"your teacher for a new one.</p></html>",
			),
		)
		return
	}
	page := words.Of("plain", b.Home.Language)
	if err := plainTemplate.Execute(w, plainData{token, b, page[thanks], page}); err != nil {
		s.Log.Error("plain page", "error", err)
	}
}

// unticked are those of a list that were not ticked.
func unticked(all, ticked []string) []string {
	return slices.DeleteFunc(slices.Clone(all), func(id string) bool { return slices.Contains(ticked, id) })
}

func (s *Server) plainPermission(w http.ResponseWriter, r *http.Request) {
	r.Body = http.MaxBytesReader(w, r.Body, 64<<10)
	token := r.FormValue("token")
	who, err := s.App.LookUp(r.Context(), token)
	if err != nil {
		writeProblem(w, err)
		return
	}
	id, err := app.ParseID(r.FormValue("assignment"))
	if err == nil {
		_, err = s.App.Permit(
			r.Context(),
			who,
			id,
			app.PermissionFields{
				Decision: r.FormValue("decision"), Guardian: r.FormValue("guardian"),
				Photos: r.FormValue("photos") == "yes", Adult: r.FormValue("adult") == "yes",
				TextSha: r.FormValue("text_sha"), Without: unticked(r.Form["activities"], r.Form["doing"]),
			},
		)
	}
	if err != nil {
		writeProblem(w, s.logged(r.Context(), err))
		return
	}
	thanks := "thanks"
	if r.FormValue("decision") == "declined" {
		thanks = "declined"
	}
	s.showPlain(w, r, token, thanks)
}
