package compare

import (
	"maps"
	"slices"

	"patient-kitchen/core/stats"
)

// groups asks whether the homes with one tool, swap or language differ from the
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
		for _, by := range []string{"tool", "swap", "language"} {
			for _, name := range a.large(f, by) {
				t, n, err := a.apart(f, by, name)
				if err != nil {
					continue
				}
				f.Groups = append(f.Groups, GroupFinding{By: by, Name: name, N: n, Test: t})
				places, ps = append(places, place{i, len(f.Groups) - 1}), append(ps, t.P)
			}
		}
	}
	for k, p := range stats.Holm(ps, len(ps)) {
		findings[places[k].finding].Groups[places[k].group].Corrected = p
	}
}

// large names the groups of which at least 4 homes are, and 4 are not.
func (a *analysis) large(f *Finding, by string) []string {
	names := map[string]int{}
	for _, h := range f.Homes {
		for _, name := range a.group(h.home, f.Value, by) {
			names[name]++
		}
	}
	return slices.DeleteFunc(sortedKeys(names), func(name string) bool {
		n := names[name]
		return name == "" || n < 4 || len(f.Homes)-n < 4
	})
}

// apart holds the homes of a group, n of them, against the others.
func (a *analysis) apart(f *Finding, by, name string) (t stats.Result, n int, err error) {
	var with, others, ww, wo []float64
	for _, h := range f.Homes {
		if slices.Contains(a.group(h.home, f.Value, by), name) {
			with, ww = append(with, h.D), append(ww, h.rounding)
		} else {
			others, wo = append(others, h.D), append(wo, h.rounding)
		}
	}
	t, err = stats.TwoGroups(others, with, wo, ww)
	return t, len(with), err
}

func sortedKeys(m map[string]int) []string {
	keys := make([]string, 0, len(m))
	for k := range m {
		keys = append(keys, k)
	}
	slices.Sort(keys)
	return keys
}

// group is the tool with which a home took the readings of a value, what it used
// instead, or its language.
func (a *analysis) group(home int, value, by string) []string {
	switch by {
	case "language":
		return []string{a.homes[home].Book.Writer.Language}
	case "swap":
		return slices.Sorted(maps.Values(a.homes[home].Uses))
	}
	return []string{a.toolOf(home, value)}
}

// toolOf is the tool of a home's readings of a value; "" where they are several.
func (a *analysis) toolOf(home int, value string) string {
	b := a.homes[home].Book
	tool := ""
	for i := range b.Cells {
		c := &b.Cells[i]
		if c.Entry == nil || c.Entry.Typed == "" {
			continue
		}
		r, ok := a.d.Reading(c.Slot.Reading)
		if !ok || len(r.Instruments) < 2 || !a.speaks(r.ID, a.outcome(value)) {
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
