package demo

import (
	"bytes"
	"image/jpeg"
	"math"
	"math/rand/v2"
	"testing"

	"patient-kitchen/core/quantity"
)

// What the simulated homes write is read back to within their tool's step.
func TestTypedReadsBack(t *testing.T) {
	for _, c := range []struct {
		tool string
		lang string
		step float64 // mm
	}{{"ruler-mm", "en", 0.5}, {"ruler-mm", "es", 0.5}, {"ruler-cm", "en", 2.5}, {"ruler-cm", "es", 2.5},
		{"ruler-in", "en", 25.4 / 16}} {
		k := &kitchenOf{tool: c.tool, lang: c.lang}
		for mm := 0.0; mm < 110; mm += 1.3 {
			typed := k.typed(mm)
			got := quantity.ParseTyped(
				typed,
				quantity.Field{Dim: quantity.Length, Unit: "mm", Language: c.lang, System: quantity.Metric},
			)
			in, err := got.In(quantity.MustUnit("mm"))
			if got.Kind != quantity.Value || err != nil || math.Abs(in.Value-mm) > c.step/2+1e-9 {
				t.Errorf(
					"%s, %s: %v mm is written %q and read as %v (%s)",
					c.tool,
					c.lang,
					mm,
					typed,
					in.Value,
					got.Kind,
				)
			}
		}
	}
	for sixteenths, want := range map[int]string{0: "0 in", 1: "1/16 in", 4: "1/4 in", 8: "1/2 in", 12: "3/4 in",
		16: "1 in", 18: "1 1/8 in", 31: "1 15/16 in"} {
		if got := (&kitchenOf{tool: "ruler-in"}).typed(float64(sixteenths) * 25.4 / 16); got != want {
			t.Errorf("%d/16 inch is written %q, want %q", sixteenths, got, want)
		}
	}
}

// Water never runs backwards, and climbs by the root of time on average.
func TestHeights(t *testing.T) {
	k := &kitchenOf{rng: rand.New(rand.NewPCG(5, 5)), factor: 1}
	for p, paper := range papers {
		for _, minute := range minutes {
			sum := 0.0
			const n = 400
			for range n {
				h := k.height(p, minute)
				if h < 0 {
					t.Fatalf("%s at %v min: %v mm", paper.condition, minute, h)
				}
				sum += h
			}
			if want := paper.climb * math.Sqrt(minute); math.Abs(sum/n-want) > 0.2 {
				t.Errorf("%s at %v min: %v mm on average, want %v", paper.condition, minute, sum/n, want)
			}
		}
	}
}

// The photo shows what was measured: above the wet front the paper is light,
// below it darker.
func TestPhoto(t *testing.T) {
	raw := photo(rand.New(rand.NewPCG(1, 1)), []float64{10, 20, 30, 60})
	img, err := jpeg.Decode(bytes.NewReader(raw))
	if err != nil || img.Bounds().Dx() != 900 {
		t.Fatal(err)
	}
	bright := func(x, y int) uint32 { r, g, b, _ := img.At(x, y).RGBA(); return (r + g + b) / 3 >> 8 }
	for i, mm := range []int{10, 20, 30, 60} {
		x, front := 220+i*165+50, 600-mm*5
		if above, below := bright(x, front-25), bright(x, front+25); above < below+25 {
			t.Errorf("strip %d: %d above its front, %d below", i, above, below)
		}
	}
}
