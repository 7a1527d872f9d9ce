package design_test

import (
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// Each help is a sentence in every language, with and without its rule, and says what
// it cannot do without.
func TestHelps(t *testing.T) {
	word := text.Localized{"en": "the strips", "es": "las tiras"}
	for _, kind := range design.HelpKinds {
		for _, h := range []design.Help{{Help: kind, Thing: word, Place: word},
			{Help: kind, Thing: word, Place: word, Pass: word}} {
			for _, language := range text.Languages {
				if s := text.Render(h.Sentence(), language); strings.ContainsAny(s, "{}[]") ||
					!strings.HasSuffix(s, ".") {
					t.Errorf("%s, %s: %q", kind, language, s)
				}
			}
		}
	}
	if h := (design.Help{Help: "put-aside", Thing: word, Place: text.Localized{"en": "on the windowsill"}}); !h.After() ||
		text.Render(h.Sentence(), "en") != "Put the strips aside on the windowsill." {
		t.Error(text.Render(h.Sentence(), "en"))
	}
	d := example(t, "paper-strips")
	d.Steps[0].Helps = []design.Help{
		{Help: "put-aside", Thing: word},
		{Help: "stop-when"},
		{Help: "cover"},
		{Help: "hands-first"},
		{Help: "sing"},
	}
	got := codes(design.Validate(&d), design.Error)
	for _, want := range []string{"help-place", "help-pass", "help-thing", "kind"} {
		if !strings.Contains(strings.Join(got, " "), want) {
			t.Errorf("%v lacks %s", got, want)
		}
	}
}
