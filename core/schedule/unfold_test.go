package schedule_test

import (
	"testing"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/schedule"
)

// TestUnfold: a wait lies on the clock with its window, and the homes that are awake are
// counted at round times of it, however long it is.
func TestUnfold(t *testing.T) {
	work := func(wait, earliest, latest string) schedule.Work {
		return schedule.WorkOf(&design.Document{Steps: []design.Step{
			{ID: "pour", Kind: "do", Duration: "20 min"},
			{ID: "drain", Kind: "do", Duration: "5 min", Wait: &design.Wait{For: wait, Earliest: earliest, Latest: latest}},
		}})
	}
	hours := func(from, to int) schedule.Awake {
		return schedule.Awake{From: time.Duration(from) * time.Hour, To: time.Duration(to) * time.Hour}
	}
	evenings := hours(17, 22)
	homes := []schedule.Hours{
		{Awake: hours(6, 21)},
		{Awake: hours(8, 23), Weekdays: &evenings},
	}
	monday := time.Date(2027, 2, 1, 18, 0, 0, 0, time.UTC)
	for _, c := range []struct {
		wait, earliest, latest        string
		to, first, second, soon, late string
		marks                         int
	}{
		{"14 h", "12 h", "16 h", "2 08:20", "1 19:00", "1 20:00", "2 06:20", "2 10:20", 16},
		{"14 h", "", "", "2 08:20", "1 19:00", "1 20:00", "2 08:20", "2 08:20", 14},
		{"40 min", "", "", "1 19:00", "1 18:30", "1 18:45", "1 19:00", "1 19:00", 3},
		{"7 d", "", "", "8 18:20", "2 00:00", "2 12:00", "8 18:20", "8 18:20", 14},
		{"200 d", "", "", "20 18:20", "8 00:00", "15 00:00", "20 18:20", "20 18:20", 24},
	} {
		u, ok := work(c.wait, c.earliest, c.latest).Unfold(monday, "drain", homes)
		if !ok || len(u.Hours) != c.marks {
			t.Errorf("%s: %v, %d marks", c.wait, ok, len(u.Hours))
			continue
		}
		day := func(at time.Time) string { return at.Format("2 15:04") }
		for _, x := range [][2]string{
			{day(u.To), c.to}, {day(u.Hours[0].At), c.first}, {day(u.Hours[1].At), c.second},
			{day(u.Earliest), c.soon}, {day(u.Latest), c.late},
		} {
			if x[0] != x[1] {
				t.Errorf("%s: %s, want %s", c.wait, x[0], x[1])
			}
		}
	}
	u, _ := work("14 h", "", "").Unfold(monday, "drain", homes)
	got := map[string][2]int{}
	for _, h := range u.Hours {
		got[h.At.Format("15:04")] = [2]int{h.Awake, h.Adult}
	}
	for at, want := range map[string][2]int{
		"20:00": {2, 2}, "22:00": {1, 1}, "23:00": {1, 0}, "03:00": {0, 0}, "07:00": {1, 1}, "08:00": {2, 1},
	} {
		if got[at] != want {
			t.Errorf("at %s %v are awake and have an adult in, want %v", at, got[at], want)
		}
	}
	if u.Ends.Awake != 2 || u.Ends.Adult != 1 {
		t.Errorf("at its end: %+v", u.Ends)
	}
	for _, step := range []string{"pour", "nothing"} {
		if _, ok := work("14 h", "", "").Unfold(monday, step, homes); ok {
			t.Errorf("%s waits for nothing and is unfolded", step)
		}
	}
}
