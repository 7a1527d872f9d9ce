package science

import (
	"encoding/json"
	"errors"
	"math"
	"os"
	"reflect"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

type worked struct {
	Model, Title string
	Inputs       map[string]json.RawMessage
	Outputs      map[string]struct {
		Value any
		Unit  string
	}
}

// Every worked example of the model reference, which were computed there by
// two separately written programs, six digits given; those of models that the
// reference does not have were worked by hand.
func TestWorkedExamples(t *testing.T) {
	raw, err := os.ReadFile("worked.json")
	if err != nil {
		t.Fatal(err)
	}
	var examples []worked
	if err := json.Unmarshal(raw, &examples); err != nil {
		t.Fatal(err)
	}
	seen := map[string]int{}
	for _, e := range examples {
		m, ok := Find(e.Model)
		if !ok {
			t.Errorf("there is no model %s", e.Model)
			continue
		}
		seen[e.Model]++
		got, err := m.Run(e.Inputs)
		if err != nil {
			t.Errorf("%s, %s: %v", e.Model, e.Title, err)
			continue
		}
		for name, want := range e.Outputs {
			v, ok := got[name]
			if !ok || !same(v, want.Value, want.Unit) {
				t.Errorf(
					"%s, %s: %s = %v %s, want %v %s",
					e.Model,
					e.Title,
					name,
					v.Value,
					v.Unit,
					want.Value,
					want.Unit,
				)
			}
		}
		for _, o := range m.Outputs {
			if _, ok := got[o.Name]; !ok {
				t.Errorf("%s leaves %s out", e.Model, o.Name)
			}
		}
	}
	if len(examples) < 90 || len(seen) < 32 {
		t.Errorf("%d examples of %d models", len(examples), len(seen))
	}
}

func same(v Value, want any, unit string) bool {
	if n, ok := want.(float64); ok {
		got, ok := v.Value.(float64)
		if !ok {
			return false
		}
		if unit != "" && unit != v.Unit {
			from, ok1 := quantity.LookupUnit(v.Unit)
			to, ok2 := quantity.LookupUnit(unit)
			if !ok1 || !ok2 || from.Dim != to.Dim {
				return false
			}
			got = quantity.FromSI(got*from.Factor+from.Offset, 0, to).Value
		}
		return math.Abs(got-n) <= 6e-6*math.Abs(n)+1e-9
	}
	if list, ok := want.([]any); ok {
		got := reflect.ValueOf(v.Value)
		if got.Kind() != reflect.Slice || got.Len() != len(list) {
			return false
		}
		for i := range list {
			item := Value{Value: got.Index(i).Interface()}
			if n, ok := item.Value.(int); ok {
				item.Value = float64(n)
			}
			if !same(item, list[i], "") {
				return false
			}
		}
		return true
	}
	a, _ := json.Marshal(v.Value)
	b, _ := json.Marshal(want)
	return string(a) == string(b)
}

// exampleInputs are the inputs of all of a model's worked examples.
func exampleInputs(t *testing.T, id string) []map[string]json.RawMessage {
	t.Helper()
	var examples []worked
	if err := json.Unmarshal(workedFile, &examples); err != nil {
		t.Fatal(err)
	}
	var out []map[string]json.RawMessage
	for _, e := range examples {
		if e.Model == id {
			out = append(out, e.Inputs)
		}
	}
	return out
}

// takesFile is a model whose example cannot be typed.
func (m *Model) takesFile() bool {
	return slices.ContainsFunc(m.Inputs, func(in Input) bool { return in.Unit == "recording" })
}

// at is a value as a quantity.
func at(v Value) quantity.Quantity { return quantity.New(v.Value.(float64), v.Unit) }

func run(t *testing.T, model, inputs string) (map[string]Value, *InputError) {
	t.Helper()
	m, ok := Find(model)
	if !ok {
		t.Fatalf("no model %s", model)
	}
	var raw map[string]json.RawMessage
	if err := json.Unmarshal([]byte(inputs), &raw); err != nil {
		t.Fatalf("%s: %v", inputs, err)
	}
	out, err := m.Run(raw)
	var bad *InputError
	if err != nil && !errors.As(err, &bad) {
		t.Fatalf("%s %s: %v is no input error", model, inputs, err)
	}
	return out, bad
}

// Bad input names the input and says why; chapter 0 of the reference.
func TestBadInput(t *testing.T) {
	pendulum := func(more string) string { return `{"length": "1 m"` + more + `}` }
	for _, c := range []struct{ model, inputs, input, says string }{
		{"pendulum", pendulum(`, "colour": "red"`), "colour", "not an input"},
		{"pendulum", `{"length": 1}`, "length", "needs a unit"},
		{"pendulum", `{"length": "1"}`, "length", "needs a unit"},
		{"pendulum", `{"length": "1 g"}`, "length", "mass"},
		{"pendulum", `{"length": "1-2 m"}`, "length", "range"},
		{"pendulum", `{"length": "one m"}`, "length", "not a number"},
		{"pendulum", `{"length": true}`, "length", "number or a text"},
		{"pendulum", `{"length": "0 m"}`, "length", "outside what is allowed"},
		{"pendulum", `{}`, "length", "exactly one"},
		{"pendulum", `{"length": null}`, "length", "exactly one"},
		{"pendulum", pendulum(`, "period": "2 s"`), "length", "exactly one"},
		{"pendulum", pendulum(`, "amplitude": 10`), "amplitude", "needs a unit"},
		{"pendulum", pendulum(`, "amplitude": "91 deg"`), "amplitude", "outside"},
		{"pendulum", pendulum(`, "swings": "5 deg"`), "swings", "plain number"},
		{"fizz", `{"acid": "lemon"}`, "acid", "one of"},
		{"fizz", `{"acid": "acetic", "carbonate": "calcium-carbonate", "acid_mass": "5 g", "carbonate_mass": "5 g"}`,
			"acid_mass", "not a powder"},
		{"fizz", `{"acid": "citric", "carbonate": "calcium-carbonate", "acid_mass": "5 g", "acid_strength": 5,
			"carbonate_mass": "5 g"}`, "acid_strength", "not with a powder"},
		{"fizz", `{"acid": "citric", "carbonate": "calcium-carbonate", "acid_volume": "5 mL", "carbonate_mass": "5 g"}`,
			"acid_strength", "missing"},
		{"fizz", `{"acid": "citric", "carbonate": "calcium-carbonate", "acid_mass": "0 g", "carbonate_mass": "0 g"}`,
			"carbonate_mass", "both be nothing"},
		{"fizz", `{"acid": "citric", "carbonate": "calcium-carbonate", "acid_mass": "1 g", "carbonate_mass": "1 g",
			"pressure": "1 bar", "altitude": "5 m"}`, "pressure", "not both"},
		{"fizz", `{"acid": "citric", "carbonate": "calcium-carbonate", "acid_mass": "1 g", "carbonate_mass": "1 g",
			"temperature": "-300 °C"}`, "temperature", "absolute zero"},
		{"fizz", `{"acid": "citric", "carbonate": "calcium-carbonate", "acid_mass": "1 tsp", "carbonate_mass": "1 g"}`,
			"acid_mass", "volume"},
		{"spoon-mass", `{"masses": ["5 g"]}`, "masses", "at least 2"},
		{"spoon-mass", `{"masses": ["5 g", "6 g", 7]}`, "masses[2]", "needs a unit"},
		{"spoon-mass", `{"masses": ["5 g", "0 g"]}`, "masses[1]", "outside"},
		{"spoon-mass", `{"masses": "5 g"}`, "masses", "list"},
		{"raft", `{"length": "20 cm", "width": "10 cm", "height": "2 cm", "mass": "900 g", "load_mass": "8 g"}`, "mass",
			"sinks"},
		{"raft", `{"length": "20 cm", "width": "10 cm", "height": "2 cm", "mass": "40 g", "load_mass": "8 g",
			"loads": 2.5}`, "loads", "whole"},
		{"raft", `{"length": "20 cm", "width": "10 cm", "height": "2 cm", "mass": "40 g", "load_mass": "8 g",
			"loads": 45}`, "loads", "at most 44"},
		{"cell-stack", `{"emf": "0.9 V", "resistance": "300 Ω", "threshold": "1.8 V", "current": "3 mA"}`, "current",
			"larger electrodes"},
		{"pitch", `{"note": "H4"}`, "note", "letter A to G"},
		{"glass-fill", `{"glass_height": "12 cm", "empty_frequency": "800 Hz", "filled_height": "9 cm",
			"filled_frequency": "620 Hz", "target_frequency": "900 Hz"}`, "target_frequency", "outside"},
		{"ramp", `{"length": "1 m", "height": "1 m", "kind": "hoop"}`, "height", "below"},
		{"flight", `{"flight_time": "2 s", "angle": "30 deg"}`, "angle", "distance"},
		{"mass-change", `{"before": "5 g", "after": "4 g", "resolution": "1 g", "container": "5 g"}`, "container",
			"as much"},
		{"mass-change", `{"before": "5 g", "after": "4 g", "resolution": "1 g", "container": "1 g", "tare": true}`,
			"container", "tared"},
		{"mass-change", `{"before": "5 g", "after": "4 g", "resolution": "1 g", "tare": "yes"}`, "tare",
			"true or false"},
		{"detect", `{"effect": 0, "reading_sd": 1, "between_sd": 1, "trials": 1, "families": 5}`, "effect", "zero"},
		{"detect", `{"effect": "1 cm", "reading_sd": 1, "between_sd": "1 mm", "trials": 1, "families": 5}`,
			"reading_sd", "number"},
		{"choice", `{"counts": [0, 0]}`, "counts", "all zero"},
		{"choice", `{"counts": [1.5, 2]}`, "counts[0]", "whole"},
		{"choice", `{"counts": [1, 2], "p1": 0.5}`, "p1", "0.5"},
		{"cooling", `{"times": ["0 min", "5 min"], "temperatures": ["80 °C", "19 °C"], "ambient": "20 °C"}`,
			"temperatures[1]", "above"},
		{"cooling", `{"times": ["0 min", "5 min"], "temperatures": ["60 °C", "70 °C"], "ambient": "20 °C"}`,
			"temperatures", "move away"},
		{"line-fit", `{"x": [1, 1, 1], "y": [1, 2, 3]}`, "x", "all the same"},
		{"line-fit", `{"x": [1, 2, 3], "y": [1, 2]}`, "y", "at least 3"},
		{"line-fit", `{"x": [1, "2 cm", 3], "y": [1, 2, 3]}`, "x[1]", "mixed"},
		{"compare-groups", `{"a": [1, 1], "b": [2, 2]}`, "a", "no scatter"},
		{"compare-groups", `{"mode": "paired", "a": [1, 2, 3], "b": [1, 2]}`, "a", "3 values"},
		{"pooled", `{"values": [{"value": 1, "u": 0}]}`, "values[0]", "above zero"},
		{"pooled", `{"values": [{"value": 1, "u": 1, "x": 2}]}`, "values[0]", "unknown field"},
		{"layers", `{"liquids": [{"name": "a", "density": "1 g/mL"}, {"name": "a", "density": "2 g/mL"}]}`,
			"liquids[1]", "name of its own"},
		{"osmosis-crossing", `{"concentrations": ["0 %", "1 %", "2 %"], "changes": ["1 g", "2 %", "3 %"]}`,
			"changes[0]", "percentage"},
		{"freezing-point", `{"solute": "salt", "mass": "5 g", "water_mass": "1 kg", "molar_mass": "5 g/mol"}`,
			"molar_mass", "custom"},
		{"freezing-point", `{"solute": "custom", "mass": "5 g", "water_mass": "1 kg"}`, "molar_mass", "missing"},
		{"peroxide", `{"volume_strength": 400}`, "volume_strength", "100 %"},
		{"solution-strength", `{"mode": "to-percent", "solute": "sucrose", "molarity": "1 mol/L"}`, "density",
			"missing"},
		{"solution-strength", `{"mode": "spoons", "solute": "sucrose", "percent": 5}`, "percent", "mode spoons"},
		{"dilution", `{"c1": "5 %", "c2": "6 %", "v2": "1 L"}`, "c2", "stronger"},
		{"dilution", `{"c1": "5 %", "c2": "1 %", "v2": "1 L", "density1": "1 g/mL"}`, "density1", "both"},
		{"formula", `{"expression": "a + b", "symbols": {"a": {"value": "1 g"}, "b": {"value": "1 mL"}}}`, "expression",
			"mass"},
		{"formula", `{"expression": "mean(a)", "symbols": {"a": {"value": 1}}}`, "expression", "not a function"},
		{"formula", `{"expression": "a", "symbols": {"a": {"value": "1 g", "u": "1 mL"}}}`, "symbols.a", "mass"},
		{"photo-length", `{"ruler": "10 cm", "ruler_from": [1, 1], "ruler_to": [1, 1], "from": [0, 0], "to": [5, 5]}`,
			"ruler_from", "on each other"},
		{"photo-length", `{"ruler": "10 cm", "ruler_from": [1], "ruler_to": [1, 1], "from": [0, 0], "to": [5, 5]}`,
			"ruler_from", "at least 2"},
		{"photo-angle", `{"corner": [1, 1, 1], "from": [0, 0], "to": [5, 5]}`, "corner", "two numbers"},
		{"photo-colour", `{"photo": "bm8=", "spot": [1, 1, 1], "white": [5, 5, 1]}`, "photo", "JPEG or PNG"},
		{"quantity-parse", `{"text": "2,750 g"}`, "text", "thousands"},
		{"quantity-parse", `{"text": 5}`, "text", "text"},
	} {
		out, err := run(t, c.model, c.inputs)
		if err == nil {
			t.Errorf("%s %s gives %v", c.model, c.inputs, out)
		} else if err.Input != c.input || !strings.Contains(err.Message, c.says) {
			t.Errorf("%s %s: %s; want input %q and %q", c.model, c.inputs, err, c.input, c.says)
		}
	}
}

// Limits and units that are equal have equal results.
func TestUnitsDoNotMatter(t *testing.T) {
	for _, pair := range [][3]string{
		{"pendulum", `{"length": "1 m"}`, `{"length": "100 cm"}`},
		{"pendulum", `{"length": "1 m", "amplitude": "30 deg"}`, `{"length": "1 m",
			"amplitude": "0.5235987755982988 rad"}`},
		{"sealed-mass", `{"gas_volume": "1 L", "temperature": "20 °C"}`, `{"gas_volume": "1000 mL",
			"temperature": "68 °F"}`},
		{"detect", `{"effect": "1 °C", "reading_sd": "0.5 °C", "between_sd": "0.5 °C", "trials": 1, "families": 9}`,
			`{"effect": "1 °C", "reading_sd": "0.9 °F", "between_sd": "0.5 K", "trials": 1, "families": 9}`},
		{"fizz", `{"acid": "citric", "acid_mass": "5 g", "carbonate": "calcium-carbonate", "carbonate_mass": "5 g",
			"yield": 0.9}`, `{"acid": "citric", "acid_mass": "5000 mg", "carbonate": "calcium-carbonate",
			"carbonate_mass": "0.005 kg", "yield": "90 %"}`},
		{"choice", `{"counts": [14, 6], "shares": [1, 1]}`, `{"counts": ["14", "6"]}`},
	} {
		a, err1 := run(t, pair[0], pair[1])
		b, err2 := run(t, pair[0], pair[2])
		if err1 != nil || err2 != nil {
			t.Errorf("%s: %v, %v", pair[0], err1, err2)
			continue
		}
		for name, v := range a {
			if !same(b[name], jsonOf(v.Value), v.Unit) {
				t.Errorf("%s: %s is %v and %v", pair[0], name, v.Value, b[name].Value)
			}
		}
	}
}

func jsonOf(v any) any {
	raw, _ := json.Marshal(v)
	var out any
	_ = json.Unmarshal(raw, &out)
	return out
}

// The registry is whole: numbers and ids are its own, every input can be
// explained, and no model is without its conditions.
func TestRegistry(t *testing.T) {
	ids, numbers := map[string]bool{}, map[int]bool{}
	for _, m := range Models() {
		if ids[m.ID] || numbers[m.Number] ||
			!slices.Contains([]string{"see", "much", "fast", "size", "sure", "read"}, m.Group) ||
			len(m.Outputs) == 0 {
			t.Errorf("%d %s", m.Number, m.ID)
		}
		for _, language := range text.Languages {
			d := m.Describe(language)
			if !strings.HasSuffix(d.Title, "?") || strings.HasPrefix(d.Assumes, "[") ||
				strings.HasPrefix(d.Note, "[") ||
				strings.HasPrefix(d.Source, "[") {
				t.Errorf("%s in %s: %+v", m.ID, language, d)
			}
		}
		if i := slices.IndexFunc(m.Outputs, func(o Output) bool { return o.Name == m.Main }); m.Main != "" && i < 0 {
			t.Errorf("%s answers with %q", m.ID, m.Main)
		}
		for _, name := range m.Inverse {
			m.input(name) // panics where there is none
		}
		ids[m.ID], numbers[m.Number] = true, true
		for _, in := range m.Inputs {
			switch in.Unit {
			case "1",
				"%",
				"any",
				"text",
				"choice",
				"flag",
				"objects",
				"symbols",
				"recording",
				"list of any",
				"list of 1",
				"list of %":
			default:
				if _, ok := quantity.LookupUnit(strings.TrimPrefix(in.Unit, "list of ")); !ok {
					t.Errorf("%s: %s has the unit %q", m.ID, in.Name, in.Unit)
				}
			}
			if (in.Unit == "choice") != (len(in.Options) > 0) {
				t.Errorf("%s: %s and its options", m.ID, in.Name)
			}
		}
	}
	if len(ids) != 37 {
		t.Errorf("%d models", len(ids))
	}
	for s, c := range map[string]struct{ in, out float64 }{"> 0": {1e-9, 0}, "≥ 0": {0, -1}, "0…100": {100, 100.1},
		"> 0…1": {1, 0}, "0…<90": {89, 90}, "-500…11000": {-500, -501}} {
		if l := readLimits(s); !l.allow(c.in) || l.allow(c.out) {
			t.Errorf("%s: %v %v", s, l.allow(c.in), l.allow(c.out))
		}
	}
}

// A line through 36 points whose certified values a national archive of
// statistical reference data publishes (linear regression, "Norris"):
// intercept −0.262323073774029, slope 1.00211681802045, their standard
// deviations 0.232818234301152 and 0.000429796848199937, residual sd
// 0.884796396144373, R² 0.999993745883712.
func TestCertifiedLine(t *testing.T) {
	x := []float64{
		0.2,
		337.4,
		118.2,
		884.6,
		10.1,
		226.5,
		666.3,
		996.3,
		448.6,
		777.0,
		558.2,
		0.4,
		0.6,
		775.5,
		666.9,
		338.0,
		447.5,
		11.6,
		556.0,
		228.1,
		995.8,
		887.6,
		120.2,
		0.3,
		0.3,
		556.8,
		339.1,
		887.2,
		999.0,
		779.0,
		11.1,
		118.3,
		229.2,
		669.1,
		448.9,
		0.5,
	}
	y := []float64{
		0.1,
		338.8,
		118.1,
		888.0,
		9.2,
		228.1,
		668.5,
		998.5,
		449.1,
		778.9,
		559.2,
		0.3,
		0.1,
		778.1,
		668.8,
		339.3,
		448.9,
		10.8,
		557.7,
		228.3,
		998.0,
		888.8,
		119.6,
		0.3,
		0.6,
		557.6,
		339.3,
		888.0,
		998.5,
		778.9,
		10.2,
		117.6,
		228.9,
		668.4,
		449.2,
		0.2,
	}
	rx, _ := json.Marshal(x)
	ry, _ := json.Marshal(y)
	out, err := run(t, "line-fit", `{"x": `+string(rx)+`, "y": `+string(ry)+`}`)
	if err != nil {
		t.Fatal(err)
	}
	for name, want := range map[string]float64{"intercept": -0.262323073774029, "slope": 1.00211681802045,
		"intercept_se": 0.232818234301152, "slope_se": 0.000429796848199937, "residual_sd": 0.884796396144373,
		"r2": 0.999993745883712} {
		if got := out[name].Value.(float64); math.Abs(got-want) > 1e-9*math.Abs(want) {
			t.Errorf("%s = %.15g, want %.15g", name, got, want)
		}
	}
}

// What is typed into blanks is the same computation: every model's example
// gives what its worked example says.
func TestTypedExamples(t *testing.T) {
	for _, m := range Models() {
		example := m.Example()
		if m.takesFile() {
			continue
		}
		typed, err := m.RunTyped(example)
		if err != nil {
			t.Errorf("%s: %v", m.ID, err)
			continue
		}
		raw, _ := json.Marshal(workedInputs[m.ID])
		exact, bad := run(t, m.ID, string(raw))
		if bad != nil || !reflect.DeepEqual(typed, exact) {
			t.Errorf("%s: %v, typed %v", m.ID, exact, typed)
		}
	}
	m, _ := Find("choice")
	for typed, want := range map[string]string{"14; 6": "counts", " 14 ;\n6; ": "counts", "14": "", "14, 6": "counts",
		"14 6": "counts", "14,6": "", ";": ""} {
		if _, err := m.RunTyped(map[string]string{"counts": typed}); (err == nil) != (want != "") {
			t.Errorf("%q: %v", typed, err)
		}
	}
	m, _ = Find("pendulum")
	if _, err := m.RunTyped(map[string]string{"length": "1 m", "swings": "   "}); err != nil {
		t.Errorf("an empty blank: %v", err)
	}
}

func TestShow(t *testing.T) {
	u := 0.04
	for _, c := range []struct {
		v        Value
		language string
		want     string
	}{
		{num(2.00640929, "s"), "en", "2.006 s"},
		{num(2.00640929, "s"), "es", "2,006 s"},
		{num(10, "g"), "en", "10 g"},
		{num(-0.000123456, "1"), "en", "−0.0001235"},
		{num(0, "%"), "en", "0 %"},
		{num(1234567, "Pa"), "en", "1234567 Pa"},
		{num(2.5, "tsp"), "en", "2.5 US tsp"},
		{Value{Value: 3.14159, Unit: "g", Uncertainty: &u}, "en", "3.14 ± 0.04 g"},
		{Value{Value: []float64{1, 2.5}, Unit: "cm"}, "en", "1; 2.5 cm"},
		{Value{Value: true}, "en", "yes"},
		{Value{Value: true}, "es", "sí"},
		{Value{Value: false}, "en", "no"},
		{Value{Value: "acid"}, "en", "acid"},
		{Value{}, "en", "–"},
		{Value{Value: []string{"oil", "water"}}, "en", "oil, water"},
		{Value{Value: []string{}}, "es", "ninguno"},
		{Value{Value: []int{4}}, "en", "4"},
		{Value{Value: [][]string{{"oil", "water"}}}, "en", "oil and water"},
		{Value{Value: map[string]string{"cork": "on:oil", "nail": "floor"}}, "en", "cork: on oil, nail: floor"},
	} {
		if got := c.v.Show(c.language); got != c.want {
			t.Errorf("%v: %q, want %q", c.v, got, c.want)
		}
	}
}

// Data and results that are in every textbook: Student's ten patients (1908)
// by Welch and in pairs, Mendel's 556 peas (1866) against 9 : 3 : 3 : 1, and
// the first of Anscombe's four sets (1973).
func TestPublishedValues(t *testing.T) {
	patients := `"a": [0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0.0, 2.0], "b": [1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4]`
	for _, c := range []struct {
		model, inputs string
		want          map[string]float64
		ci            []float64
	}{
		{"compare-groups", `{` + patients + `}`, map[string]float64{"mean_a": 0.75, "mean_b": 2.33, "difference": 1.58,
			"t": 1.8608, "df": 17.776, "p": 0.07939}, []float64{-0.2054832, 3.3654832}},
		{"compare-groups", `{"mode": "paired", ` + patients + `}`, map[string]float64{"difference": 1.58, "t": 4.0621,
			"df": 9, "p": 0.002833}, []float64{0.7001142, 2.4598858}},
		{"choice", `{"counts": [315, 108, 101, 32], "shares": [9, 3, 3, 1]}`,
			map[string]float64{"chi_square": 0.470024, "df": 3, "p": 0.925426}, nil},
		{"line-fit", `{"x": [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5], "y": [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24,
			4.26, 10.84, 4.82, 5.68]}`, map[string]float64{"slope": 0.50009, "intercept": 3.00009, "r2": 0.66654,
			"slope_se": 0.11791, "intercept_se": 1.12475, "residual_sd": 1.23660}, nil},
	} {
		out, err := run(t, c.model, c.inputs)
		if err != nil {
			t.Errorf("%s %s: %v", c.model, c.inputs, err)
			continue
		}
		for name, want := range c.want {
			if got, _ := out[name].Value.(float64); math.Abs(got-want) > 3e-5*math.Max(1, math.Abs(want)) {
				t.Errorf("%s: %s = %g, published is %g", c.model, name, got, want)
			}
		}
		for i, want := range c.ci {
			if got := out["ci"].Value.([]float64)[i]; math.Abs(got-want) > 1e-6 {
				t.Errorf("%s: ci[%d] = %.8g, published is %.8g", c.model, i, got, want)
			}
		}
	}
}
