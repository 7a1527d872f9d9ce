package compare_test

import (
	"strings"
	"testing"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/text"
)

// One home's own words: a difference of 20 mm is far above twice √2·0.81 mm,
// one of 1 mm far below.
func TestAlone(t *testing.T) {
	_, homes := class(t, map[string][]float64{"printer": {10}, "towel": {30}, "filter": {11}, "newspaper": {3}})
	messages := compare.Alone(homes[0].Book)
	var words []string
	for _, m := range messages {
		words = append(words, text.Render(m, "en"))
		if es := text.Render(m, "es"); strings.ContainsAny(es, "[{") {
			t.Error(es)
		}
	}
	if len(words) != 3 || !strings.HasPrefix(words[0], "Newspaper: clearly less") || !strings.Contains(words[1], "cannot tell it from Printer paper (1.0\u00a0mm ± 1.1)") || !strings.HasPrefix(words[2], "Kitchen roll: clearly more") {
		t.Errorf("%q", words)
	}
	_, homes = class(t, map[string][]float64{"towel": {30}})
	if got := compare.Alone(homes[0].Book); len(got) != 0 {
		t.Errorf("nothing to compare with: %v", got)
	}
}

// Without an untreated comparison the smallest stands in for it.
func TestAgainstTheSmallest(t *testing.T) {
	d, homes := class(t, map[string][]float64{"printer": {10, 11}, "towel": {30, 31}, "newspaper": {5, 6}})
	for i := range d.Conditions {
		d.Conditions[i].Control = false
	}
	if c := compare.Class(d, homes)[0]; c.Against != "newspaper" || len(c.Findings) != 3 {
		t.Errorf("against %s", c.Against)
	}
	d.Conditions = d.Conditions[:1]
	if c := compare.Class(d, homes)[0]; c.Against != "" || len(c.Findings) != 0 {
		t.Errorf("one condition is compared with %q", c.Against)
	}
	d.Derived[0].Unit = "blobs"
	if got := compare.Class(d, homes); len(got) != 1 {
		t.Errorf("a value without a unit is left out: %d", len(got))
	}
}
