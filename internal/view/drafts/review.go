package drafts

import (
	"encoding/json"
	"errors"
	"log/slog"
	"runtime/debug"
	"strconv"
	"strings"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/formula"
	"patient-kitchen/core/review"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/strict"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/view/sheets"
)

// ReviewView is a design judged, in the teacher's words.
type ReviewView struct {
	Readable   bool                 `json:"readable"`
	Problem    string               `json:"problem,omitempty" doc:"Why the document cannot be read at all"`
	Validation []FindingView        `json:"validation"`
	Safety     []SafetyView         `json:"safety" doc:"The gravest first"`
	Order      []OrderView          `json:"order" doc:"The order of steps: errors, and what is added by itself"`
	Bands      []BandView           `json:"bands" doc:"The verdict at each age"`
	Guardian   sheets.SafetyPart    `json:"guardian" doc:"What a guardian will read"`
	Least      int                  `json:"least_reason" doc:"Signs that a reason for a lowered verdict has at least"`
	Margin     []MarginView         `json:"margin"`
	Strip      StripView            `json:"strip" doc:"The procedure drawn to time"`
	Minutes    int                  `json:"minutes"`
	Hands      int                  `json:"hands"`
	Expected   []ExpectedView       `json:"expected" doc:"What models of the Workbench say should come out"`
	Issuable   bool                 `json:"issuable"`
	Verdict    string               `json:"verdict"`
	Reach      []string             `json:"reach" doc:"What the design can show, and what it cannot"`
	Predicts   []PredictionView     `json:"predictions" doc:"Questions before the start that are made from the plan, the usual one first"`
	Claims     []ClaimView          `json:"claims" doc:"What a class will be told of: those said before, or that the first value makes of itself"`
	Results    [][]sheets.OptionRow `json:"results" doc:"What each measured variable may be as a result, the likeliest first"`
}

// ExpectedView is one expectation worked out.
type ExpectedView struct {
	ID        string `json:"id"`
	For       string `json:"for"`
	Condition string `json:"condition,omitempty"`
	Title     string `json:"title" doc:"The question of the model"`
	Text      string `json:"text,omitempty" doc:"The value with its give or take"`
	Problem   string `json:"problem,omitempty"`
}

// ClaimView is a claim as it will be tested.
type ClaimView struct {
	ID    string `json:"id"`
	Words string `json:"words"`
	Test  string `json:"test"`
	Why   string `json:"why" doc:"Why this test"`
}

// PredictionView is a question before the start that the plan makes.
type PredictionView struct {
	Frame string         `json:"frame" enum:"order,number,if-then,own"`
	ID    string         `json:"id"`
	Kind  string         `json:"kind" enum:"choice,quantity,text,order"`
	Text  text.Localized `json:"text"`
	Unit  string         `json:"unit,omitempty"`
}

// FindingView is one finding of the validation.
type FindingView struct {
	Code     string `json:"code"`
	Severity string `json:"severity" enum:"error,warning,hint"`
	Path     string `json:"path" doc:"JSON Pointer"`
	Message  string `json:"message"`
	Mend     string `json:"mend"`
	Offer    string `json:"offer,omitempty" doc:"What may have been meant, for the place of the finding"`
}

// Review judges a document without storing it. It never fails: one that cannot
// be read or judged is answered with the reason.
func Review(raw []byte, language string) ReviewView { return ReviewFor(raw, nil, language) }

// ReviewFor is [Review] with the class that the design is looked at with; nil for a usual
// one.
func ReviewFor(raw []byte, class *review.Class, language string) ReviewView {
	var v ReviewView
	if err := Judged(func() error { v = reviewOf(raw, class, language); return nil }); err != nil {
		v = emptyReview()
		v.Problem = err.Error()
	}
	return v
}

func emptyReview() ReviewView {
	return ReviewView{
		Least: safety.LeastReason,
		Guardian: sheets.SafetyPart{
			Sections:  []sheets.SheetSection{},
			AdultJobs: []sheets.AdultJobRow{},
			Gear:      []string{},
			Where:     []string{},
			Before:    []string{},
			Cautions:  []sheets.CautionRow{},
			Stop:      []string{},
			Clearing:  []string{},
			Lowered:   []string{},
			General:   []string{},
			Cards:     []string{},
		},
		Validation: []FindingView{},
		Safety:     []SafetyView{},
		Order:      []OrderView{},
		Bands:      []BandView{},
		Margin:     []MarginView{},
		Strip: StripView{
			Lanes: []LaneView{}, Blocks: []BlockView{}, Parts: []StripPart{}, Shelf: []JarView{},
		},
		Expected: []ExpectedView{},
		Results:  [][]sheets.OptionRow{},
		Claims:   []ClaimView{},
		Reach:    []string{},
		Predicts: []PredictionView{},
	}
}

func reviewOf(raw []byte, class *review.Class, language string) ReviewView {
	v := emptyReview()
	d, err := design.Read(raw)
	if err != nil {
		v.Problem = err.Error()
		return v
	}
	r := review.Of(&d)
	v.Readable, v.Issuable, v.Verdict = true, r.Issuable(), string(safety.Worst(r.Safety.Findings))
	for _, f := range append(r.Validation, design.Strays(raw)...) {
		v.Validation = append(
			v.Validation,
			FindingView{
				f.Code,
				string(f.Severity),
				f.Path,
				text.Render(f.Message, language),
				text.Render(f.Mend, language),
				f.Offer,
			},
		)
	}
	v.Safety, v.Order, v.Bands = viewSafety(
		&d,
		d.Larder(),
		r.Safety,
		language,
	), viewOrder(
		&d,
		d.Larder(),
		r.Safety,
		language,
	), ViewBands(
		r.Safety,
	)
	v.Guardian = sheets.Guardian(&d, r, language)
	v.Margin = ViewMargin(&d, r, class, language)
	v.Strip = ViewStrip(&d, r, language)
	words := func(m text.Message) string { return text.Render(m, language) }
	for _, m := range review.Reach(&d) {
		v.Reach = append(v.Reach, words(m))
	}
	for _, p := range review.Predictions(&d) {
		v.Predicts = append(v.Predicts, PredictionView{p.Frame, p.ID, p.Kind, p.Text, p.Unit})
	}
	for _, p := range compare.Plan(&d) {
		v.Claims = append(v.Claims, ClaimView{p.ID, words(p.Words), words(p.Test.Words()), words(p.Why)})
	}
	l := d.Larder()
	for _, m := range d.Measured {
		offered := []sheets.OptionRow{}
		for _, k := range d.Offers(m, l) {
			words, _ := k.Words.In(language)
			offered = append(offered, sheets.OptionRow{ID: k.ID, Text: words})
		}
		v.Results = append(v.Results, offered)
	}
	for _, x := range d.Expectations {
		e, err := d.Expect(x)
		view := ExpectedView{ID: x.ID, For: x.For, Condition: x.Condition}
		if err != nil {
			view.Problem = err.Error()
		} else {
			view.Title, view.Text = text.Render(e.Title, language), e.Value.Show(language)
		}
		v.Expected = append(v.Expected, view)
	}
	v.Minutes, v.Hands = int(r.Timeline.Total.Minutes()+0.5), int(r.Timeline.Hands.Minutes()+0.5)
	return v
}

// TitleOf is the title of a document, readable or not.
func TitleOf(raw []byte) text.Localized {
	var head struct {
		Title text.Localized `json:"title"`
	}
	if json.Unmarshal(raw, &head) != nil || head.Title == nil {
		return text.Localized{}
	}
	return head.Title
}

// Titled is the title that a list shows.
func Titled(title text.Localized, language string) string {
	if words, _ := title.In(language); strings.TrimSpace(words) != "" {
		return words
	}
	return text.Render(text.M("experiments.untitled"), language)
}

// CheckDraft refuses what is no document, or too large a one.
func CheckDraft(raw []byte) error {
	if len(raw) > design.MaxBytes {
		return refusal.Field("document", refusal.Rule("most-kilobytes", "n", design.MaxBytes>>10),
			"a shorter background")
	}
	if strict.Broken(raw) {
		return refusal.Field("document", refusal.Rule("plain-text"), "a text as it is typed")
	}
	var anything map[string]any
	if err := json.Unmarshal(raw, &anything); err != nil {
		return refusal.Field("document", refusal.Rule("object"), `{"schema": 3}`)
	}
	// A document that cannot be read is kept and explained; one that is too
	// large to be judged is not even kept.
	var bound *design.BoundError
	if _, err := design.Read(raw); errors.As(err, &bound) {
		return refusal.Field(
			"document"+bound.Path,
			refusal.Rule(
				"most-of",
				"most",
				bound.Most,
				"what",
				text.Message{ID: "parts." + strings.ReplaceAll(bound.What, " ", "-")},
				"n",
				bound.N,
			),
			strconv.Itoa(bound.Most),
		)
	}
	return nil
}

// Strange refuses a document that comes in with keys that nothing reads, or with
// kinds of things that are not known here: somebody meant something by them.
func Strange(raw []byte) error {
	d, err := design.Read(raw)
	if err != nil {
		return nil // kept, and explained
	}
	for _, f := range append(design.Strays(raw), design.Validate(&d)...) {
		if strings.HasPrefix(f.Code, "stray") || f.Code == "kind" {
			return refusal.Field("document"+f.Path, text.M("rule.strange", "what", f.Message), `{"schema": 2}`)
		}
	}
	return nil
}

// Example reads one of the examples that ship with the program.
func Example(name string) ([]byte, error) {
	raw, err := docs.Example(name)
	if err != nil {
		return nil, refusal.Field("example", refusal.Rule("example"), "paper-strips")
	}
	return raw, nil
}

// Judged works something out of a stored document. A fault of ours there takes
// nothing else down: it is logged and said at the row.
func Judged(work func() error) (err error) {
	defer func() {
		if fault := recover(); fault != nil {
			slog.Error("fault while judging a document", "fault", fault, "stack", string(debug.Stack()))
			err = errors.New("a fault of the program, which is on record; the file can be taken out and sent to us")
		}
	}()
	return work()
}

// FormulaView answers a formula while it is typed.
type FormulaView struct {
	Sequence int    `json:"sequence" doc:"That of the question, so that stale answers can be dropped"`
	OK       bool   `json:"ok"`
	Problem  string `json:"problem,omitempty"`
	Position int    `json:"position" doc:"Byte offset of the problem in the formula"`
	End      int    `json:"end"`
	Unit     string `json:"unit,omitempty" doc:"Unit of the result"`
	Of       string `json:"of,omitempty" doc:"Of a percentage: what it is a share of, in the readings' names"`
}

// TryFormula checks a formula against a document's readings.
func TryFormula(raw []byte, expression, unit, language string) FormulaView {
	d, err := design.Read(raw)
	if err != nil {
		return FormulaView{Problem: err.Error()}
	}
	q, err := design.TryFormula(&d, expression, unit)
	var fe *formula.Error
	if errors.As(err, &fe) {
		return FormulaView{Problem: text.Render(fe.Why, language), Position: fe.Pos, End: fe.End}
	}
	view := FormulaView{OK: true, Unit: q.Unit.Label()}
	if e, err := formula.Parse(expression); err == nil && q.Unit.Symbol == "%" {
		share, _, _ := e.AsShare("%")
		view.Of = design.Named(&d, share.Of(), language)
	}
	return view
}
