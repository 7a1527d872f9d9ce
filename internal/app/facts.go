package app

import (
	"maps"
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
		line := text.Message{
			ID:   "safety.fact.line",
			Args: text.Args{"name": f.Name, "numbers": strings.Join(numbers, ", ")},
		}
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

// guards are the steps of a design at which something has to be said first: an
// adult has to be there, for everybody or by what a home said of itself; a
// question about the home waits; or its answer closes the step.
func guards(d *design.Document) func(known map[string]string) notebook.Guards {
	everybody := notebook.Guards{}
	for _, j := range safety.AdultJobs(d, safety.Check(d)) {
		everybody[j.Step] = notebook.AdultNotSaid
	}
	facts := safety.Facts(d, d.Larder())
	return func(known map[string]string) notebook.Guards {
		out := maps.Clone(everybody)
		for _, f := range facts {
			if known[f.ID] != "" {
				continue
			}
			for _, s := range f.Steps {
				out[s.Step] = notebook.FactNotSaid
			}
		}
		for _, s := range safety.RaisedBy(facts, known) {
			if s.Verdict == safety.NotAtHome {
				out[s.Step] = notebook.NotHere
			} else if out[s.Step] == "" {
				out[s.Step] = notebook.AdultNotSaid
			}
		}
		return out
	}
}
