package schedule

import (
	"testing"
	"time"

	"patient-kitchen/core/design"
)

// The spans were counted by hand on paper.
func TestPlan(t *testing.T) {
	d := design.Document{Steps: []design.Step{
		{ID: "cut", Duration: "8 min"},
		{ID: "pour", Duration: "1 min"},
		{ID: "at-1", Duration: "30 s", Wait: &design.Wait{For: "1 min", From: "pour"}},
		{ID: "at-2", Duration: "30 s", Wait: &design.Wait{For: "2 min", From: "pour"}},
		{ID: "late", Duration: "1 min", Wait: &design.Wait{For: "1 min", From: "pour"}},
		{ID: "soak", Kind: "wait", Wait: &design.Wait{For: "14 h"}},
		{ID: "look", Duration: "6"},
		{ID: "clear"},
	}}
	got := Plan(&d)
	m := time.Minute
	want := []Span{
		{"cut", 0, 8 * m, 0}, {"pour", 8 * m, 9 * m, 0},
		{"at-1", 10 * m, 10*m + 30*time.Second, m}, {"at-2", 11 * m, 11*m + 30*time.Second, 30 * time.Second},
		{"late", 11*m + 30*time.Second, 12*m + 30*time.Second, 0},
		{"soak", 14*60*m + 12*m + 30*time.Second, 14*60*m + 12*m + 30*time.Second, 14 * 60 * m},
		{"look", 14*60*m + 12*m + 30*time.Second, 14*60*m + 12*m + 30*time.Second, 0}, // asked about, not guessed
		{"clear", 14*60*m + 12*m + 30*time.Second, 14*60*m + 14*m + 30*time.Second, 0},
	}
	for i, w := range want {
		if got.Steps[i] != w {
			t.Errorf("step %s: %+v, want %+v", w.Step, got.Steps[i], w)
		}
	}
	if got.Hands != 13*m || got.Total != want[7].End {
		t.Errorf("hands %v, total %v", got.Hands, got.Total)
	}
}
