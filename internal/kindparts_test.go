package internal_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/export"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// inParts is a design that reads one thing of a kind in some parts.
func inParts(t *testing.T, id design.ReadingKind, asks string, per []string) *design.Document {
	t.Helper()
	if asks != "" {
		asks = ", " + asks
	}
	d, err := design.Read([]byte(fmt.Sprintf(`{"schema": 3, "title": {"en": "Parts"}, "question": {"en": "Which?"},
		"age_band": "11-13", "way": "follow-along", "languages": ["en"], "trials": 1,
			"changed": {"name": {"en": "warmth"}},
		"conditions": [{"id": "cold", "name": {"en": "Cold"}, "control": true}, {"id": "warm", "name": {"en": "Warm"}}],
		"stages": [{"id": "gravel", "word": {"en": "after gravel"}}, {"id": "cloth", "word": {"en": "after cloth"}}],
		"objects": [{"id": "tin", "what": {"en": "tin"}, "count": 2}],
		"readings": [{"id": "r", "kind": "%s", "name": {"en": "what is asked"}, "per": ["%s"]%s}],
		"steps": [{"id": "s", "kind": "measure", "title": {"en": "Look"}, "takes": [{"reading": "r"}]}]}`,
		id, strings.Join(per, `", "`), asks)))
	if err != nil {
		t.Fatal(err)
	}
	return &d
}

// Each kind of reading stands in every part of an experiment: in a condition, of an
// object that the home chose, at a stage, and in two of them at once. It is asked for
// there, kept apart, comes to a result, goes out with its parts and comes in again.
func TestKindsStandInEveryPart(t *testing.T) {
	at := time.Date(2027, 2, 2, 10, 0, 0, 0, time.UTC)
	w := notebook.Writer{Language: "en"}
	for id, k := range kinds {
		for _, c := range []struct {
			per   []string
			lanes int // that are compared
			label string
		}{
			{[]string{"object"}, 1, "tin 2"},
			{[]string{"stage"}, 2, "after cloth"},
			{[]string{"condition", "stage"}, 2, "Warm · after cloth"},
			{[]string{"condition", "object"}, 2, "Warm · tin 2"},
		} {
			t.Run(string(id)+" per "+strings.Join(c.per, " and "), func(t *testing.T) {
				d := inParts(t, id, k.asks, c.per)
				for _, f := range design.Validate(d) {
					if f.Severity == design.Error {
						t.Errorf("it cannot be designed: %s: %s", f.Path, text.Render(f.Message, "en"))
					}
				}
				slots := d.Slots()
				if len(slots) != 1<<len(c.per) {
					t.Fatalf("%d slots: %+v", len(slots), slots)
				}
				entries := []notebook.Entry{{
					ID: "name", Kind: notebook.Named, Refers: "tin-2", Text: "tea tin", Received: at,
				}}
				for i, s := range slots {
					entries = append(entries, notebook.Entry{
						ID: fmt.Sprint(i), Kind: notebook.Reading, Provenance: notebook.Own, Slot: s,
						Typed: k.typed, Given: k.given, Received: at.Add(time.Duration(i) * time.Second),
					})
				}
				for i := range entries {
					if p := notebook.Fits(d, &entries[i]); p != nil {
						t.Fatalf("it is refused: %+v", p)
					}
				}
				book := notebook.Open(d, entries, w, nil)
				lanes := map[string]bool{}
				for _, r := range notebook.Derive(book) {
					if !r.OK {
						t.Errorf("in %q it comes to nothing: %s", r.Condition, text.Render(r.Missing, "en"))
					}
					lanes[r.Condition] = true
				}
				if len(lanes) != c.lanes {
					t.Errorf("compared in %v", lanes)
				}
				readings := compare.Readings{Readings: results.ExportBook("Fern", book)}
				again, err := readings.Books(d)
				if err != nil || slices.ContainsFunc(again[0].Book.Cells, func(c notebook.Cell) bool {
					return c.State != notebook.HasValue
				}) {
					t.Errorf("what went out does not come in again: %v", err)
				}
				if slices.Contains(c.per, "object") && again[0].Book.Called("tin-2", "en") != "tea tin" {
					t.Errorf("the home's name of its thing did not come in again")
				}
				var csv strings.Builder
				file := export.Class{Language: "en", Design: d, Readings: readings}
				if err := file.ReadingsCSV(&csv, export.Usual); err != nil {
					t.Fatal(err)
				}
				last := slots[len(slots)-1]
				for _, part := range []string{last.Condition, last.Object, last.Stage} {
					if !strings.Contains(csv.String(), part) {
						t.Errorf("the file says nothing of %s", part)
					}
				}
				paper, err := sheets.Print(d, nil, "notebook", "en")
				if err != nil {
					t.Fatal(err)
				}
				rows := paper.Blanks[len(paper.Blanks)-1].Rows
				if got := rows[len(rows)-1].Label; got != c.label {
					t.Errorf("on paper it is %q", got)
				}
			})
		}
	}
}

// What a home gave at two stages is compared as what it gave in two conditions is.
func TestStagesAreCompared(t *testing.T) {
	d := inParts(t, design.OrdinalKind, kinds[design.OrdinalKind].asks, []string{"stage"})
	var homes []compare.Home
	for h := range 8 {
		var entries []notebook.Entry
		for i, level := range []string{"low", "high"} {
			entries = append(entries, notebook.Entry{
				ID: fmt.Sprint(h, i), Kind: notebook.Reading, Provenance: notebook.Own,
				Slot:     design.Slot{Reading: "r", Stage: []string{"gravel", "cloth"}[i], Trial: 1},
				Given:    &notebook.Given{Level: level},
				Received: time.Date(2027, 2, 2, 10, h, i, 0, time.UTC),
			})
		}
		homes = append(homes,
			compare.Home{Key: fmt.Sprint(h), Book: notebook.Open(d, entries, notebook.Writer{Language: "en"}, nil)})
	}
	report := compare.Work(d, homes, true)
	if len(report.Findings) != 1 {
		t.Fatalf("%+v", report.Findings)
	}
	f := report.Findings[0]
	if f.Test != "sign" || f.Verdict != "supported" || !strings.Contains(f.Words.Teacher["en"], "after cloth") {
		t.Errorf("%s %s %q", f.Test, f.Verdict, f.Words.Teacher["en"])
	}
}
