package science

import (
	"encoding/json"
	"math"
	"slices"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Curve is the main output against one input, the others as they are, or a
// fitted law with the readings it was fitted to.
type Curve struct {
	Vary   string       `json:"vary,omitempty" doc:"The input that changes; none for a fitted law"`
	XName  string       `json:"x_name"`
	YName  string       `json:"y_name"`
	XUnit  string       `json:"x_unit"`
	YUnit  string       `json:"y_unit"`
	X      []float64    `json:"x"`
	Y      []*float64   `json:"y" doc:"Null where there is no answer"`
	AtX    *float64     `json:"at_x,omitempty" doc:"The present amount; none for a mere fit"`
	AtY    *float64     `json:"at_y,omitempty"`
	U      float64      `json:"u" doc:"Give or take of the present answer; 0 for none"`
	Low    float64      `json:"low" doc:"What the tool allows the present amount to be, from here"`
	High   float64      `json:"high" doc:"to here: twice its give or take"`
	Points [][2]float64 `json:"points,omitempty" doc:"Readings, as x and y; the law is sure only among them"`
}

// drawnAlong chooses the input to draw along: the first of the doubts that is
// a single amount, else the first single amount that moves the answer.
func (m *Model) drawnAlong(r Reply, amounts []amount) string {
	single := func(name string) bool {
		return slices.ContainsFunc(amounts, func(a amount) bool { return a.input == name && a.item < 0 })
	}
	for _, name := range m.Inverse { // a chosen amount is what one would change
		if i := slices.IndexFunc(m.Inputs, func(in Input) bool { return in.Name == name }); i >= 0 && single(name) {
			return name
		}
	}
	for _, d := range r.Doubts {
		if single(d.Input) {
			return d.Input
		}
	}
	for _, a := range amounts {
		if a.item < 0 {
			return a.input
		}
	}
	return ""
}

const curvePoints = 41

// reach is the range over which an amount is drawn and searched nearby: half
// of it to half as much again, for temperatures twenty degrees either way, cut
// to what is allowed.
func (m *Model) reach(a amount) (low, high float64) {
	v := a.q.Value
	low, high = v/2, v*1.5
	switch {
	case a.q.Unit.Dim == quantity.Temperature:
		low, high = v-20, v+20
	case v == 0:
		low, high = 0, 10
	case v < 0:
		low, high = high, low
	}
	return low, high
}

// curve runs the model over the reach of one amount; nil when it is not a
// single amount or nothing changes.
func (m *Model) curve(r Reply, inputs map[string]json.RawMessage, amounts []amount, vary, language string) *Curve {
	i := slices.IndexFunc(amounts, func(a amount) bool { return a.input == vary && a.item < 0 })
	if i < 0 {
		return nil
	}
	a := amounts[i]
	in := m.Inputs[slices.IndexFunc(m.Inputs, func(in Input) bool { return in.Name == vary })]
	main := r.Outputs[r.Main]
	atY := main.Value.(float64)
	c := &Curve{
		Vary:  vary,
		XName: text.Render(in.Words(), language),
		YName: text.Render(called(r.Main), language),
		XUnit: a.q.Unit.Label(),
		YUnit: label(main.Unit),
		AtX:   &a.q.Value,
		AtY:   &atY,
		Low:   a.q.Value - 2*a.q.U,
		High:  a.q.Value + 2*a.q.U,
	}
	if main.Uncertainty != nil {
		c.U = *main.Uncertainty
	}
	low, high := m.reach(a)
	points := curvePoints
	if in.Whole {
		low, high = math.Max(1, math.Floor(low)), math.Ceil(high)
		points = min(curvePoints, int(high-low)+1)
	}
	flat, first := true, math.NaN()
	for k := range points {
		x := low + (high-low)*float64(k)/float64(max(1, points-1))
		if in.Whole {
			x = math.Round(x)
		}
		c.X = append(c.X, x)
		y, ok := m.number(r.Main, with(inputs, a, x))
		if !ok {
			c.Y = append(c.Y, nil)
			continue
		}
		c.Y = append(c.Y, &y)
		if math.IsNaN(first) {
			first = y
		}
		flat = flat && y == first
	}
	if flat {
		return nil
	}
	return c
}

// fitted draws the law that a model fitted, over its readings and on to the
// amount that was asked for.
func (m *Model) fitted(r Reply, a *args, language string) *Curve {
	d := a.drawn
	c := &Curve{
		XName: text.Render(called(d.xName), language),
		YName: text.Render(called(d.yName), language),
		XUnit: d.xUnit,
		YUnit: d.yUnit,
	}
	low, high := slices.Min(d.x), slices.Max(d.x)
	for i, x := range d.x {
		c.Points = append(c.Points, [2]float64{x, d.y[i]})
	}
	if main := r.Outputs[r.Main]; d.at != "" && a.has(d.at) {
		at, y := a.num(d.at), main.Value.(float64)
		c.AtX, c.AtY, c.Low, c.High = &at, &y, at, at
		low, high = math.Min(low, at), math.Max(high, at)
		if main.Uncertainty != nil {
			c.U = *main.Uncertainty
		}
	}
	for k := range curvePoints {
		x := low + (high-low)*float64(k)/(curvePoints-1)
		y := d.law(x)
		c.X, c.Y = append(c.X, x), append(c.Y, &y)
	}
	return c
}
