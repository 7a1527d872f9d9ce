package design_test

import (
	"slices"
	"testing"

	"patient-kitchen/core/design"
)

// What is read before a change is a baseline, what is read after it, or by itself, is not.
func TestBaselines(t *testing.T) {
	for name, want := range map[string][]string{"thirsty-beans": {"before"}, "paper-strips": nil, "three-shadows": nil} {
		d := example(t, name)
		if got := d.Baselines(); !slices.Equal(got, want) {
			t.Errorf("%s: %v, want %v", name, got, want)
		}
	}
	d := example(t, "thirsty-beans")
	for i := range d.Steps { // read again at the end it can be made up for
		d.Steps[i].Takes = append(slices.Clone(d.Steps[i].Takes), design.Take{Reading: "before"})
	}
	if got := d.Baselines(); len(got) != 0 {
		t.Errorf("%v can be read later", got)
	}
}
