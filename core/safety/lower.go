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
// rule's case allows it: never what is not at home, never for under 11, never
// what a fact of the home raised or what is not said; only blades, scissors,
// hot water, glass and floor-level height. One lowering takes one finding, at
// one step, down by one level.
func (j *judge) lower() {
	for _, w := range j.d.Lowered {
		i, why := j.meant(w)
		if why != "" {
			continue
		}
		f := &j.out[i]
		if len(f.Steps) > 1 { // the other steps keep their verdict
			rest := *f
			rest.Steps = slices.DeleteFunc(slices.Clone(f.Steps), func(s string) bool { return s == w.Step })
			f.Steps = []string{w.Step}
			at := j.at[i]
			j.out, j.at = append(j.out, rest), append(j.at, at)
			f = &j.out[i]
		}
		f.Was = f.Verdict
		f.Verdict = Verdicts[slices.Index(Verdicts, f.Verdict)-1]
		f.Reason = text.Message{ID: "safety.lowered", Args: text.Args{"by": w.By, "reason": w.Reason}}
	}
}

// meant is the place of the finding that a lowering takes down, or the id of
// the reason why there is none. A lowering without a case means the only
// finding of its rule in its step.
func (j *judge) meant(w design.Lowering) (int, string) {
	found, why := -1, "none"
	for i := range j.out {
		f := &j.out[i]
		if f.Rule != w.Rule || w.Case != "" && f.Case != w.Case || !slices.Contains(f.Steps, w.Step) {
			continue
		}
		if found >= 0 && w.Case == "" {
			return -1, "which"
		}
		if y := j.whyNot(*f, w.Reason); found < 0 || why != "" && y == "" {
			found, why = i, y
		}
	}
	return found, why
}

// whyNot is the id of the reason why a finding cannot be lowered; "" when it
// can.
func (j *judge) whyNot(f Hazard, reason string) string {
	if byID[f.Rule] == nil {
		return "rule" // the teacher's own caution is changed, not lowered
	}
	switch {
	case f.Was != "":
		return "twice"
	case f.Verdict == NotAtHome:
		return "x"
	case j.band < 2:
		return "young"
	case f.Asks:
		return "unsaid"
	case f.FromHome || !clauseOf(f.Rule, f.Case).Lowerable || len(f.Steps) > 1 && len(f.Needs) > 0:
		return "rule"
	case f.Rule == "heat" && !j.onlyWater(f.Steps):
		return "rule"
	case f.Verdict == Care:
		return "none"
	case len([]rune(strings.TrimSpace(reason))) < LeastReason:
		return "reason"
	}
	return ""
}

// onlyWater reports whether what is hot in steps can be water: not above
// 100 °C, and no fat, wax or syrup is in hand there.
func (j *judge) onlyWater(steps []string) bool {
	for _, id := range steps {
		s := j.stepOf(id)
		if t, ok := celsius(s.Heat); !ok || t > 100 {
			return false
		}
		if slices.ContainsFunc(s.Actions, func(a string) bool {
			return byAction[a].rule != nil && byAction[a].ID == "heat" && byAction[a].Name == "fat"
		}) {
			return false
		}
		if slices.ContainsFunc(j.handled(s), func(c content) bool { return holdsHeat(c.material) }) {
			return false
		}
	}
	return true
}

// CanLower reports whether a finding of a design could be lowered with a
// reason.
func CanLower(d *design.Document, f Hazard) bool {
	return newJudge(d, d.Larder(), nil).whyNot(f, strings.Repeat("x", LeastReason)) == ""
}

// refusedLowerings says which of the design's lowerings do not hold, and why.
// Each finding that was lowered answers for one of them.
func (j *judge) refusedLowerings(findings []Hazard) []Remark {
	var out []Remark
	used := map[int]bool{}
	for _, w := range j.d.Lowered {
		i := slices.IndexFunc(findings, func(f Hazard) bool {
			return f.Was != "" && f.Rule == w.Rule && (w.Case == "" || f.Case == w.Case) &&
				slices.Equal(f.Steps, []string{w.Step})
		})
		if i >= 0 && !used[i] {
			used[i] = true
			continue
		}
		_, why := j.meant(w)
		out = append(
			out,
			Remark{
				Rule: "lowering",
				Kind: OrderError,
				Step: w.Step,
				Message: text.Message{
					ID:   "safety.order.lowering",
					Args: text.Args{"why": text.Message{ID: "safety.lowering." + why}},
				},
			},
		)
	}
	return out
}
