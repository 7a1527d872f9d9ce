package safety

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// LeastReason is how many signs a reason for a lowered verdict has at least.
const LeastReason = 20

// lower takes verdicts one level down where the teacher has said why and the
// rule allows it: never what is not at home, never for under 11, never what a
// fact of the home raised; only blades, scissors, hot water, glass and
// floor-level height.
func (j *judge) lower() {
	for _, w := range j.d.Lowered {
		for i := range j.out {
			f := &j.out[i]
			if f.Rule != w.Rule || !slices.Contains(f.Steps, w.Step) || j.whyNot(*f, w.Reason) != "" {
				continue
			}
			f.Was = f.Verdict
			f.Verdict = Verdicts[slices.Index(Verdicts, f.Verdict)-1]
			f.Reason = text.Message{ID: "safety.lowered", Args: text.Args{"by": w.By, "reason": w.Reason}}
		}
	}
}

// whyNot is the id of the reason why a finding cannot be lowered; "" when it
// can.
func (j *judge) whyNot(f Finding, reason string) string {
	r := byID[f.Rule]
	if r == nil {
		return "rule" // the teacher's own caution is changed, not lowered
	}
	switch {
	case f.Was != "":
		return "" // it is lowered already, once
	case f.Verdict == NotAtHome:
		return "x"
	case j.band < 2:
		return "young"
	case f.FromHome || !r.Lowerable || len(f.Steps) > 1 && len(f.Needs) > 0:
		return "rule"
	case f.Verdict == Care:
		return "none"
	case len([]rune(strings.TrimSpace(reason))) < LeastReason:
		return "reason"
	}
	return ""
}

// CanLower reports whether a finding of a design could be lowered with a
// reason.
func CanLower(d *design.Document, f Finding) bool {
	j := &judge{d: d, band: bandOf(d.AgeBand)}
	return f.Was == "" && j.whyNot(f, strings.Repeat("x", LeastReason)) == ""
}

// refusedLowerings says which of the design's lowerings do not hold, and why.
func (j *judge) refusedLowerings(findings []Finding) []Line {
	var out []Line
	for _, w := range j.d.Lowered {
		why := "none"
		for _, f := range findings {
			if f.Rule == w.Rule && slices.Contains(f.Steps, w.Step) {
				why = j.whyNot(f, w.Reason)
				break
			}
		}
		if why != "" {
			out = append(out, Line{Rule: "lowering", Kind: OrderError, Step: w.Step, Message: text.Message{ID: "safety.order.lowering", Args: text.Args{"why": text.Message{ID: "safety.lowering." + why}}}})
		}
	}
	return out
}
