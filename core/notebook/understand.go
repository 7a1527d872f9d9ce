package notebook

import (
	"embed"
	"math"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Check is something to look at once more before a value is kept. The writer
// may always keep it.
type Check struct {
	Code    string
	Message text.Message
}

// Understood is a typed value as this experiment reads it.
type Understood struct {
	Kind     quantity.Kind
	Value    quantity.Quantity // in the unit typed, with u of instrument and repeatability
	Typed    quantity.Typed
	Message  text.Message // for a question or a text that was not read
	Checks   []Check
	InUnit   quantity.Quantity // the same in the reading's own unit
	Readable bool              // there is a value to compute with
}

// Writer says in whose language and measures something was typed.
type Writer struct {
	Language string
	System   quantity.System
}

// Understand reads what was typed for a reading with an instrument ("" is the
// usual one). u is √(u_instrument² + repeatability² + u_typed²), u_typed
// coming from a range or "±" in the text.
func Understand(r *design.Reading, instrument, typed string, w Writer) Understood {
	unit, ok := quantity.LookupUnit(r.Unit)
	if !ok {
		return Understood{Kind: quantity.Unread, Typed: quantity.Typed{Text: typed}, Message: text.Quantity("unknown-unit", r.Unit, "5 mm")}
	}
	t := quantity.ParseTyped(typed, quantity.Field{Dim: unit.Dim, Unit: r.Unit, Language: w.Language, System: w.System})
	u := Understood{Kind: t.Kind, Typed: t}
	if t.Kind == quantity.Question || t.Kind == quantity.Unread {
		u.Message = text.Quantity(t.Code, t.Read, example(unit, w.Language))
		return u
	}
	if t.Kind != quantity.Value {
		return u
	}
	in, hasTool := r.Instrument(instrument)
	si := t.USI()
	if hasTool {
		if step, err := quantity.Parse(in.Resolution); err == nil {
			si = math.Hypot(si, quantity.Resolution{Step: step.Unit.Factor * step.Value, Analogue: in.Analogue}.U())
		}
	}
	if rep, err := quantity.Parse(r.Repeatability); err == nil {
		si = math.Hypot(si, rep.Value*rep.Unit.Factor)
	}
	u.Value = quantity.FromSI(t.SI(), si, t.Unit)
	inUnit, err := u.Value.In(unit)
	if err != nil { // a count typed into a volume, for one
		u.Kind, u.Message = quantity.Question, text.Quantity("wrong-dimension", t.Unit.Symbol, example(unit, w.Language))
		return u
	}
	u.InUnit, u.Readable = inUnit, true
	u.Checks = checks(r, in, hasTool, u, typed)
	return u
}

func example(unit quantity.Unit, language string) string {
	return quantity.Quantity{Value: 8.5, Unit: unit}.Show(language)
}

// checks finds what is worth a second look: physical limits, and more
// decimals than the tool shows.
func checks(r *design.Reading, in design.Instrument, hasTool bool, u Understood, typed string) []Check {
	var out []Check
	add := func(code string) {
		out = append(out, Check{code, text.Message{ID: "notebook.check." + code, Args: text.Args{"typed": typed, "tool": in.Name}}})
	}
	low, errLow := quantity.Parse(r.Low)
	high, errHigh := quantity.Parse(r.High)
	if errLow == nil && u.Value.SI() < low.SI() || errHigh == nil && u.Value.SI() > high.SI() {
		add("look-again")
	}
	if hasTool && !in.Analogue && !u.Typed.IsRange {
		if step, err := quantity.Parse(in.Resolution); err == nil && step.Unit == u.Typed.Unit && step.Value > 0 {
			k := u.Typed.Value / step.Value
			if math.Abs(k-math.Round(k)) > 1e-6*math.Max(1, math.Abs(k)) {
				add("decimals")
			}
		}
	}
	return out
}
