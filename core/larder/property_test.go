package larder_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
)

// Every conversion that keeps something equal is proportional, turns round,
// and says a spread that holds what the spreads of the materials allow.
func TestConversionsAreProportional(t *testing.T) {
	l := larder.Standard()
	r := rand.New(rand.NewPCG(1, 2))
	kinds := map[larder.Basis][]string{
		larder.EqualAcid: {
			"vinegar-white",
			"vinegar-cider",
			"lemon-juice-fresh",
			"citric-acid-powder",
			"tartaric-acid-powder",
			"cream-of-tartar",
			"orange-juice",
		},
		larder.EqualCO2: {
			"baking-soda",
			"washing-soda-crystals",
			"washing-soda-dry",
			"eggshell",
			"seashell",
			"baking-powder",
		},
		larder.EqualO2:        {"peroxide-3", "peroxide-6"},
		larder.EqualParticles: {"table-salt", "sugar-granulated", "epsom-salt", "low-sodium-salt", "glucose-powder"},
	}
	in := func(material string, value float64) quantity.Quantity {
		m, _ := l.Material(material)
		unit := "g"
		if m.Liquid() {
			unit = "mL"
		}
		return quantity.New(value, unit)
	}
	for basis, materials := range kinds {
		for range 200 {
			a, b := materials[r.IntN(len(materials))], materials[r.IntN(len(materials))]
			amount := math.Exp(6*r.Float64() - 1)
			convert := func(from, to string, value float64) larder.Conversion {
				c, err := l.Convert(larder.Stuff{Material: from}, larder.Stuff{Material: to}, in(from, value), basis)
				if err != nil {
					t.Fatalf("%s to %s: %v", from, to, err)
				}
				return c
			}
			once, twice := convert(a, b, amount), convert(a, b, 2*amount)
			if math.Abs(twice.Amount.Value/once.Amount.Value-2) > 1e-9 ||
				math.Abs(twice.Amount.U/max(once.Amount.U, 1e-300)-2) > 1e-9 && once.Amount.U > 0 {
				t.Errorf("%s to %s is not proportional: %v, %v", a, b, once.Amount, twice.Amount)
			}
			back := convert(b, a, once.Amount.Value)
			if math.Abs(back.Amount.Value/amount-1) > 1e-9 {
				t.Errorf("%s to %s and back: %g becomes %g", a, b, amount, back.Amount.Value)
			}
			if once.Amount.U < 0 || once.Amount.Value <= 0 {
				t.Errorf("%s to %s: %v", a, b, once.Amount)
			}
		}
	}
}

// A stronger label asks for less, by as much as it is stronger.
func TestStrongerTakesLess(t *testing.T) {
	l := larder.Standard()
	last := math.Inf(1)
	for _, percent := range []float64{4, 5, 6, 7, 8, 10, 12} {
		c, err := l.Convert(
			larder.Stuff{Material: "citric-acid-powder"},
			larder.Stuff{Material: "vinegar-white", Percent: percent},
			quantity.New(5, "g"),
			larder.EqualAcid,
		)
		if err != nil || c.Amount.Value >= last {
			t.Errorf("%g %%: %v %v", percent, c.Amount, err)
		}
		// 5 g of citric acid are 78.1 meq; acetic acid is 60.05 g/mol.
		want := 78.07 * 60.052 / 1000 / (percent / 100) / 1.0075
		if math.Abs(c.Amount.Value/want-1) > 0.005 {
			t.Errorf("%g %%: %.4g mL, want %.4g", percent, c.Amount.Value, want)
		}
		if c.Amount.U > 0.01*c.Amount.Value {
			t.Errorf("%g %%: a stated strength has the spread %g", percent, c.Amount.U)
		}
		last = c.Amount.Value
	}
}

// A kit takes the lowest class among its swaps.
func TestKitClass(t *testing.T) {
	for _, c := range []struct {
		classes []larder.Class
		want    larder.Class
	}{
		{nil, larder.Pools},
		{[]larder.Class{larder.Pools, larder.Scales}, larder.Scales},
		{[]larder.Class{larder.Separate, larder.Pools, larder.Scales}, larder.Separate},
		{[]larder.Class{larder.Pools, larder.Unsuitable}, larder.Unsuitable},
	} {
		if got := larder.Worst(c.classes...); got != c.want {
			t.Errorf("%v: %s", c.classes, got)
		}
	}
}

// A level spoon of every powder weighs what its bulk density says, within the
// range the table gives (chapter D5 of the facts).
func TestSpoonfuls(t *testing.T) {
	l := larder.Standard()
	for id, want := range map[string][2]float64{"table-salt": {5.7, 6.5}, "sugar-granulated": {3.9, 4.4},
		"sugar-icing": {2.4, 3.0}, "baking-soda": {4.4, 5.5}, "baking-powder": {3.7, 4.9},
		"citric-acid-powder": {3.9, 4.9}, "cream-of-tartar": {3.0, 3.5}, "cornflour": {2.5, 2.9}, "wheat-flour": {2.5,
			3.1}, "yeast-dry-active": {2.8, 4.0}, "epsom-salt": {4.2, 5.3}, "sand": {7.1, 8.5}, "honey": {6.8, 7.3}} {
		m, ok := l.Material(id)
		if !ok {
			t.Fatal(id)
		}
		got, ok := m.Spoonful()
		if !ok || math.Abs(got.Low-want[0]) > 0.11 || math.Abs(got.High-want[1]) > 0.11 {
			t.Errorf("%s: %.2f to %.2f g, want %.1f to %.1f", id, got.Low, got.High, want[0], want[1])
		}
	}
}
