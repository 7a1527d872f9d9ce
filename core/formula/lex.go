package formula

import (
	"strings"
	"unicode/utf8"
)

var signs = map[rune]string{
	'×': "*",
	'·': "*",
	'÷': "/",
	'−': "-",
	'+': "+",
	'-': "-",
	'*': "*",
	'/': "/",
	'^': "^",
	'(': "(",
	')': ")",
	',': ",",
	';': ",",
	'<': "<",
	'>': ">",
	'≤': "≤",
	'≥': "≥",
	'=': "=",
}

func (p *parser) next() {
	i := p.end
	for i < len(p.src) && strings.ContainsRune(" \t\n\u00a0", rune(p.src[i])) {
		i++
	}
	p.pos, p.end, p.tok, p.kind = i, i, "", 0
	if i >= len(p.src) {
		return
	}
	c := p.src[i]
	switch {
	case c >= '0' && c <= '9' || c == '.':
		p.end, p.kind = numberEnd(p.src, i), '0'
	case isLetter(c):
		j := i
		for j < len(p.src) && (isLetter(p.src[j]) || p.src[j] >= '0' && p.src[j] <= '9') {
			j++
		}
		p.end, p.kind = j, 'a'
	default:
		r, size := utf8.DecodeRuneInString(p.src[i:])
		p.end = i + size
		sign, ok := signs[r]
		if !ok {
			p.tok = p.src[i:p.end]
			p.lexErr = &Error{i, p.end, why("sign", "sign", p.tok)}
			p.kind = '?'
			return
		}
		p.tok, p.kind = sign, sign[0]
		return
	}
	p.tok = p.src[p.pos:p.end]
}

// numberEnd is where a number ends that begins at i: digits, a point, an exponent.
func numberEnd(src string, i int) int {
	digits := func(i int) int {
		for i < len(src) && src[i] >= '0' && src[i] <= '9' {
			i++
		}
		return i
	}
	end := digits(i)
	if end < len(src) && src[end] == '.' {
		end = digits(end + 1)
	}
	if end == len(src) || src[end] != 'e' && src[end] != 'E' {
		return end
	}
	from := end + 1
	if from < len(src) && (src[from] == '+' || src[from] == '-') {
		from++
	}
	if power := digits(from); power > from {
		return power
	}
	return end
}

func isLetter(c byte) bool { return c == '_' || c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' }

func firstRune(s string) rune {
	r, _ := utf8.DecodeRuneInString(s)
	return r
}
