package lexicon

import (
	"slices"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"patient-kitchen/core/text"
)

// token is one word of a sentence, folded; one without a word is the end of a
// clause.
type token struct {
	word   string
	number *float64
	from   int // where it begins in the sentence, and ends
	to     int
	// the first token of the name of a known thing that it is part of, and the one after its last; equal for none
	name [2]int
}

func (t token) boundary() bool { return t.word == "" }

var folding = strings.NewReplacer(append(slices.Clone(text.Accents), "’", "'", "‘", "'", "`", "'")...)

// Sentences splits a text at full stops, semicolons, colons, question and
// exclamation marks and new lines; a stop within a number is none.
func Sentences(s string) []string {
	var out []string
	start := 0
	runes := []rune(s)
	for i, r := range runes {
		end := strings.ContainsRune(";:!?\n", r) ||
			r == '.' && !(i > 0 && i+1 < len(runes) && unicode.IsDigit(runes[i-1]) && unicode.IsDigit(runes[i+1]))
		if r == ':' && i > 0 && i+1 < len(runes) && unicode.IsDigit(runes[i-1]) && unicode.IsDigit(runes[i+1]) {
			end = false
		}
		if end {
			if part := strings.TrimSpace(string(runes[start : i+1])); strings.Trim(part, ".;:!?¡¿ ") != "" {
				out = append(out, part)
			}
			start = i + 1
		}
	}
	if part := strings.TrimSpace(string(runes[start:])); part != "" {
		out = append(out, part)
	}
	return out
}

// tokens folds a sentence into words.
func tokens(s, lang string) []token {
	var out []token
	lower := strings.ToLower(s)
	for at := 0; at < len(lower); {
		r, size := utf8.DecodeRuneInString(lower[at:])
		switch {
		case unicode.IsLetter(r) || unicode.IsDigit(r):
			end := wordEnd(lower, at, unicode.IsDigit(r))
			word(&out, folding.Replace(lower[at:end]), at, end, lang)
			at = end
		case r == '°' || r == 'º':
			end := degree(lower, at+size, out)
			out = append(out, token{word: "degc", from: at, to: end})
			at = end
		default:
			if strings.ContainsRune(boundaries, r) {
				out = append(out, token{from: at, to: at + size})
			}
			at += size
		}
	}
	for i := range out {
		w := out[i].word
		if w == "" || w[0] < '0' || w[0] > '9' {
			continue
		}
		if v, err := strconv.ParseFloat(strings.Replace(w, ",", ".", 1), 64); err == nil {
			out[i].number = &v
		}
	}
	return out
}

// boundaries are the signs that part one thing said from the next.
const boundaries = ",()[]–—\"“”«»"

// degree reads the sign of a scale behind °, from at on, and gives where it ends;
// what was said in °F before it is brought to °C.
func degree(lower string, at int, out []token) int {
	rest := strings.TrimLeft(lower[at:], " ")
	if strings.HasPrefix(rest, "f") {
		toCelsius(out)
	}
	if rest != "" && (rest[0] == 'c' || rest[0] == 'f') && (len(rest) == 1 || !isLetter(rest[1])) {
		return len(lower) - len(rest) + 1
	}
	return at
}

// wordEnd is where the letters, or the digits with their point, end that begin at a
// place.
func wordEnd(lower string, at int, digits bool) int {
	end := at
	for i, x := range lower[at:] {
		next := at + i + 1
		inNumber := digits && (x == '.' || x == ',') && next < len(lower) && lower[next] >= '0' && lower[next] <= '9'
		apostrophe := !digits && (x == '\'' || x == '’') && i > 0
		within := unicode.IsLetter(x)
		if digits {
			within = unicode.IsDigit(x)
		}
		if !within && !inNumber && !apostrophe {
			break
		}
		end = at + i + utf8.RuneLen(x)
	}
	return end
}

func isLetter(b byte) bool { return b >= 'a' && b <= 'z' || b >= 0x80 }

func toCelsius(out []token) {
	if n := len(out); n > 0 {
		if v, err := strconv.ParseFloat(out[n-1].word, 64); err == nil {
			out[n-1].word = strconv.FormatFloat((v-32)/1.8, 'f', 0, 64)
		}
	}
}

// word adds a folded word, taken apart where it is several.
func word(out *[]token, w string, from, to int, lang string) {
	add := func(words ...string) {
		for _, x := range words {
			*out = append(*out, token{word: x, from: from, to: to})
		}
	}
	w = strings.Trim(w, "'")
	switch {
	case w == "":
	case grammars[cuesOf(lang).Grammar].apart(w) != nil:
		add(grammars[cuesOf(lang).Grammar].apart(w)...)
	case cuesOf(lang).Clause[w]:
		*out = append(*out, token{from: from, to: to})
		add(w)
	case w == "degree", w == "degrees", w == "grados", w == "grado":
		add("degc")
	case w == "celsius", w == "centigrados", w == "c":
		if n := len(*out); n == 0 || (*out)[n-1].word != "degc" {
			add(w)
		}
	case w == "kg", w == "kilos", w == "kilogram", w == "kilograms", w == "kilogramos":
		add("kilo")
	default:
		add(strings.ReplaceAll(w, "'", ""))
	}
}
