package quantity

import (
	"math"
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

// amount reads a number with its unit, and further numbers of smaller units
// ("1 h 20 min", "5'3"): how many tokens it took, or why there is none.
func (r reader) amount(t []token) (amount, int, *Typed) {
	a, n, problem := r.single(t)
	if problem != nil {
		return a, n, problem
	}
	for a.typed && n < len(t) {
		sum, m, problem := r.more(a, t, n)
		if problem != nil {
			return a, n, problem
		}
		if m == 0 {
			break
		}
		a, n = sum, n+m
	}
	if a.unit.Dim == Temperature || !a.typed && r.f.Dim == Temperature {
		if _, k := r.l.belowZero.at(t[n:]); k > 0 {
			a.belowZero, a.confirm = true, true
			n += k
		}
	}
	return a, n, nil
}

// single reads one number with its unit: "2 heaped tsp", "half a cup", "a cup
// and a half".
func (r reader) single(t []token) (amount, int, *Typed) {
	a := amount{}
	n := 0
	filled := func() {
		if m, k := r.l.modifiers.at(t[n:]); k > 0 {
			a.modifier, n = m, n+k
		}
	}
	filled()
	figure, k, problem := r.number(t[n:])
	switch {
	case problem == nil:
		a.figure, n = figure, n+k
	case problem.Code == "no-number" && r.countsAsOne(t[n:], a.modifier[0] > 0):
		a.figure = figureOf(1)
	default:
		return a, 0, problem
	}
	filled()
	if a.spoken {
		n += r.ofUnit(t[n:])
	}
	filled()
	named := false // also degrees, which name no scale
	if u, k, known := r.unit(t[n:]); k > 0 {
		a.unit, a.typed, named, n = u, known, true, n+k
		a.confirm = u.Dim == Volume && k == 1 && t[n-1].text == "T" // tea or table
	}
	filled()
	if half, k := r.andHalf(t[n:]); k > 0 && named && a.whole && !r.unitFollows(t[n+k:]) {
		a.value, a.plain, a.decimals, a.whole, n = a.value+half, false, -1, false, n+k
	}
	a.plain = a.plain && a.modifier[0] == 0
	return a, n, nil
}

// countsAsOne reports whether a unit without a number means one of it: "heaped
// tsp", "minute and a half", "pinch".
func (r reader) countsAsOne(t []token, filled bool) bool {
	u, n, known := r.unit(t)
	if !known || n == 0 {
		return false
	}
	_, half := r.andHalf(t[n:])
	return filled || half > 0 || u.Symbol == "pinch" || u.Symbol == "dash" || u.Symbol == "smidgen"
}

func (r reader) unitFollows(t []token) bool {
	if _, k := r.l.modifiers.at(t); k > 0 {
		t = t[k:]
	}
	_, n, known := r.unit(t)
	return n > 0 && known
}

// andHalf reads "and a half", "y media": the share and how many tokens it took.
func (r reader) andHalf(t []token) (float64, int) {
	_, n := r.l.and.at(t)
	if n == 0 {
		return 0, 0
	}
	if _, k := r.l.article.at(t[n:]); k > 0 {
		n += k
	}
	if of, k := r.l.fractions.at(t[n:]); k > 0 {
		return 1 / of, n + k
	}
	if n < len(t) && t[n].kind == 'f' {
		return t[n].value, n + 1
	}
	if num, den, k := slashed(t[n:]); k > 0 && num > 0 && num < den {
		return num / den, n + k
	}
	return 0, 0
}

// ofUnit is how many words stand before the unit that a number in words is of: "half of a
// cup".
func (r reader) ofUnit(t []token) int {
	if _, k := r.l.of.at(t); k > 0 && r.unitFollows(t[k:]) {
		return k
	}
	return 0
}

// more reads a number of a smaller unit behind an amount. The sum is in the
// smaller unit.
func (r reader) more(a amount, t []token, n int) (amount, int, *Typed) {
	joint := r.joint(t[n:], ",")
	b, k, problem := r.single(t[n+joint:])
	if problem != nil || joint > 0 && !b.typed {
		return a, 0, nil
	}
	if n+k == len(t) && (b.plain || b.spoken && !b.share || strings.Contains(written(t), "/")) {
		b.lessOf(a)
	}
	if !b.typed || !a.unit.divides(b.unit) {
		return a, 0, nil
	}
	if !a.whole && joint == 0 || b.value*b.unit.Factor >= a.unit.Factor*(1-1e-9) {
		p := ask("bad-compound", written(t))
		return a, 0, &p
	}
	b.value, b.plain, b.decimals = a.value*a.unit.Factor/b.unit.Factor+b.value, false, -1
	b.value = math.Round(b.value*1e9) / 1e9
	return b, joint + k, nil
}

// joint is how many words join what follows to what stands before: "and", or one of the
// signs.
func (r reader) joint(t []token, signs string) int {
	if _, n := r.l.and.at(t); n > 0 || !strings.Contains(signs, t[0].text) {
		return n
	}
	return 1
}

// lessOf takes a number without a unit to be of the unit that comes below another's.
func (a *amount) lessOf(larger amount) {
	if small, known := lessThan[larger.unit.Symbol]; known && !a.typed {
		a.unit, a.typed, a.assumed = MustUnit(small), true, true
	}
}

// divides reports whether an amount in a unit can go on in a smaller one: 3 cm 4 mm.
func (u Unit) divides(small Unit) bool {
	return small.Dim == u.Dim && u.Dim != Temperature && u.Dim != Pure && small.Factor < u.Factor
}

// lessThan is the unit that may be left out behind another: 5 ft 3, 1 h 20.
var lessThan = map[string]string{"ft": "in", "lb": "oz", "h": "min", "min": "s", "m": "cm"}

// unit reads a unit as this field and this system understand it: how many
// tokens it took, and whether a unit was named at all ("20 degrees" names no
// scale where temperatures are asked).
func (r reader) unit(t []token) (u Unit, n int, known bool) {
	if len(t) == 0 || t[0].kind == 'n' || t[0].kind == 'f' {
		return Unit{}, 0, false
	}
	u, n = r.named(t)
	if _, k := r.l.degrees.at(t); k > 0 && r.f.Dim == Temperature && k >= n {
		return Unit{}, k, false
	}
	if whole, k := r.composed(t); k > n {
		return whole, k, true
	}
	if n == 0 {
		if r.f.Dim == Pure && t[0].low == "vol" { // peroxide: 3 % is about 10 volumes
			return Unit{Symbol: "vol", Factor: 0.01 / 3.3}, 1, true
		}
		return Unit{}, 0, false
	}
	if whole, k := r.perUnit(u, t[n:]); k > 0 {
		return whole, n + k, true
	}
	if s, found := inSystem[r.f.System][u.Symbol]; found {
		u = MustUnit(s)
	}
	return u, n, true
}

// named reads a unit by its name, of several the one that fits the field; by its symbol,
// as this field means it; or by a symbol nearly so.
func (r reader) named(t []token) (u Unit, n int) {
	all, n := r.l.units.at(t)
	if n > 0 {
		u = all[0]
		if i := slices.IndexFunc(all, func(x Unit) bool { return x.Dim == r.f.Dim }); i >= 0 {
			u = all[i]
		}
	}
	if s, ok := fieldSymbols[r.f.Dim][t[0].text]; ok && n <= 1 {
		return unitsWritten[s], 1
	}
	if s, ok := unitsWritten[t[0].text]; ok && (n == 0 || n == 1 && u.Dim != r.f.Dim) {
		return s, 1
	}
	if n == 0 {
		return r.loosely(t[0].text)
	}
	return u, n
}

// perUnit reads what a unit is told by, in words: grams per litre.
func (r reader) perUnit(u Unit, behind []token) (Unit, int) {
	_, k := r.l.per.at(behind)
	if k == 0 || k >= len(behind) || behind[k].kind != 'w' {
		return Unit{}, 0
	}
	below, ok := simpleUnit(behind[k].text)
	if !ok {
		return Unit{}, 0
	}
	whole, ok := LookupUnit(u.Symbol + "/" + below.Symbol)
	if !ok || whole.Dim != r.f.Dim {
		return Unit{}, 0
	}
	return whole, k + 1
}

// loosely reads a symbol whose capitals a keyboard changed, where it then fits
// the field.
func (r reader) loosely(s string) (Unit, int) {
	for _, low := range []string{strings.ToLower(s), strings.ToUpper(s)} {
		if u, ok := unitsWritten[low]; ok && u.Dim == r.f.Dim {
			return u, 1
		}
	}
	return Unit{}, 0
}

// composed reads a unit of several, written without blanks: g/mL, mm/√min.
func (r reader) composed(t []token) (Unit, int) {
	if t[0].kind != 'w' {
		return Unit{}, 0
	}
	end := 1
	for end < len(t) && !t[end].spaced && end < 8 && t[end].kind != 'f' && (t[end].kind != 'n' ||
		t[end-1].text == "^") {
		end++
	}
	for ; end > 1; end-- {
		if u, ok := LookupUnit(written(t[:end])); ok {
			return u, end
		}
	}
	return Unit{}, 0
}

// finish makes a value of an amount and what stands behind it.
func (r reader) finish(t []token, a amount, rest []token) Typed {
	field := r.f.unit()
	if asked := r.open(t, a, rest); asked != nil {
		return *asked
	}
	out := Typed{
		Kind:        Value,
		UnitAssumed: !a.typed || a.assumed,
		Decimals:    a.decimals,
		Note:        written(rest),
		Approximate: a.about,
	}
	if !a.typed {
		a.unit = field
	}
	switch {
	case answers(a.unit.Dim, field.Dim):
	case field.Dim == Volume && a.unit.Symbol == "oz":
		return ask("ounce", written(t), text.Number(a.value, max(0, a.decimals), r.f.Language)+" fl oz")
	default:
		return ask("wrong-dimension", written(t))
	}
	out.Parsed = Parsed{Quantity: Quantity{Value: a.value, Unit: a.unit}}
	out.Low, out.High = a.value, a.value
	if m := a.modifier; m[0] > 0 {
		if a.unit.Dim != Volume {
			return ask("modifier", written(t))
		}
		out.Value, out.Low, out.High = a.value*m[0], a.value*m[1], a.value*m[2]
		out.U = (out.High - out.Low) / 2 / sqrt3
		out.Approximate = out.Approximate || m[1] != m[2]
	}
	out.Confirm = a.confirm || !a.plain || a.unit != field || len(rest) > 0 || a.unit.Symbol == "vol"
	return out
}

// answers reports whether an amount of a dimension can be told where another is asked:
// cups are counted, and a count has no unit.
func answers(told, asked Dim) bool {
	return told == asked || asked == Volume && told == Count || asked == Count && told == Pure
}

// measuringSpoons are fields in which half is half of one.
var measuringSpoons = []string{"tsp", "tbsp", "cup", "metric tsp", "metric tbsp", "metric cup", "AU tbsp"}

// open is what an amount leaves to be asked: words behind it that mean something, a part
// of a percentage, half of nothing that is named. It is nil where it leaves nothing.
func (r reader) open(t []token, a amount, rest []token) *Typed {
	field := r.f.unit()
	counted := field.Dim == Count || field.Symbol == "1"
	var out Typed
	switch code, offers := r.behind(t, a, rest, counted); {
	case code == "unknown-unit":
		out = unread(code, written(rest))
	case code != "":
		out = ask(code, written(t), offers...)
	case a.typed:
		return nil
	case field.Symbol == "%" && a.decimals < 0 && a.value > 0 && a.value < 1: // of the whole, or of a hundred
		show := func(v float64) string { return field.Behind(text.Number(v, text.Decimals(v, 0), r.f.Language)) }
		out = ask("share", written(t), show(100*a.value), show(a.value))
	case a.share && !counted && !slices.Contains(measuringSpoons, field.Symbol):
		out = ask("not-a-number", written(t)) // half of what?
	default:
		return nil
	}
	return &out
}

// behind judges the words behind a value: "" where they may be left out.
func (r reader) behind(t []token, a amount, rest []token, counted bool) (code string, offers []string) {
	if len(rest) == 0 {
		return "", nil
	}
	joint := r.joint(rest, ",;/&")
	if second, n, problem := r.amount(rest[joint:]); problem == nil {
		offers := []string{r.offered(a, a.typed || second.typed), r.offered(second, a.typed || second.typed)}
		return "two-readings", offers[:min(2, n*2)]
	}
	if a.typed || counted {
		if len(rest) > 6 || r.means(rest) {
			return "unknown-unit", nil
		}
		return "", nil
	}
	if _, n := r.l.packets.at(rest); n > 0 {
		return "packets", nil
	}
	if _, of := r.l.of.at(rest); of == 0 || len(rest) > 6 || r.means(rest) {
		return "unknown-unit", nil
	}
	return "", nil
}

// offered is an amount as it is offered: in its own unit where that is one of the field,
// with the field's unit where any was written.
func (r reader) offered(a amount, unit bool) string {
	switch {
	case a.typed && a.unit.Dim == r.f.Dim:
		return r.shown(a.figure) + " " + a.unit.Symbol
	case unit:
		return r.shown(a.figure) + " " + r.f.Unit
	}
	return r.shown(a.figure)
}

// means reports whether words behind a value say something about it: a number, a unit
// of this field, a word that speaks against it.
func (r reader) means(rest []token) bool {
	aside := rest[0].text == "("
	for i := range rest {
		if _, n := r.l.against.at(rest[i:]); n > 0 || rest[i].kind == 'n' || rest[i].kind != 'w' && !aside {
			return true
		}
		if u, n, known := r.unit(rest[i:]); n > 0 && known && u.Dim == r.f.Dim && !aside {
			return true
		}
	}
	return false
}

func (r reader) shown(f figure) string {
	return text.Number(f.value, max(f.decimals, 0), r.f.Language)
}
