package compare

import (
	"math"
	"strings"
	"unicode"
	"unicode/utf8"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// Teacher says a finding to the teacher, with how it is known.
func (f *Finding) Teacher(language string) string { return sentences(f.teacher, language) }

// ForFamily says it to a student.
func (f *Finding) ForFamily(language string) string { return sentences(f.family, language) }

func sentences(list []text.Message, language string) string {
	words := make([]string, len(list))
	for i, m := range list {
		words[i] = text.Render(m, language)
	}
	return strings.Join(words, " ")
}

// sized is a value with decimals of its own, and its unit.
type sized struct {
	value    float64
	unit     quantity.Unit
	decimals int
}

func (s sized) Show(language string) string {
	return s.unit.Behind(text.Number(s.value, s.decimals, language))
}

// shownSize is a difference with its unit, or a factor, with the digits that u
// allows.
func shownSize(v, u float64, unit quantity.Unit, ratio bool) any {
	if ratio {
		factor := math.Exp(v)
		return text.Message{
			ID:   "compare.times",
			Args: text.Args{"x": sized{factor, quantity.One, text.Decimals(factor, factor*u)}},
		}
	}
	return sized{v, unit, text.Decimals(v, u)}
}

// say words the finding.
func (f *Finding) say(a *analysis) {
	o := a.outcome(f.Value)
	args := f.figures(o, a)
	tell := func(id string) {
		f.teacher = append(f.teacher, text.Message{ID: "compare." + id + ".teacher", Args: args})
	}
	family := func(id string) {
		f.family = append(f.family, text.Message{ID: "compare." + id + ".family", Args: args})
	}
	side := "more"
	if f.Signs && f.Sides.Less > f.Sides.More || !f.Signs && f.Test.Estimate-f.null() < 0 {
		side = "less"
	}
	verdict := f.Verdict
	if verdict == Afterwards {
		verdict = stats.CannotTell
		if f.Seen {
			verdict = stats.Supported
		}
	}
	forTeacher, forFamily := f.saying(o, verdict, side)
	tell(forTeacher)
	family(forFamily)
	f.more(a, args, tell)
	if f.Verdict == Afterwards && f.Seen {
		f.teacher = []text.Message{{ID: "compare.afterwards.teacher", Args: text.Args{"sentence": bare(f.teacher)}}}
		f.family = []text.Message{{ID: "compare.afterwards.family", Args: args}}
	}
}

// bare is a sentence without the word supported, for what was only looked for.
type bare []text.Message

func (b bare) Show(language string) string {
	s := sentences(b, language)
	if _, after, ok := strings.Cut(s, ": "); ok {
		first, size := utf8.DecodeRuneInString(after)
		return string(unicode.ToUpper(first)) + after[size:]
	}
	return s
}

// tallied says how many homes say so by themselves; "" where that is no question.
func (f *Finding) tallied() string {
	switch {
	case trending(f.Says), f.Says == "equals" || f.Says == "order" || f.Says == "share" || f.Zone != "" ||
		f.Reason == AllZero:
		return ""
	case f.Signs:
		return "sign"
	}
	id := "tally"
	switch all := max(f.Tally.More, f.Tally.Less) == len(f.Homes); {
	case all && f.Tally.Tries < 2 && f.Tally.same == 0:
		id = "tally-try-all"
	case all:
		id = "tally-all"
	case f.Tally.same > 0 && f.Tally.same == f.Tally.CannotTell:
		id = "tally-same"
	case f.Tally.Tries < 2:
		id = "tally-try"
	}
	if f.Test.Estimate < 0 {
		id += "-less"
	}
	return id
}

// sayApart names the homes that lie apart, and what would be found without them.
func (f *Finding) sayApart() {
	if f.Without == nil {
		return
	}
	verdict := f.Without.Verdict
	if f.Made == "afterwards" {
		verdict = Afterwards
	}
	without := shownSize(f.Without.Test.Estimate, f.Without.Test.SE, f.Unit, f.Ratio)
	for _, odd := range f.Apart {
		f.teacher = append(f.teacher, text.M("compare.outlier",
			"home", named{odd.Home},
			"value", shownSize(odd.Value, f.Test.SE, f.Unit, f.Ratio),
			"z", sized{odd.Z, quantity.One, 1},
			"without", without,
			"verdict", text.M("compare.verdict."+string(verdict)),
		))
	}
}

// more adds what else a teacher wants to know: how many homes say so by
// themselves, homes that lie apart, a quiet control, scatter.
func (f *Finding) more(a *analysis, args text.Args, tell func(string)) {
	n := len(f.Homes)
	if n < MinHomes {
		return
	}
	if id := f.tallied(); id != "" {
		tell(id)
	}
	if !f.Signs && f.Says != "order" && f.Test.SE > 0 && alike(f.Homes) {
		tell("alike")
	}
	if quiet := f.quiet(a); quiet > 0 && quiet == n {
		args["quiet"] = quiet
		tell("quiet-control")
	}
	f.sayApart()
	if f.Ratio1 > 1.5 && f.RatioP < 0.01 {
		args["ratio"] = sized{f.Ratio1, quantity.One, 1}
		tell("more-scatter")
	}
	for _, g := range f.Groups {
		if g.Corrected < 0.05 {
			f.teacher = append(
				f.teacher,
				text.Message{
					ID: "compare.group",
					Args: text.Args{
						"n":     g.N,
						"group": a.groupName(g),
						"d":     shownSize(g.Test.Estimate, g.Test.SE, f.Unit, f.Ratio),
						"lo": shownSize(
							g.Test.Low,
							g.Test.SE,
							f.Unit,
							f.Ratio,
						),
						"hi": shownSize(g.Test.High, g.Test.SE, f.Unit, f.Ratio),
					},
				},
			)
		}
	}
}

// named is a home's key, for the page to put its name in the place of.
type named struct{ key string }

func (n named) Show(string) string { return HomeMark + n.key + HomeMark }

// HomeMark stands on both sides of a home's key in a sentence.
const HomeMark = "\u2063"

// Named puts homes' names in the place of their keys in a sentence.
func Named(sentence string, name func(key string) string) string {
	parts := strings.Split(sentence, HomeMark)
	for i := 1; i < len(parts); i += 2 {
		parts[i] = name(parts[i])
	}
	return strings.Join(parts, "")
}

// ThingName is what a thing is called that stands in for another, by its use.
func ThingName(d *design.Document, use string) text.Localized {
	id, _, _ := strings.Cut(use, "/")
	if m, ok := d.Larder().Material(id); ok {
		return m.Name
	}
	return text.Localized{text.Languages[0]: use}
}

func (a *analysis) groupName(g GroupFinding) any {
	if g.By == "language" {
		return text.LanguageName(g.Name)
	}
	if g.By == "swap" {
		return ThingName(a.d, g.Name)
	}
	for _, r := range a.d.Readings {
		for _, in := range r.Instruments {
			if in.ID == g.Name {
				return in.Name
			}
		}
	}
	return g.Name
}

func alike(homes []Difference) bool {
	for _, h := range homes {
		if math.Abs(h.D-homes[0].D) > 1e-9*math.Abs(homes[0].D) {
			return false
		}
	}
	return true
}

// quiet is in how many homes nothing happened in the control.
func (f *Finding) quiet(a *analysis) (n int) {
	if k, ok := a.d.Condition(f.Against); !ok || !k.Control {
		return 0
	}
	for _, h := range f.Homes {
		if r := a.at(h.home, f.Value, f.Against); r != nil && r.Bound == nil && r.Value.Value == 0 {
			n++
		}
	}
	return n
}

// figures are the numbers of the sentences, all rounded by the same u.
func (f *Finding) figures(o *outcome, a *analysis) text.Args {
	t := f.Test
	se := t.SE
	if !(se > 0) && !math.IsNaN(t.Low) {
		se = (t.High - t.Low) / 4
	}
	decimals := text.Decimals(t.Estimate, se)
	low, high, estimate := t.Low, t.High, t.Estimate
	if f.Corrected < 0.05 && !f.Ratio && (rounds(low, decimals) || rounds(high, decimals)) {
		decimals++
	}
	show := func(v float64) any {
		switch {
		case math.IsNaN(v):
			return "–"
		case f.Ratio:
			return shownSize(v, se, o.unit, true)
		}
		return sized{v, o.unit, decimals}
	}
	bare := func(v float64) any {
		if s, ok := show(v).(sized); ok {
			s.unit = quantity.One
			return s
		}
		return show(v)
	}
	size := func(v float64) any {
		if f.Says == "equals" {
			return show(v)
		}
		return show(math.Abs(v))
	}
	args := text.Args{
		"what":      o.name,
		"d":         size(estimate),
		"signed":    show(estimate),
		"u":         show(se),
		"lo":        bare(low),
		"hi":        show(high),
		"n":         len(f.Homes),
		"test":      t.Test.Words(),
		"p":         stats.ShowP(f.Corrected),
		"corr":      f.corrected(),
		"more":      f.Tally.More,
		"less":      f.Tally.Less,
		"cannot":    f.Tally.CannotTell,
		"need":      f.Needs,
		"dec":       f.Sides.Decided(),
		"smore":     f.Sides.More,
		"sless":     f.Sides.Less,
		"same":      f.Sides.Same,
		"undecided": f.Sides.Undecided,
		"list":      a.list(f.Order),
	}
	a.sides(o, f.Condition, f.Against, args)
	m := o.margin(f.Claim)
	e := m
	if e == 0 {
		e = math.Abs(estimate - f.null())
	}
	args["e"], args["M"] = show(e), shownSize(m, m/10, o.unit, f.Ratio)
	f.rarer(o, se, args)
	f.kindFigures(o, a, args)
	if trending(f.Says) {
		a.steps(o, args)
	}
	return args
}

// rarer adds the numbers that only some findings have.
func (f *Finding) rarer(o *outcome, se float64, args text.Args) {
	if f.Stated != nil {
		args["stated"] = quantity.Quantity{Value: *f.Stated, Unit: o.unit}
	}
	if n := len(f.Homes); n > 0 {
		args["x"] = sized{10 * (1 - math.Pow(0.05, 1/float64(n))), quantity.One, 0}
	}
	if f.Ratio {
		args["u"] = shownSize(se, se, o.unit, true)
	}
}

func rounds(v float64, decimals int) bool {
	return math.Round(v*math.Pow10(decimals)) == 0 && v != 0
}

func (f *Finding) corrected() any {
	if f.M < 2 {
		return ""
	}
	return text.Message{ID: "compare.corr", Args: text.Args{"m": f.M}}
}

func (a *analysis) list(ids []string) []text.Localized {
	out := make([]text.Localized, len(ids))
	for i, id := range ids {
		out[i] = a.name(id)
	}
	return out
}
