package review

import (
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// Blocker is something in a design that keeps it from homes: what it is, how it is
// mended and where.
type Blocker struct {
	Code      string
	Why, Mend text.Message
	Station   string // safety or design: where it is mended
	Place     string // steps with commas between for safety, a JSON Pointer for design
}

// gate lists what keeps a design from homes, in the order of mending. This is the one
// place where that is decided: what is barred at home, unless homes only watch; steps
// out of their order; and what is wrong with the document.
func gate(d *design.Document, validation []design.Problem, r safety.Report) []Blocker {
	var out []Blocker
	findings, disorder := r.Barred(d.Way)
	for _, f := range findings {
		out = append(out, Blocker{f.Rule, f.Why, f.Do, "safety", strings.Join(f.Steps, ",")})
	}
	for _, l := range disorder {
		out = append(out, Blocker{l.Rule, l.Message, text.M("blocker.order.mend"), "safety", l.Step})
	}
	for _, f := range validation {
		if f.Severity == design.Error {
			out = append(out, Blocker{f.Code, f.Message, f.Mend, "design", f.Path})
		}
	}
	return out
}
