package drafts

import (
	"slices"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
)

// RunSheet is a design put to the clock from a beginning, as on a day in the week.
type RunSheet struct {
	Begin string       `json:"begin" doc:"When it begins, such as 18:00"`
	Says  string       `json:"says" doc:"How it lies in the day, in a sentence"`
	Rows  []RunningRow `json:"rows"`
}

// RunningRow is a step with its times.
type RunningRow struct {
	Number  int    `json:"number"`
	Title   string `json:"title"`
	Day     int    `json:"day" doc:"0 for the day on which it begins"`
	From    string `json:"from" doc:"By the clock, such as 18:20"`
	To      string `json:"to,omitempty" doc:"Left out where hands are not busy"`
	Adult   bool   `json:"adult,omitempty" doc:"An adult has to be there"`
	Trouble string `json:"trouble,omitempty" doc:"Why that is no time for it"`
}

// monday is a day of an ordinary week, on which no clock is put forward or back.
var monday = time.Date(2027, 2, 1, 0, 0, 0, 0, time.UTC)

// the hour of a day, as the page sends it.
const hour = "15:04"

// Running puts a draft to the clock: from its beginning, or else backwards from when it has
// to be done.
func Running(raw []byte, begin, done, language string) (out RunSheet, err error) {
	d, err := design.Read(raw)
	if err != nil {
		return out, &refusal.Refused{Code: "unreadable", Words: refusal.Why("unreadable", "problem", err.Error())}
	}
	field, of := "begin", SheetFrom
	typed := begin
	if begin == "" {
		field, of, typed = "done", SheetBackwards, done
	}
	if out, err = of(&d, typed, language); err != nil {
		return out, refusal.Field(field, refusal.Rule("clock"), "17:00")
	}
	return out, nil
}

// SheetFrom puts a design to the clock from a time of the day.
func SheetFrom(d *design.Document, begin, language string) (RunSheet, error) {
	at, err := time.Parse(hour, begin)
	if err != nil {
		return RunSheet{}, text.Faulty("runsheet.clock", "typed", begin)
	}
	return sheetAt(d, onDay(1, at), language), nil
}

// SheetBackwards puts a design to the clock so that it is done by a time of the day: from
// the latest beginning at which nobody has to get up for it.
func SheetBackwards(d *design.Document, done, language string) (RunSheet, error) {
	at, err := time.Parse(hour, done)
	if err != nil {
		return RunSheet{}, text.Faulty("runsheet.clock", "typed", done)
	}
	end := onDay(7, at)
	w, ok := schedule.WorkOf(d, adultSteps(d)...).Backwards(end, schedule.UsualHours)
	if !ok {
		return RunSheet{Begin: "", Says: text.Render(text.M("runsheet.never", "done", done), language),
			Rows: []RunningRow{}}, nil
	}
	out := sheetAt(d, w.To, language)
	out.Says = text.Render(text.M(
		"runsheet.backwards", "from", w.From.Format(hour), "to", w.To.Format(hour), "done", done, "days",
		days("before", daysBetween(w.To, end)),
	), language)
	return out, nil
}

// onDay is a time of the day on a day of the ordinary week, counted from Monday.
func onDay(n int, at time.Time) time.Time {
	return monday.AddDate(0, 0, n).Add(time.Duration(at.Hour())*time.Hour + time.Duration(at.Minute())*time.Minute)
}

func daysBetween(a, b time.Time) int { return b.YearDay() - a.YearDay() }

// days is how many days lie between two times, in words before or after them.
func days(where string, n int) text.Message {
	switch n {
	case 0:
		return text.M("runsheet." + where + ".same")
	case 1:
		return text.M("runsheet." + where + ".next")
	}
	return text.M("runsheet."+where+".later", "n", n)
}

func adultSteps(d *design.Document) (out []string) {
	for _, j := range safety.AdultJobs(d, safety.Check(d)) {
		out = append(out, j.Step)
	}
	return out
}

func sheetAt(d *design.Document, start time.Time, language string) RunSheet {
	adult := adultSteps(d)
	rows := schedule.WorkOf(d, adult...).RunSheet(start, schedule.UsualAwake)
	out := RunSheet{Begin: start.Format(hour), Rows: []RunningRow{}}
	troubles := 0
	for i, r := range rows {
		title, _ := d.Steps[i].Title.In(language)
		row := RunningRow{
			Number: i + 1, Title: title, Day: daysBetween(start, r.From), From: r.From.Format(hour),
			Adult: slices.Contains(adult, r.Step),
		}
		if r.To.After(r.From) {
			row.To = r.To.Format(hour)
		}
		if r.Trouble != "" {
			row.Trouble = text.Render(text.M("runsheet."+string(r.Trouble)), language)
			troubles++
		}
		out.Rows = append(out.Rows, row)
	}
	id := "runsheet.fine"
	if troubles > 0 {
		id = "runsheet.troubles"
	}
	if n := len(rows); n > 0 {
		out.Says = text.Render(text.M(id, "end", rows[n-1].To.Format(hour), "days",
			days("after", daysBetween(start, rows[n-1].To)), "n", troubles), language)
	}
	return out
}
