package api_test

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/docs"
	"patient-kitchen/internal/view/results"
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
				sc.put(
					phone,
					newID(),
					map[string]any{
						"kind":       "spoiled",
						"refers":     id,
						"reason":     "spilled",
						"phone_time": lesson,
						"offset_ms":  0,
					},
				)
			}
		}
	}
	var file compare.Readings
	if err := json.Unmarshal(sc.teacher.do("GET", sc.asPath("/export.json"), nil).body, &file); err != nil ||
		len(file.Homes) != len(names) {
		t.Fatalf("%v, %+v", err, file)
	}
	raw, _ := docs.Example("paper-strips")
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
	for _, c := range want[results.Results](sc.teacher, "GET", sc.asPath("/results"), nil).Comparisons {
		for _, f := range c.Findings {
			compared++
			if w := words[f.ID]; w.Words.Teacher["en"] != strings.TrimSpace(f.Lead+" "+f.Words) ||
				w.Words.Family["en"] != f.Family ||
				string(w.Verdict) != f.Verdict {
				t.Errorf("%s: the page says %q, the files %q", f.ID, f.Words, w.Words.Teacher["en"])
			}
		}
	}
	if compared != 6 || words["climb-filter"].Test != "sign" || words["climb-towel"].N != 6 {
		t.Errorf("%d compared; %s over %d homes", compared, words["climb-filter"].Test, words["climb-towel"].N)
	}
}

// The first prediction stands, whichever phone of the home is the first; another
// gets it back. Many at once leave one.
func TestOnePrediction(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Beck")
	fern := sc.phone("Fern")
	sc.agree(fern)
	order := func(first string) map[string]any {
		rest := []string{first}
		for _, id := range []string{"printer", "newspaper", "filter", "towel"} {
			if id != first {
				rest = append(rest, id)
			}
		}
		return map[string]any{
			"kind":       "answer",
			"question":   "order",
			"choice":     rest,
			"phone_time": lesson,
			"offset_ms":  0,
		}
	}
	id := newID()
	sc.put(fern, id, order("towel"))
	sc.put(fern, id, order("towel")) // the same again is answered again
	a := fern.do("PUT", sc.homePath(fern, "/entries/"+newID()), order("filter"))
	var problem struct {
		Code    string
		Current struct{ Choice []string }
	}
	if err := json.Unmarshal(a.body, &problem); err != nil || a.status != 409 || problem.Code != "predicted" ||
		len(problem.Current.Choice) != 4 ||
		problem.Current.Choice[0] != "towel" {
		t.Errorf("%d %s", a.status, a.body)
	}
	if a := fern.do("PUT", sc.homePath(fern, "/entries/"+newID()), map[string]any{"kind": "answer", "question": "order",
		"choice": []string{"option-9"}, "phone_time": lesson, "offset_ms": 0}); a.status != 422 {
		t.Errorf("an unknown option: %d", a.status)
	}
	beck := sc.phone("Beck")
	sc.agree(beck)
	taken := make(chan int, 8)
	for i := range 8 {
		go func() {
			taken <- beck.do("PUT", sc.homePath(beck, "/entries/"+newID()),
				order([]string{"towel", "filter"}[i%2])).status
		}()
	}
	ok := 0
	for range 8 {
		if s := <-taken; s == 200 {
			ok++
		} else if s != 409 {
			t.Errorf("status %d", s)
		}
	}
	if ok != 1 {
		t.Errorf("%d predictions stand", ok)
	}
	said := sc.results().Said
	if len(said) == 0 || said[0].Text == "" || len(said[0].Homes) != 2 || len(said[0].Options) != 0 {
		t.Errorf("%+v", said)
	}
	nb := want[results.NotebookView](sc.teacher, "GET", sc.asPath("/notebooks/"+sc.homes[0].ID.String()), nil)
	if l := nb.Lines[len(nb.Lines)-1]; l.Asked == "" || l.Said == "" {
		t.Errorf("an answer is shown by its ids: %+v", l)
	}
}
