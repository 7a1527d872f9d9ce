package results

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"math"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/formula"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/view/sheets"
)

// Results is the class page of an assignment.
type Results struct {
	Assignment  AssignmentView        `json:"assignment"`
	Question    string                `json:"question"`
	Conditions  []sheets.ConditionRow `json:"conditions" doc:"What is compared: the conditions, then the stages"`
	Objects     []sheets.ObjectRow    `json:"objects" doc:"What homes choose themselves"`
	Readings    []sheets.ReadingRow   `json:"readings"`
	Slots       []design.Slot         `json:"slots" doc:"Every reading asked for, in order"`
	Derived     []DerivedRow          `json:"derived"`
	Homes       []HomeResult          `json:"homes"`
	ClassRow    []ClassCell           `json:"class_row" doc:"In the order of slots: what the class has given so far"`
	Shared      *HomeResult           `json:"shared,omitempty" doc:"The teacher's own readings"`
	Comparisons []ComparisonView      `json:"comparisons"`
	Apart       []SideView            `json:"apart" doc:"Homes that used something else and are no part of the main result"`
	AsSent      []ComparisonView      `json:"as_sent" doc:"The same without what the teacher set aside or put in its place; empty where that is nothing"`
	AtDesk      int                   `json:"at_desk" doc:"Readings that the teacher set aside or put another value in place of"`
	Erased      int                   `json:"erased" doc:"Homes removed for good"`
	Counted     int                   `json:"counted" doc:"Homes whose readings count"`
	Heaps       []HeapsView           `json:"heaps" doc:"What was shown, sorted by the teacher"`
	Said        []AnsweredView        `json:"said" doc:"What the homes answered, question by question"`
}

// HeapsView is what homes showed for one piece of evidence, as the teacher sorted it.
type HeapsView struct {
	Evidence string `json:"evidence"`
	Words    string `json:"words" doc:"How many on which heap, how sure, and who sorted them"`
	Unsorted int    `json:"unsorted" doc:"Homes that showed something which is on no heap yet"`
}

// DerivedRow is a derived value of the design.
type DerivedRow struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Unit    string `json:"unit"`
	Formula string `json:"formula"`
}

// HomeResult is one home's row.
type HomeResult struct {
	Tag        string       `json:"tag,omitempty" doc:"Stands for this state of the row"`
	Had        bool         `json:"had,omitempty" doc:"The page has the row of this tag, and takes that: what else stands here is empty"`
	Home       *uuid.UUID   `json:"home,omitempty"`
	Nickname   string       `json:"nickname"`
	Letters    string       `json:"letters"`
	Permission string       `json:"permission"`
	State      string       `json:"state" enum:"not-opened,opened,declined,withdrawn,watching,working,sent"`
	Done       int          `json:"done"`
	Steps      int          `json:"steps"`
	SentAt     *time.Time   `json:"sent_at,omitempty"`
	LastSeen   *time.Time   `json:"last_seen,omitempty"`
	Late       bool         `json:"late,omitempty"`
	Cells      []CellView   `json:"cells" doc:"In the order of slots"`
	Results    []ResultView `json:"results"`
	Shown      []ShownView  `json:"shown" doc:"What the home gave for each piece of evidence"`
	Held       []HeldStep   `json:"held" doc:"Steps worked at before what they wait for was said: not counted"`

	Without []string `json:"without,omitempty" doc:"Titles of short activities that were not agreed to"`

	Things map[string]string `json:"things,omitempty" doc:"By object: what the home calls what it chose"`
}

// CellView is one slot of a home.
type CellView struct {
	State   string   `json:"state" enum:"value,bound,needs-reading,not-read,spoiled,set-aside,not-yet,adult-not-said,fact-not-said,not-here,not-agreed,deeper"`
	Value   *float64 `json:"value,omitempty" doc:"In the reading's unit, rounded to its uncertainty"`
	U       *float64 `json:"u,omitempty" doc:"Standard uncertainty in the reading's unit"`
	Text    string   `json:"text,omitempty" doc:"The value in the reading's unit"`
	Typed   string   `json:"typed,omitempty"`
	Reason  string   `json:"reason,omitempty"`
	Flags   []string `json:"flags,omitempty" doc:"Checks that stood when it was kept, and corrected"`
	History int      `json:"history" doc:"How many readings were ever entered here"`
}

// ResultView is one derived value of a home.
type ResultView struct {
	Derived   string   `json:"derived"`
	Condition string   `json:"condition,omitempty"`
	OK        bool     `json:"ok"`
	Value     *float64 `json:"value,omitempty"`
	U         *float64 `json:"u,omitempty"`
	Text      string   `json:"text,omitempty"`
	Working   string   `json:"working,omitempty"`
	Missing   string   `json:"missing,omitempty"`
	Outlier   bool     `json:"outlier,omitempty"`
	Low       *float64 `json:"low,omitempty" doc:"Of a value of which only a bound is known: its lower end, left out where it is open"`
	High      *float64 `json:"high,omitempty"`
}

// ComparisonView is a derived value over the class.
type ComparisonView struct {
	Derived  string      `json:"derived"`
	Name     string      `json:"name"`
	Unit     string      `json:"unit"`
	Against  string      `json:"against,omitempty"`
	Note     string      `json:"note,omitempty" doc:"How its formula is read, where that is not as it is written"`
	Kind     string      `json:"kind" enum:"quantity,count,ordinal,yes-partly-no,choice,several,order,stage-order,zones,words,event,position,text"`
	Ledge    *LedgeView  `json:"ledge,omitempty" doc:"Of a reading that is no number: the class as a table of heaps"`
	Crosses  []CrossView `json:"crosses" doc:"Of places on pictures: a picture each reading and lane"`
	Groups   []GroupView `json:"groups"`
	Findings []WordsView `json:"findings"`
}

// GroupView is one condition over the class.
type GroupView struct {
	Condition    string   `json:"condition"`
	Name         string   `json:"name"`
	N            int      `json:"n"`
	Enough       bool     `json:"enough" doc:"Five homes or more"`
	Mean         float64  `json:"mean"`
	SE           float64  `json:"se" doc:"Standard error of the mean"`
	SD           float64  `json:"sd"`
	Median       float64  `json:"median"`
	Spread       float64  `json:"spread" doc:"Robust spread"`
	Text         string   `json:"text" doc:"Mean with its give or take"`
	Expected     *float64 `json:"expected,omitempty" doc:"What the teacher's model says"`
	ExpectedText string   `json:"expected_text,omitempty"`

	MedianText string `json:"median_text" doc:"Median, to the digits of the mean; its unit is the comparison's"`
	SpreadText string `json:"spread_text" doc:"Spread, to the same digits; empty for one home"`
}

// WordsView is a finding in words.
type WordsView struct {
	ID        string `json:"id"`
	Condition string `json:"condition"`
	Against   string `json:"against,omitempty"`
	Lead      string `json:"lead" doc:"The finding"`
	Words     string `json:"words" doc:"How it is known: sizes, test, homes"`
	Family    string `json:"family" doc:"The same for students"`
	Verdict   string `json:"verdict" enum:"supported,not-supported,cannot-tell,afterwards"`
	Why       string `json:"why" doc:"Why this test"`
}

// Home is a home by its names, and whether it opened its link.
type Home struct {
	ID                uuid.UUID
	Nickname, Letters string
	Opened            bool
}

// ViewHome is a home's row of the class page.
func ViewHome(h Home, permission string, book *notebook.Book, language string) HomeResult {
	id := h.ID
	row := HomeResult{
		Home:       &id,
		Nickname:   h.Nickname,
		Letters:    h.Letters,
		Permission: permission,
		SentAt:     book.SentAt,
		Cells:      []CellView{},
		Results:    []ResultView{},
		Held:       Held(book, language),
		Things:     book.Names,
	}
	for _, a := range book.Design.Activities {
		if len(a.Steps) > 0 && book.Guards[a.Steps[0]] == notebook.NotAgreed {
			row.Without = append(row.Without, in(a.Title, language))
		}
	}
	row.Done, row.Steps = book.Progress()
	if !book.LastSeen.IsZero() {
		seen := book.LastSeen
		row.LastSeen = &seen
	}
	switch {
	case permission == "withdrawn" || permission == "declined":
		row.State = permission
	case book.SentAt != nil:
		row.State = "sent"
	case permission == "watching" && h.Opened:
		row.State = permission
	case permission == "granted" || row.Done > 0:
		row.State = "working"
	case h.Opened:
		row.State = "opened"
	default:
		row.State = "not-opened"
	}
	for i := range book.Cells {
		row.Cells = append(row.Cells, viewCell(book.Design, &book.Cells[i], language))
	}
	for _, r := range notebook.Derive(book) {
		row.Results = append(row.Results, ViewResult(r, language))
	}
	row.Shown = viewShown(book, language)
	return row
}

func viewCell(d *design.Document, c *notebook.Cell, language string) CellView {
	v := CellView{State: string(c.State), Reason: c.Reason, History: len(c.History)}
	if c.Entry != nil {
		v.Typed = c.Entry.Typed
	}
	guarded := slices.Contains(notebook.Guarded, c.State)
	if c.State == notebook.HasValue || guarded && c.Understood.Readable {
		q := c.Understood.InUnit
		value, u := roundTo(q.Value, q.U), q.U
		v.Value, v.U = &value, &u
		v.Text = q.Bare().Show(language)
	}
	if c.Entry != nil && c.Entry.Given != nil && v.State != string(notebook.HasReason) {
		v.Text = c.Words(d, language)
	}
	if c.State == notebook.HasBound {
		v.Text = text.Render(quantity.Echo(c.Understood.Typical), language)
	}
	if guarded {
		v.Value, v.U = nil, nil // kept and shown, and counted nowhere
	}
	for _, k := range c.Understood.Checks {
		v.Flags = append(v.Flags, k.Code)
	}
	if len(c.History) > 1 {
		v.Flags = append(v.Flags, "corrected")
	}
	return v
}

// ViewResult is a worked-out value.
func ViewResult(r notebook.Result, language string) ResultView {
	v := ResultView{Derived: r.Derived, Condition: r.Condition, OK: r.OK}
	if r.Bound != nil {
		v.Text = text.Render(quantity.Bounds(r.Bound.Low, r.Bound.High, r.Value.Unit), language)
		if !math.IsInf(r.Bound.Low, 0) {
			v.Low = &r.Bound.Low
		}
		if !math.IsInf(r.Bound.High, 0) {
			v.High = &r.Bound.High
		}
	}
	if !r.OK {
		v.Missing = text.Render(r.Missing, language)
		return v
	}
	if r.Said.ID != "" {
		v.Text = text.Render(r.Said, language)
		return v
	}
	value, u := r.Value.Value, r.Value.U
	v.Value, v.U, v.Text, v.Working = &value, &u, r.Value.Show(language), r.Working
	return v
}

// ViewComparison is a comparison of the class, in numbers and in words.
func ViewComparison(
	d *design.Document,
	c compare.Comparison,
	name func(key string) string,
	language string,
) ComparisonView {
	v := ComparisonView{
		Derived:  c.Derived,
		Unit:     c.Unit.Label(),
		Against:  c.Against,
		Kind:     string(design.QuantityKind),
		Groups:   []GroupView{},
		Findings: []WordsView{},
	}
	for _, x := range d.Outcomes() {
		if x.ID == c.Derived {
			v.Name, _ = x.Name.In(language)
			if e, err := formula.Parse(x.Formula); err == nil && x.Model == nil {
				if _, once, twice := e.AsShare(x.Unit); twice {
					v.Note = text.Render(
						text.Message{ID: "compare.hundred", Args: text.Args{"formula": x.Formula, "once": once}},
						language,
					)
				}
			}
		}
	}
	if c.Counts {
		v.Kind = string(design.CountKind)
	}
	if r, ok := d.Reading(c.Derived); ok && (r.Sort() == design.EventKind || r.Sort() == design.PositionKind) {
		v.Kind = string(r.Sort())
	}
	v.Crosses = viewCrosses(d, c.Crosses, language)
	if r := c.Reading; r != nil {
		v.Kind, v.Unit, v.Ledge = string(r.Sort()), "", viewLedge(d, c, language)
	}
	for _, g := range c.Groups {
		gv := GroupView{
			Condition: g.Condition,
			N:         g.Summary.N,
			Enough:    g.Enough,
			Mean:      g.Summary.Mean,
			SE:        g.Mean.U,
			SD:        g.Summary.SD,
			Median:    g.Summary.Median,
			Spread:    g.Summary.Spread,
		}
		if c.Reading != nil {
			gv.N = g.N
		}
		gv.Name, _ = d.LaneName(g.Condition).In(language)
		if g.Summary.N > 0 {
			gv.Text = g.Mean.Show(language)
			if c.Counts && g.Summary.N > 1 {
				gv.Text = text.Render(
					text.Message{
						ID: "compare.a-home",
						Args: text.Args{
							"value": quantity.Quantity{Value: math.Round(10*g.Summary.Mean) / 10, Unit: c.Unit},
						},
					},
					language,
				)
			}
			if g.Alike && g.Enough {
				gv.Text = text.Render(text.Message{ID: "compare.all-alike", Args: text.Args{"value": g.Mean}}, language)
			}
			decimals := text.Decimals(g.Summary.Median, g.Mean.U)
			gv.MedianText = text.Number(g.Summary.Median, decimals, language)
			if g.Summary.N > 1 {
				gv.SpreadText = text.Number(g.Summary.Spread, decimals, language)
			}
		}
		for _, x := range d.Expectations {
			if x.For != c.Derived || x.Condition != "" && x.Condition != g.Condition {
				continue
			}
			if e, err := d.Expect(x); err == nil {
				gv.Expected, gv.ExpectedText = &e.Value.Value, e.Value.Show(language)
			}
		}
		v.Groups = append(v.Groups, gv)
	}
	for _, f := range c.Findings {
		lead, words := firstSentence(compare.Named(f.Teacher(language), name))
		v.Findings = append(
			v.Findings,
			WordsView{
				f.ID,
				f.Condition,
				f.Against,
				lead,
				words,
				compare.Named(f.ForFamily(language), name),
				string(f.Verdict),
				text.Render(f.Why, language),
			},
		)
	}
	return v
}

// firstSentence divides words behind their first full stop.
func firstSentence(words string) (first, rest string) {
	if before, after, ok := strings.Cut(words, ". "); ok {
		return before + ".", after
	}
	return words, ""
}

// Without leaves out the rows that a page has, by their tags.
func (r *Results) Without(had []string) error {
	for i := range r.Homes {
		raw, err := json.Marshal(r.Homes[i])
		if err != nil {
			return err
		}
		sum := sha256.Sum256(raw)
		r.Homes[i].Tag = hex.EncodeToString(sum[:6])
		if slices.Contains(had, r.Homes[i].Tag) {
			r.Homes[i] = HomeResult{
				Tag:     r.Homes[i].Tag,
				Had:     true,
				Cells:   []CellView{},
				Results: []ResultView{},
				Shown:   []ShownView{},
				Held:    []HeldStep{},
			}
		}
	}
	return nil
}
