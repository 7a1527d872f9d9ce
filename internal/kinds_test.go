package internal_test

import (
	"os"
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

// kind is a kind of reading as a design asks for it, with what a home gives and how
// that reads in each place.
type kind struct {
	asks   string          // beside id, name and per
	typed  string          // of a quantity
	given  *notebook.Given // of the others
	other  *notebook.Given // what a home gives in the other condition, or has to be refused where it is wrong
	wrong  *notebook.Given // refused at entry
	words  string          // in the teacher's table and in files
	code   string          // the value in files
	blank  string          // on paper
	test   string          // which the class is compared with
	editor string          // in the editor's list of what homes do
}

func count(n int) *int { return &n }

func seconds(s float64) *float64 { return &s }

var kinds = map[design.ReadingKind]kind{
	design.QuantityKind: {
		asks: `"symbol": "x", "unit": "mm", "instruments": [{"id": "ruler", "name": {"en": "ruler"}, "resolution": "1 mm"}]`, typed: "12 mm",
		wrong: &notebook.Given{Level: "a"}, words: "12", code: "12", blank: "mm", test: "paired-t", editor: "quantity",
	},
	design.CountKind: {
		asks: `"symbol": "x", "of": "20"`, given: &notebook.Given{Count: count(7), Escaped: 1},
		other: &notebook.Given{Count: count(3), Escaped: 1},
		wrong: &notebook.Given{
			Count: count(-1),
		}, words: "7 of 20; 1 rolled away", code: "7", blank: "of 20", test: "paired-t", editor: "count",
	},
	design.OrdinalKind: {
		asks:  `"levels": [{"id": "low", "word": {"en": "a little"}}, {"id": "high", "word": {"en": "a lot"}}]`,
		given: &notebook.Given{Level: "high"}, other: &notebook.Given{Level: "low"},
		wrong: &notebook.Given{
			Level: "huge",
		}, words: "a lot", code: "high", blank: "a little", test: "sign", editor: "ordinal",
	},
	design.YesPartlyNoKind: {
		given: &notebook.Given{Answer: "partly"}, other: &notebook.Given{Answer: "no"},
		wrong: &notebook.Given{
			Answer: "maybe",
		}, words: "partly", code: "partly", blank: "yes", test: "sign", editor: "yes-partly-no",
	},
	design.ChoiceKind: {
		asks:  `"right": "a", "options": [{"id": "a", "word": {"en": "the whisk"}}, {"id": "b", "word": {"en": "the sieve"}}]`,
		given: &notebook.Given{Chosen: []string{"a"}}, other: &notebook.Given{Chosen: []string{"b"}},
		wrong: &notebook.Given{
			Chosen: []string{"a", "b"},
		}, words: "the whisk", code: "a", blank: "the sieve", test: "binomial", editor: "choice",
	},
	design.OrderKind: {
		asks:  `"things": [{"id": "a", "word": {"en": "short"}}, {"id": "b", "word": {"en": "long"}}]`,
		given: &notebook.Given{Order: [][]string{{"b"}, {"a"}}}, other: &notebook.Given{Order: [][]string{{"a", "b"}}},
		wrong: &notebook.Given{
			Order: [][]string{{"b"}, {"b"}},
		}, words: "long > short", code: "b>a", blank: "short · long", test: "page", editor: "order",
	},
	design.StageOrderKind: {
		asks:  `"stages": [{"id": "a", "word": {"en": "bubbles"}}, {"id": "b", "word": {"en": "a dome"}}, {"id": "c", "word": {"en": "it sank"}}]`,
		given: &notebook.Given{Order: [][]string{{"a"}, {"b"}}, Never: []string{"c"}, Seen: "happening"},
		other: &notebook.Given{Order: [][]string{{"a", "b"}, {"c"}}},
		wrong: &notebook.Given{Order: [][]string{{"a"}}, LeftOut: []string{"b"}},
		words: "bubbles > a dome; not: it sank", code: "a>b", blank: "bubbles · a dome · it sank", test: "page",
		editor: "stage-order",
	},
	design.SeveralKind: {
		asks:  `"options": [{"id": "a", "word": {"en": "the whisk"}}, {"id": "b", "word": {"en": "the sieve"}}]`,
		given: &notebook.Given{Chosen: []string{"a", "b"}}, other: &notebook.Given{Chosen: []string{"b"}},
		wrong: &notebook.Given{
			Chosen: []string{"a", "c"},
		}, words: "the whisk, the sieve", code: "a b", test: "sign", editor: "several",
	},
	design.ZonesKind: {
		asks: `"of": "8", "zones": [{"id": "a", "word": {"en": "lettuce"}}, {"id": "b", "word": {"en": "oats"}}]`,
		given: &notebook.Given{
			Counts:  map[string]int{"a": 5, "b": 2},
			Escaped: 1,
		}, other: &notebook.Given{Counts: map[string]int{"a": 4, "b": 4}},
		wrong: &notebook.Given{
			Counts: map[string]int{"c": 1},
		}, words: "5 · 2; 1 escaped", code: "a:5 b:2", test: "zones-t", editor: "zones",
	},
	design.WordsKind: {
		asks: `"senses": {"looks": [{"id": "a", "word": {"en": "wrinkled"}}], "feels": [{"id": "b", "word": {"en": "hard"}}]}`,
		given: &notebook.Given{
			Words: map[string][]string{"looks": {"a"}},
			Own:   map[string][]string{"feels": {"like a raisin"}},
		}, other: &notebook.Given{Words: map[string][]string{"feels": {"b"}}},
		wrong: &notebook.Given{
			Words: map[string][]string{"looks": {"b"}},
		}, words: "wrinkled, “like a raisin”", code: "a", test: "sign", editor: "words",
	},
	design.EventKind: {
		asks: `"symbol": "x", "not_by": "30 min"`, given: &notebook.Given{At: seconds(750)},
		other: &notebook.Given{At: seconds(1500)},
		wrong: &notebook.Given{
			At:    seconds(750),
			NotBy: seconds(60),
		}, words: "12.5", code: "750", test: "paired-t", editor: "event",
	},
	design.PositionKind: {
		asks:  `"symbol": "x", "place": {"picture": "field", "from": {"x": 0.5, "y": 0.75}, "ruler": "300 mm"}`,
		given: &notebook.Given{X: seconds(.62), Y: seconds(.4), Reach: .03},
		other: &notebook.Given{X: seconds(.5), Y: seconds(.5)},
		wrong: &notebook.Given{X: seconds(1.2), Y: seconds(.4)},
		words: "D2", code: "0.62;0.4", blank: "A", test: "paired-t", editor: "position",
	},
	design.TextKind: {
		given: &notebook.Given{Text: "It fizzed.", Language: "en"}, other: &notebook.Given{Text: "Nothing."},
		wrong: &notebook.Given{Text: " "}, words: "“It fizzed.”", code: "It fizzed.", editor: "text",
	},
}

// classRow is what stands under six homes that gave the same.
var classRow = map[design.ReadingKind]string{
	design.QuantityKind: "12.0 mm", design.CountKind: "7 of 20", design.OrdinalKind: "a lot",
	design.YesPartlyNoKind: "partly 6", design.ChoiceKind: "the whisk 6", design.SeveralKind: "the whisk 6",
	design.OrderKind: "6 alike", design.StageOrderKind: "6 alike", design.ZonesKind: "30 · 12",
	design.WordsKind: "wrinkled 6", design.EventKind: "12.5 min", design.PositionKind: "D2", design.TextKind: "6 texts",
}

func r(d *design.Document) *design.Reading { return &d.Readings[0] }

// Each kind of reading stands in every place: asked for, checked at entry, in the
// teacher's table, as a home's result, compared, in files, on paper, on the phone and
// in the editor. A kind that lacks one is a gap.
func TestKindsStandEverywhere(t *testing.T) {
	page := func(name string) string {
		raw, err := os.ReadFile("../web/src/" + name)
		if err != nil {
			t.Fatal(err)
		}
		return string(raw)
	}
	phone := page("family/views/GivenField.tsx") + page("family/views/ReadingField.tsx")
	editor, plot := page("teacher/experiment/ReadingKind.tsx"), page("teacher/results/classResult.tsx")
	for _, id := range design.ReadingKinds {
		k, ok := kinds[id]
		if !ok {
			t.Errorf("%s: stands in no row here", id)
			continue
		}
		t.Run(string(id), func(t *testing.T) {
			asks := k.asks
			if asks != "" {
				asks = ", " + asks
			}
			claim := `{"id": "c", "says": "more", "value": "r", "condition": "warm", "against": "cold"}`
			switch id {
			case design.ChoiceKind:
				claim = `{"id": "c", "says": "share", "value": "r", "condition": "warm", "option": "right"}`
			case design.TextKind:
				claim = ""
			case design.SeveralKind, design.WordsKind:
				claim = `{"id": "c", "says": "more", "value": "r", "condition": "warm", "against": "cold",
					"option": "a"}`
			case design.ZonesKind:
				claim = `{"id": "c", "says": "more", "value": "r", "condition": "warm", "zone": "a"}`
			case design.StageOrderKind:
				claim = `{"id": "c", "says": "order", "value": "r", "condition": "warm", "order": ["a", "b", "c"]}`
			case design.OrderKind:
				claim = `{"id": "c", "says": "order", "value": "r", "condition": "warm", "order": ["b", "a"]}`
			}
			d, err := design.Read(
				[]byte(
					`{"schema": 3, "title": {"en": "Kinds"}, "question": {"en": "Which?"}, "age_band": "11-13",
						"way": "follow-along", "languages": ["en"], "trials": 1,
				"changed": {"name": {"en": "warmth"}},
					"conditions": [{"id": "cold", "name": {"en": "Cold"}, "control": true},
					{"id": "warm", "name": {"en": "Warm"}}],
				"readings": [{"id": "r", "kind": "` + string(
						id,
					) + `", "name": {"en": "what is asked"}, "per": ["condition"]` + asks + `}],
				"claims": [` + claim + `],
				"steps": [{"id": "s", "kind": "measure", "title": {"en": "Look"}, "takes": [{"reading": "r"}]}]}`,
				),
			)
			if err != nil {
				t.Fatal(err)
			}
			for _, f := range design.Validate(&d) {
				if f.Severity == design.Error {
					t.Errorf("it cannot be designed: %s", text.Render(f.Message, "en"))
				}
			}
			entry := func(condition, typed string, g *notebook.Given) notebook.Entry {
				return notebook.Entry{
					ID: condition, Kind: notebook.Reading, Provenance: notebook.Own, Typed: typed, Given: g,
					Slot:     design.Slot{Reading: "r", Condition: condition, Trial: 1},
					Received: time.Date(2027, 2, 2, 10, 0, 0, 0, time.UTC),
				}
			}
			wrong := entry("warm", "", k.wrong)
			if notebook.Fits(&d, &wrong) == nil {
				t.Errorf("%+v is taken", k.wrong)
			}
			typed := entry("warm", "12", nil)
			number := id == design.QuantityKind || id == design.CountKind || id == design.EventKind
			if taken := notebook.Fits(&d, &typed) == nil; taken != number {
				t.Errorf("what is only typed is taken: %v", taken)
			}
			var homes []compare.Home
			for range 6 {
				other := ""
				if k.given == nil {
					other = "3 mm"
				}
				entries := []notebook.Entry{entry("warm", k.typed, k.given), entry("cold", other, k.other)}
				for i := range entries {
					if p := notebook.Fits(&d, &entries[i]); p != nil {
						t.Fatalf("it is refused: %+v", p)
					}
				}
				homes = append(
					homes,
					compare.Home{Key: "h", Book: notebook.Open(&d, entries, notebook.Writer{Language: "en"}, nil)},
				)
			}
			row := results.ViewHome(results.Home{Nickname: "Fern"}, "granted", homes[0].Book, "en")
			if cell := row.Cells[1]; cell.State != "value" ||
				cell.Text != k.words && !strings.HasPrefix(cell.Text, k.words) {
				t.Errorf("in the table it is %+v, not %q", cell, k.words)
			}
			if r := row.Results[len(row.Results)-1]; !r.OK || r.Text == "" {
				t.Errorf("a home's result is %+v", r)
			}
			books := make([]*notebook.Book, len(homes))
			for i := range homes {
				books[i] = homes[i].Book
			}
			class := results.ClassRow(&d, books, "en")[1]
			if got := strings.ReplaceAll(class.Text, "\u00a0", " "); class.N != 6 || got != classRow[id] {
				t.Errorf("under the homes stands %d %q, not %q", class.N, got, classRow[id])
			}
			report := compare.Work(&d, homes, true)
			if k.test == "" {
				if len(report.Findings) != 0 {
					t.Errorf("text is compared: %+v", report.Findings)
				}
			} else if len(report.Findings) != 1 || string(report.Findings[0].Test) != k.test ||
				report.Findings[0].Kind != string(id) ||
				report.Findings[0].Words.Teacher["en"] == "" || report.Findings[0].Words.Family["es"] == "" {
				t.Errorf("it is compared as %+v", report.Findings)
			}
			if k.test == "" {
				return
			}
			view := results.ViewComparison(&d, compare.Class(&d, homes)[0], func(s string) string { return s }, "en")
			if view.Kind != string(id) || (view.Ledge != nil) == (r(&d).Numeric()) ||
				!strings.Contains(plot, "comparison.ledge") {
				t.Errorf("its plot is of %s", view.Kind)
			}
			file := export.Class{
				Language: "en",
				Design:   &d,
				Readings: compare.Readings{Readings: results.ExportBook("Fern", homes[0].Book)},
			}
			var csv strings.Builder
			if err := file.ReadingsCSV(&csv, export.Usual); err != nil {
				t.Fatal(err)
			}
			if s := csv.String(); !strings.Contains(s, ","+string(id)+","+k.code+",") {
				t.Errorf("the file says\n%s", s)
			}
			again, err := file.Readings.Books(&d)
			if err != nil || again[0].Book.Cells[1].State != notebook.HasValue {
				t.Errorf("what went out does not come in again: %v", err)
			}
			paper, err := sheets.Print(&d, nil, "notebook", "en")
			if err != nil || len(paper.Blanks) != 1 || paper.Blanks[0].Rows[0].Reading.Kind != string(id) {
				t.Errorf("on paper: %v %+v", err, paper.Blanks)
			}
			if id != design.QuantityKind && !strings.Contains(phone, `'`+string(id)+`'`) &&
				!strings.Contains(phone, string(id)+`:`) {
				t.Errorf("the phone does not ask it")
			}
			if !strings.Contains(editor, `'`+k.editor+`'`) {
				t.Errorf("the editor does not offer it")
			}
		})
	}
}
