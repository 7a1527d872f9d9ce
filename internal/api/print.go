package api

import (
	"bytes"
	"cmp"
	"embed"
	"fmt"
	"html/template"
	"io/fs"
	"net/http"
	"strconv"
	"strings"
	"sync"
	"time"

	"github.com/go-chi/chi/v5"
	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/look"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/view/sheets"
	"patient-kitchen/internal/webfiles"
	"patient-kitchen/internal/words"
)

//go:embed print.html
var printFile embed.FS

// paper is what of a sheet of paper is printed on, in millimetres: less its margins, and
// not wider than the narrowest.
type paper struct {
	Name          string
	Width, Height float64
	Query         string // of the same packs on this paper
}

var papers = []paper{{Name: "A4", Width: 190, Height: 297 - 2*11}, {Name: "Letter", Width: 190, Height: 279.4 - 2*11}}

// paperOf is the paper that is asked for, or that of the class's country.
func paperOf(asked, zone string) paper {
	if asked == "" {
		asked = text.Paper(zone)
	}
	for _, p := range papers {
		if strings.EqualFold(p.Name, asked) {
			return p
		}
	}
	return papers[0]
}

var printTemplate = template.Must(template.New("print.html").Funcs(look.Functions).Funcs(template.FuncMap{
	"list": func(numbers []int) string {
		return strings.Trim(strings.Join(strings.Fields(fmt.Sprint(numbers)), ", "), "[]")
	},
	"pair":     func(words map[string]string, blanks any) any { return map[string]any{"W": words, "B": blanks} },
	"truesize": func(words map[string]string, of []sheets.TrueSize) any { return map[string]any{"W": words, "Of": of} },
	"chart":    func() []int { return make([]int, 4) }, // empty stages of a flow chart
	"inc":      func(i int) int { return i + 1 },
	"ground":   ground,
	"day": func(zone, language string, t time.Time) string {
		if place, err := time.LoadLocation(zone); err == nil {
			t = t.In(place)
		}
		return text.Moment(t).Show(text.In(language, zone))
	},
	"duration": func(s sheets.SpanView) int { return s.End - s.Start },
	"length": func(seconds int) string {
		minutes := (seconds + 30) / 60
		switch {
		case minutes < 60:
			return fmt.Sprintf("%d min", minutes)
		case minutes%60 == 0:
			return fmt.Sprintf("%d h", minutes/60)
		}
		return fmt.Sprintf("%d h %d min", minutes/60, minutes%60)
	},
	"font": func() template.URL { return font() },
}).ParseFS(printFile, "print.html"))

// letter is the letter or number of a column or row of a drawing, at its place.
type letter struct {
	X, Y int
	Text string
}

// drawnGround is a picture to mark a place on, with its squares and its fixed spot.
type drawnGround struct {
	Box, Squares, Lines string
	Marks               []letter
	X, Y                int
}

func ground(p *sheets.PlaceRow) drawnGround {
	d := p.Drawing()
	out := drawnGround{
		Box:   fmt.Sprintf("-4 -4 %d %d", d.Width+8, d.Height+8),
		Lines: d.Lines,
		X:     int(p.From.X * float64(d.Width)),
		Y:     int(p.From.Y * float64(d.Height)),
	}
	columns, rows := design.Squares()
	for i := range columns {
		x := i * d.Width / columns
		out.Squares += fmt.Sprintf("M%d 0V%d", x, d.Height)
		out.Marks = append(out.Marks, letter{x + d.Width/columns/2, 26, string(rune('A' + i))})
	}
	for i := range rows {
		y := i * d.Height / rows
		out.Squares += fmt.Sprintf("M0 %dH%d", y, d.Width)
		out.Marks = append(out.Marks, letter{d.Width - 14, y + d.Height/rows/2 + 8, strconv.Itoa(i + 1)})
	}
	return out
}

// font is the address of the shipped typeface; its name has a fingerprint of its own.
var font = sync.OnceValue(func() template.URL {
	found, _ := fs.Glob(webfiles.Files(), "assets/atkinson*latin-wght-normal*.woff2")
	if len(found) == 0 {
		return "" // the interface is not built
	}
	return template.URL("/" + found[0]) //nolint:gosec // of our own files
})

// print registers the sheets for paper: plain pages, black on white, laid out for 190 ×
// 254 mm so that one style serves A4 and Letter; the packs alone have a script, which
// counts their pages. A
// home's own stand below its cookie's path.
func (s *Server) print(r chi.Router) {
	r.Get("/print/classes/{class}/experiments/{experiment}/{sheet}", s.printDraft)
	r.Get("/print/classes/{class}/assignments/{assignment}/packs", s.printPacks)
	r.Get("/print/classes/{class}/experiments/{experiment}/survey", s.printSurvey)
	r.Get("/api/v1/home/{home}/assignments/{assignment}/print/{sheet}", s.printHome)
}

// printSurvey prints what homes are asked of their kitchens, for those without a phone.
func (s *Server) printSurvey(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"class", "experiment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		language := fileLanguage(r)
		p, err := s.App.PrintSurvey(r.Context(), who, id[0], id[1], language)
		if err != nil {
			return err
		}
		return writePage(w, "survey", struct {
			app.PrintedSurvey
			W map[string]string
		}{p, words.Of("print", language)})
	})
}

// printPacks prints what each home of an assignment gets, or one of them.
func (s *Server) printPacks(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"class", "assignment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		home, err := uuid.Parse(cmp.Or(r.URL.Query().Get("home"), uuid.Nil.String()))
		if err != nil {
			return refusal.ErrNotFound
		}
		packs, err := s.App.Packs(r.Context(), who, id[0], id[1], home)
		if err != nil {
			return err
		}
		type sheet struct {
			sheets.Printed
			W map[string]string
			N int // of its home
		}
		type owner struct {
			N               int
			Label, Page, Of string // at the foot of each of its pages
		}
		page := struct {
			Title, Language string
			Paper           paper
			Papers          []paper
			W               map[string]string // of the teacher
			Homes           []owner
			Sheets          []sheet
		}{Language: "en", W: words.Of("print", fileLanguage(r))}
		for _, p := range papers {
			query := r.URL.Query()
			query.Set("paper", p.Name)
			p.Query = query.Encode()
			page.Papers = append(page.Papers, p)
		}
		for i, p := range packs {
			w := words.Of("print", p.Language)
			if i == 0 || packs[i-1].Last {
				label := fmt.Sprintf("%s · %s %d", p.Home, w["version"], p.Version)
				if p.Code != "" {
					label += " · " + p.Code
				}
				page.Homes = append(page.Homes, owner{len(page.Homes), label, w["page"], w["of"]})
			}
			page.Title, page.Language = p.Title, p.Language
			page.Paper = paperOf(r.URL.Query().Get("paper"), p.Class.Zone)
			p.Pictures = designPictures(p)
			page.Sheets = append(page.Sheets, sheet{p, w, len(page.Homes) - 1})
		}
		return writePage(w, "pack", page)
	})
}

func (s *Server) printDraft(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"class", "experiment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		home, err := uuid.Parse(cmp.Or(r.URL.Query().Get("home"), uuid.Nil.String()))
		if err != nil {
			return refusal.ErrNotFound
		}
		p, err := s.App.PrintDraft(
			r.Context(),
			who,
			id[0],
			id[1],
			home,
			chi.URLParam(r, "sheet"),
			cmp.Or(r.URL.Query().Get("language"), "en"),
		)
		if err != nil {
			return err
		}
		p.Pictures = designPictures(p)
		return writePrinted(w, p)
	})
}

// designPictures is the address before the ids of a design's pictures, for its teacher.
func designPictures(p sheets.Printed) string {
	return "/api/v1/experiments/" + p.Experiment + "/pictures/"
}

func (s *Server) printHome(w http.ResponseWriter, r *http.Request) {
	s.homeFile(w, r, []string{"home", "assignment"}, func(who app.HomeActor, id []uuid.UUID) error {
		p, err := s.App.PrintHome(r.Context(), who, id[1], chi.URLParam(r, "sheet"))
		if err != nil {
			return err
		}
		p.Pictures = fmt.Sprintf("/api/v1/home/%s/assignments/%s/pictures/", id[0], id[1])
		return writePrinted(w, p)
	})
}

func writePrinted(w http.ResponseWriter, p sheets.Printed) error {
	return writePage(w, "page", struct {
		sheets.Printed
		W map[string]string
	}{p, words.Of("print", p.Language)})
}

func writePage(w http.ResponseWriter, name string, of any) error {
	var page bytes.Buffer
	if err := printTemplate.ExecuteTemplate(&page, name, of); err != nil {
		return err
	}
	w.Header().Set("Content-Type", "text/html; charset=utf-8")
	w.Header().Set("Cache-Control", "no-store")
	_, err := w.Write(page.Bytes())
	return err
}
