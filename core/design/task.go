package design

import (
	"fmt"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Task is what a way of working asks beside the steps.
type Task struct {
	Calculate []Calculation    `json:"calculate,omitempty" doc:"Of calculate-first: amounts that homes work out before they begin; they are hidden until a home asks to see them"`
	KeepTo    []text.Localized `json:"keep_to,omitempty" doc:"Of an open challenge: what every way of doing it keeps to"`
	Watching  text.Localized   `json:"watching,omitempty" doc:"What those who watch look for"`
}

// Calculation is an amount that homes work out themselves.
type Calculation struct {
	Need  string           `json:"need" doc:"Id of a need with an amount"`
	Hints []text.Localized `json:"hints,omitempty" doc:"Shown one after the other"`
}

// HintsFor are the hints to a need's amount where homes work it out themselves first.
func (d *Document) HintsFor(need string) (hints []text.Localized, hidden bool) {
	if d.Way != CalculateFirst {
		return nil, false
	}
	for _, c := range d.Task.Calculate {
		if c.Need == need {
			return c.Hints, true
		}
	}
	return nil, false
}

// task adds what families read of a task.
func (p *placed) task(t *Task) {
	for i, c := range t.Calculate {
		for k, h := range c.Hints {
			p.add(h, "/task/calculate/%d/hints/%d", i, k)
		}
	}
	for i, k := range t.KeepTo {
		p.add(k, "/task/keep_to/%d", i)
	}
	p.add(t.Watching, "/task/watching")
}

// task checks that what is worked out first is an amount, and that what is listed says
// something.
func (v *validator) task() {
	for i, c := range v.d.Task.Calculate {
		path := fmt.Sprintf("/task/calculate/%d", i)
		if n, ok := v.d.Need(c.Need); !ok {
			v.say(Error, "unknown-need", path+"/need", text.Args{"typed": c.Need, "step": v.d.Title})
		} else if _, ok := quantity.ParseOK(n.Amount); !ok {
			v.say(Error, "calculate-nothing", path+"/need", text.Args{"name": n.Name})
		}
		for k, h := range c.Hints {
			if empty(h) {
				v.say(Error, "no-name", fmt.Sprintf("%s/hints/%d", path, k), nil)
			}
		}
	}
	for i, k := range v.d.Task.KeepTo {
		if empty(k) {
			v.say(Error, "no-name", fmt.Sprintf("/task/keep_to/%d", i), nil)
		}
	}
	if v.d.Way == CalculateFirst && len(v.d.Task.Calculate) == 0 {
		v.say(Hint, "nothing-to-calculate", "/task/calculate", nil)
	}
	if v.d.Way == OpenChallenge && len(v.d.Task.KeepTo) == 0 {
		v.say(Hint, "no-limits-of-challenge", "/task/keep_to", nil)
	}
}
