package api_test

import (
	"encoding/json"
	"testing"

	"patient-kitchen/docs"
	"patient-kitchen/internal/view/drafts"
)

// What is asked of a draft on the way is answered for what is there, and refused for what
// is not: a line that is none, steps, pegs and times that are unknown, two steps with a
// wait between them, and another teacher's class.
func TestPreviewsOfADraft(t *testing.T) {
	s := newSite(t)
	sc, other := s.school("t@school.example", "Fern"), s.school("u@school.example", "Moss")
	raw, err := docs.Example("thirsty-beans")
	if err != nil {
		t.Fatal(err)
	}
	body := func(more map[string]any) map[string]any {
		out := map[string]any{"document": json.RawMessage(raw)}
		for k, v := range more {
			out[k] = v
		}
		return out
	}
	n := want[drafts.NotedView](sc.teacher, "POST", "/preview/note",
		body(map[string]any{"step": "mix", "line": "gate", "language": "en"}))
	if n.Step != "mix" || n.At != "/steps/2/gate" {
		t.Errorf("%s at %s", n.Step, n.At)
	}
	u := want[drafts.UnfoldedView](sc.teacher, "POST", "/preview/unfold",
		body(map[string]any{"step": "soak", "begin": "18:00", "class": sc.class.ID}))
	if u.Homes != 1 || u.Ends != "08:15, the next day" {
		t.Errorf("%+v", u)
	}
	for _, c := range []struct {
		path   string
		body   map[string]any
		status int
		code   string
	}{
		{"note", map[string]any{"step": "mix", "line": " ", "language": "en"}, 422, "invalid"},
		{"note", map[string]any{"step": "nowhere", "line": "gate", "language": "en"}, 404, "not-found"},
		{"note", map[string]any{"step": "nowhere", "peg": "photo", "language": "en"}, 404, "not-found"},
		{"note", map[string]any{"step": "mix", "peg": "lamp", "language": "en"}, 422, "invalid"},
		{"unfold", map[string]any{"step": "soak", "begin": "noon"}, 422, "invalid"},
		{"unfold", map[string]any{"step": "label", "begin": "18:00"}, 404, "not-found"},
		{"unfold", map[string]any{"step": "soak", "begin": "18:00", "class": other.class.ID}, 404, "not-found"},
		{"take", map[string]any{"step": "mix", "language": "en", "answer": map[string]any{"kind": "join"}}, 409, "not-joined"},
		{"take", map[string]any{"step": "clear", "language": "en", "answer": map[string]any{"kind": "split", "from": 9999}}, 409,
			"not-split"},
	} {
		sc.teacher.refused("POST", "/preview/"+c.path, body(c.body), c.status, c.code)
	}
}
