package quantity

import (
	"math"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/text"
)

// figure is a number as it stands in a text.
type figure struct {
	value    float64
	plain    bool // one numeral, read as it stands
	whole    bool
	spoken   bool // in words, or an article
	share    bool // a word for a part alone: half
	about    bool // a couple
	decimals int  // behind the decimal sign; -1 where it is not one numeral
}

func figureOf(v float64) figure {
	return figure{value: v, whole: v == math.Trunc(v), spoken: true, decimals: -1}
}

// number reads a number in any of its forms: how many tokens it took, or why
// there is none.
func (r reader) number(t []token) (figure, int, *Typed) {
	none := func(code string, k int) (figure, int, *Typed) {
		p := unread(code, written(t[:min(k, len(t))]))
		return figure{}, 0, &p
	}
	if len(t) == 0 {
		return none("no-number", 0)
	}
	switch t[0].kind {
	case 'f':
		f := figureOf(t[0].value)
		f.whole = false
		return f, 1, nil
	case 'n':
		return r.numeral(t)
	case 'w':
		if f, n := r.words(t); n > 0 {
			return f, n, nil
		}
	}
	return none("no-number", 1)
}

// numeral reads digits and what may follow them: a fraction, a group in words.
func (r reader) numeral(t []token) (figure, int, *Typed) {
	fail := func(p Typed) (figure, int, *Typed) { return figure{}, 0, &p }
	typed, confirm := t[0].text, false
	if point, grouped, ok := doubtful(typed); ok {
		switch {
		case text.Of(r.f.Language).Decimal == ",":
			rest := written(append([]token{{}}, t[1:]...))
			v, _ := readDecimal(point)
			whole, _ := readDecimal(grouped)
			return fail(
				ask(
					"ambiguous-comma",
					written(t),
					text.Number(v, text.Decimals(v, 0), r.f.Language)+rest,
					text.Number(whole, 0, r.f.Language)+rest,
				),
			)
		case typed != point:
			typed, confirm = grouped, true
		}
	}
	first, err := readNumber(typed)
	if err != nil || first.rest != "" {
		code := "no-number"
		if err != nil {
			code = err.Code
		}
		return fail(unread(code, typed))
	}
	f := figure{
		value:    first.value,
		whole:    first.whole || confirm,
		plain:    !confirm && !first.power,
		decimals: decimals(typed),
	}
	if !f.whole || first.power {
		return f, 1, nil
	}
	v, n, p := r.fraction(f.value, t)
	if p != nil {
		return fail(*p)
	}
	if n > 1 {
		return figure{value: v, spoken: true, decimals: -1, whole: v == math.Trunc(v)}, n, nil
	}
	return f, 1, nil
}

// doubtful splits numerals such as 1,500 and 1.500 into both their readings.
func doubtful(s string) (point, grouped string, ok bool) {
	for i := 1; i < len(s) && i <= 3; i++ {
		if s[i] != '.' && s[i] != ',' {
			continue
		}
		tail := s[i+1:]
		if leadingDigits(tail) == tail && len(tail) == 3 && s[0] != '0' {
			return s[:i] + "." + tail, s[:i] + tail, true
		}
		return "", "", false
	}
	return "", "", false
}

// decimals are those behind the decimal sign, as far as an exponent leaves any.
func decimals(numeral string) int {
	mantissa, exponent, power := strings.Cut(strings.ToLower(numeral), "e")
	if power {
		by, _ := strconv.Atoi(exponent)
		return min(12, max(0, decimals(mantissa)-by))
	}
	for i := len(numeral) - 1; i >= 0; i-- {
		if numeral[i] == '.' || numeral[i] == ',' {
			return len(numeral) - i - 1
		}
	}
	return 0
}

// slashed reads 3/4.
func slashed(t []token) (num, den float64, n int) {
	if len(t) < 3 || t[0].kind != 'n' || t[1].text != "/" || t[2].kind != 'n' ||
		leadingDigits(t[0].text) != t[0].text ||
		leadingDigits(t[2].text) != t[2].text {
		return 0, 0, 0
	}
	a, errA := readDecimal(t[0].text)
	b, errB := readDecimal(t[2].text)
	if errA != nil || errB != nil {
		return 0, 0, 0
	}
	return a, b, 3
}

// kitchenParts are the denominators that spoons, cups and rulers have; another
// slash stands between two readings.
var kitchenParts = []float64{2, 3, 4, 8, 16, 32, 64}

// fraction goes on after a whole numeral: 1/2, 1 1/2, 1-1/2, 1½, 1 and a half,
// 3 quarters, 12 dozen. It took one token where nothing follows.
func (r reader) fraction(whole float64, t []token) (float64, int, *Typed) {
	if num, den, n := slashed(t); n > 0 {
		return r.slash(t, num, den, n)
	}
	if len(t) < 2 {
		return whole, 1, nil
	}
	if t[1].kind == 'f' {
		return whole + t[1].value, 2, nil
	}
	if v, n, problem := r.mixed(whole, t); n > 0 || problem != nil {
		return v, n, problem
	}
	if half, n := r.andHalf(t[1:]); n > 0 {
		return whole + half, 1 + n, nil
	}
	if of, n := r.l.fractions.at(t[1:]); n > 0 {
		return whole / of, 1 + n, nil
	}
	if g, n := r.l.groups.at(t[1:]); n > 0 {
		return whole * g, 1 + n, nil
	}
	return whole, 1, nil
}

// slash reads one number over another: a part that kitchens use, else perhaps two readings.
func (r reader) slash(t []token, num, den float64, n int) (float64, int, *Typed) {
	switch {
	case den == 0:
		p := unread("zero-denominator", written(t[:3]))
		return 0, 0, &p
	case num != 1 && !slices.Contains(kitchenParts, den) || den > 64:
		p := ask("two-readings", written(t), t[0].text+" "+r.f.Unit, t[2].text+" "+r.f.Unit)
		return 0, 0, &p
	}
	return num / den, n, nil
}

// mixed reads a part behind a whole: 1 1/2, 1-1/2, 1-½. It took none where there is none.
func (r reader) mixed(whole float64, t []token) (float64, int, *Typed) {
	joint := 1
	if t[1].text == "-" {
		joint = 2
	}
	if num, den, n := slashed(t[joint:]); n > 0 && den > 0 {
		loose := joint == 2 && (t[1].spaced || t[2].spaced)
		switch {
		case num < den && loose:
			p := ask("range-or-mixed", written(t))
			return 0, 0, &p
		case num < den:
			return whole + num/den, joint + n, nil
		case joint == 1:
			p := unread("improper-mixed", written(t[:4]))
			return 0, 0, &p
		}
	}
	if joint == 2 && len(t) > 2 && t[2].kind == 'f' && !t[1].spaced {
		return whole + t[2].value, 3, nil
	}
	return 0, 0, nil
}

// words reads a number in words; it took none where there is none. An article
// is one where a unit follows.
func (r reader) words(t []token) (figure, int) {
	_, n := r.l.article.at(t)
	if pair, k := r.l.pairs.at(t[n:]); k > 0 {
		f := figureOf(pair)
		f.about = true
		return f, n + k
	}
	if of, k := r.l.fractions.at(t[n:]); k > 0 {
		f, m := r.shareOf(of, t[n+k:])
		return f, n + k + m
	}
	if g, k := r.l.groups.at(t[n:]); k > 0 {
		v, more := r.cardinal(t[n+k:], g)
		return figureOf(v), n + k + more
	}
	if n > 0 {
		if _, k := r.l.packets.at(t[n:]); k > 0 || r.unitFollows(t[n:]) {
			return figureOf(1), n
		}
		return figure{}, 0
	}
	v, k := r.cardinal(t, 0)
	if k == 0 {
		return figure{}, 0
	}
	if tail, m := r.pointed(t[k:]); m > 0 {
		f := figureOf(v + tail)
		f.whole = false
		return f, k + m
	}
	if of, m := r.l.fractions.at(t[k:]); m > 0 {
		return figureOf(v / of), k + m
	}
	if half, m := r.andHalf(t[k:]); m > 0 {
		f := figureOf(v + half)
		f.whole = false
		return f, k + m
	}
	return figureOf(v), k
}

// shareOf is one part of so many of what follows: a share as it is, or of a group ("half a
// dozen").
func (r reader) shareOf(parts float64, t []token) (figure, int) {
	if _, k := r.l.of.at(t); k > 0 {
		if g, m := r.l.groups.at(t[k:]); m > 0 {
			return figureOf(g / parts), k + m
		}
	}
	if g, m := r.l.groups.at(t); m > 0 {
		return figureOf(g / parts), m
	}
	f := figureOf(1 / parts)
	f.share = true
	return f, 0
}

// cardinal reads number words on from a value: twenty-five, two hundred and
// ten, treinta y cinco, dos mil.
func (r reader) cardinal(t []token, from float64) (float64, int) {
	total, now, n := 0.0, from, 0
	for n < len(t) {
		joint := 0
		if t[n].text == "-" {
			joint = 1
		} else if _, k := r.l.and.at(t[n:]); k > 0 {
			joint = k
		}
		begun := n > 0 || from > 0
		if v, k := r.l.numbers.at(t[n+joint:]); k > 0 && (joint == 0 || begun) {
			if now == 0 && total > 0 {
				begun = false // after "two thousand" a number begins anew
			}
			sum, ok := counted(now, v, begun)
			if !ok {
				return total + now, n
			}
			now, n = sum, n+joint+k
			continue
		}
		g, k := r.l.groups.at(t[n:])
		if k == 0 || !begun {
			break
		}
		if n += k; g >= 1000 {
			total, now = total+now*g, 0
		} else {
			now *= g
		}
	}
	return total + now, n
}

// counted is a number with the next number word: ones behind tens, anything below a
// hundred behind hundreds. It reports false for one that does not go on, as in "two three".
func counted(now, v float64, begun bool) (float64, bool) {
	tens := math.Mod(now, 100)
	switch {
	case !begun:
		return v, true
	case v > 0 && v < 10 && tens >= 20 && math.Mod(now, 10) == 0,
		v > 0 && v < 100 && now >= 100 && tens == 0:
		return now + v, true
	}
	return 0, false
}

// pointed reads "point five" or "coma dos cinco".
func (r reader) pointed(t []token) (float64, int) {
	_, n := r.l.point.at(t)
	if n == 0 {
		return 0, 0
	}
	place, v, begun := 0.1, 0.0, n
	for n < len(t) {
		d, k := r.l.numbers.at(t[n:])
		if k == 0 || d > 9 {
			break
		}
		v, place, n = v+d*place, place/10, n+k
	}
	if n == begun {
		return 0, 0
	}
	return v, n
}
