package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"os"

	"patient-kitchen/core/design"
	"patient-kitchen/core/review"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

var (
	errNotIssuable = errors.New("it could not be issued in its own way of working")
	errUnreadable  = errors.New("the file cannot be read")
)

// checked is what check prints: every list is there, if empty, and every text
// is in English.
type checked struct {
	Validation []checkedFinding                  `json:"validation"`
	Safety     []checkedSafety                   `json:"safety"`
	Order      []checkedOrder                    `json:"order"`
	Verdict    map[design.AgeBand]safety.Verdict `json:"verdict"`
	Issuable   bool                              `json:"issuable"`
}

type checkedFinding struct {
	Code     string          `json:"code"`
	Severity design.Severity `json:"severity"`
	Path     string          `json:"path"`
	Message  string          `json:"message"`
	Mend     string          `json:"mend"`
}

type checkedSafety struct {
	Rule      string         `json:"rule"`
	Case      string         `json:"case,omitempty"`
	Verdict   safety.Verdict `json:"verdict"`
	Absolute  bool           `json:"absolute"`
	AgeBand   design.AgeBand `json:"age_band"`
	Steps     []string       `json:"steps"`
	Materials []string       `json:"materials"`
	Why       string         `json:"why"`
	Measures  string         `json:"measures"`
	Gear      []string       `json:"gear"`
	FirstAid  []string       `json:"first_aid"`
	ClearUp   string         `json:"clear_up,omitempty"`
	Asks      bool           `json:"asks"`
	Said      *checkedSaid   `json:"said,omitempty"`
	Ways      []string       `json:"ways"`
}

// checkedSaid is the sentence that asks, where nothing in the document ticks
// or lists what it seems to say.
type checkedSaid struct {
	Concept  string `json:"concept"`
	Sentence string `json:"sentence"`
	Words    string `json:"words"`
	Question string `json:"question"`
	Path     string `json:"path"`
}

type checkedOrder struct {
	Rule    string            `json:"rule"`
	Kind    safety.RemarkKind `json:"kind"`
	Step    string            `json:"step,omitempty"`
	Message string            `json:"message"`
}

// check judges an experiment file and prints what it finds as JSON. It
// returns errNotIssuable when the experiment could not be issued in its own
// way of working, and errUnreadable when the file is none.
func check(name string, out io.Writer) error {
	raw, err := os.ReadFile(name)
	if err != nil {
		return fmt.Errorf("%w: %w", errUnreadable, err)
	}
	d, err := design.Read(raw)
	if err != nil {
		return fmt.Errorf("%w: %s: %w", errUnreadable, name, err)
	}
	const language = "en"
	r, l := review.Of(&d), d.Larder()
	c := checked{
		Validation: []checkedFinding{},
		Safety:     []checkedSafety{},
		Order:      []checkedOrder{},
		Verdict:    map[design.AgeBand]safety.Verdict{},
		Issuable:   r.Issuable(),
	}
	strays := design.Strays(raw)
	for i := range strays { // refused, as at import
		strays[i].Severity, c.Issuable = design.Error, false
	}
	for _, f := range append(r.Validation, strays...) {
		c.Validation = append(
			c.Validation,
			checkedFinding{f.Code, f.Severity, f.Path, text.Render(f.Message, language), text.Render(f.Mend, language)},
		)
	}
	for _, f := range r.Safety.Findings {
		v := checkedSafety{
			Rule:      f.Rule,
			Case:      f.Case,
			Verdict:   f.Verdict,
			Absolute:  f.Absolute,
			AgeBand:   d.AgeBand,
			Steps:     append([]string{}, f.Steps...),
			Materials: append([]string{}, f.Materials...),
			Why: text.Render(
				f.Why,
				language,
			),
			Measures: text.Render(f.Do, language),
			Gear:     append([]string{}, f.Gear...),
			FirstAid: append([]string{}, f.Aid...),
			Asks:     f.Asks,
			Ways:     []string{},
		}
		if q := f.Said; q != nil {
			v.Said = &checkedSaid{q.Concept, q.Sentence, q.Words, text.Render(q.Question, language), q.Path}
		}
		if m := r.Safety.Clearing.ClearUp(&d, f); m.ID != "" {
			v.ClearUp = text.Render(m, language)
		}
		if f.Verdict != safety.Care {
			for _, w := range safety.Mends(&d, l, f) {
				v.Ways = append(v.Ways, text.Render(w.Label, language))
			}
		}
		c.Safety = append(c.Safety, v)
	}
	for _, o := range r.Safety.Lines {
		c.Order = append(c.Order, checkedOrder{o.Rule, o.Kind, o.Step, text.Render(o.Message, language)})
	}
	for i, v := range r.Safety.Bands {
		c.Verdict[design.AgeBands[i]] = v
	}
	e := json.NewEncoder(out)
	e.SetIndent("", " ")
	if err := e.Encode(c); err != nil {
		return err
	}
	if !c.Issuable {
		return errNotIssuable
	}
	return nil
}
