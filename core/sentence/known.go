package sentence

import (
	"slices"
	"strings"

	"patient-kitchen/core/quantity"
)

// lookUp finds what a name means: a need of the design, or a thing of the larder, by the
// longest run of its words.
func (r *reader) lookUp(n named) (need, id string) {
	for size := n.next - n.from; size > 0; size-- {
		for at := range n.next - n.from - size + 1 { // from the word that says what it is
			from := n.from + at
			if r.v.HeadLast {
				from = n.next - size - at
			}
			if r.is("of", from) {
				continue // "soap of plates" is a soap
			}
			run := r.run(from, from+size)
			if need, ok := r.known[strings.Join(run, " ")]; ok {
				return need, r.material(need)
			}
			if id := r.called(run); id != "" {
				return "", id
			}
		}
	}
	return "", ""
}

// called is the thing of the larder that words in a row are a name of, or mostly mean.
func (r *reader) called(run []string) string {
	if id := r.v.Usual[strings.Join(run, " ")]; id != "" {
		return id
	}
	if m := r.Larder.Named(run, r.lang); m != nil {
		return m.ID
	}
	return ""
}

// material is the thing of the larder that a need is.
func (r *reader) material(need string) string {
	for _, n := range r.Needs {
		if n.ID == need {
			return n.Material
		}
	}
	return ""
}

// holds reports whether something can be put into what is named, or only onto it.
func (r *reader) holds(n named, within bool) bool {
	if r.v.sets["stuffs"][n.head] {
		return within
	}
	return r.v.sets["vessels"][single(n.head, r.lang)] || r.v.sets["vessels"][n.head]
}

// known lists the names of the needs, folded, one and many: whole, and by the word that
// says what it is where only one need has it.
func known(w World, language, spoken string) map[string]string {
	out, heads := map[string]string{}, map[string]string{}
	v := vocabularies[spoken]
	for _, n := range w.Needs {
		name, _ := n.Name.In(language)
		folded := v.named(name, spoken)
		if len(folded) == 0 {
			continue
		}
		for _, form := range numbers(v.headOf(folded), spoken) {
			if was, twice := heads[form]; twice && was != n.ID {
				heads[form] = "" // of two things, the word alone names neither
			} else {
				heads[form] = n.ID
			}
		}
		last := 0
		if v.HeadLast {
			last = len(folded) - 1
		}
		for _, form := range numbers(folded[last], spoken) {
			key := strings.Join(slices.Concat(folded[:last], []string{form}, folded[last+1:]), " ")
			if out[key] == "" {
				out[key] = n.ID
			}
		}
	}
	for head, id := range heads {
		if _, whole := out[head]; !whole && id != "" {
			out[head] = id
		}
	}
	return out
}

// named are the folded words of a name, up to its first sign ("4 kinds of paper, one strip
// of each") and without articles and numbers before it.
func (v *vocabulary) named(name, spoken string) []string {
	var out []string
	for _, t := range tokens(name) {
		if t.ends() {
			break
		}
		out = append(out, t.word)
	}
	for len(out) > 1 && (v.sets["dets"][out[0]] || quantity.Opens(out[0], spoken)) {
		out = out[1:]
	}
	return out
}

// headOf is the word of a name that says what it is: the first, or the last one before
// "and", "of" or "with".
func (v *vocabulary) headOf(name []string) string {
	if !v.HeadLast {
		return name[0]
	}
	end := slices.IndexFunc(name, func(w string) bool {
		return v.sets["and"][w] || v.sets["of"][w] || v.sets["with"][w]
	})
	switch end {
	case -1:
		return name[len(name)-1]
	case 0:
		return name[0]
	}
	return name[end-1]
}
