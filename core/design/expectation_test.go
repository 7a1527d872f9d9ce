package design

import (
	"math"
	"slices"
	"strings"
	"testing"
)

// A pendulum's period by the Workbench's own example: 2π√(L/g).
func TestExpectations(t *testing.T) {
	d := Document{
		Readings: []Reading{
			{ID: "period", Symbol: "T", Unit: "s", Instruments: []Instrument{{ID: "phone", Resolution: "0.01 s"}}},
		},
		Conditions: []Condition{{ID: "long"}},
	}
	x := Expectation{
		ID:        "swing",
		For:       "period",
		Condition: "long",
		Model:     "pendulum",
		Typed:     map[string]string{"length": "1.00 m"},
	}
	got, err := d.Expect(x)
	if err != nil || math.Abs(got.Value.Value-2.00641) > 1e-5 || got.Value.Unit.Symbol != "s" || got.Value.U == 0 {
		t.Errorf("%+v %v", got, err)
	}
	codes := func(change func(*Expectation), resolution string) []string {
		y := x
		change(&y)
		d := d
		d.Readings = []Reading{
			{ID: "period", Symbol: "T", Unit: "s", Instruments: []Instrument{{ID: "phone", Resolution: resolution}}},
		}
		d.Expectations = []Expectation{y}
		var out []string
		for _, f := range Validate(&d) {
			if strings.HasPrefix(f.Path, "/expectations") {
				out = append(out, f.Code)
			}
		}
		return out
	}
	for name, c := range map[string]struct {
		change     func(*Expectation)
		resolution string
		want       []string
	}{
		"fine":               {func(*Expectation) {}, "0.01 s", nil},
		"too coarse a clock": {func(*Expectation) {}, "1 s", []string{"too-coarse"}},
		"just fine enough":   {func(*Expectation) {}, "0.4 s", nil},
		"no such model":      {func(x *Expectation) { x.Model = "volcano" }, "0.01 s", []string{"expectation"}},
		"no such reading":    {func(x *Expectation) { x.For = "height" }, "0.01 s", []string{"expectation"}},
		"no such condition":  {func(x *Expectation) { x.Condition = "short" }, "0.01 s", []string{"expectation"}},
		"another dimension": {func(x *Expectation) { x.Model, x.Typed = "ramp", map[string]string{} }, "0.01 s",
			[]string{"expectation"}},
		"a blank with a fault": {func(x *Expectation) { x.Typed = map[string]string{"length": "1"} }, "0.01 s",
			[]string{"expectation"}},
		"a model of no number": {func(x *Expectation) {
			x.Model, x.Typed = "layers",
				map[string]string{"liquids": "oil 0.9 g/mL"}
		}, "0.01 s", []string{"expectation"}},
		"an id of another form": {func(x *Expectation) { x.ID = "My Swing" }, "0.01 s", []string{"bad-id"}},
	} {
		if got := codes(c.change, c.resolution); !slices.Equal(got, c.want) {
			t.Errorf("%s: %v, want %v", name, got, c.want)
		}
	}
}

// Can the tools see it? Asked of what two conditions differ by (periods of 1 m
// and 1.1 m differ by 0.098 s, two steps of 0.05 s) and of a value that is worked
// out, whose step is that of the period.
func TestToolsSeeDifferences(t *testing.T) {
	swing := func(condition, of, length string) Expectation {
		return Expectation{
			ID:        "e-" + condition,
			For:       of,
			Condition: condition,
			Model:     "pendulum",
			Typed:     map[string]string{"length": length},
		}
	}
	for _, c := range []struct {
		of, step string
		want     []string
	}{
		{"period", "0.01 s", nil}, {"period", "0.05 s", []string{"too-coarse-apart"}}, {"twice", "0.01 s", nil},
		{"twice", "0.05 s", []string{"too-coarse-apart"}},
		{"twice", "0.5 s", []string{"too-coarse", "too-coarse", "too-coarse-apart"}},
	} {
		d := Document{
			Readings: []Reading{
				{
					ID:          "period",
					Symbol:      "T",
					Unit:        "s",
					Per:         []PartOf{Conditions},
					Instruments: []Instrument{{ID: "phone", Resolution: c.step}},
				},
			},
			Derived:      []Derived{{ID: "twice", Formula: "T / 1", Unit: "s"}},
			Conditions:   []Condition{{ID: "short"}, {ID: "long"}},
			Expectations: []Expectation{swing("short", c.of, "1 m"), swing("long", c.of, "1.1 m")},
		}
		var got []string
		for _, f := range Validate(&d) {
			if strings.HasPrefix(f.Code, "too-coarse") {
				got = append(got, f.Code)
			}
		}
		slices.Sort(got)
		if !slices.Equal(got, c.want) {
			t.Errorf("%s by steps of %s: %v, want %v", c.of, c.step, got, c.want)
		}
	}
}
