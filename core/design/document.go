package design

import (
	"bytes"
	"encoding/json"
	"fmt"
	"slices"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Schema is the number of the document's present form.
const Schema = 3

// Document is one experiment. Texts that families read are kept per language.
type Document struct {
	Schema       int               `json:"schema" doc:"Number of the document's form; the present one is 3"`
	Title        text.Localized    `json:"title" doc:"Short name, by language code"`
	Question     text.Localized    `json:"question" doc:"The question as families read it"`
	Background   text.Localized    `json:"background,omitempty" doc:"For the teacher"`
	Teaching     Teaching          `json:"teaching,omitzero" doc:"What stands around it"`
	AgeBand      AgeBand           `json:"age_band" enum:"5-7,8-10,11-13,14-18"`
	Place        text.Localized    `json:"place,omitempty" doc:"Where it is done, such as a kitchen table"`
	Outdoors     bool              `json:"outdoors,omitempty" doc:"It is done outside, clear above"`
	Way          Way               `json:"way" enum:"follow-along,predict-then-try,calculate-first,open-challenge,watch-shared" doc:"Way of working"`
	Task         Task              `json:"task,omitzero" doc:"What its way of working asks beside the steps"`
	Languages    []string          `json:"languages" doc:"Codes of the languages families can choose" example:"[\"en\",\"es\"]"`
	Lesson       string            `json:"lesson,omitempty" doc:"How long the lesson is, such as 45 min; left out for work at the family's own time"`
	Changed      Variable          `json:"changed,omitzero" doc:"The independent variable"`
	Measured     []Variable        `json:"measured,omitempty" doc:"The dependent variables"`
	Kept         []Variable        `json:"kept,omitempty" doc:"The controlled variables"`
	Conditions   []Condition       `json:"conditions,omitempty"`
	Stages       []Choice          `json:"stages,omitempty" doc:"What follows one another in it, at each of which something can be read"`
	Objects      []Object          `json:"objects,omitempty" doc:"Things that each home chooses itself, within limits"`
	Activities   []Activity        `json:"activities,omitempty" doc:"Short pieces of work in one session, in any order, each agreed to and done by itself"`
	Sections     []Section         `json:"sections,omitempty" doc:"Parts after which one can stop and go on later"`
	Crew         []Role            `json:"crew,omitempty" doc:"Who does what when several take part"`
	Reduced      []Reduction       `json:"reduced,omitempty" doc:"Shorter versions, each with what it costs"`
	StandsFor    []Standing        `json:"stands_for,omitempty" doc:"Of a model: what each thing stands for"`
	Limits       []text.Localized  `json:"limits,omitempty" doc:"Of a model: what it gets wrong"`
	Trials       int               `json:"trials" minimum:"1" maximum:"20" doc:"Trials of each condition"`
	Needs        []Need            `json:"needs,omitempty"`
	Steps        []Step            `json:"steps,omitempty"`
	Readings     []Reading         `json:"readings,omitempty"`
	Constants    []Constant        `json:"constants,omitempty" doc:"Values for use in formulas: the same for every home, or measured once by each"`
	Derived      []Derived         `json:"derived,omitempty"`
	Claims       []Claim           `json:"claims,omitzero" doc:"What is to be tested, said before; left out: each condition against the control, or all pairs. An empty list: we only look"`
	Expectations []Expectation     `json:"expectations,omitempty"`
	Evidence     []Evidence        `json:"evidence,omitempty"`
	Questions    []Question        `json:"questions,omitempty"`
	Printables   []string          `json:"printables,omitempty" enum:"ruler,tape,protractor,wedge,grid,circles,jar-scale,spinner,sundial,chamber,colours,tally,chart" doc:"Sheets that are printed at true size"`
	Mistakes     []Mistake         `json:"mistakes,omitempty"`
	Materials    []larder.Material `json:"materials,omitempty" doc:"Things of the school's own larder that this experiment uses; they travel with it"`
	Swaps        []larder.SwapRule `json:"swaps,omitempty" doc:"Swaps of the school's own for the things used"`
	Cautions     []Caution         `json:"cautions,omitempty" doc:"What the teacher adds to the safety rules; it can only raise a verdict"`
	Heard        []Heard           `json:"heard,omitempty" doc:"The teacher's answers to what a text seems to say and nothing ticked or listed"`
	Left         []string          `json:"left,omitempty" doc:"Ids of slips of wording that the teacher leaves as they are"`
	Lowered      []Lowering        `json:"lowered,omitempty" doc:"Verdicts of the safety rules that the teacher lowers by one level, with the reason"`
}

// AgeBand is the ages an experiment is meant for.
type AgeBand string

// AgeBands are the four bands of safety rules, youngest first.
var AgeBands = []AgeBand{"5-7", "8-10", "11-13", "14-18"}

// Way is a way of working.
type Way string

// The ways of working (see the guide).
const (
	FollowAlong    Way = "follow-along"
	PredictThenTry Way = "predict-then-try"
	CalculateFirst Way = "calculate-first"
	OpenChallenge  Way = "open-challenge"
	WatchShared    Way = "watch-shared"
)

// Ways are all of them.
var Ways = []Way{FollowAlong, PredictThenTry, CalculateFirst, OpenChallenge, WatchShared}

// Variable is something changed, measured or kept the same.
type Variable struct {
	Name    text.Localized `json:"name,omitempty"`
	Reading string         `json:"reading,omitempty" doc:"For a measured variable: the id of its reading or derived value"`
	Result  string         `json:"result,omitempty" doc:"For a measured variable: what kind of result it is, in the words of the larder's swaps, such as total-gas; it decides which substitutes compare"`
	Scale   string         `json:"scale,omitempty" enum:"difference,ratio" doc:"For a measured variable: ratio compares how many times as much, as for times and frequencies"`
	Matters string         `json:"matters,omitempty" doc:"For a measured variable: the smallest difference that would matter, with unit; a factor above 1 where the scale is ratio"`
	Stated  string         `json:"stated,omitempty" doc:"For a measured variable: a value it is held against, with unit"`
}

// Condition is one set-up that is compared with the others.
type Condition struct {
	ID          string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Name        text.Localized `json:"name"`
	Description text.Localized `json:"description,omitempty" doc:"What is different in it"`
	Control     bool           `json:"control,omitempty" doc:"The untreated comparison; at most one"`
	Value       string         `json:"value,omitempty" doc:"Where what is changed is a number: how much of it, such as 15"`
	Unit        string         `json:"unit,omitempty" doc:"Of the value"`
	LevelFrom   string         `json:"level_from,omitempty" doc:"Id of the reading by which a home measures the level it chose"`
}

// Caution is a hazard that the teacher sees and the rules do not, or judges
// more strictly.
type Caution struct {
	ID      string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Step    string         `json:"step" doc:"Id of the step"`
	Verdict string         `json:"verdict" enum:"care,adult-near,adult-does,not-at-home"`
	Why     text.Localized `json:"why" doc:"What could hurt, as a guardian reads it"`
	Do      text.Localized `json:"do" doc:"What to do about it"`
}

// Lowering is a verdict taken one level down by the teacher. Package safety
// says where that is possible.
type Lowering struct {
	Rule   string `json:"rule"`
	Case   string `json:"case,omitempty" doc:"The case of the rule, such as kitchen; left out where the rule has one finding in this step"`
	Step   string `json:"step"`
	Reason string `json:"reason" doc:"Printed on the sheet; at least 20 signs"`
	By     string `json:"by" doc:"Name of the teacher"`
}

// Heard is an answer to a question about a sentence. It holds as long as the
// words of the sentence, the needs of its step and the way of working stay.
type Heard struct {
	Key     string `json:"key" doc:"Of the question, as the findings give it"`
	Concept string `json:"concept" doc:"What the sentence seemed to say, such as flame-lit"`
	Answer  string `json:"answer" enum:"other,teacher" doc:"It means something else, or the teacher alone does it"`
	Reason  string `json:"reason,omitempty"`
	By      string `json:"by,omitempty" doc:"Name of the teacher"`
}

// Step is one thing to do, see or wait for.
type Step struct {
	ID         string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Kind       StepKind       `json:"kind" enum:"prepare,do,wait,measure,observe,photo,clear-up"`
	Title      text.Localized `json:"title"`
	Text       text.Localized `json:"text,omitempty" doc:"What to do, as the family reads it"`
	Picture    *StepPicture   `json:"picture,omitempty" doc:"How it looks when it is done right"`
	See        text.Localized `json:"see,omitempty" doc:"What one should see"`
	Duration   string         `json:"duration,omitempty" doc:"How long hands are busy, such as 5 min"`
	Wait       *Wait          `json:"wait,omitempty" doc:"Time to let pass before this step"`
	Actions    []string       `json:"actions,omitempty" doc:"What is done, in the words of the safety rules, such as scissors or pour"`
	Uses       []string       `json:"uses,omitempty" doc:"Ids of needs"`
	Vessel     text.Localized `json:"vessel,omitempty"`
	In         string         `json:"in,omitempty" doc:"Id of the need that is the vessel; what is used in steps without one is judged as put together"`
	Closed     bool           `json:"closed,omitempty" doc:"The vessel is closed"`
	Heat       string         `json:"heat,omitempty" doc:"Highest temperature of anything handled, such as 50 °C"`
	Voltage    string         `json:"voltage,omitempty" doc:"Of a source put to something wet, such as 4.5 V"`
	Takes      []Take         `json:"takes,omitempty" doc:"Readings taken in this step"`
	Evidence   []string       `json:"evidence,omitempty" doc:"Ids of evidence collected in this step"`
	Questions  []string       `json:"questions,omitempty" doc:"Ids of questions asked in this step"`
	Meanwhile  text.Localized `json:"meanwhile,omitempty" doc:"What to do while waiting"`
	AdultNote  text.Localized `json:"adult_note,omitempty"`
	Simple     text.Localized `json:"simple,omitempty" doc:"Its text for younger children; a family can choose to read it"`
	Deeper     text.Localized `json:"deeper,omitempty" doc:"What it says to those who go deeper, under its text; a home can choose to"`
	Tip        text.Localized `json:"tip,omitempty" doc:"For the teacher alone"`
	Crew       []string       `json:"crew,omitempty" doc:"Ids of those who do it; left out: all together"`
	Helps      []Help         `json:"helps,omitempty" doc:"Small things that make it go well, said at their moment"`
	Conditions []string       `json:"conditions,omitempty" doc:"Ids of the conditions for which it is done; left out: all"`
	Gate       bool           `json:"gate,omitempty" doc:"In a lesson: homes wait behind it until the teacher says go"`
	Each       bool           `json:"each,omitempty" doc:"Done in one condition after the other, each by itself"`
	Plain      []string       `json:"plain,omitempty" doc:"Words of its text of which the teacher said that they mean nothing more"`
}

// StepKind is what a step is for.
type StepKind string

// StepKinds are all kinds of step.
var StepKinds = []StepKind{"prepare", "do", "wait", "measure", "observe", "photo", "clear-up"}

// Wait is time to let pass: from the end of another step, or of the one before.
type Wait struct {
	For      string `json:"for" doc:"Such as 4 min or 14 h"`
	From     string `json:"from,omitempty" doc:"Id of the step whose end starts the clock; left out: the step before"`
	Earliest string `json:"earliest,omitempty" doc:"Time after which the step may begin; left out: the same as for"`
	Latest   string `json:"latest,omitempty" doc:"Time until which the step counts as in time"`
}

// Mistake is something that often goes wrong.
type Mistake struct {
	See   text.Localized `json:"see" doc:"What one sees"`
	Cause text.Localized `json:"cause,omitempty"`
	Mend  text.Localized `json:"mend"`
}

// MaxBytes is the largest document that is read.
const MaxBytes = 512 << 10

// Read parses a document and lifts it to the present schema. It fails on
// bytes that are no JSON object of a known schema, or larger than MaxBytes;
// everything else is left to Validate.
func Read(raw []byte) (Document, error) {
	if len(raw) > MaxBytes {
		return Document{}, fmt.Errorf("the document is larger than %d kB", MaxBytes>>10)
	}
	var head struct {
		Schema int `json:"schema"`
	}
	if err := json.Unmarshal(raw, &head); err != nil {
		return Document{}, fmt.Errorf("the document is not a JSON object: %w", err)
	}
	if head.Schema < 1 || head.Schema > Schema {
		return Document{}, fmt.Errorf(
			"the document says schema %d; this program reads schema 1 to %d",
			head.Schema,
			Schema,
		)
	}
	for n := head.Schema; n < Schema; n++ {
		lifted, err := lifts[n](raw)
		if err != nil {
			return Document{}, fmt.Errorf("the document could not be lifted to schema %d: %w", n+1, err)
		}
		raw = lifted
	}
	var d Document
	if err := json.NewDecoder(bytes.NewReader(raw)).Decode(&d); err != nil {
		return Document{}, fmt.Errorf("the document could not be read: %w", err)
	}
	d.complete()
	if err := d.bounds(); err != nil {
		return Document{}, err
	}
	return d, nil
}

// complete puts in what goes without saying: one trial, each language once, the unit of a
// kind of reading.
func (d *Document) complete() {
	var languages []string
	for _, l := range d.Languages {
		if !slices.Contains(languages, l) {
			languages = append(languages, l)
		}
	}
	d.Languages = languages
	if d.Trials == 0 {
		d.Trials = 1
	}
	for i := range d.Readings {
		switch r := &d.Readings[i]; {
		case r.Sort() == CountKind && r.Unit == "":
			r.Unit = quantity.One.Symbol
		case r.Sort() == EventKind && r.Unit == "":
			r.Unit = "min"
		case r.Sort() == PositionKind:
			r.Place = r.Placed()
			r.Unit = r.Place.Unit()
		case !r.Numeric():
			r.Unit = ""
		}
	}
}

// StepPicture is a picture of a step, kept beside the document under what it is.
type StepPicture struct {
	ID  string         `json:"id" pattern:"^[0-9a-f]{64}$" doc:"SHA-256 of its file"`
	Alt text.Localized `json:"alt,omitempty" doc:"What it shows, for those who do not see it"`
}

// Pictures are the ids of the pictures of the steps, each once, in their order.
func (d *Document) Pictures() []string {
	var out []string
	for _, s := range d.Steps {
		if s.Picture != nil && !slices.Contains(out, s.Picture.ID) {
			out = append(out, s.Picture.ID)
		}
	}
	return out
}

// Seconds reads a duration such as "4 min"; it reports false for anything
// that is not a time of zero or more.
func Seconds(duration string) (float64, bool) {
	p, err := quantity.Parse(duration)
	if err != nil || p.Unit.Dim != quantity.Time || p.SI() < 0 {
		return 0, false
	}
	return p.SI(), true
}

// Larder is the shipped larder with the school's own things that the document
// brings along. Entries that are wrong are left out; Validate says so.
func (d *Document) Larder() *larder.Larder {
	l, _ := larder.Standard().With(larder.Own{Materials: d.Materials, Rules: d.Swaps})
	return l
}

// Need finds a need by its id.
func (d *Document) Need(id string) (*Need, bool) {
	i := slices.IndexFunc(d.Needs, func(n Need) bool { return n.ID == id })
	if i < 0 {
		return nil, false
	}
	return &d.Needs[i], true
}

// Reading finds a reading by its id.
func (d *Document) Reading(id string) (*Reading, bool) {
	i := slices.IndexFunc(d.Readings, func(r Reading) bool { return r.ID == id })
	if i < 0 {
		return nil, false
	}
	return &d.Readings[i], true
}

// conditionIDs are the ids of the conditions, in their order.
func (d *Document) conditionIDs() []string {
	out := make([]string, len(d.Conditions))
	for i, c := range d.Conditions {
		out[i] = c.ID
	}
	return out
}

// Condition finds a condition by its id.
func (d *Document) Condition(id string) (*Condition, bool) {
	i := slices.IndexFunc(d.Conditions, func(c Condition) bool { return c.ID == id })
	if i < 0 {
		return nil, false
	}
	return &d.Conditions[i], true
}

// Step finds a step and its place by its id.
func (d *Document) Step(id string) (int, bool) {
	i := slices.IndexFunc(d.Steps, func(s Step) bool { return s.ID == id })
	return i, i >= 0
}

// Offers lists the kinds of result that a measured variable may name: those
// that fit its reading, first those that a swap for a job of this design tells
// apart.
func (d *Document) Offers(v Variable, l *larder.Larder) []larder.Result {
	unit := ""
	if r, ok := d.Reading(v.Reading); ok {
		if !r.Numeric() {
			return d.ofKind(r.Sort(), l)
		}
		unit = r.Unit
	}
	for _, x := range d.Derived {
		if x.ID == v.Reading {
			unit = x.Unit
		}
	}
	u, ok := quantity.LookupUnit(unit)
	if unit == "" || !ok {
		return nil
	}
	kind := u.Dim.String()
	return d.offered(l, func(r larder.Result) bool {
		plain := u.Dim == quantity.Pure && (slices.Contains(r.Kinds, "count") || slices.Contains(r.Quantity, "1"))
		event := u.Dim == quantity.Time && slices.Contains(r.Kinds, "event")
		return plain || event || slices.Contains(r.Quantity, kind)
	})
}

// ofKind lists the results that a reading of a kind can be.
func (d *Document) ofKind(kind ReadingKind, l *larder.Larder) []larder.Result {
	return d.offered(l, func(r larder.Result) bool { return slices.Contains(r.Kinds, string(kind)) })
}

// offered lists the results that fit, first those that a swap for a job of this design
// tells apart.
func (d *Document) offered(l *larder.Larder, fits func(larder.Result) bool) []larder.Result {
	var told, rest []larder.Result
	for _, r := range l.Kinds {
		if !fits(r) {
			continue
		}
		if slices.ContainsFunc(l.Rules, func(s larder.SwapRule) bool {
			return slices.Contains(s.Results, r.ID) &&
				slices.ContainsFunc(d.Needs, func(n Need) bool { return n.Role == s.Role })
		}) {
			told = append(told, r)
		} else {
			rest = append(rest, r)
		}
	}
	return append(told, rest...)
}

// Needs are the ids of all needs that a step works with: what it uses and what it is
// done in.
func (s *Step) Needs() []string {
	out := slices.Clone(s.Uses)
	if s.In != "" && !slices.Contains(out, s.In) {
		out = append(out, s.In)
	}
	return append([]string{}, out...)
}
