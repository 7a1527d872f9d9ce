package larder_test

import (
	"regexp"
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/text"
)

// Every note that a card, a list or a swap shows is there in every language.
func TestEveryNoteInEveryLanguage(t *testing.T) {
	word := regexp.MustCompile(`\p{Ll}{3,}`) // not a formula, a unit or the number of a rule
	unit := regexp.MustCompile(`\b(mmol|mol|gsm|vol|cap|meq|rho|fps|mini|base|PVC)\b`)
	l := larder.Standard()
	var notes []string
	for _, r := range l.Roles {
		notes = append(notes, r.Job, r.Matters, r.Failure)
	}
	for _, r := range l.Rules {
		notes = append(notes, r.Worked, r.Effect, r.Safety, r.Procedure)
		for _, side := range []larder.Side{r.From, r.To} {
			if len(side.Materials) == 0 {
				notes = append(notes, side.Text)
			}
		}
	}
	for _, f := range l.Fallbacks {
		notes = append(notes, f.Need, f.Fallback, f.Expect)
	}
	for _, p := range l.Printables {
		notes = append(notes, p.Sheet, p.Size, p.Use, p.Error)
	}
	for _, n := range l.Nevers {
		notes = append(notes, n.What, n.Result, n.Rule)
	}
	for _, p := range l.Pets {
		notes = append(notes, p.Hazard, p.Animals, p.Note)
	}
	for _, d := range l.Diets {
		notes = append(notes, d.Diet)
	}
	for _, m := range l.Materials {
		notes = append(notes, m.UsualPlace, m.Caveat, m.Cost)
		for _, f := range m.Figures {
			if f.Key == "acid" || f.Key == "co2" {
				continue // worked out
			}
			for _, language := range text.Languages[1:] {
				if words := f.Words(language); words == f.Words(text.Languages[0]) &&
					word.MatchString(unit.ReplaceAllString(words, "")) {
					t.Errorf("%s: %q of %s", language, words, m.ID)
				}
			}
		}
	}
	figures := regexp.MustCompile(`\d+(?:\.\d+)?`)
	for _, language := range text.Languages[1:] {
		for _, note := range notes {
			said := larder.Said(note, language)
			if said == note && word.MatchString(unit.ReplaceAllString(note, "")) && !alike[note] {
				t.Errorf("%s: %q", language, note)
			}
			for _, figure := range figures.FindAllString(said, -1) {
				if !regexp.MustCompile(`(^|[^\d.])` + regexp.QuoteMeta(figure) + `($|[^\d])`).MatchString(note) {
					t.Errorf("%s: %q has %s, which is not in %q", language, said, figure, note)
				}
			}
		}
	}
}

// alike are notes that read the same in the languages that ship.
var alike = map[string]bool{
	"gluten":             true,
	"rho 1.20":           true,
	"rho 0.910–0.925":    true,
	"error 0.2 → 0.03 s": true,
	"−78.5 °C, gas":      true,
}

func TestSidesOfASwap(t *testing.T) {
	l := larder.Standard()
	for _, c := range []struct {
		side larder.Side
		want string
	}{
		{larder.Side{Text: "white vinegar 5 %", Materials: []string{"vinegar-white"}, Percent: 5},
			"vinagre blanco 5\u00a0%"},
		{larder.Side{Text: "dry in 10–20 min"}, "se seca en 10–20 min"},
		{larder.Side{Materials: []string{"vinegar-white"}}, "vinagre blanco"},
		{larder.Side{Text: "any bag"}, "cualquier bolsa"},
		{larder.Side{Text: "the school's own jar"}, "the school's own jar"},
	} {
		if got := c.side.Said(l, "es"); got != c.want {
			t.Errorf("%+v: %q", c.side, got)
		}
		if got := c.side.Said(l, "en"); got != c.side.Text && c.side.Text != "" {
			t.Errorf("%+v: %q", c.side, got)
		}
	}
}
