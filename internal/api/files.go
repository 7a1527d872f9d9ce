package api

import (
	"bytes"
	"cmp"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"slices"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/export"
	"patient-kitchen/internal/refusal"
)

func (s *Server) kitchenTable(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"class", "experiment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		var out bytes.Buffer
		out.WriteString("\ufeff")
		if err := s.App.KitchenTable(r.Context(), who, id[0], id[1], fileLanguage(r), &out); err != nil {
			return err
		}
		attachment(w, "text/csv; charset=utf-8", "kitchens.csv")
		w.Write(out.Bytes())
		return nil
	})
}

func (s *Server) classCalendar(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"class", "assignment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		raw, name, err := s.App.ClassCalendar(r.Context(), who, id[0], id[1], fileLanguage(r))
		if err == nil {
			writeCalendar(w, name, raw)
		}
		return err
	})
}

func (s *Server) homeCalendar(w http.ResponseWriter, r *http.Request) {
	s.homeFile(w, r, []string{"home", "assignment"}, func(who app.HomeActor, id []uuid.UUID) error {
		raw, name, err := s.App.HomeCalendar(r.Context(), who, id[1])
		if err == nil {
			writeCalendar(w, name, raw)
		}
		return err
	})
}

// fileLanguage is the language in which a file is asked for; of one that there is not, the
// first.
func fileLanguage(r *http.Request) string {
	if l := r.URL.Query().Get("language"); slices.Contains(text.Tags(), l) {
		return l
	}
	return text.Languages[0]
}

func writeCalendar(w http.ResponseWriter, name string, raw []byte) {
	attachment(w, "text/calendar; charset=utf-8", name+".ics")
	w.Header().Set("Cache-Control", "no-store")
	w.Write(raw)
}

func attachment(w http.ResponseWriter, kind, name string) {
	w.Header().Set("Content-Type", kind)
	w.Header().Set("Content-Disposition", fmt.Sprintf("attachment; filename=%q", name))
}

// readerOf is the language that a file is asked for in, as a link says it, or that
// of the browser.
func readerOf(r *http.Request) string {
	return languageOf(cmp.Or(r.URL.Query().Get("language"), r.Header.Get("Accept-Language")))
}

// exportTable answers a table of an assignment as text, in the dialect that is
// asked for: separator=comma, semicolon or tab, decimal=point or comma.
func (s *Server) exportTable(
	write func(*export.Class, io.Writer, export.Dialect) error,
	suffix string,
) http.HandlerFunc {
	return func(w http.ResponseWriter, r *http.Request) {
		s.teacherFile(w, r, []string{"class", "assignment"}, func(who app.TeacherActor, id []uuid.UUID) error {
			dialect, ok := export.DialectOf(r.URL.Query().Get("separator"), r.URL.Query().Get("decimal"))
			if !ok {
				return &refusal.Invalid{
					Field:   "separator",
					Rule:    text.M("rule.dialect"),
					Example: "separator=semicolon&decimal=comma",
				}
			}
			class, name, err := s.App.Export(r.Context(), who, id[0], id[1], readerOf(r))
			if err == nil {
				attachment(w, "text/csv; charset=utf-8", name+suffix+".csv")
				err = write(&class, w, dialect)
			}
			return err
		})
	}
}

func (s *Server) exportXLSX(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"class", "assignment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		class, name, err := s.App.Export(r.Context(), who, id[0], id[1], readerOf(r))
		if err == nil {
			attachment(w, "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", name+".xlsx")
			err = class.XLSX(w)
		}
		return err
	})
}

func (s *Server) exportJSON(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"class", "assignment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		class, name, err := s.App.Export(r.Context(), who, id[0], id[1], readerOf(r))
		if err == nil {
			attachment(w, "application/json", name+".json")
			err = json.NewEncoder(w).Encode(class.Readings)
		}
		return err
	})
}

func (s *Server) exportClass(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"class"}, func(who app.TeacherActor, id []uuid.UUID) error {
		file, err := s.App.Archive(r.Context(), who, id[0])
		if err != nil {
			return err
		}
		attachment(w, "application/zip", file.Name)
		_ = http.NewResponseController(w).SetWriteDeadline(time.Time{})
		if err := file.Write(r.Context(), w); err != nil {
			_ = s.logged(r.Context(), err)
			panic(http.ErrAbortHandler) // half of it may be on its way: nobody may take it for the whole
		}
		return nil
	})
}

func (s *Server) exportExperiment(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"experiment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		file, err := s.App.DraftFile(r.Context(), who, id[0])
		if err == nil {
			attachment(w, "application/json", "experiment.json")
			_, err = w.Write(file)
		}
		return err
	})
}

// readingText hands a design out as Markdown, in the language asked for.
func (s *Server) readingText(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"experiment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		words, err := s.App.ReadingText(r.Context(), who, id[0], text.Of(r.URL.Query().Get("language")).Code)
		if err == nil {
			attachment(w, "text/markdown; charset=utf-8", "experiment.md")
			_, err = w.Write([]byte(words))
		}
		return err
	})
}

const (
	heartbeat   = 20 * time.Second
	accessAgain = 5 * time.Minute
)
