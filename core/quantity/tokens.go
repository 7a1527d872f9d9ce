package quantity

import (
	"slices"
	"strings"
	"unicode"
)

// token is one sign, word or numeral of what was typed.
type token struct {
	text   string  // as typed, look-alikes replaced
	low    string  // in lower case
	kind   byte    // 'n' numeral, 'f' fraction character, 'w' word, 's' sign
	value  float64 // of a fraction character
	spaced bool    // a blank stands before it
}

func joined(t []token) string {
	if len(t) == 1 {
		return t[0].low
	}
	words := make([]string, len(t))
	for i := range t {
		words[i] = t[i].low
	}
	return strings.Join(words, " ")
}

func written(t []token) string {
	var b strings.Builder
	for i := range t {
		if i > 0 && t[i].spaced {
			b.WriteByte(' ')
		}
		b.WriteString(t[i].text)
	}
	return b.String()
}

// lookAlikes are signs that keyboards put for plain ones.
var lookAlikes = map[rune]rune{
	'–': '-', '—': '-', '−': '-', '‐': '-', '‑': '-', '’': '\'', '‘': '\'', '′': '\'', '”': '"',
	'“': '"', '″': '"',
	'⁄': '/', '∕': '/', '×': 'x', '✕': 'x', '˚': '°', '﹣': '-', '：': ':', '；': ';', '（': '(', '）': ')',
	'＜': '<', '＞': '>', '∼': '~', '～': '~',
	'．': '.', '，': ',', '－': '-', '＋': '+', '／': '/', '％': '%', '＝': '=',
}

// ligatures are single characters for a unit.
var ligatures = map[rune]string{
	'℃': "°C",
	'℉': "°F",
	'㎜': "mm",
	'㎝': "cm",
	'㎞': "km",
	'㎎': "mg",
	'㎏': "kg",
	'ℓ': "L",
	'㎖': "mL",
	'％': "%",
}

// lex divides a text into tokens. Signs of full width become plain ones; a
// point or comma behind a numeral or a word ends it and is dropped.
func lex(text string) []token {
	plain := plainRunes(text)
	var out []token
	spaced := false
	for i := 0; i < len(plain); {
		if plain[i] == ' ' {
			spaced = true
			i++
			continue
		}
		t, end := tokenAt(plain, i)
		if t.kind == 's' && t.text != "…" && len(out) > 0 && !spaced && out[len(out)-1].kind != 's' &&
			stopsWord(plain, i) {
			i++
			continue
		}
		t.low, t.spaced = strings.ToLower(t.text), spaced
		out, spaced, i = append(out, t), false, end
	}
	return out
}

// tokenAt is the token that begins at i, and where it ends.
func tokenAt(s []rune, i int) (token, int) {
	r, end := s[i], i+1
	switch {
	case r == '.' && end < len(s) && s[end] == '.':
		for end < len(s) && s[end] == '.' {
			end++
		}
		return token{kind: 's', text: "…"}, end
	case digitAt(s, i) || (r == '.' || r == ',') && digitAt(s, i+1):
		end = numeral(s, i)
		return token{kind: 'n', text: string(s[i:end])}, end
	case vulgar[r] != [2]float64{}:
		return token{kind: 'f', text: string(r), value: vulgar[r][0] / vulgar[r][1]}, end
	case inWord(r):
		end = wordEnd(s, i)
		return token{kind: 'w', text: string(s[i:end])}, end
	}
	return token{kind: 's', text: string(r)}, end
}

// plainRunes brings a text's signs to one form each: digits of full width, signs that
// look alike, letters that are written as one, spaces of any kind.
func plainRunes(text string) []rune {
	var plain []rune
	for _, r := range plainSpaces(text) {
		if s, ok := ligatures[r]; ok {
			plain = append(plain, []rune(s)...)
			continue
		}
		if r >= '０' && r <= '９' {
			r -= '０' - '0'
		}
		if p, ok := lookAlikes[r]; ok {
			r = p
		}
		if unicode.IsSpace(r) {
			r = ' '
		}
		plain = append(plain, r)
	}
	return plain
}

func inWord(r rune) bool { return unicode.IsLetter(r) || unicode.IsMark(r) || r == '°' || r == '%' }

// wordEnd is where the word ends that begins at i, with its exponent.
func wordEnd(plain []rune, i int) int {
	end := i + 1
	for end < len(plain) &&
		(inWord(plain[end]) || plain[end] == '\'' && end+1 < len(plain) && unicode.IsLetter(plain[end+1])) {
		end++
	}
	return exponentEnd(plain, i, end)
}

// stopsWord reports whether a point or comma only ends what stands before it: "5.",
// "approx. 5", "fl.oz".
func stopsWord(plain []rune, i int) bool {
	r := plain[i]
	if r != '.' && r != ',' {
		return false
	}
	return i+1 == len(plain) || r == '.' && (plain[i+1] == ' ' || inWord(plain[i+1]))
}

// numeral is where the digits, points, commas and exponent end that begin at i.
func numeral(s []rune, i int) int {
	for digitAt(s, i) || i < len(s) && (s[i] == '.' || s[i] == ',') && digitAt(s, i+1) {
		i++
	}
	return exponent(s, i)
}

// exponent is where the exponent ends that begins at i; i where none does.
func exponent(s []rune, i int) int {
	if i == len(s) || s[i] != 'e' && s[i] != 'E' {
		return i
	}
	end := i + 1
	if end < len(s) && (s[end] == '-' || s[end] == '+') {
		end++
	}
	begun := end
	for digitAt(s, end) {
		end++
	}
	if end == begun || end < len(s) && unicode.IsLetter(s[end]) {
		return i
	}
	return end
}

func digitAt(s []rune, i int) bool { return i < len(s) && s[i] >= '0' && s[i] <= '9' }

// exponentEnd takes the exponent of a unit into its word: cm3, cm^3, cm³.
func exponentEnd(s []rune, from, end int) int {
	power := func(i int) bool { return i < len(s) && (s[i] == '2' || s[i] == '3') }
	if end == len(s) {
		return end
	}
	switch {
	case s[end] == '^' && power(end+1):
		return end + 2
	case s[end] == '²' || s[end] == '³':
		return end + 1
	case power(end) && slices.Contains(lengths, strings.ToLower(string(s[from:end]))) && !goesOn(s, end+1):
		return end + 1
	}
	return end
}

// lengths are the units that take a plain 2 or 3 behind them as their power.
var lengths = []string{"mm", "cm", "m"}

// goesOn reports whether a numeral goes on at i.
func goesOn(s []rune, i int) bool {
	return i < len(s) && (unicode.IsDigit(s[i]) || s[i] == '.' || s[i] == ',')
}
