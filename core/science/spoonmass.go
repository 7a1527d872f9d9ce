package science

import (
	"math"

	"patient-kitchen/core/stats"
)

func init() {
	register(Model{Number: 8, ID: "spoon-mass", Group: "much", Main: "total", Inverse: []string{"spoons"},
		Inputs: []Input{
			{Name: "masses", Unit: "list of g", Limits: "> 0", Help: "one-level-spoon-per-reading"},
			{Name: "spoons", Unit: "1", Default: "1", Limits: "> 0", Help: "how-many-go-into-the-total"},
			{Name: "resolution", Chosen: true, Unit: "g", Default: "0 g", Limits: "≥ 0", Help: "of-the-scale"},
		},
		Outputs: []Output{
			{"mean", "g", "se"},
			{"sd", "g", ""},
			{"se", "g", ""},
			{"total", "g", "total_u"},
			{"total_u", "g", ""},
		},
		run: func(a *args) results {
			m, k, r := a.list("masses", 2), a.num("spoons"), a.num("resolution")
			all, _ := stats.Summarise(m)
			mean, sd, n := all.Mean, all.SD, float64(all.N)
			a.know("n", n, "1")
			a.step("mean", "mean(masses)", "g")
			a.step("sd", "sd(masses)", "g")
			a.step("se", "sd / sqrt(n)", "g")
			a.step("total", "spoons * mean", "g")
			a.step("total_u", "sqrt(spoons * sd^2 + spoons^2 * (sd^2 / n + resolution^2 / 12))", "g")
			return results{
				"mean":    num(mean, "g"),
				"sd":      num(sd, "g"),
				"se":      num(sd/math.Sqrt(n), "g"),
				"total":   num(k*mean, "g"),
				"total_u": num(math.Sqrt(k*sd*sd+k*k*(sd*sd/n+r*r/12)), "g"),
			}
		}})
	register(Model{Number: 20, ID: "mass-change", Group: "see", Main: "percent", Inverse: []string{"after"},
		Inputs: []Input{
			{Name: "before", Unit: "g", Limits: "> 0", Help: "mean-of-the-weighings"},
			{Name: "after", Unit: "g", Limits: "≥ 0", Help: "mean-of-the-weighings"},
			{Name: "resolution", Chosen: true, Unit: "g", Limits: "≥ 0", Help: "step-of-the-display"},
			{Name: "tare", Unit: "flag", Optional: true, Help: "the-scale-was-zeroed-before-each-weighing"},
			{Name: "repeatability", Chosen: true, Unit: "g", Default: "0 g", Limits: "≥ 0",
				Help: "sd-of-repeated-weighings"},
			{Name: "container", Unit: "g", Default: "0 g", Limits: "≥ 0", Help: "included-in-both-weighings"},
		},
		Outputs: []Output{
			{"change", "g", "u_change"},
			{"percent", "%", "u_percent"},
			{"u_change", "g", ""},
			{"u_percent", "%", ""},
			{"resolved", "", ""},
		},
		run: massChange})
}

func massChange(a *args) results {
	before, after, r, s, c := a.num(
		"before",
	), a.num(
		"after",
	), a.num(
		"resolution",
	), a.num(
		"repeatability",
	), a.num(
		"container",
	)
	tare := a.flag("tare")
	if c >= before {
		stop("container", "weighs-as-much-as-container-and")
	}
	if c > 0 && tare {
		stop("container", "a-tared-reading-has-no-container")
	}
	v1 := r*r/12 + s*s
	v := v1
	if tare {
		v = 2 * v1
	}
	change, n := after-before, before-c
	own := 0.0
	if c > 0 {
		own = v1
	}
	a.step("change", "after - before", "g")
	a.step("percent", "change / (before - container)", "%")
	u := math.Sqrt(2 * v)
	up := 100 / n * math.Sqrt(v+(after-c)*(after-c)/n/n*v+change*change/n/n*own)
	return results{
		"change":    num(change, "g"),
		"percent":   num(100*change/n, "%"),
		"u_change":  num(u, "g"),
		"u_percent": num(up, "%"),
		"resolved":  {Value: math.Abs(change) > 2*u},
	}
}
