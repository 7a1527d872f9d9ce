package sentence

import (
	"fmt"
	"regexp"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// slip is something that is often said and not so, with what is right. Its patterns are
// read over folded words.
type slip struct {
	ID   string              `json:"id"`
	Said map[string][]string `json:"said"` // by language
	Says text.Localized      `json:"says"`
	read map[string][]*regexp.Regexp
}

var slips = func() []slip {
	list := load[[]slip]("slips.json")
	for i := range list {
		s := &list[i]
		s.read = map[string][]*regexp.Regexp{}
		for language, patterns := range s.Said {
			for _, p := range patterns {
				s.read[language] = append(s.read[language], regexp.MustCompile(p))
			}
		}
	}
	return list
}()

// Slip is a slip in a text of a design.
type Slip struct {
	ID   string
	Path string // JSON Pointer of the text
	Says text.Message
}

// Slips lists what the texts of a design say and is not so, each slip once, but for those
// that the teacher leaves as they are.
func Slips(d *design.Document) []Slip {
	var out []Slip
	look := func(path string, texts text.Localized) {
		for _, s := range slips {
			if slices.Contains(d.Left, s.ID) || slices.ContainsFunc(out, func(o Slip) bool { return o.ID == s.ID }) {
				continue
			}
			for language, words := range texts {
				folded := fold(words)
				if slices.ContainsFunc(s.read[text.Of(language).Code], func(r *regexp.Regexp) bool {
					return r.MatchString(folded)
				}) {
					out = append(out, Slip{s.ID, path, text.M("sentence.slip", "says", s.Says)})
					break
				}
			}
		}
	}
	look("/title", d.Title)
	look("/question", d.Question)
	look("/background", d.Background)
	look("/teaching/explanation", d.Teaching.Explanation)
	look("/teaching/everyday", d.Teaching.Everyday)
	for i, w := range d.Teaching.Vocabulary {
		look(fmt.Sprintf("/teaching/vocabulary/%d/means", i), w.Means)
	}
	for i, s := range d.Steps {
		path := fmt.Sprintf("/steps/%d", i)
		look(path+"/title", s.Title)
		look(path+"/text", s.Text)
		look(path+"/see", s.See)
	}
	for i, q := range d.Questions {
		look(fmt.Sprintf("/questions/%d", i), q.Text)
	}
	for i, m := range d.Mistakes {
		look(fmt.Sprintf("/mistakes/%d", i), m.Cause)
	}
	return out
}
