package kitchen_test

import (
	"testing"

	"patient-kitchen/core/kitchen"
)

// An answer that is missing is the careful one, whichever that is.
func TestMaybe(t *testing.T) {
	yes, no := true, false
	for _, c := range []struct {
		answer        *bool
		careful, want bool
	}{{nil, true, true}, {nil, false, false}, {&yes, false, true}, {&no, true, false}} {
		if got := kitchen.Maybe(c.answer, c.careful); got != c.want {
			t.Errorf("%v, careful %v: %v", c.answer, c.careful, got)
		}
	}
}
