package quantity

import (
	"math"
	"testing"
)

// The rows are larder D4's test table; the numbers follow from the units'
// definitions. Rows about strengths of peroxide and about grams from spoons
// need a material and are tested where materials are known.
func TestParseTyped(t *testing.T) {
	vol := func(s System) Field { return Field{Dim: Volume, Unit: "mL", Language: "en", System: s} }
	es := Field{Dim: Volume, Unit: "mL", Language: "es", System: Metric}
	length := Field{Dim: Length, Unit: "cm", Language: "en", System: US}
	mass := Field{Dim: Mass, Unit: "g", Language: "en", System: Metric}
	massES := Field{Dim: Mass, Unit: "g", Language: "es", System: Metric}
	temp := Field{Dim: Temperature, Unit: "°C", Language: "en", System: Metric}
	room := Field{Dim: Temperature, Unit: "°C", Language: "en", System: US, Room: true}
	dur := Field{Dim: Time, Unit: "s", Language: "en"}
	count := Field{Dim: Pure, Unit: "1", Language: "en"}
	pct := Field{Dim: Pure, Unit: "%", Language: "en"}
	for _, c := range []struct {
		row       int
		text      string
		field     Field
		kind      Kind
		canonical float64 // of the value, in the canonical unit
		unit      string
		check     func(Typed) bool
	}{
		{1, "1 1/2 tsp", vol(US), Value, 7.39338, "tsp", nil},
		{2, "½ cup", vol(US), Value, 118.294, "cup", nil},
		{3, "½ cup", vol(Metric), Value, 125, "metric cup", nil},
		{4, "3 Tbsp.", vol(US), Value, 44.3603, "tbsp", nil},
		{5, "3 Tbsp.", vol(AU), Value, 60, "AU tbsp", nil},
		{6, "2-3 drops", vol(US), Value, 2.5, "drop", func(t Typed) bool {
			return t.IsRange && t.Low == 2 && t.High == 3
		}},
		{7, "a pinch", vol(US), Value, 0.308058, "pinch", nil},
		{8, "about 50", vol(Metric), Value, 50, "mL", func(t Typed) bool { return t.Approximate && t.UnitAssumed }},
		{9, "22in", length, Value, .5588, "in", nil},
		{10, "5'3\"", length, Value, 1.6002, "in", func(t Typed) bool { return near(t.Value, 63, 1e-9) }},
		{11, "5’3”", length, Value, 1.6002, "in", nil},
		{12, "5' 3 1/2\"", length, Value, 1.6129, "in", nil},
		{13, "5ft 3", length, Value, 1.6002, "in", func(t Typed) bool { return t.UnitAssumed }},
		{14, "1-1/2 tsp", vol(US), Value, 7.39338, "tsp", nil},
		{15, "1 - 1/2 tsp", vol(US), Question, 0, "", nil},
		{16, "1/2-3/4 cup", vol(US), Value, 147.867648, "cup", func(t Typed) bool {
			return t.Low == .5 && t.High == .75
		}},
		{17, "2½", count, Value, 2.5, "1", nil},
		{18, "1⁄4 tsp", vol(US), Value, 1.23223, "tsp", nil},
		{19, ".5 g", mass, Value, .5, "g", nil},
		{20, "2,5 g", mass, Value, 2.5, "g", nil},
		{21, "1,500 mL", vol(US), Value, 1500, "mL", func(t Typed) bool { return t.Confirm }},
		{22, "1.500 g", massES, Question, 0, "", nil},
		{23, "1 T", vol(US), Value, 14.7868, "tbsp", func(t Typed) bool { return t.Confirm }},
		{24, "1 t", vol(US), Value, 4.92892, "tsp", nil},
		{25, "2 c", vol(US), Value, 473.176, "cup", nil},
		{26, "20 C", temp, Value, 20, "°C", nil},
		{27, "68F", temp, Value, 20, "°F", nil},
		{28, "68", room, Value, 20, "°F", func(t Typed) bool { return t.Confirm }},
		{29, "-5 °C", temp, Value, -5, "°C", nil},
		{29, "−5", temp, Value, -5, "°C", func(t Typed) bool { return t.UnitAssumed }},
		{30, "8 oz", vol(US), Question, 0, "", func(t Typed) bool { return t.Code == "ounce" }},
		{31, "8 fl oz", vol(UK), Value, 227.3045, "UK fl oz", nil},
		{32, "1 lb 4 oz", mass, Value, 566.990463, "oz", nil},
		{33, "2 x 50 ml", vol(US), Value, 100, "mL", func(t Typed) bool { return t.Portions == 2 }},
		{34, "10 ± 1 g", mass, Value, 10, "g", func(t Typed) bool { return t.Low == 9 && t.High == 11 }},
		{35, "<1 g", mass, Bound, 1, "g", func(t Typed) bool { return t.Below }},
		{36, "heaped tsp", vol(US), Value, 6.90049, "tsp", func(t Typed) bool {
			return near(t.Low, 1.2, 1e-9) && near(t.High, 2, 1e-9)
		}},
		{37, "level tbsp", vol(US), Value, 14.7868, "tbsp", nil},
		{38, "half a cup", vol(US), Value, 118.294, "cup", nil},
		{39, "a cup and a half", vol(US), Value, 354.882, "cup", nil},
		{40, "couple of drops", vol(US), Value, 2, "drop", nil},
		{41, "1:20", dur, Value, 80, "s", nil},
		{42, "1.20 min", dur, Value, 72, "min", nil},
		{43, "3'", dur, Value, 180, "min", nil},
		{43, "3'", length, Value, .9144, "ft", nil},
		{44, "1m20", length, Value, 1.2, "cm", nil},
		{44, "1m20", dur, Value, 80, "s", nil},
		{45, "5 cc", vol(US), Value, 5, "cm³", nil},
		{46, "2 cdas", es, Value, 30, "metric tbsp", nil},
		{47, "1 cdta", es, Value, 5, "metric tsp", nil},
		{47, "1 cdita", es, Value, 5, "metric tsp", nil},
		{47, "1 cucharadita", es, Value, 5, "metric tsp", nil},
		{48, "media taza", es, Value, 125, "metric cup", nil},
		{49, "una pizca", es, Value, 0.308058, "pinch", nil},
		{50, "un chorrito", es, Question, 0, "", nil},
		{50, "to taste", vol(US), Question, 0, "", nil},
		{51, "a handful", mass, Question, 0, "", nil},
		{52, "10-12 vol", pct, Value, 0.0333333, "vol", func(t Typed) bool { return t.IsRange }},
		{53, "5%", pct, Value, .05, "%", nil},
		{54, "0", mass, Value, 0, "g", nil},
		{54, "", mass, Missing, 0, "", nil},
		{54, "no sé", massES, Missing, 0, "", nil},
		{55, "1/0 tsp", vol(US), Unread, 0, "", nil},
		{56, "3-2 drops", vol(US), Question, 0, "", nil},
		{57, "2 1/2-3 cups", vol(US), Value, 650.61765, "cup", func(t Typed) bool {
			return t.Low == 2.5 && t.High == 3
		}},
		{58, "12 dozen", count, Value, 144, "1", nil},
		{59, "1e3 g", mass, Value, 1000, "g", func(t Typed) bool { return t.Confirm }},
		{60, "100g/3.5oz", mass, Value, 100, "g", nil},
		// As people type into the strips experiment.
		{0, "3 1/4 in", length, Value, .08255, "in", nil},
		{0, "82 mm", length, Value, .082, "mm", nil},
		{0, "8,2", length, Value, .082, "cm", func(t Typed) bool { return t.UnitAssumed }},
		{0, "12 g", length, Question, 0, "", func(t Typed) bool { return t.Code == "wrong-dimension" }},
		{0, "wet", length, Unread, 0, "", nil},
		{0, "-3 g", mass, Question, 0, "", nil},
	} {
		got := ParseTyped(c.text, c.field)
		if got.Kind != c.kind || got.Text != c.text {
			t.Errorf("row %d, %q: kind %q (%s %s), want %q", c.row, c.text, got.Kind, got.Code, got.Read, c.kind)
			continue
		}
		if c.check != nil && !c.check(got) {
			t.Errorf("row %d, %q: flags or ends off: %+v", c.row, c.text, got)
		}
		if c.kind != Value && c.kind != Bound {
			continue
		}
		can, err := got.In(Canonical(got.Unit.Dim))
		if err != nil || !near(can.Value, c.canonical, 1e-5) || got.Unit.Symbol != c.unit {
			t.Errorf(
				"row %d, %q: %v %s (%v), want %s (%v); %v",
				c.row,
				c.text,
				got.Value,
				got.Unit.Symbol,
				can.Value,
				c.unit,
				c.canonical,
				err,
			)
		}
	}
}

// What a stopwatch shows, with hours and with hundredths.
func TestClockTimes(t *testing.T) {
	f := Field{Dim: Time, Unit: "s", Language: "en"}
	for typed, seconds := range map[string]float64{"1:20": 80, "1m20": 80, "0:11.4": 11.4, "00:11.40": 11.4,
		"1:02.3": 62.3, "1:02,3": 62.3, "1:20:30": 4830, "0:00:07.25": 7.25} {
		if got := ParseTyped(typed, f); got.Kind != Value || math.Abs(got.Value-seconds) > 1e-9 ||
			got.Unit.Symbol != "s" {
			t.Errorf("%s: %s %v %s", typed, got.Kind, got.Value, got.Unit.Symbol)
		}
	}
	for _, typed := range []string{"1:75", "1:20:75", "1:", ":20", "1:2:3:4", "1:020", "12345:20"} {
		if got := ParseTyped(typed, f); got.Kind == Value {
			t.Errorf("%s is taken as %v", typed, got.Value)
		}
	}
	if got := ParseTyped("1:20", Field{Dim: Length, Unit: "mm"}); got.Kind == Value {
		t.Errorf("a clock time in millimetres: %v", got.Value)
	}
}

// A whole number of one unit and some of a smaller one, written out; digits of
// full width; "about" behind the value.
func TestSumsAndAbout(t *testing.T) {
	for _, c := range []struct {
		typed  string
		f      Field
		si     float64
		approx bool
	}{
		{"3 cm 4 mm", Field{Dim: Length, Unit: "mm"}, 0.034, false},
		{"1 m 5 cm", Field{Dim: Length, Unit: "cm"}, 1.05, false},
		{"1 kg 200 g", Field{Dim: Mass, Unit: "g"}, 1.2, false},
		{"1 L 250 mL", Field{Dim: Volume, Unit: "mL"}, 1.25e-3, false},
		{"1 cup 2 tbsp", Field{Dim: Volume, Unit: "mL", System: Metric}, 280e-6, false},
		{"１２ mm", Field{Dim: Length, Unit: "mm"}, 0.012, false},
		{"１．５ cm", Field{Dim: Length, Unit: "mm"}, 0.015, false},
		{"25 mm approx", Field{Dim: Length, Unit: "mm"}, 0.025, true},
		{"25 mm or so", Field{Dim: Length, Unit: "mm"}, 0.025, true},
		{"casi 25 mm", Field{Dim: Length, Unit: "mm", Language: "es"}, 0.025, true},
		{"25 mm más o menos", Field{Dim: Length, Unit: "mm", Language: "es"}, 0.025, true},
		{"almost 25", Field{Dim: Length, Unit: "mm"}, 0.025, true},
	} {
		got := ParseTyped(c.typed, c.f)
		if got.Kind != Value || math.Abs(got.SI()-c.si) > 1e-9*math.Abs(c.si)+1e-15 || got.Approximate != c.approx {
			t.Errorf(
				"%s: %s %v %s (%v), about %v",
				c.typed,
				got.Kind,
				got.Value,
				got.Unit.Symbol,
				got.Code,
				got.Approximate,
			)
		}
	}
	for _, typed := range []string{"3 cm 40 mm", "3 mm 4 cm", "3 cm 4", "3 cm 4 g", "3.5 cm 4 mm"} {
		if got := ParseTyped(typed, Field{Dim: Length, Unit: "mm"}); got.Kind == Value {
			t.Errorf("%s is taken as %v %s", typed, got.Value, got.Unit.Symbol)
		}
	}
}

// Numbers in words are read; two readings in one box, and a half of nobody
// knows what, are asked.
func TestNumbersInWords(t *testing.T) {
	spoon, taza := Field{
		Dim:    Volume,
		Unit:   "tsp",
		System: Metric,
	}, Field{
		Dim:      Volume,
		Unit:     "mL",
		System:   Metric,
		Language: "es",
	}
	mm, warm := Field{Dim: Length, Unit: "mm", Language: "es"}, Field{Dim: Temperature, Unit: "°C", Language: "es"}
	grams := Field{Dim: Mass, Unit: "g"}
	for _, c := range []struct {
		typed string
		f     Field
		kind  Kind
		value float64 // in the unit that was typed
	}{
		{"two and a half tsp", spoon, Value, 2.5}, {"1 and 1/2 tsp", spoon, Value, 1.5},
		{"three quarters of a teaspoon", spoon, Value, 0.75}, {"a cup and a half", spoon, Value, 1.5},
		{"half a teaspoon", spoon, Value, 0.5},
		{"1 y media tazas", taza, Value, 1.5}, {"1 y 1/2 tazas", taza, Value, 1.5}, {"tres cuartos de taza", taza,
			Value, 0.75}, {"dos tercios de taza", taza, Value, 2.0 / 3}, {"media taza", taza, Value, 0.5},
		{"twenty g", grams, Value, 20}, {"ninety", grams, Value, 90}, {"veinte mm", mm, Value, 20},
		{"quince", mm, Value, 15},
		{"menos 4", warm, Value, -4}, {"minus 4 °C", warm, Value, -4}, {"entre 38 y 39", warm, Value, 38.5},
		{"between 38 and 39 °C", warm, Value, 38.5},
		{"2 y 3", mm, Question, 0}, {"2 and 3 mm", mm, Question, 0}, {"25/26 mm", mm, Question, 0},
		{"half", mm, Question, 0}, {"la mitad", mm, Question, 0}, {"3/4 in", Field{Dim: Length, Unit: "mm"}, Value,
			0.75}, {"5/16 in", Field{Dim: Length, Unit: "mm"}, Value, 5.0 / 16},
		{"two and two tsp", spoon, Question, 0},
	} {
		got := ParseTyped(c.typed, c.f)
		if got.Kind != c.kind || c.kind == Value && math.Abs(got.Value-c.value) > 1e-9 {
			t.Errorf(
				"%s: %s %v %s (%s), want %s %v",
				c.typed,
				got.Kind,
				got.Value,
				got.Unit.Symbol,
				got.Code,
				c.kind,
				c.value,
			)
		}
	}
}
