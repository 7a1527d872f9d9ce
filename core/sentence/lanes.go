package sentence

import (
	"slices"
	"strconv"
	"strings"
	"unicode"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// Lanes reads conditions from one line, as they are said: "plain, salty 1 tsp, very
// salty 3 tsp" or "cold 15 °C, warm 40 °C". What has a number with a unit is a level; one
// that is called plain, without or the like is the untreated comparison, if it is the
// only one. ids are those that are taken.
func Lanes(line, language string, ids []string) []design.Condition {
	lang := text.Of(language).Code
	v := vocabularies[lang]
	if v == nil || len(line) > MostSigns {
		return nil
	}
	var out []design.Condition
	untreated := 0
	taken := func(id string) bool {
		return slices.Contains(ids, id) || slices.ContainsFunc(out, func(c design.Condition) bool { return c.ID == id })
	}
	for _, item := range divided(v, line) {
		r := &reader{v: v, lang: lang, text: item, t: tokens(item), sizes: map[int]sized{}}
		c := design.Condition{}
		name := item
		for i := range r.t {
			if q, next := r.quantity(i); next > i {
				c.Value, c.Unit = strconv.FormatFloat(q.Value, 'g', 10, 64), q.Unit.Symbol
				name = item[:r.t[i].from] + item[r.t[next-1].to:]
				break
			}
		}
		if name = strings.TrimFunc(name, func(x rune) bool {
			return unicode.IsSpace(x) || strings.ContainsRune(":,;()–—-=", x)
		}); name == "" {
			name = item
		}
		c.ID, c.Name = fresh(name, "condition", taken), text.Localized{language: name}
		for _, t := range r.t {
			c.Control = c.Control || v.sets["untreated"][t.word]
		}
		if c.Control {
			untreated++
		}
		out = append(out, c)
	}
	for i := range out {
		out[i].Control = out[i].Control && untreated == 1
	}
	return out
}

// divided cuts a line at its commas, and before the last item at its "and" or "or".
func divided(v *vocabulary, line string) []string {
	var out []string
	from := 0
	cut := func(to, next int) {
		if item := strings.TrimSpace(line[from:to]); item != "" {
			out = append(out, strings.TrimRight(item, "."))
		}
		from = next
	}
	for _, t := range tokens(line) {
		if t.sign == ',' || t.sign == ';' || t.sign == '\n' || v.sets["and"][t.word] && t.word != "" {
			cut(t.from, t.to)
		}
	}
	cut(len(line), len(line))
	return out
}

// TakeLanes puts the conditions of a line behind those of a design.
func TakeLanes(d *design.Document, line, language string) {
	var ids []string
	for _, c := range d.Conditions {
		ids = append(ids, c.ID)
	}
	more := Lanes(line, language, ids)
	controlled := slices.ContainsFunc(d.Conditions, func(c design.Condition) bool { return c.Control })
	for i := range more {
		more[i].Control = more[i].Control && !controlled
	}
	d.Conditions = append(slices.Clone(d.Conditions), more...)
	if len(d.Conditions) < 2 {
		return
	}
	// What was asked of the one set-up is now asked of each.
	d.Readings = slices.Clone(d.Readings)
	for i := range d.Readings {
		if r := &d.Readings[i]; len(r.Per) == 0 && len(d.Conditions) == len(more) && r.Sort() != design.OrderKind &&
			r.Sort() != design.ChoiceKind {
			r.Per = []design.PartOf{design.Conditions}
		}
	}
}
