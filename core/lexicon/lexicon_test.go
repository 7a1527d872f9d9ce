package lexicon_test

import (
	"os"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/lexicon"
	"patient-kitchen/core/text"
)

func lines(t *testing.T, name string) []string {
	t.Helper()
	raw, err := os.ReadFile("testdata/" + name + ".txt")
	if err != nil {
		t.Fatal(err)
	}
	return strings.Split(strings.TrimSpace(string(raw)), "\n")
}

func read(s, lang string) []lexicon.Hit {
	var out []lexicon.Hit
	for _, sentence := range lexicon.Sentences(s) {
		out = append(out, lexicon.Read(sentence, lang, larder.Standard().IsName)...)
	}
	return out
}

// Of harmless sentences at most 2 in 100 are asked about; of sentences that
// speak of something at least 95 in 100 are found, by the concept they speak
// of. Both halves of each list are printed: every second sentence was not
// looked at while the reader was tuned.
func TestHarmlessAndDangerous(t *testing.T) {
	for _, lang := range text.Languages {
		var asked, missed, all, dangerous [2]int
		for i, s := range lines(t, "silent."+lang) {
			all[i%2]++
			if hits := read(s, lang); len(hits) > 0 {
				asked[i%2]++
				t.Logf("asked (%s): %s: %s %q", lang, s, hits[0].Concept.ID, hits[0].Words)
			}
		}
		for i, s := range lines(t, "said."+lang) {
			concept, sentence, _ := strings.Cut(s, " | ")
			dangerous[i%2]++
			found := false
			var ids []string
			for _, h := range read(sentence, lang) {
				found = found || h.Concept.ID == concept
				ids = append(ids, h.Concept.ID)
			}
			if !found {
				missed[i%2]++
				t.Logf("missed (%s): %s: want %s, found %v", lang, sentence, concept, ids)
			}
		}
		t.Logf(
			"%s: asked %d of %d and %d of %d harmless ones, missed %d of %d and %d of %d",
			lang,
			asked[0],
			all[0],
			asked[1],
			all[1],
			missed[0],
			dangerous[0],
			missed[1],
			dangerous[1],
		)
		for half := range 2 {
			if asked[half]*50 > all[half] || missed[half]*20 > dangerous[half] {
				t.Errorf(
					"%s, half %d: asked %d of %d, missed %d of %d",
					lang,
					half,
					asked[half],
					all[half],
					missed[half],
					dangerous[half],
				)
			}
		}
	}
}

// Forms that follow no rule are found as their plain forms are.
func TestIrregularForms(t *testing.T) {
	for _, c := range []struct{ lang, sentence, concept string }{
		{"en", "We lit the candle.", "flame-lit"},
		{"en", "The juice is drunk afterwards.", "taste"},
		{"en", "The bread was eaten after it.", "taste"},
		{"en", "She threw the ball at the wall.", "throw"},
		{"es", "Se ha roto la tapa y se ha encendido la vela.", "flame-lit"},
	} {
		found := slices.ContainsFunc(read(c.sentence, c.lang), func(h lexicon.Hit) bool {
			return h.Concept.ID == c.concept
		})
		if !found {
			t.Errorf("%q does not ask about %s", c.sentence, c.concept)
		}
	}
}

// Sentences of other hands than those of the records: what is found at all.
func TestStrangersSentences(t *testing.T) {
	for _, lang := range text.Languages {
		var asked, missed, all, dangerous [2]int
		for i, s := range lines(t, "strangers-silent."+lang) {
			all[i%2]++
			if hits := read(s, lang); len(hits) > 0 {
				asked[i%2]++
				t.Logf("asked (%s): %s: %s %q", lang, s, hits[0].Concept.ID, hits[0].Words)
			}
		}
		for i, s := range lines(t, "strangers-said."+lang) {
			dangerous[i%2]++
			if len(read(s, lang)) == 0 {
				missed[i%2]++
				t.Logf("missed (%s): %s", lang, s)
			}
		}
		t.Logf(
			"%s: asked %d of %d and %d of %d harmless ones, missed %d of %d and %d of %d",
			lang,
			asked[0],
			all[0],
			asked[1],
			all[1],
			missed[0],
			dangerous[0],
			missed[1],
			dangerous[1],
		)
		for half := range 2 {
			if asked[half]*50 > all[half] || missed[half]*20 > dangerous[half] {
				t.Errorf(
					"%s, half %d: asked %d of %d, missed %d of %d",
					lang,
					half,
					asked[half],
					all[half],
					missed[half],
					dangerous[half],
				)
			}
		}
	}
}
