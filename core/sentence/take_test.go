package sentence_test

import (
	"encoding/json"
	"os"
	"path/filepath"
	"reflect"
	"slices"
	"strconv"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/sentence"
	"patient-kitchen/core/text"
)

// lanes are three conditions, as a teacher names them.
func sugar() *design.Document {
	word := func(en, es string) text.Localized { return text.Localized{"en": en, "es": es} }
	return &design.Document{
		Schema: 3, Title: word("Sugar", "Azúcar"), Languages: []string{"en", "es"}, Trials: 1, AgeBand: "11-13",
		Conditions: []design.Condition{
			{ID: "cold", Name: word("cold", "fría"), Control: true}, {ID: "hand", Name: word("hand-warm", "tibia")},
			{ID: "warm", Name: word("warm", "caliente")},
		},
	}
}

// write has a step say a sentence, as the page does when one is finished.
func write(d *design.Document, id, language, words string) {
	i, ok := d.Step(id)
	if !ok {
		d.Steps = append(d.Steps, design.Step{ID: id, Title: text.Localized{}, Text: text.Localized{}})
		i = len(d.Steps) - 1
	}
	was := d.Steps[i].Text[language]
	if d.Steps[i].Text == nil {
		d.Steps[i].Text = text.Localized{}
	}
	d.Steps[i].Text[language] = words
	sentence.Take(d, id, was, language)
}

func stepOf(t *testing.T, d *design.Document, id string) design.Step {
	t.Helper()
	i, ok := d.Step(id)
	if !ok {
		t.Fatalf("no step %q", id)
	}
	return d.Steps[i]
}

func TestTake(t *testing.T) {
	d := sugar()
	write(d, "pour", "en", "Pour 200 mL of cold tap water into the jar.")
	s := stepOf(t, d, "pour")
	if s.Kind != "do" || !slices.Equal(s.Actions, []string{"pour"}) || len(s.Uses) != 2 || s.In != "jar" ||
		s.Title["en"] != "Pour 200 mL of cold tap water into the jar" {
		t.Fatalf("taken: %+v", s)
	}
	if n, ok := d.Need(s.Uses[0]); !ok || n.Material != "water-tap" || n.Amount != "200 mL" || !n.PerCondition ||
		n.Name["es"] == "" {
		t.Errorf("water is %+v", n)
	}
	if n, ok := d.Need("jar"); !ok || n.Material == "" {
		t.Errorf("the jar is %+v", n)
	}

	write(d, "read", "en", "Wait 4 minutes, then measure the height of the wet edge.")
	s = stepOf(t, d, "read")
	if s.Kind != "measure" || s.Wait == nil || s.Wait.For != "4 min" || len(s.Takes) != 1 {
		t.Fatalf("taken: %+v", s)
	}
	r, ok := d.Reading(s.Takes[0].Reading)
	if !ok || r.Unit != "mm" || r.Symbol != "height" || !r.PerCondition() || r.Name["en"] != "height of the wet edge" ||
		len(r.Instruments) != 1 {
		t.Errorf("the reading is %+v", r)
	}

	// What is not said any more goes out again; what was set by hand stays.
	i, _ := d.Step("pour")
	d.Steps[i].Actions = append(d.Steps[i].Actions, "hot-water")
	write(d, "pour", "en", "Pour 150 mL of cold tap water into the bowl and stir.")
	s = stepOf(t, d, "pour")
	if !slices.Contains(s.Actions, "hot-water") || !slices.Contains(s.Actions, "stir") || s.In != "bowl" {
		t.Errorf("after another sentence: %+v", s)
	}
	if _, ok := d.Need("jar"); ok {
		t.Error("a jar that no sentence speaks of any more stays on the shelf")
	}
	if n, _ := d.Need(s.Uses[0]); n.Amount != "150 mL" {
		t.Errorf("the amount is %q", n.Amount)
	}
	write(d, "read", "en", "Measure the height of the wet edge.")
	if s = stepOf(t, d, "read"); s.Wait != nil {
		t.Errorf("the wait stays: %+v", s.Wait)
	}
	write(d, "read", "en", "Wash the bowl.")
	if s = stepOf(t, d, "read"); len(s.Takes) != 0 || len(d.Readings) != 0 || s.Kind != "clear-up" {
		t.Errorf("a reading stays without a sentence: %+v %+v", s, d.Readings)
	}
}

// TestReadingsByHand: a question in a step that takes its reading under another name asks
// for no second one.
func TestReadingsByHand(t *testing.T) {
	d := sugar()
	d.Readings = []design.Reading{{ID: "height", Symbol: "h", Unit: "mm",
		Name: text.Localized{"en": "height of the wet edge"}}}
	d.Steps = []design.Step{{ID: "s", Kind: "measure", Title: text.Localized{"en": "x"}, Text: text.Localized{},
		Takes: []design.Take{{Reading: "height", Time: "1 min"}}}}
	write(d, "s", "en", "How far has the water climbed on each strip?")
	s := stepOf(t, d, "s")
	if len(d.Readings) != 1 || len(s.Takes) != 1 {
		t.Errorf("a second reading is made: %+v, %+v", d.Readings, s.Takes)
	}
	pieces := sentence.Read(sentence.Of(d), s.Text["en"], "en")
	if len(pieces) != 1 || !sentence.Stands(d, "s", "en", pieces, 0) {
		t.Errorf("what is taken by hand is said to be missing: %+v", pieces)
	}
}

// TestTwoLanguagesOfAStep: the second text is tied to what the first one took, makes nothing
// twice, and what both say goes out with the last of them.
func TestTwoLanguagesOfAStep(t *testing.T) {
	d := sugar()
	write(d, "s", "en", "Pour 200 mL of vinegar over the gizmo, measure the height and take a photo of it. "+
		"Keep the gizmo.")
	needs, readings, evidence := len(d.Needs), len(d.Readings), len(d.Evidence)
	write(d, "s", "es", "Vierte 200 mL de vinagre sobre el cachivache, mide la altura y toma una foto. Guarda "+
		"el cachivache.")
	if len(d.Needs) != needs || len(d.Readings) != readings || len(d.Evidence) != evidence || readings != 1 ||
		evidence != 1 || needs != 2 {
		t.Fatalf("the second language makes %+v, %+v, %+v", d.Needs, d.Readings, d.Evidence)
	}
	s := stepOf(t, d, "s")
	if n, _ := d.Need("gizmo"); n == nil || n.Name["es"] != "cachivache" || d.Readings[0].Name["es"] != "altura" ||
		d.Evidence[0].Name["es"] == "" ||
		len(s.Helps) != 1 || s.Helps[0].Thing["es"] == "" {
		t.Errorf("not tied: %+v, %+v, %+v, %+v", d.Needs, d.Readings, d.Evidence, s.Helps)
	}
	write(d, "s", "es", "")
	if s = stepOf(t, d, "s"); len(d.Needs) != needs || len(s.Takes) != 1 || len(s.Actions) == 0 ||
		len(s.Evidence) != 1 || len(s.Helps) != 1 {
		t.Errorf("without the second text the first one's meaning is gone: %+v", s)
	}
	write(d, "s", "en", "")
	if s = stepOf(t, d, "s"); len(d.Needs) != 0 || len(d.Readings) != 0 || len(s.Actions) != 0 ||
		len(s.Evidence) != 0 || len(s.Helps) != 0 {
		t.Errorf("without any text there stays %+v, %+v, %+v", s, d.Needs, d.Readings)
	}
}

// TestTitles: a step is called by the first thing it says to do.
func TestTitles(t *testing.T) {
	for words, want := range map[string]string{
		"Wait 12 hours, drain the beans and dry them with a towel.": "Drain the beans and dry them with a towel",
		"Wait 4 minutes.": "Wait 4 minutes",
		"Label three glasses cold, hand-warm and warm.":                        "Label three glasses cold, hand-warm and warm",
		"Pour the tea into the mug, wait 3 minutes, and read the temperature.": "Pour the tea into the mug",
	} {
		d := sugar()
		write(d, "s", "en", words)
		if got := stepOf(t, d, "s").Title["en"]; got != want {
			t.Errorf("%q is called %q, wanted %q", words, got, want)
		}
	}
}

// TestReadAgain: the same thing weighed in two steps is two readings, also by the same words.
func TestReadAgain(t *testing.T) {
	for _, second := range []string{"Weigh the beans again.", "Weigh the beans."} {
		d := sugar()
		write(d, "a", "en", "Weigh the beans.")
		write(d, "b", "en", second)
		if len(d.Readings) != 2 || d.Readings[0].Name["en"] == d.Readings[1].Name["en"] ||
			d.Readings[0].Symbol == d.Readings[1].Symbol {
			t.Errorf("%q: %+v", second, d.Readings)
		}
		write(d, "b", "en", "Wash the beans.")
		if len(d.Readings) != 1 {
			t.Errorf("%q taken back leaves %d readings", second, len(d.Readings))
		}
	}
}

// TestTakeBack: a sentence that is taken back leaves nothing behind.
func TestTakeBack(t *testing.T) {
	for _, words := range []string{
		"Pour 200 mL of warm water into the jar, wait 4 minutes, read the height every minute.",
		"Put three washers in the boat and count the drops that fall in.",
		"Ask an adult to heat the milk to 40 °C.", "Take a photo of the three jars.",
		"Soak 20 chickpeas in a bowl of water for 12 hours.",
		"Stir the cold, hand-warm or warm water until no grains are left, at most 5 minutes.",
		"Put the pipes in order from highest to lowest.",
	} {
		d := sugar()
		d.Steps = []design.Step{{ID: "one", Kind: "do", Title: text.Localized{}, Text: text.Localized{}},
			{ID: "two", Kind: "do", Title: text.Localized{"en": "x"}}}
		before := marshal(t, d)
		write(d, "one", "en", words)
		write(d, "one", "en", "")
		delete(d.Steps[0].Text, "en")
		delete(d.Steps[0].Title, "en")
		d.Steps[0].Kind = "do"
		if after := marshal(t, d); after != before {
			t.Errorf("%q, taken back:\n%s\nwanted\n%s", words, after, before)
		}
	}
}

func marshal(t *testing.T, d *design.Document) string {
	t.Helper()
	raw, err := json.Marshal(d)
	if err != nil {
		t.Fatal(err)
	}
	return string(raw)
}

// TestOnlyWords: what is said to be only words goes out of the design, and is not asked
// about or taken again.
// A vessel is closed as long as a text says so, in any language; a tick by hand stays.
func TestLid(t *testing.T) {
	d := sugar()
	for _, c := range []struct {
		language, words string
		closed          bool
	}{
		{"en", "Pour the water into the jar.", false},
		{"en", "Pour the water into the jar and close the lid.", true},
		{"es", "Vierte el agua en el frasco y cierra la tapa.", true},
		{"en", "Pour the water into the jar.", true}, // the Spanish text still says it
		{"es", "Vierte el agua en el frasco.", false},
		{"en", "Shake the closed jar.", true},
		{"en", "Shake the jar.", false},
	} {
		write(d, "pour", c.language, c.words)
		if s := stepOf(t, d, "pour"); s.Closed != c.closed {
			t.Errorf("after %q: closed %t", c.words, s.Closed)
		}
	}
	d.Steps[0].Closed = true
	write(d, "pour", "en", "Shake the jar twice.")
	if !stepOf(t, d, "pour").Closed {
		t.Error("what was ticked by hand is gone")
	}
}

func TestOnlyWords(t *testing.T) {
	d := sugar()
	write(d, "s", "en", "Pour 200 mL of vinegar into the jar.")
	if !sentence.Carry(d, "s", "en", sentence.Revision{Kind: sentence.Plain, Value: "jar"}, "") {
		t.Fatal("not carried out")
	}
	s := stepOf(t, d, "s")
	if _, there := d.Need("jar"); there || s.In != "" || len(s.Uses) != 1 || !slices.Equal(s.Plain, []string{"jar"}) {
		t.Errorf("it stays: %+v, %+v", s, d.Needs)
	}
	write(d, "s", "en", "Pour 250 mL of vinegar into the jar.")
	if _, there := d.Need("jar"); there {
		t.Error("it is taken again")
	}
}

func TestLanes(t *testing.T) {
	d := sugar()
	write(d, "pour", "en", "Pour 200 mL of cold, hand-warm or warm water into its glass.")
	if s := stepOf(t, d, "pour"); !s.Each || len(s.Conditions) != 0 {
		t.Errorf("all lanes: %+v", s)
	}
	write(d, "pour", "en", "Put an ice cube into the cold glass.")
	if s := stepOf(t, d, "pour"); s.Each || !slices.Equal(s.Conditions, []string{"cold"}) {
		t.Errorf("one lane: %+v", s)
	}
	write(d, "es", "es", "Vierte el agua fría, tibia o caliente en su vaso.")
	if s := stepOf(t, d, "es"); !s.Each {
		t.Errorf("all lanes in Spanish: %+v", s)
	}
}

// TestLanesAndWaitsOfTwoLanguages: what one text says of them stays when the other lets it go.
func TestLanesAndWaitsOfTwoLanguages(t *testing.T) {
	d := sugar()
	write(d, "s", "en", "Wait 4 minutes, then put an ice cube into the cold glass.")
	write(d, "s", "es", "Espera 4 minutos y pon un cubito de hielo en el vaso.")
	write(d, "s", "es", "Pon un cubito de hielo en el vaso.")
	if s := stepOf(t, d, "s"); !slices.Equal(s.Conditions, []string{"cold"}) || s.Wait == nil || s.Wait.For != "4 min" {
		t.Errorf("the first text says it and it is gone: %+v", s)
	}
}

func TestWaitsOfASentence(t *testing.T) {
	d := sugar()
	d.Steps = []design.Step{{ID: "soak", Text: text.Localized{}, Title: text.Localized{}},
		{ID: "weigh", Text: text.Localized{}, Title: text.Localized{}}}
	write(d, "soak", "en", "Soak 20 chickpeas in a bowl of water for 12 hours.")
	if s := stepOf(t, d, "weigh"); s.Wait == nil || s.Wait.For != "12 h" {
		t.Errorf("a wait at a sentence's end is not before the next step: %+v", s.Wait)
	}
	write(d, "weigh", "en", "Weigh the chickpeas.")
	if s := stepOf(t, d, "weigh"); s.Wait == nil || s.Wait.For != "12 h" || s.Takes == nil {
		t.Errorf("it is gone once that step has words: %+v", s)
	}
	write(d, "soak", "en", "Soak 20 chickpeas in a bowl of water overnight.")
	if s := stepOf(t, d, "weigh"); s.Wait == nil || s.Wait.For != "14 h" {
		t.Errorf("it does not follow its words: %+v", s.Wait)
	}

	write(d, "two", "en", "Pour the tea into the mug, wait 3 minutes, and read the temperature.")
	if s := stepOf(t, d, "two"); s.Wait != nil {
		t.Errorf("a wait in the middle is put before: %+v", s.Wait)
	}
	q := ask(d, "two", "en")
	i := slices.IndexFunc(q, func(q sentence.Question) bool { return q.Answers[0].Change.Kind == sentence.Split })
	if i < 0 {
		t.Fatalf("a wait in the middle is not asked about: %+v", q)
	}
	if !sentence.Carry(d, "two", "en", q[i].Answers[0].Change, "") {
		t.Fatal("the split is not carried out")
	}
	at, _ := d.Step("two")
	one, two := d.Steps[at], d.Steps[at+1]
	if one.Text["en"] != "Pour the tea into the mug." ||
		two.Text["en"] != "Wait 3 minutes, and read the temperature." || len(one.Takes) != 0 ||
		len(two.Takes) != 1 || two.Wait == nil || two.Wait.For != "3 min" {
		t.Errorf("split into %+v and %+v", one, two)
	}
}

func TestAsk(t *testing.T) {
	for _, c := range []struct{ language, words, question, answered string }{
		{"en", "Add sugar.", "How much sugar?", "Add 2 tsp of sugar."},
		{"es", "Añade azúcar.", "¿Cuánto: azúcar?", "Añade 2 tsp de azúcar."},
		{"en", "Wait 5.", "Wait 5 of what?", "Wait 5 min."},
		{"en", "Pour 200 mL of warm water into the jar.", "How warm is “warm”?", ""},
		{"en", "Read the height every minute.", "until when?", ""},
		{"en", "Put the gizmo into the jar.", "What is “gizmo”?", ""},
	} {
		d := sugar()
		write(d, "s", c.language, c.words)
		q := ask(d, "s", c.language)
		i := slices.IndexFunc(q, func(q sentence.Question) bool {
			return strings.Contains(text.Render(q.Words, c.language), c.question)
		})
		if i < 0 {
			t.Errorf("%q does not ask %q", c.words, c.question)
			continue
		}
		if c.answered != "" {
			change := q[i].Answers[0].Change
			if q[i].Field != nil {
				change = *q[i].Field
			}
			if !sentence.Carry(d, "s", c.language, change, "2 tsp") ||
				stepOf(t, d, "s").Text[c.language] != c.answered {
				t.Errorf("%q answered: %q, wanted %q", c.words, stepOf(t, d, "s").Text[c.language], c.answered)
			}
		}
		last := q[i].Answers[len(q[i].Answers)-1].Change
		if last.Kind != sentence.Plain || !sentence.Carry(d, "s", c.language, last, "") {
			t.Errorf("%q cannot be said to be only words", c.words)
		}
	}
	// What is said, or was said before, is not asked.
	for _, words := range []string{"Add 1 tsp of sugar.", "Add the sugar.", "Wait 5 minutes.",
		"Put the jar on the table.", "Heat the milk to 40 °C."} {
		d := sugar()
		write(d, "s", "en", words)
		for _, q := range ask(d, "s", "en") {
			t.Errorf("%q asks %q", words, text.Render(q.Words, "en"))
		}
	}
}

// TestExamplesAreRead: the steps that ship with the program are read without end or
// fault, and hardly one says nothing at all.
func TestExamplesAreRead(t *testing.T) {
	files, _ := filepath.Glob("../../docs/examples/*.json")
	read, silent := 0, 0
	for _, file := range files {
		raw, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		d, err := design.Read(raw)
		if err != nil {
			continue
		}
		for _, s := range d.Steps {
			for lang, words := range s.Text {
				read++
				if len(sentence.Read(sentence.Of(&d), words, lang)) == 0 {
					silent++
					t.Logf("nothing taken of %q", words)
				}
			}
		}
	}
	if read < 100 || silent*20 > read {
		t.Errorf("of %d texts %d say nothing", read, silent)
	}
}

// pieces lie in their text and are what they say.
func sound(t *testing.T, words string, pieces []sentence.Piece) {
	t.Helper()
	runes := []rune(words)
	for _, p := range pieces {
		if p.From < 0 || p.To > len(runes) || p.From >= p.To || string(runes[p.From:p.To]) != p.Words ||
			p.Of >= len(pieces) {
			t.Fatalf("%q: a piece %+v", words, p)
		}
	}
}

func FuzzRead(f *testing.F) {
	for _, file := range []string{"testdata/en.txt", "testdata/es.txt"} {
		raw, _ := os.ReadFile(file)
		for line := range strings.Lines(string(raw)) {
			words, _, _ := strings.Cut(line, " |")
			f.Add(words, file[len("testdata/"):][:2])
		}
	}
	f.Add("Pour İ 200 mL ½ of ﬁne water\u0301 into, into a the a.", "en")
	f.Fuzz(func(t *testing.T, words, language string) {
		d := sugar()
		d.Steps = []design.Step{{ID: "s", Kind: "do", Title: text.Localized{}, Text: text.Localized{language: words}},
			{ID: "z", Kind: "do"}}
		sound(t, words, sentence.Read(sentence.Of(d), words, language))
		again := sentence.Read(sentence.Of(d), words, language)
		if !reflect.DeepEqual(again, sentence.Read(sentence.Of(d), words, language)) {
			t.Fatal("read twice, two readings")
		}
		sentence.Take(d, "s", "", language)
		for _, q := range ask(d, "s", language) {
			for _, a := range q.Answers {
				copied := *d
				copied.Steps = slices.Clone(d.Steps)
				sentence.Carry(&copied, "s", language, a.Change, "3 g")
			}
		}
		raw, err := json.Marshal(d)
		if err != nil {
			t.Fatal(err)
		}
		if _, err := design.Read(raw); err != nil {
			t.Fatalf("%q makes a design that cannot be read: %v", words, err)
		}
	})
}

func BenchmarkRead(b *testing.B) {
	d := sugar()
	w := sentence.Of(d)
	for b.Loop() {
		sentence.Read(w,
			"Pour 200 mL of warm water into the jar, wait 4 minutes, read the height every minute. Gently!", "en")
	}
}

func ask(d *design.Document, step, language string) []sentence.Question {
	i, _ := d.Step(step)
	return sentence.Open(d).Ask(i, language)
}

func TestLanesOfALine(t *testing.T) {
	for _, c := range []struct {
		language, line string
		want           []string // name, value, unit, control
	}{
		{"en", "cold 15 °C, hand-warm 30 °C, warm 40 °C", []string{"cold|15|°C|false", "hand-warm|30|°C|false",
			"warm|40|°C|false"}},
		{"en", "plain, salty: 1 tsp and very salty (3 tsp)", []string{"plain|||true", "salty|1|metric tsp|false",
			"very salty|3|metric tsp|false"}},
		{"es", "sin sal, 1 cucharadita, 3 cucharaditas", []string{"sin sal|||true", "1 cucharadita|1|metric tsp|false",
			"3 cucharaditas|3|metric tsp|false"}},
		{"en", "printer paper, newspaper, kitchen roll", []string{"printer paper|||false", "newspaper|||false",
			"kitchen roll|||false"}},
		{"en", "6 cm, 9 cm", []string{"6 cm|6|cm|false", "9 cm|9|cm|false"}},
		{"en", " , ;", nil},
	} {
		d := &design.Document{Readings: []design.Reading{{ID: "r"}}}
		sentence.TakeLanes(d, c.line, c.language)
		var got []string
		for _, x := range d.Conditions {
			got = append(got, strings.Join([]string{x.Name[c.language], x.Value, x.Unit,
				map[bool]string{true: "true", false: "false"}[x.Control]}, "|"))
		}
		if !slices.Equal(got, c.want) {
			t.Errorf("%q: %q, wanted %q", c.line, got, c.want)
		}
		if len(c.want) > 1 && !d.Readings[0].PerCondition() {
			t.Errorf("%q: a reading is not of each", c.line)
		}
	}
}

// TestPlacesAreMarked: a sentence that marks where something is on the picture makes a place,
// in both languages; marking with a pencil does not.
func TestPlacesAreMarked(t *testing.T) {
	for language, lines := range map[string][2]string{
		"en": {"Mark on the picture where the drop stops.", "Mark the strip at 2 cm with a pencil."},
		"es": {"Marca en el dibujo dónde se para la gota.", "Marca la tira a 2 cm con un lápiz."},
	} {
		d := sugar()
		d.Steps = []design.Step{{ID: "look", Kind: "do"}}
		write(d, "look", language, lines[0])
		s := stepOf(t, d, "look")
		if len(s.Takes) != 1 {
			t.Fatalf("%q takes %+v", lines[0], s.Takes)
		}
		if r, _ := d.Reading(s.Takes[0].Reading); r.Sort() != design.PositionKind || r.Place == nil || r.Unit != "%" ||
			r.Symbol == "" {
			t.Errorf("%q: %+v", lines[0], r)
		}
		write(d, "look", language, lines[1])
		if s := stepOf(t, d, "look"); len(s.Takes) != 0 {
			t.Errorf("%q takes %+v", lines[1], s.Takes)
		}
	}
}

// TestPlace: what a piece says stands at a place of the design, or nowhere.
func TestPlace(t *testing.T) {
	d := sugar()
	write(d, "s", "en", "Wait 4 minutes, then pour 250 mL of vinegar into the jar, take a photo, measure the height slowly.")
	sentence.Take(d, "s", "", "en")
	pieces := sentence.Read(sentence.Of(d), d.Steps[0].Text["en"], "en")
	raw, _ := json.Marshal(d)
	for k, p := range pieces {
		at := sentence.Place(d, "s", "en", pieces, k)
		var doc any
		_ = json.Unmarshal(raw, &doc)
		for _, key := range strings.Split(at, "/")[min(1, len(at)):] {
			switch in := doc.(type) {
			case map[string]any:
				doc = in[key]
			case []any:
				n, _ := strconv.Atoi(key)
				doc = in[n]
			}
		}
		found, _ := json.Marshal(doc)
		want := map[sentence.Kind]string{
			sentence.Amount: `"amount":"250 mL"`, sentence.Thing: `"material":"vinegar-white"`, sentence.Act: "pour",
			sentence.Wait: "4 min", sentence.Reading: `"height"`, sentence.Evidence: `"photo"`,
			sentence.Vessel: `jar`,
		}[p.Kind]
		if at == "" && p.Kind != sentence.Act || !strings.Contains(string(found), want) {
			t.Errorf("%s %q stands at %q: %.120s has no %s", p.Kind, p.Words, at, found, want)
		}
	}
	// A reading of another name is the one of its kind that the step takes.
	d.Readings[0].Name = text.Localized{"en": "how far up it came"}
	d.Readings[0].Symbol = "up"
	for k, p := range pieces {
		if p.Kind == sentence.Reading && sentence.Place(d, "s", "en", pieces, k) != "/readings/0" {
			t.Errorf("%q stands at %q", p.Words, sentence.Place(d, "s", "en", pieces, k))
		}
	}
	if at := sentence.Place(d, "nothing", "en", pieces, 0); at != "" {
		t.Errorf("a piece of no step stands at %q", at)
	}
}
