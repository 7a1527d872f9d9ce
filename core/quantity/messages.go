package quantity

import (
	"embed"
	"math"

	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Asked words the code of a problem or question that was found in a typed text.
func Asked(code, read, example string) text.Message {
	return text.Message{ID: "quantity." + code, Args: text.Args{"read": read, "example": example}}
}

// Echo shows back what was understood of a typed value or bound.
func Echo(t Typed) text.Message {
	show := func(v float64) figured { return figured{Quantity{Value: v, Unit: t.Unit}, t.Decimals} }
	id := "value"
	switch {
	case t.Kind == Bound && t.Below:
		id = "below"
	case t.Kind == Bound:
		id = "above"
	case t.IsRange:
		id = "range"
	case t.Approximate:
		id = "about"
	}
	return text.Message{
		ID:   "quantity.echo." + id,
		Args: text.Args{"value": show(t.Value), "low": show(t.Low), "high": show(t.High)},
	}
}

// Bounds shows a value of which only a bound is known.
func Bounds(low, high float64, unit Unit) text.Message {
	t := Typed{
		Kind:     Bound,
		Parsed:   Parsed{Quantity: Quantity{Value: high, Unit: unit}},
		Below:    true,
		Decimals: -1,
		Low:      low,
		High:     high,
	}
	switch {
	case math.IsInf(high, 0):
		t.Value, t.Below = low, false
	case low > 0:
		t.Kind, t.IsRange = Value, true
	}
	return Echo(t)
}

// figured is a value with the decimals it was typed with; with fewer than none
// as many as it has, up to four digits.
type figured struct {
	Quantity
	decimals int
}

func (f figured) Show(language string) string {
	if f.decimals < 0 {
		return f.Quantity.Show(language)
	}
	return f.Unit.Behind(text.Number(f.Value, f.decimals, language))
}

// InWords words an amount made up of a home's measures, with the rounding
// error said from one percent on: "2 × 1 tsp + 1 × ¼ tsp, 3 % under".
func InWords(p Portion) text.Message {
	percent := int(math.Round(100 * math.Abs(p.Off)))
	id := "exact"
	switch {
	case percent == 0:
	case p.Off < 0:
		id = "under"
	default:
		id = "over"
	}
	return text.Message{ID: "quantity.portion." + id, Args: text.Args{"parts": p, "percent": percent}}
}
