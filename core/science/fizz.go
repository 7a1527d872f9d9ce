package science

import "math"

var (
	acids      = []string{"acetic", "citric", "citric-monohydrate", "tartaric"}
	carbonates = []string{"sodium-bicarbonate", "sodium-carbonate", "sodium-carbonate-decahydrate", "calcium-carbonate"}
	protons    = map[string]float64{"acetic": 1, "citric": 3, "citric-monohydrate": 3, "tartaric": 2}
)

// protonsPerCO2 is how many protons free one CO₂.
func protonsPerCO2(carbonate string) float64 {
	if carbonate == "sodium-bicarbonate" {
		return 1
	}
	return 2
}

var fizzInputs = append([]Input{
	{Name: "acid", Unit: "choice", Options: acids, Help: "kind-of-acid"},
	{Name: "acid_volume", Unit: "mL", Optional: true, Limits: "≥ 0", Help: "of-the-solution-or-acid-mass"},
	{Name: "acid_strength", Unit: "%", Optional: true, Limits: "> 0…100", Help: "g-of-acid-per-100-g-of-solution"},
	{Name: "acid_density", Unit: "g/mL", Default: "1.005 g/mL", Limits: "> 0", Help: "of-the-solution"},
	{Name: "acid_mass", Unit: "g", Optional: true, Limits: "≥ 0", Help: "of-powdered-acid-or-acid-volume"},
	{Name: "carbonate", Unit: "choice", Options: carbonates, Help: "kind-of-carbonate"},
	{Name: "carbonate_mass", Unit: "g", Limits: "≥ 0", Help: "of-the-carbonate"},
	{Name: "yield", Unit: "1", Default: "1", Limits: "> 0…1", Help: "share-of-the-gas-that-leaves-the-liquid"},
}, gasInputs...)

func init() {
	register(
		Model{
			Number:  1,
			ID:      "fizz",
			Group:   "much",
			Main:    "gas_volume",
			Inverse: []string{"carbonate_mass", "acid_volume", "acid_mass"},
			Inputs:  fizzInputs,
			Outputs: []Output{
				{"limiting", "", ""},
				{"co2_amount", "mol", ""},
				{"co2_mass", "g", ""},
				{"gas_volume", "L", ""},
				{"leftover_acid", "mol", ""},
				{"leftover_carbonate", "g", ""},
				{"open_mass_loss", "g", ""},
			},
			run: fizz,
		},
	)
	register(Model{Number: 2, ID: "fizz-recipe", Group: "much", Main: "carbonate_mass", Inverse: []string{"gas_volume"},
		Inputs: append([]Input{
			{Name: "gas_volume", Chosen: true, Unit: "L", Limits: "> 0", Help: "wanted"},
			{Name: "acid", Unit: "choice", Options: acids},
			{Name: "acid_strength", Unit: "%", Optional: true, Limits: "> 0…100", Help: "left-out-for-powder"},
			{Name: "acid_density", Unit: "g/mL", Default: "1.005 g/mL", Limits: "> 0"},
			{Name: "carbonate", Unit: "choice", Options: carbonates},
			{Name: "yield", Unit: "1", Default: "1", Limits: "> 0…1", Help: "share-of-the-gas-that-is-caught"},
			{Name: "spoon_mass", Unit: "g", Optional: true, Limits: "> 0", Help: "of-one-spoon-of-the-carbonate"},
		}, gasInputs...),
		Outputs: []Output{
			{"co2_amount", "mol", ""},
			{"acid_mass", "g", ""},
			{"acid_volume", "mL", ""},
			{"carbonate_mass", "g", ""},
			{"spoons", "1", ""},
		},
		run: fizzRecipe})
	register(
		Model{
			Number:  3,
			ID:      "fizz-fit",
			Group:   "much",
			Main:    "fill_ratio",
			Inverse: []string{"carbonate_mass", "acid_volume", "capacity"},
			Inputs: append([]Input{
				{Name: "capacity", Chosen: true, Unit: "L", Limits: "> 0", Help: "full-volume-of-the-bag"},
				{Name: "liquid_volume", Unit: "L", Optional: true, Limits: "≥ 0", Help: "as-acid-volume-if-left-out"},
				{Name: "air_volume", Unit: "L", Default: "0 L", Limits: "≥ 0", Help: "air-left-in-the-bag"},
			}, fizzInputs...),
			Outputs: []Output{{"gas_volume", "L", ""}, {"fill_ratio", "1", ""}, {"verdict", "", ""}},
			run:     fizzFit,
		},
	)
	register(Model{Number: 4, ID: "sealed-mass", Group: "see", Main: "bag_change", Inverse: []string{"gas_volume"},
		Inputs: append(
			[]Input{{Name: "gas_volume", Unit: "L", Limits: "≥ 0", Help: "growth-of-the-bag-or-gas-lost-from-the-cup"}},
			gasInputs...),
		Outputs: []Output{
			{"air_density", "g/L", ""},
			{"bag_change", "g", ""},
			{"open_change", "g", ""},
			{"rigid_change", "g", ""},
		},
		run: sealedMass})
}

func fizz(a *args) results {
	acid, carbonate := a.choice("acid"), a.choice("carbonate")
	var nAcid float64
	if a.exactlyOne("acid_volume", "acid_mass") == "acid_volume" {
		nAcid = a.num("acid_volume") * a.num("acid_density") * a.num("acid_strength") / 100 / molarMass[acid]
	} else {
		if acid == "acetic" {
			stop("acid_mass", "acetic-acid-is-not-a-powder")
		}
		a.forbid("with-volume", "acid_strength", "acid_density")
		nAcid = a.num("acid_mass") / molarMass[acid]
	}
	mass, yield := a.num("carbonate_mass"), a.num("yield")
	kelvin, kPa := a.air()
	p, z := protons[acid], protonsPerCO2(carbonate)
	nH, nC := p*nAcid, mass/molarMass[carbonate]
	need := z * nC
	if nAcid == 0 && mass == 0 {
		stop("carbonate_mass", "acid-and-carbonate-cannot-both-be")
	}
	limiting := "balanced"
	switch {
	case nC == 0 || nH > 1.01*need:
		limiting = "carbonate"
	case nH < 0.99*need:
		limiting = "acid"
	}
	n, rule := nC, "carbonate_amount"
	if nH < need {
		switch carbonate {
		case "sodium-bicarbonate":
			n, rule = nH, "protons"
		case "calcium-carbonate":
			n, rule = nH/2, "protons / 2"
		default: // dissolved: the acid first makes bicarbonate
			n, rule = math.Max(0, nH-nC), "max(0 * protons, protons - carbonate_amount)"
		}
	}
	a.know("M_acid", molarMass[acid], "g/mol")
	a.know("M_carbonate", molarMass[carbonate], "g/mol")
	a.know("M_CO2", massCO2, "g/mol")
	a.know("protons_of_one_acid", p, "1")
	a.know("protons_for_one_CO2", z, "1")
	if a.has("acid_volume") {
		a.step("acid_amount", "acid_volume * acid_density * acid_strength / M_acid", "mol")
	} else {
		a.step("acid_amount", "acid_mass / M_acid", "mol")
	}
	a.step("protons", "protons_of_one_acid * acid_amount", "mol")
	a.step("carbonate_amount", "carbonate_mass / M_carbonate", "mol")
	a.step("protons_needed", "protons_for_one_CO2 * carbonate_amount", "mol")
	a.step("co2_amount", rule, "mol")
	a.step("co2_mass", "co2_amount * M_CO2", "g")
	a.step("gas_volume", "yield * co2_amount * R * temperature / pressure", "L")
	return results{
		"limiting": {
			Value: limiting,
		}, "co2_amount": num(n, "mol"), "co2_mass": num(n*massCO2, "g"), "gas_volume": num(yield*litres(n, kelvin, kPa),
			"L"),
		"leftover_acid": num(
			math.Max(0, nH-need)/p,
			"mol",
		), "leftover_carbonate": num((nC-n)*molarMass[carbonate], "g"), "open_mass_loss": num(yield*n*massCO2, "g"),
	}
}

func fizzRecipe(a *args) results {
	acid, carbonate := a.choice("acid"), a.choice("carbonate")
	strength, liquid := a.opt("acid_strength")
	if !liquid {
		if acid == "acetic" {
			stop("acid_strength", "is-missing-acetic-acid-is-not")
		}
		a.forbid("with-strength", "acid_density")
	}
	kelvin, kPa := a.air()
	n := kPa * a.num("gas_volume") / (gasConstant * kelvin * a.num("yield"))
	a.know("M_acid", molarMass[acid], "g/mol")
	a.know("M_carbonate", molarMass[carbonate], "g/mol")
	a.know("protons_of_one_acid", protons[acid], "1")
	a.know("protons_for_one_CO2", protonsPerCO2(carbonate), "1")
	a.step("co2_amount", "pressure * gas_volume / (R * temperature * yield)", "mol")
	a.step("acid_mass", "co2_amount * protons_for_one_CO2 / protons_of_one_acid * M_acid", "g")
	a.step("carbonate_mass", "co2_amount * M_carbonate", "g")
	mAcid := n * protonsPerCO2(carbonate) / protons[acid] * molarMass[acid]
	out := results{
		"co2_amount":     num(n, "mol"),
		"acid_mass":      num(mAcid, "g"),
		"carbonate_mass": num(n*molarMass[carbonate], "g"),
	}
	if liquid {
		out["acid_volume"] = num(100*mAcid/(a.num("acid_density")*strength), "mL")
		a.step("acid_volume", "acid_mass / (acid_density * acid_strength)", "mL")
	}
	if spoon, ok := a.opt("spoon_mass"); ok {
		out["spoons"] = num(n*molarMass[carbonate]/spoon, "1")
		a.step("spoons", "carbonate_mass / spoon_mass", "1")
	}
	return out
}

func fizzFit(a *args) results {
	gas := fizz(a)["gas_volume"].Value.(float64)
	liquid, ok := a.opt("liquid_volume")
	if !ok && a.has("acid_volume") {
		liquid = a.num("acid_volume") / 1000
	}
	ratio := (gas + liquid + a.num("air_volume")) / a.num("capacity")
	a.know("liquid_volume", liquid, "L")
	a.step("fill_ratio", "(gas_volume + liquid_volume + air_volume) / capacity", "1")
	verdict := "full"
	switch {
	case ratio < 0.9:
		verdict = "underfilled"
	case ratio > 1.05:
		verdict = "overfilled"
	}
	return results{"gas_volume": num(gas, "L"), "fill_ratio": num(ratio, "1"), "verdict": {Value: verdict}}
}

func sealedMass(a *args) results {
	kelvin, kPa := a.air()
	v := a.num("gas_volume")
	amount := kPa / (gasConstant * kelvin) // mol/L
	a.know("M_air", massAir, "g/mol")
	a.know("M_CO2", massCO2, "g/mol")
	a.step("air_density", "pressure * M_air / (R * temperature)", "g/L")
	a.step("bag_change", "-air_density * gas_volume", "g")
	a.step("open_change", "-pressure * gas_volume * M_CO2 / (R * temperature)", "g")
	return results{
		"air_density":  num(amount*massAir, "g/L"),
		"bag_change":   num(-amount*massAir*v, "g"),
		"open_change":  num(-amount*massCO2*v, "g"),
		"rigid_change": num(0, "g"),
	}
}
