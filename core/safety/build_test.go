package safety_test

import (
	"fmt"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// plan builds a design from lines such as
//
//	vinegar: vinegar-white 5 % 100 mL
//	pour: pour, stir with vinegar soda in bag closed at 50 °C wait 2 h
//
// before a line of dashes come the needs, after it the steps.
func plan(lines string) *design.Document {
	d := &design.Document{
		Schema:    2,
		AgeBand:   "11-13",
		Way:       design.PredictThenTry,
		Languages: []string{"en", "es"},
		Trials:    1,
	}
	steps := false
	for _, line := range strings.Split(lines, "\n") {
		line = strings.TrimSpace(line)
		switch {
		case line == "":
			continue
		case line == "---":
			steps = true
			continue
		}
		id, rest, ok := strings.Cut(line, ": ")
		switch {
		case !ok:
			panic("no name in " + line)
		case id == "age":
			d.AgeBand = design.AgeBand(rest)
		case id == "outdoors":
			d.Outdoors = true
		case !steps:
			d.Needs = append(d.Needs, need(id, rest))
		default:
			d.Steps = append(d.Steps, step(d, id, rest))
		}
	}
	return d
}

func need(id, rest string) design.Need {
	n := design.Need{ID: id, Name: text.Localized{"en": "the " + id}, Kind: design.MaterialNeed}
	words := strings.Fields(rest)
	switch words[0] {
	case "object", "person", "place":
		n.Kind = design.NeedKind(words[0])
		if len(words) > 1 {
			n.Name["en"] = strings.Join(words[1:], " ")
		}
		return n
	case "unsaid":
		n.Kind = ""
		return n
	}
	n.Material = words[0]
	words = words[1:]
	for len(words) > 0 {
		switch {
		case words[0] == "as":
			n.Role, words = words[1], words[2:]
		case words[0] == "weighed":
			n.Weighed, words = true, words[1:]
		case len(words) > 1 && (words[1] == "%" || words[1] == "volumes"):
			var v float64
			fmt.Sscanf(words[0], "%g", &v)
			n.Strength = &design.Strength{
				Value: v,
				Basis: map[string]string{"%": "w/v", "volumes": "volumes"}[words[1]],
			}
			words = words[2:]
		default:
			k := min(2, len(words)) // a number and its unit, or a number of pieces
			n.Amount, words = strings.Join(words[:k], " "), words[k:]
		}
	}
	return n
}

func step(d *design.Document, id, rest string) design.Step {
	s := design.Step{ID: id, Kind: "do", Title: text.Localized{"en": id}}
	take := func(word string, stop ...string) string {
		_, after, ok := strings.Cut(" "+rest+" ", " "+word+" ")
		if !ok {
			return ""
		}
		for _, w := range stop {
			if before, _, ok := strings.Cut(after, " "+w+" "); ok {
				after = before
			}
			after = strings.TrimPrefix(after, w+" ")
		}
		return strings.TrimSpace(after)
	}
	stops := []string{"with", "in", "closed", "at", "wait", "volts", "kind", "photo", "takes"}
	first := rest
	for _, w := range stops {
		if before, _, ok := strings.Cut(" "+first+" ", " "+w+" "); ok {
			first = strings.TrimSpace(before)
		}
	}
	for _, a := range strings.Split(first, ",") {
		if a = strings.TrimSpace(a); a != "" && a != "-" {
			s.Actions = append(s.Actions, a)
		}
	}
	s.Uses = strings.Fields(take("with", stops[1:]...))
	s.In = take("in", stops[2:]...)
	s.Closed = strings.Contains(" "+rest+" ", " closed ")
	s.Heat = take("at", stops[4:]...)
	if w := take("wait", stops[5:]...); w != "" {
		s.Wait = &design.Wait{For: w}
	}
	s.Voltage = take("volts", stops[6:]...)
	if k := take("kind", stops[7:]...); k != "" {
		s.Kind = design.StepKind(k)
	}
	if strings.Contains(" "+rest+" ", " photo ") {
		d.Evidence = append(d.Evidence, design.Evidence{ID: "photo", Kind: "photo"})
		s.Evidence = []string{"photo"}
	}
	if r := take("takes"); r != "" {
		s.Takes = []design.Take{{Reading: r}}
		d.Readings = append(d.Readings, design.Reading{ID: r})
	}
	return s
}
