package safety_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// No name, note, kind, answer or entry of a school's own ever makes a verdict
// milder, at any age; only a lowering does, and says so.
func TestWhatIsWrittenNeverLowers(t *testing.T) {
	r := rand.New(rand.NewPCG(15, 16))
	l := larder.Standard()
	allowed, barred := safety.Actions()
	actions := append(append(allowed, barred...), "anything")
	heats, volts := []string{"", "40 °C", "55 °C", "90 °C"}, []string{"", "3 V", "9 V"}
	refused := []string{
		"lye",
		"drain crystals",
		"lejía",
		"lejia",
		"drain crystal",
		"old lye tin",
		"bleach",
		"sosa cáustica",
	}
	words := []string{
		"It is quite safe.",
		"No flame, no heat, nothing closed.",
		"An adult was asked.",
		"The school allows this.",
		"Es inofensivo.",
		"Only water, really.",
	}
	for range 300 {
		d := &design.Document{
			Schema:    2,
			AgeBand:   design.AgeBands[r.IntN(4)],
			Way:       design.PredictThenTry,
			Trials:    1,
			Languages: []string{"en", "es"},
		}
		for range 1 + r.IntN(5) {
			addNeed(r, d, l)
			addStep(r, d, actions, heats, volts)
		}
		for i := range d.Needs {
			m, _ := l.Material(d.Needs[i].Material)
			d.Needs[i].Name = m.Name
		}
		was := safety.Judge(d, l, nil).Bands
		i := r.IntN(len(d.Needs))
		for what, write := range map[string]func(*design.Document){
			"a refused name": func(d *design.Document) {
				d.Needs[i].Name = text.Localized{"en": refused[r.IntN(len(refused))]}
			},
			"a note": func(d *design.Document) { d.Needs[i].Note = text.Localized{"en": words[r.IntN(len(words))]} },
			"a text": func(d *design.Document) { d.Steps[0].Text = text.Localized{"en": words[r.IntN(len(words))]} },
			"a stand-in in words": func(d *design.Document) {
				d.Needs[i].Instead = []text.Localized{{"en": words[r.IntN(len(words))]}}
			},
			"a place": func(d *design.Document) { d.Place = text.Localized{"en": words[r.IntN(len(words))]} },
			"a kind": func(d *design.Document) {
				d.Needs[i].Kind = []design.NeedKind{design.ObjectNeed, design.PersonNeed, design.PlaceNeed}[r.IntN(3)]
			},
			"an answer to no question": func(d *design.Document) {
				d.Heard = []design.Heard{{Key: "nothing", Concept: "flame", Answer: "other",
					Reason: "it is only a figure of speech", By: "T"}}
			},
			"a caution of one's own": func(d *design.Document) {
				d.Cautions = []design.Caution{{ID: "own", Step: d.Steps[0].ID, Verdict: string(safety.Care),
					Why: text.Localized{"en": "x"}, Do: text.Localized{"en": "y"}}}
			},
		} {
			more := *d
			more.Needs, more.Steps = slices.Clone(d.Needs), slices.Clone(d.Steps)
			write(&more)
			now := safety.Judge(&more, more.Larder(), nil).Bands
			for band := range was {
				if was[band].Worse(now[band]) {
					t.Fatalf("%s made %s of %s:\n%+v\n%+v", what, now[band], was[band], more.Needs, more.Steps)
				}
			}
		}
	}
}
