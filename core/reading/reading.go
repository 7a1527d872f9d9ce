package reading

import (
	"embed"
	"math"
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Asked is a measured value as it is asked, with the tool it is taken with.
// What is left empty is not known.
type Asked struct {
	Unit          string         `json:"unit" doc:"The unit beside the field" example:"mm"`
	Low           string         `json:"low,omitempty" doc:"The physical least, such as 0 mm"`
	High          string         `json:"high,omitempty" doc:"The physical most"`
	Repeatability string         `json:"repeatability,omitempty" doc:"How far two tries of the same thing differ"`
	Step          string         `json:"step,omitempty" doc:"The tool's smallest step, such as 1 g"`
	Analogue      bool           `json:"analogue,omitempty" doc:"The tool is a scale read by eye to half a division"`
	Tool          text.Localized `json:"tool,omitempty" doc:"What the tool is called"`
	Apart         string         `json:"apart,omitempty" doc:"How far the things that a home chose have to differ, such as 20 mm"`
	Others        []Other        `json:"others,omitempty" doc:"The same reading of the other things"`
}

// Other is the same reading of another thing that the home chose.
type Other struct {
	Name  string `json:"name"`
	Typed string `json:"typed"`
}

// Writer says in whose language and measures something was typed.
type Writer struct {
	Language string
	System   quantity.System
}

// Check is something to look at once more before a value is kept. The writer
// may always keep it.
type Check struct {
	Code    string
	Message text.Message
}

// Understood is a typed value as a reading takes it.
type Understood struct {
	Kind     quantity.Kind
	Value    quantity.Quantity // in the unit typed, with u of tool and repeatability
	Typed    quantity.Typed
	Message  text.Message // for a question or a text that was not read
	Checks   []Check
	InUnit   quantity.Quantity // the same in the reading's own unit; of a bound its limit, without u
	Typical  quantity.Typed    // as typed, in the reading's own unit
	Readable bool              // there is a value to compute with
}

// Understand reads what was typed for a reading. u is √(u_tool² +
// repeatability² + u_typed²), u_typed coming from a range, an about or a ± in
// the text. Where °C or °F is open and the reading's limits leave only one of
// them, that one is taken and shown back.
func Understand(a Asked, typed string, w Writer) Understood {
	f, ok := quantity.FieldFor(a.Unit, w.Language, w.System)
	if !ok {
		return Understood{
			Kind:    quantity.Unread,
			Typed:   quantity.Typed{Text: typed},
			Message: quantity.Asked("unknown-unit", a.Unit, "5 mm"),
		}
	}
	unit, _ := quantity.LookupUnit(a.Unit)
	t := quantity.ParseTyped(typed, f)
	if t.Code == "celsius-or-fahrenheit" {
		t = a.byLimits(t, f)
	}
	u := Understood{Kind: t.Kind, Typed: t}
	switch t.Kind {
	case quantity.Missing:
		return u
	case quantity.Question, quantity.Unread:
		u.Message = quantity.Asked(t.Code, t.Read, example(unit, w.Language))
		return u
	}
	in, err := t.Converted(unit)
	if err != nil {
		u.Kind, u.Message = quantity.Question, quantity.Asked(
			"wrong-dimension",
			t.Unit.Symbol,
			example(unit, w.Language),
		)
		return u
	}
	u.Typical = in
	if t.Kind == quantity.Bound {
		u.InUnit = quantity.Quantity{Value: in.Value, Unit: unit}
		return u
	}
	si := in.USI()
	if step, ok := quantity.ParseOK(a.Step); ok {
		si = math.Hypot(si, quantity.Resolution{Step: step.Unit.Factor * step.Value, Analogue: a.Analogue}.U())
	}
	if rep, ok := quantity.ParseOK(a.Repeatability); ok {
		si = math.Hypot(si, rep.Value*rep.Unit.Factor)
	}
	u.InUnit, u.Readable = quantity.FromSI(in.SI(), si, unit), true
	u.Value = quantity.FromSI(t.SI(), si, t.Unit)
	if u.Typical.Decimals < 0 && u.InUnit.U > 0 {
		u.Typical.Decimals = min(
			text.Decimals(u.InUnit.Value, u.InUnit.U),
			text.Decimals(u.InUnit.Value, 0),
		) // never more than was typed
	}
	if t.Unit.Dim != unit.Dim { // drops
		u.Value = u.InUnit
	}
	u.Checks = append(a.checks(u, typed), a.alike(u, w)...)
	return u
}

// alike finds another thing that is too like this one to be told from it.
func (a Asked) alike(u Understood, w Writer) []Check {
	least, ok := quantity.ParseOK(a.Apart)
	if !ok {
		return nil
	}
	for _, o := range a.Others {
		plain := a
		plain.Others = nil
		if other := Understand(plain, o.Typed, w); other.Readable {
			if c, alike := TooAlike(u.InUnit, other.InUnit, least.Quantity, o.Name); alike {
				return []Check{c}
			}
		}
	}
	return nil
}

// TooAlike reports whether two things differ by less than they should in one of their
// readings, and what to say of it. name is what the home calls the other one.
func TooAlike(value, other, least quantity.Quantity, name string) (Check, bool) {
	apart := math.Abs(value.SI() - other.SI())
	if apart >= least.SI() || value.Unit.Dim != least.Unit.Dim || other.Unit.Dim != least.Unit.Dim {
		return Check{}, false
	}
	difference := quantity.Quantity{Value: apart / value.Unit.Factor, Unit: value.Unit}
	decimals := text.Decimals(least.SI()/value.Unit.Factor, 0)
	scale := math.Pow(10, float64(max(decimals, 1)))
	difference.Value = math.Round(difference.Value*scale) / scale
	least.U = 0
	return Check{"too-alike", text.Message{
		ID:   "reading.check.too-alike",
		Args: text.Args{"name": name, "apart": difference, "least": least},
	}}, true
}

// byLimits answers °C or °F where the reading's limits leave only one.
func (a Asked) byLimits(t quantity.Typed, f quantity.Field) quantity.Typed {
	low, hasLow := quantity.ParseOK(a.Low)
	high, hasHigh := quantity.ParseOK(a.High)
	if !hasLow && !hasHigh {
		return t
	}
	var only []quantity.Typed
	for _, offer := range t.Offers {
		o := quantity.ParseTyped(offer, f)
		if o.Kind == quantity.Value && (!hasLow || o.SI() >= low.SI()) && (!hasHigh || o.SI() <= high.SI()) {
			only = append(only, o)
		}
	}
	if len(only) != 1 {
		return t
	}
	o := only[0]
	o.Text, o.UnitAssumed, o.Confirm = t.Text, true, true
	return o
}

func example(unit quantity.Unit, language string) string {
	return quantity.Quantity{Value: 8.5, Unit: unit}.Show(language)
}

// checks finds what is worth a second look: physical limits, and more
// decimals than the tool shows. They repeat what was typed and never hint at
// what is expected.
func (a Asked) checks(u Understood, typed string) []Check {
	var out []Check
	add := func(code string) {
		out = append(
			out,
			Check{
				code,
				text.Message{
					ID:   "reading.check." + code,
					Args: text.Args{"typed": strings.TrimSpace(typed), "tool": a.Tool},
				},
			},
		)
	}
	low, hasLow := quantity.ParseOK(a.Low)
	high, hasHigh := quantity.ParseOK(a.High)
	if hasLow && u.InUnit.SI() < low.SI() || hasHigh && u.InUnit.SI() > high.SI() {
		add("look-again")
	}
	if step, ok := quantity.ParseOK(a.Step); ok && !a.Analogue && !u.Typed.IsRange && step.Unit == u.Typed.Unit &&
		step.Value > 0 {
		k := u.Typed.Value / step.Value
		if math.Abs(k-math.Round(k)) > 1e-6*math.Max(1, math.Abs(k)) {
			add("decimals")
		}
	}
	return out
}

// Reply is what a family sees of a reading that was typed.
type Reply struct {
	State    string   `json:"state,omitempty" enum:"value,bound,question,missing,unread" doc:"Of a reading: what the typed text turned out to be"`
	Echo     string   `json:"echo,omitempty" doc:"What was understood, in the reading's unit" example:"about 25 mm"`
	Confirm  bool     `json:"confirm,omitempty" doc:"The echo differs in more than the unit's spelling: it is shown back and confirmed with one tap"`
	About    bool     `json:"about,omitempty" doc:"It was typed as about, and its give or take is widened"`
	Assumed  bool     `json:"assumed,omitempty" doc:"No unit was typed; the one beside the field was taken"`
	Messages []string `json:"messages,omitempty" doc:"A question, or something to look at once more"`
	Offers   []string `json:"offers,omitempty" doc:"Texts that would answer the question" example:"72 °F"`
}

// Reply words what was understood for a reader of a language.
func (u Understood) Reply(language string) Reply {
	r := Reply{
		State:   string(u.Kind),
		Assumed: u.Typed.UnitAssumed,
		Confirm: u.Typed.Confirm,
		About:   u.Typed.Approximate,
		Offers:  u.Typed.Offers,
	}
	if u.Readable || u.Kind == quantity.Bound {
		r.Echo = text.Render(quantity.Echo(u.Typical), language)
	}
	if u.Message.ID != "" {
		r.Messages = append(r.Messages, text.Render(u.Message, language))
	}
	for _, c := range u.Checks {
		r.Messages = append(r.Messages, text.Render(c.Message, language))
	}
	return r
}
