package quantity

import "patient-kitchen/core/text"

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

// Show writes a quantity with its unit in a language, rounded to what its
// uncertainty allows: "82 mm", "14.1 % ± 0.3".
func (q Quantity) Show(language string) string {
	d := text.Decimals(q.Value, q.U)
	s := text.Number(q.Value, d, language)
	if l := q.Unit.Label(); l != "" {
		s += "\u00a0" + l
	}
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
	s := text.Number(b.Value, text.Decimals(b.Value, b.U), language)
	if l := b.Unit.Label(); l != "" {
		s += "\u00a0" + l
	}
	return s
}
