package safety

import (
	"embed"
	"encoding/json"
	"fmt"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// Verdict is how a step may be done; they are ordered, mildest first.
type Verdict string

// The four verdicts.
const (
	Care       Verdict = "care"
	AdultNear  Verdict = "adult-near"
	AdultDoes  Verdict = "adult-does"
	NotAtHome  Verdict = "not-at-home"
	Unanswered Verdict = "unanswered" // a line of the teacher's statement is open: nothing can be said yet
)

var order = []Verdict{Care, AdultNear, AdultDoes, NotAtHome, Unanswered}

// Worse reports whether v stands above w.
func (v Verdict) Worse(w Verdict) bool { return slices.Index(order, v) > slices.Index(order, w) }

// RulesVersion is stored with every plan that was issued under these rules.
const RulesVersion = 1

type rule struct {
	ID      string     `json:"id"`
	Actions []string   `json:"actions"`
	Hazard  string     `json:"hazard"`
	Verdict [4]Verdict `json:"verdict"` // by age band, youngest first
	Quiet   bool       `json:"quiet"`   // everyday: no sentence for the family
}

//go:embed rules.json
var rulesFile []byte

//go:embed texts/*.json
var texts embed.FS

var rules []rule

func init() {
	text.Register(texts)
	if err := json.Unmarshal(rulesFile, &rules); err != nil {
		panic(fmt.Sprintf("safety: rules.json: %v", err))
	}
	for _, r := range rules {
		for _, v := range r.Verdict {
			if !slices.Contains(order, v) {
				panic(fmt.Sprintf("safety: rule %s has the unknown verdict %q", r.ID, v))
			}
		}
	}
}

// Finding is one thing that could hurt, and what follows from it.
type Finding struct {
	Rule    string
	Verdict Verdict
	Step    string // id of the step; "" for the teacher's statement
	Action  string
	Why     text.Message // one sentence a guardian understands
	Do      text.Message // what to do about it
}

// Actions lists the words that steps may use for what is done, in the order
// of the rules, with whether a home may do them.
func Actions() (allowed, barred []string) {
	for _, r := range rules {
		if r.Verdict[3] == NotAtHome {
			barred = append(barred, r.Actions...)
		} else {
			allowed = append(allowed, r.Actions...)
		}
	}
	return allowed, barred
}

// Check judges a design for its own age band. Findings come in the order of
// the steps, then of the teacher's statement. An action without a rule is
// judged as not at home: what is not known is not issued.
func Check(d *design.Document) []Finding {
	band := slices.Index(design.AgeBands, d.AgeBand)
	if band < 0 {
		band = 0 // an unknown age is judged as the youngest
	}
	var out []Finding
	for _, s := range d.Steps {
		for _, a := range s.Actions {
			out = append(out, judge(s, a, band)...)
		}
		if s.Closed {
			out = append(out, finding("gas-rigid-closed", NotAtHome, s.ID, "closed"))
		}
	}
	for _, line := range statement(&d.Hazards) {
		switch {
		case line.answer == nil:
			out = append(out, finding("unanswered-"+line.hazard, Unanswered, "", line.hazard))
		case *line.answer:
			out = append(out, finding(line.hazard, NotAtHome, "", line.hazard))
		}
	}
	return out
}

func judge(s design.Step, action string, band int) []Finding {
	for _, r := range rules {
		if !slices.Contains(r.Actions, action) {
			continue
		}
		if r.Quiet {
			return nil
		}
		return []Finding{finding(r.ID, r.Verdict[band], s.ID, action)}
	}
	return []Finding{finding("unknown-action", NotAtHome, s.ID, action)}
}

func finding(rule string, v Verdict, step, action string) Finding {
	args := text.Args{"action": action}
	return Finding{
		Rule: rule, Verdict: v, Step: step, Action: action,
		Why: text.Message{ID: "safety." + rule + ".why", Args: args},
		Do:  text.Message{ID: "safety." + rule + ".do", Args: args},
	}
}

type line struct {
	hazard string
	answer *bool
}

func statement(h *design.Hazards) []line {
	return []line{{"heat", h.Heat}, {"flame", h.Flame}, {"blade", h.Blade}, {"gas", h.Gas}, {"chemicals", h.Chemicals}}
}

// Worst is the gravest verdict among findings; Care when there are none.
func Worst(findings []Finding) Verdict {
	worst := Care
	for _, f := range findings {
		if f.Verdict.Worse(worst) {
			worst = f.Verdict
		}
	}
	return worst
}

// Issuable reports whether a design with these findings may go to homes in
// the given way of working: nothing unanswered, and nothing barred unless the
// homes only watch.
func Issuable(findings []Finding, way design.Way) bool {
	worst := Worst(findings)
	return worst != Unanswered && (worst != NotAtHome || way == design.WatchShared)
}

// AdultJob is a step at which an adult has to be there or act.
type AdultJob struct {
	Step    string
	Verdict Verdict
	Why     text.Message
}

// AdultJobs lists the steps that need an adult, each once with its gravest
// verdict, in order.
func AdultJobs(findings []Finding) []AdultJob {
	var jobs []AdultJob
	for _, f := range findings {
		if f.Step == "" || f.Verdict != AdultNear && f.Verdict != AdultDoes {
			continue
		}
		i := slices.IndexFunc(jobs, func(j AdultJob) bool { return j.Step == f.Step })
		if i < 0 {
			jobs = append(jobs, AdultJob{f.Step, f.Verdict, f.Why})
		} else if f.Verdict.Worse(jobs[i].Verdict) {
			jobs[i] = AdultJob{f.Step, f.Verdict, f.Why}
		}
	}
	return jobs
}
