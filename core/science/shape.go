package science

import "math"

func init() {
	register(Model{Number: 19, ID: "circle", Group: "size", Main: "ratio",
		Inputs: []Input{
			{Name: "circumference", Unit: "cm", Limits: "> 0"},
			{Name: "diameter", Unit: "cm", Limits: "> 0"},
			{
				Name:    "circumference_resolution",
				Chosen:  true,
				Unit:    "cm",
				Default: "1 mm",
				Limits:  "≥ 0",
				Help:    "smallest-step-of-the-tape",
			},
			{Name: "diameter_resolution", Chosen: true, Unit: "cm", Default: "1 mm", Limits: "≥ 0",
				Help: "smallest-step-of-the-ruler"},
		},
		Outputs: []Output{{"ratio", "1", "u"}, {"u", "1", ""}, {"percent_error", "%", ""}, {"consistent", "", ""}},
		run: func(a *args) results {
			c, d, rc, rd := a.num(
				"circumference",
			), a.num(
				"diameter",
			), a.num(
				"circumference_resolution",
			), a.num(
				"diameter_resolution",
			)
			ratio := c / d
			a.step("ratio", "circumference / diameter", "1")
			a.step(
				"u",
				"ratio * sqrt((circumference_resolution / circumference)^2 + (diameter_resolution / "+
					"diameter)^2) / sqrt(12)",
				"1",
			)
			a.step("percent_error", "(ratio - pi) / pi", "%")
			u := ratio * math.Hypot(rc/c, rd/d) / math.Sqrt(12)
			return results{
				"ratio":         num(ratio, "1"),
				"u":             num(u, "1"),
				"percent_error": num(100*(ratio-math.Pi)/math.Pi, "%"),
				"consistent":    {Value: math.Abs(ratio-math.Pi) <= 2*u},
			}
		}})
	register(Model{Number: 25, ID: "colour-wheel", Group: "size", Main: "rpm", Inverse: []string{"fusion_frequency"},
		Inputs: []Input{
			{Name: "weights", Unit: "list of 1", Limits: "≥ 0", Help: "of-the-colours"},
			{Name: "fusion_frequency", Chosen: true, Unit: "Hz", Default: "50 Hz", Limits: "> 0"},
			{
				Name:    "repeats",
				Unit:    "1",
				Default: "1",
				Limits:  "≥ 1",
				Whole:   true,
				Help:    "of-the-set-of-sectors-around-the-wheel",
			},
		},
		Outputs: []Output{{"angles", "deg", ""}, {"rev_per_s", "1/s", ""}, {"rpm", "1/min", ""}},
		run: func(a *args) results {
			w, f, k := a.list("weights", 1), a.num("fusion_frequency"), a.num("repeats")
			sum := 0.0
			for _, v := range w {
				sum += v
			}
			if sum <= 0 {
				stop("weights", "are-all-nothing")
			}
			a.step("rev_per_s", "fusion_frequency / repeats", "1/s")
			a.step("rpm", "fusion_frequency / repeats", "1/min")
			angles := make([]float64, len(w))
			for i, v := range w {
				angles[i] = 360 * v / (k * sum)
			}
			return results{
				"angles":    {Value: angles, Unit: "deg"},
				"rev_per_s": num(f/k, "1/s"),
				"rpm":       num(60*f/k, "1/min"),
			}
		}})
	register(
		Model{
			Number:  26,
			ID:      "pinhole",
			Group:   "size",
			Main:    "image_height",
			Inverse: []string{"object_distance", "screen_distance"},
			Inputs: []Input{
				{Name: "object_height", Unit: "m", Limits: "> 0"},
				{Name: "object_distance", Unit: "m", Limits: "> 0"},
				{Name: "screen_distance", Unit: "m", Limits: "> 0", Help: "from-the-hole"},
				{Name: "wavelength", Chosen: true, Unit: "m", Default: "550 nm", Limits: "> 0"},
			},
			Outputs: []Output{{"image_height", "cm", ""}, {"hole_diameter", "mm", ""}},
			run: func(a *args) results {
				s := a.num("screen_distance")
				defer a.step("hole_diameter", "1.9 * sqrt(wavelength * screen_distance)", "mm")
				defer a.step("image_height", "object_height * screen_distance / object_distance", "cm")
				return results{
					"image_height":  num(100*a.num("object_height")*s/a.num("object_distance"), "cm"),
					"hole_diameter": num(1000*1.9*math.Sqrt(a.num("wavelength")*s), "mm"),
				}
			},
		},
	)
}
