package sentence_test

import (
	"os"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/sentence"
	"patient-kitchen/core/text"
)

// expected is what the corpus says is in a sentence, by letter.
var letters = map[string]sentence.Kind{
	"a": sentence.Act, "n": sentence.Amount, "t": sentence.Thing, "v": sentence.Vessel, "w": sentence.Wait,
	"r": sentence.Reading,
}

// agrees reports whether a piece is what the corpus names.
func agrees(p sentence.Piece, want string) bool {
	same := func(a, b string) bool {
		x, okX := quantity.ParseOK(a)
		y, okY := quantity.ParseOK(b)
		return okX && okY && x.Unit.Dim == y.Unit.Dim && abs(x.SI()-y.SI()) <= 0.08*abs(y.SI())
	}
	words := plain.Replace(strings.ToLower(p.Words))
	switch p.Kind {
	case sentence.Act:
		return p.ID == want
	case sentence.Amount, sentence.Wait:
		return same(p.Value, strings.ReplaceAll(want, "degC", "°C"))
	case sentence.Reading:
		kind, name, _ := strings.Cut(want, ":")
		return string(p.Sort) == kind && strings.Contains(words, name)
	}
	return strings.Contains(words, want)
}

var plain = strings.NewReplacer(text.Accents...)

func abs(x float64) float64 { return max(x, -x) }

// TestUsualNames: every name that is mostly meant leads to a thing of the larder that may
// be used.
func TestUsualNames(t *testing.T) {
	for _, lang := range text.Languages {
		for name, id := range sentence.Usual(lang) {
			if m, ok := larder.Standard().Material(id); !ok || m.Refused {
				t.Errorf("%s: %q leads to %q", lang, name, id)
			}
			// The larder asks about these by themselves; in a sentence a cup is a vessel.
			if larder.Standard().Word(name) != nil && !strings.Contains("cup cups taza tazas", name) {
				t.Errorf("%s: %q has several meanings, and one is taken", lang, name)
			}
		}
	}
}

// TestCorpus reads the 152 sentences of each language that were written before the
// reader: each kind of piece is found in nine of ten, and hardly any is taken that is
// not there.
func TestCorpus(t *testing.T) {
	for _, lang := range []string{"en", "es"} {
		raw, err := os.ReadFile("testdata/" + lang + ".txt")
		if err != nil {
			t.Fatal(err)
		}
		there, found, extra := map[sentence.Kind]int{}, map[sentence.Kind]int{}, map[sentence.Kind]int{}
		sentences := 0
		for line := range strings.Lines(string(raw)) {
			if strings.HasPrefix(line, "#") || strings.TrimSpace(line) == "" {
				continue
			}
			sentences++
			said, marks, _ := strings.Cut(strings.TrimSpace(line), " | ")
			said = strings.TrimSuffix(said, " |")
			want := map[sentence.Kind][]string{}
			last := ""
			for _, word := range strings.Fields(marks) {
				if letter, value, ok := strings.Cut(word, "="); ok && letters[letter] != "" {
					last = letter
					want[letters[last]] = append(want[letters[last]], value)
				} else if list := want[letters[last]]; len(list) > 0 {
					list[len(list)-1] += " " + word
				}
			}
			pieces := sentence.Read(sentence.World{Larder: larder.Standard(), System: quantity.Metric}, said, lang)
			for letter, kind := range letters {
				var list []string
				for _, v := range want[kind] {
					sep := ","
					if letter == "n" {
						sep = "|"
					}
					list = append(list, strings.Split(v, sep)...)
				}
				taken := slices.DeleteFunc(slices.Clone(pieces), func(p sentence.Piece) bool { return p.Kind != kind })
				there[kind] += len(list)
				for _, v := range list {
					at := slices.IndexFunc(taken, func(p sentence.Piece) bool { return agrees(p, v) })
					if at < 0 {
						t.Logf("%s  %q: no %s %q", lang, said, kind, v)
						continue
					}
					found[kind]++
					taken = slices.Delete(taken, at, at+1)
				}
				for _, p := range taken {
					extra[kind]++
					t.Logf("%s  %q: %s %q %s%s is not there", lang, said, kind, p.Words, p.ID, p.Value)
				}
			}
		}
		for _, kind := range []sentence.Kind{sentence.Act, sentence.Amount, sentence.Thing, sentence.Vessel,
			sentence.Wait, sentence.Reading} {
			share, wrong := float64(found[kind])/float64(there[kind]),
				float64(extra[kind])/float64(found[kind]+extra[kind])
			t.Logf("%s %-8s found %d of %d (%.1f %%), taken and not there %d (%.1f %%)", lang, kind, found[kind],
				there[kind], 100*share, extra[kind], 100*wrong)
			if sentences < 150 || share < 0.9 || wrong > 0.03 {
				t.Errorf("%s: of %d sentences %s is found in %.1f %%, wanted 90, and taken wrongly in %.1f %%, "+
					"wanted at most 3", lang, sentences, kind, 100*share, 100*wrong)
			}
		}
	}
}

// What sentences of other experiments name: halves, pieces, what stands behind "of" and
// "against", and waits that are kept.
func TestWhatIsNamed(t *testing.T) {
	for _, c := range []struct{ language, words, want string }{
		{"en", "Tie a 40 cm piece of thread to a metal washer.", "act tie, amount 40 cm, thing thread-sewing, " +
			"thing washer-m8"},
		{"en", "Grate half an apple onto a plate.", "act grate, amount 1/2, thing apple, vessel plate-dinner"},
		{"en", "Mix 100 g flour with 60 mL water.", "act mix, amount 100 g, thing wheat-flour, amount 60 mL, " +
			"thing water-tap"},
		{"en", "Knead the dough for five minutes.", "act knead, thing , hands 5 min"},
		{"en", "Keep the bottle in warm water for 45 minutes.", "wait 45 min"},
		{"en", "Keep the bottle for tomorrow.", "keep "},
		{"en", "Pour hot tap water into a bare jar.", "act pour, thing water-tap, vessel jam-jar"},
		{"en", "Shake the jar for ten minutes.", "act shake, thing jam-jar, hands 10 min"},
		{"en", "Freeze the tray overnight.", "act freeze, thing baking-tray, wait 14 h"},
		{"en", "Pull the tape off fast.", "act pull, thing sticky-tape"},
		{"es", "Corta el pepino en rodajas finas.", "act cut, thing cucumber"},
		{"es", "Apila los terrones de azúcar.", "act stack, thing sugar-cube"},
		{"en", "Pour the sugar into a small bottle.", "act pour, thing sugar-granulated, vessel pet-bottle-small"},
		{"es", "Ralla media manzana sobre un plato.", "act grate, amount 1/2, thing apple, vessel plate-dinner"},
		{"es", "Frota el globo contra un suéter de lana.", "act rub, thing balloon-latex, thing jumper-wool"},
		{"es", "Frota el globo contra la pared.", "act rub, thing balloon-latex"},
		{"es", "Mide 30 mL de jabón de platos en un vaso alto.", "act weigh, amount 30 mL, thing dish-soap, vessel " +
			"drinking-glass"},
		{"es", "Machaca la tiza con el dorso de una cuchara.", "act crush, thing , thing "},
		{"es", "Pon las semillas en una bolsa con cierre.", "act put, thing cress-seed, vessel zip-bag-small"},
	} {
		var got []string
		for _, p := range sentence.Read(sentence.World{Larder: larder.Standard(), System: quantity.Metric}, c.words,
			c.language) {
			got = append(got, string(p.Kind)+" "+p.ID+p.Value)
		}
		if said := strings.Join(got, ", "); said != c.want {
			t.Errorf("%q: %s, want %s", c.words, said, c.want)
		}
	}
}

// A word that only says how a thing is names none: "small", "dry", "plain".
func TestNoQualityIsAName(t *testing.T) {
	l := larder.Standard()
	for language, list := range map[string]string{
		"en": "small large big fresh dry plain powdered instant plastic clear white black thin thick empty " +
			"clean new old",
		"es": "chico chica grande seco seca limpio limpia fresco fresca vacio blanco blanca fino fina " +
			"delgado nuevo",
	} {
		for w := range strings.FieldsSeq(list) {
			if m := l.Named([]string{w}, language); m != nil {
				t.Errorf("%s: %q names %s", language, w, m.ID)
			}
		}
	}
}
