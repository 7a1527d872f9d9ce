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
		mends := safety.Mends(d, larder.Standard(), f)
		if got := slices.ContainsFunc(mends, func(m safety.Mend) bool {
			return m.Change == (safety.Change{Kind: safety.Open, Step: "a"})
		}); got != c.open {
			t.Errorf("%q in %s: offered open %v: %+v", c.result, c.unit, got, mends)
		}
	}
}

// A step that would come behind the lit flame is put in before it.
func TestAStepIsPutInWhereItBreaksNothing(t *testing.T) {
	d := plan(
		"c: candle\nv: vinegar-white\nw: water-tap\nj: mug\nk: glass\n---\na: light with c v w j k\nb: pour with v " +
			"in j\nd: pour with w in k\ne: put-out",
	)
	d.Languages = []string{"en", "es"}
	before := safety.Judge(d, larder.Standard(), nil)
	i := slices.IndexFunc(before.Lines, func(l safety.Remark) bool { return l.Rule == "label-first" })
	if i < 0 {
		t.Fatalf("%+v", before.Lines)
	}
	mends := safety.LineMends(d, larder.Standard(), before.Lines[i])
	if len(mends) != 1 {
		t.Fatalf("%+v", mends)
	}
	after, err := safety.Apply(d, larder.Standard(), mends[0].Change)
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

// Every mend of every design of the corpus leads nowhere worse: it makes no
// error in the order of steps and nothing that cannot be done at home.
func TestWaysLeadHome(t *testing.T) {
	files, _ := filepath.Glob("../../e2e/designs/*.json")
	tried := 0
	for _, file := range files {
		d := readDesign(t, file)
		l := d.Larder()
		before := safety.Judge(d, l, nil)
		var mends []safety.Mend
		for _, f := range before.Findings {
			if f.Said == nil {
				mends = append(mends, safety.Mends(d, l, f)...)
			}
		}
		for _, line := range before.Lines {
			mends = append(mends, safety.LineMends(d, l, line)...)
		}
		for _, w := range mends {
			if w.Change.Kind == safety.Watch || w.Change.Kind == safety.Outdoors {
				continue
			}
			tried++
			after, err := safety.Apply(d, l, w.Change)
			if err != nil {
				t.Errorf("%s: %+v: %v", filepath.Base(file), w.Change, err)
				continue
			}
			if fresh := newErrors(before, safety.Judge(after, l, nil)); len(fresh) > 0 {
				t.Errorf("%s: %+v makes %v", filepath.Base(file), w.Change, fresh)
			}
		}
	}
	if tried < 40 {
		t.Errorf("only %d mends were tried", tried)
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
