package lexicon

import (
	"cmp"
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

// Hit is a concept found in a sentence.
type Hit struct {
	Concept *Concept
	Level   Level
	Words   string // as they stand in the sentence
	From    int    // where they begin
	first   int    // token
	anchor  int
	last    int
}

// Names tells which words in a row are the name of a known thing, of up to
// MaxName words: such words are spent, and say nothing by themselves.
type Names func(words []string) bool

// MaxName is how many words a name of a known thing can have.
const MaxName = 5

// Read finds the concepts that one sentence in a language speaks of, each
// once, the surest first place. Decoys, negation and who acts are taken into
// account; names says which words are names of known things.
func Read(sentence, lang string, names Names) []Hit {
	words := tokens(sentence, lang)
	spend(words, names)
	if silentWho(words, lang) {
		return nil
	}
	found := append(matches(words, lang), borrowed(words, lang)...)
	question := strings.HasSuffix(strings.TrimRight(sentence, "\"”») "), "?")
	var out []Hit
	for _, h := range found {
		h.Level = negated(h, words, lang)
		if question || later(words, lang) {
			h.Level--
		}
		if h.Level <= Silent {
			continue
		}
		if i := slices.IndexFunc(out, func(o Hit) bool { return o.Concept == h.Concept }); i >= 0 {
			if h.Level > out[i].Level {
				out[i] = h
			}
			continue
		}
		out = append(out, h)
	}
	for i := range out {
		from, to := words[out[i].first].from, words[out[i].last].to
		out[i].From, out[i].Words = from, sentence[min(from, len(sentence)):min(to, len(sentence))]
	}
	slices.SortStableFunc(out, func(a, b Hit) int { return cmp.Compare(a.Concept.place, b.Concept.place) })
	return out
}

// borrowed are the things of other languages in a text: a Spanish one in an English text.
func borrowed(words []token, lang string) []Hit {
	var found []Hit
	for _, other := range text.Languages {
		if other == lang || lang == "" && other == text.Languages[0] {
			continue
		}
		for _, h := range matches(words, other) {
			if h.Concept.Thing && !foreign(h, words) {
				found = append(found, h)
			}
		}
	}
	return found
}

// Folded is a sentence as it is kept with an answer: its words alone.
func Folded(sentence, lang string) string {
	var out []string
	for _, t := range tokens(sentence, lang) {
		if t.word != "" {
			out = append(out, t.word)
		}
	}
	return strings.Join(out, " ")
}

func spend(words []token, names Names) {
	if names == nil {
		return
	}
	for i := 0; i < len(words); i++ {
		for size := min(MaxName, len(words)-i); size > 0; size-- {
			run := make([]string, 0, size)
			for _, t := range words[i : i+size] {
				if t.boundary() {
					run = nil
					break
				}
				run = append(run, t.word)
			}
			if run != nil && names(run) {
				for k := i; k < i+size; k++ {
					words[k].name = [2]int{i, i + size}
				}
				i += size - 1
				break
			}
		}
	}
}

// collisions are words of one language that mean something else in the other.
var collisions = map[string]bool{
	"pan":     true,
	"once":    true,
	"come":    true,
	"sin":     true,
	"red":     true,
	"dice":    true,
	"son":     true,
	"real":    true,
	"cal":     true,
	"ron":     true,
	"gin":     true,
	"pie":     true,
	"mayor":   true,
	"gas":     true,
	"laser":   true,
	"vela":    true,
	"plastic": true,
	"metal":   true,
	"animal":  true,
	"globe":   true,
	"tierra":  false,
	"match":   true,
	"balance": true,
	"alcohol": true,
	"globo":   false,
	"plug":    true,
	"te":      true,
	"no":      true,
	"sol":     true,
	"butano":  false,
	"9":       true,
	"v":       true,
	"uv":      true,
}

func foreign(h Hit, words []token) bool {
	for _, t := range words[h.anchor : h.last+1] {
		if collisions[t.word] || len(t.word) < 4 {
			return true
		}
	}
	return false
}

// matches lists every pattern that fits, without those whose anchor a decoy of
// their concept covers.
func matches(words []token, lang string) []Hit {
	type span struct {
		concept  *Concept
		from, to int
	}
	var decoys []span
	var hits []Hit
	try := func(p *pattern, at int) {
		from, to, anchor, ok := p.match(words, at)
		switch {
		case !ok:
		case p.level == Silent:
			decoys = append(decoys, span{p.concept, from, to})
		case !within(words, from, to):
			hits = append(hits, Hit{Concept: p.concept, Level: p.level, first: from, anchor: anchor, last: to})
		}
	}
	for i, t := range words {
		if t.boundary() {
			continue
		}
		for _, p := range first[lang][t.word] {
			try(p, i)
		}
		for _, p := range anywhere[lang] {
			try(p, i)
		}
	}
	return slices.DeleteFunc(hits, func(h Hit) bool {
		return slices.ContainsFunc(
			decoys,
			func(d span) bool { return d.concept == h.Concept && d.from <= h.anchor && h.anchor <= d.to },
		)
	})
}

// within reports whether words are a part of the name of a known thing, and
// not all of it: the parts of a name say nothing.
func within(words []token, from, to int) bool {
	n := words[from].name
	return n[0] < n[1] && n[0] <= from && to < n[1] && to-from+1 < n[1]-n[0]
}

// match fits a pattern to the words from one on.
func (p *pattern) match(words []token, at int) (from, to, anchor int, ok bool) {
	f := fitting{p, words, at, make([]int, len(p.elements))}
	end, ok := f.fit(0, at)
	if !ok {
		return 0, 0, 0, false
	}
	return at, end, f.places[p.anchor], true
}

// fitting tries a pattern on words; places are where its elements fit.
type fitting struct {
	p      *pattern
	words  []token
	at     int
	places []int
}

// fit fits the elements from one on to the words from one on, and gives the last word.
func (f *fitting) fit(k, i int) (last int, ok bool) {
	if k == len(f.p.elements) {
		return i - 1, true
	}
	e := &f.p.elements[k]
	if e.stop {
		if i < len(f.words) && !f.words[i].boundary() && !functionWords[f.words[i].word] {
			return 0, false
		}
		f.places[k] = max(f.at, i-1)
		return f.fit(k+1, i)
	}
	most := 0
	if e.gap {
		most = 4
	}
	for skip := 0; skip <= most && i+skip < len(f.words); skip++ {
		if skip > 0 && f.words[i+skip-1].boundary() {
			break
		}
		for _, alt := range e.alts {
			next, good := f.said(alt, i+skip)
			if !good {
				continue
			}
			f.places[k] = i + skip
			if last, ok := f.fit(k+1, next); ok {
				return last, true
			}
		}
	}
	return 0, false
}

// said reports whether one way of an element stands at a word, and what comes behind it.
func (f *fitting) said(alt []part, n int) (next int, ok bool) {
	for _, part := range alt {
		if n >= len(f.words) || f.words[n].boundary() || !part.matches(f.words[n]) {
			return n, false
		}
		n++
	}
	return n, true
}

// functionWords follow where a phrase has ended.
var functionWords = set(
	"and or to for with in on at of from by until while when if so that which as into over under near next it is " +
		"are was not before after each you your because first y o u e para con en de del por al que si cuando " +
		"mientras hasta como sobre bajo junto es son no antes despues cada tu su ya cerca porque",
)

func set(s string) map[string]bool {
	out := map[string]bool{}
	for _, w := range strings.Fields(s) {
		out[w] = true
	}
	return out
}
