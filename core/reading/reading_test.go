package reading_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/text"
)

var metric = reading.Writer{Language: "en", System: quantity.Metric}

// What a family sees of what it typed: the echo in the reading's unit, what
// waits for a tap, what is asked and what would answer it.
func TestReply(t *testing.T) {
	us := reading.Writer{Language: "en", System: quantity.US}
	es := reading.Writer{Language: "es", System: quantity.Metric}
	mm := reading.Asked{
		Unit:     "mm",
		Step:     "1 mm",
		Analogue: true,
		Low:      "0 mm",
		High:     "200 mm",
		Tool:     text.Localized{"en": "ruler"},
	}
	bath := reading.Asked{Unit: "°C", Low: "0 °C", High: "45 °C"}
	for _, c := range []struct {
		typed   string
		a       reading.Asked
		w       reading.Writer
		state   string
		echo    string
		confirm bool
		offers  []string
		says    string
	}{
		{"25 mm", mm, metric, "value", "25 mm", false, nil, ""},
		{"25.0", mm, metric, "value", "25.0 mm", false, nil, ""},
		{"25 millimeters", mm, metric, "value", "25 mm", false, nil, ""},
		{"2,5 cm", mm, es, "value", "25 mm", true, nil, ""},
		{"about 25", mm, metric, "value", "about 25 mm", false, nil, ""},
		{"25-27", mm, metric, "value", "25 mm to 27 mm", false, nil, ""},
		{"<5", mm, metric, "bound", "less than 5 mm", false, nil, ""},
		{"más de 5", mm, es, "bound", "más de 5 mm", false, nil, ""},
		{"25/26", mm, metric, "question", "", false, []string{"25 mm", "26 mm"}, "holds two numbers"},
		{"none", mm, metric, "question", "", false, []string{"0 mm"}, "zero"},
		{"1,500", mm, es, "question", "", false, []string{"1,5", "1500"}, "decimales"},
		{"-3", mm, metric, "question", "", false, nil, "below zero"},
		{"", mm, metric, "missing", "", false, nil, ""},
		{"wet", mm, metric, "unread", "", false, nil, "not a number"},
		{"250 mm", mm, metric, "value", "250 mm", false, nil, "Look at your tool once more"},
		{"72", reading.Asked{Unit: "°C"}, us, "question", "", false, []string{"72 °C", "72 °F"}, "°C or in °F"},
		{"100", bath, us, "value", "37.8 °C", true, nil, ""}, // 100 °C is outside of a bath
		{"30", bath, us, "value", "30 °C", true, nil, ""},    // −1 °C is too
		{"40", bath, us, "question", "", false, []string{"40 °C", "40 °F"}, "°C or in °F"},
		{"2:30", reading.Asked{Unit: "h"}, metric, "question", "", false, []string{"2 h 30 min", "2 min 30 s"},
			"hours and minutes"},
		{"2 drops", reading.Asked{Unit: "mL"}, metric, "value", "about 0.1 mL", true, nil, ""},
		{"5", reading.Asked{Unit: "blobs"}, metric, "unread", "", false, nil, "not a unit"},
	} {
		got := reading.Understand(c.a, c.typed, c.w).Reply(c.w.Language)
		says := strings.Join(got.Messages, " ")
		if got.State != c.state || strings.ReplaceAll(got.Echo, "\u00a0", " ") != c.echo || got.Confirm != c.confirm ||
			!slices.Equal(got.Offers, c.offers) {
			t.Errorf("%q: %+v, want %+v", c.typed, got, c)
		}
		if !strings.Contains(says, c.says) || c.says == "" && says != "" || strings.ContainsAny(says, "[{") {
			t.Errorf("%q says %q, want %q in it", c.typed, says, c.says)
		}
	}
}

// By hand: a ruler in mm read to half a division brings 1/2/√12 mm, "about 25"
// 1.25/√3 mm, and what two tries differ by adds to both.
func TestUncertainty(t *testing.T) {
	a := reading.Asked{Unit: "mm", Step: "1 mm", Analogue: true, Repeatability: "0.8 mm"}
	for typed, u := range map[string]float64{
		"25":       math.Sqrt(1.0/48 + 0.64),
		"about 25": math.Sqrt(1.0/48 + 0.64 + 1.25*1.25/3),
		"24-26":    math.Sqrt(1.0/48 + 0.64 + 1.0/3),
		"25 ± 2":   math.Sqrt(1.0/48 + 0.64 + 4.0/3),
		"2.5 cm":   math.Sqrt(1.0/48 + 0.64),
	} {
		if got := reading.Understand(a, typed, metric).InUnit; math.Abs(got.U-u) > 1e-9 ||
			math.Abs(got.Value-25) > 1e-9 {
			t.Errorf("%s: %v ± %v, want 25 ± %v", typed, got.Value, got.U, u)
		}
	}
}
