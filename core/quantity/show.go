package quantity

import (
	"math"
	"strconv"
	"strings"
)

// Label is the unit as it stands beside a number. US kitchen measures say so,
// since the same word means another volume elsewhere; pure numbers have none.
func (u Unit) Label() string {
	switch u.Symbol {
	case "1":
		return ""
	case "tsp", "tbsp", "cup", "fl oz", "pt", "qt", "gal":
		return "US " + u.Symbol
	}
	return u.Symbol
}

// Decimals is how many decimals a value with uncertainty u deserves: the
// uncertainty keeps one significant digit, two when the first is 1. Without
// an uncertainty the value keeps four significant digits, and no more than
// it has.
func Decimals(value, u float64) int {
	if u > 0 && !math.IsInf(u, 0) && !math.IsNaN(u) {
		e := int(math.Floor(math.Log10(u)))
		if u/math.Pow10(e) < 1.95 {
			e--
		}
		return clamp(-e, 0, 12)
	}
	if value == 0 || math.IsInf(value, 0) || math.IsNaN(value) {
		return 0
	}
	most := clamp(3-int(math.Floor(math.Log10(math.Abs(value)))), 0, 12)
	for d := 0; d < most; d++ {
		p := math.Pow10(d)
		if math.Abs(math.Round(value*p)/p-value) < 1e-9*math.Abs(value) {
			return d
		}
	}
	return most
}

func clamp(n, low, high int) int { return max(low, min(high, n)) }

// Number writes a value with a fixed number of decimals in a language: a true
// minus sign, and a decimal comma in Spanish.
func Number(value float64, decimals int, language string) string {
	if p := math.Pow10(decimals); math.Abs(value)*p < 1e15 {
		value = math.Round(value*p*(1+1e-14)) / p // 82.55 is 82.6, though its bits lie a little below
	}
	s := strconv.FormatFloat(value, 'f', decimals, 64)
	if strings.Trim(s, "-0.") == "" {
		s = strings.TrimPrefix(s, "-")
	}
	s = strings.Replace(s, "-", "−", 1)
	if language == "es" {
		s = strings.Replace(s, ".", ",", 1)
	}
	return s
}

// Show writes a quantity with its unit in a language, rounded to what its
// uncertainty allows: "82 mm", "14.1 % ± 0.3".
func (q Quantity) Show(language string) string {
	d := Decimals(q.Value, q.U)
	s := Number(q.Value, d, language)
	if l := q.Unit.Label(); l != "" {
		s += "\u00a0" + l
	}
	if q.U > 0 {
		s += " ± " + Number(q.U, d, language)
	}
	return s
}

// Bare is the value without its uncertainty, rounded to what that allowed.
type Bare struct{ Quantity }

// Bare drops the uncertainty from what is shown but keeps its rounding.
func (q Quantity) Bare() Bare { return Bare{q} }

// Show writes the value and its unit.
func (b Bare) Show(language string) string {
	s := Number(b.Value, Decimals(b.Value, b.U), language)
	if l := b.Unit.Label(); l != "" {
		s += "\u00a0" + l
	}
	return s
}
