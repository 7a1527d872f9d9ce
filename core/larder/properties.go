package larder

import (
	"errors"
	"fmt"
	"slices"
	"strings"
)

// Property is what a swap keeps equal, per gram of material.
type property func(*Substance) float64

// What a gram of a substance gives, in mmol.
var (
	acid      property = func(s *Substance) float64 { return 1000 * s.Protons / s.Molar }   // meq
	co2       property = func(s *Substance) float64 { return 1000 * s.CO2 / s.Molar }       // mmol
	o2        property = func(s *Substance) float64 { return 1000 * s.O2 / s.Molar }        // mmol
	particles property = func(s *Substance) float64 { return 1000 * s.Particles / s.Molar } // mmol
	hexose    property = func(s *Substance) float64 { return 1000 * s.Hexose / s.Molar }    // mmol
)

// Stuff is a material as one home or one design has it.
type Stuff struct {
	Material string
	Form     string  // one of the material's forms; "" is the first
	Percent  float64 // strength as the label says, on the material's basis; 0 is the usual spread
}

// contents are the substances of a stuff with their shares: g per g of
// material, or g per piece.
func (l *Larder) contents(s Stuff) (m *Material, share map[*Substance]Range, perPiece bool, err error) {
	m, ok := l.materials[s.Material]
	if !ok {
		return nil, nil, false, fmt.Errorf(
			"no material is called %q; look it up in the larder, such as vinegar-white",
			s.Material,
		)
	}
	form, err := m.form(s.Form)
	if err != nil {
		return nil, nil, false, err
	}
	share = map[*Substance]Range{}
	for _, c := range m.Contains {
		if c.Form != form {
			continue
		}
		r := c.Range
		if s.Percent > 0 && c.Basis != "g/piece" {
			r = Range{s.Percent, s.Percent, s.Percent}
		}
		switch c.Basis {
		case "g/piece":
			perPiece = true
		case "w/w":
			r = r.times(0.01)
		case "w/v":
			rho, ok := m.Figure("rho")
			if !ok {
				rho = Range{1, 1, 1} // dilute in water, within 5 %
			}
			r = r.times(0.01 / rho.Typical)
		case "v/v":
			return m, nil, false, errors.New("strength by volume is kept by diluting, not by counting particles")
		}
		share[l.substances[c.Substance]] = r
	}
	return m, share, perPiece, nil
}

// form is the form that is meant: the usual one where none is said.
func (m *Material) form(said string) (string, error) {
	switch forms := m.Forms(); {
	case len(forms) == 0 && said != "":
		return "", fmt.Errorf("%s has no form %q; leave it out", m.ID, said)
	case len(forms) == 0 || slices.Contains(forms, said):
		return said, nil
	case said == "":
		return forms[0], nil
	default:
		return "", fmt.Errorf("%s has no form %q; it comes as %s", m.ID, said, strings.Join(forms, " or "))
	}
}

// gives sums a property over what a stuff holds, per gram (or per piece).
func (l *Larder) gives(s Stuff, p property) (per Range, perPiece bool, err error) {
	m, share, perPiece, err := l.contents(s)
	if err != nil {
		return Range{}, false, err
	}
	for sub, r := range share {
		f := p(sub)
		per.Low += r.Low * f
		per.Typical += r.Typical * f
		per.High += r.High * f
	}
	if per.Typical == 0 {
		return Range{}, false, fmt.Errorf("%s gives none of what is to be kept equal", m.ID)
	}
	return per, perPiece, nil
}

// AcidPer is the acid that a stuff gives, in meq per mL for a liquid and per
// gram for a solid (1 meq is 1 mmol H⁺ that hydrogencarbonate can take).
func (l *Larder) AcidPer(s Stuff) (Range, error) { return l.perAmount(s, acid) }

// CO2Per is the gas a stuff gives with acid in excess, in mmol per gram, or
// per piece for tablets.
func (l *Larder) CO2Per(s Stuff) (Range, error) { return l.perAmount(s, co2) }

func (l *Larder) perAmount(s Stuff, p property) (Range, error) {
	r, _, err := l.gives(s, p)
	if err != nil {
		return Range{}, err
	}
	if m := l.materials[s.Material]; m.Liquid() {
		return r.times(m.density()), nil
	}
	return r, nil
}

// Need is the acid taken per CO₂ given, 1 or 2 meq per mmol; 0 for what gives
// no CO₂.
func (l *Larder) Need(s Stuff) float64 {
	_, share, _, err := l.contents(s)
	if err != nil {
		return 0
	}
	for sub := range share {
		if sub.CO2 > 0 {
			return sub.Need
		}
	}
	return 0
}

// Liquid reports whether amounts of the material are poured: its own density
// is known and it has no bulk density of grains.
func (m *Material) Liquid() bool {
	_, bulk := m.Figure("bulk")
	if bulk || len(m.Contains) > 0 && m.Contains[0].Basis == "g/piece" {
		return false
	}
	if _, ok := m.Figure("rho"); ok {
		return m.Shelf != "metals-electric" && m.Shelf != "balls-rollers" && m.Shelf != "vessels-covers" &&
			m.Shelf != "papers-cloths"
	}
	return len(m.Contains) > 0 && (m.Contains[0].Basis == "w/v" || m.Contains[0].Basis == "v/v") ||
		m.Shelf == "acids" && len(m.Contains) > 0
}

// density of a liquid, g/mL; 1.005 where it is not stated, as for dilute
// solutions (within 2 %).
func (m *Material) density() float64 {
	if r, ok := m.Figure("rho"); ok {
		return r.Typical
	}
	return 1.005
}

// Spoonful is the mass of one level teaspoon, in grams, low and high.
func (m *Material) Spoonful() (Range, bool) {
	if r, ok := m.Figure("tsp"); ok {
		return r, true
	}
	if b, ok := m.Figure("bulk"); ok {
		return Range{4.929 * b.Low, 4.96 * b.Typical, 5 * b.High}, true
	}
	if m.Liquid() {
		return Range{4.929 * m.density(), 4.96 * m.density(), 5 * m.density()}, true
	}
	return Range{}, false
}

func (r Range) times(f float64) Range { return Range{r.Low * f, r.Typical * f, r.High * f} }

// over divides two spreads: the least by the most and the most by the least.
func (r Range) over(d Range) Range {
	return Range{r.Low / d.High, r.Typical / d.Typical, r.High / d.Low}
}

// densityAt interpolates a solution's density at a strength in % by mass.
func (s *Substance) densityAt(percent float64) (float64, bool) {
	return interpolate(s.Densities, 0, 1, percent)
}

// strengthAt is the strength, in % by mass, of the solution with a density.
func (s *Substance) strengthAt(density float64) (float64, bool) {
	return interpolate(s.Densities, 1, 0, density)
}

func interpolate(table [][2]float64, x, y int, at float64) (float64, bool) {
	for i := 1; i < len(table); i++ {
		a, b := table[i-1], table[i]
		if at >= a[x] && at <= b[x] {
			return a[y] + (b[y]-a[y])*(at-a[x])/(b[x]-a[x]), true
		}
	}
	return 0, false
}
