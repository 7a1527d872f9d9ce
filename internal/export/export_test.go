package export_test

import (
	"bytes"
	"encoding/csv"
	"encoding/json"
	"fmt"
	"os"
	"strconv"
	"strings"
	"testing"

	"github.com/santhosh-tekuri/jsonschema/v6"
	"github.com/thedatashed/xlsxreader"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/export"
)

func of(v float64) *float64 { return &v }

// class has what a table must not lose or bend: a range, a bound, an unread text, a
// missing reading, a formula, breaks and separators inside a cell, many decimals.
func class(t *testing.T, language string) *export.Class {
	t.Helper()
	raw, err := os.ReadFile("../../docs/examples/paper-strips.json")
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	row := func(r compare.Row) compare.Row {
		r.Reading, r.Condition, r.Trial, r.Unit, r.Kind = "height", "towel", 1, "mm", "quantity"
		return r
	}
	return &export.Class{
		Name:       "7M; the \"loud\" one",
		Experiment: "Paper strips",
		Version:    2,
		Language:   language,
		Design:     &d,
		Readings: compare.Readings{
			Made: "2027-02-02T10:40:00Z", DesignVersion: strings.Repeat("0", 64), Measures: "metric",
			Homes: []compare.ReadingsHome{{Home: "Fern", Language: "en"}},
			Readings: []compare.Row{
				row(
					compare.Row{
						Home:       "Fern",
						Provenance: "own",
						Time:       "8 min",
						Value:      of(51.25),
						U:          of(0.288675),
						Typed:      "51.25",
						Instrument: "ruler-mm",
						Step:       "1 mm",
						Fate:       "counts",
						Counts:     true,
						MeasuredAt: "2027-02-02T10:40:00Z",
					},
				),
				row(
					compare.Row{
						Home:       "Beck",
						Provenance: "own",
						Time:       "1 min",
						Value:      of(2.5),
						U:          of(0.2887),
						Low:        of(2),
						High:       of(3),
						Typed:      "2-3",
						Fate:       "counts",
						Counts:     true,
					},
				),
				row(
					compare.Row{
						Home:       "Cairn",
						Provenance: "own",
						Time:       "1 min",
						High:       of(5),
						Bound:      "below",
						Typed:      "<5",
						Fate:       "counts",
						Counts:     true,
					},
				),
				row(
					compare.Row{
						Home:       "=HYPERLINK(\"x\")",
						Provenance: "own",
						Time:       "1 min",
						Typed:      "-4.5 °C",
						Reason:     "spilled;\r\nall, over",
						Fate:       "unread",
					},
				),
				row(
					compare.Row{
						Home:       "\rAdder",
						Provenance: "own",
						Time:       "1 min",
						Typed:      "\u00a0+1",
						Fate:       "not-read",
						Reason:     "forgot",
						Late:       true,
					},
				),
			},
			Answers: []compare.AnswerRow{
				{
					Home:     "Fern",
					Question: "order",
					Choice:   []string{"towel", "filter", "newspaper", "printer"},
					At:       "2027-02-02T10:30:00Z",
				},
				{Home: "Fern", Question: "why", Text: "@soft"},
			},
			Observations: []compare.ObservationRow{{Home: "Fern", Step: "read-8", Text: "it slowed down"}},
		},
		Report: compare.Report{
			Homes: []compare.HomeReport{
				{
					Home: "Fern",
					Values: []compare.HomeValue{
						{
							Value:      "rise-8",
							Condition:  "towel",
							Mean:       of(51.25),
							GiveOrTake: of(1.0408),
							Unit:       "mm",
							Trials:     1,
						},
					},
					Predictions: []compare.Held{{Question: "order", Verdict: "held"}},
				},
			},
		},
	}
}

func table(t *testing.T, raw string, separator rune) (rows [][]string, at map[string]int) {
	t.Helper()
	body, ok := strings.CutPrefix(raw, "\ufeff")
	if !ok {
		t.Fatal("no byte order mark")
	}
	in := csv.NewReader(strings.NewReader(body))
	in.Comma = separator
	rows, err := in.ReadAll() // all rows of the same length, or it fails
	if err != nil {
		t.Fatal(err)
	}
	at = map[string]int{}
	for i, id := range rows[0] {
		at[id] = i
	}
	return rows[1:], at
}

// Both dialects, read by Go's reader: numbers are numbers there, texts that would be
// formulas are guarded, a range is never "2-3", an open end is blank.
func TestReadingsCSV(t *testing.T) {
	for name, d := range map[string]export.Dialect{"comma, point": export.Usual,
		"semicolon, comma": {Separator: ';', Comma: true}, "tab, point": {Separator: '\t'}} {
		var b bytes.Buffer
		if err := class(t, "en").ReadingsCSV(&b, d); err != nil {
			t.Fatal(err)
		}
		rows, at := table(t, b.String(), d.Separator)
		cell := func(row int, id string) string {
			i, ok := at[id]
			if !ok {
				t.Fatalf("no column %s", id)
			}
			return rows[row][i]
		}
		decimal := func(s string) string {
			if d.Comma {
				return strings.Replace(s, ".", ",", 1)
			}
			return s
		}
		for _, c := range []struct {
			row      int
			id, want string
		}{
			{0, "class", `7M; the "loud" one`}, {0, "version", "2"},
			{0, "reading_name", "height of the wet edge above the pencil line"}, {0, "time_s", "480"},
			{0, "value", decimal("51.25")}, {0, "u", decimal("0.29")},
			{0, "tool_step", "1 mm"}, {0, "fate", "counts"}, {0, "counts", "true"},
			{0, "condition_name", "Kitchen roll"},
			{1, "value", decimal("2.5")}, {1, "low", "2"}, {1, "high", "3"}, {1, "bound", ""}, {2, "value", ""},
			{2, "low", ""}, {2, "high", "5"}, {2, "bound", "below"},
			{3, "home", `'=HYPERLINK("x")`}, {3, "typed", "'-4.5 °C"}, {3, "reason", "spilled;\nall, over"},
			{3, "counts", "false"}, {3, "value", ""},
			{4, "typed", "'\u00a0+1"}, {4, "late", "true"},
		} {
			if got := cell(c.row, c.id); got != c.want {
				t.Errorf("%s: row %d, %s: %q, want %q", name, c.row, c.id, got, c.want)
			}
		}
		if got := cell(4, "home"); !strings.HasPrefix(got, "'") {
			t.Errorf("%s: a break in front is not guarded: %q", name, got)
		}
		if strings.Contains(strings.ReplaceAll(b.String(), "\r\n", ""), "\r") && name == "comma, point" {
			t.Logf("%q", b.String())
		}
		for _, row := range rows {
			for _, id := range []string{"value", "u", "low", "high", "time_s"} {
				if s := strings.Replace(row[at[id]], ",", ".", 1); s != "" {
					if _, err := strconv.ParseFloat(s, 64); err != nil {
						t.Errorf("%s: %s is %q", name, id, s)
					}
				}
			}
		}
	}
}

func TestDialects(t *testing.T) {
	for names, fits := range map[[2]string]bool{{"", ""}: true, {"comma", "point"}: true, {"semicolon", "comma"}: true,
		{"tab", "comma"}: true, {"comma", "comma"}: false, {"", "comma"}: false, {"pipe", ""}: false,
		{"", "dot"}: false} {
		if _, ok := export.DialectOf(names[0], names[1]); ok != fits {
			t.Errorf("%v: %v", names, ok)
		}
	}
}

// The workbook, read by a library that did not write it.
func TestXLSX(t *testing.T) {
	for language, name := range map[string][2]string{"en": {"Readings", "Columns"}, "es": {"Medidas", "Columnas"}} {
		var b bytes.Buffer
		if err := class(t, language).XLSX(&b); err != nil {
			t.Fatal(err)
		}
		book, err := xlsxreader.NewReader(b.Bytes())
		if err != nil {
			t.Fatal(err)
		}
		if len(book.Sheets) != 7 || book.Sheets[0] != name[1] || book.Sheets[1] != name[0] {
			t.Fatalf("%v", book.Sheets)
		}
		cells := map[string]string{}
		numbers := 0
		for row := range book.ReadRows(name[0]) {
			if row.Error != nil {
				t.Fatal(row.Error)
			}
			for _, c := range row.Cells {
				cells[fmt.Sprintf("%s%d", c.Column, c.Row)] = c.Value
				if c.Type == xlsxreader.TypeNumerical {
					numbers++
				}
			}
		}
		if cells["R2"] != "51.25" || cells["S2"] != "0.29" || cells["D5"] != `=HYPERLINK("x")` ||
			cells["M2"] != "480" ||
			numbers < 15 {
			t.Errorf("%s: %d numbers, %v", language, numbers, cells)
		}
		explained := 0
		for row := range book.ReadRows(name[1]) {
			if len(row.Cells) == 3 && len(row.Cells[2].Value) > 5 {
				explained++
			}
		}
		if want := len(export.Columns(language)) + 1; explained != want {
			t.Errorf("%s: %d of %d columns are explained", language, explained, want)
		}
	}
}

// Every column is explained in every language.
func TestColumns(t *testing.T) {
	for _, language := range text.Languages {
		for _, c := range export.Columns(language) {
			if strings.HasPrefix(c.Words, "[") || c.Words == "" {
				t.Errorf("%s: %s of %s: %q", language, c.Column, c.Table, c.Words)
			}
		}
	}
}

// The JSON, held against the published schema by an independent validator.
func TestJSONAgainstItsSchema(t *testing.T) {
	raw, err := os.ReadFile("../../docs/readings.schema.json")
	if err != nil {
		t.Fatal(err)
	}
	schema, err := jsonschema.UnmarshalJSON(bytes.NewReader(raw))
	if err != nil {
		t.Fatal(err)
	}
	c := jsonschema.NewCompiler()
	if err := c.AddResource("readings.json", schema); err != nil {
		t.Fatal(err)
	}
	compiled, err := c.Compile("readings.json")
	if err != nil {
		t.Fatal(err)
	}
	check := func(doc any) error {
		raw, err := json.Marshal(doc)
		if err != nil {
			t.Fatal(err)
		}
		v, err := jsonschema.UnmarshalJSON(bytes.NewReader(raw))
		if err != nil {
			t.Fatal(err)
		}
		return compiled.Validate(v)
	}
	if err := check(class(t, "en").Readings); err != nil {
		t.Error(err)
	}
	if check(map[string]any{"made": 3}) == nil {
		t.Error("anything is taken")
	}
}

func FuzzCSV(f *testing.F) {
	for _, s := range []string{"", "=1", "\r\n", "a,b;c\td", "\"", "\u00a0=x", "−3"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		if strings.ContainsAny(s, "\r\x00") {
			return // the reader makes one break of two signs
		}
		c := class(t, "en")
		c.Readings.Readings = c.Readings.Readings[:1]
		c.Readings.Readings[0].Typed = s
		var b bytes.Buffer
		if err := c.ReadingsCSV(&b, export.Usual); err != nil {
			t.Fatal(err)
		}
		rows, at := table(t, b.String(), ',')
		if got := rows[0][at["typed"]]; strings.TrimPrefix(got, "'") != s && got != s {
			t.Errorf("%q comes back as %q", s, got)
		}
	})
}
