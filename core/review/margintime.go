package review

import (
	"fmt"
	"math"
	"slices"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/sentence"
	"patient-kitchen/core/text"
)

// time says how long it takes, and what of it does not fit.
func (m *margin) time() {
	t := m.r.Timeline
	hands, total := int(t.Hands/time.Minute), int(t.Total/time.Minute)
	args := text.Args{"hands": hands, "total": total}
	l := Line{Topic: TimeTopic, Weight: Fine, Message: text.Message{ID: "review.time.fine", Args: args}}
	if total > 180 {
		args["total"] = math.Round(float64(total)/6) / 10
		l.Message.ID = "review.time.hours"
	}
	if lesson, ok := design.Seconds(m.d.Lesson); ok && m.d.Lesson != "" &&
		t.Total > time.Duration(lesson*float64(time.Second)) {
		l.Weight, l.Path = Mending, "/lesson"
		l.Message = text.M("review.time.over", "total", total, "lesson", m.d.Lesson)
		if before, n := m.beforehand(); n > 0 {
			l.Message = text.M("review.time.before", "total", total, "lesson", m.d.Lesson, "n", n, "minutes", before)
		}
	}
	m.begin(&l)
	for i, s := range m.d.Steps {
		for _, q := range m.book.Ask(i, m.language) {
			if len(q.Answers) > 0 && q.Answers[0].Change.Kind == sentence.Split {
				mend := &Mend{Words: q.Answers[0].Words, Sentence: &InSentence{s.ID, m.language, q.Answers[0].Change}}
				m.say(Line{Topic: TimeTopic, Weight: Mending, Message: q.Words, Path: fmt.Sprintf("/steps/%d", i),
					Mend: mend})
			}
		}
	}
	m.say(l)
}

// noon is a moment of an ordinary week, for times that hang on no date.
var noon = time.Date(2027, 2, 3, 12, 0, 0, 0, time.UTC)

// begin says beside the time of work with a long wait when it has to begin so that nobody
// has to get up for it, or that it cannot be done so.
func (m *margin) begin(l *Line) {
	if !slices.ContainsFunc(m.r.Timeline.Steps, schedule.Span.Folded) {
		return
	}
	start, ok := schedule.WorkOf(m.d).Daily(noon, schedule.UsualHours)
	if !ok {
		m.say(Line{Topic: TimeTopic, Weight: Mending, Message: text.M("review.time.night"), Path: "/steps"})
		return
	}
	l.Message = text.M(
		"review.time.begin", "time", l.Message, "from", start.From.Format("15:04"), "to", start.To.Format("15:04"),
	)
}
