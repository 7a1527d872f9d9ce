package schedule

import (
	"time"

	"patient-kitchen/core/design"
)

// Awake are the hours of a day in which a home works, as time since midnight.
type Awake struct{ From, To time.Duration }

// UsualAwake is when a home is taken to be awake that has not said otherwise.
var UsualAwake = Awake{6*time.Hour + 30*time.Minute, 21*time.Hour + 30*time.Minute}

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
	waits            bool
	shortest, latest time.Duration
}

// WorkOf reads the times of a design once.
func WorkOf(d *design.Document) Work {
	var w Work
	for _, s := range d.Steps {
		hands := usual
		if s.Kind == "wait" {
			hands = 0
		}
		p := part{id: s.ID, hands: read(s.Duration, hands)}
		if s.Wait != nil {
			p.waits, p.from, p.shortest = true, s.Wait.From, read(s.Wait.For, 0)
			p.latest = read(s.Wait.Latest, p.shortest)
		}
		w.parts = append(w.parts, p)
	}
	return w
}

// Sittings puts the work to the clock from a start: a step after a wait begins as soon as
// it may; where the home would be asleep by then, when it wakes. It reports false where
// that would be later than the step allows, where a sitting runs into the night, or
// where the work is not done by the end.
func (w Work) Sittings(start, end time.Time, awake Awake) ([]Sitting, bool) {
	var out []Sitting
	ends := map[string]time.Time{}
	now := start
	for i, p := range w.parts {
		begin := now
		if p.waits {
			from := now
			if at, ok := ends[p.from]; ok {
				from = at
			}
			if at := from.Add(p.shortest); at.After(begin) {
				begin = at
			}
			if up := awake.Next(begin); up.After(begin) {
				if up.After(from.Add(p.latest)) {
					return nil, false
				}
				begin = up
			}
		}
		done := begin.Add(p.hands)
		if p.hands > 0 && !awake.holds(begin, done) {
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

// Starts are the times from the opening to the end at which the work can begin, in
// quarters of an hour of the place, at most so many windows.
func (w Work) Starts(opens, end time.Time, awake Awake, most int) []Window {
	var out []Window
	first := opens.Truncate(quarter)
	if first.Before(opens) {
		first = first.Add(quarter)
	}
	open := false
	for t := first; t.Before(end) && len(out) <= most; t = t.Add(quarter) {
		_, fits := w.Sittings(t, end, awake)
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
	return time.Date(day.Year(), day.Month(), day.Day(), int(since.Hours()), int(since.Minutes())%60, 0, 0, day.Location())
}
