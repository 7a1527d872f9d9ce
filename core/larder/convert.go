package larder

import (
	"errors"
	"fmt"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Basis is what a swap keeps equal.
type Basis string

// The bases.
const (
	EqualAcid        Basis = "equal-acid"
	EqualCO2         Basis = "equal-co2"
	EqualO2          Basis = "equal-o2"
	EqualStrength    Basis = "equal-strength" // after dilution
	EqualMass        Basis = "equal-mass"
	EqualVolume      Basis = "equal-volume"
	EqualGeometry    Basis = "equal-geometry"
	EqualParticles   Basis = "equal-particles" // dissolved
	EqualDensity     Basis = "equal-density"
	EqualTemperature Basis = "equal-temperature"
	Recalibrate      Basis = "recalibrate" // the user makes a new chart, count or check
	NoConversion     Basis = "none"        // one for one
	Refuse           Basis = "refuse"
)

// Bases are all of them.
var Bases = []Basis{
	EqualAcid,
	EqualCO2,
	EqualO2,
	EqualStrength,
	EqualMass,
	EqualVolume,
	EqualGeometry,
	EqualParticles,
	EqualDensity,
	EqualTemperature,
	Recalibrate,
	NoConversion,
	Refuse,
}

// Conversion is an amount of one stuff worked out from an amount of another.
type Conversion struct {
	Amount quantity.Quantity // what to take; U covers the spread of both materials (half of it, as a rectangle's)
	Factor Range             // amount over amount, in the units shown; 1 where they differ in kind
	MakeUp quantity.Quantity // water is added up to this; zero when none is
	How    text.Message      // the sum, as it would be written out
}

var gram, millilitre = quantity.MustUnit("g"), quantity.MustUnit("mL")

// Convert works out the amount of one stuff that stands for an amount of
// another, keeping what the basis names equal. Amounts are masses, volumes
// (poured liquids, level spoons of powders) or pieces. It fails, saying why,
// when a property that the basis needs is unknown, or when something would
// have to be made stronger than it is.
//
// Formulas: amount₂ = amount₁ · property₁/property₂ for acid, gas and
// particles; V₂ = V₁ · (w₁ρ₁)/(w₂ρ₂), then water to V₁, for strength.
func (l *Larder) Convert(from, to Stuff, amount quantity.Quantity, basis Basis) (Conversion, error) {
	a, ok := l.materials[from.Material]
	if !ok {
		return Conversion{}, fmt.Errorf("no material is called %q", from.Material)
	}
	b, ok := l.materials[to.Material]
	if !ok {
		return Conversion{}, fmt.Errorf("no material is called %q", to.Material)
	}
	switch basis {
	case EqualAcid:
		return l.byProperty(a, b, from, to, amount, acid, "acid")
	case EqualCO2:
		return l.byProperty(a, b, from, to, amount, co2, "co2")
	case EqualO2:
		return l.byProperty(a, b, from, to, amount, o2, "o2")
	case EqualParticles:
		return l.byProperty(a, b, from, to, amount, particles, "particles")
	case EqualStrength:
		return l.byDilution(a, b, from, to, amount)
	case EqualDensity:
		return l.byDensity(a, b, from, to, amount)
	case EqualMass:
		return l.byMass(a, b, from, to, amount)
	case EqualVolume, EqualGeometry, EqualTemperature, Recalibrate, NoConversion:
		return same(amount, basis), nil
	case Refuse:
		return Conversion{}, errors.New("it is not to be used for this")
	}
	return Conversion{}, fmt.Errorf("no basis is called %q", basis)
}

func same(amount quantity.Quantity, basis Basis) Conversion {
	return Conversion{
		Amount: amount,
		Factor: Range{1, 1, 1},
		How:    text.Message{ID: "larder.how." + string(basis), Args: text.Args{"amount": amount}},
	}
}

// grams is the mass of an amount of a material.
func (m *Material) grams(amount quantity.Quantity) (float64, error) {
	switch amount.Unit.Dim {
	case quantity.Mass:
		return amount.SI() * 1000, nil
	case quantity.Volume:
		if m.Liquid() {
			return amount.SI() * 1e6 * m.density(), nil
		}
		if b, ok := m.Figure("bulk"); ok {
			return amount.SI() * 1e6 * b.Typical, nil
		}
		return 0, fmt.Errorf("the density of %s is not known; give its mass", m.ID)
	case quantity.Pure, quantity.Count:
		if m.Piece != nil {
			return amount.Value * m.Piece.Typical, nil
		}
		return 0, fmt.Errorf("the mass of one %s is not known; give the mass of all", m.ID)
	}
	return 0, fmt.Errorf("%s is no amount of %s; give grams, millilitres or pieces", amount.Unit.Symbol, m.ID)
}

// amountOf turns grams (or a number of pieces) into the measure the material
// is taken in.
func (m *Material) amountOf(r Range, perPiece bool) quantity.Quantity {
	switch {
	case perPiece:
		return spread(r, quantity.One)
	case m.Liquid():
		return spread(r.times(1/m.density()), millilitre)
	}
	return spread(r, gram)
}

// spread is a quantity whose low and high ends are the limits of a rectangle.
func spread(r Range, unit quantity.Unit) quantity.Quantity {
	q := quantity.Between(r.Low, r.High, unit)
	q.Value = r.Typical
	return q
}

func (l *Larder) byProperty(
	a, b *Material,
	from, to Stuff,
	amount quantity.Quantity,
	p property,
	name string,
) (Conversion, error) {
	gives, aPiece, err := l.gives(from, p)
	if err != nil {
		return Conversion{}, err
	}
	takes, bPiece, err := l.gives(to, p)
	if err != nil {
		return Conversion{}, err
	}
	var total Range // of the property, mmol
	if aPiece {
		if amount.Unit.Dim != quantity.Pure && amount.Unit.Dim != quantity.Count {
			return Conversion{}, fmt.Errorf("%s is counted; give a number of pieces", a.ID)
		}
		total = gives.times(amount.Value)
	} else {
		g, err := a.grams(amount)
		if err != nil {
			return Conversion{}, err
		}
		total = gives.times(g)
	}
	// The design's own amount is what it says; the spread is that of what stands in.
	total = Range{total.Typical, total.Typical, total.Typical}
	out := b.amountOf(total.over(takes), bPiece)
	c := Conversion{Amount: out, Factor: factor(amount, out)}
	if amount.Unit.Dim == quantity.Volume && a.Liquid() && !b.Liquid() && !bPiece {
		c.MakeUp = amount // a powder stands for a liquid: dissolved to the same volume
	}
	c.How = text.Message{ID: "larder.how." + name, Args: text.Args{"amount": amount, "total": total.Typical, "to": out}}
	return c, nil
}

func factor(from, to quantity.Quantity) Range {
	if from.Unit.Dim != to.Unit.Dim || from.SI() == 0 {
		return Range{1, 1, 1}
	}
	f, u := to.SI()/from.SI(), to.USI()/from.SI()*sqrt3
	return Range{f - u, f, f + u}
}

const sqrt3 = 1.7320508075688772

// strengthOf is a stuff's strength with its basis: the label's where it is
// known.
func (l *Larder) strengthOf(s Stuff) (r Range, basis string, err error) {
	m := l.materials[s.Material]
	for _, c := range m.Contains {
		if s.Form == "" || c.Form == s.Form {
			if s.Percent > 0 {
				return Range{s.Percent, s.Percent, s.Percent}, c.Basis, nil
			}
			return c.Range, c.Basis, nil
		}
	}
	return Range{}, "", fmt.Errorf("the strength of %s is not known", m.ID)
}

func (l *Larder) byDilution(a, b *Material, from, to Stuff, amount quantity.Quantity) (Conversion, error) {
	if amount.Unit.Dim != quantity.Volume {
		return Conversion{}, errors.New("give the volume that is to be made")
	}
	w1, basis1, err := l.strengthOf(from)
	if err != nil {
		return Conversion{}, err
	}
	w2, basis2, err := l.strengthOf(to)
	if err != nil {
		return Conversion{}, err
	}
	if basis1 != basis2 {
		return Conversion{}, fmt.Errorf(
			"the strengths of %s (%s) and %s (%s) are said in different ways",
			a.ID,
			basis1,
			b.ID,
			basis2,
		)
	}
	f := Range{w1.Typical / w2.High, w1.Typical / w2.Typical, w1.Typical / w2.Low}
	if basis1 == "w/w" {
		f = f.times(acidDensity(w1.Typical) / acidDensity(w2.Typical))
	}
	if f.Typical > 1.0001 {
		return Conversion{}, fmt.Errorf("%s cannot be made stronger than it is", b.ID)
	}
	v := amount.SI() * 1e6
	c := Conversion{
		Amount: spread(f.times(v), millilitre),
		Factor: f,
		MakeUp: quantity.Quantity{Value: v, Unit: millilitre},
	}
	c.How = text.Message{
		ID: "larder.how.equal-strength",
		Args: text.Args{
			"amount": amount,
			"to":     c.Amount,
			"water":  quantity.Quantity{Value: v - c.Amount.Value, Unit: millilitre},
		},
	}
	return c, nil
}

// acidDensity is the density of dilute acetic acid, g/mL at 20 °C: 0.9982
// and about 0.0014 more per % by mass (handbook, to 12 %).
func acidDensity(percent float64) float64 { return 0.9982 + 0.0014*percent }

func (l *Larder) byDensity(a, b *Material, from, to Stuff, amount quantity.Quantity) (Conversion, error) {
	sa, sb := l.tabled(a), l.tabled(b)
	if sa == nil || sb == nil || from.Percent == 0 {
		// The place in a stack is what is kept, not an amount.
		return same(amount, EqualDensity), nil
	}
	rho, ok := sa.densityAt(from.Percent)
	if !ok {
		return Conversion{}, fmt.Errorf("%g %% of %s is more than dissolves", from.Percent, a.ID)
	}
	w, ok := sb.strengthAt(rho)
	if !ok {
		return Conversion{}, fmt.Errorf("no solution of %s is as dense as %.3f g/mL", b.ID, rho)
	}
	g := amount.SI() * 1e6 * rho
	if amount.Unit.Dim == quantity.Mass {
		g = amount.SI() * 1000
	}
	solid := quantity.Quantity{Value: g * w / 100, Unit: gram}
	return Conversion{Amount: solid, Factor: Range{w / from.Percent, w / from.Percent, w / from.Percent},
		How: text.Message{
			ID: "larder.how.density-made",
			Args: text.Args{
				"amount":  solid,
				"water":   quantity.Quantity{Value: g - solid.Value, Unit: gram},
				"percent": w,
				"density": rho,
			},
		}}, nil
}

func (l *Larder) tabled(m *Material) *Substance {
	for _, c := range m.Contains {
		if s := l.substances[c.Substance]; len(s.Densities) > 0 {
			return s
		}
	}
	return nil
}

func (l *Larder) byMass(a, b *Material, from, to Stuff, amount quantity.Quantity) (Conversion, error) {
	if amount.Unit.Dim != quantity.Mass && amount.Unit.Dim != quantity.Volume && a.Piece == nil {
		return same(amount, EqualMass), nil // a number of something not weighed: one for one
	}
	g, err := a.grams(amount)
	if err != nil {
		return Conversion{}, err
	}
	out := quantity.Quantity{Value: g, Unit: gram}
	switch {
	case b.Piece != nil && amount.Unit.Dim != quantity.Mass && amount.Unit.Dim != quantity.Volume ||
		b.Piece != nil && b.Does("cargo-unit"):
		out = spread(Range{g / b.Piece.High, g / b.Piece.Typical, g / b.Piece.Low}, quantity.One)
	case b.Liquid() && !a.Liquid():
		out = quantity.Quantity{Value: g / b.density(), Unit: millilitre}
	}
	// Two sugars are the same food by the hexose they hold.
	if fa, _, errA := l.gives(from, hexose); errA == nil {
		if fb, _, errB := l.gives(to, hexose); errB == nil && fa.Typical != fb.Typical {
			f := Range{fa.Typical, fa.Typical, fa.Typical}.over(fb)
			out = spread(f.times(g), gram)
		}
	}
	return Conversion{
		Amount: out,
		Factor: factor(amount, out),
		How: text.Message{
			ID:   "larder.how.equal-mass",
			Args: text.Args{"amount": quantity.Quantity{Value: g, Unit: gram}, "to": out},
		},
	}, nil
}

// sample is an ordinary amount of a material, in the measure it is taken in.
func (m *Material) sample() quantity.Quantity {
	switch {
	case len(m.Contains) > 0 && m.Contains[0].Basis == "g/piece", m.Piece != nil && m.Does("cargo-unit"):
		return quantity.Quantity{Value: 10, Unit: quantity.One}
	case m.Liquid():
		return quantity.Quantity{Value: 100, Unit: millilitre}
	}
	return quantity.Quantity{Value: 10, Unit: gram}
}
