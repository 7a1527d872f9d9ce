package design

import (
	"fmt"
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

// Help is a small thing that makes a step go well, said at its moment.
type Help struct {
	Help  HelpKind       `json:"help" enum:"keep,put-aside,look-again,same-for-all,hold-before-cutting,empty-inside,cover,test-first,stop-when,say-aloud,hands-first,two-people"`
	Thing text.Localized `json:"thing,omitempty" doc:"What it is about, such as the strips; of say-aloud what is said"`
	Place text.Localized `json:"place,omitempty" doc:"Of put-aside: where, such as on the windowsill"`
	Pass  text.Localized `json:"pass,omitempty" doc:"When it is well: of stop-when what is seen then, of test-first what must be so, of two-people how it goes alone"`
}

// HelpKind is what a help says.
type HelpKind string

// moment is when a help is said, and which of its words it cannot do without.
type moment struct {
	after bool
	needs []string
}

// HelpKinds are the kinds of help, in the order in which they are offered.
var HelpKinds = []HelpKind{
	"keep", "put-aside", "look-again", "same-for-all", "hold-before-cutting", "empty-inside", "cover", "test-first",
	"stop-when",
	"say-aloud", "hands-first", "two-people",
}

var moments = map[HelpKind]moment{
	"keep":                {true, []string{"thing"}},
	"put-aside":           {true, []string{"thing", "place"}},
	"look-again":          {true, []string{"thing"}},
	"cover":               {true, []string{"thing"}},
	"same-for-all":        {false, []string{"thing"}},
	"hold-before-cutting": {false, []string{"thing"}},
	"empty-inside":        {false, []string{"thing"}},
	"test-first":          {false, []string{"thing"}},
	"stop-when":           {false, []string{"pass"}},
	"say-aloud":           {false, []string{"thing"}},
	"hands-first":         {false, nil},
	"two-people":          {false, nil},
}

// After reports whether a help is said at the end of its step.
func (h Help) After() bool { return moments[h.Help].after }

// Sentence is what a help says to a family.
func (h Help) Sentence() text.Message {
	id := "design.help." + string(h.Help)
	if !empty(h.Pass) && h.Help != "stop-when" {
		id += "-pass"
	}
	return text.Message{ID: id, Args: text.Args{"thing": h.Thing, "place": h.Place, "pass": h.Pass}}
}

// words are a help's own texts; paths begin at the help.
func (h Help) words() []PlacedText {
	return []PlacedText{{"/thing", h.Thing}, {"/place", h.Place}, {"/pass", h.Pass}}
}

// HelpWords are the texts of a step's helps; paths begin at the step.
func (s *Step) HelpWords() []PlacedText {
	var out []PlacedText
	for i, h := range s.Helps {
		for _, t := range h.words() {
			out = append(out, PlacedText{fmt.Sprintf("/helps/%d%s", i, t.Path), t.Text})
		}
	}
	return out
}

// helps checks that each says what it cannot do without.
func (v *validator) helps(s *Step, path string) {
	for i, h := range s.Helps {
		for _, t := range h.words() {
			name := strings.TrimPrefix(t.Path, "/")
			if slices.Contains(moments[h.Help].needs, name) && empty(t.Text) {
				v.say(Error, "help-"+name, fmt.Sprintf("%s/helps/%d%s", path, i, t.Path), nil)
			}
		}
	}
}
