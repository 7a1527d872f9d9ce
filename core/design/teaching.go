package design

import (
	"fmt"
	"strings"

	"patient-kitchen/core/text"
)

// Teaching is what stands around an experiment: what it is for, the words that it brings,
// what is explained and when.
type Teaching struct {
	Sort           string           `json:"sort,omitempty" enum:"demonstration,observation,comparison,constant,build,model,challenge,own-question" doc:"What kind of question it is"`
	Aim            text.Localized   `json:"aim,omitempty" doc:"What is to be learned; for the teacher"`
	Everyday       text.Localized   `json:"everyday,omitempty" doc:"Where one meets it at home; families read it before they begin"`
	Vocabulary     []Term           `json:"vocabulary,omitempty" doc:"Words that it brings, with what they mean"`
	Counts         []text.Localized `json:"counts,omitempty" doc:"What is looked at in the work, by method and not by result; families read it"`
	Explanation    text.Localized   `json:"explanation,omitempty" doc:"Why it comes out so; families read it from its release on"`
	Deeper         text.Localized   `json:"deeper,omitempty" doc:"Goes on from the explanation for those who go deeper; shown with it"`
	Release        string           `json:"release,omitempty" enum:"after-sent,after-due,never" doc:"When the explanation is shown: to each home when it has sent its work, to all when it was due, or only told by the teacher; left out: after-due"`
	Extension      text.Localized   `json:"extension,omitempty" doc:"What could be tried next; shown with the explanation"`
	Misconceptions []Misconception  `json:"misconceptions,omitempty" doc:"What is often thought; for the teacher"`
	Sources        []Source         `json:"sources,omitempty" doc:"Where it comes from; for the teacher"`
	Series         text.Localized   `json:"series,omitempty" doc:"Name of the series that it belongs to"`
	Number         int              `json:"number,omitempty" minimum:"0" maximum:"99" doc:"Its place in the series"`
}

// Term is a word of the subject with what it means here.
type Term struct {
	Word  text.Localized `json:"word"`
	Means text.Localized `json:"means"`
}

// Misconception is something that is often thought, and what is so.
type Misconception struct {
	Thought text.Localized `json:"thought"`
	So      text.Localized `json:"so"`
}

// Source says where a design or a part of it comes from.
type Source struct {
	Kind string `json:"kind,omitempty" enum:"own,adapted,public" doc:"Left out: own"`
	Text string `json:"text" doc:"In words, such as a book with its page"`
}

// Releases reports whether the explanation may be read by a home now.
func (t *Teaching) Releases(sent, over bool) bool {
	switch t.Release {
	case "after-sent":
		return sent || over
	case "never":
		return false
	}
	return over
}

// familyTexts are the texts that families read, with their places.
func (t *Teaching) familyTexts() []PlacedText {
	out := []PlacedText{
		{"/teaching/everyday", t.Everyday}, {"/teaching/explanation", t.Explanation},
		{"/teaching/deeper", t.Deeper},
		{"/teaching/extension", t.Extension},
	}
	for i, w := range t.Vocabulary {
		out = append(out, PlacedText{fmt.Sprintf("/teaching/vocabulary/%d/word", i), w.Word},
			PlacedText{fmt.Sprintf("/teaching/vocabulary/%d/means", i), w.Means})
	}
	for i, c := range t.Counts {
		out = append(out, PlacedText{fmt.Sprintf("/teaching/counts/%d", i), c})
	}
	return out
}

// teaching checks that what is begun is said.
func (v *validator) teaching() {
	t := &v.d.Teaching
	for i, w := range t.Vocabulary {
		if empty(w.Word) || empty(w.Means) {
			v.say(Warning, "term", fmt.Sprintf("/teaching/vocabulary/%d", i), nil)
		}
	}
	for i, m := range t.Misconceptions {
		if empty(m.Thought) || empty(m.So) {
			v.say(Hint, "misconception", fmt.Sprintf("/teaching/misconceptions/%d", i), nil)
		}
	}
	for i, s := range t.Sources {
		if strings.TrimSpace(s.Text) == "" {
			v.say(Hint, "source", fmt.Sprintf("/teaching/sources/%d", i), nil)
		}
	}
	if t.Number > 0 && empty(t.Series) {
		v.say(Hint, "series", "/teaching/series", nil)
	}
}
