package notebook

import (
	"slices"
	"time"

	"patient-kitchen/core/quantity"
)

// held reports whether a line is kept and does not count, because a step asks for it.
func (l *Past) held() bool { return slices.Contains(Guarded, State(l.Fate)) }

// state is what a cell is whose line this is.
func (l *Past) state() (State, string) {
	u, reason := l.Understood, ""
	if u.Kind == quantity.Missing && l.Entry.Given == nil {
		reason = "not-recorded"
	}
	switch {
	case l.held():
		return State(l.Fate), reason
	case reason != "":
		return HasReason, reason
	case u.Kind == quantity.Bound && u.Message.ID == "": // of an event too
		return HasBound, ""
	case u.Readable || l.Entry.Given != nil:
		return HasValue, ""
	}
	return NeedsLook, ""
}

// settle decides which line of a cell counts: the last that is not spoiled;
// earlier ones were corrected or superseded.
func (c *Cell) settle() {
	last := -1
	stands := func(i int) bool { return c.History[i].Fate == "counts" || c.History[i].held() }
	for i := range c.History {
		if stands(i) {
			last = i
		}
	}
	for i := range c.History {
		if stands(i) && i != last {
			c.History[i].Fate = "superseded"
			if c.History[last].Entry.Refers == c.History[i].Entry.ID {
				c.History[i].Fate, c.History[i].Reason = "corrected", c.History[last].Entry.Reason
			}
		}
	}
	switch {
	case last >= 0 && (c.Entry == nil || c.History[last].Entry.Measured().After(c.Entry.Measured())):
		line := &c.History[last]
		c.Entry, c.Understood = &line.Entry, line.Understood
		c.State, c.Reason = line.state()
	case c.Entry != nil:
		c.State = HasReason
	case len(c.History) > 0:
		final := c.History[len(c.History)-1]
		c.State, c.Reason = OnlySpoiled, final.Reason
		if final.Fate == "set-aside" {
			c.State = IsAside
		}
	}
}

// first is when a cell's value was first written down: correcting a slip of the
// finger does not move it. It is zero where the teacher typed it in later.
func (c *Cell) first() time.Time {
	at := c.Entry.Measured()
	for i := range c.History {
		switch line := &c.History[i]; {
		case line.Entry.Provenance == Desk:
			return time.Time{}
		case line.Fate == "corrected" && line.Entry.Measured().Before(at):
			at = line.Entry.Measured()
		}
	}
	return at
}
