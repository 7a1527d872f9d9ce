package api

import (
	"context"
	"net/http"
	"path"

	"patient-kitchen/core/larder"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/shelves"
)

// larder answers what household things are, and takes the school's own.
func (s *Server) larder() {
	type list struct{ Accept }
	forTeacher(
		s,
		op("GET", "/larder", "get-larder", "Things, jobs, swaps, and what never"),
		func(ctx context.Context, who app.TeacherActor, i *list) (shelves.LarderView, error) {
			return s.App.Larder(ctx, who, i.code())
		},
	)
	type find struct {
		Accept
		Typed string `query:"q" maxLength:"100" example:"vinegar"`
	}
	forTeacher(
		s,
		op("GET", "/larder/find", "find-things", "Search by everyday names, in every language"),
		func(ctx context.Context, who app.TeacherActor, i *find) (shelves.LarderFound, error) {
			return s.App.FindThings(ctx, who, i.Typed, i.code())
		},
	)
	type thing struct {
		Accept
		Thing string `path:"thing" maxLength:"40" example:"vinegar-white"`
	}
	forTeacher(
		s,
		op("GET", "/larder/things/{thing}", "get-thing", "All that is known of one thing"),
		func(ctx context.Context, who app.TeacherActor, i *thing) (shelves.ThingCard, error) {
			return s.App.Thing(ctx, who, i.Thing, i.code())
		},
	)
	type put struct {
		Thing string `path:"thing" maxLength:"40" example:"school-soap"`
		Body  struct {
			Material map[string]any `json:"material" doc:"As the larder's data files write it; its id is that of the address"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("PUT", "/larder/own/{thing}", "put-own-thing", "Add or correct a thing of the school's own"),
		func(ctx context.Context, who app.TeacherActor, i *put) (Done, error) {
			raw, err := rawField(i.RawBody, "material")
			if err != nil {
				return Done{}, err
			}
			return Done{true}, s.App.PutOwnThing(ctx, who, i.Thing, raw)
		},
	)
	type describe struct {
		Accept
		Body struct {
			Material map[string]any `json:"material" doc:"A thing of the school's own, as far as it is described"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op(
			"POST",
			"/preview/thing",
			"describe-thing",
			"What a thing of the school's own is still asked, judged as far as it is described",
		),
		func(_ context.Context, _ app.TeacherActor, i *describe) (shelves.DescribedView, error) {
			raw, err := rawField(i.RawBody, "material")
			if err != nil {
				return shelves.DescribedView{}, err
			}
			return shelves.DescribeThing(raw, i.code())
		},
	)
	type del struct {
		Thing string `path:"thing" maxLength:"40" example:"school-soap"`
	}
	forTeacher(
		s,
		op("DELETE", "/larder/own/{thing}", "delete-own-thing", "Take a thing of the school's own out"),
		func(ctx context.Context, who app.TeacherActor, i *del) (Done, error) {
			return Done{true}, s.App.DeleteOwnThing(ctx, who, i.Thing)
		},
	)
	type putSwap struct {
		Swap string `path:"swap" maxLength:"40" example:"soap-for-soap"`
		Body struct {
			Swap map[string]any `json:"swap" doc:"As the larder's data files write it; its id is that of the address"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("PUT", "/larder/own-swaps/{swap}", "put-own-swap", "Add or change a swap of the school's own"),
		func(ctx context.Context, who app.TeacherActor, i *putSwap) (Done, error) {
			raw, err := rawField(i.RawBody, "swap")
			if err != nil {
				return Done{}, err
			}
			return Done{true}, s.App.PutOwnSwap(ctx, who, i.Swap, raw)
		},
	)
	type delSwap struct {
		Swap string `path:"swap" maxLength:"40" example:"soap-for-soap"`
	}
	forTeacher(
		s,
		op("DELETE", "/larder/own-swaps/{swap}", "delete-own-swap", "Take a swap of the school's own out"),
		func(ctx context.Context, who app.TeacherActor, i *delSwap) (Done, error) {
			return Done{true}, s.App.DeleteOwnSwap(ctx, who, i.Swap)
		},
	)
	type imported struct {
		Body struct {
			File string `json:"file" maxLength:"1000000" doc:"JSON or CSV, as text"`
		}
	}
	forTeacher(
		s,
		op("POST", "/larder/own", "import-things", "Add the school's own things from a file, all or none"),
		func(ctx context.Context, who app.TeacherActor, i *imported) (Counted, error) {
			n, err := s.App.ImportThings(ctx, who, []byte(i.Body.File))
			return Counted{n}, err
		},
	)
}

// Counted says how many.
type Counted struct {
	Count int `json:"count"`
}

// exportThings writes the school's own things as a file.
func (s *Server) exportThings(w http.ResponseWriter, r *http.Request) {
	who, err := s.teacher(r.Context())
	if err != nil {
		writeProblem(w, err)
		return
	}
	own, err := s.App.OwnThings(r.Context(), who)
	if err != nil {
		writeProblem(w, s.logged(r.Context(), err))
		return
	}
	name := path.Base(r.URL.Path)
	switch name {
	case "own.csv":
		attachment(w, "text/csv; charset=utf-8", "larder-"+name)
		err = larder.WriteCSV(w, own.Materials)
	case "own-swaps.csv":
		attachment(w, "text/csv; charset=utf-8", "larder-"+name)
		err = larder.WriteSwapsCSV(w, own.Rules)
	default:
		attachment(w, "application/json", "larder-"+name)
		err = larder.WriteJSON(w, own)
	}
	if err != nil {
		s.Log.Error("export", "error", err)
	}
}

// LarderSchema is the JSON Schema of a school's own things and swaps, which
// are written as the larder's data files are.
func LarderSchema() ([]byte, error) {
	return schemaOf[larder.Own]("Patient Kitchen larder: a school's own things and swaps")
}
