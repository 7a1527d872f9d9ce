package compare

import (
	"slices"

	"patient-kitchen/core/stats"
)

// groups asks whether the homes with one tool or language differ from the
// others; it is looked for afterwards, over everything at once.
func (a *analysis) groups(findings []Finding) {
	type place struct{ finding, group int }
	var places []place
	var ps []float64
	for i := range findings {
		f := &findings[i]
		if f.Signs || f.Says == "order" || f.Says == "share" || a.outcome(f.Value).Reading != nil {
			continue
		}
		for _, by := range []string{"tool", "language"} {
			names := map[string]int{}
			for _, h := range f.Homes {
				names[a.group(h.home, f.Value, by)]++
			}
			for _, name := range sortedKeys(names) {
				if n := names[name]; name == "" || n < 4 || len(f.Homes)-n < 4 {
					continue
				}
				var with, others, ww, wo []float64
				for _, h := range f.Homes {
					if a.group(h.home, f.Value, by) == name {
						with, ww = append(with, h.D), append(ww, h.rounding)
					} else {
						others, wo = append(others, h.D), append(wo, h.rounding)
					}
				}
				t, err := stats.TwoGroups(others, with, wo, ww)
				if err != nil {
					continue
				}
				f.Groups = append(f.Groups, GroupFinding{By: by, Name: name, N: len(with), Test: t})
				places, ps = append(places, place{i, len(f.Groups) - 1}), append(ps, t.P)
			}
		}
	}
	for k, p := range stats.Holm(ps, len(ps)) {
		findings[places[k].finding].Groups[places[k].group].Corrected = p
	}
}

func sortedKeys(m map[string]int) []string {
	keys := make([]string, 0, len(m))
	for k := range m {
		keys = append(keys, k)
	}
	slices.Sort(keys)
	return keys
}

// group is the tool with which a home took the readings of a value, or its
// language.
func (a *analysis) group(home int, value, by string) string {
	b := a.homes[home].Book
	if by == "language" {
		return b.Writer.Language
	}
	tool := ""
	for i := range b.Cells {
		c := &b.Cells[i]
		if c.Entry == nil || c.Entry.Typed == "" {
			continue
		}
		r, ok := a.d.Reading(c.Slot.Reading)
		if !ok || len(r.Instruments) < 2 || !speaksOf(a.d, r.ID, a.outcome(value).Derived) {
			continue
		}
		in, _ := r.Instrument(c.Entry.Instrument)
		if tool != "" && tool != in.ID {
			return ""
		}
		tool = in.ID
	}
	return tool
}
