package science

import (
	"encoding/json"
	"errors"
	"fmt"
	"math"

	"gonum.org/v1/gonum/stat/distuv"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

func init() {
	register(
		Model{Number: 21, ID: "detect", Group: "see", Main: "power", Inverse: []string{"families", "trials", "effect"},
			Inputs: []Input{
				{Name: "effect", Chosen: true, Unit: "any", Help: "the-difference-that-matters"},
				{Name: "reading_sd", Chosen: true, Unit: "any", Limits: "≥ 0", Help: "scatter-of-one-reading"},
				{Name: "between_sd", Chosen: true, Unit: "any", Limits: "≥ 0",
					Help: "scatter-of-the-true-difference-between-families"},
				{Name: "trials", Unit: "1", Limits: "≥ 1", Whole: true, Help: "per-family-and-condition"},
				{Name: "families", Unit: "1", Limits: "≥ 1", Whole: true, Help: "how-many-take-part"},
			},
			Outputs: []Output{
				{"se", "as the data", ""},
				{"power", "1", ""},
				{"families_needed", "1", ""},
				{"families_needed_small", "1", ""},
			},
			run: detect},
	)
	register(Model{Number: 22, ID: "choice", Group: "see", Main: "exact_p",
		Inputs: []Input{
			{Name: "counts", Unit: "list of 1", Limits: "≥ 0", Whole: true, Help: "how-many-at-each-place"},
			{Name: "shares", Unit: "list of 1", Optional: true, Limits: "> 0", Help: "expected-equal-when-left-out"},
			{Name: "p1", Label: "true_share", Unit: "1", Optional: true, Limits: "0…1",
				Help: "true-share-of-the-first-for-planning"},
		},
		Outputs: []Output{
			{"chi_square", "1", ""},
			{"df", "1", ""},
			{"p", "1", ""},
			{"exact_p", "1", ""},
			{"small_expected", "", ""},
			{"animals_needed", "1", ""},
		},
		run: choiceTest})
	register(Model{Number: 23, ID: "cooling", Group: "fast", Main: "predicted", Inverse: []string{"at"},
		Inputs: []Input{
			{Name: "times", Unit: "list of min", Help: "of-the-readings"},
			{Name: "temperatures", Unit: "list of °C"},
			{Name: "ambient", Label: "room", Unit: "°C", Help: "of-the-room"},
			{Name: "at", Label: "time_wanted", Chosen: true, Unit: "min", Optional: true,
				Help: "when-the-temperature-is-wanted"},
		},
		Outputs: []Output{{"k", "1/min", ""}, {"half_time", "min", ""}, {"predicted", "°C", ""}},
		run:     cooling})
	register(Model{Number: 27, ID: "line-fit", Group: "sure", Main: "slope",
		Inputs: []Input{
			{Name: "x", Unit: "list of any", Help: "what-was-set"},
			{Name: "y", Unit: "list of any", Help: "what-was-read"},
		},
		Outputs: []Output{
			{"slope", "1", "slope_se"},
			{"intercept", "1", "intercept_se"},
			{"slope_se", "1", ""},
			{"intercept_se", "1", ""},
			{"r2", "1", ""},
			{"residual_sd", "1", ""},
			{"slope_ci", "1", ""},
			{"intercept_ci", "1", ""},
		},
		run: lineFit})
	register(Model{Number: 28, ID: "compare-groups", Group: "sure", Main: "difference",
		Inputs: []Input{
			{Name: "mode", Unit: "choice", Default: "welch", Options: []string{"welch", "paired"}},
			{Name: "a", Unit: "list of any", Help: "first-group"},
			{Name: "b", Unit: "list of any", Help: "second-group-or-the-same-homes-again"},
		},
		Outputs: []Output{
			{"mean_a", "as the data", ""},
			{"mean_b", "as the data", ""},
			{"difference", "as the data", ""},
			{"t", "1", ""},
			{"df", "1", ""},
			{"p", "1", ""},
			{"ci", "as the data", ""},
			{"g", "1", ""},
		},
		run: compareGroups})
	register(Model{Number: 29, ID: "pooled", Group: "sure", Main: "weighted_mean",
		Inputs: []Input{{Name: "values", Unit: "objects", Form: ValueU, Help: "list-of-value-and-u"}},
		Outputs: []Output{
			{"weighted_mean", "as the data", "u_scaled"},
			{"u", "as the data", ""},
			{"median", "as the data", ""},
			{"robust_scale", "as the data", ""},
			{"outliers", "", ""},
			{"scatter_ratio", "1", ""},
			{"u_scaled", "as the data", ""},
		},
		run: pooled})
	register(Model{Number: 30, ID: "osmosis-crossing", Group: "sure", Main: "crossing",
		Inputs: []Input{
			{Name: "concentrations", Unit: "list of any", Limits: "≥ 0"},
			{Name: "changes", Unit: "list of %"},
		},
		Outputs: []Output{
			{"crossing", "as the data", "crossing_se"},
			{"crossing_se", "as the data", ""},
			{"extrapolated", "", ""},
		},
		run: osmosis})
}

func detect(a *args) results {
	unit := a.unitOf("effect")
	effect, sd, tau := a.like("effect", unit), a.like("reading_sd", unit), a.like("between_sd", unit)
	m, f := a.num("trials"), a.num("families")
	if effect == 0 {
		stop("effect", "is-zero-there-is-nothing-to")
	}
	if sd == 0 && tau == 0 {
		stop("reading_sd", "cannot-be-zero-together-with-between")
	}
	a.step("variance", "between_sd^2 + 2 * reading_sd^2 / trials", "")
	a.step("se", "sqrt(variance / families)", "")
	p, err := stats.Detect(effect, sd, tau, m, f)
	if err != nil {
		stop("effect", "said", "a", text.Why(err))
	}
	return results{
		"se":                    num(p.SE, unit.Symbol),
		"power":                 num(p.Power, "1"),
		"families_needed":       num(p.Homes, "1"),
		"families_needed_small": num(p.HomesSmall, "1"),
	}
}

func choiceTest(a *args) results {
	numbers := a.list("counts", 2)
	counts, shares, n := make([]int, len(numbers)), make([]float64, len(numbers)), 0.0
	for i, k := range numbers {
		counts[i], shares[i] = int(k), 1
		n += k
	}
	if a.has("shares") {
		if shares = a.list("shares", 2); len(shares) != len(counts) {
			stop("shares", "has-values-and-counts", "a", len(shares), "b", len(counts))
		}
	}
	switch {
	case n == 0:
		stop("counts", "are-all-zero")
	case n > 1e6:
		stop("counts", "add-up-to-more-than-a")
	}
	chi, df, small := stats.ChiSquare(counts, shares)
	out := results{
		"chi_square":     num(chi, "1"),
		"df":             num(df, "1"),
		"p":              num(distuv.ChiSquared{K: df}.Survival(chi), "1"),
		"small_expected": {Value: small},
	}
	if len(counts) == 2 {
		out["exact_p"] = num(stats.ExactBinomial(counts[0], int(n), shares[0]/(shares[0]+shares[1])), "1")
	}
	if a.working != nil {
		if f, err := stats.Zones(counts, shares, stats.Claim{}); err == nil {
			a.found(f, "choice", quantity.One)
		}
	}
	if p1, ok := a.opt("p1"); ok {
		if p1 <= 0 || p1 >= 1 || p1 == 0.5 {
			stop("p1", "has-to-lie-between-0-and")
		}
		out["animals_needed"] = num(stats.ChoicesNeeded(p1), "1")
	}
	return out
}

func (a *args) sameLength(first, second string, n, m int) {
	if n != m {
		stop(first, "has-values-and", "a", n, "b", second, "c", m)
	}
}

func cooling(a *args) results {
	times, temps, ambient := a.list("times", 2), a.list("temperatures", 2), a.num("ambient")
	a.sameLength("times", "temperatures", len(times), len(temps))
	fit, err := stats.FitCooling(times, temps, ambient)
	var faulty *stats.CoolingError
	switch {
	case errors.As(err, &faulty) && faulty.Reading >= 0:
		stop(fmt.Sprintf("temperatures[%d]", faulty.Reading), "said", "a", text.Why(err))
	case errors.As(err, &faulty):
		stop("temperatures", "said", "a", text.Why(err))
	case err != nil:
		stop("times", "said", "a", text.Why(err))
	}
	a.draw(
		drawn{
			x:     times,
			y:     temps,
			xName: "time",
			yName: "temperature",
			xUnit: "min",
			yUnit: "°C",
			at:    "at",
			law: func(t float64) float64 {
				y, _ := fit.At(t)
				return y
			},
		},
	)
	logs := make([]float64, len(temps))
	for i, t := range temps {
		logs[i] = math.Log(math.Abs(t - ambient))
	}
	a.knowAll("log_of_the_degrees_away", logs)
	a.step("k", "-slope(log_of_the_degrees_away, times)", "1/min")
	a.step("half_time", "ln(2) / k", "min")
	out := results{"k": num(fit.K, "1/min"), "half_time": num(fit.Half, "min")}
	if at, ok := a.opt("at"); ok {
		t, _ := fit.At(at)
		out["predicted"] = num(t, "°C")
		a.step("degrees_away_then", "exp(intercept(log_of_the_degrees_away, times) - k * at)", "1")
	}
	return out
}

func lineFit(a *args) results {
	x, y := a.any("x", 3, nil).values, a.any("y", 3, nil).values
	a.sameLength("x", "y", len(x), len(y))
	l, err := stats.FitLine(x, y)
	if err != nil {
		stop("x", "so-no-line-can-be-drawn", "a", text.Why(err))
	}
	if l.SYY == 0 {
		stop("y", "said", "a", text.Why(stats.ErrAllSame))
	}
	if f, err := l.Test(stats.Claim{}); err == nil {
		a.found(f, "slope", quantity.One)
	}
	a.draw(drawn{x: x, y: y, xName: "x", yName: "y", law: func(at float64) float64 {
		v, _ := l.At(at)
		return v
	}})
	a.knowAll("x", x)
	a.knowAll("y", y)
	a.step("slope", "slope(y, x)", "")
	a.step("intercept", "intercept(y, x)", "")
	interval := func(middle, se float64) Value {
		return Value{Value: []float64{middle - l.T*se, middle + l.T*se}, Unit: "1"}
	}
	return results{
		"slope":        num(l.Slope, "1"),
		"intercept":    num(l.Intercept, "1"),
		"slope_se":     num(l.SlopeSE, "1"),
		"intercept_se": num(l.InterceptSE, "1"),
		"r2":           num(l.R2, "1"),
		"residual_sd":  num(l.ResidualSD, "1"),
		"slope_ci":     interval(l.Slope, l.SlopeSE),
		"intercept_ci": interval(l.Intercept, l.InterceptSE),
	}
}

func compareGroups(a *args) results {
	mode := a.choice("mode")
	first := a.any("a", 2, nil)
	second := a.any("b", 2, &first.unit)
	x, y := first.values, second.values
	test, claim := stats.Welch, "differ"
	if mode == "paired" {
		a.sameLength("a", "b", len(x), len(y))
		test, claim = stats.Paired, "change"
	}
	f, err := test(x, y, stats.Claim{})
	switch {
	case errors.Is(err, stats.ErrFew):
		stop("a", "needs-at-least-3-pairs")
	case err != nil:
		stop("a", "said", "a", text.Why(err))
	}
	sa, _ := stats.Summarise(x)
	sb, _ := stats.Summarise(y)
	u, between := first.unit.Symbol, first.unit
	if between.Dim == quantity.Temperature { // a difference has no zero point
		between.Offset = 0
	}
	a.found(f, claim, between)
	a.step("mean_a", "mean(a)", u)
	a.step("mean_b", "mean(b)", u)
	if between == first.unit {
		a.step("difference", "mean_b - mean_a", u)
	}
	return results{
		"mean_a":     num(sa.Mean, u),
		"mean_b":     num(sb.Mean, u),
		"difference": num(f.Estimate, u),
		"t":          num(f.Statistic, "1"),
		"df":         num(f.DF, "1"),
		"p":          num(f.P, "1"),
		"ci":         {Value: []float64{f.Low, f.High}, Unit: u},
		"g":          num(f.Effect, "1"),
	}
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
			stop(place, "needs-a-value-and-a-u")
		}
		v, plain := readQuantity(place, p.Value)
		if i == 0 {
			unit, plainFirst = v.Unit, plain
		}
		in, err := v.In(unit)
		if err != nil || plain != plainFirst {
			stop(place, "all-values-have-to-be-of")
		}
		u, plain := readQuantity(place, p.U)
		if u.Unit.Dim != unit.Dim || plain != plainFirst {
			stop(place, "u-has-to-be-of-the")
		}
		x, us = append(x, in.Value), append(us, u.Value*u.Unit.Factor/unit.Factor)
		if us[i] <= 0 {
			stop(place, "u-has-to-be-above-zero")
		}
	}
	p, err := stats.Pooled(x, us)
	if err != nil {
		stop("values", "said", "a", text.Why(err))
	}
	s := unit.Symbol
	out := results{
		"weighted_mean": num(p.Mean, s),
		"u":             num(p.U, s),
		"median":        num(p.Median, s),
		"robust_scale":  num(p.Spread, s),
		"outliers":      {Value: append([]int{}, p.Outliers...)},
		"u_scaled":      num(p.UScaled, s),
	}
	if len(x) > 1 {
		out["scatter_ratio"] = num(p.ScatterRatio, "1")
	}
	return out
}

func osmosis(a *args) results {
	c, changes := a.any("concentrations", 3, nil), a.list("changes", 3)
	a.sameLength("concentrations", "changes", len(c.values), len(changes))
	l, err := stats.FitLine(c.values, changes)
	if err != nil {
		stop("concentrations", "said", "a", text.Why(err))
	}
	x, se, outside, ok := l.Crossing()
	if !ok {
		stop("changes", "do-not-depend-on-the-strength")
	}
	a.draw(
		drawn{
			x:     c.values,
			y:     changes,
			xName: "concentration",
			yName: "change",
			xUnit: c.unit.Label(),
			yUnit: "%",
			law: func(at float64) float64 {
				v, _ := l.At(at)
				return v
			},
		},
	)
	a.step("slope", "slope(changes, concentrations)", "")
	a.step("intercept", "intercept(changes, concentrations)", "%")
	a.step("crossing", "-intercept / slope", c.unit.Symbol)
	return results{
		"crossing":     num(x, c.unit.Symbol),
		"crossing_se":  num(se, c.unit.Symbol),
		"extrapolated": {Value: outside},
	}
}
