package drafts

import (
	"strings"
	"testing"

	"patient-kitchen/docs"
)

// The beans soak for 14 hours: begun at 18:00 they are looked at the next morning; to be done
// by 8:00 they begin the day before. A time that is none is refused by its field.
func TestRunning(t *testing.T) {
	raw, err := docs.Example("thirsty-beans")
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct{ begin, done, language, says string }{
		{"18:00", "", "en", "the next day"},
		{"18:00", "", "es", "al día siguiente"},
		{"10:00", "", "en", "5 steps fall at a bad time"},
		{"", "11:00", "en", "on the day before"},
		{"", "11:00", "es", "del día anterior"},
		{"", "03:00", "en", "begin between 06:30 and 06:45"},
	} {
		s, err := Running(raw, c.begin, c.done, c.language)
		if err != nil || !strings.Contains(s.Says, c.says) {
			t.Errorf("%s%s: %q, %v", c.begin, c.done, s.Says, err)
		}
	}
	s, _ := Running(raw, "18:00", "", "en")
	if last := s.Rows[len(s.Rows)-1]; last.Day != 1 || s.Rows[0].From != "18:00" || s.Rows[0].To == "" {
		t.Errorf("%+v", s.Rows)
	}
	for _, bad := range []string{"late", "25:00", ""} {
		if _, err := Running(raw, bad, "", "en"); err == nil {
			t.Errorf("%q was taken", bad)
		}
	}
	if _, err := Running([]byte(`{`), "18:00", "", "en"); err == nil {
		t.Error("what cannot be read was put to the clock")
	}
}
