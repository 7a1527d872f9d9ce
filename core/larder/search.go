package larder

import (
	"cmp"
	"maps"
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

// Hit is a material that was found, and the name it was found by.
type Hit struct {
	Material *Material
	Name     string // as it stands in the larder
	Exact    bool   // the whole name was typed
}

// Found is what a search brings: materials, best first, and the words typed
// that may mean several things, which have to be asked about.
type Found struct {
	Hits    []Hit
	Asks    []*Word
	Nearest []Hit // when nothing was found: names spelled nearly so
}

// Find looks a typed name up among the everyday names of a language, and of
// the others where it brings nothing better than a beginning. The words that
// mean a thing first come first, then whole names, then names that hold all the
// words, then beginnings; refused things come first in their own words. Words
// that mean several things come with their question; nothing is guessed.
func (l *Larder) Find(typed, lang string) Found {
	var f Found
	if len(search(typed, lang)) == 0 {
		return f
	}
	want := fold(typed)
	for i := range l.Words {
		w := &l.Words[i]
		if slices.ContainsFunc(w.Typed, func(t string) bool { return fold(t) == want }) {
			f.Asks = append(f.Asks, w)
		}
	}
	hits := l.ranked(typed, lang, lang)
	if len(hits) == 0 || hits[0].rank >= beginning {
		for _, other := range text.Languages {
			if other != lang {
				hits = append(hits, l.ranked(typed, lang, other)...)
			}
		}
	}
	slices.SortStableFunc(hits, func(a, b scored) int {
		return cmp.Or(
			cmp.Compare(a.rank, b.rank),
			cmp.Compare(a.words, b.words),
			cmp.Compare(a.Material.ID, b.Material.ID),
		)
	})
	seen := map[string]bool{}
	for _, h := range hits {
		if seen[h.Material.ID] {
			continue
		}
		seen[h.Material.ID] = true
		if h.rank < slip {
			f.Hits = append(f.Hits, h.Hit)
		} else if len(f.Hits) == 0 && len(f.Nearest) < 3 {
			f.Nearest = append(f.Nearest, h.Hit)
		}
	}
	if like, as := l.Likeness(typed); like == Refused {
		slices.SortStableFunc(f.Hits, func(a, b Hit) int { return cmp.Compare(own(b, as), own(a, as)) })
	}
	return f
}

// own is 1 for a refused thing that has a name.
func own(h Hit, name string) int {
	if h.Material.Refused &&
		slices.ContainsFunc(h.Material.Names(), func(n string) bool { return fold(n) == fold(name) }) {
		return 1
	}
	return 0
}

// The ranks of a hit, best first.
const (
	firstWord  = iota // a word that means it first
	wholeMain         // the whole main name, or its letters joined
	wholeOther        // another whole name
	headMain          // all words, and the head word of the main name
	headOther
	allMain // all words
	allOther
	beginning // beginnings of words, three letters up
	slip      // a letter or two off in a word that means it first
	slipOther
	nothing
)

type scored struct {
	Hit
	rank, words int
}

// ranked lists the materials that answer to typed words by their names in one
// language.
func (l *Larder) ranked(typed, typedLang, lang string) []scored {
	want := search(typed, lang)
	joined := strings.Join(want, "")
	first := l.first[lang+" "+strings.Join(want, " ")]
	var out []scored
	for i := range l.Materials {
		m := &l.Materials[i]
		best := scored{rank: nothing}
		if m == first {
			best = scored{Hit{m, l.firstName(m, lang), true}, firstWord, 0}
		}
		for k := range l.names[i] {
			n := &l.names[i][k]
			if n.lang != lang {
				continue
			}
			if r := n.rank(want, joined); r < best.rank || r == best.rank && len(n.words) < best.words {
				best = scored{Hit{m, n.as, r <= wholeOther}, r, len(n.words)}
			}
		}
		if best.rank >= slip {
			for _, w := range m.FirstFor[lang] {
				if joinedSlip(strings.Join(search(w, lang), ""), joined) {
					best = scored{Hit{m, w, false}, slip, 1}
				}
			}
		}
		if best.rank < nothing {
			out = append(out, best)
		}
	}
	return out
}

func (l *Larder) firstName(m *Material, lang string) string {
	if n := m.Name[lang]; n != "" {
		return n
	}
	n, _ := m.Name.In(lang)
	return n
}

// rank of a name for wanted words.
func (n *name) rank(want []string, joined string) int {
	other := func(main, other int) int {
		if n.main {
			return main
		}
		return other
	}
	if strings.Join(n.words, "") == joined ||
		slices.ContainsFunc(n.parts, func(p string) bool { return strings.ReplaceAll(p, " ", "") == joined }) {
		return other(wholeMain, wholeOther)
	}
	all, begun := true, true
	for _, w := range want {
		if !slices.Contains(n.words, w) {
			all = false
			begun = begun && len([]rune(w)) >= 3 &&
				slices.ContainsFunc(n.words, func(x string) bool { return strings.HasPrefix(x, w) })
		}
	}
	switch {
	case all && slices.Contains(want, n.head()):
		return other(headMain, headOther)
	case all:
		return other(allMain, allOther)
	case begun:
		return beginning
	case joinedSlip(strings.Join(n.words, ""), joined):
		return slipOther
	}
	return nothing
}

// head is the word of a name that says what it is: the last before a comma, or
// the first, as in Spanish.
func (n *name) head() string {
	if len(n.parts) == 0 {
		return ""
	}
	w := strings.Fields(n.parts[0])
	if len(w) == 0 {
		return ""
	}
	if namingOf(n.lang).HeadFirst {
		return w[0]
	}
	return w[len(w)-1]
}

// joinedSlip reports whether two names differ by one letter from five letters
// on, by two from eight, and begin alike.
func joinedSlip(name, typed string) bool {
	if len(typed) < 5 || name == "" || name[0] != typed[0] {
		return false
	}
	most := 1
	if len(typed) >= 8 {
		most = 2
	}
	return max(len(name)-len(typed), len(typed)-len(name)) <= most && distance(name, typed) <= most
}

// search are the words of a name as they are searched: folded, without words
// that join, in their singular.
func search(s, lang string) []string {
	var out []string
	for _, w := range strings.FieldsFunc(strings.ReplaceAll(fold(s), "ñ", "n"), notLetter) {
		if slices.Contains(namingOf(lang).Joining, w) {
			continue
		}
		out = append(out, stem(w, lang))
	}
	return out
}

func stem(w, lang string) string {
	naming := namingOf(lang)
	if one, ok := naming.Irregular[w]; ok {
		return one
	}
	if naming.Plurals == "spanish" {
		return spanishStem(w)
	}
	for _, e := range []string{"ses", "xes", "ches", "shes", "oes"} {
		if len(w) > len(e) && strings.HasSuffix(w, e) {
			return w[:len(w)-2]
		}
	}
	switch {
	case len(w) > 4 && strings.HasSuffix(w, "ies"):
		return w[:len(w)-3] + "y"
	case len(w) > 3 && strings.HasSuffix(w, "s") && !strings.HasSuffix(w, "ss"):
		return w[:len(w)-1]
	}
	return w
}

func spanishStem(w string) string {
	switch {
	case len(w) > 3 && strings.HasSuffix(w, "ces"):
		w = w[:len(w)-3] + "z"
	case len(w) > 3 && strings.HasSuffix(w, "s"):
		w = w[:len(w)-1]
	}
	if len(w) > 3 {
		w = strings.TrimSuffix(w, "e")
	}
	return w
}

// named are a material's names as they are searched, the main ones first, its
// id last.
func (m *Material) named() []name {
	var out []name
	add := func(as, lang string, main bool) {
		n := name{as: as, folded: fold(as), lang: lang, main: main}
		for _, part := range strings.FieldsFunc(as, func(r rune) bool { return r == ',' || r == ';' || r == '/' }) {
			if before, _, ok := strings.Cut(part, "("); ok && strings.TrimSpace(before) != "" {
				part = before
			}
			if w := search(part, lang); len(w) > 0 {
				n.parts = append(n.parts, strings.Join(w, " "))
			}
		}
		n.words = search(as, lang)
		out = append(out, n)
	}
	for _, lang := range text.Languages {
		if n := m.Name[lang]; n != "" {
			add(n, lang, true)
		}
	}
	for _, key := range slices.Sorted(maps.Keys(m.Also)) {
		for _, n := range m.Also[key] {
			lang, _, _ := strings.Cut(key, "-")
			add(n, lang, false)
		}
	}
	return append(out, name{as: m.ID, folded: fold(m.ID)})
}

// Called lists the materials that have exactly this name, in any language.
func (l *Larder) Called(typed string) []*Material { return l.called[fold(typed)] }

// Names lists every everyday name of a material, the main ones first.
func (m *Material) Names() []string {
	var out []string
	for _, lang := range text.Languages {
		if n := m.Name[lang]; n != "" {
			out = append(out, n)
		}
	}
	keys := make([]string, 0, len(m.Also))
	for k := range m.Also {
		keys = append(keys, k)
	}
	slices.Sort(keys)
	for _, k := range keys {
		out = append(out, m.Also[k]...)
	}
	return append(out, m.ID)
}

func notLetter(r rune) bool {
	return !(r >= 'a' && r <= 'z' || r >= '0' && r <= '9' || r == 'ñ' || r == '%')
}

var accents = strings.NewReplacer(append(slices.Clone(text.Accents), "-", " ")...)

func fold(s string) string {
	return strings.Join(strings.Fields(accents.Replace(strings.ToLower(s))), " ")
}

// distance counts the letters to change, add, drop or swap with a neighbour
// between two short names.
func distance(a, b string) int {
	ra, rb := []rune(a), []rune(b)
	if len(ra) > 60 || len(rb) > 60 {
		return 60
	}
	before, row := make([]int, len(rb)+1), make([]int, len(rb)+1)
	for j := range row {
		row[j] = j
	}
	for i, x := range ra {
		next := make([]int, len(rb)+1)
		next[0] = i + 1
		for j, y := range rb {
			cost := row[j]
			if x != y {
				cost++
			}
			next[j+1] = min(cost, row[j+1]+1, next[j]+1)
			if i > 0 && j > 0 && x == rb[j-1] && ra[i-1] == y {
				next[j+1] = min(next[j+1], before[j-1]+1)
			}
		}
		before, row = row, next
	}
	return row[len(rb)]
}
