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
		Readings:   []Reading{{ID: "period", Symbol: "T", Unit: "s", Instruments: []Instrument{{ID: "phone", Resolution: "0.01 s"}}}},
		Conditions: []Condition{{ID: "long"}},
	}
	x := Expectation{ID: "swing", For: "period", Condition: "long", Model: "pendulum", Typed: map[string]string{"length": "1.00 m"}}
	got, err := d.Expect(x)
	if err != nil || math.Abs(got.Value.Value-2.00641) > 1e-5 || got.Value.Unit.Symbol != "s" || got.Value.U == 0 {
		t.Errorf("%+v %v", got, err)
	}
	codes := func(change func(*Expectation), resolution string) []string {
		y := x
		change(&y)
		d := d
		d.Readings = []Reading{{ID: "period", Symbol: "T", Unit: "s", Instruments: []Instrument{{ID: "phone", Resolution: resolution}}}}
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
		"fine":                  {func(*Expectation) {}, "0.01 s", nil},
		"too coarse a clock":    {func(*Expectation) {}, "1 s", []string{"too-coarse"}},
		"just fine enough":      {func(*Expectation) {}, "0.4 s", nil},
		"no such model":         {func(x *Expectation) { x.Model = "volcano" }, "0.01 s", []string{"expectation"}},
		"no such reading":       {func(x *Expectation) { x.For = "height" }, "0.01 s", []string{"expectation"}},
		"no such condition":     {func(x *Expectation) { x.Condition = "short" }, "0.01 s", []string{"expectation"}},
		"another dimension":     {func(x *Expectation) { x.Model, x.Typed = "ramp", map[string]string{} }, "0.01 s", []string{"expectation"}},
		"a blank with a fault":  {func(x *Expectation) { x.Typed = map[string]string{"length": "1"} }, "0.01 s", []string{"expectation"}},
		"a model of no number":  {func(x *Expectation) { x.Model, x.Typed = "layers", map[string]string{"liquids": "oil 0.9 g/mL"} }, "0.01 s", []string{"expectation"}},
		"an id of another form": {func(x *Expectation) { x.ID = "My Swing" }, "0.01 s", []string{"bad-id"}},
	} {
		if got := codes(c.change, c.resolution); !slices.Equal(got, c.want) {
			t.Errorf("%s: %v, want %v", name, got, c.want)
		}
	}
}
