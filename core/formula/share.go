package formula

import "strings"

// AsShare reads an expression whose unit is %. A last factor of 100, which many
// write for "in percent", is then the unit and not a factor of its own: the
// same share without it, and the text without it, are given. ok is false where
// there is none.
func (e *Expr) AsShare(unit string) (share *Expr, text string, ok bool) {
	if unit != "%" {
		return e, e.src, false
	}
	share = e.clone()
	cut, ok := dropHundred(&share.root)
	if !ok {
		return e, e.src, false
	}
	text = strings.TrimSpace(e.src[:cut[0]] + e.src[cut[1]:])
	share.src = text
	if again, err := Parse(text); err == nil {
		share.root = again.root // its marks stand where the text now is
	}
	return share, text, true
}

// dropHundred takes one factor of 100 out of a product and gives the place of
// the text to leave out.
func dropHundred(at **node) (cut [2]int, ok bool) {
	n := *at
	if n.kind != nBinary || n.name != "*" && n.name != "/" {
		return cut, false
	}
	left, right := n.args[0], n.args[1]
	if n.name == "*" {
		if isHundred(right) {
			*at = left
			return [2]int{left.end, right.end}, true
		}
		if isHundred(left) {
			*at = right
			return [2]int{left.pos, right.pos}, true
		}
	}
	return dropHundred(&n.args[0])
}

func isHundred(n *node) bool {
	return n.kind == nNumber && n.number == 100 && (n.unit.Symbol == "" || n.unit.Symbol == "%")
}

// NeedsSeries reports whether some part of the expression asks for a series:
// a line through points, a rank, a spread.
func (e *Expr) NeedsSeries() bool {
	needs := false
	var walk func(*node)
	walk = func(n *node) {
		if n.kind == nCall {
			switch n.name {
			case "slope", "intercept", "rank", "sd":
				needs = true
			}
		}
		for _, a := range n.args {
			walk(a)
		}
	}
	walk(e.root)
	return needs
}

// Of is the part of the text that a share is of: what the whole is divided by.
// It is empty where the expression is no division.
func (e *Expr) Of() string {
	n := e.root
	if n.kind != nBinary || n.name != "/" {
		return ""
	}
	return e.src[n.args[1].pos:n.args[1].end]
}
