package science

import (
	"encoding/json"
	"fmt"
	"slices"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Question is what was typed into a model's blanks, and what is asked about it.
type Question struct {
	Typed map[string]string // by input; "60 mL ± 2 mL" says its own give or take
	Vary  string            // the input along which the answer is drawn; "" for the one that the doubt comes from
	// Solve is the input to be changed until the main output is Wanted, as
	// typed, such as "1 L". Both empty when nothing is wanted.
	Solve, Wanted string
	Language      string          // of the writer, for numbers and units in words
	Measures      quantity.System // what a cup is there; "" is metric
}

// Reply is everything that can be said about a question.
type Reply struct {
	Outputs map[string]Value
	Main    string   // the output that answers; "" where none is a number
	Doubts  []Doubt  // where the main output's give or take comes from, the largest first
	Finer   *float64 // the main output's give or take if the first of Doubts were read ten times finer
	Curve   *Curve
	Steps   []Step
	Finding *Tested
	Solved  *Solved
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
	typed, amounts, err := m.split(m.plainly(q))
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
	if a.drawn != nil && (q.Vary == "" || q.Vary == a.drawn.at) {
		r.Curve = m.fitted(r, a, q.Language)
	} else {
		r.Curve = m.curve(r, inputs, amounts, vary, q.Language)
	}
	if q.Solve != "" && strings.TrimSpace(q.Wanted) != "" {
		r.Solved = m.solve(r, inputs, q)
	}
	return r, nil
}

// Sentence says the answer: what it is, how much, give or take.
func (m *Model) Sentence(r Reply) text.Message {
	name := r.Main
	if name == "" {
		name = m.Outputs[0].Name
	}
	v := r.Outputs[name]
	args := text.Args{"what": opening{called(name)}, "value": bare{v}}
	if v.Uncertainty == nil {
		return text.Message{ID: "science.answer", Args: args}
	}
	args["give"] = give{Value{Value: *v.Uncertainty, Unit: v.Unit}}
	return text.Message{ID: "science.answer.give", Args: args}
}

// opening is a message with a capital, as it opens a sentence.
type opening struct{ text.Message }

func (o opening) Show(language string) string {
	words := text.Render(o.Message, language)
	first, size := utf8.DecodeRuneInString(words)
	return string(unicode.ToUpper(first)) + words[size:]
}

type bare struct{ Value }

func (b bare) Show(language string) string { return b.Bare(language) }

type give struct{ Value }

func (g give) Show(language string) string { return g.Give(language) }

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

// plainly writes amounts that are typed as people type them ("two and a half
// tsp", "1:20", "media taza") in numbers and units. What is read strictly stays
// as it is, and so does what would be asked: the model says what is wrong.
func (m *Model) plainly(q Question) map[string]string {
	out := make(map[string]string, len(q.Typed))
	for name, typed := range q.Typed {
		out[name] = typed
		for _, in := range m.Inputs {
			unit, ok := quantity.LookupUnit(in.Unit)
			if in.Name != name || !ok || in.Unit == "1" || in.Unit == "any" {
				continue
			}
			if _, strict := quantity.ParseOK(typed); strict || strings.ContainsAny(typed, "±=") {
				continue
			}
			measures := q.Measures
			if measures == "" {
				measures = quantity.Metric
			}
			t := quantity.ParseTyped(
				typed,
				quantity.Field{Dim: unit.Dim, Unit: in.Unit, Language: q.Language, System: measures},
			)
			if t.Kind == quantity.Value && !t.UnitAssumed && !t.IsRange {
				out[name] = strconv.FormatFloat(t.Value, 'g', 12, 64) + " " + t.Unit.Symbol
			}
		}
	}
	return out
}

// split takes the give or take off what was typed and reads every amount.
// What cannot be read is left to the model, which has the better message.
func (m *Model) split(typed map[string]string) (map[string]string, []amount, error) {
	plain := map[string]string{}
	var amounts []amount
	for i := range m.Inputs {
		in := &m.Inputs[i]
		t, ok := typed[in.Name]
		switch {
		case !ok:
		case slices.Contains(noAmounts, in.Unit):
			plain[in.Name] = t
		default:
			items, read, err := in.amounts(t)
			if err != nil {
				return nil, nil, err
			}
			plain[in.Name], amounts = strings.Join(items, "; "), append(amounts, read...)
		}
	}
	for name, t := range typed { // names that are no input: the model says so
		if !slices.ContainsFunc(m.Inputs, func(in Input) bool { return in.Name == name }) {
			plain[name] = t
		}
	}
	return plain, amounts, nil
}

// noAmounts are the units of inputs that are no amounts.
var noAmounts = []string{"text", "choice", "flag", "objects", "symbols", "recording"}

// amounts are what was typed for an input without give or take, one or a list, and the
// amounts that could be read.
func (in *Input) amounts(typed string) (items []string, read []amount, err error) {
	list := strings.HasPrefix(in.Unit, "list of ")
	if items = []string{typed}; list {
		if items, err = values(in.Name, typed); err != nil {
			return nil, nil, err
		}
	}
	for i, item := range items {
		value, give, said := cutGive(item)
		items[i] = value
		at, place := -1, in.Name
		if list {
			at, place = i, fmt.Sprintf("%s[%d]", in.Name, i)
		}
		p, err := quantity.Parse(value)
		if err != nil || p.IsRange {
			if said && strings.TrimSpace(value) == "" {
				return nil, nil, wrong(place, "has-a-give-or-take-but")
			}
			continue
		}
		q := p.Quantity
		if said {
			if q.U, err = readGive(give, q.Unit); err != nil {
				return nil, nil, wrong(place, "said", "a", text.Why(err))
			}
		} else if !in.Chosen && !in.Whole && q.Unit != quantity.One {
			q.U = AmountU(value, q)
		}
		read = append(read, amount{in.Name, at, q, q.Unit == quantity.One})
	}
	return items, read, nil
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

func label(unit string) string {
	if u, ok := quantity.LookupUnit(unit); ok {
		return u.Label()
	}
	return unit
}

func (m *Model) input(name string) Input {
	i := slices.IndexFunc(m.Inputs, func(in Input) bool { return in.Name == name })
	if i < 0 {
		panic("science: " + m.ID + " has no input " + name)
	}
	return m.Inputs[i]
}
