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
