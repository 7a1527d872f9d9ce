package notebook

import (
	"slices"
	"sort"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
)

// State is what a slot holds.
type State string

// A slot has a value, a typed text nobody could read yet, a reason for having
// none, only spoiled tries, or nothing so far.
const (
	HasValue    State = "value"
	NeedsLook   State = "needs-reading"
	HasReason   State = "not-read"
	OnlySpoiled State = "spoiled"
	NotYet      State = "not-yet"
)

// Cell is one slot of a notebook with its present value and its history.
type Cell struct {
	Slot       design.Slot
	State      State
	Entry      *Entry // the entry that counts, or that gives the reason
	Understood Understood
	Reason     string
	History    []Line // every reading ever entered here, oldest first
}

// Line is one reading of a cell's history.
type Line struct {
	Entry      Entry
	Understood Understood
	Fate       string // "counts", "corrected", "spoiled" or "superseded"
	Reason     string // of spoiling or correcting
}

// Book is a notebook read against its design.
type Book struct {
	Design   *design.Document
	Writer   Writer
	Cells    []Cell // in the order of the design's slots
	Notes    []Entry
	Photos   []Entry // newest of each evidence last
	Done     map[string]time.Time
	Ticked   map[string]bool
	Adults   map[string]time.Time
	SentAt   *time.Time
	LastSeen time.Time
	index    map[design.Slot]int
}

// Open reads entries into a notebook. Entries may come in any order; they
// count in the order in which they were made, the later one where two speak
// of the same slot.
func Open(d *design.Document, entries []Entry, w Writer) *Book {
	b := &Book{Design: d, Writer: w, Done: map[string]time.Time{}, Ticked: map[string]bool{}, Adults: map[string]time.Time{}, index: map[design.Slot]int{}}
	for i, s := range d.Slots() {
		b.Cells = append(b.Cells, Cell{Slot: s, State: NotYet})
		b.index[s] = i
	}
	sorted := slices.Clone(entries)
	sort.SliceStable(sorted, func(i, j int) bool {
		a, c := sorted[i].Measured(), sorted[j].Measured()
		if a.Equal(c) {
			return sorted[i].ID < sorted[j].ID
		}
		return a.Before(c)
	})
	spoiled := map[string]string{}
	for _, e := range sorted {
		if e.Kind == Spoiled {
			spoiled[e.Refers] = e.Reason
		}
	}
	for i := range sorted {
		b.take(&sorted[i], spoiled)
	}
	for i := range b.Cells {
		b.Cells[i].settle()
	}
	return b
}

func (b *Book) take(e *Entry, spoiled map[string]string) {
	if e.Received.After(b.LastSeen) {
		b.LastSeen = e.Received
	}
	switch e.Kind {
	case Reading:
		i, ok := b.index[e.Slot]
		r, known := b.Design.Reading(e.Slot.Reading)
		if !ok || !known {
			return
		}
		line := Line{Entry: *e, Understood: Understand(r, e.Instrument, e.Typed, b.Writer), Fate: "counts"}
		if reason, bad := spoiled[e.ID]; bad {
			line.Fate, line.Reason = "spoiled", reason
		}
		b.Cells[i].History = append(b.Cells[i].History, line)
	case NotRead:
		if i, ok := b.index[e.Slot]; ok {
			b.Cells[i].Entry, b.Cells[i].Reason = e, e.Reason
		}
	case Photo:
		b.Photos = append(b.Photos, *e)
	case StepDone:
		if _, already := b.Done[e.Step]; !already { // a clock starts once
			b.Done[e.Step] = e.Measured()
		}
	case Tick:
		b.Ticked[e.Refers] = e.Reason != "no"
	case Adult:
		b.Adults[e.Step] = e.Measured()
	case Sent:
		at := e.Received
		b.SentAt = &at
	default:
		b.Notes = append(b.Notes, *e)
	}
}

// settle decides which line of a cell counts: the last that is not spoiled;
// earlier ones were corrected or superseded.
func (c *Cell) settle() {
	last := -1
	for i := range c.History {
		if c.History[i].Fate == "counts" {
			last = i
		}
	}
	for i := range c.History {
		if c.History[i].Fate == "counts" && i != last {
			c.History[i].Fate = "superseded"
			if c.History[last].Entry.Refers == c.History[i].Entry.ID {
				c.History[i].Fate, c.History[i].Reason = "corrected", c.History[last].Entry.Reason
			}
		}
	}
	switch {
	case last >= 0 && (c.Entry == nil || c.History[last].Entry.Measured().After(c.Entry.Measured())):
		line := &c.History[last]
		c.Entry, c.Understood, c.State, c.Reason = &line.Entry, line.Understood, NeedsLook, ""
		if line.Understood.Readable {
			c.State = HasValue
		}
		if line.Understood.Kind == quantity.Missing {
			c.State, c.Reason = HasReason, "not recorded"
		}
	case c.Entry != nil:
		c.State = HasReason
	case len(c.History) > 0:
		c.State, c.Reason = OnlySpoiled, c.History[len(c.History)-1].Reason
	}
}

// Cell finds a slot's cell; nil for a slot the design does not have.
func (b *Book) Cell(s design.Slot) *Cell {
	i, ok := b.index[s]
	if !ok {
		return nil
	}
	return &b.Cells[i]
}

// Progress is how many steps were finished, and of how many.
func (b *Book) Progress() (done, all int) {
	for _, s := range b.Design.Steps {
		if _, ok := b.Done[s.ID]; ok {
			done++
		}
	}
	return done, len(b.Design.Steps)
}

// ReadyAt is when a step's wait is over, in server time: from the end of the
// step it waits for. It reports false when there is no wait or its clock has
// not started.
func (b *Book) ReadyAt(step int) (time.Time, bool) {
	s := b.Design.Steps[step]
	if s.Wait == nil {
		return time.Time{}, false
	}
	from := s.Wait.From
	if from == "" && step > 0 {
		from = b.Design.Steps[step-1].ID
	}
	start, ok := b.Done[from]
	seconds, readable := design.Seconds(s.Wait.For)
	if !ok || !readable {
		return time.Time{}, false
	}
	return start.Add(time.Duration(seconds * float64(time.Second))), true
}
