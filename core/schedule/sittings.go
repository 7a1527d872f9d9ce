package schedule

import (
	"slices"
	"time"

	"patient-kitchen/core/design"
)

// Awake are the hours of a day in which a home works, as time since midnight.
type Awake struct{ From, To time.Duration }

// UsualAwake is when a home is taken to be awake that has not said otherwise.
var UsualAwake = Awake{6*time.Hour + 30*time.Minute, 21*time.Hour + 30*time.Minute}

// Hours are those of a home: when it works, and when an adult is in for what needs one.
type Hours struct {
	Awake
	Weekdays, Weekend *Awake // of an adult; nil: whenever the home works
	Off               []Days // holidays: nothing of the work is done then
}

// Days are whole days by the clock of a place, from the first to the last, both as
// 2026-12-21.
type Days struct {
	First string `json:"first" doc:"First day" example:"2026-12-21"`
	Last  string `json:"last" doc:"Last day" example:"2027-01-03"`
}

// Holds reports whether a moment falls on one of the days.
func (d Days) Holds(t time.Time) bool {
	day := t.Format(time.DateOnly)
	return d.First <= day && day <= d.Last
}

// off reports whether a moment is in the holidays.
func (h Hours) off(t time.Time) bool {
	return slices.ContainsFunc(h.Off, func(d Days) bool { return d.Holds(t) })
}

// UsualHours are those of a home that has not said otherwise.
var UsualHours = Hours{Awake: UsualAwake}

// Own reports whether a home has hours of its own.
func (h Hours) Own() bool { return h.Awake != UsualAwake || h.Weekdays != nil || h.Weekend != nil }

// Sitting is a time in which a home works without a long wait: a first one, and one after
// each wait that is folded.
type Sitting struct {
	Steps    []string // ids
	From, To time.Time
}

// Window is a time in which the work can begin.
type Window struct{ From, To time.Time }

// step of looking for a start.
const quarter = 15 * time.Minute

// Work is a design as it is put to the clock.
type Work struct{ parts []part }

// part is one step: how long hands are busy, and the wait before it.
type part struct {
	id, from         string
	hands            time.Duration
	waits, adult     bool
	shortest, latest time.Duration // of the wait as planned, and until when it counts as in time
	soonest          time.Duration // from when the step may begin
}

// WorkOf reads the times of a design once; an adult has to be there at some steps.
func WorkOf(d *design.Document, adult ...string) Work {
	var w Work
	for _, s := range d.Steps {
		hands := usual
		if s.Kind == "wait" {
			hands = 0
		}
		p := part{id: s.ID, hands: read(s.Duration, hands), adult: slices.Contains(adult, s.ID)}
		if s.Wait != nil {
			p.waits, p.from, p.shortest = true, s.Wait.From, read(s.Wait.For, 0)
			p.latest = read(s.Wait.Latest, p.shortest)
			p.soonest = min(read(s.Wait.Earliest, p.shortest), p.shortest)
		}
		w.parts = append(w.parts, p)
	}
	return w
}

// Sittings puts the work to the clock from a start: a step after a wait begins as soon as
// it may; where the home would be asleep by then, when it wakes, and where it needs an
// adult, when one is in. It reports false where that would be later than the step allows,
// where a sitting runs into the night or out of the adult's time, or where the work is not
// done by the end.
func (w Work) Sittings(start, end time.Time, hours Hours) ([]Sitting, bool) {
	var out []Sitting
	ends := map[string]time.Time{}
	now := start
	for i, p := range w.parts {
		begin, from := p.earliest(now, ends)
		if p.waits {
			if up := hours.next(begin, p); up.After(begin) {
				if up.After(from.Add(p.latest)) {
					return nil, false
				}
				begin = up
			}
		}
		done := begin.Add(p.hands)
		if !hours.hold(begin, done, p) {
			return nil, false
		}
		if i == 0 || begin.Sub(now) > foldFrom {
			out = append(out, Sitting{From: begin})
		}
		last := &out[len(out)-1]
		last.Steps, last.To = append(last.Steps, p.id), done
		ends[p.id], now = done, done
	}
	return out, !now.After(end)
}

// earliest is when a part may begin after what was done before, and since when it waits.
func (p part) earliest(now time.Time, ends map[string]time.Time) (begin, since time.Time) {
	if !p.waits {
		return now, now
	}
	since = now
	if at, ok := ends[p.from]; ok {
		since = at
	}
	if begin = since.Add(p.shortest); begin.Before(now) {
		begin = now
	}
	return begin, since
}

// Starts are the times from the opening to the end at which the work can begin, in
// quarters of an hour of the place, at most so many windows.
func (w Work) Starts(opens, end time.Time, hours Hours, most int) []Window {
	var out []Window
	first := opens.Truncate(quarter)
	if first.Before(opens) {
		first = first.Add(quarter)
	}
	open := false
	for t := first; t.Before(end) && len(out) <= most; t = t.Add(quarter) {
		_, fits := w.Sittings(t, end, hours)
		switch {
		case fits && open:
			out[len(out)-1].To = t
		case fits:
			out = append(out, Window{t, t})
		}
		open = fits
	}
	return out[:min(len(out), most)]
}

// long bounds how many days work is looked at that has no end of its own.
const long = 30

// Daily is the first window within a day from a moment on in which work can begin that has
// no end of its own: what fits hangs on the hour, not on the day. It reports false where
// there is none.
func (w Work) Daily(from time.Time, hours Hours) (Window, bool) {
	var out Window
	found := false
	for t := from; t.Before(from.AddDate(0, 0, 1)); t = t.Add(quarter) {
		_, fits := w.Sittings(t, from.AddDate(0, 0, long), hours)
		if !fits && found {
			break
		}
		if fits && !found {
			out.From, found = t, true
		}
		if fits {
			out.To = t
		}
	}
	return out, found
}

// adultIn is when an adult is in on the day of a moment.
func (h Hours) adultIn(day time.Time) Awake {
	in := h.Weekdays
	if d := day.Weekday(); d == time.Saturday || d == time.Sunday {
		in = h.Weekend
	}
	if in == nil {
		return h.Awake
	}
	return *in
}

// ahead bounds how far an adult is waited for.
const ahead = 8

// next is the first moment from t on at which a part can be done.
func (h Hours) next(t time.Time, p part) time.Time {
	up := h.back(h.Next(t))
	for day := 0; p.adult && day < ahead && !h.hold(up, up.Add(p.hands), p); day++ {
		if from := clock(up, h.adultIn(up).From); up.Before(from) && h.hold(from, from.Add(p.hands), p) {
			return from
		}
		up = h.back(clock(up.AddDate(0, 0, 1), h.From))
	}
	return up
}

// back is the same moment, or the first one after the holidays it falls into.
func (h Hours) back(t time.Time) time.Time {
	for day := 0; day < longestOff && h.off(t); day++ {
		t = clock(t.AddDate(0, 0, 1), h.From)
	}
	return t
}

// longestOff bounds, in days, how far the end of holidays is looked for.
const longestOff = 400

// hold reports whether a part can be done from one moment to another.
func (h Hours) hold(from, to time.Time, p part) bool {
	if p.hands > 0 && (!h.holds(from, to) || h.off(from)) {
		return false
	}
	return !p.adult || h.adultIn(from).holds(from, to)
}

// Lacks is why a home cannot do work between two moments: there are holidays
// ("holidays"), no adult is in for it ("adult"), or its hours do not hold it ("time"); ""
// where it can.
func (w Work) Lacks(opens, end time.Time, hours Hours) string {
	if len(w.parts) == 0 || len(w.Starts(opens, end, hours, 1)) > 0 {
		return ""
	}
	if open := hours; len(hours.Off) > 0 {
		if open.Off = nil; len(w.Starts(opens, end, open, 1)) > 0 {
			return "holidays"
		}
	}
	if len(w.Starts(opens, end, Hours{Awake: hours.Awake, Off: hours.Off}, 1)) > 0 {
		return "adult"
	}
	return "time"
}

// Next is the first moment from t on at which a home is awake.
func (a Awake) Next(t time.Time) time.Time {
	switch {
	case t.Before(clock(t, a.From)):
		return clock(t, a.From)
	case t.After(clock(t, a.To)):
		return clock(t.AddDate(0, 0, 1), a.From)
	}
	return t
}

// holds reports whether a home is awake from one moment to another of the same day.
func (a Awake) holds(from, to time.Time) bool {
	return !from.Before(clock(from, a.From)) && !to.After(clock(from, a.To))
}

// clock is a time of the day of a moment by the clock on the wall, also on the days on which it is
// put forward or back.
func clock(day time.Time, since time.Duration) time.Time {
	return time.Date(day.Year(), day.Month(), day.Day(), int(since.Hours()), int(since.Minutes())%60, 0, 0,
		day.Location())
}
