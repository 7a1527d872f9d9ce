package notebook

import (
	"slices"
	"sort"
	"strings"
	"sync"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// State is what a slot holds.
type State string

// A slot has a value, only a bound ("<5"), a typed text nobody could read yet, a reason for having
// none, only spoiled tries, one that the teacher set aside, or nothing so far;
// or a value from a guarded step,
// which is kept and does not count: an adult has to be there and none had said
// so, the home was not asked about itself, what it said closes the step, or a guardian did
// not agree to the activity.
const (
	HasValue     State = "value"
	HasBound     State = "bound"
	NeedsLook    State = "needs-reading"
	HasReason    State = "not-read"
	OnlySpoiled  State = "spoiled"
	IsAside      State = "set-aside"
	NotYet       State = "not-yet"
	AdultNotSaid State = "adult-not-said"
	FactNotSaid  State = "fact-not-said"
	NotHere      State = "not-here"
	Deeper       State = "deeper"     // nothing was given of what only those give who go deeper
	NotAgreed    State = "not-agreed" // also of a slot in which nothing was written
)

// Guarded are the states of a value that does not count because of its step.
var Guarded = []State{AdultNotSaid, FactNotSaid, NotHere, NotAgreed}

// Guards are the steps at which something is asked before what is entered
// there counts, by id: one of Guarded.
type Guards map[string]State

// Cell is one slot of a notebook with its present value and its history.
type Cell struct {
	Slot       design.Slot
	State      State
	Entry      *Entry // the entry that counts, or that gives the reason
	Understood Understood
	Reason     string
	History    []Past // every reading ever entered here, oldest first
}

// Past is one reading of a cell's history.
type Past struct {
	Entry      Entry
	Understood Understood
	Fate       string // "counts", "corrected", "spoiled", "set-aside", "superseded" or one of Guarded
	Reason     string // of spoiling or correcting
}

// Book is a notebook read against its design.
type Book struct {
	Design   *design.Document
	Writer   Writer
	Cells    []Cell // in the order of the design's slots
	Notes    []Entry
	Media    []Entry // pictures, clips and sounds; newest of each evidence last
	Done     map[string]time.Time
	Ticked   map[string]bool
	Uses     map[string]string    // by need: what the home said last that it uses instead
	Amounts  map[Portion]string   // what was really used, as typed: the last
	Names    map[string]string    // by object: what the home calls what it chose
	Adults   map[string]time.Time // by step: when an adult first said to be there
	Heaps    map[string]string    // by evidence: the heap that the teacher sorted it onto
	Vouched  map[string]string    // by step: why the teacher lets it count without
	Held     []string             // ids of guarded steps that were worked at all the same, in the order of the design
	SentAt   *time.Time
	LastSeen time.Time
	// FirstReading is when the first own reading was made.
	FirstReading time.Time
	Guards       Guards
	index        map[design.Slot]int
	once         sync.Once // what is worked out of it is, once
	derived      []Result
}

// Open reads entries into a notebook. Entries may come in any order; they
// count in the order in which they were made, the later one where two speak
// of the same slot. What is entered at a guarded step counts once an adult had
// said to be there, where that is all it waits for, or the teacher says why.
func Open(d *design.Document, entries []Entry, w Writer, guards Guards) *Book {
	b := &Book{
		Design:  d,
		Writer:  w,
		Done:    map[string]time.Time{},
		Ticked:  map[string]bool{},
		Uses:    map[string]string{},
		Amounts: map[Portion]string{},
		Names:   map[string]string{},
		Adults:  map[string]time.Time{},
		Vouched: map[string]string{},
		Heaps:   map[string]string{},
		index:   map[design.Slot]int{},
		Guards:  guards,
	}
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
	spoiled := map[string]fate{}
	for _, e := range sorted {
		switch e.Kind {
		case Spoiled:
			spoiled[e.Refers] = fate{"spoiled", e.Reason}
		case SetAside:
			spoiled[e.Refers] = fate{"set-aside", e.Reason}
		case Vouched:
			b.Vouched[e.Step] = e.Reason
		case Adult:
			if _, already := b.Adults[e.Step]; !already {
				b.Adults[e.Step] = e.Measured()
			}
		}
	}
	held := map[string]bool{}
	for i := range sorted {
		b.take(&sorted[i], spoiled)
		for _, step := range b.guarded(&sorted[i]) {
			held[step] = true
		}
	}
	for i := range b.Cells {
		b.Cells[i].settle()
		b.leaveOut(&b.Cells[i])
	}
	b.limits()
	for _, s := range d.Steps {
		if held[s.ID] {
			b.Held = append(b.Held, s.ID)
		}
	}
	return b
}

// leaveOut says of a slot without a value that it is not waited for: only those give one who
// go deeper, or all that asks for it was not agreed to.
func (b *Book) leaveOut(c *Cell) {
	if c.State != NotYet {
		return
	}
	if r, ok := b.Design.Reading(c.Slot.Reading); ok && r.Deeper {
		c.State = Deeper
	}
	if len(b.Guards) == 0 {
		return
	}
	takers := b.takers(c.Slot)
	if len(takers) > 0 && !slices.ContainsFunc(takers, func(s string) bool { return b.Guards[s] != NotAgreed }) {
		c.State = NotAgreed
	}
}

// fate is what became of a reading, and why.
type fate struct{ what, why string }

// guarded lists the steps at which an entry was made although something had to
// be said first and was not by then. A reading that names no step, or one that
// does not take it, is of the steps that do.
func (b *Book) guarded(e *Entry) []string {
	if len(b.Guards) == 0 || e.Provenance == Desk || slices.Contains(unguarded, e.Kind) {
		return nil
	}
	steps := []string{e.Step}
	if e.Kind == Reading || e.Kind == NotRead {
		if takers := b.takers(e.Slot); !slices.Contains(takers, e.Step) {
			steps = takers
		}
	}
	return slices.DeleteFunc(steps, func(id string) bool {
		guard, on := b.Guards[id]
		said, ok := b.Adults[id]
		return !on || b.Vouched[id] != "" || guard == AdultNotSaid && ok && !said.After(e.Measured())
	})
}

// unguarded are the kinds of entry that do nothing which something has to be said before.
var unguarded = []Kind{Adult, Fact, Vouched, Heaped, Tick, Swapped, Named, Sent, Spoiled}

// takers are the steps in which a slot's reading is taken.
func (b *Book) takers(slot design.Slot) []string {
	var out []string
	for _, s := range b.Design.Steps {
		if slices.ContainsFunc(s.Takes, func(t design.Take) bool { return t.Has(slot) }) {
			out = append(out, s.ID)
		}
	}
	return out
}

// understand is what a reading's entry comes to as a number, if it is one.
func (b *Book) understand(r *design.Reading, e *Entry) Understood {
	switch {
	case e.Given == nil:
		return Understand(r, e.Instrument, e.Typed, b.Writer)
	case r.Sort() == design.CountKind:
		return counted(r, e.Given, b.Writer)
	case r.Sort() == design.EventKind:
		return timed(r, e.Given)
	case r.Sort() == design.PositionKind:
		return placed(r, e.Given)
	}
	return Understood{Checks: e.Given.round(b.Design, r)}
}

func (b *Book) take(e *Entry, spoiled map[string]fate) {
	if e.Provenance != Desk && e.Received.After(b.LastSeen) {
		b.LastSeen = e.Received
	}
	switch e.Kind {
	case Reading:
		b.takeReading(e, spoiled)
	case NotRead:
		if i, ok := b.index[e.Slot]; ok {
			b.Cells[i].Entry, b.Cells[i].Reason = e, e.Reason
		}
	case Photo, Recorded:
		b.Media = append(b.Media, *e)
	case StepDone:
		if _, already := b.Done[e.Step]; !already { // a clock starts once
			b.Done[e.Step] = e.Measured()
		}
	case Tick:
		b.Ticked[e.Refers] = e.Reason != "no"
	case Named, Swapped, Used, Heaped:
		b.takeSaid(e)
	case Adult, Fact, Vouched, SetAside, Asked: // read before, or for the page alone
	case Sent:
		at := e.Received
		b.SentAt = &at
	default:
		b.Notes = append(b.Notes, *e)
	}
}

// takeSaid keeps what was said last of a thing, or of what was shown.
func (b *Book) takeSaid(e *Entry) {
	switch e.Kind {
	case Named:
		b.Names[e.Refers] = strings.TrimSpace(e.Text)
	case Swapped:
		b.Uses[e.Refers] = e.Choice[0]
	case Used:
		b.Amounts[Portion{e.Refers, e.Slot.Condition}] = e.Typed
	case Heaped:
		if b.Heaps[e.Evidence] = e.Choice[0]; e.Choice[0] == NoHeap {
			delete(b.Heaps, e.Evidence)
		}
	}
}

// takeReading puts a reading into the history of its cell; one of a slot that the design
// does not have is left out.
func (b *Book) takeReading(e *Entry, spoiled map[string]fate) {
	i, ok := b.index[e.Slot]
	r, known := b.Design.Reading(e.Slot.Reading)
	if !ok || !known {
		return
	}
	if e.Provenance != Desk && e.Provenance != Shared &&
		(b.FirstReading.IsZero() || e.Measured().Before(b.FirstReading)) {
		b.FirstReading = e.Measured()
	}
	settled := *e
	settled.Given = e.Given.settled()
	e = &settled
	line := Past{Entry: *e, Understood: b.understand(r, e), Fate: "counts"}
	if f, bad := spoiled[e.ID]; bad {
		line.Fate, line.Reason = f.what, f.why
	} else if steps := b.guarded(e); len(steps) > 0 {
		line.Fate = string(b.Guards[steps[0]])
	}
	b.Cells[i].History = append(b.Cells[i].History, line)
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
		if b.Guards[s.ID] == NotAgreed {
			continue
		}
		all++
		if _, ok := b.Done[s.ID]; ok {
			done++
		}
	}
	return done, all
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

// Said is an answer to a question.
type Said struct {
	Entry      *Entry
	AfterStart bool // a prediction that by the phone's own times came after a first reading
}

// Said is what a home answered to a question: the first answer of a prediction,
// the last one of any other question.
func (b *Book) Said(question string) (Said, bool) {
	before := false
	for _, q := range b.Design.Questions {
		before = before || q.ID == question && q.When == "before"
	}
	var out Said
	for i := range b.Notes {
		e := &b.Notes[i]
		if e.Kind == Answer && e.Question == question && (out.Entry == nil || !before) {
			out.Entry = e
		}
	}
	if out.Entry == nil {
		return out, false
	}
	out.AfterStart = before && !b.FirstReading.IsZero() && out.Entry.Measured().After(b.FirstReading)
	return out, true
}

// Words are what a cell holds, as somebody reads it: as typed, without its doubt,
// or what was given in words.
func (c *Cell) Words(d *design.Document, language string) string {
	if c.Entry == nil {
		return ""
	}
	if r, ok := d.Reading(c.Slot.Reading); ok && c.Entry.Given != nil {
		return text.Render(c.Entry.Given.Said(d, r), language)
	}
	q := c.Understood.Value
	q.U = 0
	return q.Show(language)
}
