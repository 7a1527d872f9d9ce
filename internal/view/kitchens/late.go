package kitchens

import (
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/fit"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/text"
)

// LateChange is a home whose plan was made anew since it was issued: it answered late, or
// uses something else after all.
type LateChange struct {
	Class      uuid.UUID `json:"class"`
	ClassName  string    `json:"class_name"`
	Assignment uuid.UUID `json:"assignment"`
	Experiment uuid.UUID `json:"experiment"`
	Title      string    `json:"title"`
	Home       uuid.UUID `json:"home"`
	Nickname   string    `json:"nickname"`
	At         time.Time `json:"at"`
	Was        string    `json:"was" doc:"How it took part, and with what"`
	Now        string    `json:"now"`
	Asked      bool      `json:"asked" doc:"A hazard rose: a guardian is asked again"`
}

// DoneBy is how a home takes part by a plan that was kept, and with what that is not the
// design's own.
func DoneBy(r *fit.PlanReport, l *larder.Larder, language string) string {
	out := text.Render(text.M("kitchens.verdict."+string(r.Verdict)), language)
	if r.Verdict == fit.SharedReadings {
		return out
	}
	var things text.List
	for i := range r.Choices {
		c := &r.Choices[i]
		if name, known := c.Called(l); known && !c.Without && (c.Kit || !c.Own) {
			said, _ := name.In(language)
			things = append(things, text.M("fit.thing", "thing", said))
		}
	}
	return out + inBrackets(things, language)
}
