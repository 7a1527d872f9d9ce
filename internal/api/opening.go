package api

import (
	"html/template"
	"io/fs"
	"net/http"
	"regexp"
	"strconv"
	"strings"

	"github.com/go-chi/chi/v5"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/look"
	"patient-kitchen/internal/view/sheets"
	"patient-kitchen/internal/words"
)

// opening is the page behind a family's link, ready to read and to go on from
// before its script has come: on a slow telephone that is seconds later. The
// script then takes its place. It lets no phone in and changes nothing.
type opening struct {
	template        *template.Template
	scripts, styles []template.HTML // of the built page
}

var builtTag = regexp.MustCompile(
	`<(?:script type="module"|link rel="(?:modulepreload|stylesheet)")[^>]*>(?:</script>)?`,
)

// readOpening takes the scripts and styles out of the built page: the styles
// stand after what can be read at once, which they would hold up.
func readOpening(files fs.FS) opening {
	o := opening{template: template.Must(template.New("opening.html").Funcs(look.Functions).ParseFS(plainFile,
		"opening.html"))}
	raw, err := fs.ReadFile(files, "family.html")
	if err != nil {
		return o // not built: servePage says so
	}
	for _, tag := range builtTag.FindAllString(string(raw), -1) {
		if strings.Contains(tag, `"stylesheet"`) {
			o.styles = append(o.styles, template.HTML(tag))
		} else {
			o.scripts = append(o.scripts, template.HTML(tag))
		}
	}
	return o
}

type openingData struct {
	Bundle          app.Bundle
	Sheet           *sheets.Sheet
	Heading, Takes  string
	Words           map[string]string
	Scripts, Styles []template.HTML
}

// serve writes the page, or the built one where the link opens no home: that
// says why.
func (o opening) serve(s *Server, w http.ResponseWriter, r *http.Request, files fs.FS) {
	var b app.Bundle
	who, err := s.App.LookUp(r.Context(), chi.URLParam(r, "token"))
	if err == nil {
		b, err = s.App.Bundle(r.Context(), who)
	}
	if err != nil || len(o.scripts) == 0 {
		servePage(w, files, "family.html", http.StatusOK)
		return
	}
	page := words.Of("plain", b.Home.Language)
	d := openingData{Bundle: b, Heading: page["yourExperiments"], Words: page, Scripts: o.scripts, Styles: o.styles}
	if len(b.Sheets) > 0 {
		d.Sheet = &b.Sheets[0]
		d.Heading = d.Sheet.Title
		if d.Sheet.Notice == "" {
			d.Takes = strings.NewReplacer("{minutes}", strconv.Itoa(d.Sheet.Minutes), "{hands}",
				strconv.Itoa(d.Sheet.Hands)).
				Replace(page["takes"])
		}
	}
	w.Header().Set("Content-Type", "text/html; charset=utf-8")
	w.Header().Set("Cache-Control", "no-store")
	if err := o.template.Execute(w, d); err != nil {
		s.Log.Error("opening page", "error", err)
	}
}
