package notebook

import (
	"slices"
	"strings"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// Kind is what an entry records.
type Kind string

// The kinds of entry.
const (
	Reading     Kind = "reading"     // a value as typed, for a slot
	Observation Kind = "observation" // words, for a step or an evidence
	Answer      Kind = "answer"      // to a question; predictions are answers to questions asked before
	Tick        Kind = "tick"        // a need is there (Refers: need id)
	StepDone    Kind = "step-done"   // a step was finished; starts the clocks of later waits
	Spoiled     Kind = "spoiled"     // the reading in Refers was spoiled (Reason)
	NotRead     Kind = "not-read"    // a slot stays without a value (Reason)
	Photo       Kind = "photo"       // the picture in Refers, for an evidence
	Recorded    Kind = "recording"   // the clip or sound in Refers, for an evidence
	Sent        Kind = "sent"        // the home handed its work in
	Adult       Kind = "adult"       // an adult says to be there, at a step
	Fact        Kind = "fact"        // what the home says of itself (Refers: the fact; Choice: yes or no)
	Swapped     Kind = "swap"        // what the home uses for the need in Refers instead (Choice: the thing)
	// how much of the need in Refers was really taken (Typed), in a condition or in all
	Used     Kind = "used"
	Named    Kind = "named"     // what the home calls the object in Refers that it chose (Text)
	Vouched  Kind = "vouched"   // the teacher says why a step counts without that (Reason)
	SetAside Kind = "set-aside" // the teacher lets the reading in Refers not count (Reason)
	Asked    Kind = "asked"     // the teacher asks back about the reading in Refers (Text)
	Heaped   Kind = "heap"      // the teacher sorts what was shown for Evidence onto a heap (Choice: one of Heaps)
)

// Hers are the kinds that only the teacher writes.
var Hers = []Kind{Vouched, SetAside, Asked, Heaped}

// Heaps are those that a teacher sorts what homes showed onto; NoHeap takes it off again.
var Heaps = []string{design.Yes, design.Partly, design.No, CannotTell, NoHeap}

// What stands beside the three answers.
const (
	CannotTell = "cannot-tell"
	NoHeap     = "none"
)

// Kinds are all kinds of entry.
var Kinds = []Kind{
	Reading,
	Observation,
	Answer,
	Tick,
	StepDone,
	Spoiled,
	NotRead,
	Photo,
	Recorded,
	Sent,
	Adult,
	Fact,
	Swapped,
	Used,
	Named,
	Vouched,
	SetAside,
	Asked,
	Heaped,
}

// Provenance says whose measurement an entry is.
type Provenance string

// Own is the home's, Shared the teacher's own measurement, Practice counts for
// nothing.
const (
	Own      Provenance = "own"
	Shared   Provenance = "shared"
	Practice Provenance = "practice"
	Desk     Provenance = "desk" // the teacher's, for a home
)

// MaxName is how many signs the name of an object has at most.
const MaxName = 24

// Entry is one line of a notebook. Which fields are set depends on the kind.
type Entry struct {
	ID         string
	Kind       Kind
	Provenance Provenance
	Step       string
	Slot       design.Slot // of a reading or a slot not read
	Typed      string      // the value exactly as typed
	Given      *Given      // of a reading that is no quantity
	Instrument string
	Question   string
	Evidence   string
	Text       string
	Choice     []string // answers to choice and order questions
	Refers     string   // a superseded or spoiled entry, a need, a picture
	Reason     string
	PhoneTime  time.Time     // by the phone's clock
	Offset     time.Duration // server minus phone, as last measured
	Received   time.Time     // by the server's clock
	Late       bool          // came after the due time
}

// Measured is when the entry was made, in server time: the phone's time moved
// by its last known offset, and never after it was received.
func (e *Entry) Measured() time.Time {
	if e.PhoneTime.IsZero() {
		return e.Received
	}
	t := e.PhoneTime.Add(e.Offset)
	if !e.Received.IsZero() && t.After(e.Received) {
		return e.Received
	}
	return t
}

// ClockJump reports whether an entry's phone and server times differ by more
// than two minutes in a way that its offset does not explain, for one that
// was not just waiting for a connection: a time in the future.
func (e *Entry) ClockJump() bool {
	return !e.PhoneTime.IsZero() && e.PhoneTime.Add(e.Offset).Sub(e.Received) > 2*time.Minute
}

// Problem is why an entry cannot be taken for a design: the field, the rule
// broken, and an example that would do.
type Problem struct {
	Field   string
	Rule    text.Message
	Example string
}

func rule(code string) text.Message { return text.Message{ID: "notebook.rule." + code} }

// Fits checks that an entry speaks of things the design has. It returns nil
// when it does.
func Fits(d *design.Document, e *Entry) *Problem {
	if !slices.Contains(Kinds, e.Kind) {
		return &Problem{"kind", rule("entry-kind"), string(Reading)}
	}
	if _, ok := d.Step(e.Step); !ok && e.Step != "" {
		return &Problem{"step", rule("step"), firstID(len(d.Steps), func(i int) string { return d.Steps[i].ID })}
	}
	if check, ok := fits[e.Kind]; ok {
		return check(d, e)
	}
	return nil
}

// fits are what an entry of a kind has to say; the other kinds say nothing more.
var fits = map[Kind]func(d *design.Document, e *Entry) *Problem{
	Reading: func(d *design.Document, e *Entry) *Problem {
		if p := hasSlot(d, e); p != nil {
			return p
		}
		r, _ := d.Reading(e.Slot.Reading)
		return suits(d, r, e)
	},
	NotRead: func(d *design.Document, e *Entry) *Problem {
		if p := hasSlot(d, e); p != nil || e.Reason != "" {
			return p
		}
		return &Problem{"reason", rule("no-value"), "forgot"}
	},
	Answer: func(d *design.Document, e *Entry) *Problem {
		if q, ok := d.QuestionOf(e.Question); ok {
			return answers(d, q, e)
		}
		return &Problem{
			"question",
			rule("question"),
			firstID(len(d.Questions), func(i int) string { return d.Questions[i].ID }),
		}
	},
	Photo:       pictured,
	Recorded:    recorded,
	Observation: observed,
	Spoiled: says(func(e *Entry) []string { return []string{e.Refers, e.Reason} },
		Problem{"reason", rule("spoiled"), "spilled"}),
	Vouched: says(func(e *Entry) []string { return []string{e.Step, e.Reason} },
		Problem{"reason", rule("vouched"), "Grandma told me on the phone that she was there"}),
	SetAside: says(func(e *Entry) []string { return []string{e.Refers, e.Reason} },
		Problem{"reason", rule("set-aside"), "The ruler was upside down on the photo"}),
	Asked: says(func(e *Entry) []string { return []string{e.Refers, e.Text} },
		Problem{"text", rule("asked"), "Did you read millimetres or centimetres?"}),
	Fact: func(_ *design.Document, e *Entry) *Problem {
		if e.Refers == "" || len(e.Choice) != 1 || e.Choice[0] != "yes" && e.Choice[0] != "no" {
			return &Problem{"choice", rule("fact"), "no"}
		}
		return nil
	},
	Swapped: func(d *design.Document, e *Entry) *Problem {
		if _, ok := d.Need(e.Refers); !ok || len(e.Choice) != 1 || e.Choice[0] == "" {
			return &Problem{"choice", rule("swap"), "lemon-juice"}
		}
		return nil
	},
	Used: func(d *design.Document, e *Entry) *Problem {
		n, ok := d.Need(e.Refers)
		if !ok || n.Symbol == "" {
			return &Problem{"refers", rule("used"), firstSymbolled(d)}
		}
		if c := e.Slot.Condition; c != "" &&
			!(n.PerCondition && slices.ContainsFunc(d.Conditions, func(x design.Condition) bool {
				return x.ID == c
			})) {
			return &Problem{"slot", rule("used-where"), firstID(len(d.Conditions), func(i int) string {
				return d.Conditions[i].ID
			})}
		}
		if strings.TrimSpace(e.Typed) == "" {
			return &Problem{"typed", rule("used-amount"), n.Amount}
		}
		return nil // what cannot be read is asked about, as in a reading
	},
	Named: func(d *design.Document, e *Entry) *Problem {
		ids := d.ObjectIDs()
		if !slices.Contains(ids, e.Refers) {
			return &Problem{"refers", rule("object"), firstID(len(ids), func(i int) string { return ids[i] })}
		}
		if n := len([]rune(strings.TrimSpace(e.Text))); n == 0 || n > MaxName {
			return &Problem{"text", rule("object-name"), "tea tin"}
		}
		return nil
	},
	Heaped: func(d *design.Document, e *Entry) *Problem {
		if len(e.Choice) != 1 || !slices.Contains(Heaps, e.Choice[0]) {
			return &Problem{"choice", rule("heap"), design.Yes}
		}
		return pictured(d, e)
	},
	StepDone: hasStep,
	Adult:    hasStep,
}

// says asks that none of an entry's texts is empty.
func says(texts func(e *Entry) []string, p Problem) func(*design.Document, *Entry) *Problem {
	return func(_ *design.Document, e *Entry) *Problem {
		for _, t := range texts(e) {
			if strings.TrimSpace(t) == "" {
				return &p
			}
		}
		return nil
	}
}

func hasSlot(d *design.Document, e *Entry) *Problem {
	slots := d.Slots()
	if slices.Contains(slots, e.Slot) {
		return nil
	}
	return &Problem{"slot", rule("slot"), firstID(len(slots), func(i int) string {
		return slots[i].Reading + " " + slots[i].Condition + " " + slots[i].Time
	})}
}

func hasStep(d *design.Document, e *Entry) *Problem {
	if e.Step != "" {
		return nil
	}
	return &Problem{"step", rule("step"), firstID(len(d.Steps), func(i int) string { return d.Steps[i].ID })}
}

// firstSymbolled is the first need whose amount goes into formulas.
func firstSymbolled(d *design.Document) string {
	for _, n := range d.Needs {
		if n.Symbol != "" {
			return n.ID
		}
	}
	return ""
}

func firstID(n int, id func(int) string) string {
	if n == 0 {
		return ""
	}
	return id(0)
}

// answers checks an answer against its question's kind: never empty, never an
// option that is not there.
func answers(d *design.Document, q *design.Question, e *Entry) *Problem {
	options := d.OptionsOf(q)
	known := func(id string) bool {
		return slices.ContainsFunc(options, func(o design.Choice) bool { return o.ID == id })
	}
	example := firstID(len(options), func(i int) string { return options[i].ID })
	switch q.Kind {
	case "choice":
		if len(e.Choice) != 1 || !known(e.Choice[0]) {
			return &Problem{"choice", rule("option"), example}
		}
	case "order":
		seen := map[string]bool{}
		for _, id := range e.Choice {
			if !known(id) || seen[id] {
				return &Problem{"choice", rule("options"), example}
			}
			seen[id] = true
		}
		if len(e.Choice) != len(options) {
			return &Problem{"choice", rule("options"), example}
		}
	default:
		if strings.TrimSpace(e.Text) == "" {
			return &Problem{"text", rule("says-something"), "I think so because it is the softest"}
		}
	}
	return nil
}
