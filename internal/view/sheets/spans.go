package sheets

import (
	"patient-kitchen/core/design"
	"patient-kitchen/core/review"
	"patient-kitchen/core/safety"
)

// SpanView is one step on the timeline, in seconds from the start.
type SpanView struct {
	Step  string `json:"step"`
	Kind  string `json:"kind"`
	Title string `json:"title"`
	Start int    `json:"start"`
	End   int    `json:"end"`
	Wait  int    `json:"wait" doc:"Between the end of the step before and its start"`
	Fold  bool   `json:"fold" doc:"Its wait is drawn folded, at one width"`
	Reads bool   `json:"reads" doc:"A reading is taken in it"`
	Photo bool   `json:"photo"`
	Adult bool   `json:"adult" doc:"An adult has to be there"`
}

// Spans are the steps on their time line.
func Spans(d *design.Document, r review.Review, language string) []SpanView {
	adults := map[string]bool{}
	for _, j := range safety.AdultJobs(d, r.Safety.Findings) {
		adults[j.Step] = true
	}
	out := []SpanView{}
	for i, s := range r.Timeline.Steps {
		step := d.Steps[i]
		title, _ := step.Title.In(language)
		photo := false
		for _, id := range step.Evidence {
			if e, ok := d.EvidenceOf(id); ok {
				photo = photo || e.Photographed()
			}
		}
		out = append(
			out,
			SpanView{
				Step:  s.Step,
				Kind:  string(step.Kind),
				Title: title,
				Start: int(s.Start.Seconds()),
				End:   int(s.End.Seconds()),
				Wait:  int(s.Wait.Seconds()),
				Fold:  s.Folded(),
				Reads: len(step.Takes) > 0,
				Photo: photo,
				Adult: adults[s.Step],
			},
		)
	}
	return out
}
