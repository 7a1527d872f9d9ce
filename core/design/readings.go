package design

import (
	"patient-kitchen/core/text"
)

// Take is a reading taken in a step, at one of its planned times if it has any.
type Take struct {
	Reading string `json:"reading"`
	Time    string `json:"time,omitempty"`
}

// Reading is something measured.
type Reading struct {
	ID            string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Symbol        string         `json:"symbol" doc:"Its name in formulas" pattern:"^[A-Za-z_][A-Za-z0-9_]*$"`
	Name          text.Localized `json:"name"`
	Unit          string         `json:"unit" doc:"Shown beside the field"`
	Instruments   []Instrument   `json:"instruments,omitempty" doc:"Tools it can be taken with; the first is the usual one"`
	Times         []string       `json:"times,omitempty" doc:"Planned times, such as 1 min"`
	PerCondition  bool           `json:"per_condition"`
	Low           string         `json:"low,omitempty" doc:"Physical limit below which a value is asked about"`
	High          string         `json:"high,omitempty" doc:"Physical limit above which a value is asked about"`
	Trials        int            `json:"trials,omitempty" minimum:"0" maximum:"20" doc:"Trials of its own; 1: measured once at each home, whatever is tried again; left out: as many as the design has"`
	Repeatability string         `json:"repeatability,omitempty" doc:"How far the same thing measured again falls apart, as one standard deviation"`
	Guidance      text.Localized `json:"guidance,omitempty"`
}

// Constant is a value of the whole class that formulas use by its symbol, such
// as the height of the school above the sea.
type Constant struct {
	Symbol string         `json:"symbol" doc:"Its name in formulas" pattern:"^[A-Za-z_][A-Za-z0-9_]*$"`
	Name   text.Localized `json:"name"`
	Value  string         `json:"value" doc:"With unit, and its give or take where it has one, such as 340 m ± 5 m"`
}

// Instrument is a tool that shows a value in steps.
type Instrument struct {
	ID         string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Name       text.Localized `json:"name"`
	Resolution string         `json:"resolution" doc:"Smallest step of a display or division of a scale, such as 1 mm"`
	Analogue   bool           `json:"analogue,omitempty" doc:"Read by eye to half a division"`
}

// Evidence is a photo or words that show what happened.
type Evidence struct {
	ID       string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Kind     string         `json:"kind" enum:"photo,text"`
	Name     text.Localized `json:"name"`
	MustShow text.Localized `json:"must_show,omitempty"`
	Required bool           `json:"required,omitempty"`
}

// Instrument finds one of a reading's instruments; an unknown or empty id is
// the usual one, and a reading without any has none.
func (r *Reading) Instrument(id string) (Instrument, bool) {
	for _, in := range r.Instruments {
		if in.ID == id {
			return in, true
		}
	}
	if len(r.Instruments) > 0 {
		return r.Instruments[0], true
	}
	return Instrument{}, false
}

// Slot is one reading that is to be taken.
type Slot struct {
	Reading   string `json:"reading"`
	Condition string `json:"condition,omitempty"`
	Time      string `json:"time,omitempty"`
	Trial     int    `json:"trial"` // from 1
}

// Slots lists every reading the document asks for, in the order of readings,
// conditions, trials and times.
func (d *Document) Slots() []Slot {
	var out []Slot
	for _, r := range d.Readings {
		conditions := []string{""}
		if r.PerCondition && len(d.Conditions) > 0 {
			conditions = conditions[:0]
			for _, c := range d.Conditions {
				conditions = append(conditions, c.ID)
			}
		}
		times := r.Times
		if len(times) == 0 {
			times = []string{""}
		}
		for _, c := range conditions {
			for trial := 1; trial <= d.TrialsOf(&r); trial++ {
				for _, t := range times {
					out = append(out, Slot{r.ID, c, t, trial})
				}
			}
		}
	}
	return out
}

// TrialsOf is how often a reading is taken again.
func (d *Document) TrialsOf(r *Reading) int {
	if r.Trials > 0 {
		return r.Trials
	}
	return max(1, d.Trials)
}
