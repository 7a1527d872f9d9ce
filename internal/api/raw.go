package api

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"math/rand/v2"
	"net/http"
	"sync"
	"time"

	"github.com/go-chi/chi/v5"
	"github.com/google/uuid"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/export"
	"patient-kitchen/internal/live"
	"patient-kitchen/internal/media"
	"patient-kitchen/internal/refusal"
)

// raw registers what is not JSON: pictures, recordings, files, the live stream.
func (s *Server) raw(r chi.Router) {
	r.Put("/api/v1/home/{home}/assignments/{assignment}/photos/{photo}", s.putPhoto)
	r.Get("/api/v1/home/{home}/photos/{photo}/{size}", s.homePhoto)
	r.Get("/api/v1/classes/{class}/photos/{photo}/{size}", s.teacherPhoto)
	r.Put("/api/v1/home/{home}/assignments/{assignment}/recordings/{recording}", s.putRecording)
	r.Get("/api/v1/home/{home}/recordings/{recording}", s.homeRecording)
	r.Get("/api/v1/classes/{class}/recordings/{recording}", s.teacherRecording)
	for path, write := range map[string]func(*export.Class, io.Writer, export.Dialect) error{
		"export": (*export.Class).ReadingsCSV, "answers": (*export.Class).AnswersCSV,
		"observations": (*export.Class).ObservationsCSV, "results": (*export.Class).ResultsCSV,
	} {
		suffix := "-" + path
		if path == "export" {
			suffix = ""
		}
		r.Get("/api/v1/classes/{class}/assignments/{assignment}/"+path+".csv", s.exportTable(write, suffix))
	}
	r.Get("/api/v1/classes/{class}/assignments/{assignment}/export.xlsx", s.exportXLSX)
	r.Get("/api/v1/classes/{class}/assignments/{assignment}/export.json", s.exportJSON)
	r.Get("/api/v1/classes/{class}/archive.zip", s.exportClass)
	r.Get("/api/v1/classes/{class}/experiments/{experiment}/kitchens.csv", s.kitchenTable)
	r.Get("/api/v1/classes/{class}/assignments/{assignment}/calendar.ics", s.classCalendar)
	r.Get("/api/v1/home/{home}/assignments/{assignment}/calendar.ics", s.homeCalendar)
	r.Get("/api/v1/experiments/{experiment}/file", s.exportExperiment)
	r.Post("/api/v1/experiment-files", s.openExperiment)
	r.Post("/api/v1/experiments/{experiment}/pictures", s.addPicture)
	r.Get("/api/v1/experiments/{experiment}/pictures/{picture}", s.designPicture)
	r.Get("/api/v1/home/{home}/assignments/{assignment}/pictures/{picture}", s.homePicture)
	r.Get("/api/v1/experiments/{experiment}/text", s.readingText)
	r.Get("/api/v1/larder/own.json", s.exportThings)
	r.Get("/api/v1/larder/own.csv", s.exportThings)
	r.Get("/api/v1/larder/own-swaps.csv", s.exportThings)
	r.Get("/api/v1/live", s.stream)
	r.Get("/api/v1/openapi.json", s.serveOpenAPI)
}

// ids reads ids from the address; a bad one is like one that is not there.
func ids(r *http.Request, names ...string) ([]uuid.UUID, error) {
	out := make([]uuid.UUID, len(names))
	for i, n := range names {
		id, err := uuid.Parse(chi.URLParam(r, n))
		if err != nil {
			return nil, refusal.ErrNotFound
		}
		out[i] = id
	}
	return out, nil
}

// uploads bounds how many pictures are on their way in at once, in all and from
// one home: each holds its whole file in memory.
type uploads struct {
	mu   sync.Mutex
	all  int
	home map[uuid.UUID]int
}

const (
	uploadsAtOnce    = 8
	uploadsOfOneHome = 2
)

func (u *uploads) begin(home uuid.UUID) bool {
	u.mu.Lock()
	defer u.mu.Unlock()
	if u.all >= uploadsAtOnce || u.home[home] >= uploadsOfOneHome {
		return false
	}
	if u.home == nil {
		u.home = map[uuid.UUID]int{}
	}
	u.all++
	u.home[home]++
	return true
}

func (u *uploads) end(home uuid.UUID) {
	u.mu.Lock()
	defer u.mu.Unlock()
	u.all--
	if u.home[home]--; u.home[home] == 0 {
		delete(u.home, home)
	}
}

func (s *Server) putPhoto(w http.ResponseWriter, r *http.Request) {
	s.putMedia(w, r, "photo", media.MaxBytes, "a photo at a lower size", s.App.PutPhoto)
}

func (s *Server) putRecording(w http.ResponseWriter, r *http.Request) {
	s.putMedia(w, r, "recording", media.MaxRecording, "at most 20 s at a lower size", s.App.PutRecording)
}

// putMedia reads an upload, no larger than most bytes, and gives it to who takes it.
func (s *Server) putMedia(
	w http.ResponseWriter,
	r *http.Request,
	name string,
	most int64,
	example string,
	put func(context.Context, app.HomeActor, uuid.UUID, uuid.UUID, []byte) error,
) {
	s.homeFile(w, r, []string{"home", "assignment", name}, func(who app.HomeActor, id []uuid.UUID) error {
		if !s.uploads.begin(who.Home) {
			return media.ErrBusy // before a byte of it is read
		}
		defer s.uploads.end(who.Home)
		upload, err := readUpload(w, r, name, most, example)
		if err != nil {
			return err
		}
		if err := put(r.Context(), who, id[1], id[2], upload); err != nil {
			return err
		}
		writeJSON(w, Done{true})
		return nil
	})
}

func writeJSON(w http.ResponseWriter, v any) {
	w.Header().Set("Content-Type", "application/json")
	_ = json.NewEncoder(w).Encode(v)
}

func (s *Server) homePhoto(w http.ResponseWriter, r *http.Request) {
	s.homeFile(w, r, []string{"home", "photo"}, func(who app.HomeActor, id []uuid.UUID) error {
		size, err := sizeOf(r)
		if err != nil {
			return err
		}
		b, err := s.App.HomePhoto(r.Context(), who, id[1], size)
		if err == nil {
			writePicture(w, b)
		}
		return err
	})
}

// sizeOf is the size of a picture that is asked for; a clip or sound is no size of one.
func sizeOf(r *http.Request) (string, error) {
	size := chi.URLParam(r, "size")
	if size != "display" && size != "thumbnail" {
		return "", refusal.ErrNotFound
	}
	return size, nil
}

// homeFile runs a handler that reads or writes a file for a home's phone; the
// first of the names is the home.
func (s *Server) homeFile(
	w http.ResponseWriter,
	r *http.Request,
	names []string,
	handle func(app.HomeActor, []uuid.UUID) error,
) {
	id, err := ids(r, names...)
	if err == nil {
		var who app.HomeActor
		if who, err = s.phone(r.Context(), id[0]); err == nil {
			err = handle(who, id)
		}
	}
	if err != nil {
		writeProblem(w, s.logged(r.Context(), err))
	}
}

func (s *Server) teacherPhoto(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"class", "photo"}, func(who app.TeacherActor, id []uuid.UUID) error {
		size, err := sizeOf(r)
		if err != nil {
			return err
		}
		b, err := s.App.TeacherPhoto(r.Context(), who, id[0], id[1], size)
		if err == nil {
			writePicture(w, b)
		}
		return err
	})
}

// teacherFile runs a handler that writes a file for a signed-in teacher.
func (s *Server) teacherFile(
	w http.ResponseWriter,
	r *http.Request,
	names []string,
	write func(app.TeacherActor, []uuid.UUID) error,
) {
	who, err := s.teacher(r.Context())
	if err == nil {
		var id []uuid.UUID
		if id, err = ids(r, names...); err == nil {
			err = write(who, id)
		}
	}
	if err != nil {
		writeProblem(w, s.logged(r.Context(), err))
	}
}

func (s *Server) homeRecording(w http.ResponseWriter, r *http.Request) {
	s.homeFile(w, r, []string{"home", "recording"}, func(who app.HomeActor, id []uuid.UUID) error {
		b, err := s.App.HomePhoto(r.Context(), who, id[1], "recording")
		if err == nil {
			writeRecording(w, r, b)
		}
		return err
	})
}

func (s *Server) teacherRecording(w http.ResponseWriter, r *http.Request) {
	s.teacherFile(w, r, []string{"class", "recording"}, func(who app.TeacherActor, id []uuid.UUID) error {
		b, err := s.App.TeacherPhoto(r.Context(), who, id[0], id[1], "recording")
		if err == nil {
			writeRecording(w, r, b)
		}
		return err
	})
}

// writeRecording answers a clip or sound, or the part of it that a player asks for.
func writeRecording(w http.ResponseWriter, r *http.Request, b []byte) {
	h := w.Header()
	h.Set("Content-Type", "video/mp4")
	h.Set("Cache-Control", "private, max-age=300")
	h.Set("Content-Security-Policy", "default-src 'none'; media-src 'self'; sandbox")
	http.ServeContent(w, r, "", time.Time{}, bytes.NewReader(b))
}

func writePicture(w http.ResponseWriter, b []byte) {
	h := w.Header()
	h.Set("Content-Type", "image/jpeg")
	h.Set("Cache-Control", "private, max-age=300")
	h.Set("Content-Security-Policy", "default-src 'none'; sandbox")
	w.Write(b)
}

// stream sends the events of the teacher's classes.
func (s *Server) stream(w http.ResponseWriter, r *http.Request) {
	who, err := s.teacher(r.Context())
	var classes []app.ClassView
	if err == nil {
		classes, err = s.App.Classes(r.Context(), who)
	}
	if err != nil {
		writeProblem(w, s.logged(r.Context(), err))
		return
	}
	list := []uuid.UUID{who.ID}
	for _, c := range classes {
		list = append(list, c.ID)
	}
	sub := s.Hub.Subscribe(list)
	defer s.Hub.Leave(sub)
	out := http.NewResponseController(w)
	_ = out.SetWriteDeadline(time.Time{})
	w.Header().Set("Content-Type", "text/event-stream")
	w.Header().Set("X-Accel-Buffering", "no")
	// Not all at the same moment, after the database was away.
	fmt.Fprintf(w, "retry: %d\n\ndata: {\"kind\":%q}\n\n", 500+rand.IntN(1500), live.Refetch)
	beat, again := time.NewTicker(heartbeat), time.NewTimer(accessAgain)
	defer beat.Stop()
	defer again.Stop()
	for {
		if err := out.Flush(); err != nil {
			return
		}
		select {
		case e, ok := <-sub.C:
			if !ok || e.Kind == app.Access { // as below, and at once
				if ok {
					fmt.Fprint(w, "retry: 100\n\n")
				}
				return
			}
			raw, _ := json.Marshal(e)
			fmt.Fprintf(w, "data: %s\n\n", raw)
		case <-beat.C:
			fmt.Fprint(w, ": still here\n\n")
		case <-again.C:
			return // the browser connects again, and is checked again
		case <-r.Context().Done():
			return
		case <-s.Hub.Done():
			return
		}
	}
}
