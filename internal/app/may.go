package app

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/sheets"
)

// mayIn lists the standings, as the database words them, in which a home may
// make an entry.
func mayIn(d *issued, f entries.EntryFields) []string {
	var may []string
	for _, state := range []string{"asked", "granted", "declined", "withdrawn", "lapsed"} {
		for _, photos := range []bool{false, true} {
			p := sheets.PermissionView{State: state, Photos: photos}
			if d.Way == design.WatchShared {
				p.State = "watching"
			}
			if mayWrite(p, f) == nil {
				may = append(may, store.Standing(state, photos))
			}
		}
	}
	return may
}

// activity is the short activity in which an entry is made: that in which its reading is taken
// or its evidence collected, whatever step it names; else that of its step. "" where it is made
// in none, or in any.
func activity(d *design.Document, f entries.EntryFields) string {
	kind := notebook.Kind(f.Kind)
	if kind == notebook.Reading || kind == notebook.NotRead {
		if a, ok := d.TakenIn(f.Slot()); ok {
			return a.ID
		}
	}
	if steps := d.StepsOf(f.Evidence); f.Evidence != "" && !slices.Contains(steps, f.Step) && len(steps) > 0 {
		f.Step = steps[0]
	}
	if a, ok := d.ActivityOf(f.Step); ok {
		return a.ID
	}
	return ""
}

var errRecalled = &refusal.Refused{Code: "recalled"}

// mayWrite decides whether a home may make an entry with its present
// permission: ticks, what it uses and what it says of itself always; words once it declined,
// and where it can only watch; everything once granted, pictures only when they
// were agreed to.
func mayWrite(p sheets.PermissionView, f entries.EntryFields) error {
	kind := notebook.Kind(f.Kind)
	words := kind == notebook.Answer || kind == notebook.Observation || kind == notebook.Sent || kind == notebook.Tick
	switch {
	case slices.Contains(notebook.Hers, kind):
		return &refusal.Refused{Code: "no-permission", Words: refusal.Why("no-permission.teacher")}
	case p.State == "watching":
		if kind == notebook.Tick || !words {
			return errWatchOnly
		}
		return nil
	case kind == notebook.Tick || kind == notebook.Fact || kind == notebook.Swapped:
		return nil
	case p.State == "declined" && words:
		return nil
	case p.State != "granted":
		return &refusal.Refused{Code: "no-permission"}
	case (kind == notebook.Photo || kind == notebook.Recorded) && !p.Photos:
		return &refusal.Refused{Code: "no-photos"}
	}
	return nil
}
