package larder

import (
	"fmt"
	"maps"
	"slices"
)

// MaxOwn is how many things, and how many swaps, of its own a school may add.
const MaxOwn = 500

// Own is what a school adds to the larder: things, corrections of known
// things, and swaps.
type Own struct {
	Materials []Material `json:"materials"`
	Rules     []SwapRule `json:"swaps"`
}

// With is a larder with a school's own entries, marked as own. Of a known
// thing an entry may change the names, add jobs, hazards and figures, and move
// a typical value; it never takes away what a safety rule counts with: tags
// and jobs stay, a range only widens, a refused thing stays refused. An own
// swap stands beside the shipped ones, and where several speak of a swap the
// lowest class holds. Problems are returned with the larder unchanged.
func (l *Larder) With(own Own) (*Larder, []Problem) {
	if len(own.Materials) == 0 && len(own.Rules) == 0 {
		return l, nil
	}
	if len(own.Materials) > MaxOwn || len(own.Rules) > MaxOwn {
		return l, []Problem{
			{
				"",
				"materials",
				fmt.Sprintf(
					"are %d things and %d swaps; a school may add %d of each",
					len(own.Materials),
					len(own.Rules),
					MaxOwn,
				),
			},
		}
	}
	n := *l
	n.Materials, n.Rules = slices.Clone(l.Materials), slices.Clone(l.Rules)
	at := map[string]int{}
	for i := range n.Materials {
		at[n.Materials[i].ID] = i
	}
	var problems []Problem
	seen := map[string]bool{}
	once := func(id string) {
		if seen[id] {
			problems = append(problems, Problem{id, "id", "is taken twice"})
		}
		seen[id] = true
	}
	for _, m := range own.Materials {
		once(m.ID)
		if i, known := at[m.ID]; known {
			n.Materials[i] = l.corrected(n.Materials[i], m)
		} else {
			m = l.inherit(m)
			m.Own, m.Shelf = true, "own"
			n.Materials = append(n.Materials, m)
		}
	}
	for _, r := range own.Rules {
		once(r.ID)
		if !idPattern.MatchString(r.ID) {
			problems = append(
				problems,
				Problem{r.ID, "id", "has to be small letters, digits and hyphens, such as our-soap"},
			)
		}
		r.Own = true
		n.Rules = append(n.Rules, r)
	}
	n.index()
	for _, m := range own.Materials {
		problems = append(problems, n.checkMaterial(n.materials[m.ID])...)
	}
	for i := len(l.Rules); i < len(n.Rules); i++ {
		problems = append(problems, n.checkRule(&n.Rules[i])...)
	}
	if len(problems) > 0 {
		return l, problems
	}
	return &n, nil
}

// corrected is a known material with a school's correction.
func (l *Larder) corrected(was, own Material) Material {
	m := own
	m.Own, m.Shelf = true, was.Shelf
	m.Props = map[string]string{}
	maps.Copy(m.Props, was.Props)
	for k, v := range own.Props {
		if q := l.question(k); q == nil || q.Raises && !q.Locked && m.Props[k] == "" {
			m.Props[k] = v
		}
	}
	m.Capacity, m.GasBrought = wider(was.Capacity, own.Capacity), max(was.GasBrought, own.GasBrought)
	m.Refused = was.Refused || own.Refused
	m.Roles = union(was.Roles, own.Roles)
	m.Hazards, m.MayHold = union(was.Hazards, own.Hazards), union(was.MayHold, own.MayHold)
	m.Contains = widerContents(was.Contains, own.Contains)
	m.Figures = widerFigures(was.Figures, own.Figures)
	if m.Piece == nil {
		m.Piece = was.Piece
	}
	return m
}

// widerContents are what a thing holds, each share from the least to the most that either
// says.
func widerContents(was, own []Content) []Content {
	out := slices.Clone(was)
	for _, c := range own {
		i := slices.IndexFunc(out, func(k Content) bool {
			return k.Substance == c.Substance && k.Basis == c.Basis && k.Form == c.Form
		})
		if i < 0 {
			out = append(out, c)
			continue
		}
		k := &out[i]
		k.Low, k.Typical, k.High = min(k.Low, c.Low), c.Typical, max(k.High, c.High)
	}
	return out
}

// widerFigures are what is measured of a thing, each from the least to the most that
// either says.
func widerFigures(was, own []Figure) []Figure {
	out := slices.Clone(own)
	for _, f := range was {
		i := slices.IndexFunc(out, func(o Figure) bool { return f.Key != "" && o.Key == f.Key })
		if i < 0 {
			out = append(out, f)
			continue
		}
		o := &out[i]
		if o.Typical == 0 {
			o.Typical = (o.Low + o.High) / 2
		}
		o.Low, o.High = min(o.Low, f.Low), max(o.High, f.High)
	}
	return out
}

func union(a, b []string) []string {
	out := slices.Clone(a)
	for _, x := range b {
		if !slices.Contains(out, x) {
			out = append(out, x)
		}
	}
	return out
}

// Completed gives own swaps that leave out their basis or their words the
// usual ones: the words are the English names of the things, a school's own
// first. What it was given stays as it was.
func (l *Larder) Completed(own Own) Own {
	own.Rules = slices.Clone(own.Rules)
	for i := range own.Rules {
		r := &own.Rules[i]
		if r.Basis == "" {
			r.Basis = usualBasis(*r)
		}
		for _, side := range []*Side{&r.From, &r.To} {
			if side.Text == "" && len(side.Materials) > 0 {
				side.Text = l.nameWith(own, side.Materials[0])
			}
		}
	}
	return own
}

// nameWith is the English name of a thing, a school's own first, or "".
func (l *Larder) nameWith(own Own, id string) string {
	m, ok := l.Material(id)
	if i := slices.IndexFunc(own.Materials, func(o Material) bool { return o.ID == id }); i >= 0 {
		m, ok = &own.Materials[i], true
	}
	if !ok {
		return ""
	}
	name, _ := m.Name.In("en")
	return name
}

// usualBasis is what a swap keeps equal where it does not say: what is refused
// keeps nothing, a factor is between masses, and what only scales asks for a
// check of one's own.
func usualBasis(r SwapRule) Basis {
	switch {
	case r.Class == Unsuitable:
		return Refuse
	case r.Factor != nil:
		return EqualMass
	case r.Class == Scales:
		return Recalibrate
	}
	return NoConversion
}
