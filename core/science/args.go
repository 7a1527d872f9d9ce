package science

import (
	"bytes"
	"encoding/base64"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// args reads a model's inputs by their description. A fault ends the run with
// an *InputError, so that models read like their formulas.
type args struct {
	model *Model
	raw   map[string]json.RawMessage
	used  map[string]bool // inputs that the model has looked at
	*working
}

// stop ends the run: input is at fault, for the reason of this code, with its
// arguments in pairs.
func stop(input, code string, pairs ...any) { panic(wrong(input, code, pairs...)) }

// wrong says what is wrong with an input.
func wrong(input, code string, pairs ...any) *InputError {
	why := text.M("science.why."+code, pairs...)
	return &InputError{input, text.Render(why, text.Languages[0]), why}
}

func (a *args) input(name string) Input { return a.model.input(name) }

// has reports whether an input was given.
func (a *args) has(name string) bool {
	raw, ok := a.raw[name]
	return ok && !bytes.Equal(bytes.TrimSpace(raw), []byte("null"))
}

// exactlyOne ends the run unless one of two or three inputs was given.
func (a *args) exactlyOne(names ...string) string {
	given := ""
	n := 0
	for _, name := range names {
		if a.has(name) {
			given = name
			n++
		}
	}
	if n != 1 {
		stop(names[0], "give-exactly-one-of", "a", names)
	}
	return given
}

// forbid ends the run when an input was given that makes no sense here.
func (a *args) forbid(why string, names ...string) {
	for _, n := range names {
		if a.has(n) {
			stop(n, "forbid."+why)
		}
	}
}

// value is an input's JSON, or its default; it ends the run when there is none.
func (a *args) value(in Input) json.RawMessage {
	a.used[in.Name] = true
	if a.has(in.Name) {
		return a.raw[in.Name]
	}
	if in.Default == "" {
		stop(in.Name, "is-missing", "a", hint(in))
	}
	raw, _ := json.Marshal(in.Default)
	return raw
}

// rest ends the run when an input that this model had no use for, in the way
// it was asked, is not of its kind: nothing wrong is passed over in silence.
func (a *args) rest() {
	for _, in := range a.model.Inputs {
		if a.used[in.Name] || !a.has(in.Name) {
			continue
		}
		switch {
		case in.Unit == "choice":
			a.choice(in.Name)
		case in.Unit == "flag":
			a.flag(in.Name)
		case in.Unit == "text":
			a.text(in.Name)
		case in.Unit != "any" && in.Unit != "objects" && in.Unit != "symbols" &&
			!strings.HasPrefix(in.Unit, "list of "):
			a.num(in.Name)
		}
	}
}

// hint says what would do for an input that is missing.
func hint(in Input) text.Message {
	switch in.Unit {
	case "1", "any":
		return text.M("science.why.hint.number")
	case "%":
		return text.M("science.why.hint.percent")
	case "choice":
		return text.M("science.why.hint.choice", "list", in.Options)
	case "text", "flag", "objects", "symbols", "recording":
		return text.Message{}
	}
	return text.M("science.why.hint.quantity", "unit", in.Unit)
}

// num is an input in its unit. Required unless it has a default.
func (a *args) num(name string) float64 {
	in := a.input(name)
	raw := a.value(in)
	v := number(in.Name, raw, in.Unit)
	a.check(in, in.Name, v)
	a.bindAs(in.Unit, name, []json.RawMessage{raw}, false)
	return v
}

// bindAs notes inputs for the working, as they were typed. A plain number
// where a percentage is asked is one.
func (a *args) bindAs(unit, name string, raws []json.RawMessage, series bool) {
	if a.working == nil {
		return
	}
	all := make([]quantity.Quantity, len(raws))
	for i, raw := range raws {
		q, plain := readQuantity(name, raw)
		if plain && unit == "%" {
			q.Unit = quantity.MustUnit("%")
		}
		all[i] = q
	}
	a.bind(name, all, series)
}

// opt is an input that may be left out.
func (a *args) opt(name string) (float64, bool) {
	if !a.has(name) && a.input(name).Default == "" {
		return 0, false
	}
	return a.num(name), true
}

func (a *args) check(in Input, place string, v float64) {
	l := readLimits(in.Limits)
	if !l.allow(v) {
		stop(place, "is-outside-what-is-allowed", "a", v, "b", unitWord(in.Unit), "c", in.Limits)
	}
	if in.Whole && v != math.Trunc(v) {
		stop(place, "is-not-a-whole-number", "a", v)
	}
}

func unitWord(unit string) string {
	if unit == "1" || unit == "any" {
		return ""
	}
	return " " + unit
}

// number reads one JSON value as a number in a unit, by chapter 0 of the
// reference: pure numbers and percentages may be plain, everything else says
// its unit.
func number(place string, raw json.RawMessage, unit string) float64 {
	q, plain := readQuantity(place, raw)
	switch unit {
	case "1":
		if plain {
			return q.Value
		}
		if q.Unit.Dim != quantity.Pure {
			stop(place, "has-the-unit-where-a-plain", "a", q.Unit.Symbol)
		}
		return q.SI()
	case "%":
		if plain {
			return q.Value
		}
		if q.Unit.Symbol != "%" {
			stop(place, "has-the-unit-where-a-percentage", "a", q.Unit.Symbol)
		}
		return q.Value
	}
	want := quantity.MustUnit(unit)
	if plain {
		stop(place, "needs-a-unit-such-as", "a", q.Value, "b", unit)
	}
	in, err := q.In(want)
	if err != nil {
		stop(place, "said", "a", text.Why(err))
	}
	if want.Dim == quantity.Temperature && in.SI() <= 0 {
		stop(place, "lies-below-absolute-zero")
	}
	return in.Value
}

// readQuantity reads a JSON number or a quantity's text; plain is a number
// without a unit.
func readQuantity(place string, raw json.RawMessage) (q quantity.Quantity, plain bool) {
	var v float64
	if json.Unmarshal(raw, &v) == nil {
		return quantity.Quantity{Value: v, Unit: quantity.One}, true
	}
	var s string
	if json.Unmarshal(raw, &s) != nil {
		stop(place, "has-to-be-a-number-or")
	}
	p, err := quantity.Parse(s)
	if err != nil {
		stop(place, "said", "a", text.Why(err))
	}
	if p.IsRange {
		stop(place, "is-a-range-give-one-value", "a", s)
	}
	return p.Quantity, p.Unit == quantity.One
}

// choice is one of an input's options.
func (a *args) choice(name string) string {
	in := a.input(name)
	var s string
	if json.Unmarshal(a.value(in), &s) != nil || !slices.Contains(in.Options, s) {
		stop(name, "has-to-be-one-of", "a", in.Options)
	}
	return s
}

func (a *args) text(name string) string {
	var s string
	if json.Unmarshal(a.value(a.input(name)), &s) != nil {
		stop(name, "has-to-be-a-text")
	}
	return s
}

// recording is the bytes of a file that is given as base64.
func (a *args) recording(name string) []byte {
	file, err := base64.StdEncoding.DecodeString(a.text(name))
	if err != nil {
		stop(name, "has-to-be-a-file-in")
	}
	return file
}

func (a *args) flag(name string) bool {
	if !a.has(name) {
		return false
	}
	var b bool
	if json.Unmarshal(a.raw[name], &b) != nil {
		stop(name, "has-to-be-true-or-false")
	}
	return b
}

// list is a list of at least n numbers, each in the unit after "list of".
func (a *args) list(name string, least int) []float64 {
	in := a.input(name)
	items := a.items(in, least)
	out := make([]float64, len(items))
	for i, raw := range items {
		place := fmt.Sprintf("%s[%d]", name, i)
		out[i] = number(place, raw, in.Unit[len("list of "):])
		a.check(in, place, out[i])
	}
	a.bindAs(in.Unit[len("list of "):], name, items, true)
	return out
}

func (a *args) items(in Input, least int) []json.RawMessage {
	var items []json.RawMessage
	if json.Unmarshal(a.value(in), &items) != nil {
		stop(in.Name, "has-to-be-a-list")
	}
	if len(items) < least {
		stop(in.Name, "needs-at-least-values", "a", least)
	}
	return items
}

// series is a list of plain numbers or of quantities of one dimension, in the
// unit of its first.
type series struct {
	values []float64
	unit   quantity.Unit
}

// any reads a list whose unit is any; several lists of one dimension share
// the unit of the first.
func (a *args) any(name string, least int, like *quantity.Unit) series {
	in := a.input(name)
	s := series{unit: quantity.One}
	plainFirst := false
	items := a.items(in, least)
	for i, raw := range items {
		place := fmt.Sprintf("%s[%d]", name, i)
		q, plain := readQuantity(place, raw)
		if i == 0 {
			plainFirst = plain
			s.unit = q.Unit
			if like != nil {
				s.unit = *like
				plainFirst = like.Symbol == "1"
			}
		}
		if plain != plainFirst {
			stop(place, "plain-numbers-and-quantities-cannot-be")
		}
		v, err := q.In(s.unit)
		if err != nil {
			stop(place, "said", "a", text.Why(err))
		}
		a.check(in, place, v.Value)
		s.values = append(s.values, v.Value)
	}
	a.bindAs("any", name, items, true)
	return s
}

// like reads an input of any dimension as a difference in a unit, so that a
// scatter of 1.8 °F beside readings in °C is 1 °C.
func (a *args) like(name string, unit quantity.Unit) float64 {
	in := a.input(name)
	q, _ := readQuantity(name, a.value(in))
	if q.Unit.Dim != unit.Dim {
		stop(name, "is-a-where-a-is-asked", "a", q.Unit.Dim.Words(), "b", unit.Dim.Words())
	}
	v := q.Value * q.Unit.Factor / unit.Factor
	a.check(in, name, v)
	if unit.Dim == quantity.Temperature { // a difference
		a.know(name, v*unit.Factor, "K")
	} else {
		a.know(name, v, unit.Symbol)
	}
	return v
}

// unitOf is the unit an input of any dimension was given in.
func (a *args) unitOf(name string) quantity.Unit {
	q, _ := readQuantity(name, a.value(a.input(name)))
	return q.Unit
}

// objects reads a list of JSON objects.
func objects[T any](a *args, name string, least int) []T {
	in := a.input(name)
	if !a.has(name) && in.Optional {
		return nil
	}
	items := a.items(in, least)
	out := make([]T, len(items))
	for i, raw := range items {
		d := json.NewDecoder(bytes.NewReader(raw))
		d.DisallowUnknownFields()
		if err := d.Decode(&out[i]); err != nil {
			var e *json.UnmarshalTypeError
			if errors.As(err, &e) {
				err = fmt.Errorf("%s has the wrong kind of value", e.Field)
			}
			stop(fmt.Sprintf("%s[%d]", name, i), "said", "a", text.Why(err))
		}
	}
	return out
}
