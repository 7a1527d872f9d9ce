package science

import (
	"bytes"
	_ "embed"
	"encoding/json"
	"fmt"
	"sort"
	"strconv"
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// fromTyped makes inputs of what was typed into a model's blanks: an empty
// blank is left out, a list is divided by semicolons or line ends, a flag is
// "true" or "false", a list of objects is written as its Form says, and named
// quantities as "before = 50.2 g ± 0.1 g". Its error is of type *InputError.
func (m *Model) fromTyped(blanks map[string]string) (map[string]json.RawMessage, error) {
	inputs := map[string]json.RawMessage{}
	for name, typed := range blanks {
		typed = strings.TrimSpace(typed)
		if typed == "" {
			continue
		}
		var value any = typed
		for _, in := range m.Inputs {
			switch {
			case in.Name != name:
			case in.Unit == "flag" && (typed == "true" || typed == "false"):
				value = typed == "true"
			case strings.HasPrefix(in.Unit, "list of "):
				items, err := values(name, typed)
				if err != nil {
					return nil, err
				}
				value = items
			case in.Unit == "objects", in.Unit == "symbols":
				var err error
				if value, err = in.readObjects(divide(typed)); err != nil {
					return nil, err
				}
			}
		}
		inputs[name], _ = json.Marshal(value)
	}
	return inputs, nil
}

// RunTyped computes a model from what was typed into its blanks. Its error is
// of type *InputError.
func (m *Model) RunTyped(blanks map[string]string) (map[string]Value, error) {
	inputs, err := m.fromTyped(blanks)
	if err != nil {
		return nil, err
	}
	return m.Run(inputs)
}

// readObjects reads typed objects: "9.7 ± 0.2" for a value and its u, "honey
// 1.42 g/mL" for a name and a density, "before = 50.2 g ± 0.1 g" for a symbol.
func (in Input) readObjects(items []string) (any, error) {
	symbols, list := map[string]any{}, []any{}
	for i, item := range items {
		place := fmt.Sprintf("%s[%d]", in.Name, i)
		name, rest := "", item
		switch {
		case in.Unit == "symbols":
			before, after, ok := strings.Cut(item, "=")
			if name, rest = strings.TrimSpace(before), after; !ok || name == "" {
				return nil, wrong(in.Name, "is-no-name-with-a-value", "a", item)
			}
			if symbols[name] != nil {
				return nil, wrong(in.Name, "is-there-twice", "a", name)
			}
		case in.Form == NameDensity:
			digit := strings.IndexAny(item, "0123456789")
			if digit <= 0 {
				return nil, wrong(place, "is-no-name-with-a-density", "a", item)
			}
			list = append(
				list,
				map[string]any{"name": strings.TrimRight(item[:digit], " :=,"), "density": item[digit:]},
			)
			continue
		}
		value, give, said := cutGive(rest)
		object := map[string]any{"value": strings.TrimSpace(value)}
		if said {
			object["u"] = sameUnit(give, value)
		} else if in.Form == ValueU {
			return nil, wrong(place, "has-no-give-or-take-write", "a", item)
		}
		if in.Unit == "symbols" {
			symbols[name] = object
		} else {
			list = append(list, object)
		}
	}
	if in.Unit == "symbols" {
		return symbols, nil
	}
	return list, nil
}

// sameUnit gives a bare number after ± the unit of the value before it.
func sameUnit(give, value string) string {
	g, err1 := quantity.Parse(give)
	v, err2 := quantity.Parse(value)
	if err1 == nil && err2 == nil && g.Unit == quantity.One && v.Unit != quantity.One {
		return give + " " + v.Unit.Symbol
	}
	return give
}

// values divides a typed list of values; where a decimal comma leaves two
// readings it asks.
func values(name, typed string) ([]string, error) {
	items, ok := quantity.Divide(typed)
	if !ok {
		return nil, wrong(name, "may-be-decimals-or-a-list", "a", typed)
	}
	return items, nil
}

// divide splits a typed list of objects. A comma may be a decimal comma and divides
// nothing.
func divide(typed string) []string {
	items := []string{}
	for item := range strings.FieldsFuncSeq(typed, func(r rune) bool { return r == ';' || r == '\n' }) {
		if item = strings.TrimSpace(item); item != "" {
			items = append(items, item)
		}
	}
	return items
}

//go:embed worked.json
var workedFile []byte

// workedInputs holds the inputs of each model's first worked example.
var workedInputs = func() map[string]map[string]any {
	var examples []struct {
		Model  string
		Inputs map[string]any
	}
	decoder := json.NewDecoder(bytes.NewReader(workedFile))
	decoder.UseNumber()
	if err := decoder.Decode(&examples); err != nil {
		panic("science: worked.json: " + err.Error())
	}
	out := map[string]map[string]any{}
	for _, e := range examples {
		if out[e.Model] == nil {
			out[e.Model] = e.Inputs
		}
	}
	return out
}()

// Example is a worked example as it would be typed into the blanks; empty for
// a model that takes a recording.
func (m *Model) Example() map[string]string {
	out := map[string]string{}
	for name, value := range workedInputs[m.ID] {
		switch value := value.(type) {
		case []any:
			words := make([]string, len(value))
			for i, v := range value {
				if o, ok := v.(map[string]any); ok {
					words[i] = typedObject(o)
				} else {
					words[i] = fmt.Sprint(v)
				}
			}
			out[name] = strings.Join(words, "; ")
		case map[string]any:
			words := make([]string, 0, len(value))
			for symbol, v := range value {
				words = append(words, symbol+" = "+typedObject(v.(map[string]any)))
			}
			sort.Strings(words)
			out[name] = strings.Join(words, "; ")
		default:
			out[name] = fmt.Sprint(value)
		}
	}
	return out
}

func typedObject(o map[string]any) string {
	if o["name"] != nil {
		return fmt.Sprint(o["name"], " ", o["density"])
	}
	if o["u"] == nil {
		return fmt.Sprint(o["value"])
	}
	return fmt.Sprint(o["value"], " ± ", o["u"])
}

// Show words an output for a reader of a language: numbers to
// four digits or to their uncertainty, with the unit.
func (v Value) Show(language string) string {
	unit := label(v.Unit) // none for pure numbers
	join := func(words ...string) string { return strings.TrimSpace(strings.Join(words, " ")) }
	switch x := v.Value.(type) {
	case nil:
		return "–"
	case float64:
		if v.Uncertainty != nil {
			d := text.Decimals(x, *v.Uncertainty)
			return join(text.Number(x, d, language), "±", text.Number(*v.Uncertainty, d, language), unit)
		}
		return v.Bare(language)
	case []float64:
		number := func(x float64) string { return text.Number(x, text.Decimals(x, 0), language) }
		return join(strings.Join(each(x, number), "; "), unit)
	case bool:
		if x {
			return text.Of(language).Yes
		}
		return text.Of(language).No
	case string:
		return x
	case []string:
		return list(x, ", ", language)
	case []int:
		return list(each(x, strconv.Itoa), ", ", language)
	case [][]string: // pairs
		return list(each(x, text.Of(language).And), "; ", language)
	case map[string]string:
		words := make([]string, 0, len(x))
		for name, place := range x {
			words = append(words, name+": "+strings.Replace(place, ":", " ", 1))
		}
		sort.Strings(words)
		return list(words, ", ", language)
	}
	raw, _ := json.Marshal(v.Value)
	return string(raw)
}

// each words every one of a list.
func each[T any](items []T, word func(T) string) []string {
	words := make([]string, len(items))
	for i, x := range items {
		words[i] = word(x)
	}
	return words
}

// Bare writes a number without its give or take, but rounded by it.
func (v Value) Bare(language string) string {
	x, ok := v.Value.(float64)
	if !ok {
		return v.Show(language)
	}
	u := 0.0
	if v.Uncertainty != nil {
		u = *v.Uncertainty
	}
	return strings.TrimSpace(text.Number(x, text.Decimals(x, u), language) + " " + label(v.Unit))
}

// Give writes a give or take to one digit, two when the first is 1.
func (v Value) Give(language string) string {
	x, _ := v.Value.(float64)
	unit := label(v.Unit)
	if v.Unit == "°F" || v.Unit == "°C" {
		unit = v.Unit // a difference, in the degrees of the answer
	}
	return strings.TrimSpace(text.Number(x, text.Decimals(x, x), language) + " " + unit)
}

// list joins words; none says so.
func list(words []string, with, language string) string {
	if len(words) > 0 {
		return strings.Join(words, with)
	}
	return text.Render(text.Message{ID: "science.none"}, language)
}
