package design

import (
	"embed"
	"fmt"
	"math"
	"regexp"
	"slices"
	"strings"

	"patient-kitchen/core/formula"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// vital are the places without whose words nobody can do the work, or follow it.
var (
	vital  = regexp.MustCompile(`^/(title|question|conditions/\d+/name|readings/\d+/name)$`)
	doings = regexp.MustCompile(`^/steps/\d+/(title|text)$`)
)

func (v *validator) mustSpeak(path string) bool {
	return vital.MatchString(path) || v.d.Way != WatchShared && doings.MatchString(path)
}

// Severity says what a finding stands in the way of.
type Severity string

// An error stops issuing, a warning wants mending, a hint is worth a thought.
const (
	Error   Severity = "error"
	Warning Severity = "warning"
	Hint    Severity = "hint"
)

// Finding is something the validation has to say about one place.
type Finding struct {
	Code     string
	Severity Severity
	Path     string // JSON Pointer into the document
	Message  text.Message
	Mend     text.Message
	Offer    string // what may have been meant, to be taken with one press; "" for nothing
}

var (
	idPattern     = regexp.MustCompile(`^[a-z][a-z0-9-]{0,39}$`)
	symbolPattern = regexp.MustCompile(`^[A-Za-z_][A-Za-z0-9_]*$`)
)

// maxSlots bounds how many readings one home can be asked for.
const maxSlots = 400

// Validate judges a document and explains each finding in the teacher's words,
// in the order of the document.
func Validate(d *Document) []Finding {
	v := &validator{d: d, ids: map[string]string{}, larder: d.Larder()}
	v.frame()
	v.conditions()
	v.needs()
	v.readings()
	v.steps()
	v.things()
	v.derived()
	v.expectations()
	v.evidence()
	v.questions()
	v.languages()
	return v.out
}

// HasErrors reports whether any finding stops issuing.
func HasErrors(findings []Finding) bool {
	return slices.ContainsFunc(findings, func(f Finding) bool { return f.Severity == Error })
}

type validator struct {
	d   *Document
	ids map[string]string // kind and id → path
	out []Finding

	larder *larder.Larder
}

func (v *validator) say(s Severity, code, path string, args text.Args) {
	v.out = append(v.out, Finding{
		Code: code, Severity: s, Path: path,
		Message: text.Message{ID: "design." + code, Args: args},
		Mend:    text.Message{ID: "design." + code + ".mend", Args: args},
	})
}

// duration checks a length of time. A number without a unit is asked about,
// never taken: most mean minutes.
func (v *validator) duration(typed, path string) {
	if _, ok := Seconds(typed); ok {
		return
	}
	if !v.bare(Error, "bare-time", typed, "min", path) {
		v.say(Error, "duration", path, text.Args{"typed": typed})
	}
}

// bare asks about a number that lacks its unit and offers the likely one. It
// reports false for what is no bare number.
func (v *validator) bare(s Severity, code, typed, unit, path string) bool {
	p, ok := quantity.ParseOK(typed)
	if !ok || p.Unit != quantity.One || p.Value < 0 && unit != "°C" {
		return false
	}
	offer := strings.TrimSpace(typed) + " " + unit
	v.say(s, code, path, text.Args{"typed": typed, "offer": offer})
	v.out[len(v.out)-1].Offer = offer
	return true
}

// usualUnit is the unit in which an amount of a material is likely meant; ""
// for what is counted.
func usualUnit(m *larder.Material) string {
	_, pieces := m.Figure("bulk")
	switch {
	case m.Piece != nil && !pieces:
		return ""
	case m.Liquid():
		return "mL"
	case pieces:
		return "g"
	}
	return ""
}

func empty(l text.Localized) bool {
	s, _ := l.In("en")
	return strings.TrimSpace(s) == ""
}

func (v *validator) frame() {
	d := v.d
	if empty(d.Title) {
		v.say(Error, "no-title", "/title", nil)
	}
	if q, _ := d.Question.In("en"); strings.TrimSpace(q) == "" {
		v.say(Error, "no-question", "/question", nil)
	} else if !strings.Contains(q, "?") {
		v.say(Hint, "not-a-question", "/question", nil)
	}
	if !slices.Contains(AgeBands, d.AgeBand) {
		v.say(Error, "age-band", "/age_band", text.Args{"typed": string(d.AgeBand)})
	}
	if !slices.Contains(Ways, d.Way) {
		v.say(Error, "way", "/way", text.Args{"typed": string(d.Way)})
	}
	if len(d.Languages) == 0 {
		v.say(Error, "no-language", "/languages", nil)
	}
	if d.Lesson != "" {
		v.duration(d.Lesson, "/lesson")
	}
	if n := len(d.Slots()); n > maxSlots {
		v.say(Error, "too-many-readings", "/readings", text.Args{"n": n, "most": maxSlots})
	}
}

// id checks an id's form and that it is used once among its kind.
func (v *validator) id(kind, id, path string) {
	if !idPattern.MatchString(id) {
		v.say(Error, "bad-id", path+"/id", text.Args{"typed": id})
		return
	}
	if _, taken := v.ids[kind+" "+id]; taken {
		v.say(Error, "same-id", path+"/id", text.Args{"typed": id})
	}
	v.ids[kind+" "+id] = path
}

func (v *validator) known(kind, id string) bool {
	_, ok := v.ids[kind+" "+id]
	return ok
}

func (v *validator) conditions() {
	d := v.d
	controls := 0
	for i, c := range d.Conditions {
		path := fmt.Sprintf("/conditions/%d", i)
		v.id("condition", c.ID, path)
		if empty(c.Name) {
			v.say(Error, "no-name", path+"/name", nil)
		}
		if c.Control {
			controls++
		}
		if controls > 1 && c.Control {
			v.say(Error, "two-controls", path+"/control", nil)
		}
	}
	if !empty(d.Changed.Name) && len(d.Conditions) < 2 {
		v.say(Error, "nothing-changes", "/conditions", text.Args{"name": d.Changed.Name})
	}
	if len(d.Conditions) > 1 && empty(d.Changed.Name) {
		v.say(Warning, "no-changed", "/changed", nil)
	}
	if len(d.Conditions) > 1 && controls == 0 {
		v.say(Hint, "no-control", "/conditions", nil)
	}
	if d.Trials < 1 || d.Trials > 20 {
		v.say(Error, "trials", "/trials", text.Args{"n": d.Trials})
	}
}

func (v *validator) needs() {
	used := map[string]bool{}
	for _, s := range v.d.Steps {
		for _, id := range s.Uses {
			used[id] = true
		}
		used[s.In] = true
	}
	for i, n := range v.d.Needs {
		path := fmt.Sprintf("/needs/%d", i)
		v.id("need", n.ID, path)
		if empty(n.Name) {
			v.say(Error, "no-name", path+"/name", nil)
		}
		if n.Amount != "" {
			if _, err := quantity.Parse(n.Amount); err != nil {
				v.say(Warning, "amount", path+"/amount", text.Args{"typed": n.Amount})
			} else if m, ok := v.larder.Material(n.Material); ok && usualUnit(m) != "" {
				v.bare(Error, "bare-number", n.Amount, usualUnit(m), path+"/amount")
			}
		}
		v.thing(&v.d.Needs[i], path)
		if !used[n.ID] {
			v.say(Hint, "need-unused", path, text.Args{"name": n.Name})
		}
	}
}

func (v *validator) readings() {
	symbols := map[string]bool{}
	for i := range v.d.Readings {
		r := &v.d.Readings[i]
		path := fmt.Sprintf("/readings/%d", i)
		v.id("reading", r.ID, path)
		if empty(r.Name) {
			v.say(Error, "no-name", path+"/name", nil)
		}
		if !symbolPattern.MatchString(r.Symbol) || symbols[r.Symbol] || r.Symbol == "time" || r.Symbol == "pi" {
			v.say(Error, "symbol", path+"/symbol", text.Args{"typed": r.Symbol})
		}
		symbols[r.Symbol] = true
		unit, ok := quantity.LookupUnit(r.Unit)
		if !ok {
			v.say(Error, "unit", path+"/unit", text.Args{"typed": r.Unit})
			continue
		}
		for _, limit := range [][2]string{{"low", r.Low}, {"high", r.High}, {"repeatability", r.Repeatability}} {
			if limit[1] != "" && !hasDim(limit[1], unit.Dim) && !v.bare(Error, "bare-number", limit[1], r.Unit, path+"/"+limit[0]) {
				v.say(Error, "limit", path+"/"+limit[0], text.Args{"typed": limit[1], "unit": r.Unit})
			}
		}
		if len(r.Instruments) == 0 {
			v.say(Warning, "no-instrument", path+"/instruments", text.Args{"name": r.Name})
		}
		for k, in := range r.Instruments {
			at := fmt.Sprintf("%s/instruments/%d/resolution", path, k)
			if !hasDim(in.Resolution, unit.Dim) && !v.bare(Error, "bare-number", in.Resolution, r.Unit, at) {
				v.say(Error, "limit", at, text.Args{"typed": in.Resolution, "unit": r.Unit})
			}
		}
		for k, t := range r.Times {
			v.duration(t, fmt.Sprintf("%s/times/%d", path, k))
		}
		v.taken(r, path)
	}
	if len(v.d.Readings) == 0 {
		v.say(Error, "nothing-measured", "/readings", nil)
	}
	v.claims()
	for i, m := range v.d.Measured {
		if m.Reading != "" && !v.known("reading", m.Reading) && !slices.ContainsFunc(v.d.Derived, func(x Derived) bool { return x.ID == m.Reading }) {
			v.say(Error, "measured-without-reading", fmt.Sprintf("/measured/%d", i), text.Args{"name": m.Name})
		}
	}
}

func hasDim(typed string, dim quantity.Dim) bool {
	p, err := quantity.Parse(typed)
	return err == nil && p.Unit.Dim == dim
}

// taken checks that some step takes a reading, at each of its times.
func (v *validator) taken(r *Reading, path string) {
	times := r.Times
	if len(times) == 0 {
		times = []string{""}
	}
	for _, t := range times {
		found := slices.ContainsFunc(v.d.Steps, func(s Step) bool {
			return slices.Contains(s.Takes, Take{Reading: r.ID, Time: t})
		})
		switch {
		case !found && t == "":
			v.say(Error, "reading-not-taken", path, text.Args{"name": r.Name})
		case !found:
			v.say(Error, "time-not-taken", path+"/times", text.Args{"name": r.Name, "time": t})
		}
	}
}

// claims checks what is said before about how results are compared.
func (v *validator) claims() {
	for i, m := range v.d.Measured {
		path := fmt.Sprintf("/measured/%d", i)
		unit := v.unitOf(m.Reading)
		if m.Matters != "" && !v.large(m.Matters, unit, m.Scale == "ratio") {
			v.say(Error, "matters", path+"/matters", text.Args{"typed": m.Matters})
		}
		if m.Stated != "" && !v.large(m.Stated, unit, false) {
			v.say(Error, "stated", path+"/stated", text.Args{"typed": m.Stated})
		}
	}
	for i, c := range v.d.Claims {
		path := fmt.Sprintf("/claims/%d", i)
		v.id("claim", c.ID, path)
		known := slices.Contains(Says, c.Says)
		for _, k := range append([]string{c.Condition, c.Against}, c.Order...) {
			if _, ok := v.d.Condition(k); k != "" && !ok {
				known = false
			}
		}
		switch c.Says {
		case "order":
			known = known && len(c.Order) > 1
		case "equals":
			known = known && c.Stated != ""
		default:
			known = known && c.Condition != ""
		}
		if !known {
			v.say(Error, "claim", path, text.Args{"typed": c.Says})
		}
	}
}

// unitOf is the unit of a reading or derived value; "" where there is none.
func (v *validator) unitOf(id string) string {
	for _, x := range v.d.Derived {
		if x.ID == id {
			return x.Unit
		}
	}
	if r, ok := v.d.Reading(id); ok {
		return r.Unit
	}
	return ""
}

// large reports whether a text says how large something is, in a unit of the
// kind of another, or as a factor above one.
func (v *validator) large(typed, unit string, factor bool) bool {
	p, ok := quantity.ParseOK(typed)
	u, known := quantity.LookupUnit(unit)
	switch {
	case !ok || p.Value <= 0 && factor:
		return false
	case factor:
		return p.Unit == quantity.One && p.Value > 1
	}
	return !known || p.Unit.Dim == u.Dim
}

func (v *validator) derived() {
	for i, x := range v.d.Derived {
		path := fmt.Sprintf("/derived/%d", i)
		v.id("derived", x.ID, path)
		if empty(x.Name) {
			v.say(Error, "no-name", path+"/name", nil)
		}
		if x.Model != nil {
			if _, err := Try(v.d, x); err != nil {
				v.say(Error, "model", path+"/model", text.Args{"problem": err.Error()})
			}
		} else if _, err := TryFormula(v.d, x.Formula, x.Unit); err != nil {
			v.say(Error, "formula", path+"/formula", text.Args{"problem": err.Error()})
		} else if e, err := formula.Parse(x.Formula); err == nil {
			if _, without, twice := e.AsShare(x.Unit); twice {
				v.say(Hint, "hundred", path+"/formula", text.Args{"offer": without})
				v.out[len(v.out)-1].Offer = without
			}
		}
	}
}

// draws is how many sets of made-up readings a formula is tried with.
const draws = 16

// TryFormula works a formula out with made-up readings of the right units, so
// that unknown symbols and dimensions that do not fit show while it is being
// written. The readings are irregular, within a reading's limits where it has
// any: what divides by zero or takes the root of a loss for some of them may be
// right for a home's, so only a fault in all of them is one. Its errors are of
// type *formula.Error.
func TryFormula(d *Document, expression, unit string) (quantity.Quantity, error) {
	return Try(d, Derived{Formula: expression, Unit: unit})
}

// Try works a value out with made-up readings, by its formula or model.
func Try(d *Document, x Derived) (quantity.Quantity, error) {
	e, err := d.Working(x)
	if err != nil {
		return quantity.Quantity{}, err
	}
	var first error
	for draw := range draws {
		q, err := e.Eval(madeUp(d, d.over(x), draw), x.Unit)
		if err == nil {
			return q, nil
		}
		if first == nil {
			first = err
		}
	}
	return quantity.Quantity{}, first
}

// madeUp binds every reading's symbol to irregular values: all trials and
// times of one condition, or of one trial where the formula works trial by
// trial.
func madeUp(d *Document, over bool, draw int) formula.Env {
	env := formula.Env{}
	golden := 0.5 * (math.Sqrt(5) - 1)
	for i := range d.Readings {
		r := &d.Readings[i]
		u, ok := quantity.LookupUnit(r.Unit)
		if !ok {
			continue
		}
		low, high := 1.0, 20.0
		if p, ok := quantity.ParseOK(r.Low); ok {
			if in, err := p.In(u); err == nil {
				low = in.Value
			}
		}
		if p, ok := quantity.ParseOK(r.High); ok {
			if in, err := p.In(u); err == nil && in.Value > low {
				high = in.Value
			}
		} else if high <= low {
			high = low + 20
		}
		n := max(1, len(r.Times))
		if draw%2 == 1 {
			n *= max(1, d.Trials)
		}
		if over && r.PerCondition {
			n = len(d.Conditions)
		}
		b := formula.Binding{Series: n > 1}
		clock := formula.Binding{Series: true}
		for k := range n {
			_, part := math.Modf(golden * float64(1+k*7+i*13+draw*29))
			b.Values = append(b.Values, quantity.Quantity{Value: low + (high-low)*(0.1+0.8*part), Unit: u, U: (high - low) / 100})
			if len(r.Times) > 0 {
				s, _ := Seconds(r.Times[k%len(r.Times)])
				b.Times = append(b.Times, s)
				clock.Values = append(clock.Values, quantity.New(s, "s"))
			}
		}
		env[r.Symbol] = b
		if len(clock.Values) > 0 {
			env["time"] = clock
		}
	}
	return env
}

// languages finds the texts that lack one of the languages families can
// choose: what is done has to be there in each, the rest is shown in the other
// language, marked.
func (v *validator) languages() {
	for _, lang := range v.d.Languages {
		missing, worst := []string{}, -1
		for _, t := range v.d.FamilyTexts() {
			if empty(t.Text) || strings.TrimSpace(t.Text[lang]) != "" {
				continue
			}
			missing = append(missing, t.Path)
			if worst < 0 && v.mustSpeak(t.Path) {
				worst = len(missing) - 1
			}
		}
		args := text.Args{"n": len(missing), "language": text.LanguageName(lang)}
		switch {
		case worst >= 0:
			v.say(Error, "no-words", missing[worst], args)
		case len(missing) > 0:
			v.say(Warning, "untranslated", missing[0], args)
		}
	}
}
