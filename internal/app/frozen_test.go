package app

import (
	"testing"

	"github.com/google/uuid"

	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/sheets"
)

// A frozen sheet stands while the rules find what they found then; where they
// find something else, or it was written in another form, the present one does.
func TestFrozenWhileTheRulesFindTheSame(t *testing.T) {
	version := uuid.New()
	kept := store.VersionSheet{
		VersionID: version,
		Format:    sheetFormat,
		TextSha:   []byte("then"),
		Body:      []byte(`{"near": "as it was"}`),
	}
	for name, c := range map[string]struct {
		change func(*store.VersionSheet)
		want   string
	}{
		"the same":          {func(*store.VersionSheet) {}, "as it was"},
		"another finding":   {func(s *store.VersionSheet) { s.TextSha = []byte("now") }, "as it is"},
		"another form":      {func(s *store.VersionSheet) { s.Format++ }, "as it is"},
		"another version":   {func(s *store.VersionSheet) { s.VersionID = uuid.New() }, "as it is"},
		"it cannot be read": {func(s *store.VersionSheet) { s.Body = []byte("{") }, "as it is"},
	} {
		s, p := kept, sheets.SafetyPart{Near: "as it is"}
		c.change(&s)
		if frozen(&p, version, []byte("then"), []store.VersionSheet{s}); p.Near != c.want {
			t.Errorf("%s: %q", name, p.Near)
		}
	}
}
