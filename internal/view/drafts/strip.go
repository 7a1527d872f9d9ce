package drafts

import (
	"cmp"
	"slices"
	"strconv"
	"strings"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/review"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/view/sheets"
)

// StripView is the procedure drawn to time: lanes from top to bottom, steps from left to
// right.
type StripView struct {
	Lanes  []LaneView  `json:"lanes" doc:"The conditions; one without a name where there are none"`
	Blocks []BlockView `json:"blocks"`
	Total  string      `json:"total" doc:"From the first step's start to the last one's end, in words"`
	Hands  string      `json:"hands" doc:"Time in which hands are busy, in words"`
	Parts  []StripPart `json:"parts" doc:"Named parts of the work, in its order; none where it is in one piece"`
	Shelf  []JarView   `json:"shelf" doc:"The needs in the order of their first use"`
}

// StripPart is a named part of the work, as a bracket over its steps.
type StripPart struct {
	ID    string   `json:"id"`
	Name  string   `json:"name"`
	Steps []string `json:"steps" doc:"Ids, in their order"`
	Long  string   `json:"long" doc:"From its first step's start to its last one's end, in words"`
}

// LaneView is a condition.
type LaneView struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Differs string `json:"differs,omitempty" doc:"What is different in it"`
}

// BlockView is a step on the strip.
type BlockView struct {
	sheets.SpanView
	At     string    `json:"at" doc:"When it begins, in minutes from the start, or from the end of the last long wait"`
	Lanes  []string  `json:"lanes" doc:"Ids of the lanes in which it stands by itself; empty: it stands through all of them"`
	Hands  string    `json:"hands" doc:"How long hands are busy, in words"`
	Waits  string    `json:"waits,omitempty" doc:"How long is waited before it, in words"`
	Window string    `json:"window,omitempty" doc:"Of a wait: from when to when it will do"`
	Job    string    `json:"job,omitempty" enum:"near,does" doc:"What an adult has to do in it"`
	Pegs   []PegView `json:"pegs" doc:"What hangs on it, in the order of its words"`
	Closes bool      `json:"closes,omitempty" doc:"A part of the work ends with it"`
	Gate   bool      `json:"gate,omitempty" doc:"In a lesson homes wait behind it until the teacher says go"`
}

// PegView is something that hangs on a step: a reading, a picture, a hazard.
type PegView struct {
	Sign  string `json:"sign" doc:"One letter, or ! for a hazard"`
	Words string `json:"words"`
}

// JarView is a need on the shelf.
type JarView struct {
	Need   string   `json:"need"`
	Name   string   `json:"name"`
	Amount string   `json:"amount,omitempty"`
	Steps  []string `json:"steps" doc:"Ids of the steps that use it; empty: nobody does"`
	Open   bool     `json:"open,omitempty" doc:"Nobody has said yet what it is"`
}

// signs are the letters of pegs, by the kind of reading and of evidence.
var signs = map[design.ReadingKind]string{
	design.QuantityKind: "R", design.CountKind: "N", design.OrdinalKind: "L", design.YesPartlyNoKind: "Y",
	design.ChoiceKind:  "Y",
	design.SeveralKind: "Y", design.OrderKind: "O", design.StageOrderKind: "O", design.ZonesKind: "Z",
	design.WordsKind: "W",
	design.EventKind: "T", design.PositionKind: "X", design.TextKind: "W",
}

var shown = map[design.EvidenceKind]string{
	design.PhotoEvidence: "P", design.PhotoPairEvidence: "P", design.DrawingEvidence: "B",
	design.DrawingPairEvidence: "B",
	design.ClipEvidence:        "C", design.SoundEvidence: "M",
	design.FlowChartEvidence: "F", design.TalkEvidence: "M", design.TextEvidence: "W",
}

// ViewStrip draws a design to time.
func ViewStrip(d *design.Document, r review.Review, language string) StripView {
	w := stripWriter{d, r, language}
	v := StripView{
		Lanes: []LaneView{}, Blocks: []BlockView{}, Parts: []StripPart{}, Shelf: []JarView{},
		Total: w.long(r.Timeline.Total), Hands: w.long(r.Timeline.Hands),
	}
	for _, c := range d.Conditions {
		differs := w.say(c.Description)
		unit := cmp.Or(c.Unit, d.LevelUnit(&c))
		if q, ok := quantity.ParseOK(strings.TrimSpace(c.Value + " " + unit)); ok && c.Value != "" {
			differs = q.Show(language)
		}
		v.Lanes = append(v.Lanes, LaneView{c.ID, w.say(c.Name), differs})
	}
	if len(v.Lanes) == 0 {
		v.Lanes = append(v.Lanes, LaneView{})
	}
	from, sign := 0, ""
	for i, span := range sheets.Spans(d, r, language) {
		b := w.block(i, span)
		if span.Fold {
			from, sign = span.Start, "+"
		}
		b.At = sign + strconv.Itoa((span.Start-from+30)/60)
		v.Blocks = append(v.Blocks, b)
	}
	v.Parts = w.parts(v.Blocks)
	v.Shelf = w.shelf()
	return v
}

type stripWriter struct {
	d        *design.Document
	r        review.Review
	language string
}

func (w stripWriter) say(l text.Localized) string {
	words, _ := l.In(w.language)
	return words
}

// long says a time as one does: in hours from an hour and a half on.
func (w stripWriter) long(t time.Duration) string {
	q := quantity.New(float64(int(t.Minutes()+0.5)), "min")
	switch {
	case t < 90*time.Second:
		q = quantity.New(float64(int(t.Seconds())), "s")
	case t >= 48*time.Hour:
		q = quantity.New(float64(int(t.Hours()/2.4+0.5))/10, "d")
	case t >= 90*time.Minute:
		q = quantity.New(float64(int(t.Hours()*10+0.5))/10, "h")
	}
	return text.Render(text.M("strip.long", "value", q.Bare()), w.language)
}

// parts are those that have steps.
func (w stripWriter) parts(blocks []BlockView) []StripPart {
	out := []StripPart{}
	for i, s := range w.d.Sections {
		p := StripPart{ID: s.ID, Name: w.say(s.Title), Steps: []string{}}
		if p.Name == "" {
			p.Name = text.Render(text.M("strip.part", "n", i+1), w.language)
		}
		first, last := -1, -1
		for k, b := range blocks {
			if slices.Contains(s.Steps, b.Step) {
				p.Steps = append(p.Steps, b.Step)
				if last = k; first < 0 {
					first = k
				}
			}
		}
		if first >= 0 {
			p.Long = w.long(time.Duration(blocks[last].End-blocks[first].Start) * time.Second)
			out = append(out, p)
		}
	}
	return out
}

func (w stripWriter) block(i int, span sheets.SpanView) BlockView {
	s := &w.d.Steps[i]
	b := BlockView{SpanView: span, Lanes: w.lanes(s), Pegs: w.pegs(s), Closes: w.d.SectionEnding(s.ID) != nil,
		Gate: s.Gate}
	b.Hands = w.long(time.Duration(span.End-span.Start) * time.Second)
	if span.Wait > 0 {
		b.Waits = w.long(time.Duration(span.Wait) * time.Second)
		if s.Wait != nil && s.Wait.Earliest != "" && s.Wait.Latest != "" {
			from, _ := quantity.ParseOK(s.Wait.Earliest)
			to, _ := quantity.ParseOK(s.Wait.Latest)
			b.Window = text.Render(text.M("strip.window", "from", from.Bare(), "to", to.Bare()), w.language)
		}
	}
	for _, j := range safety.AdultJobs(w.d, w.r.Safety.Findings) {
		if j.Step == s.ID {
			b.Job = "near"
			if j.Verdict == safety.AdultDoes {
				b.Job = "does"
			}
		}
	}
	return b
}

// lanes are those in which a step stands by itself: where it is done for some only, one
// after the other, or something is read in each.
func (w stripWriter) lanes(s *design.Step) []string {
	out := append([]string{}, s.Conditions...)
	each := s.Each || slices.ContainsFunc(s.Takes, func(t design.Take) bool {
		r, ok := w.d.Reading(t.Reading)
		return ok && r.PerCondition() && t.Condition == ""
	})
	for _, c := range w.d.Conditions {
		taken := slices.ContainsFunc(s.Takes, func(t design.Take) bool { return t.Condition == c.ID })
		if (each || taken) && !slices.Contains(out, c.ID) && (len(s.Conditions) == 0 || taken) {
			out = append(out, c.ID)
		}
	}
	return out
}

func (w stripWriter) pegs(s *design.Step) []PegView {
	out := []PegView{}
	for _, t := range s.Takes {
		if r, ok := w.d.Reading(t.Reading); ok && !slices.ContainsFunc(out, func(p PegView) bool {
			return p.Words == w.say(r.Name)
		}) {
			out = append(out, PegView{signs[r.Sort()], w.say(r.Name)})
		}
	}
	for _, id := range s.Evidence {
		if e, ok := w.d.EvidenceOf(id); ok {
			out = append(out, PegView{shown[e.Kind], w.say(e.Name)})
		}
	}
	for _, id := range s.Questions {
		for _, q := range w.d.Questions {
			if q.ID == id {
				out = append(out, PegView{"Q", w.say(q.Text)})
			}
		}
	}
	for _, h := range s.Helps {
		switch h.Help {
		case "keep", "put-aside":
			out = append(out, PegView{"K", text.Render(h.Sentence(), w.language)})
		case "look-again":
			out = append(out, PegView{"E", text.Render(h.Sentence(), w.language)})
		}
	}
	for _, f := range w.r.Safety.Findings {
		if slices.Contains(f.Steps, s.ID) && f.Verdict.Worse(safety.Care) && !f.Asks && f.Rule != "allergen" {
			out = append(out, PegView{"!", text.Render(f.Why, w.language)})
			break
		}
	}
	return out
}

// shelf are the needs in the order of their first use, those that nobody uses last.
func (w stripWriter) shelf() []JarView {
	out := []JarView{}
	for _, n := range w.d.Needs {
		j := JarView{Need: n.ID, Name: w.say(n.Name), Steps: []string{}, Open: n.Kind == "" && n.Material == ""}
		if q, ok := quantity.ParseOK(n.Amount); ok && n.Amount != "" {
			j.Amount = q.Show(w.language)
		}
		for _, s := range w.d.Steps {
			if slices.Contains(s.Needs(), n.ID) {
				j.Steps = append(j.Steps, s.ID)
			}
		}
		out = append(out, j)
	}
	first := func(j JarView) int {
		if len(j.Steps) == 0 {
			return len(w.d.Steps)
		}
		at, _ := w.d.Step(j.Steps[0])
		return at
	}
	slices.SortStableFunc(out, func(a, b JarView) int { return first(a) - first(b) })
	return out
}
