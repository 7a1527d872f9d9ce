package answers

import (
	"encoding/json"
	"errors"
	"math"

	"patient-kitchen/core/formula"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/science"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
)

// ModelView is a model as the Workbench lists it.
type ModelView struct {
	science.Described
	Words   map[string]string `json:"words" doc:"What each output is"`
	Example map[string]string `json:"example" doc:"A worked example, as typed"`
}

// Models lists the models of the science core in a language.
func Models(language string) []ModelView {
	out := []ModelView{}
	for _, m := range science.Models() {
		words := map[string]string{}
		for _, o := range m.Outputs {
			words[o.Name] = text.Render(o.Words(), language)
		}
		out = append(out, ModelView{m.Describe(language), words, m.Example()})
	}
	return out
}

// Asked is what is asked of a model while it is typed.
type Asked struct {
	Sequence int                        `json:"sequence,omitempty" doc:"Comes back with the answer"`
	Typed    map[string]string          `json:"typed,omitempty" doc:"What was typed into the blanks; 60 mL ± 2 mL says its give or take"`
	Inputs   map[string]json.RawMessage `json:"inputs,omitempty" doc:"The inputs as on the command line, where nothing was typed"`
	Vary     string                     `json:"vary,omitempty" doc:"The input to draw the answer along"`
	Solve    string                     `json:"solve,omitempty" doc:"The input to change until the answer is as wanted"`
	Wanted   string                     `json:"wanted,omitempty" doc:"The wanted answer, as typed"`
	Working  string                     `json:"working,omitempty" doc:"A student's own lines, to be held against the formula; model formula only"`
}

// Answer is what a model gives while its inputs are typed: outputs, or the
// input that is wrong.
type Answer struct {
	Sequence int                      `json:"sequence" doc:"That of the question, so that stale answers can be dropped"`
	Problem  *science.InputError      `json:"problem,omitempty"`
	Outputs  map[string]science.Value `json:"outputs,omitempty"`
	Shown    map[string]string        `json:"shown,omitempty" doc:"The outputs in words, rounded, with units"`
	Notes    []string                 `json:"notes,omitempty"`
	Main     string                   `json:"main,omitempty" doc:"The output that answers the question"`
	MainText string                   `json:"main_text,omitempty" doc:"It without its give or take"`
	Sentence string                   `json:"sentence,omitempty" doc:"The answer as a sentence"`
	Give     string                   `json:"give,omitempty" doc:"Its give or take, in words"`
	Finer    string                   `json:"finer,omitempty" doc:"The give or take if the first of the doubts were read ten times finer"`
	Doubts   []science.Doubt          `json:"doubts,omitempty"`
	Curve    *science.Curve           `json:"curve,omitempty"`
	Steps    []string                 `json:"steps,omitempty" doc:"The working, for an answer key"`
	Finding  *TestedView              `json:"finding,omitempty"`
	Solved   *SolvedView              `json:"solved,omitempty"`
	Student  *CheckedView             `json:"student,omitempty"`
}

// TestedView is what a statistical test says.
type TestedView struct {
	Verdict    string   `json:"verdict" enum:"supported,not-supported,cannot-tell"`
	Words      string   `json:"words"`
	Conditions string   `json:"conditions" doc:"What has to hold for the test to mean something"`
	Doubts     []string `json:"doubts" doc:"Conditions that these values do not meet"`
}

// SolvedView is the amount that gives a wanted answer, ready to be typed.
type SolvedView struct {
	Input   string              `json:"input"`
	Typed   string              `json:"typed,omitempty"`
	Problem *science.InputError `json:"problem,omitempty"`
}

// CheckedView is the verdict on a student's working.
type CheckedView struct {
	Right bool   `json:"right"`
	Line  int    `json:"line" doc:"The first line that goes off, from 1"`
	Words string `json:"words"`
}

// Compute runs a model on typed blanks or, where there are none, on inputs as
// a program writes them. A wrong input is an answer, not an error; a model
// that is not there is ErrNotFound.
func Compute(id, language string, asked Asked) (Answer, error) {
	m, ok := science.Find(id)
	if !ok {
		return Answer{}, refusal.ErrNotFound
	}
	answer := Answer{Sequence: asked.Sequence}
	if asked.Typed == nil {
		outputs, err := m.Run(asked.Inputs)
		if err == nil {
			answer.show(m, outputs, language)
			return answer, nil
		}
		return answer.failed(err, language)
	}
	reply, err := m.Ask(
		science.Question{
			Typed:    asked.Typed,
			Vary:     asked.Vary,
			Solve:    asked.Solve,
			Wanted:   asked.Wanted,
			Language: language,
		},
	)
	if err != nil {
		return answer.failed(err, language)
	}
	answer.show(m, reply.Outputs, language)
	answer.MainText, answer.Sentence = reply.Outputs[reply.Main].Bare(
		language,
	), text.Render(
		m.Sentence(reply),
		language,
	)
	answer.Main, answer.Doubts, answer.Curve = reply.Main, reply.Doubts, reply.Curve
	if main := reply.Outputs[reply.Main]; main.Uncertainty != nil {
		answer.Give = science.Value{Value: *main.Uncertainty, Unit: main.Unit}.Give(language)
		if reply.Finer != nil {
			answer.Finer = science.Value{Value: *reply.Finer, Unit: main.Unit}.Give(language)
		}
	}
	for _, s := range reply.Steps {
		answer.Steps = append(answer.Steps, s.Show(language))
	}
	if f := reply.Finding; f != nil {
		view := TestedView{
			Verdict:    string(f.Verdict),
			Words:      text.Render(f.Words, language),
			Conditions: text.Render(f.Conditions, language),
			Doubts:     []string{},
		}
		for _, d := range f.Doubts {
			view.Doubts = append(view.Doubts, text.Render(d, language))
		}
		answer.Finding = &view
	}
	if s := reply.Solved; s != nil {
		answer.Solved = &SolvedView{Input: s.Input, Problem: s.Problem.In(language)}
		if s.Problem == nil {
			answer.Solved.Typed = typedAmount(s.Value)
		}
	}
	if asked.Working != "" && len(reply.Steps) > 0 {
		return answer, answer.check(reply.Steps[0], asked, language)
	}
	return answer, nil
}

func (a *Answer) show(m *science.Model, outputs map[string]science.Value, language string) {
	a.Outputs, a.Shown = outputs, map[string]string{}
	a.Notes = []string{text.Render(m.Assumes(), language), text.Render(m.Note(), language)}
	for name, v := range outputs {
		a.Shown[name] = v.Show(language)
	}
}

// failed turns a wrong input into an answer.
func (a Answer) failed(err error, language string) (Answer, error) {
	if errors.As(err, &a.Problem) {
		a.Problem = a.Problem.In(language)
		return a, nil
	}
	return Answer{}, err
}

// check holds a student's lines against the formula that was worked out.
func (a *Answer) check(step science.Step, asked Asked, language string) error {
	checked, err := step.Check(asked.Typed["unit"], asked.Working)
	if err != nil {
		return err
	}
	a.Student = &CheckedView{checked.Slip == formula.SlipNone, checked.Line + 1, text.Render(checked.Words, language)}
	return nil
}

// typedAmount writes an amount as it would be typed, to four digits.
func typedAmount(q quantity.Quantity) string {
	s := text.Number(q.Value, text.Decimals(q.Value, math.Abs(q.Value)*2e-4), "en")
	if q.Unit != quantity.One {
		s += " " + q.Unit.Symbol
	}
	return s
}
