package quantity

import (
	"math"
	"slices"
	"strconv"
	"strings"
	"unicode/utf8"
)

// vulgar maps single fraction characters to numerator and denominator.
var vulgar = map[rune][2]float64{
	'½': {1, 2}, '⅓': {1, 3}, '⅔': {2, 3}, '¼': {1, 4}, '¾': {3, 4}, '⅕': {1, 5}, '⅖': {2, 5}, '⅗': {3, 5},
	'⅘': {4, 5}, '⅙': {1, 6}, '⅚': {5, 6}, '⅐': {1, 7}, '⅛': {1, 8}, '⅜': {3, 8}, '⅝': {5, 8}, '⅞': {7, 8},
	'⅑': {1, 9}, '⅒': {1, 10},
}

// number is a number read from the front of a text.
type number struct {
	value float64
	whole bool // digits only
	power bool // written with an exponent
	rest  string
}

// readNumber reads one unsigned number in any of the forms of chapter 33 of
// the models: decimal with point or comma, with exponent, fraction, mixed
// number, fraction character.
func readNumber(s string) (number, *ParseError) {
	if r, n := utf8.DecodeRuneInString(s); vulgar[r] != [2]float64{} {
		f := vulgar[r]
		return number{value: f[0] / f[1], rest: s[n:]}, nil
	}
	end := strings.IndexFunc(s, func(r rune) bool { return (r < '0' || r > '9') && r != '.' && r != ',' })
	if end < 0 {
		end = len(s)
	}
	head, rest := s[:end], s[end:]
	if strings.Trim(head, ".,") == "" {
		return number{}, &ParseError{Code: "no-number", Read: firstWord(s)}
	}
	value, err := readDecimal(head)
	if err != nil {
		return number{}, err
	}
	if exp, after, ok := readExponent(rest); ok {
		value *= math.Pow(10, exp)
		if math.IsInf(value, 0) {
			return number{}, &ParseError{Code: "too-large", Read: s}
		}
		return number{value: value, power: true, rest: after}, nil
	}
	if strings.ContainsAny(head, ".,") {
		return number{value: value, rest: rest}, nil
	}
	return readFraction(value, head, rest)
}

// readFraction goes on after a whole number: a slash makes it a fraction, a
// proper fraction behind it a mixed number.
func readFraction(whole float64, head, rest string) (number, *ParseError) {
	if den, after, ok := afterSlash(rest); ok {
		if den == 0 {
			return number{}, &ParseError{Code: "zero-denominator", Read: head + rest}
		}
		return number{value: whole / den, rest: after}, nil
	}
	trimmed := strings.TrimLeft(rest, " ")
	if r, n := utf8.DecodeRuneInString(trimmed); vulgar[r] != [2]float64{} {
		f := vulgar[r]
		return number{value: whole + f[0]/f[1], rest: trimmed[n:]}, nil
	}
	joint := strings.TrimPrefix(rest, "-")
	hyphen := joint != rest
	if !hyphen {
		joint = trimmed
	}
	digits := leadingDigits(joint)
	if digits != "" && joint != rest {
		if den, after, ok := afterSlash(joint[len(digits):]); ok {
			num, _ := strconv.ParseFloat(digits, 64)
			switch {
			case den == 0:
				return number{}, &ParseError{Code: "zero-denominator", Read: head + rest}
			case num < den:
				return number{value: whole + num/den, rest: after}, nil
			case !hyphen:
				return number{}, &ParseError{Code: "improper-mixed", Read: head + rest}
			}
		}
	}
	return number{value: whole, whole: true, rest: rest}, nil
}

func afterSlash(s string) (den float64, rest string, ok bool) {
	after, ok := strings.CutPrefix(s, "/")
	if !ok {
		after, ok = strings.CutPrefix(s, "⁄")
	}
	digits := leadingDigits(after)
	if !ok || digits == "" {
		return 0, s, false
	}
	den, _ = strconv.ParseFloat(digits, 64)
	return den, after[len(digits):], true
}

func readExponent(s string) (exp float64, rest string, ok bool) {
	if s == "" || s[0] != 'e' && s[0] != 'E' {
		return 0, s, false
	}
	body, sign := s[1:], 1.0
	if body != "" && (body[0] == '+' || body[0] == '-') {
		if body[0] == '-' {
			sign = -1
		}
		body = body[1:]
	}
	digits := leadingDigits(body)
	if digits == "" || len(digits) > 3 {
		return 0, s, false
	}
	exp, _ = strconv.ParseFloat(digits, 64)
	return sign * exp, body[len(digits):], true
}

// readDecimal reads digits with points and commas by rule 3 of chapter 33.
func readDecimal(s string) (float64, *ParseError) {
	fail := func(code string) (float64, *ParseError) { return 0, &ParseError{Code: code, Read: s} }
	if last := s[len(s)-1]; last == '.' || last == ',' {
		return fail("ends-with-sign")
	}
	decimal, problem := decimalSign(s)
	if problem != "" {
		return fail(problem)
	}
	group := byte(',')
	if decimal == ',' {
		group = '.'
	}
	whole, frac, hasFrac := strings.Cut(s, string(decimal))
	if strings.IndexByte(frac, group) >= 0 {
		return fail("mixed-signs")
	}
	groups := strings.Split(whole, string(group))
	if len(groups) > 1 && !grouped(groups) {
		return fail("bad-groups")
	}
	text := strings.Join(groups, "")
	if hasFrac {
		text += "." + frac
	}
	v, err := strconv.ParseFloat(text, 64)
	if err != nil || math.IsInf(v, 0) {
		return fail("too-large")
	}
	return v, nil
}

// decimalSign is which of point and comma begins the decimals; the other groups. The
// problem says where that cannot be known.
func decimalSign(s string) (decimal byte, problem string) {
	points, commas := strings.Count(s, "."), strings.Count(s, ",")
	decimal = '.'
	switch {
	case points > 0 && commas > 0:
		if strings.LastIndexByte(s, ',') > strings.LastIndexByte(s, '.') {
			decimal = ','
		}
		if strings.Count(s, string(decimal)) > 1 {
			return 0, "mixed-signs"
		}
	case commas == 1:
		if i := strings.IndexByte(s, ','); i >= 1 && i <= 3 && s[0] != '0' && len(s)-i-1 == 3 {
			return 0, "ambiguous-comma"
		}
		decimal = ','
	case points > 1:
		decimal = ',' // the points must group
	}
	return decimal, ""
}

// grouped reports whether digits stand in threes, the first of them in one to three.
func grouped(groups []string) bool {
	if len(groups[0]) < 1 || len(groups[0]) > 3 {
		return false
	}
	return !slices.ContainsFunc(groups[1:], func(g string) bool { return len(g) != 3 })
}

func leadingDigits(s string) string {
	i := 0
	for i < len(s) && s[i] >= '0' && s[i] <= '9' {
		i++
	}
	return s[:i]
}

func firstWord(s string) string {
	if f := strings.Fields(s); len(f) > 0 {
		return f[0]
	}
	return ""
}
