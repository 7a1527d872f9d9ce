package demo

import (
	"bytes"
	"image"
	"image/color"
	"image/draw"
	"image/jpeg"
	"math/rand/v2"

	"golang.org/x/image/font"
	"golang.org/x/image/font/basicfont"
	"golang.org/x/image/math/fixed"
)

// photo draws four strips hanging beside a ruler, each wet up to its height
// in mm above the pencil line, on a table lit from one side.
func photo(rng *rand.Rand, heights []float64) []byte {
	const w, h, scale = 900, 700, 5 // pixels a mm
	img := image.NewRGBA(image.Rect(0, 0, w, h))
	wood := [3]float64{150 + 40*rng.Float64(), 118 + 20*rng.Float64(), 84}
	for y := range h {
		for x := range w {
			light := 0.78 + 0.3*float64(x)/w + 0.03*rng.NormFloat64()
			if (y+x/37)%47 < 2 {
				light *= 0.9
			}
			img.SetRGBA(x, y, color.RGBA{shade(wood[0], light), shade(wood[1], light), shade(wood[2], light), 255})
		}
	}
	base := 600 // the pencil line, 0 mm
	fill(img, image.Rect(0, base+35, w, h), color.RGBA{150, 184, 196, 255})
	drawRuler(img, 60, base, scale)
	for i, mm := range heights {
		x := 220 + i*165
		p := papers[i].colour
		fill(img, image.Rect(x, base-110*scale, x+100, base+50), color.RGBA{p[0], p[1], p[2], 255})
		for dx := range 100 {
			edge := base - int(mm*scale+4*rng.NormFloat64())
			for y := max(edge, base-110*scale); y < base+50; y++ {
				c := img.RGBAAt(x+dx, y)
				img.SetRGBA(
					x+dx,
					y,
					color.RGBA{shade(float64(c.R), 0.72), shade(float64(c.G), 0.76), shade(float64(c.B), 0.84), 255},
				)
			}
		}
		fill(img, image.Rect(x, base-1, x+100, base+1), color.RGBA{70, 70, 74, 255})
	}
	var out bytes.Buffer
	_ = jpeg.Encode(&out, img, &jpeg.Options{Quality: 82})
	return out.Bytes()
}

func shade(v, light float64) uint8 { return uint8(max(0, min(255, v*light))) }

func fill(img *image.RGBA, r image.Rectangle, c color.RGBA) {
	draw.Draw(img, r, image.NewUniform(c), image.Point{}, draw.Src)
}

func drawRuler(img *image.RGBA, x, base, scale int) {
	fill(img, image.Rect(x, base-110*scale, x+90, base+30), color.RGBA{240, 224, 160, 255})
	ink := color.RGBA{40, 40, 40, 255}
	for mm := 0; mm <= 105; mm++ {
		length := 16
		if mm%5 == 0 {
			length = 26
		}
		if mm%10 == 0 {
			length = 38
			d := font.Drawer{
				Dst:  img,
				Src:  image.NewUniform(ink),
				Face: basicfont.Face7x13,
				Dot:  fixed.P(x+14, base-mm*scale+5),
			}
			d.DrawString(string(rune('0'+mm/10%10)) + map[bool]string{true: "0", false: ""}[mm == 100])
		}
		y := base - mm*scale
		fill(img, image.Rect(x+90-length, y, x+90, y+1), ink)
	}
}
