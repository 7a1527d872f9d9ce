package safety

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// clearingPlaces are where things go when clearing up, the strictest first.
var clearingPlaces = []string{"none", "cells", "put-back", "bin", "sink"}

// Clearing is one list for clearing up: each thing stands in one place, the
// strictest of what it is and of what shares its vessel at the end.
type Clearing struct {
	Places map[string]string // by the id of the need
	Lines  []text.Message    // in the order in which it is done
}

// stricter reports whether some thing has to go where less may go than into a place.
func (c Clearing) stricter(than string) bool {
	at := slices.Index(clearingPlaces, than)
	for _, place := range c.Places {
		if i := slices.Index(clearingPlaces, place); i >= 0 && i < at {
			return true
		}
	}
	return false
}

// clearing works the list out from the findings and from what is in which
// vessel at the end.
func (j *judge) clearing(findings []Hazard) Clearing {
	c := Clearing{Places: map[string]string{}}
	for _, f := range findings {
		j.clearFinding(&c, f)
	}
	fizzes := j.clearVessels(&c)
	if slices.ContainsFunc(findings, func(f Hazard) bool { return f.Clear == "cool" }) {
		c.Lines = append(c.Lines, text.M("safety.clear.cool"))
	}
	for _, place := range slices.Backward(clearingPlaces) {
		var things text.List
		wait := false
		for i := range j.d.Needs {
			if n := &j.d.Needs[i]; c.Places[n.ID] == place {
				things = append(things, text.M("safety.thing", "thing", n.Name))
				wait = wait || fizzes[n.ID]
			}
		}
		if len(things) == 0 {
			continue
		}
		id := "safety.clear." + place
		if place == "sink" && wait {
			id = "safety.clear.sink-fizz"
		}
		c.Lines = append(c.Lines, text.M(id, "things", things))
	}
	return c
}

// clearFinding puts the things of a finding where its rule says.
func (j *judge) clearFinding(c *Clearing, f Hazard) {
	if f.Said != nil || !slices.Contains(clearingPlaces, f.Clear) || f.Clear == "none" && len(f.Needs) > 1 {
		return // what may not meet is put away thing by thing
	}
	for _, id := range f.Needs {
		n, ok := j.d.Need(id)
		if !ok {
			continue
		}
		if m, known := j.material(n); known && f.Clear == "sink" && !m.Is("matter", "stuff") {
			continue // a vessel or a tool is washed, not poured away
		}
		c.Places[id] = stricter(c.Places[id], f.Clear)
	}
}

// clearVessels puts what is together in a vessel at the end in one place, the strictest
// of its things, and gives the needs that fizz there.
func (j *judge) clearVessels(c *Clearing) (fizzes map[string]bool) {
	fizzes = map[string]bool{}
	for i := range j.vessels {
		v := &j.vessels[i]
		if len(v.states) == 0 {
			continue
		}
		last := slices.DeleteFunc(slices.Clone(v.states[len(v.states)-1].holds), func(x content) bool {
			return !x.material.Is("matter", "stuff")
		})
		place := ""
		for _, x := range last {
			if p := c.Places[x.need.ID]; p != "none" {
				place = stricter(place, p)
			}
		}
		gas := len(gasFrom(v.states[len(v.states)-1].holds)) > 0
		for _, x := range last {
			fizzes[x.need.ID] = fizzes[x.need.ID] || gas
			if place != "" {
				c.Places[x.need.ID] = stricter(c.Places[x.need.ID], place)
			}
		}
	}
	return fizzes
}

// stricter is the stricter of two places; "" is none yet.
func stricter(a, b string) string {
	switch {
	case a == "":
		return b
	case b == "":
		return a
	case slices.Index(clearingPlaces, b) < slices.Index(clearingPlaces, a):
		return b
	}
	return a
}

// ClearUp says how to clear up what a finding comes from, by the one list; the
// empty message where there is nothing to say.
func (c Clearing) ClearUp(d *design.Document, f Hazard) text.Message {
	place := ""
	var things text.List
	for _, id := range f.Needs {
		if p := c.Places[id]; p != "" {
			place = stricter(place, p)
		}
	}
	for _, id := range f.Needs {
		if n, ok := d.Need(id); ok && place != "" && c.Places[id] == place {
			things = append(things, text.Message{ID: "safety.thing", Args: text.Args{"thing": n.Name}})
		}
	}
	switch {
	case len(things) > 0:
		return text.Message{ID: "safety.clear." + place, Args: text.Args{"things": things}}
	case f.Clear == "cool" || f.Clear == "put-back":
		return text.Message{ID: "safety.clear." + f.Clear}
	}
	return text.Message{}
}
