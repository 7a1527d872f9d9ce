package safety_test

import (
	"regexp"
	"strings"
	"testing"
	"unicode"

	"patient-kitchen/core/safety"
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

type reading struct{ sentences, words, syllables float64 }

func read(s string, syllables func(string) int) reading {
	var r reading
	for _, sentence := range sentenceEnd.Split(s, -1) {
		words := wordRE.FindAllString(sentence, -1)
		if len(words) == 0 {
			continue
		}
		r.sentences++
		for _, w := range words {
			r.words++
			r.syllables += float64(syllables(w))
		}
	}
	return r
}

// fleschKincaid is the grade 0.39·words/sentence + 11.8·syllables/word − 15.59
// (Kincaid and others, 1975).
func (r reading) fleschKincaid() float64 {
	return 0.39*r.words/r.sentences + 11.8*r.syllables/r.words - 15.59
}

// fernandezHuerta is 206.84 − 60·syllables/word − 1.02·words/sentence
// (Fernández Huerta, 1959, as corrected).
func (r reading) fernandezHuerta() float64 {
	return 206.84 - 60*r.syllables/r.words - 1.02*r.words/r.sentences
}

func TestReadingAge(t *testing.T) {
	for _, lines := range []string{
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 2 g weighed\nb: zip-bag-large 1 L\nc: celery\n---\nz: gear-on, label, keep-apart\na: pour with v s in b closed\nd: knife with c\nw: hot-water at 50 °C",
		"p: peroxide-3 20 mL\ny: yeast-dry-active\nk: kidney-bean-dry\nm: mug\n---\ng: gear-on\na: pour with p y in m\nc: clear-leftover\nf: light\nh: scissors photo\ns: soil",
		"age: 5-7\nw: woodlouse\nb: balloon-latex\n---\na: watch-animal with w\ni: inflate with b\nl: climb\nm: microwave\nx: blow-straw\nq: stand",
	} {
		d := plan(lines)
		var said [2]strings.Builder
		s := safety.SheetOf(d, judge(d))
		for i, lang := range text.Languages {
			say := func(m text.Message) {
				words := strings.TrimSpace(text.Render(m, lang))
				said[i].WriteString(words)
				if !unicode.IsPunct(rune(words[len(words)-1])) {
					said[i].WriteString(".")
				}
				said[i].WriteString(" ")
			}
			for _, job := range s.Jobs {
				say(job.Why)
				say(job.Do)
			}
			for _, c := range s.During {
				say(c.Why)
				say(c.Do)
			}
			for _, list := range [][]text.Message{{s.Near}, s.Where, s.Before, s.Stop, s.Clearing, s.General} {
				for _, m := range list {
					say(m)
				}
			}
			for _, id := range s.Cards {
				for _, c := range safety.Cards() {
					if c.ID == id {
						for _, m := range c.Steps {
							say(m)
						}
					}
				}
			}
		}
		if g := read(said[0].String(), syllablesEN).fleschKincaid(); g > 6 {
			t.Errorf("English reads at grade %.1f: %s", g, said[0].String())
		}
		if g := read(said[1].String(), syllablesES).fernandezHuerta(); g < 70 {
			t.Errorf("Spanish reads at %.0f: %s", g, said[1].String())
		}
	}
	// The counting itself: words whose syllables any dictionary gives.
	for w, n := range map[string]int{"water": 2, "rinse": 1, "battery": 3, "table": 2, "washed": 1, "heated": 2, "vinegar": 3} {
		if got := syllablesEN(w); got != n {
			t.Errorf("%s: %d, not %d", w, got, n)
		}
	}
	for w, n := range map[string]int{"agua": 2, "vacío": 3, "toallas": 3, "leche": 2, "país": 2, "cuidado": 3, "aéreo": 4} {
		if got := syllablesES(w); got != n {
			t.Errorf("%s: %d, not %d", w, got, n)
		}
	}
}

func TestListsAndNothing(t *testing.T) {
	milk, soy, egg := text.Message{ID: "larder.allergen.milk"}, text.Message{ID: "larder.allergen.soy"}, text.Message{ID: "larder.allergen.egg"}
	for _, c := range []struct {
		list     text.List
		language string
		want     string
	}{
		{text.List{milk}, "en", "It contains or may contain milk. Read the labels."},
		{text.List{milk, soy}, "en", "It contains or may contain milk and soy. Read the labels."},
		{text.List{milk, soy, egg}, "es", "Contiene o puede contener leche, soya y huevo. Lea las etiquetas."},
	} {
		if got := text.Render(text.Message{ID: "safety.holds", Args: text.Args{"allergens": c.list}}, c.language); got != c.want {
			t.Errorf("%q, want %q", got, c.want)
		}
	}
	if got := text.Render(text.Message{}, "en"); got != "" {
		t.Errorf("nothing says %q", got)
	}
	if text.Has("no.such.text") || !text.Has("safety.holds") {
		t.Error("Has")
	}
}
