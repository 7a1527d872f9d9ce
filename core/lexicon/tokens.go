package lexicon

import (
	"slices"
	"strconv"
	"strings"
	"unicode"

	"patient-kitchen/core/text"
)

// token is one word of a sentence, folded; one without a word is the end of a
// clause.
type token struct {
	word   string
	number *float64
	from   int // where it begins in the sentence, and ends
	to     int
	name   [2]int // the first token of the name of a known thing that it is part of, and the one after its last; equal for none
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
	at := 0
	add := func(w string, from, to int) { out = append(out, token{word: w, from: from, to: to}) }
	for at < len(lower) {
		r, size := rune(lower[at]), 1
		for i, x := range lower[at:] {
			if i > 0 {
				size = i
				break
			}
			r, size = x, len(lower)-at
		}
		if !unicode.IsLetter(r) && !unicode.IsDigit(r) {
			switch {
			case r == '°' || r == 'º':
				rest := strings.TrimLeft(lower[at+size:], " ")
				if strings.HasPrefix(rest, "f") {
					toCelsius(out)
				}
				skip := 0
				if rest != "" && (rest[0] == 'c' || rest[0] == 'f') && (len(rest) == 1 || !isLetter(rest[1])) {
					skip = len(lower[at+size:]) - len(rest) + 1
				}
				add("degc", at, at+size+skip)
				at += skip
			case r == ',' || r == '(' || r == ')' || r == '[' || r == ']' || r == '–' || r == '—' || r == '"' || r == '“' || r == '”' || r == '«' || r == '»':
				out = append(out, token{from: at, to: at + size})
			}
			at += size
			continue
		}
		end := at
		digits := unicode.IsDigit(r)
		for i, x := range lower[at:] {
			inNumber := digits && (x == '.' || x == ',') && at+i+1 < len(lower) && lower[at+i+1] >= '0' &&
				lower[at+i+1] <= '9'
			apostrophe := !digits && (x == '\'' || x == '’') && i > 0
			if unicode.IsDigit(x) != digits && unicode.IsLetter(x) == digits ||
				!unicode.IsLetter(x) && !unicode.IsDigit(x) && !inNumber && !apostrophe {
				break
			}
			end = at + i + len(string(x))
		}
		w := folding.Replace(lower[at:end])
		word(&out, w, at, end, lang)
		at = end
	}
	for i := range out {
		if v, err := strconv.ParseFloat(strings.Replace(out[i].word, ",", ".", 1), 64); err == nil &&
			out[i].word != "" &&
			out[i].word[0] >= '0' &&
			out[i].word[0] <= '9' {
			out[i].number = &v
		}
	}
	return out
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
