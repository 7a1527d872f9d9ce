package quantity

import (
	"strconv"
	"strings"
)

// tidy maps look-alike signs to plain ones and separates fraction characters
// from the digits before them, so that 2½ stays two and a half.
func tidy(text string) string {
	var b strings.Builder
	prev := ' '
	for _, r := range plainSpaces(text) {
		switch r {
		case '–', '—', '−', '‐':
			r = '-'
		case '’', '‘', '′':
			r = '\''
		case '”', '“', '″':
			r = '"'
		case '⁄':
			r = '/'
		case '×':
			r = 'x'
		case '．', '，': // full width, as some keyboards write
			r -= '，' - ','
		}
		if r >= '０' && r <= '９' {
			r -= '０' - '0'
		}
		if f := vulgar[r]; f != [2]float64{} {
			if prev >= '0' && prev <= '9' {
				b.WriteByte(' ')
			}
			for _, d := range [2]int{int(f[0]), int(f[1])} {
				if d == 10 {
					b.WriteString("10")
				} else {
					b.WriteByte(byte('0' + d))
				}
				b.WriteByte('/')
			}
			fixed := strings.TrimSuffix(b.String(), "/")
			b.Reset()
			b.WriteString(fixed)
			prev = '0'
			continue
		}
		b.WriteRune(r)
		prev = r
	}
	return strings.Join(strings.Fields(b.String()), " ")
}

var approxWords = []string{"about ", "approx. ", "approx ", "approximately ", "ca. ", "ca ", "circa ", "~", "≈", "around ", "roughly ", "aprox. ", "aprox ", "unos ", "unas ", "más o menos ", "mas o menos ", "casi ", "como ", "almost ", "nearly "}

// approxAfter are the same words behind the value.
var approxAfter = []string{" approx", " approx.", " approximately", " or so", " aprox", " aprox.", " aproximadamente", " más o menos", " mas o menos", " about"}

func cutAfter(s string, suffixes []string) (string, bool) {
	low := strings.ToLower(s)
	for _, x := range suffixes {
		if strings.HasSuffix(low, x) && len(low) == len(s) {
			return strings.TrimRight(s[:len(s)-len(x)], " ,"), true
		}
	}
	return s, false
}

func cutAny(s string, prefixes []string) (string, bool) {
	low := strings.ToLower(s)
	for _, p := range prefixes {
		if strings.HasPrefix(low, p) && len(low) == len(s) {
			return strings.TrimLeft(s[len(p):], " "), true
		}
	}
	return s, false
}

func cutBound(s string) (rest string, below, ok bool) {
	for _, b := range []struct {
		prefix string
		below  bool
	}{{"<", true}, {"≤", true}, {"under ", true}, {"up to ", true}, {"menos de ", true}, {"less than ", true}, {">", false}, {"≥", false}, {"over ", false}, {"at least ", false}, {"más de ", false}, {"more than ", false}} {
		if rest, ok := cutAny(s, []string{b.prefix}); ok {
			return rest, b.below, true
		}
	}
	return s, false, false
}

func cutPortions(s string) (n int, rest string, ok bool) {
	digits := leadingDigits(s)
	after := strings.TrimLeft(s[len(digits):], " ")
	if digits == "" || len(digits) > 3 || !strings.HasPrefix(after, "x") {
		return 0, s, false
	}
	for _, d := range digits {
		n = n*10 + int(d-'0')
	}
	rest = strings.TrimLeft(after[1:], " ")
	return n, rest, n > 0 && rest != ""
}

// modifiers are factors on the level volume of a powder, with their spread
// (larder D2.5): usual, least, most.
var modifiers = map[string][3]float64{
	"scant": {0.9, 0.9, 0.9}, "level": {1, 1, 1}, "rasa": {1, 1, 1}, "raso": {1, 1, 1}, "packed": {1, 1, 1},
	"rounded": {1.2, 1.1, 1.4}, "heaped": {1.4, 1.2, 2}, "heaping": {1.4, 1.2, 2}, "colmada": {1.4, 1.2, 2}, "colmado": {1.4, 1.2, 2},
}

func cutModifier(s string) (rest string, factor [3]float64, ok bool) {
	words := strings.Fields(s)
	for i, w := range words {
		if f, found := modifiers[strings.ToLower(w)]; found {
			return strings.Join(append(append([]string{}, words[:i]...), words[i+1:]...), " "), f, true
		}
	}
	return s, [3]float64{1, 1, 1}, false
}

type commaState int

const (
	commaFine commaState = iota
	commaConfirm
	commaAsk
)

// resolveComma settles numbers such as 1,500 and 1.500 by the language: in
// English a comma before three digits groups, in Spanish it is a decimal sign
// and the point is the doubtful one. What stays doubtful is asked.
func resolveComma(s string, f Field) (string, commaState) {
	end := strings.IndexFunc(s, func(r rune) bool { return (r < '0' || r > '9') && r != '.' && r != ',' })
	if end < 0 {
		end = len(s)
	}
	head := s[:end]
	for _, sign := range []string{",", "."} {
		a, b, ok := strings.Cut(head, sign)
		if !ok || strings.ContainsAny(a+b, ".,") || len(b) != 3 || len(a) < 1 || len(a) > 3 || a[0] == '0' {
			continue
		}
		switch {
		case sign == "," && f.Language != "es":
			return a + b + s[end:], commaConfirm
		case sign == "," && f.Language == "es":
			return a + "." + b + s[end:], commaConfirm
		case sign == "." && f.Language == "es":
			return s, commaAsk
		}
	}
	return s, commaFine
}

// spacedFraction finds "1 - 1/2", which is a range to one writer and one and
// a half to another.
func spacedFraction(s string) (string, bool) {
	digits := leadingDigits(s)
	after, ok := strings.CutPrefix(s[len(digits):], " - ")
	if digits == "" || !ok {
		return "", false
	}
	n, err := readNumber(after)
	return s, err == nil && !n.whole && strings.Contains(after[:len(after)-len(n.rest)], "/") && n.value < 1
}

var numberWords = map[string]string{
	"half": "1/2", "quarter": "1/4", "third": "1/3", "a": "1", "an": "1", "one": "1", "two": "2", "three": "3", "four": "4",
	"five": "5", "six": "6", "seven": "7", "eight": "8", "nine": "9", "ten": "10", "eleven": "11", "twelve": "12",
	"couple": "2", "dozen": "12", "medio": "1/2", "media": "1/2", "cuarto": "1/4", "tercio": "1/3", "un": "1", "una": "1", "uno": "1",
	"dos": "2", "tres": "3", "cuatro": "4", "cinco": "5", "seis": "6", "siete": "7", "ocho": "8", "nueve": "9", "diez": "10",
	"once": "11", "doce": "12", "docena": "12",
	"thirteen": "13", "fourteen": "14", "fifteen": "15", "sixteen": "16", "seventeen": "17", "eighteen": "18", "nineteen": "19",
	"twenty": "20", "thirty": "30", "forty": "40", "fifty": "50", "sixty": "60", "seventy": "70", "eighty": "80", "ninety": "90", "hundred": "100",
	"trece": "13", "catorce": "14", "quince": "15", "dieciséis": "16", "diecisiete": "17", "dieciocho": "18", "diecinueve": "19",
	"veinte": "20", "treinta": "30", "cuarenta": "40", "cincuenta": "50", "sesenta": "60", "setenta": "70", "ochenta": "80", "noventa": "90", "cien": "100",
}

// parts are the words for several parts of one: "three quarters".
var parts = map[string]string{"halves": "2", "quarters": "4", "thirds": "3", "eighths": "8", "cuartos": "4", "tercios": "3", "octavos": "8"}

// mixed reads "two and a half", "1 y media" and "three quarters" at the head of
// words: the number and how many words it took.
func mixed(words []string) (string, int) {
	low := func(i int) string {
		if i < len(words) {
			return strings.ToLower(words[i])
		}
		return ""
	}
	whole := numberWords[low(0)]
	if leadingDigits(low(0)) == low(0) {
		whole = low(0)
	}
	if whole == "" || strings.Contains(whole, "/") {
		return "", 0
	}
	if of := parts[low(1)]; of != "" {
		return whole + "/" + of, 2
	}
	if low(1) != "and" && low(1) != "y" {
		return "", 0
	}
	at := 2
	if low(at) == "a" || low(at) == "an" || low(at) == "un" || low(at) == "una" {
		at++
	}
	part := numberWords[low(at)]
	if strings.Contains(low(at), "/") {
		part = low(at)
	}
	if !strings.Contains(part, "/") {
		return "", 0
	}
	return whole + " " + part, at + 1
}

// between reads "between 38 and 39" and "entre 38 y 39" as a range.
func between(s string) string {
	low := strings.ToLower(s)
	for prefix, joint := range map[string]string{"between ": " and ", "entre ": " y "} {
		if at := strings.Index(low, joint); strings.HasPrefix(low, prefix) && at > len(prefix) && len(low) == len(s) {
			return s[len(prefix):at] + " - " + s[at+len(joint):]
		}
	}
	return s
}

// wordsToNumbers turns leading number words into digits: "half a cup", "a cup
// and a half", "couple of drops", "12 dozen", "media taza".
func wordsToNumbers(s string) string {
	words := strings.Fields(s)
	if len(words) == 0 {
		return s
	}
	low := func(i int) string {
		if i < len(words) {
			return strings.ToLower(words[i])
		}
		return ""
	}
	if n, took := mixed(words); took > 0 {
		rest := words[took:]
		for len(rest) > 0 && (strings.EqualFold(rest[0], "of") || strings.EqualFold(rest[0], "de") || strings.EqualFold(rest[0], "a")) {
			rest = rest[1:]
		}
		return strings.TrimSpace(n + " " + strings.Join(rest, " "))
	}
	if n := len(words); n >= 4 && low(n-3) == "and" && low(n-2) == "a" && low(n-1) == "half" || n >= 3 && low(n-2) == "y" && (low(n-1) == "media" || low(n-1) == "medio") {
		keep := n - 3
		if low(n-2) == "y" {
			keep = n - 2
		}
		if first, ok := numberWords[low(0)]; ok && !strings.Contains(first, "/") {
			return first + " 1/2 " + strings.Join(words[1:keep], " ")
		}
		if leadingDigits(words[0]) == words[0] {
			return words[0] + " 1/2 " + strings.Join(words[1:keep], " ")
		}
	}
	if leadingDigits(words[0]) == words[0] && (low(1) == "dozen" || low(1) == "docenas") && len(words[0]) < 5 {
		n := 0
		for _, d := range words[0] {
			n = n*10 + int(d-'0')
		}
		return strconv.Itoa(12*n) + " " + strings.Join(words[2:], " ")
	}
	first := 0
	if (low(0) == "a" || low(0) == "un" || low(0) == "una") && numberWords[low(1)] != "" && low(1) != "a" {
		first = 1 // "a couple", "a quarter"
	}
	n, ok := numberWords[low(first)]
	if !ok {
		return s
	}
	rest := words[first+1:]
	for len(rest) > 0 {
		switch strings.ToLower(rest[0]) {
		case "of", "de", "a", "an", "un", "una":
			rest = rest[1:]
			continue
		}
		break
	}
	return strings.TrimSpace(n + " " + strings.Join(rest, " "))
}

// fieldUnits are spellings that mean different units in different fields.
var fieldUnits = map[Dim]map[string]string{
	Volume: {
		"T": "tbsp", "Tb": "tbsp", "Tbs": "tbsp", "Tbsp": "tbsp", "Tbl": "tbsp", "tbl": "tbsp", "tbs": "tbsp",
		"t": "tsp", "ts": "tsp", "c": "cup", "cda": "tbsp", "cdas": "tbsp", "cucharada": "tbsp", "cucharadas": "tbsp",
		"cdta": "tsp", "cdtas": "tsp", "cdita": "tsp", "cditas": "tsp", "cucharadita": "tsp", "cucharaditas": "tsp",
		"taza": "cup", "tazas": "cup", "pizca": "pinch", "pizcas": "pinch",
	},
	Time:        {"m": "min", "'": "min", "\"": "s"},
	Temperature: {"c": "°C", "C": "°C", "f": "°F", "F": "°F", "°": "", "deg": ""},
	Length:      {"pulgada": "in", "pulgadas": "in", "pie": "ft", "pies": "ft"},
}

// inSystem names the unit that a bare kitchen word means in each system;
// larder D2.2. What is not listed is the same everywhere.
var inSystem = map[System]map[string]string{
	Metric: {"tsp": "metric tsp", "tbsp": "metric tbsp", "cup": "metric cup"},
	UK:     {"tsp": "metric tsp", "tbsp": "metric tbsp", "cup": "metric cup", "fl oz": "UK fl oz", "pt": "UK pt"},
	AU:     {"tsp": "metric tsp", "tbsp": "AU tbsp", "cup": "metric cup"},
}

// unitInField looks a typed unit up as the field and the system understand it.
func unitInField(name string, f Field) (Unit, bool) {
	name = strings.TrimSuffix(strings.TrimSpace(name), ".")
	if s, ok := fieldUnits[f.Dim][name]; ok {
		name = s
	}
	if name == "" {
		return fieldUnit(f), true
	}
	u, ok := LookupUnit(name)
	if !ok {
		if s, found := fieldUnits[f.Dim][strings.ToLower(name)]; found && len(name) > 1 {
			u, ok = LookupUnit(s)
		}
	}
	if !ok {
		return Unit{}, false
	}
	if s, found := inSystem[f.System][u.Symbol]; found && !strings.Contains(name, "metric") {
		u = MustUnit(s)
	}
	return u, true
}
