package review_test

import (
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/review"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
)

func TestMargin(t *testing.T) {
	raw, _ := docs.Example("paper-strips")
	for _, c := range []struct {
		name     string
		change   func(*design.Document)
		topic    string
		want     review.Weight
		issuable bool
	}{
		{"as it is", func(*design.Document) {}, "safety", review.Fine, true},
		{"as it is", func(*design.Document) {}, "time", review.Fine, true},
		{"as it is", func(*design.Document) {}, "fair", review.Fine, true},
		{"young ones", func(d *design.Document) { d.AgeBand = "5-7" }, "safety", review.Note, true},
		{"not said what it is", func(d *design.Document) { d.Needs[0].Kind = "" }, "safety", review.Mend, false},
		{"bleach", func(d *design.Document) { d.Needs[0].Kind, d.Needs[0].Material = design.MaterialNeed, "bleach" }, "safety", review.Stop, false},
		{"hot water carried at once", func(d *design.Document) { d.Steps[0].Actions = []string{"hot-water", "carry"} }, "safety", review.Mend, false},
		{"short lesson", func(d *design.Document) { d.Lesson = "10 min" }, "time", review.Mend, true},
		{"one condition", func(d *design.Document) { d.Conditions = d.Conditions[:1] }, "fair", review.Stop, false},
		{"broken formula", func(d *design.Document) { d.Derived[0].Formula = "(" }, "design", review.Stop, false},
	} {
		d, err := design.Read(raw)
		if err != nil {
			t.Fatal(err)
		}
		c.change(&d)
		r := review.Of(&d)
		if r.Issuable() != c.issuable || len(r.Margin) != 4 {
			t.Errorf("%s: issuable %v, %d lines", c.name, r.Issuable(), len(r.Margin))
		}
		for _, l := range r.Margin {
			if l.Topic == c.topic && l.Weight != c.want {
				t.Errorf("%s: %s is %s, want %s", c.name, l.Topic, l.Weight, c.want)
			}
			for _, lang := range text.Languages {
				if s := text.Render(l.Message, lang); strings.ContainsAny(s, "[{") {
					t.Errorf("%s: %s", lang, s)
				}
			}
		}
	}
}

// Each line of the margin leads to the place where it is mended.
func TestMarginLeadsToThePlace(t *testing.T) {
	raw, _ := docs.Example("paper-strips")
	for _, c := range []struct {
		name        string
		change      func(*design.Document)
		topic       string
		path, words string
	}{
		{"a need that never may", func(d *design.Document) { d.Needs[1].Kind, d.Needs[1].Material = design.MaterialNeed, "bleach" }, "safety", "/needs/1", ""},
		{"a step that never may", func(d *design.Document) { d.Steps[2].Actions = []string{"craft-knife"} }, "safety", "/steps/2", ""},
		{"steps out of order", func(d *design.Document) { d.Steps[1].Actions = []string{"hot-water", "carry"} }, "safety", "/steps/1", ""},
		{"an adult's job", func(d *design.Document) { d.Steps[3].Actions = []string{"scissors"}; d.AgeBand = "5-7" }, "safety", "", "adult"},
		{"longer than the lesson", func(d *design.Document) { d.Lesson = "1 min" }, "time", "/lesson", "1 min"},
		{"hours", func(d *design.Document) { d.Lesson, d.Steps[2].Wait = "", &design.Wait{For: "300 min"} }, "time", "", " h"},
		{"a broken formula", func(d *design.Document) { d.Derived[0].Formula = "1 +" }, "design", "/derived/0/formula", ""},
	} {
		d, err := design.Read(raw)
		if err != nil {
			t.Fatal(err)
		}
		c.change(&d)
		for _, l := range review.Of(&d).Margin {
			if l.Topic != c.topic {
				continue
			}
			if said := text.Render(l.Message, "en"); c.path != "" && l.Path != c.path ||
				!strings.Contains(said, c.words) {
				t.Errorf("%s: %q leads to %q, wanted %q with %q", c.name, said, l.Path, c.path, c.words)
			}
		}
	}
}

// A review answers while a teacher types.
func BenchmarkReview(b *testing.B) {
	raw, _ := docs.Example("thirsty-beans")
	d, err := design.Read(raw)
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		review.Of(&d)
	}
}
