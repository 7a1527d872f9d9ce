package quantity

import (
	"errors"
	"math"
	"strings"
	"testing"
)

func near(a, b, rel float64) bool {
	return math.Abs(a-b) <= rel*math.Max(math.Abs(a), math.Abs(b))+1e-12
}

// Values: chapter 33 and the unit table of the design's models, recomputed by
// hand from the units' legal definitions.
func TestParse(t *testing.T) {
	for _, c := range []struct {
		text      string
		value     float64
		unit      string
		canonical float64
	}{
		{"2 1/4 cup", 2.25, "cup", 532.323532},
		{"68 °F", 68, "°F", 20},
		{"1,25 L", 1.25, "L", 1250},
		{"24", 24, "1", 24}, {".5 g", .5, "g", .5}, {"1e3 g", 1000, "g", 1000}, {"5E-2 kg", .05, "kg", 50},
		{"3/4 tsp", .75, "tsp", 3.69669}, {"2¾ in", 2.75, "in", 0.06985}, {"2 ¾ in", 2.75, "in", 0.06985},
		{"2-3/4 in", 2.75, "in", 0.06985}, {"1⁄8 tsp", .125, "tsp", 0.616115},
		{"2,750.5 g", 2750.5, "g", 2750.5}, {"2.750,5 g", 2750.5, "g", 2750.5}, {"1,250,000 mg", 1250000, "mg", 1250},
		{"−5 °C", -5, "°C", -5}, {"-40 °F", -40, "°F", -40}, {"300 K", 300, "K", 26.85},
		{"5' 3\"", 5.25, "ft", 1.6002}, {"5 ft 3 in", 5.25, "ft", 1.6002}, {"1 lb 4 oz", 1.25, "lb", 566.990463},
		{"1 h 30 min", 1.5, "h", 5400}, {"2 min 30 s", 2.5, "min", 150},
		{"1 metric cup", 1, "metric cup", 250}, {"3 fluid ounces", 3, "fl oz", 88.7205886875},
		{"1.005 g/mL", 1.005, "g/mL", 1.005}, {"998 kg/m³", 998, "kg/m³", .998},
		{"8.3 lb/gal", 8.3, "lb/gal", 0.9945593},
		{"9.81 m/s²", 9.81, "m/s²", 9.81}, {"0.5 mol/L", .5, "mol/L", .5}, {"5 %", 5, "%", .05},
		{"90 deg", 90, "deg", 90},
		{"7 drops", 7, "drop", 7}, {"30 mph", 30, "mph", 13.4112}, {"5\u00a0g", 5, "g", 5},
	} {
		got, err := Parse(c.text)
		if err != nil {
			t.Errorf("Parse(%q): %v", c.text, err)
			continue
		}
		can, err := got.In(Canonical(got.Unit.Dim))
		if err != nil {
			t.Fatal(err)
		}
		if !near(got.Value, c.value, 1e-9) || got.Unit.Symbol != c.unit || !near(can.Value, c.canonical, 1e-6) {
			t.Errorf(
				"Parse(%q) = %v %s (%v %s), want %v %s (%v)",
				c.text,
				got.Value,
				got.Unit.Symbol,
				can.Value,
				can.Unit.Symbol,
				c.value,
				c.unit,
				c.canonical,
			)
		}
	}
}

func TestParseRange(t *testing.T) {
	for _, c := range []struct {
		text      string
		low, high float64
	}{{"4-6 drops", 4, 6}, {"1/2-3/4 cup", .5, .75}, {"2 to 3 g", 2, 3}, {"2 – 3 g", 2, 3}, {"1.5—2 min", 1.5, 2}} {
		got, err := Parse(c.text)
		if err != nil || !got.IsRange || got.Low != c.low || got.High != c.high || got.Value != (c.low+c.high)/2 {
			t.Errorf("Parse(%q) = %+v, %v", c.text, got, err)
		}
	}
}

func TestParseErrors(t *testing.T) {
	for text, code := range map[string]string{
		"": "empty", "   ": "empty", "g": "no-number", "five g": "no-number", "2,750 g": "ambiguous-comma",
		"9. g":    "ends-with-sign",
		"1,2.3,4": "mixed-signs", "1.23.456": "bad-groups", "1/0 tsp": "zero-denominator",
		"1 3/2 cup": "improper-mixed",
		"3 blobs":   "unknown-unit", "3 g g": "unknown-unit", "0x10": "unknown-unit", "NaN": "no-number",
		"Infinity g": "no-number",
		"6-4 drops":  "bad-range", "-2-3 g": "signed-range", "5 ft 13 in": "bad-compound", "1 T": "unknown-unit",
		"--2 g":    "no-number",
		"5 °C/min": "unknown-unit", "1e999 g": "too-large", "5.5 ft 3 in": "bad-compound",
	} {
		_, err := Parse(text)
		var pe *ParseError
		if !errors.As(err, &pe) || pe.Code != code || pe.Text != text {
			t.Errorf("Parse(%q): error %v, want code %s", text, err, code)
		}
		if err != nil && strings.Contains(err.Error(), "%!") {
			t.Errorf("Parse(%q): badly worded: %v", text, err)
		}
	}
}

func TestConvertNamesBothDimensions(t *testing.T) {
	_, err := New(3, "g").In(MustUnit("mL"))
	if err == nil || !strings.Contains(err.Error(), "mass") || !strings.Contains(err.Error(), "volume") {
		t.Errorf("error %v does not name mass and volume", err)
	}
	u := Quantity{Value: 50, Unit: MustUnit("°F"), U: 1.8}
	c, _ := u.In(MustUnit("°C"))
	if !near(c.Value, 10, 1e-9) || !near(c.U, 1, 1e-9) {
		t.Errorf("50 °F ± 1.8 = %v ± %v °C, want 10 ± 1: the uncertainty is a difference", c.Value, c.U)
	}
}

// The rectangular distribution has the standard deviation width/√12.
func TestResolution(t *testing.T) {
	if u := (Resolution{Step: 1}).U(); !near(u, 0.2886751, 1e-6) {
		t.Errorf("1 g display: u = %v", u)
	}
	if u := (Resolution{Step: 1, Analogue: true}).U(); !near(u, 0.1443376, 1e-6) {
		t.Errorf("1 mm ruler: u = %v", u)
	}
}

func TestShow(t *testing.T) {
	for _, c := range []struct {
		q    Quantity
		lang string
		want string
	}{
		{Quantity{14.1434, MustUnit("%"), 0.302295}, "en", "14.1\u00a0% ± 0.3"},
		{Quantity{0.986763, MustUnit("g/mL"), 0.0136695}, "es", "0,987\u00a0g/mL ± 0,014"},
		{New(82, "mm"), "en", "82\u00a0mm"}, {New(82.55, "mm"), "en", "82.55\u00a0mm"},
		{New(-4.5, "°C"), "es", "−4,5\u00a0°C"}, {New(2, "tsp"), "en", "2\u00a0US tsp"}, {New(3, "1"), "en", "3"},
		{Quantity{-0.001, MustUnit("g"), 0.3}, "en", "0.0\u00a0g ± 0.3"},
		{New(1.0/3, "cup"), "en", "0.3333\u00a0US cup"},
	} {
		if got := c.q.Show(c.lang); got != c.want {
			t.Errorf("%v %s: %q, want %q", c.q.Value, c.q.Unit.Symbol, got, c.want)
		}
	}
}

func FuzzParse(f *testing.F) {
	for _, s := range []string{"2 1/4 cup", "5' 3\"", "4-6 drops", "1,250.5 g", "½", "1e9 m^2/s", "⅔⅔", "3 g/"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		if p, err := Parse(s); err == nil && (math.IsNaN(p.Value) || math.IsInf(p.Value, 0)) {
			t.Errorf("Parse(%q) = %v", s, p.Value)
		}
		for _, dim := range []Dim{Volume, Length, Time, Temperature} {
			got := ParseTyped(s, Field{Dim: dim, Language: "es", System: Metric})
			if got.Text != s || got.Kind == "" {
				t.Errorf("ParseTyped(%q) lost the text or has no kind: %+v", s, got)
			}
		}
	})
}
