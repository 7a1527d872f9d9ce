package text

import (
	"strings"
	"testing"
	"testing/fstest"
)

func init() {
	file := func(s string) *fstest.MapFile { return &fstest.MapFile{Data: []byte(s)} }
	Register(fstest.MapFS{
		"texts/en.json": file(
			`{"t.tap": "of the tap", "t.n": "{n|one reading|# readings} from {who}, {q}", "t.v": "<{v}>",
				"t.in": "inside", "t.open": "left {open"}`,
		),
		"texts/es-ES.json": file(`{"t.tap": "del grifo"}`),
		"texts/es.json": file(
			`{"t.tap": "de la llave", "t.n": "{n|una medida|# medidas} de {who}, {q}", "t.v": "<{v}>", "t.in": "dentro",
				"t.open": "left {open"}`,
		),
	})
}

func TestRender(t *testing.T) {
	m := Message{ID: "t.n", Args: Args{"n": 3, "who": []string{"Fern", "Beck", "Tarn"}, "q": shown("8.25\u00a0mm")}}
	if got, want := Render(m, "en"), "3 readings from Fern, Beck and Tarn, 8.25\u00a0mm/en"; got != want {
		t.Errorf("en: %q, want %q", got, want)
	}
	if got, want := Render(m, "es"), "3 medidas de Fern, Beck y Tarn, 8.25\u00a0mm/es"; got != want {
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

type shown string

func (s shown) Show(language string) string { return string(s) + "/" + language }

// Whatever stands in a hole is worded in the reader's language.
func TestHoles(t *testing.T) {
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
