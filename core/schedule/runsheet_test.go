package schedule_test

import (
	"testing"
	"time"

	"patient-kitchen/core/schedule"
)

// By hand: begun on Wednesday at 18:00 the soak is ready at 6:20 on Thursday, before the home
// wakes; begun at 20:00 it is ready at 8:20 and its 25 min run into school; on a Saturday
// there is none. To be done by 10:00 on Thursday it begins by 21:00, and not before 14:15.
func TestRunSheet(t *testing.T) {
	w := schedule.WorkOf(soak())
	for _, c := range []struct {
		start, from string
		trouble     schedule.Trouble
	}{
		{"2027-02-03 18:00", "04 06:20", schedule.Asleep},
		{"2027-02-03 18:20", "04 06:40", ""},
		{"2027-02-03 20:00", "04 08:20", schedule.InSchool},
		{"2027-02-05 20:00", "06 08:20", ""},
	} {
		rows := w.RunSheet(at(t, "Europe/London", c.start), schedule.UsualAwake)
		if len(rows) != 2 || rows[1].From.Format("02 15:04") != c.from || rows[1].Trouble != c.trouble ||
			rows[1].To.Sub(rows[1].From) != 25*time.Minute {
			t.Errorf("%s: %+v", c.start, rows)
		}
	}
	window, ok := w.Backwards(at(t, "Europe/London", "2027-02-04 10:00"), schedule.UsualHours)
	if !ok || window.From.Format("02 15:04") != "03 14:15" || window.To.Format("02 15:04") != "03 21:00" {
		t.Errorf("%v %+v", ok, window)
	}
	daily, ok := w.Daily(at(t, "Europe/London", "2027-02-03 12:00"), schedule.UsualHours)
	if !ok || daily.From.Format("15:04") != "14:15" || daily.To.Format("15:04") != "21:00" {
		t.Errorf("in a day: %v %+v", ok, daily)
	}
	long := soak()
	long.Steps[1].Wait.For, long.Steps[1].Wait.Latest = "200 h", "200 h"
	if _, ok := schedule.WorkOf(long).Backwards(at(t, "Europe/London", "2027-02-04 10:00"), schedule.UsualHours); ok {
		t.Error("work of eight days began within six")
	}
}
