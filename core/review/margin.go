package review

import (
	"fmt"
	"slices"
	"strings"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/detect"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/sentence"
	"patient-kitchen/core/text"
)

// Topic is what a line of the margin speaks of.
type Topic string

// The topics, always in this order.
const (
	SafetyTopic   Topic = "safety"
	ShowTopic     Topic = "show" // would it show?
	FairTopic     Topic = "fair"
	TimeTopic     Topic = "time"
	KitchensTopic Topic = "kitchens"
	WordsTopic    Topic = "words"
)

// Topics are all of them.
var Topics = []Topic{SafetyTopic, ShowTopic, FairTopic, TimeTopic, KitchensTopic, WordsTopic}

// Line is one line of the margin: the heaviest thing of its topic, one sentence.
type Line struct {
	Topic   Topic
	Weight  Weight
	Message text.Message
	Path    string // JSON Pointer of its place; "" for the whole
	Mend    *Mend  // what one key carries out; nil where it has to be thought about
	Rest    []Line // further things of the topic that want something, the heaviest first
}

// Mend is a change that a line offers; one of its changes is set.
type Mend struct {
	Words    text.Message
	Safety   *safety.Change
	Set      *Set
	Sentence *InSentence
}

// Set puts a value at a place of the document.
type Set struct {
	Path  string // JSON Pointer
	Value any
}

// InSentence changes the text of a step.
type InSentence struct {
	Step, Language string
	Change         sentence.Revision
}

// Class is the class that a design is looked at with.
type Class struct {
	Homes int
	Plans []fit.HomePlan // of the homes that have answered
}

// Margin says what a design means now, a line for each topic. Without a class, a usual
// one is taken.
func Margin(d *design.Document, r Review, class *Class) []Line {
	m := &margin{d: d, r: r, class: class, language: written(d), book: sentence.Open(d), found: map[Topic][]Line{}}
	m.validation()
	m.safety()
	m.show()
	m.fair()
	m.time()
	m.kitchens()
	m.words()
	out := make([]Line, 0, len(Topics))
	for _, t := range Topics {
		lines := m.found[t]
		slices.SortStableFunc(lines, func(a, b Line) int { return heavy(b.Weight) - heavy(a.Weight) })
		line := lines[0]
		for _, l := range lines[1:] {
			if l.Weight == Stop || l.Weight == Mending {
				line.Rest = append(line.Rest, l)
			}
		}
		out = append(out, line)
	}
	return out
}

// written is the language that the steps are written in: the first of the design's that
// one of them has.
func written(d *design.Document) string {
	for _, language := range d.Languages {
		if slices.ContainsFunc(d.Steps, func(s design.Step) bool { return strings.TrimSpace(s.Text[language]) != "" }) {
			return language
		}
	}
	return text.Languages[0]
}

func heavy(w Weight) int { return slices.Index([]Weight{Fine, Note, Mending, Stop}, w) }

type margin struct {
	d        *design.Document
	r        Review
	class    *Class
	language string
	book     *sentence.Book
	found    map[Topic][]Line
}

func (m *margin) say(l Line) { m.found[l.Topic] = append(m.found[l.Topic], l) }

// topicOf is the topic of a finding of the validation, by its place.
func topicOf(f design.Problem) Topic {
	parts := strings.Split(strings.TrimPrefix(f.Path, "/"), "/")
	switch parts[0] {
	case "needs", "materials", "swaps":
		return KitchensTopic
	case "conditions", "changed", "kept", "stages", "objects":
		return FairTopic
	case "readings", "derived", "measured", "claims", "expectations", "evidence", "constants", "trials":
		return ShowTopic
	case "lesson", "sections":
		return TimeTopic
	case "steps":
		return stepTopic(f.Code, parts)
	case "cautions", "lowered", "heard":
		return SafetyTopic
	}
	return WordsTopic
}

// stepTopic is the topic of a finding about a step, by its field or the list that it is in.
func stepTopic(code string, parts []string) Topic {
	if code == "no-steps" || code == "idle-wait" {
		return TimeTopic
	}
	last := parts[len(parts)-1]
	for _, in := range []struct {
		topic  Topic
		fields []string
		lists  []string
	}{
		{TimeTopic, []string{"duration"}, []string{"wait"}},
		{KitchensTopic, []string{"in"}, []string{"uses"}},
		{ShowTopic, nil, []string{"takes", "evidence"}},
		{SafetyTopic, []string{"heat", "voltage"}, nil},
	} {
		listed := slices.ContainsFunc(in.lists, func(l string) bool { return slices.Contains(parts, l) })
		if listed || slices.Contains(in.fields, last) {
			return in.topic
		}
	}
	return WordsTopic
}

// yetToCome are findings of what a design that was only just begun does not have.
var yetToCome = []string{"no-title", "no-question", "no-steps", "nothing-measured", "no-prediction"}

// validation puts what is wrong with the document under the topics.
func (m *margin) validation() {
	weights := map[design.Severity]Weight{design.Error: Stop, design.Warning: Mending, design.Hint: Note}
	for _, f := range m.r.Validation {
		l := Line{Topic: topicOf(f), Weight: weights[f.Severity], Message: f.Message, Path: f.Path}
		if begun := len(m.d.Steps)+len(m.d.Readings) > 0; !begun && slices.Contains(yetToCome, f.Code) {
			l.Weight = Note // nobody has done anything wrong yet
		}
		if f.Offer != "" { // one press away
			l.Weight = Mending
			l.Mend = &Mend{Words: text.M("review.take", "offer", f.Offer), Set: &Set{f.Path, f.Offer}}
		}
		if f.Code == "no-prediction" {
			l.Mend = &Mend{Words: text.M("review.predict"),
				Set: &Set{"/questions", append(slices.Clone(m.d.Questions), usualPrediction(m.d))}}
		}
		m.say(l)
	}
}

// safety says the gravest thing: what keeps it from homes, then what is out of order,
// then the adult jobs.
func (m *margin) safety() {
	r := m.r.Safety
	worst := safety.Worst(r.Findings)
	for _, f := range r.Findings {
		if worst == safety.NotAtHome && f.Verdict == worst {
			l := Line{Topic: SafetyTopic, Weight: Stop, Message: f.Why, Path: placeOf(m.d, f.Steps, f.Needs)}
			if f.Asks {
				l.Weight = Mending
			}
			if mends := safety.Mends(m.d, m.d.Larder(), f); len(mends) > 0 && mends[0].Change.Kind != safety.Watch {
				l.Mend = &Mend{Words: mends[0].Label, Safety: &mends[0].Change}
			}
			m.say(l)
		}
	}
	for _, line := range r.Lines {
		if line.Kind == safety.OrderError {
			l := Line{Topic: SafetyTopic, Weight: Mending, Message: line.Message, Path: stepPath(m.d, line.Step)}
			if mends := safety.LineMends(m.d, m.d.Larder(), line); len(mends) > 0 {
				l.Mend = &Mend{Words: mends[0].Label, Safety: &mends[0].Change}
			}
			m.say(l)
		}
	}
	if jobs := safety.AdultJobs(m.d, r.Findings); len(jobs) > 0 {
		m.say(Line{
			Topic: SafetyTopic, Weight: Note, Message: text.M("review.safety.adult", "n", len(jobs)),
			Path: stepPath(m.d, jobs[0].Step),
		})
	}
	m.say(Line{Topic: SafetyTopic, Weight: Fine, Message: text.M("review.safety.fine")})
}

// homes is how many homes the class has that it is looked at with.
func (m *margin) homes() int {
	if m.class != nil && m.class.Homes > 0 {
		return m.class.Homes
	}
	return detect.Usual
}

// show says whether the effect would be seen.
func (m *margin) show() {
	a := detect.Of(m.d, m.homes())
	seen, words := a.Say()
	l := Line{Topic: ShowTopic, Weight: map[detect.Seen]Weight{detect.Fine: Fine, detect.Open: Note,
		detect.Unsure: Mending}[seen], Message: words}
	if len(m.d.Measured) > 0 {
		l.Path = "/measured"
	}
	if len(a.Mends) > 0 {
		best := a.Mends[0]
		l.Message = text.M("review.show.with", "line", words, "mend", best.Words())
		if best.Kind == detect.MoreTries {
			l.Mend = &Mend{Words: text.M("review.show.tries", "n", best.N), Set: &Set{"/trials", best.N}}
		}
	}
	m.say(l)
}

// fair says in what the lanes differ, and in what besides.
func (m *margin) fair() {
	d := m.d
	for _, s := range m.book.Unsaid(m.language) {
		mend := &Mend{
			Words:    text.M("sentence.answer.pace"),
			Sentence: &InSentence{d.Steps[s.Step].ID, m.language, s.Mend},
		}
		m.say(Line{Topic: FairTopic, Weight: Mending, Message: s.Words, Path: fmt.Sprintf("/steps/%d", s.Step),
			Mend: mend})
	}
	m.secondDifference()
	l := Line{Topic: FairTopic, Weight: Fine}
	switch n := len(d.Conditions); {
	case len(d.Stages) > 1 && d.InParts((*design.Reading).PerStage) && n < 2:
		l.Message = text.M("review.fair.stages", "n", len(d.Stages))
	case len(d.ObjectIDs()) > 1 && d.InParts((*design.Reading).PerObject) && n < 2:
		l.Message = text.M("review.fair.objects", "n", len(d.ObjectIDs()))
	case n < 2:
		l.Weight, l.Message, l.Path = Note, text.M("review.fair.one"), "/conditions"
	case slices.ContainsFunc(d.Conditions, func(c design.Condition) bool { return c.Control }):
		l.Message = text.M("review.fair.fine", "n", n, "name", d.Changed.Name)
	default:
		l.Message = text.M("review.fair.alike", "n", n, "name", d.Changed.Name)
	}
	m.say(l)
}

// secondDifference says where two steps of single conditions differ in more than what is
// changed.
func (m *margin) secondDifference() {
	d := m.d
	var only []int
	for i, s := range d.Steps {
		if len(s.Conditions) > 0 && len(s.Conditions) < len(d.Conditions) {
			only = append(only, i)
		}
	}
	if len(only) > 1 {
		a, b := d.Steps[only[0]], d.Steps[only[1]]
		if !slices.Equal(a.Actions, b.Actions) || !slices.Equal(a.Uses, b.Uses) {
			m.say(Line{Topic: FairTopic, Weight: Mending, Path: fmt.Sprintf("/steps/%d", only[1]), Message: text.M(
				"review.fair.second", "a", only[0]+1, "b", only[1]+1, "first", a.Title, "second", b.Title)})
		}
	}
}

// beforehand is how many minutes of getting ready stand at the beginning, which could be
// done before a lesson, and in how many steps.
func (m *margin) beforehand() (minutes, steps int) {
	for i, s := range m.d.Steps {
		if s.Kind != "prepare" || i >= len(m.r.Timeline.Steps) {
			break
		}
		span := m.r.Timeline.Steps[i]
		minutes += int((span.End - span.Start) / time.Minute)
		steps++
	}
	return minutes, steps
}

// kitchens says how many homes can do it: those of the class that have answered.
func (m *margin) kitchens() {
	if m.class == nil || len(m.class.Plans) == 0 {
		things := 0
		for _, n := range m.d.Needs {
			if n.Kind != design.PersonNeed && n.Kind != design.PlaceNeed {
				things++
			}
		}
		if things == 0 {
			m.say(Line{Topic: KitchensTopic, Weight: Note, Message: text.M("review.kitchens.none")})
		} else {
			m.say(Line{Topic: KitchensTopic, Weight: Fine, Message: text.M("review.kitchens.things", "n", things)})
		}
		return
	}
	fits, kits := 0, 0
	for _, p := range m.class.Plans {
		switch p.Verdict {
		case fit.AsDesigned, fit.WithSubstitutes:
			fits++
		case fit.NeedsKit:
			kits++
		}
	}
	n := len(m.class.Plans)
	l := Line{Topic: KitchensTopic, Weight: Fine, Message: text.M("review.kitchens.fit", "n", n, "fit", fits)}
	if fits < n {
		l.Weight = Mending
		l.Message = text.M("review.kitchens.lack", "n", n, "fit", fits, "kits", kits, "rest", n-fits-kits)
	}
	m.say(l)
}

// words says what a language lacks, what two languages say differently, and what is
// still open.
func (m *margin) words() {
	for _, x := range m.book.Differences() {
		l := Line{Topic: WordsTopic, Weight: Mending, Message: x.Words, Path: fmt.Sprintf("/steps/%d", x.Step)}
		if x.Care {
			l.Weight = Stop
		}
		if x.Mend != nil {
			l.Mend = &Mend{Words: text.M("review.words.same"), Sentence: &InSentence{m.d.Steps[x.Step].ID, x.Language,
				*x.Mend}}
		}
		m.say(l)
	}
	for _, s := range sentence.Slips(m.d) {
		m.say(Line{Topic: WordsTopic, Weight: Note, Message: s.Says, Path: s.Path, Mend: &Mend{
			Words: text.M("review.words.leave"), Set: &Set{"/left", append(slices.Clone(m.d.Left), s.ID)},
		}})
	}
	open, at := 0, ""
	for i := range m.d.Steps {
		for _, q := range m.book.Ask(i, m.language) {
			if q.Answers[0].Change.Kind != sentence.Split {
				if open++; at == "" {
					at = fmt.Sprintf("/steps/%d", i)
				}
			}
		}
	}
	if open > 0 {
		m.say(Line{Topic: WordsTopic, Weight: Note, Message: text.M("review.words.open", "n", open), Path: at})
	}
	m.say(Line{Topic: WordsTopic, Weight: Fine, Message: text.M("review.words.fine", "n", len(m.d.Steps), "m",
		len(m.d.Languages))})
}
