package safety_test

import (
	"slices"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// What stands in for a vessel closes where it is closed, bears the heat where
// it is heated and holds what goes in; each with the twin that asks it not.
func TestStandInsCanDoTheSteps(t *testing.T) {
	for _, c := range []struct {
		name, lines, out string
		offered          bool
	}{
		{"a cup does not close", "w: water-tap 30 mL\nj: jam-jar as holding-vessel\n---\na: seal with w in j closed",
			"cup-coffee-small", false},
		{"left open it need not", "w: water-tap 30 mL\nj: jam-jar as holding-vessel\n---\na: pour with w in j",
			"cup-coffee-small", true},
		{"a small one of its kind is too small", "w: water-tap 50 mL\nj: jam-jar as holding-vessel\n---\na: " +
			"pour with w in j", "cup-coffee-small", false},
		{"plastic gives way", "w: water-tap 50 mL\nj: mug as holding-vessel\n---\na: hot-water with w in j at 80 °C",
			"cup-plastic-hard", false},
		{"lukewarm it does not",
			"w: water-tap 50 mL\nj: mug as holding-vessel\n---\na: warm-water with w in j at 40 °C", "cup-plastic-hard",
			true},
		{"a shot glass holds too little", "w: water-tap 200 mL\nj: mug as holding-vessel\n---\na: pour with w in j",
			"glass-shot", false},
		{"it holds a mouthful", "w: water-tap 20 mL\nj: mug as holding-vessel\n---\na: pour with w in j", "glass-shot",
			true},
		{"nobody fills the bath", "w: water-tap 50 mL\nj: mug as holding-vessel\n---\na: pour with w in j", "bathtub",
			false},
		{"a cloth bag leaks", "w: water-tap 50 mL\nj: mug as holding-vessel\n---\na: pour with w in j", "bag-cloth",
			false},
		{"beans it carries", "w: bean-white 50 g\nj: jug as holding-vessel\n---\na: put with w in j", "bag-cloth",
			true},
	} {
		t.Run(c.name, func(t *testing.T) {
			d := plan(c.lines)
			n, _ := d.Need("j")
			all, err := safety.Swaps(d, larder.Standard(), n)
			if err != nil {
				t.Fatal(err)
			}
			if got := slices.ContainsFunc(all, func(s safety.JudgedSwap) bool {
				return s.Material.ID == c.out
			}); got != c.offered {
				var ids []string
				for _, s := range all {
					ids = append(ids, s.Material.ID)
				}
				t.Errorf("%s offered: %v, of %v", c.out, got, ids)
			}
		})
	}
}

// What a stand-in asks for that the design's own thing did not stands beside
// it: here what it holds that somebody may avoid, and not what both hold.
func TestStandInsSayTheirOwnCautions(t *testing.T) {
	d := plan("m: water-tap as solvent 100 mL\n---\na: pour with m")
	milk := larder.Candidate{Material: must(t, "milk-whole")}
	before := safety.Check(d)
	after := safety.Check(safety.Swapped(d, larder.Standard(), "m", milk))
	say := func(list []text.Message) (out []string) {
		for _, m := range list {
			out = append(out, text.Render(m, "en"))
		}
		return out
	}
	if got := say(safety.NewCautions(before, after, "m")); !slices.Contains(got, "It contains or may contain milk.") {
		t.Errorf("%q", got)
	}
	if got := say(safety.NewCautions(after, after, "m")); len(got) != 0 {
		t.Errorf("what both ask for is said again: %q", got)
	}
}

func must(t *testing.T, id string) *larder.Material {
	t.Helper()
	m, ok := larder.Standard().Material(id)
	if !ok {
		t.Fatal(id)
	}
	return m
}

// What a need asks in words falls on whatever stands in for it: without it, it
// is offered, and with it not, the design's own choice among them.
func TestStandInsHaveWhatTheNeedAsks(t *testing.T) {
	for _, c := range []struct {
		asks, figure, stays, goes string
	}{
		{"see-through", "", "tub-takeaway", "bowl"},
		{"cut-open", "", "pet-bottle-small", "glass-straight"},
		{"no-breaking", "", "pet-bottle-small", "glass-straight"},
		{"heat-proof", "55 °C", "glass-straight", "pet-bottle-small"},
		{"holds", "390 mL", "pet-bottle-small", "glass-straight"},
		{"holds-at-most", "0.5 L", "glass-straight", "pet-bottle-large"},
	} {
		d := plan("w: water-tap 20 mL\nj: drinking-glass as rigid-clear-vessel\n---\na: pour with w in j")
		n, _ := d.Need("j")
		offered := func() (ids []string) {
			all, err := safety.Swaps(d, larder.Standard(), n)
			if err != nil {
				t.Fatal(err)
			}
			for _, s := range all {
				ids = append(ids, s.Material.ID)
			}
			return ids
		}
		if before := offered(); !slices.Contains(before, c.stays) || !slices.Contains(before, c.goes) {
			t.Fatalf("%s: %v", c.asks, before)
		}
		n.Qualities = []design.Quality{{Is: c.asks, Figure: c.figure}}
		if after := offered(); !slices.Contains(after, c.stays) || slices.Contains(after, c.goes) {
			t.Errorf("%s %s: %v", c.asks, c.figure, after)
		}
	}
}
