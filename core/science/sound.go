package science

import (
	"fmt"
	"math"
	"regexp"
	"strconv"
)

func init() {
	register(Model{Number: 12, ID: "pitch", Group: "size", Main: "frequency",
		Inputs: []Input{
			{Name: "frequency", Unit: "Hz", Optional: true, Limits: "> 0"},
			{Name: "note", Unit: "text", Optional: true},
			{
				Name:    "a4",
				Label:   "A4",
				Chosen:  true,
				Unit:    "Hz",
				Default: "440 Hz",
				Limits:  "> 0",
				Help:    "what-a4-is-tuned-to",
			},
		},
		Outputs: []Output{{"note", "", ""}, {"cents", "1", ""}, {"frequency", "Hz", ""}},
		run:     pitch})
	register(Model{Number: 13, ID: "glass-fill", Group: "size", Main: "height", Inverse: []string{"target_frequency"},
		Inputs: []Input{
			{Name: "glass_height", Unit: "cm", Limits: "> 0", Help: "inner"},
			{Name: "empty_frequency", Unit: "Hz", Limits: "> 0"},
			{Name: "filled_height", Unit: "cm", Limits: "> 0"},
			{Name: "filled_frequency", Unit: "Hz", Limits: "> 0"},
			{Name: "target_frequency", Chosen: true, Unit: "Hz", Limits: "> 0"},
		},
		Outputs: []Output{{"k", "1", ""}, {"height", "cm", ""}, {"lowest_frequency", "Hz", ""}},
		run:     glassFill})
	register(
		Model{
			Number:  14,
			ID:      "air-column",
			Group:   "size",
			Main:    "frequency",
			Inverse: []string{"length", "volume", "neck_length"},
			Inputs: []Input{
				{
					Name:    "kind",
					Unit:    "choice",
					Options: []string{"tube", "bottle"},
				},
				{Name: "temperature", Unit: "°C", Default: "20 °C"},
				{Name: "length", Unit: "m", Optional: true, Limits: "> 0"},
				{Name: "diameter", Unit: "m", Optional: true, Limits: "> 0"},
				{Name: "volume", Unit: "L", Optional: true, Limits: "> 0", Help: "of-the-air-in-the-body"},
				{Name: "neck_length", Unit: "m", Optional: true, Limits: "≥ 0"},
				{Name: "neck_diameter", Unit: "m", Optional: true, Limits: "> 0"},
			},
			Outputs: []Output{{"frequency", "Hz", ""}, {"sound_speed", "m/s", ""}, {"effective_length", "cm", ""}},
			run:     airColumn,
		},
	)
}

var noteNames = [...]string{"C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B"}
var notePattern = regexp.MustCompile(`^([A-Ga-g])([#♯b♭]?)(-?\d{1,3})$`)

func pitch(a *args) results {
	a4 := a.num("a4")
	if a.exactlyOne("frequency", "note") == "note" {
		m := notePattern.FindStringSubmatch(a.text("note"))
		if m == nil {
			stop("note", "has-to-be-a-letter-a")
		}
		letter := map[byte]int{'C': 0, 'D': 2, 'E': 4, 'F': 5, 'G': 7, 'A': 9, 'B': 11}[m[1][0]&^0x20]
		octave, _ := strconv.Atoi(m[3])
		n := 12*(octave+1) + letter
		switch m[2] {
		case "#", "♯":
			n++
		case "b", "♭":
			n--
		}
		return results{
			"note":      {Value: noteOf(n)},
			"cents":     num(0, "1"),
			"frequency": num(a4*math.Pow(2, float64(n-69)/12), "Hz"),
		}
	}
	f := a.num("frequency")
	note, cents := nearestNote(f, a4)
	a.step("semitones_above_A4", "12 * ln(frequency / a4) / ln(2)", "1")
	return results{"note": {Value: note}, "cents": num(cents, "1"), "frequency": num(f, "Hz")}
}

// nearestNote names the note of the scale nearest to a frequency, and how far
// the frequency is above it, in cents; a4 is the frequency of A4. Both in Hz.
func nearestNote(frequency, a4 float64) (note string, cents float64) {
	x := 69 + 12*math.Log2(frequency/a4)
	n := math.Floor(x + 0.5)
	return noteOf(int(n)), 100 * (x - n)
}

func noteOf(n int) string {
	octave := int(math.Floor(float64(n)/12)) - 1
	return fmt.Sprintf("%s%d", noteNames[((n%12)+12)%12], octave)
}

func glassFill(a *args) results {
	h, f0, h1, f1, ft := a.num(
		"glass_height",
	), a.num(
		"empty_frequency",
	), a.num(
		"filled_height",
	), a.num(
		"filled_frequency",
	), a.num(
		"target_frequency",
	)
	if h1 > h {
		stop("filled_height", "is-more-than-the-glass-is")
	}
	if f1 >= f0 {
		stop("filled_frequency", "has-to-be-below-the-empty")
	}
	k := (f0*f0/f1/f1 - 1) / math.Pow(h1/h, 4)
	lowest := f0 / math.Sqrt(1+k)
	if ft > f0*(1+1e-12) || ft < lowest*(1-1e-12) {
		stop(
			"target_frequency",
			"lies-outside-what-this-glass-can",
			"a",
			fmt.Sprintf("%.4g", lowest),
			"b",
			fmt.Sprintf("%.4g", f0),
		)
	}
	a.step("k", "((empty_frequency / filled_frequency)^2 - 1) / (filled_height / glass_height)^4", "1")
	a.step("height", "glass_height * (((empty_frequency / target_frequency)^2 - 1) / k)^0.25", "cm")
	a.step("lowest_frequency", "empty_frequency / sqrt(1 + k)", "Hz")
	return results{
		"k":                num(k, "1"),
		"height":           num(h*fourthRoot(math.Max(0, f0*f0/ft/ft-1)/k), "cm"),
		"lowest_frequency": num(lowest, "Hz"),
	}
}

func airColumn(a *args) results {
	c := 331.3 * math.Sqrt(1+a.num("temperature")/273.15)
	a.know("celsius", a.num("temperature"), "1")
	a.know("speed_at_zero", 331.3, "m/s")
	a.step("sound_speed", "speed_at_zero * sqrt(1 + celsius / 273.15)", "m/s")
	var f, eff float64
	if a.choice("kind") == "tube" {
		a.forbid("bottle", "volume", "neck_length", "neck_diameter")
		eff = a.num("length") + 0.3*a.num("diameter")
		f = c / (4 * eff)
		a.step("effective_length", "length + 0.3 * diameter", "cm")
		a.step("frequency", "sound_speed / (4 * effective_length)", "Hz")
	} else {
		a.forbid("tube", "length", "diameter")
		r := a.num("neck_diameter") / 2
		eff = a.num("neck_length") + 1.46*r
		f = c / (2 * math.Pi) * math.Sqrt(math.Pi*r*r/(a.num("volume")/1000*eff))
		a.step("radius", "neck_diameter / 2", "cm")
		a.step("effective_length", "neck_length + 1.46 * radius", "cm")
		a.step("frequency", "sound_speed / (2 * pi) * sqrt(pi * radius^2 / (volume * effective_length))", "Hz")
	}
	return results{"frequency": num(f, "Hz"), "sound_speed": num(c, "m/s"), "effective_length": num(100*eff, "cm")}
}
