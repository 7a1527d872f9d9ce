package larder

import (
	"slices"
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Quality is something that a need can ask of whatever does its job
// (qualities.json), such as that it can be cut open. What has not got it, or
// where nothing says whether it has, does not stand in.
type Quality struct {
	ID      string         `json:"id"`
	Words   text.Localized `json:"words" doc:"With {figure} for what it takes"`
	Takes   string         `json:"takes,omitempty" enum:"temperature,volume" doc:"A quantity that goes with it"`
	Example string         `json:"example,omitempty"`
	Yes     []Clause       `json:"yes" doc:"It has the quality when one of these holds"`
}

// Clause holds when all that it names does.
type Clause struct {
	Is          map[string][]string `json:"is,omitempty" doc:"Each property has one of the values"`
	Without     []string            `json:"without,omitempty" doc:"Hazard tags and allergens that it has not"`
	Figure      string              `json:"figure,omitempty" doc:"A figure whose whole spread lies within least and most"`
	Least       float64             `json:"least,omitempty"`
	Most        float64             `json:"most,omitempty"`
	Stands      bool                `json:"stands,omitempty" doc:"It stands the temperature asked for"`
	Holds       bool                `json:"holds,omitempty" doc:"The smallest of its kind holds the volume asked for, with a fifth left over"`
	HoldsAtMost bool                `json:"holds_at_most,omitempty" doc:"The largest of its kind holds no more than the volume asked for"`
}

// Say is the quality in words, with its figure in °C or mL.
func (q *Quality) Say(figure float64) text.Localized {
	out := text.Localized{}
	for language, words := range q.Words {
		if q.Takes != "" {
			unit := map[string]string{"temperature": "°C", "volume": "mL"}[q.Takes]
			words = strings.Replace(
				words,
				"{figure}",
				quantity.Quantity{Value: figure, Unit: quantity.MustUnit(unit)}.Show(language),
				1,
			)
		}
		out[language] = words
	}
	return out
}

// headroom is the part of a vessel that is filled at most.
const headroom = 0.8

// Quality finds one by its id.
func (l *Larder) Quality(id string) (*Quality, bool) {
	i := slices.IndexFunc(l.Qualities, func(q Quality) bool { return q.ID == id })
	if i < 0 {
		return nil, false
	}
	return &l.Qualities[i], true
}

// Has reports whether a material is known to have a quality. The figure is in
// °C or mL, by what the quality takes.
func (l *Larder) Has(m *Material, q *Quality, figure float64) bool {
	return slices.ContainsFunc(q.Yes, func(c Clause) bool { return l.holds(m, &c, figure) })
}

func (l *Larder) holds(m *Material, c *Clause, figure float64) bool {
	for property, values := range c.Is {
		if !slices.Contains(values, l.says(m, property)) {
			return false
		}
	}
	for _, w := range c.Without {
		if slices.Contains(m.Hazards, w) || slices.Contains(m.Allergens(), w) {
			return false
		}
	}
	if c.Figure != "" {
		f, ok := m.Figure(c.Figure)
		if !ok || f.Low < c.Least || c.Most > 0 && f.High > c.Most {
			return false
		}
	}
	if c.Stands {
		if t, ok := l.Stands(m); !ok || t < figure {
			return false
		}
	}
	return m.takes(c, figure)
}

// takes reports whether a thing holds as much as a clause wants, in mL.
func (m *Material) takes(c *Clause, ml float64) bool {
	if m.Capacity == nil {
		return !c.Holds && !c.HoldsAtMost
	}
	return (!c.Holds || m.Capacity.Low*headroom >= ml) && (!c.HoldsAtMost || m.Capacity.High <= ml)
}

// says is what is known of a property of a material: what stands at it, or
// what its make says; of what could only raise a verdict, that what ships has
// it not and that a school's own thing may have it, until it is said. "" is
// unsaid.
func (l *Larder) says(m *Material, property string) string {
	if v, ok := m.Props[property]; ok {
		return v
	}
	if v, ok := l.Makes[m.Props["make"]][property]; ok {
		return v
	}
	switch q := l.question(property); {
	case q == nil || !q.Raises:
		return ""
	case m.Own && !l.shipped[m.ID]:
		return q.Worst
	default:
		return q.none()
	}
}

// Stands is the temperature in °C up to which a thing keeps its shape and does
// not crack; it reports false where nothing says it. Metal with a zinc coat is
// never heated.
func (l *Larder) Stands(m *Material) (float64, bool) {
	q, said := l.question("stands"), l.says(m, "stands")
	i := slices.IndexFunc(q.Answers, func(r Reply) bool { return r.Value == said })
	if i < 0 {
		return 0, false
	}
	t := q.Answers[i].Figure
	if m.Is("metal", "zinc-coated", "zinc", "lead") {
		t = min(t, 60)
	}
	return t, true
}
