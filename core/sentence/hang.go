package sentence

import (
	"fmt"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// Peg is something that hangs on a step.
type Peg string

// The pegs.
const (
	ReadingPeg  Peg = "reading"
	PhotoPeg    Peg = "photo"
	ClipPeg     Peg = "clip"
	SoundPeg    Peg = "sound"
	DrawingPeg  Peg = "drawing"
	AdultPeg    Peg = "adult-near"
	HazardPeg   Peg = "hazard" // what the teacher sees and no rule does
	LookPeg     Peg = "look"   // to look at again later
	QuestionPeg Peg = "question"
	KeepPeg     Peg = "keep"
	GatePeg     Peg = "gate" // homes wait here until the teacher says go
)

// Pegs are all of them, in the order in which they are offered.
var Pegs = []Peg{
	ReadingPeg, PhotoPeg, ClipPeg, SoundPeg, DrawingPeg, AdultPeg, HazardPeg, LookPeg, QuestionPeg, KeepPeg, GatePeg,
}

// Hang hangs a peg on a step, with words in a language where there are any, and gives
// the place where it is worked out further, as a JSON Pointer. A gate that is there is
// taken away. It reports false for a step that is not there, or a peg that is unknown.
func Hang(d *design.Document, step string, peg Peg, words, language string) (string, bool) {
	i, ok := d.Step(step)
	if !ok {
		return "", false
	}
	h := &hanger{d, i, strings.TrimSpace(words), language}
	switch peg {
	case ReadingPeg:
		return h.reading(), true
	case PhotoPeg, ClipPeg, SoundPeg, DrawingPeg:
		return h.evidence(design.EvidenceKind(peg)), true
	case AdultPeg:
		return h.caution("adult-near"), true
	case HazardPeg:
		return h.caution("care"), true
	case LookPeg:
		return h.help("look-again"), true
	case KeepPeg:
		return h.help("keep"), true
	case QuestionPeg:
		return h.question(), true
	case GatePeg:
		d.Steps[i].Gate = !d.Steps[i].Gate
		return fmt.Sprintf("/steps/%d/gate", i), true
	}
	return "", false
}

type hanger struct {
	d        *design.Document
	at       int
	words    string
	language string
}

func (h *hanger) step() *design.Step { return &h.d.Steps[h.at] }

// named is the words that were given, or otherwise a name made of the step's in each
// language of the design.
func (h *hanger) named(id string) text.Localized {
	if h.words != "" {
		return text.Localized{h.language: h.words}
	}
	out := text.Localized{}
	for _, language := range h.d.Languages {
		title, _ := h.step().Title.In(language)
		out[language] = text.Render(text.M("sentence.hung."+id, "step", title), language)
	}
	return out
}

// reading takes what the design measures and no step takes yet, or else something new:
// a number read of each condition.
func (h *hanger) reading() string {
	taken := func(id string) bool {
		return slices.ContainsFunc(h.d.Steps, func(s design.Step) bool {
			return slices.ContainsFunc(s.Takes, func(t design.Take) bool { return t.Reading == id })
		})
	}
	i := slices.IndexFunc(h.d.Readings, func(r design.Reading) bool {
		return !taken(r.ID) && len(r.Times) == 0 && h.words == ""
	})
	if i < 0 {
		i = len(h.d.Readings)
		r := design.Reading{Kind: design.QuantityKind}
		if h.words != "" {
			r.Name = text.Localized{h.language: h.words}
		}
		r.ID = fresh(h.words, "reading", func(id string) bool { _, ok := h.d.Reading(id); return ok })
		r.Symbol = strings.ReplaceAll(r.ID, "-", "_")
		if len(h.d.Conditions) > 1 {
			r.Per = []design.PartOf{design.Conditions}
		}
		h.d.Readings = append(h.d.Readings, r)
	}
	h.step().Takes = append(h.step().Takes, design.Take{Reading: h.d.Readings[i].ID})
	return fmt.Sprintf("/readings/%d/name", i)
}

// evidence asks for something that shows it: of "jars, labels in view" the jars are what
// it is called, and what comes behind the comma is what must be seen.
func (h *hanger) evidence(kind design.EvidenceKind) string {
	name, shows, both := strings.Cut(h.words, ",")
	h.words = strings.TrimSpace(name)
	e := design.Evidence{Kind: kind, Name: h.named(string(kind))}
	if shows = strings.TrimSpace(shows); both && shows != "" {
		e.MustShow = text.Localized{h.language: shows}
	}
	e.ID = fresh(h.words, string(kind), func(id string) bool { _, ok := h.d.EvidenceOf(id); return ok })
	h.d.Evidence = append(h.d.Evidence, e)
	h.step().Evidence = append(h.step().Evidence, e.ID)
	return fmt.Sprintf("/evidence/%d/name", len(h.d.Evidence)-1)
}

// caution is the teacher's own; it can only make a verdict stricter.
func (h *hanger) caution(verdict string) string {
	c := design.Caution{Verdict: verdict, Step: h.step().ID, Why: text.Localized{}, Do: text.Localized{}}
	c.ID = fresh("", "own", func(id string) bool {
		return slices.ContainsFunc(h.d.Cautions, func(c design.Caution) bool { return c.ID == id })
	})
	if h.words != "" {
		c.Why[h.language] = h.words
	}
	if verdict == "adult-near" {
		for _, language := range h.d.Languages {
			if c.Why[language] == "" {
				c.Why[language] = text.Render(text.M("sentence.hung.adult-why"), language)
			}
			c.Do[language] = text.Render(text.M("sentence.hung.adult-do"), language)
		}
	}
	h.d.Cautions = append(h.d.Cautions, c)
	return fmt.Sprintf("/cautions/%d/why", len(h.d.Cautions)-1)
}

func (h *hanger) help(kind design.HelpKind) string {
	help := design.Help{Help: kind}
	if h.words != "" {
		help.Thing = text.Localized{h.language: h.words}
	}
	h.step().Helps = append(h.step().Helps, help)
	return fmt.Sprintf("/steps/%d/helps/%d/thing", h.at, len(h.step().Helps)-1)
}

func (h *hanger) question() string {
	q := design.Question{When: "while", Kind: "text", Text: text.Localized{}}
	if h.words != "" {
		q.Text[h.language] = h.words
	}
	q.ID = fresh("", "question", func(id string) bool { _, ok := h.d.QuestionOf(id); return ok })
	h.d.Questions = append(h.d.Questions, q)
	h.step().Questions = append(h.step().Questions, q.ID)
	return fmt.Sprintf("/questions/%d/text", len(h.d.Questions)-1)
}
