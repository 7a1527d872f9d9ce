package notebook

import (
	"regexp"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

var stroke = regexp.MustCompile(`^-?\d{1,4},-?\d{1,4}( -?\d{1,4},-?\d{1,4})*$`)

func unknownEvidence(d *design.Document) *Problem {
	return &Problem{
		"evidence",
		rule("evidence"),
		firstID(len(d.Evidence), func(i int) string { return d.Evidence[i].ID }),
	}
}

// pictured checks that a picture is of something that is asked for.
func pictured(d *design.Document, e *Entry) *Problem {
	if _, ok := d.EvidenceOf(e.Evidence); !ok {
		return unknownEvidence(d)
	}
	return nil
}

// recorded checks that a recording is of something that is asked for, and says which it is:
// a sound may stand in the place of a clip, and either in that of a talk.
func recorded(d *design.Document, e *Entry) *Problem {
	if len(e.Choice) != 1 || e.Choice[0] != string(design.ClipEvidence) && e.Choice[0] != string(design.SoundEvidence) {
		return &Problem{"choice", rule("recorded"), string(design.ClipEvidence)}
	}
	return pictured(d, e)
}

// observed checks that words, strokes or stages are for a step or for evidence that is
// asked for, and are what they should be.
func observed(d *design.Document, e *Entry) *Problem {
	if _, ok := d.EvidenceOf(e.Evidence); !ok && e.Evidence != "" {
		return unknownEvidence(d)
	}
	if e.Given == nil {
		return nil
	}
	if !e.Given.drawn() {
		return &Problem{"value.strokes", rule("strokes"), "100,200 140,260"}
	}
	if !e.Given.staged() {
		return &Problem{"value.chart", rule("chart"), "soil"}
	}
	return nil
}

// drawn reports whether strokes are points, and no more than a drawing holds.
func (g *Given) drawn() bool {
	all := 0
	for _, s := range g.Strokes {
		all += len(s)
		if all > maxDrawing || !stroke.MatchString(s) {
			return false
		}
	}
	return len(g.Strokes) <= maxStrokes
}

// staged reports whether a flow chart says something at each of its stages.
func (g *Given) staged() bool {
	return len(g.Chart) <= design.MaxChart && !slices.ContainsFunc(g.Chart, func(s Stop) bool {
		return strings.TrimSpace(s.Where+s.Change) == "" ||
			max(len([]rune(s.Where)), len([]rune(s.Change))) > design.MaxChartText
	})
}

// Piece is what a home gave for a piece of evidence: a picture, a drawing, words.
type Piece struct {
	Entry  *Entry
	Second bool // of a pair: the later of the two
}

// Pieces are what counts for a piece of evidence: all pictures, or of a pair the last
// of each of its steps; and the last words of each step.
func (b *Book) Pieces(evidence string) []Piece {
	asked, ok := b.Design.EvidenceOf(evidence)
	if !ok {
		return nil
	}
	steps := b.Design.StepsOf(evidence)
	var out []Piece
	for i, step := range steps {
		second := asked.Pair() && i > 0
		from := len(out)
		for k := range b.Media {
			if e := &b.Media[k]; e.Evidence == evidence && b.stepOf(e, steps) == step {
				if asked.Pair() {
					out = out[:from] // the last stands
				}
				out = append(out, Piece{e, second})
			}
		}
		var words *Entry
		for k := range b.Notes {
			if e := &b.Notes[k]; e.Kind == Observation && e.Evidence == evidence && b.stepOf(e, steps) == step {
				words = e
			}
		}
		if words != nil {
			out = append(out, Piece{words, second})
		}
	}
	return out
}

// stepOf is the step of an entry for evidence; one that names none of its steps is of
// the first.
func (b *Book) stepOf(e *Entry, steps []string) string {
	if slices.Contains(steps, e.Step) || len(steps) == 0 {
		return e.Step
	}
	return steps[0]
}

// Charted is a flow chart in words, stage after stage.
func (g *Given) Charted() text.Message {
	stops := make([]string, len(g.Chart))
	for i, s := range g.Chart {
		stops[i] = strings.Join(slices.DeleteFunc([]string{
			strings.TrimSpace(s.Where), strings.TrimSpace(s.Change),
		}, func(w string) bool { return w == "" }), ": ")
	}
	return text.Message{ID: "notebook.given.order", Args: text.Args{"order": strings.Join(stops, " → ")}}
}
