package results

import (
	"maps"
	"slices"
	"strings"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
)

// SideView are homes that used the same instead and are compared by themselves.
type SideView struct {
	Uses        string           `json:"uses" doc:"What they used, in words"`
	Homes       []string         `json:"homes" doc:"Nicknames"`
	Comparisons []ComparisonView `json:"comparisons" doc:"None below 5 homes"`
}

// ViewSide shows a group of its own.
func ViewSide(d *design.Document, s compare.Side, nickname func(string) string, language string) SideView {
	out := SideView{Homes: []string{}, Comparisons: []ComparisonView{}}
	var uses []string
	for _, need := range slices.Sorted(maps.Keys(s.Uses)) {
		name, _ := compare.ThingName(d, s.Uses[need]).In(language)
		uses = append(uses, name)
	}
	out.Uses = strings.Join(uses, ", ")
	for _, h := range s.Homes {
		out.Homes = append(out.Homes, nickname(h.Key))
	}
	if s.Enough() {
		for _, c := range s.Class(d) {
			out.Comparisons = append(out.Comparisons, ViewComparison(d, c, nickname, language))
		}
	}
	return out
}
