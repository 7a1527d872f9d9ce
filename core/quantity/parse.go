package quantity

import (
	"fmt"
	"strings"

	"patient-kitchen/core/text"
)

// ParseError says why a text is not a quantity. Code is stable and is worded
// in each language by package text; Read is the part that was not understood.
type ParseError struct {
	Code string // one of the keys of parseProblems
	Text string // all that was typed
	Read string // the part that could not be read
}

var parseProblems = map[string]string{
	"empty":            "nothing was typed; write a number with its unit, such as 2 1/4 cup",
	"no-number":        "%q is not a number; write one such as 2 3/4 tsp or 1.5 L",
	"ends-with-sign":   "%q ends with a comma or point; write 12 or 12.5",
	"mixed-signs":      "%q has commas and points in an order that makes no number; write 2,750.5 or 2.750,5",
	"ambiguous-comma":  "%q can be read as a decimal or as thousands; write 2750 or 2.750",
	"bad-groups":       "the digits of %q are not in groups of three; write 1,250,000 or 1250000",
	"too-large":        "%q is too large a number to work with",
	"zero-denominator": "the fraction in %q divides by zero; write one such as 3/4",
	"improper-mixed":   "the fraction in %q is not below one; write 1 1/2 or 3/2",
	"unknown-unit":     "%q is not a unit known here; write one such as g, mL, tsp, cm or min",
	"bad-range":        "the range %q does not go up; write the smaller number first, such as 4-6 drops",
	"signed-range":     "the range %q has a sign; write it without, such as 4-6 drops",
	"bad-compound":     "the second part of %q is too large or not in the smaller unit; write one such as 5 ft 3 in",
}

// Words word the error in every language.
func (e *ParseError) Words() text.Message { return Asked(e.Code, e.Read, "") }

func (e *ParseError) Error() string {
	f := parseProblems[e.Code]
	if !strings.Contains(f, "%q") {
		return f
	}
	return fmt.Sprintf(f, e.Read)
}

// Parsed is what a text said: the quantity in the unit written and, where it
// was a range, its ends in that unit (the value is then the middle and U is
// the half-width taken as a rectangular distribution, half-width/√3).
type Parsed struct {
	Quantity
	IsRange   bool
	Low, High float64
}

// Parse reads a quantity strictly, by chapter 33 of the models: an optional
// sign, a number, a unit; or feet and inches, pounds and ounces, hours and
// minutes, minutes and seconds; or a range. Spoons and cups without a word in
// front are US measures. Its errors are of type *ParseError. It never panics.
func Parse(text string) (Parsed, error) {
	p, err := parse(text)
	if err == nil && !p.Sound() {
		err = &ParseError{Code: "too-large", Read: text}
	}
	if err != nil {
		err.Text = text
		return Parsed{}, err
	}
	return p, nil
}

// ParseOK is Parse for texts that may be empty or broken.
func ParseOK(text string) (Parsed, bool) {
	p, err := Parse(text)
	return p, err == nil
}

func parse(text string) (Parsed, *ParseError) {
	s := strings.TrimSpace(plainSpaces(text))
	if s == "" {
		return Parsed{}, &ParseError{Code: "empty"}
	}
	sign, s := readSign(s)
	first, err := readNumber(s)
	if err != nil {
		return Parsed{}, err
	}
	if after, ok := rangeJoint(first.rest); ok {
		if second, err := readNumber(after); err == nil {
			if sign != 0 {
				return Parsed{}, &ParseError{Code: "signed-range", Read: text}
			}
			return makeRange(text, first.value, second)
		}
	}
	if p, ok, err := readCompound(first); ok || err != nil {
		if sign < 0 {
			p.Value = -p.Value
		}
		return p, err
	}
	unit, err := readUnit(first.rest)
	if err != nil {
		return Parsed{}, err
	}
	if sign < 0 {
		first.value = -first.value
	}
	return Parsed{Quantity: Quantity{Value: first.value, Unit: unit}}, nil
}

func makeRange(text string, low float64, second number) (Parsed, *ParseError) {
	unit, err := readUnit(second.rest)
	if err != nil {
		return Parsed{}, err
	}
	if second.value <= low {
		return Parsed{}, &ParseError{Code: "bad-range", Read: strings.TrimSpace(text)}
	}
	return rangeOf(low, second.value, unit), nil
}

const sqrt3 = 1.7320508075688772

func rangeOf(low, high float64, unit Unit) Parsed {
	q := Quantity{Value: (low + high) / 2, Unit: unit, U: (high - low) / 2 / sqrt3}
	return Parsed{Quantity: q, IsRange: true, Low: low, High: high}
}

// readSign takes one leading sign off: -1, +1, or 0 for none.
func readSign(s string) (sign int, rest string) {
	for prefix, sign := range map[string]int{"+": 1, "-": -1, "−": -1} {
		if after, ok := strings.CutPrefix(s, prefix); ok {
			return sign, strings.TrimLeft(after, " ")
		}
	}
	return 0, s
}

func rangeJoint(s string) (rest string, ok bool) {
	t := strings.TrimLeft(s, " ")
	for _, j := range []string{"-", "–", "—", "to "} {
		if after, ok := strings.CutPrefix(t, j); ok {
			return strings.TrimLeft(after, " "), true
		}
	}
	return s, false
}

func readUnit(s string) (Unit, *ParseError) {
	s = strings.TrimSpace(s)
	if s == "" {
		return One, nil
	}
	u, ok := LookupUnit(s)
	if !ok {
		return Unit{}, &ParseError{Code: "unknown-unit", Read: s}
	}
	return u, nil
}

// compounds are the pairs of units that may follow each other, with the
// number of the second that makes one of the first.
var compounds = []struct {
	first, second string
	limit         float64
}{{"ft", "in", 12}, {"lb", "oz", 16}, {"h", "min", 60}, {"min", "s", 60}}

// readCompound reads "5 ft 3 in" and its kin after the first number. It
// reports false when the text is no compound at all.
func readCompound(first number) (Parsed, bool, *ParseError) {
	rest := strings.TrimLeft(first.rest, " ")
	cut := strings.IndexAny(rest, "0123456789½⅓⅔¼¾⅛⅜⅝⅞.")
	if cut <= 0 {
		return Parsed{}, false, nil
	}
	name := strings.TrimSpace(rest[:cut])
	unit, ok := simpleUnit(name)
	if !ok {
		return Parsed{}, false, nil
	}
	for _, c := range compounds {
		if unit.Symbol != c.first {
			continue
		}
		second, err := readNumber(rest[cut:])
		if err != nil {
			return Parsed{}, false, err
		}
		small, err := readUnit(second.rest)
		if err != nil {
			return Parsed{}, false, err
		}
		if !first.whole || small.Symbol != c.second || second.value >= c.limit {
			return Parsed{}, false, &ParseError{Code: "bad-compound", Read: strings.TrimSpace(rest)}
		}
		value := first.value + second.value/c.limit
		return Parsed{Quantity: Quantity{Value: value, Unit: unit}}, true, nil
	}
	return Parsed{}, false, nil
}

func plainSpaces(s string) string {
	return strings.Map(func(r rune) rune {
		switch r {
		case '\u00a0', '\u2009', '\u202f', '\u2007', '\u200a', '\u2002', '\u2003', '\t':
			return ' '
		}
		return r
	}, s)
}
