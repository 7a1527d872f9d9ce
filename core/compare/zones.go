package compare

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// lostTenth is the share of animals that escaped or could not be told from which on a
// finding is worked out again with all of them in its zone, and with none.
const lostTenth = 0.1

func (o *outcome) zoneAt(id string) int {
	return slices.IndexFunc(o.Reading.Zones, func(z design.Zone) bool { return z.ID == id })
}

// zone tests the homes' shares of a zone against what would be even. Looks and animals
// are summed within a home first: the same animals looked at again are no more animals.
func (a *analysis) zone(f Finding, o *outcome) Finding {
	f.Homes = a.zoneShares(f, o, func(share, _ float64) float64 { return share })
	f.zoneTest()
	f.Why = text.Message{ID: "compare.why.zones"}
	return f
}

// zoneShares are the homes' shares of a zone less the even one, after the animals that
// were lost are put somewhere.
func (a *analysis) zoneShares(f Finding, o *outcome, put func(share, lost float64) float64) []Difference {
	at := o.zoneAt(f.Zone)
	even := o.Reading.Even()[at]
	var out []Difference
	for h := range a.homes {
		r := a.at(h, f.Value, f.Condition)
		if r == nil {
			continue
		}
		d := Difference{
			Value:     f.Value,
			Condition: f.Condition,
			D:         put(r.Shares[at], r.Lost) - even,
			K:         2,
			Tries:     1,
			Word:      "same",
			home:      h,
		}
		d.interval = stats.Plain(d.D)
		switch {
		case d.D > 0:
			d.Word = "more"
		case d.D < 0:
			d.Word = "less"
		}
		out = append(out, d)
	}
	return out
}

func (f *Finding) zoneTest() {
	f.Tally = Tally{}
	f.tally()
	f.Test, f.Sides, f.Middle, f.Signs = testOf(f.Homes, 0, true)
	f.Test.Test = stats.ZonesTest
}

// lost works a finding about a zone out again where many animals escaped or could not
// be told: with all of them in the zone, and with none. What does not stand either way
// cannot be told.
func (a *analysis) lost(f *Finding) {
	if f.Zone == "" || f.Verdict == stats.CannotTell {
		return
	}
	o := a.outcome(f.Value)
	mean := 0.0
	for _, h := range f.Homes {
		mean += a.at(h.home, f.Value, f.Condition).Lost / float64(len(f.Homes))
	}
	if mean <= lostTenth {
		return
	}
	for _, put := range []func(share, lost float64) float64{
		func(share, lost float64) float64 { return share*(1-lost) + lost },
		func(share, lost float64) float64 { return share * (1 - lost) },
	} {
		again := *f
		again.Homes = a.zoneShares(*f, o, put)
		again.zoneTest()
		again.Corrected = min(1, again.Test.P*float64(f.M))
		again.JointLow, again.JointHigh = again.Test.Joint(f.M)
		again.Reason = ""
		again.judge(a)
		if again.Verdict != f.Verdict {
			f.Verdict, f.Reason = stats.CannotTell, Undecided
			return
		}
	}
}

// sayingZone are the sentences about a zone.
func (f *Finding) sayingZone(verdict stats.Verdict, side string) string {
	switch {
	case f.Reason == Undecided:
		return "zone-undecided"
	case verdict == stats.Supported || verdict == stats.NotSupported:
		return "zone-" + side
	}
	return "cannot-zone"
}

// sayingNaming are the sentences about a word or option that homes name.
func (f *Finding) sayingNaming(verdict stats.Verdict, side string) string {
	switch {
	case verdict == stats.Supported:
		return "naming-" + side
	case f.Reason == OtherWay:
		return "naming-other-way"
	}
	return "cannot-naming"
}

// looks are how many animals stood in each zone at each look, over all homes, then how
// many escaped and could not be told.
func (a *analysis) looks(o *outcome, condition string) [][]Heap {
	if !o.zoned() {
		return nil
	}
	times := o.Reading.Times
	if len(times) == 0 {
		times = []string{""}
	}
	zones := len(o.Reading.Zones)
	out := make([][]Heap, len(times))
	for i := range out {
		out[i] = make([]Heap, zones+2)
	}
	for h := range a.homes {
		cells := a.homes[h].Book.Cells
		for i := range cells {
			c := &cells[i]
			look := slices.Index(times, c.Slot.Time)
			if c.Slot.Reading != o.ID || look < 0 || c.State != notebook.HasValue || c.Entry.Given == nil ||
				!c.Slot.In(condition) {
				continue
			}
			g := c.Entry.Given
			for k, z := range o.Reading.Zones {
				out[look][k].N += g.Counts[z.ID]
			}
			out[look][zones].N += g.Escaped
			out[look][zones+1].N += g.Undecided
		}
	}
	return out
}

// naming compares whether homes name a word or option in one condition and not in
// another: each home is compared with itself.
func (a *analysis) naming(f Finding) Finding {
	for h := range a.homes {
		b, base := a.at(h, f.Value, f.Condition), a.at(h, f.Value, f.Against)
		if b == nil || base == nil {
			continue
		}
		d := Difference{
			Value:     f.Value,
			Condition: f.Condition,
			Against:   f.Against,
			Tries:     min(b.Tries, base.Tries),
			bound:     true,
			home:      h,
			Word:      "same",
		}
		switch x, y := slices.Contains(b.Named, f.Option), slices.Contains(base.Named, f.Option); {
		case x && !y:
			d.Word, d.interval = "more", stats.Plain(1)
		case y && !x:
			d.Word, d.interval = "less", stats.Plain(-1)
		}
		f.Homes = append(f.Homes, d)
	}
	f.tally()
	f.Test, f.Sides, f.Middle, f.Signs = testOf(f.Homes, 0, false)
	f.Why = text.Message{ID: "compare.why.naming"}
	return f
}
