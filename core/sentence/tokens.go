package sentence

import (
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"patient-kitchen/core/text"
)

// token is a word, a number or a sign of a text.
type token struct {
	word string // folded; "" for a sign
	sign rune
	from int // bytes in the text
	to   int
}

// ends reports whether a clause ends here.
func (t token) ends() bool { return t.word == "" }

// stops reports whether a sentence ends here.
func (t token) stops() bool { return strings.ContainsRune(".;:!?\n¿¡", t.sign) }

var accents = strings.NewReplacer(append(slices.Clone(text.Accents), "’", "'", "‘", "'")...)

// fold brings words to the form in which they are compared.
func fold(s string) string { return accents.Replace(strings.ToLower(s)) }

// tokens takes a text apart. Hyphens part words; a point, comma, slash or colon between
// digits is part of the number.
func tokens(s string) []token {
	var out []token
	for at := 0; at < len(s); {
		r, size := utf8.DecodeRuneInString(s[at:])
		end := at + size
		switch {
		case unicode.IsDigit(r):
			end = numberEnd(s, end)
			out = append(out, token{word: s[at:end], from: at, to: end})
		case unicode.IsLetter(r) || unicode.IsNumber(r) || r == '°' || r == '%' || r == 'º':
			end = wordEnd(s, end)
			if word := strings.Trim(fold(s[at:end]), "'"); word != "" {
				out = append(out, token{word: word, from: at, to: end})
			}
		case strings.ContainsRune(",.;:!?()\n¿¡\"“”«»–—", r):
			out = append(out, token{sign: r, from: at, to: end})
		}
		at = end
	}
	return out
}

// numberEnd is where a number ends of which the digits before a place are.
func numberEnd(s string, end int) int {
	for end < len(s) && (digit(s[end]) ||
		strings.ContainsRune(".,/:", rune(s[end])) && end+1 < len(s) && digit(s[end+1])) {
		end++
	}
	return end
}

// wordEnd is where a word ends of which the letters before a place are.
func wordEnd(s string, end int) int {
	for end < len(s) {
		r, size := utf8.DecodeRuneInString(s[end:])
		if !unicode.IsLetter(r) && !unicode.IsMark(r) && !(strings.ContainsRune("'’", r) && end+size < len(s)) {
			break
		}
		end += size
	}
	return end
}

func digit(b byte) bool { return b >= '0' && b <= '9' }
