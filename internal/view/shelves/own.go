package shelves

import (
	"errors"
	"fmt"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/sheets"
)

// ThingExample is how a thing of one's own is written.
const ThingExample = `{"name": {"en": "school soap"}, "roles": ["surfactant"], "hazards": ["slip"]}`

// DescribedView is what a thing of the school's own is still asked, and what
// its answers come to.
type DescribedView struct {
	Questions []QuestionView    `json:"questions" doc:"In the order they are asked; an answer may bring or take away others"`
	Left      int               `json:"left" doc:"How many are not answered: until then it is judged as the worst it could be"`
	Like      string            `json:"like,omitempty" doc:"A refused name that this one is or resembles"`
	Refused   bool              `json:"refused" doc:"It is that name: whatever is answered, it stays refused"`
	Unknown   bool              `json:"unknown" doc:"No word of the larder explains the name: it is not closed in, heated, lit, tasted or put on skin"`
	Bands     []drafts.BandView `json:"bands" doc:"The verdict of using it, by age"`
}

// QuestionView is one question about an own thing.
type QuestionView struct {
	ID       string             `json:"id"`
	Question string             `json:"question"`
	Answer   string             `json:"answer,omitempty"`
	Answers  []sheets.OptionRow `json:"answers"`
}

// DescribeThing judges a thing of the school's own that is not stored.
func DescribeThing(raw []byte, language string) (DescribedView, error) {
	own, err := larder.ReadJSON(fmt.Appendf(nil, `{"materials": [%s]}`, raw))
	if err == nil && len(own.Materials) != 1 {
		err = errors.New("give one thing")
	}
	if err != nil {
		return DescribedView{}, refusal.Field("material", refusal.Rule("unreadable", "problem", err.Error()),
			ThingExample)
	}
	m := &own.Materials[0]
	m.ID, m.Own = "own-thing", true
	l := larder.Standard()
	v := DescribedView{Questions: []QuestionView{}, Left: len(l.Unanswered(m)), Unknown: !l.Explained(m)}
	for _, q := range l.Asked(m) {
		words, _ := q.Question.In(language)
		row := QuestionView{ID: q.ID, Question: words, Answer: m.Props[q.ID], Answers: []sheets.OptionRow{}}
		for _, answer := range q.Answers {
			said, _ := answer.Words.In(language)
			row.Answers = append(row.Answers, sheets.OptionRow{ID: answer.Value, Text: said})
		}
		v.Questions = append(v.Questions, row)
	}
	for _, name := range m.Name {
		if k, like := l.Likeness(name); k > larder.Unlike {
			v.Like, v.Refused = like, v.Refused || k == larder.Refused
		}
	}
	if mine, problems := l.With(own); len(problems) == 0 {
		thing, _ := mine.Material("own-thing")
		d := aloneDesign(thing)
		v.Bands = drafts.ViewBands(safety.Judge(&d, mine, nil))
	} else {
		v.Bands = []drafts.BandView{}
	}
	return v, nil
}

// Carry puts the school's own entries about a thing into a document: the thing
// itself, its swaps, and the own things those lead to.
func Carry(d *design.Document, own larder.Own, thing string) {
	wanted := []string{thing}
	for _, r := range own.Rules {
		if slices.Contains(r.From.Materials, thing) {
			wanted = append(wanted, r.To.Materials...)
			if !slices.ContainsFunc(d.Swaps, func(o larder.SwapRule) bool { return o.ID == r.ID }) {
				d.Swaps = append(d.Swaps, r)
			}
		}
	}
	for _, m := range own.Materials {
		if slices.Contains(wanted, m.ID) &&
			!slices.ContainsFunc(d.Materials, func(o larder.Material) bool { return o.ID == m.ID }) {
			d.Materials = append(d.Materials, m)
		}
	}
}
