package science

import (
	"bytes"
	"image"
	_ "image/jpeg" // photos come as JPEG or PNG
	_ "image/png"

	"patient-kitchen/core/signal"
	"patient-kitchen/core/text"
)

// mostPixels bounds the photo that is decoded.
const mostPixels = 50e6

func init() {
	click := Input{
		Name:    "click",
		Unit:    "1",
		Default: "1.5",
		Limits:  "> 0",
		Chosen:  true,
		Label:   "give_or_take_of_a_mark",
		Help:    "in-pixels",
	}
	mark := func(name, help string) Input {
		return Input{Name: name, Unit: "list of 1", Help: help + "-as-x-y-in-pixels"}
	}
	register(Model{Number: 34, ID: "photo-length", Group: "read", Main: "length",
		Inputs: []Input{
			{
				Name:   "ruler",
				Unit:   "any",
				Limits: "> 0",
				Label:  "known_length",
				Help:   "between-the-two-marks-on-the-ruler",
			},
			mark(
				"ruler_from",
				"one-mark-of-the-ruler",
			), mark("ruler_to", "the-other"), {Name: "ruler_middle", Unit: "list of 1", Optional: true,
				Help: "half-way-between-them-to-see-a-tilt"},
			mark("from", "one-end-of-the-thing"), mark("to", "its-other-end"), click,
		},
		Outputs: []Output{
			{"length", "as the data", "u"},
			{"u", "as the data", ""},
			{"warnings", "", ""},
		}, run: photoLength})
	register(Model{Number: 35, ID: "photo-angle", Group: "read", Main: "angle",
		Inputs: []Input{
			mark("corner", "where-the-arms-meet"),
			mark("from", "on-one-arm"),
			mark("to", "on-the-other-arm"),
			click,
		},
		Outputs: []Output{{"angle", "deg", "u"}, {"u", "deg", ""}, {"warnings", "", ""}}, run: photoAngle})
	register(Model{Number: 36, ID: "photo-colour", Group: "read", Main: "spread",
		Inputs: []Input{
			{Name: "photo", Unit: "recording", Help: "jpeg-or-png"},
			{Name: "spot", Unit: "list of 1", Help: "as-x-y-radius-in-pixels"},
			{Name: "white", Unit: "list of 1", Help: "white-paper-in-the-same-light-as-x-y-radius-in-pixels"},
		},
		Outputs: []Output{{"colour", "1", ""}, {"spread", "1", ""}, {"warnings", "", ""}}, run: photoColour})
}

// point is a mark: x and y in pixels.
func (a *args) point(name string) signal.Point {
	v := a.list(name, 2)
	if len(v) != 2 {
		stop(name, "has-to-be-two-numbers-x")
	}
	return signal.Point{X: v[0], Y: v[1]}
}

func photoLength(a *args) results {
	unit := a.unitOf("ruler")
	r := signal.Ruler{From: a.point("ruler_from"), To: a.point("ruler_to"), Length: a.like("ruler", unit)}
	if a.has("ruler_middle") {
		middle := a.point("ruler_middle")
		r.Middle = &middle
	}
	m, err := r.Measure(a.point("from"), a.point("to"), a.num("click"))
	if err != nil {
		stop("ruler_from", "said", "a", text.Why(err))
	}
	return results{
		"length":   num(m.Value, unit.Symbol),
		"u":        num(m.U, unit.Symbol),
		"warnings": {Value: names(m.Warnings)},
	}
}

func photoAngle(a *args) results {
	m, err := signal.Angle(a.point("from"), a.point("corner"), a.point("to"), a.num("click"))
	if err != nil {
		stop("corner", "said", "a", text.Why(err))
	}
	return results{"angle": num(m.Value, "deg"), "u": num(m.U, "deg"), "warnings": {Value: names(m.Warnings)}}
}

func (a *args) spot(name string) signal.Spot {
	v := a.list(name, 3)
	if len(v) != 3 {
		stop(name, "has-to-be-three-numbers-x")
	}
	return signal.Spot{X: v[0], Y: v[1], Radius: v[2]}
}

func photoColour(a *args) results {
	file := a.recording("photo")
	size, _, err := image.DecodeConfig(bytes.NewReader(file))
	if err != nil || float64(size.Width)*float64(size.Height) > mostPixels {
		stop("photo", "has-to-be-a-jpeg-or")
	}
	photo, _, err := image.Decode(bytes.NewReader(file))
	if err != nil {
		stop("photo", "cannot-be-read", "a", text.Why(err))
	}
	s, err := signal.SpotColour(photo, a.spot("spot"), a.spot("white"))
	if err != nil {
		stop("spot", "said", "a", text.Why(err))
	}
	return results{
		"colour":   {Value: []float64{s.Colour.R, s.Colour.G, s.Colour.B}, Unit: "1"},
		"spread":   num(s.Spread, "1"),
		"warnings": {Value: names(s.Doubts)},
	}
}

func names[T ~string](list []T) []string {
	out := make([]string, len(list))
	for i, v := range list {
		out[i] = string(v)
	}
	return out
}
