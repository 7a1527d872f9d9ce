package text

import (
	"strings"
	"testing"

	"patient-kitchen/core/quantity"
)

func TestRender(t *testing.T) {
	catalog["en"]["t.n"] = "{n|one reading|# readings} from {who}, {q}"
	catalog["es"]["t.n"] = "{n|una medida|# medidas} de {who}, {q}"
	defer delete(catalog["en"], "t.n")
	defer delete(catalog["es"], "t.n")
	m := Message{ID: "t.n", Args: Args{"n": 3, "who": []string{"Fern", "Beck", "Tarn"}, "q": quantity.New(8.25, "mm")}}
	if got, want := Render(m, "en"), "3 readings from Fern, Beck and Tarn, 8.25\u00a0mm"; got != want {
		t.Errorf("en: %q, want %q", got, want)
	}
	if got, want := Render(m, "es"), "3 medidas de Fern, Beck y Tarn, 8,25\u00a0mm"; got != want {
		t.Errorf("es: %q, want %q", got, want)
	}
	m.Args["n"] = 1
	if got := Render(m, "fr"); !strings.HasPrefix(got, "one reading") {
		t.Errorf("a language without texts: %q", got)
	}
	if got := Render(Message{ID: "no.such"}, "en"); got != "[no.such]" {
		t.Errorf("unknown id: %q", got)
	}
}

func TestLocalized(t *testing.T) {
	l := Localized{"en": "Salt", "ar": "ملح"}
	if s, ok := l.In("en"); s != "Salt" || !ok {
		t.Error(s, ok)
	}
	if s, ok := l.In("es"); s != "Salt" || ok {
		t.Error("a missing language must fall back and say so:", s, ok)
	}
	if s, ok := (Localized{"ar": "ملح"}).In("es"); s != "ملح" || ok {
		t.Error(s, ok)
	}
	if s, ok := (Localized)(nil).In("en"); s != "" || ok {
		t.Error(s, ok)
	}
}

// Every problem that package quantity can report has words here.
func TestQuantityCodesHaveWords(t *testing.T) {
	for _, text := range []string{"", "g", "2,750 g", "9. g", "1,2.3,4", "1.23.456", "1/0 g", "1 3/2 g", "3 blobs", "6-4 g", "-2-3 g", "5 ft 13 in", "1e999"} {
		_, err := quantity.Parse(text)
		m := Quantity(err.(*quantity.ParseError).Code, "x", "3 g")
		for _, lang := range Languages {
			if s := Render(m, lang); strings.ContainsAny(s, "[{") {
				t.Errorf("%q in %s: %q", text, lang, s)
			}
		}
	}
}

type shown string

func (s shown) Show(language string) string { return string(s) + "/" + language }

// Whatever stands in a hole is worded in the reader's language.
func TestHoles(t *testing.T) {
	catalog["en"]["t.v"], catalog["es"]["t.v"] = "<{v}>", "<{v}>"
	catalog["en"]["t.in"], catalog["es"]["t.in"] = "inside", "dentro"
	catalog["en"]["t.open"] = "left {open"
	defer func() {
		for _, id := range []string{"t.v", "t.in", "t.open"} {
			delete(catalog["en"], id)
			delete(catalog["es"], id)
		}
	}()
	salt, water := Localized{"en": "salt", "es": "sal"}, Localized{"en": "water", "es": "agua"}
	for _, c := range []struct {
		v      any
		en, es string
	}{
		{"as it is", "<as it is>", "<as it is>"},
		{12, "<12>", "<12>"},
		{-3, "<−3>", "<−3>"},
		{2.5, "<2.5>", "<2,5>"},
		{1.0 / 3, "<0.3333>", "<0,3333>"},
		{shown("q"), "<q/en>", "<q/es>"},
		{salt, "<salt>", "<sal>"},
		{Localized{"en": "only"}, "<only>", "<only>"},
		{Message{ID: "t.in"}, "<inside>", "<dentro>"},
		{[]string{}, "<>", "<>"},
		{[]string{"one"}, "<one>", "<one>"},
		{[]string{"one", "two"}, "<one and two>", "<one y two>"},
		{[]Localized{salt, water, salt}, "<salt, water and salt>", "<sal, agua y sal>"},
		{true, "<true>", "<true>"},
	} {
		m := Message{ID: "t.v", Args: Args{"v": c.v}}
		if en, es := Render(m, "en"), Render(m, "es"); en != c.en || es != c.es {
			t.Errorf("%v: %q %q, want %q %q", c.v, en, es, c.en, c.es)
		}
	}
	if got := Render(Message{ID: "t.v"}, "en"); got != "<{v}>" {
		t.Errorf("an argument that is missing shows its hole: %q", got)
	}
	if got := Render(Message{ID: "t.open"}, "en"); got != "left " {
		t.Errorf("a hole that is not closed: %q", got)
	}
	if got := Holes("t.v", "en"); len(got) != 1 || got[0] != "v" {
		t.Errorf("%v", got)
	}
}

func TestPortion(t *testing.T) {
	tsp := func(size float64) quantity.Measure {
		return quantity.Measure{Size: size, Unit: quantity.MustUnit("metric tsp"), Spread: 0.1}
	}
	for ml, want := range map[float64]string{11.6: "2 × 1\u00a0metric tsp + 1 × ¼\u00a0metric tsp, 3 % under", 5: "1 × 1\u00a0metric tsp", 4.8: "1 × 1\u00a0metric tsp, 4 % over"} {
		p, ok := quantity.New(ml, "mL").InMeasures([]quantity.Measure{tsp(1), tsp(0.25)})
		if got := Render(Portion(p), "en"); !ok || got != want {
			t.Errorf("%v mL: %q, want %q", ml, got, want)
		}
	}
}
