package sentence_test

import (
	"strings"
	"testing"

	"patient-kitchen/core/sentence"
	"patient-kitchen/core/text"
)

// TestCompose: the wanted sentences are what a native speaker would write.
func TestCompose(t *testing.T) {
	for _, c := range []struct{ from, words, to, want string }{
		{"en", "Pour 200 mL of vinegar into the jar.", "es", "Vierte 200 mL de vinagre blanco en el frasco."},
		{"en", "Wait 4 minutes.", "es", "Espera 4 min."},
		{"en", "Measure the height.", "es", "Mide la altura."},
		{"en", "Wait 4 minutes, then measure the temperature.", "es", "Espera 4 min, mide la temperatura."},
		{"es", "Mide la altura.", "en", "Measure the height."},
		{"es", "Pon 40 g de arroz en el vaso.", "en", "Put 40 g of rice into the drinking glass."},
		{"en", "Pour slowly 200 mL of vinegar into the jar with your left hand.", "es", ""},
		{"en", "Shake it like a snow globe.", "es", ""},
	} {
		d := sugar()
		write(d, "s", c.from, c.words)
		got, ok := sentence.Compose(d, "s", c.from, c.to)
		got = strings.ReplaceAll(got, "\u00a0", " ")
		if got != c.want || ok != (c.want != "") {
			t.Errorf("%q in %s: %q, wanted %q", c.words, c.to, got, c.want)
		}
	}
}

// TestDifferences: what one language says otherwise than the other is found, with the
// change that puts it right; what only is worded otherwise is not.
func TestDifferences(t *testing.T) {
	for _, c := range []struct{ en, es, want string }{
		{"Pour 200 mL of water into the jar.", "Vierte 250 mL de agua en el frasco.",
			"Step 1: one language says 200 mL, the other 250 mL."},
		{"Wait 4 minutes.", "Espera 5 minutos.", "Step 1: one language says 4 min, the other 5 min."},
		{"Ask an adult to pour the water into the jar.", "Vierte el agua en el frasco.",
			"Step 1: the Spanish text does not say “an adult”."},
		{"Pour 200 mL of water into the jar.", "Vierte el agua en el frasco.", "Step 1: the Spanish text does not " +
			"say “200 mL”."},
		{"Ask an adult to pour 200 mL of water.", "Pide a una persona adulta que vierta 200 mL de agua.", ""},
		{"Wait half an hour.", "Espera 30 minutos.", ""},
	} {
		d := sugar()
		write(d, "s", "en", c.en)
		write(d, "s", "es", c.es)
		found := sentence.Open(d).Differences()
		got := ""
		if len(found) > 0 {
			got = strings.ReplaceAll(text.Render(found[0].Words, "en"), "\u00a0", " ")
		}
		if got != c.want {
			t.Errorf("%q and %q: %q, wanted %q", c.en, c.es, got, c.want)
		}
		if len(found) > 0 && found[0].Mend != nil {
			sentence.Carry(d, "s", "es", *found[0].Mend, "")
			if left := sentence.Open(d).Differences(); len(left) > 0 {
				t.Errorf("mended to %q, there still is %q", d.Steps[0].Text["es"], text.Render(left[0].Words, "en"))
			}
		}
	}
}
