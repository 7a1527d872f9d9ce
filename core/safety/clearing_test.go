package safety_test

import (
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// Clearing up is one list, and each thing stands in one place, the strictest
// of what it is and of what is with it in a vessel at the end.
func TestClearingUp(t *testing.T) {
	for _, c := range []struct {
		name, lines string
		places      map[string]string
		says, not   string
	}{
		{"a fizz in a cup", "v: vinegar-white 50 mL\ns: baking-soda 2 g\nj: mug\n---\na: pour with v s in j",
			map[string]string{"v": "sink", "s": "sink"}, "stops fizzing", "bin"},
		{"no fizz", "v: vinegar-white 50 mL\nj: mug\n---\na: pour with v in j", map[string]string{"v": "sink"},
			"plenty of water", "fizz"},
		{"a bag is not poured away", bag + "---\na: keep-apart, pour with v s in b closed",
			map[string]string{"v": "sink", "s": "sink", "b": ""}, "the v", "the b"},
		{"what shares a vessel goes the strictest way", "o: alum 5 g\nv: vinegar-white 20 mL\nj: mug\n---\na: pour " +
			"with o v in j", map[string]string{"o": "bin", "v": "bin"}, "In the bin, not the sink", "plenty of water"},
		{"apart, each its own way", "o: alum 5 g\nv: vinegar-white 20 mL\nj: mug\nk: mug\n---\na: pour with o in " +
			"j\nb: pour with v in k", map[string]string{"o": "bin", "v": "sink"}, "plenty of water", ""},
		{"soil is not poured away", "o: soil-garden 2 tbsp\nw: water-tap 200 mL\nj: mug\n---\na: pour with o w in j",
			map[string]string{"o": "bin"}, "In the bin, not the sink", "down the sink with water"},
		{"cells are collected", "b: cell-button\n---\na: put with b", map[string]string{"b": "cells"}, "collection box",
			"sink"},
		{"refused things stay shut", "b: bleach\nv: vinegar-white 20 mL\nj: mug\n---\na: pour with b v in j",
			map[string]string{"b": "none", "v": "sink"}, "Do not open it", ""},
	} {
		d := plan(c.lines)
		r := judge(d)
		for id, want := range c.places {
			if got := r.Clearing.Places[id]; got != want {
				t.Errorf("%s: %s goes to %q, want %q", c.name, id, got, want)
			}
		}
		var all []string
		for _, m := range safety.BriefingOf(d, r).Clearing {
			all = append(all, text.Render(m, "en"))
		}
		_, after := safety.StepLines(r, d.Steps[len(d.Steps)-1].ID) // as the phone says it
		for _, m := range after {
			if s := text.Render(m, "en"); strings.Contains(s, "down the sink with water") && c.places["o"] == "bin" {
				t.Errorf("%s: the last step says %q", c.name, s)
			}
		}
		said := strings.Join(all, " ")
		if !strings.Contains(said, c.says) || c.not != "" && strings.Contains(said, c.not) {
			t.Errorf("%s: %s", c.name, said)
		}
		for _, n := range d.Needs {
			in := 0
			for _, line := range all {
				if strings.Contains(line, n.Name["en"]) {
					in++
				}
			}
			if in > 1 {
				t.Errorf("%s: %s stands in %d lines: %s", c.name, n.ID, in, said)
			}
		}
	}
	// Gloves come off only where they were on.
	for lines, want := range map[string]bool{"w: washing-soda-crystals 5 g\n---\na: gear-on, pour with w": true,
		"v: water-tap\n---\na: pour with v": false} {
		r := safety.Judge(plan(lines), larder.Standard(), nil)
		if got := slices.ContainsFunc(r.Lines, func(l safety.Remark) bool {
			return l.Rule == "gear-off" && strings.Contains(text.Render(l.Message, "en"), "gloves")
		}); got != want {
			t.Errorf("%s: gloves off %v", lines, got)
		}
	}
}
