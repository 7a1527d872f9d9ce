package sheets

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Plan is how a home does an experiment: with its own things and tools, by a plan that
// was frozen for it. Nothing of it is nil's.
type Plan struct {
	Of     *design.Document // as it is designed
	Report fit.PlanReport
}

// Closed are the ids of steps that are not for the home.
func (p *Plan) Closed() []string {
	if p == nil {
		return nil
	}
	return p.Report.Closed
}

// FromTeacher are the readings that the home takes from its teacher.
func (p *Plan) FromTeacher() []string {
	if p == nil {
		return nil
	}
	return p.Report.FromTeacher()
}

// fill puts what the home uses and how it measures into its sheet.
func (p *Plan) fill(s *Sheet, d *design.Document, language string) {
	say := func(id string, args text.Args) string { return text.Render(text.Message{ID: id, Args: args}, language) }
	s.Verdict = string(p.Report.Verdict)
	swaps := swapsOf(p.Of, language)
	for i := range s.Needs {
		p.need(&s.Needs[i], swaps, language)
	}
	shared := p.Report.FromTeacher()
	for i := range s.Readings {
		s.Readings[i].Shared = slices.Contains(shared, s.Readings[i].ID)
	}
	for i := range s.Steps {
		row := &s.Steps[i]
		row.Closed = slices.Contains(p.Report.Closed, row.ID)
		if row.Closed {
			row.Uses = append(row.Uses, UseRow{Text: say("fit.step.closed", nil)})
			row.Takes, row.Needed = []design.Slot{}, nil
			continue
		}
		for _, c := range p.Report.Choices {
			if line := p.line(d, &c, language); line != "" && slices.Contains(row.Needs, c.Need) {
				row.Uses = append(row.Uses, UseRow{c.Need, line})
			}
		}
		for _, id := range shared {
			if slices.ContainsFunc(row.Takes, func(t design.Slot) bool { return t.Reading == id }) {
				r, _ := d.Reading(id)
				row.Uses = append(row.Uses, UseRow{Text: say("fit.step.shared", text.Args{"reading": r.Name})})
			}
		}
		lent := func(t design.Slot) bool { return slices.Contains(shared, t.Reading) }
		row.Takes, row.Needed = slices.DeleteFunc(row.Takes, lent), slices.DeleteFunc(row.Needed, lent)
	}
}

// need fills in what stands for a need, and what else may.
func (p *Plan) need(row *NeedRow, swaps map[string][]PrintedSwap, language string) {
	c, ok := p.Report.Choice(row.ID)
	if !ok {
		return
	}
	row.Use = c.Use()
	was, _ := p.Of.Need(row.ID)
	if !c.Own {
		row.For, _ = was.Name.In(language)
		own := PrintedSwap{
			Use: use(was), Name: row.For, Cautions: []string{}, Counts: text.Render(text.M("fit.counts.pools"),
				language),
			Amount: text.Render(fit.AmountOf(p.Of, was), language),
		}
		row.Swaps = append([]PrintedSwap{own}, slices.DeleteFunc(
			slices.Clone(swaps[row.ID]), func(s PrintedSwap) bool { return s.Use == row.Use })...)
	}
	if c.Kit {
		row.Kit = text.Render(text.M("fit.kit"), language)
		if m, ok := p.Of.Larder().Material(c.Material); ok && m.Lent() {
			row.Kit = text.Render(text.M("fit.lent"), language)
		}
	}
}

// beside is what paper says beside a thing: what it stands for, and who brings it.
func (p *Plan) beside(need, language string) string {
	if p == nil {
		return ""
	}
	row := NeedRow{ID: need}
	p.need(&row, nil, language)
	if row.For == "" {
		return row.Kit
	}
	instead := text.Render(text.Message{ID: "fit.in-place-of", Args: text.Args{"was": row.For}}, language)
	return strings.TrimSpace(instead + " " + row.Kit)
}

func use(n *design.Need) string {
	c := fit.ChoiceReport{Material: n.Material, Form: n.Form}
	return c.Use()
}

// line says at a step what the home uses there, where that is not what the step says.
func (p *Plan) line(d *design.Document, c *fit.ChoiceReport, language string) string {
	was, _ := p.Of.Need(c.Need)
	now, _ := d.Need(c.Need)
	if now == nil || was == nil {
		return ""
	}
	args := text.Args{"was": was.Name}
	amount := eachAmount(now)
	switch {
	case c.Without:
		return text.Render(text.Message{ID: "fit.step.without", Args: args}, language)
	case !c.Own:
		name, _ := now.Name.In(language)
		return instead(was.Name, name, text.Render(amount, language), language)
	case c.Percent > 0 && was.Strength != nil && c.Percent != was.Strength.Value && amount.ID != "":
		args["amount"] = amount
		return text.Render(text.Message{ID: "fit.step.strength", Args: args}, language)
	}
	return ""
}

// eachAmount is a need's amount of one time, with its strength; "" where it is not
// measured out.
func eachAmount(n *design.Need) text.Message {
	if _, err := quantity.Parse(n.Amount); err != nil {
		return text.Message{}
	}
	return fit.Each(n)
}
