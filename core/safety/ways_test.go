package safety_test

import (
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// A jar is not left open where what is measured would get out of it; for a
// height of foam it may be.
func TestNoGasLeavesWhatIsMeasured(t *testing.T) {
	for _, c := range []struct {
		result, unit string
		open         bool
	}{
		{"foam-height", "mm", true},
		{"ph", "1", true},
		{"", "mm", true},
		{"girth", "mm", false},
		{"total-gas", "g", false},
		{"pop-time", "s", false},
		{"", "g", false},
		{"", "mL", false},
	} {
		d := plan("v: vinegar-white 50 mL\ns: baking-soda 1 g\nj: jam-jar\n---\na: pour, seal with v s in j closed")
		d.Readings = []design.Reading{{ID: "r", Name: text.Localized{"en": "r"}, Unit: c.unit}}
		d.Measured = []design.Variable{{Reading: "r", Result: c.result}}
		f, ok := worstFinding(safety.Check(d), "gas-rigid-closed")
		if !ok {
			t.Fatal("it is not closed")
		}
		ways := safety.Ways(d, larder.Standard(), f)
		if got := slices.ContainsFunc(ways, func(w safety.Way) bool { return w.ID == "open:a" }); got != c.open {
			t.Errorf("%q in %s: offered open %v: %+v", c.result, c.unit, got, ways)
		}
	}
}

// A step that would come behind the lit flame is put in before it.
func TestAStepIsPutInWhereItBreaksNothing(t *testing.T) {
	d := plan(
		"c: candle\nv: vinegar-white\nw: water-tap\nj: mug\nk: glass\n---\na: light with c v w j k\nb: pour with v in j\nd: pour with w in k\ne: put-out",
	)
	d.Languages = []string{"en", "es"}
	before := safety.Judge(d, larder.Standard(), nil)
	i := slices.IndexFunc(before.Lines, func(l safety.Line) bool { return l.Rule == "label-first" })
	if i < 0 {
		t.Fatalf("%+v", before.Lines)
	}
	ways := safety.LineWays(d, larder.Standard(), before.Lines[i])
	if len(ways) != 1 {
		t.Fatalf("%+v", ways)
	}
	after, err := safety.Apply(d, larder.Standard(), ways[0].ID)
	if err != nil {
		t.Fatal(err)
	}
	if at, ok := after.Step("label-first"); !ok || at != 0 {
		t.Errorf("labelled at step %d", at+1)
	}
	if fresh := newErrors(before, safety.Judge(after, larder.Standard(), nil)); len(fresh) > 0 {
		t.Errorf("%v", fresh)
	}
}

// Every way out of every design of the corpus leads nowhere worse: it makes no
// error in the order of steps and nothing that cannot be done at home.
func TestWaysLeadHome(t *testing.T) {
	files, _ := filepath.Glob("../../e2e/designs/*.json")
	tried := 0
	for _, file := range files {
		d := readDesign(t, file)
		l := d.Larder()
		before := safety.Judge(d, l, nil)
		var ways []safety.Way
		for _, f := range before.Findings {
			if f.Said == nil {
				ways = append(ways, safety.Ways(d, l, f)...)
			}
		}
		for _, line := range before.Lines {
			ways = append(ways, safety.LineWays(d, l, line)...)
		}
		for _, w := range ways {
			if w.ID == "watch" || w.ID == "outdoors" {
				continue
			}
			tried++
			after, err := safety.Apply(d, l, w.ID)
			if err != nil {
				t.Errorf("%s: %s: %v", filepath.Base(file), w.ID, err)
				continue
			}
			if fresh := newErrors(before, safety.Judge(after, l, nil)); len(fresh) > 0 {
				t.Errorf("%s: %s makes %v", filepath.Base(file), w.ID, fresh)
			}
		}
	}
	if tried < 40 {
		t.Errorf("only %d ways were tried", tried)
	}
}

// newErrors are what stops a design that stopped it in no form before.
func newErrors(before, after safety.Report) []string {
	errors := func(r safety.Report) (out []string) {
		for _, l := range r.Lines {
			if l.Kind == safety.OrderError {
				out = append(out, "order: "+l.Rule)
			}
		}
		for _, f := range r.Findings {
			if f.Verdict == safety.NotAtHome {
				out = append(out, strings.Join([]string{"rule:", f.Rule, f.Case}, " "))
			}
		}
		return out
	}
	was := errors(before)
	return slices.DeleteFunc(errors(after), func(e string) bool { return slices.Contains(was, e) })
}
