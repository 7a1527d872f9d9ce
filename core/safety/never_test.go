package safety_test

import (
	"strings"
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
)

// Every line of the larder's list of what may never be together or done is a
// design that the rules keep from homes, or judge at least as the list asks.
func TestWhatMayNeverBe(t *testing.T) {
	never := []struct {
		what, lines string
		least       safety.Verdict
	}{
		{"bleach + any acid", "b: bleach\nv: vinegar-white\n---\na: pour with b v", safety.NotAtHome},
		{"bleach + ammonia", "b: bleach\nv: ammonia\n---\na: pour with b v", safety.NotAtHome},
		{"bleach + alcohol", "b: bleach\nv: isopropyl-70 5 mL\n---\na: pour with b v", safety.NotAtHome},
		{"bleach + peroxide", "b: bleach\nv: peroxide-3 5 mL\n---\na: pour with b v", safety.NotAtHome},
		{"peroxide + vinegar", "b: peroxide-3 5 mL\nv: vinegar-white\n---\na: pour with b v", safety.NotAtHome},
		{
			"peroxide or percarbonate in a closed vessel",
			"b: peroxide-3 5 mL\nj: jam-jar\n---\na: pour with b in j closed",
			safety.NotAtHome,
		},
		{
			"acid + carbonate in any screw-top vessel",
			"v: vinegar-white\ns: baking-soda\nj: pet-bottle-small\n---\na: pour with v s in j closed",
			safety.NotAtHome,
		},
		{
			"yeast + sugar in a sealed vessel",
			"v: yeast-dry-active\ns: sugar-granulated\nj: jam-jar\n---\na: pour with v s in j closed",
			safety.NotAtHome,
		},
		{"dry ice", "d: dry-ice\n---\na: put with d", safety.NotAtHome},
		{"calcium chloride, caustic + little water", "d: calcium-chloride\n---\na: put with d", safety.AdultDoes},
		{"aluminium + caustic", "d: foil-standard\ns: washing-soda-crystals\n---\na: put with d s", safety.NotAtHome},
		{
			"salt water + battery",
			"d: saltwater-10\nb: battery-aa\n---\na: electrolyse with d b volts 3 V",
			safety.NotAtHome,
		},
		{
			"stainless electrodes + battery",
			"d: epsom-salt\nb: battery-aa\ne: spoon-steel\n---\na: electrolyse with d b e volts 3 V",
			safety.NotAtHome,
		},
		{"alcohol + flame", "d: isopropyl-70 5 mL\n---\na: pour with d\nb: light", safety.NotAtHome},
		{"flour, starch, icing sugar dust + flame", "d: sugar-icing\n---\na: stir with d\nb: light", safety.NotAtHome},
		{"two cleaners of any kind", "d: laundry-powder\ne: toilet-cleaner\n---\na: stir with d e", safety.NotAtHome},
		{
			"vacuum flask + fizz",
			"v: vinegar-white\ns: baking-soda\nj: vacuum-flask\n---\na: pour with v s in j closed",
			safety.NotAtHome,
		},
		{"glass + sudden heat", "j: jam-jar\n---\na: hot-water in j at 90 °C", safety.AdultNear},
		{"strong magnets, coin cells, water beads", "m: magnet-strong\n---\na: put with m", safety.NotAtHome},
		{
			"eat or drink after metal, seed",
			"n: nail-galvanised\nl: lemon-whole\ni: iodine-tincture\n---\na: put with n l\nb: taste",
			safety.NotAtHome,
		},
		{"looking at the Sun; lasers", "---\na: look-at-sun", safety.NotAtHome},
		{"launcher indoors", "---\na: launch", safety.AdultDoes},
		{"cords", "---\na: hang-cord", safety.Care},
	}
	if l := larder.Standard(); len(never) != len(l.Nevers) {
		t.Errorf("the list has %d lines and the test %d", len(l.Nevers), len(never))
	}
	for i, c := range never {
		if i < len(larder.Standard().Nevers) &&
			!strings.HasPrefix(strings.ToLower(larder.Standard().Nevers[i].What), strings.ToLower(c.what[:5])) {
			t.Errorf("line %d of the list is %q, not %q", i, larder.Standard().Nevers[i].What, c.what)
		}
		r := judge(plan(c.lines))
		if worst := safety.Worst(r.Findings); c.least.Worse(worst) {
			t.Errorf("%s is only %s", c.what, worst)
		}
	}
	if barred, disorder := judge(plan("---\na: launch")).Barred("predict-then-try"); len(barred)+len(disorder) == 0 {
		t.Error("a launcher indoors can be issued")
	}
}
