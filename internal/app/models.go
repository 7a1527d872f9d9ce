package app

import (
	"encoding/json"
	"errors"

	"patient-kitchen/core/science"
)

// ModelView is a model as the Workbench lists it.
type ModelView struct {
	science.Model
	Words   map[string]string `json:"words" doc:"What each output is"`
	Typed   bool              `json:"typed" doc:"Whether every input can be typed into a blank"`
	Example map[string]string `json:"example" doc:"A worked example, as typed"`
}

// Models lists the models of the science core.
func Models() []ModelView {
	out := []ModelView{}
	for _, m := range science.Models() {
		words := map[string]string{}
		for _, o := range m.Outputs {
			words[o.Name] = o.Words()
		}
		out = append(out, ModelView{*m, words, m.Typed(), m.Example()})
	}
	return out
}

// Answer is what a model gives while its inputs are typed: outputs, or the
// input that is wrong.
type Answer struct {
	Sequence int                      `json:"sequence" doc:"That of the question, so that stale answers can be dropped"`
	Problem  *science.InputError      `json:"problem,omitempty"`
	Outputs  map[string]science.Value `json:"outputs,omitempty"`
	Shown    map[string]string        `json:"shown,omitempty" doc:"The outputs in words, rounded, with units"`
	Notes    []string                 `json:"notes,omitempty"`
}

// Compute runs a model on typed blanks or, where there are none, on inputs as
// a program writes them. A wrong input is an answer, not an error; a model
// that is not there is ErrNotFound.
func Compute(id, language string, sequence int, typed map[string]string, inputs map[string]json.RawMessage) (Answer, error) {
	m, ok := science.Find(id)
	if !ok {
		return Answer{}, ErrNotFound
	}
	answer := Answer{Sequence: sequence}
	run := func() (map[string]science.Value, error) { return m.Run(inputs) }
	if typed != nil {
		run = func() (map[string]science.Value, error) { return m.RunTyped(typed) }
	}
	outputs, err := run()
	if errors.As(err, &answer.Problem) {
		return answer, nil
	}
	if err != nil {
		return Answer{}, err
	}
	answer.Outputs, answer.Notes, answer.Shown = outputs, []string{m.Assumes}, map[string]string{}
	for name, v := range outputs {
		answer.Shown[name] = v.Show(language)
	}
	return answer, nil
}
