package quantity

import (
	"regexp"
	"strings"
)

var (
	besideNumbers = regexp.MustCompile(`[ ]+(?:[-−+~<>]?\s*[0-9½⅓⅔¼¾⅛⅜⅝⅞]|[.,][0-9])`)
	plainNumeral  = regexp.MustCompile(`^[-−+]?[0-9]+$`)
	proper        = regexp.MustCompile(`^ [0-9]+[/⁄][0-9]+`)
)

// Divide cuts a typed list of readings into them: at semicolons and new lines,
// else at commas with a blank behind, else at blanks, else at commas. A list of
// whole numbers between commas alone may be as many halves of numbers with a
// decimal comma ("2,5" or "12,5,13,5"): it reports false, and the writer is
// asked for semicolons.
func Divide(text string) (items []string, ok bool) {
	text = strings.TrimSpace(plainSpaces(text))
	if strings.ContainsAny(text, ";\n") {
		return trimmed(strings.FieldsFunc(text, func(r rune) bool { return r == ';' || r == '\n' })), true
	}
	if strings.Contains(text, ", ") {
		return trimmed(strings.Split(text, ", ")), true
	}
	if items := trimmed(atBlanks(text)); len(items) > 1 {
		return items, true
	}
	return atCommas(text)
}

// atCommas is Divide of what has nothing but commas to be cut at.
func atCommas(text string) (items []string, ok bool) {
	items = trimmed(strings.Split(text, ","))
	whole, pointed := len(items) > 1, true
	for _, item := range items {
		whole = whole && plainNumeral.MatchString(item)
		pointed = pointed && strings.Count(item, ".") == 1
	}
	switch {
	case whole && len(items)%2 == 0, whole && thousands(items):
		return []string{text}, false
	case whole, pointed:
		return items, true
	}
	for _, item := range items { // "12 mm,13 mm", and not "2,5 cm"
		if strings.IndexFunc(item, func(r rune) bool { return r >= 'a' && r <= 'z' || r >= 'A' && r <= 'Z' }) < 0 {
			return []string{text}, true
		}
	}
	return items, true
}

// trimmed are the parts that say something, without blanks and commas around them.
func trimmed(parts []string) []string {
	out := []string{}
	for _, p := range parts {
		if p = strings.Trim(strings.TrimSpace(p), ","); p != "" {
			out = append(out, strings.TrimSpace(p))
		}
	}
	return out
}

// atBlanks cuts before each number; a fraction behind a whole number is part
// of it.
func atBlanks(text string) []string {
	out, start := []string{}, 0
	for _, at := range besideNumbers.FindAllStringIndex(text, -1) {
		before := text[start:at[0]]
		last := before[strings.LastIndexByte(before, ' ')+1:]
		if plainNumeral.MatchString(last) && proper.MatchString(text[at[0]:]) || strings.HasSuffix(before, "±") ||
			strings.HasSuffix(before, "+/-") ||
			strings.HasPrefix(strings.TrimSpace(text[at[0]:]), "- ") {
			continue
		}
		out, start = append(out, before), at[0]
	}
	return append(out, text[start:])
}

// thousands reports whether numbers between commas could be the groups of one.
func thousands(items []string) bool {
	for _, item := range items[1:] {
		if len(item) != 3 {
			return false
		}
	}
	return len(items[0]) <= 3
}
