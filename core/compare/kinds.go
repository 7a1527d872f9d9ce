package compare

import (
	"math"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// Counted is how many homes gave each choice of a reading that is no number, in
// the order in which the choices are asked.
type Counted struct {
	design.Choice
	Heap
}

// Heap are the homes that gave the same.
type Heap struct {
	N      int
	Homes  []string // their keys, in the order of the homes
	Middle bool     // of levels: the middle home is among them, or one of the two
}

func (p *Heap) add(key string) { p.N, p.Homes = p.N+1, append(p.Homes, key) }

// levelled, chosen and ordered say of what kind a compared value is; numbers are
// none of them.
func (o *outcome) levelled() bool { return o.Reading != nil && o.Reading.Levelled() }
func (o *outcome) chosen() bool   { return o.Reading != nil && o.Reading.Sort() == design.ChoiceKind }
func (o *outcome) ordered() bool  { return o.Reading != nil && o.Reading.Ordering() }
func (o *outcome) zoned() bool    { return o.Reading != nil && o.Reading.Sort() == design.ZonesKind }

// naming reports whether homes name any of several things.
func (o *outcome) naming() bool {
	return o.Reading != nil && (o.Reading.Sort() == design.SeveralKind || o.Reading.Sort() == design.WordsKind)
}

// guessing is the share of homes that would name one option if each named any.
func (o *outcome) guessing() float64 { return 1 / float64(len(o.Reading.Options)) }

// counted counts the homes' choices in one condition.
func (a *analysis) counted(o *outcome, condition string) []Counted {
	if !o.levelled() && !o.chosen() && !o.naming() {
		return nil
	}
	choices := a.d.Choices(o.Reading)
	rising := a.d.Rising(o.Reading)
	out := make([]Counted, len(choices))
	for i, c := range choices {
		out[i].Choice = c
	}
	at := func(id string) *Counted {
		return &out[slices.IndexFunc(out, func(c Counted) bool { return c.ID == id })]
	}
	var levels []float64
	for h := range a.homes {
		r := a.at(h, o.ID, condition)
		switch {
		case r == nil:
		case o.naming():
			for _, id := range r.Named {
				at(id).add(a.homes[h].Key)
			}
		case o.chosen():
			at(r.Chosen).add(a.homes[h].Key)
		default: // between two levels it counts at the one that is more
			at(rising[int(r.Levels.High)-1].ID).add(a.homes[h].Key)
			levels = append(levels, r.Levels.High)
		}
	}
	if n := len(levels); n > 0 {
		slices.Sort(levels)
		for _, middle := range []float64{levels[(n-1)/2], levels[n/2]} {
			at(rising[int(middle)-1].ID).Middle = true
		}
	}
	return out
}

// places are the homes that put each thing of an order in each place, from the
// beginning on; tied things share the first of their places.
func (a *analysis) places(o *outcome, condition string) [][]Heap {
	if !o.ordered() {
		return nil
	}
	k := len(a.d.Choices(o.Reading))
	out := make([][]Heap, k)
	for i := range out {
		out[i] = make([]Heap, k)
	}
	for h := range a.homes {
		r := a.at(h, o.ID, condition)
		if r == nil {
			continue
		}
		for i, rank := range r.Ranks {
			before := 0
			for _, other := range r.Ranks {
				if other < rank {
					before++
				}
			}
			out[i][before].add(a.homes[h].Key)
		}
	}
	return out
}

// agreement says how far homes agree in an order, or which option most named:
// what is there to see without anything being claimed. It is empty below MinHomes.
func (a *analysis) agreement(o *outcome, condition string) text.Message {
	switch {
	case o.ordered():
		var rows [][]float64
		for h := range a.homes {
			if r := a.at(h, o.ID, condition); r != nil {
				rows = append(rows, r.Ranks)
			}
		}
		if len(rows) < MinHomes {
			return text.Message{}
		}
		if f, err := stats.Friedman(rows); err == nil {
			return text.Message{
				ID:   "compare.agree",
				Args: text.Args{"w": sized{f.Estimate, quantity.One, 2}, "n": f.N, "p": stats.ShowP(f.P)},
			}
		}
	case o.chosen():
		n, most := 0, Counted{}
		for _, c := range a.counted(o, condition) {
			n += c.N
			if c.N > most.N {
				most = c
			}
		}
		if n >= MinHomes {
			return text.Message{ID: "compare.most-said", Args: text.Args{"option": most.Word, "k": most.N, "n": n}}
		}
	}
	return text.Message{}
}

// share tests how many homes chose an option against what guessing would give.
// A home that is not sure did not choose it and stays in n.
func (a *analysis) share(f Finding, o *outcome) Finding {
	option := f.Option
	if option == "right" {
		option = o.Reading.Right
	}
	k := 0
	for h := range a.homes {
		r := a.at(h, f.Value, f.Condition)
		if r == nil {
			continue
		}
		d := Difference{Value: f.Value, Condition: f.Condition, Word: "less", Tries: r.Tries, bound: true, home: h}
		if r.Chosen == option {
			d.Word = "more"
			k++
		}
		f.Homes = append(f.Homes, d)
	}
	f.tally()
	f.Sides.More, f.Sides.Less = k, len(f.Homes)-k
	f.Why = text.Message{ID: "compare.why.share"}
	f.Test.Test = stats.BinomialTest
	if n := len(f.Homes); n > 0 {
		f.Test, _ = stats.Share(k, n, *f.Stated, stats.Claim{})
		if n < MinHomes {
			f.Test.P = math.NaN()
		}
	}
	return f
}

// page tests whether the homes' orders of things follow the one that was stated.
func (a *analysis) page(f Finding, o *outcome) Finding {
	things := a.d.Choices(o.Reading)
	var at []int
	for _, id := range f.Order {
		at = append(at, slices.IndexFunc(things, func(c design.Choice) bool { return c.ID == id }))
	}
	var rows [][]float64
	for h := range a.homes {
		r := a.at(h, f.Value, f.Condition)
		if r == nil {
			continue
		}
		row := make([]float64, len(at))
		for i, k := range at {
			row[i] = r.Ranks[k]
		}
		d := Difference{Value: f.Value, Condition: f.Condition, Word: "less", Tries: r.Tries, bound: true, home: h}
		if slices.IsSorted(row) && distinct(row) {
			d.Word = "more"
		}
		rows, f.Homes = append(rows, row), append(f.Homes, d)
	}
	f.tally()
	f.Why = text.Message{ID: "compare.why.page"}
	f.Test.Test = stats.PageTest
	if t, err := stats.Page(rows); err == nil {
		f.Test = t
	}
	f.Test.N = len(rows)
	if len(rows) < MinHomes {
		f.Test.P = math.NaN()
	}
	return f
}

func distinct(sorted []float64) bool {
	for i := 1; i < len(sorted); i++ {
		if sorted[i] == sorted[i-1] {
			return false
		}
	}
	return true
}

// ofKind are the claims that a value which is no number makes of itself: levels
// that conditions differ, a choice with a right option that more homes name it
// than by guessing. An order claims nothing of itself.
func (o *outcome) ofKind(made string) []Claim {
	var out []Claim
	if o.zoned() {
		for _, k := range o.conditions {
			for _, z := range o.Reading.Zones {
				id := strings.Join(
					slices.DeleteFunc([]string{o.ID, k, z.ID}, func(s string) bool { return s == "" }),
					"-",
				)
				out = append(out, Claim{ID: id, Says: "differs", Value: o.ID, Condition: k, Zone: z.ID, Made: made})
			}
		}
		return out
	}
	if !o.chosen() || o.Reading.Right == "" {
		return out
	}
	for _, k := range o.conditions {
		by := o.guessing()
		id := o.ID + "-right"
		if k != "" {
			id = o.ID + "-" + k
		}
		out = append(
			out,
			Claim{ID: id, Says: "share", Value: o.ID, Condition: k, Option: "right", Stated: &by, Made: made},
		)
	}
	return out
}

// judgePage judges the order of things: the estimate above 0 is the claimed side.
func (f *Finding) judgePage() {
	switch {
	case len(f.Homes) < MinHomes:
		f.Reason = TooFew
	case f.Corrected < 0.05 && f.Test.Estimate > 0:
		f.Verdict = stats.Supported
	case f.Corrected < 0.05:
		f.Verdict, f.Reason = stats.NotSupported, OtherWay
	}
}

// sayingShare are the sentences about a share, sayingPage those about an order of
// things.
func (f *Finding) sayingShare(verdict stats.Verdict) string {
	switch {
	case verdict == stats.Supported:
		return "share"
	case verdict == stats.NotSupported:
		return "share-below"
	}
	return "cannot-share"
}

func (f *Finding) sayingPage(verdict stats.Verdict) string {
	switch {
	case verdict == stats.Supported:
		return "page"
	case verdict == stats.NotSupported:
		return "page-other-way"
	}
	return "cannot-page"
}

// kindFigures are what the sentences about choices and orders need beside.
func (f *Finding) kindFigures(o *outcome, a *analysis, args text.Args) {
	if o.Reading == nil {
		return
	}
	tenths := func(v float64) any { return sized{10 * v, quantity.One, 1} }
	word := func(id string) text.Localized {
		for _, c := range a.d.Choices(o.Reading) {
			if c.ID == id {
				return c.Word
			}
		}
		return text.Localized{}
	}
	option := f.Option
	if option == "right" {
		option = o.Reading.Right
	}
	if f.Zone != "" {
		even := o.Reading.Even()[o.zoneAt(f.Zone)]
		args["zone"], args["share10"], args["even10"] = word(f.Zone), tenths(f.Test.Estimate+even), tenths(even)
		args["lo10"], args["hi10"] = tenths(f.Test.Low+even), tenths(f.Test.High+even)
		return
	}
	args["option"], args["k"] = word(option), f.Tally.More
	args["lo10"], args["hi10"], args["rho"] = tenths(
		f.Test.Low,
	), tenths(
		f.Test.High,
	), sized{
		f.Test.Estimate,
		quantity.One,
		2,
	}
	if f.Stated != nil {
		args["by"] = tenths(*f.Stated)
	}
	if o.ordered() {
		list := make([]text.Localized, len(f.Order))
		for i, id := range f.Order {
			list[i] = word(id)
		}
		args["list"] = list
	}
}

// shares turns counts of a known total into shares, where the totals differ
// between homes or conditions: 7 of 10 is then 70 %.
func (a *analysis) shares() {
	percent, _ := quantity.LookupUnit("%")
	for i := range a.outcomes {
		o := &a.outcomes[i]
		var totals []*notebook.Result
		for h := range a.homes {
			for _, k := range o.conditions {
				if r := a.at(h, o.ID, k); r != nil && r.Of > 0 {
					totals = append(totals, r)
				}
			}
		}
		if !slices.ContainsFunc(totals, func(r *notebook.Result) bool { return r.Of != totals[0].Of }) {
			continue
		}
		o.unit = percent
		for _, r := range totals {
			r.AsShare(percent)
		}
	}
}
