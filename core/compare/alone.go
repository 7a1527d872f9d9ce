package compare

import (
	"math"

	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Alone says what one home can tell by itself of the first derived value: for
// each condition against the one compared with, whether the difference is
// above twice its own give or take. It gives nothing where there is nothing
// to compare.
func Alone(b *notebook.Book) []text.Message {
	classes := Class(b.Design, []Home{{Key: "own", Book: b}})
	if len(classes) == 0 {
		return nil
	}
	c := classes[0]
	values := map[string]quantity.Quantity{}
	for _, g := range c.Groups {
		for _, p := range g.Points {
			values[g.Condition] = p.Value
		}
	}
	base, ok := values[c.Against]
	against, known := b.Design.Condition(c.Against)
	if !ok || !known {
		return nil
	}
	var out []text.Message
	for _, k := range b.Design.Conditions {
		v, ok := values[k.ID]
		if !ok || k.ID == c.Against {
			continue
		}
		diff := quantity.Quantity{Value: v.Value - base.Value, Unit: c.Unit, U: math.Hypot(v.U, base.U)}
		id := "compare.alone.cannot"
		switch {
		case diff.Value > 2*diff.U:
			id = "compare.alone.more"
		case diff.Value < -2*diff.U:
			id = "compare.alone.less"
		}
		out = append(out, text.Message{ID: id, Args: text.Args{"condition": k.Name, "against": against.Name, "difference": diff}})
	}
	return out
}
