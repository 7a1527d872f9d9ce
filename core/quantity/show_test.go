package quantity

import (
	"math"
	"testing"

	"patient-kitchen/core/text"
)

// The rule: the uncertainty keeps one significant digit, two when the first
// is 1; a value without one keeps at most four. Worked by hand.
func TestDecimals(t *testing.T) {
	for _, c := range []struct {
		value, u float64
		want     int
	}{
		{82.55, 0.3, 1}, {82.55, 0.19, 2}, {82.55, 0.14, 2}, {82.55, 3, 0}, {82.55, 12, 0}, {82.55, 130, 0},
		{0.98676, 0.0336695, 2},
		{1234.5, 0, 0}, {12.345, 0, 2}, {0.5, 0, 1}, {7, 0, 0}, {0, 0, 0}, {1.0 / 3, 0, 4}, {1e-9, 0, 9},
		{5, math.Inf(1), 0}, {math.NaN(), 0, 0}, {5, math.NaN(), 0},
	} {
		if got := text.Decimals(c.value, c.u); got != c.want {
			t.Errorf("text.Decimals(%v, %v) = %d, want %d", c.value, c.u, got, c.want)
		}
	}
}

func TestNumber(t *testing.T) {
	for _, c := range []struct {
		value    float64
		decimals int
		lang     string
		want     string
	}{{-1.25, 1, "en", "−1.3"}, {1.25, 2, "es", "1,25"}, {-0.04, 1, "en", "0.0"}, {1e6, 0, "es", "1000000"},
		{-3, 0, "en", "−3"}} {
		if got := text.Number(c.value, c.decimals, c.lang); got != c.want {
			t.Errorf("text.Number(%v, %d, %s) = %q, want %q", c.value, c.decimals, c.lang, got, c.want)
		}
	}
	if got := (Quantity{Value: 31.04, Unit: MustUnit("mm"), U: 2.1}).Bare().Show("es"); got != "31\u00a0mm" {
		t.Errorf("bare: %q", got)
	}
}

func TestLabels(t *testing.T) {
	for symbol, want := range map[string]string{"cup": "US cup", "metric cup": "metric cup", "UK fl oz": "UK fl oz",
		"fl oz": "US fl oz", "1": "", "mm": "mm", "%": "%"} {
		if got := MustUnit(symbol).Label(); got != want {
			t.Errorf("%s is shown as %q, want %q", symbol, got, want)
		}
	}
}

func TestDimensions(t *testing.T) {
	area, ok := Length.Pow(4)
	if !ok || area != Area || Area.String() != "area" {
		t.Errorf("length squared is %v", area)
	}
	root, ok := Length.Pow(1)
	if !ok || root.String() != "m^(1/2)" {
		t.Errorf("the root of a length: %v %v", root, ok)
	}
	if _, ok := root.Pow(1); ok {
		t.Error("a fourth root was taken")
	}
	if d := Mass.Div(Volume); d != Density || d.String() != "density" {
		t.Errorf("mass by volume is %v", d)
	}
	if d := Length.Div(Time).Div(Time); d.String() != "m·s^-2" {
		t.Errorf("an acceleration: %v", d)
	}
	for d, name := range dimNames {
		if back, ok := DimByName(name); !ok || back != d {
			t.Errorf("%s by its name: %v %v", name, back, ok)
		}
	}
	if _, ok := DimByName("flavour"); ok {
		t.Error("flavour is a dimension")
	}
}

// Every symbol of the table finds itself, and compounds mean what they say.
func TestUnits(t *testing.T) {
	for _, row := range unitTable {
		if u, ok := LookupUnit(row.Symbol); !ok || u != row.Unit {
			t.Errorf("%s finds %+v", row.Symbol, u)
		}
		if row.Factor <= 0 || math.IsInf(row.Factor, 0) {
			t.Errorf("%s has the factor %v", row.Symbol, row.Factor)
		}
	}
	for symbol, factor := range map[string]float64{"km/h": 1000.0 / 3600, "m/s^2": 1, "g·cm⁻³": 1000,
		"mm/√min": 1e-3 / math.Sqrt(60), "cm²": 1e-4, "m*m": 1, "lb/gal": 0.45359237 / 3.785411784e-3} {
		u, ok := LookupUnit(symbol)
		if !ok || !near(u.Factor, factor, 1e-12) {
			t.Errorf("%s = %v (%v), want %v", symbol, u.Factor, ok, factor)
		}
	}
	for _, bad := range []string{"", "/s", "m/", "m^0", "m^9", "m^x", "°C/min", "T", "t", "blobs", "m⁻", "g^2x"} {
		if u, ok := LookupUnit(bad); ok {
			t.Errorf("%q is the unit %+v", bad, u)
		}
	}
	defer func() {
		if recover() == nil {
			t.Error("MustUnit takes anything")
		}
	}()
	MustUnit("blobs")
}

// Units as people spell them at home, with capitals as they fall.
func TestUnitsAsPeopleSpellThem(t *testing.T) {
	for spelled, symbol := range map[string]string{
		"5 milimetros": "mm", "5 cms": "cm", "3 mts": "m", "2 pulgadas": "in", "6 pies": "ft", "20 gr": "g",
		"20 grms": "g", "1 kilogramo": "kg", "2 Onzas": "oz", "1 libra": "lb", "2 libras": "lb",
		"20 mls": "mL", "2 lts": "L", "20 seg": "s", "3 dias": "d", "20 ºC": "°C", "20° C": "°C", "20 ° c": "°C",
		"20 degrees C": "°C", "20 grados centígrados": "°C", "20 centígrados": "°C", "72 degrees F": "°F",
		"72 grados Fahrenheit": "°F",
		"5 por ciento":         "%", "5 per cent": "%", "5 pct": "%",
	} {
		p, err := Parse(spelled)
		if err != nil || p.Quantity.Unit.Symbol != symbol {
			t.Errorf("%q is read as %v, %v; want %s", spelled, p.Quantity, err, symbol)
		}
	}
}
