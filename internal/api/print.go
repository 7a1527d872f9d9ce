package api

import (
	"bytes"
	"cmp"
	"embed"
	"html/template"
	"net/http"
	"strings"
	"time"

	"github.com/go-chi/chi/v5"
	"github.com/google/uuid"

	"patient-kitchen/internal/app"
)

//go:embed print.html
var printFile embed.FS

var printTemplate = template.Must(template.New("print.html").Funcs(template.FuncMap{"list": func(numbers []int) string {
	return strings.Trim(strings.ReplaceAll(strings.Trim(strings.Join(strings.Fields(template.HTMLEscaper(numbers)), ", "), "[]"), "  ", " "), " ")
}, "inc": func(i int) int { return i + 1 }, "day": func(zone string, t time.Time) string {
	if place, err := time.LoadLocation(zone); err == nil {
		t = t.In(place)
	}
	return t.Format("2006-01-02, 15:04")
}}).ParseFS(printFile, "print.html"))

// print registers the sheets for paper: plain pages without script, black on
// white, laid out for 190 × 254 mm so that one style serves A4 and Letter. A
// home's own stand below its cookie's path.
func (s *Server) print(r chi.Router) {
	r.Get("/print/classes/{class}/experiments/{experiment}/{sheet}", s.printDraft)
	r.Get("/api/v1/home/{home}/assignments/{assignment}/print/{sheet}", s.printHome)
}

func (s *Server) printDraft(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"class", "experiment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		p, err := s.App.PrintDraft(r.Context(), who, id[0], id[1], chi.URLParam(r, "sheet"), cmp.Or(r.URL.Query().Get("language"), "en"))
		if err != nil {
			return err
		}
		return writePrinted(w, p)
	})
}

func (s *Server) printHome(w http.ResponseWriter, r *http.Request) {
	s.homeFile(w, r, []string{"home", "assignment"}, func(who app.HomeActor, id []uuid.UUID) error {
		p, err := s.App.PrintHome(r.Context(), who, id[1], chi.URLParam(r, "sheet"))
		if err != nil {
			return err
		}
		return writePrinted(w, p)
	})
}

func writePrinted(w http.ResponseWriter, p app.Printed) error {
	var page bytes.Buffer
	if err := printTemplate.Execute(&page, struct {
		app.Printed
		W map[string]string
	}{p, printWords[p.Language]}); err != nil {
		return err
	}
	w.Header().Set("Content-Type", "text/html; charset=utf-8")
	w.Header().Set("Cache-Control", "no-store")
	_, err := w.Write(page.Bytes())
	return err
}

// printWords are the fixed words of the sheets.
var printWords = map[string]map[string]string{
	"en": {"safety": "Safety", "materials": "What you need", "substitutions": "Use this instead", "class": "class", "version": "version", "draft": "draft",
		"wear":      "Wear",
		"emergency": "Emergency", "poison": "Poison advice", "clear": "Clearing up",
		"permission": "Permission", "read": "I have read this", "there": "an adult will be there at the steps named", "photos": "photos of hands and things may be sent", "rather": "we would rather use shared measurements; it counts the same",
		"name": "name", "signature": "signature", "date": "date", "not": "This sheet names the usual cautions. It does not replace the labels on your packets, your school’s own risk assessment, or the law where you live.",
		"missing": "English only in places: please ask if anything is unclear.", "thing": "thing", "amount": "how much", "steps": "steps", "optional": "if you have it", "got": "got it", "check": "Check your printer: this line is 100 mm",
		"teachersOwn": "Your teacher says so.", "wanted": "Instead of", "counts": "your result", "noSwaps": "Nothing on the list has a known substitute. Ask before you use something else.", "watch": "To watch", "demonstration": "Demonstration", "shown": "It is shown on", "compared": "Compared:", "watchNote": "Your teacher shares the readings. The working out and the thinking are yours.", "teacherOnly": "For the teacher alone: not for homes. Your school’s own risk assessment goes first.",
		"ask": "Anything else? Ask first. Never use what has no label."},
	"es": {"safety": "Seguridad", "materials": "Lo que hace falta", "substitutions": "En su lugar", "class": "clase", "version": "versión", "draft": "borrador",
		"wear":      "Protección",
		"emergency": "Emergencias", "poison": "Toxicología", "clear": "Recoger",
		"permission": "Permiso", "read": "He leído esta hoja", "there": "habrá una persona adulta en los pasos indicados", "photos": "se pueden enviar fotos de manos y cosas", "rather": "preferimos usar medidas compartidas; vale lo mismo",
		"name": "nombre", "signature": "firma", "date": "fecha", "not": "Esta hoja dice los cuidados habituales. No sustituye las etiquetas de los productos, la evaluación de riesgos de la escuela ni la ley de su lugar.",
		"missing": "Partes solo en otro idioma: pregunte si algo no está claro. / Parts are in English only: please ask.", "thing": "cosa", "amount": "cuánto", "steps": "pasos", "optional": "si la hay", "got": "listo", "check": "Compruebe la impresora: esta línea mide 100 mm",
		"teachersOwn": "Lo dice quien enseña.", "wanted": "En lugar de", "counts": "su resultado", "noSwaps": "Nada de la lista tiene un sustituto conocido. Pregunte antes de usar otra cosa.", "watch": "Para mirar", "demonstration": "Demostración", "shown": "Se muestra el", "compared": "Se compara:", "watchNote": "Quien enseña comparte las medidas. Las cuentas y las ideas son suyas.", "teacherOnly": "Solo para quien enseña: no es para las casas. Primero vale la evaluación de riesgos de la escuela.",
		"ask": "¿Otra cosa? Pregunte antes. Nunca use algo sin etiqueta."},
}
