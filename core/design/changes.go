package design

import (
	"encoding/json"
	"slices"

	"patient-kitchen/core/text"
)

// ChangedSince says what a family has to look at that did an earlier version: steps that
// are new or other, by their present numbers; things that are new, are wanted otherwise or
// are no longer; what is measured otherwise. Nothing where nothing of it changed.
func ChangedSince(before, now *Document) []text.Message {
	var out []text.Message
	say := func(id string, list text.List) {
		if len(list) > 0 {
			out = append(out, text.M(id, "list", list))
		}
	}
	say("design.changes.steps", changedSteps(before, now))
	say("design.changes.steps-gone", leftOut(before.Steps, now.Steps, func(s Step) (string, text.Localized) {
		return s.ID, s.Title
	}))
	say("design.changes.needs", changedNeeds(before, now))
	say("design.changes.needs-gone", leftOut(before.Needs, now.Needs, func(n Need) (string, text.Localized) {
		return n.ID, n.Name
	}))
	var readings text.List
	for i := range now.Readings {
		r := &now.Readings[i]
		if had, ok := before.Reading(r.ID); !ok || !same(*had, *r) {
			readings = append(readings, text.M("design.changes.name", "name", r.Name))
		}
	}
	say("design.changes.readings", readings)
	return out
}

func changedSteps(before, now *Document) text.List {
	var steps text.List
	for i, s := range now.Steps {
		at, had := before.Step(s.ID)
		switch {
		case !had:
			steps = append(steps, text.M("design.changes.step-new", "n", i+1, "title", s.Title))
		case !same(before.Steps[at], s):
			steps = append(steps, text.M("design.changes.step", "n", i+1, "title", s.Title))
		}
	}
	return steps
}

func changedNeeds(before, now *Document) text.List {
	var needs text.List
	for i := range now.Needs {
		n := &now.Needs[i]
		if had, ok := before.Need(n.ID); ok && same(*had, *n) {
			continue
		}
		id := "design.changes.need"
		if n.Amount != "" {
			id = "design.changes.need-amount"
		}
		needs = append(needs, text.M(id, "name", n.Name, "amount", n.Amount))
	}
	return needs
}

// leftOut names what an earlier list had and a later one has no more.
func leftOut[T any](before, now []T, of func(T) (string, text.Localized)) (out text.List) {
	for _, was := range before {
		id, name := of(was)
		if !slices.ContainsFunc(now, func(x T) bool { other, _ := of(x); return other == id }) {
			out = append(out, text.M("design.changes.name", "name", name))
		}
	}
	return out
}

// same reports whether two parts are written alike in a file.
func same(a, b any) bool {
	x, err := json.Marshal(a)
	y, failed := json.Marshal(b)
	return err == nil && failed == nil && string(x) == string(y)
}
