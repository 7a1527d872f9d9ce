package science

import "math"

var gInput = Input{Name: "g", Unit: "m/s²", Default: gravity, Limits: "> 0", Help: "gravity here"}

func init() {
	register(Model{Number: 15, ID: "pendulum", Group: "fast", Title: "How long must a pendulum be, how long is its swing?",
		Inputs: []Input{
			{Name: "length", Unit: "m", Optional: true, Limits: "> 0"}, {Name: "period", Unit: "s", Optional: true, Limits: "> 0"}, {Name: "amplitude", Unit: "deg", Default: "0 deg", Limits: "0…90", Help: "from the vertical to one side"},
			{Name: "swings", Unit: "1", Default: "10", Limits: "> 0", Help: "there and back"}, gInput,
		},
		Outputs: []Output{{"period", "s"}, {"frequency", "Hz"}, {"length", "cm"}, {"swings_time", "s"}},
		Assumes: "A small bob on a light thread, no friction. The series is right to 0.03 % at 60°.",
		run: func(a *args) results {
			th, g := a.num("amplitude")*math.Pi/180, a.num("g")
			s := 1 + th*th/16 + 11*math.Pow(th, 4)/3072
			var l, t float64
			if a.exactlyOne("length", "period") == "length" {
				l = a.num("length")
				t = 2 * math.Pi * math.Sqrt(l/g) * s
			} else {
				t = a.num("period")
				l = g * math.Pow(t/(2*math.Pi*s), 2)
			}
			return results{"period": num(t, "s"), "frequency": num(1/t, "Hz"), "length": num(100*l, "cm"), "swings_time": num(a.num("swings")*t, "s")}
		}})
	register(Model{Number: 16, ID: "coupled-response", Group: "fast", Title: "Which pendulum on the string answers most?",
		Inputs:  []Input{{Name: "driver_length", Unit: "cm", Limits: "> 0", Help: "of the one that is set going"}, {Name: "follower_lengths", Unit: "list of cm", Limits: "> 0"}, {Name: "q", Unit: "1", Limits: "> 0", Help: "quality factor"}},
		Outputs: []Output{{"amplitudes", "1"}, {"largest_index", "1"}, {"in_resonance", ""}},
		Assumes: "Steady state, equal coupling, heavy driver. Just after the start all followers show beats.", run: coupled})
	register(Model{Number: 17, ID: "ramp", Group: "fast", Title: "How long does it roll down this ramp?",
		Inputs: []Input{
			{Name: "length", Unit: "m", Limits: "> 0", Help: "along the slope"}, {Name: "height", Unit: "m", Limits: "> 0", Help: "of the upper end"},
			{Name: "kind", Unit: "choice", Options: []string{"slide", "solid-sphere", "hollow-sphere", "solid-cylinder", "hoop"}}, gInput,
		},
		Outputs: []Output{{"time", "s"}, {"speed", "m/s"}, {"friction_needed", "1"}},
		Assumes: "From rest, no rolling resistance. A slide is frictionless; a real block is slower.", run: ramp})
	register(Model{Number: 18, ID: "flight", Group: "fast", Title: "How high did it fly?",
		Inputs: []Input{
			{Name: "flight_time", Unit: "s", Optional: true, Limits: "≥ 0"}, {Name: "distance", Unit: "m", Optional: true, Limits: "> 0", Help: "to the place below"}, gInput,
			{Name: "angle", Unit: "deg", Optional: true, Limits: "0…<90", Help: "above the horizon"}, {Name: "eye_height", Unit: "m", Default: "0 m", Limits: "≥ 0"},
		},
		Outputs: []Output{{"height", "m"}, {"launch_speed", "m/s"}},
		Assumes: "Straight up, no air drag: a few percent too high for light balls.",
		run: func(a *args) results {
			if a.exactlyOne("flight_time", "distance") == "flight_time" {
				a.forbid("goes with distance, not with a flight time", "angle", "eye_height")
				t, g := a.num("flight_time"), a.num("g")
				return results{"height": num(g*t*t/8, "m"), "launch_speed": num(g*t/2, "m/s")}
			}
			a.forbid("goes with flight_time", "g")
			return results{"height": num(a.num("distance")*math.Tan(a.num("angle")*math.Pi/180)+a.num("eye_height"), "m")}
		}})
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
	for i := range gains {
		gains[i] /= largest
	}
	return results{"amplitudes": {Value: gains, Unit: "1"}, "largest_index": num(float64(best), "1"), "in_resonance": {Value: math.Abs(math.Sqrt(followers[best]/driver)-1) <= 1/(2*q)}}
}

func ramp(a *args) results {
	l, h, g, kind := a.num("length"), a.num("height"), a.num("g"), a.choice("kind")
	beta := map[string]float64{"slide": 0, "solid-sphere": 0.4, "hollow-sphere": 2.0 / 3, "solid-cylinder": 0.5, "hoop": 1}[kind]
	if h > l || h == l && kind != "slide" {
		stop("height", "has to be below the length of the slope")
	}
	friction := 0.0
	if beta > 0 {
		friction = beta / (1 + beta) * h / math.Sqrt(l*l-h*h)
	}
	return results{"time": num(math.Sqrt(2*l/(g*h/l/(1+beta))), "s"), "speed": num(math.Sqrt(2*g*h/(1+beta)), "m/s"), "friction_needed": num(friction, "1")}
}
