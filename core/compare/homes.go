package compare

import (
	"encoding/json"
	"maps"
	"math"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/stats"
)

// Home is one home's notebook with the key it is known by, and what it used instead.
type Home struct {
	Key   string
	Book  *notebook.Book
	Uses  map[string]string // by need: what stands in for the design's own thing, such as salt/coarse
	Class larder.Class      // how it is compared with the others, by the worst of these; "" as designed
}

// apart reports whether a home is no part of the main result: what it used makes it a
// group of its own.
func (h *Home) apart() bool { return h.Class == larder.Separate || h.Class == larder.Unsuitable }

// Together are the homes of the main result: those whose swaps join the others.
func Together(homes []Home) []Home {
	return slices.DeleteFunc(slices.Clone(homes), func(h Home) bool { return h.apart() })
}

// Side is a group of homes that used the same instead and are compared by themselves.
type Side struct {
	Uses  map[string]string
	Homes []Home
}

// Enough reports whether a side has the homes for an estimate of its own.
func (s *Side) Enough() bool { return len(s.Homes) >= leastAside }

// leastAside is from how many homes on a group of its own gets an estimate.
const leastAside = 5

// Aside are the homes that are no part of the main result, in groups that used the same,
// the largest first.
func Aside(homes []Home) []Side {
	var out []Side
	for _, h := range homes {
		if !h.apart() {
			continue
		}
		i := slices.IndexFunc(out, func(s Side) bool { return maps.Equal(s.Uses, h.Uses) })
		if i < 0 {
			i = len(out)
			out = append(out, Side{Uses: h.Uses})
		}
		out[i].Homes = append(out[i].Homes, h)
	}
	slices.SortStableFunc(out, func(a, b Side) int { return len(b.Homes) - len(a.Homes) })
	return out
}

// analysis is a class on its way to its findings.
type analysis struct {
	d        *design.Document
	homes    []Home
	results  [][]notebook.Result
	outcomes []outcome
	spoken   map[[2]string]bool // by reading and value: what speaksOf said of them
}

// speaks is speaksOf, asked of each reading and value once: there are thousands of homes.
func (a *analysis) speaks(reading string, o *outcome) bool {
	key := [2]string{reading, o.ID}
	is, known := a.spoken[key]
	if !known {
		if a.spoken == nil {
			a.spoken = map[[2]string]bool{}
		}
		is = speaksOf(a.d, reading, o.Derived)
		a.spoken[key] = is
	}
	return is
}

func (a *analysis) at(home int, value, condition string) *notebook.Result {
	for i := range a.results[home] {
		if r := &a.results[home][i]; r.Derived == value && r.Condition == condition && (r.OK || r.Bound != nil) {
			return r
		}
	}
	return nil
}

func (a *analysis) outcome(id string) *outcome {
	i := slices.IndexFunc(a.outcomes, func(o outcome) bool { return o.ID == id })
	return &a.outcomes[i]
}

// Difference is one home's b against its a, from that home alone: more or less
// where it exceeds k times its own uncertainty.
type Difference struct {
	Value     string  `json:"value"`
	Condition string  `json:"condition"`
	Against   string  `json:"against"`
	D         float64 `json:"d"`
	U         float64 `json:"u"`
	K         float64 `json:"k"`
	Word      string  `json:"word"` // more, less, cannot-tell; same and undecided where there is no u
	Clearly   bool    `json:"clearly"`
	Tries     int     `json:"tries"`

	bound    bool // it has no size: of one of its values only a bound is known, or it is of levels
	interval stats.Interval
	rounding float64
	home     int
}

// MarshalJSON leaves the sizes out where there are none.
func (d Difference) MarshalJSON() ([]byte, error) {
	type plain Difference // without this method
	out := struct {
		plain
		D *float64 `json:"d"`
		U *float64 `json:"u"`
		K *float64 `json:"k"`
	}{plain: plain(d)}
	if !d.bound {
		out.D, out.U, out.K = &d.D, &d.U, &d.K
	}
	return json.Marshal(out)
}

// difference holds two values of one home against each other. On a ratio scale
// d is the logarithm of a factor.
func difference(b, a *notebook.Result, ratio bool) Difference {
	d := Difference{
		Value:     b.Derived,
		Condition: b.Condition,
		Against:   a.Condition,
		K:         2,
		Tries:     min(len(b.Doubt.Trials), len(a.Doubt.Trials)),
	}
	x, y := terms(b, ratio), terms(a, ratio)
	d.interval = x.interval.Minus(y.interval)
	d.D, d.rounding = x.value-y.value, x.rounding+y.rounding
	if a.Bound != nil || b.Bound != nil || b.Levels != nil {
		d.bound, d.Tries = true, max(d.Tries, min(a.Tries, b.Tries))
		switch s := stats.Count([]stats.Interval{d.interval}); {
		case s.More > 0:
			d.Word = "more"
		case s.Less > 0:
			d.Word = "less"
		case s.Same > 0:
			d.Word = "same"
		default:
			d.Word = "undecided"
		}
		return d
	}
	scatter := x.scatter + y.scatter
	d.U = math.Sqrt(scatter + d.rounding)
	if b.Doubt.Own && scatter > 0 {
		d.K = math.Max(2, stats.Student95(b.Doubt.Nu*math.Pow(d.U, 4)/(scatter*scatter)))
	}
	switch {
	case d.D > d.K*d.U:
		d.Word = "more"
	case d.D < -d.K*d.U:
		d.Word = "less"
	case d.U == 0:
		d.Word = "same"
	default:
		d.Word = "cannot-tell"
	}
	d.Clearly = d.Tries >= 2 && (d.Word == "more" || d.Word == "less")
	return d
}

// term is a value on the scale of the test: with what scatter brings to its
// mean, and what rounding brings.
type term struct {
	value, scatter, rounding float64
	interval                 stats.Interval
}

func terms(r *notebook.Result, ratio bool) term {
	n := math.Max(1, float64(len(r.Doubt.Trials)))
	t := term{r.Value.Value, r.Doubt.S * r.Doubt.S / n, r.Doubt.Rounding, stats.Plain(r.Value.Value)}
	if r.Bound != nil {
		t.interval = *r.Bound
	}
	if r.Levels != nil {
		t.interval = *r.Levels
	}
	if ratio {
		k := 1 / (t.value * t.value)
		t.value, t.scatter, t.rounding = math.Log(t.value), t.scatter*k, t.rounding*k
		t.interval = stats.Interval{Low: math.Log(t.interval.Low), High: math.Log(t.interval.High)}
	}
	return t
}

// positive reports whether all values that a claim speaks of are above zero, so
// that factors can be formed.
func (a *analysis) positive(c Claim) bool {
	for h := range a.homes {
		for _, k := range append([]string{c.Condition, c.Against}, c.Order...) {
			if r := a.at(h, c.Value, k); r != nil && (r.Value.Value <= 0 || r.Bound != nil && r.Bound.Low <= 0) {
				return false
			}
		}
	}
	return true
}

// pairs are the differences of the homes that did both.
func (a *analysis) pairs(value, condition, against string, ratio bool) []Difference {
	var out []Difference
	for h := range a.homes {
		b, base := a.at(h, value, condition), a.at(h, value, against)
		if b == nil || base == nil {
			continue
		}
		d := difference(b, base, ratio)
		d.home = h
		out = append(out, d)
	}
	return out
}

// singles are the homes' values, each as a difference from nothing.
func (a *analysis) singles(value, condition string, ratio bool) []Difference {
	var out []Difference
	for h := range a.homes {
		b := a.at(h, value, condition)
		if b == nil {
			continue
		}
		t := terms(b, ratio)
		out = append(
			out,
			Difference{
				Value:     value,
				Condition: condition,
				D:         t.value,
				U:         math.Sqrt(t.scatter + t.rounding),
				K:         2,
				Tries:     len(b.Doubt.Trials),
				interval:  t.interval,
				rounding:  t.rounding,
				home:      h,
			},
		)
	}
	return out
}
