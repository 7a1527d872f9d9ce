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
	for _, c := range [][2]string{{"soak", "noon"}, {"label", "18:00"}, {"nothing", "18:00"}} {
		if _, err := Unfold(raw, c[0], c[1], nil, "en"); err == nil {
			t.Errorf("%v is unfolded", c)
		}
	}
}
