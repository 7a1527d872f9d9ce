package science

import "math"

func init() {
	register(Model{Number: 10, ID: "raft", Group: "much", Main: "max_stable_load",
		Inputs: []Input{
			{Name: "length", Unit: "cm", Limits: "> 0"},
			{Name: "width", Unit: "cm", Limits: "> 0"},
			{Name: "height", Unit: "cm", Limits: "> 0"},
			{Name: "mass", Unit: "g", Limits: "> 0"},
			{Name: "load_mass", Unit: "g", Limits: "> 0", Help: "of-one-load"},
			{Name: "load_height", Chosen: true, Unit: "cm", Default: "0 cm", Limits: "≥ 0",
				Help: "of-their-middle-above-the-deck"},
			{Name: "loads", Unit: "1", Default: "0", Limits: "≥ 0", Whole: true, Help: "how-many-are-on-it"},
			{Name: "water_density", Unit: "g/mL", Default: water, Limits: "> 0"},
		},
		Outputs: []Output{
			{"max_load", "1", ""},
			{"draft", "cm", ""},
			{"gm", "cm", ""},
			{"stable", "", ""},
			{"max_stable_load", "1", ""},
		},
		run: raft})
	register(Model{Number: 11, ID: "cell-stack", Group: "much", Main: "cells",
		Inputs: []Input{
			{Name: "emf", Label: "voltage_of_a_cell", Unit: "V", Limits: "> 0", Help: "of-one-cell"},
			{Name: "resistance", Unit: "Ω", Limits: "≥ 0", Help: "of-one-cell"},
			{Name: "threshold", Chosen: true, Unit: "V", Limits: "> 0", Help: "at-which-the-lamp-begins-to-shine"},
			{Name: "current", Unit: "A", Limits: "≥ 0", Help: "that-the-lamp-takes"},
		},
		Outputs: []Output{{"cells", "1", ""}, {"open_voltage", "V", ""}, {"loaded_voltage", "V", ""}},
		run: func(a *args) results {
			emf := a.num("emf")
			e := emf - a.num("current")*a.num("resistance")
			if e <= 0 {
				stop("current", "takes-all-the-voltage-of-a")
			}
			n := math.Max(1, math.Ceil(a.num("threshold")/e-1e-9))
			a.step("volts_of_one", "emf - current * resistance", "V")
			a.step("cells_before_rounding_up", "threshold / volts_of_one", "1")
			a.know("cells", n, "1")
			a.step("open_voltage", "cells * emf", "V")
			a.step("loaded_voltage", "cells * volts_of_one", "V")
			return results{"cells": num(n, "1"), "open_voltage": num(n*emf, "V"), "loaded_voltage": num(n*e, "V")}
		}})
}

func raft(a *args) results {
	l, w, h, m := a.num("length"), a.num("width"), a.num("height"), a.num("mass")
	one, high, n, rho := a.num("load_mass"), a.num("load_height"), a.num("loads"), a.num("water_density")
	most := math.Floor((rho*l*w*h-m)/one + 1e-9)
	if most < 0 {
		stop("mass", "the-raft-alone-sinks")
	}
	if n > most {
		stop("loads", "loads-sink-it-it-carries-at", "a", n, "b", most)
	}
	narrow := math.Min(l, w)
	at := func(n float64) (draft, gm float64) {
		total := m + n*one
		draft = total / (rho * l * w)
		return draft, draft/2 + narrow*narrow/(12*draft) - (m*h/2+n*one*(h+high/2))/total
	}
	draft, gm := at(n)
	a.know("narrow_side", narrow, "cm")
	a.step("loads_that_float", "(water_density * length * width * height - mass) / load_mass", "1")
	a.step("draft", "(mass + loads * load_mass) / (water_density * length * width)", "cm")
	a.step(
		"gm",
		"draft / 2 + narrow_side^2 / (12 * draft) - (mass * height / 2 + loads * load_mass * (height + load_height "+
			"/ 2)) / (mass + loads * load_mass)",
		"cm",
	)
	out := results{
		"max_load": num(most, "1"),
		"draft":    num(draft, "cm"),
		"gm":       num(gm, "cm"),
		"stable":   {Value: gm > 0},
	}
	if most > 1e6 {
		stop("load_mass", "is-so-small-that-more-than")
	}
	for k := 0.0; k <= most; k++ {
		if _, gm := at(k); gm <= 0 {
			break
		}
		out["max_stable_load"] = num(k, "1")
	}
	return out
}
