package rehearsal

import (
	"maps"
	"math"
	"slices"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/detect"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// Sentences say what the rehearsed classes saw, the answer first.
func (a *Answer) Sentences() []text.Message {
	if a.Homes == 0 || len(a.Claims)+a.others() == 0 {
		if a.Homes == 0 && len(a.Claims)+a.others() == 0 && a.Unsaid > 0 {
			return []text.Message{text.M("rehearsal.none")}
		}
		return []text.Message{text.M("rehearsal.nobody")}
	}
	var out []text.Message
	for i := range a.Spoken {
		out = append(out, a.Spoken[i].sentence())
	}
	for i := range a.Agreements {
		out = append(out, a.Agreements[i].sentences()...)
	}
	for i := range a.Ordered {
		out = append(out, a.Ordered[i].sentences()...)
	}
	out = append(out, a.claimed()...)
	if a.FlagLow < a.FlagTop && a.FlagLow > 0 {
		out = append(out, text.M("rehearsal.flags-range", "from", a.FlagLow, "to", a.FlagTop))
	} else if a.FlagTop > 0 {
		out = append(out, text.M("rehearsal.flags", "to", a.FlagTop))
	}
	if a.Help != nil {
		out = append(out, text.M("rehearsal.help."+string(a.Help.Change), "seen", hundredth(a.Help.Seen)))
	}
	if a.Unsaid > 0 {
		out = append(out, text.M("rehearsal.unsaid", "n", a.Unsaid))
	}
	return out
}

// claimed are the sentences about claims of effects: where nothing says the size of one,
// the largest of its value alone.
func (a *Answer) claimed() []text.Message {
	var out []text.Message
	largest := map[string]*Claim{} // by value
	for i := range a.Claims {
		c := &a.Claims[i]
		switch had := largest[c.Value]; {
		case c.Source != detect.Nothing:
			out = append(out, c.sentences()...)
		case had == nil || math.Abs(c.Effect) > math.Abs(had.Effect):
			largest[c.Value] = c
		}
	}
	for _, value := range slices.Sorted(maps.Keys(largest)) {
		c := largest[value]
		out = append(out, text.M("rehearsal.smallest", "size", c.size(math.Abs(c.Effect))), text.M("rehearsal.say-it"))
	}
	return out
}

// How says what was taken as usual.
func (a *Answer) How() text.Message {
	return text.M("rehearsal.how", "classes", a.Classes, "homes", a.Homes)
}

// sentence says how far homes have to agree so that nine of ten classes see it.
func (s *Spoken) sentence() text.Message {
	switch {
	case s.Agree == 0:
		return text.M("rehearsal.too-few", "claim", s.Words, "n", s.Homes)
	case s.Test == stats.ZonesTest && s.Says == "less":
		return text.M("rehearsal.zone-less", "claim", s.Words, "of", hundredth(math.Floor(s.Agree*100)/100))
	case s.Test == stats.ZonesTest:
		return text.M("rehearsal.zone", "claim", s.Words, "of", hundredth(math.Ceil(s.Agree*100)/100))
	case s.Test == stats.PageTest:
		return text.M("rehearsal.agree-order", "claim", s.Words, "rho", math.Ceil(s.Agree*100)/100)
	}
	return text.M("rehearsal.agree", "claim", s.Words, "of", hundredth(math.Ceil(s.Agree*100)/100))
}

// sentences say how surely a class can say that it is so, and how near it comes.
func (a *Agreement) sentences() []text.Message {
	within := sized(a.Planned, a.Within)
	switch {
	case a.Homes < compare.MinHomes:
		return []text.Message{text.M("rehearsal.too-few", "claim", a.Words, "n", a.Homes)}
	case a.Near == 0:
		return []text.Message{text.M("rehearsal.how-near", "claim", a.Words, "within", within)}
	}
	return []text.Message{
		text.M("rehearsal.agrees", "seen", hundredth(a.Seen), "claim", a.Words),
		text.M("rehearsal.within", "within", within),
	}
}

// sentences say how surely a class sees the whole order.
func (o *Ordered) sentences() []text.Message {
	step := sized(o.Planned, o.Step)
	switch {
	case o.Homes < compare.MinHomes || o.Source == detect.Nothing && o.Step == 0:
		return []text.Message{text.M("rehearsal.too-few", "claim", o.Words, "n", o.Homes)}
	case o.Source == detect.Nothing:
		return []text.Message{text.M("rehearsal.order-smallest", "claim", o.Words, "size", step),
			text.M("rehearsal.say-it")}
	}
	return []text.Message{text.M("rehearsal.seen", "seen", hundredth(o.Seen), "claim", o.Words),
		text.M("rehearsal.order-"+string(o.Source), "size", step)}
}

func (c *Claim) sentences() []text.Message {
	size := c.size(c.Effect)
	return []text.Message{
		text.M("rehearsal.seen", "seen", hundredth(c.Seen), "claim", c.Words),
		text.M("rehearsal."+string(c.Source), "size", size),
		text.M("rehearsal.right", "right", hundredth(c.Right)),
		text.M("rehearsal.class", "middle", c.size(c.Middle), "low", c.size(c.Low), "high", c.size(c.High)),
	}
}

// size is an effect as it is read; of a slope for each unit of what is changed, or over
// all of it where only the homes know how much that is.
func (c *Claim) size(v float64) any {
	size := sized(c.Planned, v)
	switch {
	case !detect.Trend(c.Planned):
		return size
	case c.Even:
		return text.M("rehearsal.over-all", "size", size)
	}
	return text.M("rehearsal.for-each", "size", size, "each", c.Words.Args["each"])
}

// sized is a difference with two digits that say something, or a factor.
func sized(p compare.Planned, v float64) any {
	digits := 2.0
	scale := math.Pow(10, digits-1-math.Floor(math.Log10(math.Max(math.Abs(v), 1e-12))))
	v = math.Round(v*scale) / scale
	if p.Ratio {
		return text.M("detect.factor", "n", v)
	}
	return quantity.Quantity{Value: v, Unit: p.Unit}
}

// hundredth is a share as so many of a hundred.
func hundredth(share float64) int { return int(math.Round(100 * share)) }
