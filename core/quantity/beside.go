package quantity

import (
	"fmt"
	"math"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"unicode"

	"patient-kitchen/core/text"
)

// metricAmount finds an amount in millilitres, litres or degrees Celsius in a
// sentence: its sign, figure, the end of a range, unit.
var metricAmount = regexp.MustCompile(
	`([−-])?\b(\d+(?:[.,]\d+)?)(?:[–-](\d+(?:[.,]\d+)?))?[ \x{a0}]?(mL|L|°C)(?:\b|$)`)

// What stands before an amount that stays: a bracket or a stroke, a give or take,
// or the other end of a range.
var notAlone = regexp.MustCompile(`(?:[(/±]|\d[ \x{a0}]?(?:[–-]|\p{L}{1,5} ))[ \x{a0}]?$`)

// besides is what stands behind an amount that has its measure in other units
// already, or that is part of another unit.
var besides = regexp.MustCompile(`^(?:/|[ \x{a0}]?[(/][^)]*(?:°F|cup|tbsp|tsp|taza|cda|cdta))`)

// farOff is how far a measure may be from the amount that it stands for, as a
// share: a level cup is filled to about 5 %.
const farOff = 0.07

// Beside puts the measures of US kitchens before the metric amounts of a
// sentence, which stay in brackets: of "pour 200 mL of water" it makes "pour
// ⅞ cup (200 mL) of water", of 40 °C 104 °F (40 °C). What is no amount but
// says which thing is meant, as in "a 500 mL bottle", stays, as does what no cup
// or spoon comes near. The other systems measure in metric: their sentences
// stay.
func (s System) Beside(sentence, language string) string {
	if s != US || !strings.ContainsAny(sentence, "L°") {
		return sentence
	}
	var b strings.Builder
	end := 0
	for _, m := range metricAmount.FindAllStringSubmatchIndex(sentence, -1) {
		part := func(i int) string {
			if m[i] < 0 {
				return ""
			}
			return sentence[m[i]:m[i+1]]
		}
		before, after := sentence[:m[0]], sentence[m[1]:]
		sign, low, high := part(2), part(4), part(6)
		if notAlone.MatchString(before) || besides.MatchString(after) {
			continue
		}
		own := ""
		switch {
		case part(8) != "°C" && sign+high == "" && anAmount(before, after, language):
			own = inSpoons(low, part(8), language)
		case part(8) == "°C" && !aDifference(before, after, language):
			own = fahrenheit(sign, low, high, language)
		}
		if own == "" {
			continue
		}
		b.WriteString(sentence[end:m[0]] + own + " (" + sentence[m[0]:m[1]] + ")")
		end = m[1]
	}
	b.WriteString(sentence[end:])
	return b.String()
}

// inSentence reads a number of a sentence; a comma before three figures may part
// thousands, so that it is none.
func inSentence(s string) (float64, bool) {
	if whole, rest, comma := strings.Cut(s, ","); comma {
		if len(rest) == 3 {
			return 0, false
		}
		s = whole + "." + rest
	}
	v, err := strconv.ParseFloat(s, 64)
	return v, err == nil
}

func fahrenheit(sign, low, high, language string) string {
	var ends []string
	for i, s := range []string{low, high} {
		if s == "" {
			continue
		}
		v, ok := inSentence(s)
		if !ok {
			return ""
		}
		if sign != "" && i == 0 {
			v = -v
		}
		ends = append(ends, text.Number(math.Round(v*1.8+32), 0, language))
	}
	return strings.Join(ends, "–") + "\u00a0°F"
}

// aDifference reports whether a temperature is how much warmer something is, not how
// warm.
func aDifference(before, after, language string) bool {
	v := vocabularies[text.Of(language).Code]
	return slices.Contains(v.StepsBefore, lastWord(before)) || slices.Contains(v.StepsAfter, nextWord(after))
}

func lastWord(s string) string {
	fields := strings.Fields(s)
	if len(fields) == 0 {
		return ""
	}
	return strings.ToLower(fields[len(fields)-1])
}

func nextWord(s string) string {
	fields := strings.Fields(s)
	if len(fields) == 0 {
		return ""
	}
	return strings.ToLower(strings.TrimRight(fields[0], ".,;:)"))
}

// anAmount reports whether what stands before and after a volume lets it be an
// amount, not the name of a vessel.
func anAmount(before, after, language string) bool {
	v := vocabularies[text.Of(language).Code]
	if slices.Contains(v.Names, lastWord(before)) {
		return false
	}
	after = strings.TrimLeft(after, " \u00a0")
	if after == "" || !unicode.IsLetter([]rune(after)[0]) {
		return true
	}
	return slices.Contains(v.Follows, nextWord(after))
}

// inSpoons is a volume in cups or spoons, "" where none comes near.
func inSpoons(number, unit, language string) string {
	v, ok := inSentence(number)
	if !ok {
		return ""
	}
	q := Quantity{Value: v, Unit: MustUnit(unit)}
	inCups, err := q.In(MustUnit("cup"))
	if err != nil || inCups.Value > 8 {
		return ""
	}
	k := Kitchen{Quantity: inCups}.Rounded()
	if k.SI() == 0 || math.Abs(k.SI()/q.SI()-1) > farOff {
		return ""
	}
	parts := eighths(k.Value)
	if parts == "" {
		return ""
	}
	return text.Render(
		text.M(fmt.Sprintf("quantity.measure.%s", k.Unit.Symbol), "n", parts, "many", manyIf(k.Value > 1)),
		language,
	)
}

// manyIf is a number that takes the form for many, or the one for one.
func manyIf(many bool) int {
	if many {
		return 2
	}
	return 1
}
