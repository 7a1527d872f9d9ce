package design

import (
	"math"
	"testing"

	"patient-kitchen/core/text"
)

// What a home measures once, by hand: 58 g are ten spoons of 5.8 g, which is 4.83 mL of
// loose salt (1.2 g/mL), each a tenth apart from another; a ruler falls 170 mm in
// sqrt(2 · 0.17 / 9.80665) s; a card of 85.60 mm that reads 83.0 mm makes each millimetre
// 1.031 of one; water weighs a gram a millilitre.
func TestOwnValues(t *testing.T) {
	for _, c := range []struct {
		id, typed string
		value, u  float64
		unit      string
	}{
		{"teaspoon", "58 g", 4.8333, 0.1528, "mL"},
		{"teaspoon", "58", 4.8333, 0.1528, "mL"},
		{"bag", "0.94 L", 940, 18.8, "mL"},
		{"bag", "940 g", 940, 18.8, "mL"},
		{"jar", "370", 370, 7.4, "mL"},
		{"reaction", "170 mm", 0.18620, 0.01862, "s"},
		{"reaction", "17 cm", 0.18620, 0.01862, "s"},
		{"printed-ruler", "83.0 mm", 1.03133, 0.00311, "1"},
		{"altitude", "412 m", 412, 20, "m"},
		{"altitude", "412 m ± 5 m", 412, 5, "m"},
		{"kitchen-temperature", "19.5", 19.5, 1, "°C"},
		{"water-temperature", "48 °F", 8.889, 1, "°C"},
	} {
		own, ok := Own(c.id)
		if !ok {
			t.Fatal(c.id)
		}
		q, err := own.Value(c.typed)
		if err != nil || math.Abs(q.Value-c.value) > 5e-4*max(1, c.value) || math.Abs(q.U-c.u) > 5e-3*max(1, c.u) ||
			q.Unit.Symbol != c.unit {
			t.Errorf("%s %q: %g ± %g %s (%v), not %g ± %g %s", c.id, c.typed, q.Value, q.U, q.Unit.Symbol, err, c.value,
				c.u, c.unit)
		}
	}
	for _, c := range [][2]string{
		{"teaspoon", "5.8 g"}, {"teaspoon", "58 mL"}, {"teaspoon", ""}, {"bag", "5 mL"}, {"reaction", "-3 mm"},
		{"printed-ruler", "85.6 cm"},
		{"altitude", "1e308 km"}, {"kitchen-temperature", "hot"}, {"jar", "370 s"},
	} {
		own, _ := Own(c[0])
		if q, err := own.Value(c[1]); err == nil {
			t.Errorf("%s: %q was taken as %v", c[0], c[1], q)
		}
	}
	for _, v := range OwnValues {
		for _, language := range text.Languages {
			for _, m := range []text.Message{v.Name(), v.How()} {
				if s := text.Render(m, language); s == "" || s == m.ID {
					t.Errorf("%s has no words in %s", m.ID, language)
				}
			}
		}
	}
}
