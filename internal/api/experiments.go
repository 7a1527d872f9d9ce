package api

import (
	"context"

	"github.com/google/uuid"

	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/safety"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/kitchens"
)

// ActionGroup is a group of what may be done in a step, in words.
type ActionGroup struct {
	Name    string       `json:"name"`
	Never   bool         `json:"never,omitempty" doc:"None of them is issued to homes"`
	Actions []ActionWord `json:"actions"`
}

// ActionWord is one action.
type ActionWord struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

func (s *Server) experiments() {
	type onlyLanguage struct{ Accept }
	forTeacher(
		s,
		op("GET", "/experiments", "list-experiments", "The teacher's experiments"),
		func(ctx context.Context, who app.TeacherActor, i *onlyLanguage) (List[app.ExperimentRow], error) {
			v, err := s.App.Experiments(ctx, who, i.code())
			return List[app.ExperimentRow]{Items: v}, err
		},
	)
	type add struct {
		Accept
		Body struct {
			Document map[string]any `json:"document,omitempty" doc:"An experiment document, valid or not"`
			Example  string         `json:"example,omitempty" doc:"Or the name of an example to begin from" example:"paper-strips"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("POST", "/experiments", "add-experiment", "Make an experiment, from an example or an open file"),
		func(ctx context.Context, who app.TeacherActor, i *add) (app.DraftView, error) {
			raw, err := rawField(i.RawBody, "document")
			if i.Body.Example != "" {
				raw, err = drafts.Example(i.Body.Example)
			}
			if err != nil {
				return app.DraftView{}, err
			}
			return s.App.AddExperiment(ctx, who, raw, i.code())
		},
	)
	type ExperimentPath struct {
		Experiment uuid.UUID `path:"experiment"`
	}
	forTeacher(
		s,
		op(
			"GET",
			"/experiments/{experiment}/assessment",
			"get-assessment",
			"The school's last assessment of an experiment",
		),
		func(ctx context.Context, who app.TeacherActor, i *ExperimentPath) (app.AssessmentView, error) {
			return s.App.Assessment(ctx, who, i.Experiment)
		},
	)
	type assess struct {
		ExperimentPath
		Body app.AssessmentFields
	}
	forTeacher(
		s,
		op(
			"POST",
			"/experiments/{experiment}/assessment",
			"assess",
			"Sign the school's own assessment of the experiment as it stands",
		),
		func(ctx context.Context, who app.TeacherActor, i *assess) (app.AssessmentView, error) {
			return s.App.Assess(ctx, who, i.Experiment, i.Body)
		},
	)
	type get struct {
		ExperimentPath
		Accept
	}
	forTeacher(
		s,
		op("GET", "/experiments/{experiment}", "get-draft", "An experiment's draft, judged"),
		func(ctx context.Context, who app.TeacherActor, i *get) (app.DraftView, error) {
			return s.App.Draft(ctx, who, i.Experiment, i.code())
		},
	)
	type practice struct {
		ExperimentPath
		Language string    `query:"language" maxLength:"12" doc:"Code of the home's language" example:"es"`
		Class    uuid.UUID `query:"class" doc:"Left out: the teacher's first"`
		Home     uuid.UUID `query:"home" doc:"Of the class; left out: a usual home"`
	}
	forTeacher(
		s,
		op("GET", "/experiments/{experiment}/practice", "get-practice", "A draft as the page of a home, or of a "+
			"usual one, to try"),
		func(ctx context.Context, who app.TeacherActor, i *practice) (app.Bundle, error) {
			return s.App.Practice(ctx, who, i.Experiment, i.Class, i.Home, i.Language)
		},
	)
	type kitchensOf struct {
		ExperimentPath
		Accept
		Class uuid.UUID `query:"class" doc:"Left out: the teacher's first"`
		Home  uuid.UUID `query:"try_home" doc:"Of whom something is tried"`
		Need  string    `query:"try_need" doc:"Id of the need"`
		Use   string    `query:"try_use" doc:"What would be used, as the supplies name it"`
	}
	forTeacher(
		s,
		op("GET", "/experiments/{experiment}/kitchens", "plan-kitchens", "The experiment as each home of a "+
			"class would do it"),
		func(ctx context.Context, who app.TeacherActor, i *kitchensOf) (kitchens.Matrix, error) {
			var try *kitchen.Pin
			if i.Need != "" {
				try = &kitchen.Pin{Home: i.Home.String(), Need: i.Need, Material: i.Use}
			}
			return s.App.Kitchens(ctx, who, i.Experiment, i.Class, try, i.code())
		},
	)
	type cell struct {
		ExperimentPath
		Accept
		Class uuid.UUID `query:"class" doc:"Left out: the teacher's first"`
		Home  uuid.UUID `query:"home" doc:"Whose supplies they are"`
		Need  string    `query:"need" doc:"Id of the need"`
	}
	forTeacher(
		s,
		op("GET", "/experiments/{experiment}/kitchens/supplies", "list-supplies", "With what a home can do a need, "+
			"and what each would do"),
		func(ctx context.Context, who app.TeacherActor, i *cell) (kitchens.CellSupplies, error) {
			return s.App.CellSupplies(ctx, who, i.Experiment, i.Class, i.Home, i.Need, i.code())
		},
	)
	forTeacher(
		s,
		op("GET", "/experiments/{experiment}/versions", "list-versions", "The frozen versions of an experiment, "+
			"the latest first"),
		func(ctx context.Context, who app.TeacherActor, i *ExperimentPath) (List[app.VersionView], error) {
			v, err := s.App.Versions(ctx, who, i.Experiment)
			return List[app.VersionView]{Items: v}, err
		},
	)
	type numbered struct {
		ExperimentPath
		Accept
		Number int `path:"number" minimum:"1"`
	}
	forTeacher(
		s,
		op("GET", "/experiments/{experiment}/versions/{number}", "get-version", "A frozen version with its document"),
		func(ctx context.Context, who app.TeacherActor, i *numbered) (app.VersionFile, error) {
			return s.App.Version(ctx, who, i.Experiment, i.Number, i.code())
		},
	)
	type again struct {
		Accept
		Experiment uuid.UUID `path:"experiment"`
		Class      uuid.UUID `query:"class" doc:"One of the teacher's classes; left out: the first"`
	}
	forTeacher(
		s,
		op("GET", "/experiments/{experiment}/kitchens/again", "look-at-new-plan",
			"What planning a class again would change"),
		func(ctx context.Context, who app.TeacherActor, i *again) (kitchens.Replanned, error) {
			return s.App.PlanAgain(ctx, who, i.Experiment, i.Class, false, i.code())
		},
	)
	forTeacher(
		s,
		op("POST", "/experiments/{experiment}/kitchens/again", "plan-again", "Plan a class again: homes hold the "+
			"new plan from now on"),
		func(ctx context.Context, who app.TeacherActor, i *again) (kitchens.Replanned, error) {
			return s.App.PlanAgain(ctx, who, i.Experiment, i.Class, true, i.code())
		},
	)
	type rehearse struct {
		ExperimentPath
		Accept
		Class uuid.UUID `query:"class" doc:"Left out: the teacher's first"`
	}
	forTeacher(
		s,
		op("GET", "/experiments/{experiment}/kitchens/rehearsal", "rehearse", "What the experiment would probably "+
			"show in a class"),
		func(ctx context.Context, who app.TeacherActor, i *rehearse) (kitchens.Rehearsal, error) {
			return s.App.Rehearse(ctx, who, i.Experiment, i.Class, i.code())
		},
	)
	type ready struct {
		ClassPath
		Accept
	}
	forTeacher(
		s,
		op("GET", "/classes/{class}/ready", "list-ready", "Ready experiments against the kitchens of a class"),
		func(ctx context.Context, who app.TeacherActor, i *ready) (List[kitchens.Ready], error) {
			v, err := s.App.ReadyFor(ctx, who, i.Class, i.code())
			return List[kitchens.Ready]{Items: v}, err
		},
	)
	type ofClass struct {
		ClassPath
		Experiment uuid.UUID `path:"experiment"`
	}
	forTeacher(
		s,
		op("POST", "/classes/{class}/experiments/{experiment}/ask", "ask-kitchens",
			"Ask the homes of a class what they have for an experiment"),
		func(ctx context.Context, who app.TeacherActor, i *ofClass) (Done, error) {
			return Done{true}, s.App.AskKitchens(ctx, who, i.Class, i.Experiment)
		},
	)
	type table struct {
		ClassPath
		Accept
		Experiment uuid.UUID `path:"experiment"`
		Body       struct {
			Text string `json:"text" maxLength:"400000" doc:"A row a home, a column a question; separated by commas, semicolons or tabs"`
		}
	}
	forTeacher(
		s,
		op("POST", "/classes/{class}/experiments/{experiment}/kitchens", "read-kitchens",
			"Read what homes have from a table"),
		func(ctx context.Context, who app.TeacherActor, i *table) (app.ReadKitchens, error) {
			return s.App.ReadKitchenTable(ctx, who, i.Class, i.Experiment, i.Body.Text, i.code())
		},
	)
	type pin struct {
		ClassPath
		Experiment uuid.UUID `path:"experiment"`
		Body       app.PinFields
	}
	forTeacher(
		s,
		op("PUT", "/classes/{class}/experiments/{experiment}/pins", "pin-way", "Fix what some homes use for a need"),
		func(ctx context.Context, who app.TeacherActor, i *pin) (Done, error) {
			return Done{true}, s.App.Pin(ctx, who, i.Class, i.Experiment, i.Body)
		},
	)
	type save struct {
		ExperimentPath
		Accept
		IfMatch
		Body struct {
			Document map[string]any `json:"document"`
		}
		RawBody []byte
	}
	forTeacher(
		s,
		op("PUT", "/experiments/{experiment}", "save-draft", "Save a draft, valid or not, and judge it"),
		func(ctx context.Context, who app.TeacherActor, i *save) (app.DraftView, error) {
			version, err := i.version()
			if err != nil {
				return app.DraftView{}, err
			}
			raw, err := rawField(i.RawBody, "document")
			if err != nil {
				return app.DraftView{}, err
			}
			return s.App.SaveDraft(ctx, who, i.Experiment, version, raw, i.code())
		},
	)
	forTeacher(
		s,
		op("DELETE", "/experiments/{experiment}", "delete-experiment", "Take an experiment off the list"),
		func(ctx context.Context, who app.TeacherActor, i *ExperimentPath) (Done, error) {
			return Done{true}, s.App.DeleteExperiment(ctx, who, i.Experiment)
		},
	)
	forTeacher(
		s,
		op("POST", "/experiments/{experiment}/restore", "restore-experiment", "Bring an experiment back"),
		func(ctx context.Context, who app.TeacherActor, i *ExperimentPath) (Done, error) {
			return Done{true}, s.App.RestoreExperiment(ctx, who, i.Experiment)
		},
	)
	forTeacher(
		s,
		op("POST", "/experiments/{experiment}/copy", "copy-experiment", "Make an experiment of another's draft"),
		func(ctx context.Context, who app.TeacherActor, i *get) (app.DraftView, error) {
			return s.App.CopyExperiment(ctx, who, i.Experiment, i.code())
		},
	)
	s.previews()
	forTeacher(
		s,
		op("GET", "/actions", "list-actions", "The actions that safety rules know, common ones first"),
		func(_ context.Context, _ app.TeacherActor, i *onlyLanguage) (List[ActionGroup], error) {
			out := List[ActionGroup]{Items: []ActionGroup{}}
			for _, g := range safety.ActionGroups(i.code()) {
				group := ActionGroup{Name: g.Name, Never: g.Never}
				for _, a := range g.Actions {
					group.Actions = append(group.Actions, ActionWord(a))
				}
				out.Items = append(out.Items, group)
			}
			return out, nil
		},
	)
}
