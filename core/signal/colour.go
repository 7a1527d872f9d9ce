package signal

import (
	"image"
	"math"

	"patient-kitchen/core/text"
)

// Spot is a round place on a photo, in pixels.
type Spot struct {
	X, Y, Radius float64
}

// Colour is the share of light that a thing gives back in red, green and blue
// against a white spot in the same light (0 black, 1 as white as the paper).
type Colour struct{ R, G, B float64 }

// Spotted is the colour of a spot with the spread of its pixels, as the
// standard deviation of lightness (CIE L*, 0…100), and what is doubtful.
type Spotted struct {
	Colour Colour
	Spread float64
	Doubts []ColourDoubt
}

// ColourDoubt says why a colour from a photo may be wrong.
type ColourDoubt string

// The doubts.
const (
	Glare   ColourDoubt = "glare"    // the white is overexposed, so ratios are too low a guess
	TooDark ColourDoubt = "too-dark" // the white is dark: noise decides
	Uneven  ColourDoubt = "uneven"   // the spot is of more than one colour
)

// ErrSpot is a spot without pixels, or a white without light.
var ErrSpot = text.Faulty("signal.spot")

// SpotColour is the mean colour of a spot against a white spot of the same
// photo. The means are taken in linear light (sRGB, IEC 61966-2-1), so that
// the lamp's colour and brightness cancel in the ratio. It fails with ErrSpot.
func SpotColour(photo image.Image, spot, white Spot) (Spotted, error) {
	thing, ok1 := meanLight(photo, spot)
	paper, ok2 := meanLight(photo, white)
	if !ok1 || !ok2 || paper.mean.R <= 0 || paper.mean.G <= 0 || paper.mean.B <= 0 {
		return Spotted{}, ErrSpot
	}
	out := Spotted{
		Colour: Colour{thing.mean.R / paper.mean.R, thing.mean.G / paper.mean.G, thing.mean.B / paper.mean.B},
		Spread: thing.spread,
	}
	if paper.brightest > 0.97 && paper.clipped > 0.05 {
		out.Doubts = append(out.Doubts, Glare)
	}
	if math.Max(paper.mean.R, math.Max(paper.mean.G, paper.mean.B)) < 0.1 {
		out.Doubts = append(out.Doubts, TooDark)
	}
	if thing.spread > 8 {
		out.Doubts = append(out.Doubts, Uneven)
	}
	return out, nil
}

type light struct {
	mean               Colour
	spread             float64 // of L*
	brightest, clipped float64 // largest channel, and the share of pixels at its end
}

func meanLight(photo image.Image, s Spot) (l light, ok bool) {
	b := photo.Bounds()
	if !(s.Radius > 0) || s.Radius > 1e4 || !(math.Abs(s.X)+math.Abs(s.Y) < 1e6) {
		return light{}, false
	}
	var n, sum, squares, clipped float64
	for y := max(b.Min.Y, int(s.Y-s.Radius)); y < min(b.Max.Y, int(s.Y+s.Radius)+1); y++ {
		for x := max(b.Min.X, int(s.X-s.Radius)); x < min(b.Max.X, int(s.X+s.Radius)+1); x++ {
			if math.Hypot(float64(x)-s.X, float64(y)-s.Y) > s.Radius {
				continue
			}
			r, g, bl, _ := photo.At(x, y).RGBA()
			c := Colour{linear(r), linear(g), linear(bl)}
			n++
			l.mean.R, l.mean.G, l.mean.B = l.mean.R+c.R, l.mean.G+c.G, l.mean.B+c.B
			top := math.Max(c.R, math.Max(c.G, c.B))
			l.brightest = math.Max(l.brightest, top)
			if top > 0.97 {
				clipped++
			}
			lightness, _, _ := c.lab()
			sum, squares = sum+lightness, squares+lightness*lightness
		}
	}
	if n == 0 {
		return light{}, false
	}
	l.mean = Colour{l.mean.R / n, l.mean.G / n, l.mean.B / n}
	l.spread = math.Sqrt(math.Max(0, squares/n-sum/n*sum/n))
	l.clipped = clipped / n
	return l, true
}

// linear undoes the tone curve of sRGB for a 16-bit channel.
func linear(channel uint32) float64 {
	v := float64(channel) / 65535
	if v <= 0.04045 {
		return v / 12.92
	}
	return math.Pow((v+0.055)/1.055, 2.4)
}

// lab is CIE L*a*b* of a linear sRGB colour under D65.
func (c Colour) lab() (l, a, b float64) {
	f := func(t float64) float64 {
		if t > 216.0/24389 {
			return math.Cbrt(t)
		}
		return (24389.0/27*t + 16) / 116
	}
	x := f((0.4124564*c.R + 0.3575761*c.G + 0.1804375*c.B) / 0.95047)
	y := f(0.2126729*c.R + 0.7151522*c.G + 0.0721750*c.B)
	z := f((0.0193339*c.R + 0.1191920*c.G + 0.9503041*c.B) / 1.08883)
	return 116*y - 16, 500 * (x - y), 200 * (y - z)
}

// Apart is how different two colours look: the CIE 1976 distance, of which
// about 2 can just be seen.
func (c Colour) Apart(d Colour) float64 {
	l1, a1, b1 := c.lab()
	l2, a2, b2 := d.lab()
	return math.Sqrt((l1-l2)*(l1-l2) + (a1-a2)*(a1-a2) + (b1-b2)*(b1-b2))
}

// Nearest finds the field of a reference strip that looks most like a colour.
// clear says that no other field is nearly as near: the second is at least 3
// and a third further away. An empty strip gives −1.
func (c Colour) Nearest(strip []Colour) (field int, apart float64, clear bool) {
	field, second := -1, math.Inf(1)
	apart = math.Inf(1)
	for i, d := range strip {
		switch away := c.Apart(d); {
		case away < apart:
			field, apart, second = i, away, apart
		case away < second:
			second = away
		}
	}
	return field, apart, field >= 0 && second-apart > 3 && second > apart*4/3
}
