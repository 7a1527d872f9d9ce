package results

import (
	"cmp"
	"math"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// ClassCell is what a class has given in one slot so far.
type ClassCell struct {
	N    int    `json:"n" doc:"Homes that gave something"`
	Text string `json:"text" doc:"The middle of numbers, levels and places; of what has no middle, what was said most or how many said what"`
}

// ClassRow says for each slot, in their order, what the class has given so far: what stands
// under the homes, and what is coming in. It is no result: a home's slot is one of several
// that come to one value.
func ClassRow(d *design.Document, books []*notebook.Book, language string) []ClassCell {
	slots := d.Slots()
	out := make([]ClassCell, len(slots))
	for i, s := range slots {
		r, _ := d.Reading(s.Reading)
		var cells []*notebook.Cell
		for _, b := range books {
			if c := &b.Cells[i]; c.State == notebook.HasValue || c.State == notebook.HasBound {
				cells = append(cells, c)
			}
		}
		out[i].N = len(cells)
		if len(cells) > 0 {
			w := classWriter{d, r, cells, language}
			out[i].Text = w.say()
		}
	}
	return out
}

// classWriter words what homes gave in one slot.
type classWriter struct {
	d        *design.Document
	r        *design.Reading
	cells    []*notebook.Cell
	language string
}

func (w *classWriter) say() string {
	switch w.r.Sort() {
	case design.QuantityKind, design.CountKind:
		return w.middle()
	case design.EventKind:
		return w.when()
	case design.PositionKind:
		return w.place()
	case design.OrdinalKind:
		return w.level()
	case design.YesPartlyNoKind:
		return w.tally(w.d.Choices(w.r), func(g *notebook.Given) []string { return []string{g.Answer} }, 3)
	case design.ChoiceKind, design.SeveralKind:
		return w.tally(w.d.Choices(w.r), func(g *notebook.Given) []string { return g.Chosen }, 1)
	case design.WordsKind:
		return w.tally(w.d.Choices(w.r), func(g *notebook.Given) []string {
			return slices.Concat(g.Words["looks"], g.Words["feels"], g.Words["smells"], g.Words["sounds"])
		}, 1)
	case design.OrderKind, design.StageOrderKind:
		return w.alike()
	case design.ZonesKind:
		return w.zones()
	}
	return text.Render(text.M("results.class-texts", "n", len(w.cells)), w.language)
}

// middle is the median of numbers, as finely as the coarsest of them is known. Of a bound only
// one side is known: it is left out.
func (w *classWriter) middle() string {
	var values []float64
	u := 0.0
	for _, c := range w.cells {
		if c.State == notebook.HasValue {
			values = append(values, c.Understood.InUnit.Value)
			u = max(u, c.Understood.InUnit.U)
		}
	}
	s, ok := stats.Summarise(values)
	if !ok {
		return ""
	}
	m := text.Number(s.Median, text.Decimals(s.Median, u), w.language)
	if of, known := w.r.Total(); known {
		return text.Render(text.M("results.class-of", "n", m, "of", of), w.language)
	}
	if unit, ok := quantity.LookupUnit(w.r.Unit); ok && unit != quantity.One {
		m += "\u00a0" + unit.Label()
	}
	return m
}

// when is the middle time of those to whom it happened, and how many it had not happened to.
func (w *classWriter) when() string {
	var times []float64
	open := 0
	for _, c := range w.cells {
		switch low, high, given := c.Entry.Given.Seconds(); {
		case !given: // typed
			times = append(times, c.Understood.InUnit.SI())
		case math.IsInf(high, 1):
			open++
		default:
			times = append(times, (low+high)/2)
		}
	}
	if len(times) == 0 {
		return text.Render(text.M("results.class-not-yet", "n", open), w.language)
	}
	s, _ := stats.Summarise(times)
	unit, _ := quantity.LookupUnit(w.r.Unit)
	m := quantity.Quantity{Value: math.Round(10*s.Median/unit.Factor) / 10, Unit: unit}
	if open == 0 {
		return m.Show(w.language)
	}
	return text.Render(text.M("results.class-some-not-yet", "time", m, "n", open), w.language)
}

func (w *classWriter) place() string {
	xs, ys := make([]float64, len(w.cells)), make([]float64, len(w.cells))
	for i, c := range w.cells {
		spot := c.Entry.Given.Spot()
		xs[i], ys[i] = spot.X, spot.Y
	}
	x, _ := stats.Summarise(xs)
	y, _ := stats.Summarise(ys)
	return design.Spot{X: x.Median, Y: y.Median}.Square()
}

// level is the middle level; between two the lower one.
func (w *classWriter) level() string {
	rising := w.d.Rising(w.r)
	at := make([]int, 0, len(w.cells))
	for _, c := range w.cells {
		at = append(at, slices.IndexFunc(rising, func(l design.Choice) bool { return l.ID == c.Entry.Given.Level }))
	}
	slices.Sort(at)
	if m := at[(len(at)-1)/2]; m >= 0 {
		return in(rising[m].Word, w.language)
	}
	return ""
}

// tally says how many homes named what: all of it, or of long lists the most named.
func (w *classWriter) tally(of []design.Choice, named func(*notebook.Given) []string, most int) string {
	type line struct {
		word string
		n    int
	}
	var lines []line
	for _, c := range of {
		n := 0
		for _, cell := range w.cells {
			if slices.Contains(named(cell.Entry.Given), c.ID) {
				n++
			}
		}
		if n > 0 {
			lines = append(lines, line{in(c.Word, w.language), n})
		}
	}
	if len(lines) > most {
		slices.SortStableFunc(lines, func(a, b line) int { return cmp.Compare(b.n, a.n) })
		lines = lines[:most]
	}
	words := make([]string, len(lines))
	for i, l := range lines {
		words[i] = l.word + " " + strconv.Itoa(l.n)
	}
	return strings.Join(words, " · ")
}

// alike says how many homes made the same order, of the one that most made.
func (w *classWriter) alike() string {
	n, most := map[string]int{}, 0
	for _, c := range w.cells {
		order := c.Entry.Given.Code()
		n[order]++
		most = max(most, n[order])
	}
	return text.Render(text.M("results.class-alike", "n", most), w.language)
}

func (w *classWriter) zones() string {
	sums := make([]string, len(w.r.Zones))
	for i, z := range w.r.Zones {
		n := 0
		for _, c := range w.cells {
			n += c.Entry.Given.Counts[z.ID]
		}
		sums[i] = strconv.Itoa(n)
	}
	return strings.Join(sums, " · ")
}
