package larder

import (
	"slices"
	"strings"
)

// MostWords is how many words a name that [Larder.Named] knows has at most.
const MostWords = 6

// Word is what is to be done about a name with several meanings; nil for none.
func (l *Larder) Word(name string) *Word {
	return l.several[fold(name)]
}

// Named is the thing of which folded words in a row are a name in a language, one or
// many; nil for none, and for a name of several things of which none comes first.
func (l *Larder) Named(words []string, lang string) *Material {
	if w := l.Word(strings.Join(words, " ")); w != nil {
		if w.Rule == "match" && len(w.Choices) == 1 {
			return l.materials[w.Choices[0]]
		}
		return nil
	}
	if len(words) == 1 && slices.Contains(namingOf(lang).Qualities, words[0]) {
		return nil // "fruit bag, thin": thin alone is no bag
	}
	stems := make([]string, 0, len(words))
	for _, w := range words {
		if !slices.Contains(namingOf(lang).Joining, w) {
			stems = append(stems, stem(strings.ReplaceAll(w, "ñ", "n"), lang))
		}
	}
	key := strings.Join(stems, " ")
	if key == "" {
		return nil
	}
	if m := l.first[lang+" "+key]; m != nil {
		return m
	}
	if called := l.called[strings.Join(words, " ")]; len(called) == 1 {
		return called[0]
	}
	if named := l.byWords[key]; len(named) == 1 {
		return named[0]
	}
	return nil
}
