package api_test

import (
	"encoding/json"
	"strings"
	"testing"

	"patient-kitchen/internal/app"
)

// On paper a place is marked on its picture, an order two at a time is asked pair by pair, an
// amount by eye says how full, and each copy of a thing has its own line to tick.
func TestKindsOnPaper(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	made := want[app.DraftView](sc.teacher, "POST", "/experiments", map[string]any{"document": json.RawMessage(`{
		"schema": 3, "title": {"en": "On paper"}, "question": {"en": "Which?"}, "age_band": "11-13",
		"way": "follow-along", "languages": ["en"], "trials": 1,
		"needs": [{"id": "sand", "name": {"en": "sand"}, "kind": "object", "amount_by": "eye", "look": "jar-half"},
			{"id": "cup", "name": {"en": "paper cups"}, "kind": "object", "copies": [
				{"id": "whole", "prepared": {"en": "as it is"}}, {"id": "holed", "prepared": {"en": "with holes"}}]}],
		"steps": [{"id": "s", "kind": "observe", "title": {"en": "Look"}, "text": {"en": "Look and listen."},
			"duration": "5 min", "uses": ["sand", "cup"], "takes": [{"reading": "tip"}, {"reading": "ear"}]}],
		"readings": [{"id": "tip", "kind": "position", "symbol": "tip", "name": {"en": "the tip"},
				"place": {"picture": "dish", "from": {"x": 0.5, "y": 0.25}}},
			{"id": "ear", "kind": "order", "pairs": true, "name": {"en": "how high"}, "from": {"en": "highest first"},
				"things": [{"id": "a", "word": {"en": "short"}}, {"id": "b", "word": {"en": "middle"}},
				{"id": "c", "word": {"en": "long"}}]}]}`)})
	page := func(sheet string) string {
		a := sc.teacher.do("GET", "/print/classes/"+sc.class.ID.String()+"/experiments/"+made.ID.String()+"/"+sheet, nil)
		if a.status != 200 {
			t.Fatalf("%s: %d %s", sheet, a.status, a.body)
		}
		return strings.ReplaceAll(string(a.body), "\u00a0", " ")
	}
	for sheet, words := range map[string][]string{
		"notebook": {`class="mark-here" viewBox="-4 -4 608 608"`, ">F</text>", ">4</text>", `cx="300" cy="150"`,
			"Put a cross where it is.", "both alike", "highest first"},
		"materials": {"by eye: about half a glass", "as it is", "with holes"},
	} {
		got := page(sheet)
		for _, w := range words {
			if !strings.Contains(got, w) {
				t.Errorf("%s lacks %q", sheet, w)
			}
		}
	}
	if n := strings.Count(page("notebook"), "both alike"); n != 3 {
		t.Errorf("three things make %d pairs on paper", n)
	}
}
