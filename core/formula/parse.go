package formula

import (
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Error is a fault in an expression or in working it out, with its place.
type Error struct {
	Pos, End int // byte offsets into the expression
	Why      text.Message
}

func (e *Error) Error() string { return text.Render(e.Why, text.Languages[0]) }

// Words word the error in every language.
func (e *Error) Words() text.Message { return e.Why }

// why words what is wrong, by its code, with its arguments in pairs.
func why(code string, pairs ...any) text.Message { return text.M("formula."+code, pairs...) }

// wrong is an error at a part.
func (n *node) wrong(code string, pairs ...any) *Error {
	return &Error{n.pos, n.end, why(code, pairs...)}
}

// Expr is a parsed expression.
type Expr struct {
	src  string
	root *node
}

type nodeKind int

const (
	nNumber nodeKind = iota
	nSymbol
	nUnary
	nBinary
	nCall
	nCompare
)

type node struct {
	kind     nodeKind
	pos, end int
	number   float64
	unit     quantity.Unit // of a written number; without a symbol where none is written
	name     string        // symbol, function or operator
	args     []*node
}

// Limits that keep a pasted text from costing much.
const (
	maxLength = 500
	maxDepth  = 50
)

// Parse reads an expression: numbers, with a unit behind them or without
// (9.81 m/s^2), symbols, + - * / ^, parentheses, the functions of this package,
// and comparisons inside of if; × · ÷ − are accepted. ^ binds tighter than a
// leading minus and from right to left. Its errors are of type *Error.
func Parse(src string) (*Expr, error) {
	if len(src) > maxLength {
		return nil, &Error{0, len(src), why("too-long", "n", maxLength)}
	}
	p := &parser{src: src}
	p.next()
	root, err := p.sum(0)
	if err == nil && p.tok != "" {
		err = p.fail("unexpected", "read", p.tok)
	}
	if err != nil {
		return nil, err
	}
	return &Expr{src: src, root: root}, nil
}

// String is the expression as it was written.
func (e *Expr) String() string { return e.src }

// Symbols lists the symbols an expression uses, each once, in order of first
// use. The constant pi is among them only where it is not followed as such by
// Eval, so callers that bind no symbol pi may ignore it.
func (e *Expr) Symbols() []string {
	var names []string
	e.root.walk(func(n *node) {
		if n.kind == nSymbol && !slices.Contains(names, n.name) {
			names = append(names, n.name)
		}
	})
	return names
}

// Subtracted lists the pairs of symbols of which an expression takes the difference, such
// as after and before of (after - before) / before.
func (e *Expr) Subtracted() [][2]string {
	var pairs [][2]string
	e.root.walk(func(n *node) {
		if n.kind != nBinary || n.name != "-" {
			return
		}
		for _, a := range (&Expr{root: n.args[0]}).Symbols() {
			for _, b := range (&Expr{root: n.args[1]}).Symbols() {
				pairs = append(pairs, [2]string{a, b})
			}
		}
	})
	return pairs
}

// walk visits a node and all below it, from left to right.
func (n *node) walk(visit func(*node)) {
	visit(n)
	for _, a := range n.args {
		a.walk(visit)
	}
}

type parser struct {
	src      string
	pos, end int    // of the current token
	tok      string // "" at the end
	kind     byte   // '0' number, 'a' name, or the sign itself
	lexErr   *Error
}

func (p *parser) fail(code string, pairs ...any) *Error {
	if p.lexErr != nil {
		return p.lexErr
	}
	if p.tok == "" {
		return &Error{len(p.src), len(p.src), why("stops")}
	}
	return &Error{p.pos, p.end, why(code, pairs...)}
}

func (p *parser) sum(depth int) (*node, error) {
	return p.chain(depth, "+-", p.product)
}

func (p *parser) product(depth int) (*node, error) {
	return p.chain(depth, "*/", p.unary)
}

// chain reads operands joined from left to right by any of the operators.
func (p *parser) chain(depth int, operators string, operand func(int) (*node, error)) (*node, error) {
	if depth > maxDepth {
		return nil, &Error{p.pos, p.end, why("brackets")}
	}
	left, err := operand(depth + 1)
	for err == nil && p.tok != "" && p.kind != '0' && p.kind != 'a' && strings.Contains(operators, p.tok) {
		op := p.tok
		p.next()
		var right *node
		if right, err = operand(depth + 1); err == nil {
			left = &node{kind: nBinary, name: op, pos: left.pos, end: right.end, args: []*node{left, right}}
		}
	}
	return left, err
}

func (p *parser) unary(depth int) (*node, error) {
	if p.kind != '-' && p.kind != '+' {
		return p.power(depth)
	}
	if depth > maxDepth {
		return nil, p.fail("signs")
	}
	op, pos := p.tok, p.pos
	p.next()
	arg, err := p.unary(depth + 1)
	if err != nil || op == "+" {
		return arg, err
	}
	return &node{kind: nUnary, name: "-", pos: pos, end: arg.end, args: []*node{arg}}, nil
}

func (p *parser) power(depth int) (*node, error) {
	base, err := p.atom(depth)
	if err != nil || p.kind != '^' {
		return base, err
	}
	p.next()
	exp, err := p.unary(depth + 1) // right to left
	if err != nil {
		return nil, err
	}
	return &node{kind: nBinary, name: "^", pos: base.pos, end: exp.end, args: []*node{base, exp}}, nil
}

func (p *parser) atom(depth int) (*node, error) {
	pos, tok := p.pos, p.tok
	switch {
	case p.kind == '0':
		v, err := strconv.ParseFloat(tok, 64)
		if err != nil {
			return nil, p.fail("number", "read", tok)
		}
		n := &node{kind: nNumber, pos: pos, end: p.end, number: v}
		if u, end, ok := p.unitBehind(); ok {
			n.unit, n.end, p.end = u, end, end
		}
		p.next()
		return n, nil
	case p.kind == 'a':
		n := &node{kind: nSymbol, name: tok, pos: pos, end: p.end}
		p.next()
		if p.kind != '(' {
			return n, nil
		}
		return p.call(n, depth)
	case p.kind == '(':
		p.next()
		inner, err := p.sum(depth + 1)
		if err != nil {
			return nil, err
		}
		if p.kind != ')' {
			return nil, p.fail("open", "read", p.tok)
		}
		// A bracket around a part is kept in its place, for the error marks.
		inner.pos, inner.end = pos, p.end
		p.next()
		return inner, nil
	}
	return nil, p.fail("unexpected", "read", p.tok)
}

// unitBehind finds the unit written behind the number that the parser stands at:
// the longest one, which goes on to no further name.
func (p *parser) unitBehind() (u quantity.Unit, end int, ok bool) {
	rest := p.src[p.end:]
	trimmed := strings.TrimLeft(rest, " \u00a0")
	if trimmed == "" || !isLetter(trimmed[0]) && trimmed[0] < 128 && trimmed[0] != '%' ||
		signs[firstRune(trimmed)] != "" {
		return u, 0, false
	}
	for n := min(len(trimmed), 16); n > 0; n-- {
		after := trimmed[n:]
		if u, ok := quantity.LookupUnit(trimmed[:n]); ok && !joins(trimmed[:n]) && !continues(after) &&
			!strings.HasPrefix(strings.TrimLeft(after, " "), "(") {
			return u, p.end + len(rest) - len(trimmed) + n, true
		}
	}
	return u, 0, false
}

// comparison reads the first part of an if.
func (p *parser) comparison(depth int) (*node, error) {
	left, err := p.sum(depth)
	if err != nil || !strings.Contains("<>≤≥=", p.tok) || p.tok == "" || p.kind == '0' || p.kind == 'a' {
		return left, err
	}
	op := p.tok
	p.next()
	if p.tok == "=" && (op == "<" || op == ">" || op == "=") { // <=, >=, ==
		op = map[string]string{"<": "≤", ">": "≥", "=": "="}[op]
		p.next()
	}
	right, err := p.sum(depth)
	if err != nil {
		return nil, err
	}
	return &node{kind: nCompare, name: op, pos: left.pos, end: right.end, args: []*node{left, right}}, nil
}

func (p *parser) call(n *node, depth int) (*node, error) {
	if _, ok := functions[n.name]; !ok {
		return nil, n.wrong("function", "name", n.name, "names", functionNames())
	}
	n.kind = nCall
	p.next()
	for p.kind != ')' {
		read := p.sum
		if n.name == "if" && len(n.args) == 0 {
			read = p.comparison
		}
		arg, err := read(depth + 1)
		if err != nil {
			return nil, err
		}
		n.args = append(n.args, arg)
		if p.kind == ',' {
			p.next()
		} else if p.kind != ')' {
			return nil, p.fail("comma", "read", p.tok)
		}
	}
	n.end = p.end
	p.next()
	f := functions[n.name]
	if len(n.args) < f.least || f.most > 0 && len(n.args) > f.most {
		return nil, &Error{n.pos, n.end, why("takes", "name", n.name, "what", why("takes."+f.takes))}
	}
	return n, nil
}

// coreFunctions are the functions of the published expression language
// (chapter 32 of the models); the series functions are this program's own.
var coreFunctions = map[string]bool{
	"sqrt":  true,
	"abs":   true,
	"ln":    true,
	"log10": true,
	"exp":   true,
	"sin":   true,
	"cos":   true,
	"tan":   true,
}

// ParseCore is Parse for the published language, without series functions.
func ParseCore(src string) (*Expr, error) {
	e, err := Parse(src)
	if err != nil {
		return nil, err
	}
	var walk func(*node) error
	walk = func(n *node) error {
		if n.kind == nNumber && n.unit.Symbol != "" {
			return n.wrong("no-unit-here")
		}
		if n.kind == nCall && !coreFunctions[n.name] {
			return n.wrong("function", "name", n.name, "names", "abs, cos, exp, ln, log10, sin, sqrt, tan")
		}
		for _, a := range n.args {
			if err := walk(a); err != nil {
				return err
			}
		}
		return nil
	}
	if err := walk(e.root); err != nil {
		return nil, err
	}
	return e, nil
}

// clone copies an expression, so that its tree can be changed.
func (e *Expr) clone() *Expr {
	var copyNode func(*node) *node
	copyNode = func(n *node) *node {
		c := *n
		c.args = make([]*node, len(n.args))
		for i, a := range n.args {
			c.args[i] = copyNode(a)
		}
		return &c
	}
	return &Expr{src: e.src, root: copyNode(e.root)}
}
