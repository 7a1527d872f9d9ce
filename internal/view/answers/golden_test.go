package answers_test

import (
	"testing"

	"patient-kitchen/internal/view/answers"
	"patient-kitchen/internal/view/golden"
)

// An answer with its curve, one that is solved the other way round, and one that
// cannot be given. The numbers of the models are held in core/science.
func TestCompute(t *testing.T) {
	for name, c := range map[string]struct {
		id, language string
		asked        answers.Asked
	}{
		"cooling.en":  {"cooling", "en", answers.Asked{Typed: typed(t, "cooling"), Vary: "time"}},
		"pendulum.es": {"pendulum", "es", answers.Asked{Typed: typed(t, "pendulum")}},
	} {
		got, err := answers.Compute(c.id, c.language, c.asked)
		if err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		golden.Same(t, name, got)
	}
	if _, err := answers.Compute("no-such-model", "en", answers.Asked{}); err == nil {
		t.Error("a model that is not there answered")
	}
}

// typed is a model's worked example, as somebody types it.
func typed(t *testing.T, id string) map[string]string {
	t.Helper()
	for _, m := range answers.Models("en") {
		if m.ID == id {
			return m.Example
		}
	}
	t.Fatalf("no model %s", id)
	return nil
}
