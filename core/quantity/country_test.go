package quantity_test

import (
	"testing"

	"patient-kitchen/core/quantity"
)

// What is typed is read by the decimal sign of the writer's country: in Mexico a
// comma in front of three digits is between thousands, in Spain it is asked.
func TestDecimalsOfACountry(t *testing.T) {
	for _, c := range []struct {
		language, typed string
		kind            quantity.Kind
		value           float64
	}{
		{"es-MX", "1,500 g", quantity.Value, 1500},
		{"es-MX", "1.5 g", quantity.Value, 1.5},
		{"es-ES", "1,500 g", quantity.Question, 0},
		{"es", "1,500 g", quantity.Question, 0},
		{"es-ES", "1,5 g", quantity.Value, 1.5},
		{"en-US", "1,500 g", quantity.Value, 1500},
	} {
		f, ok := quantity.FieldFor("g", c.language, quantity.Metric)
		if !ok {
			t.Fatal(c)
		}
		if got := quantity.ParseTyped(c.typed, f); got.Kind != c.kind ||
			c.kind == quantity.Value && got.Value != c.value {
			t.Errorf("%s, %q: %v %v, want %v %v", c.language, c.typed, got.Kind, got.Value, c.kind, c.value)
		}
	}
}
