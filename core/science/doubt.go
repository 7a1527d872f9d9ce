package science

import (
	"encoding/json"
	"math"
	"sort"
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Doubt is one input's part in the give or take.
type Doubt struct {
	Input string  `json:"input"`
	Share float64 `json:"share" doc:"Of the squared give or take, from 0 to 1"`
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
		return 0, text.Faulty("science.why.give.amount")
	}
	switch {
	case p.Unit == quantity.One:
		return p.Value, nil
	case p.Unit.Dim != unit.Dim:
		return 0, text.Faulty("science.why.give.kind", "a", p.Unit.Dim.Words(), "b", unit.Dim.Words())
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
var homeStep = map[string]float64{
	"km":  0.01,
	"m":   0.01,
	"ft":  1.0 / 12,
	"yd":  1.0 / 36,
	"L":   0.01,
	"kg":  0.01,
	"lb":  1.0 / 16,
	"d":   1.0 / 24,
	"h":   1.0 / 60,
	"min": 1.0 / 60,
}

// AmountU is the standard uncertainty of an amount whose tool was not named:
// that of a spoon or cup, else a digital step of its last written digit.
// Fractions have none.
func AmountU(written string, q quantity.Quantity) float64 {
	switch symbol := q.Unit.Symbol; {
	case strings.HasSuffix(symbol, "tsp"), strings.HasSuffix(symbol, "tbsp"):
		return math.Abs(q.Value) * spoonSpread
	case strings.HasSuffix(symbol, "cup"):
		return math.Abs(q.Value) * cupSpread
	case strings.ContainsAny(written, "/⁄½⅓⅔¼¾⅛⅜⅝⅞'′") || q.Unit.Symbol == "drop":
		return 0
	}
	number := strings.TrimLeft(strings.TrimSpace(written), "+-−")
	if i := strings.IndexFunc(number, func(r rune) bool {
		return (r < '0' || r > '9') && r != '.' && r != ','
	}); i >= 0 {
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

// moved is by how much each output moves as an amount does by its give or take: half the
// way from one end to the other, or, where one end cannot be, from what is typed.
func (m *Model) moved(r *Reply, inputs map[string]json.RawMessage, a amount) map[string]float64 {
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
	out := map[string]float64{}
	for _, o := range m.Outputs {
		high, ok1 := up[o.Name].Value.(float64)
		low, ok2 := down[o.Name].Value.(float64)
		if ok1 && ok2 {
			out[o.Name] = (high - low) / half
		}
	}
	return out
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
		for name, d := range m.moved(r, inputs, a) {
			squares[name] += d * d
			if name == r.Main {
				byInput[a.input] += d * d
			}
		}
	}
	own := m.ownDoubts()
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

// ownDoubts are the outputs that are, or have, a give or take of their own.
func (m *Model) ownDoubts() map[string]bool {
	own := map[string]bool{}
	for _, o := range m.Outputs {
		if o.U != "" {
			own[o.Name], own[o.U] = true, true
		}
	}
	return own
}
