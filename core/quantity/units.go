package quantity

import (
	"math"
	"strconv"
	"strings"
)

// Unit is a unit of measurement. A value v in it is v·Factor + Offset in the
// SI base units of its dimension (metre, kilogram, second, kelvin, mole,
// ampere, drop, radian). Offset is zero but for °C and °F.
type Unit struct {
	Symbol string
	Dim    Dim
	Factor float64
	Offset float64
}

type unitRow struct {
	Unit
	written string // exact spellings, separated by blanks; ~ stands for a blank inside one
}

const (
	mL     = 1e-6
	usTsp  = 4.92892159375 * mL
	usTbsp = 14.78676478125 * mL
	usCup  = 236.5882365 * mL
)

// The table of the design's models, chapter 0, with the UK and Australian
// kitchen units added. Factors are exact by definition of the unit except
// mmHg and inHg (conventional values) and the pinch, dash and smidgen, which
// are nominal sizes.
var unitTable = []unitRow{
	{Unit{"m", Length, 1, 0}, "m"},
	{Unit{"km", Length, 1000, 0}, "km"},
	{Unit{"cm", Length, 0.01, 0}, "cm"},
	{Unit{"mm", Length, 0.001, 0}, "mm"},
	{Unit{"µm", Length, 1e-6, 0}, "µm μm um"},
	{Unit{"nm", Length, 1e-9, 0}, "nm"},
	{Unit{"in", Length, 0.0254, 0}, "in \" ″ ”"},
	{Unit{"ft", Length, 0.3048, 0}, "ft ' ′ ’"},
	{Unit{"yd", Length, 0.9144, 0}, "yd"},
	{Unit{"mi", Length, 1609.344, 0}, "mi"},
	{Unit{"cm²", Area, 1e-4, 0}, "cm² cm2"},
	{Unit{"g", Mass, 1e-3, 0}, "g"},
	{Unit{"kg", Mass, 1, 0}, "kg"},
	{Unit{"mg", Mass, 1e-6, 0}, "mg"},
	{Unit{"µg", Mass, 1e-9, 0}, "µg μg ug"},
	{Unit{"oz", Mass, 0.028349523125, 0}, "oz"},
	{Unit{"lb", Mass, 0.45359237, 0}, "lb"},
	{Unit{"m³", Volume, 1, 0}, "m³ m3 m^3"},
	{Unit{"L", Volume, 1000 * mL, 0}, "L l ℓ"},
	{Unit{"dL", Volume, 100 * mL, 0}, "dL dl"},
	{Unit{"cL", Volume, 10 * mL, 0}, "cL cl"},
	{Unit{"mL", Volume, mL, 0}, "mL ml"},
	{Unit{"µL", Volume, 1e-3 * mL, 0}, "µL μL uL µl μl ul"},
	{Unit{"cm³", Volume, mL, 0}, "cm³ cm3 cm^3 cc"},
	{Unit{"mm³", Volume, 1e-3 * mL, 0}, "mm³ mm3 mm^3"},
	{Unit{"tsp", Volume, usTsp, 0}, "tsp"},
	{Unit{"tbsp", Volume, usTbsp, 0}, "tbsp"},
	{Unit{"cup", Volume, usCup, 0}, "cup"},
	{Unit{"fl oz", Volume, 29.5735295625 * mL, 0}, "fl~oz"},
	{Unit{"pt", Volume, 473.176473 * mL, 0}, "pt"},
	{Unit{"qt", Volume, 946.352946 * mL, 0}, "qt"},
	{Unit{"gal", Volume, 3785.411784 * mL, 0}, "gal"},
	{Unit{"metric tsp", Volume, 5 * mL, 0}, "metric~tsp"},
	{Unit{"metric tbsp", Volume, 15 * mL, 0}, "metric~tbsp"},
	{Unit{"metric cup", Volume, 250 * mL, 0}, "metric~cup"},
	{Unit{"AU tbsp", Volume, 20 * mL, 0}, "AU~tbsp"},
	{Unit{"UK fl oz", Volume, 28.4130625 * mL, 0}, "UK~fl~oz"},
	{Unit{"UK pt", Volume, 568.26125 * mL, 0}, "UK~pt"},
	{Unit{"pinch", Volume, usTsp / 16, 0}, "pinch"},
	{Unit{"dash", Volume, usTsp / 8, 0}, "dash"},
	{Unit{"smidgen", Volume, usTsp / 32, 0}, "smidgen"},
	{Unit{"s", Time, 1, 0}, "s"},
	{Unit{"ms", Time, 1e-3, 0}, "ms"},
	{Unit{"min", Time, 60, 0}, "min"},
	{Unit{"h", Time, 3600, 0}, "h"},
	{Unit{"d", Time, 86400, 0}, "d"},
	{Unit{"Hz", Frequency, 1, 0}, "Hz"},
	{Unit{"kHz", Frequency, 1000, 0}, "kHz"},
	{Unit{"K", Temperature, 1, 0}, "K"},
	{Unit{"°C", Temperature, 1, 273.15}, "°C C ℃ degC"},
	{Unit{"°F", Temperature, 5.0 / 9, 273.15 - 32*5.0/9}, "°F F ℉ degF"},
	{Unit{"Pa", Pressure, 1, 0}, "Pa"},
	{Unit{"hPa", Pressure, 100, 0}, "hPa"},
	{Unit{"kPa", Pressure, 1000, 0}, "kPa"},
	{Unit{"bar", Pressure, 1e5, 0}, "bar"},
	{Unit{"mbar", Pressure, 100, 0}, "mbar"},
	{Unit{"atm", Pressure, 101325, 0}, "atm"},
	{Unit{"mmHg", Pressure, 133.322387415, 0}, "mmHg"},
	{Unit{"inHg", Pressure, 3386.388640341, 0}, "inHg"},
	{Unit{"psi", Pressure, 6894.7572931684, 0}, "psi"},
	{Unit{"mol", Amount, 1, 0}, "mol"},
	{Unit{"mmol", Amount, 1e-3, 0}, "mmol"},
	{Unit{"M", Molarity, 1000, 0}, "M"},
	{Unit{"mM", Molarity, 1, 0}, "mM"},
	{Unit{"V", Voltage, 1, 0}, "V"},
	{Unit{"mV", Voltage, 1e-3, 0}, "mV"},
	{Unit{"A", Current, 1, 0}, "A"},
	{Unit{"mA", Current, 1e-3, 0}, "mA"},
	{Unit{"µA", Current, 1e-6, 0}, "µA μA uA"},
	{Unit{"Ω", Resistance, 1, 0}, "Ω"},
	{Unit{"kΩ", Resistance, 1000, 0}, "kΩ"},
	{Unit{"deg", Angle, math.Pi / 180, 0}, "deg °"},
	{Unit{"rad", Angle, 1, 0}, "rad"},
	{Unit{"%", Pure, 0.01, 0}, "%"},
	{Unit{"1", Pure, 1, 0}, "1"},
	{Unit{"drop", Count, 1, 0}, "drop"},
	{Unit{"mph", Speed, 0.44704, 0}, "mph"},
}

// One is the unit of pure numbers.
var One = Unit{Symbol: "1", Factor: 1}

var (
	unitsWritten = map[string]Unit{}
	unitsWords   = map[string]Unit{}
)

func init() {
	for _, row := range unitTable {
		for _, w := range strings.Fields(row.written) {
			unitsWritten[strings.ReplaceAll(w, "~", " ")] = row.Unit
		}
	}
	for _, v := range vocabularies {
		for symbol, spellings := range v.Units {
			u, ok := unitsWritten[symbol]
			if !ok {
				panic("quantity: words for an unknown unit " + symbol)
			}
			for _, w := range strings.Fields(spellings) {
				unitsWords[strings.ReplaceAll(w, "~", " ")] = u
			}
		}
	}
	lexicons = makeLexicons()
}

// LookupUnit finds a unit as written ("mm", "teaspoons", "g/mL", "m/s²").
// Capitals matter in symbols and not in words. It reports false for anything
// that is not a unit.
func LookupUnit(s string) (Unit, bool) {
	s = strings.Join(strings.Fields(s), " ")
	if s == "" {
		return Unit{}, false
	}
	if u, ok := simpleUnit(s); ok {
		return u, true
	}
	return compoundUnit(s)
}

func simpleUnit(s string) (Unit, bool) {
	if u, ok := unitsWritten[s]; ok {
		return u, true
	}
	u, ok := unitsWords[strings.ToLower(s)]
	return u, ok
}

// MustUnit is LookupUnit for symbols written in code; it panics on others.
func MustUnit(s string) Unit {
	u, ok := LookupUnit(s)
	if !ok {
		panic("quantity: no unit " + strconv.Quote(s))
	}
	return u
}

// compoundUnit reads units joined by /, · or *, with whole exponents or under
// a root ("mm/√min", for what grows with the root of time).
func compoundUnit(s string) (Unit, bool) {
	if len(s) > 60 {
		return Unit{}, false
	}
	out := Unit{Symbol: s, Factor: 1}
	sign, start, parts := 1, 0, 0
	take := func(end int) bool {
		name, exp, ok := splitExponent(strings.TrimSpace(s[start:end]))
		if !ok {
			return false
		}
		name, root := strings.CutPrefix(name, "√")
		u, ok := simpleUnit(name)
		if !ok || u.Offset != 0 {
			return false
		}
		half := 2 * exp * sign
		if root {
			half /= 2
		}
		d, ok := u.Dim.Pow(half)
		if !ok {
			return false
		}
		out.Dim = out.Dim.Mul(d)
		out.Factor *= math.Pow(u.Factor, float64(half)/2)
		parts++
		return true
	}
	for i, r := range s {
		if r != '/' && r != '·' && r != '*' {
			continue
		}
		if !take(i) {
			return Unit{}, false
		}
		start = i + len(string(r))
		sign = 1
		if r == '/' {
			sign = -1
		}
	}
	if !take(len(s)) {
		return Unit{}, false
	}
	return out, out.Factor > 0 && !math.IsInf(out.Factor, 0)
}

func splitExponent(s string) (name string, exp int, ok bool) {
	const supers = "⁰¹²³⁴⁵⁶⁷⁸⁹"
	if i := strings.IndexByte(s, '^'); i >= 0 {
		n, err := strconv.Atoi(s[i+1:])
		return s[:i], n, err == nil && n != 0 && n >= -6 && n <= 6
	}
	digits, cut := "", len(s)
	for i, r := range s {
		k := strings.IndexRune(supers, r)
		switch {
		case r == '⁻' && digits == "":
			digits, cut = "-", min(cut, i)
		case k >= 0:
			n := len([]rune(supers[:k]))
			digits, cut = digits+strconv.Itoa(n), min(cut, i)
		case digits != "":
			return "", 0, false
		}
	}
	if digits == "" {
		return s, 1, s != ""
	}
	n, err := strconv.Atoi(digits)
	return s[:cut], n, err == nil && n != 0 && n >= -6 && n <= 6
}

// Canonical is the unit in which values of a dimension are kept and compared:
// m, g, mL, s, °C, kPa, mol, V, A, Ω, Hz, g/mL, mol/L, m/s, deg, drop or 1.
// Other dimensions are expressed in products of SI base units.
func Canonical(d Dim) Unit {
	if s, ok := canonicalSymbols[d]; ok {
		return MustUnit(s)
	}
	return Unit{Symbol: d.String(), Dim: d, Factor: 1}
}

var canonicalSymbols = map[Dim]string{
	Length: "m", Mass: "g", Volume: "mL", Time: "s", Temperature: "°C", Pressure: "kPa",
	Amount: "mol", Voltage: "V", Current: "A", Resistance: "Ω", Frequency: "Hz",
	Density: "g/mL", Molarity: "mol/L", Speed: "m/s", Angle: "deg", Count: "drop", Pure: "1",
}
