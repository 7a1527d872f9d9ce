package notebook_test

import (
	"math"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
)

// A share is worked out with what was really used: 26 g out of 20 g wanted, 21.5 g taken
// in one lane. By hand 26/20 = 1.3, 26/21.5 = 1.2093; 0.5 g of the last digit's step of
// 0.1 g is 0.029 g. What is of another kind, or of a thing that no formula asks for, is
// refused.
func TestAmountsReallyUsed(t *testing.T) {
	d := plain("g", "1 g", 1, "dry", "wet")
	d.Needs = []design.Need{
		{ID: "beans", Symbol: "b", Name: text.Localized{"en": "beans"}, Amount: "20 g", PerCondition: true},
		{ID: "water", Name: text.Localized{"en": "water"}, Amount: "200 mL"},
	}
	d.Derived = []design.Derived{{ID: "gain", Name: text.Localized{"en": "gain"}, Formula: "v/b", Unit: "1"}}
	used := func(need, condition, amount string) notebook.Entry {
		return entry(notebook.Used, 1, func(e *notebook.Entry) {
			e.Refers, e.Slot.Condition, e.Typed = need, condition,
				amount
		})
	}
	entries := append(typed(d, "dry", "26 g"), typed(d, "wet", "26 g")...)
	entries = append(entries, used("beans", "wet", "21 g"), used("beans", "wet", "21.5"), used("beans", "dry", "some"))
	got := map[string]notebook.Result{}
	for _, r := range notebook.Derive(notebook.Open(d, entries, notebook.Writer{Language: "en"}, nil)) {
		got[r.Condition] = r
	}
	if v := got["dry"].Value.Value; math.Abs(v-1.3) > 1e-9 {
		t.Errorf("with what is wanted: %g", v)
	}
	if v := got["wet"].Value.Value; math.Abs(v-26/21.5) > 1e-9 {
		t.Errorf("with what was used: %g", v)
	}
	if u := got["wet"].Doubt.Rounding; !(u > 0 && u < got["dry"].Doubt.Rounding) {
		t.Errorf("21.5 g is known better than 20 g: %g against %g", u, got["dry"].Doubt.Rounding)
	}
	for _, bad := range []notebook.Entry{
		used("beans", "wet", " "), used("beans", "other", "21 g"), used("water", "", "200 mL"),
	} {
		if notebook.Fits(d, &bad) == nil {
			t.Errorf("%s %s %q was taken", bad.Refers, bad.Slot.Condition, bad.Typed)
		}
	}
	ok := used("beans", "", "20.0 g")
	if p := notebook.Fits(d, &ok); p != nil {
		t.Errorf("refused: %v", p.Rule)
	}
}
