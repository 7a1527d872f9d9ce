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

// need judges what one need is. Its kind switches no rule off: a thing of the
// larder is that thing, and a free name is looked up.
func (j *judge) need(n *design.Need) {
	thing := text.Args{"thing": n.Name}
	m, ok := j.material(n)
	j.named(n, m)
	if !ok {
		if n.Kind != design.PersonNeed && n.Kind != design.PlaceNeed {
			j.say(named("unknown", "unsaid"), j.uses[n.ID], []*design.Need{n}, "", thing).Asks = true
		}
		return
	}
	if m.Own {
		j.own(n, m)
	}
	j.rulesOn(n, m, thing)
	if a := m.Allergens(); len(a) > 0 {
		j.allergens("named", n, a)
	}
}

// rulesOn says what each rule says of a thing that is known.
func (j *judge) rulesOn(n *design.Need, m *larder.Material, thing text.Args) {
	spoken := false
	var gravest *clause // of the rules that say more than a tag does
	for i := range rules {
		r := &rules[i]
		if r.Fallback && spoken {
			continue
		}
		worst, asks := j.worstClause(r, n, m)
		if worst == nil {
			continue
		}
		graver := gravest == nil || graver(worst, gravest, j.band)
		switch bare := slices.Contains(bareTags, r.ID); {
		case bare && !graver:
			continue // said already, with its reason
		case !bare && graver:
			gravest = worst
		}
		spoken = spoken || r.Part == "substance"
		steps, speaks := j.stepsOf(n, r, worst)
		if !speaks {
			continue
		}
		if f := j.say(hit{r, worst, i}, steps, []*design.Need{n}, "", thing); f != nil && asks {
			f.Asks = true
		}
	}
}

// stepsOf are the steps in which a clause speaks of a need: of an edge, those where it
// is not cut off yet. It reports false where none is left.
func (j *judge) stepsOf(n *design.Need, r *rule, c *clause) ([]string, bool) {
	steps := j.uses[n.ID]
	if len(c.Is["edge"]) == 0 || len(steps) == 0 {
		return steps, true
	}
	uncut := j.uncut(r, steps)
	return uncut, len(uncut) > 0
}

// worstClause is the gravest of a rule's clauses that speak of a need, and whether it is
// only asked about.
func (j *judge) worstClause(r *rule, n *design.Need, m *larder.Material) (worst *clause, asks bool) {
	for k := range r.Clauses {
		c := &r.Clauses[k]
		ok, unsure := j.speaksOf(c, n, m)
		if ok && (worst == nil || graver(c, worst, j.band)) {
			worst, asks = c, unsure
		}
	}
	return worst, asks
}

// uncut are the steps that do not say what is cut: where one does, that is judged.
func (j *judge) uncut(r *rule, steps []string) []string {
	return slices.DeleteFunc(slices.Clone(steps), func(id string) bool {
		return slices.ContainsFunc(j.stepOf(id).Actions, func(a string) bool { return byAction[a].rule == r })
	})
}

// allergens says which allergens a need holds or may hold.
func (j *judge) allergens(name string, n *design.Need, allergens []string) {
	args := text.Args{"allergens": allergenNames(allergens)}
	if f := j.say(named("allergen", name), j.uses[n.ID], []*design.Need{n}, "", args); f != nil {
		f.Allergens = allergens
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

// likeness is how a need's names stand to the refused ones.
type likeness struct {
	larder.Likeness
	like string
}

// named judges a need by its names alone: one that is refused stays refused
// whatever it is said to be, one that looks like it is asked about.
func (j *judge) named(n *design.Need, m *larder.Material) {
	var k likeness
	look := func(name string) {
		if name == "" || m != nil && !m.Own && slices.Contains(m.Names(), name) {
			return
		}
		if a := j.alike(name); a.Likeness > k.Likeness {
			k = a
		}
	}
	for _, lang := range text.Languages {
		look(n.Name[lang])
		for _, i := range n.Instead {
			look(i[lang])
		}
	}
	args := text.Args{"thing": n.Name, "like": k.like}
	switch k.Likeness {
	case larder.Refused:
		j.say(named("unknown", "refused"), j.uses[n.ID], []*design.Need{n}, "", args)
	case larder.Near:
		j.say(named("unknown", "resembles"), j.uses[n.ID], []*design.Need{n}, "", args).Asks = true
	}
}

// alike is what a name is like, looked up once.
func (j *judge) alike(name string) likeness {
	k, ok := j.names[name]
	if !ok {
		worse, like := j.l.Likeness(name)
		k = likeness{worse, like}
		j.names[name] = k
	}
	return k
}

// ownSteps are what a thing that only the school knows is not used for.
var ownSteps = []string{
	"seal",
	"store-closed",
	"heat",
	"light",
	"flame",
	"microwave",
	"hot-water",
	"warm-water",
	"taste",
	"on-skin",
	"hot-oil",
	"melt-wax",
	"hot-syrup",
}

// own judges a thing that the school added. Until its questions are answered
// it may be anything; then the answers say what it is, and what is denied of it
// is printed with the teacher's name. A name that no word of the larder
// explains opens no closing, heating, lighting, tasting or skin.
func (j *judge) own(n *design.Need, m *larder.Material) {
	args := text.Args{"thing": n.Name, "by": m.SaidBy}
	needs := []*design.Need{n}
	if open := j.l.Unanswered(m); len(open) > 0 {
		var list text.List
		for _, q := range open {
			list = append(list, text.Message{ID: "safety.thing", Args: text.Args{"thing": q.Question}})
		}
		args["questions"] = list
		j.say(named("own", "unanswered"), j.uses[n.ID], needs, "", args).Asks = true
		return
	}
	denied := j.l.Denied(m)
	if len(denied) == 0 {
		return
	}
	var list text.List
	for _, q := range denied {
		list = append(list, text.Message{ID: "safety.thing", Args: text.Args{"thing": q.Denied}})
	}
	args["denied"] = list
	j.say(named("own", "any"), j.uses[n.ID], needs, "", args)
	if j.l.Explained(m) {
		return
	}
	var steps []string
	for _, id := range j.uses[n.ID] {
		if s := j.stepOf(id); closes(s) || s.Heat != "" || does(s, ownSteps...) {
			steps = append(steps, id)
		}
	}
	if len(steps) > 0 {
		j.say(named("own", "unexplained"), steps, needs, "", args)
	}
}

// speaksOf reports whether a clause is about a need's material, and whether
// that rests on something not said.
func (j *judge) speaksOf(c *clause, n *design.Need, m *larder.Material) (ok, unsure bool) {
	switch {
	case slices.ContainsFunc(c.Unless, m.Has):
		return false, false
	case c.means(m):
		return true, false
	case c.Substance == "":
		return false, false
	}
	low, high, ok := j.strength(n, m, c.Substance)
	// The label decides where the usual kinds fall under different clauses: the strongest is
	// assumed.
	if !ok || high <= c.Over || c.Upto > 0 && high > c.Upto {
		return false, false
	}
	if c.OverML > 0 || c.UptoML > 0 {
		ml, said := j.inAll(n, c.Substance)
		if !said {
			j.lacks(n)
			return c.OverML > 0, c.OverML > 0
		}
		if !c.ofVolume(ml) {
			return false, false
		}
	}
	return true, low <= c.Over && c.Over > 0
}

// ofVolume reports whether so much of a substance, in mL, is within a clause's limits.
func (c *clause) ofVolume(ml float64) bool {
	return (c.OverML <= 0 || ml > c.OverML) && (c.UptoML <= 0 || ml <= c.UptoML)
}

// means reports whether a clause speaks of a material by what it is, is marked with or is
// used for. Where the clause is about a substance, a known strength decides rather than
// what it is said to be.
func (c *clause) means(m *larder.Material) bool {
	if c.Substance == "" || len(m.Contains) == 0 {
		for property, values := range c.Is {
			if m.Is(property, values...) {
				return true
			}
		}
	}
	return slices.ContainsFunc(c.Tags, m.Has) || slices.ContainsFunc(c.Roles, m.Does)
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
	if p, ok := unsaid[group]; ok && len(m.Contains) == 0 && m.Is(p[0], p[1]) {
		if n.Strength != nil && n.Strength.Value > 0 {
			v := percent(n.Strength, group)
			return v, v, true
		}
		return 0, 100, true // a school's own, whose label nobody has read
	}
	return 0, 0, false
}

// unsaid are the properties that stand for a group where no content is known.
var unsaid = map[string][2]string{"hydrogen-peroxide": {"oxidiser", "peroxide"}, "alcohol": {"fuel", "spirit"}}

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

// inAll is how much of a group a design uses in all, over its lines; it is not
// said where this need's own amount is not.
func (j *judge) inAll(n *design.Need, group string) (float64, bool) {
	all, said := j.millilitres(n)
	for i := range j.d.Needs {
		o := &j.d.Needs[i]
		if m, ok := j.material(o); ok && o != n {
			if _, _, same := j.strength(o, m, group); same {
				more, _ := j.millilitres(o)
				all += more
			}
		}
	}
	return all, said
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
	if p.IsRange { // the most that may be taken
		q.Value, q.U = p.High, 0
	}
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
