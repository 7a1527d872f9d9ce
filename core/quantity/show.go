package quantity

import "patient-kitchen/core/text"

// Label is the unit as it stands beside a number. US kitchen measures say so,
// since the same word means another volume elsewhere; pure numbers have none.
func (u Unit) Label() string {
	switch u.Symbol {
	case "1":
		return ""
	case "deg":
		return "°"
	case "tsp", "tbsp", "cup", "fl oz", "pt", "qt", "gal":
		return "US " + u.Symbol
	}
	return u.Symbol
}

// Behind puts the unit behind a number that is written already.
func (u Unit) Behind(number string) string {
	switch l := u.Label(); l {
	case "", "°":
		return number + l
	default:
		return number + "\u00a0" + l
	}
}

// Show writes a quantity with its unit in a language, rounded to what its
// uncertainty allows: "82 mm", "14.1 % ± 0.3".
func (q Quantity) Show(language string) string {
	d := text.Decimals(q.Value, q.U)
	s := q.Unit.Behind(text.Number(q.Value, d, language))
	if q.U > 0 {
		s += " ± " + text.Number(q.U, d, language)
	}
	return s
}

// Bare is the value without its uncertainty, rounded to what that allowed.
type Bare struct{ Quantity }

// Bare drops the uncertainty from what is shown but keeps its rounding.
func (q Quantity) Bare() Bare { return Bare{q} }

// Show writes the value and its unit.
func (b Bare) Show(language string) string {
	return b.Unit.Behind(text.Number(b.Value, text.Decimals(b.Value, b.U), language))
}
