package science

import (
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
)

func init() {
	register(Model{Number: 37, ID: "typed-reading", Group: "read", Main: "value",
		Inputs: []Input{
			{Name: "text", Unit: "text", Help: "as-it-was-typed-into-the-field"},
			{Name: "unit", Unit: "text", Help: "the-unit-beside-the-field-such-as-mm"},
			{Name: "language", Unit: "text", Default: "en", Help: "of-the-writer"},
			{Name: "measures", Unit: "choice", Options: []string{"us", "metric", "uk", "au"}, Default: "metric"},
		},
		Outputs: []Output{
			{"state", "", ""},
			{"value", "as the field", "uncertainty"},
			{"low", "as the field", ""},
			{"high", "as the field", ""},
			{"uncertainty", "as the field", ""},
			{"echo", "", ""},
			{"message", "", ""},
			{"confirm", "", ""},
			{"about", "", ""},
			{"offers", "", ""},
		},
		run: typedReading})
}

// typedReading is what the phone makes of a text: the value in the field's unit
// (of a range its middle), its ends where it has any, and what is shown back.
func typedReading(a *args) results {
	unit, ok := quantity.LookupUnit(a.text("unit"))
	if !ok {
		stop("unit", "is-no-unit-give-one-such", "a", a.text("unit"))
	}
	language := a.text("language")
	u := reading.Understand(
		reading.Asked{Unit: unit.Symbol},
		a.text("text"),
		reading.Writer{Language: language, System: quantity.System(a.choice("measures"))},
	)
	reply := u.Reply(language)
	out := results{"state": {Value: reply.State}, "confirm": {Value: reply.Confirm}, "about": {Value: reply.About}}
	if reply.Echo != "" {
		out["echo"] = Value{Value: strings.ReplaceAll(reply.Echo, "\u00a0", " ")}
	}
	if len(reply.Messages) > 0 {
		out["message"] = Value{Value: strings.Join(reply.Messages, " ")}
	}
	if len(reply.Offers) > 0 {
		out["offers"] = Value{Value: reply.Offers}
	}
	in := func(v float64) Value { return num(v, unit.Symbol) }
	switch {
	case u.Readable:
		out["value"], out["uncertainty"] = in(u.InUnit.Value), in(u.InUnit.U)
		if u.Typical.Low != u.Typical.High {
			out["low"], out["high"] = in(u.Typical.Low), in(u.Typical.High)
		}
	case u.Kind == quantity.Bound && u.Typed.Below:
		out["high"] = in(u.InUnit.Value)
	case u.Kind == quantity.Bound:
		out["low"] = in(u.InUnit.Value)
	}
	return out
}
