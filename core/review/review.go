package review

import (
	"embed"
	"strconv"

	"patient-kitchen/core/design"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Weight says how much a line of the margin wants.
type Weight string

// A line stops issuing, wants mending, is worth knowing, or is in order.
const (
	Stop    Weight = "stop"
	Mending Weight = "mend"
	Note    Weight = "note"
	Fine    Weight = "fine"
)

// Review is all that a design means now.
type Review struct {
	Validation []design.Problem
	Safety     safety.Report
	Timeline   schedule.Timeline
	Blockers   []Blocker // what keeps it from homes; none where it can be issued
}

// Issuable reports whether nothing in the design keeps it from homes.
func (r Review) Issuable() bool { return len(r.Blockers) == 0 }

// Of judges a design.
func Of(d *design.Document) Review {
	r := Review{Validation: design.Validate(d), Safety: safety.Judge(d, d.Larder(), nil), Timeline: schedule.Plan(d)}
	r.Blockers = gate(d, r.Validation, r.Safety)
	return r
}

// placeOf is where a finding is mended: at its need if it has one, else at
// its first step.
func placeOf(d *design.Document, steps, needs []string) string {
	if len(needs) > 0 {
		for i := range d.Needs {
			if d.Needs[i].ID == needs[0] {
				return "/needs/" + strconv.Itoa(i)
			}
		}
	}
	if len(steps) > 0 {
		return stepPath(d, steps[0])
	}
	return ""
}

func stepPath(d *design.Document, id string) string {
	i, ok := d.Step(id)
	if !ok {
		return ""
	}
	return "/steps/" + strconv.Itoa(i)
}
