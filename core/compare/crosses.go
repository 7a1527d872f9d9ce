package compare

import (
	"math"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/stats"
)

// Crosses are the places that a class marked on one picture.
type Crosses struct {
	Reading *design.Reading
	Lanes   []LaneCrosses // those in which somebody marked one
}

// LaneCrosses are the places of one condition or stage, a home each.
type LaneCrosses struct {
	Condition string
	Spots     []HomeSpot
	Middle    design.Spot // median across and median down
	Ring      float64     // the distance from the middle that holds half of the places, as a share of the width
}

// HomeSpot is the place of one home; of several tries or objects the mean of them.
type HomeSpot struct {
	Home string // its key
	design.Spot
}

// crosses are the places that a value speaks of, by their readings.
func (a *analysis) crosses(o *outcome) []Crosses {
	var out []Crosses
	for i := range a.d.Readings {
		r := &a.d.Readings[i]
		if r.Sort() != design.PositionKind || !a.speaks(r.ID, o) {
			continue
		}
		c := Crosses{Reading: r}
		for _, lane := range o.conditions {
			l := LaneCrosses{Condition: lane}
			for h := range a.homes {
				if s, ok := spotOf(a.homes[h].Book, r.ID, lane); ok {
					l.Spots = append(l.Spots, HomeSpot{a.homes[h].Key, s})
				}
			}
			if len(l.Spots) > 0 {
				l.centre(r.Placed().Picture.Tall())
				c.Lanes = append(c.Lanes, l)
			}
		}
		if len(c.Lanes) > 0 {
			out = append(out, c)
		}
	}
	return out
}

// spotOf is the mean place that a home marked in a lane.
func spotOf(b *notebook.Book, reading, lane string) (design.Spot, bool) {
	var sum design.Spot
	n := 0.0
	for i := range b.Cells {
		c := &b.Cells[i]
		if c.Slot.Reading == reading && c.Slot.In(lane) && c.State == notebook.HasValue {
			s := c.Entry.Given.Spot()
			sum.X, sum.Y, n = sum.X+s.X, sum.Y+s.Y, n+1
		}
	}
	return design.Spot{X: sum.X / n, Y: sum.Y / n}, n > 0
}

// centre finds the middle of the places, and the ring that holds half of them, on a picture
// so tall.
func (l *LaneCrosses) centre(tall float64) {
	xs, ys := make([]float64, len(l.Spots)), make([]float64, len(l.Spots))
	for i, s := range l.Spots {
		xs[i], ys[i] = s.X, s.Y
	}
	l.Middle = design.Spot{X: median(xs), Y: median(ys)}
	far := make([]float64, len(l.Spots))
	for i, s := range l.Spots {
		far[i] = math.Hypot(s.X-l.Middle.X, (s.Y-l.Middle.Y)*tall)
	}
	l.Ring = median(far)
}

func median(values []float64) float64 {
	s, _ := stats.Summarise(values)
	return s.Median
}
