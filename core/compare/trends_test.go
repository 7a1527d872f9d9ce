package compare_test

import (
	"fmt"
	"math"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
)

// warmer is a class that timed the same in water of three warmths.
func warmer(t testing.TB, says, levels string, times [][3]float64, measured [][3]float64) (*design.Document,
	[]compare.Home) {
	t.Helper()
	d, err := design.Read([]byte(fmt.Sprintf(`{"schema": 3, "title": {"en": "Sugar"}, "question": {"en": "How fast?"},
		"age_band": "11-13",
		"way": "follow-along", "languages": ["en"], "trials": 1, "changed": {"name": {"en": "warmth"}},
		"conditions": [{"id": "a", "name": {"en": "Cold"}%s}, {"id": "b", "name": {"en": "Hand"}%s},
			{"id": "c", "name": {"en": "Warm"}%s}],
		"readings": [{"id": "gone", "symbol": "gone", "name": {"en": "time until it was gone"}, "unit": "s",
			"per": ["condition"],
			"instruments": [{"id": "clock", "name": {"en": "clock"}, "resolution": "1 s"}]},
			{"id": "warmth", "symbol": "warmth", "name": {"en": "warmth of the water"}, "unit": "°C",
				"per": ["condition"],
			"instruments": [{"id": "t", "name": {"en": "thermometer"}, "resolution": "1 °C"}]}],
		"claims": [{"id": "t", "says": "%s", "value": "gone"}],
		"steps": [{"id": "s", "kind": "measure", "title": {"en": "Time"},
			"takes": [{"reading": "gone"}, {"reading": "warmth"}]}]}`,
		strings.Split(levels, "|")[0], strings.Split(levels, "|")[1], strings.Split(levels, "|")[2], says)))
	if err != nil {
		t.Fatal(err)
	}
	if f := design.Validate(&d); design.HasErrors(f) {
		t.Fatalf("%+v", f)
	}
	var homes []compare.Home
	for h := range times {
		var entries []notebook.Entry
		for i, c := range []string{"a", "b", "c"} {
			put := func(reading string, value float64, unit string) {
				entries = append(entries, notebook.Entry{
					ID: reading + c, Kind: notebook.Reading, Typed: fmt.Sprint(value, " ", unit),
					Provenance: notebook.Own,
					Slot:       design.Slot{Reading: reading, Condition: c, Trial: 1},
					Received:   time.Date(2027, 2, 2, 10, h%60, i, 0, time.UTC),
				})
			}
			put("gone", times[h][i], "s")
			if measured != nil {
				put("warmth", measured[h][i], "°C")
			}
		}
		w := notebook.Writer{Language: "en", System: quantity.Metric}
		homes = append(homes, compare.Home{Key: fmt.Sprint(h), Book: notebook.Open(&d, entries, w, nil)})
	}
	return &d, homes
}

const byDesign = `, "value": "15", "unit": "°C"|, "value": "30", "unit": "°C"|, "value": "40", "unit": "°C"`

var sugarTimes = [][3]float64{
	{94, 68, 52}, {102, 79, 59}, {87, 56, 35}, {102, 91, 75}, {99, 61, 50}, {77, 48, 31}, {97, 57, 36}, {96, 75, 45},
}

// Each home's slope by least squares, and their mean against none by Student's t test;
// the figures come from the formulas with the t distribution integrated numerically.
func TestTrend(t *testing.T) {
	d, homes := warmer(t, "falls", byDesign, sugarTimes, nil)
	f := compare.Work(d, homes, true).Findings[0]
	near := func(name string, got *float64, want, within float64) {
		t.Helper()
		if got == nil || math.Abs(*got-want) > within {
			t.Errorf("%s is %v, not %v", name, got, want)
		}
	}
	near("slope", f.Estimate.Value, -1.852632, 1e-6)
	near("low", f.Estimate.Low, -2.191444, 1e-5)
	near("high", f.Estimate.High, -1.513819, 1e-5)
	near("t", f.Statistic, -12.929797, 1e-5)
	near("p", f.P, 3.8476e-6, 1e-9)
	if f.Test != "slope-t" || f.Verdict != "supported" || f.Estimate.Unit != "s/°C" || f.N != 8 {
		t.Errorf("%s %s %s %d", f.Test, f.Verdict, f.Estimate.Unit, f.N)
	}
	if s := f.Words.Teacher["en"]; !strings.Contains(s, "falls with warmth") ||
		!strings.Contains(s, "for each 1\u00a0°C") {
		t.Error(s)
	}
	if s := f.Words.Family["es"]; !strings.Contains(s, "baja con") {
		t.Error(s)
	}
	d, homes = warmer(t, "rises", byDesign, sugarTimes, nil)
	f = compare.Work(d, homes, true).Findings[0]
	if f.Verdict != "not-supported" || f.Reason == nil || *f.Reason != compare.OtherWay {
		t.Errorf("claimed the other way round it is %s", f.Verdict)
	}
	d, homes = warmer(t, "falls", byDesign, sugarTimes[:4], nil)
	if f = compare.Work(d, homes, true).Findings[0]; f.Verdict != "cannot-tell" || f.P != nil {
		t.Errorf("four homes: %s", f.Verdict)
	}
}

// Where homes measure the level that they chose, each home's line is over its own: a
// value that is three times the level comes out as three, whatever the levels.
func TestTrendOverChosenLevels(t *testing.T) {
	var times, chosen [][3]float64
	for h := range 6 {
		own := [3]float64{10 + float64(h), 22 + 2*float64(h), 41 + float64(h)}
		chosen = append(chosen, own)
		times = append(times, [3]float64{3*own[0] + 5, 3*own[1] + 5, 3*own[2] + 5})
	}
	levels := `, "level_from": "warmth"|, "level_from": "warmth"|, "level_from": "warmth"`
	d, homes := warmer(t, "rises", levels, times, chosen)
	f := compare.Work(d, homes, true).Findings[0]
	if f.Estimate.Value == nil || math.Abs(*f.Estimate.Value-3) > 1e-9 || f.Verdict != "supported" {
		t.Errorf("%v %s", f.Estimate.Value, f.Verdict)
	}
	// A home that kept to two levels has no line.
	chosen[0][1] = chosen[0][0]
	d, homes = warmer(t, "rises", levels, times, chosen)
	if f = compare.Work(d, homes, true).Findings[0]; f.N != 5 {
		t.Errorf("%d homes", f.N)
	}
}

// Without levels nothing rises or falls.
func TestTrendNeedsLevels(t *testing.T) {
	d, _ := warmer(t, "rises", byDesign, nil, nil)
	d.Conditions[0].Value = "30" // only two levels differ
	if len(compare.Plan(d)) != 0 {
		t.Error("a trend over two levels is planned")
	}
	for i := range d.Conditions {
		d.Conditions[i].Value = ""
	}
	found := false
	for _, f := range design.Validate(d) {
		found = found || f.Code == "claim"
	}
	if !found || len(compare.Plan(d)) != 0 {
		t.Error("a trend without levels is planned")
	}
}
