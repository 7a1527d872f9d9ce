package quantity

import "testing"

// Sizes of US cups and spoons: a cup is 236.6 mL, 16 tablespoons, 48 teaspoons
// (NIST Handbook 44, appendix C).
func TestBeside(t *testing.T) {
	for _, c := range []struct{ language, in, want string }{
		{"en", "Pour 240 mL of water into the glass.", "Pour 1 cup (240 mL) of water into the glass."},
		{"en", "Pour 120 mL.", "Pour ½ cup (120 mL)."},
		{"en", "15 mL", "1 tbsp (15 mL)"},
		{"en", "5 mL", "1 tsp (5 mL)"},
		{"en", "360 mL: 3 × 120 mL", "1½ cups (360 mL): 3 × ½ cup (120 mL)"},
		{"en", "Fill a 500 mL bottle with 1 L of water", "Fill a 500 mL bottle with 4 cups (1 L) of water"},
		{"en", "two clean 200 mL glasses", "two clean 200 mL glasses"},
		{"en", "about 40 °C, never above 60 °C", "about 104 °F (40 °C), never above 140 °F (60 °C)"},
		{"en", "40–50 °C", "104–122 °F (40–50 °C)"},
		{"en", "1 cup (240 mL)", "1 cup (240 mL)"},
		{"en", "0.3 mL of dye", "0.3 mL of dye"},
		{"en", "50 L of sand", "50 L of sand"},
		{"en", "200–250 mL of water", "200–250 mL of water"},
		{"en", "12 mmol/L and 3 MHz", "12 mmol/L and 3 MHz"},
		{"en", "", ""},
		{"en", "The freezer is at −18 °C.", "The freezer is at 0\u00a0°F (−18 °C)."},
		{"en", "It is -40 °C outside", "It is −40\u00a0°F (-40 °C) outside"},
		{"en", "between 40 and 50 °C", "between 40 and 50 °C"},
		{"en", "from −15 to −20 °C", "from −15 to −20 °C"},
		{"en", "200 or 250 mL of water", "200 or 250 mL of water"},
		{"en", "Read it to ± 1 °C", "Read it to ± 1 °C"},
		{"en", "It cools by 5 °C, to 2 °C warmer than the room", "It cools by 5 °C, to 2 °C warmer than the room"},
		{"en", "readings 10 °C away from the room", "readings 10 °C away from the room"},
		{"en", "at 40 °C (104 °F)", "at 40 °C (104 °F)"},
		{"en", "240 mL (1 cup) of milk", "240 mL (1 cup) of milk"},
		{"en", "15 mL/min and 2 g/100 mL", "15 mL/min and 2 g/100 mL"},
		{"es", "baja 5 °C más", "baja 5 °C más"},
		{"es-MX", "Vierte 240 mL de agua", "Vierte 1 taza (240 mL) de agua"},
		{"es-ES", "Vierte 0,5 L de agua", "Vierte 2 tazas (0,5 L) de agua"},
		{"es", "una botella de 500 mL", "una botella de 500 mL"},
	} {
		if got := US.Beside(c.in, c.language); got != c.want {
			t.Errorf("%s: %q, not %q", c.in, got, c.want)
		}
		if got := Metric.Beside(c.in, c.language); got != c.in {
			t.Errorf("metric: %q", got)
		}
	}
}

func FuzzBeside(f *testing.F) {
	f.Add("Pour 240 mL of water at 40–50 °C")
	f.Fuzz(func(t *testing.T, s string) {
		if got := US.Beside(s, "en"); len(got) < len(s) {
			t.Errorf("%q lost something: %q", s, got)
		}
	})
}
