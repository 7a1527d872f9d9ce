package design

import (
	"fmt"
)

// What a design holds at most. Read refuses more before anything of it is
// worked out: a number typed with a digit too many must not take a school's
// server down.
const (
	MaxSteps      = 200
	MaxConditions = 12
	MaxTrials     = 20
	MaxTimes      = 200 // of one reading
	MaxSlots      = 5000
	maxParts      = 200 // of any other list
	maxActions    = 60  // of one step
	maxQualities  = 30  // of one need
)

// BoundError says which part of a design is too large.
type BoundError struct {
	Path string // JSON Pointer
	What string
	N    int
	Most int
}

func (e *BoundError) Error() string {
	return fmt.Sprintf("%s: has %d %s; a design has at most %d", e.Path, e.N, e.What, e.Most)
}

// bounds finds the first part that is too large. It counts, and expands
// nothing.
func (d *Document) bounds() error {
	var first error
	most := func(path, what string, n, most int) {
		if first == nil && n > most {
			first = &BoundError{path, what, n, most}
		}
	}
	most("/trials", "trials", d.Trials, MaxTrials)
	most("/conditions", "conditions", len(d.Conditions), MaxConditions)
	most("/stages", "stages", len(d.Stages), MaxStages)
	most("/objects", "sorts of objects", len(d.Objects), maxSorts)
	objects := 0
	for i, o := range d.Objects {
		most(fmt.Sprintf("/objects/%d/count", i), "objects", o.Count, MaxObjects)
		most(fmt.Sprintf("/objects/%d/limits", i), "limits", len(o.Limits), maxQualities)
		objects += min(max(1, o.Count), MaxObjects)
	}
	most("/steps", "steps", len(d.Steps), MaxSteps)
	for _, part := range []struct {
		path string
		n    int
	}{
		{"/needs", len(d.Needs)}, {"/readings", len(d.Readings)}, {"/derived", len(d.Derived)},
		{"/constants", len(d.Constants)}, {"/expectations", len(d.Expectations)}, {"/evidence", len(d.Evidence)},
		{"/questions", len(d.Questions)},
		{"/mistakes", len(d.Mistakes)}, {"/materials", len(d.Materials)}, {"/swaps", len(d.Swaps)},
		{"/cautions", len(d.Cautions)}, {"/lowered", len(d.Lowered)},
		{"/kept", len(d.Kept)}, {"/measured", len(d.Measured)}, {"/languages", len(d.Languages)},
		{"/sections", len(d.Sections)}, {"/activities", len(d.Activities)},
		{"/crew", len(d.Crew)}, {"/reduced", len(d.Reduced)},
		{"/stands_for", len(d.StandsFor)}, {"/limits", len(d.Limits)},
		{"/teaching/vocabulary", len(d.Teaching.Vocabulary)},
		{"/teaching/counts", len(d.Teaching.Counts)}, {"/teaching/misconceptions", len(d.Teaching.Misconceptions)},
		{"/teaching/sources", len(d.Teaching.Sources)}, {"/printables", len(d.Printables)},
	} {
		most(part.path, "entries", part.n, maxParts)
	}
	takes := 0
	for i, s := range d.Steps {
		at := fmt.Sprintf("/steps/%d", i)
		takes += len(s.Takes)
		most(at+"/actions", "actions", len(s.Actions), maxActions)
		most(at+"/helps", "helps", len(s.Helps), maxQualities)
		most(at+"/uses", "things", len(s.Uses), maxParts)
		most(at+"/takes", "readings", takes, MaxSlots)
	}
	for i, e := range d.Evidence {
		most(fmt.Sprintf("/evidence/%d/places", i), "places", len(e.Places), maxParts)
		most(fmt.Sprintf("/evidence/%d/instead", i), "kinds", len(e.Instead), len(EvidenceKinds))
	}
	for i, n := range d.Needs {
		most(fmt.Sprintf("/needs/%d/qualities", i), "qualities", len(n.Qualities), maxQualities)
		most(fmt.Sprintf("/needs/%d/barred", i), "things", len(n.Barred), maxParts)
		most(fmt.Sprintf("/needs/%d/instead", i), "texts", len(n.Instead), maxParts)
	}
	slots := 0
	for i, r := range d.Readings {
		most(fmt.Sprintf("/readings/%d/times", i), "planned times", len(r.Times), MaxTimes)
		most(fmt.Sprintf("/readings/%d/instruments", i), "tools", len(r.Instruments), maxParts)
		most(fmt.Sprintf("/readings/%d/levels", i), "levels", len(r.Levels), maxParts)
		most(fmt.Sprintf("/readings/%d/options", i), "options", len(r.Options), maxParts)
		most(fmt.Sprintf("/readings/%d/things", i), "things", len(r.Things), maxParts)
		most(fmt.Sprintf("/readings/%d/stages", i), "stages", len(r.Stages), maxParts)
		most(fmt.Sprintf("/readings/%d/zones", i), "zones", len(r.Zones), maxParts)
		most(fmt.Sprintf("/readings/%d/senses", i), "senses", len(r.Senses), len(Senses))
		for sense, words := range r.Senses {
			most(fmt.Sprintf("/readings/%d/senses/%s", i, sense), "words", len(words), maxParts)
		}
		most(fmt.Sprintf("/readings/%d/trials", i), "trials", r.Trials, MaxTrials)
		parts := 1
		for _, of := range []struct {
			each bool
			n    int
		}{{r.PerCondition(), len(d.Conditions)}, {r.PerObject(), objects}, {r.PerStage(), len(d.Stages)}} {
			if of.each {
				parts *= max(1, of.n)
			}
		}
		slots += parts * max(1, len(r.Times)) * min(d.TrialsOf(&r), MaxTrials)
	}
	most("/readings", "values to read", slots, MaxSlots)
	return first
}
