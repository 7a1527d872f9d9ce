package api_test

import (
	"strings"
	"testing"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
)

// TestCopyAndText: a copy is an experiment of its own, called so in each language; the text
// for reading is Markdown in the language asked for. Neither is there for a stranger.
func TestCopyAndText(t *testing.T) {
	teacher := newSite(t).teacher("t@school.example")
	from := want[app.DraftView](teacher, "POST", "/experiments", map[string]any{"example": "thirsty-beans"})
	path := "/experiments/" + from.ID.String()
	made := want[app.DraftView](teacher, "POST", path+"/copy", nil)
	if made.ID == from.ID || !strings.Contains(string(made.Document), `"Thirsty beans, copy"`) ||
		!strings.Contains(string(made.Document), ", copia\"") ||
		len(made.Review.Strip.Blocks) != len(from.Review.Strip.Blocks) {
		t.Errorf("the copy is %.300s", made.Document)
	}
	list := want[api.List[app.ExperimentRow]](teacher, "GET", "/experiments", nil)
	titles := ""
	for _, e := range list.Items {
		titles += e.Title + "; "
	}
	if !strings.Contains(titles, "Thirsty beans; ") || !strings.Contains(titles, "Thirsty beans, copy") {
		t.Errorf("the list has %s", titles)
	}
	for language, head := range map[string]string{"en": "# Thirsty beans", "es": "# Frijoles"} {
		a := teacher.do("GET", path+"/text?language="+language, nil)
		if a.status != 200 || !strings.HasPrefix(string(a.body), head) ||
			!strings.HasPrefix(a.header.Get("Content-Type"), "text/markdown") {
			t.Errorf("%s: %d %.60s", language, a.status, a.body)
		}
	}
}
