package signal

import (
	"math"

	"patient-kitchen/core/text"
)

// Point is a place on a photo, in pixels.
type Point struct{ X, Y float64 }

func (p Point) minus(q Point) Point { return Point{p.X - q.X, p.Y - q.Y} }

func (p Point) length() float64 { return math.Hypot(p.X, p.Y) }

// Ruler is a known length in the photo: two marks on a ruler or the edges of
// a card. Middle is the mark half-way between them, where there is one; it is
// what shows that the ruler is tilted.
type Ruler struct {
	From, To Point
	Middle   *Point
	Length   float64 // between the two marks, in the unit that lengths are wanted in
	U        float64 // its standard uncertainty, in the same unit
}

// Warning says why a length from a photo may be wrong.
type Warning string

// The warnings.
const (
	Tilted    Warning = "tilted"     // the halves of the ruler differ: it, or the camera, is tilted
	FarAway   Warning = "far-away"   // the thing does not lie beside the ruler: it may be nearer to the camera
	Crossways Warning = "crossways"  // ruler and thing lie in different directions, which tilt shortens differently
	TooShort  Warning = "too-short"  // the thing is more than three times as long as the ruler
	FewPixels Warning = "few-pixels" // the clicks decide the result: come nearer
)

// ErrPoints is a pair of marks in one place, or a ruler without length.
var ErrPoints = text.Faulty("signal.points")

// Measured is a length or angle from a photo with its standard uncertainty.
type Measured struct {
	Value, U float64
	Warnings []Warning
}

// Measure is the length of the thing between two points, in the ruler's unit:
// length of ruler × pixels of the thing / pixels of the ruler. click is the
// standard uncertainty of each mark, in pixels and in each direction (about
// 1.5 for a careful finger); a mark's error counts along its line, so that a
// length of n pixels has √2·click. It fails with ErrPoints.
func (r Ruler) Measure(a, b Point, click float64) (Measured, error) {
	ruler, thing := r.To.minus(r.From), b.minus(a)
	n, m := ruler.length(), thing.length()
	if !(n > 0) || !(m > 0) || !(r.Length > 0) || math.IsInf(n, 0) || math.IsInf(m, 0) {
		return Measured{}, ErrPoints
	}
	out := Measured{Value: r.Length * m / n}
	u2 := 2*click*click*(1/n/n+1/m/m) + math.Pow(r.U/r.Length, 2)
	if r.Middle != nil {
		// In an even photo both halves have n/2 pixels. What they differ by is
		// how the scale changes over half the ruler, and it goes on from there.
		near, far := r.Middle.minus(r.From).length(), r.To.minus(*r.Middle).length()
		change, noise := math.Abs(near-far)/n, 2*math.Sqrt(1.5)*click/n
		if change > 2*noise {
			out.Warnings = append(out.Warnings, Tilted)
			u2 += math.Pow(change*math.Max(1, m/n), 2) / 3
		}
	}
	out.U = out.Value * math.Sqrt(u2)
	apart := Point{(a.X + b.X - r.From.X - r.To.X) / 2, (a.Y + b.Y - r.From.Y - r.To.Y) / 2}.length()
	if apart > (n+m)/2+n {
		out.Warnings = append(out.Warnings, FarAway)
	}
	if along := math.Abs(ruler.X*thing.X+ruler.Y*thing.Y) / n / m; along < math.Cos(math.Pi/6) {
		out.Warnings = append(out.Warnings, Crossways)
	}
	if m > 3*n {
		out.Warnings = append(out.Warnings, TooShort)
	}
	if math.Sqrt2*click/math.Min(n, m) > 0.05 {
		out.Warnings = append(out.Warnings, FewPixels)
	}
	return out, nil
}

// Angle is the angle at corner between the arms to a and b, in degrees from 0
// to 180. A mark's error counts across its arm; the corner's across both. It
// fails with ErrPoints.
func Angle(a, corner, b Point, click float64) (Measured, error) {
	p, q := a.minus(corner), b.minus(corner)
	n, m := p.length(), q.length()
	if !(n > 0) || !(m > 0) || math.IsInf(n, 0) || math.IsInf(m, 0) {
		return Measured{}, ErrPoints
	}
	angle := math.Abs(math.Atan2(p.X*q.Y-p.Y*q.X, p.X*q.X+p.Y*q.Y))
	// ∂angle/∂a = ⊥p/n², ∂angle/∂b = ⊥q/m², ∂angle/∂corner = minus both.
	cross := math.Hypot(-p.Y/n/n-(-q.Y/m/m), p.X/n/n-q.X/m/m)
	u := click * math.Sqrt(1/n/n+1/m/m+cross*cross)
	out := Measured{Value: angle * 180 / math.Pi, U: u * 180 / math.Pi}
	if math.Sqrt2*click/math.Min(n, m) > 0.05 {
		out.Warnings = append(out.Warnings, FewPixels)
	}
	return out, nil
}
