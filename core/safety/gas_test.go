package safety_test

import (
	"strings"
	"testing"

	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// What can fill a bag, at most, against numbers worked out by hand: 24.47 L a
// mol at 25 °C, every amount at its upper end, a powder that is not weighed as
// heaped spoons (half as much again), a bag that was not measured a fifth
// smaller than the least of its kind.
func TestBags(t *testing.T) {
	const age = "age: 14-18\n"
	for _, c := range []struct {
		name, needs string
		want        string // the case
		percent     string // in the sentence; "" for any
	}{
		// 1 g of soda, weighed: 11.9 mmol, 0.291 L; 20 mL of 5 % vinegar hold 16.8 mmol, so soda
		// limits; (0.291 + 0.020)/0.4 = 78 %.
		{"weighed, with an unmeasured sandwich bag", "v: vinegar-white 5 % 20 mL\ns: baking-soda 1 g weighed\nb: " +
			"zip-bag-small", "fits", "78"},
		// Spooned, 1.5 g: 17.9 mmol of soda, but only 16.8 mmol of acid: 0.411 L + 0.020 L in 0.4 L.
		{"spooned: the acid limits", "v: vinegar-white 5 % 20 mL\ns: baking-soda 1 g\nb: zip-bag-small", "over", "108"},
		// The same in a measured litre.
		{"a measured litre", "v: vinegar-white 5 % 20 mL\ns: baking-soda 1 g\nb: zip-bag-large 1 L", "fits", "44"},
		// One tablet: 1.9 g of hydrogencarbonate at most, 22.6 mmol, 0.553 L, in 0.9 × 0.8 L, the least of large bags.
		{"an effervescent tablet", "t: effervescent-tablet 1\nb: zip-bag-large", "fits", "77"},
		{"two tablets", "t: effervescent-tablet 2\nb: zip-bag-large", "over", "154"},
		// Yeast: at most 0.29 L a gram of sugar, 5 g spooned count as 7.5 g: 2.2 L in a balloon of 8.8 L.
		{"yeast and sugar under a balloon", "y: yeast-dry-active 3 g\ns: sugar-granulated 5 g\nb: balloon-latex",
			"fits", ""},
		{"yeast and much sugar in a bag", "y: yeast-dry-active 3 g\ns: sugar-granulated 5 g weighed\nb: zip-bag-large",
			"over", ""},
		// Baking powder brings its own acid: 30 % hydrogencarbonate at most, 3.57 mmol a gram: 10 g
		// weighed are 0.874 L.
		{"baking powder alone", "s: baking-powder 10 g weighed\nb: zip-bag-large", "over", ""},
		{"a little baking powder", "s: baking-powder 5 g weighed\nb: zip-bag-large", "fits", "61"},
		// A typed range counts with its upper end.
		{"from 1 to 3 grams", "v: vinegar-white 5 % 100 mL\ns: baking-soda 1-3 g weighed\nb: zip-bag-large 0.9 L",
			"over", ""},
		// Cola brings 4 L a litre.
		{"shaken cola", "c: cola 100 mL\nb: zip-bag-small", "over", ""},
		// Lemon juice: up to 6 % citric acid, 3 protons; 20 mL hold 18.7 mmol.
		{"lemon juice and a heap of soda", "v: lemon-juice-fresh 20 mL\ns: baking-soda 20 g\nb: zip-bag-large", "fits",
			""},
		// Amounts that are not said.
		{"no amount of soda", "v: vinegar-white 20 mL\ns: baking-soda\nb: zip-bag-large", "unknown", ""},
		{"no amount of vinegar", "v: vinegar-white\ns: baking-soda 1 g\nb: zip-bag-large", "unknown", ""},
		{"a bag without a known size", "v: vinegar-white 20 mL\ns: baking-soda 1 g\nb: produce-bag", "unknown", ""},
	} {
		var ids []string
		for _, line := range strings.Split(c.needs, "\n") {
			id, _, _ := strings.Cut(line, ":")
			if id != "b" {
				ids = append(ids, id)
			}
		}
		d := plan(age + c.needs + "\n---\na: keep-apart, pour with " + strings.Join(ids, " ") + " in b closed")
		f, ok := finding(safety.Check(d), "gas-flexible", "")
		if !ok || f.Case != c.want {
			t.Errorf("%s: %q, want %q: %s", c.name, f.Case, c.want, text.Render(f.Why, "en"))
			continue
		}
		if said := text.Render(f.Why, "en"); c.percent != "" && !strings.Contains(said, c.percent) {
			t.Errorf("%s: %s, want %s %%", c.name, said, c.percent)
		}
		if f.Case == "unknown" && !f.Asks {
			t.Errorf("%s does not ask", c.name)
		}
	}
}

// A closed hard vessel is never for homes, however little makes the gas; one
// that is closed on something that makes none is.
func TestHardVessels(t *testing.T) {
	for _, c := range []struct {
		needs string
		want  bool
	}{
		{"x: vinegar-white 1 mL\ny: baking-soda 0.1 g", true},
		{"x: lemon-juice-fresh 1 mL\ny: eggshell 0.1 g", true},
		{"x: peroxide-3 1 mL\ny: potato", true},
		{"x: yeast-fresh 1 g\ny: honey 1 g", true},
		{"x: effervescent-tablet 1\ny: water-tap", true},
		{"x: sparkling-water 10 mL\ny: water-tap", true},
		{"x: vinegar-white 1 mL\ny: nail-galvanised", true},
		{"x: kidney-bean-dry 40 g\ny: water-tap", false},
		{"x: vinegar-white 1 mL\ny: table-salt", false},
		{"x: baking-soda 1 g\ny: water-tap", false},
		{"x: yeast-dry-active 1 g\ny: table-salt", false},
	} {
		d := plan("age: 14-18\n" + c.needs + "\nj: jam-jar\n---\nl: label\na: pour with x y in j closed")
		_, rigid := finding(safety.Check(d), "gas-rigid-closed", "any")
		_, metal := finding(safety.Check(d), "acid-metal", "closed")
		_, peroxide := finding(safety.Check(d), "peroxide-catalyst", "closed")
		if got := rigid || metal || peroxide; got != c.want {
			t.Errorf("%s in a closed jar: barred %v, want %v", c.needs, got, c.want)
		}
	}
}

// Steps that name no vessel are judged as put together; naming vessels can
// only separate.
func TestVesselsSeparate(t *testing.T) {
	together := plan(
		"v: vinegar-white 10 mL\np: peroxide-3 10 mL\nj: jam-jar\nk: mug\n---\na: pour with v\nb: pour with p",
	)
	if _, ok := finding(safety.Check(together), "mix-peroxide-acid", ""); !ok {
		t.Error("what is poured into no named vessel is not put together")
	}
	apart := plan(
		"v: vinegar-white 10 mL\np: peroxide-3 10 mL\nj: jam-jar\nk: mug\n---\na: pour with v in j\nb: pour with p in k",
	)
	if _, ok := finding(safety.Check(apart), "mix-peroxide-acid", ""); ok {
		t.Error("two jars are one")
	}
	weighed := plan("v: vinegar-white 10 mL\np: peroxide-3 10 mL\n---\na: weigh with v\nb: weigh with p")
	if _, ok := finding(safety.Check(weighed), "mix-peroxide-acid", ""); ok {
		t.Error("weighing two packets mixes them")
	}
}
