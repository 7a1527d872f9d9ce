package api

import (
	"context"
	"encoding/json"

	"patient-kitchen/internal/app"
)

// workbench answers the models of the science core.
func (s *Server) workbench() {
	forTeacher(s, op("GET", "/models", "list-models", "The models of the Workbench"), func(context.Context, app.TeacherActor, *nothing) (List[app.ModelView], error) {
		return List[app.ModelView]{Items: app.Models()}, nil
	})
	type compute struct {
		Accept
		Model string `path:"model" maxLength:"40"`
		Body  struct {
			Sequence int               `json:"sequence,omitempty" doc:"Comes back with the answer"`
			Typed    map[string]string `json:"typed,omitempty" doc:"What was typed into the blanks"`
			Inputs   map[string]any    `json:"inputs,omitempty" doc:"The inputs as on the command line, where nothing was typed"`
		}
	}
	forTeacher(s, op("POST", "/models/{model}", "compute", "Answer a model while it is typed"), func(_ context.Context, _ app.TeacherActor, i *compute) (app.Answer, error) {
		inputs := map[string]json.RawMessage{}
		for name, v := range i.Body.Inputs {
			raw, err := json.Marshal(v)
			if err != nil {
				return app.Answer{}, err
			}
			inputs[name] = raw
		}
		return app.Compute(i.Model, i.code(), i.Body.Sequence, i.Body.Typed, inputs)
	})
}
