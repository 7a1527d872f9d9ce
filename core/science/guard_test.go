package science

import (
	"encoding/json"
	"fmt"
	"maps"
	"math"
	"slices"
	"strings"
	"testing"
)

// Every input of every model is guarded: in a worked example, whatever stands
// in the place of one input is either computed or refused by that input's
// name, and never is an answer infinite or the program at fault. A model that
// is added later is in the table by itself.
func TestEveryInputIsGuarded(t *testing.T) {
	hostile := []string{
		`"7 s"`,
		`"7 g"`,
		`"7 mL"`,
		`"-1 cm"`,
		`"45 deg"`,
		`"1e300 m"`,
		`0`,
		`-1`,
		`1e308`,
		`"NaN"`,
		`"Infinity"`,
		`"0x10"`,
		`"2-3 g"`,
		`""`,
		`" "`,
		`true`,
		`{}`,
		`[]`,
		`[[]]`,
		`[null]`,
		`["7 g", "7 mL"]`,
		`"lemon"`,
		`"\u0000"`,
	}
	tried := 0
	for _, m := range Models() {
		example := workedInputs[m.ID]
		if example == nil {
			continue // a recording; signal has tests of its own
		}
		for _, in := range m.Inputs {
			for _, value := range hostile {
				inputs := map[string]json.RawMessage{}
				for name, v := range example {
					inputs[name], _ = json.Marshal(v)
				}
				inputs[in.Name] = json.RawMessage(value)
				out, err := m.Run(inputs)
				tried++
				if err != nil {
					bad, ok := err.(*InputError)
					if !ok || bad.Message == "" {
						t.Errorf("%s, %s = %s: %v is no input error", m.ID, in.Name, value, err)
					}
					place, _, _ := strings.Cut(bad.Input, "[")
					place, _, _ = strings.Cut(place, ".")
					if place != "" && !slices.ContainsFunc(m.Inputs, func(i Input) bool { return i.Name == place }) {
						t.Errorf(
							"%s, %s = %s: the error is about %q, which is no input",
							m.ID,
							in.Name,
							value,
							bad.Input,
						)
					}
					continue
				}
				for name, v := range out {
					if !finite(v.Value) {
						t.Errorf("%s, %s = %s: %s is %v", m.ID, in.Name, value, name, v.Value)
					}
				}
			}
		}
	}
	if tried < 2000 {
		t.Errorf("only %d tried", tried)
	}
}

// An input of the wrong kind is refused, and by its name.
func TestWrongKindsAreNamed(t *testing.T) {
	for _, m := range Models() {
		example := workedInputs[m.ID]
		for _, in := range m.Inputs {
			wrong := map[string]string{"flag": `"yes"`, "choice": `"neither"`, "text": `[]`, "symbols": `7`,
				"objects": `7`, "recording": `7`, "any": `{}`}[in.Unit]
			switch {
			case wrong != "":
			case strings.HasPrefix(in.Unit, "list of "):
				wrong = `"7 g"`
			case in.Unit == "g" || in.Unit == "kg":
				wrong = `"7 mL"`
			default:
				wrong = `"7 g"`
			}
			if in.Unit == "g/mL" || in.Unit == "g/mol" {
				wrong = `"7 cm"`
			}
			inputs := map[string]json.RawMessage{}
			for name, v := range example {
				inputs[name], _ = json.Marshal(v)
			}
			_, given := inputs[in.Name]
			inputs[in.Name] = json.RawMessage(wrong)
			_, err := m.Run(inputs)
			if err == nil {
				t.Errorf("%s takes %s = %s", m.ID, in.Name, wrong)
				continue
			}
			// An input beside the example may exclude another, which is said first.
			if place := err.(*InputError).Input; given && !strings.HasPrefix(place, in.Name) {
				t.Errorf("%s, %s = %s: the error is about %q: %v", m.ID, in.Name, wrong, place, err)
			}
		}
	}
}

// What one model works out, its counterpart gives back.
func TestCounterparts(t *testing.T) {
	value := func(model, output, inputs string) float64 {
		t.Helper()
		out, err := run(t, model, inputs)
		if err != nil {
			t.Fatalf("%s %s: %v", model, inputs, err)
		}
		return out[output].Value.(float64)
	}
	near := func(what string, got, want float64) {
		t.Helper()
		if math.Abs(got-want) > 1e-9*math.Abs(want) {
			t.Errorf("%s: %.12g, want %.12g", what, got, want)
		}
	}
	for _, gas := range []float64{0.1, 0.7, 3} {
		for _, place := range []string{`"temperature": "0 °C"`, `"altitude": "1500 m"`,
			`"pressure": "95 kPa", "temperature": "77 °F"`} {
			recipe := fmt.Sprintf(
				`{"acid": "citric", "carbonate": "sodium-bicarbonate", "gas_volume": "%g L", %s}`,
				gas,
				place,
			)
			acid, carbonate := value("fizz-recipe", "acid_mass", recipe), value("fizz-recipe", "carbonate_mass", recipe)
			near(
				"gas of its recipe",
				value(
					"fizz",
					"gas_volume",
					fmt.Sprintf(
						`{"acid": "citric", "acid_mass": "%.15g g", "carbonate": "sodium-bicarbonate",
							"carbonate_mass": "%.15g g", %s}`,
						acid,
						carbonate,
						place,
					),
				),
				gas,
			)
		}
	}
	for _, cm := range []float64{5, 24.8, 300} {
		period := value("pendulum", "period", fmt.Sprintf(`{"length": "%g cm", "amplitude": "20 deg"}`, cm))
		near(
			"length of its period",
			value("pendulum", "length", fmt.Sprintf(`{"period": "%.15g s", "amplitude": "20 deg"}`, period)),
			cm,
		)
		// The series makes a wide swing slower; four times the length takes twice as long.
		if wide := value("pendulum", "period", fmt.Sprintf(`{"length": "%g cm", "amplitude": "60 deg"}`,
			cm)); wide <= period {
			t.Errorf("a wider swing of %g cm takes %g s, not longer than %g s", cm, wide, period)
		}
		near(
			"four times the length",
			value("pendulum", "period", fmt.Sprintf(`{"length": "%g cm", "amplitude": "20 deg"}`, 4*cm)),
			2*period,
		)
	}
	for _, note := range []string{"A0", "C4", "F#5", "Bb3", "B7"} {
		f := value("pitch", "frequency", `{"note": "`+note+`"}`)
		if cents := value("pitch", "cents", fmt.Sprintf(`{"frequency": "%.15g Hz"}`, f)); math.Abs(cents) > 1e-6 {
			t.Errorf("%s is %g cents off itself", note, cents)
		}
		near(
			"an octave above "+note,
			value("pitch", "frequency", fmt.Sprintf(`{"note": "%s"}`, note[:len(note)-1]+string(note[len(note)-1]+1))),
			2*f,
		)
	}
	// Turned round, two groups differ by as much the other way.
	a, b := `["4.1 cm", "4.4 cm", "3.9 cm", "4.6 cm"]`, `["5.0 cm", "4.7 cm", "5.3 cm", "4.9 cm"]`
	for _, mode := range []string{"welch", "paired"} {
		there, back := `{"mode": "`+mode+`", "a": `+a+`, "b": `+b+`}`, `{"mode": "`+mode+`", "a": `+b+`, "b": `+a+`}`
		near(
			mode+" turned round",
			value("compare-groups", "difference", there),
			-value("compare-groups", "difference", back),
		)
		near(mode+" turned round, p", value("compare-groups", "p", there), value("compare-groups", "p", back))
	}
	// A line through points of a line has no spread; another unit of y scales it.
	line := value("line-fit", "slope", `{"x": [0, 1, 2, 5], "y": ["1 cm", "3 cm", "5 cm", "11 cm"]}`)
	near("the slope of a line", line, 2)
	near(
		"the same in mm",
		value("line-fit", "slope", `{"x": [0, 1, 2, 5], "y": ["10 mm", "30 mm", "50 mm", "110 mm"]}`),
		20,
	)
}

// A percentage may be written as one or as a share, an amount in any unit of
// its kind: each example, its numbers rewritten, gives the same.
func TestSpellingsDoNotMatter(t *testing.T) {
	rewrite := strings.NewReplacer(
		" mL",
		" mL ",
		" cm",
		" centimetres",
		" min",
		" minutes",
		" °C",
		"°C",
		" g",
		" grams",
	)
	for _, m := range Models() {
		if m.takesFile() || m.ID == "quantity-parse" || m.ID == "typed-reading" || m.ID == "formula" ||
			m.ID == "layers" {
			continue
		}
		example := m.Example()
		other := maps.Clone(example)
		for _, in := range m.Inputs {
			if _, given := other[in.Name]; given && in.Unit != "text" && in.Unit != "choice" && in.Unit != "objects" &&
				!strings.Contains(in.Unit, "/") {
				other[in.Name] = " " + rewrite.Replace(other[in.Name]+" ")
			}
		}
		want, err1 := m.RunTyped(example)
		got, err2 := m.RunTyped(other)
		if err1 != nil || err2 != nil {
			t.Errorf("%s: %v, %v of %v", m.ID, err1, err2, other)
			continue
		}
		for name, w := range want {
			if g, ok := w.Value.(float64); ok && math.Abs(got[name].Value.(float64)-g) > 1e-9*math.Abs(g) {
				t.Errorf("%s: %s is %v and %v", m.ID, name, w.Value, got[name].Value)
			}
		}
	}
}
