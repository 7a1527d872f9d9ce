package formula

import (
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Explain writes the expression with the values put in, as a student would:
// "(85 g − 40 g) / 40 g × 100". Series stand as "12; 18; 25 mm". Symbols
// without a value stay as they are.
func (e *Expr) Explain(env Env, language string) string {
	var b strings.Builder
	explain(&b, e.root, env, language, 0)
	return b.String()
}

var precedence = map[string]int{"+": 1, "-": 1, "*": 2, "/": 2, "^": 4}
var written = map[string]string{"+": " + ", "-": " − ", "*": " × ", "/": " / ", "^": "^"}

func explain(b *strings.Builder, n *node, env Env, language string, outer int) {
	switch n.kind {
	case nNumber:
		b.WriteString(n.unit.Behind(text.Number(n.number, text.Decimals(n.number, 0), language)))
	case nCompare:
		explain(b, n.args[0], env, language, 0)
		b.WriteString(" " + n.name + " ")
		explain(b, n.args[1], env, language, 0)
	case nSymbol:
		if bound, ok := env[n.name]; ok && len(bound.Values) > 0 {
			b.WriteString(showSeries(bound.Values, language))
		} else {
			b.WriteString(n.name)
		}
	case nUnary:
		b.WriteString("−")
		explain(b, n.args[0], env, language, 3)
	case nBinary:
		explainBinary(b, n, env, language, outer)
	case nCall:
		explainCall(b, n, env, language, outer)
	}
}

// explainBinary writes two sides and what stands between them, in brackets where what is
// around binds closer.
func explainBinary(b *strings.Builder, n *node, env Env, language string, outer int) {
	p := precedence[n.name]
	if p < outer {
		b.WriteString("(")
		defer b.WriteString(")")
	}
	explain(b, n.args[0], env, language, p)
	b.WriteString(written[n.name])
	if n.name == "-" || n.name == "/" {
		p++
	}
	explain(b, n.args[1], env, language, p)
}

// explainCall writes a function in words where there are any: "the slope of a over b".
func explainCall(b *strings.Builder, n *node, env Env, language string, outer int) {
	said := make([]string, len(n.args))
	for i, a := range n.args {
		var part strings.Builder
		explain(&part, a, env, language, 0)
		said[i] = part.String()
	}
	id := "formula.say." + n.name
	if !text.Has(id) {
		b.WriteString(n.name + "(" + strings.Join(said, ", ") + ")")
		return
	}
	args := text.Args{"a": said[0]}
	if len(said) == 2 && (n.name == "slope" || n.name == "intercept" || n.name == "at") {
		args["b"] = said[1]
	} else {
		args["a"] = strings.Join(said, "; ")
	}
	words := text.Render(text.Message{ID: id, Args: args}, language)
	if outer > 0 && n.name != "sqrt" {
		words = "(" + words + ")"
	}
	b.WriteString(words)
}

func showSeries(values []quantity.Quantity, language string) string {
	parts := make([]string, len(values))
	for i, q := range values {
		q.U = 0
		if i < len(values)-1 {
			q.Unit.Symbol = "1" // the unit stands once, at the end
		}
		parts[i] = q.Show(language)
	}
	return strings.Join(parts, "; ")
}
