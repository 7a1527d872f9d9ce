package safety

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
)

// vessel is what comes together in one vessel over the whole evening. What is
// used in steps that name no vessel is judged as put together.
type vessel struct {
	need     *design.Need // nil where the steps name none
	material *larder.Material
	holds    []content
	steps    []string // ids of the steps in it
	closed   []string // of those, the ones in which it is closed
}

type content struct {
	need     *design.Need
	material *larder.Material
	step     int // where it goes in
}

// stuffShelves hold what is poured, mixed, eaten or grown; the rest are
// things.
var stuffShelves = []string{"acids", "carbonates-alkalis", "salts-sugars-powders", "liquids", "peroxide-iodine", "indicators-dyes", "food-living", "own", "refused"}

func isStuff(m *larder.Material) bool {
	return slices.Contains(stuffShelves, m.Shelf) || slices.Contains(reactiveMetals, m.ID) || slices.Contains(aluminium, m.ID)
}

var (
	mixing         = []string{"pour", "stir", "mix", "dissolve", "dilute", "fizz", "seal", "soak", "put", "launch", "electrolyse", "decant", "inflate"}
	reactiveMetals = []string{"zinc-strip", "nail-galvanised", "magnesium-strip", "coin-us-1c-zinc"}
	aluminium      = []string{"foil-standard", "foil-heavy", "drink-can", "aluminium-pan"}
	rawCatalysts   = []string{"enzyme-source", "yeast", "osmosis-tissue"}
)

// fill follows the steps and says what is in which vessel at the end.
func (j *judge) fill() []vessel {
	var vessels []vessel
	at := map[string]int{}
	for i := range j.d.Steps {
		s := &j.d.Steps[i]
		together := s.In != "" || s.Closed || slices.ContainsFunc(s.Actions, func(a string) bool { return slices.Contains(mixing, a) })
		if !together {
			continue
		}
		k, ok := at[s.In]
		if !ok {
			k = len(vessels)
			at[s.In] = k
			v := vessel{}
			if n, ok := j.d.Need(s.In); ok {
				v.need = n
				v.material, _ = j.l.Material(n.Material)
			}
			vessels = append(vessels, v)
		}
		v := &vessels[k]
		v.steps = append(v.steps, s.ID)
		if s.Closed {
			v.closed = append(v.closed, s.ID)
		}
		for _, u := range s.Uses {
			n, ok := j.d.Need(u)
			if !ok || u == s.In || n.Kind == design.PersonNeed || n.Kind == design.PlaceNeed {
				continue
			}
			m, known := j.l.Material(n.Material)
			if !known || !isStuff(m) || slices.ContainsFunc(v.holds, func(c content) bool { return c.need == n }) {
				continue
			}
			v.holds = append(v.holds, content{n, m, i})
		}
		// A bag or a bottle named among the things used, with no vessel said,
		// is the vessel.
		if v.need == nil {
			for _, u := range s.Uses {
				if n, ok := j.d.Need(u); ok {
					if m, known := j.l.Material(n.Material); known && (m.Does("flexible-gas-bag") || m.Does("snap-lid-canister")) {
						v.material = m
						v.need = n
					}
				}
			}
		}
	}
	return vessels
}

// stepOf is a step of the design by its id; the design has it.
func (j *judge) stepOf(id string) *design.Step {
	i, _ := j.d.Step(id)
	return &j.d.Steps[i]
}

// handled is the stuff in hand in a step: what it uses, and what its vessel
// holds.
func (j *judge) handled(s *design.Step) []content {
	var out []content
	for _, u := range s.Uses {
		if n, ok := j.d.Need(u); ok {
			if m, known := j.l.Material(n.Material); known {
				out = append(out, content{need: n, material: m})
			}
		}
	}
	for i := range j.vessels {
		if v := &j.vessels[i]; s.In != "" && v.need != nil && v.need.ID == s.In {
			out = append(out, v.holds...)
		}
	}
	return out
}

func (v *vessel) with(test func(*larder.Material) bool) []content {
	var out []content
	for _, c := range v.holds {
		if test(c.material) {
			out = append(out, c)
		}
	}
	return out
}

func (v *vessel) has(test func(*larder.Material) bool) bool { return len(v.with(test)) > 0 }

// decanted reports whether stuff was moved into a named vessel from which it
// could be taken for something else: not a bag or a canister.
func (v *vessel) decanted() bool {
	return v.need != nil && len(v.holds) > 0 && (v.material == nil || !v.material.Does("flexible-gas-bag") && !v.material.Does("snap-lid-canister"))
}

func isUndrinkable(m *larder.Material) bool {
	return slices.ContainsFunc(notFood, m.Has) || isAcid(m) && !isJuice(m) || isPeroxide(m) || isAlkali(m) || m.Does("salt")
}

func needsOf(groups ...[]content) []*design.Need {
	var out []*design.Need
	for _, g := range groups {
		for _, c := range g {
			if !slices.Contains(out, c.need) {
				out = append(out, c.need)
			}
		}
	}
	return out
}

// What a material is for a mixture.
func isAcid(m *larder.Material) bool { return m.Does("mild-acid") }
func isCarbonate(m *larder.Material) bool {
	return m.Does("carbonate")
}
func isPeroxide(m *larder.Material) bool { return m.Does("oxygen-releaser") && m.ID != "pool-chemical" }
func isCatalyst(m *larder.Material) bool {
	return slices.ContainsFunc(rawCatalysts, m.Does)
}
func isYeast(m *larder.Material) bool { return m.Does("yeast") }
func isYeastFood(m *larder.Material) bool {
	return m.Does("sugar") || m.Does("dense-syrup") || m.Does("starch") || m.ID == "orange-juice"
}

// fizzesAlone is what makes gas by itself, with water, or when it is shaken.
var fizzesAlone = []string{"effervescent-tablet", "baking-powder", "denture-tablet", "oxygen-bleach", "dry-ice", "self-raising-flour", "cola", "lemonade-fizzy", "sparkling-water"}

// gasFrom is what makes gas in a vessel; empty for none.
func (v *vessel) gasFrom() []content {
	acid, carbonate, peroxide := v.with(isAcid), v.with(isCarbonate), v.with(isPeroxide)
	var out []content
	add := func(groups ...[]content) {
		for _, g := range groups {
			for _, c := range g {
				if !slices.ContainsFunc(out, func(o content) bool { return o.need == c.need }) {
					out = append(out, c)
				}
			}
		}
	}
	if len(acid) > 0 && len(carbonate) > 0 {
		add(acid, carbonate)
	}
	if len(peroxide) > 0 {
		add(peroxide, v.with(isCatalyst)) // it gives off gas by itself, with a catalyst fast
	}
	if yeast, food := v.with(isYeast), v.with(isYeastFood); len(yeast) > 0 && len(food) > 0 {
		add(yeast, food)
	}
	if metal := v.with(isReactive); len(metal) > 0 && len(acid) > 0 {
		add(acid, metal)
	}
	add(v.with(func(m *larder.Material) bool { return slices.Contains(fizzesAlone, m.ID) }))
	return out
}

func isReactive(m *larder.Material) bool {
	return slices.Contains(reactiveMetals, m.ID) || slices.Contains(aluminium, m.ID)
}
func isAluminium(m *larder.Material) bool { return slices.Contains(aluminium, m.ID) }
func isAlkali(m *larder.Material) bool    { return m.Does("mild-alkali") }

// holdsHeat reports whether a material gets hotter than water when it is
// heated, and burns deeper: fat, syrup, wax.
func holdsHeat(m *larder.Material) bool { return m.Does("fat-liquid") || m.Does("dense-syrup") }
