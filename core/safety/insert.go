package safety

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/text"
)

// inserted is what a step that a rule asks for does.
var inserted = map[string]struct {
	kind   design.StepKind
	action string
}{
	"gear-first":         {"prepare", "gear-on"},
	"label-first":        {"prepare", "label"},
	"apart-until-closed": {"prepare", "keep-apart"},
	"acid-to-water":      {"do", "water-first"},
	"cool-first":         {"do", "cool"},
	"leftover":           {"clear-up", "clear-leftover"},
	"flame-last":         {"do", "put-out"},
	"flame-out":          {"do", "put-out"},
}

// insert puts in the step that a rule asks for at a step; false where there is no
// place for it.
func insert(d *design.Document, l *larder.Larder, rule, step string) (*design.Document, bool) {
	what, ok := inserted[rule]
	at, found := d.Step(step)
	if !ok || !found {
		return nil, false
	}
	lines := linesOf(d, l)
	i := slices.IndexFunc(lines, func(line Remark) bool { return line.Rule == rule && line.Step == step && line.Insert })
	if i < 0 {
		return nil, false
	}
	s := design.Step{
		ID:       freshID(d, rule),
		Kind:     what.kind,
		Title:    text.Localized{},
		Text:     text.Localized{},
		Duration: "2 min",
		Actions:  []string{what.action},
	}
	message := lines[i].Message
	if text.Has("safety.step." + rule + ".text") {
		message = text.Message{ID: "safety.step." + rule + ".text"}
	}
	for _, lang := range d.Languages {
		s.Title[lang] = text.Render(text.Message{ID: "safety.step." + rule + ".title"}, lang)
		s.Text[lang] = text.Render(message, lang)
	}
	if lines[i].After {
		at++
	}
	// Where it would come behind a lit flame or into a wait it stands earlier.
	for ; at >= 0; at-- {
		out := *d
		out.InsertStep(at, s)
		after := linesOf(&out, l)
		mended := !slices.ContainsFunc(
			after,
			func(line Remark) bool { return line.Rule == rule && line.Step == step && line.Kind == OrderError },
		)
		if mended && !fresh(after, lines) {
			return &out, true
		}
	}
	return nil, false
}

// withSteps puts in the steps that the order asks for and did not before.
func withSteps(d *design.Document, l *larder.Larder, before []Remark) *design.Document {
	for range inserted { // each at most once
		lines := linesOf(d, l)
		i := slices.IndexFunc(lines, func(line Remark) bool { return line.Insert && fresh([]Remark{line}, before) })
		if i < 0 {
			break
		}
		more, ok := insert(d, l, lines[i].Rule, lines[i].Step)
		if !ok {
			break
		}
		d = more
	}
	return d
}

// fresh reports whether an error in the order of steps stands in lines that
// stood in none before.
func fresh(lines, before []Remark) bool {
	return slices.ContainsFunc(lines, func(l Remark) bool {
		return l.Kind == OrderError &&
			!slices.ContainsFunc(
				before,
				func(b Remark) bool { return b.Kind == OrderError && b.Rule == l.Rule && b.Need == l.Need },
			)
	})
}

func linesOf(d *design.Document, l *larder.Larder) []Remark {
	j := newJudge(d, l, nil)
	return j.lines(j.findings())
}
