package api_test

import (
	"encoding/json"
	"fmt"
	"testing"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/docs"
	"patient-kitchen/internal/app"
)

// A class that is exported and worked out from the files gives the page's
// sentences, to the digit: spoiled tries, bounds, units of one's own and what the
// teacher set aside among them.
func TestExportIsComparedTheSame(t *testing.T) {
	names := []string{"Fern", "Beck", "Adder", "Cairn", "Tarn", "Snipe", "Gorse"}
	sc := newSite(t).school("t@school.example", names...)
	for i, name := range names {
		phone := sc.phone(name)
		sc.agree(phone)
		for _, condition := range []string{"printer", "towel", "filter"} {
			mm := map[string]float64{"printer": 12, "towel": 48, "filter": 13}[condition] + float64(i*i%5)
			typed := fmt.Sprintf("%g mm", mm)
			switch {
			case name == "Cairn":
				typed = fmt.Sprintf("%g cm", mm/10)
			case name == "Gorse" && condition == "filter":
				typed = "less than 14"
			}
			id := newID()
			sc.put(phone, id, reading(condition, "8 min", typed))
			if name == "Beck" && condition == "towel" {
				sc.put(phone, newID(), map[string]any{"kind": "spoiled", "refers": id, "reason": "spilled", "phone_time": lesson, "offset_ms": 0})
			}
		}
	}
	var file compare.Readings
	if err := json.Unmarshal(sc.teacher.do("GET", sc.asPath("/export.json"), nil).body, &file); err != nil || len(file.Homes) != len(names) {
		t.Fatalf("%v, %+v", err, file)
	}
	raw, _ := docs.Examples.ReadFile("examples/paper-strips.json")
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	homes, err := file.Books(&d)
	if err != nil {
		t.Fatal(err)
	}
	words := map[string]compare.FindingReport{}
	for _, f := range compare.Work(&d, homes, true).Findings {
		words[f.ID] = f
	}
	compared := 0
	for _, c := range want[app.Results](sc.teacher, "GET", sc.asPath("/results"), nil).Comparisons {
		for _, f := range c.Findings {
			compared++
			if w := words[f.ID]; w.Words.Teacher["en"] != f.Words || w.Words.Family["en"] != f.Family || string(w.Verdict) != f.Verdict {
				t.Errorf("%s: the page says %q, the files %q", f.ID, f.Words, w.Words.Teacher["en"])
			}
		}
	}
	if compared != 6 || words["climb-filter"].Test != "sign" || words["climb-towel"].N != 6 {
		t.Errorf("%d compared; %s over %d homes", compared, words["climb-filter"].Test, words["climb-towel"].N)
	}
}
