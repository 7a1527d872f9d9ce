package design

import (
	"fmt"
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

func (v *validator) steps() {
	d := v.d
	if len(d.Steps) == 0 {
		v.say(Error, "no-steps", "/steps", nil)
	}
	for i, s := range d.Steps {
		path := fmt.Sprintf("/steps/%d", i)
		v.id("step", s.ID, path)
		if empty(s.Title) {
			v.say(Error, "no-name", path+"/title", nil)
		}
		if !slices.Contains(StepKinds, s.Kind) {
			v.say(Error, "step-kind", path+"/kind", text.Args{"typed": string(s.Kind)})
		}
		if s.Duration != "" {
			v.duration(s.Duration, path+"/duration")
		}
		v.wait(i, s, path)
		v.helps(&s, path)
		for k, id := range s.Uses {
			if !v.known("need", id) {
				v.say(
					Error,
					"unknown-need",
					fmt.Sprintf("%s/uses/%d", path, k),
					text.Args{"typed": id, "step": s.Title},
				)
			}
		}
		for k, t := range s.Takes {
			if !d.asks(t) {
				v.say(
					Error,
					"unknown-take",
					fmt.Sprintf("%s/takes/%d", path, k),
					text.Args{"typed": strings.TrimSpace(t.Reading + " " + t.Time), "step": s.Title},
				)
			}
		}
	}
}

func (v *validator) wait(i int, s Step, path string) {
	if s.Wait == nil {
		if s.Kind == "wait" {
			v.say(Error, "no-wait", path+"/wait", nil)
		}
		return
	}
	for _, time := range [][2]string{{"for", s.Wait.For}, {"earliest", s.Wait.Earliest}, {"latest", s.Wait.Latest}} {
		if time[1] != "" || time[0] == "for" {
			v.duration(time[1], path+"/wait/"+time[0])
		}
	}
	if s.Wait.From != "" {
		if at, ok := v.d.Step(s.Wait.From); !ok || at >= i {
			v.say(Error, "wait-from", path+"/wait/from", text.Args{"typed": s.Wait.From})
		}
	}
	useful := false
	for _, later := range v.d.Steps[i:] {
		useful = useful || len(later.Takes) > 0 || len(later.Evidence) > 0 || later.Kind == "observe"
	}
	if !useful {
		v.say(Warning, "idle-wait", path+"/wait", text.Args{"step": s.Title})
	}
}

func (v *validator) questions() {
	before := false
	for i, q := range v.d.Questions {
		path := fmt.Sprintf("/questions/%d", i)
		v.id("question", q.ID, path)
		before = before || q.When == "before"
		if empty(q.Text) {
			v.say(Error, "no-name", path+"/text", nil)
		}
		if (q.Kind == "choice" || q.Kind == "order") && len(q.Options) < 2 && len(v.d.Conditions) < 2 {
			v.say(Error, "no-options", path+"/options", nil)
		}
	}
	if v.d.Way == PredictThenTry && !before {
		v.say(Warning, "no-prediction", "/questions", nil)
	}
}
