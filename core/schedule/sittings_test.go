package schedule_test

import (
	"testing"
	"time"
	_ "time/tzdata"

	"patient-kitchen/core/design"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
)

// soak is 20 min of work, a soak of 12 to 16 hours and 25 min of work.
func soak() *design.Document {
	return &design.Document{Steps: []design.Step{
		{ID: "begin", Title: text.Localized{"en": "Begin"}, Kind: "do", Duration: "20 min"},
		{ID: "weigh", Title: text.Localized{"en": "Weigh"}, Kind: "do", Duration: "25 min",
			Wait: &design.Wait{For: "12 h", Latest: "16 h"}},
	}}
}

func at(t *testing.T, zone, when string) time.Time {
	t.Helper()
	place, err := time.LoadLocation(zone)
	if err != nil {
		t.Fatal(err)
	}
	moment, err := time.ParseInLocation("2006-01-02 15:04", when, place)
	if err != nil {
		t.Fatal(err)
	}
	return moment
}

// A soak that begins at 18:00 is ready at 6:20 and looked at when the home wakes, 6:30;
// begun at 14:00 it would have to be looked at between 2:20 and 6:20, while all sleep; begun
// at 21:15 the work runs into the night. By hand: it can begin from 14:15 (14:35 + 16 h is
// 6:35) to 21:00, so that the latest is done by 9:45 the next day.
func TestSittings(t *testing.T) {
	d := soak()
	end := at(t, "Europe/London", "2027-02-04 11:00")
	sittings, ok := schedule.WorkOf(d).Sittings(at(t, "Europe/London", "2027-02-03 18:00"), end, schedule.UsualHours)
	if !ok || len(sittings) != 2 || sittings[1].From.Format("02 15:04") != "04 06:30" ||
		sittings[1].To.Format("15:04") != "06:55" {
		t.Errorf("%v %+v", ok, sittings)
	}
	for _, start := range []string{"14:00", "21:15", "05:00"} {
		if _, ok := schedule.WorkOf(d).Sittings(at(t, "Europe/London", "2027-02-03 "+start), end,
			schedule.UsualHours); ok {
			t.Errorf("a start at %s fits", start)
		}
	}
	got := schedule.WorkOf(d).Starts(at(t, "Europe/London", "2027-02-03 12:00"), end, schedule.UsualHours, 3)
	if len(got) != 1 || got[0].From.Format("15:04") != "14:15" || got[0].To.Format("15:04") != "21:00" {
		t.Errorf("%+v", got)
	}
	if got := schedule.WorkOf(d).Starts(at(t, "Europe/London", "2027-02-03 23:00"), end, schedule.UsualHours,
		3); len(got) != 0 {
		t.Errorf("too late to be done in time: %+v", got)
	}
	// The clock is put forward in the night to 28 March 2027: 12 h from 18:20 are at 7:20 by the clock on the wall.
	spring, ok := schedule.WorkOf(d).Sittings(at(t, "Europe/London", "2027-03-27 18:00"),
		at(t, "Europe/London", "2027-03-28 11:00"), schedule.UsualHours)
	if !ok || spring[1].From.Format("15:04") != "07:20" {
		t.Errorf("the night of the clocks: %v %+v", ok, spring)
	}
}

// Work without a long wait is one sitting, at any hour that all are awake.
func TestOneSitting(t *testing.T) {
	d := &design.Document{Steps: []design.Step{
		{ID: "a", Kind: "do", Duration: "10 min"},
		{ID: "b", Kind: "do", Duration: "5 min", Wait: &design.Wait{For: "4 min"}},
	}}
	got := schedule.WorkOf(d).Starts(at(t, "America/Mexico_City", "2027-02-03 10:10"),
		at(t, "America/Mexico_City", "2027-02-04 20:00"), schedule.UsualHours, 5)
	if len(got) != 2 || got[0].From.Format("15:04") != "10:15" || got[0].To.Format("15:04") != "21:00" ||
		got[1].From.Format("15:04") != "06:30" {
		t.Errorf("%+v", got)
	}
	if s, ok := schedule.WorkOf(d).Sittings(at(t, "America/Mexico_City", "2027-02-03 12:00"),
		at(t, "America/Mexico_City", "2027-02-04 20:00"), schedule.UsualHours); !ok || len(s) != 1 {
		t.Errorf("%+v", s)
	}
}

// An adult has to be there at the weighing of a soak of 12 to 16 hours. By hand, on a
// Wednesday to a Thursday (weekdays, in from 17 to 19): begun at 18:00 it is ready at 6:20
// and would wait until 17:00, which is later than 10:20; nothing fits. On a Friday with an
// adult in all Saturday from 9:00: begun at 18:00 it is looked at when he is in, 9:00, which
// is before 10:20; begun at 15:00 (15:20 + 16 h is 7:20) it cannot wait so long.
func TestAdultHours(t *testing.T) {
	w := schedule.WorkOf(soak(), "weigh")
	hours := schedule.UsualHours
	hours.Weekdays = &schedule.Awake{From: 17 * time.Hour, To: 19 * time.Hour}
	hours.Weekend = &schedule.Awake{From: 9 * time.Hour, To: 20 * time.Hour}
	wednesday, thursday := at(t, "Europe/London", "2027-02-03 12:00"), at(t, "Europe/London", "2027-02-04 20:00")
	if _, ok := w.Sittings(at(t, "Europe/London", "2027-02-03 18:00"), thursday, hours); ok {
		t.Error("nobody was in on Thursday morning")
	}
	if got := w.Lacks(wednesday, thursday, hours); got != "adult" {
		t.Errorf("it lacks %q", got)
	}
	friday, saturday := at(t, "Europe/London", "2027-02-05 12:00"), at(t, "Europe/London", "2027-02-06 20:00")
	sittings, ok := w.Sittings(at(t, "Europe/London", "2027-02-05 18:00"), saturday, hours)
	if !ok || len(sittings) != 2 || sittings[1].From.Format("Mon 15:04") != "Sat 09:00" {
		t.Errorf("%v %+v", ok, sittings)
	}
	if _, ok := w.Sittings(at(t, "Europe/London", "2027-02-05 15:00"), saturday, hours); ok {
		t.Error("a soak waited longer than it may")
	}
	if got := w.Lacks(friday, saturday, hours); got != "" {
		t.Errorf("Friday lacks %q", got)
	}
	// an hour a day, and 14 hours of soaking at most
	hours.Awake = schedule.Awake{From: 12 * time.Hour, To: 13 * time.Hour}
	if got := w.Lacks(friday, saturday, hours); got != "time" {
		t.Errorf("an hour a day lacks %q", got)
	}
}

// In the holidays nothing is done: a soak of 12 to 16 hours that would be ready in them
// cannot begin on the evening before, one that may stand for ten days is looked at on the
// first day after them. By hand: begun on Wednesday at 18:00, ready on Thursday at 6:20,
// Thursday to Sunday off, Monday at 6:30.
func TestHolidays(t *testing.T) {
	hours := schedule.UsualHours
	hours.Off = []schedule.Days{{First: "2027-02-04", Last: "2027-02-07"}}
	wednesday, sunday := at(t, "Europe/London", "2027-02-03 18:00"), at(t, "Europe/London", "2027-02-07 20:00")
	d := soak()
	if got := schedule.WorkOf(d).Lacks(wednesday, sunday, hours); got != "holidays" {
		t.Errorf("it lacks %q", got)
	}
	if got := schedule.WorkOf(d).Lacks(at(t, "Europe/London", "2027-02-05 08:00"), sunday, hours); got != "holidays" {
		t.Errorf("within the holidays it lacks %q", got)
	}
	if got := schedule.WorkOf(d).Starts(wednesday, sunday.AddDate(0, 0, 2), hours, 3); len(got) == 0 ||
		got[0].From.Format("Mon 15:04") != "Mon 06:30" {
		t.Errorf("the first start after them: %+v", got)
	}
	d.Steps[1].Wait.Latest = "10 days"
	for _, adult := range [][]string{nil, {"weigh"}} {
		sittings, ok := schedule.WorkOf(d, adult...).Sittings(wednesday, sunday.AddDate(0, 0, 3), hours)
		if !ok || len(sittings) != 2 || sittings[1].From.Format("Mon 15:04") != "Mon 06:30" {
			t.Errorf("adult at %v: %v %+v", adult, ok, sittings)
		}
	}
}
