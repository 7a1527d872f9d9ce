package results_test

import (
	"testing"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/internal/view/results"
)

// A class's median and spread have the digits of its mean, whether the values
// are thousandths or thousands: a strength of 0.03 mol/L is not shown as 0.0.
func TestDigitsFollowTheMean(t *testing.T) {
	for _, c := range []struct {
		unit           string
		mean, u        float64
		n              int
		median, spread float64
		language       string
		wantMedian     string
		wantSpread     string
	}{
		{"mol/L", 0.0312, 0.0004, 20, 0.0309, 0.0021, "en", "0.0309", "0.0021"},
		{"mol/L", 0.0312, 0.0004, 20, 0.0309, 0.0021, "es", "0,0309", "0,0021"},
		{"mm", 17.31, 0.72, 19, 17.5, 2.97, "en", "17.5", "3.0"},
		{"s", 1834, 41, 8, 1820, 110, "en", "1820", "110"},
		{"mm", 17, 0, 1, 17, 0, "en", "17", ""},
		{"mm", 0, 0, 0, 0, 0, "en", "", ""},
	} {
		mean := quantity.New(c.mean, c.unit)
		mean.U = c.u
		view := results.ViewComparison(
			&design.Document{},
			compare.Comparison{
				Unit: mean.Unit,
				Groups: []compare.Group{
					{Summary: stats.Summary{N: c.n, Mean: c.mean, Median: c.median, Spread: c.spread}, Mean: mean},
				},
			},
			nil,
			c.language,
		)
		g := view.Groups[0]
		if g.MedianText != c.wantMedian || g.SpreadText != c.wantSpread || (g.Text == "") != (c.n == 0) {
			t.Errorf(
				"%g %s of %d: median %q, spread %q, mean %q; want %q, %q",
				c.median,
				c.unit,
				c.n,
				g.MedianText,
				g.SpreadText,
				g.Text,
				c.wantMedian,
				c.wantSpread,
			)
		}
	}
}
