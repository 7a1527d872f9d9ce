package schedule

import "time"

// Trouble is why a home would not do a step at a time.
type Trouble string

// The troubles.
const (
	Asleep   Trouble = "asleep"    // outside the hours in which homes are awake
	InSchool Trouble = "in-school" // in the hours of school, on a weekday
)

// School are the usual hours of school. A choice of this program: a class has others at
// times, and its teacher sees which step is meant.
var School = Awake{8*time.Hour + 30*time.Minute, 15*time.Hour + 30*time.Minute}

// Row is a step on a run sheet.
type Row struct {
	Step     string
	From, To time.Time
	Trouble  Trouble // "" for none
}

// RunSheet puts every step to the clock from a start, each as soon as it may be done, and
// says where that is no time to do it. A step without hands is a time to pass.
func (w Work) RunSheet(start time.Time, awake Awake) []Row {
	var out []Row
	ends := map[string]time.Time{}
	now := start
	for _, p := range w.parts {
		from, _ := p.earliest(now, ends)
		row := Row{Step: p.id, From: from, To: from.Add(p.hands)}
		weekend := from.Weekday() == time.Saturday || from.Weekday() == time.Sunday
		switch {
		case p.hands == 0:
		case !awake.holds(row.From, row.To):
			row.Trouble = Asleep
		case !weekend && row.To.After(clock(from, School.From)) && row.From.Before(clock(from, School.To)):
			row.Trouble = InSchool
		}
		out = append(out, row)
		ends[p.id], now = row.To, row.To
	}
	return out
}

// daysBack is how far before its end work is looked for a beginning.
const daysBack = 6

// Backwards is when work has to begin that is to be done by a time, so that nobody has to
// get up for it: the last window before. It reports false where there is none.
func (w Work) Backwards(end time.Time, hours Hours) (Window, bool) {
	windows := w.Starts(end.AddDate(0, 0, -daysBack), end, hours, 4*24*daysBack)
	if len(windows) == 0 {
		return Window{}, false
	}
	return windows[len(windows)-1], true
}
