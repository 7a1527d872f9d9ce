package api

import (
	"context"

	"patient-kitchen/internal/app"
)

// workbench answers the models of the science core.
func (s *Server) workbench() {
	type list struct{ Accept }
	forTeacher(
		s,
		op("GET", "/models", "list-models", "The models of the Workbench"),
		func(_ context.Context, _ app.TeacherActor, i *list) (List[app.ModelView], error) {
			return List[app.ModelView]{Items: app.Models(i.code())}, nil
		},
	)
	type compute struct {
		Accept
		Model string `path:"model" maxLength:"40"`
		Body  app.Asked
	}
	o := op("POST", "/models/{model}", "compute", "Answer a model while it is typed")
	o.MaxBodyBytes = 16 << 20 // a recording or a photo, in base64
	forTeacher(s, o, func(_ context.Context, _ app.TeacherActor, i *compute) (app.Answer, error) {
		return app.Compute(i.Model, i.code(), i.Body)
	})
}
