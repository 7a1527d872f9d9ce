package design

import (
	"fmt"
	"slices"
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// structure checks what an experiment is divided into: stages, the objects that homes
// choose, sections, who does what, what a shorter version costs.
func (v *validator) structure() {
	v.stages()
	for i := range v.d.Objects {
		v.object(&v.d.Objects[i], fmt.Sprintf("/objects/%d", i))
	}
	v.sections()
	v.activities()
	v.task()
	for i, r := range v.d.Crew {
		path := fmt.Sprintf("/crew/%d", i)
		v.id("crew", r.ID, path)
		v.named(path, "word", r.Word)
		v.named(path, "does", r.Does)
	}
	for i, s := range v.d.Steps {
		for k, id := range s.Conditions {
			if !v.known("condition", id) {
				v.say(Error, "unknown-condition", fmt.Sprintf("/steps/%d/conditions/%d", i, k),
					text.Args{"typed": id, "step": s.Title})
			}
		}
		for k, id := range s.Crew {
			if !v.known("crew", id) {
				v.say(
					Error,
					"unknown-crew",
					fmt.Sprintf("/steps/%d/crew/%d", i, k),
					text.Args{"typed": id, "step": s.Title},
				)
			}
		}
	}
	for i, r := range v.d.Reduced {
		path := fmt.Sprintf("/reduced/%d", i)
		v.id("reduced", r.ID, path)
		v.named(path, "leaves_out", r.LeavesOut)
		v.named(path, "costs", r.Costs)
	}
	for i, s := range v.d.StandsFor {
		path := fmt.Sprintf("/stands_for/%d", i)
		v.named(path, "thing", s.Thing)
		v.named(path, "means", s.Means)
	}
	if len(v.d.StandsFor) > 0 && len(v.d.Limits) == 0 {
		v.say(Warning, "no-limits", "/limits", nil)
	}
}

// named checks that a text of a part is written.
func (v *validator) named(path, field string, words text.Localized) {
	if empty(words) {
		v.say(Error, "no-name", path+"/"+field, nil)
	}
}

func (v *validator) stages() {
	if len(v.d.Stages) == 1 {
		v.say(Error, "one-stage", "/stages", nil)
	}
	for i, s := range v.d.Stages {
		path := fmt.Sprintf("/stages/%d", i)
		v.id("stage", s.ID, path)
		v.named(path, "word", s.Word)
		if _, taken := v.d.Condition(s.ID); taken { // both are compared, by their ids
			v.say(Error, "same-id", path+"/id", text.Args{"typed": s.ID})
		}
	}
}

// object checks what homes choose, and within what limits.
func (v *validator) object(o *Object, path string) {
	v.id("object", o.ID, path)
	v.named(path, "what", o.What)
	if o.Count < 1 || o.Count > MaxObjects {
		v.say(Error, "object-count", path+"/count", text.Args{"n": o.Count, "most": MaxObjects})
	}
	for k, l := range o.Limits {
		at := fmt.Sprintf("%s/limits/%d", path, k)
		r, ok := v.d.Reading(l.Reading)
		if !ok || r.Sort() != QuantityKind || !r.PerObject() {
			v.say(Error, "limit-reading", at+"/reading", text.Args{"typed": l.Reading})
			continue
		}
		unit, ok := quantity.LookupUnit(r.Unit)
		if !ok {
			continue // said at the reading
		}
		for _, x := range [][2]string{{"apart", l.Apart}, {"low", l.Low}, {"high", l.High}} {
			if x[1] != "" && !hasDim(x[1], unit.Dim) && !v.bare(Error, "bare-number", x[1], r.Unit, at+"/"+x[0]) {
				v.say(Error, "limit", at+"/"+x[0], text.Args{"typed": x[1], "unit": r.Unit})
			}
		}
	}
}

// parts checks that a reading is taken of parts that are there.
func (v *validator) parts(r *Reading, path string) {
	if r.PerObject() && len(v.d.Objects) == 0 {
		v.say(Error, "no-objects", path+"/per", text.Args{"name": r.Name})
	}
	if r.PerStage() && len(v.d.Stages) == 0 {
		v.say(Error, "no-stages", path+"/per", text.Args{"name": r.Name})
	}
	if r.PerStage() && len(r.Times) > 0 {
		v.say(Error, "stages-and-times", path+"/times", text.Args{"name": r.Name})
	}
}

// sections checks that each has steps that follow one another, each in one section.
func (v *validator) sections() {
	v.eachFollows("section", func(i int) (string, text.Localized, []string, string) {
		s := v.d.Sections[i]
		return s.ID, s.Title, s.Steps, fmt.Sprintf("/sections/%d", i)
	}, len(v.d.Sections))
	for i, s := range v.d.Sections {
		for _, x := range [][2]string{{"earliest", s.Earliest}, {"latest", s.Latest}} {
			if x[1] != "" {
				v.duration(x[1], fmt.Sprintf("/sections/%d/%s", i, x[0]))
			}
		}
	}
}

// eachFollows checks that each of n groups of steps has an id, a title and steps that
// follow one another, and no step stands in two.
func (v *validator) eachFollows(
	kind string, of func(i int) (id string, title text.Localized, steps []string, path string), n int,
) {
	in := map[string]bool{}
	for i := range n {
		group, title, steps, path := of(i)
		v.id(kind, group, path)
		v.named(path, "title", title)
		if len(steps) == 0 {
			v.say(Error, kind+"-empty", path+"/steps", text.Args{"name": title})
		}
		before := -1
		for k, id := range steps {
			at, ok := v.d.Step(id)
			if !ok || in[id] || before >= 0 && at != before+1 {
				v.say(Error, kind+"-steps", fmt.Sprintf("%s/steps/%d", path, k), text.Args{"typed": id, "name": title})
				break
			}
			in[id], before = true, at
		}
	}
}

// level checks how much of what is changed a condition has.
func (v *validator) level(c *Condition, path string) {
	if c.Value != "" {
		if p, ok := quantity.ParseOK(c.Value); !ok || p.Unit != quantity.One {
			v.say(Error, "level-value", path+"/value", text.Args{"typed": c.Value})
		}
		if _, ok := quantity.LookupUnit(c.Unit); !ok && c.Unit != "" {
			v.say(Error, "unit", path+"/unit", text.Args{"typed": c.Unit})
		}
	}
	if c.LevelFrom == "" {
		return
	}
	if r, ok := v.d.Reading(c.LevelFrom); !ok || !r.Numeric() || !r.PerCondition() {
		v.say(Error, "level-from", path+"/level_from", text.Args{"typed": c.LevelFrom})
	}
}

// LevelOf is how much of what is changed a condition has, by the design, in the unit
// of the first condition that names one, which is also that of those that name none;
// false where it is no number.
func (d *Document) LevelOf(c *Condition) (float64, bool) {
	unit := c.Unit
	if unit == "" {
		unit = d.levelUnit()
	}
	p, ok := quantity.ParseOK(strings.TrimSpace(c.Value + " " + unit))
	if !ok || c.Value == "" {
		return 0, false
	}
	if to, known := quantity.LookupUnit(d.levelUnit()); known {
		in, err := p.In(to)
		return in.Value, err == nil
	}
	return p.Value, true
}

// LevelUnit is the unit of a condition's level: of the reading by which homes measure
// it, or of the design.
func (d *Document) LevelUnit(c *Condition) string {
	if r, ok := d.Reading(c.LevelFrom); ok {
		return r.Unit
	}
	return d.levelUnit()
}

// levelUnit is the unit in which conditions say how much they have.
func (d *Document) levelUnit() string {
	i := slices.IndexFunc(d.Conditions, func(c Condition) bool { return c.Unit != "" })
	if i < 0 {
		return ""
	}
	return d.Conditions[i].Unit
}
