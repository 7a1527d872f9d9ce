package science

import "math"

func init() {
	register(
		Model{
			Number:  5,
			ID:      "solution-strength",
			Group:   "much",
			Main:    "percent",
			Inverse: []string{"spoons", "water_volume", "molarity", "percent"},
			Inputs: []Input{
				{Name: "mode", Unit: "choice", Options: []string{"to-molarity", "to-percent", "spoons"}},
				{
					Name:     "solute",
					Unit:     "choice",
					Optional: true,
					Options: []string{
						"sodium-bicarbonate",
						"acetic",
						"citric",
						"citric-monohydrate",
						"tartaric",
						"sodium-carbonate",
						"sodium-carbonate-decahydrate",
						"calcium-carbonate",
						"sodium-chloride",
						"sucrose",
						"hydrogen-peroxide",
					},
				},
				{Name: "molar_mass", Unit: "g/mol", Optional: true, Limits: "> 0"},
				{Name: "percent", Unit: "%", Limits: "0…100", Optional: true},
				{Name: "density", Unit: "g/mL", Limits: "> 0", Optional: true},
				{Name: "molarity", Unit: "mol/L", Limits: "≥ 0", Optional: true},
				{Name: "spoons", Unit: "1", Limits: "≥ 0", Optional: true},
				{Name: "spoon_mass", Unit: "g", Limits: "> 0", Optional: true},
				{Name: "water_volume", Unit: "mL", Limits: "> 0", Optional: true},
				{Name: "water_density", Unit: "g/mL", Default: water, Limits: "> 0"},
			},
			Outputs: []Output{
				{"molarity", "mol/L", ""},
				{"percent", "%", ""},
				{"solute_mass", "g", ""},
				{"molality", "mol/kg", ""},
			},
			run: solutionStrength,
		},
	)
	register(Model{Number: 6, ID: "dilution", Group: "much", Main: "v1", Inverse: []string{"v2"},
		Inputs: []Input{
			{Name: "c1", Label: "strength_there_is", Unit: "any", Limits: "> 0", Help: "strength-there-is"},
			{Name: "c2", Label: "strength_wanted", Chosen: true, Unit: "any", Limits: "≥ 0", Help: "strength-wanted"},
			{Name: "v2", Label: "volume_wanted", Chosen: true, Unit: "mL", Limits: "> 0", Help: "volume-wanted"},
			{Name: "density1", Unit: "g/mL", Optional: true, Limits: "> 0"},
			{Name: "density2", Unit: "g/mL", Optional: true, Limits: "> 0"},
			{Name: "water_density", Unit: "g/mL", Default: water, Limits: "> 0"},
		},
		Outputs: []Output{{"v1", "mL", ""}, {"water", "mL", ""}},
		run:     dilution})
	register(
		Model{
			Number:  7,
			ID:      "peroxide",
			Group:   "much",
			Main:    "oxygen_volume",
			Inverse: []string{"volume", "percent", "volume_strength"},
			Inputs: append([]Input{
				{Name: "percent", Unit: "%", Optional: true, Limits: "0…100", Help: "g-per-100-ml"},
				{Name: "volume_strength", Unit: "1", Optional: true, Limits: "≥ 0", Help: "litres-of-oxygen-per-litre"},
				{Name: "molarity", Unit: "mol/L", Optional: true, Limits: "≥ 0"},
				{Name: "volume", Unit: "L", Optional: true, Limits: "≥ 0"},
			}, gasInputs...),
			Outputs: []Output{
				{"percent", "%", ""},
				{"volume_strength", "1", ""},
				{"molarity", "mol/L", ""},
				{"oxygen_volume", "L", ""},
			},
			run: peroxide,
		},
	)
	register(
		Model{Number: 24, ID: "freezing-point", Group: "size", Main: "freezing_temperature", Inverse: []string{"mass"},
			Inputs: []Input{
				{
					Name:    "solute",
					Unit:    "choice",
					Options: []string{"salt", "sugar", "custom"},
				},
				{Name: "mass", Unit: "g", Limits: "≥ 0"},
				{Name: "water_mass", Unit: "kg", Limits: "> 0", Help: "liquid-water-not-ice"},
				{
					Name:     "ions",
					Unit:     "1",
					Optional: true,
					Limits:   "> 0",
					Help:     "particles-from-one-such-as-2-for-table-salt",
				},
				{Name: "molar_mass", Unit: "g/mol", Optional: true, Limits: "> 0"},
			},
			Outputs: []Output{
				{"molality", "mol/kg", ""},
				{"depression", "K", ""},
				{"freezing_temperature", "°C", ""},
				{"limited", "", ""},
			},
			run: freezingPoint},
	)
}

func solutionStrength(a *args) results {
	m := 0.0
	mode := a.choice("mode")
	if a.exactlyOne("solute", "molar_mass") == "solute" {
		m = molarMass[a.choice("solute")]
	} else {
		m = a.num("molar_mass")
	}
	foreign := map[string][]string{
		"to-molarity": {"molarity", "spoons", "spoon_mass", "water_volume"},
		"to-percent":  {"percent", "spoons", "spoon_mass", "water_volume"},
		"spoons":      {"percent", "density", "molarity"},
	}
	for _, n := range foreign[mode] {
		if a.has(n) {
			stop(n, "forbid.mode", "mode", mode)
		}
	}
	a.know("M", m, "g/mol")
	switch mode {
	case "to-molarity":
		defer a.step("molarity", "percent * density / M", "mol/L")
		return results{"molarity": num(10*a.num("density")*a.num("percent")/m, "mol/L")}
	case "to-percent":
		p := a.num("molarity") * m / (10 * a.num("density"))
		if p > 100 {
			stop("molarity", "would-be-more-than-100")
		}
		a.step("percent", "molarity * M / density", "%")
		return results{"percent": num(p, "%")}
	}
	mass, w := a.num("spoons")*a.num("spoon_mass"), a.num("water_volume")*a.num("water_density")
	a.step("solute_mass", "spoons * spoon_mass", "g")
	a.step("water_mass", "water_volume * water_density", "g")
	a.step("percent", "solute_mass / (solute_mass + water_mass)", "%")
	a.step("molality", "solute_mass / M / water_mass", "mol/kg")
	return results{
		"solute_mass": num(mass, "g"),
		"percent":     num(100*mass/(mass+w), "%"),
		"molality":    num(mass/m/(w/1000), "mol/kg"),
	}
}

func dilution(a *args) results {
	unit := a.unitOf("c1")
	c1, c2, v2 := a.like("c1", unit), a.like("c2", unit), a.num("v2")
	if c2 > c1 {
		stop("c2", "is-stronger-than-what-there-is")
	}
	d1, has1 := a.opt("density1")
	d2, has2 := a.opt("density2")
	if has1 != has2 {
		stop("density1", "give-both-densities-or-none")
	}
	if !has1 {
		v1 := c2 * v2 / c1
		a.step("v1", "c2 * v2 / c1", "mL")
		a.step("water", "v2 - v1", "mL")
		return results{"v1": num(v1, "mL"), "water": num(v2-v1, "mL")}
	}
	if unit.Symbol != "%" {
		stop("density1", "densities-go-with-strengths-in")
	}
	m2 := d2 * v2
	m1 := m2 * c2 / c1
	a.num("water_density")
	a.step("mass_wanted", "density2 * v2", "g")
	a.step("mass_of_the_stronger_one", "mass_wanted * c2 / c1", "g")
	a.step("v1", "mass_of_the_stronger_one / density1", "mL")
	a.step("water", "(mass_wanted - mass_of_the_stronger_one) / water_density", "mL")
	return results{"v1": num(m1/d1, "mL"), "water": num((m2-m1)/a.num("water_density"), "mL")}
}

func peroxide(a *args) results {
	var c float64
	name := a.exactlyOne("percent", "volume_strength", "molarity")
	switch v := a.num(name); name {
	case "percent":
		c = 10 * v / massH2O2
	case "volume_strength":
		c = 2 * v / molarO2L
	default:
		c = v
	}
	percent := c * massH2O2 / 10
	if percent > 100*(1+1e-12) {
		stop(name, "would-be-more-than-100-w")
	}
	kelvin, kPa := a.air()
	a.know("M", massH2O2, "g/mol")
	a.know("grams_per_mL", 1, "g/mL")
	a.know("molar_volume", molarO2L, "L/mol")
	switch name {
	case "percent":
		a.step("molarity", "percent * grams_per_mL / M", "mol/L")
	case "volume_strength":
		a.step("molarity", "2 * volume_strength / molar_volume", "mol/L")
	}
	a.step("percent", "molarity * M / grams_per_mL", "%")
	a.step("volume_strength", "molarity / 2 * molar_volume", "1")
	out := results{"percent": num(percent, "%"), "volume_strength": num(c/2*molarO2L, "1"), "molarity": num(c, "mol/L")}
	if v, ok := a.opt("volume"); ok {
		out["oxygen_volume"] = num(litres(c*v/2, kelvin, kPa), "L")
		a.step("oxygen_volume", "molarity / 2 * volume * R * temperature / pressure", "L")
	}
	return out
}

func freezingPoint(a *args) results {
	solute := a.choice("solute")
	m := map[string]float64{"salt": molarMass["sodium-chloride"], "sugar": molarMass["sucrose"]}[solute]
	i := map[string]float64{"salt": 2, "sugar": 1}[solute]
	if v, ok := a.opt("ions"); ok {
		i = v
	}
	if solute == "custom" {
		m, i = a.num("molar_mass"), a.num("ions")
	} else {
		a.forbid("with-custom", "molar_mass")
	}
	molality := a.num("mass") / m / a.num("water_mass")
	depression := i * 1.858 * molality
	a.know("M", m, "g/mol")
	a.know("particles", i, "1")
	a.know("K_f", 1.858, "K·kg/mol")
	a.step("molality", "mass / M / water_mass", "mol/kg")
	a.step("depression", "particles * K_f * molality", "K")
	t, limited := -depression, false
	if solute == "salt" && t < -21.1 {
		t, limited = -21.1, true
	}
	return results{
		"molality":             num(molality, "mol/kg"),
		"depression":           num(depression, "K"),
		"freezing_temperature": num(t, "°C"),
		"limited":              {Value: limited},
	}
}

// root is a fourth root, as the glass law needs it.
func fourthRoot(x float64) float64 { return math.Sqrt(math.Sqrt(x)) }
