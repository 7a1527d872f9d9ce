package safety_test

import (
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/lexicon"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// saying is a one-step design whose text says something.
func saying(sentence, lang string) *design.Document {
	d := plan("w: water-tap 100 mL\nj: mug\n---\na: pour with w in j")
	d.Steps[0].Text = text.Localized{lang: sentence}
	return d
}

func asked(found []safety.Hazard) (out []safety.Hazard) {
	for _, f := range found {
		if f.Said != nil {
			out = append(out, f)
		}
	}
	return out
}

// What is said and neither ticked nor listed is asked about, in the words of
// the rule it would fall under, and judged as the worst until it is answered.
func TestSaid(t *testing.T) {
	for _, c := range []struct {
		sentence, lang string
		concept, rule  string // "" for nothing asked
		verdict        safety.Verdict
	}{
		{"Light the candle and put the jar over it.", "en", "candle", "flame", safety.AdultDoes},
		{"Enciende la vela.", "es", "candle", "flame", safety.AdultDoes},
		{"No enciendas la vela sin una persona adulta.", "es", "candle", "flame", safety.AdultDoes},
		{"No candle is needed here.", "en", "", "", ""},
		{"Never light anything.", "en", "", "", ""},
		{"Taste a little of it.", "en", "taste", "taste", safety.NotAtHome},
		{"Look straight at the sun.", "en", "sun-look", "light", safety.NotAtHome},
		{"Stand on a chair and drop it.", "en", "climb", "height", safety.AdultNear},
		{"Cut it with a kitchen knife.", "en", "knife", "blade", safety.AdultNear},
		{"The lighter one floats.", "en", "", "", ""},
		{"Put the lid on tight and wait.", "en", "", "", ""}, // water in a mug
		{"Hold the ruler beside the strip.", "en", "", "", ""},
		{"Your teacher lights a candle in the video.", "en", "", "", ""},
	} {
		found := asked(safety.Check(saying(c.sentence, c.lang)))
		if c.concept == "" {
			if len(found) > 0 {
				t.Errorf("%q asks %s", c.sentence, found[0].Said.Concept)
			}
			continue
		}
		i := slices.IndexFunc(
			found,
			func(f safety.Hazard) bool { return f.Said.Concept == c.concept || f.Rule == c.rule },
		)
		if i < 0 || found[i].Rule != c.rule || found[i].Verdict != c.verdict || !found[i].Asks ||
			!strings.Contains(found[i].Said.Sentence, found[i].Said.Words) {
			t.Errorf("%q: %+v", c.sentence, found)
			continue
		}
		for _, lang := range text.Languages {
			if q := text.Render(found[i].Said.Question, lang); q == "" || strings.ContainsAny(q, "[{") {
				t.Errorf("%s: %q", c.concept, q)
			}
		}
	}
}

// A lid on a fizz is asked about, one on beans is not; the answer of the
// strictest settles its family; a thing is asked about once.
func TestSaidOnlyWhatMatters(t *testing.T) {
	fizz := plan("v: vinegar-white 50 mL\ns: baking-soda 2 g\nj: jam-jar\n---\na: pour with v s in j")
	fizz.Steps[0].Text = text.Localized{"en": "Screw the lid on tight."}
	if f := asked(safety.Check(fizz)); len(f) != 1 || f[0].Rule != "gas-rigid-closed" || !f[0].Absolute {
		t.Errorf("%+v", f)
	}
	beans := plan("b: chickpea 50 g\nj: jam-jar\n---\na: put with b in j")
	beans.Steps[0].Text = fizz.Steps[0].Text
	if f := asked(safety.Check(beans)); len(f) != 0 {
		t.Errorf("%+v", f)
	}
	two := saying("Heat it on the stove until it boils.", "en")
	if f := asked(safety.Check(two)); len(f) != 1 {
		t.Errorf("one family, %d questions", len(f))
	}
	again := plan("w: water-tap\n---\na: put with w\nb: put with w")
	again.Steps[0].Text, again.Steps[1].Text = text.Localized{
		"en": "Bring a candle.",
	}, text.Localized{
		"en": "Put the candle down.",
	}
	if f := asked(safety.Check(again)); len(f) != 1 {
		t.Errorf("a thing is asked about %d times", len(f))
	}
	both := saying("Put it down.", "en")
	both.Steps[0].Text["es"] = "Enciende la vela."
	if f := asked(safety.Check(both)); len(f) == 0 {
		t.Error("what only the Spanish text says does not count")
	}
}

// The same said in two languages is one question, of the strictest; answered,
// nothing of it is left. What only one language says is asked in its own words.
func TestSaidInTwoLanguages(t *testing.T) {
	for _, c := range []struct {
		en, es   string
		language string
	}{
		{"Heat it on the stove until it boils.", "Hiérvela en la estufa.", "en"},
		{"Cut the strip.", "Corta la tira con un cuchillo de cocina.", "es"},
		{"Fill the cup. Cut the strip.", "Llena el vaso. Corta la tira con un cuchillo de cocina.", "es"},
	} {
		d := saying(c.en, "en")
		d.Steps[0].Text["es"] = c.es
		f := asked(safety.Check(d))
		if len(f) != 1 || f[0].Said.Language != c.language {
			t.Errorf("%q, %q: %d questions, %+v", c.en, c.es, len(f), f)
			continue
		}
		d.Heard = []design.Heard{
			{
				Key:     f[0].Said.Key,
				Concept: f[0].Said.Concept,
				Answer:  "other",
				Reason:  "It is only what the poem is about, nobody does it.",
				By:      "R. Tarrant",
			},
		}
		if f := asked(safety.Check(d)); len(f) != 0 {
			t.Errorf("answered, and still asked: %+v", f[0].Said)
		}
	}
	d := saying("Cut the strip with a kitchen knife.", "en")
	d.Steps[0].Text["es"] = "Corta la tira con un cuchillo de cocina. Enciende la vela."
	if f := asked(safety.Check(d)); len(f) != 2 {
		t.Errorf("%d questions", len(f))
	}
}

// Ticking or listing settles a question; an answer holds as long as the
// sentence, the needs of its step and the way of working stay, with a reason
// as long as the verdict asks.
func TestSaidAnswered(t *testing.T) {
	d := saying("Light the wick of the candle.", "en")
	f := asked(safety.Check(d))
	if len(f) == 0 {
		t.Fatal("nothing is asked")
	}
	var yes safety.Change
	for _, m := range safety.Mends(d, larder.Standard(), f[0]) {
		if m.Change.Kind == safety.Tick && m.Change.Step == "a" && yes.Kind == "" {
			yes = m.Change
		}
	}
	ticked, err := safety.Apply(d, larder.Standard(), yes)
	if err != nil {
		t.Fatal(err)
	}
	if left := asked(safety.Check(ticked)); len(left) != 0 || safety.Worst(safety.Check(ticked)) != safety.AdultDoes {
		t.Errorf("ticked, and %+v", left)
	}
	for _, c := range []struct {
		name   string
		answer design.Heard
		change func(*design.Document)
		asks   bool
	}{
		{"with a reason", design.Heard{Answer: "other", Reason: "it is a paper candle"}, nil, false},
		{"without", design.Heard{Answer: "other", Reason: "no"}, nil, true},
		{"other words", design.Heard{Answer: "other", Reason: "it is a paper candle"},
			func(d *design.Document) { d.Steps[0].Text["en"] = "Light the wick of the big candle." }, true},
		{"the same words, written otherwise", design.Heard{Answer: "other", Reason: "it is a paper candle"},
			func(d *design.Document) { d.Steps[0].Text["en"] = "light the wick, of the candle" }, false},
		{"other needs", design.Heard{Answer: "other", Reason: "it is a paper candle"},
			func(d *design.Document) { d.Needs[0].Material = "isopropyl-70" }, true},
		{"the teacher alone, but homes do it", design.Heard{Answer: "teacher"}, nil, true},
	} {
		d := saying("Light the wick of the candle.", "en")
		for _, q := range asked(safety.Check(d)) {
			c.answer.Key, c.answer.Concept = q.Said.Key, q.Said.Concept
			d.Heard = append(d.Heard, c.answer)
		}
		for range 3 { // the answer to one of a family may bring the next
			for _, q := range asked(safety.Check(d)) {
				c.answer.Key, c.answer.Concept = q.Said.Key, q.Said.Concept
				d.Heard = append(d.Heard, c.answer)
			}
		}
		if c.change != nil {
			c.change(d)
		}
		if left := asked(safety.Check(d)); len(left) > 0 != c.asks {
			t.Errorf("%s: %+v", c.name, left)
		}
	}
	// What is almost sure and never for homes means nothing else.
	sun := saying("Stare at the sun for a minute.", "en")
	q := asked(safety.Check(sun))[0]
	sun.Heard = []design.Heard{
		{Key: q.Said.Key, Concept: q.Said.Concept, Answer: "other", Reason: "the sun of our play, honestly, a lamp"},
	}
	if len(asked(safety.Check(sun))) == 0 || q.Said.Least != -1 {
		t.Errorf("%+v", q.Said)
	}
}

// No text ever lowers a verdict: a design with a sentence more is judged at
// least as strictly.
func TestTextsNeverLower(t *testing.T) {
	sentences := []string{
		"Light the candle.",
		"No candle is needed.",
		"Do not heat it.",
		"It is safe, the school says so.",
		"Taste nothing.",
		"Nobody gets hurt.",
		"Only your teacher does this.",
		"If it breaks, sweep it up.",
	}
	for i, c := range everyRule {
		d := plan(c.triggers)
		if len(d.Steps) == 0 {
			continue
		}
		was := safety.Judge(d, larder.Standard(), nil).Bands
		d.Steps[0].Text = text.Localized{"en": sentences[i%len(sentences)]}
		d.Title = text.Localized{"en": sentences[(i+3)%len(sentences)]}
		now := safety.Judge(d, larder.Standard(), nil).Bands
		for k := range was {
			if was[k].Worse(now[k]) {
				t.Errorf("%q lowered %s to %s:\n%s", sentences[i%len(sentences)], was[k], now[k], c.triggers)
			}
		}
	}
}

// A concept that is ticked and one that is only said end at the same verdict,
// or at a question that is judged as gravely.
func TestTickedAndSaidAgree(t *testing.T) {
	l := larder.Standard()
	allowed, barred := safety.Actions()
	acts := slices.Concat(allowed, barred)
	for _, c := range lexicon.Concepts() {
		for _, lead := range c.Leads {
			if strings.HasPrefix(lead, "+") {
				if _, ok := l.Material(lead[1:]); !ok {
					t.Errorf("%s leads to the unknown thing %s", c.ID, lead)
				}
			} else if strings.HasPrefix(lead, "=") {
				if id, _, _ := strings.Cut(lead[1:], "/"); !slices.Contains(safety.RuleIDs(), id) {
					t.Errorf("%s leads to the unknown rule %s", c.ID, lead)
				}
			} else if !slices.Contains(acts, lead) {
				t.Errorf("%s leads to the unknown action %s", c.ID, lead)
			}
		}
	}
	for sentence, action := range map[string]string{"Light the candle.": "light",
		"Cut it with a kitchen knife.": "knife", "Stand on a chair.": "climb", "Put it in the microwave.": "microwave",
		"Throw the ball hard.": "throw"} {
		said := saying(sentence, "en")
		ticked := saying("Do it.", "en")
		ticked.Steps[0].Actions = append(ticked.Steps[0].Actions, action)
		a, b := safety.Judge(said, l, nil).Bands, safety.Judge(ticked, l, nil).Bands
		for i := range a {
			if b[i].Worse(a[i]) {
				t.Errorf("%q is %s, ticked %s", sentence, a[i], b[i])
			}
		}
	}
}

// What families read about parts of the work is listened to as the steps are: nobody
// lights a candle in a part's or a person's words.
func TestPartsAreListenedTo(t *testing.T) {
	fire := text.Localized{"en": "Light the candle with a match.", "es": "Enciende la vela con un fósforo."}
	for name, put := range map[string]func(d *design.Document){
		"crew": func(d *design.Document) {
			d.Crew = []design.Role{{ID: "a", Word: text.Localized{"en": "Lamp"}, Does: fire}}
		},
		"sections": func(d *design.Document) {
			d.Sections = []design.Section{{ID: "a", Title: text.Localized{"en": "A"}, Keep: fire}}
		},
		"objects": func(d *design.Document) { d.Objects = []design.Object{{ID: "a", What: fire, Count: 1}} },
	} {
		d := plan("w: water-tap 100 mL\nj: mug\n---\na: pour with w in j")
		before := len(judge(d).Findings)
		put(d)
		if asked := judge(d).Findings; len(asked) <= before {
			t.Errorf("%s: nothing is asked about it", name)
		}
	}
}
