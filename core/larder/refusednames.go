package larder

import (
	"maps"
	"slices"
	"strings"
	"unicode"

	"patient-kitchen/core/text"
)

// RefusedNames is the book's list of names that are never for homes, beside
// the refused things of the larder, and of those that only look so
// (refused-names.json).
type RefusedNames struct {
	Classes []struct {
		Class    string              `json:"class"`
		Material string              `json:"material"`
		Names    map[string][]string `json:"names"`
		Ask      []string            `json:"ask"` // everyday words as well: asked, not refused
	} `json:"classes"`
	ByUse struct {
		Stuff, Joins, Uses map[string][]string
	} `json:"by_use"`
	Formulas []string            `json:"formulas"`
	Harmless map[string][]string `json:"harmless"`

	all      []refusedName
	holding  map[string][]int // refused names by a word of theirs
	joined   map[string][]int // those not only asked about, by their words written as one
	letters  map[byte][]string
	harmless map[string]bool // by their words
	everyday map[string]bool // words that stand in names of harmless things
	uses     map[string]bool
	stuff    map[string]bool
	joins    map[string]bool
}

type refusedName struct {
	name  string
	words []string
	ask   bool
}

// Likeness is how a name stands to the refused ones.
type Likeness int

// A name is like none, near one (it has to be asked), or one.
const (
	Unlike Likeness = iota
	Near
	Refused
)

// confusable are signs that look like plain letters: they are read as those
// where a name could be refused.
var confusable = strings.NewReplacer(
	"а", "a", "е", "e", "о", "o", "р", "p", "с", "c", "х", "x",
	"у", "y", "і", "i", "ο", "o", "α", "a", "ε", "e", "ι", "i",
	"0", "o", "1", "l", "3", "e", "4", "a", "5", "s", "@", "a",
	"$", "s", "₂", "2", "₃", "3", "₄", "4",
)

var genitives = strings.NewReplacer("’s", "", "'s", "", "’", "'")

// words are a name's words, folded, without what joins them; a full-width or
// look-alike sign is its plain letter when plain is set.
func words(s string, plain bool) []string {
	s = strings.Map(func(r rune) rune {
		switch {
		case r >= '！' && r <= '～':
			return r - '！' + '!'
		case r == '\u00ad' || unicode.Is(unicode.Cf, r):
			return -1
		}
		return r
	}, strings.ToLower(s))
	if plain {
		s = confusable.Replace(s)
	}
	s = genitives.Replace(s)
	return strings.FieldsFunc(accents.Replace(s), func(r rune) bool {
		return !unicode.IsLetter(r) && !unicode.IsDigit(r)
	})
}

// singular takes the ending of a plural off an English or Spanish word.
func singular(w string) string {
	switch {
	case len(w) > 4 && strings.HasSuffix(w, "ies"):
		return w[:len(w)-3] + "y"
	case len(w) > 4 && (strings.HasSuffix(w, "ches") || strings.HasSuffix(w, "shes") || strings.HasSuffix(w, "xes") ||
		strings.HasSuffix(w, "ores") || strings.HasSuffix(w, "ales") || strings.HasSuffix(w, "ones")):
		return w[:len(w)-2]
	case len(w) > 4 && strings.HasSuffix(w, "ces"):
		return w[:len(w)-3] + "z"
	case len(w) > 3 && strings.HasSuffix(w, "s") && !strings.HasSuffix(w, "ss"):
		return w[:len(w)-1]
	}
	return w
}

func stems(s string, plain bool) []string {
	out := words(s, plain)
	for i, w := range out {
		out[i] = singular(w)
	}
	return out
}

func (r *RefusedNames) index(l *Larder) {
	r.all, r.holding, r.joined, r.letters = nil, map[string][]int{}, map[string][]int{}, map[byte][]string{}
	r.harmless, r.everyday = map[string]bool{}, map[string]bool{}
	for _, c := range r.Classes {
		for _, lang := range text.Languages {
			for _, n := range c.Names[lang] {
				r.refuse(n, false)
			}
		}
		for _, n := range c.Ask {
			r.refuse(n, true)
		}
	}
	for _, f := range r.Formulas {
		r.refuse(f, false)
	}
	for _, lang := range text.Languages {
		for _, n := range r.Harmless[lang] {
			r.spare(n)
		}
	}
	for i := range l.Materials {
		m := &l.Materials[i]
		for _, n := range m.Names() {
			switch {
			case n == m.ID:
			case m.Refused:
				r.refuse(n, false)
			default:
				r.spare(n)
			}
		}
	}
	r.uses, r.stuff, r.joins = singulars(r.ByUse.Uses), singulars(r.ByUse.Stuff), singulars(r.ByUse.Joins)
}

// refuse adds a refused name; one to ask about may also be something harmless.
func (r *RefusedNames) refuse(name string, ask bool) {
	w := stems(name, false)
	if len(w) == 0 {
		return
	}
	for _, word := range w {
		if r.holding[word] == nil {
			r.letters[word[0]] = append(r.letters[word[0]], word)
		}
		r.holding[word] = append(r.holding[word], len(r.all))
	}
	if !ask {
		one := strings.Join(w, "")
		r.joined[one] = append(r.joined[one], len(r.all))
	}
	r.all = append(r.all, refusedName{name, w, ask})
}

// spare adds a name that is harmless, and its words as those of every day.
func (r *RefusedNames) spare(name string) {
	w := stems(name, false)
	r.harmless[strings.Join(w, " ")] = true
	for _, word := range w {
		r.everyday[word] = true
	}
}

// singulars are the words of all languages, each in the singular.
func singulars(byLanguage map[string][]string) map[string]bool {
	out := map[string]bool{}
	for _, list := range byLanguage {
		for _, w := range list {
			out[singular(w)] = true
		}
	}
	return out
}

// Likeness reports how a typed name stands to the names that are refused, and
// the one it is like. Words around it, a plural, a hyphen or other letters that
// look the same do not matter; a letter or two off are asked about. A name that
// is the larder's own for something harmless is like none, whatever it holds.
func (l *Larder) Likeness(name string) (Likeness, string) {
	r := &l.RefusedNames
	typed := stems(name, true)
	if len(typed) == 0 {
		return Unlike, ""
	}
	best, like := Unlike, ""
	better := func(k Likeness, as string) {
		if k > best {
			best, like = k, as
		}
	}
	spared := r.spared(stems(name, false), len(typed))
	there := r.there(typed)
	for _, word := range slices.Sorted(maps.Keys(there)) {
		for _, i := range r.holding[word] {
			better(r.all[i].likeness(there, spared, len(typed)), r.all[i].name)
		}
	}
	for _, i := range r.joined[strings.Join(typed, "")] {
		if n := &r.all[i]; len(n.words)+len(typed) > 2 {
			better(Refused, n.name)
		}
	}
	if r.stuffForUse(typed) {
		better(Refused, name)
	}
	return best, like
}

// span is a run of words, from one up to but not with another.
type span struct{ from, to int }

// spared are the harmless names within a name: words there say nothing, as long as
// what they could mean is no longer than the name.
func (r *RefusedNames) spared(plain []string, typed int) []span {
	if len(plain) != typed {
		return nil
	}
	var out []span
	for size := min(len(plain), 6); size > 0; size-- {
		for i := 0; i+size <= len(plain); i++ {
			if r.harmless[strings.Join(plain[i:i+size], " ")] {
				out = append(out, span{i, i + size})
			}
		}
	}
	return out
}

// found is where a refused word stands in a name, as it is written or nearly.
type found struct {
	at    int
	exact bool
}

// there are the refused words in a name.
func (r *RefusedNames) there(typed []string) map[string]found {
	out := map[string]found{}
	for i, t := range typed {
		if r.holding[t] != nil {
			out[t] = found{i, true}
			continue
		}
		if len(t) < 4 || r.everyday[t] {
			continue
		}
		for _, w := range r.letters[t[0]] {
			most := slack(len(w))
			if most > 0 && max(len(t)-len(w), len(w)-len(t)) <= most && !out[w].exact && distance(t, w) <= most {
				out[w] = found{i, false}
			}
		}
	}
	return out
}

// likeness is how the words found stand to a refused name.
func (n *refusedName) likeness(there map[string]found, spared []span, typed int) Likeness {
	whole, close, from, to := true, true, typed, 0
	for _, w := range n.words {
		p, near := there[w]
		whole, close = whole && near && p.exact, close && near
		from, to = min(from, p.at), max(to, p.at+1)
	}
	within := func(s span) bool { return s.from <= from && to <= s.to && s.to-s.from >= len(n.words) }
	switch {
	case slices.ContainsFunc(spared, within):
		return Unlike
	case whole && !n.ask:
		return Refused
	case whole || close && !n.ask:
		return Near
	}
	return Unlike
}

// stuffForUse reports whether a name says a stuff and what it is for, as in "drain
// cleaner": together they are refused.
func (r *RefusedNames) stuffForUse(typed []string) bool {
	stuff := slices.IndexFunc(typed, func(w string) bool { return r.stuff[w] })
	use := slices.IndexFunc(typed, func(w string) bool { return r.uses[w] })
	return stuff >= 0 && use >= 0 &&
		(use == stuff-1 || slices.ContainsFunc(typed, func(w string) bool { return r.joins[w] }))
}

// slack is how many letters may be off in a word of a length.
func slack(n int) int {
	switch {
	case n < 4:
		return 0
	case n < 8:
		return 1
	}
	return 2
}

// Meant lists the things that a name can mean: the one that its words mean
// first, or that is called so; else those whose name stands in it word for
// word, the longest first.
func (l *Larder) Meant(name, lang string) []*Material {
	w := search(name, lang)
	if m := l.first[lang+" "+strings.Join(w, " ")]; m != nil {
		return []*Material{m}
	}
	if exact := l.Called(name); len(exact) > 0 {
		return exact
	}
	var out []*Material
	for size := min(len(w), 6); size > 0 && len(out) == 0; size-- {
		for i := 0; i+size <= len(w); i++ {
			key := strings.Join(w[i:i+size], " ")
			if m := l.first[lang+" "+key]; m != nil {
				out = append(out, m)
				continue
			}
			for _, m := range l.byWords[key] {
				if !slices.Contains(out, m) {
					out = append(out, m)
				}
			}
		}
	}
	return out
}

// IsName reports whether folded words in a row are the name of a thing of the
// larder that can hurt nobody by its name: one that is refused, or that could
// be lit or look like it, still says what it says.
func (l *Larder) IsName(words []string) bool {
	for _, lang := range text.Languages {
		stems := make([]string, len(words))
		for i, w := range words {
			stems[i] = stem(strings.ReplaceAll(w, "ñ", "n"), lang)
		}
		key := strings.Join(stems, " ")
		if m := l.first[lang+" "+key]; m != nil {
			return usedUp(m, len(words))
		}
		for _, m := range l.byWords[key] {
			if usedUp(m, len(words)) {
				return true
			}
		}
	}
	return false
}

// usedUp reports whether a name of so many words is used up by its thing.
func usedUp(m *Material, words int) bool {
	return words > 1 && !m.Refused && !m.Is("lights", "flame", "laser") && !m.Is("magnet", "weak", "strong") &&
		m.Props["edge"] == "" &&
		!m.Is("metal", "zinc", "zinc-coated", "magnesium")
}
