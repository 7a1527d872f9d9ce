package drafts

import (
	"patient-kitchen/core/design"
	"patient-kitchen/core/review"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/sentence"
	"patient-kitchen/core/text"
)

// MarginView is one line of the margin.
type MarginView struct {
	Topic   string      `json:"topic" enum:"safety,show,fair,time,kitchens,words"`
	Weight  string      `json:"weight" enum:"stop,mend,note,fine"`
	Message string      `json:"message"`
	Path    string      `json:"path,omitempty" doc:"JSON Pointer of its place; left out for the whole"`
	Mend    *MarginMend `json:"mend,omitempty" doc:"What one key carries out"`
	Rest    []RestView  `json:"rest,omitempty" doc:"Further things of the topic that want something"`
}

// RestView is a further thing of a line.
type RestView struct {
	Weight  string `json:"weight" enum:"stop,mend,note,fine"`
	Message string `json:"message"`
	Path    string `json:"path,omitempty"`
}

// MarginMend is a change that a line of the margin offers; one of its changes is there.
type MarginMend struct {
	Words    string          `json:"words"`
	Safety   *safety.Change  `json:"safety,omitempty" doc:"For the preview of a mend"`
	Set      *SetView        `json:"set,omitempty" doc:"A value for a place of the document"`
	Sentence *SentenceChange `json:"sentence,omitempty" doc:"For the preview of taking a sentence"`
}

// SetView is a value for a place.
type SetView struct {
	Path  string `json:"path" doc:"JSON Pointer"`
	Value any    `json:"value"`
}

// SentenceChange changes a step's text.
type SentenceChange struct {
	Step     string            `json:"step"`
	Language string            `json:"language"`
	Change   sentence.Revision `json:"change"`
}

// ViewMargin words the margin of a design, for a class where one is chosen.
func ViewMargin(d *design.Document, r review.Review, class *review.Class, language string) []MarginView {
	out := []MarginView{}
	for _, l := range review.Margin(d, r, class) {
		v := MarginView{
			Topic: string(l.Topic), Weight: string(l.Weight), Message: text.Render(l.Message, language), Path: l.Path,
		}
		for _, more := range l.Rest {
			v.Rest = append(v.Rest, RestView{string(more.Weight), text.Render(more.Message, language), more.Path})
		}
		if m := l.Mend; m != nil {
			v.Mend = &MarginMend{Words: text.Render(m.Words, language), Safety: m.Safety}
			if m.Set != nil {
				v.Mend.Set = &SetView{m.Set.Path, m.Set.Value}
			}
			if m.Sentence != nil {
				v.Mend.Sentence = &SentenceChange{m.Sentence.Step, m.Sentence.Language, m.Sentence.Change}
			}
		}
		out = append(out, v)
	}
	return out
}
