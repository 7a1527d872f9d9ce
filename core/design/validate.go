package design

import (
	"embed"
	"fmt"
	"regexp"
	"slices"
	"strings"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// vital are the places without whose words nobody can do the work, or follow it.
var (
	vital = regexp.MustCompile(
		`^/(title|question|conditions/\d+/name|stages/\d+/word|objects/\d+/what|readings/\d+/(name|(levels|options|things|stages)/\d+/word))$`,
	)
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

// Problem is something the validation has to say about one place.
type Problem struct {
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
func Validate(d *Document) []Problem {
	v := &validator{d: d, ids: map[string]string{}, larder: d.Larder()}
	v.frame()
	v.conditions()
	v.structure()
	v.needs()
	v.readings()
	v.steps()
	v.things()
	v.derived()
	v.expectations()
	v.evidence()
	v.questions()
	v.languages()
	v.enums()
	return v.out
}

// HasErrors reports whether any finding stops issuing.
func HasErrors(findings []Problem) bool {
	return slices.ContainsFunc(findings, func(f Problem) bool { return f.Severity == Error })
}

type validator struct {
	d   *Document
	ids map[string]string // kind and id → path
	out []Problem

	larder *larder.Larder
}

func (v *validator) say(s Severity, code, path string, args text.Args) {
	v.out = append(v.out, Problem{
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
			if controls++; controls > 1 {
				v.say(Error, "two-controls", path+"/control", nil)
			}
		}
		v.level(&c, path)
	}
	switch named, several := !empty(d.Changed.Name), len(d.Conditions) > 1; {
	case named && !several:
		v.say(Error, "nothing-changes", "/conditions", text.Args{"name": d.Changed.Name})
	case several && !named:
		v.say(Warning, "no-changed", "/changed", nil)
	}
	each := slices.ContainsFunc(d.Readings, func(r Reading) bool { return r.PerCondition() })
	if len(d.Conditions) > 1 && controls == 0 &&
		(each || len(d.Readings) == 0) { // where they are only put in order, none is
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
			} else if m, ok := v.larder.Material(n.Material); ok && usualUnit(m) != "" && n.AmountBy != ByCount {
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
	for i := range v.d.Readings {
		r := &v.d.Readings[i]
		path := fmt.Sprintf("/readings/%d", i)
		v.id("reading", r.ID, path)
		if empty(r.Name) {
			v.say(Error, "no-name", path+"/name", nil)
		}
		if r.Trials < 0 || r.Trials > MaxTrials {
			v.say(Error, "trials", path+"/trials", text.Args{"n": r.Trials})
		}
		for k, t := range r.Times {
			v.duration(t, fmt.Sprintf("%s/times/%d", path, k))
		}
		v.given(r, path)
		v.parts(r, path)
		v.taken(r, path)
	}
	for i := range v.d.Constants {
		v.constant(&v.d.Constants[i], fmt.Sprintf("/constants/%d", i))
	}
	v.symbols()
	if len(v.d.Readings) == 0 {
		v.say(Error, "nothing-measured", "/readings", nil)
	}
	v.claims()
	v.teaching()
	for i, m := range v.d.Measured {
		derived := func(x Derived) bool { return x.ID == m.Reading }
		if m.Reading != "" && !v.known("reading", m.Reading) && !slices.ContainsFunc(v.d.Derived, derived) {
			v.say(Error, "measured-without-reading", fmt.Sprintf("/measured/%d", i), text.Args{"name": m.Name})
		}
		if r, ok := v.d.Reading(m.Reading); ok && r.Deeper {
			v.say(Warning, "deeper-measured", fmt.Sprintf("/measured/%d/reading", i), text.Args{"name": r.Name})
		}
	}
}

// symbols looks at the names that formulas call readings, constants and amounts by: each
// stands for one thing.
func (v *validator) symbols() {
	taken := map[string]bool{"time": true, "elapsed": true, "pi": true}
	symbol := func(typed, path string) {
		if !symbolPattern.MatchString(typed) || taken[typed] {
			v.say(Error, "symbol", path+"/symbol", text.Args{"typed": typed})
		}
		taken[typed] = true
	}
	for i := range v.d.Readings {
		if r := &v.d.Readings[i]; r.Numeric() {
			symbol(r.Symbol, fmt.Sprintf("/readings/%d", i))
		}
	}
	for i := range v.d.Constants {
		symbol(v.d.Constants[i].Symbol, fmt.Sprintf("/constants/%d", i))
	}
	for i := range v.d.Needs {
		n := &v.d.Needs[i]
		if n.Symbol == "" {
			continue
		}
		path := fmt.Sprintf("/needs/%d", i)
		symbol(n.Symbol, path)
		if _, err := n.Wanted(); err != nil {
			v.say(Error, "symbol-without-amount", path+"/amount", text.Args{"name": n.Name})
		}
	}
}

// constant checks a constant: its name, its value, and what a home measures of its own.
func (v *validator) constant(c *Constant, path string) {
	if empty(c.Name) {
		v.say(Error, "no-name", path+"/name", nil)
	}
	q, ok := c.Quantity()
	if !ok {
		v.say(Error, "constant", path+"/value", text.Args{"typed": c.Value})
	}
	own, known := Own(c.Own)
	switch {
	case c.Own != "" && !known:
		v.say(Error, "own-value", path+"/own", text.Args{"typed": c.Own})
	case c.Own != "" && ok && q.Unit.Dim != quantity.MustUnit(own.Unit).Dim:
		v.say(Error, "own-unit", path+"/value", text.Args{"typed": c.Value, "unit": own.Unit})
	}
}

func hasDim(typed string, dim quantity.Dim) bool {
	p, err := quantity.Parse(typed)
	return err == nil && p.Unit.Dim == dim
}

// taken checks that some step takes a reading, in all its conditions, trials and
// times.
func (v *validator) taken(r *Reading, path string) {
	takes := func(some func(Take) bool) bool {
		return slices.ContainsFunc(v.d.Steps, func(s Step) bool { return slices.ContainsFunc(s.Takes, some) })
	}
	if len(r.Times) == 0 && !takes(func(k Take) bool { return k.Reading == r.ID && k.Time == "" }) {
		v.say(Error, "reading-not-taken", path, text.Args{"name": r.Name})
		return
	}
	for _, t := range r.Times {
		if !takes(func(k Take) bool { return k.Reading == r.ID && (k.Time == t || k.Time == "") }) {
			v.say(Error, "time-not-taken", path+"/times", text.Args{"name": r.Name, "time": t})
			return
		}
	}
	for _, slot := range v.d.slotsOf(r) {
		if !takes(func(k Take) bool { return k.Has(slot) }) {
			args := text.Args{"name": r.Name, "parts": v.d.PartNames(slot), "trial": slot.Trial}
			if slot.Condition+slot.Object+slot.Stage == "" {
				v.say(Error, "try-not-taken", path, args)
			} else {
				v.say(Error, "part-not-taken", path, args)
			}
			return
		}
	}
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
