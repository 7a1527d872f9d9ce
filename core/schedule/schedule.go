package schedule

import (
	"time"

	"patient-kitchen/core/design"
)

// Timeline is a design to time, from the start of the first step.
type Timeline struct {
	Steps []Span
	Hands time.Duration // time in which hands are busy
	Total time.Duration // from the first step's start to the last one's end
}

// Span is one step on the timeline.
type Span struct {
	Step  string
	Start time.Duration // when it can begin, after its wait
	End   time.Duration
	Wait  time.Duration // time between the end of the step before and Start
}

// foldFrom is the wait from which on it is drawn at one width, whatever its length:
// half an hour beside steps of minutes would leave them no room.
const foldFrom = 30 * time.Minute

// Folded reports whether the wait before a step is drawn folded.
func (s Span) Folded() bool { return s.Wait > foldFrom }

// usual is what a step without a stated duration takes.
const usual = 2 * time.Minute

// Plan puts the steps on a timeline in their order. A step with a wait starts
// that long after the step it waits from, or as soon as the step before has
// ended if that is later. A duration that cannot be read counts as none: it is
// asked about, not guessed.
func Plan(d *design.Document) Timeline {
	var t Timeline
	ends := map[string]time.Duration{}
	for i, s := range d.Steps {
		span := Span{Step: s.ID, Start: t.Total}
		if s.Wait != nil {
			from := t.Total
			if s.Wait.From != "" {
				from = ends[s.Wait.From]
			}
			span.Start = max(t.Total, from+read(s.Wait.For, 0))
		}
		span.Wait = span.Start - t.Total
		hands := usual
		if s.Kind == "wait" {
			hands = 0
		}
		hands = read(s.Duration, hands)
		span.End = span.Start + max(hands, looks(d, &d.Steps[i]))
		t.Hands += hands
		t.Total = span.End
		ends[s.ID] = span.End
		t.Steps = append(t.Steps, span)
	}
	return t
}

// looks is how long a step goes on because something is read again and again in it: up to
// the last of the planned times that are all taken there.
func looks(d *design.Document, s *design.Step) time.Duration {
	last := time.Duration(0)
	for _, take := range s.Takes {
		r, ok := d.Reading(take.Reading)
		if !ok || take.Time != "" {
			continue
		}
		for _, at := range r.Times {
			last = max(last, read(at, 0))
		}
	}
	return last
}

func read(duration string, otherwise time.Duration) time.Duration {
	if duration == "" {
		return otherwise
	}
	s, ok := design.Seconds(duration)
	if !ok || s > 366*86400 {
		return 0
	}
	return time.Duration(s * float64(time.Second))
}
