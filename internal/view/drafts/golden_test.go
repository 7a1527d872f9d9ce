package drafts_test

import (
	"encoding/json"
	"testing"

	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/golden"
)

// What the desk says of a design, and of one with mistakes in it.
func TestReview(t *testing.T) {
	raw, err := drafts.Example("sour-lemon")
	if err != nil {
		t.Fatal(err)
	}
	golden.Same(t, "lemon.en", drafts.Review(raw, "en"))
	golden.Same(t, "lemon.es", drafts.Review(raw, "es"))
	var d map[string]any
	if err := json.Unmarshal(raw, &d); err != nil {
		t.Fatal(err)
	}
	d["steps"].([]any)[0].(map[string]any)["duration"] = "6"
	d["lesson"] = "a while"
	delete(d, "title")
	raw, err = json.Marshal(d)
	if err != nil {
		t.Fatal(err)
	}
	golden.Same(t, "mistakes.en", drafts.Review(raw, "en"))
	golden.Same(t, "unread.en", drafts.Review([]byte(`{"schema": "`), "en"))
}

// A formula that is tried, and one that cannot be.
func TestTriedFormula(t *testing.T) {
	raw, err := drafts.Example("paper-strips")
	if err != nil {
		t.Fatal(err)
	}
	golden.Same(t, "formula.en", []drafts.FormulaView{
		drafts.TryFormula(raw, "at(height, 8) / 8", "mm/min", "en"),
		drafts.TryFormula(raw, "slope(height", "mm", "en"),
		drafts.TryFormula(raw, "weight * 2", "g", "en"),
	})
}
