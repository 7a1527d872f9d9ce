package formula

import (
	"fmt"
	"math"
	"strings"

	"patient-kitchen/core/quantity"
)

// part is one side of a student's line, worked out.
type part struct {
	text    string
	q       quantity.Quantity // its unit is One where none was written
	plain   bool              // no unit was written
	digits  float64           // half a unit of the last digit, of a part that is one number
	single  bool
	numbers []float64 // the numbers in it, as written
	units   []quantity.Unit
}

// read works one part out. Numbers with a unit become quantities.
func (c *checker) read(side string) (part, Slip) {
	expr, env, p := lift(side)
	e, err := Parse(expr)
	if err != nil {
		return p, SlipUnreadable
	}
	for _, s := range e.Symbols() {
		if b, ok := c.env[s]; ok {
			if _, own := env[s]; !own {
				env[s] = b
				p.plain = false
			}
		}
	}
	p.text = side
	p.q, err = e.Eval(env, "")
	if err != nil {
		if strings.Contains(err.Error(), "cannot be") {
			return p, SlipMixed
		}
		return p, SlipUnreadable
	}
	if len(p.units) > 0 { // as written: 75 cm/s rather than 0.75 m/s
		for _, u := range p.units {
			if in, err := p.q.In(u); err == nil {
				p.q = in
				break
			}
		}
	}
	return p, SlipNone
}

// lift takes the quantities out of a student's text and puts symbols in their
// place, because the formula language has no units inside it.
func lift(side string) (expr string, env Env, p part) {
	env = Env{}
	p.plain = true
	var b strings.Builder
	rest := strings.ReplaceAll(side, "\u00a0", " ")
	inName := false
	symbol := func(q quantity.Quantity) string {
		name := fmt.Sprintf("quantity_%d", len(env))
		env[name] = One(q)
		return name
	}
	for rest != "" {
		if rest[0] < '0' || rest[0] > '9' || inName {
			inName = isLetter(rest[0]) || inName && rest[0] >= '0' && rest[0] <= '9'
			b.WriteByte(rest[0])
			rest = rest[1:]
			continue
		}
		number, after := leadingNumber(rest)
		q, behind, withUnit := liftedUnit(number, after)
		bare, err := quantity.Parse(number)
		if err == nil {
			p.numbers = append(p.numbers, bare.Value)
		}
		switch {
		case withUnit:
			p.units, p.plain = append(p.units, q.Unit), false
			b.WriteString(symbol(q))
			after = behind
		case err == nil:
			b.WriteString(symbol(bare.Quantity))
		default:
			b.WriteString(number)
		}
		p.digits = lastDigit(number) / 2
		rest = after
	}
	expr = strings.TrimSpace(b.String())
	p.single = len(p.numbers) == 1 && strings.Trim(strings.TrimLeft(expr, "-−+ "), "quantity_0123456789") == ""
	return expr, env, p
}

// liftedUnit reads the longest run of letters and unit signs behind a number that is a
// unit, and gives what stands behind it.
func liftedUnit(number, after string) (q quantity.Quantity, behind string, ok bool) {
	trimmed := strings.TrimLeft(after, " ")
	if trimmed == "" || strings.ContainsAny(trimmed[:1], "0123456789/-+*·^") {
		return q, after, false
	}
	for n := min(len(trimmed), 12); n > 0; n-- {
		read, err := quantity.Parse(strings.TrimSpace(number + " " + trimmed[:n]))
		if err == nil && !read.IsRange && read.Unit != quantity.One && !continues(trimmed[n:]) && !joins(trimmed[:n]) {
			return quantity.Quantity{Value: read.Value, Unit: read.Unit}, trimmed[n:], true
		}
	}
	return q, after, false
}

// joins reports whether a text goes beyond one unit: in "m / 1" the stroke is
// the student's, in "m/s" it belongs to the unit.
func joins(s string) bool {
	for _, sign := range []string{" /", "/ ", " *", "* ", " ·", "· ", "/1"} {
		if strings.Contains(s, sign) {
			return true
		}
	}
	return strings.ContainsAny(s[len(s)-1:], " /*^-")
}

// continues reports whether a unit goes on, so that the "m" of "min" is not
// taken for metres.
func continues(s string) bool {
	return s != "" &&
		(s[0] >= 'a' && s[0] <= 'z' || s[0] >= 'A' && s[0] <= 'Z' || s[0] > 127 && !strings.HasPrefix(s,
			"−") && !strings.HasPrefix(s, "×") && !strings.HasPrefix(s, "÷") && !strings.HasPrefix(s, "·"))
}

func leadingNumber(s string) (number, rest string) {
	i := 0
	for i < len(s) && (s[i] >= '0' && s[i] <= '9' ||
		(s[i] == '.' || s[i] == ',') && i+1 < len(s) && s[i+1] >= '0' && s[i+1] <= '9') {
		i++
	}
	return s[:i], s[i:]
}

// lastDigit is the worth of a number's last digit: 0.1 for 7.5.
func lastDigit(number string) float64 {
	if i := strings.LastIndexAny(number, ".,"); i >= 0 {
		return math.Pow10(-(len(number) - i - 1))
	}
	return 1
}
