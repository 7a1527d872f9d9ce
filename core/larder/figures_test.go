package larder_test

import (
	"slices"
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
)

// figureUnits are, by key, units of the dimensions that a figure can have.
var figureUnits = map[string][]string{
	"rho": {
		"g/mL",
	}, "bulk": {"g/mL"}, "tsp": {"g"}, "tbsp": {"g"}, "mass": {"g"}, "vol": {"mL"}, "cap": {"g"}, "d": {"mm"},
	"mp": {"°C"}, "bp": {"°C"}, "flash": {"°C"}, "k": {"W/(m·K)"}, "lag": {"s"},
	"pH": {"1"}, "pct": {"%"}, "protons": {"1"}, "o2": {"mL/mL"}, "co2": {"mmol/g"},
	"acid": {"mmol/mL", "mmol/g"}, "need": {"mmol/mmol"}, // equivalents are counted like moles
	"res": {
		"g",
		"mL",
		"mm",
		"°",
		"s",
		"°C",
		"Hz",
		"1",
		"dB",
	}, "err": {"g", "mL", "mm", "°", "s", "°C", "Hz", "1", "%", "dB"},
}

// Every figure of the larder has a unit of its dimension, and its ends in their
// order. A level in decibels is a logarithm: it has no dimension to convert.
func TestFiguresHaveUnits(t *testing.T) {
	special := map[string]string{"meq/mL": "mmol/mL", "meq/g": "mmol/g", "meq/mmol": "mmol/mmol"}
	dim := func(unit string) (quantity.Dim, bool) {
		if s, ok := special[unit]; ok {
			unit = s
		}
		u, ok := quantity.LookupUnit(unit)
		return u.Dim, ok || unit == "1"
	}
	seen := 0
	for _, m := range larder.Standard().Materials {
		for _, f := range m.Figures {
			if f.Key == "" {
				continue // words alone
			}
			seen++
			allowed, ok := figureUnits[f.Key]
			if !ok {
				t.Errorf("%s: nobody says which units %q may have", m.ID, f.Key)
				continue
			}
			fits := slices.ContainsFunc(allowed, func(u string) bool {
				a, known := dim(u)
				b, also := dim(f.Unit)
				return u == f.Unit || known && also && a == b
			})
			if !fits || f.Unit == "" {
				t.Errorf("%s: %s is in %q", m.ID, f.Text, f.Unit)
			}
			if f.High < f.Low {
				t.Errorf("%s: %s goes from %g to %g", m.ID, f.Text, f.Low, f.High)
			}
		}
	}
	if seen < 200 {
		t.Errorf("only %d figures were looked at", seen)
	}
}
