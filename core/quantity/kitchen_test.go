package quantity

import (
	"strings"
	"testing"
)

// Amounts as a kitchen measures them, with metric beside spoons and cups.
func TestKitchenAmounts(t *testing.T) {
	for _, c := range []struct {
		value float64
		unit  string
		exact bool
		want  string
	}{
		{20.05, "mL", true, "20 mL"}, {204.7, "mL", true, "205 mL"}, {204.7, "mL", false, "200 mL"},
		{3.27, "mL", false, "3.3 mL"}, {0.04, "mL", true, "0.1 mL"},
		{11.62, "g", true, "12 g"}, {4.213, "g", true, "4.2 g"}, {0.25, "L", false, "250 mL"},
		{1.234, "L", true, "1.23 L"}, {0.0405, "kg", true, "41 g"},
		{0.045, "tbsp", false, "⅛ US tsp (0.6 mL)"}, {0.33, "cup", false, "⅜ US cup (89 mL)"},
		{1.48, "cup", false, "1½ US cup (350 mL)"}, {0.1, "cup", false, "1½ US tbsp (22 mL)"},
		{2.05, "drop", true, "2 drop"}, {1, "drop", true, "1 drop"}, {2.05, "1", false, "2"}, {0.2, "1", false, "1"},
		{5.1, "metric tsp", false, "5 metric tsp (25 mL)"},
		{5.03, "cm", true, "5.03 cm"}, {90, "min", true, "90 min"},
	} {
		if got := strings.ReplaceAll((Kitchen{New(c.value, c.unit), c.exact}).Show("en"), "\u00a0",
			" "); got != c.want {
			t.Errorf("%v %s: %q, want %q", c.value, c.unit, got, c.want)
		}
	}
}
