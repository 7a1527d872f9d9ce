package sentence

import (
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

// speeds are acts that homes do fast or slowly, often or seldom, where nothing says how.
var speeds = []string{"stir", "mix", "swirl", "shake", "rub", "tap"}

// Speedless is an act of a step of which nothing says how fast, how often or how long.
type Speedless struct {
	Step, Act int // the step's place, and that of the act among its pieces
	Words     text.Message
	Mend      Revision // says once a second
}

// Unsaid lists the acts of a design of which a text in a language does not say how fast.
// Where nothing is compared, or nothing read afterwards, it does not matter.
func (b *Book) Unsaid(language string) []Speedless {
	d := b.d
	v := vocabularies[text.Of(language).Code]
	if v == nil || len(d.Conditions) < 2 {
		return nil
	}
	var out []Speedless
	for i, s := range d.Steps {
		words := s.Text[language]
		pieces := b.Pieces(i, language)
		for k, p := range pieces {
			if p.Kind != Act || !slices.Contains(speeds, p.ID) || paced(v, words, pieces, k) {
				continue
			}
			at := paceAt(words, pieces, k)
			out = append(out, Speedless{i, k, text.M("sentence.no-speed", "n", i+1, "act", strings.ToLower(p.Words)),
				Revision{
					Kind: Rewrite, From: at, To: at, Value: " " + v.Spoken["once-a-second"],
				}})
		}
	}
	return out
}

// paced reports whether a text says how often or how long an act is done, behind it.
func paced(v *vocabulary, words string, pieces []Piece, k int) bool {
	rest := string([]rune(words)[pieces[k].To:])
	for _, t := range tokens(rest) {
		if t.stops() {
			break
		}
		if v.sets["paces"][t.word] {
			return true
		}
	}
	return slices.ContainsFunc(pieces[k:], func(p Piece) bool { return p.Kind == Hands || p.Kind == Times })
}

// paceAt is where in a text the pace of an act is said: before what is waited for, or at
// the end of its clause.
func paceAt(words string, pieces []Piece, k int) int {
	runes := []rune(words)
	for _, p := range pieces[k+1:] {
		if p.Kind == Seen || p.Kind == Act || p.Kind == Reading {
			at := p.From
			for at > 0 && strings.ContainsRune(" ,", runes[at-1]) {
				at--
			}
			if p.Kind == Seen {
				return at
			}
			break
		}
	}
	for at := pieces[k].To; at < len(runes); at++ {
		if strings.ContainsRune(".,;:!?\n", runes[at]) {
			return at
		}
	}
	return len(runes)
}
