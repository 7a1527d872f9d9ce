// Package texttest measures in tests how easy words read, by language.
//
// It must not decide what is easy enough: that says the test of the words. Start
// reading at [Measure].
package texttest

import (
	"regexp"
	"strings"

	"patient-kitchen/core/text"
)

var (
	sentenceEnd = regexp.MustCompile(`[.!?:]+(\s|$)`)
	wordRE      = regexp.MustCompile(`[\p{L}]+`)
	vowelsEN    = regexp.MustCompile(`[aeiouy]+`)
	vowelsES    = regexp.MustCompile(`[aeiouáéíóúü]+`)
)

// syllablesEN counts groups of vowels, less a silent e at the end: the usual
// approximation, within a few per cent over a page.
func syllablesEN(w string) int {
	w = strings.ToLower(w)
	n := len(vowelsEN.FindAllString(w, -1))
	if strings.HasSuffix(w, "e") && !strings.HasSuffix(w, "le") && n > 1 {
		n--
	}
	if (strings.HasSuffix(w, "ed") && !strings.HasSuffix(w, "ted") && !strings.HasSuffix(w, "ded")) && n > 1 {
		n--
	}
	return max(1, n)
}

// syllablesES counts vowel groups; two strong vowels together, or an accented
// weak one beside another, are two syllables.
func syllablesES(w string) int {
	n := 0
	for _, group := range vowelsES.FindAllString(strings.ToLower(w), -1) {
		n++
		runes := []rune(group)
		for i := 1; i < len(runes); i++ {
			strong := func(r rune) bool { return strings.ContainsRune("aeoáéó", r) }
			weakAccent := func(r rune) bool { return r == 'í' || r == 'ú' }
			if strong(runes[i]) && strong(runes[i-1]) || weakAccent(runes[i]) || weakAccent(runes[i-1]) {
				n++
			}
		}
	}
	return max(1, n)
}

// Reading is what the formulas of reading ease are made of.
type Reading struct{ Sentences, Words, Syllables float64 }

// Measure counts the sentences, words and syllables of a text in a language;
// syllables by groups of vowels, within a few per cent over a page.
func Measure(s, language string) Reading {
	syllables := syllablesEN
	if text.Base(language) == "es" {
		syllables = syllablesES
	}
	var r Reading
	for _, sentence := range sentenceEnd.Split(s, -1) {
		words := wordRE.FindAllString(sentence, -1)
		if len(words) == 0 {
			continue
		}
		r.Sentences++
		for _, w := range words {
			r.Words++
			r.Syllables += float64(syllables(w))
		}
	}
	return r
}

// FleschKincaid is the school grade of an English text: 0.39·words/sentence + 11.8·syllables/word − 15.59
// (Kincaid and others, 1975).
func (r Reading) FleschKincaid() float64 {
	return 0.39*r.Words/r.Sentences + 11.8*r.Syllables/r.Words - 15.59
}

// FernandezHuerta is the ease of a Spanish text, 100 for very easy: 206.84 − 60·syllables/word
// − 1.02·words/sentence
// (Fernández Huerta, 1959, as corrected).
func (r Reading) FernandezHuerta() float64 {
	return 206.84 - 60*r.Syllables/r.Words - 1.02*r.Words/r.Sentences
}
