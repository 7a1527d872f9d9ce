package quantity

import (
	"fmt"
	"math"
	"sort"
	"strconv"
	"strings"

	"patient-kitchen/core/text"
)

// Measure is a spoon, cup or jug line that a home owns: Size of Unit, such as
// ¼ of a teaspoon. Spread is its relative standard uncertainty when filled
// level (about 0.10 for a spoon, 0.05 for a cup: the design's chapter 1 of the
// domain).
type Measure struct {
	Size   float64
	Unit   Unit
	Spread float64
}

func (m Measure) si() float64 { return m.Size * m.Unit.Factor }

// Portion is an amount made up of a home's own measures.
type Portion struct {
	Parts []Part
	Off   float64 // (what it makes − what was wanted)/what was wanted
	U     float64 // relative standard uncertainty of filling, measures independent of each other
}

// Part is a measure so many times.
type Part struct {
	Times   int
	Measure Measure
}

const (
	mostScoops = 12   // more than this is asked of nobody
	goodEnough = 0.02 // nearer than this is worth no further scoop
)

// InMeasures makes an amount up of a home's measures: as near as they come with
// few scoops. ok is false when the amount is not above zero, no measure has
// its dimension, or it would take more than twelve scoops or be off by more
// than half.
func (q Quantity) InMeasures(measures []Measure) (p Portion, ok bool) {
	s := scooping{want: q.SI(), score: math.Inf(1)}
	for _, m := range measures {
		if m.Unit.Dim == q.Unit.Dim && m.si() > 0 {
			s.own = append(s.own, m)
		}
	}
	if !(s.want > 0) || math.IsInf(s.want, 0) || len(s.own) == 0 {
		return Portion{}, false
	}
	sort.SliceStable(s.own, func(i, j int) bool { return s.own[i].si() > s.own[j].si() })
	s.counts = make([]int, len(s.own))
	s.try(0, 0, s.want)
	if math.IsInf(s.score, 1) {
		return Portion{}, false
	}
	if p = s.best; math.Abs(p.Off) < 1e-9 {
		p.Off = 0
	}
	total, square := 0.0, 0.0
	for _, part := range p.Parts {
		v := part.Measure.si()
		total += float64(part.Times) * v
		square += float64(part.Times) * math.Pow(v*part.Measure.Spread, 2)
	}
	p.U = math.Sqrt(square) / total
	return p, true
}

// scooping looks for the best way to make up an amount, in SI units, of measures, the
// largest first.
type scooping struct {
	want   float64
	own    []Measure
	counts []int // of each measure, as tried now
	best   Portion
	score  float64 // of the best; less is better
}

// try goes on with the i-th measure after so many scoops. The larger measures take what
// they can whole; any measure may be the last one and rounds.
func (s *scooping) try(i, scoops int, left float64) {
	if i == len(s.own) || scoops > mostScoops {
		return
	}
	size := s.own[i].si()
	whole := math.Floor(left/size + 1e-9)
	if whole <= mostScoops {
		for _, n := range []float64{whole, whole + 1} {
			s.counts[i] = int(n)
			s.settle(scoops+int(n), left-n*size)
		}
		s.counts[i] = int(whole)
		s.try(i+1, scoops+int(whole), left-whole*size)
		s.counts[i] = 0
	}
	if whole > 0 {
		s.try(i+1, scoops, left) // without this measure at all
	}
}

// settle keeps the present counts where they are better than the best.
func (s *scooping) settle(scoops int, left float64) {
	off := math.Abs(left) / s.want
	score := math.Max(off, goodEnough) + 0.004*float64(scoops)
	if scoops == 0 || scoops > mostScoops || off > 0.5 || score >= s.score-1e-12 {
		return
	}
	s.score, s.best = score, Portion{Off: -left / s.want}
	for j, n := range s.counts {
		if n > 0 {
			s.best.Parts = append(s.best.Parts, Part{n, s.own[j]})
		}
	}
}

// Amount is what the portion makes, in a unit of its dimension, with the
// uncertainty of filling.
func (p Portion) Amount(unit Unit) Quantity {
	total := 0.0
	for _, part := range p.Parts {
		total += float64(part.Times) * part.Measure.si()
	}
	return FromSI(total, total*p.U, unit)
}

// Show writes the parts: "2 × 1 tsp + 1 × ¼ tsp".
func (p Portion) Show(language string) string {
	words := make([]string, len(p.Parts))
	for i, part := range p.Parts {
		words[i] = fmt.Sprintf(
			"%d × %s\u00a0%s",
			part.Times,
			showSize(part.Measure.Size, language),
			part.Measure.Unit.Label(),
		)
	}
	return strings.Join(words, " + ")
}

var fractionSigns = map[float64]string{
	1.0 / 8: "⅛",
	1.0 / 4: "¼",
	1.0 / 3: "⅓",
	1.0 / 2: "½",
	2.0 / 3: "⅔",
	3.0 / 4: "¾",
}

// showSize writes a measure's size with a fraction sign where it has one.
func showSize(size float64, language string) string {
	whole, part := math.Modf(size)
	for f, sign := range fractionSigns {
		if math.Abs(part-f) < 1e-3 {
			if whole == 0 {
				return sign
			}
			return strconv.Itoa(int(whole)) + sign
		}
	}
	return text.Number(size, text.Decimals(size, 0), language)
}

// Between is a figure of which only the range is known: its middle, with the
// standard uncertainty of an even spread, half the width/√3.
func Between(low, high float64, unit Unit) Quantity {
	return Quantity{Value: (low + high) / 2, Unit: unit, U: (high - low) / 2 / math.Sqrt(3)}
}

// MassOf is the mass, in g, of a volume of something with a density, both with
// their uncertainties; VolumeOf, in mL, is the other way round. They fail when
// a dimension is another one or the density is not above zero.
func MassOf(volume, density Quantity) (Quantity, error) {
	return convert(volume, density, "mL", "g", func(v, d float64) float64 { return v * d })
}

// VolumeOf is described at MassOf.
func VolumeOf(mass, density Quantity) (Quantity, error) {
	return convert(mass, density, "g", "mL", func(m, d float64) float64 { return m / d })
}

func convert(amount, density Quantity, from, to string, f func(amount, density float64) float64) (Quantity, error) {
	a, err := amount.In(MustUnit(from))
	if err != nil {
		return Quantity{}, err
	}
	d, err := density.In(MustUnit("g/mL"))
	if err != nil || !(density.Value > 0) {
		return Quantity{}, fmt.Errorf(
			"%g %s is no density; it has to be one such as 1.05 g/mL",
			density.Value,
			density.Unit.Symbol,
		)
	}
	v := f(a.Value, d.Value)
	// Product and quotient have the same first-order law in relative terms.
	u := math.Abs(f(a.U, d.Value))
	if v != 0 {
		u = math.Abs(v) * math.Hypot(a.U/a.Value, d.U/d.Value)
	}
	return Quantity{Value: v, Unit: MustUnit(to), U: u}, nil
}
