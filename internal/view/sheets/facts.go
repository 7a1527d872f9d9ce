package sheets

import (
	"strconv"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/review"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// FactRow is one question about a home that a step waits for. What a home says
// of itself stands in its notebook, is known to all its experiments, and is
// shown to nobody else.
type FactRow struct {
	ID     string        `json:"id"`
	Ask    string        `json:"ask"`
	Raises string        `json:"raises" enum:"yes,no" doc:"The answer that raises"`
	Do     string        `json:"do" doc:"What is done then"`
	Steps  []FactStepRow `json:"steps"`
}

// FactStepRow is a step that a fact raises.
type FactStepRow struct {
	Step    string `json:"step"`
	Verdict string `json:"verdict" enum:"adult-near,adult-does,not-at-home"`
}

func factRows(facts []safety.Fact, language string) []FactRow {
	out := []FactRow{}
	for _, f := range facts {
		row := FactRow{ID: f.ID, Ask: text.Render(f.Ask, language), Raises: f.Raises, Do: text.Render(f.Do, language)}
		for _, s := range f.Steps {
			row.Steps = append(row.Steps, FactStepRow{s.Step, string(s.Verdict)})
		}
		out = append(out, row)
	}
	return out
}

// factLines say on the sheet which facts raise what.
func factLines(d *design.Document, r review.Review, language string) []SheetLine {
	var lines []SheetLine
	for _, f := range r.Safety.Facts {
		var numbers []string
		for _, s := range f.Steps {
			i, _ := d.Step(s.Step)
			numbers = append(numbers, strconv.Itoa(i+1))
		}
		line := text.Message{
			ID:   "safety.fact.line",
			Args: text.Args{"name": f.Name, "numbers": strings.Join(numbers, ", ")},
		}
		lines = append(lines, SheetLine{Strong: text.Render(line, language), Text: text.Render(f.Do, language)})
	}
	return lines
}
