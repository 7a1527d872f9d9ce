package safety

import (
	"maps"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
)

// kinds are the words that rules use for what comes together in a vessel or in
// an evening. Each reads what a thing is, never which one it is.
var kinds = map[string]func(*larder.Material) bool{
	"acid": isAcid, "alkali": isAlkali, "carbonate": isCarbonate, "peroxide": isPeroxide, "catalyst": isCatalyst,
	"reactive-metal": isReactive, "aluminium": isAluminium, "fast-catalyst": isFastCatalyst, "cleaner": isCleaner,
	"no-cleaner": isNoCleaner,
	"fuel":       isFuel, "dust": isDust, "fizzy": isFizzy, "yeast": isYeast, "yeast-food": isYeastFood,
	"ice": isIce, "melting-salt": isMeltingSalt,
}

// kindNames are the names of kinds, each a bit of a [mask].
var kindNames = slices.Sorted(maps.Keys(kinds))

// mask is a set of kinds.
type mask uint32

func maskOf(names []string) mask {
	var out mask
	for _, n := range names {
		i := slices.Index(kindNames, n)
		if i < 0 {
			panic("safety: no kind of thing is called " + n)
		}
		out |= 1 << i
	}
	return out
}

// kindsOf are the kinds that a material is of; each is worked out once.
func (j *judge) kindsOf(m *larder.Material) mask {
	if k, ok := j.kinds[m]; ok {
		return k
	}
	var out mask
	for i, n := range kindNames {
		if kinds[n](m) {
			out |= 1 << i
		}
	}
	j.kinds[m] = out
	return out
}

// foams are what a gas is held by: soap, and peroxide with what makes it foam.
func foams(m *larder.Material) bool {
	return slices.Contains(m.Roles, "surfactant") || isPeroxide(m)
}

func isAcid(m *larder.Material) bool {
	return m.Is("acid", "food", "powder", "concentrate", "strong")
}
func isCarbonate(m *larder.Material) bool { return m.Is("gas-with-acid", "yes") }
func isAlkali(m *larder.Material) bool    { return m.Is("alkali", "mild", "washing-soda", "strong") }
func isPeroxide(m *larder.Material) bool  { return m.Is("oxidiser", "peroxide", "active-oxygen") }
func isCatalyst(m *larder.Material) bool  { return m.Is("live", "yeast", "raw") }
func isYeast(m *larder.Material) bool     { return m.Is("live", "yeast") }
func isYeastFood(m *larder.Material) bool { return m.Is("yeast-food", "yes") }

func isIce(m *larder.Material) bool { return m.Is("cold", "freezer") }

// isMeltingSalt takes ice well below 0 °C as it dissolves.
func isMeltingSalt(m *larder.Material) bool { return m.Is("ions", "chloride") && !m.Liquid() }

// isFizzy is what makes gas by itself, with water, or when it is shaken.
func isFizzy(m *larder.Material) bool { return m.Is("fizzes", "in-water", "when-opened", "standing") }

// isFastCatalyst is an iodide or a metal that takes peroxide apart at once.
func isFastCatalyst(m *larder.Material) bool {
	return m.Is("oxidiser", "iodine") ||
		m.Is("metal", "iron", "copper", "zinc", "zinc-coated", "copper-on-zinc", "magnesium", "lead")
}

// isReactive is a metal that gives hydrogen with acid.
func isReactive(m *larder.Material) bool {
	return m.Is("metal", "zinc", "zinc-coated", "copper-on-zinc", "magnesium", "aluminium")
}
func isAluminium(m *larder.Material) bool { return m.Is("metal", "aluminium") }
func isCleaner(m *larder.Material) bool   { return m.Is("cleaner", "other") }

// isNoCleaner is what a cleaner must not meet, and is none itself.
func isNoCleaner(m *larder.Material) bool {
	return !isCleaner(m) && (isAcid(m) || isPeroxide(m) || isFuel(m) || m.Has("alcohol") || m.Has("corrosive"))
}

// isFuel burns as a vapour.
func isFuel(m *larder.Material) bool {
	return m.Is("fuel", "spirit", "other") || m.Has("flammable") && m.Liquid()
}

// isDust is a powder that burns in a cloud.
func isDust(m *larder.Material) bool {
	return (m.Has("dust") || m.Is("dust", "yes")) && (m.Is("food", "food") || isYeastFood(m) || m.Is("fuel", "slow"))
}

// holdsHeat is what gets hotter than water when it is heated, and burns
// deeper: fat, wax, syrup.
func holdsHeat(m *larder.Material) bool {
	return m.Is("fuel", "slow") || isYeastFood(m) && m.Is("state", "liquid") && !isAcid(m)
}

// isStuff is what goes into a vessel and counts there: what is poured, and
// metals.
func isStuff(m *larder.Material) bool {
	return m.Is("matter", "stuff") || isReactive(m) || m.Is("metal", "iron", "copper", "lead")
}

// isBag is a vessel that gives way and holds gas: it is judged by its fill.
func isBag(m *larder.Material) bool {
	return m != nil && m.Is("form", "flexible") && m.Is("closes", "zip", "tie")
}

// pops is a small soft pot whose lid comes off before it bursts.
func pops(m *larder.Material) bool {
	return m != nil && m.Is("form", "soft") && m.Is("closes", "plug", "snap") && m.Capacity != nil &&
		m.Capacity.High <= 100
}

// isFood is what may be tasted in a design of food alone.
func isFood(m *larder.Material) bool {
	return !m.Refused && !m.Own && !slices.ContainsFunc(notFood, m.Has) &&
		(m.Is("food", "food", "drink") && !isAcid(m) || m.Is("tasted", "yes"))
}

var notFood = []string{
	"toxic-if-eaten",
	"medicine",
	"alcohol",
	"germs",
	"corrosive",
	"oxidiser",
	"animal-handling",
	"flammable",
	"adult-near",
	"adult-does",
	"aspiration",
}

func isUndrinkable(m *larder.Material) bool {
	return slices.ContainsFunc(notFood, m.Has) || isAcid(m) && !m.Is("tasted", "yes") || isPeroxide(m) || isAlkali(m) ||
		m.Is("ions", "chloride", "sulphate", "carbonate", "other")
}

// remains reports whether what is left of a material can still hurt.
func remains(m *larder.Material) bool {
	return isPeroxide(m) || m.Has("alcohol") || m.Has("adult-near") || m.Has("adult-does") || m.Has("toxic-if-eaten") ||
		m.Has("irritant") && !isAcid(m) && !m.Is("residue", "harmless")
}

// material is what a need is: the thing it names by id, whatever its kind says;
// else what its name means in the larder. Of several meanings the first that
// can hurt is taken.
func (j *judge) material(n *design.Need) (*larder.Material, bool) {
	if kept, ok := j.means[n]; ok {
		return kept, kept != nil
	}
	m, ok := j.l.Material(n.Material)
	if !ok && n.Material == "" && n.Kind != "" {
		for _, lang := range j.d.Languages {
			for _, c := range j.l.Meant(n.Name[lang], lang) {
				if m == nil || !harmful(m) && harmful(c) {
					m = c
				}
			}
		}
		ok = m != nil
	}
	if !ok {
		m = nil
	}
	j.means[n] = m
	return m, ok
}

// harmful reports whether something about a material could matter.
func harmful(m *larder.Material) bool {
	return m.Refused || len(m.Hazards) > 0 ||
		isStuff(m) && (isAcid(m) || isAlkali(m) || isPeroxide(m) || isFuel(m) || isFizzy(m))
}
