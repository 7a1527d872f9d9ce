package science

import (
	"cmp"
	"embed"
	"encoding/json"
	"fmt"
	"math"
	"slices"
	"sort"
	"strings"

	"patient-kitchen/core/formula"
	"patient-kitchen/core/text"
)

// Model is one computation.
type Model struct {
	Number int    `json:"number"` // chapter of the model reference; sets the order of lists
	ID     string `json:"id"`     // such as "pendulum"
	// Group is the larger question it belongs to: "see" (would we see it), "much",
	// "fast", "size" (what tone, what size), "sure" or "read".
	Group   string   `json:"group"`
	Inputs  []Input  `json:"inputs"`
	Outputs []Output `json:"outputs"`
	// Main is the output that answers the question; another one that is a
	// number takes its place where it does not apply.
	Main string `json:"main,omitempty"`
	// Inverse are the inputs that can be found from a wanted main output.
	Inverse []string `json:"inverse,omitempty"`
	run     func(a *args) results
}

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Title is what one wants to find out.
func (m *Model) Title() text.Message { return m.say("title") }

// Assumes is what has to hold, and where the result misleads.
func (m *Model) Assumes() text.Message { return m.say("assumes") }

// Note is the usual slip and what is right.
func (m *Model) Note() text.Message { return m.say("note") }

// Source is the law or method behind the model.
func (m *Model) Source() text.Message { return m.say("source") }

func (m *Model) say(what string) text.Message {
	return text.Message{ID: "science." + m.ID + "." + what}
}

// Described is a model with its texts in a language.
type Described struct {
	*Model
	Inputs  []DescribedInput `json:"inputs"`
	Title   string           `json:"title" doc:"What one wants to find out"`
	Assumes string           `json:"assumes" doc:"What has to hold, and where the result misleads"`
	Note    string           `json:"note" doc:"The usual slip and what is right"`
	Source  string           `json:"source" doc:"The law or method behind it"`
}

// DescribedInput is an input with its texts in a language.
type DescribedInput struct {
	Input
	Label       string            `json:"label" doc:"What it is called beside its blank"`
	Help        string            `json:"help,omitempty" doc:"What it is of, or how it is written"`
	OptionWords map[string]string `json:"option_words,omitempty" doc:"What each option is called"`
}

// Describe gives a model its texts.
func (m *Model) Describe(language string) Described {
	say := func(m text.Message) string { return text.Render(m, language) }
	d := Described{
		Model:   m,
		Title:   say(m.Title()),
		Assumes: say(m.Assumes()),
		Note:    say(m.Note()),
		Source:  say(m.Source()),
	}
	for _, in := range m.Inputs {
		shown := DescribedInput{Input: in, Label: say(in.Words())}
		if in.Help != "" {
			shown.Help = say(text.Message{ID: "science.help." + in.Help})
		}
		for _, o := range in.Options {
			if shown.OptionWords == nil {
				shown.OptionWords = map[string]string{}
			}
			shown.OptionWords[o] = say(text.Message{ID: "science.option." + o})
		}
		d.Inputs = append(d.Inputs, shown)
	}
	return d
}

// Input is one input of a model.
type Input struct {
	Name string `json:"name"`
	// Unit is the unit the model computes in: any unit of its dimension is
	// taken. "1" is a pure number, "%" a percentage, "any" a number or quantity
	// of any dimension, "text", "choice" and "flag" what they say; "list of
	// UNIT" a list, "objects" a list of objects, "symbols" named quantities,
	// "recording" a WAV file as base64.
	Unit     string   `json:"unit"`
	Default  string   `json:"default,omitempty"`  // as it would be typed; "" for none
	Optional bool     `json:"optional,omitempty"` // may be left out though it has no default
	Limits   string   `json:"limits,omitempty"`   // such as "> 0", "≥ 0", "0…100", "> 0…1", "0…<90"
	Whole    bool     `json:"whole,omitempty"`
	Options  []string `json:"options,omitempty"` // of a choice
	Label    string   `json:"-"`                 // the code of what it is called, where that is not its name
	Help     string   `json:"-"`                 // the code of its help
	// Chosen is a number that is decided, not read off a tool, so that it has no
	// give or take of its own.
	Chosen bool `json:"chosen,omitempty"`
	Form   Form `json:"form,omitempty"` // how objects are typed
}

// Words says what an input is called.
func (in Input) Words() text.Message { return called(cmp.Or(in.Label, in.Name)) }

// called is what an input or output is called: words, or the symbol that it is.
func called(name string) text.Message {
	if id := "science.name." + name; text.Has(id) {
		return text.Message{ID: id}
	}
	return text.Raw(name)
}

// Form is how one object of a list is typed into a blank.
type Form string

// The forms.
const (
	ValueU      Form = "9.7 cm ± 0.2 cm"
	NameDensity Form = "honey 1.42 g/mL"
)

// Output is one output of a model; Unit is "1" for pure numbers, "" for texts
// and booleans, "as the data" where it follows the inputs.
type Output struct {
	Name string `json:"name"`
	Unit string `json:"unit"`
	U    string `json:"u,omitempty"` // the output that is its standard uncertainty
}

// Words says what an output is.
func (o Output) Words() text.Message { return called(o.Name) }

// Value is one output's value: a number or list with its unit, a text, a
// boolean, or nil where it does not apply.
type Value struct {
	Value       any      `json:"value"`
	Unit        string   `json:"unit,omitempty"`
	Uncertainty *float64 `json:"uncertainty,omitempty"`
}

type results map[string]Value

// InputError says which input is wrong and how to mend it. Input is its name,
// "masses[2]" inside a list, the first of a pair that excludes each other, or
// "" for the whole.
type InputError struct {
	Input   string `json:"input"`
	Message string `json:"message"`
	why     text.Message
}

// In is the error with its message in a language.
func (e *InputError) In(language string) *InputError {
	if e == nil || e.why.ID == "" {
		return e
	}
	return &InputError{e.Input, text.Render(e.why, language), e.why}
}

// Words word what is wrong in every language.
func (e *InputError) Words() text.Message {
	if e.why.ID == "" {
		return text.Raw(e.Message)
	}
	return e.why
}

func (e *InputError) Error() string {
	if e.Input == "" {
		return e.Message
	}
	return e.Input + ": " + e.Message
}

var registry = map[string]*Model{}

// register adds a model; it panics on an id taken twice, or limits that
// cannot be read.
func register(m Model) {
	if registry[m.ID] != nil {
		panic("science: two models " + m.ID)
	}
	for _, in := range m.Inputs {
		readLimits(in.Limits)
	}
	registry[m.ID] = &m
}

// Models lists all models in the order of the reference.
func Models() []*Model {
	out := make([]*Model, 0, len(registry))
	for _, m := range registry {
		out = append(out, m)
	}
	sort.Slice(out, func(i, j int) bool { return out[i].Number < out[j].Number })
	return out
}

// Find gives a model by its id.
func Find(id string) (*Model, bool) {
	m, ok := registry[id]
	return m, ok
}

// Run computes a model from inputs as JSON. Its error is of type *InputError.
// Every output is there; one that does not apply is nil.
func (m *Model) Run(inputs map[string]json.RawMessage) (map[string]Value, error) {
	_, out, err := m.work(inputs, false)
	return out, err
}

// work is Run that also keeps the working, when it is told to.
func (m *Model) work(inputs map[string]json.RawMessage, explain bool) (a *args, out results, err error) {
	a = &args{model: m, raw: inputs, used: map[string]bool{}}
	if explain {
		a.working = &working{env: formula.Env{}}
	}
	for name := range inputs {
		if !slices.ContainsFunc(m.Inputs, func(in Input) bool { return in.Name == name }) {
			return a, nil, wrong(name, "is-not-an-input-of-it", "a", m.ID, "b", m.inputNames())
		}
	}
	defer func() {
		if v := recover(); v != nil {
			stop, ok := v.(*InputError)
			if !ok {
				panic(v)
			}
			out, err = nil, stop
		}
	}()
	got := m.run(a)
	a.rest()
	for _, o := range m.Outputs {
		v, ok := got[o.Name]
		if !ok {
			got[o.Name] = Value{}
			continue
		}
		if !finite(v.Value) {
			return a, nil, wrong("", "is-not-a-finite-number-with", "a", o.Name)
		}
	}
	for _, o := range m.Outputs {
		v := got[o.Name]
		if u, ok := got[o.U].Value.(float64); ok && v.Value != nil {
			v.Uncertainty = &u
			got[o.Name] = v
		}
	}
	return a, got, nil
}

func (m *Model) inputNames() string {
	names := make([]string, len(m.Inputs))
	for i, in := range m.Inputs {
		names[i] = in.Name
	}
	return strings.Join(names, ", ")
}

func finite(v any) bool {
	switch v := v.(type) {
	case float64:
		return !math.IsNaN(v) && !math.IsInf(v, 0)
	case []float64:
		return !slices.ContainsFunc(v, func(x float64) bool { return math.IsNaN(x) || math.IsInf(x, 0) })
	}
	return true
}

// num is a number with its unit; 1 for a pure number.
func num(v float64, unit string) Value { return Value{Value: v, Unit: unit} }

// limits are the ends of an allowed range.
type limits struct {
	low, high         float64
	lowOpen, highOpen bool
}

func readLimits(s string) limits {
	l := limits{low: math.Inf(-1), high: math.Inf(1)}
	if s == "" {
		return l
	}
	from, to, isRange := strings.Cut(s, "…")
	number := func(t string) float64 {
		var v float64
		if _, err := fmt.Sscanf(strings.TrimSpace(t), "%g", &v); err != nil {
			panic("science: limits " + s)
		}
		return v
	}
	switch {
	case strings.HasPrefix(from, ">"):
		l.low, l.lowOpen = number(from[1:]), true
	case strings.HasPrefix(from, "≥"):
		l.low = number(strings.TrimPrefix(from, "≥"))
	default:
		l.low = number(from)
	}
	if isRange {
		rest, open := strings.CutPrefix(to, "<")
		l.high, l.highOpen = number(rest), open
	}
	return l
}

func (l limits) allow(v float64) bool {
	below := v < l.low || v == l.low && l.lowOpen
	above := v > l.high || v == l.high && l.highOpen
	return !below && !above
}
