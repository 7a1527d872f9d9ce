package review_test

import (
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/review"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
)

func TestMargin(t *testing.T) {
	raw, _ := docs.Example("paper-strips")
	blank := func(d *design.Document) {
		*d = design.Document{Schema: design.Schema, AgeBand: "11-13", Languages: d.Languages, Way: d.Way, Trials: 1}
	}
	for _, c := range []struct {
		name     string
		change   func(*design.Document)
		topic    review.Topic
		want     review.Weight
		issuable bool
	}{
		{"as it is", func(*design.Document) {}, "safety", review.Fine, true},
		{"as it is", func(*design.Document) {}, "time", review.Fine, true},
		{"as it is", func(*design.Document) {}, "fair", review.Fine, true},
		{"only just begun", blank, "show", review.Note, false},
		{"only just begun", blank, "time", review.Note, false},
		{"only just begun", blank, "words", review.Note, false},
		{"begun, and nothing measured", func(d *design.Document) { d.Readings, d.Derived = nil, nil }, "show",
			review.Stop, false},
		{"young ones", func(d *design.Document) { d.AgeBand = "5-7" }, "safety", review.Note, true},
		{"not said what it is", func(d *design.Document) { d.Needs[0].Kind = "" }, "safety", review.Mending, false},
		{"bleach", func(d *design.Document) { d.Needs[0].Kind, d.Needs[0].Material = design.MaterialNeed, "bleach" },
			"safety", review.Stop, false},
		{"hot water carried at once", func(d *design.Document) { d.Steps[0].Actions = []string{"hot-water", "carry"} },
			"safety", review.Mending, false},
		{"short lesson", func(d *design.Document) { d.Lesson = "10 min" }, "time", review.Mending, true},
		{"one condition", func(d *design.Document) { d.Conditions = d.Conditions[:1] }, "fair", review.Stop, false},
		{"broken formula", func(d *design.Document) { d.Derived[0].Formula = "(" }, "show", review.Stop, false},
	} {
		d, err := design.Read(raw)
		if err != nil {
			t.Fatal(err)
		}
		c.change(&d)
		r := review.Of(&d)
		margin := review.Margin(&d, r, nil)
		if r.Issuable() != c.issuable || len(margin) != len(review.Topics) {
			t.Errorf("%s: issuable %v, %d lines", c.name, r.Issuable(), len(margin))
		}
		for _, l := range margin {
			if l.Topic == c.topic && l.Weight != c.want {
				t.Errorf("%s: %s is %s, want %s", c.name, l.Topic, l.Weight, c.want)
			}
			for _, lang := range text.Languages {
				if s := text.Render(l.Message, lang); strings.ContainsAny(s, "[{") {
					t.Errorf("%s: %s", lang, s)
				}
			}
		}
	}
}

// Each line of the margin leads to the place where it is mended.
func TestMarginLeadsToThePlace(t *testing.T) {
	raw, _ := docs.Example("paper-strips")
	for _, c := range []struct {
		name        string
		change      func(*design.Document)
		topic       review.Topic
		path, words string
	}{
		{"a need that never may", func(d *design.Document) {
			d.Needs[1].Kind, d.Needs[1].Material = design.MaterialNeed,
				"bleach"
		}, "safety", "/needs/1", ""},
		{"a step that never may", func(d *design.Document) { d.Steps[2].Actions = []string{"craft-knife"} }, "safety",
			"/steps/2", ""},
		{"steps out of order", func(d *design.Document) { d.Steps[1].Actions = []string{"hot-water", "carry"} },
			"safety", "/steps/1", ""},
		{"an adult's job", func(d *design.Document) { d.Steps[3].Actions = []string{"scissors"}; d.AgeBand = "5-7" },
			"safety", "", "adult"},
		{"longer than the lesson", func(d *design.Document) { d.Lesson = "1 min" }, "time", "/lesson", "1 min"},
		{"hours", func(d *design.Document) { d.Lesson, d.Steps[2].Wait = "", &design.Wait{For: "300 min"} }, "time", "",
			" h"},
		{"a broken formula", func(d *design.Document) { d.Derived[0].Formula = "1 +" }, "show", "/derived/0/formula",
			""},
	} {
		d, err := design.Read(raw)
		if err != nil {
			t.Fatal(err)
		}
		c.change(&d)
		for _, l := range review.Margin(&d, review.Of(&d), nil) {
			if l.Topic != c.topic {
				continue
			}
			if said := text.Render(l.Message, "en"); c.path != "" && l.Path != c.path ||
				!strings.Contains(said, c.words) {
				t.Errorf("%s: %q leads to %q, wanted %q with %q", c.name, said, l.Path, c.path, c.words)
			}
		}
	}
}

// TestMarginOfSentences: what the sentences say is judged: no speed, a second difference,
// two languages that disagree, a wait in the middle, an open question; each with its mend
// where one key can do it.
func TestMarginOfSentences(t *testing.T) {
	word := func(en, es string) text.Localized { return text.Localized{"en": en, "es": es} }
	base := func() *design.Document {
		return &design.Document{
			Schema: 3, Title: word("Sugar", "Azúcar"), Question: word("Does it?", "¿Sí?"),
			Languages: []string{"en", "es"}, Trials: 1, AgeBand: "11-13",
			Way: "follow-along", Changed: design.Variable{Name: word("warmth", "temperatura")},
			Conditions: []design.Condition{{ID: "cold", Name: word("cold", "fría"), Control: true},
				{ID: "warm", Name: word("warm", "tibia")}},
		}
	}
	step := func(id, en, es string) design.Step {
		return design.Step{ID: id, Kind: "do", Title: word(en, es), Text: word(en, es)}
	}
	for _, c := range []struct {
		name  string
		steps []design.Step
		topic review.Topic
		want  review.Weight
		words string
		mend  bool
	}{
		{"no speed", []design.Step{step("a", "Stir the glass until no grains are left.",
			"Remueve el vaso una vez por segundo.")}, "fair", review.Mending, "no speed", true},
		{"a speed", []design.Step{step("a", "Stir the glass once a second.", "Remueve el vaso una vez por segundo.")},
			"fair", review.Fine, "2 conditions", false},
		{"two differences", []design.Step{
			{ID: "a", Kind: "do", Title: word("Salt", "Sal"), Text: word("Add it.", "Añádelo."),
				Conditions: []string{"warm"}, Actions: []string{"pour"}},
			{ID: "b", Kind: "do", Title: word("Shade", "Sombra"), Text: word("Move it.", "Muévelo."),
				Conditions: []string{"warm"}, Actions: []string{"put"}},
		}, "fair", review.Mending, "neither", false},
		{"two languages", []design.Step{step("a", "Pour 200 mL of vinegar into the jar.",
			"Vierte 250 mL de vinagre en el frasco.")}, "words", review.Mending, "200", true},
		{"care in one language", []design.Step{step("a", "Ask an adult to pour it.", "Viértelo.")}, "words",
			review.Stop, "an adult", false},
		{"a wait in the middle", []design.Step{step("a", "Pour the tea, wait 3 minutes, and read the temperature.",
			"Vierte el té.")}, "time", review.Mending, "Two steps in one?", true},
		{"all well", []design.Step{step("a", "Pour 200 mL of vinegar into the jar.",
			"Vierte 200 mL de vinagre en el frasco.")}, "words", review.Fine, "2 languages", false},
	} {
		d := base()
		d.Steps = c.steps
		lines := review.Margin(d, review.Of(d), nil)
		for i, topic := range review.Topics {
			if lines[i].Topic != topic {
				t.Fatalf("line %d speaks of %s, not %s", i, lines[i].Topic, topic)
			}
		}
		for _, l := range lines {
			if said := text.Render(l.Message, "en"); l.Topic == c.topic && (l.Weight != c.want ||
				!strings.Contains(said, c.words) || (l.Mend != nil) != c.mend) {
				t.Errorf("%s: %s %q, mend %+v", c.name, l.Weight, said, l.Mend)
			}
		}
	}
}

// A review answers while a teacher types.
func BenchmarkReview(b *testing.B) {
	raw, _ := docs.Example("thirsty-beans")
	d, err := design.Read(raw)
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		review.Margin(&d, review.Of(&d), nil)
	}
}
