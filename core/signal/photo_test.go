package signal

import (
	"errors"
	"image"
	"image/color"
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

func TestRuler(t *testing.T) {
	r := Ruler{From: Point{100, 500}, To: Point{600, 500}, Length: 10}
	for _, c := range []struct {
		name     string
		r        Ruler
		a, b     Point
		value    float64
		warnings []Warning
	}{
		{"beside it", r, Point{150, 400}, Point{550, 400}, 8, nil},
		{"a little askew", r, Point{150, 400}, Point{450, 300}, 10 * math.Hypot(300, 100) / 500, nil},
		{"crossways", r, Point{300, 480}, Point{300, 280}, 4, []Warning{Crossways}},
		{"far from it", r, Point{100, 2000}, Point{600, 2000}, 10, []Warning{FarAway}},
		{"ruler much too short", r, Point{100, 450}, Point{1800, 450}, 34, []Warning{TooShort}},
		{"tiny", r, Point{300, 490}, Point{320, 490}, 0.4, []Warning{FewPixels}},
		{"straight ruler with its middle", Ruler{From: r.From, To: r.To, Middle: &Point{351, 500}, Length: 10},
			Point{150, 400}, Point{550, 400}, 8, nil},
		{"tilted ruler", Ruler{From: r.From, To: r.To, Middle: &Point{390, 500}, Length: 10}, Point{150, 400},
			Point{550, 400}, 8, []Warning{Tilted}},
	} {
		got, err := c.r.Measure(c.a, c.b, 1.5)
		if err != nil || math.Abs(got.Value-c.value) > 1e-9 || !slices.Equal(got.Warnings, c.warnings) {
			t.Errorf("%s: %+v %v, want %v %v", c.name, got, err, c.value, c.warnings)
		}
	}
	for _, bad := range []Ruler{{Length: 10}, {To: Point{1, 1}}, {To: Point{math.NaN(), 1}, Length: 1}} {
		if m, err := bad.Measure(Point{0, 0}, Point{5, 5}, 1); !errors.Is(err, ErrPoints) {
			t.Errorf("%+v: %+v %v", bad, m, err)
		}
	}
	if _, err := r.Measure(Point{5, 5}, Point{5, 5}, 1); !errors.Is(err, ErrPoints) {
		t.Error("a thing without length")
	}
}

func TestAngle(t *testing.T) {
	for _, c := range []struct {
		a, b Point
		want float64
	}{{Point{100, 0}, Point{0, 100}, 90}, {Point{100, 0}, Point{100, 100}, 45}, {Point{100, 0}, Point{-100, 0}, 180},
		{Point{100, 0}, Point{200, 0}, 0}, {Point{100, 0}, Point{-100, -100 * math.Sqrt(3)}, 120}} {
		got, err := Angle(c.a, Point{}, c.b, 0)
		if err != nil || math.Abs(got.Value-c.want) > 1e-9 {
			t.Errorf("%v %v: %+v %v", c.a, c.b, got, err)
		}
	}
	if _, err := Angle(Point{1, 1}, Point{1, 1}, Point{2, 2}, 1); !errors.Is(err, ErrPoints) {
		t.Error(err)
	}
}

// The give or take that is said is what clicks that scatter give.
func TestClicksScatterAsSaid(t *testing.T) {
	rnd := rand.New(rand.NewPCG(9, 4))
	shake := func(p Point) Point { return Point{p.X + 2*rnd.NormFloat64(), p.Y + 2*rnd.NormFloat64()} }
	r, a, b := Ruler{From: Point{0, 0}, To: Point{300, 40}, Length: 15}, Point{20, 100}, Point{260, 60}
	said, _ := r.Measure(a, b, 2)
	corner := Point{10, 20}
	saidAngle, _ := Angle(a, corner, b, 2)
	var lengths, angles [2]float64
	const runs = 4000
	for range runs {
		m, _ := Ruler{From: shake(r.From), To: shake(r.To), Length: 15}.Measure(shake(a), shake(b), 2)
		g, _ := Angle(shake(a), shake(corner), shake(b), 2)
		for _, v := range []struct {
			sums *[2]float64
			v    float64
		}{{&lengths, m.Value - said.Value}, {&angles, g.Value - saidAngle.Value}} {
			v.sums[0] += v.v / runs
			v.sums[1] += v.v * v.v / runs
		}
	}
	if sd := math.Sqrt(lengths[1] - lengths[0]*lengths[0]); math.Abs(sd/said.U-1) > 0.06 {
		t.Errorf("lengths scatter by %v, %v was said", sd, said.U)
	}
	if sd := math.Sqrt(angles[1] - angles[0]*angles[0]); math.Abs(sd/saidAngle.U-1) > 0.08 {
		t.Errorf("angles scatter by %v, %v was said", sd, saidAngle.U)
	}
}

// scene is a made-up photo: white paper on the left, a field of a colour on
// the right, under a lamp of another colour.
func scene(field Colour, lamp Colour, noise float64) image.Image {
	rnd := rand.New(rand.NewPCG(1, 1))
	img := image.NewNRGBA(image.Rect(0, 0, 200, 100))
	tone := func(v float64) uint8 {
		v += noise * rnd.NormFloat64()
		v = math.Max(0, math.Min(1, v))
		if v <= 0.0031308 {
			return uint8(255*12.92*v + 0.5)
		}
		return uint8(255*(1.055*math.Pow(v, 1/2.4)-0.055) + 0.5)
	}
	for y := range 100 {
		for x := range 200 {
			c := lamp
			if x >= 100 {
				c = Colour{lamp.R * field.R, lamp.G * field.G, lamp.B * field.B}
			}
			img.SetNRGBA(x, y, color.NRGBA{tone(c.R), tone(c.G), tone(c.B), 255})
		}
	}
	return img
}

func TestSpotColour(t *testing.T) {
	strip := []Colour{{.6, .1, .15}, {.4, .15, .5}, {.15, .2, .6}, {.1, .4, .3}, {.6, .6, .1}}
	white, spot := Spot{50, 50, 30}, Spot{150, 50, 30}
	for i, field := range strip {
		for _, lamp := range []Colour{{.8, .8, .8}, {.9, .7, .45}, {.5, .6, .8}} {
			got, err := SpotColour(scene(field, lamp, 0.01), spot, white)
			if err != nil || len(got.Doubts) > 0 || got.Colour.Apart(field) > 2 {
				t.Errorf("field %d under %v: %+v %v", i, lamp, got, err)
				continue
			}
			if n, _, clear := got.Colour.Nearest(strip); n != i || !clear {
				t.Errorf("field %d under %v is taken for %d (%v)", i, lamp, n, clear)
			}
		}
	}
	for name, c := range map[string]struct {
		photo image.Image
		spot  Spot
		doubt ColourDoubt
	}{
		"glare":    {scene(strip[0], Colour{1.4, 1.4, 1.4}, 0), spot, Glare},
		"too dark": {scene(strip[0], Colour{.05, .05, .05}, 0), spot, TooDark},
		"uneven":   {scene(strip[0], Colour{.8, .8, .8}, 0), Spot{100, 50, 30}, Uneven},
	} {
		got, err := SpotColour(c.photo, c.spot, white)
		if err != nil || !slices.Contains(got.Doubts, c.doubt) {
			t.Errorf("%s: %+v %v", name, got, err)
		}
	}
	for _, bad := range []Spot{{}, {500, 500, 10}, {50, 50, -1}, {math.NaN(), 1, 5}} {
		if got, err := SpotColour(scene(strip[0], strip[1], 0), bad, white); !errors.Is(err, ErrSpot) {
			t.Errorf("%v: %+v %v", bad, got, err)
		}
	}
	if _, err := SpotColour(scene(strip[0], Colour{}, 0), spot, white); !errors.Is(err, ErrSpot) {
		t.Error("a photo of the dark")
	}
	if n, _, clear := (Colour{.5, .12, .3}).Nearest([]Colour{{.5, .12, .3}, {.5, .12, .31}}); n != 0 || clear {
		t.Error("two fields that look the same are not clear")
	}
	if n, _, _ := (Colour{}).Nearest(nil); n != -1 {
		t.Error("no strip")
	}
	// Handbook values: sRGB red is L* 53.24, a* 80.09, b* 67.20.
	if l, a, b := (Colour{1, 0, 0}).lab(); math.Abs(l-53.24) > .01 || math.Abs(a-80.09) > .02 ||
		math.Abs(b-67.20) > .02 {
		t.Error(l, a, b)
	}
}
