package drafts

import (
	"slices"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/schedule"
	"patient-kitchen/docs"
)

// The soak of the beans, put to the clock: what it says depends on when it ends and on who
// is awake and has an adult in then. What is no step, no wait or no time is refused.
func TestUnfold(t *testing.T) {
	raw, err := docs.Example("thirsty-beans")
	if err != nil {
		t.Fatal(err)
	}
	late := schedule.Awake{From: 9 * time.Hour, To: 23 * time.Hour}
	class := []schedule.Hours{schedule.UsualHours, {Awake: late}}
	for _, c := range []struct {
		begin    string
		homes    []schedule.Hours
		language string
		says     []string
	}{
		{"18:00", nil, "en", []string{"nobody has to get up for it", "From 06:15 to 10:15 will do"}},
		{"14:00", nil, "en", []string{"nobody has to do anything.", "It ends at 04:15, when homes sleep"}},
		{"18:00", class, "en", []string{"It ends at 08:15: of 2 homes one is awake then"}},
		{"20:00", class, "es", []string{"de 2 casas 2 están despiertas entonces"}},
	} {
		v, err := Unfold(raw, "soak", c.begin, c.homes, c.language)
		if err != nil {
			t.Errorf("%s: %v", c.begin, err)
			continue
		}
		for _, want := range c.says {
			if !slices.ContainsFunc(v.Says, func(s string) bool {
				return strings.Contains(strings.ReplaceAll(s, "\u00a0", " "), want)
			}) {
				t.Errorf("begun at %s it says %q, not %q", c.begin, v.Says, want)
			}
		}
	}
	// Of a window over days an hour alone would not say which.
	days := []byte(`{"schema": 3, "title": {"en": "Cress"}, "question": {"en": "Where?"}, "age_band": "11-13",
		"way": "follow-along", "languages": ["en"], "trials": 1, "steps": [{"id": "sow", "kind": "do", "title": {"en": "Sow"},
		"duration": "10 min"}, {"id": "look", "kind": "observe", "title": {"en": "Look"}, "duration": "2 min",
		"wait": {"for": "5 d", "earliest": "4 d", "latest": "6 d"}}]}`)
	if v, err := Unfold(days, "look", "18:00", nil, "en"); err != nil ||
		!slices.Contains(v.Says, "From 18:10, 4 days later to 18:10, 6 days later will do.") {
		t.Errorf("%q, %v", v.Says, err)
	}
	for _, c := range [][2]string{{"soak", "noon"}, {"label", "18:00"}, {"nothing", "18:00"}} {
		if _, err := Unfold(raw, c[0], c[1], nil, "en"); err == nil {
			t.Errorf("%v is unfolded", c)
		}
	}
}
