package fit

import (
	"cmp"
	"fmt"
	"math"
	"math/rand"
	"slices"
	"testing"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/docs"
	"patient-kitchen/internal/cputime"
)

func ready(t testing.TB, name string) *Supplies {
	t.Helper()
	raw, err := docs.Example(name)
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	return SuppliesOf(&d)
}

// drawn is a kitchen with answers drawn at random about what a design can be done with.
func drawn(rng *rand.Rand, w *Supplies, home string, lacks float64) kitchen.Kitchen {
	k := kitchen.Kitchen{Home: home, Things: map[string]kitchen.Answer{}, Tools: map[string]string{}}
	for _, n := range w.needs {
		for _, way := range n.list {
			switch u := rng.Float64(); {
			case u < lacks:
				k.Things[way.Material.ID] = kitchen.None
			case u < lacks+0.15:
				k.Things[way.Material.ID] = kitchen.Get
			case u < 0.9:
				k.Things[way.Material.ID] = kitchen.Have
			}
		}
	}
	return k
}

// value is what a plan is judged by, in the order of the aims: variants, then what is
// to get or to send, then cost.
func value(plans [][]picked) [3]int {
	variants := map[string]bool{}
	p := price{}
	for _, plan := range plans {
		key := ""
		for _, x := range plan {
			p = p.plus(x.price())
			if add := x.key(); add != "" {
				key += add + ";"
			}
		}
		variants[key] = true
	}
	return [3]int{len(variants), p.get, p.cost}
}

// everyPlan are all plans that a home can do, by going through every choice at every
// need.
func everyPlan(w *Supplies, k *kitchen.Kitchen) [][]picked {
	plans := [][]picked{{}}
	for i := range w.needs {
		var next [][]picked
		for _, p := range plans {
			for _, x := range w.needs[i].at(w, k, "") {
				next = append(next, append(slices.Clone(p), x))
			}
		}
		plans = next
	}
	return plans
}

// A first plan is the best of all there are, found by going through every plan of every
// home, for classes small enough to do so.
func TestFitIsTheBest(t *testing.T) {
	rng := rand.New(rand.NewSource(7))
	classes := 80
	if testing.Short() {
		classes = 15
	}
	tried, several := 0, 0
	for _, name := range []string{"sour-lemon", "thirsty-beans", "warm-wraps", "vanishing-sugar"} {
		w := ready(t, name)
		for draw := 0; draw < 1500 && tried < classes; draw++ {
			var c kitchen.Class
			all, product := [][][]picked{}, 1
			for h := range 2 + rng.Intn(5) {
				k := drawn(rng, w, fmt.Sprintf("home %d", h), 0.5)
				c.Homes = append(c.Homes, k)
				plans := everyPlan(w, &k)
				all = append(all, plans)
				product *= len(plans)
			}
			if product < 2 || product > 5_000 {
				continue
			}
			tried++
			best := [3]int{math.MaxInt, 0, 0}
			chosen := make([][]picked, len(all))
			var walk func(h int)
			walk = func(h int) {
				if h == len(all) {
					if v := value(chosen); slices.Compare(v[:], best[:]) < 0 {
						best = v
					}
					return
				}
				for _, p := range all[h] {
					chosen[h] = p
					walk(h + 1)
				}
			}
			walk(0)
			if best[0] > 1 {
				several++
			}
			plan := w.Fit(c)
			got := make([][]picked, len(plan.Homes))
			for i, p := range plan.Homes {
				for _, x := range p.Choices {
					got[i] = append(got[i], picked{supply: x.Supply, get: x.Get, kit: x.Kit, without: x.Without})
				}
			}
			if v := value(got); v != best {
				t.Fatalf("%s: variants, things and cost are %v; the best is %v\n%+v", name, v, best, c.Homes)
			}
		}
		tried = 0
	}
	if several < 10 {
		t.Errorf("only %d classes had to have several variants", several)
	}
}

// Whatever a class answers: nothing unsuitable, avoided or unsaid is ever used, a home
// departs no further than it must, pins hold, and the same kitchens in another order
// give the same plans.
func TestFitKeepsItsPromises(t *testing.T) {
	rng := rand.New(rand.NewSource(11))
	for _, name := range docs.Ready {
		w := ready(t, name)
		for range 12 {
			var c kitchen.Class
			for h := range 1 + rng.Intn(8) {
				k := drawn(rng, w, fmt.Sprintf("home %d", h), 0.3)
				if rng.Intn(3) == 0 {
					k.People.Answered, k.People.Allergens = true, []string{
						[]string{"milk", "gluten", "nuts", "egg"}[rng.Intn(4)],
					}
				}
				c.Homes = append(c.Homes, k)
			}
			plan := w.Fit(c)
			byHome := map[string]string{}
			for i, p := range plan.Homes {
				byHome[p.Home] = fmt.Sprint(p.Verdict, p.Variant, names(p))
				k := &c.Homes[i]
				for _, x := range p.Choices {
					answer, asked := says(k, &x.Supply)
					switch {
					case x.Without:
						continue
					case x.Class == larder.Unsuitable, avoided(&k.People, x.Material):
						t.Fatalf("%s: %s is used", name, x.Material.ID)
					case !x.Kit && answer == kitchen.None, !x.Own && !x.Kit && !asked:
						t.Fatalf("%s: %s is not there, and not sent", name, x.Material.ID)
					case x.Get != (answer == kitchen.Get):
						t.Fatalf("%s: %s is to be got: %v", name, x.Material.ID, x.Get)
					}
					for _, other := range w.waysOf(x.Need) {
						a, said := says(k, &other)
						there := a == kitchen.Have || a == kitchen.Get || !said && other.Own
						if there && !avoided(&k.People, other.Material) && other.rank() < x.rank() {
							t.Fatalf(
								"%s: %s is used where %s would depart less",
								name,
								x.Material.ID,
								other.Material.ID,
							)
						}
					}
				}
			}
			rng.Shuffle(len(c.Homes), func(i, j int) { c.Homes[i], c.Homes[j] = c.Homes[j], c.Homes[i] })
			for _, p := range w.Fit(c).Homes {
				if got := fmt.Sprint(p.Verdict, p.Variant, names(p)); got != byHome[p.Home] {
					t.Fatalf("%s: in another order %s does %s, not %s", name, p.Home, got, byHome[p.Home])
				}
			}
		}
	}
}

func (w *Supplies) waysOf(need string) []Supply {
	for _, n := range w.needs {
		if n.need.ID == need {
			return n.list
		}
	}
	return nil
}

func names(p HomePlan) (out []string) {
	for _, x := range p.Choices {
		out = append(out, x.Material.ID)
	}
	return out
}

// A changed answer is answered for that home alone: all others keep what they have, and
// it gets the best plan beside theirs.
func TestHeldPlansAreKept(t *testing.T) {
	rng := rand.New(rand.NewSource(13))
	w := ready(t, "sour-lemon")
	for range 80 {
		var c kitchen.Class
		for h := range 4 {
			c.Homes = append(c.Homes, drawn(rng, w, fmt.Sprintf("home %d", h), 0.5))
		}
		before := w.Fit(c)
		c.Homes[2] = drawn(rng, w, "home 2", 0.5)
		c.Held = before.Held()
		delete(c.Held, "home 2")
		after := w.Fit(c)
		others := map[string]bool{}
		for i := range before.Homes {
			if i == 2 {
				continue
			}
			others[before.Homes[i].key] = true
			if !slices.Equal(names(before.Homes[i]), names(after.Homes[i])) {
				t.Fatalf("home %d was changed", i)
			}
		}
		best := [3]int{math.MaxInt}
		for _, plan := range everyPlan(w, &c.Homes[2]) {
			v := value([][]picked{plan})
			key := ""
			for _, x := range plan {
				if add := x.key(); add != "" {
					key += add + ";"
				}
			}
			if v[0] = 1; others[key] {
				v[0] = 0
			}
			if slices.Compare(v[:], best[:]) < 0 {
				best = v
			}
		}
		own := after.Homes[2]
		p := price{}
		for _, x := range own.Choices {
			p = p.plus((&picked{supply: x.Supply, get: x.Get, kit: x.Kit, without: x.Without}).price())
		}
		got := [3]int{1, p.get, p.cost}
		if others[own.key] {
			got[0] = 0
		}
		if got != best {
			t.Fatalf("it gets %v, the best is %v", got, best)
		}
	}
}

// What a home says decides how it takes part.
func TestVerdicts(t *testing.T) {
	w := ready(t, "thirsty-beans")
	var own, first string
	for _, n := range w.needs {
		if len(n.list) > 1 && n.list[1].Class != larder.Unsuitable {
			own, first = n.list[0].Material.ID, n.list[1].Material.ID
			break
		}
	}
	if own == "" {
		t.Fatal("nothing can stand in for anything")
	}
	reading := &w.d.Readings[0]
	told := func(things map[string]kitchen.Answer, tools map[string]string) HomePlan {
		return w.Fit(kitchen.Class{Homes: []kitchen.Kitchen{{Home: "Fern", Things: things, Tools: tools}}}).Homes[0]
	}
	for _, c := range []struct {
		name string
		plan HomePlan
		want Verdict
	}{
		{"nothing was asked", told(nil, nil), AsDesigned},
		{"all is there", told(map[string]kitchen.Answer{own: kitchen.Have}, nil), AsDesigned},
		{"something stands in", told(map[string]kitchen.Answer{own: kitchen.None, first: kitchen.Have}, nil),
			WithSubstitutes},
		{"nothing stands in", told(map[string]kitchen.Answer{own: kitchen.None}, nil), NeedsKit},
		{"no tool", told(nil, map[string]string{measureOf(reading): kitchen.NoTool}), NeedsKit},
	} {
		if c.plan.Verdict != c.want {
			t.Errorf("%s: %s, not %s", c.name, c.plan.Verdict, c.want)
		}
	}
	if !told(nil, nil).Assumed || told(map[string]kitchen.Answer{own: kitchen.Have}, nil).Assumed {
		t.Error("a home that answered nothing is taken as usual, and said to be")
	}
	fern := kitchen.Kitchen{Home: "Fern", Otherwise: true}
	if p := w.Fit(kitchen.Class{Homes: []kitchen.Kitchen{fern}}).Homes[0]; p.Verdict != SharedReadings {
		t.Errorf("a home that takes part in another way is %s", p.Verdict)
	}
	tarn := kitchen.Class{Homes: []kitchen.Kitchen{
		{Home: "Tarn", Otherwise: true, Things: map[string]kitchen.Answer{own: kitchen.None, first: kitchen.Have,
			"scale-kitchen": kitchen.None}},
		{Home: "Beck"},
	}}
	if r := w.ReportOf(tarn, w.Fit(tarn)); r.Variants != 1 || len(r.Packing) != 0 {
		t.Errorf("a home that takes part in another way makes %d versions and is sent %+v", r.Variants, r.Packing)
	}
	lent := told(map[string]kitchen.Answer{"scale-kitchen": kitchen.None}, map[string]string{"mass": kitchen.NoTool})
	if lent.Verdict != NeedsKit || lent.Readings[0].Shared {
		t.Errorf("with a scale that is lent it is %s", lent.Verdict)
	}
	if p := told(nil, map[string]string{"mass": kitchen.NoTool}); p.Verdict != NeedsKit {
		t.Errorf("a home that cannot weigh is lent a scale; it is %s", p.Verdict)
	}
	spoons := map[string]kitchen.Answer{"spoon-measuring": kitchen.Have}
	if p := told(spoons, map[string]string{"mass": kitchen.NoTool}); p.Verdict != NeedsKit {
		t.Errorf("a home with spoons is lent a scale rather than left out; it is %s", p.Verdict)
	}
	found := told(map[string]kitchen.Answer{"scale-kitchen": kitchen.None}, map[string]string{"mass": "1 g"})
	if found.Verdict != AsDesigned {
		t.Errorf("a home that found a scale after all is lent one: %s", found.Verdict)
	}
	adder := kitchen.Class{Homes: []kitchen.Kitchen{{
		Home: "Adder", Things: map[string]kitchen.Answer{"scale-kitchen": kitchen.None},
		Tools: map[string]string{"mass": kitchen.NoTool},
	}}}
	if r := w.ReportOf(adder, w.Fit(adder)); len(r.Helps) != 1 || r.Helps[0].Material != "scale-kitchen" ||
		r.Helps[0].Homes != 1 ||
		len(r.Packing) != 1 ||
		r.Plans[0].Kit[0] != "scale-kitchen" {
		t.Errorf("what helps is %+v, what is sent %+v", r.Helps, r.Packing)
	}
	milk := w.Fit(kitchen.Class{Homes: []kitchen.Kitchen{{
		Home: "Fern", People: kitchen.People{Answered: true, Allergens: []string{"milk"}},
	}}}).Homes[0]
	if milk.Verdict != AsDesigned {
		t.Errorf("what is not known of a home's people makes it %s", milk.Verdict)
	}
	pinned := w.Fit(kitchen.Class{
		Homes: []kitchen.Kitchen{{Home: "Fern"}},
		Pins:  []kitchen.Pin{{Home: "Fern", Need: w.needs[0].need.ID, Material: w.needs[0].list[0].Material.ID}},
	}).Homes[0]
	if !pinned.Choices[0].Pinned {
		t.Error("a pin does not hold")
	}
}

func measureOf(r *design.Reading) string {
	for what := range kitchen.Measures {
		if _, _, asked := toolFor(&kitchen.Kitchen{Tools: map[string]string{what: "none"}}, r); asked {
			return what
		}
	}
	return ""
}

// A label of another strength is answered with another amount of the same: at 10 % half
// as much as at 5 %.
func TestStrengthOfTheLabel(t *testing.T) {
	w := ready(t, "sour-lemon")
	for _, n := range w.needs {
		if _, keeps := larder.Keeps(n.need.Role); !keeps || n.list[0].Amount.Value == 0 {
			continue
		}
		way := n.list[0]
		way.Percent = 5
		if half := way.atStrength(w, n.need, 10); cmp.Compare(half.Amount.Value, way.Amount.Value) < 0 {
			if ratio := half.Amount.Value / way.Amount.Value; math.Abs(ratio-0.5) > 0.03 {
				t.Errorf("%s: %g of what it was", way.Material.ID, ratio)
			}
			return
		}
	}
	vinegar, _ := larder.Standard().Material("vinegar-white")
	need := &design.Need{ID: "acid", Role: "mild-acid", Material: "vinegar-white", Amount: "50 mL"}
	way := Supply{Need: "acid", Material: vinegar, Percent: 5, Own: true, Amount: wholeAmount(&design.Document{}, need)}
	half := way.atStrength(w, need, 10)
	if ratio := half.Amount.Value / way.Amount.Value; math.Abs(ratio-0.5) > 0.03 {
		t.Errorf("vinegar: %g of what it was", ratio)
	}
}

// A large class is planned in a time that grows with its homes.
func TestFitIsFast(t *testing.T) {
	w := ready(t, "thirsty-beans")
	rng := rand.New(rand.NewSource(3))
	took := map[int]time.Duration{}
	for _, n := range []int{30, 1500} {
		var c kitchen.Class
		for h := range n {
			c.Homes = append(c.Homes, drawn(rng, w, fmt.Sprint(h), 0.2))
		}
		took[n] = cputime.Of(func() { w.Fit(c) })
	}
	t.Logf("30 homes %v, 1,500 homes %v", took[30], took[1500])
	if took[30] > 2*time.Second || took[1500] > 15*time.Second {
		t.Errorf("30 homes took %v, 1,500 %v", took[30], took[1500])
	}
}
