package words_test

import (
	"strconv"
	"strings"
	"testing"

	"golang.org/x/text/feature/plural"
	"golang.org/x/text/language"

	"patient-kitchen/core/text"
)

// The plural classes of the languages that ship are those of the kept library,
// over whole numbers and decimals.
func TestPluralClassesAgainstTheLibrary(t *testing.T) {
	forms := map[plural.Form]string{
		plural.Zero:  "zero",
		plural.One:   "one",
		plural.Two:   "two",
		plural.Few:   "few",
		plural.Many:  "many",
		plural.Other: "other",
	}
	for _, code := range text.Languages {
		l, tag := text.Of(code), language.Make(code)
		for n := range 2000 {
			for _, decimals := range []int{0, 1, 2} {
				value := float64(n)
				if decimals > 0 {
					value /= 10
				}
				whole, rest, _ := strings.Cut(strconv.FormatFloat(value, 'f', decimals, 64), ".")
				short := strings.TrimRight(rest, "0")
				number := func(s string) int {
					v, _ := strconv.Atoi("0" + s)
					return v
				}
				want := forms[plural.Cardinal.MatchPlural(tag, number(whole), len(rest), len(short), number(rest),
					number(short))]
				got := l.Plurals[l.Plural(value, decimals)].Name
				// Many is for millions written short, as "1 millón de fotos": nothing here counts so far.
				if got != want && want != "many" {
					t.Fatalf(
						"%s: %s is %s, the library says %s",
						code,
						strconv.FormatFloat(value, 'f', decimals, 64),
						got,
						want,
					)
				}
			}
		}
	}
}
