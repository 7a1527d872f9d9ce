package quantity

import (
	"math"
	"strings"
)

// System is the set of kitchen measures a class uses; it decides what "cup",
// "tablespoon" and "fl oz" mean.
type System string

// The systems of larder D2: US measures; metric 5/15/250 mL spoons and cups;
// UK, as metric with imperial fluid ounces and pints; AU, with a 20 mL
// tablespoon.
const (
	US     System = "us"
	Metric System = "metric"
	UK     System = "uk"
	AU     System = "au"
)

// Field says where a text was typed: what is asked, the unit shown beside the
// field, and the writer's language and measures.
type Field struct {
	Dim      Dim
	Unit     string // shown beside the field and taken when none is typed
	Language string // "en" or "es": decides the decimal sign
	System   System
	Room     bool // a temperature where °C and °F could be confused
}

// Kind is what a typed text turned out to be.
type Kind string

// A text is a value, a bound ("<1 g"), a question to the writer, "not
// recorded", or a text kept for the teacher to read.
const (
	Value    Kind = "value"
	Bound    Kind = "bound"
	Question Kind = "question"
	Missing  Kind = "missing"
	Unread   Kind = "unread"
)

// Typed is a typed text as understood. Text is always what was typed.
type Typed struct {
	Text string
	Kind Kind
	Parsed
	Portions    int     // "2 x 50 mL": 2; otherwise 0
	Low, High   float64 // of a range or of a modifier's spread, in Unit; equal to Value otherwise
	Approximate bool    // "about"
	UnitAssumed bool    // the field's unit was taken
	Confirm     bool    // a value worth showing back before it counts
	Below       bool    // for a bound: the value lies below
	Code        string  // for a question or an unread text: why, worded by package text
	Read        string  // the part the code speaks of
}

// ParseTyped reads what a person typed into a field, by larder D2 to D4 on
// top of the strict layer. It never fails and never guesses where a wrong
// guess would hurt: what it cannot decide is a Question or Unread, with the
// typed text kept. It never panics.
func ParseTyped(text string, f Field) Typed {
	t := readTyped(text, f)
	if !t.Sound() || math.IsInf(t.Low, 0) || math.IsInf(t.High, 0) {
		t = unread("too-large", text)
	}
	t.Text = text
	if t.Kind == Value && !t.IsRange && t.High == 0 && t.Low == 0 {
		t.Low, t.High = t.Value, t.Value
	}
	return t
}

func ask(code, read string) Typed    { return Typed{Kind: Question, Code: code, Read: read} }
func unread(code, read string) Typed { return Typed{Kind: Unread, Code: code, Read: read} }

var (
	notRecorded  = wordSet("n/a|-|?|idk|na|no sé|no se|not sure|don't know")
	bareFraction = wordSet("half|a half|quarter|a quarter|third|a third|medio|media|la mitad|mitad|un cuarto|cuarto|un tercio|tercio")
	zeroWords    = wordSet("none|no|nada|nothing|ninguno|ninguna|cero|zero")
	noNumber     = wordSet("un chorrito|chorrito|a splash|splash|some|to taste|a handful|handful|un puñado|puñado|al gusto|a bit|a little|un poco|algo")
)

func wordSet(s string) map[string]bool {
	m := map[string]bool{}
	for _, w := range strings.Split(s, "|") {
		m[w] = true
	}
	return m
}

func readTyped(text string, f Field) Typed {
	if len(text) > 400 {
		return unread("too-long", "")
	}
	s := tidy(text)
	low := strings.ToLower(s)
	switch {
	case s == "" || notRecorded[low]:
		return Typed{Kind: Missing}
	case zeroWords[low]:
		return Typed{Kind: Value, Parsed: Parsed{Quantity: Quantity{Unit: fieldUnit(f)}}}
	case noNumber[low]:
		return ask("not-a-number", s)
	}
	var t Typed
	s, t.Approximate = cutAny(s, approxWords)
	if !t.Approximate {
		s, t.Approximate = cutAfter(s, approxAfter)
	}
	if rest, below, ok := cutBound(s); ok {
		in := readTyped(rest, f)
		if in.Kind == Value {
			in.Kind, in.Below = Bound, below
		}
		return in
	}
	if first, second, ok := strings.Cut(s, "/"); ok {
		if echo, ok := labelEcho(first, second, f); ok {
			return echo
		}
	}
	if n, rest, ok := cutPortions(s); ok {
		in := readTyped(rest, f)
		if in.Kind == Value && in.Portions == 0 {
			in.Portions = n
			k := float64(n)
			in.Value, in.U, in.Low, in.High = in.Value*k, in.U*k, in.Low*k, in.High*k
		}
		return in
	}
	s = between(s)
	for _, minus := range []string{"minus ", "menos "} {
		if len(s) > len(minus) && strings.EqualFold(s[:len(minus)], minus) {
			s = "-" + s[len(minus):]
		}
	}
	if bareFraction[strings.ToLower(s)] && f.Dim != Volume && f.Dim != Pure && f.Dim != Count {
		return ask("not-a-number", s) // half of what?
	}
	if v, ok := clockTime(s, f); ok {
		v.Approximate = t.Approximate
		return v
	}
	out := readValue(wordsToNumbers(s), f)
	out.Approximate = out.Approximate || t.Approximate
	return out
}

// readValue reads number, range or number ± number, then unit.
func readValue(s string, f Field) Typed {
	sign, body := readSign(s)
	if sign < 0 && f.Dim != Temperature && f.Dim != Length && f.Dim != Pure {
		return ask("negative", s)
	}
	body, factor, mod := cutModifier(body)
	body, confirm := resolveComma(body, f)
	if confirm == commaAsk {
		return ask("ambiguous-comma", s)
	}
	first, err := readNumber(body)
	if err != nil && mod && strings.TrimSpace(body) != "" && err.Code == "no-number" {
		first, err = number{value: 1, rest: " " + body}, nil
	}
	if err != nil {
		return unread(err.Code, err.Read)
	}
	if joint, ok := spacedFraction(body); ok {
		return ask("range-or-mixed", joint)
	}
	if twoReadings(first, body) {
		return ask("not-a-number", s)
	}
	low, high, isRange, rest, bad := readSpread(first)
	if bad != "" {
		return ask(bad, s)
	}
	if !isRange {
		if p, ok := typedCompound(first, f); ok {
			if sign < 0 {
				p.Value = -p.Value
			}
			p.Confirm = confirm == commaConfirm
			return p
		}
	}
	unit, t := typedUnit(rest, first, f)
	if t.Kind != Value {
		return t
	}
	if isRange {
		t.Parsed = rangeOf(low, high, unit)
		t.Low, t.High = low, high
	} else {
		t.Parsed = Parsed{Quantity: Quantity{Value: first.value, Unit: unit}}
	}
	if mod {
		if unit.Dim != Volume {
			return ask("modifier", s)
		}
		t.Low, t.High = t.Value*factor[1], t.Value*factor[2]
		t.Value *= factor[0]
		t.U = (t.High - t.Low) / 2 / sqrt3
		t.Approximate = factor[1] != factor[2]
	}
	if sign < 0 {
		t.Value, t.Low, t.High = -t.Value, -t.High, -t.Low
	}
	if first.power || confirm == commaConfirm {
		t.Confirm = true
	}
	return t
}

// twoReadings reports whether two readings stand where one is asked: "2 y 3",
// "25/26". A fraction of a kitchen has a small denominator.
func twoReadings(first number, body string) bool {
	rest := strings.ToLower(strings.TrimLeft(first.rest, " "))
	for _, joint := range []string{"y ", "and ", "& ", "e "} {
		if after, ok := strings.CutPrefix(rest, joint); ok && leadingDigits(after) != "" {
			return true
		}
	}
	written := strings.TrimSpace(strings.TrimSuffix(body, first.rest))
	_, below, ok := strings.Cut(written, "/")
	if !ok {
		return false
	}
	digits := leadingDigits(strings.TrimSpace(below))
	if digits == "" {
		return false
	}
	n, err := readDecimal(digits)
	return err == nil && n > 16
}

// readSpread reads what may follow a first number to make it a range ("2-3",
// "2 to 3") or a value with a half-width ("10 ± 1").
func readSpread(first number) (low, high float64, isRange bool, rest, bad string) {
	trimmed := strings.TrimLeft(first.rest, " ")
	for _, pm := range []string{"±", "+/-", "+-"} {
		if after, ok := strings.CutPrefix(trimmed, pm); ok {
			n, err := readNumber(strings.TrimLeft(after, " "))
			if err != nil {
				return 0, 0, false, "", "bad-spread"
			}
			return first.value - n.value, first.value + n.value, true, n.rest, ""
		}
	}
	for _, j := range []string{"-", "to ", "a ", "or ", "o "} {
		after, ok := strings.CutPrefix(trimmed, j)
		if !ok {
			continue
		}
		n, err := readNumber(strings.TrimLeft(after, " "))
		if err != nil {
			continue
		}
		if n.value <= first.value {
			return 0, 0, false, "", "bad-range"
		}
		return first.value, n.value, true, n.rest, ""
	}
	return 0, 0, false, first.rest, ""
}

// typedCompound reads "5'3"", "5ft 3", "1 lb 4 oz": a whole number of the
// larger unit and a number of the smaller, whose unit may be left out.
func typedCompound(first number, f Field) (Typed, bool) {
	rest := strings.TrimLeft(first.rest, " ")
	cut := strings.IndexAny(rest, "0123456789.")
	if cut <= 0 || !first.whole {
		return Typed{}, false
	}
	unit, ok := unitInField(strings.TrimSpace(rest[:cut]), f)
	if !ok {
		return Typed{}, false
	}
	for _, c := range append(compounds, struct {
		first, second string
		limit         float64
	}{"m", "cm", 100}) {
		if unit.Symbol != c.first {
			continue
		}
		second, err := readNumber(rest[cut:])
		if err != nil {
			return Typed{}, false
		}
		name := strings.TrimSpace(second.rest)
		small, assumed := MustUnit(c.second), name == ""
		if !assumed {
			if small, ok = unitInField(name, f); !ok || small.Symbol != c.second {
				return Typed{}, false
			}
		}
		if second.value >= c.limit {
			return ask("bad-compound", rest), true
		}
		big := first.value + second.value/c.limit
		q := Quantity{Value: big, Unit: unit}
		if unit.Symbol == "ft" || unit.Symbol == "h" || unit.Symbol == "min" {
			q, _ = q.In(small)
			q.Value = first.value*c.limit + second.value
		}
		return Typed{Kind: Value, Parsed: Parsed{Quantity: q}, UnitAssumed: assumed}, true
	}
	return sumOfUnits(first, unit, rest[cut:], f)
}

// sumOfUnits reads "3 cm 4 mm" or "1 cup 2 tbsp": a whole number of a unit and,
// of a smaller one of the same dimension that is written out, less than makes one
// of it. The sum is in the smaller unit.
func sumOfUnits(first number, unit Unit, rest string, f Field) (Typed, bool) {
	second, err := readNumber(rest)
	if err != nil || strings.TrimSpace(second.rest) == "" {
		return Typed{}, false
	}
	small, ok := unitInField(strings.TrimSpace(second.rest), f)
	if !ok || small.Dim != unit.Dim || small.Dim == Temperature || small.Dim == Pure || small.Factor >= unit.Factor || unit.Dim != f.Dim {
		return Typed{}, false
	}
	if second.value*small.Factor >= unit.Factor {
		return ask("bad-compound", rest), true
	}
	return Typed{Kind: Value, Parsed: Parsed{Quantity: Quantity{Value: first.value*unit.Factor/small.Factor + second.value, Unit: small}}}, true
}

// typedUnit decides the unit of a value: the one typed, as this field and
// this system understand it, or the one shown beside the field.
func typedUnit(rest string, first number, f Field) (Unit, Typed) {
	name := strings.TrimSpace(rest)
	name = strings.TrimSpace(strings.TrimPrefix(strings.TrimPrefix(name, "of "), "de "))
	t := Typed{Kind: Value}
	if name == "" {
		t.UnitAssumed = true
		unit := fieldUnit(f)
		if f.Room && f.System == US {
			switch {
			case first.value > 60:
				t.Confirm = true
				return MustUnit("°F"), t
			default:
				return Unit{}, ask("celsius-or-fahrenheit", "")
			}
		}
		return unit, t
	}
	if f.Dim == Pure && name == "vol" { // peroxide: 3 % is about 10 volumes
		t.Confirm = true
		return Unit{Symbol: "vol", Factor: 0.01 / 3.3}, t
	}
	unit, ok := unitInField(name, f)
	if !ok {
		return Unit{}, unread("unknown-unit", name)
	}
	if (name == "T" || name == "t") && f.Dim == Volume {
		t.Confirm = name == "T"
	}
	switch {
	case unit.Dim == f.Dim:
	case f.Dim == Volume && unit.Dim == Count:
	case f.Dim == Volume && unit.Symbol == "oz":
		return Unit{}, ask("ounce", name)
	case f.Dim == Count && unit.Dim == Pure:
	default:
		return Unit{}, ask("wrong-dimension", unit.Symbol)
	}
	return unit, t
}

func fieldUnit(f Field) Unit {
	if u, ok := LookupUnit(f.Unit); ok {
		return u
	}
	return Canonical(f.Dim)
}

// clockTime reads 1:20, 1m20, a stopwatch's 0:11.4 and 1:20:30 in a field for
// durations.
func clockTime(s string, f Field) (Typed, bool) {
	if f.Dim != Time {
		return Typed{}, false
	}
	parts := strings.Split(s, ":")
	if len(parts) == 1 {
		if a, b, ok := strings.Cut(s, "m"); ok {
			parts = []string{a, strings.TrimPrefix(b, "in ")}
		}
	}
	if len(parts) != 2 && len(parts) != 3 {
		return Typed{}, false
	}
	total := 0.0
	for i, p := range parts {
		p = strings.TrimSpace(p)
		whole, hundredths := p, ""
		if at := strings.IndexAny(p, ".,"); at >= 0 && i == len(parts)-1 {
			whole, hundredths = p[:at], p[at+1:]
			if hundredths == "" || leadingDigits(hundredths) != hundredths || len(hundredths) > 3 {
				return Typed{}, false
			}
		}
		if whole == "" || leadingDigits(whole) != whole || len(whole) > 4 || i > 0 && len(whole) > 2 {
			return Typed{}, false
		}
		n, _ := readDecimal(whole)
		if i > 0 && n >= 60 {
			return ask("bad-compound", s), true
		}
		if hundredths != "" {
			part, _ := readDecimal(hundredths)
			n += part / math.Pow10(len(hundredths))
		}
		total = total*60 + n
	}
	return Typed{Kind: Value, Parsed: Parsed{Quantity: Quantity{Value: total, Unit: MustUnit("s")}}}, true
}

// labelEcho reads "100g/3.5oz": the same amount said twice, within 2 %.
func labelEcho(first, second string, f Field) (Typed, bool) {
	a, err := Parse(first)
	if err != nil || a.Unit.Dim != f.Dim || a.Unit == One {
		return Typed{}, false
	}
	b, err := Parse(second)
	if err != nil || b.Unit.Dim != f.Dim || a.SI() == 0 || math.Abs(b.SI()/a.SI()-1) > 0.02 {
		return Typed{}, false
	}
	return Typed{Kind: Value, Parsed: a}, true
}
