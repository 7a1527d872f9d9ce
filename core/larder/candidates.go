package larder

import (
	"cmp"
	"slices"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Wanted is what a design asks the larder for.
type Wanted struct {
	Role      string
	Stuff                       // the preferred material, as the design has it
	Amount    quantity.Quantity // of it; zero for a thing that is not measured out
	Result    string            // what is measured; "" judges for every result and takes the lowest class
	Results   []string          // what is measured where it is several: the lowest class over them
	Tolerance string            // exact, about or free: how much spread a class bears
	Barred    []string          // ids of materials the design does not allow
	Qualities []Asked           // what whatever does it has to be
	Avoid     []string          // allergens of the home
	Cost      string            // dearest band allowed; "" is any
}

// Asked is a quality that a need asks, with its figure in °C or mL.
type Asked struct {
	*Quality
	Figure float64
}

// Candidate is one material that may do a need's job.
type Candidate struct {
	Material  *Material
	Form      string
	Percent   float64 // strength that the rule speaks of; 0 for any
	Rule      string  // id of the swap rule; "" for a material that only shares the job
	Basis     Basis
	Class     Class
	Amount    quantity.Quantity
	MakeUp    quantity.Quantity // water is added up to this; zero when none is
	How       text.Message      // the sum
	Partner   float64           // by how much the acid that goes with it changes; 1 for not at all
	Effect    string            // on the result
	Safety    string            // what changes in safety; package safety judges it
	Procedure string
	Because   text.Message // why it has this class
}

// How far the amount may be off in each class, as half its spread over its
// value, for an exact tolerance; "about" bears twice as much, "free" all.
const (
	poolsBears  = 0.03
	scalesBears = 0.10
)

// Candidates lists what may do the need's job instead of the preferred
// material, best first: by class, then whether the amount is known and how
// little it is off, then by cost, then by id. What is refused comes last, with its reason. It fails
// on an unknown role or material.
//
// A design that measures several results compares by the lowest class of them;
// one that names none, by what holds for any result.
func (l *Larder) Candidates(n Wanted) ([]Candidate, error) {
	if len(n.Results) == 0 {
		return l.candidates(n)
	}
	var out []Candidate
	for i, result := range n.Results {
		n.Result = result
		these, err := l.candidates(n)
		if err != nil {
			return nil, err
		}
		if i == 0 {
			out = these
			continue
		}
		out = slices.DeleteFunc(out, func(c Candidate) bool { return !slices.ContainsFunc(these, c.same) })
		for k := range out {
			c := these[slices.IndexFunc(these, out[k].same)]
			if slices.Index(Classes, c.Class) > slices.Index(Classes, out[k].Class) {
				c.Amount, c.MakeUp, c.How = out[k].Amount, out[k].MakeUp, out[k].How
				out[k] = c
			}
		}
	}
	slices.SortStableFunc(out, func(a, b Candidate) int {
		return cmp.Compare(slices.Index(Classes, a.Class), slices.Index(Classes, b.Class))
	})
	return out, nil
}

// same reports whether two candidates are the same stuff.
func (c Candidate) same(o Candidate) bool {
	return o.Material.ID == c.Material.ID && o.Form == c.Form && o.Percent == c.Percent
}

func (l *Larder) candidates(n Wanted) ([]Candidate, error) {
	role, ok := l.roles[n.Role]
	if !ok {
		return nil, &UnknownError{"role", n.Role, "mild-acid"}
	}
	if _, ok := l.materials[n.Material]; !ok {
		return nil, &UnknownError{"material", n.Material, "vinegar-white"}
	}
	out := l.byRules(n, role.ID)
	for i := range l.Materials {
		m := &l.Materials[i]
		if m.ID != n.Material && m.Does(role.ID) && !holdsMaterial(out, m.ID) {
			out = append(out, l.byRole(n, m))
		}
	}
	kind, known := l.Result(n.Result)
	for i := range out {
		if known && slices.Contains(kind.Whoever, role.ID) && out[i].Class == Separate {
			out[i].Class, out[i].Because = Pools, text.Message{ID: "larder.because.untouched"}
		}
		l.judge(n, &out[i])
	}
	slices.SortStableFunc(out, func(a, b Candidate) int {
		return cmp.Or(
			cmp.Compare(slices.Index(Classes, a.Class), slices.Index(Classes, b.Class)),
			cmp.Compare(unmeasured(n, a), unmeasured(n, b)),
			cmp.Compare(off(a), off(b)),
			cmp.Compare(slices.Index(Costs, a.Material.Cost), slices.Index(Costs, b.Material.Cost)),
			cmp.Compare(a.Material.ID, b.Material.ID),
			cmp.Compare(a.Percent, b.Percent),
			cmp.Compare(a.Form, b.Form))
	})
	return out, nil
}

// byRules are the candidates that rules of a role name: those that speak of the result,
// and, in a group of their own, those that were compared for another one.
func (l *Larder) byRules(n Wanted, role string) []Candidate {
	var out []Candidate
	var elsewhere []*SwapRule
	for i := range l.Rules {
		r := &l.Rules[i]
		if r.Role != role || !slices.Contains(r.From.Materials, n.Material) {
			continue
		}
		if n.Result != "" && !r.about(n.Result, l) {
			elsewhere = append(elsewhere, r)
			continue
		}
		for _, id := range r.To.Materials {
			if c, ok := l.byRule(n, r, id); ok {
				out = keepLower(out, c)
			}
		}
	}
	for _, r := range elsewhere {
		if r.Class == Unsuitable {
			continue
		}
		for _, id := range r.To.Materials {
			if c, ok := l.byRule(n, r, id); ok && !holdsMaterial(out, id) {
				c.Class, c.Because = Worst(c.Class, Separate), text.Message{ID: "larder.because.other-result"}
				out = append(out, c)
			}
		}
	}
	return out
}

// holdsMaterial reports whether a material is among candidates.
func holdsMaterial(list []Candidate, material string) bool {
	return slices.ContainsFunc(list, func(c Candidate) bool { return c.Material.ID == material })
}

// unmeasured is 1 for a candidate whose amount is wanted and not known.
func unmeasured(n Wanted, c Candidate) int {
	if n.Amount.Value > 0 && c.Amount.Value == 0 {
		return 1
	}
	return 0
}

// UnknownError names something that is not in the larder.
type UnknownError struct{ Kind, ID, Example string }

func (e *UnknownError) Error() string {
	return "no " + e.Kind + " is called “" + e.ID + "”; give an id of the larder, such as " + e.Example
}

// off is how far a candidate's amount may be off.
func off(c Candidate) float64 {
	if c.Amount.Value == 0 {
		return 0
	}
	return c.Amount.U * sqrt3 / c.Amount.Value
}

// keepLower adds a candidate, or puts it in the place of the same stuff with
// a better class: when several rules speak of a swap, the lowest holds.
func keepLower(out []Candidate, c Candidate) []Candidate {
	i := slices.IndexFunc(out, func(o Candidate) bool {
		return o.Material.ID == c.Material.ID && o.Form == c.Form && o.Percent == c.Percent
	})
	if i < 0 {
		return append(out, c)
	}
	if slices.Index(Classes, c.Class) > slices.Index(Classes, out[i].Class) {
		out[i] = c
	}
	return out
}

func (l *Larder) byRule(n Wanted, r *SwapRule, id string) (Candidate, bool) {
	from := n.Stuff
	if from.Percent == 0 {
		from.Percent = r.From.Percent
	}
	if from.Form == "" {
		from.Form = r.From.Form
	}
	if id == n.Material && r.To.asIs(from, r.Class) {
		return Candidate{}, false
	}
	to := Stuff{Material: id, Form: r.To.Form, Percent: r.To.Percent}
	if r.To.Same {
		to.Percent = from.Percent
	}
	c := Candidate{
		Material:  l.materials[id],
		Form:      to.Form,
		Percent:   to.Percent,
		Rule:      r.ID,
		Basis:     r.Basis,
		Class:     r.Class,
		Partner:   1,
		Effect:    r.Effect,
		Safety:    r.Safety,
		Procedure: r.Procedure,
		Because:   text.Message{ID: "larder.because." + string(r.Class)},
	}
	if r.Class == Unsuitable {
		return c, true
	}
	if n.Result == "" && !slices.Contains(r.Results, "any") {
		c.Class, c.Because = Worst(c.Class, Separate), text.Message{ID: "larder.because.no-result"}
	}
	l.amount(&c, from, to, n.Amount, r.Factor)
	if n.Amount.Value > 0 && c.Amount.Value == 0 && c.Class == Scales {
		c.Class = Separate // nothing was worked out that would make it comparable
	}
	return c, true
}

// asIs reports whether a side of a rule is the same thing as it is: in no other state, or
// in the one it has. That is a line of the rule, not a swap.
func (s Side) asIs(from Stuff, class Class) bool {
	if class == Unsuitable {
		return s.Percent == 0 || s.Percent == from.Percent && s.Form == from.Form
	}
	return s.Percent == 0 && s.Form == "" || s.Percent == from.Percent && s.Form == from.Form
}

// amount puts the converted amount into a candidate; where it cannot be
// worked out the class falls to separate, and the reason is said.
func (l *Larder) amount(c *Candidate, from, to Stuff, amount quantity.Quantity, stated *Range) {
	if amount.Value == 0 {
		return
	}
	var conv Conversion
	var err error
	if stated != nil {
		f := *stated
		conv = Conversion{Amount: spread(f.times(amount.Value), amount.Unit), Factor: f,
			How: text.Message{
				ID: "larder.how.stated",
				Args: text.Args{
					"amount": amount,
					"factor": quantity.Quantity{Value: f.Typical, Unit: quantity.One},
					"to":     spread(f.times(amount.Value), amount.Unit),
				},
			}}
	} else if conv, err = l.Convert(from, to, amount, c.Basis); err != nil {
		c.Class, c.Because = Worst(c.Class, Separate), text.Message{ID: "larder.because.unknown-amount",
			Args: text.Args{"why": err.Error()}}
		return
	}
	if c.Basis == NoConversion && stated == nil && amount.Unit.Dim == (quantity.Dim{}) &&
		(l.materials[from.Material].Props["cell"] != "" || l.materials[to.Material].Props["cell"] != "" ||
			c.Class == Separate) {
		return // so many pieces of one are not so many of another: nothing is kept equal
	}
	c.Amount, c.MakeUp, c.How = conv.Amount, conv.MakeUp, conv.How
	if a, b := l.Need(from), l.Need(to); a > 0 && b > 0 {
		c.Partner = b / a
	}
}

// AcidWith says how the acid that goes with a candidate changes; the empty
// message where it stays.
func (c Candidate) AcidWith() text.Message {
	switch {
	case c.Partner == 2:
		return text.Message{ID: "larder.partner.twice"}
	case c.Partner == 0.5:
		return text.Message{ID: "larder.partner.half"}
	case c.Partner != 1:
		return text.Message{
			ID:   "larder.partner.times",
			Args: text.Args{"factor": quantity.Quantity{Value: c.Partner, Unit: quantity.One}},
		}
	}
	return text.Message{}
}

// byRole is a material that shares the job and that no rule speaks of: its
// amount is worked out where its contents allow, and it is its own group.
func (l *Larder) byRole(n Wanted, m *Material) Candidate {
	c := Candidate{
		Material: m,
		Basis:    NoConversion,
		Class:    Separate,
		Partner:  1,
		Because:  text.Message{ID: "larder.because.untried"},
	}
	if m.Refused {
		c.Class, c.Basis, c.Because = Unsuitable, Refuse, text.Message{ID: "larder.because.refused"}
		return c
	}
	c.Basis = basisOf[n.Role]
	if c.Basis == "" {
		c.Basis = NoConversion
	}
	if _, err := l.Convert(n.Stuff, Stuff{Material: m.ID}, n.Amount, c.Basis); err != nil {
		c.Basis = NoConversion
		return c // no amount: it has to be tried
	}
	l.amount(&c, n.Stuff, Stuff{Material: m.ID}, n.Amount, nil)
	return c
}

// basisOf says what a job's amounts keep equal where no rule says it.
var basisOf = map[string]Basis{
	"mild-acid":       EqualAcid,
	"carbonate":       EqualCO2,
	"oxygen-releaser": EqualO2,
	"salt":            EqualParticles,
	"melt-salt":       EqualParticles,
	"sugar":           EqualMass,
	"starch":          EqualMass,
	"cargo-unit":      EqualMass,
}

// Keeps is what the amounts of a job keep equal where no swap says it.
func Keeps(role string) (Basis, bool) {
	b, ok := basisOf[role]
	return b, ok
}

// judge lowers a candidate's class for what this design or home does not
// allow, and for an amount that is too uncertain for the tolerance.
func (l *Larder) judge(n Wanted, c *Candidate) {
	if c.Class == Unsuitable {
		return
	}
	lower := func(to Class, why string, args text.Args) {
		c.Class, c.Because = Worst(c.Class, to), text.Message{ID: "larder.because." + why, Args: args}
	}
	for _, a := range c.Material.Allergens() {
		if slices.Contains(n.Avoid, a) {
			lower(Unsuitable, "allergen", text.Args{"allergen": text.Message{ID: "larder.allergen." + a}})
			return
		}
	}
	lacks := slices.IndexFunc(n.Qualities, func(q Asked) bool { return !l.Has(c.Material, q.Quality, q.Figure) })
	switch {
	case lacks >= 0:
		lower(Unsuitable, "quality", text.Args{"quality": n.Qualities[lacks].Say(n.Qualities[lacks].Figure)})
	case slices.Contains(n.Barred, c.Material.ID):
		lower(Unsuitable, "barred", nil)
	case n.Cost != "" && slices.Index(Costs, c.Material.Cost) > slices.Index(Costs, n.Cost):
		lower(Unsuitable, "cost", nil)
	default:
		bears := map[string]float64{"about": 2, "free": 1000}[n.Tolerance]
		if bears == 0 {
			bears = 1
		}
		o := off(*c)
		args := text.Args{"percent": quantity.Quantity{Value: 100 * o, Unit: quantity.MustUnit("%"), U: 1}.Bare()}
		if c.Class == Pools && o > poolsBears*bears {
			lower(Scales, "spread", args)
		}
		if c.Class == Scales && o > scalesBears*bears {
			lower(Separate, "spread", args)
		}
	}
}
