package larder_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

func amount(t *testing.T, s string) quantity.Quantity {
	t.Helper()
	if s == "" {
		return quantity.Quantity{}
	}
	p, err := quantity.Parse(s)
	if err != nil {
		t.Fatal(err)
	}
	return p.Quantity
}

// The counts are those of the text the files were made from.
func TestTheFilesAreWhole(t *testing.T) {
	l := larder.Standard()
	for _, p := range l.Check() {
		t.Error(p)
	}
	if len(l.Roles) != 91 || len(l.Materials) != 825 || len(l.Rules) != 357 {
		t.Errorf("%d roles, %d materials, %d rules", len(l.Roles), len(l.Materials), len(l.Rules))
	}
	for _, m := range l.Materials {
		for _, lang := range text.Languages {
			if m.Name[lang] == "" {
				t.Errorf("%s has no name in %s", m.ID, lang)
			}
		}
		for _, f := range m.Forms() {
			if !text.Has("larder.form." + strings.ReplaceAll(f, " ", "-")) {
				t.Errorf("the form %q of %s has no words", f, m.ID)
			}
		}
		if m.Refused && !m.Has("not-at-home") && m.ID != "gel-pack" {
			t.Errorf("%s is refused and not marked not-at-home", m.ID)
		}
	}
}

// The values are the worked numbers of the substitution tables, which were
// worked out by hand from molar masses, strengths and mint standards.
func TestWorkedConversions(t *testing.T) {
	l := larder.Standard()
	for _, c := range []struct {
		rule     string
		from, to larder.Stuff
		amount   string
		basis    larder.Basis
		want     float64
		tol      float64
	}{
		{"R001", larder.Stuff{Material: "vinegar-white", Percent: 5},
			larder.Stuff{Material: "vinegar-white", Percent: 6}, "100 mL", larder.EqualStrength, 83.3, 0.005},
		{"R002", larder.Stuff{Material: "vinegar-white", Percent: 5},
			larder.Stuff{Material: "vinegar-white", Percent: 8}, "100 mL", larder.EqualStrength, 62.3, 0.005},
		{"R003", larder.Stuff{Material: "vinegar-white", Percent: 5},
			larder.Stuff{Material: "vinegar-white", Percent: 4}, "100 mL", larder.EqualAcid, 125, 0.005},
		{"R005", larder.Stuff{Material: "vinegar-white", Percent: 5}, larder.Stuff{Material: "vinegar-cleaning",
			Percent: 10}, "100 mL", larder.EqualStrength, 49.7, 0.005},
		{"R011", larder.Stuff{Material: "vinegar-white", Percent: 5}, larder.Stuff{Material: "lemon-juice-fresh"},
			"100 mL", larder.EqualAcid, 105, 0.005},
		{"R015", larder.Stuff{Material: "vinegar-white", Percent: 5}, larder.Stuff{Material: "citric-acid-powder"},
			"100 mL", larder.EqualAcid, 5.36, 0.005},
		{"R017", larder.Stuff{Material: "citric-acid-powder"}, larder.Stuff{Material: "citric-acid-powder",
			Form: "monohydrate"}, "5.36 g", larder.EqualAcid, 5.87, 0.005},
		{"R018", larder.Stuff{Material: "citric-acid-powder"}, larder.Stuff{Material: "tartaric-acid-powder"}, "5 g",
			larder.EqualAcid, 5.86, 0.005},
		{"R019", larder.Stuff{Material: "vinegar-white", Percent: 5}, larder.Stuff{Material: "cream-of-tartar"},
			"100 mL", larder.EqualAcid, 15.8, 0.005},
		{"R020", larder.Stuff{Material: "citric-acid-powder"}, larder.Stuff{Material: "vitamin-c-powder"}, "1 g",
			larder.EqualAcid, 2.75, 0.005},
		{"R021", larder.Stuff{Material: "vinegar-white", Percent: 5}, larder.Stuff{Material: "orange-juice"}, "100 mL",
			larder.EqualAcid, 540, 0.01},
		{"R031", larder.Stuff{Material: "baking-soda"}, larder.Stuff{Material: "washing-soda-crystals"}, "1 g",
			larder.EqualCO2, 3.41, 0.005},
		{"R032", larder.Stuff{Material: "baking-soda"}, larder.Stuff{Material: "washing-soda-dry"}, "1 g",
			larder.EqualCO2, 1.262, 0.005},
		{"R032 monohydrate", larder.Stuff{Material: "baking-soda"},
			larder.Stuff{Material: "washing-soda-dry", Form: "monohydrate"}, "1 g", larder.EqualCO2, 1.476, 0.005},
		{"R035", larder.Stuff{Material: "washing-soda-crystals"}, larder.Stuff{Material: "washing-soda-dry"}, "10 g",
			larder.EqualCO2, 3.70, 0.005},
		{"R036", larder.Stuff{Material: "baking-soda"}, larder.Stuff{Material: "baking-powder"}, "4.6 g",
			larder.EqualCO2, 17.4, 0.02},
		{"R038", larder.Stuff{Material: "baking-soda"}, larder.Stuff{Material: "eggshell"}, "1 g", larder.EqualCO2,
			1.25, 0.005},
		{"R039", larder.Stuff{Material: "baking-soda"}, larder.Stuff{Material: "seashell"}, "1 g", larder.EqualCO2,
			1.23, 0.005},
		{"R040", larder.Stuff{Material: "baking-soda"}, larder.Stuff{Material: "chalk-stick"}, "1 g", larder.EqualCO2,
			1.19, 0.005},
		{"R042", larder.Stuff{Material: "baking-soda"}, larder.Stuff{Material: "antacid-calcium"}, "1 g",
			larder.EqualCO2, 2.38, 0.005},
		{"R093", larder.Stuff{Material: "table-salt"}, larder.Stuff{Material: "low-sodium-salt"}, "10 g",
			larder.EqualParticles, 12.76, 0.01},
		{"R093 blend", larder.Stuff{Material: "table-salt"}, larder.Stuff{Material: "low-sodium-salt",
			Form: "two-thirds blend"}, "10 g", larder.EqualParticles, 11.7, 0.01},
		{"R094", larder.Stuff{Material: "sugar-granulated"}, larder.Stuff{Material: "table-salt"}, "34.2 g",
			larder.EqualParticles, 2.92, 0.01},
		{"R095", larder.Stuff{Material: "table-salt", Percent: 10}, larder.Stuff{Material: "sugar-granulated"}, "100 g",
			larder.EqualDensity, 17.7, 0.01},
		{"R096", larder.Stuff{Material: "table-salt", Percent: 10}, larder.Stuff{Material: "epsom-salt"}, "100 g",
			larder.EqualDensity, 14.35, 0.02},
		{"R102", larder.Stuff{Material: "table-salt"}, larder.Stuff{Material: "calcium-chloride"}, "10 g",
			larder.EqualParticles, 12.7, 0.01},
		{"R102 dihydrate", larder.Stuff{Material: "table-salt"},
			larder.Stuff{Material: "calcium-chloride", Form: "dihydrate"}, "10 g", larder.EqualParticles, 16.8, 0.01},
		{"R103", larder.Stuff{Material: "table-salt"}, larder.Stuff{Material: "sugar-granulated"}, "10 g",
			larder.EqualParticles, 117, 0.01},
		{"R105", larder.Stuff{Material: "sugar-granulated"}, larder.Stuff{Material: "sugar-brown"}, "100 g",
			larder.EqualMass, 106.5, 0.01},
		{"R107", larder.Stuff{Material: "sugar-granulated"},
			larder.Stuff{Material: "glucose-powder", Form: "anhydrous"}, "1 g", larder.EqualMass, 1.05, 0.005},
		{"R107 monohydrate", larder.Stuff{Material: "sugar-granulated"}, larder.Stuff{Material: "glucose-powder"},
			"1 g", larder.EqualMass, 1.16, 0.005},
		{"R113", larder.Stuff{Material: "povidone-iodine"}, larder.Stuff{Material: "iodine-tincture", Percent: 2},
			"15 mL", larder.EqualStrength, 7.5, 0.005},
		{"R131", larder.Stuff{Material: "isopropyl-70"}, larder.Stuff{Material: "isopropyl-91"}, "100 mL",
			larder.EqualStrength, 76.9, 0.005},
		{"R206", larder.Stuff{Material: "coin-us-1c-zinc"}, larder.Stuff{Material: "coin-uk-1p"}, "100",
			larder.EqualMass, 70.2, 0.005},
		{"R207", larder.Stuff{Material: "coin-us-1c-zinc"}, larder.Stuff{Material: "coin-eu-1c"}, "100",
			larder.EqualMass, 108.7, 0.005},
		{"R208", larder.Stuff{Material: "coin-us-1c-zinc"}, larder.Stuff{Material: "coin-us-25c"}, "100",
			larder.EqualMass, 44.1, 0.005},
		{"R210", larder.Stuff{Material: "coin-us-1c-zinc"}, larder.Stuff{Material: "washer-m8"}, "250 g",
			larder.EqualMass, 137, 0.01},
	} {
		got, err := l.Convert(c.from, c.to, amount(t, c.amount), c.basis)
		if err != nil || math.Abs(got.Amount.Value/c.want-1) > c.tol {
			t.Errorf("%s: %g %s, %v; want %g", c.rule, got.Amount.Value, got.Amount.Unit.Symbol, err, c.want)
			continue
		}
		for _, lang := range text.Languages {
			if s := text.Render(got.How, lang); strings.ContainsAny(s, "[{") {
				t.Errorf("%s in %s: %s", c.rule, lang, s)
			}
		}
	}
}

// Acid, gas and oxygen per amount are the worked checks of the facts' chapter G.
func TestWhatMaterialsGive(t *testing.T) {
	l := larder.Standard()
	near := func(name string, got larder.Range, err error, low, typical, high float64) {
		t.Helper()
		for _, p := range [][2]float64{{got.Low, low}, {got.Typical, typical}, {got.High, high}} {
			if err != nil || math.Abs(p[0]/p[1]-1) > 0.015 {
				t.Errorf("%s: %+v, %v; want %g, %g, %g", name, got, err, low, typical, high)
				return
			}
		}
	}
	r, err := l.AcidPer(larder.Stuff{Material: "vinegar-white", Percent: 5})
	near("5 % vinegar", r, err, 0.838, 0.838, 0.838)
	r, err = l.AcidPer(larder.Stuff{Material: "lemon-juice-fresh"})
	near("lemon juice", r, err, 0.70, 0.80, 0.94)
	r, err = l.AcidPer(larder.Stuff{Material: "citric-acid-powder", Form: "monohydrate"})
	near("citric acid monohydrate", r, err, 14.28, 14.28, 14.28)
	r, err = l.CO2Per(larder.Stuff{Material: "baking-soda"})
	near("baking soda", r, err, 11.8, 11.9, 11.9)
	r, err = l.CO2Per(larder.Stuff{Material: "eggshell"})
	near("eggshell", r, err, 9.3, 9.5, 9.7)
	r, err = l.CO2Per(larder.Stuff{Material: "baking-powder"})
	near("baking powder", r, err, 2.73, 3.15, 3.57)
	salt, _ := l.Material("table-salt")
	if s, ok := salt.Spoonful(); !ok || s.Low != 5.7 || s.High != 6.5 || s.Typical != 6 {
		t.Errorf("a level teaspoon of salt: %+v", s)
	}
}

func find(cs []larder.Candidate, id string) (larder.Candidate, bool) {
	i := slices.IndexFunc(cs, func(c larder.Candidate) bool { return c.Material.ID == id })
	if i < 0 {
		return larder.Candidate{}, false
	}
	return cs[i], true
}

// The same swap may pool for one result and be its own group for another.
func TestCandidatesByResult(t *testing.T) {
	l := larder.Standard()
	vinegar := larder.Wanted{
		Role:      "mild-acid",
		Stuff:     larder.Stuff{Material: "vinegar-white", Percent: 5},
		Amount:    amount(t, "100 mL"),
		Tolerance: "about",
	}
	soda := larder.Wanted{
		Role:      "carbonate",
		Stuff:     larder.Stuff{Material: "baking-soda"},
		Amount:    amount(t, "4 g"),
		Tolerance: "about",
	}
	for _, c := range []struct {
		need   larder.Wanted
		result string
		change func(*larder.Wanted)
		id     string
		class  larder.Class
		amount float64
	}{
		{vinegar, "total-gas", nil, "lemon-juice-fresh", larder.Scales, 105},
		// ± 15 % is too much for exact
		{vinegar, "total-gas", func(n *larder.Wanted) { n.Tolerance = "exact" }, "lemon-juice-fresh", larder.Separate,
			105},
		{vinegar, "rate", nil, "lemon-juice-fresh", larder.Separate, 105},
		{vinegar, "", nil, "lemon-juice-fresh", larder.Separate, 105},
		{vinegar, "total-gas", nil, "vinegar-cider", larder.Pools, 100},
		{vinegar, "gas-volume", nil, "cola", larder.Unsuitable, 0},
		{vinegar, "total-gas", func(n *larder.Wanted) { n.Avoid = []string{"sulphite"} }, "vinegar-cider",
			larder.Unsuitable, 100},
		{vinegar, "total-gas", func(n *larder.Wanted) { n.Barred = []string{"vinegar-cider"} }, "vinegar-cider",
			larder.Unsuitable, 100},
		{vinegar, "total-gas", func(n *larder.Wanted) { n.Cost = "free" }, "citric-acid-powder", larder.Unsuitable, 5.36},
		{vinegar, "total-gas", nil, "toilet-cleaner", larder.Unsuitable, 0},
		{soda, "total-gas", nil, "washing-soda-crystals", larder.Scales, 13.6},
		{soda, "rate", nil, "washing-soda-crystals", larder.Separate, 13.6},
		{soda, "total-gas", nil, "baking-powder", larder.Separate, 15.1},
		{soda, "total-gas", nil, "laundry-powder", larder.Unsuitable, 0},
	} {
		n := c.need
		n.Result = c.result
		if c.change != nil {
			c.change(&n)
		}
		all, err := l.Candidates(n)
		got, ok := find(all, c.id)
		if err != nil || !ok || got.Class != c.class || math.Abs(got.Amount.Value-c.amount) > 0.01*c.amount+1e-9 {
			t.Errorf(
				"%s for %q: %s, %.4g %s (%v); want %s, %g",
				c.id,
				c.result,
				got.Class,
				got.Amount.Value,
				got.Amount.Unit.Symbol,
				err,
				c.class,
				c.amount,
			)
		}
	}
	n := soda
	n.Result = "total-gas"
	all, _ := l.Candidates(n)
	if w, _ := find(all, "washing-soda-crystals"); w.Partner != 2 || w.AcidWith().ID != "larder.partner.twice" {
		t.Errorf("washing soda takes %g times the acid", w.Partner)
	}
}

// For every job and every material: a ranked list that is in order, without
// the material itself unless in another strength or form, and always the same.
func TestCandidatesEverywhere(t *testing.T) {
	l := larder.Standard()
	for i := range l.Materials {
		m := &l.Materials[i]
		for _, role := range m.Roles {
			all, err := l.Candidates(larder.Wanted{Role: role, Stuff: larder.Stuff{Material: m.ID}})
			if err != nil {
				t.Fatal(err)
			}
			for j, c := range all {
				if j > 0 && slices.Index(larder.Classes, c.Class) < slices.Index(larder.Classes, all[j-1].Class) {
					t.Errorf("%s as %s is out of order at %s", m.ID, role, c.Material.ID)
				}
				if c.Material.ID == m.ID && c.Percent == 0 && c.Form == "" {
					t.Errorf("%s stands in for itself (%s)", m.ID, c.Rule)
				}
				if c.Material.Refused && c.Class != larder.Unsuitable {
					t.Errorf("%s is offered for %s", c.Material.ID, m.ID)
				}
				for _, lang := range text.Languages {
					if s := text.Render(c.Because, lang); s == "" || strings.ContainsAny(s, "[{") {
						t.Errorf("%s: %s", c.Material.ID, s)
					}
				}
			}
		}
	}
}

func TestBadQuestions(t *testing.T) {
	l := larder.Standard()
	for _, n := range []larder.Wanted{{Role: "acid", Stuff: larder.Stuff{Material: "vinegar-white"}},
		{Role: "mild-acid", Stuff: larder.Stuff{Material: "vinegar"}}} {
		if _, err := l.Candidates(n); err == nil || !strings.Contains(err.Error(), "such as") {
			t.Errorf("%v: %v", n, err)
		}
	}
	for _, c := range []struct {
		from, to larder.Stuff
		amount   string
		basis    larder.Basis
		want     string
	}{
		{larder.Stuff{Material: "nectar"}, larder.Stuff{Material: "honey"}, "1 g", larder.EqualMass, "nectar"},
		{larder.Stuff{Material: "honey"}, larder.Stuff{Material: "nectar"}, "1 g", larder.EqualMass, "nectar"},
		{larder.Stuff{Material: "vinegar-white", Percent: 5}, larder.Stuff{Material: "vinegar-white", Percent: 4},
			"100 mL", larder.EqualStrength, "stronger"},
		{larder.Stuff{Material: "vinegar-white"}, larder.Stuff{Material: "honey"}, "100 mL", larder.EqualAcid, "honey"},
		{larder.Stuff{Material: "citric-acid-powder", Form: "wet"}, larder.Stuff{Material: "vinegar-white"}, "1 g",
			larder.EqualAcid, "anhydrous or monohydrate"},
		{larder.Stuff{Material: "baking-soda", Form: "dry"}, larder.Stuff{Material: "eggshell"}, "1 g", larder.EqualCO2,
			"no form"},
		{larder.Stuff{Material: "baking-soda"}, larder.Stuff{Material: "eggshell"}, "3 cm", larder.EqualCO2, "grams"},
		{larder.Stuff{Material: "baking-soda"}, larder.Stuff{Material: "eggshell"}, "1 g", "equal-fun", "equal-fun"},
		{larder.Stuff{Material: "table-salt", Percent: 40}, larder.Stuff{Material: "sugar-granulated"}, "100 g",
			larder.EqualDensity, "dissolves"},
		{larder.Stuff{Material: "isopropyl-70"}, larder.Stuff{Material: "isopropyl-91"}, "10 g", larder.EqualStrength,
			"volume"},
		{larder.Stuff{Material: "peroxide-3"}, larder.Stuff{Material: "bleach"}, "10 mL", larder.Refuse,
			"not to be used"},
	} {
		if _, err := l.Convert(c.from, c.to, amount(t, c.amount), c.basis); err == nil ||
			!strings.Contains(err.Error(), c.want) {
			t.Errorf("%v to %v: %v; want %q", c.from, c.to, err, c.want)
		}
	}
}

// Swaps for one thing and one result, as the substitution tables have them:
// a rule about two states of one thing is no swap between two things.
func TestNamedSwaps(t *testing.T) {
	l := larder.Standard()
	for _, c := range []struct {
		role, from, result, to string
		want                   larder.Class
	}{
		{"heat-insulator", "fabric-wool", "cooling", "bubble-wrap", larder.Separate}, // R243
		{"heat-insulator", "fabric-wool", "cooling", "cotton-wool", larder.Separate}, // in no table
		{"cargo-unit", "coin-us-1c-zinc", "cargo-mass", "coin-uk-1p", larder.Scales}, // R206
		{"cargo-unit", "coin-us-1c-zinc", "cargo-mass", "coin-uk-1p", larder.Scales},
		// R209 is about mixed kinds
		{"cargo-unit", "coin-us-1c-zinc", "", "coin-uk-1p", larder.Separate},
		{"pendulum-bob", "washer-m8", "period", "nut-m8", larder.Pools},                                       // R184
		{"pendulum-bob", "washer-m8", "period", "ball-paper", larder.Unsuitable},                              // R186
		{"enzyme-source", "potato", "o2-rate", "carrot", larder.Separate},                                     // R078
		{"enzyme-source", "potato", "o2-rate", "liver", larder.Separate},                                      // R079
		{"flexible-gas-bag", "balloon-latex", "gas-volume", "glass-bottle", larder.Unsuitable},                // R154
		{"flexible-gas-bag", "balloon-latex", "gas-volume", "glove-nitrile", larder.Scales},                   // R152
		{"snap-lid-canister", "canister-plug", "pop-time", "canister-rim", larder.Unsuitable},                 // R158
		{"acid-base-indicator", "red-cabbage", "ph-step", "beetroot", larder.Unsuitable},                      // R063
		{"acid-base-indicator", "red-cabbage", "ph-number", "ph-paper", larder.Scales},                        // R064
		{"dense-syrup", "corn-syrup", "order-of-layers", "honey", larder.Pools},                               // R120
		{"dense-syrup", "corn-syrup", "fall-time", "honey", larder.Separate},                                  // R121
		{"thin-flexible-thread", "thread-sewing", "single-pendulum-period", "dental-floss", larder.Pools},     // R180
		{"thin-flexible-thread", "thread-sewing", "energy-exchange-time", "string-cotton", larder.Unsuitable}, // R182
		{"mass-instrument", "scale-pocket-01", "mass-from-50-g", "scale-kitchen", larder.Pools},               // R310
		{"mass-instrument", "scale-pocket-01", "mass-below-20-g", "scale-kitchen", larder.Unsuitable},         // R311
		{"time-instrument", "stopwatch-phone", "event-from-60-s", "wall-clock", larder.Pools},                 // R340
		{"time-instrument", "stopwatch-phone", "event-10-60-s", "wall-clock", larder.Separate},                // R344
		// R071, mended: not diluted at home
		{"oxygen-releaser", "peroxide-3", "total-o2", "peroxide-6", larder.Unsuitable},
		{"low-voltage-lamp", "led-red", "lights-yes-no", "bulb-filament", larder.Unsuitable}, // R231
		{"resonant-glass", "wine-glass", "struck", "jam-jar", larder.Scales},                 // R280
		{"choice-seed", "cress-seed", "percent-sprouted", "radish-seed", larder.Separate},    // R295
	} {
		all, err := l.Candidates(
			larder.Wanted{Role: c.role, Stuff: larder.Stuff{Material: c.from}, Result: c.result, Tolerance: "about"},
		)
		got, ok := find(all, c.to)
		if err != nil || !ok || got.Class != c.want {
			t.Errorf("%s for %s (%s): %s by %s, %v; want %s", c.to, c.from, c.result, got.Class, got.Rule, err, c.want)
		}
	}
}

// A figure on a card is in words: what it is, and its unit.
func TestFigureWords(t *testing.T) {
	l := larder.Standard()
	for _, c := range []struct{ id, key, want string }{
		{"vinegar-white", "rho", "density 1.004–1.011 g/mL"},
		{"vinegar-white", "pct", "strength in %: 4–8 acetic, typ 5"},
		{"baking-soda", "tsp", "one level teaspoon weighs 4.4–5.5 g, typ 4.6–4.8"},
		{"table-salt", "bulk", "loose, level density 1.15–1.30 g/mL"}, {"scale-kitchen", "res", "smallest step 1 g"},
		{"isopropyl-70", "flash", "catches fire from 18–21 °C"},
	} {
		m, ok := l.Material(c.id)
		if !ok {
			t.Fatal(c.id)
		}
		i := slices.IndexFunc(m.Figures, func(f larder.Figure) bool { return f.Key == c.key })
		if i < 0 || m.Figures[i].Words("en") != c.want {
			t.Errorf("%s: %+v", c.id, m.Figures)
		}
	}
	if got := (larder.Figure{Text: "pale brown"}).Words("en"); got != "pale brown" {
		t.Error(got)
	}
}

// What stands in for a thing, and what it stands in for, are two sides of the
// same rules.
func TestBothWays(t *testing.T) {
	l := larder.Standard()
	for i := range l.Materials {
		for _, s := range l.SwapsFrom(l.Materials[i].ID) {
			for _, other := range s.Other {
				back := l.SwapsTo(other.ID)
				if !slices.ContainsFunc(back, func(b larder.SwapWith) bool { return b.Rule == s.Rule }) {
					t.Errorf("%s leads from %s to %s and not back", s.Rule.ID, l.Materials[i].ID, other.ID)
				}
			}
		}
	}
}

// Everything that a swap tells apart has words in both languages.
func TestResultNames(t *testing.T) {
	l := larder.Standard()
	for _, id := range append(l.Results(), "any") {
		if n := l.ResultName(id); n["en"] == "" || n["es"] == "" || n["en"] == id && strings.Contains(id, "-") {
			t.Errorf("%q is worded %v", id, n)
		}
	}
}
