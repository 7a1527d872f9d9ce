package drafts

import (
	"cmp"
	"encoding/json"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/view/sheets"
)

// SafetyView is one safety finding, in the teacher's words.
type SafetyView struct {
	Rule     string           `json:"rule"`
	Case     string           `json:"case,omitempty"`
	Verdict  string           `json:"verdict" enum:"care,adult-near,adult-does,not-at-home"`
	Absolute bool             `json:"absolute" doc:"Not at home, and cannot be lowered"`
	Steps    []sheets.StepRef `json:"steps"`
	Things   []string         `json:"things" doc:"What it comes from, in words"`
	Need     string           `json:"need,omitempty" doc:"Id of the first need it comes from"`
	Action   string           `json:"action,omitempty"`
	Why      string           `json:"why"`
	Do       string           `json:"do"`
	Gear     []string         `json:"gear"`
	Wrong    []string         `json:"wrong" doc:"Titles of the first-aid cards it can need"`
	Clear    string           `json:"clear,omitempty"`
	Asks     bool             `json:"asks" doc:"Something is not said; until it is, the worst is assumed"`
	Mends    []MendView       `json:"mends"`
	CanLower bool             `json:"can_lower"`
	Was      string           `json:"was,omitempty" doc:"The verdict before it was lowered"`
	Reason   string           `json:"reason,omitempty"`
	Said     *SaidView        `json:"said,omitempty" doc:"The sentence that asks; left out for what is ticked or listed"`
}

// SaidView is a question about a sentence: what it seems to say, and nothing
// ticks or lists.
type SaidView struct {
	Concept  string `json:"concept"`
	Key      string `json:"key" doc:"Kept with an answer; it changes with the sentence"`
	Question string `json:"question"`
	Sentence string `json:"sentence"`
	Words    string `json:"words" doc:"What was found in it"`
	Language string `json:"language"`
	Path     string `json:"path" doc:"JSON pointer to the text"`
	Sure     bool   `json:"sure" doc:"Almost sure: ticking is offered first"`
	Least    int    `json:"least" doc:"Letters that the reason for another meaning needs at least; -1 where that is not taken"`
}

// MendView is a mend that carries itself out: POST its change with the document to
// /preview/mend.
type MendView struct {
	Change safety.Change `json:"change"`
	Label  string        `json:"label"`
	After  string        `json:"after,omitempty" doc:"The gravest verdict of these steps then"`
}

// OrderView is one line about the order of steps.
type OrderView struct {
	Rule    string     `json:"rule"`
	Kind    string     `json:"kind" enum:"error,added,suggestion"`
	Step    string     `json:"step,omitempty"`
	Number  int        `json:"number,omitempty"`
	Need    string     `json:"need,omitempty"`
	Message string     `json:"message"`
	Mends   []MendView `json:"mends"`
}

// BandView is a design's verdict at one age.
type BandView struct {
	AgeBand string `json:"age_band"`
	Verdict string `json:"verdict"`
}

// viewSafety puts the gravest findings first; ways out are worked out where a
// finding asks for more than care.
func viewSafety(d *design.Document, l *larder.Larder, r safety.Report, language string) []SafetyView {
	titles := map[string]string{}
	for _, c := range safety.Cards() {
		titles[c.ID] = text.Render(c.Title, language)
	}
	out := []SafetyView{}
	for _, f := range r.Findings {
		v := SafetyView{
			Rule:     f.Rule,
			Case:     f.Case,
			Verdict:  string(f.Verdict),
			Absolute: f.Absolute,
			Steps:    []sheets.StepRef{},
			Things:   []string{},
			Why: text.Render(
				f.Why,
				language,
			),
			Do:       text.Render(f.Do, language),
			Gear:     []string{},
			Wrong:    []string{},
			Asks:     f.Asks,
			Mends:    []MendView{},
			CanLower: safety.CanLower(d, f),
			Was:      string(f.Was),
		}
		if f.Was != "" {
			v.Reason = text.Render(f.Reason, language)
		}
		if f.Action != "" {
			v.Action, _ = safety.ActionName(f.Action).In(language)
		}
		for _, id := range f.Steps {
			v.Steps = append(v.Steps, sheets.StepOf(d, id, language))
		}
		for _, id := range f.Needs {
			if n, ok := d.Need(id); ok {
				name, _ := n.Name.In(language)
				v.Things = append(v.Things, name)
			}
		}
		if len(f.Needs) > 0 {
			v.Need = f.Needs[0]
		}
		for _, g := range f.Gear {
			v.Gear = append(v.Gear, text.Render(text.Message{ID: "safety.gear." + g}, language))
		}
		for _, a := range f.Aid {
			v.Wrong = append(v.Wrong, titles[a])
		}
		if m := r.Clearing.ClearUp(d, f); m.ID != "" {
			v.Clear = text.Render(m, language)
		}
		if q := f.Said; q != nil {
			v.Said = &SaidView{
				q.Concept,
				q.Key,
				text.Render(q.Question, language),
				q.Sentence,
				q.Words,
				q.Language,
				q.Path,
				q.Sure,
				q.Least,
			}
		}
		if f.Verdict != safety.Care || f.Said != nil {
			v.Mends = viewMends(safety.Mends(d, l, f), language)
		}
		out = append(out, v)
	}
	slices.SortStableFunc(out, func(a, b SafetyView) int {
		return cmp.Compare(
			slices.Index(safety.Verdicts, safety.Verdict(b.Verdict)),
			slices.Index(safety.Verdicts, safety.Verdict(a.Verdict)),
		)
	})
	return out
}

func viewMends(mends []safety.Mend, language string) []MendView {
	out := []MendView{}
	for _, m := range mends {
		out = append(out, MendView{m.Change, text.Render(m.Label, language), string(m.After)})
	}
	return out
}

func viewOrder(d *design.Document, l *larder.Larder, r safety.Report, language string) []OrderView {
	out := []OrderView{}
	for _, line := range r.Lines {
		v := OrderView{
			Rule:    line.Rule,
			Kind:    string(line.Kind),
			Step:    line.Step,
			Need:    line.Need,
			Message: text.Render(line.Message, language),
			Mends:   viewMends(safety.LineMends(d, l, line), language),
		}
		v.Number = sheets.StepOf(d, line.Step, language).Number
		out = append(out, v)
	}
	return out
}

// ViewBands is the gravest verdict at each age.
func ViewBands(r safety.Report) []BandView {
	out := make([]BandView, len(r.Bands))
	for i, v := range r.Bands {
		out[i] = BandView{string(design.AgeBands[i]), string(v)}
	}
	return out
}

// Mended is a document with a change carried out, and what it means then.
type Mended struct {
	Document json.RawMessage `json:"document"`
	Review   ReviewView      `json:"review"`
}

// Mend carries a change out on a document that is not stored.
func Mend(raw []byte, change safety.Change, language string) (Mended, error) {
	d, err := design.Read(raw)
	if err != nil {
		return Mended{}, refusal.Field("document", refusal.Rule("unreadable", "problem", err.Error()), `{"schema": 2}`)
	}
	after, err := safety.Apply(&d, d.Larder(), change)
	if err != nil {
		return Mended{}, &refusal.Refused{Code: "way-gone"}
	}
	out, err := json.Marshal(after)
	return Mended{out, Review(out, language)}, err
}
