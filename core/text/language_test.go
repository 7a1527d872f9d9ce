package text

import (
	"os"
	"testing"
)

// notShipped reads a language that does not ship: Arabic has six plural classes,
// Polish four.
func notShipped(t *testing.T, code string) *Language {
	t.Helper()
	raw, err := os.ReadFile("testdata/" + code + ".json")
	if err != nil {
		t.Fatal(err)
	}
	l, first, err := readLanguage(code, raw)
	if err != nil || first {
		t.Fatal(err, first)
	}
	return l
}

// Forms of "photo" by number, as the grammars of the four languages have them.
func TestPlurals(t *testing.T) {
	forms := map[string][]string{
		"en": {"photo", "photos"},
		"es": {"foto", "fotos"},
		"pl": {"zdjęcie", "zdjęcia", "zdjęć", "zdjęcia"},
		"ar": {"zero", "one", "two", "few", "many", "other"},
	}
	for _, c := range []struct {
		language string
		value    float64
		decimals int
		want     string
	}{
		{"en", 0, 0, "photos"}, {"en", 1, 0, "photo"}, {"en", 2, 0, "photos"}, {"en", 1, 1, "photos"},
		{"en", -1, 0, "photo"}, {"en", 21, 0, "photos"},
		{"es", 0, 0, "fotos"}, {"es", 1, 0, "foto"}, {"es", 1, 1, "foto"}, {"es", 1.5, 1, "fotos"},
		{"es", 21, 0, "fotos"}, {"es", 1000000, 0, "fotos"},
		{"pl", 1, 0, "zdjęcie"}, {"pl", 2, 0, "zdjęcia"}, {"pl", 5, 0, "zdjęć"}, {"pl", 12, 0, "zdjęć"},
		{"pl", 22, 0, "zdjęcia"}, {"pl", 112, 0, "zdjęć"}, {"pl", 0, 0, "zdjęć"}, {"pl", 1.5, 1, "zdjęcia"},
		{"ar", 0, 0, "zero"}, {"ar", 1, 0, "one"}, {"ar", 2, 0, "two"}, {"ar", 3, 0, "few"}, {"ar", 10, 0, "few"},
		{"ar", 11, 0, "many"}, {"ar", 99, 0, "many"}, {"ar", 100, 0, "other"}, {"ar", 102, 0, "other"},
		{"ar", 103, 0, "few"}, {"ar", 0.5, 1, "other"},
	} {
		l := Of(c.language)
		if !Ships(c.language) {
			l = notShipped(t, c.language)
		}
		if got := forms[c.language][l.Plural(c.value, c.decimals)]; got != c.want {
			t.Errorf("%s: %v is with %q, want %q", c.language, c.value, got, c.want)
		}
	}
}

// Lists: in Spanish y becomes e before the sound of i, but not before hie-, and
// o becomes u before the sound of o, 8 and 11.
func TestListsInTheirLanguage(t *testing.T) {
	for _, c := range []struct {
		language string
		words    []string
		and, or  string
	}{
		{"en", nil, "", ""},
		{"en", []string{"milk"}, "milk", "milk"},
		{"en", []string{"milk", "ink", "ice"}, "milk, ink and ice", "milk, ink or ice"},
		{"es", []string{"leche", "agua"}, "leche y agua", "leche o agua"},
		{"es", []string{"tinta", "índigo"}, "tinta e índigo", "tinta o índigo"},
		{"es", []string{"agua", "hilo"}, "agua e hilo", "agua o hilo"},
		{"es", []string{"agua", "hielo"}, "agua y hielo", "agua o hielo"},
		{"es", []string{"sal", "iones"}, "sal y iones", "sal o iones"},
		{"es", []string{"plata", "oro"}, "plata y oro", "plata u oro"},
		{"es", []string{"7", "8"}, "7 y 8", "7 u 8"},
		{"es", []string{"10", "11"}, "10 y 11", "10 u 11"},
		{"es", []string{"100", "110"}, "100 y 110", "100 o 110"},
		{"pl", []string{"mleko", "woda", "sól"}, "mleko, woda i sól", "mleko, woda lub sól"},
		{"ar", []string{"ماء", "ملح"}, "ماء وملح", "ماء أو ملح"},
	} {
		l := Of(c.language)
		if !Ships(c.language) {
			l = notShipped(t, c.language)
		}
		if and, or := l.And(c.words), l.Or(c.words); and != c.and || or != c.or {
			t.Errorf("%s %v: %q %q, want %q %q", c.language, c.words, and, or, c.and, c.or)
		}
	}
}

func TestTagsAndNames(t *testing.T) {
	for typed, want := range map[string]string{"es": "es", "Español": "es", " castellano ": "es", "es-MX": "es",
		"EN": "en", "Spanish": "es", "inglés": "en", "Klingon": "", "": "", "est": "", "english teacher": ""} {
		if got, ok := Named(typed); got != want || ok != (want != "") {
			t.Errorf("%q is %q, want %q", typed, got, want)
		}
	}
	if Of("es-MX").Code != "es" || Of("fr").Code != "en" || Of("").Code != "en" || Languages[0] != "en" {
		t.Error("tags are of their language, and what does not ship of the first")
	}
	if s, ok := (Localized{"es": "sal"}).In("es-MX"); s != "sal" || !ok {
		t.Error(s, ok)
	}
	if n := LanguageName("es")["en"]; n != "Spanish" || LanguageName("tlh")["en"] != "tlh" {
		t.Error(n)
	}
	if l := notShipped(t, "ar"); l.Direction != "rtl" {
		t.Error(l.Direction)
	}
}

// A language is written as in the country of the class: decimals by CLDR, by its
// time zone. Where nothing is known of the place it is the language's own way.
func TestCountries(t *testing.T) {
	for _, c := range []struct{ language, zone, tag, number string }{
		{"es", "America/Mexico_City", "es-MX", "1.5"},
		{"es", "America/Chicago", "es-US", "1.5"},
		{"es", "Europe/Madrid", "es-ES", "1,5"},
		{"es", "America/Argentina/Buenos_Aires", "es-AR", "1,5"},
		{"es", "Europe/London", "es", "1,5"},
		{"en", "Europe/London", "en-GB", "1.5"},
		{"en", "America/New_York", "en-US", "1.5"},
		{"en", "Europe/Madrid", "en", "1.5"},
		{"es", "Nowhere/At_All", "es", "1,5"},
		{"fr", "America/Mexico_City", "fr", "1.5"},
	} {
		tag := In(c.language, c.zone)
		if got := Number(1.5, 1, tag); tag != c.tag || got != c.number {
			t.Errorf("%s in %s is %s and writes %s; want %s, %s", c.language, c.zone, tag, got, c.tag, c.number)
		}
	}
	if l := Of("es-MX"); l.Code != "es" || l.Yes != "sí" || l.Group != "," {
		t.Errorf("%+v", l)
	}
}

// A country's own words come before the language's.
func TestWordsOfACountry(t *testing.T) {
	for tag, want := range map[string]string{"es-ES": "del grifo", "es-MX": "de la llave", "es": "de la llave",
		"en-GB": "of the tap", "xx": "of the tap"} {
		if got := Render(M("t.tap"), tag); got != want {
			t.Errorf("%s: %q, want %q", tag, got, want)
		}
	}
}

// A language's file that is wrong is refused, never half read.
func TestBadLanguageFiles(t *testing.T) {
	good := `"decimal": ",", "and": {"": " i "}, "or": {"": " lub "}`
	for _, raw := range []string{``, `[]`, `{}`, `{"decimal": ","}`, `{` + good + `}`,
		`{` + good + `, "plurals": [["one", "i"]]}`, `{` + good + `, "plurals": [["one", "q = 1"]]}`,
		`{` + good + `, "plurals": [["one", "i = x"]]}`, `{` + good + `, "plurals": [["one", "i % 0 = 1"]]}`,
		`{"decimal": ",", "and": {"(": "x"}, "or": {"": "y"}, "plurals": [["other", ""]]}`} {
		if _, _, err := readLanguage("xx", []byte(raw)); err == nil {
			t.Errorf("%s is taken", raw)
		}
	}
}

func FuzzPluralRule(f *testing.F) {
	for _, s := range []string{"", "i = 1 and v = 0", "n % 100 = 3..10", "v = 0 and i % 10 = 2..4,7 or f != 1", "e = 0",
		"=", "i % = 1..", " or "} {
		f.Add(s, 1.5)
	}
	f.Fuzz(func(t *testing.T, rule string, value float64) {
		r, err := readPlural(rule)
		if err != nil {
			return
		}
		l := Language{Plurals: []PluralClass{{"one", r}, {"other", nil}}}
		if at := l.Plural(value, 2); at < 0 || at > 1 {
			t.Errorf("%q: class %d", rule, at)
		}
	})
}

// What people print on, by the supplemental data of CLDR (territories of US-Letter).
func TestPaper(t *testing.T) {
	for zone, want := range map[string]string{
		"America/Mexico_City": "Letter", "America/New_York": "Letter", "Asia/Manila": "Letter", "America/Belize": "Letter",
		"America/Bogota": "Letter", "Europe/London": "A4", "America/Argentina/Buenos_Aires": "A4", "Asia/Tokyo": "A4",
		"UTC": "A4", "": "A4",
	} {
		if got := Paper(zone); got != want {
			t.Errorf("%s: %s, want %s", zone, got, want)
		}
	}
}
