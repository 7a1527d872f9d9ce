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
	raw, _ := docs.Examples.ReadFile("examples/paper-strips.json")
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
				entries = append(entries, notebook.Entry{ID: condition, Kind: notebook.Reading, Received: time.Unix(1, 0), Typed: fmt.Sprintf("%g mm", h[i]),
					Slot: design.Slot{Reading: "height", Condition: condition, Time: "8 min", Trial: 1}})
			}
		}
		homes = append(homes, compare.Home{Key: fmt.Sprintf("home-%d", i), Book: notebook.Open(&d, entries, notebook.Writer{Language: "en", System: quantity.Metric}, nil)})
	}
	return &d, homes
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
	if c.Derived != "climb" || c.Against != "printer" {
		t.Fatalf("%s against %s", c.Derived, c.Against)
	}
	towel := c.Findings[2]
	if towel.Condition != "towel" || towel.More != 6 || towel.Verdict != stats.Supported || math.Abs(towel.Difference.Low-18.5159) > 1e-3 || math.Abs(towel.Difference.SE-0.57735) > 1e-4 {
		t.Errorf("towel: %+v", towel)
	}
	filter := c.Findings[1]
	if filter.Verdict != stats.CannotTell || filter.CannotTell != 7 {
		t.Errorf("filter: %+v", filter)
	}
	if news := c.Findings[0]; news.Tested || news.Words.ID != "compare.none" {
		t.Errorf("nobody did newspaper: %+v", news)
	}
	for _, f := range c.Findings {
		for _, lang := range text.Languages {
			if s := text.Render(f.Words, lang); strings.ContainsAny(s, "[{") {
				t.Errorf("%s: %s", lang, s)
			}
		}
	}
	if s := text.Render(towel.Words, "en"); !strings.Contains(s, "in 6 of 6 homes") || !strings.Contains(s, "20.0\u00a0mm ± 0.6") {
		t.Errorf("words: %s", s)
	}
	if g := c.Groups[3]; g.Summary.N != 6 || !g.Enough || g.Summary.Mean != 30 {
		t.Errorf("group: %+v", g)
	}
}

func TestOutlierIsNamedAndKept(t *testing.T) {
	d, homes := class(t, map[string][]float64{"towel": {30, 31, 29, 30.5, 29.5, 300}})
	g := compare.Class(d, homes)[0].Groups[3]
	if !g.Points[5].Outlier || g.Points[0].Outlier || g.Summary.N != 6 {
		t.Errorf("%+v", g)
	}
}

func TestFewHomes(t *testing.T) {
	d, homes := class(t, map[string][]float64{"printer": {10, 11}, "towel": {30, 31}})
	f := compare.Class(d, homes)[0].Findings[2]
	if f.Tested || f.Words.ID != "compare.few" || f.More != 2 {
		t.Errorf("%+v", f)
	}
	if got := compare.Class(d, nil); len(got) != 2 || got[0].Groups[0].Summary.N != 0 {
		t.Errorf("no homes: %+v", got)
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
