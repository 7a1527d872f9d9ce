package api

import (
	"context"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/answers"
)

// workbench answers the models of the science core.
func (s *Server) workbench() {
	type list struct{ Accept }
	forTeacher(
		s,
		op("GET", "/models", "list-models", "The models of the Workbench"),
		func(_ context.Context, _ app.TeacherActor, i *list) (List[answers.ModelView], error) {
			return List[answers.ModelView]{Items: answers.Models(i.code())}, nil
		},
	)
	type compute struct {
		Accept
		Model string `path:"model" maxLength:"40"`
		Body  answers.Asked
	}
	o := op("POST", "/models/{model}", "compute", "Answer a model while it is typed")
	o.MaxBodyBytes = 16 << 20 // a recording or a photo, in base64
	forTeacher(s, o, func(_ context.Context, _ app.TeacherActor, i *compute) (answers.Answer, error) {
		return answers.Compute(i.Model, i.code(), i.Body)
	})
}
