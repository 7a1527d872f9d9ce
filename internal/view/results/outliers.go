package results

import (
	"math"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
)

// roundTo rounds a value to what its uncertainty allows.
func roundTo(value, u float64) float64 {
	p := math.Pow10(text.Decimals(value, u))
	return math.Round(value*p) / p
}

// HasValues reports whether a home counts: something is worked out of it.
func HasValues(b *notebook.Book) bool {
	for i := range b.Cells {
		if s := b.Cells[i].State; s == notebook.HasValue || s == notebook.HasBound {
			return true
		}
	}
	return false
}

// MarkOutliers marks the results that stand apart in a comparison.
func MarkOutliers(homes []HomeResult, comparisons []compare.Comparison) {
	apart := map[string]bool{}
	for _, c := range comparisons {
		for _, g := range c.Groups {
			for _, p := range g.Points {
				if p.Outlier {
					apart[p.Key+c.Derived+g.Condition] = true
				}
			}
		}
	}
	for i := range homes {
		for k := range homes[i].Results {
			r := &homes[i].Results[k]
			r.Outlier = apart[homes[i].Home.String()+r.Derived+r.Condition]
		}
	}
}
