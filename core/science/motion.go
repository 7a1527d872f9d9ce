package science

import "math"

var gInput = Input{Name: "g", Label: "gravity", Unit: "m/s²", Default: gravity, Limits: "> 0", Help: "gravity-here"}

func init() {
	register(Model{Number: 15, ID: "pendulum", Group: "fast", Main: "period", Inverse: []string{"length"},
		Inputs: []Input{
			{Name: "length", Unit: "m", Optional: true, Limits: "> 0"},
			{Name: "period", Unit: "s", Optional: true, Limits: "> 0"},
			{Name: "amplitude", Unit: "deg", Default: "0 deg", Limits: "0…90", Help: "from-the-vertical-to-one-side"},
			{Name: "swings", Unit: "1", Default: "10", Limits: "> 0", Help: "there-and-back"}, gInput,
		},
		Outputs: []Output{{"period", "s", ""}, {"frequency", "Hz", ""}, {"length", "cm", ""}, {"swings_time", "s", ""}},
		run: func(a *args) results {
			th, g := a.num("amplitude")*math.Pi/180, a.num("g")
			s := 1 + th*th/16 + 11*math.Pow(th, 4)/3072
			a.step("correction", "1 + amplitude^2 / 16 + 11 * amplitude^4 / 3072", "1")
			var l, t float64
			if a.exactlyOne("length", "period") == "length" {
				l = a.num("length")
				t = 2 * math.Pi * math.Sqrt(l/g) * s
				a.step("period", "2 * pi * sqrt(length / g) * correction", "s")
			} else {
				t = a.num("period")
				l = g * math.Pow(t/(2*math.Pi*s), 2)
				a.step("length", "g * (period / (2 * pi * correction))^2", "cm")
			}
			a.num("swings")
			a.step("frequency", "1 / period", "Hz")
			a.step("swings_time", "swings * period", "s")
			return results{
				"period":      num(t, "s"),
				"frequency":   num(1/t, "Hz"),
				"length":      num(100*l, "cm"),
				"swings_time": num(a.num("swings")*t, "s"),
			}
		}})
	register(Model{Number: 16, ID: "coupled-response", Group: "fast",
		Inputs: []Input{
			{Name: "driver_length", Unit: "cm", Limits: "> 0", Help: "of-the-one-that-is-set-going"},
			{Name: "follower_lengths", Unit: "list of cm", Limits: "> 0"},
			{Name: "q", Label: "quality_factor", Unit: "1", Limits: "> 0", Help: "quality-factor"},
		},
		Outputs: []Output{{"amplitudes", "1", ""}, {"largest_index", "1", ""}, {"in_resonance", "", ""}},
		run:     coupled})
	register(Model{Number: 17, ID: "ramp", Group: "fast", Main: "time", Inverse: []string{"height", "length"},
		Inputs: []Input{
			{Name: "length", Unit: "m", Limits: "> 0", Help: "along-the-slope"},
			{Name: "height", Unit: "m", Limits: "> 0", Help: "of-the-upper-end"},
			{
				Name:    "kind",
				Unit:    "choice",
				Options: []string{"slide", "solid-sphere", "hollow-sphere", "solid-cylinder", "hoop"},
			}, gInput,
		},
		Outputs: []Output{{"time", "s", ""}, {"speed", "m/s", ""}, {"friction_needed", "1", ""}},
		run:     ramp})
	register(
		Model{
			Number:  18,
			ID:      "flight",
			Group:   "fast",
			Main:    "height",
			Inverse: []string{"flight_time", "distance", "angle"},
			Inputs: []Input{
				{Name: "flight_time", Unit: "s", Optional: true, Limits: "≥ 0"},
				{Name: "distance", Unit: "m", Optional: true, Limits: "> 0", Help: "to-the-place-below"}, gInput,
				{Name: "angle", Unit: "deg", Optional: true, Limits: "0…<90", Help: "above-the-horizon"},
				{Name: "eye_height", Unit: "m", Default: "0 m", Limits: "≥ 0"},
			},
			Outputs: []Output{{"height", "m", ""}, {"launch_speed", "m/s", ""}},
			run: func(a *args) results {
				if a.exactlyOne("flight_time", "distance") == "flight_time" {
					a.forbid("with-distance", "angle", "eye_height")
					t, g := a.num("flight_time"), a.num("g")
					a.step("height", "g * flight_time^2 / 8", "m")
					a.step("launch_speed", "g * flight_time / 2", "m/s")
					return results{"height": num(g*t*t/8, "m"), "launch_speed": num(g*t/2, "m/s")}
				}
				a.forbid("with-flight-time", "g")
				defer a.step("height", "distance * tan(angle) + eye_height", "m")
				return results{
					"height": num(a.num("distance")*math.Tan(a.num("angle")*math.Pi/180)+a.num("eye_height"), "m"),
				}
			},
		},
	)
}

func coupled(a *args) results {
	driver, followers, q := a.num("driver_length"), a.list("follower_lengths", 1), a.num("q")
	gains := make([]float64, len(followers))
	best := 0
	for i, l := range followers {
		r2 := l / driver
		gains[i] = 1 / math.Sqrt((1-r2)*(1-r2)+r2/q/q)
		if gains[i] > gains[best] {
			best = i
		}
	}
	largest := gains[best]
	a.know("length_ratio", followers[best]/driver, "1")
	a.step("answer_of_the_largest", "1 / sqrt((1 - length_ratio)^2 + length_ratio / q^2)", "1")
	for i := range gains {
		gains[i] /= largest
	}
	return results{
		"amplitudes":    {Value: gains, Unit: "1"},
		"largest_index": num(float64(best), "1"),
		"in_resonance":  {Value: math.Abs(math.Sqrt(followers[best]/driver)-1) <= 1/(2*q)},
	}
}

func ramp(a *args) results {
	l, h, g, kind := a.num("length"), a.num("height"), a.num("g"), a.choice("kind")
	beta := map[string]float64{"slide": 0, "solid-sphere": 0.4, "hollow-sphere": 2.0 / 3, "solid-cylinder": 0.5,
		"hoop": 1}[kind]
	if h > l || h == l && kind != "slide" {
		stop("height", "has-to-be-below-the-length")
	}
	a.know("beta", beta, "1")
	a.step("acceleration", "g * height / length / (1 + beta)", "m/s²")
	a.step("time", "sqrt(2 * length / acceleration)", "s")
	a.step("speed", "acceleration * time", "m/s")
	friction := 0.0
	if beta > 0 {
		friction = beta / (1 + beta) * h / math.Sqrt(l*l-h*h)
	}
	return results{
		"time":            num(math.Sqrt(2*l/(g*h/l/(1+beta))), "s"),
		"speed":           num(math.Sqrt(2*g*h/(1+beta)), "m/s"),
		"friction_needed": num(friction, "1"),
	}
}
