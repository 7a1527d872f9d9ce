package formula

import (
	"embed"
	"math"
	"slices"
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
	return Checked{
		slip,
		line,
		part,
		text.Message{
			ID:   "formula.check." + map[Slip]string{SlipNone: "right"}[slip] + string(slip),
			Args: text.Args{"line": line + 1, "part": part + 1, "read": read},
		},
	}, nil
}

type checker struct {
	e     *Expr
	env   Env
	want  quantity.Quantity
	lines []string
	known []float64 // what earlier lines gave, as written
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
	percent := c.isPercentage() && (near(v*100, tolerance) || near(v/100, tolerance) ||
		before.single && near(v*100, tolerance+100*before.digits))
	switch {
	case near(v, tolerance), percent: // also a fraction that becomes a percentage
		return SlipNone
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
	return c.want.Unit.Symbol == "%" ||
		n.kind == nBinary && n.name == "*" && n.args[1].kind == nNumber && n.args[1].number == 100
}

// compare holds the last line against the right value.
func (c *checker) compare(parts []part) (Slip, int) {
	end := len(parts) - 1
	last := parts[end]
	got, ok := c.inAsked(last)
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
	if set, ok := c.inAsked(parts[0]); len(parts) > 1 && ok && closeTo(want, set, 1e-6) || closeTo(want, got, 0.02) {
		return SlipRounded, end
	}
	if slip := c.factor(got, tolerance); slip != SlipNone {
		return slip, 0
	}
	if c.misread(parts) {
		return SlipReading, 0
	}
	return SlipSetUp, 0
}

// inAsked is a part's value in the unit that is asked for; a part without a unit counts as
// written in it.
func (c *checker) inAsked(p part) (float64, bool) {
	if p.plain {
		return p.q.Value, true
	}
	in, err := p.q.In(c.want.Unit)
	return in.Value, err == nil
}

// misread reports whether a number was worked with that nobody measured.
func (c *checker) misread(parts []part) bool {
	return slices.ContainsFunc(parts, func(p part) bool {
		return !p.single && slices.ContainsFunc(p.numbers, func(n float64) bool { return !c.isKnown(n) })
	})
}

// factors that come of a unit that was not converted.
var unitFactors = []float64{
	10,
	100,
	1000,
	2.54,
	25.4,
	12,
	28.349523125,
	453.59237,
	60,
	3600,
	4.92892159375,
	14.78676478125,
	3,
	16,
}

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
