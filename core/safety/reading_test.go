package safety_test

import (
	"strings"
	"testing"
	"unicode"

	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
	"patient-kitchen/core/text/texttest"
)

func TestReadingAge(t *testing.T) {
	for _, lines := range []string{
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 2 g weighed\nb: zip-bag-large 1 L\nc: celery\n---\nz: gear-on, " +
			"label, keep-apart\na: pour with v s in b closed\nd: knife with c\nw: hot-water at 50 °C",
		"p: peroxide-3 20 mL\ny: yeast-dry-active\nk: kidney-bean-dry\nm: mug\n---\ng: gear-on\na: pour with p y in " +
			"m\nc: clear-leftover\nf: light\nh: scissors photo\ns: soil",
		"age: 5-7\nw: woodlouse\nb: balloon-latex\n---\na: watch-animal with w\ni: inflate with b\nl: climb\nm: " +
			"microwave\nx: blow-straw\nq: stand",
	} {
		d := plan(lines)
		var said [2]strings.Builder
		s := safety.BriefingOf(d, judge(d))
		for i, lang := range text.Languages {
			say := func(m text.Message) {
				words := strings.TrimSpace(text.Render(m, lang))
				said[i].WriteString(words)
				if !unicode.IsPunct(rune(words[len(words)-1])) {
					said[i].WriteString(".")
				}
				said[i].WriteString(" ")
			}
			for _, job := range s.Jobs {
				say(job.Why)
				say(job.Do)
			}
			for _, c := range s.During {
				say(c.Why)
				say(c.Do)
			}
			for _, list := range [][]text.Message{{s.Near}, s.Where, s.Before, s.Stop, s.Clearing, s.General} {
				for _, m := range list {
					say(m)
				}
			}
			for _, id := range s.Cards {
				for _, c := range safety.Cards() {
					if c.ID == id {
						for _, m := range c.Steps {
							say(m)
						}
					}
				}
			}
		}
		if g := texttest.Measure(said[0].String(), "en").FleschKincaid(); g > 6 {
			t.Errorf("English reads at grade %.1f: %s", g, said[0].String())
		}
		if g := texttest.Measure(said[1].String(), "es").FernandezHuerta(); g < 70 {
			t.Errorf("Spanish reads at %.0f: %s", g, said[1].String())
		}
	}
}

func TestListsAndNothing(t *testing.T) {
	milk, soy, egg := text.Message{
		ID: "larder.allergen.milk",
	}, text.Message{
		ID: "larder.allergen.soy",
	}, text.Message{
		ID: "larder.allergen.egg",
	}
	for _, c := range []struct {
		list     text.List
		language string
		want     string
	}{
		{text.List{milk}, "en", "It contains or may contain milk. Read the labels."},
		{text.List{milk, soy}, "en", "It contains or may contain milk and soy. Read the labels."},
		{text.List{milk, soy, egg}, "es", "Contiene o puede contener leche, soya y huevo. Lea las etiquetas."},
	} {
		if got := text.Render(text.Message{ID: "safety.holds", Args: text.Args{"allergens": c.list}},
			c.language); got != c.want {
			t.Errorf("%q, want %q", got, c.want)
		}
	}
	if got := text.Render(text.Message{}, "en"); got != "" {
		t.Errorf("nothing says %q", got)
	}
	if text.Has("no.such.text") || !text.Has("safety.holds") {
		t.Error("Has")
	}
}
