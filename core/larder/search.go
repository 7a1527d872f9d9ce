package larder

import (
	"cmp"
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

// Find looks a typed name up among the everyday names in every language. Case
// and accents do not matter, and a word may be cut short. Words that mean
// several things come with their question; nothing is guessed.
func (l *Larder) Find(typed string) Found {
	want := fold(typed)
	var f Found
	if want == "" {
		return f
	}
	for i := range l.Words {
		w := &l.Words[i]
		if slices.ContainsFunc(w.Typed, func(t string) bool { return fold(t) == want }) {
			f.Asks = append(f.Asks, w)
		}
	}
	type scored struct {
		Hit
		score int
	}
	var hits, near []scored
	for i := range l.Materials {
		m := &l.Materials[i]
		best, closest := scored{score: -1}, scored{score: -1}
		for _, n := range l.names[i] {
			if s := match(n.folded, want); s > best.score {
				best = scored{Hit{m, n.as, n.folded == want}, s}
			}
			if most := 1 + len(want)/5; best.score < 0 && max(len(n.folded)-len(want), len(want)-len(n.folded)) <= 2*most {
				if d := distance(n.folded, want); d <= most && (closest.score < 0 || d < closest.score) {
					closest = scored{Hit{m, n.as, false}, d}
				}
			}
		}
		if best.score >= 0 {
			hits = append(hits, best)
		} else if closest.score >= 0 {
			near = append(near, closest)
		}
	}
	slices.SortStableFunc(hits, func(a, b scored) int { return cmp.Compare(b.score, a.score) })
	slices.SortStableFunc(near, func(a, b scored) int { return cmp.Compare(a.score, b.score) })
	for _, h := range hits {
		f.Hits = append(f.Hits, h.Hit)
	}
	if len(f.Hits) == 0 {
		for _, h := range near[:min(3, len(near))] {
			f.Nearest = append(f.Nearest, h.Hit)
		}
	}
	return f
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

// match scores a folded name against folded words: -1 when one of the words
// does not begin any word of the name.
func match(name, want string) int {
	switch {
	case name == want:
		return 3
	case strings.HasPrefix(name, want):
		return 2
	}
	words := strings.FieldsFunc(name, notLetter)
	for _, w := range strings.Fields(want) {
		if !slices.ContainsFunc(words, func(n string) bool { return strings.HasPrefix(n, w) }) {
			return -1
		}
	}
	return 1
}

func notLetter(r rune) bool {
	return !(r >= 'a' && r <= 'z' || r >= '0' && r <= '9' || r == 'ñ' || r == '%')
}

var accents = strings.NewReplacer("á", "a", "é", "e", "í", "i", "ó", "o", "ú", "u", "ü", "u", "à", "a", "è", "e", "ç", "c", "-", " ")

func fold(s string) string {
	return strings.Join(strings.Fields(accents.Replace(strings.ToLower(s))), " ")
}

// distance counts the letters to change, add or drop between two short names.
func distance(a, b string) int {
	ra, rb := []rune(a), []rune(b)
	if len(ra) > 60 || len(rb) > 60 {
		return 60
	}
	row := make([]int, len(rb)+1)
	for j := range row {
		row[j] = j
	}
	for i, x := range ra {
		diagonal := row[0]
		row[0] = i + 1
		for j, y := range rb {
			cost := diagonal
			if x != y {
				cost++
			}
			diagonal = row[j+1]
			row[j+1] = min(cost, row[j]+1, row[j+1]+1)
		}
	}
	return row[len(rb)]
}
