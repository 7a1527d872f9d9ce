package compare_test

import (
	"fmt"
	"math"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
)

func class(t testing.TB, heights map[string][]float64) (*design.Document, []compare.Home) {
	t.Helper()
	raw, _ := docs.Example("paper-strips")
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	n := 0
	for _, h := range heights {
		n = max(n, len(h))
	}
	var homes []compare.Home
	for i := range n {
		var entries []notebook.Entry
		for condition, h := range heights {
			if i < len(h) && !math.IsNaN(h[i]) {
				entries = append(
					entries,
					notebook.Entry{
						ID:       condition,
						Kind:     notebook.Reading,
						Received: time.Unix(1, 0),
						Typed:    fmt.Sprintf("%g mm", h[i]),
						Slot:     design.Slot{Reading: "height", Condition: condition, Time: "8 min", Trial: 1},
					},
				)
			}
		}
		homes = append(
			homes,
			compare.Home{
				Key:  fmt.Sprintf("home-%d", i),
				Book: notebook.Open(&d, entries, notebook.Writer{Language: "en", System: quantity.Metric}, nil),
			},
		)
	}
	return &d, homes
}

func finding(t testing.TB, c compare.Comparison, condition string) compare.Finding {
	t.Helper()
	for _, f := range c.Findings {
		if f.Condition == condition {
			return f
		}
	}
	t.Fatalf("no finding about %s in %+v", condition, c.Findings)
	return compare.Finding{}
}

// Differences towel − printer: 20, 22, 18, 21, 19 and 20: mean 20, sd √2,
// standard error √2/√6 = 0.57735, t(0.975; 5) = 2.570582, interval 18.5159 to
// 21.4841 (by hand from the t table).
func TestClass(t *testing.T) {
	d, homes := class(t, map[string][]float64{
		"printer": {10, 10, 10, 10, 10, 10, 10},
		"towel":   {30, 32, 28, 31, 29, 30, math.NaN()},
		"filter":  {10.5, 9, 10, 11, 10, 9.5, 10},
	})
	c := compare.Class(d, homes)[0]
	if c.Derived != "climb" || c.Against != "printer" || len(c.Findings) != 3 {
		t.Fatalf("%s against %s, %d findings", c.Derived, c.Against, len(c.Findings))
	}
	towel := finding(t, c, "towel")
	if towel.Tally.More != 6 || towel.Verdict != stats.Supported || math.Abs(towel.Test.Low-18.5159) > 1e-3 ||
		math.Abs(towel.Test.SE-0.57735) > 1e-4 ||
		towel.M != 3 ||
		math.Abs(towel.Corrected-3*towel.Test.P) > 1e-12 {
		t.Errorf("towel: %+v", towel)
	}
	if f := finding(t, c, "filter"); f.Verdict != stats.CannotTell || f.Tally.CannotTell != 7 {
		t.Errorf("filter: %+v", f)
	}
	if f := finding(t, c, "newspaper"); !math.IsNaN(f.Test.P) || f.Verdict != stats.CannotTell ||
		f.Reason != compare.TooFew ||
		len(f.Homes) != 0 {
		t.Errorf("nobody did newspaper: %+v", f)
	}
	for _, f := range c.Findings {
		for _, lang := range text.Languages {
			for _, s := range []string{f.Teacher(lang), f.ForFamily(lang)} {
				if s == "" || strings.ContainsAny(s, "[{") {
					t.Errorf("%s: %q", lang, s)
				}
			}
		}
	}
	want := "Supported: climb in 8 min is more with Kitchen roll than with Printer paper. Typical difference 20.0 " +
		"mm, give or take 0.6 mm (19 in 20: 18.5 to 21.5 mm). Paired t test, 6 homes, p below 0.001, corrected for " +
		"3 comparisons. In this one try it was more in every one of the 6 homes."
	if s := strings.ReplaceAll(towel.Teacher("en"), "\u00a0", " "); s != want {
		t.Errorf("words: %s", s)
	}
	if g := c.Groups[3]; g.Summary.N != 6 || !g.Enough || g.Summary.Mean != 30 {
		t.Errorf("group: %+v", g)
	}
}

// What is worked out besides the first value is looked for afterwards: it never
// says supported.
func TestAfterwards(t *testing.T) {
	d, homes := class(t, map[string][]float64{"printer": {10, 11, 10, 12, 10, 11}, "towel": {30, 31, 29, 30, 32, 31}})
	d.Derived = append(
		d.Derived[:1:1],
		design.Derived{
			ID:      "twice",
			Name:    text.Localized{"en": "twice the climb"},
			Formula: "2 * at(height, 8)",
			Unit:    "mm",
		},
	)
	all := compare.Class(d, homes)
	f := finding(t, all[1], "towel")
	if f.Verdict != compare.Afterwards || !f.Seen || strings.Contains(strings.ToLower(f.Teacher("en")), "supported") ||
		!strings.Contains(f.Teacher("en"), "Worth a new try") {
		t.Errorf("%+v: %s", f.Verdict, f.Teacher("en"))
	}
	other, odd := class(
		t,
		map[string][]float64{"printer": {10, 10, 10, 10, 10, 10, 10, 10}, "towel": {30, 31, 29, 30, 32, 31, 30, 90}},
	)
	other.Derived = append(
		other.Derived[:1:1],
		design.Derived{ID: "twice", Name: text.Localized{"en": "énergie"}, Formula: "2 * at(height, 8)", Unit: "mm"},
	)
	if f := finding(t, compare.Class(other, odd)[1], "towel"); len(f.Apart) != 1 ||
		!strings.Contains(f.Teacher("en"), "afterwards: Énergie is more") ||
		strings.Contains(strings.ToLower(f.Teacher("en")), "supported") {
		t.Errorf("%s", f.Teacher("en"))
	}
	d.Claims = []design.Claim{}
	if f := finding(t, compare.Class(d, homes)[0], "towel"); f.Verdict != compare.Afterwards {
		t.Errorf("a design that only looks: %s", f.Verdict)
	}
}

// Without a control all pairs are compared, corrected for their number.
func TestAllPairs(t *testing.T) {
	d, homes := class(
		t,
		map[string][]float64{
			"printer":   {10, 11, 9, 10, 12},
			"towel":     {30, 31, 30, 32, 29},
			"newspaper": {5, 6, 5, 4, 7},
			"filter":    {10, 10, 11, 9, 12},
		},
	)
	for i := range d.Conditions {
		d.Conditions[i].Control = false
	}
	c := compare.Class(d, homes)[0]
	if c.Against != "" || len(c.Findings) != 6 || c.Findings[0].M != 6 {
		t.Errorf("%d findings against %q", len(c.Findings), c.Against)
	}
	d.Conditions = d.Conditions[:1]
	if c := compare.Class(d, homes)[0]; len(c.Findings) != 0 {
		t.Errorf("one condition: %+v", c.Findings)
	}
	d.Derived[0].Unit = "blobs"
	if got := compare.Class(d, homes); len(got) != 1 {
		t.Errorf("a value without a unit is left out: %d", len(got))
	}
}

// Claims with a size that matters, by hand from the interval of the
// differences 1, 2, 0, 1, 1, 2, 0, 1 (mean 1, se 0.2673, t(0.975; 7) = 2.3646:
// 0.368 to 1.632).
func TestClaims(t *testing.T) {
	d, homes := class(
		t,
		map[string][]float64{
			"printer": {10, 10, 10, 10, 10, 10, 10, 10},
			"towel":   {11, 12, 10, 11, 11, 12, 10, 11},
			"filter":  {20, 20, 21, 19, 20, 21, 20, 19},
		},
	)
	for _, c := range []struct {
		claim   design.Claim
		verdict stats.Verdict
		reason  string
		says    string
	}{
		{design.Claim{Says: "more", Condition: "towel"}, stats.Supported, "", "Supported"},
		{design.Claim{Says: "less", Condition: "towel"}, stats.NotSupported, compare.OtherWay, "the other way"},
		{design.Claim{Says: "differs", Condition: "towel", Matters: "3 mm"}, stats.NotSupported, compare.Smaller,
			"smaller than 3"},
		{design.Claim{Says: "same", Condition: "towel", Matters: "2 mm"}, stats.Supported, "", "no difference larger"},
		{design.Claim{Says: "same", Condition: "towel", Matters: "1 mm"}, stats.CannotTell, "", "cannot tell"},
		{design.Claim{Says: "same", Condition: "filter", Matters: "5 mm"}, stats.NotSupported, "",
			"differ by more than"},
		{design.Claim{Says: "order", Order: []string{"printer", "towel", "filter"}}, stats.Supported, "",
			"the order Printer paper, Kitchen roll and Coffee filter"},
		{design.Claim{Says: "order", Order: []string{"filter", "printer", "towel"}}, stats.NotSupported,
			compare.OtherWay, "broken"},
		{design.Claim{Says: "equals", Condition: "filter", Stated: "20 mm", Matters: "2 mm"}, stats.Supported, "",
			"Agrees with 20"},
		{design.Claim{Says: "equals", Condition: "filter", Stated: "25 mm", Matters: "2 mm"}, stats.NotSupported, "",
			"Does not agree"},
	} {
		c.claim.ID = "c"
		d.Claims = []design.Claim{c.claim}
		f := compare.Class(d, homes)[0].Findings[0]
		if f.Verdict != c.verdict || f.Reason != c.reason || !strings.Contains(f.Teacher("en"), c.says) {
			t.Errorf("%+v: %s (%s): %s", c.claim, f.Verdict, f.Reason, f.Teacher("en"))
		}
	}
}

// A bound is neither its limit nor left out: the sides are counted.
func TestBounds(t *testing.T) {
	d, homes := class(
		t,
		map[string][]float64{"printer": {10, 10, 10, 10, 10, 10, 10, 10}, "towel": {30, 32, 28, 31, 29, 30, 33, 31}},
	)
	d.Claims = []design.Claim{{ID: "c", Says: "more", Condition: "towel"}}
	raw := func(typed string) []notebook.Entry {
		var entries []notebook.Entry
		for condition, typed := range map[string]string{"printer": "10 mm", "towel": typed} {
			entries = append(
				entries,
				notebook.Entry{
					ID:       condition,
					Kind:     notebook.Reading,
					Received: time.Unix(1, 0),
					Typed:    typed,
					Slot:     design.Slot{Reading: "height", Condition: condition, Time: "8 min", Trial: 1},
				},
			)
		}
		return entries
	}
	homes[7].Book = notebook.Open(
		d,
		raw("more than 25 mm"),
		notebook.Writer{Language: "en", System: quantity.Metric},
		nil,
	)
	f := compare.Class(d, homes)[0].Findings[0]
	if !f.Signs || f.Sides != (stats.Sides{More: 8}) || f.Verdict != stats.Supported ||
		math.Abs(f.Test.P-2.0/256) > 1e-12 {
		t.Errorf("%+v", f)
	}
	homes[7].Book = notebook.Open(d, raw("<12 mm"), notebook.Writer{Language: "en", System: quantity.Metric}, nil)
	f = compare.Class(d, homes)[0].Findings[0]
	if f.Sides != (stats.Sides{More: 7, Undecided: 1}) || !strings.Contains(f.Teacher("en"), "1 could not decide") {
		t.Errorf("%+v: %s", f.Sides, f.Teacher("en"))
	}
	r := compare.Work(d, homes, false)
	if r.Findings[0].Test != stats.SignTest || *r.Findings[0].Undecided != 1 || r.Findings[0].Statistic != nil {
		t.Errorf("%+v", r.Findings[0])
	}
}

// All alike is said; a control in which nothing happens does not silence the
// question.
func TestZeroScatter(t *testing.T) {
	d, homes := class(t, map[string][]float64{"printer": {0, 0, 0, 0, 0, 0}, "towel": {12, 12, 12, 12, 12, 12}})
	f := finding(t, compare.Class(d, homes)[0], "towel")
	if s := f.Teacher("en"); f.Verdict != stats.Supported || !strings.Contains(s, "no scatter to be seen") ||
		!strings.Contains(s, "nothing happened in 6 of 6") {
		t.Errorf("%s: %s", f.Verdict, s)
	}
	if g := compare.Class(d, homes)[0].Groups[3]; !g.Alike || g.Summary.SD != 0 || g.Mean.Value != 12 {
		t.Errorf("%+v", g)
	}
}

// A share of two lengths has no unit, and is measured all the same: alike values
// keep the interval of their tools. Counts have none.
func TestSharesAreMeasured(t *testing.T) {
	d, homes := class(t, map[string][]float64{"printer": {10, 10, 10, 10, 10, 10}, "towel": {12, 12, 12, 12, 12, 12}})
	d.Derived = []design.Derived{{ID: "share", Formula: "at(height, 8) / 10 mm", Unit: "1"}}
	c := compare.Class(d, homes)[0]
	if f := finding(t, c, "towel"); c.Counts || !(f.Test.SE > 0) || math.IsNaN(f.Test.Low) {
		t.Errorf("%+v", f.Test)
	}
	d, homes = class(t, map[string][]float64{"printer": {10, 10, 10, 10, 10, 10}, "towel": {12, 12, 12, 12, 12, 12}})
	d.Readings[0].Unit, d.Readings[0].Repeatability, d.Derived = "1", "", nil
	for i := range homes {
		var entries []notebook.Entry
		for _, cell := range homes[i].Book.Cells {
			if cell.Entry != nil {
				e := *cell.Entry
				e.Typed = strings.TrimSuffix(e.Typed, " mm")
				entries = append(entries, e)
			}
		}
		homes[i].Book = notebook.Open(d, entries, notebook.Writer{Language: "en"}, nil)
	}
	c = compare.Class(d, homes)[0]
	if f := finding(t, c, "towel"); !c.Counts || f.Test.SE != 0 || !math.IsNaN(f.Test.Low) ||
		f.Test.P != 1.0/64 && math.Abs(f.Test.P-1.0/64) > 1e-12 {
		t.Errorf("%v %+v", c.Counts, f.Test)
	}
}

// A design of one thing is held against a stated value. Without a size that
// matters the class is asked how near is near enough; no sentence speaks of
// conditions that are not there.
func TestAgainstAStatedValue(t *testing.T) {
	d, _ := class(t, map[string][]float64{"towel": {1}})
	d.Conditions, d.Derived, d.Expectations, d.Readings[0].Per, d.Readings[0].Times = nil, nil, nil, nil, nil
	var homes []compare.Home
	for i, mm := range []string{"31 mm", "32 mm", "31.5 mm", "30.5 mm", "32 mm", "31 mm"} {
		e := notebook.Entry{
			ID:       "r",
			Kind:     notebook.Reading,
			Received: time.Unix(1, 0),
			Typed:    mm,
			Slot:     design.Slot{Reading: "height", Trial: 1},
		}
		homes = append(
			homes,
			compare.Home{
				Key:  fmt.Sprint(i),
				Book: notebook.Open(d, []notebook.Entry{e}, notebook.Writer{Language: "en"}, nil),
			},
		)
	}
	for _, c := range []struct {
		stated, matters string
		verdict         stats.Verdict
		says            string
	}{
		{"31.4 mm", "2 mm", stats.Supported, "Agrees with 31.4"}, {"31.4 mm", "0.1 mm", stats.CannotTell,
			"cannot tell whether it is 31.4"}, {"31.4 mm", "", stats.CannotTell, "Say in Plan how near"},
		{"40 mm", "2 mm", stats.NotSupported, "Does not agree with 40"},
		{"40 mm", "", stats.NotSupported, "Does not agree with 40"},
	} {
		d.Measured = []design.Variable{{Reading: "height", Stated: c.stated, Matters: c.matters}}
		f := compare.Class(d, homes)[0].Findings[0]
		words := strings.ReplaceAll(f.Teacher("en"), "\u00a0", " ")
		if f.Verdict != c.verdict || !strings.Contains(words, c.says) || strings.Contains(words, " against :") ||
			strings.Contains(f.Teacher("es"), "frente a :") {
			t.Errorf("%+v: %s: %s", c, f.Verdict, words)
		}
	}
}

// One home that lies far out stays in; a finding that hangs on it cannot tell.
func TestOneHome(t *testing.T) {
	d, homes := class(
		t,
		map[string][]float64{
			"printer": {10, 10, 10, 10, 10, 10, 10, 10, 10, 10},
			"towel":   {11.6, 12, 11.4, 11.8, 12.4, 12.2, 11.6, 11.9, 12.1, 80},
		},
	)
	d.Claims = []design.Claim{{ID: "c", Says: "more", Condition: "towel"}}
	f := compare.Class(d, homes)[0].Findings[0]
	if len(f.Apart) != 1 || f.Apart[0].Home != "home-9" || f.Without == nil || f.Without.Test.N != 9 {
		t.Fatalf("%+v %+v", f.Apart, f.Without)
	}
	if g := compare.Class(d, homes)[0].Groups[3]; !g.Points[9].Outlier || g.Points[0].Outlier || g.Summary.N != 10 {
		t.Errorf("%+v", g)
	}
	if s := compare.Named(f.Teacher("en"), func(string) string { return "Tarn" }); !strings.Contains(
		s,
		"Tarn lies apart",
	) ||
		strings.Contains(s, compare.HomeMark) {
		t.Error(s)
	}
	d, homes = class(
		t,
		map[string][]float64{"printer": {10, 10, 10, 10, 10, 10}, "towel": {10, 10.5, 9.5, 10.2, 9.8, 60}},
	)
	d.Claims = []design.Claim{{ID: "c", Says: "more", Condition: "towel"}}
	if f := compare.Class(d, homes)[0].Findings[0]; f.Verdict != stats.CannotTell {
		t.Errorf("it hangs on one home: %s", f.Verdict)
	}
}

func TestFewHomes(t *testing.T) {
	d, homes := class(t, map[string][]float64{"printer": {10, 11}, "towel": {30, 31}})
	f := finding(t, compare.Class(d, homes)[0], "towel")
	if f.Reason != compare.TooFew || f.Tally.More != 2 ||
		!strings.Contains(f.Teacher("en"), "Too early: 2 homes are in") {
		t.Errorf("%+v", f)
	}
	if got := compare.Class(d, nil); len(got) != 2 || got[0].Groups[0].Summary.N != 0 {
		t.Errorf("no homes: %+v", got)
	}
}

// One home's own words: two single strips are never clearly different.
func TestAlone(t *testing.T) {
	_, homes := class(t, map[string][]float64{"printer": {10}, "towel": {30}, "filter": {11}, "newspaper": {3}})
	var words []string
	for _, m := range compare.Differences(homes[0].Book) {
		words = append(words, strings.ReplaceAll(text.Render(m, "en"), "\u00a0", " "))
		if es := text.Render(m, "es"); strings.ContainsAny(es, "[{") {
			t.Error(es)
		}
	}
	if len(words) != 3 ||
		!strings.HasPrefix(words[0], "In this try Newspaper was less than Printer paper, by 7.0 mm") ||
		!strings.Contains(words[1], "cannot tell Coffee filter from Printer paper (1.0 mm, give or take 1.1 mm)") ||
		!strings.HasPrefix(words[2], "In this try Kitchen roll was more") {
		t.Errorf("%q", words)
	}
	_, homes = class(t, map[string][]float64{"towel": {30}})
	if got := compare.Differences(homes[0].Book); len(got) != 0 {
		t.Errorf("nothing to compare with: %v", got)
	}
}

func benchmarkClass(b *testing.B, n int) {
	h := make([]float64, n)
	for i := range h {
		h[i] = 30 + float64(i%7)
	}
	d, homes := class(b, map[string][]float64{"printer": h, "towel": h})
	for b.Loop() {
		compare.Class(d, homes)
	}
}

func BenchmarkClass30(b *testing.B)  { benchmarkClass(b, 30) }
func BenchmarkClass300(b *testing.B) { benchmarkClass(b, 300) }

// The homes with one tool are held against the others, and named where they
// differ; the whole class stays in.
func TestGroupsOfHomes(t *testing.T) {
	d, homes := class(
		t,
		map[string][]float64{
			"printer": {10, 10, 10, 10, 10, 10, 10, 10, 10, 10},
			"towel":   {30, 31, 30, 29, 30, 40, 41, 40, 39, 41},
		},
	)
	for i := 5; i < 10; i++ {
		var entries []notebook.Entry
		for _, c := range homes[i].Book.Cells {
			if c.Entry != nil {
				e := *c.Entry
				e.Instrument = "ruler-cm"
				entries = append(entries, e)
			}
		}
		homes[i].Book = notebook.Open(d, entries, notebook.Writer{Language: "en", System: quantity.Metric}, nil)
	}
	f := finding(t, compare.Class(d, homes)[0], "towel")
	if len(f.Groups) != 2 || f.Groups[0].N != 5 || f.Groups[0].Corrected > 0.05 ||
		math.Abs(math.Abs(f.Groups[0].Test.Estimate)-10.2) > 1e-9 ||
		f.Test.N != 10 {
		t.Errorf("%+v", f.Groups)
	}
	if s := f.Teacher("en"); !strings.Contains(s, "The 5 homes with ruler") {
		t.Error(s)
	}
}
