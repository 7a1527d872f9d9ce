package sentence

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
)

// A step may be written in several languages. What one text took is tied to the words of
// the next by what it is, and goes out again only when no text says it any more.

// elsewhere reports whether the step's text in another language says something.
func (t *taker) elsewhere(says func(other *taker, p Piece) bool) bool {
	for language, words := range t.step().Text {
		if language == t.lang || strings.TrimSpace(words) == "" {
			continue
		}
		other := &taker{d: t.d, at: t.at, lang: language}
		if slices.ContainsFunc(other.meant(words), func(p Piece) bool { return says(other, p) }) {
			return true
		}
	}
	return false
}

// tiedNeed is a need of the step that has no name in this language yet, which another
// text's words made: it gets this name.
func (t *taker) tiedNeed(p Piece) (string, bool) {
	for _, id := range t.step().Needs() {
		n, ok := t.d.Need(id)
		if !ok || n.Name[t.lang] != "" || n.Material != "" && p.ID != "" {
			continue
		}
		t.d.Needs = slices.Clone(t.d.Needs)
		n, _ = t.d.Need(id)
		n.Name = with(n.Name, t.lang, t.unlaned(bare(p.Words, t.lang)))
		return id, true
	}
	return "", false
}

// tiedReading is the same of a reading that is taken here.
func (t *taker) tiedReading(p Piece) bool {
	for _, k := range t.step().Takes {
		r, ok := t.d.Reading(k.Reading)
		if !ok || r.Sort() != p.Sort || r.Name[t.lang] != "" {
			continue
		}
		t.d.Readings = slices.Clone(t.d.Readings)
		r, _ = t.d.Reading(k.Reading)
		r.Name = with(r.Name, t.lang, nameOf(p, t.lang))
		return true
	}
	return false
}

// nameOf is what a reading is called by its piece.
func nameOf(p Piece, language string) string {
	if name := bare(p.Name, language); name != "" {
		return name
	}
	return p.Words
}

// tiedEvidence is the same of what is shown.
func (t *taker) tiedEvidence(p Piece) bool {
	for _, id := range t.step().Evidence {
		i := slices.IndexFunc(t.d.Evidence, func(e design.Evidence) bool { return e.ID == id })
		if i < 0 || string(t.d.Evidence[i].Kind) != p.ID || t.d.Evidence[i].Name[t.lang] != "" {
			continue
		}
		t.d.Evidence = slices.Clone(t.d.Evidence)
		t.d.Evidence[i].Name = with(t.d.Evidence[i].Name, t.lang, p.Words)
		return true
	}
	return false
}

// keep puts down what is kept for later, or names it in this language.
func (t *taker) keep(p Piece) {
	s := t.step()
	words := strings.TrimSpace(p.Words)
	s.Helps = slices.Clone(s.Helps)
	for i := range s.Helps {
		if h := &s.Helps[i]; h.Help == "keep" && h.Thing[t.lang] == "" {
			h.Thing = with(h.Thing, t.lang, words)
			return
		}
	}
	s.Helps = append(s.Helps, design.Help{Help: "keep", Thing: with(nil, t.lang, words)})
}

// unkeep takes the words of what is kept out again, and all of it with the last of them.
func (t *taker) unkeep(p Piece) {
	s := t.step()
	words := strings.TrimSpace(p.Words)
	s.Helps = slices.DeleteFunc(slices.Clone(s.Helps), func(h design.Help) bool {
		return h.Help == "keep" && h.Thing[t.lang] == words && len(h.Thing) == 1
	})
	for i := range s.Helps {
		if h := &s.Helps[i]; h.Help == "keep" && h.Thing[t.lang] == words {
			h.Thing = with(h.Thing, t.lang, words)
			delete(h.Thing, t.lang)
		}
	}
	if len(s.Helps) == 0 {
		s.Helps = nil
	}
}
