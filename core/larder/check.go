package larder

import (
	"fmt"
	"regexp"
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

// Tags is the closed list of hazard tags, without the allergens.
var Tags = []string{
	"flammable",
	"corrosive",
	"oxidiser",
	"irritant",
	"sharp",
	"hot",
	"cold-burn",
	"pressure",
	"choking",
	"strangle",
	"suffocation",
	"aspiration",
	"breakable",
	"stains",
	"slip",
	"dust",
	"toxic-if-eaten",
	"alcohol",
	"medicine",
	"germs",
	"animal-handling",
	"optical",
	"mains",
	"button-cell",
	"lithium-cell",
	"strong-magnet",
	"pet-toxic",
	"drain",
	"adult-near",
	"adult-does",
	"not-at-home",
}

// Allergens is the closed list of what a home may have to avoid.
var Allergens = []string{
	"celery",
	"egg",
	"fish",
	"gluten",
	"latex",
	"lupin",
	"milk",
	"mustard",
	"nut",
	"peanut",
	"sesame",
	"shellfish",
	"soy",
	"sulphite",
	"wheat",
}

// Problem is one thing wrong with an entry: where, what, and an example.
type Problem struct {
	Entry   string `json:"entry" doc:"Id of the material or rule"`
	Field   string `json:"field"`
	Message string `json:"message"`
}

func (p Problem) String() string { return p.Entry + ": " + p.Field + ": " + p.Message }

var idPattern = regexp.MustCompile(`^[a-z][a-z0-9-]{0,39}$`)

// Check finds what is wrong with a larder: ids that lead nowhere, words that
// are not on the lists, ranges the wrong way round, conversions that do not
// compute, and circles of swaps that would change an amount.
func (l *Larder) Check() []Problem {
	var out []Problem
	seen := map[string]bool{}
	for i := range l.Materials {
		out = append(out, l.checkMaterial(&l.Materials[i])...)
		if id := l.Materials[i].ID; seen[id] {
			out = append(out, Problem{id, "id", "is taken twice"})
		}
		seen[l.Materials[i].ID] = true
	}
	for i := range l.Rules {
		r := &l.Rules[i]
		if seen[r.ID] {
			out = append(out, Problem{r.ID, "id", "is taken twice"})
		}
		seen[r.ID] = true
		out = append(out, l.checkRule(r)...)
	}
	for _, w := range l.Words {
		for _, c := range w.Choices {
			if _, ok := l.materials[c]; !ok {
				out = append(out, Problem{w.Typed[0], "choices", "has the unknown material " + c})
			}
		}
		if !slices.Contains([]string{"ask", "match", "refuse"}, w.Rule) || w.Rule == "match" && len(w.Choices) != 1 {
			out = append(out, Problem{w.Typed[0], "rule", "has to be ask, match (with one choice) or refuse"})
		}
	}
	return append(out, l.checkCircles()...)
}

func (l *Larder) checkMaterial(m *Material) []Problem {
	var out []Problem
	bad := func(field, message string, args ...any) {
		out = append(out, Problem{m.ID, field, fmt.Sprintf(message, args...)})
	}
	if !idPattern.MatchString(m.ID) {
		bad("id", "has to be small letters, digits and hyphens, such as vinegar-white")
	}
	if !slices.ContainsFunc(text.Languages, func(l string) bool { return strings.TrimSpace(m.Name[l]) != "" }) {
		bad("name", "is missing; give it in a language, such as {\"en\": \"white vinegar\"}")
	}
	for _, r := range m.Roles {
		if _, ok := l.roles[r]; !ok {
			bad("roles", "has the unknown job %q; such as mild-acid", r)
		}
	}
	l.checkProps(m, bad)
	for _, h := range m.Hazards {
		if a, ok := strings.CutPrefix(h, "allergen:"); ok && !slices.Contains(Allergens, a) ||
			!ok && !slices.Contains(Tags, h) {
			bad("hazards", "has the unknown tag %q; such as irritant or allergen:milk", h)
		}
	}
	for _, a := range m.MayHold {
		if !slices.Contains(Allergens, a) {
			bad("may_hold", "has the unknown allergen %q; such as milk", a)
		}
	}
	if m.Cost != "" && !slices.Contains(Costs, m.Cost) {
		bad("cost", "has to be free, cheap or moderate")
	}
	l.checkContents(m, bad)
	checkFigures(m, bad)
	return out
}

// complain says what is wrong with a field of an entry.
type complain func(field, message string, args ...any)

// checkContents holds what a material contains against the substances that are known.
func (l *Larder) checkContents(m *Material, bad complain) {
	for _, c := range m.Contains {
		if _, ok := l.substances[c.Substance]; !ok {
			bad("contains", "has the unknown substance %q; such as acetic-acid", c.Substance)
		}
		if !slices.Contains([]string{"w/w", "w/v", "v/v", "g/piece"}, c.Basis) {
			bad("contains", "has to say how its figure is meant: w/w, w/v, v/v or g/piece")
		}
		if !ordered(c.Range) || c.Basis != "g/piece" && c.High > 100 {
			bad(
				"contains",
				"has the range %g, %g, %g; low, typical and high have to be above 0, in this order and at most 100 %%",
				c.Low,
				c.Typical,
				c.High,
			)
		}
	}
}

// checkFigures holds a material's figures against each other.
func checkFigures(m *Material, bad complain) {
	if m.Piece != nil && !ordered(*m.Piece) {
		bad("piece_g", "has to be low, typical and high grams, above 0 and in this order")
	}
	for _, f := range m.Figures {
		if f.Quality != "" && !slices.Contains(Qualities, f.Quality) {
			bad("figures", "has the unknown quality %q; such as typical", f.Quality)
		}
		if f.Key != "" && (f.Low > f.High || f.Typical != 0 && (f.Typical < f.Low || f.Typical > f.High)) {
			bad(
				"figures",
				"has %s from %g to %g, typically %g; they have to be in order",
				f.Key,
				f.Low,
				f.High,
				f.Typical,
			)
		}
	}
}

func ordered(r Range) bool { return r.Low > 0 && r.Low <= r.Typical && r.Typical <= r.High }

func (l *Larder) checkRule(r *SwapRule) []Problem {
	var out []Problem
	bad := func(field, message string, args ...any) {
		out = append(out, Problem{r.ID, field, fmt.Sprintf(message, args...)})
	}
	if _, ok := l.roles[r.Role]; !ok {
		bad("role", "has the unknown job %q", r.Role)
	}
	if !slices.Contains(Bases, r.Basis) {
		bad("basis", "has the unknown basis %q", r.Basis)
	}
	if !slices.Contains(Classes, r.Class) {
		bad("class", "has the unknown class %q", r.Class)
	}
	if len(r.Results) == 0 {
		bad("results", "has to name what is measured, or any")
	}
	if (r.Basis == Refuse) != (r.Class == Unsuitable) {
		bad("class", "%s goes with %s", r.Basis, r.Class)
	}
	if r.Class == Scales && r.Basis == NoConversion {
		bad("basis", "a swap that scales has to say what is kept equal")
	}
	if r.Factor != nil && !ordered(*r.Factor) {
		bad("factor", "has to be low, typical and high, above 0 and in this order")
	}
	return slices.Concat(out, l.checkSides(r), l.checkComputes(r))
}

// checkSides looks at the things that a rule names.
func (l *Larder) checkSides(r *SwapRule) []Problem {
	var out []Problem
	bad := func(field, message string, args ...any) {
		out = append(out, Problem{r.ID, field, fmt.Sprintf(message, args...)})
	}
	for _, side := range []Side{r.From, r.To} {
		for _, id := range side.Materials {
			m, ok := l.materials[id]
			if !ok {
				bad("materials", "has the unknown material %q", id)
			} else if side.Form != "" && !slices.Contains(m.Forms(), side.Form) {
				bad("form", "%s has no form %q", id, side.Form)
			}
		}
	}
	for _, id := range r.To.Materials {
		if m, ok := l.materials[id]; ok && m.Refused && r.Class != Unsuitable {
			bad("to", "%s is on the list of refused things", id)
		}
	}
	return out
}

// checkComputes tries a rule's conversion on the amount its kind is taken in.
func (l *Larder) checkComputes(r *SwapRule) []Problem {
	if r.Class == Unsuitable || r.Factor != nil {
		return nil
	}
	var out []Problem
	for _, a := range r.From.Materials {
		for _, b := range r.To.Materials {
			m, ok := l.materials[a]
			if !ok || l.materials[b] == nil {
				continue
			}
			_, err := l.Convert(
				Stuff{a, r.From.Form, r.From.Percent},
				Stuff{b, r.To.Form, r.To.Percent},
				m.sample(),
				r.Basis,
			)
			if err != nil && !(r.Class == Separate && strings.Contains(err.Error(), "stronger")) {
				out = append(out, Problem{r.ID, "basis", err.Error()})
			}
		}
	}
	return out
}

// checkCircles follows the computed swaps there and back, and round every
// triangle: an amount has to come back as itself.
func (l *Larder) checkCircles() []Problem {
	var out []Problem
	for _, basis := range []Basis{EqualAcid, EqualCO2, EqualO2, EqualParticles} {
		members := l.membersOf(basis)
		for _, a := range members {
			for _, b := range members {
				for _, c := range members {
					amount := l.materials[a].sample()
					back := amount
					for _, leg := range [][2]string{{a, b}, {b, c}, {c, a}} {
						conv, err := l.Convert(Stuff{Material: leg[0]}, Stuff{Material: leg[1]}, back, basis)
						if err != nil {
							out = append(out, Problem{leg[0], string(basis), err.Error()})
							break
						}
						back = conv.Amount
					}
					if d := back.SI()/amount.SI() - 1; d > 1e-9 || d < -1e-9 {
						out = append(
							out,
							Problem{a, string(basis), fmt.Sprintf("changes by %g on the way over %s and %s", d, b, c)},
						)
					}
				}
			}
		}
	}
	return out
}

// membersOf lists the materials that a basis can convert between.
func (l *Larder) membersOf(basis Basis) []string {
	p := map[Basis]property{EqualAcid: acid, EqualCO2: co2, EqualO2: o2, EqualParticles: particles}[basis]
	var out []string
	for i := range l.Materials {
		if _, _, err := l.gives(Stuff{Material: l.Materials[i].ID}, p); err == nil {
			out = append(out, l.Materials[i].ID)
		}
	}
	return out
}
