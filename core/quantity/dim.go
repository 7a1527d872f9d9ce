package quantity

import (
	"fmt"
	"strings"

	"patient-kitchen/core/text"
)

// Dim is a dimension: the exponents of length, mass, time, temperature,
// amount of substance, current, count (drops) and angle. Exponents are stored
// doubled, so that the square root of a length can be written down.
type Dim [8]int8

const (
	iLength = iota
	iMass
	iTime
	iTemperature
	iAmount
	iCurrent
	iCount
	iAngle
)

// The dimensions that fields and readings name.
var (
	Pure        = Dim{}
	Length      = Dim{iLength: 2}
	Area        = Dim{iLength: 4}
	Volume      = Dim{iLength: 6}
	Mass        = Dim{iMass: 2}
	Time        = Dim{iTime: 2}
	Temperature = Dim{iTemperature: 2}
	Amount      = Dim{iAmount: 2}
	Current     = Dim{iCurrent: 2}
	Count       = Dim{iCount: 2}
	Angle       = Dim{iAngle: 2}
	Frequency   = Dim{iTime: -2}
	Speed       = Dim{iLength: 2, iTime: -2}
	Density     = Dim{iMass: 2, iLength: -6}
	Pressure    = Dim{iMass: 2, iLength: -2, iTime: -4}
	Molarity    = Dim{iAmount: 2, iLength: -6}
	Voltage     = Dim{iMass: 2, iLength: 4, iTime: -6, iCurrent: -2}
	Resistance  = Dim{iMass: 2, iLength: 4, iTime: -6, iCurrent: -4}
)

var dimNames = map[Dim]string{
	Pure: "number", Length: "length", Area: "area", Volume: "volume", Mass: "mass", Time: "time",
	Temperature: "temperature", Amount: "amount", Current: "current", Count: "count", Angle: "angle",
	Frequency: "frequency", Speed: "speed", Density: "density", Pressure: "pressure",
	Molarity: "molarity", Voltage: "voltage", Resistance: "resistance",
}

// Mul is the dimension of a product.
func (d Dim) Mul(e Dim) Dim {
	for i := range d {
		d[i] += e[i]
	}
	return d
}

// Div is the dimension of a quotient.
func (d Dim) Div(e Dim) Dim {
	for i := range d {
		d[i] -= e[i]
	}
	return d
}

// Pow raises a dimension to the power half/2. It reports false when a
// resulting exponent is not a multiple of one half.
func (d Dim) Pow(half int) (Dim, bool) {
	for i := range d {
		p := int(d[i]) * half
		if p%2 != 0 || p/2 > 127 || p/2 < -127 {
			return Dim{}, false
		}
		d[i] = int8(p / 2)
	}
	return d, true
}

// String is the dimension's everyday name ("mass"), or its base units
// ("kg·m^-1") where it has none.
func (d Dim) String() string {
	if n, ok := dimNames[d]; ok {
		return n
	}
	base := [...]string{"m", "kg", "s", "K", "mol", "A", "drop", "rad"}
	var parts []string
	for i, e := range d {
		switch {
		case e == 0:
		case e == 2:
			parts = append(parts, base[i])
		case e%2 == 0:
			parts = append(parts, fmt.Sprintf("%s^%d", base[i], e/2))
		default:
			parts = append(parts, fmt.Sprintf("%s^(%d/2)", base[i], e))
		}
	}
	return strings.Join(parts, "·")
}

// Words are the dimension's everyday name; one that has none is its base units.
func (d Dim) Words() text.Message {
	if n, ok := dimNames[d]; ok {
		return text.M("quantity.dimension." + n)
	}
	return text.Raw(d.String())
}

// DimByName finds a dimension by the name that String gives ("mass").
func DimByName(name string) (Dim, bool) {
	for d, n := range dimNames {
		if n == name {
			return d, true
		}
	}
	return Dim{}, false
}
