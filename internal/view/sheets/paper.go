package sheets

import (
	"fmt"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/review"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
)

// PrintedSheets are the sheets that can be printed: of an experiment that homes
// do, those for doing it; of one that they watch, what they see and the
// teacher's own page for showing it.
var PrintedSheets = map[bool][]string{
	false: {"safety", "materials", "swaps", "notebook", "sheet", "printables"},
	true:  {"watch", "demonstration"},
}

// Printed is an experiment's sheets in one language, for paper and for pages
// without script.
type Printed struct {
	Kind     string
	Language string
	Home     string // nickname; "" on a sheet for all
	Class    ClassCard
	Title    string
	Question string
	Version  int // 0 for a draft
	Minutes  int
	Hands    int
	Place    string
	Steps    int
	Spans    []SpanView // the procedure to time; none where homes only watch
	Missing  int        // texts that stand in another language
	Safety   SafetyPart
	Items    []PrintedItem
	Swaps    []PrintedSwaps
	Watch    Sheet // of an experiment that is only shown: as homes see it
	Work     Sheet // and as the teacher does it
	Blanks   []PrintedBlanks

	Procedure []PrintedStep   // of a home's sheet: the whole work
	Before    []PrintedBlanks // and what is asked before it
	After     []PrintedBlanks
	Code      string // by which the home opens its page, where the sheet is one home's
	Square    Square // its link as a square code

	TrueSize []TrueSize // drawings in millimetres
	Last     bool       // of a home's pack

	Experiment string // id of the design
	Pictures   string // the address before the ids of its steps' pictures
}

// Square is a square code as an SVG path, one unit a module; without a path there is
// none.
type Square struct {
	Size int
	Path string
}

// PrintedStep is a step on a home's sheet, with what is written down at it.
type PrintedStep struct {
	Number int
	Step   StepRow
	Blanks *PrintedBlanks // nil where nothing is
}

// PrintedBlanks are the readings and questions of one step, to be written on paper.
type PrintedBlanks struct {
	Number    int
	Title     string
	Common    string // what all its readings share
	Rows      []PrintedBlank
	Helps     []string
	Questions []QuestionRow
	Objects   []ObjectRow // to be named, before the first step
	Rest      *RestRow    // one can stop after it
	Begins    string      // title of the short activity that begins with it
	Evidence  []PrintedEvidence
}

// PrintedEvidence is a piece of evidence to be drawn or written on paper; of a pair
// the second stands beside where the first was.
type PrintedEvidence struct {
	EvidenceRow
	Second bool
}

// labelParts are reading, condition, object, stage, time and trial.
const labelParts = 6

// PrintedBlank is one reading to be written down: what tells it from the others of
// its step, and its kind with what can be chosen.
type PrintedBlank struct {
	Label   string
	Reading ReadingRow
}

// PrintedItem is one line of the materials list.
type PrintedItem struct {
	Name, Amount, Must, Note string
	Copies                   []string // how each of several is prepared
	Steps                    []int
	Optional                 bool
}

// PrintedSwaps is what may stand in for one thing.
type PrintedSwaps struct {
	Name, Amount string
	Instead      []string // in the teacher's own words
	Swaps        []PrintedSwap
}

// PrintedSwap is one swap.
type PrintedSwap struct {
	Use    string `json:"use" doc:"By which a home says that it uses this"`
	Line   string `json:"line,omitempty" doc:"What a step says then"`
	Name   string `json:"name"`
	Amount string `json:"amount,omitempty"`
	Counts string `json:"counts" doc:"What it means for the home's result"`
	Adult  string `json:"adult,omitempty" doc:"The verdict, where it is graver than the design's own"`
	Acid   string `json:"acid,omitempty" doc:"How the acid that goes with it changes"`

	Cautions []string `json:"cautions" doc:"Its own, that the thing it stands for has not"`
}

// firstCards is how many first-aid cards the one page of a safety sheet holds.
const firstCards = 5

// Print is a sheet of a design for paper, by its kind.
func Print(d *design.Document, plan *Plan, kind, language string) (Printed, error) {
	watched := d.Way == design.WatchShared
	if slices.Contains(PrintedSheets[!watched], kind) {
		return Printed{}, &refusal.Refused{Code: "way-of-working"}
	}
	if !slices.Contains(PrintedSheets[watched], kind) || !slices.Contains(text.Languages, text.Base(language)) {
		return Printed{}, refusal.ErrNotFound
	}
	w := &writer{language: language}
	if kind == "watch" {
		s := Watched(d, plan, language)
		return Printed{
			Kind:     kind,
			Language: language,
			Title:    s.Title,
			Question: s.Question,
			Missing:  s.Untranslated,
			Watch:    s,
		}, nil
	}
	r := review.Of(d)
	p := Printed{
		Kind:     kind,
		Language: language,
		Title:    w.say(d.Title),
		Question: w.say(d.Question),
		Place:    w.say(d.Place),
		Steps:    len(d.Steps),
		Spans:    Spans(d, r, language),
		Minutes:  int(r.Timeline.Total.Minutes() + 0.5),
		Hands:    int(r.Timeline.Hands.Minutes() + 0.5),
	}
	switch kind {
	case "demonstration":
		p.Work = Write(d, plan, language)
		p.Items = printedItems(d, plan, r, w)
	case "notebook":
		p.Blanks = blanks(Write(d, plan, language))
	case "safety":
		p.Safety = w.guardian(d, r)
	case "sheet":
		p.Items, p.Safety = printedItems(d, plan, r, w), w.guardian(d, r)
		p.procedure(Write(d, plan, language))
	case "printables":
		p.TrueSize = Printables(d, language)
	case "materials":
		p.Items = printedItems(d, plan, r, w)
	case "swaps":
		for _, n := range Write(d, plan, language).Needs { // the list of the phone
			if len(n.Instead)+len(n.Swaps) > 0 {
				p.Swaps = append(p.Swaps, PrintedSwaps{n.Name, n.Amount, n.Instead, n.Swaps})
			}
		}
	}
	p.Missing = w.missing
	return p, nil
}

// procedure lays a sheet out as the whole work: each step with its blanks.
func (p *Printed) procedure(s Sheet) {
	at := map[int]*PrintedBlanks{}
	for _, b := range blanks(s) {
		b.Title, b.Begins = "", "" // the step's own stand there
		switch {
		case b.Number > 0:
			at[b.Number] = &b
		case len(at) == 0:
			p.Before = append(p.Before, b)
		default:
			p.After = append(p.After, b)
		}
	}
	for i, step := range s.Steps {
		p.Procedure = append(p.Procedure, PrintedStep{i + 1, step, at[i+1]})
	}
}

// toWrite are blanks for amounts that were really used.
func toWrite(used []UsedRow) (out []string) {
	for _, u := range used {
		out = append(out, u.Words+": ________ "+u.Unit)
	}
	return out
}

// blanks are the steps of a sheet in which something is written down; the questions
// that are asked before or after them stand at its beginning and end.
func blanks(s Sheet) []PrintedBlanks {
	readings := map[string]ReadingRow{}
	for _, r := range s.Readings {
		readings[r.ID] = r
	}
	asked := func(when string, ids []string) (out []QuestionRow) {
		for _, q := range s.Questions {
			if q.When == when && (ids == nil || slices.Contains(ids, q.ID)) {
				out = append(out, q)
			}
		}
		return out
	}
	out := []PrintedBlanks{{Questions: asked("before", nil), Objects: s.Objects}}
	for i, step := range s.Steps {
		b := PrintedBlanks{
			Number:    i + 1,
			Title:     step.Title,
			Questions: asked("while", step.Questions),
			Helps:     slices.Concat(said(step.Uses), step.Helps, toWrite(step.Used), step.Keeps),
			Rest:      step.Rest,
			Begins:    step.Begins,
			Evidence:  printedEvidence(&s, step),
		}
		var labels [][labelParts]string
		for _, slot := range step.Takes {
			r := readings[slot.Reading]
			condition, object, stage := slotWords(&s, slot)
			label := [labelParts]string{r.Name, condition, object, stage, slot.Time}
			if r.Trials > 1 {
				label[5] = fmt.Sprintf("%d/%d", slot.Trial, r.Trials)
			}
			labels = append(labels, label)
			b.Rows = append(b.Rows, PrintedBlank{Reading: r})
		}
		b.Common = common(labels)
		for k := range labels {
			b.Rows[k].Label = dotted(labels[k])
		}
		out = append(out, b)
	}
	out = append(out, PrintedBlanks{Questions: asked("after", nil)})
	return slices.DeleteFunc(out, func(b PrintedBlanks) bool {
		return len(b.Rows)+len(b.Questions)+len(b.Helps)+len(b.Objects)+len(b.Evidence) == 0 && b.Rest == nil &&
			b.Begins == ""
	})
}

func said(uses []UseRow) []string {
	var out []string
	for _, u := range uses {
		out = append(out, u.Text)
	}
	return out
}

func printedEvidence(s *Sheet, step StepRow) []PrintedEvidence {
	var out []PrintedEvidence
	for _, e := range s.Evidence {
		if slices.Contains(step.Evidence, e.ID) {
			out = append(out, PrintedEvidence{e, strings.HasSuffix(e.Kind, "-pair") && e.Steps[0] != step.ID})
		}
	}
	return out
}

// common takes out of labels what all of them share, and gives it; what is left
// tells them apart.
func common(labels [][labelParts]string) string {
	var shared [labelParts]string
	for part := range shared {
		if len(labels) > 1 &&
			!slices.ContainsFunc(labels, func(l [labelParts]string) bool { return l[part] != labels[0][part] }) {
			shared[part] = labels[0][part]
			for k := range labels {
				labels[k][part] = ""
			}
		}
	}
	return dotted(shared)
}

func dotted(parts [labelParts]string) string {
	return strings.Join(slices.DeleteFunc(parts[:], func(w string) bool { return w == "" }), " · ")
}

func printedItems(d *design.Document, plan *Plan, r review.Review, w *writer) []PrintedItem {
	var items []PrintedItem
	for _, i := range fit.Materials(d, r.Safety) {
		item := PrintedItem{
			Name:     text.Render(i.Name, w.language),
			Amount:   text.Render(i.Amount, w.language),
			Must:     text.Render(i.Must, w.language),
			Note:     strings.TrimSpace(plan.beside(i.Need, w.language) + " " + w.say(i.Note)),
			Steps:    i.Steps,
			Optional: i.Optional,
		}
		if n, ok := d.Need(i.Need); ok {
			for _, c := range n.Copies {
				item.Copies = append(item.Copies, w.say(c.Prepared))
			}
		}
		items = append(items, item)
	}
	return items
}

// instead is what a step says where a thing stands in for another.
func instead(was text.Localized, name, amount, language string) string {
	id, args := "fit.step.instead", text.Args{"thing": name, "was": was}
	if amount != "" {
		id, args["amount"] = "fit.step.instead-amount", amount
	}
	return text.Render(text.Message{ID: id, Args: args}, language)
}

func printedSwaps(l fit.SwapList, language string, w *writer) []PrintedSwap {
	var out []PrintedSwap
	for _, s := range l.Swaps {
		row := PrintedSwap{
			Use:      s.Use,
			Name:     w.say(s.Material),
			Amount:   text.Render(s.Amount, language),
			Counts:   text.Render(s.Counts, language),
			Acid:     text.Render(s.Acid, language),
			Cautions: SayAll(s.Cautions, language),
		}
		if s.Percent > 0 {
			row.Name += " " + text.Number(s.Percent, text.Decimals(s.Percent, 0), language) + " %"
		} else if s.Form.ID != "" {
			row.Name += ", " + text.Render(s.Form, language)
		}
		row.Line = instead(l.Need.Name, row.Name, row.Amount, language)
		if s.Graver {
			row.Adult = text.Render(text.Message{ID: "safety.verdict." + string(s.Verdict)}, language)
		}
		out = append(out, row)
	}
	return out
}
