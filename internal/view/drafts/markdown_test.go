package drafts_test

import (
	"regexp"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
	"patient-kitchen/internal/view/drafts"
)

// TestMarkdown: every ready experiment is a text to read in both languages, with its
// title, all its steps and what is needed; what a teacher typed is no mark.
func TestMarkdown(t *testing.T) {
	for _, name := range docs.Ready {
		raw, err := docs.Example(name)
		if err != nil {
			t.Fatal(err)
		}
		d, err := design.Read(raw)
		if err != nil {
			t.Fatal(err)
		}
		for _, language := range text.Languages {
			got := drafts.Markdown(&d, language)
			title, _ := d.Title.In(language)
			if !strings.HasPrefix(got, "# "+title+"\n") || strings.ContainsAny(got, "{}") ||
				!strings.HasSuffix(got, "\n") {
				t.Errorf("%s in %s: %.80q", name, language, got)
			}
			if n := len(regexp.MustCompile(`(?m)^\d+\. \*\*`).FindAllString(got, -1)); n != len(d.Steps) {
				t.Errorf("%s in %s has %d of %d steps", name, language, n, len(d.Steps))
			}
			if strings.Count(got, "\n- ") < len(d.Needs) {
				t.Errorf("%s in %s lacks things: %s", name, language, got)
			}
		}
	}
	beans, _ := docs.Example("thirsty-beans")
	read, _ := design.Read(beans)
	for language, rows := range map[string][]string{
		"en": {"| independent: changed | salt in the water |", "| dependent: measured | gain of the beans |",
			"| controlled: kept the same | kind of bean; 40 g a jar; 200 mL of water; 14 h |",
			"- Whether salt in the water makes a difference to gain of the beans. Not why."},
		"es": {"| independiente: se cambia |", "| controladas: se dejan igual |"},
	} {
		for _, want := range rows {
			if got := drafts.Markdown(&read, language); !strings.Contains(got, want) {
				t.Errorf("in %s it lacks %q: %s", language, want, got)
			}
		}
	}
	d := &design.Document{Title: text.Localized{"en": "# A *bold* <b>title</b>\n# second"}, Languages: []string{"en"}}
	if got := drafts.Markdown(d, "en"); !strings.HasPrefix(got, `# \# A \*bold\* &lt;b&gt;title&lt;/b&gt; \# second`) {
		t.Errorf("typed marks: %q", got)
	}
}
