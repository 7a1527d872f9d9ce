package safety

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// groups are the substances whose strength decides, by the name the rules
// use.
var groups = map[string][]string{
	"acid": {"acetic-acid"}, "citric": {"citric-acid", "citric-acid-monohydrate"},
	"hydrogen-peroxide": {"hydrogen-peroxide"}, "alcohol": {"isopropyl-alcohol", "ethanol"},
}

// need judges what one need is.
func (j *judge) need(n *design.Need) {
	thing := text.Args{"thing": n.Name}
	switch n.Kind {
	case design.PersonNeed, design.PlaceNeed:
		return
	case design.ObjectNeed:
		// An everyday object by the name of something that is none is asked about.
		if m := j.disguised(n); m != nil {
			name := "unsaid"
			if m.Refused {
				name = "refused"
			}
			j.say(named("unknown", name), j.uses[n.ID], []*design.Need{n}, "", thing).Asks = true
		}
		return
	}
	m, ok := j.l.Material(n.Material)
	if !ok {
		j.say(named("unknown", "unsaid"), j.uses[n.ID], []*design.Need{n}, "", thing).Asks = true
		return
	}
	found, spoken := false, false
	var gravest *clause // of the rules that say more than a tag does
	for i := range rules {
		r := &rules[i]
		if r.Fallback && spoken {
			continue
		}
		var worst *clause
		asks := false
		for k := range r.Clauses {
			c := &r.Clauses[k]
			ok, unsure := j.speaksOf(c, n, m)
			if ok && (worst == nil || graver(c, worst, j.band)) {
				worst, asks = c, unsure
			}
		}
		if worst == nil {
			continue
		}
		if slices.Contains(bareTags, r.ID) {
			if gravest != nil && !graver(worst, gravest, j.band) {
				continue // said already, with its reason
			}
		} else if gravest == nil || graver(worst, gravest, j.band) {
			gravest = worst
		}
		found, spoken = true, spoken || r.Part == "substance"
		if f := j.say(hit{r, worst, i}, j.uses[n.ID], []*design.Need{n}, "", thing); f != nil && asks {
			f.Asks = true
		}
	}
	if m.Own && !found {
		j.say(named("own", "any"), j.uses[n.ID], []*design.Need{n}, "", thing)
	}
	if a := m.Allergens(); len(a) > 0 {
		j.say(named("allergen", "named"), j.uses[n.ID], []*design.Need{n}, "", text.Args{"allergens": allergenNames(a)})
	}
}

// bareTags are the rules that only repeat a tag of the larder. They stand after
// the rules about stuff, and speak where those are milder.
var bareTags = []string{"adult-near", "adult-does", "not-at-home"}

func allergenNames(allergens []string) text.List {
	list := make(text.List, len(allergens))
	for i, a := range allergens {
		list[i] = text.Message{ID: "larder.allergen." + a}
	}
	return list
}

func graver(c, than *clause, band int) bool {
	if c.Verdict.at[band] != than.Verdict.at[band] {
		return c.Verdict.at[band].Worse(than.Verdict.at[band])
	}
	return c.Verdict.absolute && !than.Verdict.absolute || c.Name != "" && than.Name == ""
}

// noObject are the tags of things that are no everyday objects.
var noObject = []string{"adult-does", "adult-near", "corrosive", "alcohol", "irritant"}

// disguised is the material that a so-called object is named after, if it is
// one with a strength, a refused one or one for adults.
func (j *judge) disguised(n *design.Need) *larder.Material {
	for _, name := range n.Name {
		for _, m := range j.l.Called(name) {
			if m.Refused || slices.ContainsFunc(noObject, m.Has) {
				return m
			}
		}
	}
	return nil
}

// speaksOf reports whether a clause is about a need's material, and whether
// that rests on something not said.
func (j *judge) speaksOf(c *clause, n *design.Need, m *larder.Material) (ok, unsure bool) {
	if slices.ContainsFunc(c.Unless, m.Has) {
		return false, false
	}
	if slices.Contains(c.Materials, m.ID) || slices.ContainsFunc(c.Tags, m.Has) || slices.ContainsFunc(c.Roles, m.Does) {
		return true, false
	}
	if c.Substance == "" {
		return false, false
	}
	low, high, ok := j.strength(n, m, c.Substance)
	if !ok || high <= c.Over || c.Upto > 0 && low > c.Upto {
		return false, false
	}
	// The label decides where the usual kinds fall under different clauses:
	// the strongest is assumed.
	if c.Upto > 0 && high > c.Upto {
		return false, false
	}
	unsure = low <= c.Over && c.Over > 0
	if c.OverML > 0 || c.UptoML > 0 {
		ml, said := j.millilitres(n)
		if !said {
			j.lacks(n)
			return c.OverML > 0, c.OverML > 0
		}
		if c.OverML > 0 && ml <= c.OverML || c.UptoML > 0 && ml > c.UptoML {
			return false, false
		}
	}
	return true, unsure
}

// strength is a need's strength in the group's own per cent (by mass for
// acids, of mass in volume for peroxide, by volume for alcohol), from the
// label or over the usual kinds.
func (j *judge) strength(n *design.Need, m *larder.Material, group string) (low, high float64, ok bool) {
	for _, c := range m.Contains {
		if !slices.Contains(groups[group], c.Substance) {
			continue
		}
		if group == "citric" {
			// Powder is judged as powder; a stated strength is a solution's.
			if n.Strength == nil || c.Basis != "w/w" {
				return 0, 0, false
			}
		}
		if n.Strength != nil && n.Strength.Value > 0 {
			p := percent(n.Strength, group)
			return p, p, true
		}
		return c.Low, c.High, true
	}
	return 0, 0, false
}

// percent turns a label's strength into the group's own. Where a density
// would be needed the figure that gives the stronger result is taken.
// Peroxide: 10 volumes are 3 % (volumes/3.3, from the gas it gives).
func percent(s *design.Strength, group string) float64 {
	v := s.Value
	switch s.Basis {
	case "volumes":
		return v / 3.3
	case "mol/L":
		return v * map[string]float64{"acid": 6.005, "citric": 19.21, "hydrogen-peroxide": 3.401, "alcohol": 7.7}[group]
	case "w/w":
		switch group {
		case "hydrogen-peroxide":
			return v * 1.01
		case "alcohol":
			return min(100, v*1.2)
		}
	}
	return v
}

// millilitres is how much of a liquid a design uses in all.
func (j *judge) millilitres(n *design.Need) (float64, bool) {
	q, ok := j.amount(n)
	if !ok {
		return 0, false
	}
	if q.Unit.Dim == quantity.Mass {
		return q.SI() * 1000, true // 1 mL a gram: liquids lighter than water are more
	}
	if q.Unit.Dim != quantity.Volume {
		return 0, false
	}
	return q.SI() * 1e6, true
}

// amount reads a need's amount, over all conditions and trials.
func (j *judge) amount(n *design.Need) (quantity.Quantity, bool) {
	if strings.TrimSpace(n.Amount) == "" {
		return quantity.Quantity{}, false
	}
	p, err := quantity.Parse(n.Amount)
	if err != nil {
		return quantity.Quantity{}, false
	}
	q := p.Quantity
	if n.PerCondition {
		times := float64(max(1, len(j.d.Conditions)) * max(1, j.d.Trials))
		q.Value, q.U = q.Value*times, q.U*times
	}
	return q, true
}

// lacks notes that a need's amount decides and is not said.
func (j *judge) lacks(n *design.Need) {
	step := ""
	if s := j.uses[n.ID]; len(s) > 0 {
		step = s[0]
	} else if len(j.d.Steps) > 0 {
		step = j.d.Steps[0].ID
	}
	m := missing{step: step, need: n.ID}
	if !slices.Contains(j.missing, m) {
		j.missing = append(j.missing, m)
	}
}
