package science

import "math"

func init() {
	register(Model{Number: 19, ID: "circle", Group: "size", Title: "Does circumference by diameter come near π?",
		Inputs: []Input{
			{Name: "circumference", Unit: "cm", Limits: "> 0"}, {Name: "diameter", Unit: "cm", Limits: "> 0"},
			{Name: "circumference_resolution", Unit: "cm", Default: "1 mm", Limits: "≥ 0", Help: "smallest step of the tape"}, {Name: "diameter_resolution", Unit: "cm", Default: "1 mm", Limits: "≥ 0", Help: "smallest step of the ruler"},
		},
		Outputs: []Output{{"ratio", "1"}, {"u", "1"}, {"percent_error", "%"}, {"consistent", ""}},
		Assumes: "Only the resolution counts. A string lies outside the circle. “Consistent” with a large give or take is no evidence for π.",
		run: func(a *args) results {
			c, d, rc, rd := a.num("circumference"), a.num("diameter"), a.num("circumference_resolution"), a.num("diameter_resolution")
			ratio := c / d
			u := ratio * math.Hypot(rc/c, rd/d) / math.Sqrt(12)
			return results{"ratio": num(ratio, "1"), "u": num(u, "1"), "percent_error": num(100*(ratio-math.Pi)/math.Pi, "%"), "consistent": {Value: math.Abs(ratio-math.Pi) <= 2*u}}
		}})
	register(Model{Number: 25, ID: "colour-wheel", Group: "size", Title: "How must a colour wheel be divided, and how fast must it turn?",
		Inputs: []Input{
			{Name: "weights", Unit: "list of 1", Limits: "≥ 0", Help: "of the colours"}, {Name: "fusion_frequency", Unit: "Hz", Default: "50 Hz", Limits: "> 0"},
			{Name: "repeats", Unit: "1", Default: "1", Limits: "≥ 1", Whole: true, Help: "of the set of sectors around the wheel"},
		},
		Outputs: []Output{{"angles", "deg"}, {"rev_per_s", "1/s"}, {"rpm", "1/min"}},
		Assumes: "The result is the average colour of the sectors, grey rather than white.",
		run: func(a *args) results {
			w, f, k := a.list("weights", 1), a.num("fusion_frequency"), a.num("repeats")
			sum := 0.0
			for _, v := range w {
				sum += v
			}
			if sum <= 0 {
				stop("weights", "are all nothing")
			}
			angles := make([]float64, len(w))
			for i, v := range w {
				angles[i] = 360 * v / (k * sum)
			}
			return results{"angles": {Value: angles, Unit: "deg"}, "rev_per_s": num(f/k, "1/s"), "rpm": num(60*f/k, "1/min")}
		}})
	register(Model{Number: 26, ID: "pinhole", Group: "size", Title: "How large is the picture of a pinhole, and which hole is best?",
		Inputs: []Input{
			{Name: "object_height", Unit: "m", Limits: "> 0"}, {Name: "object_distance", Unit: "m", Limits: "> 0"}, {Name: "screen_distance", Unit: "m", Limits: "> 0", Help: "from the hole"},
			{Name: "wavelength", Unit: "m", Default: "550 nm", Limits: "> 0"},
		},
		Outputs: []Output{{"image_height", "cm"}, {"hole_diameter", "mm"}},
		Assumes: "Far object. The best hole is 30 % smaller for an object as near as the screen; the optimum is broad. Never look at the sun.",
		run: func(a *args) results {
			s := a.num("screen_distance")
			return results{"image_height": num(100*a.num("object_height")*s/a.num("object_distance"), "cm"), "hole_diameter": num(1000*1.9*math.Sqrt(a.num("wavelength")*s), "mm")}
		}})
}
