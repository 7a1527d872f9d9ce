package words_test

import (
	"fmt"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"sort"
	"strings"
	"testing"

	"patient-kitchen/core/strict"
	"patient-kitchen/core/text"
	"patient-kitchen/core/text/texttest"
	"patient-kitchen/internal/words"
)

var hole = regexp.MustCompile(`\{\{\w+\}\}|</?\d+>`)

func holes(s string) []string {
	found := hole.FindAllString(s, -1)
	sort.Strings(found)
	return slices.Compact(found)
}

// Every word of every page is there in every language, with the same holes; a
// word that counts has the forms that its language asks for.
func TestEveryPageInEveryLanguage(t *testing.T) {
	for _, page := range []string{"family", "teacher"} {
		first := words.Page(page, text.Languages[0])
		if len(first) < 100 {
			t.Fatalf("%s has only %d words", page, len(first))
		}
		for _, language := range text.Languages {
			other := words.Page(page, language)
			for key, word := range first {
				in, ok := other[key]
				if !ok || strings.TrimSpace(in) == "" {
					t.Errorf("%s: %s has no words in %s", page, key, language)
				} else if !slices.Equal(holes(word), holes(in)) {
					t.Errorf("%s: %s has other holes in %s: %q, %q", page, key, language, word, in)
				}
			}
			for key := range other {
				base, form, counts := strings.Cut(key, "_")
				if _, ok := first[key]; !ok && !counts {
					t.Errorf("%s: %s is in %s alone", page, key, language)
				}
				if counts && form == "other" {
					for _, c := range text.Of(language).Plurals {
						if _, ok := other[base+"_"+c.Name]; !ok {
							t.Errorf("%s: %s lacks the form %s in %s", page, base, c.Name, language)
						}
					}
				}
			}
		}
	}
}

// A file with one key twice drops a sentence without a word.
func TestNoSentenceTwice(t *testing.T) {
	read := 0
	for _, pattern := range []string{"pages/*.json", "texts/*.json", "../../core/*/texts/*.json",
		"../../core/quantity/words/*.json"} {
		files, err := filepath.Glob(pattern)
		if err != nil {
			t.Fatal(err)
		}
		for _, file := range files {
			raw, err := os.ReadFile(file)
			if err != nil {
				t.Fatal(err)
			}
			read++
			for _, stray := range strict.Find(raw, nil, 10) {
				if stray.Twice {
					t.Errorf("%s: %s stands twice", file, stray.Path)
				}
			}
		}
	}
	if read < 20 {
		t.Errorf("only %d files were read", read)
	}
}

// What a country says otherwise is only what the language says, with the same holes.
func TestWordsOfCountries(t *testing.T) {
	found := 0
	for _, page := range []string{"family", "teacher"} {
		for _, tag := range text.Tags() {
			base := words.Page(page, text.Base(tag))
			for key, word := range words.Page(page, tag) {
				if tag == text.Base(tag) {
					continue
				}
				found++
				if in, ok := base[key]; !ok || in == word || !slices.Equal(holes(in), holes(word)) {
					t.Errorf("%s in %s: %s is %q, and %q in the language", page, tag, key, word, in)
				}
			}
		}
	}
	if found == 0 {
		t.Error("no country says anything otherwise")
	}
}

func TestEverySentenceInEveryLanguage(t *testing.T) {
	first := text.Languages[0]
	for _, id := range text.IDs(first) {
		for _, language := range text.Languages {
			if !slices.Contains(text.IDs(language), id) {
				t.Errorf("%s has no text in %s", id, language)
			} else if !slices.Equal(text.Holes(id, first), text.Holes(id, language)) {
				t.Errorf("%s has other holes in %s", id, language)
			}
		}
	}
}

func TestSentence(t *testing.T) {
	rule := text.Message{ID: "rule.most-signs", Args: text.Args{"n": 60}}
	for _, c := range []struct{ field, example, language, want string }{
		{"nickname", "Fern", "en", "Nickname can have at most 60 signs; for example Fern."},
		{"body.nickname", "", "es", "Apodo: puede tener 60 signos como máximo."},
		{"odd_thing", "", "en", "Odd thing can have at most 60 signs."},
		{"ñandú", "", "es", "Ñandú: puede tener 60 signos como máximo."},
	} {
		if got := words.Sentence(c.field, rule, c.example, c.language); got != c.want {
			t.Errorf("%q, want %q", got, c.want)
		}
	}
	if w := words.Of("plain", "es"); w["goOn"] != "Seguir" || w["agree"] != "Damos permiso" || w["title.busy"] != "" {
		t.Errorf("%v", w)
	}
}

// What a family reads is easy: at most a sixth school grade in English, at least
// 70 of 100 in Spanish, as the safety texts are.
func TestReadingAgeOfThePhone(t *testing.T) {
	sentence := regexp.MustCompile(`\S+\s+\S+\s+\S+\s+\S+`)
	fill := strings.NewReplacer("<", "", ">", "")
	for _, language := range text.Languages {
		var all strings.Builder
		for key, word := range words.Page("family", language) {
			if strings.HasSuffix(key, "_one") || !sentence.MatchString(word) {
				continue
			}
			all.WriteString(strings.TrimRight(fill.Replace(hole.ReplaceAllString(word, "6")), ".!?:") + ". ")
		}
		r := texttest.Measure(all.String(), language)
		said, hard := fmt.Sprintf("grade %.1f", r.FleschKincaid()), r.FleschKincaid() > 6
		if language == "es" {
			said, hard = fmt.Sprintf("ease %.0f", r.FernandezHuerta()), r.FernandezHuerta() < 70
		}
		t.Logf(
			"%s: %.0f sentences, %.1f words each, %.2f syllables a word, %s",
			language,
			r.Sentences,
			r.Words/r.Sentences,
			r.Syllables/r.Words,
			said,
		)
		if hard {
			t.Errorf("%s is hard to read", language)
		}
	}
}
