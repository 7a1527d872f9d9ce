package api

import (
	"embed"
	"html/template"
	"net/http"

	"github.com/go-chi/chi/v5"

	"patient-kitchen/internal/app"
)

//go:embed plain.html opening.html
var plainFile embed.FS

var plainTemplate = template.Must(template.ParseFS(plainFile, "plain.html"))

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

var plainWords = map[string]map[string]string{
	"en": {"whole": "The whole page, with steps, clocks and readings", "class": "class", "forHome": "For the home called", "goOn": "Go on", "wentWrong": "Something went wrong", "experiments": "Your experiments", "takes": "It takes about {minutes} min, {hands} min of them with your hands.", "from": "From", "emergency": "Emergency", "poison": "Poison advice",
		"permission": "Permission", "name": "Your name (an adult)", "photos": "Photos of the work may be sent", "adulttick": "An adult will be there at the steps named", "agree": "We agree", "decline": "We would rather watch",
		"wrong": "If something goes wrong", "thanks": "Thank you. It is noted.", "declined": "That is fine. Your child works with shared measurements, for the same credit; no other family sees why.", "state": "So far", "granted": "agreed", "asked": "not answered", "withdrawn": "taken back", "lapsed": "has to be asked again", "declinedstate": "watching", "back": "Take back permission", "nothingShown": "The teacher’s measurements are not here yet."},
	"es": {"whole": "La página completa, con pasos, relojes y medidas", "class": "clase", "forHome": "Para la casa llamada", "goOn": "Seguir", "wentWrong": "Algo salió mal", "experiments": "Tus experimentos", "takes": "Dura unos {minutes} min, {hands} min de ellos con las manos.", "from": "De", "emergency": "Emergencias", "poison": "Toxicología",
		"permission": "Permiso", "name": "Su nombre (persona adulta)", "photos": "Se pueden enviar fotos del trabajo", "adulttick": "Habrá una persona adulta en los pasos indicados", "agree": "Damos permiso", "decline": "Preferimos mirar",
		"wrong": "Si algo sale mal", "thanks": "Gracias. Queda anotado.", "declined": "Está bien. Su hija o hijo trabajará con medidas compartidas y con el mismo valor; ninguna otra familia verá el motivo.", "state": "Hasta ahora", "granted": "dado", "asked": "sin responder", "withdrawn": "retirado", "lapsed": "hay que pedirlo otra vez", "declinedstate": "mirando", "back": "Retirar el permiso", "nothingShown": "Las medidas de quien enseña aún no están."},
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
		w.Write([]byte("<!doctype html><html lang=\"en\"><title>Patient Kitchen</title><p>This link opens no home. Ask your teacher for a new one.</p></html>"))
		return
	}
	words := plainWords[b.Home.Language]
	if words == nil {
		words = plainWords["en"]
	}
	if err := plainTemplate.Execute(w, plainData{token, b, words[thanks], words}); err != nil {
		s.Log.Error("plain page", "error", err)
	}
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
		_, err = s.App.Permit(r.Context(), who, id, app.PermissionFields{Decision: r.FormValue("decision"), Guardian: r.FormValue("guardian"),
			Photos: r.FormValue("photos") == "yes", Adult: r.FormValue("adult") == "yes", TextSha: r.FormValue("text_sha")})
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
