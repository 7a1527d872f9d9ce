package science

import (
	"encoding/json"
	"fmt"
	"math"
	"slices"
	"sort"
	"strconv"
	"strings"

	"patient-kitchen/core/quantity"
)

// Question is what was typed into a model's blanks, and what is asked about it.
type Question struct {
	Typed map[string]string // by input; "60 mL ± 2 mL" says its own give or take
	Vary  string            // the input along which the answer is drawn; "" for the one that the doubt comes from
	// Solve is the input to be changed until the main output is Wanted, as
	// typed, such as "1 L". Both empty when nothing is wanted.
	Solve, Wanted string
}

// Reply is everything that can be said about a question.
type Reply struct {
	Outputs map[string]Value
	Main    string   // the output that answers; "" where none is a number
	Doubts  []Doubt  // where the main output's give or take comes from, the largest first
	Finer   *float64 // the main output's give or take if the first of Doubts were read ten times finer
	Curve   *Curve
	Steps   []Step
	Finding *Finding
	Solved  *Solved
}

// Doubt is one input's part in the give or take.
type Doubt struct {
	Input string  `json:"input"`
	Share float64 `json:"share" doc:"Of the squared give or take, from 0 to 1"`
}

// Curve is the main output against one input, the others as they are.
type Curve struct {
	Vary  string     `json:"vary" doc:"The input that changes"`
	XUnit string     `json:"x_unit"`
	YUnit string     `json:"y_unit"`
	X     []float64  `json:"x"`
	Y     []*float64 `json:"y" doc:"Null where there is no answer"`
	AtX   float64    `json:"at_x" doc:"The present amount"`
	AtY   float64    `json:"at_y"`
	U     float64    `json:"u" doc:"Give or take of the present answer; 0 for none"`
	Low   float64    `json:"low" doc:"What the tool allows the present amount to be, from here"`
	High  float64    `json:"high" doc:"to here: twice its give or take"`
}

// Solved is the amount of an input at which the main output is what was
// wanted, or why there is none.
type Solved struct {
	Input   string
	Value   quantity.Quantity
	Problem *InputError
}

// amount is one typed number that has a give or take.
type amount struct {
	input string
	item  int // place in a list; −1 for a single one
	q     quantity.Quantity
	plain bool // a number without a unit
}

func (a amount) text(value float64) string {
	number := strconv.FormatFloat(value, 'g', -1, 64)
	if a.plain {
		return number
	}
	return number + " " + a.q.Unit.Symbol
}

// Ask computes everything about a question. Its error is of type *InputError.
func (m *Model) Ask(q Question) (Reply, error) {
	typed, amounts, err := m.split(q.Typed)
	if err != nil {
		return Reply{}, err
	}
	inputs, err := m.fromTyped(typed)
	if err != nil {
		return Reply{}, err
	}
	a, outputs, err := m.work(inputs, true)
	if err != nil {
		return Reply{}, err
	}
	r := Reply{Outputs: outputs, Steps: a.steps, Finding: a.finding, Main: m.answering(outputs, inputs)}
	if r.Main == "" {
		return r, nil
	}
	m.doubt(&r, inputs, amounts)
	vary := q.Vary
	if vary == "" {
		vary = m.drawnAlong(r, amounts)
	}
	r.Curve = m.curve(r, inputs, amounts, vary)
	if q.Solve != "" && strings.TrimSpace(q.Wanted) != "" {
		r.Solved = m.solve(r, inputs, q)
	}
	return r, nil
}

// answering is the output that answers: Main, or the first number that is not
// merely an input again.
func (m *Model) answering(outputs map[string]Value, inputs map[string]json.RawMessage) string {
	answers := func(name string) bool {
		_, number := outputs[name].Value.(float64)
		_, given := inputs[name]
		return number && !given
	}
	if answers(m.Main) {
		return m.Main
	}
	for _, o := range m.Outputs {
		if answers(o.Name) && m.Main != "" {
			return o.Name
		}
	}
	return ""
}

// split takes the give or take off what was typed and reads every amount.
// What cannot be read is left to the model, which has the better message.
func (m *Model) split(typed map[string]string) (map[string]string, []amount, error) {
	plain := map[string]string{}
	var amounts []amount
	for _, in := range m.Inputs {
		t, ok := typed[in.Name]
		if !ok {
			continue
		}
		list := strings.HasPrefix(in.Unit, "list of ")
		if in.Unit == "text" || in.Unit == "choice" || in.Unit == "flag" || in.Unit == "objects" || in.Unit == "symbols" || in.Unit == "recording" {
			plain[in.Name] = t
			continue
		}
		items := []string{t}
		if list {
			items = divide(t)
		}
		for i, item := range items {
			value, give, said := cutGive(item)
			items[i] = value
			place := in.Name
			at := -1
			if list {
				at, place = i, fmt.Sprintf("%s[%d]", in.Name, i)
			}
			p, err := quantity.Parse(value)
			if err != nil || p.IsRange {
				if said && strings.TrimSpace(value) == "" {
					return nil, nil, &InputError{place, "has a give or take, but no amount before it"}
				}
				continue
			}
			q := p.Quantity
			if said {
				if q.U, err = readGive(give, q.Unit); err != nil {
					return nil, nil, &InputError{place, err.Error()}
				}
			} else if !in.Chosen && !in.Whole && q.Unit != quantity.One {
				q.U = readingU(value, q)
			}
			amounts = append(amounts, amount{in.Name, at, q, q.Unit == quantity.One})
		}
		plain[in.Name] = strings.Join(items, "; ")
	}
	for name, t := range typed { // names that are no input: the model says so
		if !slices.ContainsFunc(m.Inputs, func(in Input) bool { return in.Name == name }) {
			plain[name] = t
		}
	}
	return plain, amounts, nil
}

func cutGive(s string) (value, give string, said bool) {
	for _, sign := range []string{"±", "+/-", "+-", "give or take"} {
		if value, give, said = strings.Cut(s, sign); said {
			return strings.TrimSpace(value), strings.TrimSpace(give), true
		}
	}
	return s, "", false
}

// readGive reads a give or take: a number in the amount's unit, or a quantity
// of its kind. A percentage of the amount is taken as such only for
// percentages: "5 % ± 0.5 %".
func readGive(give string, unit quantity.Unit) (float64, error) {
	p, err := quantity.Parse(give)
	if err != nil || p.IsRange || p.Value < 0 {
		return 0, fmt.Errorf("what stands after ± is not an amount; write one such as ± 0.5")
	}
	switch {
	case p.Unit == quantity.One:
		return p.Value, nil
	case p.Unit.Dim != unit.Dim:
		return 0, fmt.Errorf("what stands after ± is a %s, not a %s", p.Unit.Dim, unit.Dim)
	}
	return p.Value * p.Unit.Factor / unit.Factor, nil
}

// Relative standard uncertainties of filling level (chapter 1 of the domain).
const (
	spoonSpread = 0.10
	cupSpread   = 0.05
)

// homeStep is the coarsest step, in the unit, that an amount in a large unit is
// taken to be measured with: nobody reads a tape to the metre. A choice of this
// program.
var homeStep = map[string]float64{"km": 0.01, "m": 0.01, "ft": 1.0 / 12, "yd": 1.0 / 36, "L": 0.01, "kg": 0.01, "lb": 1.0 / 16, "d": 1.0 / 24, "h": 1.0 / 60, "min": 1.0 / 60}

// readingU is the standard uncertainty of an amount whose tool was not named:
// that of a spoon or cup, else a digital step of its last written digit.
// Fractions have none.
func readingU(written string, q quantity.Quantity) float64 {
	switch symbol := q.Unit.Symbol; {
	case strings.HasSuffix(symbol, "tsp"), strings.HasSuffix(symbol, "tbsp"):
		return math.Abs(q.Value) * spoonSpread
	case strings.HasSuffix(symbol, "cup"):
		return math.Abs(q.Value) * cupSpread
	case strings.ContainsAny(written, "/⁄½⅓⅔¼¾⅛⅜⅝⅞'′") || q.Unit.Symbol == "drop":
		return 0
	}
	number := strings.TrimLeft(strings.TrimSpace(written), "+-−")
	if i := strings.IndexFunc(number, func(r rune) bool { return (r < '0' || r > '9') && r != '.' && r != ',' }); i >= 0 {
		number = number[:i]
	}
	step := 1.0
	if i := strings.LastIndexAny(number, ".,"); i >= 0 {
		step = math.Pow10(-(len(number) - i - 1))
	}
	if most, ok := homeStep[q.Unit.Symbol]; ok {
		step = math.Min(step, most)
	}
	return quantity.Resolution{Step: step}.U()
}

// with is the inputs with one amount changed.
func with(inputs map[string]json.RawMessage, a amount, value float64) map[string]json.RawMessage {
	out := make(map[string]json.RawMessage, len(inputs))
	for name, raw := range inputs {
		out[name] = raw
	}
	changed, _ := json.Marshal(a.text(value))
	if a.item >= 0 {
		var items []json.RawMessage
		if json.Unmarshal(inputs[a.input], &items) == nil && a.item < len(items) {
			items[a.item] = changed
			changed, _ = json.Marshal(items)
		}
	}
	out[a.input] = changed
	return out
}

// number is one output of a run with one amount changed; ok is false where
// there is none.
func (m *Model) number(output string, inputs map[string]json.RawMessage) (v float64, ok bool) {
	out, err := m.Run(inputs)
	if err != nil {
		return 0, false
	}
	v, ok = out[output].Value.(float64)
	return v, ok
}

// doubt propagates the amounts' give or take to first order, by running the
// model at either end of each, and keeps the main output's own where the model
// has one. It sets Doubts and Finer and every output's Uncertainty.
func (m *Model) doubt(r *Reply, inputs map[string]json.RawMessage, amounts []amount) {
	squares := map[string]float64{} // by output
	byInput := map[string]float64{} // of the main output
	for _, a := range amounts {
		if a.q.U == 0 {
			continue
		}
		up, errUp := m.Run(with(inputs, a, a.q.Value+a.q.U))
		down, errDown := m.Run(with(inputs, a, a.q.Value-a.q.U))
		half := 2.0
		if errUp != nil || errDown != nil { // at a limit: one-sided
			half = 1
		}
		if errUp != nil {
			up = r.Outputs
		}
		if errDown != nil {
			down = r.Outputs
		}
		for _, o := range m.Outputs {
			high, ok1 := up[o.Name].Value.(float64)
			low, ok2 := down[o.Name].Value.(float64)
			if !ok1 || !ok2 {
				continue
			}
			d := (high - low) / half
			squares[o.Name] += d * d
			if o.Name == r.Main {
				byInput[a.input] += d * d
			}
		}
	}
	own := map[string]bool{} // outputs that are, or have, a give or take of their own
	for _, o := range m.Outputs {
		if o.U != "" {
			own[o.Name], own[o.U] = true, true
		}
	}
	for name, s := range squares {
		v := r.Outputs[name]
		// A number of steps, such as loads that fit, does not spread.
		if u := math.Sqrt(s); u > 1e-12*math.Abs(v.Value.(float64)) && !own[name] && m.Group != "sure" {
			v.Uncertainty = &u
			r.Outputs[name] = v
		}
	}
	total := squares[r.Main]
	if total == 0 || own[r.Main] || m.Group == "sure" {
		return
	}
	for input, s := range byInput {
		r.Doubts = append(r.Doubts, Doubt{input, s / total})
	}
	sort.Slice(r.Doubts, func(i, j int) bool {
		a, b := r.Doubts[i], r.Doubts[j]
		return a.Share > b.Share || a.Share == b.Share && a.Input < b.Input
	})
	finer := math.Sqrt(total - 0.99*byInput[r.Doubts[0].Input])
	r.Finer = &finer
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
func (m *Model) curve(r Reply, inputs map[string]json.RawMessage, amounts []amount, vary string) *Curve {
	i := slices.IndexFunc(amounts, func(a amount) bool { return a.input == vary && a.item < 0 })
	if i < 0 {
		return nil
	}
	a := amounts[i]
	whole := slices.ContainsFunc(m.Inputs, func(in Input) bool { return in.Name == vary && in.Whole })
	main := r.Outputs[r.Main]
	c := &Curve{Vary: vary, XUnit: a.q.Unit.Label(), YUnit: label(main.Unit), AtX: a.q.Value, AtY: main.Value.(float64), Low: a.q.Value - 2*a.q.U, High: a.q.Value + 2*a.q.U}
	if main.Uncertainty != nil {
		c.U = *main.Uncertainty
	}
	low, high := m.reach(a)
	points := curvePoints
	if whole {
		low, high = math.Max(1, math.Floor(low)), math.Ceil(high)
		points = min(curvePoints, int(high-low)+1)
	}
	flat, first := true, math.NaN()
	for k := range points {
		x := low + (high-low)*float64(k)/float64(max(1, points-1))
		if whole {
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

func label(unit string) string {
	if u, ok := quantity.LookupUnit(unit); ok {
		return u.Label()
	}
	return unit
}

// solve finds the amount of an input at which the main output is what was
// wanted: it looks for a change of side on a grid that grows from the present
// amount, then halves.
func (m *Model) solve(r Reply, inputs map[string]json.RawMessage, q Question) *Solved {
	s := &Solved{Input: q.Solve}
	fail := func(input, format string, args ...any) *Solved {
		s.Problem = &InputError{input, fmt.Sprintf(format, args...)}
		return s
	}
	if !slices.Contains(m.Inverse, q.Solve) {
		return fail(q.Solve, "cannot be found from the answer; only %s can", strings.Join(m.Inverse, ", "))
	}
	main := r.Outputs[r.Main]
	raw, _ := json.Marshal(q.Wanted)
	want, problem := wanted(raw, main.Unit)
	if problem != nil {
		return fail(r.Main, "%s", problem.Message)
	}
	in := m.input(q.Solve)
	a := amount{input: q.Solve, item: -1, q: quantity.New(1, unitFor(in)), plain: in.Unit == "1" || in.Unit == "any"}
	if given, ok := inputs[q.Solve]; ok {
		var typed string
		if json.Unmarshal(given, &typed) == nil {
			if p, err := quantity.Parse(typed); err == nil {
				a.q, a.plain = p.Quantity, p.Unit == quantity.One
			}
		}
	}
	f := func(x float64) (float64, bool) {
		if in.Whole {
			x = math.Round(x)
		}
		v, ok := m.number(r.Main, with(inputs, a, x))
		return v - want, ok
	}
	x0 := a.q.Value
	if x0 == 0 {
		x0 = 1
	}
	low, high := math.Inf(1), math.Inf(-1) // answers that were seen
	type place struct {
		x, f float64
		ok   bool
	}
	at := func(x float64) place {
		v, ok := f(x)
		if ok {
			low, high = math.Min(low, v), math.Max(high, v)
		}
		return place{x, v, ok}
	}
	up, down := at(x0), at(x0)
	const grow = 1.25
	for range 62 { // six decades either way
		for _, side := range []struct {
			last *place
			x    float64
		}{{&up, up.x * grow}, {&down, down.x / grow}} {
			next := at(side.x)
			if next.ok && side.last.ok && next.f*side.last.f <= 0 {
				x := halve(f, side.last.x, next.x, side.last.f)
				if in.Whole { // the least whole number that reaches it
					x = math.Ceil(x - 1e-6)
				}
				s.Value = quantity.Quantity{Value: x, Unit: a.q.Unit}
				return s
			}
			*side.last = next
		}
	}
	if math.IsInf(low, 1) {
		return fail(q.Solve, "has no answer near this one")
	}
	d := quantity.Decimals(math.Max(math.Abs(low+want), math.Abs(high+want)), (high-low)/100)
	return fail(q.Solve, "cannot bring the answer there: it goes from %s to %s %s", quantity.Number(low+want, d, "en"), quantity.Number(high+want, d, "en"), label(main.Unit))
}

func halve(f func(float64) (float64, bool), a, b, fa float64) float64 {
	for range 80 {
		mid := (a + b) / 2
		v, ok := f(mid)
		if !ok {
			break
		}
		if v == 0 || v*fa > 0 {
			a, fa = mid, v
		} else {
			b = mid
		}
		if v == 0 {
			return mid
		}
	}
	return (a + b) / 2
}

// wanted reads a wanted answer in an output's unit; a bare number is in it.
func wanted(raw json.RawMessage, unit string) (v float64, problem *InputError) {
	defer func() {
		if p := recover(); p != nil {
			problem = p.(*InputError)
		}
	}()
	q, plain := readQuantity("", raw)
	if plain {
		return q.Value, nil
	}
	return number("", raw, unit), nil
}

func (m *Model) input(name string) Input {
	i := slices.IndexFunc(m.Inputs, func(in Input) bool { return in.Name == name })
	if i < 0 {
		panic("science: " + m.ID + " has no input " + name)
	}
	return m.Inputs[i]
}

// unitFor is the unit an input's amounts are tried in.
func unitFor(in Input) string {
	if in.Unit == "any" {
		return "1"
	}
	return in.Unit
}
