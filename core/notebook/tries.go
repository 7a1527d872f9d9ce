package notebook

import (
	"cmp"
	"math"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// give works out the result of a reading that is no number: the middle level of
// several tries, yes or no where every try says so, the option named most often,
// the order of the summed places.
func (r *Result) give(b *Book, reading *design.Reading) {
	var tries []*Given
	for i := range b.Cells {
		c := &b.Cells[i]
		if c.Slot.Reading == reading.ID && c.State == HasValue && c.Entry.Given != nil && c.Slot.In(r.Condition) &&
			b.last(c.Slot) {
			tries = append(tries, c.Entry.Given)
		}
	}
	if len(tries) == 0 {
		r.Missing = text.Message{ID: "notebook.derive.missing", Args: text.Args{"reading": reading.Name}}
		return
	}
	r.Tries = len(tries)
	switch reading.Sort() {
	case design.OrdinalKind, design.YesPartlyNoKind:
		r.level(b.Design, reading, tries)
	case design.ChoiceKind:
		r.chosen(b.Design, reading, tries)
	case design.OrderKind, design.StageOrderKind:
		r.order(b.Design, reading, tries)
	case design.SeveralKind, design.WordsKind:
		r.named(b.Design, reading, tries)
	case design.ZonesKind:
		r.zones(b, reading)
	case design.TextKind:
		last := tries[len(tries)-1]
		r.Said, r.Code, r.OK = last.Said(b.Design, reading), last.Text, true
	}
}

// last reports whether a slot counts for what its condition came to: of what is read
// at every stage of a condition, as of what is read at several times, it is the last.
func (b *Book) last(s design.Slot) bool {
	stages := b.Design.Stages
	return s.Condition == "" || s.Stage == "" || s.Stage == stages[len(stages)-1].ID
}

// level gives the middle level of the tries as its place from the least on;
// between two different middle ones it is either. Three answers are yes or no
// where every try says so, and else partly, which the design may count as one of
// the two.
func (r *Result) level(d *design.Document, reading *design.Reading, tries []*Given) {
	rising := d.Rising(reading)
	var places []float64
	for _, g := range tries {
		at := slices.IndexFunc(rising, func(c design.Choice) bool { return c.ID == g.ids()[0] })
		places = append(places, float64(at+1))
	}
	slices.Sort(places)
	n := len(places)
	at := stats.Interval{Low: places[(n-1)/2], High: places[n/2]}
	if reading.Sort() == design.YesPartlyNoKind {
		at = stats.Plain(answer(places, reading.Cut))
	}
	r.Levels, r.OK = &at, true
	r.Value = quantity.Quantity{Value: (at.Low + at.High) / 2, Unit: quantity.One}
	low, high := rising[int(at.Low)-1], rising[int(at.High)-1]
	r.Code, r.Said = low.ID, text.Message{ID: "notebook.given.word", Args: text.Args{"word": low.Word}}
	if at.High > at.Low {
		r.Code += ".." + high.ID
		r.Said = text.Message{ID: "notebook.given.between", Args: text.Args{"a": low.Word, "b": high.Word}}
	}
}

// answer is the place of no (1), partly (2) or yes (3) for tries in rising order.
func answer(places []float64, cut string) float64 {
	at := 2.0
	if places[0] == places[len(places)-1] {
		at = places[0]
	}
	switch {
	case at == 2 && cut == "yes":
		return 3
	case at == 2 && cut == "no":
		return 1
	}
	return at
}

// chosen gives the option named most often; a tie is none.
func (r *Result) chosen(d *design.Document, reading *design.Reading, tries []*Given) {
	named := map[string]int{}
	most := 0
	for _, g := range tries {
		named[g.Chosen[0]]++
		most = max(most, named[g.Chosen[0]])
	}
	var first []design.Choice
	for _, c := range d.Choices(reading) {
		if named[c.ID] == most {
			first = append(first, c)
		}
	}
	if len(first) != 1 {
		r.Missing = text.Message{ID: "notebook.derive.tie", Args: text.Args{"reading": reading.Name}}
		return
	}
	r.Chosen, r.Code, r.OK = first[0].ID, first[0].ID, true
	r.Said = text.Message{ID: "notebook.given.word", Args: text.Args{"word": first[0].Word}}
}

// order gives each thing its rank, the mean of the places that tied things share;
// over several tries the ranks of the summed ranks. A home that left a thing out
// is listed and not ranked; a stage that did not happen stands last.
func (r *Result) order(d *design.Document, reading *design.Reading, tries []*Given) {
	things := d.Choices(reading)
	sums := make([]float64, len(things))
	for _, g := range tries {
		if len(g.LeftOut) > 0 || len(g.ids())+len(g.Never) < len(things) {
			r.Missing = text.Message{ID: "notebook.derive.left-out", Args: text.Args{"reading": reading.Name}}
			return
		}
		places := make([]float64, len(things))
		order := g.Order
		if len(g.Never) > 0 {
			order = append(slices.Clone(order), g.Never)
		}
		for place, ids := range order {
			for _, id := range ids {
				places[slices.IndexFunc(things, func(c design.Choice) bool { return c.ID == id })] = float64(place)
			}
		}
		for i, rank := range stats.Ranks(places) {
			sums[i] += rank
		}
	}
	r.Ranks, r.OK = stats.Ranks(sums), true
	all := Given{Order: ordered(things, r.Ranks)}
	r.Said, r.Code = all.Said(d, reading), all.Code()
}

// ordered puts things in the order of their ranks, those of one rank together.
func ordered(things []design.Choice, ranks []float64) [][]string {
	at := make([]int, len(things))
	for i := range at {
		at[i] = i
	}
	slices.SortStableFunc(at, func(a, b int) int {
		switch {
		case ranks[a] < ranks[b]:
			return -1
		case ranks[a] > ranks[b]:
			return 1
		}
		return 0
	})
	var out [][]string
	for i, k := range at {
		if i > 0 && ranks[k] == ranks[at[i-1]] {
			out[len(out)-1] = append(out[len(out)-1], things[k].ID)
			continue
		}
		out = append(out, []string{things[k].ID})
	}
	return out
}

// total is how many there were in all for an outcome that is one count, without
// what left it, as the mean over the tries that count; 0 where that is open.
func (b *Book) total(x design.Derived, condition string) float64 {
	r, ok := b.Design.Reading(x.ID)
	if !ok || r.Sort() != design.CountKind {
		return 0
	}
	sum, n := 0, 0
	for i := range b.Cells {
		c := &b.Cells[i]
		if c.Slot.Reading != r.ID || c.State != HasValue || !c.Slot.In(condition) || !b.last(c.Slot) ||
			len(r.Times) > 0 && c.Slot.Time != r.Times[len(r.Times)-1] {
			continue
		}
		g := c.Entry.Given
		if g == nil {
			g = &Given{}
		}
		of, known := g.Total(r)
		if of -= g.Escaped + g.Undecided; !known || of <= 0 {
			return 0
		}
		sum, n = sum+of, n+1
	}
	if n == 0 {
		return 0
	}
	return float64(sum) / float64(n)
}

// AsShare turns a count of a known total into its share of it, in a unit for
// shares such as %.
func (r *Result) AsShare(unit quantity.Unit) {
	k := 1 / (r.Of * unit.Factor)
	r.Value = quantity.Quantity{Value: r.Value.Value * k, Unit: unit, U: r.Value.U * k}
	trials := make([]float64, len(r.Doubt.Trials))
	for i, v := range r.Doubt.Trials {
		trials[i] = v * k
	}
	r.Doubt.Trials, r.Doubt.U, r.Doubt.S = trials, r.Doubt.U*k, r.Doubt.S*k
	r.Doubt.Rounding, r.Doubt.repeat = r.Doubt.Rounding*k*k, r.Doubt.repeat*k*k
	if r.Bound != nil {
		r.Bound = &stats.Interval{Low: r.Bound.Low * k, High: r.Bound.High * k}
	}
}

// named gives the options or words that more than half of the tries name.
func (r *Result) named(d *design.Document, reading *design.Reading, tries []*Given) {
	times := map[string]int{}
	for _, g := range tries {
		for _, id := range g.ids() {
			times[id]++
		}
	}
	var words []text.Localized
	for _, c := range d.Choices(reading) {
		if 2*times[c.ID] > len(tries) {
			r.Named = append(r.Named, c.ID)
			words = append(words, c.Word)
		}
	}
	r.Code, r.OK = strings.Join(r.Named, " "), true
	r.Said = text.Message{ID: "notebook.given.none-named"}
	if len(words) > 0 {
		r.Said = text.Message{ID: "notebook.given.words", Args: text.Args{"words": words}}
	}
}

// zones gives the share of each zone over all looks and tries: what is counted
// there of what is counted anywhere. Looks while they settle are left out, and what
// escaped or could not be told is in no share.
func (r *Result) zones(b *Book, reading *design.Reading) {
	counts, all, lost := make([]float64, len(reading.Zones)), 0.0, 0.0
	for i := range b.Cells {
		c := &b.Cells[i]
		if c.Slot.Reading != reading.ID || c.State != HasValue || c.Entry.Given == nil ||
			!c.Slot.In(r.Condition) || slices.Contains(reading.Settling, c.Slot.Time) {
			continue
		}
		for k, z := range reading.Zones {
			n := float64(c.Entry.Given.Counts[z.ID])
			counts[k] += n
			all += n
		}
		lost += float64(c.Entry.Given.Escaped + c.Entry.Given.Undecided)
	}
	if all == 0 {
		r.Missing = text.Message{ID: "notebook.derive.missing", Args: text.Args{"reading": reading.Name}}
		return
	}
	parts := make([]string, len(counts))
	for k := range counts {
		parts[k] = strconv.FormatFloat(counts[k], 'f', -1, 64)
		counts[k] /= all
	}
	r.Shares, r.Lost, r.OK = counts, lost/(all+lost), true
	r.Code = strings.Join(parts, " ")
	r.Said = text.Message{ID: "notebook.given.zones", Args: text.Args{"counts": strings.Join(parts, " · ")}}
}

// middleTry takes the middle of several tries of an event that did not happen before
// somebody's eyes in each of them; a not-by stands last.
func (r *Result) middleTry(b *Book, x design.Derived) {
	reading, ok := b.Design.Reading(x.ID)
	if !ok || reading.Sort() != design.EventKind || r.Bound == nil {
		return
	}
	var tries []stats.Interval
	for i := range b.Cells {
		c := &b.Cells[i]
		if c.Slot.Reading == x.ID && c.Slot.In(r.Condition) && c.Entry != nil && c.Entry.Given != nil &&
			(c.State == HasValue || c.State == HasBound) {
			low, high := c.Entry.Given.ends()
			k := 1 / c.Understood.InUnit.Unit.Factor
			tries = append(tries, stats.Interval{Low: low * k, High: high * k})
		}
	}
	if len(tries) < 2 {
		return
	}
	slices.SortFunc(tries, func(a, b stats.Interval) int {
		return cmp.Or(cmp.Compare(a.High, b.High), cmp.Compare(a.Low, b.Low))
	})
	low, high := tries[(len(tries)-1)/2], tries[len(tries)/2]
	r.Bound = &stats.Interval{Low: math.Min(low.Low, high.Low), High: math.Max(low.High, high.High)}
	r.Value.Value = finite(r.Bound.High, r.Bound.Low)
}
