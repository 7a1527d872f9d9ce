package sentence_test

import (
	"os"
	"path/filepath"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/sentence"
	"patient-kitchen/core/text"
)

// TestSlips: each slip is found where it is said, in both languages, and not where the
// same words are right.
func TestSlips(t *testing.T) {
	for _, c := range []struct{ language, said, want string }{
		{"en", "When the soda fizzes, energy is created.", "energy-made"},
		{"es", "La reacción crea energía.", "energy-made"},
		{"en", "Chemical energy becomes heat.", ""},
		{"en", "This proves that mass stays the same.", "proves"}, {"es", "Esto demuestra que la masa no cambia.",
			"proves"}, {"en", "This supports the law.", ""},
		{"en", "The volcano will explode.", "explosion"}, {"es", "El volcán explota.", "explosion"},
		{"en", "Explore the volcano.", ""},
		{"en", "Water wants to get out.", "water-wants"}, {"es", "El agua quiere salir.", "water-wants"},
		{"en", "Who wants water?", ""},
		{"en", "The wrap keeps the cold out.", "cold-moves"}, {"es", "Así no entra el frío.", "cold-moves"},
		{"en", "The cold cup goes in last.", ""},
		{"en", "Your hypothesis: does salt melt ice?", "hypothesis-question"},
		{"es", "Hipótesis: ¿se derrite antes?", "hypothesis-question"},
		{"en", "The sugar melts in the water.", "dissolve-melt"},
		{"es", "El azúcar se derrite en el agua.", "dissolve-melt"}, {"en", "The sugar dissolves in the water.", ""},
		{"en", "The ice melts in the water.", ""},
		{"en", "Salt freezes the string to the ice.", "salt-freezes"},
		{"es", "La sal enfría el hielo.", "salt-freezes"},
		{"en", "The primary colours are red, blue and green.", "primary-colours"},
		{"es", "Los colores primarios: rojo, azul y verde.", "primary-colours"},
		{"en", "Red and yellow make purple.", "mixed-colours"},
		{"es", "Rojo y amarillo hacen morado.", "mixed-colours"}, {"en", "Red and yellow make orange.", ""},
		{"en", "Hit it harder for a higher note.", "pitch-energy"},
		{"es", "Con más energía suena más agudo.", "pitch-energy"},
		{"en", "An acid and an alkali make carbon dioxide gas.", "acid-alkali-gas"},
		{"es", "Un ácido y una base dan dióxido de carbono.", "acid-alkali-gas"},
		{"en", "Remember that pi is 3.14 always.", "pi-exact"}, {"es", "Recuerda: pi es 3,14 siempre.", "pi-exact"},
		{"en", "pi is 3.14159 and so on", ""},
		{"en", "Heavy things sink.", "heavy-sinks"}, {"es", "Las cosas pesadas se hunden.", "heavy-sinks"},
		{"en", "Watch the steam rise.", "see-steam"}, {"es", "Mira el vapor que sube.", "see-steam"},
		{"en", "Air weighs nothing.", "air-nothing"}, {"es", "El aire no pesa.", "air-nothing"},
		{"en", "It gets cold, so there is a chemical reaction.", "reaction-by-warmth"},
		{"es", "Se enfría, así que hay una reacción.", "reaction-by-warmth"},
		{"en", "The pinhole throws a shadow.", "shadow-image"}, {"es", "La caja estenopeica hace una sombra.",
			"shadow-image"},
	} {
		d := &design.Document{Background: text.Localized{c.language: c.said}}
		got := ""
		if found := sentence.Slips(d); len(found) > 0 {
			got = found[0].ID
		}
		if got != c.want {
			t.Errorf("%s %q: %q, wanted %q", c.language, c.said, got, c.want)
		}
	}
	d := &design.Document{Background: text.Localized{"en": "Water wants to get out. Water likes salt."},
		Title: text.Localized{"en": "What water wants: water wants salt"}}
	if found := sentence.Slips(d); len(found) != 1 || found[0].Path != "/title" {
		t.Errorf("one slip in two texts: %+v", found)
	}
	d.Left = []string{"water-wants"}
	if found := sentence.Slips(d); len(found) != 0 {
		t.Errorf("left so, and said again: %+v", found)
	}
}

// TestReadyOnesHaveNoSlips: what ships with the program is said as it is.
func TestReadyOnesHaveNoSlips(t *testing.T) {
	files, _ := filepath.Glob("../../docs/examples/*.json")
	read := 0
	for _, file := range files {
		raw, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		if d, err := design.Read(raw); err == nil {
			read++
			for _, s := range sentence.Slips(&d) {
				t.Errorf("%s at %s: %s", filepath.Base(file), s.Path, text.Render(s.Says, "en"))
			}
		}
	}
	if read < 11 {
		t.Errorf("%d examples are read", read)
	}
}
