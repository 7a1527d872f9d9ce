package science

import (
	"bytes"
	"encoding/base64"
	"errors"
	"image"
	"image/color"
	"image/png"
	"math"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

func ask(t *testing.T, model string, q Question) Reply {
	t.Helper()
	m, ok := Find(model)
	if !ok {
		t.Fatalf("no model %s", model)
	}
	r, err := m.Ask(q)
	if err != nil {
		t.Fatalf("%s %v: %v", model, q, err)
	}
	return r
}

// The working is a second computation, by package formula: in every worked
// example each step that has an output's name gives what the model gives.
func TestWorkingAgrees(t *testing.T) {
	for _, m := range Models() {
		steps := 0
		for _, inputs := range exampleInputs(t, m.ID) {
			a, out, err := m.work(inputs, true)
			if err != nil {
				t.Errorf("%s: %v", m.ID, err)
				continue
			}
			for _, s := range a.steps {
				steps++
				want, ok := out[s.Name].Value.(float64)
				if !ok || out[s.Name].Unit == "1" && s.Result.Unit.Symbol != "1" {
					continue // a line on the way, or a line fit's bare number
				}
				if !same(Value{Value: s.Result.Value, Unit: s.Result.Unit.Symbol}, want, out[s.Name].Unit) {
					t.Errorf(
						"%s: the working gives %s = %v %s, the model %v %s",
						m.ID,
						s.Name,
						s.Result.Value,
						s.Result.Unit.Symbol,
						want,
						out[s.Name].Unit,
					)
				}
				for _, language := range text.Languages {
					if line := s.Show(language); strings.Count(line, " = ") < 2 || strings.Contains(line, "_") {
						t.Errorf("%s: %q", m.ID, line)
					}
				}
			}
		}
		if steps == 0 &&
			!slices.Contains(
				[]string{
					"layers",
					"choice",
					"pooled",
					"signal-pitch",
					"quantity-parse",
					"typed-reading",
					"photo-length",
					"photo-angle",
					"photo-colour",
				},
				m.ID,
			) {
			t.Errorf("%s has no working", m.ID)
		}
	}
}

func TestStepIsWrittenOut(t *testing.T) {
	r := ask(
		t,
		"mass-change",
		Question{Typed: map[string]string{"before": "16.0 g", "after": "17.2 g", "resolution": "0.1 g"}},
	)
	want := "percent = change / (before − container) = 1.2\u00a0g / (16\u00a0g − 0\u00a0g) = 7.5\u00a0%"
	if got := r.Steps[1].Show("en"); got != want {
		t.Errorf("%q, want %q", got, want)
	}
}

// By hand: T = 2π√(L/g), so u(T)/T is half of u(L)/L; the last digit of 25 cm
// is a step of 1 cm, u = 1/√12 cm.
func TestDoubt(t *testing.T) {
	r := ask(t, "pendulum", Question{Typed: map[string]string{"length": "25 cm"}})
	period := r.Outputs["period"]
	want := period.Value.(float64) / 2 / 25 / math.Sqrt(12)
	if r.Main != "period" || period.Uncertainty == nil || math.Abs(*period.Uncertainty/want-1) > 1e-3 {
		t.Errorf("%s ± %v, want %v", r.Main, period.Uncertainty, want)
	}
	if len(r.Doubts) != 1 || r.Doubts[0].Input != "length" || math.Abs(r.Doubts[0].Share-1) > 1e-9 ||
		math.Abs(*r.Finer/want-0.1) > 1e-3 {
		t.Errorf("%+v, finer %v", r.Doubts, *r.Finer)
	}
	for typed, u := range map[string]float64{"25 cm ± 1 cm": 1, "25 cm ± 2": 2, "25 cm +/- 5 mm": 0.5,
		"25.0 cm": 0.1 / math.Sqrt(12), "0.25 m": 1 / math.Sqrt(12), "1/4 m": 0, "25,0 cm": 0.1 / math.Sqrt(12)} {
		r := ask(t, "pendulum", Question{Typed: map[string]string{"length": typed}})
		got := 0.0
		if p := r.Outputs["period"]; p.Uncertainty != nil {
			got = *p.Uncertainty
		}
		if want := r.Outputs["period"].Value.(float64) / 2 / 25 * u; math.Abs(got-want) > 1e-3*want+1e-12 {
			t.Errorf("%s: ± %v, want %v", typed, got, want)
		}
	}
	// A metre is not read to the metre, but to the centimetre.
	r = ask(t, "pendulum", Question{Typed: map[string]string{"length": "1 m"}})
	if u, want := *r.Outputs["period"].Uncertainty, r.Outputs["period"].Value.(float64)/2*0.01/math.Sqrt(12); math.Abs(
		u/want-1,
	) > 1e-3 {
		t.Errorf("1 m: ± %v, want %v", u, want)
	}
	// A spoon is good to a tenth: three of sugar, and the cup to a twentieth.
	r = ask(
		t,
		"solution-strength",
		Question{
			Typed: map[string]string{
				"mode":         "spoons",
				"solute":       "sucrose",
				"spoons":       "3",
				"spoon_mass":   "4.2 g ± 0.42",
				"water_volume": "1 cup",
			},
		},
	)
	if len(r.Doubts) != 2 || r.Doubts[0].Input != "spoon_mass" || r.Doubts[0].Share < 0.75 || r.Doubts[0].Share > 0.85 {
		t.Errorf("%+v", r.Doubts)
	}
	// Readings of a cooling cup count together.
	r = ask(
		t,
		"cooling",
		Question{
			Typed: map[string]string{
				"times":        "0 min; 5 min; 10 min; 15 min; 20 min",
				"temperatures": "50 °C; 46 °C; 42 °C; 39 °C; 36 °C",
				"ambient":      "20 °C",
				"at":           "40 min",
			},
		},
	)
	if r.Main != "predicted" || r.Outputs["predicted"].Uncertainty == nil || r.Doubts[0].Input != "temperatures" {
		t.Errorf("%+v %+v", r.Outputs["predicted"], r.Doubts)
	}
	// A model with a give or take of its own keeps it.
	r = ask(t, "circle", Question{Typed: map[string]string{"circumference": "31.4 cm", "diameter": "10.0 cm"}})
	if got, want := *r.Outputs["ratio"].Uncertainty, r.Outputs["u"].Value.(float64); got != want || len(r.Doubts) != 0 {
		t.Errorf("%v, want %v", got, want)
	}
}

func TestCurve(t *testing.T) {
	r := ask(t, "pendulum", Question{Typed: map[string]string{"length": "100 cm ± 2 cm"}})
	c := r.Curve
	if c == nil || c.Vary != "length" || c.XUnit != "cm" || c.YUnit != "s" || *c.AtX != 100 || c.Low != 96 ||
		c.High != 104 ||
		len(c.X) != curvePoints ||
		c.X[0] != 50 ||
		c.X[curvePoints-1] != 150 {
		t.Fatalf("%+v", c)
	}
	for i, y := range c.Y {
		if want := 2 * math.Pi * math.Sqrt(c.X[i]/100/9.80665); y == nil || math.Abs(*y-want) > 1e-9 {
			t.Errorf("at %v cm: %v, want %v", c.X[i], y, want)
		}
	}
	// Outside what is allowed there is a gap, not an error.
	r = ask(
		t,
		"ramp",
		Question{Typed: map[string]string{"length": "1 m", "height": "80 cm", "kind": "hoop"}, Vary: "height"},
	)
	if last := r.Curve.Y[curvePoints-1]; last != nil {
		t.Errorf("a ramp as high as 1.2 m on 1 m: %v", *last)
	}
	// A fitted law is drawn with its readings, and on to where it is asked for.
	r = ask(
		t,
		"cooling",
		Question{
			Typed: map[string]string{
				"times":        "0 min; 5 min; 10 min",
				"temperatures": "60 °C; 50 °C; 42.5 °C",
				"ambient":      "20 °C",
				"at":           "30 min",
			},
		},
	)
	if c := r.Curve; len(c.Points) != 3 || c.X[curvePoints-1] != 30 || c.AtX == nil || *c.AtX != 30 ||
		math.Abs(*c.Y[curvePoints-1]-*c.AtY) > 1e-9 {
		t.Errorf("%+v", c)
	}
	r = ask(t, "line-fit", Question{Typed: map[string]string{"x": "1; 2; 3", "y": "2; 4; 7"}})
	if c := r.Curve; len(c.Points) != 3 || c.AtX != nil || math.Abs(*c.Y[0]-(13.0/3-2.5)) > 1e-9 {
		t.Errorf("%+v", c)
	}
	// Whole numbers are drawn whole.
	r = ask(
		t,
		"detect",
		Question{
			Typed: map[string]string{
				"effect":     "1",
				"reading_sd": "1",
				"between_sd": "1",
				"trials":     "2",
				"families":   "8",
			},
			Vary: "families",
		},
	)
	for _, x := range r.Curve.X {
		if x != math.Trunc(x) {
			t.Errorf("%v families", x)
		}
	}
}

// Change the answer and see the amount: put back in, it gives the answer.
func TestSolve(t *testing.T) {
	for _, c := range []struct {
		model         string
		typed         map[string]string
		solve, wanted string
		value         float64
		unit          string
	}{
		// 1 s for a swing there and back: L = g/4π² = 24.84053 cm.
		{"pendulum", map[string]string{"length": "100 cm"}, "length", "1 s", 24.84053, "cm"},
		{"pendulum", map[string]string{"length": "100 cm"}, "length", "1", 24.84053, "cm"},
		// The worked example of the recipe: 1 L needs 3.49227 g with acid to spare.
		{"fizz", map[string]string{"acid": "acetic", "acid_volume": "60 mL", "acid_strength": "5 %",
			"carbonate": "sodium-bicarbonate", "carbonate_mass": "1 g"}, "carbonate_mass", "1 L", 3.49227, "g"},
		{"detect", map[string]string{"effect": "1", "reading_sd": "1", "between_sd": "1", "trials": "1",
			"families": "5"}, "families", "0.8", 24, "1"},
		{"mass-change", map[string]string{"before": "16 g", "after": "17.2 g", "resolution": "0.1 g"}, "after", "10 %",
			17.6, "g"},
	} {
		r := ask(t, c.model, Question{Typed: c.typed, Solve: c.solve, Wanted: c.wanted})
		s := r.Solved
		if s == nil || s.Problem != nil || math.Abs(s.Value.Value/c.value-1) > 1e-5 || s.Value.Unit.Symbol != c.unit {
			t.Errorf("%s: %+v, want %v %s", c.model, s, c.value, c.unit)
		}
	}
	fizz := map[string]string{
		"acid":           "acetic",
		"acid_volume":    "60 mL",
		"acid_strength":  "5 %",
		"carbonate":      "sodium-bicarbonate",
		"carbonate_mass": "1 g",
	}
	for _, c := range []struct{ solve, wanted, says string }{
		{"carbonate_mass", "50 L", "cannot bring the answer there: it goes from"}, {"carbonate_mass", "1 g", "mass"},
		{"carbonate_mass", "lots", "not a number"}, {"yield", "1 L", "only carbonate_mass"},
	} {
		r := ask(t, "fizz", Question{Typed: fizz, Solve: c.solve, Wanted: c.wanted})
		if r.Solved == nil || r.Solved.Problem == nil || !strings.Contains(r.Solved.Problem.Message, c.says) {
			t.Errorf("%+v: %+v", c, r.Solved)
		}
	}
}

func TestFindingInWords(t *testing.T) {
	r := ask(
		t,
		"compare-groups",
		Question{Typed: map[string]string{"a": "5.1; 4.8; 5.6; 5.0; 4.9", "b": "5.9; 6.3; 5.7; 6.1; 5.5; 6.0"}},
	)
	if r.Finding == nil || r.Finding.Verdict != stats.Supported ||
		!strings.Contains(
			text.Render(r.Finding.Words, "en"),
			"The two groups differ: supported. 0.84 (19 in 20: 0.42 to 1.25)",
		) {
		t.Errorf("%+v", r.Finding)
	}
	r = ask(t, "choice", Question{Typed: map[string]string{"counts": "8; 2"}})
	if r.Finding == nil || r.Finding.Verdict != stats.CannotTell {
		t.Errorf("%+v", r.Finding)
	}
}

// What is typed as a list of objects or as symbols.
func TestTypedObjects(t *testing.T) {
	r := ask(
		t,
		"formula",
		Question{
			Typed: map[string]string{
				"expression": "(after - before) / before * 100",
				"symbols":    "before = 50.2 g ± 0.1\nafter = 57.3 g ± 0.1 g",
			},
		},
	)
	if v := r.Outputs["value"]; math.Abs(v.Value.(float64)-14.1434) > 1e-4 || math.Abs(*v.Uncertainty-0.302295) > 1e-5 {
		t.Errorf("%+v", v)
	}
	r = ask(t, "pooled", Question{Typed: map[string]string{"values": "9.7 ± 0.2; 9.9 ± 0.3; 9.8 ± 0.1; 9.6 ± 0.2"}})
	if v := r.Outputs["weighted_mean"]; math.Abs(v.Value.(float64)-9.76034) > 1e-5 {
		t.Errorf("%+v", v)
	}
	r = ask(
		t,
		"layers",
		Question{
			Typed: map[string]string{
				"liquids": "honey 1.42 g/mL; water 1.00 g/mL; sunflower oil: 0.92 g/mL",
				"objects": "cork 0.24 g/mL",
			},
		},
	)
	if got := r.Outputs["order"].Show("en"); got != "honey, water, sunflower oil" {
		t.Error(got)
	}
	for _, c := range []struct{ model, input, typed, place string }{
		{"pooled", "values", "9.7", "values[0]"}, {"layers", "liquids", "honey", "liquids[0]"},
		{"formula", "symbols", "before", "symbols"}, {"formula", "symbols", "a = 1; a = 2", "symbols"},
		{"pendulum", "length", "± 2 cm", "length"}, {"pendulum", "length", "5 cm ± 2 g", "length"},
		{"pendulum", "length", "5 cm ± x", "length"}, {"pendulum", "lenght", "5 cm", "lenght"},
	} {
		m, _ := Find(c.model)
		typed := m.Example()
		typed[c.input] = c.typed
		_, err := m.Ask(Question{Typed: typed})
		var bad *InputError
		if !errors.As(err, &bad) || bad.Input != c.place {
			t.Errorf("%s %s %q: %v", c.model, c.input, c.typed, err)
		}
	}
}

// Every model can be asked with its example, and with what people type by
// mistake it says so.
func TestAskEveryExample(t *testing.T) {
	for _, m := range Models() {
		if m.takesFile() {
			continue
		}
		r, err := m.Ask(Question{Typed: m.Example()})
		if err != nil {
			t.Errorf("%s: %v", m.ID, err)
			continue
		}
		if m.Main != "" && r.Main == "" {
			t.Errorf("%s has no answer", m.ID)
		}
		for _, name := range m.Inverse {
			if _, given := m.Example()[name]; !given || r.Main == "" {
				continue
			}
			// Asking for the present answer gives the present amount.
			v := r.Outputs[r.Main]
			again, err := m.Ask(
				Question{
					Typed:  m.Example(),
					Solve:  name,
					Wanted: amount{plain: v.Unit == "1", q: at(v)}.text(v.Value.(float64)),
				},
			)
			if err != nil || again.Solved == nil || again.Solved.Problem != nil {
				t.Errorf("%s for %s: %+v %v", m.ID, name, again.Solved, err)
				continue
			}
			back := m.Example()
			back[name] = amount{
				plain: again.Solved.Value.Unit.Symbol == "1",
				q:     again.Solved.Value,
			}.text(
				again.Solved.Value.Value,
			)
			out, err := m.RunTyped(back)
			if err != nil ||
				math.Abs(out[r.Main].Value.(float64)-v.Value.(float64)) > 1e-6*math.Abs(v.Value.(float64))+1e-9 &&
					!m.input(name).Whole {
				t.Errorf("%s with %s = %s: %v, want %v (%v)", m.ID, name, back[name], out[r.Main].Value, v.Value, err)
			}
		}
	}
}

func BenchmarkAsk(b *testing.B) {
	m, _ := Find("fizz")
	q := Question{Typed: m.Example()}
	for b.Loop() {
		if _, err := m.Ask(q); err != nil {
			b.Fatal(err)
		}
	}
}

// A green field beside white paper, made up, comes back as green.
func TestPhotoColour(t *testing.T) {
	img := image.NewNRGBA(image.Rect(0, 0, 40, 20))
	for y := range 20 {
		for x := range 40 {
			c := color.NRGBA{200, 200, 200, 255}
			if x >= 20 {
				c = color.NRGBA{60, 160, 60, 255}
			}
			img.SetNRGBA(x, y, c)
		}
	}
	var file bytes.Buffer
	if err := png.Encode(&file, img); err != nil {
		t.Fatal(err)
	}
	r := ask(
		t,
		"photo-colour",
		Question{
			Typed: map[string]string{
				"photo": base64.StdEncoding.EncodeToString(file.Bytes()),
				"spot":  "30; 10; 6",
				"white": "10; 10; 6",
			},
		},
	)
	c := r.Outputs["colour"].Value.([]float64)
	// sRGB 160 is 0.352 in linear light, 200 is 0.578: 0.609 of the white.
	if math.Abs(c[1]-0.609) > 0.002 || c[0] > 0.1 || c[2] > 0.1 || len(r.Outputs["warnings"].Value.([]string)) != 0 {
		t.Errorf("%+v", r.Outputs)
	}
}

// Blanks take what families type too: words, stopwatch times, their own measures.
func TestBlanksInPlainWords(t *testing.T) {
	for typed, seconds := range map[string]float64{"1.2 s": 1.2, "0:01.2": 1.2, "one point two seconds": 1.2,
		"un segundo y medio": 1.5} {
		m, _ := Find("flight")
		r, err := m.Ask(Question{Typed: map[string]string{"flight_time": typed}, Language: "en"})
		want := 9.80665 * seconds * seconds / 8
		if got, ok := r.Outputs["height"].Value.(float64); err != nil || !ok || math.Abs(got/want-1) > 1e-9 {
			t.Errorf("%s: %v %v, want %v", typed, got, err, want)
		}
	}
	m, _ := Find("flight")
	for _, typed := range []string{"2 and 3", "a while", "5"} {
		if _, err := m.Ask(Question{Typed: map[string]string{"flight_time": typed}}); err == nil {
			t.Errorf("%q is taken", typed)
		}
	}
}
