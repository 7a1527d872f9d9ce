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

	"github.com/go-chi/chi/v5"
	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/export"
	"patient-kitchen/internal/media"
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
		return s.App.WriteOpenFile(r.Context(), who, id[0], func(zipped bool) io.Writer {
			if zipped {
				attachment(w, "application/zip", "experiment.zip")
			} else {
				attachment(w, "application/json", "experiment.json")
			}
			return w
		})
	})
}

// openExperiment makes an experiment of an open file.
func (s *Server) openExperiment(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, nil, func(who app.TeacherActor, _ []uuid.UUID) error {
		content, err := readUpload(w, r, "file", app.MaxOpenFile, "an experiment with fewer pictures")
		if err != nil {
			return err
		}
		view, err := s.App.OpenFile(r.Context(), who, content, cmp.Or(r.URL.Query().Get("language"), "en"))
		if err != nil {
			return err
		}
		writeJSON(w, view)
		return nil
	})
}

// addPicture takes a picture for a design.
func (s *Server) addPicture(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"experiment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		upload, err := readUpload(w, r, "photo", media.MaxBytes, "a photo at a lower size")
		if err != nil {
			return err
		}
		view, err := s.App.AddPicture(r.Context(), who, id[0], upload)
		if err != nil {
			return err
		}
		writeJSON(w, view)
		return nil
	})
}

// readUpload reads a picture, clip, sound or file, no larger than most bytes.
func readUpload(
	w http.ResponseWriter, r *http.Request, name string, most int64, example string,
) ([]byte, error) {
	upload, err := io.ReadAll(http.MaxBytesReader(w, r.Body, most))
	if err != nil {
		return nil, problem(413, "too-large", "too-large", "too-large."+name).
			about(name, text.Message{ID: "rule.most-megabytes", Args: text.Args{"n": int(most >> 20)}}, example)
	}
	return upload, nil
}

func (s *Server) designPicture(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"experiment"}, func(who app.TeacherActor, id []uuid.UUID) error {
		b, err := s.App.DesignPicture(r.Context(), who, id[0], chi.URLParam(r, "picture"))
		if err == nil {
			writePicture(w, b)
		}
		return err
	})
}

func (s *Server) homePicture(w http.ResponseWriter, r *http.Request) {
	s.homeFile(w, r, []string{"home", "assignment"}, func(who app.HomeActor, id []uuid.UUID) error {
		b, err := s.App.HomePicture(r.Context(), who, id[1], chi.URLParam(r, "picture"))
		if err == nil {
			writePicture(w, b)
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
