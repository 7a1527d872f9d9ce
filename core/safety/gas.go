package safety

import (
	"encoding/json"
	"math"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/science"
	"patient-kitchen/core/text"
)

// gas judges a vessel in which gas is made and that is closed at some step, by
// the fullest state in which it is.
func (j *judge) gas(v *vessel) {
	var steps []string
	var fullest *state
	for i := range v.states {
		st := &v.states[i]
		if !st.closed || !st.makesGas() {
			continue
		}
		if id := j.d.Steps[st.step].ID; !slices.Contains(steps, id) {
			steps = append(steps, id)
		}
		if fullest == nil || len(st.holds) >= len(fullest.holds) {
			fullest = st
		}
	}
	if fullest == nil {
		return
	}
	makers := gasFrom(fullest.holds)
	switch needs := needsOf(makers); {
	case pops(v.material):
		j.say(named("launcher", ""), steps, append(needs, v.need), "launch", nil)
	case !isBag(v.material):
		j.say(named("gas-rigid-closed", "any"), steps, needs, "", nil)
	default:
		j.bag(v, fullest, steps, makers)
	}
}

// foam judges an open vessel in which soap or the stuff itself holds the gas:
// foam is about as large as the gas in it, and runs over the edge of a vessel
// that does not hold both. Of an amount or a vessel that does not say how much,
// it is expected.
func (j *judge) foam(v *vessel) {
	if isBag(v.material) {
		return
	}
	var fullest *state
	for i := range v.states {
		st := &v.states[i]
		if !st.closed && (fullest == nil || len(st.holds) > len(fullest.holds)) && st.makesGas() {
			fullest = st
		}
	}
	if fullest == nil || len(with(fullest.holds, foams)) == 0 {
		return
	}
	makers := gasFrom(fullest.holds)
	needs := needsOf(makers)
	if v.need != nil {
		needs = append(needs, v.need)
	}
	name := ""
	switch fill, ok := j.upperFill(v, fullest.holds, makers, 1); {
	case !ok:
		name = "unknown"
	case fill > 1:
		name = "over"
	default:
		return
	}
	j.say(named("foam-over", name), []string{j.d.Steps[fullest.step].ID}, needs, "", nil)
}

// The limits of a bag's fill, as shares of its capacity at the upper end.
const (
	bagFits  = 0.95
	bagTight = 1.05
)

// bag judges the fill of a flexible vessel by its upper end.
func (j *judge) bag(v *vessel, st *state, steps []string, makers []content) {
	needs := append(needsOf(makers), v.need)
	fill, ok := j.upperFill(v, st.holds, makers, 1)
	if !ok {
		j.say(named("gas-flexible", "unknown"), steps, needs, "", nil).Asks = true
		return
	}
	name := "fits"
	switch {
	case fill > bagTight:
		name = "over"
	case fill > bagFits:
		name = "tight"
	}
	args := text.Args{"percent": quantity.Quantity{Value: math.Ceil(fill * 100), Unit: quantity.MustUnit("%")}.Bare()}
	var less *Less
	if n, amount, ok := j.less(v, st.holds, makers); name == "over" && ok {
		args["less"], args["amount"], less = amount, n.Amount, &Less{n.ID, amount}
	} else if name == "over" {
		args["less"], args["amount"] = text.Message{ID: "safety.bigger-bag"}, text.Message{ID: "safety.this-bag"}
	}
	if f := j.say(named("gas-flexible", name), steps, needs, "", args); f != nil {
		f.Less = less
	}
}

// capacity of a bag in litres, at its lower end: as measured, if its kind can
// hold so much, or a fifth less than the least of its kind.
func (j *judge) capacity(v *vessel) (float64, bool) {
	if v.material == nil || v.material.Capacity == nil {
		return 0, false
	}
	c := v.material.Capacity
	if q, ok := j.perRun(v.need); ok && q.Unit.Dim == quantity.Volume {
		return min((q.SI()-2*q.USI())*1000, c.High/1000), q.SI() > 2*q.USI()
	}
	return c.Low / 1000 * 0.8, true
}

// perRun reads a need's amount for one condition and trial.
func (j *judge) perRun(n *design.Need) (quantity.Quantity, bool) {
	if n == nil || n.Amount == "" {
		return quantity.Quantity{}, false
	}
	p, err := quantity.Parse(n.Amount)
	return p.Quantity, err == nil
}

// upper is the most of a need's amount in grams (or pieces).
func (j *judge) upper(c content) (grams float64, pieces bool) {
	q, _ := j.perRun(c.need)
	value := q.SI() + 2*q.USI()
	switch q.Unit.Dim {
	case quantity.Volume:
		if c.material.Liquid() {
			rho := 1.0
			if r, ok := c.material.Figure("rho"); ok {
				rho = r.High
			}
			return value * 1e6 * rho, false
		}
		bulk := 1.1
		if r, ok := c.material.Figure("bulk"); ok {
			bulk = r.High
		}
		return value * 1e6 * bulk * 1.5, false // level spoons are heaped at times
	case quantity.Mass:
		if !c.need.Weighed && !c.material.Liquid() {
			return value * 1000 * 1.5, false
		}
		return value * 1000, false
	}
	return value, true
}

// litresPerMmol is the gas volume at 25 °C and 101.325 kPa.
const litresPerMmol = 0.02447

// allGas is the gas that carbonates, tablets, sugars and peroxide can give at
// most, in litres, whatever they meet.
func (j *judge) allGas(contents []content, scale float64) float64 {
	var litres float64
	for _, c := range contents {
		amount, _ := j.upper(c)
		amount *= scale
		stuff := larder.Stuff{Material: c.material.ID, Form: c.need.Form}
		if r, err := j.l.CO2Per(stuff); err == nil {
			per := r.High
			if c.material.Liquid() {
				per = r.High // per mL, and amounts of liquids come in grams of about 1 mL
			}
			litres += amount * per * litresPerMmol
		}
		switch {
		case isPeroxide(c.material):
			_, high, ok := j.strength(c.need, c.material, "hydrogen-peroxide")
			if ok {
				litres += amount * high / 100 * 1000 / 34.01 / 2 * litresPerMmol
			}
		case isYeastFood(c.material):
			litres += amount * 0.29 // at most 0.51 g of CO₂ a gram of sugar, all fermented
		case c.material.Is("fizzes", "when-opened"):
			brought := c.material.GasBrought
			if brought == 0 {
				brought = 4 // L a litre: the most that drinks bring
			}
			litres += amount / 1000 * brought
		}
	}
	return litres
}

var acidNames = map[string]string{
	"acetic-acid":             "acetic",
	"citric-acid":             "citric",
	"citric-acid-monohydrate": "citric-monohydrate",
	"tartaric-acid":           "tartaric",
}

var carbonateNames = map[string]string{
	"sodium-hydrogencarbonate":     "sodium-bicarbonate",
	"sodium-carbonate":             "sodium-carbonate",
	"sodium-carbonate-decahydrate": "sodium-carbonate-decahydrate",
	"calcium-carbonate":            "calcium-carbonate",
}

// modelled is the gas of one acid and one carbonate at their upper ends, in
// litres, by the science model, so that the limiting one limits: an acid that
// is used up cannot be overdone by a heaped spoon. It reports false for stuff
// the model does not know.
func (j *judge) modelled(acid, carbonate content, scale float64) (float64, bool) {
	out, ok := j.fizz(acid, carbonate, scale, true)
	if !ok {
		return 0, false
	}
	v, ok := out["gas_volume"].Value.(float64)
	return v, ok
}

// fizz runs the science model of one acid and one carbonate, with amounts at
// their upper ends or as they are written.
func (j *judge) fizz(acid, carbonate content, scale float64, upper bool) (map[string]science.Value, bool) {
	as, aok := substanceOf(acid, acidNames)
	cs, cok := substanceOf(carbonate, carbonateNames)
	if !aok || !cok {
		return nil, false
	}
	amount := j.upper
	if !upper {
		amount = j.written
	}
	aMass, aPieces := amount(acid)
	cMass, cPieces := amount(carbonate)
	if aPieces || cPieces {
		return nil, false
	}
	share, soda := as.Typical, cs.Typical
	if upper {
		share, soda = as.High, cs.High
	}
	if acid.need.Strength != nil {
		share = percent(acid.need.Strength, "acid")
	}
	inputs := map[string]string{
		"acid":           acidNames[as.Substance],
		"carbonate":      carbonateNames[cs.Substance],
		"carbonate_mass": grams(cMass * scale * soda / 100),
		"temperature":    "25 °C",
	}
	if acidNames[as.Substance] == "acetic" {
		// The model takes acetic acid as a solution.
		inputs["acid_volume"], inputs["acid_strength"], inputs["acid_density"] = text.Number(
			aMass,
			6,
			"en",
		)+" mL", text.Number(
			share,
			6,
			"en",
		)+" %", "1 g/mL"
	} else {
		inputs["acid_mass"] = grams(aMass * share / 100)
	}
	raw := map[string]json.RawMessage{}
	for name, value := range inputs {
		raw[name], _ = json.Marshal(value)
	}
	model, _ := science.Find("fizz")
	out, err := model.Run(raw)
	return out, err == nil
}

// written is a need's amount in grams (or pieces) as it is written.
func (j *judge) written(c content) (grams float64, pieces bool) {
	q, _ := j.perRun(c.need)
	switch q.Unit.Dim {
	case quantity.Volume:
		per := 1.0
		if r, ok := c.material.Figure("rho"); ok && c.material.Liquid() {
			per = r.Typical
		} else if r, ok := c.material.Figure("bulk"); ok {
			per = r.Typical
		}
		return q.SI() * 1e6 * per, false
	case quantity.Mass:
		return q.SI() * 1000, false
	}
	return q.SI(), true
}

func grams(g float64) string { return text.Number(g, 6, "en") + " g" }

func substanceOf(c content, names map[string]string) (larder.Content, bool) {
	for _, x := range c.material.Contains {
		if names[x.Substance] != "" && (c.need.Form == "" || x.Form == c.need.Form) {
			return x, true
		}
	}
	return larder.Content{}, false
}

// less is the amount of the gas-making powder with which the bag fits.
func (j *judge) less(v *vessel, holds, makers []content) (*design.Need, string, bool) {
	var powder *content
	for i, c := range makers {
		if isCarbonate(c.material) || isYeastFood(c.material) || isFizzy(c.material) {
			powder = &makers[i]
		}
	}
	if powder == nil {
		return nil, "", false
	}
	q, ok := j.perRun(powder.need)
	if !ok {
		return nil, "", false
	}
	if f, ok := j.upperFill(v, holds, makers, 1e-6); !ok || f > bagFits {
		return nil, "", false // the liquid alone is too much
	}
	low, high := 0.0, 1.0
	for range 40 {
		mid := (low + high) / 2
		if f, _ := j.upperFill(v, holds, makers, mid); f > bagFits {
			high = mid
		} else {
			low = mid
		}
	}
	value := q.Value * low
	step := math.Pow(10, math.Floor(math.Log10(value))-1)
	value = math.Floor(value/step) * step // two digits, never up
	if value <= 0 {
		return nil, "", false
	}
	unit := q.Unit.Label()
	return powder.need, text.Number(value, text.Decimals(value, step/2), "en") + " " + unit, true
}
