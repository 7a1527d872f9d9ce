package quantity

import (
	"math"
	"slices"
)

// reader reads the tokens typed into one field.
type reader struct {
	f Field
	l *lexicon
}

// amount is a value with its unit as it stands in the text.
type amount struct {
	figure
	unit      Unit
	typed     bool       // a unit was written
	modifier  [3]float64 // usual, least, most factor of a spoon's filling; zero without
	confirm   bool
	assumed   bool // the unit of the last part was left out
	belowZero bool
}

// qualified takes what is said about a value off both its ends: about, at
// least, between; then reads it.
func (r reader) qualified(t []token) Typed {
	t, approximate := r.trimmed(t)
	below, n := r.l.bound.at(t)
	if n > 0 && n < len(t) {
		return bounded(r.qualified(t[n:]), below)
	}
	if n := r.l.boundAfter.before(t); n > 0 {
		below := r.l.boundAfter.meaning[joined(t[len(t)-n:])]
		return bounded(r.qualified(t[:len(t)-n]), below)
	}
	out := r.value(t)
	if approximate && out.Kind == Value {
		out.Approximate = true
	}
	if out.Approximate && out.Kind == Value && out.Low == out.High {
		half := about(out.Value)
		out.Low, out.High = out.Value-half, out.Value+half
		out.U = half / sqrt3
	}
	return out
}

// trimmed takes off both ends what only leads to a value or says that it is about.
func (r reader) trimmed(t []token) (rest []token, approximate bool) {
	for len(t) > 1 {
		last := t[len(t)-1].text
		_, leads := r.l.leads.at(t)
		_, about := r.l.about.at(t)
		after := r.l.aboutAfter.before(t)
		switch {
		case t[0].text == "=":
			t = t[1:]
		case last == "!" || last == "=" || last == ",":
			t = t[:len(t)-1]
		case leads > 0 && leads < len(t):
			t = t[leads:]
		case about > 0 && about < len(t) && !r.belongs(t, about):
			t, approximate = t[about:], true
		case after > 0:
			t, approximate = t[:len(t)-after], true
		case last == "?":
			t, approximate = t[:len(t)-1], true
		default:
			return t, approximate
		}
	}
	return t, approximate
}

// belongs reports whether a sign that may mean about is the value's own, as the
// c of "c 25" is not and the one of "1 c" never stands first.
func (r reader) belongs(t []token, n int) bool {
	return n == 1 && t[0].low == "c" && t[1].kind != 'n'
}

func bounded(t Typed, below bool) Typed {
	if t.Kind == Value {
		t.Kind, t.Below = Bound, below
	}
	return t
}

// value reads a value without what is said about it.
func (r reader) value(t []token) Typed {
	if len(t) == 0 {
		return Typed{Kind: Missing}
	}
	if v, ok := r.special(t); ok {
		return v
	}
	sign, rest := r.sign(t)
	first, n, problem := r.amount(rest)
	if problem != nil {
		return *problem
	}
	if first.belowZero {
		sign = -1
	}
	if sign < 0 && !slices.Contains(signed, r.f.Dim) && first.value != 0 {
		return ask("negative", written(t))
	}
	after := rest[n:]
	if _, k := r.l.give.at(after); k > 0 {
		return r.spread(t, sign, first, after[k:])
	}
	if _, k := r.l.to.at(after); k > 0 {
		if second, m, problem := r.amount(after[k:]); problem == nil {
			if sign < 0 {
				return ask("negative", written(t))
			}
			return r.between(t, first, second, after[k+m:])
		}
	}
	out := r.finish(t, first, after)
	if sign < 0 {
		return out.below(rest[0].low == "-" || first.belowZero)
	}
	return out
}

// below is a value below zero; doubtful, it is shown back.
func (t Typed) below(doubtful bool) Typed {
	if t.Kind == Value {
		t.Value, t.Low, t.High = -t.Value, -t.High, -t.Low
		t.Confirm = t.Confirm || doubtful
	}
	return t
}

// special reads what is written in a way of its own: between two values, in portions, as
// the label says it, by the clock.
func (r reader) special(t []token) (Typed, bool) {
	if joint, n := r.l.spans.at(t); n > 0 {
		if v, ok := r.span(t[n:], joint); ok {
			return v, true
		}
	}
	if v, ok := r.portions(t); ok {
		return v, true
	}
	if v, ok := r.labelEcho(t); ok {
		return v, true
	}
	if r.f.Dim == Time {
		return r.clock(t)
	}
	return r.outOf(t)
}

// outOf reads so many out of so many as a percentage, where one is asked: 3 out of 10.
func (r reader) outOf(t []token) (Typed, bool) {
	if r.f.unit().Symbol != "%" {
		return Typed{}, false
	}
	some, n, problem := r.number(t)
	if problem != nil || n == 0 || some.share { // "half of 10" is asked
		return Typed{}, false
	}
	_, joint := r.l.outOf.at(t[n:])
	if joint == 0 {
		return Typed{}, false
	}
	all, k, problem := r.number(t[n+joint:])
	if problem != nil || n+joint+k != len(t) || !(all.value > 0) || some.value > all.value {
		return Typed{}, false
	}
	share := 100 * some.value / all.value
	return Typed{
		Kind:     Value,
		Parsed:   Parsed{Quantity: Quantity{Value: share, Unit: r.f.unit()}},
		Low:      share,
		High:     share,
		Confirm:  true,
		Decimals: -1,
	}, true
}

// signed are the dimensions of what may lie below zero.
var signed = []Dim{Temperature, Pure, Voltage, Current, Angle}

func (r reader) sign(t []token) (int, []token) {
	if t[0].text == "-" {
		return -1, t[1:]
	}
	if t[0].text == "+" {
		return 1, t[1:]
	}
	if _, n := r.l.minus.at(t); n > 0 {
		return -1, t[n:]
	}
	return 1, t
}

// span reads what follows "between" or "from".
func (r reader) span(t []token, joint string) (Typed, bool) {
	first, n, problem := r.amount(t)
	if problem != nil || n >= len(t) || t[n].low != joint && t[n].text != "-" {
		return Typed{}, false
	}
	second, m, problem := r.amount(t[n+1:])
	if problem != nil {
		return Typed{}, false
	}
	return r.between(t, first, second, t[n+1+m:]), true
}

// between makes a range of its ends; the first may lack the unit.
func (r reader) between(t []token, first, second amount, rest []token) Typed {
	if !first.typed {
		first.unit, first.typed = second.unit, second.typed
	}
	if second.typed && first.unit != second.unit {
		q, err := Quantity{Value: first.value, Unit: first.unit}.In(second.unit)
		if err != nil {
			return ask("bad-range", written(t))
		}
		first.value = q.Value
	}
	out := r.finish(t, second, rest)
	if out.Kind != Value {
		return out
	}
	if first.value >= second.value {
		return ask("bad-range", written(t))
	}
	out.Parsed = rangeOf(first.value, second.value, out.Unit)
	out.Low, out.High, out.Decimals = first.value, second.value, max(first.decimals, second.decimals)
	out.Confirm = out.Confirm || !first.plain
	return out
}

// spread makes a value of what stands before and after ±.
func (r reader) spread(t []token, sign int, first amount, after []token) Typed {
	second, n, problem := r.amount(after)
	if problem != nil {
		return ask("bad-spread", written(t))
	}
	rest := after[n:]
	if len(rest) > 0 && rest[len(rest)-1].text == ")" {
		rest = rest[:len(rest)-1]
	}
	half := second.value
	switch {
	case !first.typed:
		first.unit, first.typed = second.unit, second.typed
	case second.typed && second.unit != first.unit:
		if second.unit.Dim != first.unit.Dim {
			return ask("bad-spread", written(t))
		}
		half *= second.unit.Factor / first.unit.Factor
	}
	out := r.finish(t, first, rest)
	if out.Kind != Value {
		return out
	}
	if sign < 0 {
		out.Value = -out.Value
	}
	out.Parsed = rangeOf(out.Value-half, out.Value+half, out.Unit)
	out.Low, out.High, out.Decimals = out.Value-half, out.Value+half, max(first.decimals, second.decimals)
	return out
}

// portions reads "2 x 50 mL" as two portions of fifty.
func (r reader) portions(t []token) (Typed, bool) {
	count, n, problem := r.number(t)
	if problem != nil || !count.whole || count.value < 1 || count.value > 999 || n >= len(t) {
		return Typed{}, false
	}
	_, k := r.l.times.at(t[n:])
	if _, unit, _ := r.unit(t[n:]); unit > 0 { // por ciento
		return Typed{}, false
	}
	if k == 0 || n+k >= len(t) {
		return Typed{}, false
	}
	if _, _, problem := r.number(t[n+k:]); problem != nil {
		return Typed{}, false
	}
	out := r.value(t[n+k:])
	if out.Kind == Value && out.Portions == 0 {
		out.Portions, out.Confirm, out.Decimals = int(count.value), true, -1
		out.Value, out.U, out.Low, out.High = out.Value*count.value, out.U*count.value, out.Low*count.value,
			out.High*count.value
	}
	return out, true
}

// labelEcho reads "100g/3.5oz": the same amount said twice, within 2 %.
func (r reader) labelEcho(t []token) (Typed, bool) {
	slash := slices.IndexFunc(t, func(x token) bool { return x.text == "/" })
	if slash < 2 || slash == len(t)-1 {
		return Typed{}, false
	}
	a, n, problem := r.amount(t[:slash])
	if problem != nil || n != slash || !a.typed || a.unit.Dim != r.f.Dim {
		return Typed{}, false
	}
	b, m, problem := r.amount(t[slash+1:])
	if problem != nil || slash+1+m != len(t) || !b.typed || b.unit.Dim != r.f.Dim {
		return Typed{}, false
	}
	one, other := Quantity{Value: a.value, Unit: a.unit}.SI(), Quantity{Value: b.value, Unit: b.unit}.SI()
	if one == 0 || math.Abs(other/one-1) > 0.02 {
		return ask("two-readings", written(t), written(t[:slash]), written(t[slash+1:])), true
	}
	return r.finish(t, a, nil), true
}

// clock reads 1:20, a stopwatch's 0:11.4 and 1:20:30. Two numbers where hours
// or days are asked may be hours and minutes, and are asked.
func (r reader) clock(t []token) (Typed, bool) {
	if len(t) != 3 && len(t) != 5 || t[1].text != ":" || len(t) == 5 && t[3].text != ":" {
		return Typed{}, false
	}
	total := 0.0
	for i := 0; i < len(t); i += 2 {
		v, problem := clockPart(t, i)
		if problem != nil {
			return *problem, true
		}
		total = total*60 + v
	}
	if unit := r.f.unit().Symbol; len(t) == 3 && (unit == "h" || unit == "d") {
		return ask(
			"hours-or-minutes",
			written(t),
			t[0].text+" h "+t[2].text+" min",
			t[0].text+" min "+t[2].text+" s",
		), true
	}
	return Typed{
		Kind:     Value,
		Parsed:   Parsed{Quantity: Quantity{Value: total, Unit: MustUnit("s")}},
		Low:      total,
		High:     total,
		Confirm:  true,
		Decimals: -1,
	}, true
}

// clockPart reads one of the numbers between colons: below 60 and with two digits but the
// first, with a decimal only in the last.
func clockPart(t []token, i int) (float64, *Typed) {
	digits := leadingDigits(t[i].text)
	whole, first, last := digits == t[i].text, i == 0, i == len(t)-1
	if t[i].kind != 'n' || !last && !whole || len(digits) > 4 || !first && (len(digits) != 2 || t[i].spaced) {
		p := unread("bad-compound", written(t))
		return 0, &p
	}
	v, err := readDecimal(t[i].text)
	if err != nil && err.Code == "ambiguous-comma" { // thousandths of a second
		v, err = readDecimal(digits + "." + t[i].text[len(digits)+1:])
	}
	if err != nil || !first && v >= 60 {
		p := ask("bad-compound", written(t))
		return 0, &p
	}
	return v, nil
}
