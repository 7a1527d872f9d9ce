package text

import (
	"fmt"
	"math"
	"strconv"
	"strings"
)

// PluralClass is a set of numbers that take the same form of a word, by a rule of
// the Unicode Common Locale Data Repository (UTS 35, part 3, plural rules).
type PluralClass struct {
	Name string // zero, one, two, few, many, other
	rule [][]relation
}

// relation is one comparison of a rule, such as "i % 10 = 2..4".
type relation struct {
	operand byte // n, i, v, w, f, t, e
	modulo  float64
	not     bool
	ranges  [][2]float64
}

// readPlural reads a rule: relations joined by "and", those by "or". An empty
// rule is none.
func readPlural(rule string) ([][]relation, error) {
	if strings.TrimSpace(rule) == "" {
		return nil, nil
	}
	var out [][]relation
	for _, either := range strings.Split(rule, " or ") {
		var all []relation
		for _, part := range strings.Split(either, " and ") {
			r, err := readRelation(part)
			if err != nil {
				return nil, err
			}
			all = append(all, r)
		}
		out = append(out, all)
	}
	return out, nil
}

func readRelation(s string) (relation, error) {
	left, right, ok := strings.Cut(s, "=")
	if !ok {
		return relation{}, fmt.Errorf("%q is no comparison", s)
	}
	var r relation
	left, r.not = strings.CutSuffix(strings.TrimSpace(left), "!")
	operand, modulo, has := strings.Cut(left, "%")
	if operand = strings.TrimSpace(operand); len(operand) != 1 || !strings.Contains("nivwftec", operand) {
		return relation{}, fmt.Errorf("%q compares nothing known", s)
	}
	r.operand = operand[0]
	var err error
	if has {
		if r.modulo, err = strconv.ParseFloat(strings.TrimSpace(modulo), 64); err != nil || r.modulo <= 0 {
			return relation{}, fmt.Errorf("%q divides by no number", s)
		}
	}
	for _, part := range strings.Split(right, ",") {
		low, high, two := strings.Cut(strings.TrimSpace(part), "..")
		if !two {
			high = low
		}
		a, first := strconv.ParseFloat(low, 64)
		b, second := strconv.ParseFloat(high, 64)
		if first != nil || second != nil {
			return relation{}, fmt.Errorf("%q compares with no number", s)
		}
		r.ranges = append(r.ranges, [2]float64{a, b})
	}
	return r, nil
}

// operands are what plural rules ask of a number as it is written: n its size, i
// its whole part, v and w its decimals with and without zeros at the end, f and
// t those decimals as a number; e is the power of ten it is written with.
func operands(value float64, decimals int) map[byte]float64 {
	s := strconv.FormatFloat(math.Abs(value), 'f', max(0, decimals), 64)
	whole, rest, _ := strings.Cut(s, ".")
	short := strings.TrimRight(rest, "0")
	number := func(s string) float64 {
		v, _ := strconv.ParseFloat("0"+s, 64)
		return v
	}
	return map[byte]float64{
		'n': number(s),
		'i': number(whole),
		'v': float64(len(rest)),
		'w': float64(len(short)),
		'f': number(rest),
		't': number(short),
		'e': 0,
		'c': 0,
	}
}

func (r relation) holds(of map[byte]float64) bool {
	v := of[r.operand]
	if r.modulo > 0 {
		v = math.Mod(v, r.modulo)
	}
	in := false
	for _, x := range r.ranges {
		in = in || v >= x[0] && v <= x[1] && v == math.Trunc(v)
	}
	return in != r.not
}

// Plural is the place of the class of a number written with so many decimals.
func (l *Language) Plural(value float64, decimals int) int {
	of := operands(value, decimals)
	for i, c := range l.Plurals {
		for _, either := range c.rule {
			all := true
			for _, r := range either {
				all = all && r.holds(of)
			}
			if all {
				return i
			}
		}
	}
	return len(l.Plurals) - 1
}
