package science

import (
	"bytes"
	_ "embed"
	"encoding/json"
	"fmt"
	"strings"

	"patient-kitchen/core/quantity"
)

// Typed reports whether every input can be typed into a blank: lists of
// objects, named quantities and recordings cannot.
func (m *Model) Typed() bool {
	for _, in := range m.Inputs {
		switch in.Unit {
		case "objects", "symbols", "recording":
			return false
		}
	}
	return true
}

// RunTyped computes a model from what was typed into its blanks: an empty
// blank is left out, a list is divided by semicolons or line ends, a flag is
// "true" or "false". Its error is of type *InputError.
func (m *Model) RunTyped(blanks map[string]string) (map[string]Value, error) {
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
				value = divide(typed)
			}
		}
		inputs[name], _ = json.Marshal(value)
	}
	return m.Run(inputs)
}

// divide splits a typed list. A comma may be a decimal comma and divides
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
// a model that cannot be typed.
func (m *Model) Example() map[string]string {
	out := map[string]string{}
	if !m.Typed() {
		return out
	}
	for name, value := range workedInputs[m.ID] {
		if list, ok := value.([]any); ok {
			words := make([]string, len(list))
			for i, v := range list {
				words[i] = fmt.Sprint(v)
			}
			out[name] = strings.Join(words, "; ")
			continue
		}
		out[name] = fmt.Sprint(value)
	}
	return out
}

// Show words an output for a reader of a language ("en", "es"): numbers to
// four digits or to their uncertainty, with the unit.
func (v Value) Show(language string) string {
	unit := v.Unit
	if u, ok := quantity.LookupUnit(unit); ok {
		unit = u.Label() // none for pure numbers
	}
	number := func(x float64) string { return quantity.Number(x, quantity.Decimals(x, 0), language) }
	join := func(words ...string) string { return strings.TrimSpace(strings.Join(words, " ")) }
	switch x := v.Value.(type) {
	case nil:
		return "–"
	case float64:
		if v.Uncertainty != nil {
			d := quantity.Decimals(x, *v.Uncertainty)
			return join(quantity.Number(x, d, language), "±", quantity.Number(*v.Uncertainty, d, language), unit)
		}
		return join(number(x), unit)
	case []float64:
		words := make([]string, len(x))
		for i := range x {
			words[i] = number(x[i])
		}
		return join(strings.Join(words, "; "), unit)
	case bool:
		yes, no := "yes", "no"
		if language == "es" {
			yes, no = "sí", "no"
		}
		if x {
			return yes
		}
		return no
	case string:
		return x
	}
	raw, _ := json.Marshal(v.Value)
	return string(raw)
}
