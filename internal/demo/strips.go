package demo

import (
	"fmt"
	"math"
	"math/rand/v2"

	"patient-kitchen/core/text"
)

// The papers of the strips experiment with how far water climbs in them, in
// mm per square root of a minute. Made up, in a plausible order.
var papers = []struct {
	condition string
	climb     float64
	colour    [3]uint8
}{
	{"printer", 4.6, [3]uint8{244, 244, 240}},
	{"newspaper", 8.4, [3]uint8{206, 202, 190}},
	{"filter", 12.4, [3]uint8{226, 214, 188}},
	{"towel", 16.9, [3]uint8{238, 240, 246}},
}

var minutes = []float64{1, 2, 4, 8}

// kitchenOf is one home's way of measuring.
type kitchenOf struct {
	rng    *rand.Rand
	factor float64 // warmer water, wider strips: the home's own pace
	tool   string  // instrument id
	lang   string
}

// height is a true wet edge, with the unevenness of paper, in mm.
func (k *kitchenOf) height(paper int, minute float64) float64 {
	return math.Max(0, papers[paper].climb*k.factor*math.Sqrt(minute)+0.8*k.rng.NormFloat64())
}

// typed is what the home writes down for a height: in its tool's steps and
// its own manner.
func (k *kitchenOf) typed(mm float64) string {
	switch k.tool {
	case "ruler-cm":
		return text.Number(math.Round(mm/2.5)*2.5/10, 2, k.lang) + " cm"
	case "ruler-in":
		sixteenths := int(math.Round(mm / 25.4 * 16))
		whole, rest := sixteenths/16, sixteenths%16
		for d := 16; rest > 0 && rest%2 == 0; {
			rest, d = rest/2, d/2
			if rest%2 == 1 || d == 2 {
				return inches(whole, rest, d)
			}
		}
		return inches(whole, rest, 16)
	}
	mm = math.Round(mm*2) / 2
	if mm == math.Trunc(mm) {
		return fmt.Sprintf("%.0f mm", mm)
	}
	return text.Number(mm, 1, k.lang) + " mm"
}

func inches(whole, rest, d int) string {
	switch {
	case rest == 0:
		return fmt.Sprintf("%d in", whole)
	case whole == 0:
		return fmt.Sprintf("%d/%d in", rest, d)
	}
	return fmt.Sprintf("%d %d/%d in", whole, rest, d)
}
