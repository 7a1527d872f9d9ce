package media

import (
	"bytes"
	"image"
	"image/color"
	"image/jpeg"
	"math/rand/v2"
	"slices"
	"testing"
	"time"
)

// scene is a picture with edges and grain, as a kitchen table has them.
func scene(w, h int) []byte {
	rng := rand.New(rand.NewPCG(1, 2))
	img := image.NewRGBA(image.Rect(0, 0, w, h))
	for y := range h {
		for x := range w {
			c := uint8((x/97+y/61)%2*90 + x*80/w)
			img.SetRGBA(x, y, color.RGBA{c + uint8(rng.IntN(24)), c/2 + uint8(y*90/h), 140 - c/2, 255})
		}
	}
	var b bytes.Buffer
	if err := jpeg.Encode(&b, img, &jpeg.Options{Quality: 88}); err != nil {
		panic(err)
	}
	return b.Bytes()
}

// Taking a 12-megapixel picture costs at most a little more than twice decoding
// it and encoding it once.
func TestSpeedOfAPicture(t *testing.T) {
	if testing.Short() {
		t.Skip("speed is for the whole tier")
	}
	upload := scene(4000, 3000)
	desk := NewDesk(1)
	var taken, once []float64
	for range 5 {
		begin := time.Now()
		if _, err := desk.Take(t.Context(), upload); err != nil {
			t.Fatal(err)
		}
		taken = append(taken, time.Since(begin).Seconds())
		begin = time.Now()
		img, err := jpeg.Decode(bytes.NewReader(upload))
		if err != nil {
			t.Fatal(err)
		}
		if err := jpeg.Encode(&bytes.Buffer{}, img, &jpeg.Options{Quality: displayJPEG}); err != nil {
			t.Fatal(err)
		}
		once = append(once, time.Since(begin).Seconds())
	}
	slices.Sort(taken)
	slices.Sort(once)
	ratio := taken[2] / once[2]
	t.Logf(
		"a 12-megapixel picture: %.0f ms, decoding and encoding it once %.0f ms: %.2f times",
		taken[2]*1000,
		once[2]*1000,
		ratio,
	)
	if ratio > 2.2 {
		t.Errorf("%.2f times", ratio)
	}
}
