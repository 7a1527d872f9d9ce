package fit

import (
	"encoding/json"
	"math"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// puffed is a bag in which vinegar and baking soda make gas, beside a teaspoon's worth of
// salt, with a value that each home has of its own.
func puffed() *design.Document {
	need := func(id, material, amount string) design.Need {
		return design.Need{ID: id, Name: text.Localized{"en": id}, Kind: design.MaterialNeed, Material: material,
			Amount: amount}
	}
	d := &design.Document{
		Schema: design.Schema, AgeBand: "11-13", Trials: 1,
		Needs: []design.Need{
			need("bag", "zip-bag-large", "1 L"), need("acid", "vinegar-white", "60 mL"),
			need("soda", "baking-soda", "2.4 g"),
			need("salt", "table-salt", "18 g"),
		},
		Steps: []design.Step{
			{ID: "a", Title: text.Localized{"en": "Fill"}, Actions: []string{"pour"}, Uses: []string{"acid", "soda"},
				In: "bag", Closed: true},
			{ID: "b", Title: text.Localized{"en": "Salt"}, Uses: []string{"salt"}},
		},
		Constants: []design.Constant{{Symbol: "h", Name: text.Localized{"en": "height"}, Value: "100 m ± 50 m",
			Own: "altitude"}},
	}
	d.Needs[1].Role, d.Needs[1].Strength = "mild-acid", &design.Strength{Value: 5, Basis: "w/v"}
	d.Needs[2].Role = "carbonate"
	return d
}

// What a home measured itself is worked with, and every other home keeps what is usual: a
// bag of 0.8 L takes four fifths of everything, a spoon that holds 4.83 mL as many more
// level ones, a height the place of the usual one.
func TestOwnValuesInAPlan(t *testing.T) {
	w := SuppliesOf(puffed())
	if got := ids(w.OwnAsked()); got != "teaspoon bag altitude" {
		t.Errorf("a home is asked for %s", got)
	}
	class := kitchen.Class{Homes: []kitchen.Kitchen{
		{Home: "usual"},
		{Home: "bag", Own: map[string]string{"bag": "800 g", "altitude": "412 m ± 5 m"}},
		{Home: "spoons", Tools: map[string]string{"mass": "none"},
			Things: map[string]kitchen.Answer{"scale-kitchen": kitchen.None}},
		{Home: "spoon", Tools: map[string]string{"mass": "none"}, Own: map[string]string{"teaspoon": "58 g"}},
	}}
	plan := w.Fit(class)
	if plan.Homes[0].Design != w.d {
		t.Error("a usual home got a design of its own")
	}
	amount := func(home int, need string) float64 {
		n, _ := plan.Homes[home].Design.Need(need)
		q, err := quantity.Parse(n.Amount)
		if err != nil {
			t.Fatal(err)
		}
		return q.SI()
	}
	for need, want := range map[string]float64{"bag": 0.0008, "acid": 0.000048, "soda": 0.0019, "salt": 0.018} {
		if got := amount(1, need); math.Abs(got-want) > 1e-6*max(1, want) {
			t.Errorf("%s in a bag of 0.8 L: %g, not %g", need, got, want)
		}
	}
	if q, ok := plan.Homes[1].Design.Constants[0].Quantity(); !ok || q.Value != 412 || q.U < 5 {
		t.Errorf("the height is %v", plan.Homes[1].Design.Constants[0].Value)
	}
	for home, want := range map[int]float64{1: 0, 2: 3, 3: 3} { // 18 g of 6 g each; of 5.8 g 3.1, which is 3 to a half
		if n, _ := plan.Homes[home].Design.Need("salt"); n.Spooned != want {
			t.Errorf("home %d spoons %g of salt, not %g", home, n.Spooned, want)
		}
	}
	n, _ := plan.Homes[3].Design.Need("salt")
	if got := text.Render(AmountOf(plan.Homes[3].Design, n), "en"); got != "18 g: 3 level tsp" {
		t.Errorf("it reads %q", got)
	}
	class.Usual = map[string]string{"altitude": "300 m", "teaspoon": "58 g"} // a spoon is nothing of the place
	said := w.Fit(class)
	for home, want := range map[int]float64{0: 300, 1: 412} {
		if q, _ := said.Homes[home].Design.Constants[0].Quantity(); q.Value != want {
			t.Errorf("home %d is at %v, not %g m", home, q, want)
		}
	}
	if !said.Homes[0].Assumed || len(said.Variants) != 1 {
		t.Error("what its teacher says for a class makes no home's answer")
	}
	class.Usual = nil
	again := w.Fit(class)
	a, _ := json.Marshal(plan.Homes[1].Design)
	b, _ := json.Marshal(again.Homes[1].Design)
	if string(a) != string(b) {
		t.Error("the same kitchen got two plans")
	}
}

func ids(values []design.OwnValue) (out string) {
	for i, v := range values {
		if i > 0 {
			out += " "
		}
		out += v.ID
	}
	return out
}
