package quantity_test

import (
	"strings"
	"testing"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Every problem that package quantity can report has words here.
func TestQuantityCodesHaveWords(t *testing.T) {
	for _, typed := range []string{"", "g", "2,750 g", "9. g", "1,2.3,4", "1.23.456", "1/0 g", "1 3/2 g", "3 blobs",
		"6-4 g", "-2-3 g", "5 ft 13 in", "1e999"} {
		_, err := quantity.Parse(typed)
		m := quantity.Asked(err.(*quantity.ParseError).Code, "x", "3 g")
		for _, lang := range text.Languages {
			if s := text.Render(m, lang); strings.ContainsAny(s, "[{") {
				t.Errorf("%q in %s: %q", typed, lang, s)
			}
		}
	}
}

func TestPortion(t *testing.T) {
	tsp := func(size float64) quantity.Measure {
		return quantity.Measure{Size: size, Unit: quantity.MustUnit("metric tsp"), Spread: 0.1}
	}
	for ml, want := range map[float64]string{11.6: "2 × 1\u00a0metric tsp + 1 × ¼\u00a0metric tsp, 3 % under",
		5: "1 × 1\u00a0metric tsp", 4.8: "1 × 1\u00a0metric tsp, 4 % over"} {
		p, ok := quantity.New(ml, "mL").InMeasures([]quantity.Measure{tsp(1), tsp(0.25)})
		if got := text.Render(quantity.InWords(p), "en"); !ok || got != want {
			t.Errorf("%v mL: %q, want %q", ml, got, want)
		}
	}
}
