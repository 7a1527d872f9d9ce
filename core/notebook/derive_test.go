package notebook_test

import (
	"fmt"
	"math"
	"slices"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// plain is a design of one reading with a tool of one step, taken so many times
// in each of the conditions.
func plain(unit, step string, trials int, conditions ...string) *design.Document {
	d := &design.Document{
		Trials: trials,
		Readings: []design.Reading{
			{
				ID:     "v",
				Symbol: "v",
				Name:   text.Localized{"en": "it"},
				Unit:   unit,
				Per:    []design.PartOf{design.Conditions},
			},
		},
	}
	if step != "" {
		d.Readings[0].Instruments = []design.Instrument{{ID: "tool", Resolution: step}}
	}
	for _, c := range conditions {
		d.Conditions = append(d.Conditions, design.Condition{ID: c, Name: text.Localized{"en": c}})
	}
	return d
}

func typed(d *design.Document, condition string, values ...string) []notebook.Entry {
	var out []notebook.Entry
	for i, v := range values {
		out = append(out, entry(notebook.Reading, float64(i), func(e *notebook.Entry) {
			e.Slot, e.Typed = design.Slot{Reading: "v", Condition: condition, Trial: i + 1}, v
		}))
	}
	return out
}

// A home's own scatter counts. By hand: 1427 and 1451 Hz with steps of 1 Hz have
// s = 16.97, u = 12.00 and one degree of freedom: 1439 Hz, give or take 22. Four
// alike lengths keep one step as repeatability: u² = 1/4 + 1/12. One reading has
// u² = 1 + 1/12. A count has no tool.
func TestOwnScatter(t *testing.T) {
	for _, c := range []struct {
		d          *design.Document
		values     []string
		mean, u, g float64 // g: give or take
		df         float64
	}{
		{plain("Hz", "1 Hz", 2), []string{"1427 Hz", "1451"}, 1439, 12.0035, 22.05, 1.001},
		{plain("mm", "1 mm", 4), []string{"12", "12", "12", "12"}, 12, math.Sqrt(1.0/4 + 1.0/12),
			math.Sqrt(1.0/4 + 1.0/12), math.Inf(1)},
		{plain("mm", "1 mm", 1), []string{"12"}, 12, math.Sqrt(1 + 1.0/12), math.Sqrt(1 + 1.0/12), math.Inf(1)},
		{plain("mm", "", 1), []string{"12.5"}, 12.5, math.Sqrt(0.01 + 0.01/12), math.Sqrt(0.01 + 0.01/12), math.Inf(1)},
		{plain("1", "", 1), []string{"7"}, 7, 0, 0, math.Inf(1)},
	} {
		b := notebook.Open(c.d, typed(c.d, "", c.values...), english, nil)
		r := notebook.Derive(b)[0]
		if !r.OK || math.Abs(r.Value.Value-c.mean) > 1e-9 || math.Abs(r.Doubt.U-c.u) > 1e-3 ||
			math.Abs(r.Value.U-c.g) > 0.02 ||
			!math.IsInf(c.df, 1) && math.Abs(r.Doubt.DF-c.df) > 0.02 ||
			math.IsInf(c.df, 1) != math.IsInf(r.Doubt.DF, 1) {
			t.Errorf(
				"%v: %v, u %v, give or take %v, df %v; want %+v",
				c.values,
				r.Value.Value,
				r.Doubt.U,
				r.Value.U,
				r.Doubt.DF,
				c,
			)
		}
	}
}

// A formula without a series is worked out trial by trial and averaged: the mean
// of 1/2, 1/4 and 1/5 is not the ratio of the means.
func TestTrialByTrial(t *testing.T) {
	d := plain("1", "", 3)
	d.Derived = []design.Derived{
		{ID: "x", Formula: "1 / v", Unit: "1"},
		{ID: "y", Formula: "max(v) - min(v)", Unit: "1"},
	}
	r := notebook.Derive(notebook.Open(d, typed(d, "", "2", "4", "5"), english, nil))
	if math.Abs(r[0].Value.Value-(0.5+0.25+0.2)/3) > 1e-9 || len(r[0].Doubt.Trials) != 3 {
		t.Errorf("%+v", r[0])
	}
}

// A line through one reading of each condition is one value of the home.
func TestOverConditions(t *testing.T) {
	d := plain("cm", "1 mm", 1, "small", "middle", "large")
	d.Readings = append(
		d.Readings,
		design.Reading{ID: "d", Symbol: "d", Unit: "cm", Per: []design.PartOf{design.Conditions}},
		design.Reading{ID: "room", Symbol: "room", Unit: "°C"},
	)
	d.Derived = []design.Derived{
		{ID: "pi", Formula: "slope(v, d)", Unit: "1"},
		{ID: "warm", Formula: "room - 0 °C", Unit: "K"},
	}
	var entries []notebook.Entry
	for i, c := range []string{"small", "middle", "large"} {
		across := float64(10 * (i + 1))
		for id, v := range map[string]float64{"v": 3.2 * across, "d": across} {
			entries = append(entries, entry(notebook.Reading, 1, func(e *notebook.Entry) {
				e.Slot, e.Typed = design.Slot{Reading: id, Condition: c, Trial: 1}, fmt.Sprintf("%g", v)
			}))
		}
	}
	entries = append(
		entries,
		entry(
			notebook.Reading,
			1,
			func(e *notebook.Entry) { e.Slot, e.Typed = design.Slot{Reading: "room", Trial: 1}, "21" },
		),
	)
	r := notebook.Derive(notebook.Open(d, entries, english, nil))
	if len(r) != 2 || r[0].Condition != "" || !r[0].OK || math.Abs(r[0].Value.Value-3.2) > 1e-9 {
		t.Errorf("%+v", r)
	}
	if r[1].Condition != "" || math.Abs(r[1].Value.Value-21) > 1e-9 {
		t.Errorf("a reading taken once a home appears once: %+v", r[1])
	}
}

// A last factor of 100 under the unit % is the unit, also in what is frozen.
func TestPercentOnce(t *testing.T) {
	d := plain("g", "1 g", 1, "a", "b")
	d.Derived = []design.Derived{{ID: "x", Formula: "(v - 40 g) / 40 g * 100", Unit: "%"}}
	r := notebook.Derive(notebook.Open(d, typed(d, "a", "85"), english, nil))[0]
	if !r.OK || math.Abs(r.Value.Value-112.5) > 1e-9 || r.Working != "(85\u00a0g − 40\u00a0g) / 40\u00a0g × 100" {
		t.Errorf("%+v", r)
	}
}

// A model of the Workbench as a value, its input bound to a reading: by hand
// g·t²/8 for 1.2 s is 1.7652 m, and u(h)/h is 2·u(t)/t.
func TestModelledValue(t *testing.T) {
	d := plain("s", "0.1 s", 1)
	d.Derived = []design.Derived{
		{ID: "h", Model: &design.ModelUse{ID: "flight", Inputs: map[string]string{"flight_time": "v"}}, Unit: "cm"},
	}
	r := notebook.Derive(notebook.Open(d, typed(d, "", "1.2"), english, nil))[0]
	h, ut := 9.80665*1.44/8*100, math.Sqrt(0.01+0.01/12)
	if !r.OK || math.Abs(r.Value.Value-h) > 1e-6 || math.Abs(r.Doubt.U/(2*h*ut/1.2)-1) > 0.06 ||
		r.Value.Unit != quantity.MustUnit("cm") {
		t.Errorf("%+v, want %v ± %v", r, h, 2*h*ut/1.2)
	}
	for what, use := range map[string]design.ModelUse{
		"no such model":   {ID: "magic"},
		"no such output":  {ID: "flight", Output: "colour", Inputs: map[string]string{"flight_time": "v"}},
		"nothing is told": {ID: "flight"},
		"another kind":    {ID: "flight", Inputs: map[string]string{"angle": "v", "distance": "2 m"}},
	} {
		d.Derived[0].Model = &use
		if _, err := design.Try(d, d.Derived[0]); err == nil {
			t.Errorf("%s: it is worked out", what)
		}
	}
}

// What a home measures once goes into every trial, and repeating the others does
// not lessen its error; a constant is the same for all. By hand: with the drop
// 200 ± 1 cm (once, by steps of 2 cm: u² = 4/12 + 4) and 0.5, 0.4 and 0.4 s, the
// mean of 400, 500 and 500 cm/s; its part of u is 466.67/200 · √(52/12) = 4.857.
func TestOnceAndForAll(t *testing.T) {
	d := plain("s", "", 3)
	d.Readings = append(
		d.Readings,
		design.Reading{
			ID:          "drop",
			Symbol:      "drop",
			Unit:        "cm",
			Trials:      1,
			Instruments: []design.Instrument{{ID: "tape", Resolution: "2 cm"}},
		},
	)
	d.Constants = []design.Constant{{Symbol: "floor", Value: "3 m ± 0.1 m"}}
	d.Derived = []design.Derived{
		{ID: "speed", Formula: "drop / v", Unit: "cm/s"},
		{ID: "above", Formula: "drop + floor", Unit: "cm"},
	}
	entries := append(typed(d, "", "0.5", "0.4", "0.4"), entry(notebook.Reading, 5, func(e *notebook.Entry) {
		e.Slot, e.Typed, e.Instrument = design.Slot{Reading: "drop", Trial: 1}, "200", "tape"
	}))
	if n := len(d.Slots()); n != 4 {
		t.Errorf("%d slots, want three trials and one that is taken once", n)
	}
	r := notebook.Derive(notebook.Open(d, entries, english, nil))
	speed := r[0]
	if !speed.OK || math.Abs(speed.Value.Value-1400.0/3) > 1e-9 || len(speed.Doubt.Trials) != 3 {
		t.Fatalf("%+v", speed)
	}
	tool := 0.0 // the stopwatch's steps of 0.1 s, which trials share
	for _, v := range []float64{0.5, 0.4, 0.4} {
		tool += math.Pow(200/(v*v)*0.1, 2) / 12 / 3
	}
	drop := 52.0 / 12 * (1/(0.5*0.5) + 2/(0.4*0.4)) / 3
	if want := math.Sqrt(tool + drop); math.Abs(math.Sqrt(speed.Doubt.Rounding)/want-1) > 1e-6 {
		t.Errorf("rounding %v, want %v", math.Sqrt(speed.Doubt.Rounding), want)
	}
	if above := r[1]; !above.OK || math.Abs(above.Value.Value-500) > 1e-9 ||
		math.Abs(above.Doubt.Rounding-(100+52.0/12)) > 1e-6 {
		t.Errorf("%+v, want 500 cm with the give or take of the constant", above)
	}
	for typed, fault := range map[string]bool{"340 m": false, "9.81 m/s^2 ± 0.01 m/s^2": false, "high": true, "": true,
		"4 m ± 2 s": true, "v + 1": true} {
		d.Constants[0].Value, d.Constants[0].Name = typed, text.Localized{"en": "the floor"}
		found := slices.ContainsFunc(
			design.Validate(d),
			func(f design.Problem) bool { return f.Path == "/constants/0/value" },
		)
		if found != fault {
			t.Errorf("%q: found fault %v, want %v", typed, found, fault)
		}
	}
}

// The times at which values were really written down: a jar that cools by 2 °C in
// every minute is read at 0, 1.5 and 4 minutes. Mending a slip of the finger does
// not move a value; what the teacher typed in later has no time.
func TestElapsed(t *testing.T) {
	d := plain("°C", "1 °C", 1)
	d.Readings[0].Times = []string{"0 min", "1 min", "4 min"}
	d.Derived = []design.Derived{{ID: "x", Formula: "slope(v, elapsed)", Unit: "K/min"}}
	read := func(minute float64, slot, typed, refers string) notebook.Entry {
		return entry(notebook.Reading, minute, func(e *notebook.Entry) {
			e.Slot, e.Typed, e.Refers = design.Slot{Reading: "v", Time: slot, Trial: 1}, typed, refers
		})
	}
	entries := []notebook.Entry{
		read(10, "0 min", "60 °C", ""),
		read(11.5, "1 min", "75 °C", ""),
		read(14, "4 min", "52 °C", ""),
	}
	entries = append(entries, read(20, "1 min", "57 °C", entries[1].ID))
	r := notebook.Derive(notebook.Open(d, entries, english, nil))[0]
	if !r.OK || math.Abs(r.Value.Value+2) > 1e-9 {
		t.Errorf("%+v, want -2 K/min", r)
	}
	entries[2].Provenance = notebook.Desk
	if r = notebook.Derive(notebook.Open(d, entries, english, nil))[0]; r.OK ||
		r.Missing.ID != "notebook.derive.clock" {
		t.Errorf("typed in later: %+v", r)
	}
	if _, err := design.Try(d, d.Derived[0]); err != nil {
		t.Error(err)
	}
}

// A bound goes through to the value: less than 5 of 40 is between 0 and 12.5 %.
func TestBoundedValue(t *testing.T) {
	d := plain("g", "1 g", 1)
	d.Derived = []design.Derived{{ID: "x", Formula: "v / 40 g", Unit: "%"}, {ID: "y", Formula: "40 g - v", Unit: "g"}}
	r := notebook.Derive(notebook.Open(d, typed(d, "", "<5"), english, nil))
	if r[0].OK || r[0].Bound == nil || r[0].Bound.Low != 0 || math.Abs(r[0].Bound.High-12.5) > 1e-9 ||
		math.Abs(r[1].Bound.Low-35) > 1e-9 ||
		math.Abs(r[1].Bound.High-40) > 1e-9 {
		t.Errorf("%+v %+v", r[0].Bound, r[1].Bound)
	}
	r = notebook.Derive(notebook.Open(d, typed(d, "", "more than 5"), english, nil))
	if !math.IsInf(r[0].Bound.High, 1) || math.Abs(r[0].Bound.Low-12.5) > 1e-9 || !math.IsInf(r[1].Bound.Low, -1) {
		t.Errorf("%+v %+v", r[0].Bound, r[1].Bound)
	}
}
