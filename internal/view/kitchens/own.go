package kitchens

import (
	"slices"
	"sync"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
)

// OwnRow is a value that a home can measure once.
type OwnRow struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	How     string `json:"how" doc:"How a home finds it"`
	Unit    string `json:"unit" doc:"Of what is typed"`
	Says    string `json:"says,omitempty" doc:"What was typed as it is now worked with"`
	Problem string `json:"problem,omitempty" doc:"Why what was typed is not worked with"`
}

// OwnAsked are the values that some designs work with, with what a home typed.
func OwnAsked(designs []*fit.Supplies, f Fields, language string) []OwnRow {
	out := []OwnRow{}
	for _, v := range design.OwnValues {
		if !slices.ContainsFunc(designs, func(w *fit.Supplies) bool {
			return slices.ContainsFunc(w.OwnAsked(), func(x design.OwnValue) bool { return x.ID == v.ID })
		}) {
			continue
		}
		row := OwnRow{
			ID: v.ID, Name: text.Render(v.Name(), language), How: text.Render(v.How(), language), Unit: v.In,
		}
		if typed := f.Own[v.ID]; typed != "" {
			if q, err := v.Value(typed); err != nil {
				row.Problem = text.Render(text.Why(err), language)
			} else {
				row.Says = text.Render(text.M("kitchens.own."+says(v), "value", q.Bare(), "u", give(q), "one",
					one(v, typed).Bare()), language)
			}
		}
		out = append(out, row)
	}
	return out
}

// says is the sentence in which a value is said back.
func says(v design.OwnValue) string {
	if v.ID == "teaspoon" {
		return v.ID
	}
	return "value"
}

// give is the give or take of a value, as a quantity of its own.
func give(q quantity.Quantity) quantity.Quantity {
	return quantity.Quantity{Value: q.U, Unit: q.Unit}
}

// one is the mass of one of the spoons that were weighed together.
func one(v design.OwnValue, typed string) quantity.Quantity {
	q, err := v.Typed(typed)
	if err != nil {
		return q
	}
	q.Value /= design.Spoons
	return q
}

// HomeHours is when a home works and when an adult is in, by the clock of the class.
type HomeHours struct {
	Home     *HourSpan `json:"home,omitempty" doc:"When the home can work; left out: from 6:30 to 21:30"`
	Weekdays *HourSpan `json:"weekdays,omitempty" doc:"When an adult is in, from Monday to Friday; left out: whenever the home works"`
	Weekend  *HourSpan `json:"weekend,omitempty" doc:"The same on Saturday and Sunday"`
}

// HourSpan is a time of the day, in whole hours.
type HourSpan struct {
	From int `json:"from" minimum:"0" maximum:"23"`
	To   int `json:"to" minimum:"1" maximum:"24"`
}

// Sound reports whether every span goes forward within a day.
func (h *HomeHours) Sound() bool {
	if h == nil {
		return true
	}
	for _, s := range []*HourSpan{h.Home, h.Weekdays, h.Weekend} {
		if s != nil && (s.From < 0 || s.To > 24 || s.From >= s.To) {
			return false
		}
	}
	return true
}

// Of is the same as the core schedules by it.
func (h *HomeHours) Of() schedule.Hours {
	out := schedule.UsualHours
	if h == nil {
		return out
	}
	if h.Home != nil {
		out.Awake = *h.Home.awake()
	}
	out.Weekdays, out.Weekend = h.Weekdays.awake(), h.Weekend.awake()
	return out
}

func (s *HourSpan) awake() *schedule.Awake {
	if s == nil {
		return nil
	}
	return &schedule.Awake{From: time.Duration(s.From) * time.Hour, To: time.Duration(s.To) * time.Hour}
}

// Conflict is why some homes cannot do the work in its time.
type Conflict struct {
	Homes []string `json:"homes" doc:"Nicknames"`
	Says  string   `json:"says"`
}

// ConflictsOf are the homes whose hours, or those of their adult, or the holidays of the
// class, do not hold the work between two moments, by why. Who only looks on has none.
func ConflictsOf(
	homes []Home, plan fit.Plan, w schedule.Work, opens, due time.Time, off []schedule.Days, language string,
) []Conflict {
	out := []Conflict{}
	lacks := func(h *HomeHours) string {
		hours := h.Of()
		hours.Off = off
		return w.Lacks(opens, due, hours)
	}
	usual := sync.OnceValue(func() string { return lacks(nil) })
	at := map[string]int{}
	for i := range plan.Homes {
		if plan.Homes[i].Verdict == fit.SharedReadings {
			continue
		}
		why := ""
		if hours := homes[i].Answers.Hours; hours != nil {
			why = lacks(hours)
		} else {
			why = usual()
		}
		if why == "" {
			continue
		}
		if _, named := at[why]; !named {
			at[why] = len(out)
			out = append(out, Conflict{Says: text.Render(text.M("kitchens.conflict."+why), language)})
		}
		out[at[why]].Homes = append(out[at[why]].Homes, homes[i].Nickname)
	}
	return out
}
