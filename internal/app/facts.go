package app

import (
	"maps"
	"slices"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/safety"
	"patient-kitchen/internal/store"
)

// knownFacts are what each home last said of itself, in whichever experiment.
func knownFacts(rows []store.Entry) map[uuid.UUID]map[string]string {
	out := map[uuid.UUID]map[string]string{}
	said := map[uuid.UUID][]notebook.Entry{}
	for _, r := range rows {
		if e, _ := readEntry(r); e.Kind == notebook.Fact && r.HomeID != nil {
			said[*r.HomeID] = append(said[*r.HomeID], e)
		}
	}
	for home, entries := range said {
		slices.SortStableFunc(entries, func(a, b notebook.Entry) int { return a.Measured().Compare(b.Measured()) })
		out[home] = map[string]string{}
		for _, e := range entries {
			out[home][e.Refers] = e.Choice[0]
		}
	}
	return out
}

// guards are the steps of a design at which something has to be said first: an
// adult has to be there, for everybody or by what a home said of itself; a
// question about the home waits; or its answer closes the step.
func guards(d *design.Document) func(known map[string]string) notebook.Guards {
	everybody := notebook.Guards{}
	for _, j := range safety.AdultJobs(d, safety.Check(d)) {
		everybody[j.Step] = notebook.AdultNotSaid
	}
	facts := safety.Facts(d, d.Larder())
	return func(known map[string]string) notebook.Guards {
		out := maps.Clone(everybody)
		for _, f := range facts {
			if known[f.ID] != "" {
				continue
			}
			for _, s := range f.Steps {
				out[s.Step] = notebook.FactNotSaid
			}
		}
		for _, s := range safety.RaisedBy(facts, known) {
			if s.Verdict == safety.NotAtHome {
				out[s.Step] = notebook.NotHere
			} else if out[s.Step] == "" {
				out[s.Step] = notebook.AdultNotSaid
			}
		}
		return out
	}
}
