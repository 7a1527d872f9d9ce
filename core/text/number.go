package text

import (
	"math"
	"strconv"
	"strings"
)

// Decimals is how many decimals a value with uncertainty u deserves: the
// uncertainty keeps one significant digit, two when the first is 1. Without
// an uncertainty the value keeps four significant digits, and no more than
// it has.
func Decimals(value, u float64) int {
	if u > 0 && !math.IsInf(u, 0) && !math.IsNaN(u) {
		e := int(math.Floor(math.Log10(u)))
		if u/math.Pow10(e) < 1.95 {
			e--
		}
		return max(0, min(12, -e))
	}
	if value == 0 || math.IsInf(value, 0) || math.IsNaN(value) {
		return 0
	}
	most := max(0, min(12, 3-int(math.Floor(math.Log10(math.Abs(value))))))
	for d := 0; d < most; d++ {
		p := math.Pow10(d)
		if math.Abs(math.Round(value*p)/p-value) < 1e-9*math.Abs(value) {
			return d
		}
	}
	return most
}

// Number writes a value with a fixed number of decimals in a language: a true
// minus sign, and the language's sign before the decimals.
func Number(value float64, decimals int, language string) string {
	if p := math.Pow10(decimals); math.Abs(value)*p < 1e15 {
		value = math.Round(value*p*(1+1e-14)) / p // 82.55 is 82.6, though its bits lie a little below
	}
	s := strconv.FormatFloat(value, 'f', decimals, 64)
	if strings.Trim(s, "-0.") == "" {
		s = strings.TrimPrefix(s, "-")
	}
	s = strings.Replace(s, "-", "−", 1)
	return strings.Replace(s, ".", Of(language).Decimal, 1)
}
