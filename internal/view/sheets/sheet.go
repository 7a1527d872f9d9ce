package sheets

import (
	"encoding/hex"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/review"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/view/entries"
)

// Sheet is one assignment as a home reads it: every text in the home's
// language, every time in seconds, every flag the phone acts on. The phone
// needs nothing else to work without a connection.
type Sheet struct {
	Assignment   uuid.UUID      `json:"assignment"`
	Version      int            `json:"version"`
	Plan         int            `json:"plan,omitempty" doc:"Number of the home's plan"`
	Verdict      string         `json:"verdict,omitempty" enum:"as-designed,with-substitutes,needs-a-kit,part,shared-readings" doc:"How the home takes part by its plan"`
	Title        string         `json:"title"`
	Notice       string         `json:"notice,omitempty" doc:"Stands on top of an experiment that is only watched"`
	Question     string         `json:"question"`
	Place        string         `json:"place,omitempty"`
	Changed      string         `json:"changed,omitempty"`
	Way          string         `json:"way"`
	State        string         `json:"state" enum:"waiting,open,over,recalled"`
	OpensAt      time.Time      `json:"opens_at"`
	DueAt        time.Time      `json:"due_at"`
	RecallReason string         `json:"recall_reason,omitempty"`
	Begin        []WindowRow    `json:"begin" doc:"Times in which it can begin so that every sitting is at an hour at which all are awake"`
	Minutes      int            `json:"minutes"`
	Hands        int            `json:"hands"`
	Untranslated int            `json:"untranslated" doc:"Texts shown in another language than the home's"`
	KeepTo       []string       `json:"keep_to" doc:"Of an open challenge: what every way of doing it keeps to"`
	Watching     string         `json:"watching,omitempty" doc:"What those who watch look for"`
	Trials       int            `json:"trials"`
	Conditions   []ConditionRow `json:"conditions"`
	Stages       []ChoiceRow    `json:"stages" doc:"What follows one another, at each of which something can be read"`
	Objects      []ObjectRow    `json:"objects" doc:"Things that the home chooses itself, one a row"`
	Activities   []ActivityRow  `json:"activities" doc:"Short pieces of work that are done in any order; empty: it is one piece"`
	Crew         []RoleRow      `json:"crew" doc:"Who does what when several take part"`
	StandsFor    []StandingRow  `json:"stands_for" doc:"Of a model: what its things stand for"`
	Limits       []string       `json:"limits" doc:"Of a model: what it gets wrong"`
	Needs        []NeedRow      `json:"needs"`
	Steps        []StepRow      `json:"steps"`
	Readings     []ReadingRow   `json:"readings"`
	Evidence     []EvidenceRow  `json:"evidence"`
	Questions    []QuestionRow  `json:"questions"`
	Mistakes     []MistakeRow   `json:"mistakes"`
	Everyday     string         `json:"everyday,omitempty" doc:"Where one meets it at home"`
	Vocabulary   []TermRow      `json:"vocabulary" doc:"Words with what they mean"`
	Counts       []string       `json:"counts" doc:"What is looked at in the work"`
	Explained    *Explained     `json:"explained,omitempty" doc:"Why it comes out so; not there before its release"`
	News         News           `json:"news,omitzero" doc:"What changed since the version that the class had before"`
	Printables   []PrintableRow `json:"printables" doc:"Sheets to print at true size"`
	SafetyPart
	Facts      []FactRow           `json:"facts" doc:"Questions about the home; a step that one names waits for its answer"`
	Permission PermissionView      `json:"permission"`
	Entries    []entries.EntryView `json:"entries" doc:"The home's own entries as the server has them"`
	Shown      []ShownReading      `json:"shown" doc:"The teacher's readings, for homes that watch; empty while there are none"`
}

// PrintableRow is a sheet to print at true size.
type PrintableRow struct {
	Name   string `json:"name"`
	ByHand string `json:"by_hand" doc:"How it is made without a printer"`
}

// WindowRow is a time in which the work can begin.
type WindowRow struct {
	From time.Time `json:"from"`
	To   time.Time `json:"to"`
}

// ConditionRow is a condition in the home's language.
type ConditionRow struct {
	ID          string `json:"id"`
	Name        string `json:"name"`
	Description string `json:"description,omitempty"`
	Control     bool   `json:"control,omitempty"`
}

// ObjectRow is one thing that the home chooses itself.
type ObjectRow struct {
	ID    string            `json:"id"`
	Sort  string            `json:"sort" doc:"Of the things among which it is one"`
	What  string            `json:"what" doc:"What to look for"`
	Name  string            `json:"name" doc:"What it is called until the home has named it"`
	Must  []string          `json:"must" doc:"What it has to be like"`
	Never string            `json:"never,omitempty" doc:"What must not be chosen"`
	Apart map[string]string `json:"apart,omitempty" doc:"By reading: how far two of the sort have to differ"`
}

// ActivityRow is a short piece of work among several.
type ActivityRow struct {
	ID      string   `json:"id"`
	Title   string   `json:"title"`
	Steps   []string `json:"steps" doc:"Ids of its steps"`
	Needs   []string `json:"needs" doc:"Ids of the needs that it uses"`
	Minutes int      `json:"minutes"`
	Adult   bool     `json:"adult,omitempty" doc:"An adult has to be there"`
}

// RoleRow is somebody who takes part.
type RoleRow struct {
	Word string `json:"word"`
	Does string `json:"does"`
}

// StandingRow is what a thing of a model stands for.
type StandingRow struct {
	Thing string `json:"thing"`
	Means string `json:"means"`
}

// RestRow is a place to stop after a step, and to go on later.
type RestRow struct {
	Title       string `json:"title" doc:"Of the part that ends; empty where none does"`
	Keep        string `json:"keep,omitempty"`
	ThrowAway   string `json:"throw_away,omitempty"`
	NeededAgain string `json:"needed_again,omitempty"`
	Earliest    int    `json:"earliest,omitempty" doc:"Seconds after its end from which one can go on"`
	Latest      int    `json:"latest,omitempty" doc:"Seconds after its end until which one should go on"`
	Gate        bool   `json:"gate,omitempty" doc:"In a lesson: homes wait here until the teacher says go"`
}

// NeedRow is a need in the home's language.
type NeedRow struct {
	ID       string   `json:"id"`
	Name     string   `json:"name"`
	Amount   string   `json:"amount,omitempty"`
	Must     string   `json:"must,omitempty" doc:"What whatever is taken has to be"`
	Note     string   `json:"note,omitempty"`
	Look     string   `json:"look,omitempty" doc:"Of an amount by eye: a jar drawn as full as that"`
	Hidden   bool     `json:"hidden,omitempty" doc:"Its amount is worked out first, and shown when a home asks to see it"`
	Hints    []string `json:"hints" doc:"To what is worked out, one after the other"`
	Copies   []string `json:"copies" doc:"Of several that are prepared in different ways: how each is"`
	Optional bool     `json:"optional,omitempty"`
	Instead  []string `json:"instead"`
	Steps    []int    `json:"steps" doc:"Numbers of the steps that use it"`
	Use      string   `json:"use,omitempty" doc:"What this home uses, as its plan and its swaps name it"`
	For      string   `json:"for,omitempty" doc:"What stands in the design in its place"`
	Kit      string   `json:"kit,omitempty" doc:"That it is sent or lent"`

	Swaps []PrintedSwap `json:"swaps" doc:"What the larder knows that may be used instead"`
}

// UsedRow asks how much of a thing was really used, in one condition or for all.
type UsedRow struct {
	Need      string `json:"need"`
	Condition string `json:"condition,omitempty"`
	Words     string `json:"words"`
	Unit      string `json:"unit" doc:"In which it is wanted"`
	Low       string `json:"low" doc:"Below which a value is asked about"`
}

// StepRow is a step in the home's language.
type StepRow struct {
	ID        string        `json:"id"`
	Kind      string        `json:"kind"`
	Title     string        `json:"title"`
	Text      string        `json:"text,omitempty"`
	See       string        `json:"see,omitempty"`
	Picture   *PictureRow   `json:"picture,omitempty"`
	Start     int           `json:"start" doc:"Seconds from the first step's start, if nothing is late"`
	Deeper    string        `json:"deeper,omitempty" doc:"What it says to those who go deeper"`
	Simple    string        `json:"simple,omitempty" doc:"Its text for younger children"`
	Seconds   int           `json:"seconds" doc:"How long hands are busy"`
	Gap       int           `json:"gap" doc:"Seconds between the end of the step before and its start"`
	Fold      bool          `json:"fold" doc:"The gap is drawn folded, at one width"`
	Wait      *WaitRow      `json:"wait,omitempty"`
	Adult     string        `json:"adult,omitempty" doc:"adult-near or adult-does"`
	Foreign   bool          `json:"foreign,omitempty" doc:"It needs an adult and has no words in the home's language: it stays closed"`
	AdultWhy  string        `json:"adult_why,omitempty"`
	Cautions  []string      `json:"cautions"`
	Before    []string      `json:"before" doc:"What the safety rules add before it"`
	After     []string      `json:"after" doc:"What they add after it"`
	Helps     []string      `json:"helps" doc:"What makes it go well, before and while it is done"`
	Uses      []UseRow      `json:"uses" doc:"What this home uses or leaves to its teacher here, where that is not what the step says"`
	Used      []UsedRow     `json:"used" doc:"Amounts of which it is asked how much was really used"`
	Closed    bool          `json:"closed,omitempty" doc:"It is not for this home"`
	Needs     []string      `json:"needs" doc:"Ids of the needs that it uses"`
	Keeps     []string      `json:"keeps" doc:"What to do with things at its end"`
	Takes     []design.Slot `json:"takes" doc:"Readings of this step, one a field"`
	Needed    []design.Slot `json:"needed,omitempty" doc:"Those with which a later reading is worked out together"`
	Evidence  []string      `json:"evidence"`
	Questions []string      `json:"questions"`
	Meanwhile string        `json:"meanwhile,omitempty"`
	Crew      []string      `json:"crew" doc:"Who does it; empty: all together"`
	Lanes     string        `json:"lanes,omitempty" doc:"For which conditions it is done, where that is not all at once"`
	Begins    string        `json:"begins,omitempty" doc:"Title of the short activity that begins with it"`
	Rest      *RestRow      `json:"rest,omitempty" doc:"A part of the work ends with it: one can stop here"`
}

// PictureRow is how a step looks when it is done right.
type PictureRow struct {
	ID  string `json:"id"`
	Alt string `json:"alt" doc:"What it shows"`
}

// UseRow says at a step what a home uses or leaves to its teacher.
type UseRow struct {
	Need string `json:"need,omitempty"`
	Text string `json:"text"`
}

// WaitRow is a wait: the step opens Seconds after From was finished.
type WaitRow struct {
	From    string `json:"from"`
	Seconds int    `json:"seconds"`
	Latest  int    `json:"latest,omitempty" doc:"Seconds until which it counts as in time"`
}

// EvidenceRow is a piece of evidence asked for.
type EvidenceRow struct {
	ID       string      `json:"id"`
	Kind     string      `json:"kind" enum:"photo,photo-pair,drawing,drawing-pair,clip,sound,flow-chart,talk,text"`
	Name     string      `json:"name"`
	MustShow string      `json:"must_show,omitempty"`
	Required bool        `json:"required,omitempty"`
	Steps    []string    `json:"steps" doc:"Where it is collected: of a pair the first and the second"`
	Instead  []string    `json:"instead" doc:"Kinds that do as well"`
	Places   []ChoiceRow `json:"places" doc:"Of a flow chart: the places to choose from"`
	Length   string      `json:"length,omitempty" doc:"Of a talk"`
	Audience string      `json:"audience,omitempty" doc:"Of a talk"`
}

// QuestionRow is a question in the home's language.
type QuestionRow struct {
	ID      string      `json:"id"`
	When    string      `json:"when"`
	Kind    string      `json:"kind"`
	Text    string      `json:"text"`
	Options []OptionRow `json:"options"`
	Unit    string      `json:"unit,omitempty"`
	Least   bool        `json:"least,omitempty" doc:"The least is asked for, or stands first"`
}

// OptionRow is one answer to choose from. Its id is stored, so that answers
// given in different languages are the same answer.
type OptionRow struct {
	ID   string `json:"id"`
	Text string `json:"text"`
}

// MistakeRow is what may go wrong and how to mend it.
type MistakeRow struct {
	See   string `json:"see"`
	Cause string `json:"cause,omitempty"`
	Mend  string `json:"mend"`
}

// CautionRow is one thing that could hurt.
type CautionRow struct {
	Why   string `json:"why"`
	Do    string `json:"do"`
	Steps []int  `json:"steps" doc:"Numbers of its steps"`
}

// AdultJobRow is a step that needs an adult.
type AdultJobRow struct {
	Step    string `json:"step"`
	Number  int    `json:"number"`
	Title   string `json:"title"`
	Verdict string `json:"verdict"`
	Why     string `json:"why"`
	Do      string `json:"do"`
	Start   int    `json:"start"`
	Minutes int    `json:"minutes"`
}

// writer renders texts in a home's language and counts those it lacks.
type writer struct {
	language string
	missing  int
}

func (w *writer) say(l text.Localized) string {
	s, ok := l.In(w.language)
	if !ok && s != "" {
		w.missing++
	}
	return s
}

// frame is what every sheet begins with, and empty lists.
func (w *writer) frame(d *design.Document) Sheet {
	words := []TermRow{}
	for _, t := range d.Teaching.Vocabulary {
		words = append(words, TermRow{w.say(t.Word), w.say(t.Means)})
	}
	counts := []string{}
	for _, c := range d.Teaching.Counts {
		counts = append(counts, w.say(c))
	}
	keep := []string{}
	for _, k := range d.Task.KeepTo {
		keep = append(keep, w.say(k))
	}
	return Sheet{
		KeepTo: keep, Watching: w.say(d.Task.Watching),
		Everyday: w.say(d.Teaching.Everyday), Vocabulary: words, Counts: counts,
		Title: w.say(d.Title), Question: w.say(d.Question), Changed: w.say(d.Changed.Name),
		Way: string(d.Way), Trials: d.Trials, Begin: []WindowRow{},
		Conditions: []ConditionRow{}, Stages: []ChoiceRow{}, Objects: []ObjectRow{}, Activities: []ActivityRow{},
		Crew:      []RoleRow{},
		StandsFor: []StandingRow{}, Limits: []string{}, Needs: []NeedRow{}, Steps: []StepRow{},
		Readings: []ReadingRow{},
		Evidence: []EvidenceRow{}, Questions: []QuestionRow{}, Mistakes: []MistakeRow{}, Printables: []PrintableRow{},
		Entries: []entries.EntryView{}, Shown: []ShownReading{}, Facts: []FactRow{},
	}
}

// Write writes an experiment for a home that does it, by its plan where it has one,
// without assignment, permission and entries.
func Write(d *design.Document, plan *Plan, language string) Sheet {
	w := &writer{language: language}
	r := review.Of(d)
	s := w.frame(d)
	s.Place = w.say(d.Place)
	s.Minutes, s.Hands = int(r.Timeline.Total.Minutes()+0.5), int(r.Timeline.Hands.Minutes()+0.5)
	for _, c := range d.Conditions {
		s.Conditions = append(s.Conditions, ConditionRow{c.ID, w.say(c.Name), w.say(c.Description), c.Control})
	}
	w.structure(&s, d)
	swaps := swapsOf(d, language)
	for _, item := range fit.Materials(d, r.Safety) {
		row := NeedRow{
			ID:       item.Need,
			Name:     text.Render(item.Name, language),
			Amount:   text.Render(item.Amount, language),
			Must:     text.Render(item.Must, language),
			Note:     w.say(item.Note),
			Optional: item.Optional,
			Instead:  []string{},
			Steps:    append([]int{}, item.Steps...),
			Swaps:    []PrintedSwap{},
			Copies:   []string{},
			Hints:    []string{},
		}
		n, ok := d.Need(item.Need)
		if !ok || n.Kind == design.PersonNeed || n.Kind == design.PlaceNeed {
			continue // who and where stand on the safety sheet
		}
		for _, i := range n.Instead {
			row.Instead = append(row.Instead, w.say(i))
		}
		row.Name, row.Look = w.say(n.Name), n.Look
		for _, c := range n.Copies {
			row.Copies = append(row.Copies, w.say(c.Prepared))
		}
		hints, hidden := d.HintsFor(n.ID)
		row.Hidden = hidden
		for _, h := range hints {
			row.Hints = append(row.Hints, w.say(h))
		}
		row.Swaps = append(row.Swaps, swaps[n.ID]...)
		s.Needs = append(s.Needs, row)
	}
	w.steps(&s, d, r)
	w.asked(&s, d)
	s.SafetyPart = w.guardian(d, r)
	w.activities(&s, d)
	s.Facts = factRows(r.Safety.Facts, language)
	if plan != nil {
		plan.fill(&s, d, language)
	}
	s.Untranslated = w.missing
	s.Permission = PermissionView{State: "asked", TextSha: hex.EncodeToString(PermissionSha(d))}
	return s
}

// swapsOf are what may be used instead, by need.
func swapsOf(d *design.Document, language string) map[string][]PrintedSwap {
	out := map[string][]PrintedSwap{}
	lists, err := fit.Swaps(d)
	if err != nil {
		return out // an unknown id: the sheet stands without swaps
	}
	for _, l := range lists {
		out[l.Need.ID] = printedSwaps(l, language, &writer{language: language})
	}
	return out
}
