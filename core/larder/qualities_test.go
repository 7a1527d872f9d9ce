package larder_test

import (
	"slices"
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/text"
)

// What has a quality and what has not, each against its just-not twin. The
// answers are those a person in a kitchen gives.
func TestQualities(t *testing.T) {
	l := larder.Standard()
	for _, c := range []struct {
		quality string
		figure  float64
		yes, no string
	}{
		{"cut-open", 0, "pet-bottle-small", "jam-jar"},
		{"cut-open", 0, "yoghurt-pot", "bottle-steel"},
		{"see-through", 0, "zip-bag-snack", "bag-carrier"},
		{"see-through", 0, "drinking-glass", "mug"},
		{"lets-light", 0, "tracing-paper", "cardboard-corrugated"},
		{"opaque", 0, "tin-biscuit", "bowl-glass"},
		{"heat-proof", 80, "mug", "drinking-glass"},
		{"heat-proof", 60, "drinking-glass", "pet-bottle-small"},
		{"heat-proof", 150, "dish-oven-glass", "mug"},
		{"no-shock", 0, "cup-enamel", "cup-tea"},
		{"microwave", 0, "cup-tea", "bowl-steel"},
		{"closes-tight", 0, "jar-small", "glass-shot"},
		{"closes-tight", 0, "zip-bag-snack", "tub-spread"},
		{"opens-itself", 0, "zip-bag-freezer-1l", "jam-jar"},
		{"vented", 0, "mug", "jam-jar"},
		{"holds", 160, "jam-jar", "glass-shot"},
		{"holds", 100, "cup-tea", "jar-small"}, // 80 of 100 mL at the least
		{"holds-at-most", 2000, "jug", "bucket"},
		{"wicks", 0, "kitchen-roll", "baking-parchment"},
		{"keeps-dry", 0, "raincoat-cloth", "towel-tea"},
		{"conducts", 0, "foil-standard", "spoon-wood"},
		{"insulates", 0, "lolly-stick", "fork"},
		{"attracted", 0, "nail-steel", "coin-eu-50c"},
		{"not-attracted", 0, "foil-standard", "nail-steel"},
		{"inert", 0, "jar-large", "aluminium-pan"},
		{"no-breaking", 0, "bucket", "drinking-glass"},
		{"no-latex", 0, "glove-nitrile", "balloon-latex"},
		{"not-small", 0, "bucket", "bead-plastic"},
		{"no-fizz", 0, "water-tap", "cola"},
		{"keeps-warm", 0, "bubble-wrap", "foil-standard"},
		{"heat-through", 0, "foil-standard", "spoon-steel"},
	} {
		q, ok := l.Quality(c.quality)
		if !ok {
			t.Fatalf("no quality %s", c.quality)
		}
		for id, want := range map[string]bool{c.yes: true, c.no: false} {
			m, ok := l.Material(id)
			if !ok {
				t.Fatalf("no material %s", id)
			}
			if got := l.Has(m, q, c.figure); got != want {
				t.Errorf("%s %s %v: %v", id, c.quality, c.figure, got)
			}
		}
	}
}

// Every quality speaks of properties and values that there are, in every
// language, and of the shipped things some have it and some have not.
func TestQualitiesAreWhole(t *testing.T) {
	l := larder.Standard()
	for i := range l.Qualities {
		q := &l.Qualities[i]
		for _, lang := range text.Languages {
			if q.Words[lang] == "" {
				t.Errorf("%s says nothing in %s", q.ID, lang)
			}
		}
		for _, c := range q.Yes {
			for property, values := range c.Is {
				at := slices.IndexFunc(l.Properties, func(p larder.Question) bool { return p.ID == property })
				if at < 0 {
					t.Errorf("%s: no property %s", q.ID, property)
					continue
				}
				for _, v := range values {
					if !slices.ContainsFunc(
						l.Properties[at].Answers,
						func(r larder.Reply) bool { return r.Value == v },
					) &&
						v != "copper-on-zinc" {
						t.Errorf("%s: %s is never %s", q.ID, property, v)
					}
				}
			}
		}
		figure, have, lack := map[string]float64{"temperature": 80, "volume": 200}[q.Takes], 0, 0
		for k := range l.Materials {
			if l.Has(&l.Materials[k], q, figure) {
				have++
			} else {
				lack++
			}
		}
		if have < 2 || lack < 2 {
			t.Errorf("%s: %d have it, %d have not", q.ID, have, lack)
		}
	}
	for make, says := range l.Makes {
		for property := range says {
			if !slices.ContainsFunc(l.Properties, func(p larder.Question) bool { return p.ID == property }) {
				t.Errorf("%s: no property %s", make, property)
			}
		}
	}
}

// A school's own thing has what was answered, and nothing that was not; what
// only says what it can stand in for keeps no design from homes.
func TestQualitiesOfAnOwnThing(t *testing.T) {
	own := larder.Material{
		ID:    "our-beaker",
		Name:  text.Localized{"en": "our gorse beaker"},
		Roles: []string{"holding-vessel"},
		Props: map[string]string{
			"matter":    "thing",
			"make":      "plastic",
			"closes":    "open",
			"breaks":    "nothing",
			"edge":      "none",
			"burns":     "no",
			"small":     "no",
			"form":      "rigid",
			"lights":    "no",
			"magnet":    "none",
			"stretches": "no",
			"metal":     "none",
			"source":    "hand",
		},
	}
	has := func(m larder.Material, quality string) (bool, int) {
		l, problems := larder.Standard().With(larder.Own{Materials: []larder.Material{m}})
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		got, _ := l.Material(m.ID)
		q, _ := l.Quality(quality)
		return l.Has(got, q, 60), len(l.Unanswered(got))
	}
	silent, left := has(own, "see-through")
	if silent {
		t.Error("what nobody said can be seen through")
	}
	own.Props["clear"], own.Props["stands"] = "yes", "hot"
	if seen, same := has(own, "see-through"); !seen || same != left {
		t.Errorf("seen through: %v; %d questions open, %d before", seen, same, left)
	}
	if hot, _ := has(own, "heat-proof"); !hot {
		t.Error("it was said to stand 60 °C")
	}
	delete(own.Props, "small")
	if big, _ := has(own, "not-small"); big {
		t.Error("what could be small was taken as big")
	}
}
