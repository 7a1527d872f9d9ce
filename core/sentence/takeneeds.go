package sentence

import (
	"reflect"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// find is the need that a piece names.
func (t *taker) find(p Piece) (string, bool) {
	if p.Kind != Thing && p.Kind != Vessel {
		return "", false
	}
	if p.Need != "" {
		return p.Need, true
	}
	for _, n := range t.d.Needs {
		if p.ID != "" && n.Material == p.ID || fold(n.Name[t.lang]) == fold(t.unlaned(bare(p.Words, t.lang))) {
			return n.ID, true
		}
	}
	return "", false
}

// need is the id of the need that a piece names; one is made where there is none.
func (t *taker) need(all []Piece, k int) string {
	if id, ok := t.find(all[k]); ok {
		return id
	}
	if id, ok := t.tiedNeed(all[k]); ok {
		return id
	}
	n := t.made(all[k])
	t.d.Needs = append(slices.Clone(t.d.Needs), n)
	return n.ID
}

// made is the need that a piece makes: a thing of the larder with its job, or a name of
// which is not said yet what it is.
func (t *taker) made(p Piece) design.Need {
	n := design.Need{Name: text.Localized{}}
	taken := func(id string) bool { _, ok := t.d.Need(id); return ok }
	if m, ok := t.d.Larder().Material(p.ID); ok {
		for lang, name := range m.Name {
			n.Name[lang] = name
		}
		n.Be(m)
	}
	n.Name[t.lang] = t.unlaned(bare(p.Words, t.lang))
	n.ID = fresh(n.Name[t.lang], "thing", taken)
	return n
}

// unlaned is a name without the names of conditions in it: "cold water" is water in the
// cold lane.
func (t *taker) unlaned(name string) string {
	words := strings.Fields(name)
	for _, c := range t.d.Conditions {
		lane := fold(strings.ReplaceAll(c.Name[t.lang], "-", " "))
		words = slices.DeleteFunc(words, func(w string) bool { return fold(w) == lane })
	}
	if len(words) == 0 {
		return name
	}
	return strings.Join(words, " ")
}

// drop takes a need away that nothing uses any more and that still is as it was made.
func (t *taker) drop(before []Piece, p Piece, id string) {
	if slices.ContainsFunc(t.d.Steps, func(s design.Step) bool { return slices.Contains(s.Needs(), id) }) {
		return
	}
	n, ok := t.d.Need(id)
	if !ok {
		return
	}
	as := t.made(p)
	as.ID, as.Amount, as.PerCondition = n.ID, n.Amount, n.PerCondition && n.Amount != ""
	as.Name = n.Name
	said := slices.ContainsFunc(before, func(q Piece) bool { return q.Kind == Amount && q.Value == n.Amount })
	if reflect.DeepEqual(as, *n) && (n.Amount == "" || said) {
		t.d.Needs = slices.DeleteFunc(slices.Clone(t.d.Needs), func(x design.Need) bool { return x.ID == id })
	}
}

// amount gives a need its amount, or the step its warmth. A count says nothing that an
// amount with a unit could: it stands in the words.
func (t *taker) amount(all []Piece, p Piece) {
	q, ok := quantity.ParseOK(p.Value)
	switch {
	case !ok:
	case q.Unit.Dim == quantity.Temperature:
		if s := t.step(); s.Heat == "" {
			s.Heat = p.Value
		}
	case p.Of >= 0 && q.Unit.Symbol != quantity.One.Symbol && q.Unit.Dim != quantity.Length:
		id, ok := t.find(all[p.Of])
		if !ok {
			return
		}
		t.d.Needs = slices.Clone(t.d.Needs)
		if n, ok := t.d.Need(id); ok && n.Amount == "" {
			n.Amount = p.Value
			n.PerCondition = len(t.d.Conditions) > 1
		}
	}
}
