package design

import (
	"fmt"
	"regexp"
	"slices"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

var needKinds = []NeedKind{"", MaterialNeed, ObjectNeed, PersonNeed, PlaceNeed}

var strengthBases = []string{"w/w", "w/v", "v/v", "volumes", "mol/L"}

// thing checks what a need says it is against the larder.
func (v *validator) thing(n *Need, path string) {
	if !slices.Contains(needKinds, n.Kind) {
		v.say(Error, "need-kind", path+"/kind", text.Args{"typed": string(n.Kind)})
	}
	if _, ok := v.larder.Role(n.Role); n.Role != "" && !ok {
		v.say(Error, "unknown-role", path+"/role", text.Args{"typed": n.Role})
	}
	if n.Material != "" {
		v.material(n, path)
	}
	if s := n.Strength; s != nil && !s.canBe() {
		v.say(Error, "strength", path+"/strength", text.Args{"value": s.Value, "basis": s.Basis})
	}
	v.found(n, path)
	for i := range n.Qualities {
		v.quality(n, &n.Qualities[i], fmt.Sprintf("%s/qualities/%d", path, i))
	}
	for i, id := range n.Barred {
		if _, ok := v.larder.Material(id); !ok {
			v.say(Error, "unknown-material", fmt.Sprintf("%s/barred/%d", path, i), text.Args{"typed": id})
		}
	}
}

// found checks how the amount of a need is found, and its copies.
func (v *validator) found(n *Need, path string) {
	p, readable := quantity.ParseOK(n.Amount)
	amount := text.Args{"typed": n.Amount}
	switch n.AmountBy {
	case "", ByMeasure:
	case ByRange:
		if !readable || !p.IsRange {
			v.say(Error, "amount-range", path+"/amount", amount)
		}
	case ByCount:
		if !readable || p.Unit != quantity.One || p.Value < 1 || p.Value != float64(int(p.Value)) {
			v.say(Error, "amount-count", path+"/amount", amount)
		}
	case ByEye:
		v.byEye(n, path)
	default:
		v.say(Error, "kind", path+"/amount_by", text.Args{"typed": string(n.AmountBy),
			"list": []string{"measure", "range", "count", "eye"}})
	}
	if len(n.Copies) == 1 || len(n.Copies) > MaxCopies {
		v.say(Error, "copies", path+"/copies", text.Args{"n": len(n.Copies), "most": MaxCopies})
	}
	ways := make([]Choice, len(n.Copies))
	for i, c := range n.Copies {
		ways[i] = Choice{ID: c.ID, Word: c.Prepared}
	}
	v.worded(ways, path+"/copies", "prepared")
}

// byEye checks that an amount by eye is drawn, and none: nothing is worked out with it.
func (v *validator) byEye(n *Need, path string) {
	if n.Amount != "" || n.Symbol != "" || n.Weighed {
		v.say(Error, "amount-eye", path+"/amount_by", text.Args{"name": n.Name})
	}
	if !slices.Contains(looks, n.Look) {
		v.say(Error, "look", path+"/look", text.Args{"name": n.Name})
	}
}

// material checks that the larder has a need's material, that it does its job and comes in
// its form.
func (v *validator) material(n *Need, path string) {
	m, ok := v.larder.Material(n.Material)
	switch {
	case !ok:
		v.say(Error, "unknown-material", path+"/material", text.Args{"typed": n.Material})
	case n.Role != "" && !m.Does(n.Role):
		v.say(Warning, "role-not-of-material", path+"/role", text.Args{"name": m.Name, "role": n.Role})
	case n.Form != "" && !slices.Contains(m.Forms(), n.Form):
		v.say(Error, "unknown-form", path+"/form", text.Args{"name": m.Name, "typed": n.Form})
	}
}

// quality checks a quality that a need asks for, and that its material has it.
func (v *validator) quality(n *Need, q *Quality, path string) {
	known, ok := v.larder.Quality(q.Is)
	if !ok {
		v.say(Error, "unknown-quality", path+"/is", text.Args{"typed": q.Is})
		return
	}
	figure, ok := q.figure(known.Takes)
	switch m, chosen := v.larder.Material(n.Material); {
	case !ok && known.Takes == "":
		v.say(Error, "quality-plain", path+"/figure", text.Args{"typed": q.Figure, "quality": known.Words})
	case !ok:
		v.say(Error, "quality-figure", path+"/figure", text.Args{"typed": q.Figure, "example": known.Example})
	case chosen && !v.larder.Has(m, known, figure):
		v.say(Warning, "quality", path, text.Args{"name": m.Name, "quality": known.Say(figure)})
	}
}

// canBe reports whether a strength is above nothing and, as a share, not above all.
func (s *Strength) canBe() bool {
	share := s.Basis != "volumes" && s.Basis != "mol/L"
	return s.Value > 0 && slices.Contains(strengthBases, s.Basis) && !(share && s.Value > 100)
}

// things checks what stands in the document about the larder apart from the
// needs: the school's own materials, vessels, temperatures and voltages.
func (v *validator) things() {
	if _, problems := larder.Standard().With(larder.Own{Materials: v.d.Materials, Rules: v.d.Swaps}); len(
		problems,
	) > 0 {
		v.say(Error, "own-material", "/materials", text.Args{"problem": problems[0].String()})
	}
	for i, m := range v.d.Measured {
		if _, known := v.larder.Result(m.Result); m.Result != "" && !known &&
			!slices.Contains(v.larder.Results(), m.Result) {
			v.say(Warning, "unknown-result", fmt.Sprintf("/measured/%d/result", i), text.Args{"typed": m.Result})
		}
	}
	for i, c := range v.d.Cautions {
		path := fmt.Sprintf("/cautions/%d", i)
		v.id("caution", c.ID, path)
		if _, ok := v.d.Step(c.Step); !ok {
			v.say(Error, "caution-step", path+"/step", text.Args{"typed": c.Step})
		}
		if empty(c.Why) || empty(c.Do) {
			v.say(Error, "no-name", path+"/why", nil)
		}
	}
	for i := range v.d.Steps {
		v.handled(&v.d.Steps[i], fmt.Sprintf("/steps/%d", i))
		v.pictured(&v.d.Steps[i], fmt.Sprintf("/steps/%d", i))
	}
}

var pictureID = regexp.MustCompile(`^[0-9a-f]{64}$`)

// pictured checks the picture of a step.
func (v *validator) pictured(s *Step, path string) {
	switch {
	case s.Picture == nil:
	case !pictureID.MatchString(s.Picture.ID):
		v.say(Error, "picture-id", path+"/picture/id", text.Args{"step": s.Title})
	case empty(s.Picture.Alt):
		v.say(Warning, "picture-words", path+"/picture/alt", text.Args{"step": s.Title})
	}
}

// handled checks the vessel of a step, and how hot and under what voltage things are in it.
func (v *validator) handled(s *Step, path string) {
	if s.In != "" && !v.known("need", s.In) {
		v.say(Error, "unknown-need", path+"/in", text.Args{"typed": s.In, "step": s.Title})
	}
	if s.Heat != "" && !hasDim(s.Heat, quantity.Temperature) &&
		!v.bare(Error, "bare-number", s.Heat, "°C", path+"/heat") {
		v.say(Error, "heat", path+"/heat", text.Args{"typed": s.Heat})
	}
	if s.Voltage != "" && !hasDim(s.Voltage, quantity.Voltage) &&
		!v.bare(Error, "bare-number", s.Voltage, "V", path+"/voltage") {
		v.say(Error, "voltage", path+"/voltage", text.Args{"typed": s.Voltage})
	}
}
