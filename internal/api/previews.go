package api

import (
	"context"

	"github.com/google/uuid"

	"patient-kitchen/core/safety"
	"patient-kitchen/core/sentence"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/sheets"
)

// previews answer about a document while it is written, without storing it.
func (s *Server) previews() {
	type formula struct {
		Accept
		Body struct {
			Sequence int            `json:"sequence,omitempty" doc:"Comes back with the answer"`
			Document map[string]any `json:"document"`
			Formula  string         `json:"formula" maxLength:"500" example:"last(height)"`
			Unit     string         `json:"unit,omitempty" example:"mm"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/formula", "preview-formula", "Check a formula while it is typed"),
		func(_ context.Context, _ app.TeacherActor, i *formula) (drafts.FormulaView, error) {
			raw, err := rawField(i.RawBody, "document")
			view := drafts.TryFormula(raw, i.Body.Formula, i.Body.Unit, i.code())
			view.Sequence = i.Body.Sequence
			return view, err
		},
	)
	type running struct {
		Accept
		Body struct {
			Document map[string]any `json:"document"`
			Begin    string         `json:"begin,omitempty" doc:"The time of the day at which it begins" example:"17:00"`
			Done     string         `json:"done,omitempty" doc:"Or by which it has to be done, counted backwards" example:"10:00"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/run-sheet", "preview-run-sheet", "Put a design to the clock, forwards or backwards"),
		func(_ context.Context, _ app.TeacherActor, i *running) (drafts.RunSheet, error) {
			raw, err := rawField(i.RawBody, "document")
			if err != nil {
				return drafts.RunSheet{}, err
			}
			return drafts.Running(raw, i.Body.Begin, i.Body.Done, i.code())
		},
	)
	type unfold struct {
		Accept
		Body struct {
			Document map[string]any `json:"document"`
			Step     string         `json:"step" maxLength:"40" example:"drain" doc:"The step that is waited for"`
			Begin    string         `json:"begin" doc:"The time of the day at which the work begins" example:"18:00"`
			Class    *uuid.UUID     `json:"class,omitempty" doc:"The class whose homes are counted; left out: a usual home"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/unfold", "preview-unfold", "Put one wait of a design to the clock, with the homes awake in it"),
		func(ctx context.Context, who app.TeacherActor, i *unfold) (drafts.UnfoldedView, error) {
			raw, err := rawField(i.RawBody, "document")
			if err != nil {
				return drafts.UnfoldedView{}, err
			}
			return s.App.UnfoldFor(ctx, who, raw, i.Body.Step, i.Body.Begin, i.Body.Class, i.code())
		},
	)
	type mend struct {
		Accept
		Body struct {
			Document map[string]any `json:"document"`
			Change   safety.Change  `json:"change" doc:"As a finding offers it"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/mend", "preview-mend", "Carry a change out on a document"),
		func(_ context.Context, _ app.TeacherActor, i *mend) (drafts.Mended, error) {
			raw, err := rawField(i.RawBody, "document")
			if err != nil {
				return drafts.Mended{}, err
			}
			return drafts.Mend(raw, i.Body.Change, i.code())
		},
	)
	type read struct {
		Accept
		Body struct {
			Sequence int            `json:"sequence,omitempty" doc:"Comes back with the answer"`
			Document map[string]any `json:"document"`
			Step     string         `json:"step" maxLength:"40" example:"pour"`
			Language string         `json:"language" maxLength:"12" example:"en" doc:"In which the text is written"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/sentence", "preview-sentence", "Read what a step's text says"),
		func(_ context.Context, _ app.TeacherActor, i *read) (drafts.SentenceView, error) {
			raw, err := rawField(i.RawBody, "document")
			if err != nil {
				return drafts.SentenceView{}, err
			}
			view, err := drafts.ReadSentence(raw, i.Body.Step, i.Body.Language, i.code())
			view.Sequence = i.Body.Sequence
			return view, err
		},
	)
	type take struct {
		Accept
		Body struct {
			Document map[string]any     `json:"document"`
			Step     string             `json:"step" maxLength:"40" example:"pour"`
			Language string             `json:"language" maxLength:"12" example:"en" doc:"In which the text is written"`
			Was      string             `json:"was,omitempty" maxLength:"5000" doc:"The text as it was taken before"`
			Answer   *sentence.Revision `json:"answer,omitempty" doc:"To a question about the text, as it was offered; the text stays as it was taken"`
			Typed    string             `json:"typed,omitempty" maxLength:"60" doc:"What was typed into the question's field"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/take", "preview-take", "Carry what a step's text says over into its document"),
		func(_ context.Context, _ app.TeacherActor, i *take) (drafts.Mended, error) {
			raw, err := rawField(i.RawBody, "document")
			if err != nil {
				return drafts.Mended{}, err
			}
			return drafts.TakeSentence(raw, i.Body.Step, i.Body.Language, i.Body.Was, i.Body.Answer, i.Body.Typed,
				i.code())
		},
	)
	type lanes struct {
		Accept
		Body struct {
			Document map[string]any `json:"document"`
			Line     string         `json:"line" maxLength:"1200" example:"plain, salty 1 tsp, very salty 3 tsp"`
			Language string         `json:"language" maxLength:"12" example:"en" doc:"In which the line is written"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/lanes", "preview-lanes", "Put the conditions that a line names into a document"),
		func(_ context.Context, _ app.TeacherActor, i *lanes) (drafts.Mended, error) {
			raw, err := rawField(i.RawBody, "document")
			if err != nil {
				return drafts.Mended{}, err
			}
			return drafts.TakeLanes(raw, i.Body.Line, i.Body.Language, i.code())
		},
	)
	type note struct {
		Accept
		Body struct {
			Document map[string]any `json:"document"`
			Step     string         `json:"step,omitempty" maxLength:"40" example:"pour" doc:"Behind which it happens, or on which it hangs; left out: at the beginning"`
			Peg      sentence.Peg   `json:"peg,omitempty" enum:"reading,photo,clip,sound,drawing,adult-near,hazard,look,question,keep,gate" doc:"What hangs on the step; left out: what the line says"`
			Line     string         `json:"line,omitempty" maxLength:"1200" example:"wait 14 h to 16 h"`
			Language string         `json:"language" maxLength:"12" example:"en" doc:"In which the line is written"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/note", "preview-note", "Put a line of what happens into a document, or hang something on a "+
			"step of it"),
		func(_ context.Context, _ app.TeacherActor, i *note) (drafts.NotedView, error) {
			raw, err := rawField(i.RawBody, "document")
			if err != nil {
				return drafts.NotedView{}, err
			}
			return drafts.TakeNote(raw, i.Body.Step, i.Body.Peg, i.Body.Line, i.Body.Language, i.code())
		},
	)
	type judge struct {
		Accept
		Body struct {
			Document map[string]any `json:"document"`
			Class    *uuid.UUID     `json:"class,omitempty" doc:"The class that it is looked at with; left out: a usual one"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/review", "preview-review", "Judge a document without storing it, in another language "+
			"or with a class"),
		func(ctx context.Context, who app.TeacherActor, i *judge) (drafts.ReviewView, error) {
			raw, err := rawField(i.RawBody, "document")
			if err != nil || i.Body.Class == nil {
				return drafts.Review(raw, i.code()), err
			}
			return s.App.JudgeFor(ctx, who, raw, *i.Body.Class, i.code())
		},
	)
	type choose struct {
		Accept
		Body struct {
			Document map[string]any `json:"document"`
			Need     string         `json:"need" maxLength:"40" example:"vinegar"`
			Thing    string         `json:"thing" maxLength:"40" example:"vinegar-white"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/choose", "preview-choose", "Make a need a thing of the larder"),
		func(ctx context.Context, who app.TeacherActor, i *choose) (drafts.Mended, error) {
			raw, err := rawField(i.RawBody, "document")
			if err != nil {
				return drafts.Mended{}, err
			}
			return s.App.Choose(ctx, who, raw, i.Body.Need, i.Body.Thing, i.code())
		},
	)
	type wanted struct {
		Accept
		Body struct {
			Document map[string]any `json:"document"`
			Need     string         `json:"need" maxLength:"40" example:"vinegar"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/swaps", "preview-swaps", "What may stand in for a need"),
		func(_ context.Context, _ app.TeacherActor, i *wanted) (List[sheets.SheetSwap], error) {
			raw, err := rawField(i.RawBody, "document")
			if err != nil {
				return List[sheets.SheetSwap]{}, err
			}
			rows, err := sheets.SwapsFor(raw, i.Body.Need, i.code())
			return List[sheets.SheetSwap]{Items: rows}, err
		},
	)
}
