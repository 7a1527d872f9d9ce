package larder

import (
	"maps"
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

// Question is one property that a material may have, and how a school is asked
// about it for a thing of its own (properties.json). Safety and fit read what a
// thing is from its properties, never from its id or its jobs.
type Question struct {
	ID       string              `json:"id"`
	Question text.Localized      `json:"question,omitempty"`
	Answers  []Reply             `json:"answers"`
	Denied   text.Localized      `json:"denied,omitempty" doc:"What the first answer denies, in words"`
	Worst    string              `json:"worst" doc:"What is assumed until it is answered"`
	When     map[string][]string `json:"when,omitempty" doc:"Asked when another property has one of these values"`
	Locked   bool                `json:"locked,omitempty" doc:"Of a shipped thing a school cannot change it"`
	Raises   bool                `json:"raises,omitempty" doc:"Another value than the first can only raise a verdict"`
	Unasked  bool                `json:"unasked,omitempty" doc:"Known of shipped things alone"`
	Fit      bool                `json:"fit,omitempty" doc:"It says what a thing can stand in for; the safety rules do not wait for it"`
}

// Reply is one value of a property, in words.
type Reply struct {
	Value  string         `json:"value"`
	Words  text.Localized `json:"words"`
	Figure float64        `json:"figure,omitempty" doc:"What the answer means, in °C"`
}

// none is the answer that denies: the first of a property that can only raise.
func (q *Question) none() string { return q.Answers[0].Value }

// Is reports whether a property of the material has one of some values; one
// that is not said has none of them.
func (m *Material) Is(property string, values ...string) bool {
	v, ok := m.Props[property]
	return ok && slices.Contains(values, v)
}

// Asked lists the questions that a thing is asked, given what is answered so
// far.
func (l *Larder) Asked(m *Material) []*Question {
	var out []*Question
	for i := range l.Properties {
		q := &l.Properties[i]
		if q.Unasked {
			continue
		}
		asked := true
		for property, values := range q.When {
			asked = asked && m.Is(property, values...)
		}
		if asked {
			out = append(out, q)
		}
	}
	return out
}

// Unanswered lists the questions that a school's own thing still has to
// answer; until then it is judged as the worst it could be. What ships is
// known.
func (l *Larder) Unanswered(m *Material) []*Question {
	if !m.Own || l.shipped[m.ID] {
		return nil
	}
	return slices.DeleteFunc(l.Asked(m), func(q *Question) bool { _, ok := m.Props[q.ID]; return ok || q.Fit })
}

// Denied lists what a school says its own thing is not: the questions that it
// answered with the first, harmless answer.
func (l *Larder) Denied(m *Material) []*Question {
	return slices.DeleteFunc(
		l.Asked(m),
		func(q *Question) bool { return len(q.Denied) == 0 || m.Props[q.ID] != q.none() },
	)
}

// Explained reports whether the name of a shipped thing stands in one of a thing's
// names: a name that nothing explains is the school's word alone.
func (l *Larder) Explained(m *Material) bool {
	shipped := func(k *Material) bool { return k != nil && l.shipped[k.ID] }
	for _, lang := range text.Languages {
		w := search(m.Name[lang], lang)
		for i := range w {
			for k := i + 1; k <= len(w); k++ {
				key := strings.Join(w[i:k], " ")
				if shipped(l.first[lang+" "+key]) || slices.ContainsFunc(l.byWords[key], shipped) {
					return true
				}
			}
		}
	}
	return false
}

// inherit gives a school's own thing what the shipped things of the same name
// are: an answer may raise, never lower, what the name says.
func (l *Larder) inherit(m Material) Material {
	props := map[string]string{}
	maps.Copy(props, m.Props)
	for _, s := range l.namesakes(m) {
		m.Refused = m.Refused || s.Refused
		m.Hazards, m.MayHold = union(m.Hazards, s.Hazards), union(m.MayHold, s.MayHold)
		for k, v := range s.Props {
			if q := l.question(k); q != nil && q.outdoes(v, props[k]) {
				props[k] = v
			}
		}
		m.Capacity = wider(m.Capacity, s.Capacity)
		for _, c := range s.Contains {
			if !slices.ContainsFunc(m.Contains, func(o Content) bool { return o.Substance == c.Substance }) {
				m.Contains = append(slices.Clone(m.Contains), c)
			}
		}
	}
	if len(props) > 0 {
		m.Props = props
	}
	return m
}

// namesakes are the other things that are called as one is.
func (l *Larder) namesakes(m Material) []*Material {
	var out []*Material
	for _, n := range m.Names() {
		for _, s := range l.Called(n) {
			if s.ID != m.ID && !slices.Contains(out, s) {
				out = append(out, s)
			}
		}
	}
	return out
}

// outdoes reports whether what a shipped thing is stands over what a school said of its
// own.
func (q *Question) outdoes(shipped, own string) bool {
	return q.Locked || q.Raises && shipped != q.none() && (own == "" || own == q.none())
}

func (l *Larder) question(id string) *Question {
	i := slices.IndexFunc(l.Properties, func(q Question) bool { return q.ID == id })
	if i < 0 {
		return nil
	}
	return &l.Properties[i]
}

// wider is the range that holds both; nil where neither is known.
func wider(a, b *Range) *Range {
	switch {
	case a == nil:
		return b
	case b == nil:
		return a
	}
	return &Range{min(a.Low, b.Low), a.Typical, max(a.High, b.High)}
}

func (l *Larder) checkProps(m *Material, bad func(field, message string, args ...any)) {
	for k, v := range m.Props {
		q := l.question(k)
		switch {
		case q == nil:
			bad("is", "has the unknown property %q; such as metal", k)
		case !slices.ContainsFunc(q.Answers, func(a Reply) bool { return a.Value == v }) && !l.shippedValue(k, v):
			bad("is", "has %s %q; it has to be one of %s", k, v, q.values())
		case q.Unasked && m.Own && !l.shipped[m.ID] && !l.inherits(m, k):
			bad("is", "has %s, which is known of shipped things alone", k)
		}
	}
	if c := m.Capacity; c != nil && !ordered(*c) {
		bad("capacity_ml", "has to be low, typical and high mL, above 0 and in this order")
	}
	if m.GasBrought < 0 || m.GasBrought > 10 {
		bad("gas_brought", "has to be litres of gas a litre, from 0 to 10")
	}
}

// shippedValues are values that no question offers: they are known of what
// ships.
var shippedValues = map[string][]string{"metal": {"copper-on-zinc"}, "closes": {"clamp", "wet"}}

func (l *Larder) shippedValue(property, value string) bool {
	return slices.Contains(shippedValues[property], value)
}

// inherits reports whether a shipped thing of the same name has a property.
func (l *Larder) inherits(m *Material, property string) bool {
	for _, n := range m.Names() {
		if slices.ContainsFunc(l.Called(n), func(s *Material) bool { return s.ID != m.ID && s.Props[property] != "" }) {
			return true
		}
	}
	return false
}

func (q *Question) values() string {
	out := ""
	for i, a := range q.Answers {
		if i > 0 {
			out += ", "
		}
		out += a.Value
	}
	return out
}
