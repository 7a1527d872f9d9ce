package quantity

import (
	"math"
	"strings"

	"patient-kitchen/core/text"
)

// Kitchen is an amount as a kitchen measures it out: spoons and cups by their
// parts with the metric amount beside them, grams and millilitres to what a
// kitchen scale or jug shows, things whole. Exact amounts keep three digits,
// others two.
type Kitchen struct {
	Quantity
	Exact bool
}

// smallerSpoon is the measure that takes over where one would be less than its
// smallest part.
var smallerSpoon = map[string]string{
	"cup": "tbsp", "tbsp": "tsp", "metric cup": "metric tbsp", "metric tbsp": "metric tsp", "AU tbsp": "metric tsp",
	"L": "mL", "kg": "g", "m": "cm", "h": "min",
}

var spooned = map[string]bool{
	"tsp":         true,
	"tbsp":        true,
	"cup":         true,
	"metric tsp":  true,
	"metric tbsp": true,
	"metric cup":  true,
	"AU tbsp":     true,
}

// Rounded is the amount that is measured out. It is never nothing.
func (k Kitchen) Rounded() Quantity {
	q := k.Quantity
	q.U = 0
	for q.Value < leastOf(q.Unit) {
		smaller, ok := smallerSpoon[q.Unit.Symbol]
		if !ok {
			break
		}
		q, _ = q.In(MustUnit(smaller))
	}
	step := k.step(q)
	q.Value = math.Max(step, math.Round(q.Value/step)*step)
	return q
}

// leastOf is the amount of a unit below which a smaller one is easier.
func leastOf(u Unit) float64 {
	switch {
	case u.Symbol == "cup" || u.Symbol == "metric cup":
		return 0.12 // an eighth
	case spooned[u.Symbol]:
		return 0.45 // below half a tablespoon teaspoons are easier
	}
	return 1
}

// step is how finely an amount can be measured out.
func (k Kitchen) step(q Quantity) float64 {
	switch {
	case q.Unit.Dim == Count || q.Unit == One:
		return 1
	case spooned[q.Unit.Symbol]:
		switch {
		case q.Value < 0.95:
			return 0.125
		case q.Value < 3:
			return 0.25
		}
		return 0.5
	}
	digits := 1
	if k.Exact {
		digits = 2
	}
	if q.Value <= 0 {
		return 1
	}
	place := math.Pow10(int(math.Floor(math.Log10(q.Value)+1e-9)) - digits)
	if q.Unit.Symbol == "g" || q.Unit.Symbol == "mL" {
		place = math.Max(place, 0.1)
		if q.Value >= 10 {
			place = math.Max(place, 1) // no jug and few scales show more
		}
	}
	return place
}

// Show writes it, with the metric amount behind spoons and cups.
func (k Kitchen) Show(language string) string {
	q := k.Rounded()
	if !spooned[q.Unit.Symbol] {
		return q.Show(language)
	}
	s := eighths(q.Value)
	if s == "" {
		s = text.Number(q.Value, text.Decimals(q.Value, 0), language)
	}
	s += "\u00a0" + text.Render(text.M("quantity.spoon."+strings.ReplaceAll(q.Unit.Symbol, " ", "-")), language)
	if metric, err := q.In(MustUnit("mL")); err == nil {
		s += " (" + Kitchen{metric, false}.Rounded().Show(language) + ")"
	}
	return s
}

// Parts is a number of spoons or cups, in eighths.
type Parts float64

// Show writes it: 1½.
func (p Parts) Show(language string) string {
	if s := eighths(float64(p)); s != "" {
		return s
	}
	return text.Number(float64(p), text.Decimals(float64(p), 0), language)
}

// eighths writes whole numbers and parts of spoons: 1½; "" for other numbers.
func eighths(v float64) string {
	whole := math.Floor(v + 1e-9)
	part := map[int]string{0: "", 1: "⅛", 2: "¼", 3: "⅜", 4: "½", 5: "⅝", 6: "¾", 7: "⅞"}
	n := (v - whole) * 8
	if math.Abs(n-math.Round(n)) > 1e-6 {
		return ""
	}
	glyph := part[int(math.Round(n))]
	if whole == 0 && glyph != "" {
		return glyph
	}
	return text.Number(whole, 0, "en") + glyph
}
