package compare_test

import (
	"testing"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
)

// What a home's values are worked out with goes out with its readings and comes in again:
// its own constant of 2 in the place of 1, and 25 g used in the place of 20 g. By hand
// 50 · 2 / 25 = 4, and for a home that said nothing 50 · 1 / 20 = 2.5. An amount of a thing
// that nothing is worked out with is refused.
func TestWorkedWithComesBack(t *testing.T) {
	d := &design.Document{
		Trials:    1,
		Needs:     []design.Need{{ID: "beans", Symbol: "b", Amount: "20 g"}},
		Constants: []design.Constant{{Symbol: "k", Value: "1", Own: "printed-ruler"}},
		Readings:  []design.Reading{{ID: "m", Symbol: "m", Unit: "g", Name: text.Localized{"en": "mass"}}},
		Derived:   []design.Derived{{ID: "x", Formula: "m*k/b", Unit: "1", Name: text.Localized{"en": "x"}}},
	}
	own := *d
	own.Constants = []design.Constant{{Symbol: "k", Value: "2", Own: "printed-ruler"}}
	used := notebook.Entry{ID: "u", Kind: notebook.Used, Refers: "beans", Typed: "25 g"}
	fern := compare.ReadingsHome{Home: "Fern", Language: "en"}
	fern.Worked(d, notebook.Open(&own, []notebook.Entry{used}, notebook.Writer{Language: "en"}, nil))
	file := compare.Readings{
		Homes: []compare.ReadingsHome{fern, {Home: "Beck", Language: "en"}},
		Readings: []compare.Row{{Home: "Fern", Reading: "m", Trial: 1, Typed: "50 g"},
			{Home: "Beck", Reading: "m", Trial: 1, Typed: "50 g"}},
	}
	homes, err := file.Books(d)
	if err != nil {
		t.Fatal(err)
	}
	for i, want := range []float64{4, 2.5} {
		if r := notebook.Derive(homes[i].Book); len(r) != 1 || r[0].Value.Value != want {
			t.Errorf("home %d: %+v, not %g", i, r, want)
		}
	}
	less := *d // a plan that wants 10 g of a home that did not say what it used: 50 · 1 / 10
	less.Needs = []design.Need{{ID: "beans", Symbol: "b", Amount: "10 g"}}
	tarn := compare.ReadingsHome{Home: "Tarn", Language: "en"}
	tarn.Worked(d, notebook.Open(&less, nil, notebook.Writer{Language: "en"}, nil))
	again := compare.Readings{Homes: []compare.ReadingsHome{tarn},
		Readings: []compare.Row{{Home: "Tarn", Reading: "m", Trial: 1, Typed: "50 g"}}}
	homes, err = again.Books(d)
	if err != nil {
		t.Fatal(err)
	}
	if r := notebook.Derive(homes[0].Book); len(r) != 1 || r[0].Value.Value != 5 {
		t.Errorf("with the amount of its own plan: %+v, not 5", r)
	}
	file.Homes[0].Used[0].Need = "water"
	if _, err := file.Books(d); err == nil {
		t.Error("an amount of nothing was taken")
	}
}
