package safety

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Swaps lists what may stand in for a need of a design, with the
// verdict its steps would have with each. What the rules keep from homes is
// left out; that some step would be graver than in the design is said.
func Swaps(d *design.Document, l *larder.Larder, n *design.Need) ([]JudgedSwap, error) {
	if n.Role == "" || n.Material == "" || isChanged(d, l, n) {
		return nil, nil
	}
	all, err := l.Candidates(larderNeed(d, l, n))
	if err != nil {
		return nil, err
	}
	base := newJudge(d, l, nil)
	found := base.findings()
	own := byStep(found)
	var out []JudgedSwap
	for _, c := range base.serving(n, all) {
		after := base.instead(Swapped(d, l, n.ID, c), n.ID).findings()
		with := byStep(after)
		sub := JudgedSwap{Candidate: c, Verdict: Care, Cautions: NewCautions(found, after, n.ID)}
		barred := false
		for step, v := range with {
			if v.Worse(own[step]) {
				sub.Graver = true
				barred = barred || v == NotAtHome
			}
			if i, ok := d.Step(step); ok && (slices.Contains(d.Steps[i].Uses, n.ID) || d.Steps[i].In == n.ID) &&
				v.Worse(sub.Verdict) {
				sub.Verdict = v
			}
		}
		if !barred {
			out = append(out, sub)
		}
	}
	return out, nil
}

// byStep is the gravest verdict of each step.
func byStep(findings []Hazard) map[string]Verdict {
	out := map[string]Verdict{}
	for _, f := range findings {
		for _, s := range f.Steps {
			if v, ok := out[s]; !ok || f.Verdict.Worse(v) {
				out[s] = f.Verdict
			}
		}
	}
	return out
}

// JudgedSwap is a candidate with the verdict of the design with it.
type JudgedSwap struct {
	larder.Candidate
	Verdict Verdict // the gravest of the steps that use it
	Graver  bool    // some step is graver than in the design: it has to be said

	Cautions []text.Message // of its own, that the design's choice has not
}

// NewCautions are what a swap asks for that the design did not: what it holds
// that somebody may avoid, and what to do about what it can hurt.
func NewCautions(before, after []Hazard, need string) []text.Message {
	var out []text.Message
	for _, f := range after {
		known := func(g Hazard) bool {
			return g.Rule == f.Rule && g.Case == f.Case &&
				(f.Rule != "allergen" || slices.Contains(g.Needs, need) && text.Render(g.Why,
					"en") == text.Render(f.Why, "en"))
		}
		if f.Said != nil || !slices.Contains(f.Needs, need) || slices.ContainsFunc(before, known) {
			continue
		}
		m := f.Do
		if f.Rule == "allergen" {
			m = f.Why
		}
		if !slices.ContainsFunc(
			out,
			func(o text.Message) bool { return text.Render(o, "en") == text.Render(m, "en") },
		) {
			out = append(out, m)
		}
	}
	return out
}

// larderNeed is a design's need as the larder asks for it.
func larderNeed(d *design.Document, l *larder.Larder, n *design.Need) larder.Wanted {
	need := larder.Wanted{
		Role:      n.Role,
		Stuff:     larder.Stuff{Material: n.Material, Form: n.Form},
		Tolerance: string(n.Tolerance),
		Barred:    n.Barred,
		Qualities: n.Asked(l),
	}
	if n.Strength != nil {
		need.Percent = n.Strength.Value
		if n.Strength.Basis == "volumes" {
			need.Percent = n.Strength.Value / 3.3
		}
	}
	if p, err := quantity.Parse(n.Amount); err == nil {
		need.Amount = p.Quantity
	}
	for _, m := range d.Measured {
		if m.Result == "" {
			need.Results = nil // one that is not named compares by what holds for any
			break
		}
		need.Results = append(need.Results, m.Result)
	}
	return need
}

// isChanged reports whether a need is what the experiment changes: that is
// never swapped, or the question would be another.
func isChanged(d *design.Document, l *larder.Larder, n *design.Need) bool {
	for _, lang := range text.Languages {
		for _, words := range append([]text.Localized{d.Changed.Name}, conditionNames(d)...) {
			if words[lang] != "" &&
				slices.ContainsFunc(
					l.Meant(words[lang], lang),
					func(m *larder.Material) bool { return m.ID == n.Material },
				) {
				return true
			}
		}
	}
	return false
}

func conditionNames(d *design.Document) []text.Localized {
	var out []text.Localized
	for _, c := range d.Conditions {
		out = append(out, c.Name)
	}
	return out
}
