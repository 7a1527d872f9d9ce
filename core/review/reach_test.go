package review_test

import (
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/review"
	"patient-kitchen/core/text"
)

// planned is a design as far as a plan goes: something read of each condition.
func planned(conditions ...design.Condition) *design.Document {
	return &design.Document{
		Schema: design.Schema, Languages: []string{"en", "es"}, Trials: 1, Way: design.FollowAlong,
		Changed:    design.Variable{Name: text.Localized{"en": "the salt", "es": "la sal"}},
		Measured:   []design.Variable{{Name: text.Localized{"en": "the gain"}, Reading: "mass"}},
		Conditions: conditions,
		Readings: []design.Reading{{ID: "mass", Symbol: "m", Unit: "g", Name: text.Localized{"en": "mass"},
			Per: []design.PartOf{"condition"}}},
	}
}

func lane(id, value, unit string) design.Condition {
	return design.Condition{ID: id, Name: text.Localized{"en": id, "es": id}, Value: value, Unit: unit}
}

// TestReach: a design says what it can show and what not, and no more than its
// conditions, levels and benches carry.
func TestReach(t *testing.T) {
	nothing := planned()
	nothing.Readings = nil
	seen := planned()
	seen.Readings, seen.Evidence = nil, []design.Evidence{{ID: "photo"}}
	unnamed := planned(lane("a", "", ""), lane("b", "", ""))
	unnamed.Changed, unnamed.Measured = design.Variable{}, nil
	chosen := planned(lane("a", "", ""), lane("b", "", ""), lane("c", "", ""))
	for i := range chosen.Conditions {
		chosen.Conditions[i].LevelFrom = "mass"
	}
	bench := planned(lane("a", "", ""), lane("b", "", ""))
	bench.Way = design.WatchShared
	bench.StandsFor = []design.Standing{{}}
	for _, c := range []struct {
		of   *design.Document
		want []string
	}{
		{nothing, []string{"Nothing is measured or shown yet, so nothing can be said."}},
		{seen, []string{"What it looked like in each home. Without a reading it is described, not compared."}},
		{planned(), []string{"What the gain is in these homes. Not what it depends on: nothing is compared."}},
		{planned(lane("a", "", ""), lane("b", "", "")),
			[]string{"Whether the salt makes a difference to the gain. Not why."}},
		{unnamed, []string{"Whether what is changed makes a difference to mass. Not why."}},
		{planned(lane("a", "0", "g"), lane("b", "5", "g")), []string{"Whether the salt makes a difference to the gain. " +
			"Not why, and not how it goes on: that takes three levels."}},
		{planned(lane("a", "0", "g"), lane("b", "500", "mg"), lane("c", "0.01", "kg")),
			[]string{"How the gain goes with the salt, from 0 to 10 g. Not outside, and not why."}},
		{planned(lane("a", "1", ""), lane("b", "2", ""), lane("c", "4", "")),
			[]string{"How the gain goes with the salt, from 1 to 4. Not outside, and not why."}},
		{planned(lane("a", "0", "°C"), lane("b", "20", ""), lane("c", "40", "")),
			[]string{"How the gain goes with the salt, from 0 to 40 °C. Not outside, and not why."}},
		{planned(lane("a", "1", "g"), lane("b", "1", "g"), lane("c", "1", "g")),
			[]string{"Whether the salt makes a difference to the gain. Not why."}},
		{chosen, []string{"How the gain goes with the salt, between the levels that homes have. Not outside, and not why."}},
		{bench, []string{"Whether the salt makes a difference to the gain. Not why.",
			"All readings come from one bench: they say nothing of other kitchens.",
			"It shows how the model behaves. What the model gets wrong is said to families."}},
	} {
		var got []string
		for _, m := range review.Reach(c.of) {
			got = append(got, strings.ReplaceAll(text.Render(m, "en"), "\u00a0", " "))
		}
		if !slices.Equal(got, c.want) {
			t.Errorf("it reaches %q, want %q", got, c.want)
		}
	}
}

// TestPredictions: they are made from the plan, in the languages that have its words, and
// none of them takes an id that is there.
func TestPredictions(t *testing.T) {
	d := planned(lane("Plain", "", ""), lane("Salty", "", ""))
	d.Questions = []design.Question{{ID: "prediction"}}
	type made struct{ frame, kind, unit, en, es string }
	want := []made{
		{"order", "order", "", "Put in order of the gain, the most first: Plain and Salty. Say why.", ""},
		{"number", "quantity", "g", "What number will come out for the gain? Say why.", ""},
		{"if-then", "text", "", "Finish the sentence: if the salt is changed, then the gain will …, because …", ""},
		{"own", "text", "", "What do you think will happen, and why?", "¿Qué crees que va a pasar y por qué?"},
	}
	var got []made
	for _, q := range review.Predictions(d) {
		got = append(got, made{q.Frame, q.Kind, q.Unit, q.Text["en"], q.Text["es"]})
		if q.ID != "prediction-2" || q.When != "before" {
			t.Errorf("%+v is no prediction of its own", q)
		}
	}
	if !slices.Equal(got, want) {
		t.Errorf("predictions are %q, want %q", got, want)
	}
	// Without conditions nothing can be put in order, without a reading no number comes out.
	d.Conditions, d.Readings = nil, nil
	if all := review.Predictions(d); len(all) != 1 {
		t.Errorf("%d predictions where nothing is planned", len(all))
	}
}
