package compare_test

import (
	"encoding/json"
	"fmt"
	"math"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
)

// document reads a design that a test writes.
func document(t *testing.T, raw string) *design.Document {
	t.Helper()
	d, err := design.Read([]byte(raw))
	if err != nil {
		t.Fatal(err)
	}
	return &d
}

// sugar is how much sugar is left in three glasses, judged on four levels; ties
// hold or do not; a sound is told among five tools; pipes are put in order.
const sugar = `{"schema": 3, "title": {"en": "Sugar"}, "question": {"en": "Does warm water dissolve sugar faster?"},
	"age_band": "11-13", "way": "follow-along", "languages": ["en", "es"], "trials": 1,
	"changed": {"name": {"en": "warmth"}},
	"conditions": [{"id": "cold", "name": {"en": "Cold", "es": "Fría"}, "control": true},
		{"id": "warm", "name": {"en": "Warm", "es": "Tibia"}}],
	"readings": [
		{"id": "left", "kind": "ordinal", "name": {"en": "sugar left", "es": "azúcar que queda"}, "per": ["condition"],
			"most": "first", "levels": [
			{"id": "all", "word": {"en": "all", "es": "toda"}}, {"id": "much", "word": {"en": "much", "es": "mucha"}},
				{"id": "little", "word": {"en": "little", "es": "poca"}},
				{"id": "nothing", "word": {"en": "none", "es": "nada"}}]},
		{"id": "held", "kind": "yes-partly-no", "name": {"en": "the knot held"}, "per": ["condition"], "trials": 3},
		{"id": "sound", "kind": "choice", "name": {"en": "the tool"}, "right": "whisk", "not_sure": true, "options": [
			{"id": "whisk", "word": {"en": "whisk"}}, {"id": "grater", "word": {"en": "grater"}},
				{"id": "peeler", "word": {"en": "peeler"}}, {"id": "sieve", "word": {"en": "sieve"}},
				{"id": "scissors", "word": {"en": "scissors"}}]},
		{"id": "ear", "kind": "order", "name": {"en": "how high"}, "from": {"en": "highest"}, "to": {"en": "lowest"},
			"things": [
			{"id": "a", "word": {"en": "6 cm"}}, {"id": "b", "word": {"en": "9 cm"}},
				{"id": "c", "word": {"en": "12 cm"}}]},
		{"id": "split", "kind": "count", "symbol": "split", "of": "20", "name": {"en": "split skins"},
			"per": ["condition"]}],
	"claims": [
		{"id": "warm-less", "says": "less", "value": "left", "condition": "warm", "against": "cold"},
		{"id": "told", "says": "share", "value": "sound", "option": "right"},
		{"id": "higher", "says": "order", "value": "ear", "order": ["a", "b", "c"]}],
	"steps": [{"id": "s", "kind": "measure", "title": {"en": "Look"},
		"takes": [{"reading": "left"}, {"reading": "held"}, {"reading": "sound"}, {"reading": "ear"},
		{"reading": "split"}]}]}`

// give is what one home gives for a slot.
func give(id string, slot design.Slot, g *notebook.Given) notebook.Entry {
	return notebook.Entry{
		ID: id, Kind: notebook.Reading, Provenance: notebook.Own, Slot: slot, Given: g,
		Received: time.Date(2027, 2, 2, 10, 0, 0, 0, time.UTC),
	}
}

func n(v int) *int { return &v }

// gathered makes homes from what each gives.
func gathered(t *testing.T, d *design.Document, size int, home func(h int) []notebook.Entry) []compare.Home {
	t.Helper()
	out := make([]compare.Home, size)
	for h := range out {
		entries := home(h)
		for i := range entries {
			entries[i].ID = fmt.Sprintf("h%d-%d", h, i)
			if p := notebook.Fits(d, &entries[i]); p != nil {
				t.Fatalf("home %d, entry %d: %+v", h, i, p)
			}
		}
		out[h] = compare.Home{
			Key:  fmt.Sprintf("home %d", h),
			Book: notebook.Open(d, entries, notebook.Writer{Language: "en"}, nil),
		}
	}
	return out
}

func reported(t *testing.T, d *design.Document, homes []compare.Home, id string) compare.FindingReport {
	t.Helper()
	for _, f := range compare.Work(d, homes, true).Findings {
		if f.ID == id {
			return f
		}
	}
	t.Fatalf("no finding %s", id)
	return compare.FindingReport{}
}

// Levels are compared by the sign test: of 22 homes 18 say less and one more, the
// others see no difference. Two-sided exact binomial of 18 in 19, ½: 2·(1 + 19)/2¹⁹.
func TestLevelsAreCompared(t *testing.T) {
	d := document(t, sugar)
	homes := gathered(t, d, 22, func(h int) []notebook.Entry {
		warm := "little" // of cold much
		switch {
		case h == 0:
			warm = "all"
		case h < 4:
			warm = "much"
		}
		return []notebook.Entry{
			give("", design.Slot{Reading: "left", Condition: "cold", Trial: 1}, &notebook.Given{Level: "much"}),
			give("", design.Slot{Reading: "left", Condition: "warm", Trial: 1}, &notebook.Given{Level: warm}),
		}
	})
	f := reported(t, d, homes, "warm-less")
	if want := 2 * 20 / math.Pow(2, 19); f.Verdict != "supported" || f.Test != "sign" || f.Kind != "ordinal" ||
		*f.More != 1 || *f.Less != 18 || *f.Same != 3 || math.Abs(*f.P/want-1) > 1e-9 {
		t.Errorf("%+v", f)
	}
	if s := f.Words.Teacher["en"]; !strings.HasPrefix(
		s,
		"Supported: sugar left is less with Warm than with Cold. Sign test",
	) ||
		!strings.Contains(s, "Of 19 homes that could tell, 1 say more and 18 say less; 3 saw no difference") {
		t.Error(s)
	}
	if s := f.Words.Family["es"]; !strings.Contains(s, "menos con Tibia") {
		t.Error(s)
	}
	if !strings.HasPrefix(f.WhyThisTest, "Levels have an order but no distances") || f.Median == nil ||
		f.Median.LowValue != nil {
		t.Errorf("%s %+v", f.WhyThisTest, f.Median)
	}
	for _, c := range compare.Class(d, homes) {
		if c.Derived == "left" {
			if g := c.Groups[1]; g.N != 22 || g.Counted[2].N != 18 || !g.Counted[2].Middle || g.Counted[0].N != 1 {
				t.Errorf("%+v", g.Counted)
			}
		}
	}
	if words := text.Render(compare.Differences(homes[5].Book)[0],
		"en"); words != "In your home sugar left was less with Warm than with Cold." {
		t.Error(words)
	}
}

// Several tries give one value: yes or no where all say so, else partly; the
// middle level, or between the two middle ones; the option named most.
func TestTriesOfKinds(t *testing.T) {
	d := document(t, sugar)
	slot := func(reading, condition string, trial int) design.Slot {
		return design.Slot{Reading: reading, Condition: condition, Trial: trial}
	}
	homes := gathered(t, d, 1, func(int) []notebook.Entry {
		var out []notebook.Entry
		for i, a := range []string{"yes", "yes", "no"} {
			out = append(out, give("", slot("held", "cold", i+1), &notebook.Given{Answer: a}),
				give("", slot("held", "warm", i+1), &notebook.Given{Answer: "yes"}))
		}
		return append(out, give("", slot("ear", "", 1), &notebook.Given{Order: [][]string{{"b", "a"}, {"c"}}}),
			give("", slot("sound", "", 1), &notebook.Given{Chosen: []string{"not-sure"}}))
	})
	got := map[string]string{}
	for _, r := range notebook.Derive(homes[0].Book) {
		got[r.Derived+" "+r.Condition] = r.Code
	}
	for key, want := range map[string]string{"held cold": "partly", "held warm": "yes", "ear ": "a=b>c",
		"sound ": "not-sure", "left cold": ""} {
		if got[key] != want {
			t.Errorf("%s: %q, not %q", key, got[key], want)
		}
	}
}

// A choice is held against guessing: 15 of 24 right of five options. Exact
// binomial, two-sided (R: binom.test(15, 24, 0.2)): p = 9.9e-06, interval 0.4059 to
// 0.8120. A home that is not sure stays in n.
func TestSharesAreCompared(t *testing.T) {
	d := document(t, sugar)
	homes := gathered(t, d, 24, func(h int) []notebook.Entry {
		chosen := "whisk"
		if h >= 15 {
			chosen = []string{"grater", "not-sure", "peeler"}[h%3]
		}
		return []notebook.Entry{
			give("", design.Slot{Reading: "sound", Trial: 1}, &notebook.Given{Chosen: []string{chosen}}),
		}
	})
	f := reported(t, d, homes, "told")
	if f.Verdict != "supported" || f.N != 24 || f.Test != "binomial" || math.Abs(*f.Estimate.Low-0.4059) > 1e-4 ||
		math.Abs(*f.Estimate.High-0.8120) > 1e-4 || *f.P > 2e-5 {
		t.Errorf("%+v", f)
	}
	if s := f.Words.Teacher["en"]; !strings.HasPrefix(
		s,
		"Supported: 15 of 24 homes chose whisk (19 in 20: 4.1 to 8.1 of 10); by guessing it would be 2.0 of 10.",
	) {
		t.Error(s)
	}
}

// Orders are held against the stated one by Page's test.
func TestOrdersAreCompared(t *testing.T) {
	d := document(t, sugar)
	homes := gathered(t, d, 12, func(h int) []notebook.Entry {
		order := [][]string{{"a"}, {"b"}, {"c"}}
		switch h {
		case 0:
			order = [][]string{{"b"}, {"a"}, {"c"}}
		case 1:
			order = [][]string{{"a"}, {"b", "c"}}
		}
		return []notebook.Entry{give("", design.Slot{Reading: "ear", Trial: 1}, &notebook.Given{Order: order})}
	})
	f := reported(t, d, homes, "higher")
	if f.Verdict != "supported" || f.Test != "page" || f.N != 12 || *f.P > 0.001 {
		t.Errorf("%+v", f)
	}
	if s := f.Words.Teacher["en"]; !strings.Contains(s, "6 cm, 9 cm and 12 cm") ||
		!strings.Contains(s, "in 10 of 12 homes it came out just so") {
		t.Error(s)
	}
	if s := f.Words.Family["en"]; s != "In 10 of 12 homes the order came out as we said." {
		t.Error(s)
	}
}

// A count of a known total stays a number where all totals are the same, and is a
// share where some escaped.
func TestCountsOfATotal(t *testing.T) {
	d := document(t, sugar)
	made := func(escaped int) compare.Comparison {
		homes := gathered(t, d, 6, func(h int) []notebook.Entry {
			return []notebook.Entry{
				give("", design.Slot{Reading: "split", Condition: "cold", Trial: 1}, &notebook.Given{Count: n(4)}),
				give(
					"",
					design.Slot{Reading: "split", Condition: "warm", Trial: 1},
					&notebook.Given{Count: n(9 + h%2), Escaped: escaped * (h % 2)},
				),
			}
		})
		for range 2 { // worked out twice, it is the same
			compare.Class(d, homes)
		}
		for _, c := range compare.Class(d, homes) {
			if c.Derived == "split" {
				return c
			}
		}
		t.Fatal("no comparison")
		return compare.Comparison{}
	}
	if c := made(0); c.Unit.Symbol != "1" || c.Groups[1].Summary.Median != 9.5 {
		t.Errorf("%+v", c)
	}
	if c := made(2); c.Unit.Symbol != "%" || math.Abs(c.Groups[0].Summary.Median-20) > 1e-9 ||
		math.Abs(c.Groups[1].Summary.High-100*10/18.0) > 1e-9 {
		t.Errorf("%s %+v", c.Unit.Symbol, c.Groups[1].Summary)
	}
}

// What cannot be said of a kind, or names what is not there, is refused, never
// taken silently.
func TestGivenHasToFit(t *testing.T) {
	d := document(t, sugar)
	for _, c := range []struct {
		slot  design.Slot
		given string
	}{
		{design.Slot{Reading: "left", Condition: "cold", Trial: 1}, `{"level": "lots"}`},
		{design.Slot{Reading: "left", Condition: "cold", Trial: 1}, `{"answer": "yes"}`},
		{design.Slot{Reading: "left", Condition: "cold", Trial: 1}, `{"level": "all", "answer": "yes"}`},
		{design.Slot{Reading: "left", Condition: "cold", Trial: 1}, `null`},
		{design.Slot{Reading: "held", Condition: "cold", Trial: 1}, `{"answer": "perhaps"}`},
		{design.Slot{Reading: "sound", Trial: 1}, `{"chosen": ["whisk", "sieve"]}`},
		{design.Slot{Reading: "sound", Trial: 1}, `{"chosen": ["none"]}`},
		{design.Slot{Reading: "ear", Trial: 1}, `{"order": [["a"], ["a"]]}`},
		{design.Slot{Reading: "ear", Trial: 1}, `{"order": [["a"], []]}`},
		{design.Slot{Reading: "ear", Trial: 1}, `{"order": [["a"], ["d"]]}`},
		{design.Slot{Reading: "split", Condition: "cold", Trial: 1}, `{"count": -1}`},
		{design.Slot{Reading: "split", Condition: "cold", Trial: 1}, `{"escaped": 3}`},
		{design.Slot{Reading: "split", Condition: "cold", Trial: 1}, `{"count": 1000001}`},
	} {
		var g *notebook.Given
		if err := json.Unmarshal([]byte(c.given), &g); err != nil {
			t.Fatal(err)
		}
		e := give("x", c.slot, g)
		p := notebook.Fits(d, &e)
		if p == nil {
			t.Errorf("%s %s was taken", c.slot.Reading, c.given)
			continue
		}
		for _, language := range text.Languages {
			if s := text.Render(p.Rule, language); s == "" || strings.ContainsAny(s, "{}[]") {
				t.Errorf("%s: %q", c.given, s)
			}
		}
	}
}
