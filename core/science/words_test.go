package science_test

import (
	"regexp"
	"testing"

	"patient-kitchen/core/science"
	"patient-kitchen/core/text"
)

// Blanks, their help, choices and outputs have words in every language; only
// symbols stand as they are.
func TestWordsOfModels(t *testing.T) {
	symbol := regexp.MustCompile(`^(\p{L}|\p{L}+\d|emf|wav)$`)
	for _, language := range text.Languages {
		for _, m := range science.Models() {
			for _, in := range m.Describe(language).Inputs {
				if in.Label == in.Name && !symbol.MatchString(in.Name) && !text.Has("science.name."+in.Name) {
					t.Errorf("%s: no words for %s", m.ID, in.Name)
				}
				if (in.Input.Help == "") != (in.Help == "") || in.Help == "science.help."+in.Input.Help {
					t.Errorf("%s: no help for %s: %q", m.ID, in.Name, in.Help)
				}
				for _, o := range in.Options {
					if in.OptionWords[o] == "" || in.OptionWords[o] == "science.option."+o {
						t.Errorf("%s: no words for %s", m.ID, o)
					}
				}
			}
			for _, o := range m.Outputs {
				if words := text.Render(o.Words(), language); words == o.Name && !symbol.MatchString(words) &&
					!text.Has("science.name."+o.Name) {
					t.Errorf("%s: no words for %s", m.ID, o.Name)
				}
			}
		}
	}
	fizz, _ := science.Find("fizz")
	if in := fizz.Describe("es").Inputs[0]; in.Label == fizz.Describe("en").Inputs[0].Label || in.Label == in.Name {
		t.Errorf("%+v", in)
	}
}
