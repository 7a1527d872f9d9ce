package science

import (
	"encoding/json"
	"fmt"
	"math"
	"sort"

	"gonum.org/v1/gonum/stat/distuv"

	"patient-kitchen/core/quantity"
)

// z975 and z80 are the normal quantiles of the design's models 21 and 22.
var (
	z975 = distuv.UnitNormal.Quantile(0.975)
	z80  = distuv.UnitNormal.Quantile(0.8)
)

func init() {
	register(Model{Number: 21, ID: "detect", Group: "see", Title: "Would this class see the effect?",
		Inputs: []Input{
			{Name: "effect", Unit: "any", Help: "the difference that matters"}, {Name: "reading_sd", Unit: "any", Limits: "≥ 0", Help: "scatter of one reading"}, {Name: "between_sd", Unit: "any", Limits: "≥ 0", Help: "scatter of the true difference between families"},
			{Name: "trials", Unit: "1", Limits: "≥ 1", Whole: true, Help: "per family and condition"}, {Name: "families", Unit: "1", Limits: "≥ 1", Whole: true, Help: "how many take part"},
		},
		Outputs: []Output{{"se", "as the data"}, {"power", "1"}, {"families_needed", "1"}, {"families_needed_small", "1"}},
		Assumes: "Every family tests both conditions. The normal approximation is optimistic for small classes: use the number for a small class.", run: detect})
	register(Model{Number: 22, ID: "choice", Group: "see", Title: "Did they choose, or spread by chance?",
		Inputs: []Input{
			{Name: "counts", Unit: "list of 1", Limits: "≥ 0", Whole: true, Help: "how many at each place"}, {Name: "shares", Unit: "list of 1", Optional: true, Limits: "> 0", Help: "expected, equal when left out"}, {Name: "p1", Unit: "1", Optional: true, Limits: "0…1", Help: "true share of the first, for planning"},
		},
		Outputs: []Output{{"chi_square", "1"}, {"df", "1"}, {"p", "1"}, {"exact_p", "1"}, {"small_expected", ""}, {"animals_needed", "1"}},
		Assumes: "Every animal may count once: several looks at the same animal are not independent. With few, use the exact test or fewer zones.", run: choiceTest})
	register(Model{Number: 23, ID: "cooling", Group: "fast", Title: "How fast does it cool, and how warm will it be?",
		Inputs: []Input{
			{Name: "times", Unit: "list of min", Help: "of the readings"}, {Name: "temperatures", Unit: "list of °C"}, {Name: "ambient", Unit: "°C", Help: "of the room"}, {Name: "at", Unit: "min", Optional: true, Help: "when the temperature is wanted"},
		},
		Outputs: []Output{{"k", "1/min"}, {"half_time", "min"}, {"predicted", "°C"}},
		Assumes: "Use readings at least 10 °C away from the room: the logarithm magnifies the noise of the last ones. Open hot cups cool faster at first.", run: cooling})
	register(Model{Number: 27, ID: "line-fit", Group: "sure", Title: "Which straight line fits?",
		Inputs:  []Input{{Name: "x", Unit: "list of any", Help: "what was set"}, {Name: "y", Unit: "list of any", Help: "what was read"}},
		Outputs: []Output{{"slope", "1"}, {"intercept", "1"}, {"slope_se", "1"}, {"intercept_se", "1"}, {"r2", "1"}, {"residual_sd", "1"}, {"slope_ci", "1"}, {"intercept_ci", "1"}},
		Assumes: "Only y scatters, by the same amount everywhere.", run: lineFit})
	register(Model{Number: 28, ID: "compare-groups", Group: "sure", Title: "Do two groups differ?",
		Inputs:  []Input{{Name: "mode", Unit: "choice", Default: "welch", Options: []string{"welch", "paired"}}, {Name: "a", Unit: "list of any", Help: "first group"}, {Name: "b", Unit: "list of any", Help: "second group, or the same homes again"}},
		Outputs: []Output{{"mean_a", "as the data"}, {"mean_b", "as the data"}, {"difference", "as the data"}, {"t", "1"}, {"df", "1"}, {"p", "1"}, {"ci", "as the data"}, {"g", "1"}},
		Assumes: "One value per family: several trials of one family are averaged first.", run: compareGroups})
	register(Model{Number: 29, ID: "pooled", Group: "sure", Title: "What do all families say together?",
		Inputs:  []Input{{Name: "values", Unit: "objects", Help: "list of value and u"}},
		Outputs: []Output{{"weighted_mean", "as the data"}, {"u", "as the data"}, {"median", "as the data"}, {"robust_scale", "as the data"}, {"outliers", ""}, {"scatter_ratio", "1"}, {"u_scaled", "as the data"}},
		Assumes: "Outliers stay in. If families differ by more than their own give or take, show u_scaled.", run: pooled})
	register(Model{Number: 30, ID: "osmosis-crossing", Group: "sure", Title: "At which strength does it neither gain nor lose?",
		Inputs:  []Input{{Name: "concentrations", Unit: "list of any", Limits: "≥ 0"}, {Name: "changes", Unit: "list of %"}},
		Outputs: []Output{{"crossing", "as the data"}, {"crossing_se", "as the data"}, {"extrapolated", ""}},
		Assumes: "The true curve bends: use points near the crossing. An extrapolated one is outside the data.", run: osmosis})
}

func detect(a *args) results {
	unit := a.unitOf("effect")
	effect, sd, tau := a.like("effect", unit), a.like("reading_sd", unit), a.like("between_sd", unit)
	m, f := a.num("trials"), a.num("families")
	if effect == 0 {
		stop("effect", "is zero: there is nothing to see")
	}
	if sd == 0 && tau == 0 {
		stop("reading_sd", "cannot be zero together with between_sd")
	}
	v := tau*tau + 2*sd*sd/m
	se := math.Sqrt(v / f)
	x := math.Abs(effect) / se
	n := (z975 + z80) * (z975 + z80) * v / effect / effect
	return results{
		"se": num(se, unit.Symbol), "power": num(distuv.UnitNormal.CDF(x-z975)+distuv.UnitNormal.CDF(-x-z975), "1"),
		"families_needed": num(math.Max(2, math.Ceil(n-1e-9)), "1"), "families_needed_small": num(math.Max(2, math.Ceil(n+z975*z975/2-1e-9)), "1"),
	}
}

func choiceTest(a *args) results {
	counts := a.list("counts", 2)
	shares := make([]float64, len(counts))
	for i := range shares {
		shares[i] = 1
	}
	if a.has("shares") {
		if shares = a.list("shares", 2); len(shares) != len(counts) {
			stop("shares", "has %d values and counts %d", len(shares), len(counts))
		}
	}
	n, total := 0.0, 0.0
	for i := range counts {
		n += counts[i]
		total += shares[i]
	}
	if n == 0 {
		stop("counts", "are all zero")
	}
	chi, small := 0.0, false
	for i := range counts {
		e := n * shares[i] / total
		chi += (counts[i] - e) * (counts[i] - e) / e
		small = small || e < 5
	}
	df := float64(len(counts) - 1)
	out := results{"chi_square": num(chi, "1"), "df": num(df, "1"), "p": num(distuv.ChiSquared{K: df}.Survival(chi), "1"), "small_expected": {Value: small}}
	if len(counts) == 2 {
		if n > 1e6 {
			stop("counts", "add up to more than a million")
		}
		out["exact_p"] = num(exactBinomial(int(counts[0]), int(n), shares[0]/total), "1")
	}
	if p1, ok := a.opt("p1"); ok {
		if p1 <= 0 || p1 >= 1 || p1 == 0.5 {
			stop("p1", "has to lie between 0 and 1 and not at 0.5")
		}
		r := (z975*0.5 + z80*math.Sqrt(p1*(1-p1))) / (p1 - 0.5)
		out["animals_needed"] = num(math.Ceil(r*r-1e-9), "1")
	}
	return out
}

// exactBinomial is the two-sided exact binomial test: the probability of all
// outcomes not more probable than the one observed.
func exactBinomial(k, n int, p float64) float64 {
	logProb := func(i int) float64 {
		a, _ := math.Lgamma(float64(n + 1))
		b, _ := math.Lgamma(float64(i + 1))
		c, _ := math.Lgamma(float64(n - i + 1))
		return a - b - c + float64(i)*math.Log(p) + float64(n-i)*math.Log1p(-p)
	}
	limit := math.Exp(logProb(k)) * (1 + 1e-7)
	sum := 0.0
	for i := 0; i <= n; i++ {
		if q := math.Exp(logProb(i)); q <= limit {
			sum += q
		}
	}
	return math.Min(1, sum)
}

// line is a least-squares line of centred data.
type line struct{ slope, intercept, sxx, syy, sse, meanX, n float64 }

func fitLine(x, y []float64) line {
	l := line{n: float64(len(x))}
	meanY := 0.0
	for i := range x {
		l.meanX += x[i] / l.n
		meanY += y[i] / l.n
	}
	sxy := 0.0
	for i := range x {
		dx, dy := x[i]-l.meanX, y[i]-meanY
		l.sxx += dx * dx
		l.syy += dy * dy
		sxy += dx * dy
	}
	l.slope = sxy / l.sxx
	l.intercept = meanY - l.slope*l.meanX
	for i := range x {
		r := y[i] - meanY - l.slope*(x[i]-l.meanX)
		l.sse += r * r
	}
	return l
}

func (a *args) sameLength(first, second string, n, m int) {
	if n != m {
		stop(first, "has %d values and %s %d", n, second, m)
	}
}

func cooling(a *args) results {
	times, temps, ambient := a.list("times", 2), a.list("temperatures", 2), a.num("ambient")
	a.sameLength("times", "temperatures", len(times), len(temps))
	sign := math.Copysign(1, temps[0]-ambient)
	logs := make([]float64, len(temps))
	for i, t := range temps {
		if sign*(t-ambient) <= 0 {
			stop(fmt.Sprintf("temperatures[%d]", i), "all have to lie above the room's temperature, or all below")
		}
		logs[i] = math.Log(math.Abs(t - ambient))
	}
	l := fitLine(times, logs)
	if l.sxx == 0 {
		stop("times", "are all the same")
	}
	k := -l.slope
	if k <= 0 {
		stop("temperatures", "move away from the room's temperature")
	}
	out := results{"k": num(k, "1/min"), "half_time": num(math.Ln2/k, "min")}
	if at, ok := a.opt("at"); ok {
		out["predicted"] = num(ambient+sign*math.Exp(l.intercept+l.slope*at), "°C")
	}
	return out
}

func lineFit(a *args) results {
	x, y := a.any("x", 3, nil).values, a.any("y", 3, nil).values
	a.sameLength("x", "y", len(x), len(y))
	l := fitLine(x, y)
	if l.sxx == 0 {
		stop("x", "are all the same, so no line can be drawn")
	}
	if l.syy == 0 {
		stop("y", "are all the same")
	}
	s := math.Sqrt(l.sse / (l.n - 2))
	bse, ase := s/math.Sqrt(l.sxx), s*math.Sqrt(1/l.n+l.meanX*l.meanX/l.sxx)
	t := distuv.StudentsT{Sigma: 1, Nu: l.n - 2}.Quantile(0.975)
	return results{"slope": num(l.slope, "1"), "intercept": num(l.intercept, "1"), "slope_se": num(bse, "1"), "intercept_se": num(ase, "1"), "r2": num(1-l.sse/l.syy, "1"), "residual_sd": num(s, "1"),
		"slope_ci": {Value: []float64{l.slope - t*bse, l.slope + t*bse}, Unit: "1"}, "intercept_ci": {Value: []float64{l.intercept - t*ase, l.intercept + t*ase}, Unit: "1"}}
}

func compareGroups(a *args) results {
	mode := a.choice("mode")
	first := a.any("a", 2, nil)
	second := a.any("b", 2, &first.unit)
	x, y := first.values, second.values
	ma, sa := meanSD(x)
	mb, sb := meanSD(y)
	na, nb := float64(len(x)), float64(len(y))
	var se, df, scale, nu float64
	if mode == "paired" {
		a.sameLength("a", "b", len(x), len(y))
		if len(x) < 3 {
			stop("a", "needs at least 3 pairs")
		}
		d := make([]float64, len(x))
		for i := range x {
			d[i] = y[i] - x[i]
		}
		_, sd := meanSD(d)
		se, df, nu = sd/math.Sqrt(na), na-1, na-1
		scale = math.Sqrt((sa*sa + sb*sb) / 2)
	} else {
		va, vb := sa*sa/na, sb*sb/nb
		se, nu = math.Sqrt(va+vb), na+nb-2
		df = (va + vb) * (va + vb) / (va*va/(na-1) + vb*vb/(nb-1))
		scale = math.Sqrt(((na-1)*sa*sa + (nb-1)*sb*sb) / nu)
	}
	if se == 0 {
		stop("a", "there is no scatter at all, so no test can be made")
	}
	diff := mb - ma
	dist := distuv.StudentsT{Sigma: 1, Nu: df}
	half := dist.Quantile(0.975) * se
	u := first.unit.Symbol
	return results{"mean_a": num(ma, u), "mean_b": num(mb, u), "difference": num(diff, u), "t": num(diff/se, "1"), "df": num(df, "1"), "p": num(2*dist.CDF(-math.Abs(diff/se)), "1"),
		"ci": {Value: []float64{diff - half, diff + half}, Unit: u}, "g": num((1-3/(4*nu-1))*diff/scale, "1")}
}

func pooled(a *args) results {
	type pair struct {
		Value, U json.RawMessage
	}
	var x, us []float64
	unit, plainFirst := quantity.One, false
	for i, p := range objects[pair](a, "values", 1) {
		place := fmt.Sprintf("values[%d]", i)
		if p.Value == nil || p.U == nil {
			stop(place, "needs a value and a u")
		}
		v, plain := readQuantity(place, p.Value)
		if i == 0 {
			unit, plainFirst = v.Unit, plain
		}
		in, err := v.In(unit)
		if err != nil || plain != plainFirst {
			stop(place, "all values have to be of one kind")
		}
		u, plain := readQuantity(place, p.U)
		if u.Unit.Dim != unit.Dim || plain != plainFirst {
			stop(place, "u has to be of the same kind as the value")
		}
		x, us = append(x, in.Value), append(us, u.Value*u.Unit.Factor/unit.Factor)
		if us[i] <= 0 {
			stop(place, "u has to be above zero")
		}
	}
	sw, swx := 0.0, 0.0
	for i := range x {
		w := 1 / us[i] / us[i]
		sw += w
		swx += w * x[i]
	}
	mean, u := swx/sw, 1/math.Sqrt(sw)
	med := middle(x)
	away := make([]float64, len(x))
	meanAway, ss := 0.0, 0.0
	for i := range x {
		away[i] = math.Abs(x[i] - med)
		meanAway += away[i] / float64(len(x))
		ss += (x[i] - mean) * (x[i] - mean) / us[i] / us[i]
	}
	mad := middle(away)
	outliers := []int{}
	for i := range x {
		if mad > 0 && 0.6745*away[i]/mad > 3.5 || mad == 0 && meanAway > 0 && away[i]/(1.253314*meanAway) > 3.5 {
			outliers = append(outliers, i)
		}
	}
	s := unit.Symbol
	out := results{"weighted_mean": num(mean, s), "u": num(u, s), "median": num(med, s), "robust_scale": num(1.4826*mad, s), "outliers": {Value: outliers}, "u_scaled": num(u, s)}
	if len(x) > 1 {
		ratio := math.Sqrt(ss / float64(len(x)-1))
		out["scatter_ratio"] = num(ratio, "1")
		out["u_scaled"] = num(u*math.Max(1, ratio), s)
	}
	return out
}

func middle(x []float64) float64 {
	s := append([]float64(nil), x...)
	sort.Float64s(s)
	if n := len(s); n%2 == 0 {
		return (s[n/2-1] + s[n/2]) / 2
	}
	return s[len(s)/2]
}

func osmosis(a *args) results {
	c, changes := a.any("concentrations", 3, nil), a.list("changes", 3)
	a.sameLength("concentrations", "changes", len(c.values), len(changes))
	l := fitLine(c.values, changes)
	if l.sxx == 0 {
		stop("concentrations", "are all the same")
	}
	if l.slope == 0 {
		stop("changes", "do not depend on the strength, so nothing crosses")
	}
	x := -l.intercept / l.slope
	s := math.Sqrt(l.sse / (l.n - 2))
	low, high := c.values[0], c.values[0]
	for _, v := range c.values {
		low, high = math.Min(low, v), math.Max(high, v)
	}
	return results{"crossing": num(x, c.unit.Symbol), "crossing_se": num(s/math.Abs(l.slope)*math.Sqrt(1/l.n+(x-l.meanX)*(x-l.meanX)/l.sxx), c.unit.Symbol), "extrapolated": {Value: x < low || x > high}}
}
