package schedule

import "time"

// Unfolded is the wait before a step, put to the clock.
type Unfolded struct {
	From, To         time.Time // as planned
	Earliest, Latest time.Time // from when to when the step may begin
	Hours            []Hour
	Ends             Hour // at its planned end
}

// Hour is a moment of a wait, with how many homes are awake then, and how many of these
// have an adult in.
type Hour struct {
	At           time.Time
	Awake, Adult int
}

// mostHours bounds the moments that are looked at in one wait.
const mostHours = 24

// marks are how far the moments of a wait may lie apart.
var marks = []time.Duration{
	quarter, time.Hour, 2 * time.Hour, 3 * time.Hour, 6 * time.Hour, 12 * time.Hour, 24 * time.Hour, 7 * 24 * time.Hour,
}

// Unfold puts the wait before a step to the clock, from a start of the work, with the homes
// that do it. It reports false for a step that is not there or waits for nothing.
func (w Work) Unfold(start time.Time, step string, homes []Hours) (Unfolded, bool) {
	ends := map[string]time.Time{}
	now := start
	for _, p := range w.parts {
		begin, since := p.earliest(now, ends)
		if p.id == step && p.waits && begin.After(since) {
			u := Unfolded{From: since, To: begin, Earliest: since.Add(p.soonest), Latest: since.Add(p.latest)}
			if u.Latest.Before(u.To) {
				u.Latest = u.To
			}
			u.Ends = at(u.To, homes)
			u.look(homes)
			return u, true
		}
		ends[p.id], now = begin.Add(p.hands), begin.Add(p.hands)
	}
	return Unfolded{}, false
}

// look counts the homes at round times of the clock, as many as there is room for.
func (u *Unfolded) look(homes []Hours) {
	apart := marks[len(marks)-1]
	for _, m := range marks {
		if u.Latest.Sub(u.From)/m < mostHours {
			apart = m
			break
		}
	}
	midnight := clock(u.From, 0)
	first := midnight.Add((u.From.Sub(midnight) + apart - 1) / apart * apart)
	for t := first; !t.After(u.Latest) && len(u.Hours) < mostHours; t = t.Add(apart) {
		u.Hours = append(u.Hours, at(t, homes))
	}
}

// at counts the homes of which somebody is awake at a moment.
func at(t time.Time, homes []Hours) Hour {
	h := Hour{At: t}
	for _, home := range homes {
		if home.holds(t, t) && !home.off(t) {
			h.Awake++
			if home.adultIn(t).holds(t, t) {
				h.Adult++
			}
		}
	}
	return h
}
