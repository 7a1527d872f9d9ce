package formula

import (
	"embed"
	"fmt"
	"math"
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Slip is what is wrong with a student's own working; none of them says the
// answer.
type Slip string

// The slips, in the order in which they are looked for.
const (
	SlipNone       Slip = ""
	SlipEmpty      Slip = "empty"       // nothing is worked out
	SlipUnreadable Slip = "unreadable"  // a part is no expression
	SlipMixed      Slip = "mixed"       // unlike things are added or subtracted
	SlipArithmetic Slip = "arithmetic"  // one part does not equal the part before it
	SlipRounded    Slip = "rounded"     // right but for rounding too early
	SlipReading    Slip = "reading"     // a number that is none of the readings
	SlipUpsideDown Slip = "upside-down" // the fraction stands on its head
	SlipSign       Slip = "sign"        // the other way round
	SlipPercent    Slip = "percent"     // the factor 100 is missing or too much
	SlipUnit       Slip = "unit"        // a unit was not converted, or is wrong
	SlipNoUnit     Slip = "no-unit"     // right, but the unit is missing
	SlipSetUp      Slip = "set-up"      // another calculation than the one asked for
)

// Checked is the verdict on a student's working: the first line that goes off
// and which of its parts (from 0; parts are joined by =).
type Checked struct {
	Slip       Slip
	Line, Part int
	Words      text.Message
}

// Limits on a student's working.
const (
	maxWorking = 1000 // bytes
	maxLines   = 20
	maxParts   = 12
)

// Check reads a student's own lines, such as
// "(17.2 g − 16.0 g) / 16.0 g × 100 = 7.5 %", and holds them against the
// expression worked out with the home's readings. A line may begin with a name
// ("gain = …"), leave units out, and use what an earlier line gave. It fails
// only when the expression itself cannot be worked out.
func (e *Expr) Check(env Env, unit, working string) (Checked, error) {
	want, err := e.Eval(env, unit)
	if err != nil {
		return Checked{}, err
	}
	c := checker{e: e, env: env, want: want}
	if len(working) > maxWorking {
		working = "" // nothing a person writes by hand
	}
	for _, line := range strings.FieldsFunc(working, func(r rune) bool { return r == '\n' || r == ';' }) {
		if strings.TrimSpace(line) != "" {
			c.lines = append(c.lines, line)
		}
	}
	slip, line, part, read := c.check()
	return Checked{slip, line, part, text.Message{ID: "formula.check." + map[Slip]string{SlipNone: "right"}[slip] + string(slip), Args: text.Args{"line": line + 1, "part": part + 1, "read": read}}}, nil
}

type checker struct {
	e     *Expr
	env   Env
	want  quantity.Quantity
	lines []string
	known []float64 // what earlier lines gave, as written
}

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

func (c *checker) check() (slip Slip, line, at int, read string) {
	if len(c.lines) == 0 || len(c.lines) > maxLines {
		return SlipEmpty, 0, 0, ""
	}
	var parts []part
	for i, text := range c.lines {
		parts = parts[:0]
		for j, side := range strings.Split(text, "=") {
			side = strings.TrimSpace(side)
			if j == 0 && isName(side) && strings.Contains(text, "=") {
				continue // the name of what is worked out
			}
			if j >= maxParts {
				return SlipUnreadable, i, j, side
			}
			p, slip := c.read(side)
			if slip != SlipNone {
				return slip, i, j, side
			}
			if len(parts) > 0 {
				if slip := c.follows(parts[len(parts)-1], p); slip != SlipNone {
					return slip, i, j, side
				}
			}
			parts = append(parts, p)
		}
		if len(parts) == 0 {
			return SlipEmpty, i, 0, ""
		}
		if i < len(c.lines)-1 {
			c.known = append(c.known, parts[len(parts)-1].q.Value)
		}
	}
	last := len(c.lines) - 1
	slip, at = c.compare(parts)
	return slip, last, at, parts[len(parts)-1].text
}

func isName(s string) bool {
	for _, r := range s {
		if !(r == '_' || r == ' ' || r >= 'a' && r <= 'z' || r >= 'A' && r <= 'Z' || r > 127) {
			return false
		}
	}
	return s != ""
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
	count, inName := 0, false
	for rest != "" {
		if rest[0] < '0' || rest[0] > '9' || inName {
			inName = isLetter(rest[0]) || inName && rest[0] >= '0' && rest[0] <= '9'
			b.WriteByte(rest[0])
			rest = rest[1:]
			continue
		}
		number, after := leadingNumber(rest)
		v, end := number, after
		// The longest run of letters and unit signs behind it that is a unit.
		trimmed := strings.TrimLeft(after, " ")
		for n := min(len(trimmed), 12); n > 0; n-- {
			if q, err := quantity.Parse(strings.TrimSpace(number + " " + trimmed[:n])); err == nil && !q.IsRange && strings.IndexAny(trimmed[:1], "0123456789/-+*·^") < 0 && q.Unit != quantity.One && !continues(trimmed[n:]) && !joins(trimmed[:n]) {
				name := fmt.Sprintf("quantity_%d", count)
				count++
				env[name] = One(quantity.Quantity{Value: q.Value, Unit: q.Unit})
				p.units = append(p.units, q.Unit)
				p.plain = false
				v, end = name, trimmed[n:]
				break
			}
		}
		if q, err := quantity.Parse(number); err == nil {
			p.numbers = append(p.numbers, q.Value)
			if v == number {
				v = fmt.Sprintf("quantity_%d", count)
				count++
				env[v] = One(q.Quantity)
			}
		}
		p.digits = lastDigit(number) / 2
		b.WriteString(v)
		rest = end
	}
	expr = strings.TrimSpace(b.String())
	p.single = len(p.numbers) == 1 && strings.Trim(strings.TrimLeft(expr, "-−+ "), "quantity_0123456789") == ""
	return expr, env, p
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
	return s != "" && (s[0] >= 'a' && s[0] <= 'z' || s[0] >= 'A' && s[0] <= 'Z' || s[0] > 127 && !strings.HasPrefix(s, "−") && !strings.HasPrefix(s, "×") && !strings.HasPrefix(s, "÷") && !strings.HasPrefix(s, "·"))
}

func leadingNumber(s string) (number, rest string) {
	i := 0
	for i < len(s) && (s[i] >= '0' && s[i] <= '9' || (s[i] == '.' || s[i] == ',') && i+1 < len(s) && s[i+1] >= '0' && s[i+1] <= '9') {
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

// follows reports whether the next part says the same as the one before it.
func (c *checker) follows(before, next part) Slip {
	tolerance := next.digits * 1.02
	v := before.q.Value
	switch {
	case before.plain == next.plain && before.q.Unit.Dim != next.q.Unit.Dim:
		return SlipUnit
	case !before.plain && !next.plain:
		in, _ := before.q.In(next.q.Unit)
		v = in.Value
	}
	if !next.single {
		if before.plain != next.plain {
			return SlipNone // units left out on one side only: the end decides
		}
		tolerance = 1e-6 * math.Abs(v)
		if before.single {
			tolerance = math.Max(tolerance, before.digits*1.02*math.Abs(v/before.q.Value))
		}
	}
	near := func(v, tolerance float64) bool { return math.Abs(v-next.q.Value) <= tolerance }
	switch percent := c.isPercentage(); {
	case near(v, tolerance):
		return SlipNone
	case percent && (near(v*100, tolerance) || near(v/100, tolerance)), percent && before.single && near(v*100, tolerance+100*before.digits):
		return SlipNone // a fraction that becomes a percentage
	case next.single && closeTo(v, next.q.Value, 0.02):
		return SlipRounded
	}
	return SlipArithmetic
}

func closeTo(a, b, relative float64) bool { return math.Abs(a-b) <= relative*math.Abs(a) }

// isPercentage reports whether the answer is one, by its unit or by a factor
// of 100 at the end of the expression.
func (c *checker) isPercentage() bool {
	n := c.e.root
	return c.want.Unit.Symbol == "%" || n.kind == nBinary && n.name == "*" && n.args[1].kind == nNumber && n.args[1].number == 100
}

// compare holds the last line against the right value.
func (c *checker) compare(parts []part) (Slip, int) {
	end := len(parts) - 1
	last := parts[end]
	// In the asked unit; a part without a unit counts as written in it.
	inAsked := func(p part) (float64, bool) {
		if p.plain {
			return p.q.Value, true
		}
		in, err := p.q.In(c.want.Unit)
		return in.Value, err == nil
	}
	got, ok := inAsked(last)
	if !ok {
		return SlipUnit, end
	}
	want := c.want.Value
	tolerance := 1e-6 * math.Abs(want)
	if last.single {
		tolerance = last.digits * 1.02
		if !last.plain {
			tolerance *= last.q.Unit.Factor / c.want.Unit.Factor
		}
	}
	if math.Abs(got-want) <= tolerance {
		if last.plain && c.want.Unit != quantity.One {
			return SlipNoUnit, end
		}
		return SlipNone, end
	}
	if set, ok := inAsked(parts[0]); len(parts) > 1 && ok && closeTo(want, set, 1e-6) || closeTo(want, got, 0.02) {
		return SlipRounded, end
	}
	if slip := c.factor(got, tolerance); slip != SlipNone {
		return slip, 0
	}
	for _, p := range parts {
		for _, n := range p.numbers {
			if !p.single && !c.isKnown(n) {
				return SlipReading, 0
			}
		}
	}
	return SlipSetUp, 0
}

// factors that come of a unit that was not converted.
var unitFactors = []float64{10, 100, 1000, 2.54, 25.4, 12, 28.349523125, 453.59237, 60, 3600, 4.92892159375, 14.78676478125, 3, 16}

// factor asks by what a wrong value differs from the right one.
func (c *checker) factor(got, tolerance float64) Slip {
	want := c.want.Value
	near := func(v float64) bool { return math.Abs(got-v) <= math.Max(tolerance, 2e-3*math.Abs(v)) }
	if want == 0 {
		return SlipNone
	}
	percent := c.isPercentage()
	switch {
	case near(-want):
		return SlipSign
	case percent && (near(want/100) || near(want*100)):
		return SlipPercent
	}
	for _, v := range c.turned() {
		if near(v) || percent && near(v/100) {
			return SlipUpsideDown
		}
	}
	for _, f := range unitFactors {
		if near(want*f) || near(want/f) {
			return SlipUnit
		}
	}
	return SlipNone
}

// turned are the values of the expression with one of its divisions the wrong
// way round.
func (c *checker) turned() []float64 {
	var out []float64
	e := c.e.clone()
	var walk func(n *node)
	walk = func(n *node) {
		if n.kind == nBinary && n.name == "/" {
			n.args[0], n.args[1] = n.args[1], n.args[0]
			if q, err := e.Eval(c.env, ""); err == nil {
				v := q.Value
				if c.want.Unit.Dim == q.Unit.Dim {
					in, _ := q.In(c.want.Unit)
					v = in.Value
				}
				out = append(out, v)
			}
			n.args[0], n.args[1] = n.args[1], n.args[0]
		}
		for _, a := range n.args {
			walk(a)
		}
	}
	walk(e.root)
	return out
}

// isKnown reports whether a number is a reading of this home, a number of the
// expression, or what an earlier line gave.
func (c *checker) isKnown(v float64) bool {
	for _, b := range c.env {
		for _, q := range b.Values {
			if math.Abs(q.Value-v) <= 1e-9*math.Abs(v) || math.Abs(q.SI()-v) <= 1e-9*math.Abs(v) {
				return true
			}
		}
	}
	for _, k := range c.known {
		if closeTo(k, v, 0.01) {
			return true
		}
	}
	if v == 100 || closeTo(math.Pi, v, 0.003) {
		return true
	}
	found := false
	var walk func(n *node)
	walk = func(n *node) {
		found = found || n.kind == nNumber && n.number == v
		for _, a := range n.args {
			walk(a)
		}
	}
	walk(c.e.root)
	return found
}
