package design

import (
	"fmt"
	"slices"
	"strconv"

	"patient-kitchen/core/text"
)

// ModelUse is a model of the Workbench that works a value out of readings.
type ModelUse struct {
	ID     string            `json:"id" doc:"Id of the model, such as flight"`
	Output string            `json:"output,omitempty" doc:"What it gives; left out: its answer"`
	Inputs map[string]string `json:"inputs" doc:"By input: a reading's symbol, or what would be typed, such as 20 °C"`
}

// Derived is a value worked out from readings by a formula or a model.
type Derived struct {
	ID      string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Name    text.Localized `json:"name"`
	Formula string         `json:"formula,omitempty" doc:"Of the readings' symbols; left out where a model works it out"`
	Model   *ModelUse      `json:"model,omitempty"`
	Unit    string         `json:"unit"`
}

// Outcome is what the work comes to in one respect, compared over conditions and
// homes: a number, or for a reading of another kind what was given for it.
type Outcome struct {
	Derived
	Reading *Reading // of a kind that is no number; nil for numbers
}

// lanesOf are the conditions of which a reading is taken each by itself, or else the
// stages; none where it is taken of neither.
func (d *Document) lanesOf(r *Reading) []string {
	switch {
	case r.PerCondition() && len(d.Conditions) > 0:
		return d.conditionIDs()
	case r.PerStage() && len(d.Stages) > 0:
		return d.stageIDs()
	}
	return nil
}

// LanesOf are the conditions for which an outcome is worked out, or the stages where
// it is read stage by stage and not in each condition: each of the design's, or ""
// where it has none, where the home is asked once for all of them, or where the
// formula runs over all of them, as a slope through one reading of each does.
func (d *Document) LanesOf(x Outcome) []string {
	var lanes []string
	if x.Reading != nil {
		lanes = d.lanesOf(x.Reading)
	} else if !d.over(x.Derived) {
		lanes = d.lanesIn(x.Derived)
	}
	if len(lanes) == 0 {
		return []string{""}
	}
	return lanes
}

// lanesIn are the lanes of the readings that a formula uses; one that cannot be read
// counts as if it used each condition's.
func (d *Document) lanesIn(x Derived) []string {
	e, err := d.Working(x)
	if err != nil {
		return d.conditionIDs()
	}
	var stages []string
	for i := range d.Readings {
		r := &d.Readings[i]
		if !slices.Contains(e.Symbols(), r.Symbol) {
			continue
		}
		lanes := d.lanesOf(r)
		if r.PerCondition() && len(lanes) > 0 {
			return lanes
		}
		stages = append(stages, lanes...)
	}
	if len(stages) > 0 {
		return d.stageIDs()
	}
	return nil
}

// over reports whether a formula makes a series of the lanes: it asks for one of
// readings that have a single value in each.
func (d *Document) over(x Derived) bool {
	e, err := d.Working(x)
	if err != nil || !e.NeedsSeries() || len(d.lanesIn(x)) < 2 {
		return false
	}
	for i := range d.Readings {
		r := &d.Readings[i]
		if !slices.Contains(e.Symbols(), r.Symbol) {
			continue
		}
		staged := r.PerCondition() && r.PerStage() && len(d.Stages) > 1
		if len(r.Times) > 1 || d.TrialsOf(r) > 1 || r.PerObject() || staged {
			return false
		}
	}
	return true
}

// Baselines are the readings that a later one is subtracted from or from it, such as the
// mass before a soak: the result is a change, and once the later step has begun they cannot
// be made up for.
func (d *Document) Baselines() []string {
	first, last := map[string]int{}, map[string]int{} // steps, by reading
	for i := range d.Steps {
		for _, t := range d.Steps[i].Takes {
			if _, known := first[t.Reading]; !known {
				first[t.Reading] = i
			}
			last[t.Reading] = i
		}
	}
	var out []string
	for _, x := range d.Derived {
		e, err := d.Working(x)
		if err != nil {
			continue
		}
		for _, pair := range e.Subtracted() {
			a, b := d.bySymbol(pair[0]), d.bySymbol(pair[1])
			for _, side := range [][2]string{{a, b}, {b, a}} {
				end, known := last[side[0]]
				begin, later := first[side[1]]
				if known && later && end < begin && !slices.Contains(out, side[0]) {
					out = append(out, side[0])
				}
			}
		}
	}
	return out
}

// bySymbol is the reading of a symbol; "" where there is none.
func (d *Document) bySymbol(symbol string) string {
	for i := range d.Readings {
		if d.Readings[i].Symbol == symbol {
			return d.Readings[i].ID
		}
	}
	return ""
}

// Outcomes are what the work comes to: the values worked out, or where a design
// works none out each number by itself, as the mean of its trials, of one read
// several times or at several stages of a condition the last; and every reading that
// is no number.
func (d *Document) Outcomes() []Outcome {
	var out []Outcome
	for _, x := range d.Derived {
		out = append(out, Outcome{Derived: x})
	}
	for i := range d.Readings {
		r := &d.Readings[i]
		if !r.Numeric() {
			out = append(out, Outcome{Derived{ID: r.ID, Name: r.Name}, r})
			continue
		}
		if len(d.Derived) > 0 {
			continue
		}
		x := Derived{ID: r.ID, Name: r.Name, Unit: r.Unit, Formula: r.Symbol}
		if n := len(r.Times); n > 0 {
			last := 0.0
			for _, t := range r.Times {
				at, _ := Seconds(t)
				last = max(last, at)
			}
			x.Formula = fmt.Sprintf("at(%s, %s)", r.Symbol, strconv.FormatFloat(last/60, 'f', -1, 64))
		} else if r.PerCondition() && len(d.Conditions) > 0 && r.PerStage() && len(d.Stages) > 1 {
			x.Formula = fmt.Sprintf("last(%s)", r.Symbol)
		} else if d.TrialsOf(r) > 1 || r.PerObject() {
			x.Formula = fmt.Sprintf("mean(%s)", r.Symbol)
		}
		out = append(out, Outcome{Derived: x})
	}
	return out
}
