package api

import (
	"context"

	"patient-kitchen/core/safety"
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
	type judge struct {
		Accept
		Body struct {
			Document map[string]any `json:"document"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/review", "preview-review", "Judge a document in another language, without storing it"),
		func(_ context.Context, _ app.TeacherActor, i *judge) (drafts.ReviewView, error) {
			raw, err := rawField(i.RawBody, "document")
			return drafts.Review(raw, i.code()), err
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
	type substitutes struct {
		Accept
		Body struct {
			Document map[string]any `json:"document"`
			Need     string         `json:"need" maxLength:"40" example:"vinegar"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/preview/substitutes", "preview-substitutes", "What may stand in for a need"),
		func(_ context.Context, _ app.TeacherActor, i *substitutes) (List[sheets.SubstituteRow], error) {
			raw, err := rawField(i.RawBody, "document")
			if err != nil {
				return List[sheets.SubstituteRow]{}, err
			}
			rows, err := sheets.Substitutes(raw, i.Body.Need, i.code())
			return List[sheets.SubstituteRow]{Items: rows}, err
		},
	)
}
