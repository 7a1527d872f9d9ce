package design_test

import (
	"slices"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/docs"
)

// What is read before a change is a baseline, what is read after it, or by itself, is not.
func TestBaselines(t *testing.T) {
	for name, want := range map[string][]string{
		"thirsty-beans": {"before"}, "paper-strips": nil, "three-shadows": nil,
	} {
		raw, err := docs.Example(name)
		if err != nil {
			t.Fatal(err)
		}
		d, err := design.Read(raw)
		if err != nil {
			t.Fatal(err)
		}
		if got := d.Baselines(); !slices.Equal(got, want) {
			t.Errorf("%s: %v, want %v", name, got, want)
		}
		if name != "thirsty-beans" {
			continue
		}
		for i := range d.Steps { // read again at the end it can be made up for
			d.Steps[i].Takes = append(slices.Clone(d.Steps[i].Takes), design.Take{Reading: "before"})
		}
		if got := d.Baselines(); len(got) != 0 {
			t.Errorf("%s: %v can be read later", name, got)
		}
	}
}
