package kitchens

import (
	"patient-kitchen/core/detect"
	"patient-kitchen/core/rehearsal"
	"patient-kitchen/core/text"
)

// Rehearsal is what an experiment would probably show in a class.
type Rehearsal struct {
	Sentences []string    `json:"sentences" doc:"The answer first"`
	How       string      `json:"how" doc:"What was taken as usual"`
	Claims    []Rehearsed `json:"claims" doc:"Those with a size"`
}

// Rehearsed is one claim in the rehearsed classes.
type Rehearsed struct {
	Words  string  `json:"words" doc:"What is claimed"`
	Seen   int     `json:"seen" doc:"In so many of 100 classes"`
	Unit   string  `json:"unit"`
	Low    float64 `json:"low" doc:"Of the class's estimate: from the 5th of 100 classes"`
	Middle float64 `json:"middle"`
	High   float64 `json:"high" doc:"To the 95th"`
	None   float64 `json:"none" doc:"Where there would be no difference"`
}

// RehearsalOf writes an answer for the page.
func RehearsalOf(a rehearsal.Answer, language string) Rehearsal {
	out := Rehearsal{Sentences: []string{}, Claims: []Rehearsed{}, How: text.Render(a.How(), language)}
	for _, m := range a.Sentences() {
		out.Sentences = append(out.Sentences, text.Render(m, language))
	}
	for _, c := range a.Claims {
		if c.Source == detect.Nothing {
			continue
		}
		row := Rehearsed{
			Words: text.Render(c.Words, language), Seen: int(100*c.Seen + 0.5), Unit: c.Unit.Label(),
			Low: c.Low, Middle: c.Middle, High: c.High,
		}
		if c.Ratio {
			row.Unit, row.None = "×", 1
		}
		out.Claims = append(out.Claims, row)
	}
	return out
}
