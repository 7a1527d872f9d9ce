package quantity

import (
	"math"
	"testing"
)

func spoons(symbol string, sizes ...float64) []Measure {
	out := make([]Measure, len(sizes))
	for i, s := range sizes {
		out[i] = Measure{s, MustUnit(symbol), 0.1}
	}
	return out
}

// Worked by hand: 1 tsp is 4.92892 mL here.
func TestInMeasures(t *testing.T) {
	set := append(spoons("tsp", 1, 0.5, 0.25), spoons("tbsp", 1)...)
	for _, c := range []struct {
		value float64
		unit  string
		own   []Measure
		shows string
		off   float64
	}{
		{11.4, "mL", set, "2 × 1\u00a0US tsp + 1 × ¼\u00a0US tsp", 2.25*4.92892159375/11.4 - 1},
		{2.25, "tsp", set, "2 × 1\u00a0US tsp + 1 × ¼\u00a0US tsp", 0},
		{1, "tbsp", set, "1 × 1\u00a0US tbsp", 0},
		{60, "mL", []Measure{{0.25, MustUnit("metric cup"), .05}}, "1 × ¼\u00a0metric cup", 62.5/60 - 1},
		{9.6, "mL", spoons("metric tsp", 1), "2 × 1\u00a0metric tsp", 10/9.6 - 1},
		{3, "g", []Measure{{1, MustUnit("g"), .1}}, "3 × 1\u00a0g", 0},
		{14.9, "mL", set, "1 × 1\u00a0US tbsp", 14.78676478125/14.9 - 1}, // within 2 %: no further scoop
	} {
		p, ok := New(c.value, c.unit).InMeasures(c.own)
		if !ok || p.Show("en") != c.shows || math.Abs(p.Off-c.off) > 1e-9 {
			t.Errorf(
				"%v %s: %q off by %v (%v), want %q off by %v",
				c.value,
				c.unit,
				p.Show("en"),
				p.Off,
				ok,
				c.shows,
				c.off,
			)
		}
	}
	p, _ := New(3, "tsp").InMeasures(spoons("tsp", 1))
	if got := p.Amount(MustUnit("tsp")); math.Abs(got.Value-3) > 1e-9 || math.Abs(got.U-0.1*math.Sqrt(3)) > 1e-9 {
		t.Errorf("three spoons are 3 ± 0.1·√3: %+v", got)
	}
	for _, c := range []struct {
		value float64
		unit  string
		own   []Measure
	}{{5, "g", set}, {0, "mL", set}, {-1, "mL", set}, {math.Inf(1), "mL", set}, {1, "L", set}, {0.1, "mL", set},
		{5, "mL", nil}} {
		if p, ok := New(c.value, c.unit).InMeasures(c.own); ok {
			t.Errorf("%v %s: %q", c.value, c.unit, p.Show("en"))
		}
	}
}

func TestMassAndVolume(t *testing.T) {
	// 5 mL of a powder of 0.9 to 1.2 g/mL: 5.25 g, u = 5·0.15/√3 = 0.433 g.
	density := Between(0.9, 1.2, MustUnit("g/mL"))
	m, err := MassOf(New(5, "mL"), density)
	if err != nil || math.Abs(m.Value-5.25) > 1e-12 || math.Abs(m.U-5*0.15/math.Sqrt(3)) > 1e-12 ||
		m.Unit.Symbol != "g" {
		t.Errorf("%+v %v", m, err)
	}
	v, err := VolumeOf(m, Quantity{Value: 1.05, Unit: MustUnit("g/mL")})
	if err != nil || math.Abs(v.Value-5) > 1e-12 || math.Abs(v.U-m.U/1.05) > 1e-12 {
		t.Errorf("%+v %v", v, err)
	}
	for _, bad := range [][2]Quantity{{New(5, "g"), density}, {New(5, "mL"), New(1, "mL")},
		{New(5, "mL"), New(0, "g/mL")}} {
		if m, err := MassOf(bad[0], bad[1]); err == nil {
			t.Errorf("%v: %v", bad, m)
		}
	}
}
