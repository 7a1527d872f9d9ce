package app

import (
	"slices"
	"strconv"
	"strings"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/review"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
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
		line := text.Message{ID: "safety.fact.line", Args: text.Args{"name": f.Name, "numbers": strings.Join(numbers, ", ")}}
		lines = append(lines, SheetLine{Strong: text.Render(line, language), Text: text.Render(f.Do, language)})
	}
	return lines
}

// knownFacts are what each home last said of itself, in whichever experiment.
func knownFacts(rows []store.Entry) map[uuid.UUID]map[string]string {
	out := map[uuid.UUID]map[string]string{}
	said := map[uuid.UUID][]notebook.Entry{}
	for _, r := range rows {
		if e, _ := readEntry(r); e.Kind == notebook.Fact && r.HomeID != nil {
			said[*r.HomeID] = append(said[*r.HomeID], e)
		}
	}
	for home, entries := range said {
		slices.SortStableFunc(entries, func(a, b notebook.Entry) int { return a.Measured().Compare(b.Measured()) })
		out[home] = map[string]string{}
		for _, e := range entries {
			out[home][e.Refers] = e.Choice[0]
		}
	}
	return out
}

// adultSteps are the steps of a design at which an adult has to be: for
// everybody, and those that what a home said of itself raises.
func adultSteps(d *design.Document) func(known map[string]string) []string {
	var everybody []string
	for _, j := range safety.AdultJobs(d, safety.Check(d)) {
		everybody = append(everybody, j.Step)
	}
	var facts []safety.Fact
	return func(known map[string]string) []string {
		if len(known) == 0 {
			return everybody
		}
		if facts == nil {
			facts = safety.Facts(d, d.Larder())
		}
		out := slices.Clone(everybody)
		for _, s := range safety.RaisedBy(facts, known) {
			if !slices.Contains(out, s.Step) {
				out = append(out, s.Step)
			}
		}
		return out
	}
}
