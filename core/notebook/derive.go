package notebook

import (
	"errors"
	"maps"
	"math"
	"slices"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/formula"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// Result is one derived value of one condition, or of one stage where that is what
// is compared ("" where readings are taken of neither, or the formula runs over all
// of them).
type Result struct {
	Derived   string
	Condition string
	Value     quantity.Quantity // U is the give or take
	Doubt     Doubt
	Bound     *stats.Interval // in the value's unit, where a reading is only a bound
	Working   string          // the formula with the home's own numbers, in the writer's language
	Missing   text.Message
	OK        bool

	// Of a reading that is no number:
	Said   text.Message    // what it comes to
	Code   string          // the same by ids, as files keep it
	Tries  int             // how many tries it is of
	Levels *stats.Interval // of a level its place from the least on, or between which two
	Chosen string          // of a choice: the option's id
	Ranks  []float64       // of an order: each thing's, from 1
	Named  []string        // of several and words: the ids that more than half of the tries name
	Shares []float64       // of zones: the share of each, over all looks but those of settling
	Lost   float64         // of zones: the share of all that escaped or could not be told
	Of     float64         // of a count of a known total: the total, without what left it
}

// Doubt is how sure a home's value is, from this home alone: u² = s²/n + w with
// s = max(s_h, s_0). All are in the value's unit.
type Doubt struct {
	Trials []float64 // the value of each trial that has all it needs
	U      float64   // standard uncertainty of the mean
	DF     float64   // of U: +Inf where the tools alone decide
	S      float64   // scatter of one trial: the home's own, and never below the repeatability
	Own    bool      // the home's own scatter is the larger
	Nu     float64   // degrees of freedom of the home's own scatter, over all conditions
	// variance that the tool's steps bring; not less by repeating, since trials of one thing round alike
	Rounding float64
	repeat   float64 // variance of one trial by the readings' repeatability
}

// Derive works out every outcome of the design from a notebook, in the order
// of outcomes and conditions. A value is worked out trial by trial and averaged;
// a formula that takes a series of its own once. A value that cannot be worked
// out says why; a missing reading among several times or trials only narrows
// the series. It is worked out once: a notebook that is open does not change.
func Derive(b *Book) []Result {
	b.once.Do(func() { b.derived = derive(b) })
	return b.derived
}

func derive(b *Book) []Result {
	var out []Result
	for _, x := range b.Design.Outcomes() {
		from := len(out)
		for _, c := range b.Design.LanesOf(x) {
			r := Result{Derived: x.ID, Condition: c}
			if x.Reading != nil {
				r.give(b, x.Reading)
			} else if e, err := b.Design.Working(x.Derived); err != nil {
				r.Missing = text.Message{ID: "notebook.derive.formula", Args: text.Args{"problem": text.Why(err)}}
			} else {
				r.work(b, e, x.Derived)
				r.Of = b.total(x.Derived, c)
				r.middleTry(b, x.Derived)
			}
			out = append(out, r)
		}
		doubts(out[from:])
	}
	return out
}

// doubts pools the home's scatter over the conditions of one outcome and gives
// each value its uncertainty.
func doubts(results []Result) {
	squares, nu := 0.0, 0.0
	for _, r := range results {
		if n := len(r.Doubt.Trials); r.OK && n > 1 {
			s, _ := stats.Summarise(r.Doubt.Trials)
			squares += s.SD * s.SD * float64(n-1)
			nu += float64(n - 1)
		}
	}
	for i := range results {
		r := &results[i]
		d := &r.Doubt
		n := float64(len(d.Trials))
		if !r.OK || n == 0 {
			continue
		}
		d.S, d.Nu, d.DF = math.Sqrt(d.repeat), nu, math.Inf(1)
		if nu > 0 && squares/nu > d.repeat {
			d.S, d.Own = math.Sqrt(squares/nu), true
		}
		d.U = math.Sqrt(d.S*d.S/n + d.Rounding)
		if d.Own && d.U > 0 {
			d.DF = nu * math.Pow(d.U, 4) / math.Pow(d.S*d.S/n, 2)
		}
		r.Value.U = stats.GiveOrTake(d.U, d.DF)
	}
}

func (r *Result) work(b *Book, e design.Working, x design.Derived) {
	all := b.bind(r.Condition, e.Symbols(), part{})
	for _, symbol := range e.Symbols() {
		if bound, ok := all.env[symbol]; ok && len(bound.Values) == 0 && symbol != "time" && symbol != "elapsed" &&
			!all.bounded[symbol] {
			r.Missing = text.Message{ID: "notebook.derive.missing", Args: text.Args{"reading": b.name(symbol)}}
			return
		}
	}
	if slices.Contains(e.Symbols(), "elapsed") && !all.clocked {
		r.Missing = text.Message{ID: "notebook.derive.clock"}
		return
	}
	if len(all.bounded) > 0 {
		r.bound(b, e, x, all)
		return
	}
	var trials []tried
	for _, p := range b.parts(e) {
		env := b.bind(r.Condition, e.Symbols(), p)
		if v, err := try(e, env, x.Unit); err == nil {
			trials = append(trials, v)
		}
	}
	if len(trials) == 0 {
		v, err := try(e, all, x.Unit)
		if err != nil {
			r.fail(err)
			return
		}
		trials = []tried{v}
	}
	n := float64(len(trials))
	mean := 0.0
	for _, t := range trials {
		mean += t.value.Value
		r.Doubt.Trials = append(r.Doubt.Trials, t.value.Value)
		r.Doubt.Rounding += t.rounding / n
		r.Doubt.repeat += t.repeat / n
	}
	r.Value, r.OK = quantity.Quantity{Value: mean / n, Unit: trials[0].value.Unit}, true
	r.Working = e.Explain(all.env, b.Writer.Language)
}

// part is one object and trial of which a value is worked out by itself; a part left
// out is all of it.
type part struct {
	object string
	trial  int
}

// parts are what a value is worked out of one by one before it is averaged: the
// trials, each of every object where one is read of each and the formula does not
// run over them.
func (b *Book) parts(e design.Working) []part {
	objects := []string{""}
	if !e.NeedsSeries() && slices.ContainsFunc(b.Design.Readings, func(r design.Reading) bool {
		return r.PerObject() && slices.Contains(e.Symbols(), r.Symbol)
	}) {
		objects = b.Design.ObjectIDs()
	}
	var out []part
	for _, o := range objects {
		for n := 1; n <= max(1, b.Design.Trials); n++ {
			out = append(out, part{o, n})
		}
	}
	return out
}

// bound works out the ends of a value into which a bound goes; it takes the
// formula to go one way between them.
func (r *Result) bound(b *Book, e design.Working, x design.Derived, all binding) {
	ends := stats.Interval{Low: math.Inf(1), High: math.Inf(-1)}
	var unit quantity.Unit
	for _, high := range []bool{false, true} {
		v, err := e.Eval(all.end(high), x.Unit)
		if err != nil {
			r.fail(err)
			return
		}
		unit = v.Unit
		out := v.Value
		if math.Abs(out) > farAway/1e3 {
			out = math.Copysign(math.Inf(1), out)
		}
		ends.Low, ends.High = math.Min(ends.Low, out), math.Max(ends.High, out)
	}
	r.Bound, r.Value = &ends, quantity.Quantity{Value: finite(ends.High, ends.Low), Unit: unit}
	r.Missing = text.Message{ID: "notebook.derive.bound"}
}

func finite(a, b float64) float64 {
	if math.IsInf(a, 0) {
		return b
	}
	return a
}

func (r *Result) fail(err error) {
	r.Missing = text.Message{ID: "notebook.derive.formula", Args: text.Args{"problem": text.Why(err)}}
	var fe *formula.Error
	if errors.As(err, &fe) && fe.Why.ID == "formula.no-reading-then" {
		r.Missing = text.Message{ID: "notebook.derive.time"}
	}
}

// tried is a formula worked out once, with the variances that the tools' steps
// and the readings' repeatability bring.
type tried struct {
	value            quantity.Quantity
	rounding, repeat float64
}

func try(e design.Working, b binding, unit string) (tried, error) {
	v, err := e.Eval(b.env, unit)
	if err == nil && !v.Sound() {
		err = errors.New("what comes out is too large a number to work with")
	}
	if err != nil {
		return tried{}, err
	}
	again, err := e.Eval(b.repeats, unit)
	if err != nil {
		return tried{}, err
	}
	return tried{v, v.U * v.U, again.U * again.U}, nil
}

func (b *Book) name(symbol string) text.Localized {
	for _, r := range b.Design.Readings {
		if r.Symbol == symbol {
			return r.Name
		}
	}
	for _, n := range b.Design.Needs {
		if n.Symbol == symbol {
			return n.Name
		}
	}
	return text.Localized{"en": symbol}
}

// binding is what the symbols of a formula stand for: with what rounding
// brings as uncertainty, and with what repeating brings.
type binding struct {
	env, repeats formula.Env
	clocked      bool            // when its values were measured is known of all of them
	bounded      map[string]bool // symbols with a bound among their values
	lows, highs  formula.Env     // the ends of the bounds
}

// farAway stands for an open end while a bound is worked out, in the reading's
// unit.
const farAway = 1e15

func (b binding) end(high bool) formula.Env {
	if high {
		return b.highs
	}
	return b.lows
}

// bind gives every reading's symbol its values for one condition or stage ("" for all
// of them), object and trial. A reading with several slots is a series;
// "time" is the series of planned times of the timed reading the expression uses,
// "elapsed" when the values of the reading it uses were really measured, from the
// first of them on.
func (b *Book) bind(lane string, symbols []string, of part) binding {
	fixed := func() formula.Env { return b.used(b.Design.Fixed(), lane) }
	out := binding{
		env:     fixed(),
		repeats: fixed(),
		clocked: true,
		bounded: map[string]bool{},
		lows:    fixed(),
		highs:   fixed(),
	}
	for symbol := range out.repeats {
		out.repeats[symbol].Values[0].U = 0 // the same value each time
	}
	for k := range b.Design.Readings {
		r := &b.Design.Readings[k]
		x := b.series(r, lane, of)
		out.bounded[r.Symbol] = out.bounded[r.Symbol] || x.bounded
		for env, values := range map[*formula.Env][]quantity.Quantity{
			&out.env: x.values, &out.repeats: x.repeats, &out.lows: x.lows, &out.highs: x.highs,
		} {
			x.put(*env, r, values, symbols)
		}
		if slices.Contains(symbols, r.Symbol) && slices.ContainsFunc(x.made, time.Time.IsZero) {
			out.clocked = false
		}
	}
	maps.DeleteFunc(out.bounded, func(s string, is bool) bool { return !is || !slices.Contains(symbols, s) })
	return out
}

// series are a reading's values for one lane, object and trial, with what rounding and what
// repeating adds to their uncertainty, their ends, and when each was planned and made.
type series struct {
	values, repeats, lows, highs, clock []quantity.Quantity
	times                               []float64
	made                                []time.Time
	slots                               int
	bounded                             bool
}

func (b *Book) series(r *design.Reading, lane string, of part) series {
	var x series
	once := b.Design.TrialsOf(r) == 1
	same := once && b.Design.Trials > 1 || of.object != "" && !r.PerObject() // in every part
	for i := range b.Cells {
		c := &b.Cells[i]
		if c.Slot.Reading != r.ID || !c.Slot.In(lane) || !of.holds(c.Slot, once) {
			continue
		}
		x.slots++
		if c.State == HasValue || c.State == HasBound {
			x.add(r, c, b.turned(r, c.Understood.InUnit), same)
		}
	}
	return x
}

// holds reports whether a slot is of a part; what is taken once is of every trial.
func (p part) holds(s design.Slot, once bool) bool {
	return (p.object == "" || s.Object == "" || s.Object == p.object) && (p.trial <= 0 || s.Trial == p.trial || once)
}

// add adds the value q of a cell; of one that stands in every part, repeating does not
// lessen the error.
func (x *series) add(r *design.Reading, c *Cell, q quantity.Quantity, same bool) {
	rounding, repeat := uncertainties(r, &c.Understood, c.Entry.Instrument)
	if same {
		rounding, repeat = math.Hypot(rounding, repeat), 0
	}
	low, high := q, q
	if c.State == HasBound {
		x.bounded = true
		low, high = ends(r, c)
	}
	x.values = append(x.values, quantity.Quantity{Value: q.Value, Unit: q.Unit, U: rounding})
	x.repeats = append(x.repeats, quantity.Quantity{Value: q.Value, Unit: q.Unit, U: repeat})
	x.lows, x.highs = append(x.lows, low), append(x.highs, high)
	x.made = append(x.made, c.first())
	if c.Slot.Time != "" {
		at, _ := quantity.Parse(c.Slot.Time)
		x.times = append(x.times, at.SI())
		x.clock = append(x.clock, at.Quantity)
	}
}

// put binds a reading's symbol to values, and time and elapsed where the expression
// uses the reading.
func (x *series) put(env formula.Env, r *design.Reading, values []quantity.Quantity, symbols []string) {
	env[r.Symbol] = formula.Binding{Values: values, Series: x.slots > 1, Times: x.times}
	if !slices.Contains(symbols, r.Symbol) {
		return
	}
	if len(r.Times) > 0 {
		env["time"] = formula.Binding{Values: x.clock, Series: true}
	}
	if elapsed, had := env["elapsed"]; !had || len(x.made) > len(elapsed.Values) {
		env["elapsed"] = formula.Binding{Values: since(x.made), Series: true}
	}
}

// since are times from the earliest of them on.
func since(made []time.Time) []quantity.Quantity {
	out := make([]quantity.Quantity, len(made))
	for i, t := range made {
		first := slices.MinFunc(made, time.Time.Compare)
		out[i] = quantity.New(t.Sub(first).Minutes(), "min")
	}
	return out
}
