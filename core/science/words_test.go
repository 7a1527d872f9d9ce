package science_test

import (
	"regexp"
	"slices"
	"testing"

	"patient-kitchen/core/quantity"
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
	// An input that is called as an output is the same thing: of a unit of its kind.
	kind := func(unit string) string {
		u, _ := quantity.LookupUnit(unit)
		return text.Render(u.Dim.Words(), "en")
	}
	comesOut := map[string][]string{}
	for _, m := range science.Models() {
		for _, o := range m.Outputs {
			comesOut[o.Name] = append(comesOut[o.Name], kind(o.Unit))
		}
	}
	for _, m := range science.Models() {
		for _, in := range m.Inputs {
			kinds := comesOut[in.Name]
			if in.Label == "" && len(kinds) > 0 && !slices.Contains(kinds, kind(in.Unit)) {
				t.Errorf("%s: %s is called as an output of another kind: %v", m.ID, in.Name, kinds)
			}
		}
	}
	fizz, _ := science.Find("fizz")
	if in := fizz.Describe("es").Inputs[0]; in.Label == fizz.Describe("en").Inputs[0].Label || in.Label == in.Name {
		t.Errorf("%+v", in)
	}
}
